"""Feeling: the numbers agree with closed forms, and with what a session does."""

from __future__ import annotations

import json
from functools import lru_cache
from math import exp, log
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from click.testing import CliRunner
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main
from mellow_thumb.insight.feeling import MEASURES, spectral_arc_length
from mellow_thumb.insight.route_feel import bisected
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.orbits import Orbit, Return
from mellow_thumb.plan.mounts.plane_mounts import Flat, Overhead
from mellow_thumb.plan.movement import Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import DeadZone, Exponential, Smoothing, Spring, TurnBoost
from mellow_thumb.plan.steps.shape import Shape
from mellow_thumb.plan.steps.spring import HALF_WAY

from ..helpers.profiles import load

AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"))


def stick(rate: float = 200.0, smoothing: Smoothing | None = None, **more: Any) -> Plan:
    route = Route(
        "look",
        find_signal("pad.right_stick"),
        ("yaw", "pitch"),
        (rate, 0.6 * rate),
        None,
        smoothing,
        "rate",
        **more,
    )
    return Plan((route,), (), AXES, Eye("eye"))


@lru_cache(maxsize=4)
def feeling(plan: Plan) -> pd.DataFrame:
    return mt.feel(plan)


def felt(plan: Plan, measure: str, subject: str = "look, yaw") -> float:
    return value(feeling(plan), subject, measure)


def value(table: pd.DataFrame, subject: str, measure: str) -> float:
    return float(table.loc[[(subject, measure)]].to_numpy()[0][1])


@settings(max_examples=20)
@given(st.floats(30.0, 400.0), st.floats(0.01, 0.2))
def test_half_turn_and_lag_are_those_of_the_closed_form(rate: float, half_life: float) -> None:
    plan, k = stick(rate, Exponential(half_life)), log(2.0) / half_life
    assert felt(plan, "lag") == pytest.approx(half_life, rel=1e-3)
    # where rate (t - (1 - exp(-k t)) / k) is 180 deg
    expected = bisected(lambda t: rate * (t - (1.0 - exp(-k * t)) / k) >= 180.0, 30.0)
    assert felt(plan, "half turn") == pytest.approx(expected, rel=1e-3)
    assert felt(plan, "rise") == pytest.approx(log(9.0) / k, rel=1e-3)
    assert felt(plan, "settling") == pytest.approx(log(50.0) / k, rel=1e-3)
    assert felt(plan, "overshoot") == pytest.approx(0.0, abs=1e-9)
    assert felt(plan, "fastest turn") == pytest.approx(rate, rel=1e-6)


@settings(max_examples=15)
@given(st.floats(0.02, 0.2))
def test_a_springs_lag_is_its_half_time(half_time: float) -> None:
    plan = Plan(
        (Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1), None, Spring(half_time)),), (), AXES, Eye("eye")
    )  # fmt: skip
    assert felt(plan, "lag") == pytest.approx(half_time, rel=1e-3)
    w = HALF_WAY / half_time

    def when(share: float) -> float:
        return bisected(lambda t: 1.0 - (1.0 + w * t) * exp(-w * t) >= share, 30.0)

    assert felt(plan, "rise") == pytest.approx(when(0.9) - when(0.1), rel=1e-3)


@settings(max_examples=15)
@given(st.floats(60.0, 300.0), st.floats(0.2, 1.5), st.floats(0.1, 0.6))
def test_a_boost_is_in_the_half_turn(rate: float, extra: float, build: float) -> None:
    plan = stick(rate, turn_boost=TurnBoost(0.9, extra, build))

    def turned(t: float) -> float:
        ramp = min(t, build)
        return rate * (t + extra * (ramp * ramp / (2.0 * build) + max(t - build, 0.0)))

    expected = bisected(lambda t: turned(t) >= 180.0, 30.0)
    assert felt(plan, "half turn") == pytest.approx(expected, rel=1e-3)
    assert felt(plan, "fastest turn") == pytest.approx(rate * (1.0 + extra), rel=1e-6)
    assert felt(plan, "lag") == 0.0


def test_the_slowest_turn_is_one_step_beyond_the_dead_zone() -> None:
    plan = stick(100.0, shape=Shape(dead_zone=DeadZone("radial", 0.2, 1.0)))
    assert felt(plan, "slowest turn") == pytest.approx(100.0 * (1 / 127) / 0.8, rel=1e-3)


def test_a_dead_zone_on_each_axis_bends_directions_and_a_radial_one_does_not() -> None:
    bent = stick(shape=Shape(dead_zone=DeadZone("axial", 0.25, 1.0)))
    straight = stick(shape=Shape(dead_zone=DeadZone("radial", 0.25, 1.0)))
    assert felt(straight, "direction error", "look") < 1e-6
    assert felt(bent, "direction error", "look") > 5.0


def test_a_stick_without_a_dead_zone_drifts_and_one_with_it_does_not() -> None:
    assert felt(stick(), "drift at rest", "look") > 100.0
    still = stick(shape=Shape(rest=(0.034, -0.021), dead_zone=DeadZone("radial", 0.06, 0.95)))
    assert felt(still, "drift at rest", "look") == 0.0


def test_counts_presses_and_the_hand_for_a_turn() -> None:
    table = mt.feel(mt.load_profile(marsh.PROFILE))
    assert value(table, "glasses, yaw", "hand for a turn") == pytest.approx(72.0)
    assert value(table, "bare_eye, yaw", "smallest turn") == pytest.approx(0.05)
    hide = mt.feel(mt.load_profile(marsh.HIDE))
    assert value(hide, "snap_turn, yaw", "smallest turn") == pytest.approx(30.0)


@pytest.mark.parametrize(("profile", "take"), marsh.SCENES, ids=lambda path: path.name)
def test_every_scene_can_be_felt_and_frames_change_nothing(profile: Path, take: Path) -> None:
    table = mt.feel(mt.load_profile(profile), mt.read_take(take))
    assert set(table.index.get_level_values("measure")) <= set(MEASURES)
    assert value(table, "take", "frame-rate spread") == 0.0
    assert (table.iloc[:, 1] == table.iloc[:, 1]).all()


def test_a_smooth_movement_is_smoother_than_a_shaking_one() -> None:
    t = np.arange(0, 1, 1 / 240)
    bell = 30.0 * (t**2) * (1 - t) ** 2
    smooth = spectral_arc_length(bell, 240.0)
    assert smooth == pytest.approx(-1.41, abs=0.05)  # as published for a movement of least jerk
    assert spectral_arc_length(bell * 2.0, 240.0) == pytest.approx(smooth)
    assert spectral_arc_length(bell + 0.5 * np.sin(2 * np.pi * 7 * t), 240.0) < smooth - 0.2


def test_profiles_stand_side_by_side_and_what_differs_is_marked(tmp_path: Path) -> None:
    slower = tmp_path / "slower.toml"
    slower.write_text(marsh.DYKE.read_text(encoding="utf-8").replace("220 deg/s", "150 deg/s"))
    shares: list[float] = []
    table = mt.feel([mt.load_profile(marsh.DYKE), mt.load_profile(slower)], progress=shares.append)
    assert list(table.columns) == ["unit", str(marsh.DYKE), str(slower)]
    assert shares == sorted(shares)
    assert shares[-1] == 1.0
    text = CliRunner().invoke(main, ["feel", str(marsh.DYKE), str(slower)]).output
    assert "half turn" in text
    lines = [line for line in text.splitlines() if line.startswith("  fastest turn")]
    assert ["differs" in line for line in lines] == [True, False]
    done = CliRunner().invoke(main, ["feel", str(marsh.DYKE), "-o", str(tmp_path / "feel.csv"), "--json"])
    assert json.loads(done.stdout)[0]["measure"] == "half turn"
    assert (tmp_path / "feel.csv").read_text().startswith("subject,measure,unit,")
    wrong = CliRunner().invoke(main, ["feel", str(marsh.DYKE), "-o", "feel.png"])
    assert wrong.exit_code == 1
    assert 'found the suffix ".png"; expected .csv' in wrong.output


def test_what_never_comes_is_said_so() -> None:
    crawls = stick(1.0)
    assert felt(crawls, "half turn") == float("inf")


PLANE = """format = "mellow-thumb profile 1"
[mounts.chart]
kind = "KIND"
[axes]
pan_x = { start = "2 m" }
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
rim = { edge_zone = "mouse.place" }
[routes.rim]
from = "rim"
drives = ["pan_x", "pan_y"]
sensitivity = "0.5 screen/s"
smoothing = { half_life = "90 ms" }
[routes.steps]
from = "steps"
drives = ["pan_x", "pan_y"]
sensitivity = "4 m/s"
[touch.pull]
drag = {}
[routes.pull]
from = "touch.pull"
drives = ["pan_x", "pan_y"]
sensitivity = "-40 m/screen"
glide = { half_life = "120 ms" }
"""


@pytest.mark.parametrize("kind", ["overhead", "flat"])
def test_pans_and_drags_are_felt_as_their_closed_forms(tmp_path: Path, kind: str) -> None:
    text = PLANE.replace("KIND", kind)
    wide = 10.0  # metres that a flat picture shows
    if kind == "overhead":
        text = text.replace(
            "[signals]", 'distance = { start = "20 m", min = "1 m", max = "60 m" }\n[signals]'
        )
        wide = 2.0 * 20.0 * np.tan(np.radians(0.5 * load(tmp_path, text).mount.field_of_view))  # type: ignore[union-attr]
    else:
        text = text.replace('kind = "flat"', 'kind = "flat"\nextent = "10 m"')
    table = mt.feel(load(tmp_path, text))
    k = log(2.0) / 0.09
    for axis in ("pan_x", "pan_y"):
        across = value(table, f"rim, {axis}", "across the view")
        assert across == pytest.approx(
            bisected(lambda t: 0.5 * (t - (1.0 - exp(-k * t)) / k) >= 1.0, 9.0), rel=1e-3
        )
        assert value(table, f"rim, {axis}", "fastest speed") == pytest.approx(0.5 * wide, rel=1e-6)
        assert value(table, f"steps, {axis}", "across the view") == pytest.approx(wide / 4.0, rel=1e-6)
        assert value(table, f"pull, {axis}", "drag across") == pytest.approx(40.0)
        assert value(table, f"pull, {axis}", "run-out") == pytest.approx(40.0 * 0.12 / log(2.0), rel=1e-3)


def test_an_edge_that_turns_is_felt_across_the_view_and_on_its_only_side(tmp_path: Path) -> None:
    text = (
        PLANE.replace("KIND", "eye")
        .replace('["pan_x", "pan_y"]', '["yaw", "pitch"]')
        .replace("0.5 screen/s", "30 deg/s")
    )
    text = (
        text.replace("4 m/s", "30 deg/s")
        .replace("-40 m/screen", "90 deg/screen")
        .replace('pan_x = { start = "2 m" }', "")
    )
    one_sided = text.replace(
        'edge_zone = "mouse.place"', 'edge_zone = "mouse.place", margin = { left = "20 px" }'
    )
    for changed in (text, one_sided):
        profile = load(tmp_path, changed.replace('smoothing = { half_life = "90 ms" }\n', ""))
        across = value(mt.feel(profile), "rim, yaw", "across the view")
        assert across == pytest.approx(profile.mount.field_of_view / 30.0, rel=1e-6)  # type: ignore[union-attr]
    assert value(mt.feel(profile), "pull, yaw", "run-out") == pytest.approx(90.0 * 0.12 / log(2.0), rel=1e-3)


def test_a_wheels_step_is_no_turn() -> None:
    table = mt.feel(mt.load_profile(marsh.CHART))
    assert value(table, "reel, distance", "smallest step") == pytest.approx(15.0)
    assert ("reel, distance", "smallest turn") not in table.index


@settings(max_examples=15)
@given(st.floats(0.8, 4.0), st.floats(4.0, 40.0), st.floats(4.0, 40.0))
def test_a_walk_is_felt_as_its_closed_form(speed: float, gains: float, brakes: float) -> None:
    walker = Movement(speed, gains, brakes, relative_to="camera")
    axes = (*AXES, *(Axis(name, low=-1.0, high=1.0, unit="") for name in ("move_x", "move_y")))
    table = feeling(Plan((), (), axes, Eye("eye"), movement=walker))
    one = "the character"
    assert value(table, one, "to full speed") == pytest.approx(speed / gains, rel=1e-6)
    assert value(table, one, "to rest") == pytest.approx(speed / brakes, rel=1e-6)
    assert value(table, one, "runs on") == pytest.approx(speed * speed / (2.0 * brakes), rel=1e-6)
    # from rest half of v^2 / a is missing on the first side; at a corner what is missing, v times the root of 2
    # long, shrinks at a, so half of it is missing of the way along the next side
    sides = 20.0 / speed + speed / (2.0 * gains) + 3.0 * speed / (2.0**0.5 * gains)
    assert value(table, one, "walk a square") == pytest.approx(sides, rel=1e-3)


@settings(max_examples=15)
@given(st.floats(0.02, 0.5), st.floats(0.2, 3.0), st.floats(0.05, 2.0))
def test_what_a_camera_does_by_itself_is_felt(follow: float, after: float, half_life: float) -> None:
    mount = Orbit("follow", follow=follow, returns=Return(after, half_life))
    axes = (*mount.axes.values(), *(Axis(name, low=-1.0, high=1.0, unit="") for name in ("move_x", "move_y")))
    water = Axis("water", 1.0, unit="m", rest=0.5, return_half_life=half_life)
    table = feeling(Plan((), (), (*axes, water), mount, movement=Movement(1.6)))
    assert value(table, "mount follow", "behind the walk") == pytest.approx(follow / log(2.0), rel=1e-3)
    assert value(table, "mount follow", "back again") == pytest.approx(after + half_life, rel=1e-3)
    assert value(table, "axis water", "back again") == pytest.approx(half_life, rel=1e-6)


@settings(max_examples=15)
@given(st.floats(0.02, 0.5), st.floats(0.02, 0.5), st.floats(0.02, 2.0), st.booleans())
def test_a_camera_is_behind_a_climb_and_a_turn_by_its_half_lives(
    follow: float, up: float, turn: float, target: bool
) -> None:
    orbit = Orbit(
        "one", follow=follow, follow_up=up, follow_turn=turn, frame="target" if target else "subject"
    )
    mounts = (orbit, Overhead("one", "subject", follow, up), Flat("one", frame="subject", follow=follow))
    tables = [feeling(Plan((), (), tuple(mount.axes.values()), mount)) for mount in mounts]
    for table, climb in zip(tables, (up, up, follow), strict=True):
        assert value(table, "mount one", "behind the walk") == pytest.approx(follow / log(2.0), rel=1e-3)
        assert value(table, "mount one", "behind a climb") == pytest.approx(climb / log(2.0), rel=1e-3)
    assert value(tables[0], "mount one", "after a turn") == pytest.approx(turn, rel=1e-3)
    assert [("mount one", "after a turn") in table.index for table in tables] == [True, False, False]

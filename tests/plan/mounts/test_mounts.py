"""Mounts: from axes, and where the subject is, to a camera."""

from __future__ import annotations

import json
from itertools import pairwise
from math import log
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.formulas.orbiting import heading_of, shortage, trailed
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.orbits import Orbit
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal

from ...helpers.compiling import needs_compiler
from ...helpers.profiles import data, load, refused_for

LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
REEL = Route("reel", find_signal("mouse.wheel.y"), ("distance",), (-log(1.12),))
AXES = (
    Axis("yaw"), Axis("pitch", low=-60.0, high=70.0), Axis("roll"),
    Axis("distance", start=4.0, low=1.5, high=12.0, unit="m", log=True),
)  # fmt: skip
angles, places = st.floats(-180.0, 180.0), st.tuples(*[st.floats(-500.0, 500.0)] * 3)


def orbiting(
    mount: Orbit, *more: Axis, movement: Movement | None = None, routes: tuple[Route, ...] = ()
) -> mt.Session:
    return mt.Session(
        Plan((LOOK, REEL, *routes), (), (*AXES, *more), mount, movement=movement), ceiling=100.0
    )


def looking(view: mt.View) -> np.ndarray:
    """The camera's forward, by an independent reference."""
    return np.asarray(Rotation.from_quat(view.rotation).apply([0.0, 0.0, -1.0]))


@given(places, st.integers(-400, 400), st.integers(-700, 800), st.integers(-30, 30))
def test_the_subject_stays_at_the_centre_at_its_distance(
    place: tuple[float, float, float], turn: int, tilt: int, notches: int
) -> None:
    session = orbiting(Orbit("follow"))
    session.feed("mouse.move", (100.0 * turn, float(tilt)))
    session.feed("mouse.wheel.y", float(notches))
    frame = session.tick(0.1)
    view = session.view(place)
    away = np.array(place) - view.position
    distance = float(np.linalg.norm(away))
    assert 1.5 - 1e-9 <= distance <= 12.0 + 1e-9
    assert distance == pytest.approx(frame.axes["distance"], abs=1e-9)
    np.testing.assert_allclose(away / distance, looking(view), atol=1e-9)
    assert np.linalg.norm(view.rotation) == pytest.approx(1.0, abs=1e-12)
    assert frame.axes["yaw_total"] == pytest.approx(10.0 * turn)


@given(angles, st.floats(-60.0, 60.0))
def test_an_offset_is_beside_the_subject_as_the_view_has_it(yaw: float, pitch: float) -> None:
    session = orbiting(Orbit("shoulder", offset=(0.45, 1.6, 0.3)))
    session.set_axis("yaw", yaw)
    session.set_axis("pitch", pitch)
    session.tick(0.1)
    view = session.view((10.0, 2.0, -3.0))
    aimed = np.array(view.position) + 4.0 * looking(view)
    level = Rotation.from_euler("Y", -yaw, degrees=True)
    np.testing.assert_allclose(aimed, np.array([10.0, 2.0, -3.0]) + level.apply([0.45, 1.6, 0.3]), atol=1e-9)


@pytest.mark.parametrize("rate", [30, 60, 240])
def test_it_follows_with_the_lag_that_it_states(rate: int) -> None:
    session = orbiting(Orbit("follow", follow=0.1))
    for k in range(10 * rate + 1):
        view = session.view((3.0 * k / rate, 0.0, 0.0))
        session.tick(1 / rate)
    assert view.position[0] == pytest.approx(30.0 - 3.0 * 0.1 / log(2.0), abs=1e-9)


@given(
    st.floats(-9.0, 9.0),
    st.floats(-9.0, 9.0),
    st.floats(-9.0, 9.0),
    st.floats(0.01, 2.0),
    st.floats(0.05, 0.95),
)
def test_a_line_may_be_split_anywhere(trail: float, then: float, now: float, dt: float, part: float) -> None:
    middle = then + part * (now - then)
    first = trailed(trail, then, middle, part * dt, k=5.0)
    split = trailed(first, middle, now, (1.0 - part) * dt, k=5.0)
    assert split == pytest.approx(trailed(trail, then, now, dt, k=5.0), abs=1e-9)
    assert shortage(0.0, 4.0, 2.5, dt, k=5.0) == 1.5
    left = shortage(1.5, 4.0, 9.0, part * dt, k=5.0)
    assert shortage(left, 4.0, 9.0, (1.0 - part) * dt, k=5.0) == pytest.approx(
        1.5 * np.exp(-5.0 * dt), rel=1e-9
    )


@given(st.floats(-60.0, 70.0))
def test_the_distance_is_a_monotone_curve_of_the_pitch(pitch: float) -> None:
    factors = ((-50.0, 1.6), (0.0, 1.0), (40.0, 0.5))
    session = orbiting(Orbit("follow", distance_by_pitch=factors))
    session.set_axis("pitch", pitch)
    session.tick(0.1)
    view = session.view((0.0, 0.0, 0.0))
    expected = PchipInterpolator([-50.0, 0.0, 40.0], [1.6, 1.0, 0.5])(np.clip(pitch, -50.0, 40.0))
    assert np.linalg.norm(view.position) == pytest.approx(4.0 * float(expected), rel=1e-9)
    assert session.view(clear=0.5).position == pytest.approx(tuple(-0.5 * looking(view)), abs=1e-9)


def test_an_obstacle_brings_it_near_at_once_and_lets_it_go_slowly() -> None:
    session = orbiting(Orbit("follow", recovers=0.3))
    far = []
    for clear in (9.0, 1.0, 9.0):
        session.tick(0.3)
        far.append(session.view((0.0, 0.0, 0.0), clear=clear).position[2])
    assert far == pytest.approx([4.0, 1.0, 2.5])
    session.feed("mouse.wheel.y", -4.0)
    for _ in range(100):
        session.tick(0.3)
        session.view()
    session.feed("mouse.wheel.y", 2.0)  # nothing is in the way: no lag behind the wheel
    frame = session.tick(0.01)
    assert session.view().position[2] == pytest.approx(frame.axes["distance"])
    assert session.view(clear=0.0).position == pytest.approx((0.0, 0.0, 0.0))


def turned(yaw: float) -> tuple[float, float, float, float]:
    x, y, z, w = Rotation.from_euler("Y", -yaw, degrees=True).as_quat()
    return (float(x), float(y), float(z), float(w))


@given(angles, angles, st.floats(-89.0, 89.0), angles)
def test_a_heading_is_that_of_the_rotation(yaw: float, other: float, pitch: float, roll: float) -> None:
    whole = Rotation.from_euler("YXZ", [-yaw, pitch, -roll], degrees=True).as_quat()
    assert (heading_of(*whole) - yaw + 180.0) % 360.0 - 180.0 == pytest.approx(0.0, abs=1e-6)
    straight = Rotation.from_euler("YX", [-other, 90.0], degrees=True).as_quat()
    assert (heading_of(*straight) - other + 180.0) % 360.0 - 180.0 == pytest.approx(0.0, abs=1e-6)


@pytest.mark.parametrize(("frame", "seen"), [("world", 0.0), ("entry", 30.0), ("subject", 75.0)])
def test_angles_are_measured_from_where_it_says(frame: str, seen: float) -> None:
    session = orbiting(Orbit("follow", frame=frame))
    for yaw in (30.0, 75.0):
        session.tick(0.1)
        view = session.view(((1.0, 2.0, 3.0), turned(yaw)))
    ahead = looking(view)
    assert np.degrees(np.arctan2(ahead[0], -ahead[2])) == pytest.approx(seen)
    assert session.view(((1.0, 2.0, 3.0), turned(20.0)), cut=True) is not None


def test_without_a_word_from_the_host_the_subject_is_where_its_steps_took_it() -> None:
    walk = Route("walk", find_signal("pad.left_stick"), MOVES, (1.0, 1.0), None, None, "offset")
    moves = tuple(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES)
    session = orbiting(Orbit("follow"), *moves, movement=Movement(2.0), routes=(walk,))
    session.feed("pad.left_stick", (0.0, 1.0))
    went = sum(session.tick(1 / 60).movement.step[2] for _ in range(120))
    assert session.view().position == pytest.approx((0.0, 0.0, 4.0 + went))


def hosted(seconds: int = 2, rate: int = 60) -> tuple[mt.Take, list[tuple[float, ...]]]:
    """A take in which the host says where the subject is, at every frame's end."""
    rows: list[tuple[float, str, float]] = [(0.5, "mouse.move.x", 300.0), (1.1, "mouse.wheel.y", 2.0)]
    said: list[tuple[float, ...]] = []
    for k in range(1, seconds * rate + 1):
        t = k / rate
        place, rotation = (3.0 * t, np.sin(t), -t), turned(40.0 * t)
        clear = 2.0 if 0.8 < t < 1.2 else 50.0
        said.append((*map(float, place), *rotation, clear))
        names = [f"host.subject.{part}" for part in ("x", "y", "z", "qx", "qy", "qz", "qw")]
        rows += [(t, name, float(v)) for name, v in zip((*names, "host.clear"), said[-1], strict=True)]
    rows.sort(key=lambda row: row[0])
    table = pd.DataFrame(rows, columns=["t", "signal", "value"])
    return mt.Take(table), said


@pytest.mark.usefixtures("compiling")
@pytest.mark.parametrize("compiled", [False, pytest.param(True, marks=needs_compiler)])
def test_a_take_that_holds_the_hosts_words_replays_what_was_seen(compiled: bool) -> None:
    take, said = hosted()
    mount = Orbit("follow", (0.2, 1.5, 0.0), "subject", 0.08, 0.2)
    plan = Plan((LOOK, REEL), (), AXES, mount)
    table = mt.replay(plan, take, rate=60, until=2.0, compiled=compiled)
    session = mt.Session(plan)
    session.feed("mouse.move.x", 300.0, at=0.5)
    session.feed("mouse.wheel.y", 2.0, at=1.1)
    for k, (x, y, z, *rotation, clear) in enumerate(said, 1):
        session.tick(to=k / 60)
        view = session.view(((x, y, z), tuple(rotation)), clear=clear)  # type: ignore[arg-type]
        row = table.iloc[k - 1]
        np.testing.assert_allclose(
            view.position, row[["camera_x", "camera_y", "camera_z"]].astype(float), atol=1e-9
        )
        np.testing.assert_allclose(
            view.rotation, row[["camera_qx", "camera_qy", "camera_qz", "camera_qw"]].astype(float), atol=1e-9
        )
    assert not table.attrs["refused"]


def test_saved_and_restored_it_goes_on_as_if_never_stopped() -> None:
    session = orbiting(Orbit("follow", follow=0.2))
    other = orbiting(Orbit("follow", follow=0.2))
    for k in range(20):
        session.tick(1 / 60)
        session.view((0.1 * k, 0.0, 0.0), clear=2.0 if k == 10 else 9.0)
    other.restore(json.loads(json.dumps(session.state())))
    for one in (session, other):
        one.tick(1 / 60)
    assert session.view((3.0, 0.0, 0.0)).position == other.view((3.0, 0.0, 0.0)).position


def test_what_is_no_subject_is_refused() -> None:
    session = orbiting(Orbit("follow"))
    for wrong in ((1.0, 2.0), (1.0, 2.0, float("nan")), "dyke", ((0.0, 0.0, 0.0), (0.0, 0.0, 1.0))):
        with pytest.raises(mt.ArgumentError, match="expected"):
            session.view(wrong)  # type: ignore[arg-type]
    with pytest.raises(mt.ArgumentError, match="expected finite"):
        session.view(clear=-1.0)
    wrongs: list[dict[str, Any]] = [
        {"frame": "moon"},
        {"follow": -1.0},
        {"recovers": 99.0},
        {"distance_by_pitch": ((0.0, 1.0),)},
        {"distance_by_pitch": ((0.0, 1.0), (10.0, 2.0), (20.0, 1.5))},
        {"distance_by_pitch": ((0.0, 1.0), (9.0, -1.0))},
    ]
    for bad in wrongs:
        with pytest.raises(mt.PlanError, match="expected"):
            Orbit("follow", **bad)


FOLLOW = data("follow.toml")


def test_a_profile_says_all_of_it(tmp_path: Path) -> None:
    assert load(tmp_path, FOLLOW).mount == Orbit("follow", (0.45, 1.6, 0.0), follow=0.08)


@pytest.mark.parametrize(
    ("right", "wrong", "words"),
    [
        ('kind = "orbit"', 'kind = "orbt"', 'mounts.follow.kind: found "orbt"; expected "eye", "orbit", "overhead", "flat" or "headset"; did you mean orbit?'),
        ('["45 cm", "1.6 m", "0 m"]', '["45 cm", "1.6 m"]', "mounts.follow.offset: found ['45 cm', '1.6 m']; expected three lengths"),
        ('follow = "80 ms"', 'distance_by_pitch = [["-60 deg", 1.5], [40, 0.6]]', "mounts.follow.distance_by_pitch: found 40"),
        ('follow = "80 ms"', 'distance_by_pitch = [["-60 deg", 1.5]]', "expected points of a pitch and a factor"),
        ('follow = "80 ms"', 'distance_by_pitch = [["0 deg", 1], ["9 deg", 2], ["20 deg", 1.5]]', "that all rise or all fall"),
        ('follow = "80 ms"', 'folow = "80 ms"', "did you mean follow?"),
        ('start = "4 m", min = "1.5 m", ', 'start = "4 m", ', "axes.distance: found no min; expected min above 0"),
        ('distance = { start = "4 m", min = "1.5 m", max = "12 m" }', "", "axes.distance: found no start"),
        ('follow = "80 ms"', 'follow = "80 ms"\nframe = "moon"', 'mounts.follow.frame: found "moon"'),
    ],
)  # fmt: skip
def test_a_wrong_orbit_is_refused(tmp_path: Path, right: str, wrong: str, words: str) -> None:
    assert words in refused_for(tmp_path, FOLLOW, (right, wrong))


def test_an_eye_stands_where_the_host_says_that_its_subject_is(glasses: mt.Profile) -> None:
    session = glasses.session()
    session.tick(0.1)
    before = session.view()
    assert before.position == (0.0, 1.65, 0.0)
    assert len({before, session.view()}) == 1
    assert session.view((3.0, 1.0, -2.0)).position == (3.0, 2.65, -2.0)
    assert session.view() != before
    other = glasses.session()
    other.restore(json.loads(json.dumps(session.state())))
    assert other.view().position == (3.0, 2.65, -2.0)
    take, said = hosted()
    table = mt.replay(glasses, take, until=2.0)
    places = table[["camera_x", "camera_y", "camera_z"]].to_numpy()
    np.testing.assert_allclose(places, np.array(said)[:, :3] + [0.0, 1.65, 0.0])
    late = mt.Take(take.table[take.table["t"] > 0.99])
    places = mt.replay(glasses, late, until=2.0)[["camera_x", "camera_y", "camera_z"]].to_numpy()
    assert (places[:59] == [0.0, 1.65, 0.0]).all()  # before the first word: where its own steps took it
    np.testing.assert_allclose(places[59:], np.array(said)[59:, :3] + [0.0, 1.65, 0.0])


@given(angles, st.floats(-59.0, 69.0), st.sampled_from(["world", "entry", "subject"]), angles)
def test_it_takes_over_where_another_camera_looked(
    yaw: float, pitch: float, frame: str, faces: float
) -> None:
    other = orbiting(Orbit("other"))
    other.set_axis("yaw", yaw)
    other.set_axis("pitch", pitch)
    other.tick(0.1)
    seen = other.view((0.0, 0.0, 0.0)).rotation
    session = orbiting(Orbit("follow", frame=frame))
    session.tick(0.1)
    session.view(((1.0, 0.0, 0.0), turned(faces)))
    session.look_along(seen)
    session.tick(0.1)
    np.testing.assert_allclose(looking(session.view()), looking(other.view()), atol=1e-7)
    with pytest.raises(mt.ArgumentError, match="unit quaternion"):
        session.look_along((1.0, 1.0, 0.0, 0.0))


def test_a_long_take_with_the_hosts_words_may_come_in_pieces() -> None:
    take, _ = hosted()
    plan = Plan((LOOK, REEL), (), AXES, Orbit("follow", (0.2, 1.5, 0.0), "subject", 0.08, 0.2))
    times = take.table["t"].to_numpy()
    cuts = [0, *(int(np.searchsorted(times, k / 60, side="right")) for k in (40, 41, 90)), len(take)]
    pieces = [mt.Take(take.table.iloc[a:b]) for a, b in pairwise(cuts)]
    joined = pd.concat(mt.replay_pieces(plan, pieces, until=2.0, compiled=False), ignore_index=True)
    whole = mt.replay(plan, take, until=2.0)
    names = [name for name in map(str, whole) if name.startswith(("camera", "yaw", "distance"))]
    np.testing.assert_allclose(joined[names], whole[names], atol=1e-12)

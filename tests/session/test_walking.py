"""Walking: metres over the ground, from what is held and where the camera looks."""

from __future__ import annotations

from math import cos, radians, sin
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

import mellow_thumb as mt
from mellow_thumb.formulas.walking import walked
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.orbits import Orbit
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential
from mellow_thumb.session.walker import Walker

from ..helpers.profiles import data, load, refused_for

share = st.floats(-1.0, 1.0)
speeds = st.floats(-5.0, 5.0)
TURN = Route("turn", find_signal("pad.right_stick.x"), ("yaw",), (180.0,), None, None, "rate")
LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
WALK = Route("walk", find_signal("pad.left_stick"), MOVES, (1.0, 1.0), None, None, "offset")
AXES = (
    Axis("yaw"), Axis("pitch", low=-90.0, high=90.0), Axis("roll"),
    *(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES),
)  # fmt: skip


def walker(movement: Movement, mount: Eye | Orbit | None = None) -> mt.Session:
    axes = (*AXES[:3], Orbit.axes["distance"], *AXES[3:]) if isinstance(mount, Orbit) else AXES
    return mt.Session(Plan((LOOK, TURN, WALK), (), axes, mount or Eye("eye"), movement=movement))


def after(session: mt.Session, seconds: float, rate: int = 60) -> tuple[np.ndarray, mt.Frame]:
    """Where the character is after some time, and the last frame."""
    place = np.zeros(3)
    for _ in range(round(seconds * rate)):
        frame = session.tick(1 / rate)
        place += frame.movement.step
    return place, frame


@given(
    share, share, st.floats(-360.0, 360.0), st.floats(-300.0, 300.0), speeds, speeds, st.floats(0.05, 0.95)
)
def test_at_a_constant_turn_time_may_be_split_anywhere(
    x: float, y: float, yaw: float, rate: float, vx: float, vz: float, part: float
) -> None:
    gain = {"gain": 7.0, "brake": 11.0}
    whole = walked(3.0 * x, 3.0 * y, yaw, yaw + rate, 0.0, 1.0, vx, vz, **gain)
    middle = yaw + rate * part
    first = walked(3.0 * x, 3.0 * y, yaw, middle, 0.0, part, vx, vz, **gain)
    second = walked(3.0 * x, 3.0 * y, middle, yaw + rate, 0.0, 1.0 - part, *first[:2], **gain)
    assert whole[:2] == pytest.approx(second[:2], abs=1e-9)
    assert whole[2:] == pytest.approx((first[2] + second[2], first[3] + second[3]), abs=1e-9)


@settings(max_examples=25)
@given(share, share, st.floats(-180.0, 180.0), st.floats(0.5, 12.0), speeds, speeds)
def test_it_solves_its_own_differential_equation(
    x: float, y: float, rate: float, gain: float, vx: float, vz: float
) -> None:
    def wished(t: float) -> np.ndarray:
        a = radians(20.0 + rate * t)
        return np.array([x * cos(a) + y * sin(a), x * sin(a) - y * cos(a)])

    def slope(t: float, state: np.ndarray) -> list[float]:
        missing = wished(t) - state[:2]
        size = float(np.hypot(*missing))
        turn = radians(rate) * np.array([-state[1], state[0]]) if x or y else np.zeros(2)
        change = turn + (gain * missing / size if size > 1e-6 else 0.0 * missing)
        return [*change, *state[:2]]

    used = gain if x or y else 3.0
    gain_or_brake, gain = gain, used
    found = solve_ivp(slope, (0.0, 0.6), [vx, vz, 0.0, 0.0], rtol=1e-7, atol=1e-8, max_step=0.003).y[:, -1]
    assert walked(
        x, y, 20.0, 20.0 + 0.6 * rate, 0.0, 0.6, vx, vz, gain=gain_or_brake, brake=3.0
    ) == pytest.approx(tuple(found), abs=2e-3)


@pytest.mark.parametrize("rate", [0.0, 0.4])
def test_thirty_frames_a_second_go_as_far_as_two_hundred_and_forty(rate: float) -> None:
    ends = []
    for frames in (30, 240):
        session = walker(Movement(3.0, 10.0, 15.0))
        session.feed("pad.left_stick", (0.3, 1.0), at=0.0)
        session.feed("pad.right_stick.x", rate, at=0.1)
        session.feed("pad.left_stick", (0.0, 0.0), at=7.9)
        ends.append(after(session, 10.0, frames)[0])
    assert ends[0] == pytest.approx(ends[1], abs=1e-9)


def test_steps_are_short_enough_while_a_smoothed_stick_turns_the_view() -> None:
    """Within a centimetre a minute at 3 m/s of the same walk in steps of a millisecond."""
    smooth = Route(
        "turn", find_signal("pad.right_stick.x"), ("yaw",), (180.0,), None, Exponential(0.08), "rate"
    )
    ends = []
    for commits in (0, 1000):
        movement = Movement(3.0, 10.0, 15.0)
        session = mt.Session(Plan((LOOK, smooth, WALK), (), AXES, Eye("eye"), movement=movement))
        session.feed("pad.left_stick", (0.0, 1.0), at=0.0)
        for k in range(60 * 4):  # a thumb that goes to and fro, four times a second
            session.feed("pad.right_stick.x", sin(0.35 * k), at=k / 4)
        for k in range(60 * commits):  # words of the host that change nothing, but commit
            session.feed("host.lift", 0.0, at=k / commits)
        ends.append(after(session, 60.0)[0])
    assert np.hypot(*(ends[0] - ends[1])[[0, 2]]) < 0.01


@given(share, share, st.floats(-90.0, 90.0), st.floats(-170.0, 170.0), share, share)
def test_it_walks_along_the_ground_whatever_the_camera_looks_at(
    x: float, y: float, pitch: float, yaw: float, slope_x: float, slope_z: float
) -> None:
    session = walker(Movement(2.0))
    session.set_axis("pitch", pitch)
    session.set_axis("yaw", yaw)
    normal = np.array([-slope_x, 1.0, -slope_z])
    session.set_ground(tuple(normal))
    session.feed("pad.left_stick", (x, y))
    _, frame = after(session, 1.0)
    velocity = np.array(frame.movement.velocity)
    assert abs(velocity @ normal) < 1e-12
    size = min(1.0, float(np.hypot(x, y)))
    assert np.hypot(velocity[0], velocity[2]) == pytest.approx(2.0 * size, abs=1e-9)
    a = radians(yaw)
    ahead = np.array([sin(a), -cos(a)])
    if size > 0.01:
        scale = 2.0 / max(1.0, float(np.hypot(x, y)))
        assert velocity[[0, 2]] @ ahead == pytest.approx(scale * y, abs=1e-9)


@given(st.lists(st.tuples(share, share, st.floats(-180.0, 180.0)), min_size=1, max_size=30))
def test_it_is_never_faster_than_its_speed_however_the_view_is_flicked(
    steps: list[tuple[float, float, float]],
) -> None:
    velocity, yaw = (0.0, 0.0), 0.0
    for x, y, turn in steps:
        size = max(1.0, float(np.hypot(x, y)))
        wish = (2.0 * x / size, 2.0 * y / size)
        velocity = walked(*wish, yaw, yaw + turn, 0.0, 1 / 60, *velocity, gain=8.0, brake=10.0)[:2]
        yaw += turn
        assert np.hypot(*velocity) <= 2.0 + 1e-9


def test_two_keys_are_no_faster_than_one_and_a_stick_says_how_fast() -> None:
    session = walker(Movement(2.0))
    session.feed("pad.left_stick", (1.0, 1.0))
    frame = after(session, 1.0)[1]
    assert np.hypot(*frame.movement.velocity[::2]) == pytest.approx(2.0)
    assert frame.axes["move_x"] == frame.axes["move_y"] == pytest.approx(2**-0.5)
    session.feed("pad.left_stick", (0.0, 0.25))
    assert np.hypot(*after(session, 1.0)[1].movement.velocity[::2]) == pytest.approx(0.5)


def test_it_brakes_in_the_time_stated_and_glides_when_told_to() -> None:
    for braking, expected in ((4.0, 2.0 * 2.0 / 8.0), (0.0, 2.0 * 2.0)):
        session = walker(Movement(2.0, 8.0, braking))
        session.feed("pad.left_stick", (0.0, 1.0))
        after(session, 1.0)
        session.feed("pad.left_stick", (0.0, 0.0))
        assert -after(session, 2.0)[0][2] == pytest.approx(expected, abs=1e-9)


def test_a_platform_carries_it() -> None:
    session = walker(Movement(2.0))
    session.set_platform((1.0, 0.5, -0.25))
    place, frame = after(session, 2.0)
    assert place == pytest.approx([2.0, 1.0, -0.5])
    assert frame.movement.velocity == pytest.approx((1.0, 0.5, -0.25))
    with pytest.raises(mt.ArgumentError, match="points up"):
        session.set_ground((1.0, 0.0, 0.0))


def test_a_pause_of_the_world_holds_it() -> None:
    session = walker(Movement(2.0))
    session.feed("pad.left_stick", (0.0, 1.0))
    after(session, 1.0)
    steps = [session.tick(1 / 60, world_dt=0.0).movement.step for _ in range(30)]
    assert np.abs(steps).max() == 0.0
    assert session.tick(1 / 60).movement.step[2] == pytest.approx(-2.0 / 60, abs=1e-3)


@pytest.mark.parametrize("relative_to", ["camera", "world", "body"])
def test_facing_the_view_is_facing_where_the_camera_looks(relative_to: str) -> None:
    movement = Movement(2.0, relative_to=relative_to, face="view")
    session, by_command = walker(movement), Walker(movement)
    session.feed("mouse.move", (400.0, 0.0))
    session.feed("pad.left_stick", (0.0, 1.0))
    for _ in range(120):
        frame = session.tick(1 / 60)
        moved = by_command.step(session.command(), 1 / 60)
    assert frame.movement.heading == pytest.approx(40.0)
    assert moved.heading == pytest.approx(40.0, abs=0.01)
    goes = {"camera": 40.0, "world": 0.0, "body": 40.0}[relative_to]
    for one in (frame.movement, moved):
        x, _, z = one.velocity
        assert np.degrees(np.arctan2(x, -z)) == pytest.approx(goes, abs=0.01)


def test_it_faces_where_it_goes_or_where_the_view_is(tmp_path: Path) -> None:
    session = load(tmp_path, WARDEN, ('[mounts.eye]\nkind = "eye"', DISTANT)).session()
    session.feed("mouse.move", (600.0, 0.0))
    session.feed("key.KeyA", 1)
    assert after(session, 1.0)[1].movement.heading == pytest.approx(-60.0)
    session.feed("mouse.right", 1)
    frame = after(session, 1.0)[1]
    assert frame.movement.heading == pytest.approx(30.0)
    assert np.hypot(*frame.movement.velocity[::2]) == pytest.approx(0.8)
    turning = walker(Movement(2.0, face="travel", turn_rate=90.0), Orbit("follow"))
    turning.feed("pad.left_stick", (0.0, -1.0))
    assert abs(after(turning, 1.0)[1].movement.heading) == pytest.approx(90.0)


@pytest.mark.parametrize("face", ["travel", "view"])
@pytest.mark.parametrize("relative_to", ["camera", "world", "body"])
@pytest.mark.parametrize("pause", [False, True])
def test_in_first_person_the_heading_is_the_yaw(face: str, relative_to: str, *, pause: bool) -> None:
    if relative_to == "body" and face == "travel":
        return
    session = walker(Movement(2.0, face=face, relative_to=relative_to))
    by_command = Walker(Movement(2.0, face=face, relative_to=relative_to))
    session.feed("pad.left_stick", (1.0, 0.0))  # strafing
    session.tick(0.1)
    for _ in range(90):
        session.feed("mouse.move", (70.0, 0.0))
        frame = session.tick(1 / 60, world_dt=0.0 if pause else None)
        moved = by_command.step(session.command(), 1 / 60)
        assert frame.movement.heading == pytest.approx(frame.axes["yaw"], abs=1e-9)
        assert abs((moved.heading - frame.axes["yaw"] + 180.0) % 360.0 - 180.0) < 0.01


def test_a_character_that_the_host_turns_is_left_to_it_in_first_person_too() -> None:
    session = walker(Movement(2.0, face="free"))
    session.feed("mouse.move", (300.0, 0.0))
    assert session.tick(0.1).movement.heading == 0.0


def test_going_over_from_first_person_the_character_faces_where_it_looked(tmp_path: Path) -> None:
    session = load(
        tmp_path, WARDEN + MORE, ("[signals]", 'behind = { hold = "key.KeyV" }\n[signals]')
    ).session()
    session.feed("mouse.move", (600.0, 0.0))
    session.feed("key.KeyA", 1)
    assert session.tick(0.5).movement.heading == pytest.approx(30.0)
    session.feed("mouse.move", (100.0, 0.0), at=0.5)
    session.feed("key.KeyV", 1, at=0.5)
    assert session.tick(1e-6).movement.heading == pytest.approx(35.0, abs=0.1)
    assert after(session, 2.0)[1].movement.heading != pytest.approx(35.0, abs=5.0)  # now it faces its travel
    session.feed("key.KeyV", 0)
    frame = session.tick(0.01)
    assert frame.movement.heading == pytest.approx(frame.axes["yaw"])


DISTANT = """[axes]
distance = { start = "4 m" }
[mounts.eye]
kind = "orbit"
"""
MORE = """
[axes]
distance = { start = "4 m" }
[mounts.follow]
kind = "orbit"
gate = "behind"
"""
WARDEN = data("warden.toml")

WRONG = {
    'speed = "1.6 m/s"': ('speed = "1.6 m"', 'movement.speed: found "1.6 m"; expected a number of m/s, cm/s or km/h'),
    'face = { otherwise = "travel", glassing = "view" }': (
        'face = "sideways"', "movement.face: found sideways; expected travel, view or free",
    ),
    "scale = { glassing = 0.5 }": ("scale = { glasing = 0.5 }", "expected a gate: glassing"),
    'from = "steps"': ('from = "mouse.move"', "routes.walk.from: found mouse.move, a displacement; expected something that is held"),
    'drives = ["move_x", "move_y"]': (
        'drives = ["move_x", "move_y"]\nsensitivity = "1 m/s"', "routes.walk.sensitivity: found one; expected none",
    ),
    'sensitivity = "0.05 deg/count"': ("", "routes.look: found no sensitivity"),
    "[mounts.eye]": ("[axes.move_x]\nmax = 2\n[mounts.eye]", "axes.move_x: found a table for an axis of movement"),
}  # fmt: skip


@pytest.mark.parametrize("right", WRONG)
def test_a_wrong_movement_is_refused_with_its_line(tmp_path: Path, right: str) -> None:
    wrong, words = WRONG[right]
    assert words in refused_for(tmp_path, WARDEN, (right, wrong))


def test_what_cannot_be_is_refused() -> None:
    for wrong in ({"speed": 0.0}, {"braking": -1.0}, {"relative_to": "moon"}, {"relative_to": "body"}):
        with pytest.raises(mt.PlanError, match="expected"):
            Movement(**({"speed": 1.0} | wrong))
    for route in (
        Route("walk", find_signal("mouse.move"), MOVES, (1.0, 1.0)),
        Route("walk", find_signal("pad.left_stick"), ("move_x", "yaw"), (1.0, 1.0), None, None, "offset"),
    ):
        with pytest.raises(mt.PlanError, match="expected movement alone"):
            Plan((route,), (), AXES, Eye("eye"))

"""Walking by command: a few bytes a frame, the same place to the bit."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.engines import compiler
from mellow_thumb.plan import Address, KeySet, Route
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.session.walker import LAYOUT, STILL, Walker, asked_gates

from ..helpers.profiles import load
from .test_walking import AXES, LOOK, TURN, WALK, WARDEN, walker

MOVEMENT = Movement(
    2.0, 8.0, 10.0, scales=((Condition("glassing"), 0.5),), faces=((Condition("glassing"), "view"),)
)
commands = st.lists(
    st.tuples(st.integers(-127, 127), st.integers(-127, 127), st.integers(0, 65535), st.integers(0, 1)),
    max_size=60,
).map(lambda rows: [LAYOUT.pack(*row) for row in rows])


@given(commands, st.integers(0, 60))
def test_the_same_commands_end_in_the_same_place_saved_or_not(sent: list[bytes], cut: int) -> None:
    whole, first = Walker(MOVEMENT), Walker(MOVEMENT)
    steps = [whole.step(command, 1 / 60) for command in sent]
    begun = [first.step(command, 1 / 60) for command in sent[:cut]]
    second = Walker(MOVEMENT, first.state)
    assert steps == begun + [second.step(command, 1 / 60) for command in sent[cut:]]
    assert all(np.hypot(*moved.velocity[::2]) <= 2.0 + 1e-9 for moved in steps)


@given(st.floats(-1.0, 1.0), st.floats(-1.0, 1.0), st.integers(-40, 40))
def test_a_walk_by_command_is_the_walk_of_the_session_but_for_the_rounding(
    x: float, y: float, turn: int
) -> None:
    movement = Movement(2.0, 8.0, 10.0)
    session, by_command = walker(movement), Walker(movement)
    session.feed("pad.left_stick", (x, y), at=0.0)
    place, other = np.zeros(3), np.zeros(3)
    for _ in range(120):
        session.feed("mouse.move", (float(turn), 0.0))
        frame = session.tick(1 / 60)
        command = session.command()
        assert len(command) == 6
        place += frame.movement.step
        other += by_command.step(command, 1 / 60).step
    assert np.abs(place - other).max() < 0.05


@given(st.floats(-180.0, 180.0), st.floats(-1.0, 1.0))
def test_through_a_change_of_mount_a_command_still_says_what_forward_is(yaw: float, x: float) -> None:
    gate = Gate("inside", Buttons((find_signal("key.KeyM"),)))
    own = (Axis("yaw", 77.0), Axis("pitch"), Axis("roll"))
    other = Mounted(Eye("inside"), Condition("inside"), axes=own)
    movement = Movement(2.0, 8.0, 10.0)
    plan = Plan((LOOK, TURN, WALK), (gate,), AXES, Eye("eye"), movement=movement, others=(other,))
    session, by_command = mt.Session(plan), Walker(movement)
    session.set_axis("yaw", yaw)
    session.feed("pad.left_stick", (x, 1.0), at=0.2)
    session.feed("key.KeyM", 1, at=0.6)
    place, far = np.zeros(3), np.zeros(3)
    for _ in range(90):
        frame = session.tick(1 / 60)
        place += frame.movement.step
        far += by_command.step(session.command(), 1 / 60).step
    assert frame.mount == "inside"
    assert abs(frame.movement.forward - yaw) < 1e-6 or abs(abs(frame.movement.forward - yaw) - 360.0) < 1e-6
    assert np.abs(place - far).max() < 0.05


def test_gates_go_with_it(tmp_path: Path) -> None:
    profile = load(tmp_path, WARDEN)
    assert profile.movement is not None
    session, by_command = profile.session(), Walker(profile.movement)
    assert asked_gates(profile.movement) == ("glassing",)
    session.feed("key.KeyW", 1)
    session.feed("mouse.right", 1)
    for _ in range(60):
        session.tick(1 / 60)
        moved = by_command.step(session.command(), 1 / 60)
    assert moved.velocity == pytest.approx((0.0, 0.0, -0.8))
    assert by_command.step(session.command(), 1 / 60, slope=(0.0, -0.5)).velocity[1] == pytest.approx(0.4)


def test_what_is_no_command_is_refused(glasses: mt.Profile) -> None:
    one = Walker(MOVEMENT)
    for command, dt in ((b"", 0.1), (bytes(7), 0.1), (bytes(6), -1.0), (bytes(6), float("nan"))):
        with pytest.raises(mt.ArgumentError, match="expected a command"):
            one.step(command, dt)
    assert one.state == STILL
    with pytest.raises(mt.ArgumentError, match="no movement"):
        glasses.session().command()
    many = tuple((Condition(f"gate{k}"), 0.5) for k in range(17))
    with pytest.raises(mt.ArgumentError, match="15 at the most"):
        Walker(Movement(1.0, scales=many))


# ---- what happens within a frame


def walked(session: mt.Session, movement: Movement, dt: float, until: float) -> tuple[np.ndarray, np.ndarray]:
    """Where a session's character is after some time, and where a walker is by its commands."""
    place, other, by_command = np.zeros(3), np.zeros(3), Walker(movement)
    while session.now < until - 1e-9:
        place += session.tick(dt).movement.step
        other += by_command.step(session.command(), dt).step
    return place, other


@pytest.mark.parametrize("compiled", [False, True])
@pytest.mark.usefixtures("compiling")
def test_taps_shorter_than_a_frame_are_walked(tmp_path: Path, *, compiled: bool) -> None:
    if compiled and compiler.why_not():
        pytest.skip("no C compiler here")
    profile = load(tmp_path, WARDEN)
    assert profile.movement is not None
    session = profile.session(compiled=compiled)
    for k in range(12):
        session.feed("key.KeyW", 1, at=0.1 + 0.1 * k)
        session.feed("key.KeyW", 0, at=0.112 + 0.1 * k)
    place, other = walked(session, profile.movement, 1 / 30, 2.0)
    assert place[2] < -0.03
    assert other == pytest.approx(place, abs=0.002)


@settings(max_examples=30, deadline=None)
@given(
    st.lists(st.tuples(st.sampled_from("WASD"), st.floats(0.0, 2.9), st.floats(0.004, 0.6)), max_size=10),
    st.lists(st.tuples(st.floats(0.0, 2.9), st.integers(-150, 150)), max_size=10),
    st.sampled_from([1 / 20, 1 / 60, 1 / 144]),
)
def test_a_walk_by_commands_is_that_of_the_session_at_any_frame_rate(
    presses: list[tuple[str, float, float]], turns: list[tuple[float, int]], dt: float
) -> None:
    movement = Movement(2.0, 8.0, 10.0, scales=((Condition("late"), 0.5),))
    steps = KeySet("steps", tuple((find_signal(f"key.Key{key}"),) for key in "ADSW"))
    walk = Route("walk", Address(steps.signal), MOVES, (1.0, 1.0), None, None, "offset")
    late = Gate("late", Buttons((find_signal("key.KeyW"),)), after=0.21)
    session = mt.Session(Plan((LOOK, walk), (late,), AXES, Eye("eye"), (steps,), movement=movement))
    for key, at, held in presses:
        session.feed(f"key.Key{key}", 1, at=at)
        session.feed(f"key.Key{key}", 0, at=at + held)
    for at, counts in turns:
        session.feed("mouse.move", (float(counts), 0.0), at=at)
    place, other = walked(session, movement, dt, 3.5)
    assert np.abs(place - other).max() < (0.06 if dt > 0.04 else 0.02)


def test_a_command_is_longer_only_where_something_changes(tmp_path: Path) -> None:
    session = load(tmp_path, WARDEN).session()
    session.tick(1 / 60)
    assert len(session.command()) == LAYOUT.size
    session.feed("mouse.move", (30.0, 0.0))
    session.tick(1 / 60)
    assert len(session.command()) == LAYOUT.size
    session.feed("key.KeyW", 1, at=session.now + 0.004)
    session.feed("key.KeyW", 0, at=session.now + 0.008)
    saved = session.snapshot()
    session.tick(1 / 60)
    assert len(session.command()) == LAYOUT.size + 16
    session.restore(saved)
    assert len(session.command()) == LAYOUT.size

"""Walking by command: a few bytes a frame, the same place to the bit."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.movement import Movement
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
        with pytest.raises(mt.ArgumentError, match="expected 6 bytes"):
            one.step(command, dt)
    assert one.state == STILL
    with pytest.raises(mt.ArgumentError, match="no movement"):
        glasses.session().command()
    many = tuple((Condition(f"gate{k}"), 0.5) for k in range(17))
    with pytest.raises(mt.ArgumentError, match="15 at the most"):
        Walker(Movement(1.0, scales=many))

"""Walking by command: a few bytes a frame, the same place to the bit."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.gates import Condition
from mellow_thumb.movement import Movement
from mellow_thumb.walker import LAYOUT, STILL, Walker, asked_gates

from .test_walking import WARDEN, walker

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


def test_gates_go_with_it(tmp_path: Path) -> None:
    file = tmp_path / "warden.toml"
    file.write_text(WARDEN, encoding="utf-8")
    profile = mt.load_profile(file)
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
    with pytest.raises(mt.ArgumentError, match="16 at the most"):
        Walker(Movement(1.0, scales=many))

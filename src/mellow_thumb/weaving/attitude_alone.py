"""The attitude of a device in the hand, woven by itself: without a profile or a loop."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..expressions import Block, Names, State, Word
from ..plan.handheld import Attitude
from .languages import compiled, function

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from ..expressions import Value

    Act = Callable[..., tuple[float, ...]]


class Alone(NamedTuple):
    """The attitude as functions."""

    state: tuple[str, ...]
    """What is kept, by name."""
    start: tuple[float, ...]
    """What that is before anything has happened."""
    weigh: Act
    """Of the state and what the accelerometer says (m/s2): the state after it."""
    turn: Act
    """Of the state, what the gyroscope says (deg/s), and when (s): the state after it."""
    up: Act
    """Of the state: the unit vector to the sky, in the device's frame."""


def weave_alone() -> Alone:
    """Weave it."""
    state = State()
    kept = Attitude.new(state, "attitude")
    x, y, z, now = map(Word, ("x", "y", "z", "now"))
    names = [one.name for one in state.handles]

    def made(name: str, given: list[Word], write: Callable[[Block], Sequence[Value]]) -> Act:
        block = Block(Names([*names, *(one.name for one in given)]))
        results = write(block)
        return compiled(function(name, [*names, *map(str, given)], block.statements, results), name)

    def weigh(block: Block) -> Sequence[Value]:
        kept.weigh(block, (x, y, z))
        return state.handles

    def turn(block: Block) -> Sequence[Value]:
        kept.turn(block, (x, y, z), now)
        return state.handles

    def up(block: Block) -> Sequence[Value]:
        return kept.up(block, kept.rotation(block))

    return Alone(
        tuple(names),
        tuple(state.starts.values()),
        made("weigh", [x, y, z], weigh),
        made("turn", [x, y, z, now], turn),
        made("up", [], up),
    )

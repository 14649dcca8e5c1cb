"""Ten fingers: the state of each, and how a program reaches one by its number."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..signals import FINGERS

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Mapping

    from ...expressions import Block, Handle, Name, State, Value

PLACE, DOWN, CANCEL = range(3)
"""What may be said of a finger, as the last part of its code: where it is; whether it is down; that it is
taken away."""
LIFTS, CANCELLED, LANDS = 1.0, 2.0, 3.0
"""What may become of a finger in a moment, in `Fingers.becomes`."""

KEPT = {
    "x": 0.5, "y": 0.5,
    "was_x": 0.5, "was_y": 0.5,
    "from_x": 0.5, "from_y": 0.5,
    "begun": 0.0, "order": 0.0,
    "area": 0.0, "counts": 0.0, "goes": 0.0, "group": -1.0,
    "said": 0.0, "becomes": 0.0, "on": 0.0,
}  # fmt: skip
"""What is kept of a finger, and what that is at first: where it is, was as the last moment ended, and landed
(0..1 of the screen); when it landed (s), and as which of all; the number of the area that has it, 0 for none;
1 once it counts there, and once it goes; when the first finger of its tap landed (s), -1 where it cannot be
one; the number of the moment in which it last said where it is (where it was means nothing in another); what
becomes of it in this moment; what it landed on."""


@dataclass(eq=False)
class Fingers:
    """The state of all fingers."""

    each: tuple[Mapping[str, Handle], ...]
    """For each finger the names of `KEPT`."""
    waits: Handle
    """1 while contacts have said something that acts as their moment ends."""
    low: Handle
    """The number of the first finger that said something in it."""
    high: Handle
    """The number of the last one."""
    landed: Handle
    """How many have landed so far."""
    moment: Handle
    """The number of the moment."""
    turns: Handle
    """1 while one has landed or lifted in it."""
    anew: Handle
    """1 while it must be looked anew which fingers count."""

    @classmethod
    def new(cls, state: State) -> Fingers:
        """New state for ten."""
        each = tuple(
            {name: state.new(f"finger{k}_{name}", start) for name, start in KEPT.items()}
            for k in range(1, FINGERS + 1)
        )
        none = float(FINGERS)
        return cls(
            each,
            state.new("fingers_wait"),
            state.new("fingers_low", none),
            state.new("fingers_high", -1.0),
            state.new("fingers_landed"),
            state.new("fingers_moment", 1.0),
            state.new("fingers_turn"),
            state.new("fingers_anew"),
        )

    def choose(self, block: Block, before: Callable[[int], Value], write: Callable[[int], None]) -> None:
        """Write what happens to one of ten fingers, as a binary tree of tests.

        `before` gives the test of whether its number is below one, 1 to 9; `write` writes one finger's code.
        """
        _halves(block, range(FINGERS), before, write)

    def load(self, block: Block, number: Value, names: Iterable[str]) -> dict[str, Name]:
        """Write locals that hold a finger's state; returns them."""
        words: dict[str, Name] = {name: block.names.fresh(f"its_{name}") for name in names}

        def read(k: int) -> None:
            for name, word in words.items():
                block.set(word, self.each[k][name])

        self.choose(block, lambda middle: number < float(middle), read)
        return words

    def store(self, block: Block, number: Value, values: Mapping[str, Value | float]) -> None:
        """Write a finger's new state."""

        def write(k: int) -> None:
            for name, value in values.items():
                block.set(self.each[k][name], value)

        self.choose(block, lambda middle: number < float(middle), write)

    def let_go(self, block: Block) -> None:
        """Write that no finger is down any more."""
        for one in self.each:
            for name in ("area", "counts", "goes", "becomes"):
                block.set(one[name], 0.0)
            block.set(one["group"], -1.0)
        block.set(self.anew, 0.0)
        self.end_moment(block)

    def end_moment(self, block: Block) -> None:
        """Write that nothing waits for the end of a moment any more."""
        block.set(self.waits, 0.0)
        block.set(self.turns, 0.0)
        block.set(self.low, float(FINGERS))
        block.set(self.high, -1.0)
        block.set(self.moment, self.moment + 1.0)


def _halves(
    block: Block, numbers: range, before: Callable[[int], Value], write: Callable[[int], None]
) -> None:
    """Find one of some numbers, by halves."""
    if len(numbers) == 1:
        write(numbers[0])
        return
    middle = numbers[len(numbers) // 2]
    with block.when(before(middle)):
        _halves(block, range(numbers[0], middle), before, write)
    with block.otherwise():
        _halves(block, range(middle, numbers[-1] + 1), before, write)

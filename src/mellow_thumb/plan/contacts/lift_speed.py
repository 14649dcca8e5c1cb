"""The speed of fingers as they lift: the mean of their last 40 to 80 ms, whenever the lift is reported."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...expressions import every, where
from ...formulas import fingers
from ..words import ANCHOR

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, State, Value

EVERY = 0.04
"""Seconds from one mark on a finger's way to the next; the mean goes back to the mark before the last."""
PAUSE = 0.06
"""Seconds without a report after which a finger has paused: what came before it is no way to a lift."""

Pair = tuple["Value", "Value"]


@dataclass(eq=False)
class LiftSpeed:
    """The state of some fingers' movement, in the unit of their gesture."""

    way: tuple[Handle, ...]
    """How far they went since they began."""
    time: Handle
    """When they last said where they are (s)."""
    mark: tuple[Handle, ...]
    """The last mark: its time (s), and how far they had gone."""
    before: tuple[Handle, ...]
    """The mark before it."""

    @classmethod
    def new(cls, state: State, stem: str) -> LiftSpeed:
        """New state for the fingers of one touch."""
        way = tuple(state.new(f"{stem}_way_{part}") for part in "xy")
        mark, before = (
            tuple(state.new(f"{stem}_{what}_{part}") for part in "txy") for what in ("mark", "before")
        )
        return cls(way, state.new(f"{stem}_t"), mark, before)

    def begin(self, block: Block) -> None:
        """Write that fingers start now, without speed."""
        for one in (*self.way, *self.mark[1:], *self.before[1:]):
            block.set(one, 0.0)
        for one in (self.time, self.mark[0], self.before[0]):
            block.set(one, ANCHOR)

    def go(self, block: Block, moved: Pair) -> None:
        """Write that they moved."""
        for way, part in zip(self.way, moved, strict=True):
            block.set(way, way + part)

    def report(self, block: Block, was: tuple[Value, ...]) -> None:
        """Write that they reported; `was` is how far they had gone at the report before."""
        since = block.keep("since", ANCHOR - self.time)
        with block.when(since > PAUSE):
            # how they came here nobody knows: it counts as slow as the time between allows
            for marks in (self.before, self.mark):
                for one, value in zip(marks, (self.time, *was), strict=True):
                    block.set(one, value)
        with block.otherwise(), block.when(ANCHOR - self.mark[0] >= EVERY):
            for one, value in zip(self.before, self.mark, strict=True):
                block.set(one, value)
            block.set(self.mark[0], self.mark[0] + EVERY)
            late = self.mark[0] - self.time
            share = block.keep("share", where(late > 0.0, late / where(since > 0.0, since, 1.0), 0.0))
            for one, then, now in zip(self.mark[1:], was, self.way, strict=True):
                block.call(fingers.between, then, now, share, into=(one,))
        block.set(self.time, ANCHOR)

    def speed(self, block: Block) -> tuple[Name, ...]:
        """Their speed if they lift now, per second; 0 after a pause."""
        span = block.keep("span", self.time - self.before[0])
        goes = every([span > 0.0, ANCHOR - self.time <= PAUSE])
        return tuple(
            block.keep("speed", where(goes, (now - then) / where(span > 0.0, span, 1.0), 0.0))
            for now, then in zip(self.way, self.before[1:], strict=True)
        )

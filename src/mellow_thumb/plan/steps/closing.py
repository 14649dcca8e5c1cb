"""What happens to a route's effect when its gate closes: it is cut short, left to arrive, or taken back."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...basics import PlanError, listed
from ...expressions import some, total
from ...formulas import smoothing as eased
from ...formulas import wrapped
from ..words import WORLD_NOW, WORLD_THEN

if TYPE_CHECKING:
    from ...expressions import Block, Handle, State, Value

CLOSINGS = ("stop", "settle", "return")
"""What becomes of a route's effect as its gate closes: cut short, run out, or taken back."""


@dataclass(frozen=True, slots=True)
class Close:
    """What happens to a route's effect when its gate closes; for ``return``, over how many seconds.

    ``stop`` drops what the route's own smoothing still owes, ``settle`` lets it arrive. ``return`` takes
    an offset to 0, and an axis back to where it was as the gate opened.
    """

    way: str
    over: float = 0.0

    def __post_init__(self) -> None:
        if self.way not in CLOSINGS:
            raise PlanError(f"on_close: found {self.way}; expected {listed(CLOSINGS)}", path=("on_close",))
        if (self.way == "return") != (0.0 < self.over <= 60.0):
            raise PlanError(
                f"on_close: found {self.over:g} s; expected above 0 to 60 s for a return", path=("on_close",)
            )


@dataclass(eq=False)
class Back:
    """A way back that starts when a gate closes; it runs in the world's time."""

    amount: Handle
    """How far it is in all."""
    start: Handle
    """When it began (s)."""
    over: float
    """How long it takes (s)."""
    origin: Handle | None = None
    """Where an axis was as the gate opened."""
    left: Handle | None = None
    """What is left of an offset that is taken back."""

    @classmethod
    def new(cls, state: State, stem: str, over: float) -> Back:
        """New state for an axis, with an origin, or for an offset, with what is left."""
        return cls(state.new(f"{stem}_back_amount"), state.new(f"{stem}_back_start"), over)

    def share(self, block: Block, begin: Value, end: Value) -> Value:
        """The share of the way done between two moments of the world."""
        return block.call(eased.turn_share, begin, end, self.start, self.over)[0]

    def leave(self, block: Block, goal: list[Value]) -> None:
        """When the gate opens: keep where the axis is, or was on its way back to."""
        assert self.origin is not None
        # opened again on the way back: it still belongs to where it was going
        share = self.share(block, self.start, WORLD_NOW)
        block.set(self.origin, total([*goal, self.amount * (1.0 - share)]))
        block.set(self.amount, 0.0)

    def come_back(self, block: Block, goal: list[Value], *, wraps: bool) -> None:
        """When the gate closes: start the way back; a yaw that wraps goes the shorter way."""
        assert self.origin is not None
        way: Value = self.origin - total(goal)
        if wraps:
            # or it would unwind every turn that was made while the gate was open
            (way,) = block.call(wrapped, way)
        block.set(self.amount, way)
        block.set(self.start, WORLD_NOW)

    def take_lean(self, block: Block, lean: Value) -> None:
        """When the gate closes: an offset's lean starts on its way back."""
        assert self.left is not None
        block.set(self.left, self.left + lean)
        block.set(self.amount, self.left)
        block.set(self.start, WORLD_NOW)

    def flow_lean(self, block: Block) -> None:
        """Between events: the offset dies away."""
        assert self.left is not None
        block.set(self.left, self.left - self.amount * self.share(block, WORLD_THEN, WORLD_NOW))

    def over_by(self) -> Value:
        """The test of whether it is over, or never started."""
        return some([self.amount == 0.0, WORLD_NOW - self.start >= self.over])

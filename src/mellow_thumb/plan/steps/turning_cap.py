"""The cap on turning: hands turn yaw, pitch and roll no faster than this."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...formulas import switching
from ..words import T
from .hand_speed import PAUSE

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Block, Handle, Name, State, Value


@dataclass(eq=False)
class Cap:
    """How far a hand may still turn now: it grows with time, and shrinks with each turn."""

    rate: float
    """Degrees a second."""
    time: Handle
    """When the hand last turned (s)."""
    left: dict[str, Handle]
    """For each component, how far it may still turn (deg)."""

    @classmethod
    def new(cls, state: State, stem: str, rate: float, components: Iterable[str]) -> Cap:
        """New state for one route's hand."""
        time = state.new(f"{stem}_cap_t", -1.0)
        return cls(rate, time, {part: state.new(f"{stem}_{part}_left", rate / 20.0) for part in components})

    def cut(self, block: Block, push: Name, component: str) -> None:
        """At a displacement: cut off what is faster than the cap; what is cut off is lost."""
        left = self.left[component]
        most = self.rate * PAUSE  # a pause saves up no more than this, or the first move after it would leap
        block.call(switching.refilled, left, T - self.time, into=(left,), rate=self.rate, most=most)
        block.call(switching.allowed, push, left, into=(push,))
        block.set(left, left - abs(push))

    def turned(self, block: Block) -> None:
        """At a displacement: the hand has now turned."""
        block.set(self.time, T)


def capped_rate(block: Block, amount: Value, most: float) -> Value:
    """At an event of a held value: limit a rate to the cap."""
    return block.call(switching.allowed, amount, most)[0]

"""The speed of a hand: an exponential mean of how far it goes over the time since its last report."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...formulas import hand_speed, shaping
from .pools import LN2

if TYPE_CHECKING:
    from ...expressions import Block, Handle, State, Value

PAUSE = 0.05
"""Seconds that a pause between reports of a hand counts at the most."""
HALF_LIFE = 0.015
"""Half-life (s) of the mean, unless something else is said."""


@dataclass(eq=False)
class HandSpeed:
    """How fast a hand goes, in the signal's units a second."""

    x: Handle
    y: Handle
    share: Handle
    """What the last gap counts for: reports of one time have one gap."""
    time: Handle
    """When the hand reported last (s)."""

    @classmethod
    def new(cls, state: State, stem: str) -> HandSpeed:
        """New state for one route's hand."""
        x, y, share = (state.new(f"{stem}_speed_{part}") for part in ("x", "y", "share"))
        return cls(x, y, share, state.new(f"{stem}_speed_t", -1.0))

    def report(self, block: Block, x: Value, y: Value | float, now: Value, half_life: float) -> Value:
        """At a displacement: update it; returns the hand's speed, in any direction."""
        speeds = (self.x, self.y, self.share)
        block.call(hand_speed, x, y, now - self.time, *speeds, into=speeds, k=LN2 / half_life, pause=PAUSE)
        block.set(self.time, now)
        return block.call(shaping.length, self.x, self.y)[0]

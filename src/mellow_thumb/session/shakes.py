"""Kicks and shakes: what the world does to a view for a moment. They never change an axis."""

from __future__ import annotations

from math import pi, sin
from typing import NamedTuple

from ..formulas import decay
from ..plan.steps import LN2

FAINT = 1e-6
"""What is fainter than this is over."""


class Kick(NamedTuple):
    """An amount that is there at once and fades; with a frequency (Hz) it shakes as it fades."""

    axis: str
    amount: float
    start: float
    half_life: float
    frequency: float = 0.0

    def at(self, t: float) -> float:
        """What it adds to the axis at a time (s)."""
        since = t - self.start
        size = self.amount * decay(since, LN2 / self.half_life) if since >= 0.0 else 0.0
        if not self.frequency:
            return size
        turn = 2.0 * pi * self.frequency * since
        return size * 0.5 * (sin(turn) + sin(1.618033988749895 * turn))

    def size(self, t: float) -> float:
        """The most that it can add from a time (s) on."""
        return abs(self.amount) * decay(t - self.start, LN2 / self.half_life)

    def over(self, t: float) -> bool:
        """Whether it has faded."""
        return self.size(t) < FAINT

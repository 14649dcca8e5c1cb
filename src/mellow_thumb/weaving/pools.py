"""What runs into an axis and what it is still owed, as the weaver keeps account of it."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ..plan.steps import Exponential, Spring

if TYPE_CHECKING:
    from ..plan import TurnBoost

LONGEST = 1 / 16
"""Seconds of the longest step between commits."""

ZOOM_NOW, ZOOM_MEAN = "exp(-{})", "{}_mean"
"""What a zoom, by what holds it, makes of an effect at this moment, and over a step."""
WORLD_NOW, WORLD_THEN, WORLD_RATE = "world_now", "world_then", "host_world_rate"
"""The world's time at a step's end and at its beginning, and its seconds for each of the hand's."""


@dataclass
class Wish:
    """What one route wants an axis to do: the woven expression of its rate, its gate and scales included."""

    rate: str
    mean: str = ""
    """The same as a mean over a step, where that differs."""
    name: str = ""
    """What holds the rate during a step."""
    still: str = ""
    """The test that nothing is wished, where it is not that the rate is 0."""
    boost: TurnBoost | None = None
    level: str = ""
    """The state value that holds how far a boost has built up."""
    past: str = ""
    """The state value that is 1 while it is held far enough."""


@dataclass
class Pool:
    """What an axis is still owed by one smoothing, and what runs into it."""

    smoothing: Exponential | Spring
    held: str
    """The state value that holds what is owed."""
    speed: str = ""
    """The state value that holds a spring's speed."""
    wishes: list[Wish] = field(default_factory=list)
    owner: str = ""
    """What drops it as it closes, or the route that has it for itself; empty for all that share it."""

    @property
    def quick(self) -> bool:
        """Whether it pays out so fast that running it backward over 1/128 s would cost digits."""
        smoothing = self.smoothing
        return (smoothing.w if isinstance(smoothing, Spring) else smoothing.k) / 128 > 8.0


@dataclass
class Filtered:
    """A rate behind a 1 euro filter: the state values that hold the filtered rate and its decay."""

    wish: Wish
    rate: str
    decay: str

"""The turn boost: an extra rate that builds while a stick is held past a threshold, and falls at once."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...expressions import flag, where
from ...formulas import smoothing as eased

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, Value
    from .pools import Pool, Wish


@dataclass(frozen=True, slots=True)
class TurnBoost:
    """An extra share of the rate, up to `extra`, that builds up over `build` (s) while held past `past`."""

    past: float
    extra: float
    build: float

    def __post_init__(self) -> None:
        if not 0.0 < self.past <= 1.0:
            raise PlanError(
                f"turn_boost: found past {self.past:g}; expected above 0 to 1", path=("turn_boost",)
            )
        if not (0.0 < self.extra <= 100.0 and 0.0 < self.build <= 60.0):
            raise PlanError(
                "turn_boost: expected extra above 0 to 100, build above 0 to 60 s", path=("turn_boost",)
            )

    def push(self, block: Block, past: Handle, size: Value) -> None:
        """At an event: whether the stick is held far enough."""
        block.set(past, flag(size >= self.past))


@dataclass(eq=False)
class Boost:
    """A boost at work on one axis."""

    boost: TurnBoost
    level: Handle
    """How far it has built up, 0 to 1."""
    past: Handle
    """1 while the stick is held far enough."""

    def drop(self, block: Block) -> None:
        """At an event: drop what has built up once the stick is no longer held far enough."""
        block.set(self.level, self.level * self.past)

    def most(self, rate: Value) -> Value:
        """A rate with all the boost it has now."""
        return rate * (1.0 + self.boost.extra * self.level)

    def run(self, block: Block, rate: Value, time: Value) -> Value:
        """Between events: the integral of an unsmoothed rate, by the mean of a ramp split at its cap."""
        (mean, _) = self._build(block, time)
        return rate * (1.0 + self.boost.extra * mean * self.past) * time

    def _build(self, block: Block, time: Value) -> tuple[Name, Name]:
        """Let the level grow over `time`; returns its mean and its end."""
        mean, level = block.names.fresh("boost"), block.names.fresh("boost_level")
        block.call(eased.ramp, self.level, time, into=(mean, level), build=self.boost.build)
        # it falls at once: a stick that comes back must not turn on for as long as the boost took to build
        block.set(self.level, where(self.past != 0.0, level, 0.0))
        return mean, level

    def run_into(self, block: Block, pool: Pool, wish: Wish, time: Value, paid: Name) -> Value:
        """Between events: a rate that runs into a pool while it rises, up to the end of its ramp.

        `paid` gets what the pool pays meanwhile. Returns the time for which it rises; after that the
        rate is constant.
        """
        boost, rate = self.boost, wish.running
        rising = block.keep("rising", self.past * (1.0 - self.level) * boost.build)
        block.set(rising, where(rising < time, rising, time))  # split where the ramp meets its cap
        slope = block.keep("slope", rate * (boost.extra / boost.build))
        begin = rate * (1.0 + boost.extra * self.level * self.past)
        decay = pool.smoothing.decay
        (share,) = block.call(eased.decay, rising, decay)
        block.call(eased.ramp_through, pool.held, begin, slope, rising, share, decay, into=(paid, pool.held))
        self._build(block, time)
        return rising

    def full(self, rate: Value) -> Value:
        """The rate once it has stopped rising."""
        return rate * (1.0 + self.boost.extra * self.level * self.past)

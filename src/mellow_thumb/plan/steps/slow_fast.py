"""The slow/fast smoothing: slow motion is smoothed, fast motion is not."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...formulas import zone
from .exponential import Exponential
from .pools import check_time

if TYPE_CHECKING:
    from ...expressions import Block, Value


@dataclass(frozen=True, slots=True)
class SlowFast:
    """Slow motion is smoothed with `half_life` (s), fast motion is not, with a mixture between.

    `slow` and `fast` are in the signal's unit a second for a displacement, else shares of full deflection.
    """

    half_life: float
    slow: float
    fast: float
    slow_part: Exponential = field(init=False, repr=False, compare=False)
    """What smooths the slow part."""

    def __post_init__(self) -> None:
        check_time("half_life", self.half_life)
        object.__setattr__(self, "slow_part", Exponential(self.half_life))
        if not 0.0 <= self.slow < self.fast:
            raise PlanError(
                f"slow: found {self.slow:g} to {self.fast:g}; expected slow below fast, from 0",
                path=("slow",),
            )

    def fast_share(self, block: Block, size: Value) -> Value:
        """At an event: the share of it that is not smoothed."""
        return block.call(zone, size, inner=self.slow, outer=self.fast)[0]

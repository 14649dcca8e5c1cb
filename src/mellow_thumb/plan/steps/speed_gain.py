"""The speed gain: more effect for a faster hand."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...formulas import zone
from .hand_speed import HALF_LIFE

if TYPE_CHECKING:
    from ...expressions import Block, Value


@dataclass(frozen=True, slots=True)
class SpeedGain:
    """More effect for a faster hand: 1 up to `slow`, 1 + `extra` from `fast` on (signal units a second).

    `half_life` (s) is that of the mean for the hand's speed.
    """

    slow: float
    fast: float
    extra: float
    half_life: float = HALF_LIFE

    def __post_init__(self) -> None:
        if not 0.0 <= self.slow < self.fast:
            raise PlanError(
                f"speed_gain: found {self.slow:g} to {self.fast:g}; expected slow below fast, from 0",
                path=("speed_gain",),
            )
        if not -1.0 < self.extra <= 100.0:
            raise PlanError(
                f"speed_gain: found extra {self.extra:g}; expected above -1 to 100", path=("speed_gain",)
            )

    def factor(self, block: Block, size: Value) -> Value:
        """At a displacement: the factor for its effect, by the speed of the hand."""
        (past,) = block.call(zone, size, inner=self.slow, outer=self.fast)
        return 1.0 + self.extra * past

"""The 1 euro filter: the faster a value changes, the less it is smoothed."""

from __future__ import annotations

from dataclasses import dataclass
from math import pi
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...formulas import smoothing as eased
from ..words import ANCHOR

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, Value
    from .pools import Wish


@dataclass(frozen=True, slots=True)
class OneEuro:
    """A 1 euro filter: `cutoff` (Hz) at rest, `slope` (Hz for each 1/s) more as the value changes faster.

    `slope_cutoff` (Hz) smooths the speed of change. Source: Casiez, Roussel and Vogel (CHI 2012).
    """

    cutoff: float
    slope: float
    slope_cutoff: float = 1.0

    def __post_init__(self) -> None:
        for name, value in (("cutoff", self.cutoff), ("slope_cutoff", self.slope_cutoff)):
            if not 0.0 < value <= 1000.0:
                raise PlanError(f"{name}: found {value:g} Hz; expected above 0 to 1000 Hz", path=(name,))
        if not 0.0 <= self.slope <= 1000.0:
            raise PlanError(f"slope: found {self.slope:g}; expected 0 to 1000", path=("slope",))

    @property
    def start(self) -> float:
        """Its decay before anything has changed, 1/s."""
        return 2.0 * pi * self.cutoff

    def follow(self, block: Block, slope: Handle, decay: Handle, change: Value, last: Handle) -> None:
        """At an event: update the cutoff by how fast the value changes, from `last` to now."""
        gap = block.keep("gap", ANCHOR - last)
        # the paper filters samples of one rate; events have gaps of any length, so the decay goes by the gap
        (share,) = block.call(eased.decay, gap, 2.0 * pi * self.slope_cutoff)
        block.call(eased.event_slope, change, gap, slope, share, into=(slope,))
        block.call(eased.cutoff_rate, abs(slope), into=(decay,), least=self.cutoff, slope=self.slope)


@dataclass(eq=False)
class Filtered:
    """A rate behind a 1 euro filter, on one axis."""

    wish: Wish
    rate: Handle
    """The filtered rate."""
    decay: Handle
    """How fast it goes to the rate that is wished, 1/s; held until the next event."""

    @property
    def owed(self) -> Value:
        """What the axis would still get if the rate were now 0."""
        return self.rate / self.decay

    def run(self, block: Block, wish: Value | None, time: Value, paid: Name) -> None:
        """Between events: the integral of the rate over `time`; `paid` gets it."""
        (share,) = block.call(eased.decay, time, self.decay)
        into = (paid, self.rate)
        if wish is None:
            block.call(eased.fading_rate, self.rate, share, self.decay, into=into)
        else:
            block.call(eased.filtered_rate, self.rate, wish, time, share, self.decay, into=into)

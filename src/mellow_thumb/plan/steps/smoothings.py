"""Smoothings: how the effect of a route is spread over time."""

from __future__ import annotations

from dataclasses import dataclass

from ...basics import PlanError

LN2 = 0.6931471805599453
HALF_WAY = 1.6783469900166605
"""Where a critically damped spring has made half of a step: (1 + a) exp(-a) = 1/2."""


def _time(name: str, value: float) -> None:
    if not 0.0 < value <= 60.0:
        raise PlanError(f"{name}: found {value:g} s; expected above 0 to 60 s")


@dataclass(frozen=True, slots=True)
class Exponential:
    """Half of what is still to come arrives in each `half_life` (s)."""

    half_life: float

    def __post_init__(self) -> None:
        _time("half_life", self.half_life)

    @property
    def k(self) -> float:
        """Its decay, 1/s."""
        return LN2 / self.half_life


@dataclass(frozen=True, slots=True)
class Spring:
    """A critically damped spring: half of a step is made after `half_time` (s), with no jerk at its start."""

    half_time: float

    def __post_init__(self) -> None:
        _time("spring", self.half_time)

    @property
    def w(self) -> float:
        """Its natural frequency, 1/s."""
        return HALF_WAY / self.half_time


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
                raise PlanError(f"{name}: found {value:g} Hz; expected above 0 to 1000 Hz")
        if not 0.0 <= self.slope <= 1000.0:
            raise PlanError(f"slope: found {self.slope:g}; expected 0 to 1000")


@dataclass(frozen=True, slots=True)
class SlowFast:
    """Slow motion smoothed by `half_life` (s), fast motion taken as it is, a mixture between.

    `slow` and `fast` are in the signal's unit a second for a displacement, else shares of full deflection.
    """

    half_life: float
    slow: float
    fast: float

    def __post_init__(self) -> None:
        _time("half_life", self.half_life)
        if not 0.0 <= self.slow < self.fast:
            raise PlanError(f"slow: found {self.slow:g} to {self.fast:g}; expected slow below fast, from 0")


Smoothing = Exponential | Spring | OneEuro | SlowFast

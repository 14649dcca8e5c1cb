"""Axes: the camera's quantities, each with a unit, limits and a starting value."""

from __future__ import annotations

from dataclasses import dataclass
from math import inf

from .errors import PlanError

POSITIVE = {
    "yaw": "turns the view right",
    "pitch": "looks up",
    "roll": "lowers the right side of the view",
}
"""The axes that the library knows by name, and which way is positive. All three are in degrees."""


@dataclass(frozen=True, slots=True)
class Axis:
    """A camera quantity in degrees, inside limits.

    A yaw without limits never stops: it is read wrapped to (-180, 180], and its whole turn is kept as
    well. `low` and `high` are absolute and infinite where there is no limit.
    """

    name: str
    start: float = 0.0
    low: float = -inf
    high: float = inf

    def __post_init__(self) -> None:
        if not self.low < self.high:
            raise PlanError(f"{self.name}: min {self.low:g} deg is not below max {self.high:g} deg")
        if not self.low <= self.start <= self.high:
            raise PlanError(
                f"{self.name}: start {self.start:g} deg is outside {self.low:g} to {self.high:g} deg"
            )

    @property
    def limited(self) -> bool:
        """Whether it has a limit on either side."""
        return self.low > -inf or self.high < inf

    @property
    def wraps(self) -> bool:
        """Whether it is read as a direction: a yaw that nothing stops."""
        return self.name == "yaw" and not self.limited

    @property
    def limits(self) -> dict[str, float]:
        """The limits as the formulas take them."""
        return {"low": self.low, "high": self.high}

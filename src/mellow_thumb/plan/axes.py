"""Axes: the camera's quantities, each with a unit, limits, a starting value and a rest."""

from __future__ import annotations

from dataclasses import dataclass
from math import exp, inf, log
from typing import TYPE_CHECKING, ClassVar, TypedDict

from ..basics import PlanError
from ..expressions import is_infinite, worked_out

if TYPE_CHECKING:
    from .steps import Exponential, Spring

KNOWN = {
    "yaw": ("deg", "turns the view right"),
    "pitch": ("deg", "looks up"),
    "roll": ("deg", "lowers the right side of the view"),
    "distance": ("m", "is further from the subject"),
    "zoom": ("x", "magnifies more"),
    "lean_x": ("m", "leans to the right"),
    "lean_y": ("m", "rises"),
    "pan_x": ("m", "moves the camera right"),
    "pan_y": ("m", "moves the camera forward"),
    "move_x": ("", "goes to the right"),
    "move_y": ("", "goes forward"),
}
"""The axes that the library knows by name: their unit, and what positive does."""


PANS = ("pan_x", "pan_y")
"""Where the middle of a view over a plane is: to +X, and to -Z (up, in a flat picture)."""
NEARING = ("distance", "zoom")
"""Axes that bring a plane nearer: its middle, or what is pinned."""


class Limits(TypedDict):
    """Both limits, as formulas take them."""

    low: float
    high: float


BEYOND = 1e300
"""What no axis reaches: a limit on one side only stands here on the other."""


def _logarithm(value: float) -> float:
    """The logarithm of a number that has one; infinite limits stay."""
    return log(value) if 0.0 < value < inf else value


@dataclass(frozen=True, slots=True)
class Axis:
    """A quantity inside limits. `low` and `high` are absolute, and infinite where there is no limit.

    A linear axis adds what its routes give; a `log` axis (a factor, or a distance driven in per cent)
    multiplies. A yaw without limits never stops: it is read wrapped to (-180, 180], and its total is
    kept as well. `return_half_life` (s) takes it back to `rest`; 0 is not at all. `smoothing` eases it
    toward its goal.
    """

    name: str
    start: float = 0.0
    low: float = -inf
    high: float = inf
    unit: str = "deg"
    log: bool = False
    rest: float = 0.0
    return_half_life: float = 0.0
    smoothing: Exponential | Spring | None = None

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("return_half_life",)

    def __post_init__(self) -> None:
        unit = f" {self.unit}".rstrip()
        if not self.low < self.high:
            raise PlanError(f"{self.name}: min {self.low:g}{unit} is not below max {self.high:g}{unit}")
        if self.log and not self.low > 0.0:
            raise PlanError(f"{self.name}: min {self.low:g}{unit} is not above 0, and it multiplies")
        for what, value in (("start", self.start), ("rest", self.rest)):
            if what == "rest" and not self.return_half_life:
                continue
            if not self.low <= value <= self.high:
                raise PlanError(
                    f"{self.name}: {what} {value:g}{unit} is outside {self.low:g} to {self.high:g}{unit}"
                )

    @property
    def limited(self) -> bool:
        """Whether it has a limit on either side."""
        return not (is_infinite(self.low) and is_infinite(self.high))

    @property
    def wraps(self) -> bool:
        """Whether it is read as a direction: a yaw without limits."""
        return self.name == "yaw" and not self.limited and not self.return_half_life

    @property
    def limits(self) -> Limits:
        """The limits as formulas take them: finite, and logarithms on a log axis."""
        low, high = self.inner(self.low), self.inner(self.high)
        return Limits(low=worked_out(max, low, -BEYOND), high=worked_out(min, high, BEYOND))

    @property
    def bounds(self) -> Limits:
        """The limits of the value as read, finite."""
        low = -BEYOND if is_infinite(self.low) else self.low
        return Limits(low=low, high=BEYOND if is_infinite(self.high) else self.high)

    def inner(self, value: float) -> float:
        """A value as the axis adds it up: its logarithm on a log axis."""
        return worked_out(_logarithm, value) if self.log else value

    def outer(self, value: float) -> float:
        """The value to read for what the axis adds up."""
        return exp(value) if self.log else value

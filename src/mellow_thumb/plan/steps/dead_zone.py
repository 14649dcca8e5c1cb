"""Dead zones: travel that counts as none, and travel that counts as full."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, TypedDict

from ...basics import PlanError
from ...formulas import shaping

if TYPE_CHECKING:
    from ...expressions import Block, Value


class Edges(TypedDict):
    """Both edges of a dead zone, as the formula takes them."""

    inner: float
    outer: float


ZONES = ("radial", "axial", "wedge")
ALL: Edges = {"inner": 0.0, "outer": 1.0}
"""The edges where there is no dead zone."""


@dataclass(frozen=True, slots=True)
class DeadZone:
    """Where a held value counts as none (`inner`) and as full (`outer`), as shares of travel.

    ``radial`` acts on the length of a pair and keeps its direction; ``axial`` on each component alone;
    ``wedge`` is radial, and also zeroes a component that is at most `wedge` of the other.
    """

    shape: str = "radial"
    inner: float = 0.0
    outer: float = 1.0
    wedge: float = 0.0

    def __post_init__(self) -> None:
        if self.shape not in ZONES:
            raise PlanError(
                f"dead_zone: found the shape {self.shape}; expected one of {', '.join(ZONES)}",
                path=("dead_zone",),
            )
        if not 0.0 <= self.inner < self.outer <= 1.0:
            raise PlanError(
                f"dead_zone: found {self.inner:g} to {self.outer:g}; expected inner below outer, 0 to 1",
                path=("dead_zone",),
            )
        if not 0.0 <= self.wedge < 1.0:
            raise PlanError(
                f"dead_zone: found a wedge of {self.wedge:g}; expected 0 to less than 1", path=("dead_zone",)
            )

    @property
    def bounds(self) -> Edges:
        """Both edges as the formula takes them."""
        return Edges(inner=self.inner, outer=self.outer)

    @property
    def of_length(self) -> Edges:
        """The edges for a pair's length."""
        return ALL if self.shape == "axial" else self.bounds

    def on_components(self, block: Block, x: Value, y: Value) -> tuple[Value, Value]:
        """At an event: what it does to each component of a pair, before the length."""
        if self.shape == "axial":
            return self._signed(block, x), self._signed(block, y)
        if self.shape == "wedge":
            (across,) = block.call(shaping.wedge, x, y, share=self.wedge)
            (along,) = block.call(shaping.wedge, y, x, share=self.wedge)
            return across, along
        return x, y

    def _signed(self, block: Block, value: Value) -> Value:
        (size,) = block.call(shaping.zone, abs(value), **self.bounds)
        return block.call(shaping.signed, value, size)[0]

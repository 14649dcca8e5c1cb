"""The shape of a route: what is done to a held value before it becomes a rate or an offset.

The order is fixed: rest, reach, dead zone, curve. Each step is optional.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, TypedDict

from ...basics import PlanError
from ...formulas import shaping

if TYPE_CHECKING:
    from ...expressions import Block
    from .curves import Curve


class Edges(TypedDict):
    """Both edges of a dead zone, as the formula takes them."""

    inner: float
    outer: float


ZONES = ("radial", "axial", "wedge")


@dataclass(frozen=True, slots=True)
class DeadZone:
    """Where a held value counts as none (`inner`), and from where on as all (`outer`), as shares of travel.

    ``radial`` acts on the length of a pair and keeps its direction; ``axial`` on each component alone;
    ``wedge`` is radial, and a component that is at most `wedge` of the other is 0 too.
    """

    shape: str = "radial"
    inner: float = 0.0
    outer: float = 1.0
    wedge: float = 0.0

    def __post_init__(self) -> None:
        if self.shape not in ZONES:
            raise PlanError(f"dead_zone: found the shape {self.shape}; expected one of {', '.join(ZONES)}")
        if not 0.0 <= self.inner < self.outer <= 1.0:
            raise PlanError(
                f"dead_zone: found {self.inner:g} to {self.outer:g}; expected inner below outer, 0 to 1"
            )
        if not 0.0 <= self.wedge < 1.0:
            raise PlanError(f"dead_zone: found a wedge of {self.wedge:g}; expected 0 to less than 1")

    @property
    def bounds(self) -> Edges:
        """Both edges as the formula takes them."""
        return Edges(inner=self.inner, outer=self.outer)


@dataclass(frozen=True, slots=True)
class Shape:
    """What is done to a held value, in this order; none of it by default.

    `rest` is where the hand's device rests (x and y); `reach` is ``disc`` or ``square``: how far a stick
    travels at its corners.
    """

    rest: tuple[float, float] = (0.0, 0.0)
    reach: str = "disc"
    dead_zone: DeadZone | None = None
    curve: Curve | None = None

    def __post_init__(self) -> None:
        if shaping.length(*self.rest) > 0.9:
            found = f"{self.rest[0]:g}, {self.rest[1]:g}"
            raise PlanError(f"rest: found {found}; expected within 0.9 of the centre")

    def weave_pair(self, block: Block, x: str, y: str) -> tuple[str, str]:
        """Write the shaping of a pair into `block`; the names of what comes out, on the unit disc."""
        zone = self.dead_zone
        if self.rest != (0.0, 0.0):
            a, b = self.rest
            reach = 1.0 - shaping.length(a, b)
            x, y = block.call(shaping.rested_pair, x, y, rest_x=a, rest_y=b, reach=reach)
        if self.reach == "square":
            x, y = block.call(shaping.disc_from_square, x, y)
        if zone and zone.shape == "axial":
            x, y = (self._signed(block, value, zone) for value in (x, y))
        if zone and zone.shape == "wedge":
            (across,), (along,) = (
                block.call(shaping.wedge, *pair, share=zone.wedge) for pair in ((x, y), (y, x))
            )
            x, y = across, along
        (size,) = block.call(shaping.length, x, y)
        edges = zone.bounds if zone and zone.shape != "axial" else Edges(inner=0.0, outer=1.0)
        (wanted,) = block.call(shaping.zone, size, **edges)
        if self.curve:
            wanted = self.curve.weave(block, wanted)
        x, y = block.call(shaping.along, x, y, size, wanted)
        return x, y

    def weave_single(self, block: Block, x: str, rest: float) -> str:
        """Write the shaping of one value into `block`; the name of what comes out, -1 to 1."""
        if rest != 0.0:
            (x,) = block.call(shaping.rested, x, rest=rest)
        (size,) = block.call(shaping.zone, f"abs({x})", **(self.dead_zone or DeadZone()).bounds)
        if self.curve:
            size = self.curve.weave(block, size)
        return block.call(shaping.signed, x, size)[0]

    @staticmethod
    def _signed(block: Block, value: str, zone: DeadZone) -> str:
        (size,) = block.call(shaping.zone, f"abs({value})", **zone.bounds)
        return block.call(shaping.signed, value, size)[0]

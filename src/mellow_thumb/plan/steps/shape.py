"""The shape of a route: what happens to a held value before it becomes a rate or an offset.

The order is fixed: rest, reach, dead zone, curve. Each step is optional.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from ...formulas import shaping
from .dead_zone import ALL
from .rest import check_rest, reached, rested, rested_pair

if TYPE_CHECKING:
    from ...expressions import Block, Value
    from .curves import Curve
    from .dead_zone import DeadZone


@dataclass(frozen=True, slots=True)
class Shape:
    """What happens to a held value, in this order; nothing by default.

    `rest` is where the device rests (x and y); `reach` is ``disc`` or ``square``: how far a stick
    travels at its corners.
    """

    rest: tuple[float, float] = (0.0, 0.0)
    reach: str = "disc"
    dead_zone: DeadZone | None = None
    curve: Curve | None = None

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("rest",)

    def __post_init__(self) -> None:
        check_rest(self.rest)

    @property
    def rests(self) -> bool:
        """Whether the device rests off centre."""
        x, y = self.rest
        return bool(x or y)

    @property
    def inner(self) -> float:
        """The share of travel that does nothing; 0 without a dead zone."""
        return self.dead_zone.inner if self.dead_zone else 0.0

    def on_pair(self, block: Block, x: Value, y: Value) -> tuple[Value, Value]:
        """At an event: shape a pair; the result is in the unit disc."""
        x, y = rested_pair(block, x, y, self.rest)
        x, y = reached(block, x, y, self.reach)
        if self.dead_zone:
            x, y = self.dead_zone.on_components(block, x, y)
        (size,) = block.call(shaping.length, x, y)
        wanted: Value
        (wanted,) = block.call(shaping.zone, size, **(self.dead_zone.of_length if self.dead_zone else ALL))
        if self.curve:
            wanted = self.curve.on_size(block, wanted)
        x, y = block.call(shaping.along, x, y, size, wanted)
        return x, y

    def on_single(self, block: Block, x: Value, rest: float) -> Value:
        """At an event: shape one value; the result is -1 to 1."""
        x = rested(block, x, rest)
        size: Value
        (size,) = block.call(shaping.zone, abs(x), **(self.dead_zone.bounds if self.dead_zone else ALL))
        if self.curve:
            size = self.curve.on_size(block, size)
        return block.call(shaping.signed, x, size)[0]

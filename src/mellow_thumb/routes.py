"""Routes: from a signal, by way of conditioning, to one axis or a pair of axes."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from .errors import PlanError
from .signals import COMPONENTS

if TYPE_CHECKING:
    from .gates import Condition
    from .signals import Address


@dataclass(frozen=True, slots=True)
class Route:
    """A route in the axis's own units, all signs already in its gains.

    `gains` holds, for each axis in `drives`, the degrees that one unit of the signal turns it.
    `half_life` (s) is that of the smoothing; 0 is none.
    """

    name: str
    source: Address
    drives: tuple[str, ...]
    gains: tuple[float, ...]
    gate: Condition | None = None
    half_life: float = 0.0

    def __post_init__(self) -> None:
        if not len(self.drives) == len(self.gains) == self.source.width:
            raise PlanError(
                f"{self.name}: {self.source} has {self.source.width} component(s), "
                f"for {len(self.drives)} axes and {len(self.gains)} gains"
            )

    @property
    def parts(self) -> tuple[tuple[str, str, float], ...]:
        """For each axis: its name, the component (``x`` or ``y``) that drives it, and the gain."""
        components = (self.source.component,) if self.source.component else COMPONENTS[: self.source.width]
        return tuple(zip(self.drives, components, self.gains, strict=True))

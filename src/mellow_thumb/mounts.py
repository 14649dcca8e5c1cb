"""Mounts: how axes become a camera pose."""

from __future__ import annotations

from dataclasses import dataclass
from math import radians, tan
from typing import TYPE_CHECKING, ClassVar

from .axes import Axis
from .formulas.turning import level_rotation, narrowed, rolled
from .weave import Block, number

if TYPE_CHECKING:
    from collections.abc import Mapping


@dataclass(frozen=True, slots=True)
class Eye:
    """A first-person camera: it looks where yaw, pitch and roll point, `height` metres above the origin."""

    name: str
    height: float = 0.0
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""

    kind: ClassVar[str] = "eye"
    axes: ClassVar[Mapping[str, Axis]] = {
        "yaw": Axis("yaw"),
        "pitch": Axis("pitch", low=-90.0, high=90.0),
        "roll": Axis("roll"),
    }
    """The axes that it takes, with the limits they have where a profile states none."""

    def weave_pose(self, block: Block, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`: position x, y, z, rotation x, y, z, w and field of view.

        With `zoom` the axis of that name narrows the field of view.
        """
        turned = block.call(level_rotation, "yaw", "pitch")
        inner = block.inner()
        inner.call(rolled, *turned, "roll", into=turned)
        block.when("roll != 0.0", inner)
        seen = number(self.field_of_view)
        if zoom:
            (seen,) = block.call(narrowed, "zoom", half=tan(radians(self.field_of_view / 2.0)))
        return (number(0.0), number(self.height), number(0.0), *turned, seen)

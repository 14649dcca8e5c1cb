"""Mounts: how axes become a camera pose."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from .axes import Axis
from .formulas.turning import rotation
from .weave import Block, number

if TYPE_CHECKING:
    from collections.abc import Mapping


@dataclass(frozen=True, slots=True)
class Eye:
    """A first-person camera: it looks where yaw, pitch and roll point, `height` metres above the origin."""

    name: str
    height: float = 0.0

    kind: ClassVar[str] = "eye"
    axes: ClassVar[Mapping[str, Axis]] = {
        "yaw": Axis("yaw"),
        "pitch": Axis("pitch", low=-90.0, high=90.0),
        "roll": Axis("roll"),
    }
    """The axes that it takes, with the limits they have where a profile states none."""

    def weave_pose(self, block: Block) -> tuple[str, ...]:
        """Write the pose into `block`: the names of position x, y, z and rotation x, y, z, w."""
        turned = block.call(rotation, "yaw", "pitch", "roll")
        return (number(0.0), number(self.height), number(0.0), *turned)

"""The eye: a first-person camera."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError
from ...formulas import right, wrapped
from ..axes import Axis
from .pose import AT_X, AT_Y, AT_YAW, AT_Z, PLACE, Pose, looking, pose_of

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block, Value
    from .pose import Given


@dataclass(frozen=True, slots=True)
class Eye:
    """A first-person camera: it looks where yaw, pitch and roll point, `height` metres above the subject.

    The ``body`` `turns` with the yaw, or only the ``head``: the yaw is then measured from where the
    subject faces.
    """

    name: str
    height: float = 0.0
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""
    turns: str = "body"

    kind: ClassVar[str] = "eye"
    axes: ClassVar[Mapping[str, Axis]] = {
        "yaw": Axis("yaw"),
        "pitch": Axis("pitch", low=-90.0, high=90.0),
        "roll": Axis("roll"),
    }
    """The axes that it takes, with the limits they have where a profile states none."""
    optional: ClassVar[tuple[str, ...]] = ("zoom", "lean_x", "lean_y")
    """What it takes besides, where the profile has it."""
    rig: ClassVar[Mapping[str, float]] = {}
    """What it keeps from one view to the next, with the values at first."""

    def __post_init__(self) -> None:
        if self.turns not in ("body", "head"):
            raise PlanError(f"turns: found {self.turns}; expected body or head", path=("turns",))

    @property
    def hosts(self) -> tuple[str, ...]:
        """What it asks the host: nothing, unless only the head turns."""
        return (*PLACE, "subject_yaw") if self.turns == "head" else ()

    @property
    def frame(self) -> str:
        """What its yaw is measured from."""
        return "subject" if self.turns == "head" else "world"

    def write_pose(self, block: Block, given: Given, *, zoom: bool) -> Pose:
        """Write the pose; with `zoom` the axis of that name narrows the field of view."""
        yaw, lean, rise = given.axis("yaw"), given.axis("lean_x"), given.axis("lean_y")
        if self.turns == "head":
            (yaw,) = block.call(wrapped, yaw + AT_YAW)
        high = AT_Y + self.height
        if not rise.is_zero:
            high = high + rise
        x: Value = AT_X
        z: Value = AT_Z
        if not lean.is_zero:
            across = block.call(right, yaw)
            x, z = AT_X + across[0] * lean, AT_Z + across[2] * lean
        turned, view = looking(block, given, yaw, given.axis("pitch"), self.field_of_view, zoom=zoom)
        return pose_of(x, high, z, *turned, view, 0.0)

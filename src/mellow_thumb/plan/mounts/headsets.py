"""The headset: a camera on a head; what turns and walks is the play space around it."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError
from ...expressions import where
from ...formulas import carried_on, clamp, level_rotation, level_turned, product
from ..axes import Axis
from ..words import SEEN_T
from .pose import AT_X, AT_Y, AT_Z, AWAY_X, AWAY_Z, PLACE, Pose, pose_of, said

if TYPE_CHECKING:
    from collections.abc import Mapping, Sequence

    from ...expressions import Block, Value
    from .pose import Given

HEAD = ("head_x", "head_y", "head_z", "head_qx", "head_qy", "head_qz", "head_qw")
"""Where the host says that the head is, in the play space: metres, then a unit quaternion."""
HEAD_MOVES = ("head_t", *(f"head_{what}_{part}" for what in ("go", "turn") for part in "xyz"))
"""When it was there (s), how fast it went (m/s) and turned (rad/s, about the axes of the play space)."""
MOST_CARRIED = 0.1
"""Seconds that a pose may be carried on: further, a head that turned has stopped."""
STILL = (*[0.0] * 6, 1.0)
"""A head of which nothing is known."""
ZERO = ("zero_x", "zero_z", "zero_yaw")
"""What the play space is centred on: the head's place on the floor and its yaw (deg) as it was recentred."""


@dataclass(frozen=True, slots=True)
class Headset:
    """A head's own pose, in a play space that stands where the subject does and is turned by the yaw.

    The pose is used as it is: never smoothed, never scaled. Turning pivots about the head, wherever in the
    play space it is. `height` (m) is added, so that a seated player sees as if standing. Until the next pose
    comes the last one holds, or is extrapolated for up to `carry_on` seconds.
    """

    name: str
    height: float = 0.0
    field_of_view: float = 90.0
    """Vertical, in degrees, for what is drawn without the headset."""
    fade: float = 0.0
    """How long the view takes to come back from dark after a snap, in seconds; 0: it does not go dark."""

    carry_on: float = 0.0
    """How long a pose is carried on by its own speed until the next one comes, in seconds; 0: it holds."""

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("carry_on",)
    kind: ClassVar[str] = "headset"
    axes: ClassVar[Mapping[str, Axis]] = {"yaw": Axis("yaw")}
    """The axes that it takes, with the limits they have where a profile states none."""
    optional: ClassVar[tuple[str, ...]] = ()
    """What it takes besides, where the profile has it."""
    rig: ClassVar[Mapping[str, float]] = dict.fromkeys(("begun", "space_x", "space_z", "turned", *ZERO), 0.0)
    """What it keeps from one view to the next, with the values at first."""
    frame: ClassVar[str] = "world"
    """What its yaw is measured from."""

    def __post_init__(self) -> None:
        if not -10.0 <= self.height <= 10.0:
            raise PlanError(f"height: found {self.height:g} m; expected -10 to 10 m", path=("height",))
        if not 0.0 <= self.fade <= 2.0:
            raise PlanError(f"fade: found {self.fade:g} s; expected 0 to 2 s", path=("fade",))

        if not 0.0 <= self.carry_on <= MOST_CARRIED:
            most = f"{1000.0 * MOST_CARRIED:g} ms"
            raise PlanError(
                f"carry_on: found {1000.0 * self.carry_on:g} ms; expected 0 to {most}", path=("carry_on",)
            )

    @property
    def hosts(self) -> tuple[str, ...]:
        """What it asks the host."""
        return (*PLACE, *HEAD, *(HEAD_MOVES if self.carry_on else ()))

    def _head(self, block: Block) -> Sequence[Value]:
        """Where the head is now."""
        there = said(HEAD[0]).known()
        head = [where(there, said(part), rest) for part, rest in zip(HEAD, STILL, strict=True)]
        if not self.carry_on:
            return head
        when, *moves = map(said, HEAD_MOVES)
        known = [where(one.known(), one, 0.0) for one in moves]
        # a pose from after this view is where the head is as well
        (age,) = block.call(clamp, where(when.known(), SEEN_T - when, 0.0), low=0.0, high=self.carry_on)
        return block.call(carried_on, *head, *known, age)

    def write_pose(self, block: Block, given: Given, *, zoom: bool) -> Pose:
        """Write the pose; nothing magnifies it."""
        del zoom
        yaw, turned, begun = given.axis("yaw"), given.kept("turned"), given.kept("begun")
        with block.when(begun == 0.0):
            block.set(turned, yaw)
            block.set(begun, 1.0)
        head = self._head(block)
        zero_x, zero_z, zero_yaw = map(given.kept, ZERO)
        block.set(AWAY_X, head[0] - zero_x)
        block.set(AWAY_Z, head[2] - zero_z)
        before, now = (block.call(level_turned, AWAY_X, AWAY_Z, angle - zero_yaw) for angle in (turned, yaw))
        # the room goes the other way, so that the head stays where it was while everything turns about it
        space_x, space_z = given.kept("space_x"), given.kept("space_z")
        block.set(space_x, space_x + (before[0] - now[0]))
        block.set(space_z, space_z + (before[1] - now[1]))
        block.set(turned, yaw)
        place = (AT_X + space_x + now[0], AT_Y + head[1] + self.height, AT_Z + space_z + now[1])
        space = block.call(level_rotation, yaw - zero_yaw, 0.0)
        return pose_of(*place, *block.call(product, *space, *head[3:]), self.field_of_view, 0.0)

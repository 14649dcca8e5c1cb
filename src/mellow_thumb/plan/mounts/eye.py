"""Mounts: how axes become a camera pose."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import dataclass
from math import radians, tan
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError
from ...expressions import number
from ...formulas import level_rotation, narrowed, right, rolled, trailed, wrapped
from ..axes import Axis
from ..steps import LN2

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block

Word = Callable[[str], str]
"""Gives the woven name of an axis that a mount takes, or of something that it keeps."""

PLACE = ("subject_x", "subject_y", "subject_z")
"""Where the host says that the subject is, in metres; no number while it has not said so."""

FRAMES = ("world", "entry", "subject")
"""What a mount is measured from: the world, the subject as the mount took over, the subject as it is now."""


@dataclass(frozen=True, slots=True)
class Eye:
    """A first-person camera: it looks where yaw, pitch and roll point, `height` metres above the subject.

    What `turns` with the yaw is the ``body``, or only the ``head``: the yaw is then measured from where the
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
    """What it keeps from one view to the next, and what that is at first."""

    def __post_init__(self) -> None:
        if self.turns not in ("body", "head"):
            raise PlanError(f"turns: found {self.turns}; expected body or head")

    @property
    def hosts(self) -> tuple[str, ...]:
        """What it asks the host; nothing unless the head turns: it stands where it is told."""
        return (*PLACE, "subject_yaw") if self.turns == "head" else ()

    @property
    def frame(self) -> str:
        """What its yaw is measured from."""
        return "subject" if self.turns == "head" else "world"

    def weave_pose(self, block: Block, word: Word, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`: position x, y, z, rotation x, y, z, w, field of view and extent.

        With `zoom` the axis of that name narrows the field of view. ``at_x``, ``at_y``, ``at_z`` is where
        the subject is.
        """
        yaw, lean, rise = word("yaw"), word("lean_x"), word("lean_y")
        if self.turns == "head":
            (yaw,) = block.call(wrapped, f"{yaw} + at_yaw")
        high = f"at_y + {number(self.height)}" + (f" + {rise}" if rise != "0.0" else "")
        x, z = "at_x", "at_z"
        if lean != "0.0":
            across = block.call(right, yaw)
            x, z = (f"{at} + {part} * {lean}" for at, part in ((x, across[0]), (z, across[2])))
        return (x, high, z, *looking(block, word, yaw, self.field_of_view, zoom))


def weave_trail(block: Block, word: Word, follow: float, follow_up: float) -> None:
    """Write how a camera follows its subject, into what it keeps; ``passed`` is the time (s) since then."""
    first = block.inner()
    for part in "xyz":
        for stem in ("then", "trail"):
            first.set(word(f"{stem}_{part}"), f"at_{part}")
    first.set(word("viewed"), "t")
    first.set(word("begun"), "1.0")
    block.when(f"{word('begun')} == 0.0", first)
    block.set("passed", f"t - {word('viewed')}")
    for part, half_life in (("x", follow), ("y", follow_up), ("z", follow)):
        trail, then = word(f"trail_{part}"), word(f"then_{part}")
        if half_life:
            block.call(trailed, trail, then, f"at_{part}", "passed", into=(trail,), k=LN2 / half_life)
        else:
            block.set(trail, f"at_{part}")
        block.set(then, f"at_{part}")
    block.set(word("viewed"), "t")


def looking(
    block: Block, word: Word, yaw: str, field_of_view: float, zoom: bool, pitch: str = ""
) -> tuple[str, ...]:
    """Write the rotation, the field of view and the extent of a camera that looks where its axes point."""
    turned, roll = block.call(level_rotation, yaw, pitch or word("pitch")), word("roll")
    if roll != "0.0":
        inner = block.inner()
        inner.call(rolled, *turned, roll, into=turned)
        block.when(f"{roll} != 0.0", inner)
    if not zoom:
        return (*turned, number(field_of_view), "0.0")
    return (*turned, *block.call(narrowed, word("zoom"), half=tan(radians(field_of_view / 2.0))), "0.0")

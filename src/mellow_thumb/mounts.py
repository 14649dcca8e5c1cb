"""Mounts: how axes become a camera pose."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from math import radians, tan
from typing import TYPE_CHECKING, ClassVar

from .axes import Axis
from .curves import Points
from .errors import PlanError, listed
from .formulas.orbiting import behind, shortage, trailed
from .formulas.shaping import zone
from .formulas.turning import level_rotation, narrowed, rolled, wrapped
from .smoothings import LN2
from .weave import number

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

    from .weave import Block

    Word = Callable[[str], str]
    """Gives the woven name of an axis that a mount takes, or of something that it keeps."""

PLACE = ("subject_x", "subject_y", "subject_z")
"""Where the host says that the subject is, in metres; no number while it has not said so."""

FRAMES = ("world", "entry", "subject")
"""What the angles of an orbit are measured from: -Z, where the subject faced at first, where it faces now."""


@dataclass(frozen=True, slots=True)
class Eye:
    """A first-person camera: it looks where yaw, pitch and roll point, `height` metres above the subject."""

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
    optional: ClassVar[tuple[str, ...]] = ("zoom",)
    """What it takes besides, where the profile has it."""
    hosts: ClassVar[tuple[str, ...]] = ()
    """What it asks the host: nothing; told where the subject is, it stands there (:func:`stand`)."""
    rig: ClassVar[Mapping[str, float]] = {}
    """What it keeps from one view to the next, and what that is at first."""

    def weave_pose(self, block: Block, word: Word, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`: position x, y, z, rotation x, y, z, w, field of view and extent.

        With `zoom` the axis of that name narrows the field of view. ``at_x``, ``at_y``, ``at_z`` is where
        the subject is.
        """
        place = ("at_x", f"at_y + {number(self.height)}", "at_z")
        return (*place, *looking(block, word, word("yaw"), self.field_of_view, zoom))


_PLACES = tuple(f"{word}_{part}" for word in ("then", "trail") for part in "xyz")
RIG = ("begun", "viewed", "short", "base", *_PLACES)
"""What an orbit keeps from one view to the next."""


@dataclass(frozen=True, slots=True)
class Orbit:
    """A camera around a subject: `distance` away from a point beside it, and looking at that point.

    `offset` (m) is where that point is: to the right, up and back, as the camera's yaw has it. The angles
    are measured from `frame`. It follows the subject with `follow` (s) level and `follow_up` upward, each a
    half-life; 0 is at once. Where the host says that less than the distance is clear, it comes that near at
    once, and goes back with the half-life `recovers` (s).

    `reach` makes more or less of the distance by the pitch: points of a pitch (deg) and a factor, joined by a
    monotone curve, such as nearer at the ankles and further from above.
    """

    name: str
    offset: tuple[float, float, float] = (0.0, 0.0, 0.0)
    frame: str = "world"
    follow: float = 0.0
    follow_up: float = 0.0
    recovers: float = 0.3
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""
    reach: tuple[tuple[float, float], ...] = ()

    kind: ClassVar[str] = "orbit"
    axes: ClassVar[Mapping[str, Axis]] = {
        "yaw": Axis("yaw"),
        "pitch": Axis("pitch", low=-90.0, high=90.0),
        "roll": Axis("roll"),
        "distance": Axis("distance", start=4.0, low=0.0, unit="m"),
    }
    """The axes that it takes, with the limits they have where a profile states none."""
    optional: ClassVar[tuple[str, ...]] = ("zoom",)
    """What it takes besides, where the profile has it."""
    hosts: ClassVar[tuple[str, ...]] = (*PLACE, "subject_yaw", "clear")
    """What it asks the host."""
    rig: ClassVar[Mapping[str, float]] = dict.fromkeys(RIG, 0.0)
    """What it keeps from one view to the next, and what that is at first."""

    def __post_init__(self) -> None:
        if self.frame not in FRAMES:
            raise PlanError(f"frame: found {self.frame}; expected {listed(FRAMES)}")
        for what, value in (
            ("follow", self.follow),
            ("follow_up", self.follow_up),
            ("recovers", self.recovers),
        ):
            if not 0.0 <= value <= 60.0:
                raise PlanError(f"{what}: found {value:g}; expected 0 to 60 s")
        if self.reach:
            self._curve()

    def _curve(self) -> Points:
        """The reach as a curve that rises from 0 to 1, over the pitch from its first point to its last."""
        (pitch, factor), (last, end) = self.reach[0], self.reach[-1]
        pitches, factors = zip(*self.reach, strict=True)
        way = 1.0 if end > factor else -1.0
        rising = all(a < b for a, b in pairwise(pitches)) and all(
            a * way < b * way for a, b in pairwise(factors)
        )
        if len(self.reach) < 2 or not rising or min(factors) <= 0.0:
            raise PlanError(
                f"reach: found {[list(point) for point in self.reach]}; expected points [pitch, factor] with "
                "rising pitches, and factors above 0 that all rise or all fall"
            )
        inner = [((a - pitch) / (last - pitch), (b - factor) / (end - factor)) for a, b in self.reach[1:-1]]
        return Points(tuple(inner))

    def _distance(self, block: Block, word: Word) -> str:
        """What holds the distance, by the pitch."""
        if not self.reach:
            return word("distance")
        (pitch, factor), (last, end) = self.reach[0], self.reach[-1]
        (share,) = block.call(zone, word("pitch"), inner=pitch, outer=last)
        reached = self._curve().weave(block, share)
        block.set("far", f"{word('distance')} * ({number(factor)} + {number(end - factor)} * {reached})")
        return "far"

    def weave_pose(self, block: Block, word: Word, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`, as :meth:`Eye.weave_pose` does; what it keeps is assigned there."""
        weave_trail(block, word, self.frame, self.follow, self.follow_up)
        k = LN2 / self.recovers if self.recovers else 1e300
        distance, short = self._distance(block, word), word("short")
        free = f"(clear if clear == clear else {distance})"
        block.call(shortage, short, distance, free, "passed", into=(short,), k=k)
        turned = word("yaw")
        if self.frame != "world":
            (turned,) = block.call(
                wrapped, f"{turned} + {word('base') if self.frame == 'entry' else 'at_yaw'}"
            )
        else:
            (turned,) = block.call(wrapped, turned)
        right, up, back = self.offset
        trail, far = (word(f"trail_{part}") for part in "xyz"), f"{distance} - {short}"
        place = block.call(behind, *trail, turned, word("pitch"), far, right=right, up=up, back=back)
        return (*place, *looking(block, word, turned, self.field_of_view, zoom))


def weave_trail(block: Block, word: Word, frame: str, follow: float, follow_up: float) -> None:
    """Write how a camera follows its subject, into what it keeps; ``passed`` is the time (s) since then."""
    first = block.inner()
    for part in "xyz":
        for stem in ("then", "trail"):
            first.set(word(f"{stem}_{part}"), f"at_{part}")
    first.set(word("viewed"), "t")
    first.set(word("base"), "at_yaw" if frame == "entry" else "0.0")
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


def looking(block: Block, word: Word, yaw: str, field_of_view: float, zoom: bool) -> tuple[str, ...]:
    """Write the rotation, the field of view and the extent of a camera that looks where its axes point."""
    turned, roll = block.call(level_rotation, yaw, word("pitch")), word("roll")
    if roll != "0.0":
        inner = block.inner()
        inner.call(rolled, *turned, roll, into=turned)
        block.when(f"{roll} != 0.0", inner)
    if not zoom:
        return (*turned, number(field_of_view), "0.0")
    return (*turned, *block.call(narrowed, word("zoom"), half=tan(radians(field_of_view / 2.0))), "0.0")

"""Orbits: a camera around a subject."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import pairwise
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError, listed
from ...expressions import number
from ...formulas import behind, carried, chased, clamp, product, shortage, turned_by, wrapped, zone
from ..axes import Axis
from ..steps import LN2, Points
from .eye import FRAMES, PLACE, looking, weave_trail

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block
    from .eye import Word

TARGET = ("target_yaw", "target_pitch")
"""Where the host says that a second subject is, seen from the first, in degrees."""
UP = ("up_x", "up_y", "up_z")
"""Which way the host says that up is."""

_PLACES = tuple(f"{word}_{part}" for word in ("then", "trail") for part in "xyz")
RIG = ("begun", "viewed", "short", "base", "base_pitch", *_PLACES)
"""What an orbit keeps from one view to the next."""
_TILT = {"tilt_x": 0.0, "tilt_y": 0.0, "tilt_z": 0.0, "tilt_w": 1.0}
"""What it keeps besides where up is what the host says: how its world is turned."""


@dataclass(frozen=True, slots=True)
class Return:
    """Back behind the direction of travel, `after` (s) without a hand on the yaw, by a `half_life` (s)."""

    after: float
    half_life: float

    def __post_init__(self) -> None:
        if not (0.1 <= self.after <= 600.0 and 0.0 < self.half_life <= 60.0):
            raise PlanError(
                f"returns: found after {self.after:g} s, half_life {self.half_life:g} s; expected 0.1 to "
                "600 s, and above 0 to 60 s"
            )


@dataclass(frozen=True, slots=True)
class Orbit:
    """A camera around a subject: `distance` away from a point beside it, and looking at that point.

    `offset` (m) is where that point is: to the right, up and back, as the camera's yaw has it. The angles
    are measured from `frame`, which they follow with the half-life `follow_turn` (s); the ``target`` is a
    second subject that it is locked on. It follows the subject with `follow` (s) level and `follow_up`
    upward, each a half-life; 0 is at once. Where the host says that less than the distance is clear, it comes
    that near at once, and goes back with the half-life `recovers` (s).

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
    follow_turn: float = 0.0
    returns: Return | None = None
    """How it goes back behind the direction of travel, if it does."""
    up: str = "world"
    """Which way is up: +Y of the ``world``, or what the ``host`` says."""

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

    @property
    def hosts(self) -> tuple[str, ...]:
        """What it asks the host."""
        target = TARGET if self.frame == "target" else ()
        return (*PLACE, "subject_yaw", "clear", *target, *(UP if self.up == "host" else ()))

    @property
    def rig(self) -> Mapping[str, float]:
        """What it keeps from one view to the next, and what that is at first."""
        return dict.fromkeys(RIG, 0.0) | (_TILT if self.up == "host" else {})

    def __post_init__(self) -> None:
        for what, found, known in (
            ("frame", self.frame, (*FRAMES, "target")),
            ("up", self.up, ("world", "host")),
        ):
            if found not in known:
                raise PlanError(f"{what}: found {found}; expected {listed(known)}")
        for what, value in (
            ("follow", self.follow),
            ("follow_up", self.follow_up),
            ("follow_turn", self.follow_turn),
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
        block.set("fresh", f"1.0 if {word('begun')} == 0.0 else 0.0")
        weave_trail(block, word, self.follow, self.follow_up)
        k = LN2 / self.recovers if self.recovers else 1e300
        distance, short = self._distance(block, word), word("short")
        free = f"(clear if clear == clear else {distance})"
        block.call(shortage, short, distance, free, "passed", into=(short,), k=k)
        yaw, pitch = self._angles(block, word)
        across, rise, back = self.offset
        off = (number(across), number(rise), number(back))
        trail, far = [word(f"trail_{part}") for part in "xyz"], f"{distance} - {short}"
        if self.up == "world":
            place = block.call(behind, *trail, yaw, pitch, far, *off)
            return (*place, *looking(block, word, yaw, self.field_of_view, zoom, pitch))
        way = block.call(behind, "0.0", "0.0", "0.0", yaw, pitch, far, *off)
        *turned, view, wide = looking(block, word, yaw, self.field_of_view, zoom, pitch)
        tilt, level = tuple(word(name) for name in _TILT), ("0.0", "1.0", "0.0")
        up = (f"({said} if up_x == up_x else {plain})" for said, plain in zip(UP, level, strict=True))
        block.call(carried, *tilt, *up, into=tilt)
        place = block.call(turned_by, *tilt, *way)
        moved = (f"{at} + {part}" for at, part in zip(trail, place, strict=True))
        return (*moved, *block.call(product, *tilt, *turned), view, wide)

    def _angles(self, block: Block, word: Word) -> tuple[str, str]:
        """Write which way it looks: its own angles, from those that they are measured from."""
        pitch = word("pitch")
        if self.frame == "world":
            return block.call(wrapped, word("yaw"))[0], pitch
        base, tilt = word("base"), word("base_pitch")
        goals = {base: "at_yaw"}
        if self.frame == "target":
            goals = {base: "(target_yaw if target_yaw == target_yaw else at_yaw)"}
            goals[tilt] = "(target_pitch if target_pitch == target_pitch else 0.0)"
        first, later = block.inner(), block.inner()
        for angle, goal in goals.items():
            first.set(angle, goal)
            if self.frame != "entry" and self.follow_turn:
                later.call(chased, angle, goal, "passed", into=(angle,), k=LN2 / self.follow_turn)
            elif self.frame != "entry":
                later.set(angle, goal)
        block.when("fresh != 0.0", first, later if later.lines else None)
        (yaw,) = block.call(wrapped, f"{word('yaw')} + {base}")
        if self.frame == "target":
            (pitch,) = block.call(clamp, f"{pitch} + {tilt}", low=-90.0, high=90.0)
        return yaw, pitch

"""Orbits: a camera around a subject."""

from __future__ import annotations

from dataclasses import dataclass, field
from itertools import pairwise
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError, listed
from ...expressions import flag, where
from ...formulas import (
    behind,
    carried,
    chased,
    clamp,
    dipped,
    product,
    shaping,
    shortage,
    turned_by,
    wrapped,
    zone,
)
from ..axes import Axis
from ..steps import LN2, Points
from .pose import (
    AIM,
    AT_YAW,
    FAR,
    FRAMES,
    FRESH,
    LEAST,
    NEEDED,
    PASSED,
    PLACE,
    Pose,
    check_rise,
    follow,
    lifted,
    looking,
    pose_of,
    said,
)

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block, Name, Value
    from .pose import Given

TARGET = ("target_yaw", "target_pitch")
"""Where the host says that a second subject is, seen from the first, in degrees."""
UP = ("up_x", "up_y", "up_z")
"""Which way the host says that up is."""

GROUND_HERE = ("ground_under", NEEDED)
"""What it asks of the ground: how high it is under the camera, and how high it wants that to be."""
_PLACES = tuple(f"{word}_{part}" for word in ("then", "trail") for part in "xyz")
RIG = ("begun", "viewed", "short", "base", "base_pitch", *_PLACES)
"""What an orbit keeps from one view to the next."""
_TILT = {"tilt_x": 0.0, "tilt_y": 0.0, "tilt_z": 0.0, "tilt_w": 1.0}
"""What it keeps besides where up is what the host says: how its world is turned."""


@dataclass(frozen=True, slots=True)
class Return:
    """Back behind the direction of travel, `after` (s) without a hand on the yaw, with a `half_life` (s)."""

    after: float
    half_life: float

    def __post_init__(self) -> None:
        if not (0.1 <= self.after <= 600.0 and 0.0 < self.half_life <= 60.0):
            raise PlanError(
                f"returns: found after {self.after:g} s, half_life {self.half_life:g} s; expected 0.1 to "
                "600 s, and above 0 to 60 s",
                path=("returns",),
            )


@dataclass(frozen=True, slots=True)
class Orbit:
    """A camera around a subject: `distance` away from a point beside it, and looking at that point.

    `offset` (m) is where that point is: to the right, up and back, along the camera's yaw. The angles
    are measured from `frame`, which they follow with the half-life `follow_turn` (s); ``target`` is a
    second subject that it is locked on. It follows the subject with `follow` (s) level and `follow_up`
    upward, each a half-life; 0 is at once. If the host says that less than the distance is clear, it moves
    that near at once, and back with the half-life `recovers` (s).

    It keeps `clearance` (m) from the host's ground, rising at no more than `rise` (m/s), and looks
    at the same point from there. `distance_by_pitch` scales the distance: points of a pitch
    (deg) and a factor, joined by a monotone curve, such as nearer from below and further from above.
    """

    name: str
    offset: tuple[float, float, float] = (0.0, 0.0, 0.0)
    frame: str = "world"
    follow: float = 0.0
    follow_up: float = 0.0
    recovers: float = 0.3
    clearance: float = 0.3
    rise: float = 8.0
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""
    distance_by_pitch: tuple[tuple[float, float], ...] = ()
    follow_turn: float = 0.0
    curve: Points | None = field(init=False, repr=False, compare=False)
    """That as a curve that rises from 0 to 1, over the pitch from its first point to its last."""
    returns: Return | None = None
    """How it goes back behind the direction of travel, if it does."""
    up: str = "world"
    """Which way is up: +Y of the ``world``, or what the ``host`` says."""

    kind: ClassVar[str] = "orbit"
    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("follow", "follow_up", "recovers", "follow_turn")
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
        return (*PLACE, "subject_yaw", "clear", *target, *(UP if self.up == "host" else GROUND_HERE))

    @property
    def rig(self) -> Mapping[str, float]:
        """What it keeps from one view to the next, with the values at first."""
        return dict.fromkeys(RIG, 0.0) | (_TILT if self.up == "host" else {"lift": 0.0})

    def __post_init__(self) -> None:
        for what, found, known in (
            ("frame", self.frame, (*FRAMES, "target")),
            ("up", self.up, ("world", "host")),
        ):
            if found not in known:
                raise PlanError(f"{what}: found {found}; expected {listed(known)}", path=(what,))
        for what, value in (
            ("follow", self.follow),
            ("follow_up", self.follow_up),
            ("follow_turn", self.follow_turn),
            ("recovers", self.recovers),
        ):
            if not 0.0 <= value <= 60.0:
                raise PlanError(f"{what}: found {value:g}; expected 0 to 60 s", path=(what,))
        if not 0.0 <= self.clearance <= 1e6:
            words = f"clearance: found {self.clearance:g}; expected 0 to 1,000,000 m"
            raise PlanError(words, path=("clearance",))
        check_rise(self.rise)
        object.__setattr__(self, "curve", self._curve() if self.distance_by_pitch else None)

    def _curve(self) -> Points:
        points = self.distance_by_pitch
        (pitch, factor), (last, end) = points[0], points[-1]
        pitches, factors = zip(*points, strict=True)
        way = 1.0 if end > factor else -1.0
        rising = all(a < b for a, b in pairwise(pitches)) and all(
            a * way < b * way for a, b in pairwise(factors)
        )
        if len(points) < 2 or not rising or min(factors) <= 0.0:
            raise PlanError(
                f"distance_by_pitch: found {[list(point) for point in points]}; expected points "
                "[pitch, factor] with rising pitches, and factors above 0 that all rise or all fall",
                path=("distance_by_pitch",),
            )
        inner = [((a - pitch) / (last - pitch), (b - factor) / (end - factor)) for a, b in points[1:-1]]
        return Points(tuple(inner))

    def _distance(self, block: Block, given: Given) -> Value:
        """Write the distance for the pitch; returns what holds it."""
        if not self.curve:
            return given.axis("distance")
        (pitch, factor), (last, end) = self.distance_by_pitch[0], self.distance_by_pitch[-1]
        (share,) = block.call(zone, given.axis("pitch"), inner=pitch, outer=last)
        risen = self.curve.on_size(block, share)
        block.set(FAR, given.axis("distance") * (factor + (end - factor) * risen))
        return FAR

    def write_pose(self, block: Block, given: Given, *, zoom: bool) -> Pose:
        """Write the pose; with `zoom` the axis of that name narrows the field of view."""
        block.set(FRESH, flag(given.kept("begun") == 0.0))
        trail = follow(block, given, self.follow, self.follow_up)
        k = LN2 / self.recovers if self.recovers else 1e300  # at once
        distance, short, clear = self._distance(block, given), given.kept("short"), said("clear")
        free = where(clear.known(), clear, distance)
        block.call(shortage, short, distance, free, PASSED, into=(short,), k=k)
        yaw, pitch = self._angles(block, given)
        far = distance - short
        if self.up == "world":
            x, y, z = block.call(behind, *trail, yaw, pitch, far, *self.offset)
            block.set(LEAST, 0.0)
            block.set(AIM, pitch)
            with block.when(said(NEEDED).known()):
                block.set(LEAST, lifted(block, given, y, self.rise))
                over = block.keep("over", said("ground_under") + self.clearance - y)
                block.set(LEAST, where(over > LEAST, over, LEAST))
                with block.when(LEAST > 0.0):
                    # from higher up it looks at the same point
                    right, above, _ = self.offset
                    px, py, pz = block.call(behind, *trail, yaw, pitch, 0.0, right, above, 0.0)
                    (flat,) = block.call(shaping.length, x - px, z - pz)
                    block.call(dipped, y + LEAST - py, flat, into=(AIM,))
            turned, view = looking(block, given, yaw, AIM, self.field_of_view, zoom=zoom)
            return pose_of(x, y + LEAST, z, *turned, view, 0.0)
        way = block.call(behind, 0.0, 0.0, 0.0, yaw, pitch, far, *self.offset)
        turned, view = looking(block, given, yaw, pitch, self.field_of_view, zoom=zoom)
        tilt, level = tuple(given.kept(name) for name in _TILT), (0.0, 1.0, 0.0)
        first = said(UP[0]).known()
        up = (where(first, said(one), plain) for one, plain in zip(UP, level, strict=True))
        block.call(carried, *tilt, *up, into=tilt)
        place = block.call(turned_by, *tilt, *way)
        moved = (at + part for at, part in zip(trail, place, strict=True))
        return pose_of(*moved, *block.call(product, *tilt, *turned), view, 0.0)

    def _angles(self, block: Block, given: Given) -> tuple[Value, Value]:
        """Write which way it looks: its own angles, added to those they are measured from."""
        pitch = given.axis("pitch")
        if self.frame == "world":
            return block.call(wrapped, given.axis("yaw"))[0], pitch
        base, tilt = given.kept("base"), given.kept("base_pitch")
        goals: list[tuple[Name, Value]] = [(base, AT_YAW)]
        if self.frame == "target":
            yaw, high = map(said, TARGET)
            goals = [(base, where(yaw.known(), yaw, AT_YAW)), (tilt, where(high.known(), high, 0.0))]
        with block.when(FRESH != 0.0):
            for angle, goal in goals:
                block.set(angle, goal)
        with block.otherwise():
            for angle, goal in goals if self.frame != "entry" else ():
                if self.follow_turn:
                    block.call(chased, angle, goal, PASSED, into=(angle,), k=LN2 / self.follow_turn)
                else:
                    block.set(angle, goal)
        (turned,) = block.call(wrapped, given.axis("yaw") + base)
        if self.frame == "target":
            (pitch,) = block.call(clamp, pitch + tilt, low=-90.0, high=90.0)
        return turned, pitch

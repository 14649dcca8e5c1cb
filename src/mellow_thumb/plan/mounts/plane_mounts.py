"""Mounts over a plane: a look from above over ground, and a flat picture."""

from __future__ import annotations

from dataclasses import dataclass
from math import inf
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError, listed
from ...expressions import flag, lift, where
from ...formulas import behind, trailed
from ..axes import Axis
from ..steps import LN2
from .pose import (
    AT,
    FLOOR,
    FRAMES,
    FRESH,
    HIGH,
    LEAST,
    NEEDED,
    PASSED,
    PLACE,
    PLACES,
    UNDER,
    Pose,
    begin,
    check_rise,
    follow,
    half_view,
    lifted,
    looking,
    pose_of,
    said,
)

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block, Value
    from .pose import Given

GROUND = ("ground", "ground_under", NEEDED)
"""Where the host says how high the ground is under the middle of the view and under the camera, and how high
the camera should be at least; in metres."""

Bounds = tuple[tuple[float, float], ...]


def check_bounds(bounds: Bounds) -> None:
    """Refuse corners that are not a convex polygon, in order."""
    if not bounds:
        return
    corners = list(zip(bounds, (*bounds[1:], bounds[0]), (*bounds[2:], *bounds[:2]), strict=True))
    turns = [
        (b[0] - a[0]) * (c[1] - b[1]) - (b[1] - a[1]) * (c[0] - b[0])
        for a, b, c in (corners if len(bounds) > 2 else ())
    ]
    full = sum(turn > 0.0 for turn in turns) in (0, len(turns)) and all(turns)
    if not 3 <= len(bounds) <= 32 or not full or _rounds(bounds) != 1:
        raise PlanError(
            f"bounds: found {[list(point) for point in bounds]}; expected 3 to 32 corners [x, y] of a convex "
            "area, one way round, no three in a line",
            path=("bounds",),
        )


def _rounds(bounds: Bounds) -> int:
    """How often the corners go round: their edges change between up and down twice for each round."""
    edges = [(b[0] - a[0], b[1] - a[1]) for a, b in zip(bounds, (*bounds[1:], bounds[0]), strict=True)]
    ups = [dy > 0.0 or (dy == 0.0 and dx > 0.0) for dx, dy in edges]
    return sum(a != b for a, b in zip(ups, (*ups[1:], ups[0]), strict=True)) // 2


def _check_frame(frame: str, follow: float) -> None:
    if frame not in FRAMES:
        raise PlanError(f"frame: found {frame}; expected {listed(FRAMES)}", path=("frame",))
    if not 0.0 <= follow <= 60.0:
        raise PlanError(f"follow: found {follow:g}; expected 0 to 60 s", path=("follow",))


def _origin(block: Block, given: Given, frame: str, half_life: float) -> tuple[Value, Value, Value]:
    """Write what pans are measured from: the world's origin, where the subject was at first or is now."""
    trail = follow(block, given, half_life, half_life)
    if frame == "world":
        return lift(0.0), lift(0.0), lift(0.0)
    if frame == "subject":
        return trail
    return given.kept("home_x"), given.kept("home_y"), given.kept("home_z")


@dataclass(frozen=True, slots=True)
class Overhead:
    """A camera that looks down on ground: `distance` behind the middle of the view, which pans over it.

    Pans are measured from `frame`: the world's origin, where the subject stood as the mount took over, or
    where it stands, followed with the half-life `follow` (s). The ground's height is followed with
    `follow_up` (s); the camera is never less than `clearance` (m) above it, and keeps that from ground
    beside it, at no more than `rise` (m/s).
    """

    name: str
    frame: str = "world"
    follow: float = 0.0
    follow_up: float = 0.2
    clearance: float = 0.5
    rise: float = 8.0
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""
    bounds: Bounds = ()
    """Corners of a convex area that the middle of the view stays in: metres to +X, to -Z."""

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("follow", "follow_up")

    kind: ClassVar[str] = "overhead"
    axes: ClassVar[Mapping[str, Axis]] = {
        "pan_x": Axis("pan_x", unit="m"),
        "pan_y": Axis("pan_y", unit="m"),
        "yaw": Axis("yaw"),
        "pitch": Axis("pitch", start=-60.0, low=-90.0, high=-10.0),
        "distance": Axis("distance", start=20.0, low=0.0, unit="m"),
    }
    """The axes that it takes, with the limits they have where a profile states none."""
    optional: ClassVar[tuple[str, ...]] = ("zoom",)
    """What it takes besides, where the profile has it."""
    hosts: ClassVar[tuple[str, ...]] = (*PLACE, *GROUND)
    """What it asks the host."""
    rig: ClassVar[Mapping[str, float]] = dict.fromkeys(
        ("begun", "viewed", "level", "level_then", "lift", *PLACES), 0.0
    )
    """What it keeps from one view to the next, with the values at first."""

    def __post_init__(self) -> None:
        _check_frame(self.frame, self.follow)
        check_bounds(self.bounds)
        if not 0.0 <= self.follow_up <= 60.0:
            raise PlanError(f"follow_up: found {self.follow_up:g}; expected 0 to 60 s", path=("follow_up",))
        if not 0.0 <= self.clearance <= 1e6:
            raise PlanError(
                f"clearance: found {self.clearance:g}; expected 0 to 1,000,000 m", path=("clearance",)
            )
        check_rise(self.rise)

    @property
    def half(self) -> float:
        """The tangent of half the field of view at a zoom of 1."""
        return half_view(self.field_of_view)

    def write_pose(self, block: Block, given: Given, *, zoom: bool) -> Pose:
        """Write the pose; with `zoom` the axis of that name narrows the field of view."""
        block.set(FRESH, flag(given.kept("begun") == 0.0))
        x, y, z = _origin(block, given, self.frame, self.follow)
        level, then = given.kept("level"), given.kept("level_then")
        ground, ground_under = map(said, GROUND[:2])
        block.set(FLOOR, where(ground.known(), ground, y))
        homes = [(f"home_{part}", at) for part, at in zip("xyz", AT, strict=True)]
        begin(block, given, [*homes, ("level", FLOOR), ("level_then", FLOOR)])
        if self.follow_up:
            block.call(trailed, level, then, FLOOR, PASSED, into=(level,), k=LN2 / self.follow_up)
        else:
            block.set(level, FLOOR)
        block.set(then, FLOOR)
        middle = (x + given.axis("pan_x"), level, z - given.axis("pan_y"))
        ways = (given.axis("yaw"), given.axis("pitch"), given.axis("distance"))
        place = block.call(behind, *middle, *ways, 0.0, 0.0, 0.0)
        block.set(UNDER, where(ground_under.known(), ground_under, FLOOR))
        block.set(LEAST, UNDER + self.clearance)
        block.set(HIGH, place[1])
        with block.when(said(NEEDED).known()):
            block.set(HIGH, HIGH + lifted(block, given, place[1], self.rise))
        height = where(HIGH > LEAST, HIGH, LEAST)
        turned, view = looking(block, given, *ways[:2], self.field_of_view, zoom=zoom)
        return pose_of(place[0], height, place[2], *turned, view, 0.0)


@dataclass(frozen=True, slots=True)
class Flat:
    """A flat picture seen from the front: the middle of the view pans over it, the zoom magnifies.

    `extent` is how many metres the shorter side of the screen shows at a zoom of 1. Pans are measured from
    `frame`, as those of :class:`Overhead`, to the right and up.
    """

    name: str
    extent: float = 10.0
    frame: str = "world"
    follow: float = 0.0
    bounds: Bounds = ()
    """Corners of a convex area that the middle of the view stays in: metres right, up."""

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("follow",)

    kind: ClassVar[str] = "flat"
    axes: ClassVar[Mapping[str, Axis]] = {
        "pan_x": Axis("pan_x", unit="m"),
        "pan_y": Axis("pan_y", unit="m"),
        "zoom": Axis("zoom", start=1.0, low=1e-3, high=inf, unit="x", log=True),
    }
    """The axes that it takes, with the limits they have where a profile states none."""
    optional: ClassVar[tuple[str, ...]] = ()
    """What it takes besides, where the profile has it."""
    hosts: ClassVar[tuple[str, ...]] = PLACE
    """What it asks the host."""
    rig: ClassVar[Mapping[str, float]] = dict.fromkeys(("begun", "viewed", *PLACES), 0.0)
    """What it keeps from one view to the next, with the values at first."""

    def __post_init__(self) -> None:
        _check_frame(self.frame, self.follow)
        check_bounds(self.bounds)
        if not 0.0 < self.extent <= 1e9:
            raise PlanError(
                f"extent: found {self.extent:g} m; expected above 0 to 1,000,000,000 m", path=("extent",)
            )

    def write_pose(self, block: Block, given: Given, *, zoom: bool) -> Pose:
        """Write the pose; with `zoom` the axis of that name magnifies."""
        block.set(FRESH, flag(given.kept("begun") == 0.0))
        x, y, z = _origin(block, given, self.frame, self.follow)
        begin(block, given, [(f"home_{part}", at) for part, at in zip("xyz", AT, strict=True)])
        extent = self.extent / given.axis("zoom") if zoom else lift(self.extent)
        place = (x + given.axis("pan_x"), y + given.axis("pan_y"), z)
        return pose_of(*place, 0.0, 0.0, 0.0, 1.0, 0.0, extent)

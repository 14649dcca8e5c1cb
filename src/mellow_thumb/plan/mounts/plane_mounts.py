"""Mounts over a plane: a look from above over ground, and a flat picture."""

from __future__ import annotations

from dataclasses import dataclass
from math import inf, radians, tan
from typing import TYPE_CHECKING, ClassVar

from ...basics import PlanError, listed
from ...expressions import number
from ...formulas import behind, trailed
from ..axes import Axis
from ..steps import LN2
from .eye import FRAMES, PLACE, looking, weave_trail

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ...expressions import Block
    from .eye import Word

_PLACES = tuple(f"{word}_{part}" for word in ("then", "trail", "home") for part in "xyz")
GROUND = ("ground", "ground_under")
"""Where the host says how high the ground is: under the middle of the view, under the camera; in metres."""

Bounds = tuple[tuple[float, float], ...]


def check_bounds(bounds: Bounds) -> None:
    """Refuse what is no convex polygon, given one way round."""
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
            "area, one way round, no three in a line"
        )


def _rounds(bounds: Bounds) -> int:
    """How often the corners go round: the edges' directions cross a level line twice for each round."""
    edges = [(b[0] - a[0], b[1] - a[1]) for a, b in zip(bounds, (*bounds[1:], bounds[0]), strict=True)]
    ups = [dy > 0.0 or (dy == 0.0 and dx > 0.0) for dx, dy in edges]
    return sum(a != b for a, b in zip(ups, (*ups[1:], ups[0]), strict=True)) // 2


def _check_frame(frame: str, follow: float) -> None:
    if frame not in FRAMES:
        raise PlanError(f"frame: found {frame}; expected {listed(FRAMES)}")
    if not 0.0 <= follow <= 60.0:
        raise PlanError(f"follow: found {follow:g}; expected 0 to 60 s")


def _weave_origin(block: Block, word: Word, frame: str, follow: float) -> tuple[str, str, str]:
    """Write what pans are measured from: the world's origin, where the subject was at first, or is now."""
    weave_trail(block, word, follow, follow)
    if frame == "world":
        return "0.0", "0.0", "0.0"
    if frame == "subject":
        x, y, z = (word(f"trail_{part}") for part in "xyz")
        return x, y, z
    x, y, z = (word(f"home_{part}") for part in "xyz")
    return x, y, z


@dataclass(frozen=True, slots=True)
class Overhead:
    """A camera that looks down on ground: `distance` behind the middle of the view, which pans over it.

    Pans are measured from `frame`: the world's origin, where the subject stood as the mount took over, or
    where it stands, followed with the half-life `follow` (s). The ground's height is followed with
    `follow_up` (s); the camera is never less than `clearance` (m) above it.
    """

    name: str
    frame: str = "world"
    follow: float = 0.0
    follow_up: float = 0.2
    clearance: float = 0.5
    field_of_view: float = 60.0
    """Vertical, in degrees, at a zoom of 1."""
    bounds: Bounds = ()
    """Corners of a convex area that the middle of the view stays in: metres to +X, to -Z."""

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
        ("begun", "viewed", "level", "level_then", *_PLACES), 0.0
    )
    """What it keeps from one view to the next, and what that is at first."""

    def __post_init__(self) -> None:
        _check_frame(self.frame, self.follow)
        check_bounds(self.bounds)
        if not 0.0 <= self.follow_up <= 60.0:
            raise PlanError(f"follow_up: found {self.follow_up:g}; expected 0 to 60 s")
        if not 0.0 <= self.clearance <= 1e6:
            raise PlanError(f"clearance: found {self.clearance:g}; expected 0 to 1,000,000 m")

    @property
    def half(self) -> float:
        """The tangent of half the field of view at a zoom of 1."""
        return tan(radians(self.field_of_view / 2.0))

    def weave_pose(self, block: Block, word: Word, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`, as :meth:`Eye.weave_pose` does; what it keeps is assigned there."""
        begins = block.inner()
        block.set("fresh", f"1.0 if {word('begun')} == 0.0 else 0.0")
        x, y, z = _weave_origin(block, word, self.frame, self.follow)
        level, then = word("level"), word("level_then")
        block.set("floor", f"ground if ground == ground else {y}")
        for part in "xyz":
            begins.set(word(f"home_{part}"), f"at_{part}")
        begins.set(level, "floor")
        begins.set(then, "floor")
        block.when("fresh != 0.0", begins)
        k = LN2 / self.follow_up if self.follow_up else 1e300
        if self.follow_up:
            block.call(trailed, level, then, "floor", "passed", into=(level,), k=k)
        else:
            block.set(level, "floor")
        block.set(then, "floor")
        middle = (f"{x} + {word('pan_x')}", level, f"{z} - {word('pan_y')}")
        ways = (word("yaw"), word("pitch"), word("distance"))
        place = block.call(behind, *middle, *ways, "0.0", "0.0", "0.0")
        block.set("under", "ground_under if ground_under == ground_under else floor")
        block.set("least", f"(under if under > floor else floor) + {number(self.clearance)}")
        height = f"({place[1]} if {place[1]} > least else least)"
        seen = looking(block, word, word("yaw"), self.field_of_view, zoom)
        return (place[0], height, place[2], *seen)


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
    rig: ClassVar[Mapping[str, float]] = dict.fromkeys(("begun", "viewed", *_PLACES), 0.0)
    """What it keeps from one view to the next, and what that is at first."""

    def __post_init__(self) -> None:
        _check_frame(self.frame, self.follow)
        check_bounds(self.bounds)
        if not 0.0 < self.extent <= 1e9:
            raise PlanError(f"extent: found {self.extent:g} m; expected above 0 to 1,000,000,000 m")

    def weave_pose(self, block: Block, word: Word, *, zoom: bool) -> tuple[str, ...]:
        """Write the pose into `block`, as :meth:`Eye.weave_pose` does; what it keeps is assigned there."""
        begins = block.inner()
        block.set("fresh", f"1.0 if {word('begun')} == 0.0 else 0.0")
        x, y, z = _weave_origin(block, word, self.frame, self.follow)
        for part in "xyz":
            begins.set(word(f"home_{part}"), f"at_{part}")
        block.when("fresh != 0.0", begins)
        place = (f"{x} + {word('pan_x')}", f"{y} + {word('pan_y')}", z)
        extent = f"{number(self.extent)} / {word('zoom')}" if zoom else number(self.extent)
        return (*place, "0.0", "0.0", "0.0", "1.0", "0.0", extent)

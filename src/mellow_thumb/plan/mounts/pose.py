"""What all mounts write poses with: the subject's place, their state, how they follow and look."""

from __future__ import annotations

from math import radians, tan
from typing import TYPE_CHECKING, NamedTuple, Protocol

from ...basics import PlanError
from ...expressions import Name, Value, Word, lift, where, worked_out
from ...formulas import level_rotation, narrowed, rolled, toward, trailed
from ..steps import LN2
from ..words import SEEN_T

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Block

PLACE = ("subject_x", "subject_y", "subject_z")
"""Where the host says that the subject is, in metres; no number while it has not said so."""
FRAMES = ("world", "entry", "subject")
"""What a mount is measured from: the world, the subject as the mount took over, the subject as it is now."""

AT = AT_X, AT_Y, AT_Z = tuple(Word(f"at_{part}") for part in "xyz")
"""Where the subject is (m)."""
AT_YAW = Word("at_yaw")
"""Which way it faces (deg)."""
PASSED = Word("passed")
"""How long ago the last view was (s)."""
FRESH = Word("fresh")
"""1 in the first view."""
FAR = Word("far")
"""How far away the subject is to be (m)."""
FLOOR, UNDER, LEAST = Word("floor"), Word("under"), Word("least")
"""How high the ground is in the middle of the view, and under the camera; how high that is at least (m)."""
NEED, HIGH, AIM = Word("need"), Word("high"), Word("aim")
"""How far above its own height a camera must be, how high it is (m); at which pitch it looks then (deg)."""
NEEDED = "ground_needed"
"""How high the ground wants the camera to be at least, in metres; no number while nobody has said so."""
AWAY_X, AWAY_Z = Word("away_x"), Word("away_z")
"""How far a head is from what the play space is centred on (m)."""
POSE_WORDS = (*AT, AT_YAW, PASSED, FRESH, FAR, FLOOR, UNDER, LEAST, NEED, HIGH, AIM, AWAY_X, AWAY_Z)
"""What a pose calls its own."""
PLACES = tuple(f"{word}_{part}" for word in ("then", "trail", "home") for part in "xyz")
"""What a mount over a plane keeps of places: the last one, what follows it, the first one."""


class Given(Protocol):
    """The inputs of a mount's pose."""

    def axis(self, name: str) -> Value:
        """The value of an axis; the number 0 if the mount does not have it."""

    def kept(self, name: str) -> Name:
        """A state value that it keeps from one view to the next."""


class Pose(NamedTuple):
    """A pose in a program: position (m), unit quaternion, vertical field of view (deg), extent (m)."""

    x: Value
    y: Value
    z: Value
    qx: Value
    qy: Value
    qz: Value
    qw: Value
    view: Value
    extent: Value


def said(host: str) -> Name:
    """What the host says, by name; NaN before it has."""
    return Word(host)


def pose_of(*values: Value | float) -> Pose:
    """A pose of its nine parts."""
    return Pose(*map(lift, values))


def follow(block: Block, given: Given, level: float, upward: float) -> tuple[Name, Name, Name]:
    """Write how a camera follows its subject, with half-lives (s); returns what holds its place.

    The subject counts as moving straight from one view to the next, so that the lag is the same at any rate.
    """
    trail = tuple(given.kept(f"trail_{part}") for part in "xyz")
    then = tuple(given.kept(f"then_{part}") for part in "xyz")
    begun, viewed = given.kept("begun"), given.kept("viewed")
    with block.when(begun == 0.0):
        for place, before, at in zip(trail, then, AT, strict=True):
            block.set(before, at)
            block.set(place, at)
        block.set(viewed, SEEN_T)
        block.set(begun, 1.0)
    block.set(PASSED, SEEN_T - viewed)
    for place, before, at, half_life in zip(trail, then, AT, (level, upward, level), strict=True):
        if half_life:
            block.call(trailed, place, before, at, PASSED, into=(place,), k=LN2 / half_life)
        else:
            block.set(place, at)
        block.set(before, at)
    block.set(viewed, SEEN_T)
    x, y, z = trail
    return x, y, z


def check_rise(rise: float) -> None:
    """Refuse a `rise` that is not a speed (m/s)."""
    if not 0.0 < rise <= 1e6:
        raise PlanError(f"rise: found {rise:g} m/s; expected above 0 to 1,000,000 m/s", path=("rise",))


def lifted(block: Block, given: Given, height: Value, rise: float) -> Name:
    """Write how far a camera at a `height` is lifted clear of the ground, at no more than `rise` (m/s).

    Only if the host has said how high it must be.
    """
    lift = given.kept("lift")
    block.set(NEED, said(NEEDED) - height)
    block.set(NEED, where(NEED > 0.0, NEED, 0.0))
    with block.when(FRESH != 0.0):
        block.set(lift, NEED)
    with block.otherwise():
        block.call(toward, lift, NEED - lift, PASSED * rise, into=(lift,))
    return lift


def looking(
    block: Block, given: Given, yaw: Value, pitch: Value, field_of_view: float, *, zoom: bool
) -> tuple[tuple[Name, ...], Value]:
    """Write a camera's rotation from its angles, and its field of view (deg)."""
    turned, roll = block.call(level_rotation, yaw, pitch), given.axis("roll")
    if not roll.is_zero:
        with block.when(roll != 0.0):
            block.call(rolled, *turned, roll, into=turned)
    if not zoom:
        return turned, lift(field_of_view)
    return turned, block.call(narrowed, given.axis("zoom"), half=half_view(field_of_view))[0]


def half_view(field_of_view: float) -> float:
    """The tangent of half a field of view (deg)."""
    return worked_out(tan, worked_out(radians, field_of_view / 2.0))


def begin(block: Block, given: Given, kept: Iterable[tuple[str, Value]]) -> None:
    """Write what a mount keeps at its first view."""
    with block.when(FRESH != 0.0):
        for name, value in kept:
            block.set(given.kept(name), value)

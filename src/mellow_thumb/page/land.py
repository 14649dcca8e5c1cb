"""The land of the salt marsh: its heights, and what stands on it.

The page draws it and a session asks about it, so it is described once: metres, +X east, +Y up, -Z north. The
ground is a grid of heights, each square cut in two along the same diagonal as the page draws it.
"""

from __future__ import annotations

from dataclasses import asdict, dataclass
from functools import cache
from itertools import pairwise
from math import exp, hypot, sin, sqrt
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..session import Triple

HALF = 80
"""How far the grid goes to each side, in metres; beyond it the ground is as at its rim."""
BOARD = 0.55
"""How high the boards lie above the mud (m)."""
WALK = ((0.0, 11.0), (0.0, -30.0), (9.0, -42.0), (22.0, -42.0))
"""Where the boardwalk goes, from the dyke to the hide: x and z of its bends."""
BROAD = 0.9
"""Half the breadth of the boardwalk (m)."""
STEP = 0.6
"""What is higher than this (m) is not stepped on to."""
GIRTH = 0.3
"""How much room the warden takes to each side (m)."""


@dataclass(frozen=True)
class Thing:
    """Something that stands on the marsh; a press on it is told the thing's name."""

    name: str
    x: float
    z: float
    size: float
    """Its radius (m)."""
    height: float
    label: str = ""
    solid: bool = True
    """Whether it stops a camera and the warden."""


THINGS = (
    *(Thing("post", -1.9, -far, 0.14, 2.1, f"{far:g} m") for far in (5.0, 10.0, 20.0, 40.0)),
    *(Thing("post", far, -1.5, 0.14, 2.1, f"{far:g} m") for far in (10.0, 20.0, 40.0)),
    *(Thing("post", -far, -1.5, 0.14, 2.1, f"{far:g} m") for far in (10.0, 20.0, 40.0)),
    Thing("hide", 25.5, -42.0, 2.4, 3.0),
    *(
        Thing("bird", x, z, 0.25, 0.45, solid=False)
        for x, z in (
            (5.0, -13.0), (7.5, -15.5), (-6.0, -14.0), (-9.0, -16.5), (-4.5, -18.0), (12.0, -17.0),
            (15.0, -20.0), (-14.0, -24.0), (3.5, -24.0), (-20.0, -15.0), (24.0, -18.0), (30.0, -26.0),
        )
    ),
)  # fmt: skip
"""Posts at known distances from where the warden begins, the hide, the birds."""


LEGS = tuple(
    (ax, az, bx - ax, bz - az, (bx - ax) ** 2 + (bz - az) ** 2) for (ax, az), (bx, bz) in pairwise(WALK)
)
"""Of each leg of the boardwalk where it begins, where it goes, and its length squared."""
WEST, EAST = (pick(x for x, _ in WALK) + side * BROAD for pick, side in ((min, -1.0), (max, 1.0)))
NORTH, SOUTH = (pick(z for _, z in WALK) + side * BROAD for pick, side in ((min, -1.0), (max, 1.0)))
"""How far it reaches (m)."""


def _boarded(x: float, z: float) -> bool:
    """Whether a place is on the boardwalk. A session asks dozens of times a frame."""
    if not (WEST <= x <= EAST and NORTH <= z <= SOUTH):
        return False
    for ax, az, dx, dz, square in LEGS:
        px, pz = x - ax, z - az
        share = (px * dx + pz * dz) / square
        share = 0.0 if share < 0.0 else 1.0 if share > 1.0 else share
        px, pz = px - share * dx, pz - share * dz
        if px * px + pz * pz <= BROAD * BROAD:
            return True
    return False


def _mud(x: float, z: float) -> float:
    """The height of the ground (m): flats, two creeks, the dyke, and the sea in the north."""
    flats = 0.12 * sin(x / 7.3 + 0.6) * sin(z / 9.1) + 0.05 * sin(x / 2.9) * sin(z / 3.7 + 1.0)
    creek = -1.1 * exp(-(((z + 17.0 + 4.0 * sin(x / 9.0)) / 1.7) ** 2))
    branch = -0.8 * exp(-(((x - 19.0 - 3.0 * sin(z / 7.0)) / 1.2) ** 2)) if z < -17.0 else 0.0
    crest = abs(z - 14.0)
    dyke = 2.4 if crest < 1.6 else max(0.0, 2.4 - (crest - 1.6) / 2.5)
    shore = max(0.0, -z - 55.0) * 0.06
    return max(flats + min(creek, branch) - shore + dyke, -2.0)


@cache
def heights() -> tuple[tuple[float, ...], ...]:
    """The grid of heights in metres, rounded to cm: a row for each metre of z, from -`HALF` up."""
    span = range(-HALF, HALF + 1)
    return tuple(tuple(round(_mud(x, z), 2) for x in span) for z in span)


def mud(x: float, z: float) -> float:
    """The drawn height of the ground at a place (m), without the boards."""
    rows, rim = heights(), 2.0 * HALF - 1e-9
    x, z = x + HALF, z + HALF
    x, z = 0.0 if x < 0.0 else min(x, rim), 0.0 if z < 0.0 else min(z, rim)
    i, k = int(x), int(z)
    u, v = x - i, z - k
    a, b, c, d = rows[k][i], rows[k][i + 1], rows[k + 1][i], rows[k + 1][i + 1]
    if u + v <= 1.0:
        return a + (b - a) * u + (c - a) * v
    return d + (c - d) * (1.0 - u) + (b - d) * (1.0 - v)


def ground(x: float, z: float) -> float:
    """Where a foot stands at a place (m): on the boards if there are any, else on the ground."""
    low = mud(x, z)
    return BOARD if low < BOARD and _boarded(x, z) else low


def solids() -> Iterator[Thing]:
    """What blocks a camera and the warden."""
    return (one for one in THINGS if one.solid)


def stood(x: float, z: float, step: Triple) -> tuple[float, float]:
    """Where a step takes the warden from (x, z): around what stands in the way, and never off the grid."""
    to_x, to_z = x + step[0], z + step[2]
    if ground(to_x, to_z) - ground(x, z) > STEP:
        return x, z
    for one in solids():
        dx, dz = to_x - one.x, to_z - one.z
        away, room = hypot(dx, dz), one.size + GIRTH
        if away < room:
            to_x, to_z = (one.x + dx / away * room, one.z + dz / away * room) if away else (x, z)
    rim = HALF - 2.0
    return min(max(to_x, -rim), rim), min(max(to_z, -rim), rim)


def clear(eye: Triple, way: Triple, most: float = 200.0) -> float:
    """The free distance from a place along a unit vector (m); things are cylinders."""
    (x, y, z), (dx, dy, dz), far = eye, way, most
    across = dx * dx + dz * dz
    if across < 1e-12:
        return far
    for one in solids():
        px, pz, room = x - one.x, z - one.z, one.size + 0.1
        half, rest = (px * dx + pz * dz) / across, (px * px + pz * pz - room * room) / across
        square = half * half - rest
        if square <= 0.0 or rest <= 0.0:
            continue
        hit = -half - sqrt(square)
        if 0.0 < hit < far and y + dy * hit < mud(one.x, one.z) + one.height:
            far = hit
    return far


def as_data() -> dict[str, Any]:
    """All of it as plain data, for the page to draw."""
    return {
        "half": HALF,
        "heights": [round(100.0 * one) for row in heights() for one in row],
        "walk": WALK,
        "broad": BROAD,
        "board": BOARD,
        "things": [
            asdict(one) | {"y": ground(one.x, one.z) if one.solid else mud(one.x, one.z)} for one in THINGS
        ],
    }

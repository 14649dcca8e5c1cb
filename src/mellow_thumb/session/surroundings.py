"""How high the ground around a camera makes it: to keep clear of it, and to see past it."""

from __future__ import annotations

from math import cos, pi, sin, sqrt
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Callable

    Ground = Callable[[float, float], float]

WAYS = tuple((cos(k * pi / 3.0), sin(k * pi / 3.0)) for k in range(6))
"""The ways in which it is looked around."""
NEAR = (0.58, 1.16)
"""How far, in clearances: the hexagon of the further ones holds the circle of one."""
AHEAD = (1.5, 4.0, 9.0)
"""How far beyond the clearance, in metres."""
SIGHT = tuple(k / 10.0 for k in range(2, 10))
"""Where between what it looks at and the camera, as shares of the way."""
CALLS = 2 + len(WAYS) * (len(NEAR) + len(AHEAD)) + len(SIGHT)
"""How often a ground is asked for one view."""


def around(ground: Ground, x: float, z: float, clearance: float) -> float:
    """How high a camera must be at (x, z) to keep a clearance (m) from the ground around it.

    It needs a metre less for each metre of distance, so that it starts to rise in time.
    """
    found, inner = -1e300, 0.0
    for far in (*(one * clearance for one in NEAR), *(one + clearance for one in AHEAD)):
        # as if it stood at the ring before: nobody knows where between the two it begins
        square = clearance * clearance - inner * inner
        above = sqrt(square) if square > 0.0 else 2.0 * clearance - inner
        for east, south in WAYS:
            found = max(found, ground(x + far * east, z + far * south) + above)
        inner = far
    return found


def between(
    ground: Ground, seen: tuple[float, float, float], camera: tuple[float, float], clearance: float
) -> float:
    """How high a camera must be to see a point over the ground in between."""
    (px, py, pz), (x, z), found = seen, camera, -1e300
    for share in SIGHT:
        high = ground(px + (x - px) * share, pz + (z - pz) * share)
        found = max(found, py + (high + 0.5 * clearance - py) / share)
    return found

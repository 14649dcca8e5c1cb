"""Blending: from one camera pose to another."""

from __future__ import annotations

from math import sqrt


def blended(begin: float, now: float, over: float) -> float:
    """How far a blend has come, 0 to 1, if it began at `begin` and takes `over` (s): slow, fast, slow.

    >>> blended(1.0, 1.5, 1.0), blended(1.0, 9.0, 1.0), blended(1.0, 1.0, 0.0)
    (0.5, 1.0, 1.0)
    """
    part = (now - begin) / over if over > 0.0 else 1.0
    share = part if part < 1.0 else 1.0
    return share * share * (3.0 - 2.0 * share)


def facing(
    x: float, y: float, z: float, w: float, other_x: float, other_y: float, other_z: float, other_w: float
) -> float:
    """1 if two quaternions are on the same side, else -1: the sign for the shorter way between them."""
    return 1.0 if x * other_x + y * other_y + z * other_z + w * other_w >= 0.0 else -1.0


def unit(x: float, y: float, z: float, w: float) -> tuple[float, float, float, float]:
    """The unit quaternion that points the same way."""
    size = sqrt(x * x + y * y + z * z + w * w)
    return x / size, y / size, z / size, w / size

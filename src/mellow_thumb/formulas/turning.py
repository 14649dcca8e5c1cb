"""Angles: from counts to degrees, from degrees to directions and rotations.

The frame is right-handed: +X right, +Y up, -Z forward. Yaw, pitch and roll are in degrees; positive yaw
turns the view right, positive pitch looks up, positive roll lowers the right side.
"""

from __future__ import annotations

from math import atan, ceil, cos, sin, sqrt


def degrees_per_count(turn: float, *, counts_per_cm: float) -> float:
    """Degrees for one mouse count, from the hand's travel for a full turn.

    `turn` in cm for 360 degrees, its sign kept; `counts_per_cm` from the mouse.

    >>> degrees_per_count(36.0, counts_per_cm=100.0)
    0.1
    """
    return 360.0 / (turn * counts_per_cm)


def wrapped(yaw: float) -> float:
    """The same direction as a yaw in (-180, 180] degrees.

    >>> wrapped(540.0), wrapped(-180.0), wrapped(190.0)
    (180.0, 180.0, -170.0)
    """
    # in one expression, so that a yaw which lies there already, as most do, costs two comparisons;
    # rounding may leave exactly -180, which is the direction of 180
    return (
        yaw
        if yaw > -180.0 and yaw <= 180.0
        else yaw - 360.0 * ceil((yaw - 180.0) / 360.0)
        if yaw - 360.0 * ceil((yaw - 180.0) / 360.0) > -180.0
        else 180.0
    )


def forward(yaw: float, pitch: float) -> tuple[float, float, float]:
    """The unit vector (x, y, z) along which a camera at `yaw` and `pitch` (degrees) looks."""
    a = yaw * 0.017453292519943295
    b = pitch * 0.017453292519943295
    level = cos(b)
    return sin(a) * level, sin(b), -cos(a) * level


def right(yaw: float) -> tuple[float, float, float]:
    """The unit vector (x, y, z) to the right of a camera at `yaw` (degrees) without roll."""
    a = yaw * 0.017453292519943295
    return cos(a), 0.0, sin(a)


def level_turned(x: float, z: float, yaw: float) -> tuple[float, float]:
    """A level vector (to +X, to +Z) turned right by a yaw in degrees.

    >>> level_turned(0.0, -1.0, 0.0)
    (0.0, -1.0)
    """
    a = yaw * 0.017453292519943295
    s = sin(a)
    c = cos(a)
    return x * c - z * s, x * s + z * c


def level_rotation(yaw: float, pitch: float) -> tuple[float, float, float, float]:
    """The unit quaternion (x, y, z, w) of a camera without roll: ``q_y(-yaw) q_x(pitch)``; degrees."""
    a = yaw * -0.008726646259971648
    b = pitch * 0.008726646259971648
    sa = sin(a)
    ca = cos(a)
    sb = sin(b)
    cb = cos(b)
    return ca * sb, sa * cb, -sa * sb, ca * cb


def rolled(x: float, y: float, z: float, w: float, roll: float) -> tuple[float, float, float, float]:
    """A camera's rotation followed by a roll (deg) about its own axis: ``q q_z(-roll)``."""
    c = roll * -0.008726646259971648
    sc = sin(c)
    cc = cos(c)
    return x * cc + y * sc, y * cc - x * sc, z * cc + w * sc, w * cc - z * sc


def rotation_rows(x: float, y: float, z: float, w: float) -> tuple[float, ...]:
    """The 3x3 matrix of a unit quaternion, nine numbers row by row; it acts on column vectors."""
    return (
        1.0 - 2.0 * (y * y + z * z), 2.0 * (x * y - z * w), 2.0 * (x * z + y * w),
        2.0 * (x * y + z * w), 1.0 - 2.0 * (x * x + z * z), 2.0 * (y * z - x * w),
        2.0 * (x * z - y * w), 2.0 * (y * z + x * w), 1.0 - 2.0 * (x * x + y * y),
    )  # fmt: skip


def narrowed(zoom: float, *, half: float) -> float:
    """The vertical field of view (deg) at a magnification: ``tan(f/2) = tan(f0/2) / zoom``.

    `half` is the tangent of half the field of view at a zoom of 1.

    >>> round(narrowed(2.0, half=0.5773502691896257), 3)
    32.204
    """
    return 114.59155902616465 * atan(half / zoom)


def is_rotation(x: float, y: float, z: float, w: float) -> bool:
    """Whether a quaternion is nearly a rotation: its length is within a tenth of 1.

    >>> is_rotation(0.0, 0.0, 0.0, 1.05), is_rotation(0.0, 0.0, 0.0, 0.0)
    (True, False)
    """
    square = x * x + y * y + z * z + w * w
    return square > 0.81 and square < 1.21


def evened(x: float, y: float, z: float, w: float) -> tuple[float, float, float, float]:
    """A quaternion that is nearly a rotation, normalised; within a millionth of length 1 it is left as it is.

    >>> evened(0.0, 0.0, 0.0, 1.05)
    (0.0, 0.0, 0.0, 1.0)
    """
    square = x * x + y * y + z * z + w * w
    size = sqrt(square) if abs(square - 1.0) > 1e-6 and square > 0.5 else 1.0
    return x / size, y / size, z / size, w / size

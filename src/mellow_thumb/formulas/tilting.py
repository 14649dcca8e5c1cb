"""Tilting: how far a device leans and tips from a pose. Unit quaternions x, y, z, w; degrees."""

from __future__ import annotations

from math import atan2, sqrt


def tilted(
    x: float, y: float, z: float, w: float, zero_x: float, zero_y: float, zero_z: float, zero_w: float
) -> tuple[float, float]:
    """How far a device leans to the right and tips up (deg) from the pose `zero`, in the frame of that pose.

    It is the rotation vector from the one to the other: to the right along what is level ahead of the device
    and square to its x (whatever its x is, if that stands upright), up along its x; turning on the spot is
    neither. Turned about one of these axes alone, the other stays 0, whatever the pose was; nothing flips
    within a full turn while the sign of the quaternion is kept. Source: the logarithm of the rotation between
    the two, ``log(zero* q)``, twice the vector part of the quaternion's.

    >>> [round(angle, 9) for angle in tilted(0.0, 0.0, -0.5, 0.75**0.5, 0.0, 0.0, 0.0, 1.0)]
    [60.0, 0.0]
    """
    to_x = zero_w * x - zero_x * w - zero_y * z + zero_z * y
    to_y = zero_w * y + zero_x * z - zero_y * w - zero_z * x
    to_z = zero_w * z - zero_x * y + zero_y * x - zero_z * w
    to_w = zero_w * w + zero_x * x + zero_y * y + zero_z * z
    size = sqrt(to_x * to_x + to_y * to_y + to_z * to_z)
    degrees = 114.59155902616465 * atan2(size, to_w) / size if size > 1e-12 else 114.59155902616465
    up_y = 1.0 - 2.0 * (zero_x * zero_x + zero_z * zero_z)
    up_z = 2.0 * (zero_y * zero_z - zero_x * zero_w)
    level = sqrt(up_y * up_y + up_z * up_z)
    stands = level > 1e-6
    ahead_y = up_z / level if stands else 0.0
    ahead_z = -up_y / level if stands else -1.0
    return degrees * (to_y * ahead_y + to_z * ahead_z), degrees * to_x

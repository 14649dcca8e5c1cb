"""Heads between poses: how fast one moved from pose to pose, and where that takes it."""

from __future__ import annotations

from math import atan2, cos, sin, sqrt


def head_speed(
    x: float, y: float, z: float, qx: float, qy: float, qz: float, qw: float,
    was_x: float, was_y: float, was_z: float, was_qx: float, was_qy: float, was_qz: float, was_qw: float,
    dt: float,
) -> tuple[float, float, float, float, float, float]:  # fmt: skip
    """How fast a head went (m/s) and turned (rad/s, about the axes of the play space) between two poses.

    Places in metres, unit quaternions x, y, z, w, `dt` seconds apart. Source: the logarithm of the rotation
    from the one to the other, ``log(q was*)``, the shorter way, over the time.
    """
    sign = 1.0 if qx * was_qx + qy * was_qy + qz * was_qz + qw * was_qw >= 0.0 else -1.0
    by_x = (qx * was_qw - qw * was_qx - qy * was_qz + qz * was_qy) * sign
    by_y = (qy * was_qw - qw * was_qy - qz * was_qx + qx * was_qz) * sign
    by_z = (qz * was_qw - qw * was_qz - qx * was_qy + qy * was_qx) * sign
    by_w = (qw * was_qw + qx * was_qx + qy * was_qy + qz * was_qz) * sign
    size = sqrt(by_x * by_x + by_y * by_y + by_z * by_z)
    angle = 2.0 * atan2(size, by_w) / size / dt if size > 1e-12 else 2.0 / dt
    return (x - was_x) / dt, (y - was_y) / dt, (z - was_z) / dt, by_x * angle, by_y * angle, by_z * angle


def carried_on(
    x: float, y: float, z: float, qx: float, qy: float, qz: float, qw: float,
    go_x: float, go_y: float, go_z: float, turn_x: float, turn_y: float, turn_z: float,
    age: float,
) -> tuple[float, float, float, float, float, float, float]:  # fmt: skip
    """Where a head is `age` seconds after a pose, if it goes on as fast as `head_speed` says.

    >>> carried_on(1.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0, 2.0, 0.0, 0.0, 0.0, 0.0, 0.0, 0.5)
    (2.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.0)
    """
    size = sqrt(turn_x * turn_x + turn_y * turn_y + turn_z * turn_z)
    half = 0.5 * size * age
    part = sin(half) / size if size > 1e-12 else 0.5 * age
    a = turn_x * part
    b = turn_y * part
    c = turn_z * part
    d = cos(half)
    return (
        x + go_x * age, y + go_y * age, z + go_z * age,
        d * qx + a * qw + b * qz - c * qy, d * qy - a * qz + b * qw + c * qx,
        d * qz + a * qy - b * qx + c * qw, d * qw - a * qx - b * qy - c * qz,
    )  # fmt: skip

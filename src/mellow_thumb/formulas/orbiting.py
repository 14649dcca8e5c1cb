"""Orbiting: a camera around a subject that moves. Metres, seconds, degrees; +X right, +Y up, -Z forward."""

from __future__ import annotations

from math import atan2, cos, exp, sin


def trailed(trail: float, then: float, now: float, dt: float, *, k: float) -> float:
    """Where what follows a subject is, `dt` (s) on, while the subject went from `then` to `now` in a line.

    Exponential at `k` (1/s): behind a subject of steady speed v it stays v / k. Exact however the line is
    split. Source: the solution of p' = k (s - p) for s linear in time.
    """
    lag = (now - then) / (dt * k) if dt > 0.0 else 0.0
    return now - lag + (trail - then + lag) * exp(-k * dt)


def shortage(short: float, distance: float, clear: float, dt: float, *, k: float) -> float:
    """By how much a distance is cut to what is `clear` of obstacles: at once, and given back at `k` (1/s).

    >>> shortage(0.0, 4.0, 3.0, 0.1, k=1.0), shortage(0.0, 4.0, 9.0, 0.1, k=1.0)
    (1.0, 0.0)
    """
    left = short * exp(-k * dt)
    cut = distance - clear
    more = cut if cut > left else left
    return more if more < distance else distance


def behind(
    x: float,
    y: float,
    z: float,
    yaw: float,
    pitch: float,
    distance: float,
    *,
    right: float,
    up: float,
    back: float,
) -> tuple[float, float, float]:
    """The place (m) `distance` behind a point beside a subject at x, y, z; `yaw` and `pitch` in degrees.

    The point lies to the `right` of the subject, `up` and `back`, as the yaw has it.
    """
    a = yaw * 0.017453292519943295
    b = pitch * 0.017453292519943295
    s = sin(a)
    c = cos(a)
    away = distance * cos(b) + back
    return x + right * c - away * s, y + up - distance * sin(b), z + right * s + away * c


def heading_of(x: float, y: float, z: float, w: float) -> float:
    """The yaw (deg) of a unit quaternion's forward; of one that looks straight up or down, that of its up.

    >>> round(heading_of(0.0, -0.3826834323650898, 0.0, 0.9238795325112867), 9)
    45.0
    """
    ahead_x = -2.0 * (x * z + w * y)
    ahead_y = -2.0 * (y * z - w * x)
    ahead_z = -1.0 + 2.0 * (x * x + y * y)
    up_x = 2.0 * (x * y - w * z)
    up_z = 2.0 * (y * z + w * x)
    level = ahead_x * ahead_x + ahead_z * ahead_z > 1e-12
    sign = -1.0 if ahead_y > 0.0 else 1.0
    right = ahead_x if level else sign * up_x
    forward = -ahead_z if level else -sign * up_z
    return 57.29577951308232 * atan2(right, forward)

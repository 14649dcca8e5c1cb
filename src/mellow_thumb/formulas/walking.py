"""Walking: from a stick or keys to metres over the ground.

Ground directions are world +X and +Z, in metres; a yaw of 0 faces -Z, a positive one turns to +X (right).
"""

from __future__ import annotations

from math import atan2, cos, sin, sqrt


def on_disc(x: float, y: float) -> tuple[float, float]:
    """A pair limited to the unit disc: two keys at once are no faster than one.

    >>> on_disc(0.25, 0.5), on_disc(0.0, 4.0)
    ((0.25, 0.5), (0.0, 1.0))
    """
    size = sqrt(x * x + y * y)
    scale = 1.0 / size if size > 1.0 else 1.0
    return x * scale, y * scale


def walked(
    wish_x: float,
    wish_y: float,
    yaw_then: float,
    yaw_now: float,
    bend: float,
    dt: float,
    velocity_x: float,
    velocity_z: float,
    *,
    gain: float,
    brake: float,
) -> tuple[float, float, float, float]:
    """Velocity x, z (m/s) after `dt` seconds of walking, and the metres gone to +X and +Z.

    `wish_x`, `wish_y` are the wished velocity to the right and forward (m/s) of a yaw that goes from
    `yaw_then` to `yaw_now` (deg); `bend` is by how much its mean lies beyond the middle of both (rad).
    The gap to the wished velocity shrinks at `gain` (m/s^2), or at `brake` while nothing is wished.
    While something is, wish and velocity turn with the yaw; else the velocity keeps its direction. Metres are
    those of an arc. Exact while the yaw turns at a constant rate, however the time is split.

    Source: in the frame that turns along, the velocity goes in a line to what is wished, in T = |m| / gain
    for a missing m; m leaves behind the integral of (1 - t/T) exp(i w t), here about the middle of the time.
    """
    # seen from the middle of the turn both its ends are alike: one sine and one cosine serve them both
    half = (yaw_now - yaw_then) * 0.008726646259971648
    middle = (yaw_now + yaw_then) * 0.008726646259971648
    ch = cos(half)
    sh = sin(half)
    c = cos(middle)
    s = sin(middle)
    x = wish_x * c + wish_y * s
    z = wish_x * s - wish_y * c
    missing_x = x * ch + z * sh - velocity_x
    missing_z = z * ch - x * sh - velocity_z
    moving = wish_x != 0.0 or wish_y != 0.0
    size = sqrt(missing_x * missing_x + missing_z * missing_z)
    time = size / (gain if moving else brake)
    # by then the velocity is what is wished, and stays that
    run = dt if dt < time else time
    left = 1.0 - run / time if time > 0.0 else 0.0
    h = (half if run == dt else half * run / dt) if moving else 0.0
    cr = (ch if run == dt else cos(h)) if moving else 1.0
    sr = (sh if run == dt else sin(h)) if moving else 0.0
    # the even and the odd part of the mean of (1 - t/T) exp(i w t); a series where the odd one loses digits
    even = sr / h if h != 0.0 else 1.0
    odd = (even - cr) / (2.0 * h) if h > 1e-3 or h < -1e-3 else h * (0.16666666666666666 - h * h / 60.0)
    along = run * even * 0.5 * (1.0 + left)
    across = run * (left - 1.0) * odd
    lag_x = missing_x * along - missing_z * across
    lag_z = missing_z * along + missing_x * across
    # from end to end of an arc it is shorter than along it, by sin(h) / h
    chord = sh / half * dt if half != 0.0 else dt
    aside = bend * chord
    c2 = left * (ch * ch - sh * sh if moving else 1.0)
    s2 = left * (2.0 * sh * ch if moving else 0.0)
    return (
        x * ch - z * sh - missing_x * c2 + missing_z * s2,
        z * ch + x * sh - missing_z * c2 - missing_x * s2,
        x * chord - z * aside - lag_x * cr + lag_z * sr,
        z * chord + x * aside - lag_z * cr - lag_x * sr,
    )


def bearing(x: float, y: float) -> float:
    """The yaw (deg) of a direction `x` to the right and `y` forward; 0 where there is none.

    >>> bearing(0.0, 1.0), bearing(1.0, 0.0), bearing(0.0, 0.0)
    (0.0, 90.0, 0.0)
    """
    return 57.29577951308232 * atan2(x, y)


def toward(value: float, way: float, most: float) -> float:
    """A value moved by `way`, but by no more than `most` either way.

    >>> toward(1.0, 5.0, 2.0), toward(1.0, -0.5, 2.0)
    (3.0, 0.5)
    """
    return value + (most if way > most else -most if way < -most else way)

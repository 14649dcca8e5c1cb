"""Orbiting: a camera around a subject that moves. Metres, seconds, degrees; +X right, +Y up, -Z forward."""

from __future__ import annotations

from math import atan2, cos, exp, log, sin, sqrt


def trailed(trail: float, then: float, now: float, dt: float, *, k: float) -> float:
    """Where a follower is after `dt` (s), while its subject went in a line from `then` to `now`.

    Exponential at `k` (1/s): behind a subject of steady speed v it stays v / k. Exact however the line is
    split. Source: the solution of p' = k (s - p) for s linear in time.
    """
    # how far behind it would be, had the subject gone at this speed for ever
    lag = (now - then) / (dt * k) if dt > 0.0 else 0.0
    return now - lag + (trail - then + lag) * exp(-k * dt)


def shortage(short: float, distance: float, clear: float, dt: float, *, k: float) -> float:
    """By how much a distance is cut short by obstacles: at once to what is `clear`, given back at `k` (1/s).

    >>> shortage(0.0, 4.0, 3.0, 0.1, k=1.0), shortage(0.0, 4.0, 9.0, 0.1, k=1.0)
    (1.0, 0.0)
    """
    left = short * exp(-k * dt)
    cut = distance - clear
    # what an obstacle took is given back slowly, or the view would leap past every fence post
    more = cut if cut > left else left
    return more if more < distance else distance


def behind(
    x: float,
    y: float,
    z: float,
    yaw: float,
    pitch: float,
    distance: float,
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
    # looking straight up or down it has no heading; its top has: backward when it looks up
    level = ahead_x * ahead_x + ahead_z * ahead_z > 1e-12
    sign = -1.0 if ahead_y > 0.0 else 1.0
    right = ahead_x if level else sign * up_x
    forward = -ahead_z if level else -sign * up_z
    return 57.29577951308232 * atan2(right, forward)


def dipped(above: float, flat: float) -> float:
    """The pitch (deg) at which a camera sees a point that it is `above`, and `flat` away from on the map (m).

    >>> round(dipped(1.0, 1.0), 9)
    -45.0
    """
    return -57.29577951308232 * atan2(above, flat)


def chased(angle: float, goal: float, dt: float, *, k: float) -> float:
    """Where a direction (deg) that follows `goal` is after `dt` (s): the shorter way, exponential at `k`.

    >>> chased(170.0, -170.0, 1e9, k=1.0)
    190.0
    """
    apart = goal - angle
    # the difference may be many turns: sine and cosine forget all but the shorter way
    way = atan2(sin(apart * 0.017453292519943295), cos(apart * 0.017453292519943295))
    return angle + 57.29577951308232 * way * (1.0 - exp(-k * dt))


def swung(behind: float, dt: float, *, k: float) -> float:
    """How far a view turns in `dt` (s) to be behind a direction that is `behind` (deg) from it.

    What is left of up to 135 deg shrinks by exp(-k dt). Beyond that the view turns more and more slowly, and
    not at all when it looks back at what comes toward it. Exact however the time is split. Source: the
    solution of b' = -k b, and of b' = -3 k (180 - b) beyond 135.

    >>> round(swung(90.0, 1.0, k=0.6931471805599453), 9), swung(180.0, 1.0, k=2.0)
    (45.0, 0.0)
    """
    size = abs(behind)
    short = 180.0 - size if size < 180.0 else 0.0
    # how long it takes from there to 135
    wait = log(45.0 / (short if short > 1e-12 else 1e-12)) / (3.0 * k) if short < 45.0 else 0.0
    slow = short * exp(3.0 * k * (dt if dt < wait else wait))
    rest = dt - wait if dt > wait else 0.0
    left = (180.0 - slow if dt < wait else 135.0 if short < 45.0 else size) * exp(-k * rest)
    turn = size - left if short > 1e-12 else 0.0
    return turn if behind > 0.0 else -turn


def direction_to(x: float, y: float, z: float) -> tuple[float, float]:
    """The yaw and pitch (deg) of a vector.

    >>> direction_to(1.0, 0.0, -1.0)
    (45.0, 0.0)
    """
    return 57.29577951308232 * atan2(x, -z), 57.29577951308232 * atan2(y, sqrt(x * x + z * z))


def carried(
    x: float, y: float, z: float, w: float, up_x: float, up_y: float, up_z: float
) -> tuple[float, float, float, float]:
    """A frame's rotation turned the shortest way to where its +Y points along a unit vector `up`.

    Exact to rounding for every pair of directions. From an up to its opposite the turn is about the frame's
    own +X. Source: the half-angle form of the rotation between two unit vectors, ``(a x b, 1 + a.b)``, where
    the angle is sharp; beyond a right angle that form loses its digits, so there it is a half turn about an
    axis across the old up, which takes a to -a, then the same form from -a to b.

    >>> carried(0.0, 0.0, 0.0, 1.0, 0.0, 1.0, 0.0)
    (0.0, 0.0, 0.0, 1.0)
    >>> carried(0.0, 0.0, 0.0, 1.0, 0.0, -1.0, 0.0)
    (1.0, 0.0, 0.0, 0.0)
    """
    ax = 2.0 * (x * y - z * w)
    ay = 1.0 - 2.0 * (x * x + z * z)
    az = 2.0 * (y * z + x * w)
    cross_x = ay * up_z - az * up_y
    cross_y = az * up_x - ax * up_z
    cross_z = ax * up_y - ay * up_x
    level = ax * up_x + ay * up_y + az * up_z
    apart = sqrt(cross_x * cross_x + cross_y * cross_y + cross_z * cross_z)
    opposite = apart < 1e-12
    rough_x = 1.0 - 2.0 * (y * y + z * z) if opposite else cross_x / apart
    rough_y = 2.0 * (x * y + z * w) if opposite else cross_y / apart
    rough_z = 2.0 * (x * z - y * w) if opposite else cross_z / apart
    # across the old up to the last digit: then the half turn takes it to its opposite whatever the axis is
    along = rough_x * ax + rough_y * ay + rough_z * az
    across_x = rough_x - along * ax
    across_y = rough_y - along * ay
    across_z = rough_z - along * az
    blunt = level < 0.0
    rest = 1.0 - level
    cx = rest * across_x + across_y * cross_z - across_z * cross_y if blunt else cross_x
    cy = rest * across_y + across_z * cross_x - across_x * cross_z if blunt else cross_y
    cz = rest * across_z + across_x * cross_y - across_y * cross_x if blunt else cross_z
    cw = across_x * cross_x + across_y * cross_y + across_z * cross_z if blunt else 1.0 + level
    to_x = cw * x + cx * w + cy * z - cz * y
    to_y = cw * y - cx * z + cy * w + cz * x
    to_z = cw * z + cx * y - cy * x + cz * w
    to_w = cw * w - cx * x - cy * y - cz * z
    size = sqrt(to_x * to_x + to_y * to_y + to_z * to_z + to_w * to_w)
    return to_x / size, to_y / size, to_z / size, to_w / size


def turned_by(
    x: float, y: float, z: float, w: float, to_x: float, to_y: float, to_z: float
) -> tuple[float, float, float]:
    """A vector turned by a unit quaternion: ``q v q*``."""
    a = 2.0 * (y * to_z - z * to_y)
    b = 2.0 * (z * to_x - x * to_z)
    c = 2.0 * (x * to_y - y * to_x)
    return to_x + w * a + y * c - z * b, to_y + w * b + z * a - x * c, to_z + w * c + x * b - y * a


def product(
    ax: float, ay: float, az: float, aw: float, bx: float, by: float, bz: float, bw: float
) -> tuple[float, float, float, float]:
    """The quaternion of a rotation b followed by a: ``a b``."""
    return (
        aw * bx + ax * bw + ay * bz - az * by,
        aw * by - ax * bz + ay * bw + az * bx,
        aw * bz + ax * by - ay * bx + az * bw,
        aw * bw - ax * bx - ay * by - az * bz,
    )

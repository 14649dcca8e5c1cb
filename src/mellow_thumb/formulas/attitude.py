"""Attitude: how a device in the hand is turned, from its gyroscope and accelerometer.

Source, where nothing else is said: Laidig, Seel, VQF: Highly accurate IMU orientation estimation with bias
estimation and magnetic disturbance rejection, Information Fusion 91 (2023), in six axes.

The device's frame is that of W3C Device Orientation: x to the right of the screen, y to its top, z out of it;
held upright, it looks along -z. Quaternions are x, y, z, w and take the device's frame to the world's, +Y up.
"""

from __future__ import annotations

from math import cos, exp, sin, sqrt


def turned_between(
    a: float, b: float, c: float, to_a: float, to_b: float, to_c: float, dt: float
) -> tuple[float, float, float, float]:
    """The rotation from one reading of a gyroscope to the next, `dt` seconds later (both in deg/s).

    The paper's strapdown integration takes the later reading; here it is their mean, with the coning term
    for axes that turn each other. That is right to second order for a turn that changes steadily, so a low
    rate and uneven times are fine too. Source: Savage, Strapdown Inertial Navigation Integration Algorithm
    Design, part 1, Journal of Guidance, Control, and Dynamics 21 (1998).
    """
    share = 0.008726646259971648 * dt
    coning = share * share / 3.0
    x = (a + to_a) * share + (b * to_c - c * to_b) * coning
    y = (b + to_b) * share + (c * to_a - a * to_c) * coning
    z = (c + to_c) * share + (a * to_b - b * to_a) * coning
    size = sqrt(x * x + y * y + z * z)
    half = 0.5 * size
    # sin(h) / 2h, which has no value at 0
    part = sin(half) / size if size > 1e-9 else 0.5
    return x * part, y * part, z * part, cos(half)


def righting(x: float, y: float, z: float) -> tuple[float, float, float, float, float, float, float]:
    """The shortest rotation that takes the felt force to the sky, then the felt force as a unit vector.

    A force of length 0 counts as the sky itself. The paper's inclination correction, with +Y up.

    >>> righting(0.0, 9.0, 0.0)[3:]
    (1.0, 0.0, 1.0, 0.0)
    """
    size = sqrt(x * x + y * y + z * z)
    felt = size > 1e-9
    a = x / size if felt else 0.0
    b = y / size if felt else 1.0
    c = z / size if felt else 0.0
    square = 0.5 * (b + 1.0)
    w = sqrt(square) if square > 0.0 else 0.0
    under = w > 1e-6
    # head down any axis will do
    by_x = -0.5 * c / w if under else 1.0
    by_z = 0.5 * a / w if under else 0.0
    return by_x, 0.0, by_z, w if under else 0.0, a, b, c


def turned_back(
    x: float, y: float, z: float, up_x: float, up_y: float, up_z: float, dt: float
) -> tuple[float, float, float, float]:
    """The rotation about the vertical that undoes what a device turned about it in `dt` seconds.

    `x`, `y`, `z` is how it turned about its own axes (deg/s), `up` the unit vector to the sky in its frame.

    >>> turned_back(0.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.1)
    (0.0, 0.0, 0.0, 1.0)
    """
    half = (x * up_x + y * up_y + z * up_z) * dt * 0.008726646259971648
    return 0.0, sin(-half) + 0.0, 0.0, cos(half)


def aimed(x: float, y: float, z: float, up_x: float, up_y: float, up_z: float) -> tuple[float, float]:
    """How fast a device turns right and tilts up (in the unit of the turn), whichever way it is rolled.

    `x`, `y`, `z` is how it turns about its own axes, `up` the unit vector to the sky in its own frame. To the
    right is about the vertical, up about the level axis across its view. Source: the projection on both.

    >>> aimed(0.0, -30.0, 0.0, 0.0, 1.0, 0.0)
    (30.0, 0.0)
    """
    # the view along -z, crossed with up
    level = sqrt(up_y * up_y + up_x * up_x)
    # looking straight up or down no axis across the view is level: its own one serves
    tilt = (x * up_y - y * up_x) / level if level > 1e-6 else x
    return -(x * up_x + y * up_y + z * up_z), tilt


def faded(x: float, y: float, z: float, *, none: float, whole: float) -> float:
    """How much of a turn counts: nothing up to `none`, all from `whole` up (both in deg/s), smooth between.

    >>> faded(0.0, 0.1, 0.0, none=0.25, whole=1.0), faded(0.0, 0.0, 2.0, none=0.25, whole=1.0)
    (0.0, 1.0)
    """
    share = (sqrt(x * x + y * y + z * z) - none) / (whole - none)
    part = 0.0 if share < 0.0 else share if share < 1.0 else 1.0
    return part * part * (3.0 - 2.0 * part)


def follows(dt: float, *, over: float) -> float:
    """The share of the way a mean goes in `dt` to the current value, if 63 % of the way take `over` seconds.

    >>> follows(0.0, over=0.7)
    0.0
    """
    return 1.0 - exp(-dt / over)


def apart(x: float, y: float, z: float, to_x: float, to_y: float, to_z: float) -> float:
    """The squared distance between two vectors.

    >>> apart(1.0, 0.0, 0.0, 0.0, 2.0, 0.0)
    5.0
    """
    return (x - to_x) * (x - to_x) + (y - to_y) * (y - to_y) + (z - to_z) * (z - to_z)


def between(value: float, *, low: float, high: float) -> float:
    """How far a value is from one limit to the other, 0 to 1.

    >>> between(3.0, low=2.0, high=4.0), between(5.0, low=2.0, high=4.0)
    (0.5, 1.0)
    """
    share = (value - low) / (high - low)
    return 0.0 if share < 0.0 else share if share < 1.0 else 1.0


def deviation(variance: float) -> float:
    """The standard deviation for a variance, which rounding may have left just below 0.

    >>> deviation(0.25), deviation(-1e-20)
    (0.5, 0.0)
    """
    return sqrt(variance) if variance > 0.0 else 0.0


def signed_like(
    x: float, y: float, z: float, w: float, last_x: float, last_y: float, last_z: float, last_w: float
) -> tuple[float, float, float, float]:
    """Of the two unit quaternions for a rotation the one nearer to the last: a tilt read from it never jumps.

    >>> signed_like(0.0, 0.0, 0.0, -1.0, 0.0, 0.0, 0.0, 1.0)
    (-0.0, -0.0, -0.0, 1.0)
    """
    size = sqrt(x * x + y * y + z * z + w * w)
    by = -1.0 / size if x * last_x + y * last_y + z * last_z + w * last_w < 0.0 else 1.0 / size
    return x * by, y * by, z * by, w * by

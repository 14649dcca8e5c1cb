"""Fingers on a screen: what their places come to, in screens (the shorter side is 1).

Source: this library; places are those of W3C Pointer Events 3, section 'PointerEvent Interface', y flipped.
"""

from __future__ import annotations

from math import atan2, log, sqrt


def gap(ax: float, ay: float, bx: float, by: float, wide: float, tall: float) -> float:
    """How far apart two places of the screen (0..1) are, of a screen so many screens wide and tall.

    Nearer than a hundredth of a screen two fingers cannot be.

    >>> gap(0.25, 0.5, 0.5, 0.5, 2.0, 1.0), gap(0.5, 0.5, 0.5, 0.5, 2.0, 1.0)
    (0.5, 0.01)
    """
    x = (bx - ax) * wide
    y = (by - ay) * tall
    found = sqrt(x * x + y * y)
    return found if found > 0.01 else 0.01


def spread(now: float, begun: float, travel: float) -> float:
    """The logarithm of the factor that a gap has come to, that was `begun` wide, beyond its travel.

    It hangs on the gap alone: by whichever path two fingers come back to a gap, the factor is back.

    >>> spread(1.0, 0.375, 0.125) == log(2.0), spread(0.4, 0.375, 0.125)
    (True, 0.0)
    """
    wider = begun + travel
    less = begun - travel
    narrower = less if less > 0.01 else 0.01
    edge = wider if now > wider else narrower if now < narrower else now
    return log(now / edge)


def turned(ax: float, ay: float, bx: float, by: float) -> float:
    """The angle from one vector to another (deg, clockwise), no more than half a turn.

    >>> turned(1.0, 0.0, 0.0, -1.0), turned(0.0, 2.0, -1.0, 0.0)
    (90.0, -90.0)
    """
    return atan2(ay * bx - ax * by, ax * bx + ay * by) * 57.29577951308232


def outside(value: float, band: float) -> float:
    """What of a value lies outside a band about 0.

    >>> outside(5.0, 2.0), outside(-5.0, 2.0), outside(1.0, 2.0)
    (3.0, -3.0, 0.0)
    """
    return value - band if value > band else value + band if value < -band else 0.0


def pushed(x: float, y: float, radius: float) -> tuple[float, float]:
    """Where a pad is pushed whose finger is (x, y) from its middle: at its rim, and beyond it, all the way.

    >>> pushed(0.1, 0.0, 0.2), pushed(0.0, -0.4, 0.2)
    ((0.5, 0.0), (0.0, -1.0))
    """
    way = sqrt(x * x + y * y)
    reach = way if way > radius else radius
    return x / reach, y / reach


def trailing(x: float, y: float, radius: float) -> tuple[float, float]:
    """Where the middle of a pad goes that follows a finger (x, y) from it: so far that it is at the rim.

    >>> trailing(0.0, 0.5, 0.2), trailing(0.1, 0.0, 0.2)
    ((0.0, 0.3), (0.0, 0.0))
    """
    way = sqrt(x * x + y * y)
    over = 1.0 - radius / way if way > radius else 0.0
    return x * over, y * over


def eased(far: float, travel: float) -> float:
    """The share of its way at which a held point is under a finger that has been `far` from its landing.

    It waits for the travel, then goes half as fast again as the finger, and is under it at three times that.

    >>> eased(0.05, 0.1), round(eased(0.2, 0.1), 9), eased(0.3, 0.1)
    (0.0, 0.75, 1.0)
    """
    way = far if far > 0.0 else 1.0
    share = 1.5 * (far - travel) / way
    after = share if share > 0.0 else 0.0
    return 1.0 if far >= 3.0 * travel else after


def between(then: float, now: float, share: float) -> float:
    """What lies at a share of the way from one value to another.

    >>> between(2.0, 4.0, 0.25)
    2.5
    """
    return then + (now - then) * share

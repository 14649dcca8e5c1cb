"""Fingers on a screen: what their places amount to, in screens (the shorter side is 1).

Source: this library; places are those of W3C Pointer Events 3, section 'PointerEvent Interface', y flipped.
"""

from __future__ import annotations

from math import atan2, log, sqrt


def gap(ax: float, ay: float, bx: float, by: float, wide: float, tall: float) -> float:
    """The distance between two places (0..1), on a screen of the given width and height in screens.

    Nearer than a hundredth of a screen two fingers cannot be.

    >>> gap(0.25, 0.5, 0.5, 0.5, 2.0, 1.0), gap(0.5, 0.5, 0.5, 0.5, 2.0, 1.0)
    (0.5, 0.01)
    """
    x = (bx - ax) * wide
    y = (by - ay) * tall
    found = sqrt(x * x + y * y)
    return found if found > 0.01 else 0.01


def spread(now: float, begun: float, travel: float) -> float:
    """The logarithm of the factor by which a gap has grown since it was `begun` wide, beyond its travel.

    It depends on the gap alone: whenever two fingers come back to a gap, the factor is the same.

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
    """The part of a value outside a band about 0.

    >>> outside(5.0, 2.0), outside(-5.0, 2.0), outside(1.0, 2.0)
    (3.0, -3.0, 0.0)
    """
    return value - band if value > band else value + band if value < -band else 0.0


def pushed(x: float, y: float, radius: float) -> tuple[float, float]:
    """Where a pad is pushed by a finger (x, y) from its middle; at its rim and beyond, all the way.

    >>> pushed(0.1, 0.0, 0.2), pushed(0.0, -0.4, 0.2)
    ((0.5, 0.0), (0.0, -1.0))
    """
    way = sqrt(x * x + y * y)
    reach = way if way > radius else radius
    return x / reach, y / reach


def trailing(x: float, y: float, radius: float) -> tuple[float, float]:
    """How far the middle of a pad moves to follow a finger (x, y) from it, to keep the finger at its rim.

    >>> trailing(0.0, 0.5, 0.2), trailing(0.1, 0.0, 0.2)
    ((0.0, 0.3), (0.0, 0.0))
    """
    way = sqrt(x * x + y * y)
    over = 1.0 - radius / way if way > radius else 0.0
    return x * over, y * over


def eased(far: float, travel: float) -> float:
    """How far a held point is on its way to the finger (0 to 1) that has been `far` from its landing.

    It waits for the travel, then moves 1.5 times as fast as the finger, and is under it at three travels.

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

"""Keeping an axis inside its limits."""

from __future__ import annotations

from math import exp, sqrt


def of_logarithm(value: float, *, low: float, high: float, least: float, most: float) -> float:
    """The number of a logarithm; up to `least` and from `most` on exactly the limits.

    These are the logarithms of the limits, a hair inside of them: then no rounding goes beyond a limit.

    >>> of_logarithm(2.1972245773362196, low=1.0, high=9.0, least=1e-15, most=2.197224577336216)
    9.0
    """
    return high if value >= most else low if value <= least else exp(value)


def clamp(value: float, *, low: float, high: float) -> float:
    """The value, no less than `low` and no more than `high`.

    >>> clamp(75.0, low=-60.0, high=70.0)
    70.0
    """
    return (value if value < high else high) if value > low else low


def taken_up(push: float, goal: float, *, low: float, high: float) -> float:
    """The part of `push` that an axis on its way to `goal` can still take.

    The goal of an axis is its value with all that smoothing still owes it. Limiting the goal rather than
    the eased value means that nothing is stored up behind a limit: the way back is answered at once, and
    there is no dead stretch at the end.

    >>> taken_up(12.0, 65.0, low=-60.0, high=70.0), taken_up(-12.0, 65.0, low=-60.0, high=70.0)
    (5.0, -12.0)
    """
    wanted = goal + push
    return high - goal if wanted > high else low - goal if wanted < low else push


def limited(
    before: float, after: float, rate: float, rate_after: float, dt: float, *, low: float, high: float
) -> float:
    """An axis that went from `before` to `after` in `dt` (s), kept inside its limits.

    `rate` and `rate_after` are its speeds at both ends. If it turned round on the way, what passed a limit
    before the turn is lost; the turn is found on the cubic through both ends (Hermite's). Exact where the
    speed keeps its sign.
    """
    turns = rate * rate_after < 0.0
    a = (rate + rate_after) * dt - 2.0 * (after - before)
    b = 3.0 * (after - before) - (2.0 * rate + rate_after) * dt
    c = rate * dt
    square = b * b - 3.0 * a * c
    q = sqrt(square if square > 0.0 else 0.0) if turns else 1.0
    z = (c / (q - b) if c > 0.0 else c / (0.0 - q - b)) if turns else 0.0
    top = before + z * (c + z * (b + z * a))
    over = top - high if top > high else top - low if top < low else 0.0
    value = after - (over if turns else 0.0)
    return (value if value < high else high) if value > low else low

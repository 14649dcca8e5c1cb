"""Keeping an axis inside its limits."""

from __future__ import annotations


def clamp(value: float, *, low: float, high: float) -> float:
    """The value, no less than `low` and no more than `high`.

    >>> clamp(75.0, low=-60.0, high=70.0)
    70.0
    """
    floor = value if value > low else low
    return floor if floor < high else high


def room(push: float, goal: float, *, low: float, high: float) -> float:
    """The part of `push` that an axis on its way to `goal` can still take.

    The goal of an axis is its value with all that smoothing still owes it. Limiting the goal rather than
    the eased value means that nothing is stored up behind a limit: the way back is answered at once, and
    there is no dead stretch at the end.

    >>> room(12.0, 65.0, low=-60.0, high=70.0), room(-12.0, 65.0, low=-60.0, high=70.0)
    (5.0, -12.0)
    """
    wanted = goal + push
    return high - goal if wanted > high else low - goal if wanted < low else push

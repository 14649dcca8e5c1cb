"""Formulas of buttons, key sets and edge zones: what is held, which way, how far."""

from __future__ import annotations

from math import sqrt


def latched(size: float, before: float, *, at: float, rearm: float) -> float:
    """1 once a size has reached `at`, until it falls below `rearm`; 0 otherwise.

    >>> latched(0.6, 0.0, at=0.5, rearm=0.4), latched(0.45, 1.0, at=0.5, rearm=0.4)
    (1.0, 1.0)
    >>> latched(0.45, 0.0, at=0.5, rearm=0.4), latched(0.3, 1.0, at=0.5, rearm=0.4)
    (0.0, 0.0)
    """
    kept = before if size >= rearm else 0.0
    return 1.0 if size >= at else kept


def latched_sides(value: float, before: float, *, at: float, rearm: float) -> float:
    """The side, 1 or -1, on which a value has reached `at`, until it falls below `rearm`; 0 otherwise.

    >>> latched_sides(-0.6, 0.0, at=0.5, rearm=0.4), latched_sides(0.45, -1.0, at=0.5, rearm=0.4)
    (-1.0, 0.0)
    """
    kept = before if value * before >= rearm else 0.0
    return 1.0 if value >= at else -1.0 if value <= -at else kept


def opposed(minus: float, plus: float, newest: float) -> float:
    """Two opposite keys, each 0 or 1, as -1 to 1; both together are `newest`.

    >>> opposed(1.0, 0.0, 0.0), opposed(1.0, 1.0, 0.0), opposed(1.0, 1.0, 1.0)
    (-1.0, 0.0, 1.0)
    """
    return plus - minus + plus * minus * newest


def edge_push(away: float, deep: float) -> float:
    """How far a pointer `away` from an edge pushes, 0 to 1; 0 beyond the zone's depth.

    >>> edge_push(0.0, 30.0), edge_push(15.0, 30.0), edge_push(400.0, 30.0)
    (1.0, 0.5, 0.0)
    """
    push = 1.0 - away / deep
    return push if push > 0.0 else 0.0


def allowed(push: float, most: float) -> float:
    """A push limited to `most` either way."""
    part = push if push < most else most
    return part if part > -most else -most


def refilled(left: float, gap: float, *, rate: float, most: float) -> float:
    """How much a hand may still turn after `gap` (s): it grows at `rate` a second, up to `most`."""
    grown = left + rate * gap
    return grown if grown < most else most


def beyond(x: float, y: float, dx: float, dy: float, least: float) -> float:
    """The share of a step (dx, dy) from (x, y) that is more than `least` from the origin.

    The step must cross that circle from inside to outside.

    >>> beyond(0.0, 0.0, 100.0, 0.0, 20.0), beyond(18.0, 0.0, 4.0, 0.0, 20.0)
    (0.8, 0.5)
    """
    a = dx * dx + dy * dy
    b = x * dx + y * dy
    inside = least * least - x * x - y * y
    root = b * b + a * (inside if inside > 0.0 else 0.0)
    share = 1.0 - (sqrt(root if root > 0.0 else 0.0) - b) / (a if a > 0.0 else 1.0)
    over = share if share > 0.0 else 0.0
    return over if over < 1.0 else 1.0

"""Smoothing that is exact in time: the same whatever the steps."""

from __future__ import annotations

from math import exp


def remaining(dt: float, *, half_life: float) -> float:
    """The share that exponential decay leaves after `dt`: ``2^(-dt/h)``.

    `dt` and `half_life` in seconds. Exact for a negative `dt` too: it then gives the growth backward in
    time. Source: the solution of s' = -s ln 2 / h.

    >>> remaining(0.02, half_life=0.02)
    0.5
    """
    return exp((-0.6931471805599453 / half_life) * dt)


def payout(pool: float, share: float) -> tuple[float, float]:
    """What a reservoir pays out while its content falls to `share` of what it was, and what it keeps.

    A displacement is poured in at once and paid out over time, so no count is lost: paid + kept = pool.
    Values in the unit of the axis; `share` from :func:`remaining`. With a share above 1 it runs backward.

    >>> payout(8.0, 0.25)
    (6.0, 2.0)
    """
    kept = pool * share
    return pool - kept, kept

"""The speed of a hand that sends displacements."""

from __future__ import annotations

from math import exp


def hand_speed(
    x: float, y: float, gap: float, vx: float, vy: float, share: float, *, k: float, pause: float
) -> tuple[float, float, float]:
    """The hand's speed after a report of (x, y), `gap` (s) after the signal's last: an exponential mean.

    A report is the distance moved since the last one. Reports of one time share one gap, so `share`, the
    weight of that gap, is kept. A pause counts as `pause` (s) at the most. `k` (1/s) is the mean's decay.
    """
    time = gap if gap < pause else pause
    left = exp(-k * time)
    weight = (1.0 - left) / time if time > 0.0 else share
    return vx * left + x * weight, vy * left + y * weight, weight

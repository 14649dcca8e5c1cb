"""Smoothing that is exact in time: the same whatever the steps.

What an axis is still owed is kept in a *pool*. A displacement is poured in at once; a rate flows in over
time; the pool pays out to the axis, slower or faster as its smoothing says. So nothing is ever lost, and
an axis will end at its value plus all that its pools still owe it: its *goal*.
"""

from __future__ import annotations

from math import exp


def decay(dt: float, k: float) -> float:
    """The share left after `dt` (s) of exponential decay at `k` (1/s).

    Exact for a negative `dt` too: it then gives the growth backward in time. A half-life h is k = ln 2 / h.
    Source: the solution of s' = -k s.
    """
    return exp(-k * dt)


def growth(age: float, k: float) -> float:
    """By how much more there was `age` (s) ago of what decays at `k` (1/s): one over :func:`decay`.

    >>> growth(0.0, 5.0)
    1.0
    """
    # what comes at the last commit, as most does that has no time of its own, needs no exponential
    return exp(k * age) if age != 0.0 else 1.0


def payout(pool: float, share: float) -> tuple[float, float]:
    """What a pool pays out while its content falls to `share` of what it was, and what it keeps.

    Values in the unit of the axis; `share` from :func:`decay`. With a share above 1 it runs backward.

    >>> payout(8.0, 0.25)
    (6.0, 2.0)
    """
    kept = pool * share
    return pool - kept, kept


def flow_through(pool: float, inflow: float, dt: float, share: float, k: float) -> tuple[float, float]:
    """What a pool pays out in `dt` (s) while `inflow` (per s) runs into it, and what it then holds.

    Exponential smoothing at `k` (1/s), `share` from :func:`decay` over the same time. A rate that is
    smoothed before it is integrated comes to the same: k times the pool is the smoothed rate.
    Source: the solution of p' = inflow - k p; what is paid is what came in less what was gained.
    """
    # where the pool comes to rest: as much runs out there as runs in
    level = inflow / k
    after = level + (pool - level) * share
    return pool + inflow * dt - after, after


def spring_through(
    pool: float, speed: float, inflow: float, dt: float, w: float
) -> tuple[float, float, float]:
    """What a critically damped spring of natural frequency `w` (1/s) pays out in `dt` (s).

    Also what the pool then holds, and the speed at which it pays (per s). `inflow` (per s) runs in all the
    while. Exact for a negative `dt` too. Source: p'' + 2 w p' + w^2 p = 2 w inflow for the content p of the
    pool, with p' = inflow - speed; it rests at p = 2 inflow / w.
    """
    level = 2.0 * inflow / w
    apart = pool - level
    # the term that a double root brings with it: t exp(-w t)
    turn = (inflow - speed + w * apart) * dt
    left = exp(-w * dt)
    after = level + (apart + turn) * left
    pays = inflow - (inflow - speed - w * turn) * left
    return pool + inflow * dt - after, after, pays


def spring_alone(pool: float, speed: float, dt: float, w: float) -> tuple[float, float, float]:
    """As :func:`spring_through`, without inflow: what is paid, what is held, how fast it pays."""
    turn = (w * pool - speed) * dt
    left = exp(-w * dt)
    after = (pool + turn) * left
    return pool - after, after, (speed + w * turn) * left


def until_limit(goal: float, rate: float, dt: float, *, low: float, high: float) -> float:
    """How much of `dt` (s) passes before a goal that moves at `rate` (per s) reaches a limit.

    >>> until_limit(60.0, 20.0, 2.0, low=-60.0, high=70.0)
    0.5
    """
    way = high - goal if rate > 0.0 else low - goal
    # past a limit, or on it, the time is 0 or less: nothing runs in at all
    time = way / rate if rate != 0.0 else dt
    return dt if time >= dt else time if time > 0.0 else 0.0


def cutoff_rate(speed: float, *, least: float, slope: float) -> float:
    """The decay (1/s) of a 1 euro filter while its input changes by `speed` (1/s) a second.

    Source: Casiez, Roussel and Vogel, 1 euro filter (CHI 2012), equation 6: the cutoff (Hz) grows with the
    speed. The decay of a first-order low-pass is 2 pi times its cutoff.
    """
    return 6.283185307179586 * (least + slope * speed)


def event_slope(change: float, gap: float, slope: float, share: float) -> float:
    """The smoothed slope of a signal after an event that changed it by `change`, `gap` (s) after the last.

    `share` from :func:`decay` over that gap. The exponential form of the same paper's derivative filter.
    """
    # two events of one moment have no slope: what was known before them stays
    fresh = change / gap if gap > 0.0 else slope
    return fresh + (slope - fresh) * share


def turn_share(begin: float, end: float, start: float, over: float) -> float:
    """The share of a turn done between `begin` and `end` (s), if it takes `over` (s) from `start`.

    It starts and stops gently: at the share s of its time, ``3 s^2 - 2 s^3`` of it is done.
    """
    a = (begin - start) / over
    b = (end - start) / over
    early = 0.0 if a < 0.0 else a if a < 1.0 else 1.0
    late = 0.0 if b < 0.0 else b if b < 1.0 else 1.0
    return late * late * (3.0 - 2.0 * late) - early * early * (3.0 - 2.0 * early)


def ramp(level: float, dt: float, *, build: float) -> tuple[float, float]:
    """The mean over `dt` (s) of a level that rises to 1 over `build` (s) and stays, and the level after.

    Source: the integral of a line and a constant, split where it meets 1.
    """
    rest = (1.0 - level) * build
    rising = dt if dt < rest else rest
    # a triangle on a rectangle while it rises, then a rectangle of height 1
    area = rising * (level + 0.5 * rising / build) + (dt - rising)
    return area / dt if dt > 0.0 else level, level + rising / build


def ramp_through(
    pool: float, inflow: float, slope: float, dt: float, share: float, k: float
) -> tuple[float, float]:
    """As :func:`flow_through`, with an inflow that changes by `slope` (per s) each second."""
    # what follows a ramp stays behind it by its slope over the decay
    lag = slope / k
    level = (inflow - lag) / k
    after = level + lag * dt + (pool - level) * share
    return pool + (inflow + 0.5 * slope * dt) * dt - after, after


def fading_rate(rate: float, share: float, k: float) -> tuple[float, float]:
    """As :func:`filtered_rate`, with a wish of 0."""
    after = rate * share
    return (rate - after) / k, after


def filtered_rate(rate: float, wish: float, dt: float, share: float, k: float) -> tuple[float, float]:
    """The integral over `dt` (s) of a rate that follows `wish` at `k` (1/s), and the rate after it.

    `share` from :func:`decay` over the same time.
    """
    after = wish + (rate - wish) * share
    return wish * dt + (rate - after) / k, after

"""Returning to rest while something drives the axis away, with smoothing: one closed form.

The goal g of the axis returns at `k` while `rate` drives it: ``g' = rate - k (g - rest)``. The value follows
the goal, through a pool that holds what it is still owed: goal = value + pool.
"""

from __future__ import annotations

from math import exp, log


def leaked(value: float, rate: float, dt: float, k: float, *, rest: float) -> float:
    """A value that returns to `rest` at `k` (1/s) while `rate` (per s) drives it away, after `dt` (s).

    It moves one way only, so that limiting its end limits it all the while.
    """
    level = rest + rate / k
    return level + (value - level) * exp(-k * dt)


def until_limit_leaking(
    goal: float, rate: float, dt: float, k: float, *, rest: float, low: float, high: float
) -> float:
    """How much of `dt` (s) passes before a goal that returns to `rest` reaches a limit.

    >>> until_limit_leaking(0.0, 100.0, 1.0, 1.0, rest=0.0, low=-10.0, high=10.0) < 0.11
    True
    """
    level = rest + rate / k
    way = goal - level
    # the share of the way that is left as the limit is met is exp(-k t): t is its logarithm
    share = ((low if way > 0.0 else high) - level) / way if way != 0.0 else 0.0
    time = 0.0 if share >= 1.0 else -log(share) / k if share > 0.0 else dt
    return time if time < dt else dt


def leaked_easing(
    value: float, pool: float, rate: float, dt: float, k: float, *, rest: float, ease: float
) -> tuple[float, float]:
    """The value and the pool after `dt` (s), where the value follows its goal at `ease` (1/s).

    Source: v' = ease (g - v) with g as above: two exponentials. Where `k` comes within a
    thousandth of `ease`, it is taken a thousandth above, which nobody feels.
    """
    # two equal decays have a form of their own, t exp(-k t), which every step would have to ask for; with
    # one of them moved a little the other form holds, and stays continuous
    back = k if abs(k - ease) > 0.001 * ease else 1.001 * ease
    level = rest + rate / back
    way = value + pool - level
    slow = way * ease / (ease - back)
    left = exp(-back * dt)
    after = level + slow * left + (value - level - slow) * exp(-ease * dt)
    return after, level + way * left - after


def leaked_spring(
    value: float, pool: float, speed: float, rate: float, dt: float, k: float, *, rest: float, w: float
) -> tuple[float, float, float]:
    """The value, the pool and the speed after `dt` (s), where a critically damped spring follows the goal.

    `w` (1/s) is its natural frequency. Source: v'' = w^2 (g - v) - 2 w v'. Where `k` comes within a
    thousandth of `w`, it is taken a thousandth above.
    """
    back = k if abs(k - w) > 0.001 * w else 1.001 * w
    level = rest + rate / back
    way = value + pool - level
    slow = way * w * w / ((w - back) * (w - back))
    left = exp(-back * dt)
    apart = value - level - slow
    turn = (speed + back * slow + w * apart) * dt
    quick = exp(-w * dt)
    after = level + slow * left + (apart + turn) * quick
    pays = (speed + back * slow - w * turn) * quick - back * slow * left
    return after, level + way * left - after, pays

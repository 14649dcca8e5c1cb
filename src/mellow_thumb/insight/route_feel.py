"""How a route feels, in numbers: half turns, the slowest and the fastest turn, what a step does over time."""

from __future__ import annotations

from dataclasses import replace
from math import degrees, exp, hypot, isfinite
from typing import TYPE_CHECKING, NamedTuple

from ..plan import MOVES
from .bench import Bench, for_one
from .controls import quiet_of

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator

    from ..plan import Plan, Route

LONG = 30.0
"""Seconds after which what has not happened does not happen."""
STEP = 1 / 127
"""A step of an eight-bit stick: how far beyond the dead zone the slowest steady turn is measured."""


class Felt(NamedTuple):
    """One number: of what, what it is, its unit."""

    subject: str
    measure: str
    value: float
    unit: str


def of_route(plan: Plan, route: Route) -> Iterator[Felt]:
    """Every number of a route, by itself, as a bench has it."""
    plain, eased = Bench(plan, route), Bench(plan, route, eased=True)
    kind = route.source.signal.kind
    for part in route.source.components:
        for name, amount in for_one(plain, part).items():
            if abs(amount) < 1e-9 or name in MOVES:
                continue
            subject, unit = f"{route.name}, {name}", _unit(plan, name)
            if route.effect == "rate" and kind in ("deflection", "switch"):
                yield from _of_rate(plain, eased, part, name, subject, unit)
            elif route.effect == "step" and route.source.signal.unit in ("count", "px", "notch", "press"):
                yield Felt(subject, "smallest turn", _per_cent(plan, name, abs(amount)), unit)
                counts = getattr(plan, "counts_per_cm", None)
                if counts and unit == "deg" and route.source.signal.unit == "count":
                    yield Felt(subject, "hand for a turn", 360.0 / abs(amount) / counts, "cm")
            if kind not in ("rate", "ratio"):
                yield from _step(eased, part, name, subject)
    if (
        route.source.width == 2
        and kind == "deflection"
        and "." in route.source.signal.name
        and not set(route.drives) & set(MOVES)
    ):
        yield Felt(route.name, "direction error", direction_error(plain), "deg")


def _unit(plan: Plan, name: str) -> str:
    axis = next(one for one in plan.axes if one.name == name)
    return "%" if axis.log else axis.unit


def _per_cent(plan: Plan, name: str, amount: float) -> float:
    """What an axis does, in its unit; of one that multiplies, in per cent."""
    axis = next(one for one in plan.axes if one.name == name)
    return 100.0 * (exp(amount) - 1.0) if axis.log else amount


def _of_rate(plain: Bench, eased: Bench, part: str, name: str, subject: str, unit: str) -> Iterator[Felt]:
    """A half turn, the slowest and the fastest steady rate."""
    route = plain.route
    if unit == "deg":
        yield Felt(subject, "half turn", _until(eased, part, name, 180.0), "s")
    if route.source.signal.kind == "deflection" and "." in route.source.signal.name:
        just = quiet_of(route) + STEP
        yield Felt(
            subject,
            "slowest turn",
            _per_cent(plain.plan, name, abs(plain.rate(part, just)[name])),
            f"{unit}/s",
        )
    build = route.turn_boost.build if route.turn_boost else 0.0
    most = abs(eased.steady(part, 1.0, build + 10.0)[name])
    yield Felt(subject, "fastest turn", _per_cent(plain.plan, name, most), f"{unit}/s")


def _until(bench: Bench, part: str, name: str, far: float) -> float:
    """The time at which an axis has gone so far with its control all the way out; infinite if it never is."""

    def gone(t: float) -> float:
        return abs(bench.moved(part, 1.0, t)[name])

    return bisected(lambda t: gone(t) >= far, LONG)


def bisected(there: Callable[[float], bool], most: float) -> float:
    """The first time, up to `most` (s), at which something is so, to a nanosecond; infinite if it is not."""
    if not there(most):
        return float("inf")
    low, high = 0.0, most
    while high - low > 1e-9 * max(1.0, high):
        middle = 0.5 * (low + high)
        low, high = (low, middle) if there(middle) else (middle, high)
    return high


def _step(bench: Bench, part: str, name: str, subject: str) -> Iterator[Felt]:
    """What a step of the control does over time: lag, rise, overshoot, settling.

    For a rate it is the rate that follows the step, for all others the axis itself.
    """
    if not _smoothed(bench):
        yield Felt(subject, "lag", 0.0, "s")
        return
    shape = _answer(bench, part, name)
    lag, low, high = (bisected(lambda t, share=share: shape(t) >= share, LONG) for share in (0.5, 0.1, 0.9))  # type: ignore[misc]
    yield Felt(subject, "lag", lag, "s")
    yield Felt(subject, "rise", high - low, "s")
    times = [lag * k / 8.0 for k in range(1, 161)] if isfinite(lag) else []
    answers = [shape(t) for t in times]
    yield Felt(subject, "overshoot", max(0.0, max(answers, default=0.0) - 1.0), "share")
    late = [t for t, one in zip(times, answers, strict=True) if abs(one - 1.0) > 0.02]
    if late:
        last = max(late)
        yield Felt(
            subject, "settling", last + bisected(lambda t: abs(shape(last + t) - 1.0) <= 0.02, lag), "s"
        )


def _smoothed(bench: Bench) -> bool:
    route = bench.route
    axes = [axis for axis in bench.plan.axes if axis.name in route.drives]
    return bool(route.smoothing) or (route.effect != "offset" and any(axis.smoothing for axis in axes))


def _answer(bench: Bench, part: str, name: str) -> Callable[[float], float]:
    """What share of a step is there after some time."""
    route, small = bench.route, 1e-4
    push = {"screen": 0.1, "deg": 20.0}.get(route.source.signal.unit, 1.0)
    if route.source.signal.kind == "angle":
        push = 0.9 * route.full if route.full < 360.0 else 20.0
    bench = Bench(bench.plan, replace(route, turn_boost=None), eased=True)
    if route.effect == "rate":
        whole = bench.steady(part, push, LONG)[name]

        def _speed(t: float) -> float:
            begin = max(t - small / 2.0, 0.0)
            session = bench.session()
            bench.push(session, part, push)
            before = bench.values(session, begin)[name]
            return (bench.values(session, small)[name] - before) / small / whole

        return _speed
    end = bench.moved(part, push, LONG)[name]
    return lambda t: bench.moved(part, push, t)[name] / end


def direction_error(bench: Bench, rings: int = 8, ways: int = 48) -> float:
    """The largest angle (deg) between where a stick is pushed and where the view goes, over the whole disc.

    Both axes are taken at their own full rates, so that a slower pitch is no error; what does nothing has no
    direction.
    """
    import numpy as np

    route = bench.route
    full = {part: bench.effect(part, 1.0) for part in "xy"}
    first, second = route.drives
    wide, tall = full["x"][first], full["y"][second]
    worst, (a_rest, b_rest) = 0.0, route.shape.rest
    travel = 1.0 - hypot(a_rest, b_rest)
    for ring in range(1, rings + 1):
        for way in range(ways):
            a = 2.0 * np.pi * way / ways
            share = ring / rings
            session = bench.session()
            before = bench.values(session)
            x, y = share * float(np.cos(a)), share * float(np.sin(a))
            session.feed(route.source.signal.name, (a_rest + x * travel, b_rest + y * travel))
            after = bench.values(session, 1 / 64)
            right, up = (after[first] - before[first]) / wide, (after[second] - before[second]) / tall
            if hypot(right, up) > 1e-9:
                cross, dot = x * up - y * right, x * right + y * up
                worst = max(worst, abs(degrees(float(np.arctan2(cross, dot)))))
    return worst

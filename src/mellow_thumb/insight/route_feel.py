"""How a route feels, in numbers: half turns, the slowest and fastest turn, a step over time."""

from __future__ import annotations

from dataclasses import replace
from math import degrees, exp, hypot, isfinite, radians, tan
from typing import TYPE_CHECKING, NamedTuple

from ..formulas import screen_of_ground
from ..plan import MOVES, PANS
from ..plan.mounts import Flat, Overhead
from .bench import Bench, for_one
from .controls import quiet_of
from .plain_words import hands

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator

    from ..plan import Plan, Route

LONG = 30.0
"""Seconds after which what has not happened does not happen."""
STEP = 1 / 127
"""A step of an eight-bit stick: how far beyond the dead zone the slowest steady turn is measured."""


class Felt(NamedTuple):
    """One number: its subject, its measure, its value and unit."""

    subject: str
    measure: str
    value: float
    unit: str


def of_route(plan: Plan, route: Route) -> Iterator[Felt]:
    """Every number of a route by itself, measured on a bench."""
    plain, eased = Bench(plan, route), Bench(plan, route, eased=True)
    kind = route.source.signal.kind
    for part in route.source.components:
        _, _, way = hands(plan, route, part)
        for name, amount in for_one(plain, part, way).items():
            if abs(amount) < 1e-9 or name in MOVES:
                continue
            one = _Way(plain, eased, part, way, name, f"{route.name}, {name}", _unit(plan, name))
            if route.effect == "rate" and kind in ("deflection", "switch"):
                yield from _of_rate(one)
            elif route.effect == "step":
                yield from _of_steps(plan, one, abs(amount))
            if kind not in ("rate", "ratio"):
                yield from _step(one)
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
    """What an axis does, in its unit, or in per cent if it multiplies."""
    axis = next(one for one in plan.axes if one.name == name)
    return 100.0 * (exp(amount) - 1.0) if axis.log else amount


class _Way(NamedTuple):
    """One way of one signal to one axis, on a bench without smoothing and on one with it."""

    plain: Bench
    eased: Bench
    part: str
    way: float
    name: str
    subject: str
    unit: str

    @property
    def turns(self) -> bool:
        """Whether it turns the view."""
        return self.unit == "deg"


def _of_steps(plan: Plan, one: _Way, amount: float) -> Iterator[Felt]:
    """The smallest step, the hand's travel for a turn, how far a flick runs out."""
    route, unit = one.plain.route, one.plain.route.source.signal.unit
    if unit in ("count", "px", "notch", "press"):
        small = "smallest turn" if one.turns else "smallest step"
        yield Felt(one.subject, small, _per_cent(plan, one.name, amount), one.unit)
    counts = getattr(plan, "counts_per_cm", None)
    if counts and one.turns and unit == "count":
        yield Felt(one.subject, "hand for a turn", 360.0 / amount / counts, "cm")
    if unit == "screen":
        yield Felt(one.subject, "drag across", amount, one.unit)
    if route.glide and unit in FLICKS:
        ran = one.eased.flicked(one.part, FLICKS[unit], 40.0 * route.glide)[one.name]
        yield Felt(one.subject, "run-out", _per_cent(plan, one.name, abs(ran)), one.unit)


FLICKS = {"screen": 1.0, "deg": 90.0}
"""How fast the fingers of a flick go, by the unit of what they do: screens a second, degrees of a twist."""


def _of_rate(one: _Way) -> Iterator[Felt]:
    """A half turn, the time across the view, the slowest and fastest steady rate."""
    route, what = one.plain.route, "turn" if one.turns else "speed"
    if one.turns:
        yield Felt(one.subject, "half turn", _until(one, 180.0), "s")
    view = _view_of(one)
    if view:
        yield Felt(one.subject, "across the view", _until(one, view), "s")
    if route.source.signal.kind == "deflection" and "." in route.source.signal.name:
        least = abs(one.plain.rate(one.part, one.way * (quiet_of(route) + STEP))[one.name])
        yield Felt(
            one.subject, f"slowest {what}", _per_cent(one.plain.plan, one.name, least), f"{one.unit}/s"
        )
    build = route.turn_boost.build if route.turn_boost else 0.0
    most = abs(one.eased.steady(one.part, one.way, build + 10.0)[one.name])
    yield Felt(one.subject, f"fastest {what}", _per_cent(one.plain.plan, one.name, most), f"{one.unit}/s")


def _view_of(one: _Way) -> float:
    """The width of the view for a pan, or for an edge zone that turns; 0 for all others."""
    mount, axes = one.plain.plan.mount, {axis.name: axis.start for axis in one.plain.plan.axes}
    zoom = axes.get("zoom", 1.0)
    if one.name in PANS and isinstance(mount, Flat):
        return mount.extent / zoom
    if one.name in PANS and isinstance(mount, Overhead):
        half = tan(radians(0.5 * mount.field_of_view))
        return screen_of_ground(1.0, 1.0, axes["distance"], zoom, half=half)
    if one.plain.steered and one.name in ("yaw", "pitch"):
        return float(getattr(mount, "field_of_view", 0.0))
    return 0.0


def _until(one: _Way, far: float) -> float:
    """The time an axis takes to go this far with its control all the way out; infinite if it never does."""

    def gone(t: float) -> float:
        return abs(one.eased.moved(one.part, one.way, t)[one.name])

    return bisected(lambda t: gone(t) >= far, LONG)


def bisected(there: Callable[[float], bool], most: float) -> float:
    """The first time up to `most` (s) at which something holds, to a nanosecond; infinite if never."""
    if not there(most):
        return float("inf")
    low, high = 0.0, most
    while high - low > 1e-9 * max(1.0, high):
        middle = 0.5 * (low + high)
        low, high = (low, middle) if there(middle) else (middle, high)
    return high


def _step(one: _Way) -> Iterator[Felt]:
    """What a step of the control does over time: lag, rise, overshoot, settling.

    For a rate it is the rate that follows the step, for all others the axis itself.
    """
    subject = one.subject
    if not _smoothed(one.eased):
        yield Felt(subject, "lag", 0.0, "s")
        return
    shape = _answer(one)
    lag, low, high = (bisected(lambda t, share=share: shape(t) >= share, LONG) for share in (0.5, 0.1, 0.9))  # type: ignore[misc]
    yield Felt(subject, "lag", lag, "s")
    yield Felt(subject, "rise", high - low, "s")
    times = [lag * k / 8.0 for k in range(1, 161)] if isfinite(lag) else []
    answers = [shape(t) for t in times]
    yield Felt(subject, "overshoot", max(0.0, max(answers, default=0.0) - 1.0), "share")
    late = [t for t, answer in zip(times, answers, strict=True) if abs(answer - 1.0) > 0.02]
    if late:
        last = max(late)
        yield Felt(
            subject, "settling", last + bisected(lambda t: abs(shape(last + t) - 1.0) <= 0.02, lag), "s"
        )


def _smoothed(bench: Bench) -> bool:
    route = bench.route
    axes = [axis for axis in bench.plan.axes if axis.name in route.drives]
    return bool(route.smoothing) or (route.effect != "offset" and any(axis.smoothing for axis in axes))


def _answer(one: _Way) -> Callable[[float], float]:
    """The share of a step that has arrived after some time."""
    bench, part, name, small = one.eased, one.part, one.name, 1e-4
    route = bench.route
    push = one.way * {"screen": 0.1, "deg": 20.0}.get(route.source.signal.unit, 1.0)
    if route.source.signal.kind == "angle":
        push = one.way * (0.9 * route.full if route.full < 360.0 else 20.0)
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
    """The largest angle (deg) between a stick's push and the view's movement, over the whole disc.

    Both axes are scaled by their own full rates, so that a slower pitch is no error; a push that does
    nothing has no direction.
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

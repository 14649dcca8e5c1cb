"""What `tell` says of a profile, held to what a session of it does when its signals are pushed."""

from __future__ import annotations

import re
from collections.abc import Iterator
from dataclasses import replace
from itertools import product
from math import cos, exp, inf, log, radians, sin, tan
from typing import Any, NamedTuple

import pytest

import mellow_thumb as mt
from mellow_thumb.insight.bench import PER_CM, SCREEN, Bench, places_of
from mellow_thumb.insight.controls import Control
from mellow_thumb.insight.plain_words import touch_of
from mellow_thumb.plan import MOVES, NOTHING, PANS, Gate, Plan, Presses, Route, in_order
from mellow_thumb.plan.mounts import Flat, Overhead
from mellow_thumb.plan.steps import SlowFast
from mellow_thumb.session.session import Session

from .planes import ground_at

SOON = 1 / 64
"""Seconds after a push in which what is not smoothed has answered."""
LATE = 6.0
"""Seconds after a push in which what is smoothed has come."""


BUILT = r"([0-9.]+) \S+/s after [0-9.]+ s all the way out"
"""What is told of a boost that has built."""


class State(NamedTuple):
    """Which gates are open, and which mount is active then."""

    gates: dict[str, bool]
    mount: int


def states(plan: Plan) -> Iterator[State]:
    """Every state that gates can be in that buttons, flags, settings and hands bring about."""
    ordered = in_order(plan.gates)
    free = [gate for gate in ordered if gate.when is None]
    for opened in product((False, True), repeat=len(free)):
        gates = dict(zip((gate.name for gate in free), opened, strict=True))
        if sum(gates[gate.name] for gate in free if gate.active) > 1:
            continue  # hands are on one device at a time
        for gate in ordered:
            if gate.when is not None:
                gates[gate.name] = gate.when.holds(gates)
        ranked = [k for k in plan.mounts.by_priority() if plan.mounts.all[k].gate]
        force = next((k for k in ranked if plan.mounts.all[k].gate.holds(gates)), 0)  # type: ignore[union-attr]
        yield State(gates, force)


class Driven:
    """A session of a profile in a state of its gates, whose signals are pushed one at a time."""

    def __init__(self, plan: Plan, state: State, starts: dict[str, float]) -> None:
        self.plan, self.state = plan, state
        self.session = Session(plan, ceiling=inf, compiled=False)
        self.session.set_screen(*SCREEN, pixels_per_cm=PER_CM)
        if any(route.tilts for route in plan.routes):
            self.session.attitude((0.0, 0.0, 0.0, 1.0))
        self.session.tick(0.0)
        self.down: set[str] = set()
        """The signals that hold a gate open."""
        for gate in plan.gates:
            if gate.when is None and state.gates[gate.name]:
                self.open(gate)
        self.session.tick(LATE)
        if any(route.source.signal.device == "mouse" for route in plan.routes):
            self.session.feed("mouse.move", (1.0, 0.0))  # the jump of a pointer that is caught is dropped
            self.session.tick(LATE)
        for name, value in starts.items():
            if self.live(name):
                self.session.set_axis(name, value)
        self.session.tick(1e-6)

    def open(self, gate: Gate) -> None:
        """Do what opens a gate."""
        if gate.active:
            self.session.feed(
                {"desk": "key.F24", "pad": "pad.centre", "handheld": "motion.aim"}[gate.active], 1.0
            )
            return
        assert gate.buttons
        address = str(gate.buttons.inputs[0])
        if address.startswith("choice."):
            self.session.choose(address.removeprefix("choice."), True)
        elif gate.choice == ("toggle",):
            self.session.feed(address, 1.0, on=gate.buttons.begun_on or None)
            self.session.feed(address, 0.0)
        else:
            self.session.feed(address, 1.0, on=gate.buttons.begun_on or None)
            self.down.add(address.removesuffix(".x").removesuffix(".y"))
        if gate.travel:
            self.session.feed(str(gate.travel.signal), (2.0 * gate.travel.least, 0.0))

    @property
    def mount(self) -> Any:
        """The active mount."""
        return self.plan.mounts.all[self.state.mount].mount

    def live(self, name: str) -> bool:
        """Whether an axis moves in the active mount."""
        mounts = self.plan.mounts
        known = {axis for one in mounts.all for axis in (*one.mount.axes, *one.mount.optional)}
        return isinstance(mounts.of(self.state.mount, name), str) or name not in known

    @property
    def axes(self) -> dict[str, float]:
        """Each axis as it adds up: of one that multiplies its logarithm, of the yaw the whole turn."""
        read = self.session.tick(0.0).axes
        by_name = {axis.name: axis for axis in self.plan.axes}
        found: dict[str, float] = {}
        for name in read:
            if name == "yaw_total":
                found |= {"yaw": read[name]} if "yaw" in by_name else {}
            elif name in by_name and not (name == "yaw" and "yaw_total" in read):
                found[name] = by_name[name].inner(read[name])
        return found


def listening(plan: Plan, told: list[Control], driven: Driven, signal: str, part: str) -> list[Control]:
    """What is told of one way of a signal: of routes that listen, to axes that move."""
    found = []
    for one in told:
        route = next(route for route in plan.routes if route.name == one.route)
        if route.source.signal.name != signal or not driven.live(one.axis) or one.effect == "pin":
            continue
        if (one.signal.rpartition(".")[2] if route.source.signal.pair else "x") != part:
            continue
        if route.gate is None or route.gate.holds(driven.state.gates):
            found.append(one)
    return found


def expected(
    plan: Plan, driven: Driven, controls: list[Control], before: dict[str, float]
) -> dict[str, float]:
    """What controls come to together, by axis, for one unit of their signal."""
    found: dict[str, float] = {}
    for one in controls:
        route = next(route for route in plan.routes if route.name == one.route)
        amount = one.amount * one.sign
        for condition, factor in route.scales:
            amount *= factor if condition.holds(driven.state.gates) else 1.0
        if route.screens:
            bench = Bench(plan, route).plan
            starts = {axis.name: axis.inner(axis.start) for axis in bench.axes}
            amount *= _screen(driven.mount, before) / _screen(bench.mount, starts)
        found[one.axis] = found.get(one.axis, 0.0) + amount
    return found


def _screen(mount: Any, axes: dict[str, float]) -> float:
    """How many metres the shorter side of the view shows; axes that multiply as their logarithms."""
    zoom = exp(axes.get("zoom", 0.0))
    if isinstance(mount, Flat):
        return mount.extent / zoom
    return 2.0 * exp(axes["distance"]) * tan(radians(0.5 * mount.field_of_view)) / zoom


def pushes(plan: Plan) -> list[tuple[Route, str]]:
    """Each way of each signal once, by the first route from it."""
    found: dict[tuple[str, str], Route] = {}
    for route in plan.routes:
        if route.effect != "pin":
            for part in route.source.components:
                found.setdefault((route.source.signal.name, part), route)
    return [(route, part) for (_, part), route in found.items()]


def hold_to(profile: Plan, fractions: tuple[float, ...] = ()) -> int:
    """Push every signal of a profile, in every state of its gates, and hold what moves to what is told of it.

    `fractions` say where axes with both limits begin, as shares of the middle half between them; without any
    they begin where the profile starts them. Returns how many pushes were held to something.
    """
    told, count = list(mt.tell(profile).controls), 0
    # spreads and twists count from where their travel ends: here from where the fingers land
    at_once = (
        replace(one, after_travel=NOTHING) if one.kind in ("spread", "twist") else one
        for one in profile.touches
    )
    profile = replace(profile, touches=tuple(at_once))
    for state in states(profile):
        for route, part in pushes(profile):
            count += _held(profile, told, state, fractions, route, part)
            for way in (1.0, -1.0) if route.source.signal.low < 0.0 else (1.0,):
                _held_to_ends(profile, told, state, fractions, route, part, way)
        for route in profile.routes:
            if route.pins:
                count += _pinned(profile, state, fractions, route)
    return count


def _starts(plan: Plan, state: State, fractions: tuple[float, ...]) -> dict[str, float]:
    """Where axes of the active mount begin that have both limits, away from them."""
    found = {}
    for k, one in enumerate(plan.mounts.instances if fractions else ()):
        axis, share = one.axis, 0.25 + 0.5 * fractions[k % len(fractions)]
        if axis.name in MOVES or state.mount not in one.mounts:
            continue
        if abs(axis.low) > 1e9 or axis.high > 1e9 or (axis.log and axis.low <= 1e-9):
            continue
        if axis.log:
            found[axis.name] = axis.low * (axis.high / axis.low) ** share
        else:
            found[axis.name] = axis.low + (axis.high - axis.low) * share
    return found


def _held(
    plan: Plan, told: list[Control], state: State, fractions: tuple[float, ...], route: Route, part: str
) -> int:
    """Push one way of a signal in one state; 1 if it moves something, or something is told of it."""
    driven, signal = Driven(plan, state, _starts(plan, state, fractions)), route.source.signal
    if any(one.source.signal.name in driven.down for one in plan.routes):
        return 0  # what holds the gate open moves something already
    made = [one for one in plan.derived if isinstance(one, Presses) and one.name == signal.name]
    asked = {str(one) for gate in plan.gates if gate.buttons for one in gate.buttons.inputs}
    if any(str(one) in asked for each in made for one in each.inputs):
        return 0  # the press opens a gate, which is closed again by now
    if driven.session.tick(0.0).gates != state.gates:
        return 0  # one button opens several of them
    if len({one.shape.rest for one in plan.routes if one.source.signal == signal}) > 1:
        return 0  # what is all the way out of one rest is not of another
    before, bench = driven.axes, Bench(plan, route)
    way = next((one.sign for one in told if one.route == route.name and one.signal.endswith(part)), 1.0)
    push, step = _push(route, way)
    bench.push(driven.session, part, push + way * _travel(plan, route))
    driven.session.tick(SOON if signal.kind == "rate" else _wait(plan, told))
    frame = driven.session.tick(0.0)
    if frame.mount != driven.mount.name:
        return 0  # another mount took over, with axes of its own
    driven.state = driven.state._replace(gates=dict(frame.gates))  # to push may be to open a gate
    controls = listening(plan, told, driven, signal.name, part)
    wanted = expected(plan, driven, controls, before)
    effects = {one.axis: one.effect for one in controls}
    begun = before if signal.kind == "rate" else driven.axes
    driven.session.tick(SOON if signal.kind != "rate" else 0.0)
    after = driven.axes
    rates = {name: (value - begun[name]) / SOON for name, value in after.items()}
    driven.session.tick(LATE)
    if dict(driven.session.tick(0.0).gates) != driven.state.gates:
        return 0  # a gate has opened some time after the push
    late = driven.axes
    ends = {name: value - before[name] for name, value in late.items()}
    driven.session.tick(SOON)
    built = {name: (value - late[name]) / SOON for name, value in driven.axes.items()}
    moved = {name: rates[name] if effects.get(name) == "rate" else ends[name] for name in after}
    if set(wanted) & set(PANS):
        wanted = _in_world(wanted, before)
    loose = {one.axis for one in controls if _more_than_told(plan, one)}
    for name in _elsewhere(plan, route):
        moved.pop(name, None)
    goals = {name: value * step for name, value in wanted.items()}
    _compare(plan, driven, route, goals, moved, before, loose)
    for one in controls:
        axis, told_late = _axis(plan, driven, one.axis), re.search(BUILT, "; ".join(one.details))
        alone = sum(other.axis == one.axis for other in controls) == 1 and one.axis not in PANS
        if told_late and alone and not _stopped(axis, late[one.axis], 0.1 * goals[one.axis]):
            full = abs(float(told_late[1]) * wanted[one.axis] / one.amount)
            assert abs(built[one.axis]) == pytest.approx(full, rel=0.01), f"{route.name}, built up"
    return int(bool(wanted))


def _held_to_ends(
    plan: Plan, told: list[Control], state: State, fractions: tuple[float, ...], route: Route, part: str,
    way: float,
) -> None:  # fmt: skip
    """Push one way of a signal as far as its axes go, and hold where they stop to what is told of that."""
    signal, driven = route.source.signal, Driven(plan, state, _starts(plan, state, fractions))
    made = next((one for one in plan.derived if one.name == signal.name), None)
    if signal.device == "touch" or signal.kind in ("angle", "rate") or isinstance(made, Presses):
        return  # how far they go is theirs to say
    if driven.session.tick(0.0).gates != state.gates or signal.name in driven.down:
        return
    before = driven.axes
    controls = listening(plan, told, driven, signal.name, part)
    wanted = expected(plan, driven, controls, before)
    goals: dict[str, float] = {}
    for one in controls:
        axis = _axis(plan, driven, one.axis)
        end = one.ends.get(driven.mount.name, (None, None))[wanted[one.axis] * way > 0.0]
        turned = one.axis in PANS and before.get("yaw", 0.0)
        held = one.effect != "offset" and not axis.return_half_life and not _by_itself(driven, one.axis)
        if end is not None and wanted[one.axis] and held and not turned:
            goals[one.axis] = axis.inner(end)
    if not goals:
        return
    far = max(abs((goal - before[name]) / wanted[name]) for name, goal in goals.items())
    if any(one.effect == "step" for one in controls):
        Bench(plan, route).push(driven.session, part, 3.0 * way * far)
        driven.session.tick(LATE)
    else:
        Bench(plan, route).push(driven.session, part, way)
        driven.session.tick(3.0 * far + _wait(plan, controls))
    frame, after = driven.session.tick(0.0), driven.axes
    if dict(frame.gates) != state.gates or frame.mount != driven.mount.name:
        return
    for name, goal in goals.items():
        said = f"{route.name} stops {name} at {after[name]:g} in {state}; told: {goal:g}"
        assert after[name] == pytest.approx(goal, rel=1e-3, abs=1e-3), said


def _pinned(plan: Plan, state: State, fractions: tuple[float, ...], route: Route) -> int:
    """Move what a route pins, and see that the ground stays under it; 1 if the route listens there."""
    driven = Driven(plan, state, _starts(plan, state, fractions))
    session = driven.session
    if not isinstance(driven.mount, Flat | Overhead) or not any(map(driven.live, route.drives)):
        return 0
    touch = touch_of(plan, route)
    part, place = route.source.components[0], (0.5, 0.5)
    # a pinned point waits for the travel of its fingers, and is under them at three times that
    ways = ("down", 0.0), ("move", 0.1 if touch and touch.kind == "drag" else 2.5)
    first: tuple[float, float] | None = None
    for phase, amount in ways:
        if touch:
            places = places_of(touch, part, amount)
            for finger, at in enumerate(places, 1):
                session.touch(finger, phase, at, on=touch.starts_on or None)
            place = (sum(x for x, _ in places) / len(places), sum(y for _, y in places) / len(places))
        elif route.effect == "pin" or phase == "down":
            place = (0.5 + 0.1 * amount / 2.5, 0.5)
            session.feed("mouse.place", place)
        else:
            Bench(plan, route).push(session, part, 0.2)
        session.tick(LATE if first is None or route.effect != "rate" else SOON)
        first = first or _ground_under(session.view(), place)
    if route.gate and not route.gate.holds(dict(session.tick(0.0).gates)):
        return 0
    last = _ground_under(session.view(), place)
    assert last == pytest.approx(first, abs=1e-6), f"{route.name} lets the ground slip in {state}"
    return 1


def _ground_under(view: mt.View, place: tuple[float, float]) -> tuple[float, float]:
    """What of a picture, or of level ground, is under a place of a square screen."""
    x, y = 2.0 * place[0] - 1.0, 2.0 * place[1] - 1.0
    if view.extent:
        return view.position[0] + 0.5 * x * view.extent, view.position[1] + 0.5 * y * view.extent
    point = ground_at(view, place, 1.0)
    return float(point[0]), float(point[2])


def _wait(plan: Plan, controls: list[Control]) -> float:
    """Seconds after which a rate has come to what it is told to, but for a thousandth."""
    names = {one.route for one in controls}
    eased: list[Any] = [route.smoothing for route in plan.routes if route.name in names]
    eased += [one.axis.smoothing for one in plan.mounts.instances]
    slow = [getattr(one, "half_life", getattr(one, "half_time", 0.0)) for one in eased if one]
    return 0.05 + 16.0 * max(slow, default=0.0)


def _elsewhere(plan: Plan, pushed: Route) -> set[str]:
    """The axes that are told of signals made of this one, such as its presses; and what is pinned meanwhile."""
    signal = pushed.source.signal
    made = {one.name for one in plan.derived if any(each.signal == signal for each in one.inputs)}
    found = {axis for route in plan.routes if route.source.signal.name in made for axis in route.drives}
    fingers = signal.device == "touch"
    pins = [route.source.signal for route in plan.routes if route.pins]
    pinned = any(one == signal or (fingers and one.device == "touch") for one in pins)
    return found | (set(PANS) if pinned else set())


def _push(route: Route, way: float) -> tuple[float, float]:
    """How far to push a signal, and how many of its units that is."""
    kind, unit = route.source.signal.kind, route.source.signal.unit
    if kind == "ratio":
        return 1.5, log(1.5)
    if kind == "angle":
        inner = route.shape.inner * route.full
        push = way * min(inner + 4.0, route.full)
        return push, push - way * inner
    if kind == "rate":
        return way * 10.0, way * 10.0
    if kind == "displacement":
        step = way * {"screen": 0.05, "deg": 40.0}.get(unit, 1.0)
        return step, step
    return way, way


def _travel(plan: Plan, route: Route) -> float:
    """How much further fingers must go before a touch moves anything."""
    touch: Any = next((one for one in plan.touches if f"touch.{one.name}" == route.source.signal.name), None)
    if touch is None or touch.kind not in ("drag", "two_finger_drag") or not touch.after_travel.value:
        return 0.0
    return float(touch.after_travel.screens(SCREEN[0] / PER_CM))


def _compare(
    plan: Plan, driven: Driven, route: Route, wanted: dict[str, float], moved: dict[str, float],
    before: dict[str, float], loose: set[str],
) -> None:  # fmt: skip
    for name, value in moved.items():
        axis, goal = _axis(plan, driven, name), wanted.get(name, 0.0)
        if abs(goal) < 1e-9 and (abs(value) < 1e-4 or axis.return_half_life):
            continue
        if _by_itself(driven, name):
            continue
        about = f"{route.name} moves {name} by {value:g} in {driven.state}; told: {goal:g}"
        assert goal * value > 0.0 or _stopped(axis, before[name], goal), about
        if not (name in loose or axis.return_half_life or _stopped(axis, before[name], 2.0 * goal)):
            assert value == pytest.approx(goal, rel=0.01, abs=1e-4), about


def _more_than_told(plan: Plan, control: Control) -> bool:
    """Whether what a control does grows from what it is told to begin with: by a boost, a gain, a fast hand."""
    route = next(route for route in plan.routes if route.name == control.route)
    return bool(route.turn_boost or route.speed_gain or isinstance(route.smoothing, SlowFast))


def _by_itself(driven: Driven, name: str) -> bool:
    """Whether the active mount moves an axis by itself: back behind the walk, along its bounds."""
    back = name == "yaw" and getattr(driven.mount, "returns", None)
    return bool(back or (name in PANS and getattr(driven.mount, "bounds", ())))


def _axis(plan: Plan, driven: Driven, name: str) -> Any:
    """An axis as the active mount has it."""
    key = plan.mounts.of(driven.state.mount, name)
    own = [one.axis for one in plan.mounts.instances if one.key == key]
    return own[0] if own else next(axis for axis in plan.axes if axis.name == name)


def _stopped(axis: Any, begun: float, goal: float) -> bool:
    """Whether a limit is nearer than where an axis would go."""
    low, high = (
        (axis.inner(axis.low) if axis.low > 0 or not axis.log else -inf),
        axis.inner(axis.high) if axis.high < inf else inf,
    )
    return not low <= begun + goal <= high


def _in_world(wanted: dict[str, float], before: dict[str, float]) -> dict[str, float]:
    """What is told of pans, to the right and ahead in the view, as their axes have it: to +X and to -Z."""
    yaw = radians(before.get("yaw", 0.0))
    right, ahead = wanted.get("pan_x", 0.0), wanted.get("pan_y", 0.0)
    turned = {"pan_x": right * cos(yaw) + ahead * sin(yaw), "pan_y": ahead * cos(yaw) - right * sin(yaw)}
    return wanted | {name: value if abs(value) > 1e-9 else 0.0 for name, value in turned.items()}

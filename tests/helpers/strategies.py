"""Random plans and takes, for every test that holds for all of them."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import replace
from math import inf

import pandas as pd
from hypothesis import assume
from hypothesis import strategies as st

from mellow_thumb import PlanError, Session, Take
from mellow_thumb.plan.accessibility import Hands
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate, When
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.kinds import Mount
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.mounts.orbits import Orbit
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import ATTITUDE, Address, find_signal
from mellow_thumb.plan.steps import (
    Close,
    DeadZone,
    Exponential,
    OneEuro,
    SlowFast,
    Smoothing,
    SpeedGain,
    Spring,
    TurnBoost,
)
from mellow_thumb.plan.steps.curves import Blend, Points, Power
from mellow_thumb.plan.steps.shape import Shape

from . import switching
from .switching import DERIVED

Event = tuple[str, tuple[float, float] | float, float]
"""A signal, its value, its time."""

SWITCHES = ("mouse.left", "mouse.right", "mouse.middle", "key.KeyQ", "pad.south")
HELD = ("pad.right_stick", "pad.right_stick.x", "pad.right_stick.y", "pad.left_trigger", "key.KeyQ")
angles = st.floats(-1e6, 1e6, allow_nan=False)
gains = st.floats(-2.0, 2.0, allow_nan=False)
half_lives = st.sampled_from([0.012, 0.035, 0.3])
smoothings = st.none() | st.builds(Exponential, half_lives) | st.builds(Spring, half_lives)
travels = st.integers(5, 495).map(lambda k: k / 500)
curves = st.one_of(
    st.builds(Power, st.floats(0.3, 4.0)),
    st.builds(Blend, st.floats(0.0, 1.0)),
    st.lists(st.tuples(travels, st.floats(0.0, 1.0)), max_size=5, unique_by=lambda p: p[0]).map(
        lambda ps: Points(tuple(zip(sorted(p[0] for p in ps), sorted(p[1] for p in ps), strict=True)))
    ),
)
dead_zones = st.builds(
    DeadZone,
    st.sampled_from(["radial", "axial", "wedge"]),
    st.floats(0.0, 0.4),
    st.floats(0.6, 1.0),
    st.floats(0.0, 0.5),
)
rests = st.floats(-0.3, 0.3)
shapes = st.builds(
    Shape,
    st.tuples(rests, rests),
    st.sampled_from(["disc", "square"]),
    st.none() | dead_zones,
    st.none() | curves,
)
boosts = st.builds(TurnBoost, st.floats(0.5, 1.0), st.floats(0.1, 2.0), st.floats(0.05, 0.5))


@st.composite
def axes(draw: st.DrawFn, name: str, *, limits: bool = True) -> Axis:
    """An axis that starts inside its limits, or has none."""
    start = draw(st.floats(-80.0, 80.0))
    if not limits or not draw(st.booleans()):
        return Axis(name, start)
    span = st.floats(0.0, 60.0)
    return Axis(
        name, start, start - draw(span) - 1e-3, draw(st.sampled_from([inf, start + draw(span) + 1e-3]))
    )


def step_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A displacement of the mouse that turns something."""
    source = find_signal(draw(st.sampled_from(["mouse.move", "mouse.move.x", "mouse.move.y"])))
    drives, gain = _drives(draw, source.width, 2.0)
    return Route(name, source, drives, gain, gate, smoothing)


def any_steps(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A displacement with everything that one may have."""
    route = step_routes(draw, name, gate, smoothing)
    if draw(st.booleans()):
        route = replace(route, smoothing=SlowFast(draw(half_lives), draw(st.floats(0.0, 900.0)), 5000.0))
    if draw(st.booleans()):
        route = replace(
            route, speed_gain=SpeedGain(draw(st.floats(0.0, 900.0)), 5000.0, draw(st.floats(-0.5, 2.0)))
        )
    return replace(route, scales=draw(scales(gate)))


def held_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A stick, a trigger or a key that turns something, or leans it."""
    source = find_signal(draw(st.sampled_from(HELD)))
    drives, gain = _drives(draw, source.width, 200.0)
    effect = (
        draw(st.sampled_from(["rate", "rate", "offset"])) if source.signal.kind == "deflection" else "rate"
    )
    shape = draw(shapes) if source.signal.kind == "deflection" else Shape()
    boost = draw(st.none() | boosts) if effect == "rate" and not isinstance(smoothing, Spring) else None
    return Route(name, source, drives, gain, gate, smoothing, effect, shape, turn_boost=boost)


def any_held(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A held value with everything that one may have."""
    route = held_routes(draw, name, gate, smoothing)
    other = draw(
        st.none()
        | st.builds(OneEuro, st.floats(0.2, 5.0), st.floats(0.0, 2.0))
        | st.builds(SlowFast, half_lives, st.floats(0.0, 0.4), st.floats(0.5, 1.0))
    )
    if other and route.effect == "rate" and not route.turn_boost:
        route = replace(route, smoothing=other)
    return replace(route, scales=draw(scales(gate)))


def made_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A derived signal that turns something."""
    made = DERIVED[draw(st.integers(0, len(DERIVED) - 1))].signal
    source = Address(made, draw(st.sampled_from(["", "x", "y"])) if made.pair else "")
    drives, gain = _drives(draw, source.width, 90.0)
    effect = "step" if made.kind == "displacement" else draw(st.sampled_from(["rate", "rate", "offset"]))
    return Route(name, source, drives, gain, gate, smoothing, effect)


def at_the_gate(draw: st.DrawFn, route: Route) -> Route:
    """The same route with anything that may be done as its gate opens and closes."""
    if route.gate is None:
        return route
    easing = {"lean", *MOVES} & set(route.drives)  # which return by themselves, or brake
    back = [] if easing else [Close("return", 0.1)]
    close = st.sampled_from([None, Close("stop"), Close("settle"), *back])
    held = route.effect != "step"
    return replace(
        route,
        on_close=draw(close),
        fresh=draw(st.sampled_from([None, True, False])) if held else None,
        zero_on_open=draw(st.booleans())
        if route.source.signal.kind in ("deflection", "angle") and "." in route.source.signal.name
        else False,
    )


def move_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A stick, or keys, that walk."""
    del smoothing
    source = draw(st.sampled_from([find_signal("pad.right_stick"), *(Address(d.signal) for d in DERIVED)]))
    assume(source.width == 2 and source.signal.held)
    return Route(name, source, MOVES, (1.0, draw(st.sampled_from([1.0, -1.0]))), gate, None, "offset")


def movements(names: list[str]) -> st.SearchStrategy[Movement]:
    """A character that walks in any way."""
    conditions: st.SearchStrategy[Condition | None] = st.sampled_from([None, *map(Condition, names)])
    factors = conditions.flatmap(lambda c: st.floats(0.0, 2.0).map(lambda k: ((c, k),) if c else ()))
    faces = conditions.flatmap(
        lambda c: st.sampled_from(["view", "free"]).map(lambda f: ((c, f),) if c else ())
    )
    speeds, rates = st.floats(0.5, 8.0), st.floats(0.5, 40.0)
    ways = st.sampled_from([("camera", "travel"), ("camera", "view"), ("world", "travel"), ("body", "view")])
    return ways.flatmap(
        lambda way: st.builds(
            Movement, speeds, rates, rates | st.just(0.0), factors, st.just(way[0]), st.just(way[1]), faces,
            st.floats(90.0, 900.0),
        )
    )  # fmt: skip


def turn_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A handheld device that turns something."""
    source = find_signal(draw(st.sampled_from(["motion.aim", "motion.aim.x", "motion.aim.y"])))
    drives, gain = _drives(draw, source.width, 2.0)
    eased = draw(st.just(smoothing) | st.builds(OneEuro, st.floats(0.2, 5.0), st.floats(0.0, 2.0)))
    return Route(name, source, drives, gain, gate, eased, "rate", scales=draw(scales(gate)))


def tilt_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A handheld device that is tilted and leans something, or turns it."""
    source = find_signal(draw(st.sampled_from(["motion.tilt", "motion.tilt.x", "motion.tilt.y"])))
    drives, gain = _drives(draw, source.width, 90.0)
    shape = Shape((0.0, 0.0), "disc", draw(st.none() | dead_zones), draw(st.none() | curves))
    effect = draw(st.sampled_from(["offset", "offset", "rate"]))
    return Route(
        name, source, drives, gain, gate, smoothing, effect, shape, full=draw(st.floats(10.0, 360.0))
    )


def wheel_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A wheel that zooms."""
    del smoothing
    return Route(name, find_signal("mouse.wheel.y"), ("zoom",), (draw(st.floats(-0.3, 0.3)),), gate)


def lean_routes(draw: st.DrawFn, name: str, gate: When | None, smoothing: Smoothing | None) -> Route:
    """A stick that drives an axis of its own, which returns to rest."""
    del smoothing
    source = find_signal(draw(st.sampled_from(["pad.right_stick.x", "mouse.move.y"])))
    effect = "rate" if source.signal.held else "step"
    return Route(name, source, ("lean",), (draw(st.floats(0.5, 60.0)),), gate, None, effect)


def scales(gate: When | None) -> st.SearchStrategy[tuple[tuple[Condition, float], ...]]:
    """A factor while the route's own gate is open, or none."""
    if not isinstance(gate, Condition):
        return st.just(())
    return st.just(()) | st.floats(0.0, 2.0).map(lambda factor: ((Condition(gate.gate), factor),))


def _drives(draw: st.DrawFn, width: int, most: float) -> tuple[tuple[str, ...], tuple[float, ...]]:
    names = st.lists(st.sampled_from(["yaw", "pitch", "roll"]), min_size=width, max_size=width, unique=True)
    size = st.floats(0.01 * most, most)
    return tuple(draw(names)), tuple(draw(size) * draw(st.sampled_from([-1.0, 1.0])) for _ in range(width))


Maker = Callable[[st.DrawFn, str, "When | None", "Smoothing | None"], Route]


EVERYTHING = (
    any_steps,
    any_steps,
    any_held,
    any_held,
    made_routes,
    wheel_routes,
    lean_routes,
    move_routes,
    turn_routes,
    tilt_routes,
)
"""Makers of routes with every conditioning there is."""


@st.composite
def taking_over(draw: st.DrawFn, gates: list[str], cues: list[str], eased: bool) -> tuple[Mounted, ...]:
    """Mounts that take over from another, some with axes of their own, some with shared ones."""
    found = []
    for name in draw(st.sampled_from([(), (), ("near",), ("far",), ("near", "far")])):
        gate = draw(
            st.sampled_from([None, *(Condition(one, wanted) for one in gates for wanted in (True, False))])
        )
        cue = draw(st.sampled_from(["", *cues]))
        if not gate and not cue:
            continue
        ways = {axis: draw(st.sampled_from(["own", "shared", "fixed"])) for axis in ("yaw", "pitch", "roll")}
        easing = None if eased else draw(st.builds(Exponential, half_lives) | st.builds(Spring, half_lives))
        own = [Axis(axis, 3.0, -50.0, 60.0, smoothing=easing) for axis, way in ways.items() if way == "own"]
        fixed = [(axis, 12.0) for axis, way in ways.items() if way == "fixed"]
        shares = tuple(axis for axis, way in ways.items() if way == "shared" and draw(st.booleans()))
        mount: Mount = Eye(name, 1.2)
        if name == "far":
            mount = Orbit(name, (0.4, 1.5, 0.0), draw(st.sampled_from(["world", "entry", "subject"])), 0.08)
            fixed.append(("distance", 4.0))
        more = (draw(st.integers(0, 2)), tuple(own), tuple(fixed), shares)
        blend = draw(st.sampled_from([None, 0.0, 0.18]))
        found.append(Mounted(mount, gate, cue, *more, blend, draw(st.booleans())))
    return tuple(found)


@st.composite
def plans(
    draw: st.DrawFn,
    *,
    limits: bool = True,
    smoothings: st.SearchStrategy[Smoothing | None] = smoothings,
    makers: tuple[Maker, ...] = (step_routes, step_routes, held_routes),
) -> Plan:
    """A few routes, some behind gates, some shaped, some smoothed."""
    rich = makers is EVERYTHING
    if rich:
        gates = draw(switching.gates())
    else:
        gates = tuple(
            Gate(name, Buttons(tuple(find_signal(s) for s in draw(st.lists(st.sampled_from(SWITCHES), min_size=1, max_size=3, unique=True)))))
            for name in draw(st.lists(st.sampled_from(["glassing", "resting", "counting"]), unique=True))
        )  # fmt: skip
    names = [gate.name for gate in gates]
    leaves = [None, *(Condition(name, wanted) for name in names for wanted in (True, False))]
    whens = (
        st.sampled_from(leaves) | switching.conditions(names) if rich and names else st.sampled_from(leaves)
    )
    routes = [
        draw(st.sampled_from(makers))(draw, f"route {count}", draw(whens), draw(smoothings))
        for count in range(draw(st.integers(1, 4)))
    ]
    if rich:
        routes = [at_the_gate(draw, route) for route in routes]
    parts = [draw(axes(name, limits=limits)) for name in ("yaw", "pitch", "roll")]
    if makers is EVERYTHING:
        easings = st.none() | st.builds(Exponential, half_lives) | st.builds(Spring, half_lives)
        parts.append(
            Axis(
                "lean", 2.0, -20.0, 30.0, rest=1.0, return_half_life=draw(half_lives), smoothing=draw(easings)
            )
        )
        parts.append(Axis("zoom", 2.0, 1.0, 8.0, "x", log=True, rest=1.0, smoothing=draw(easings)))
    if not rich:
        return Plan(tuple(routes), gates, tuple(parts), Eye("eye", 1.6))
    hands = draw(st.sampled_from([Hands(), Hands(), Hands(0.03, 0.02), Hands(turn_cap=60.0)]))
    used = {route.source.signal.name for route in routes}
    derived = tuple(made for made in DERIVED if made.name in used or draw(st.integers(0, 5)) == 0)
    walks: Movement | None = None
    cues = draw(switching.cues(names))
    more = (derived, cues, hands, draw(st.sampled_from(["free", "held"])))
    if any(set(route.drives) & set(MOVES) for route in routes):
        parts += [Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES]
        walks = draw(movements(names))
    eased = any(route.smoothing or route.turn_boost for route in routes)
    others = draw(taking_over(names, [cue.name for cue in cues], eased))
    try:
        return Plan(tuple(routes), gates, tuple(parts), Eye("eye", 1.6), *more, walks, others)
    except PlanError as error:
        assume("can never open" not in str(error))
        raise


@st.composite
def events(draw: st.DrawFn, *, seconds: float = 1.0, most: int = 40, plain: bool = False) -> list[Event]:
    """Mouse movements and presses, by time; some at the same time, some in bursts, some on frame ends."""
    counts = st.integers(-400, 400).map(float)
    value = st.one_of(
        st.tuples(st.just("mouse.move"), st.tuples(counts, counts)),
        st.tuples(st.sampled_from(["mouse.move.x", "mouse.move.y"]), counts),
        st.tuples(st.sampled_from(SWITCHES), st.sampled_from([0.0, 1.0])),
        st.tuples(st.just("pad.right_stick"), st.tuples(st.floats(-1.0, 1.0), st.floats(-1.0, 1.0))),
        st.tuples(st.sampled_from(["pad.right_stick.x", "pad.right_stick.y"]), st.floats(-1.0, 1.0)),
        st.tuples(st.just("pad.left_trigger"), st.floats(0.0, 1.0)),
        st.tuples(st.just("motion.aim"), st.tuples(st.floats(-300.0, 300.0), st.floats(-300.0, 300.0))),
        st.tuples(st.sampled_from(ATTITUDE), st.floats(-1.0, 1.0)),
        st.tuples(st.just("mouse.wheel.y"), st.integers(-3, 3).map(float)),
        *([] if plain else [switching.doings, switching.doings]),
    )
    moment = st.one_of(
        st.floats(0.0, seconds, exclude_max=True),
        st.integers(0, int(seconds * 360) - 1).map(lambda k: k / 360),
    )
    found: list[Event] = []
    for signal, what in draw(st.lists(value, max_size=most)):
        t = draw(st.one_of(moment, st.just(found[-1][2]) if found else moment))
        burst = draw(st.integers(1, 4)) if signal.startswith("mouse.move") else 1
        found += [(signal, what, min(t + k * 0.001, seconds * 0.9999)) for k in range(burst)]
    return sorted(found, key=lambda event: event[2])


def joined(events: list[Event]) -> list[Event]:
    """Events as a take tells them: an ``.x`` and the ``.y`` right after it, at one time, are one pair."""
    found: list[Event] = []
    for signal, value, t in events:
        stem = signal.removesuffix(".y")
        last = found[-1] if found else ("", 0.0, 0.0)
        if signal == f"{stem}.y" and last[0] == f"{stem}.x" and last[2] == t:
            assert isinstance(last[1], float)
            assert isinstance(value, float)
            found[-1] = (stem, (last[1], value), t)
        else:
            found.append((signal, value, t))
    return found


def feed(session: Session, event: Event) -> None:
    """Feed a session one event; after an ``@`` stands what a press begins on."""
    signal, value, t = event
    name, _, began = signal.partition("@")
    session.feed(name, value, at=t, on=began or None)


def take_of(events: list[Event]) -> Take:
    """The same events as a take."""
    rows: list[tuple[float, str, float, str | None]] = []
    for signal, value, t in events:
        name, _, began = signal.partition("@")
        if isinstance(value, tuple):
            rows += [(t, f"{name}.x", value[0], None), (t, f"{name}.y", value[1], None)]
        else:
            rows.append((t, name, value, began or None))
    table = pd.DataFrame(rows, columns=["t", "signal", "value", "on"])
    return Take(table.astype({"t": float, "signal": "category", "value": float}))

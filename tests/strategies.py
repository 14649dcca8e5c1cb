"""Random plans and takes, for every test that holds for all of them."""

from __future__ import annotations

from math import inf

import pandas as pd
from hypothesis import strategies as st

from mellow_thumb import Take
from mellow_thumb.axes import Axis
from mellow_thumb.gates import Condition, Gate
from mellow_thumb.mounts import Eye
from mellow_thumb.plan import Plan
from mellow_thumb.routes import Route
from mellow_thumb.signals import CATALOGUE, find_signal

Event = tuple[str, tuple[float, float] | float, float]
"""A signal, its value, its time."""

SWITCHES = tuple(name for name, signal in CATALOGUE.items() if signal.kind == "switch")
angles = st.floats(-1e6, 1e6, allow_nan=False)
gains = st.floats(-2.0, 2.0, allow_nan=False)
half_lives = st.sampled_from([0.0, 0.0, 0.01, 0.035, 0.3])


@st.composite
def axes(draw: st.DrawFn, name: str, *, limits: bool = True) -> Axis:
    """An axis that starts inside its limits, or has none."""
    start = draw(st.floats(-80.0, 80.0))
    if not limits or not draw(st.booleans()):
        return Axis(name, start)
    room = st.floats(0.0, 60.0)
    return Axis(
        name, start, start - draw(room) - 1e-3, draw(st.sampled_from([inf, start + draw(room) + 1e-3]))
    )


@st.composite
def plans(draw: st.DrawFn, *, limits: bool = True, half_lives: st.SearchStrategy[float] = half_lives) -> Plan:
    """A few routes of the mouse, some behind gates, some smoothed."""
    gates = tuple(
        Gate(name, tuple(find_signal(s) for s in draw(st.lists(st.sampled_from(SWITCHES), min_size=1, max_size=3, unique=True))))
        for name in draw(st.lists(st.sampled_from(["glassing", "resting", "counting"]), unique=True))
    )  # fmt: skip
    conditions = [None, *(Condition(gate.name, wanted) for gate in gates for wanted in (True, False))]
    routes = []
    for count in range(draw(st.integers(1, 4))):
        source = find_signal(draw(st.sampled_from(["mouse.move", "mouse.move.x", "mouse.move.y"])))
        drives = draw(
            st.lists(
                st.sampled_from(["yaw", "pitch", "roll"]),
                min_size=source.width,
                max_size=source.width,
                unique=True,
            )
        )
        gain = tuple(draw(gains) for _ in drives)
        routes.append(
            Route(
                f"route {count}",
                source,
                tuple(drives),
                gain,
                draw(st.sampled_from(conditions)),
                draw(half_lives),
            )
        )
    parts = tuple(draw(axes(name, limits=limits)) for name in ("yaw", "pitch", "roll"))
    return Plan(tuple(routes), gates, parts, Eye("eye", 1.6))


@st.composite
def events(draw: st.DrawFn, *, seconds: float = 1.0, most: int = 40) -> list[Event]:
    """Mouse movements and presses, by time; some at the same time, some in bursts, some on frame ends."""
    counts = st.integers(-400, 400).map(float)
    value = st.one_of(
        st.tuples(st.just("mouse.move"), st.tuples(counts, counts)),
        st.tuples(st.sampled_from(["mouse.move.x", "mouse.move.y"]), counts),
        st.tuples(st.sampled_from(SWITCHES), st.sampled_from([0.0, 1.0])),
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


def take_of(events: list[Event]) -> Take:
    """The same events as a take."""
    rows: list[tuple[float, str, float]] = []
    for signal, value, t in events:
        if isinstance(value, tuple):
            rows += [(t, f"{signal}.x", value[0]), (t, f"{signal}.y", value[1])]
        else:
            rows.append((t, signal, value))
    table = pd.DataFrame(rows, columns=["t", "signal", "value"])
    return Take(table.astype({"t": float, "signal": "str", "value": float}))

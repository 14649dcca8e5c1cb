"""Random gates, derived signals and cues; what a player may do to them."""

from __future__ import annotations

from typing import Any

from hypothesis import strategies as st

from mellow_thumb.basics.errors import PlanError
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import MOMENTS, Cue
from mellow_thumb.plan.derived import Derived, EdgeZone, KeySet, Presses
from mellow_thumb.plan.gate_checks import check_changeable
from mellow_thumb.plan.gates import Condition, Gate, Several, Travel, When
from mellow_thumb.plan.signals import find_signal

SWITCHES = ("mouse.left", "mouse.right", "key.KeyQ", "key.KeyE", "pad.south")
STICKS = ("pad.left_trigger", "pad.left_stick", "pad.right_stick.x")
THINGS = ("bird", "interface", "reeds")
DERIVED: tuple[Derived, ...] = (
    KeySet("steps", tuple((find_signal(f"key.Key{key}"),) for key in "ADSW"), "newest", (find_signal("key.KeyL"),)),
    KeySet("sides", ((find_signal("key.KeyQ"), find_signal("key.KeyA")), (find_signal("key.KeyE"),))),
    EdgeZone("edge", find_signal("mouse.place"), (0.1,) * 4),
    Presses("snap", Buttons(tuple(map(find_signal, ("pad.left_stick.x", "key.KeyE"))), 0.6, 0.3)),
    Presses("pecks", Buttons((find_signal("mouse.left"),), begun_on="bird")),
)  # fmt: skip
MADE = {made.name: made for made in DERIVED}

times = st.sampled_from([0.0, 0.02, 0.05, 0.3])


@st.composite
def buttons(draw: st.DrawFn) -> Buttons:
    """Switches and sticks, or one switch that asks what its press began on."""
    if draw(st.integers(0, 4)) == 0:
        on, thing = draw(st.booleans()), draw(st.sampled_from(["bird", "reeds"]))
        begun = ("" if not on else thing, thing if not on else "")
        return Buttons((find_signal(draw(st.sampled_from(SWITCHES))),), 0.5, 0.4, *begun)
    names = draw(st.lists(st.sampled_from(SWITCHES + STICKS), min_size=1, max_size=3, unique=True))
    at = draw(st.floats(0.1, 1.0))
    return Buttons(tuple(map(find_signal, names)), at, at * draw(st.floats(0.3, 1.0)))


@st.composite
def gates(draw: st.DrawFn) -> tuple[Gate, ...]:
    """A few gates of every kind; combinations ask those before them."""
    found: list[Gate] = []
    for k in range(draw(st.integers(0, 5))):
        kind = draw(st.sampled_from(["hold", "hold", "toggle", "choice", "flag", "active", "when", "when"]))
        options: dict[str, Any] = {"after": draw(times)} | draw(
            st.sampled_from([{}, {}, {"cursor": "held"}, {"cursor": "free", "priority": 2}])
        )
        if kind in ("hold", "toggle", "choice"):
            ways = (
                draw(st.sampled_from([("hold", "toggle"), ("toggle", "hold")]))
                if kind == "choice"
                else (kind,)
            )
            travel = draw(st.sampled_from([None, None, Travel(find_signal("mouse.move"), 150.0)]))
            gate = Gate(f"g{k}", draw(buttons()), ways, travel=travel, **options)
        elif kind == "flag":
            gate = Gate(
                f"g{k}",
                Buttons((find_signal(draw(st.sampled_from(["flag.menu", "choice.calm"]))),)),
                **options,
            )
        elif kind == "active":
            gate = Gate(f"g{k}", active=draw(st.sampled_from(["desk", "pad"])), **options)
        elif found:
            gate = Gate(f"g{k}", when=draw(conditions([one.name for one in found])), **options)
        else:
            continue
        try:
            check_changeable([*found, gate])
        except PlanError:
            continue
        found.append(gate)
    return tuple(found)


def conditions(names: list[str]) -> st.SearchStrategy[When]:
    """A gate, its opposite, or several of them."""
    one = st.builds(Condition, st.sampled_from(names), st.booleans())
    several = st.builds(Several, st.lists(one, min_size=1, max_size=3).map(tuple), st.booleans())
    return st.one_of(one, one, several, st.builds(Several, st.tuples(one, several), st.booleans()))


@st.composite
def cues(draw: st.DrawFn, names: list[str]) -> tuple[Cue, ...]:
    """A few cues of every kind."""
    gate = st.none() | conditions(names) if names else st.none()
    return tuple(
        Cue(f"c{k}", draw(buttons()), on, draw(gate), 0.1, 0.08, draw(times), draw(times))
        for k, on in enumerate(draw(st.lists(st.sampled_from(MOMENTS), max_size=3)))
    )


_bits = st.sampled_from([0.0, 1.0])
_shares = st.floats(-1.0, 1.0)

doings = st.one_of(
    st.tuples(
        st.sampled_from((*SWITCHES, "key.KeyW", "key.KeyA", "key.KeyS", "key.KeyD", "key.KeyL")), _bits
    ),
    st.tuples(st.sampled_from(SWITCHES), _bits),
    st.tuples(st.builds("{}@{}".format, st.sampled_from(SWITCHES), st.sampled_from(THINGS)), _bits),
    st.tuples(st.sampled_from(["pad.left_stick", "pad.right_stick"]), st.tuples(_shares, _shares)),
    st.tuples(st.sampled_from(["pad.left_stick.x", "pad.right_stick.x", "pad.right_stick.y"]), _shares),
    st.tuples(st.just("pad.left_trigger"), st.floats(0.0, 1.0)),
    st.tuples(st.sampled_from(["flag.menu", "choice.calm", "choice.g0", "choice.g1", "choice.g2"]), _bits),
    st.tuples(
        st.sampled_from(["host.focus", "pad.connected", "mouse.connected", "key.connected", "mouse.inside"]),
        _bits,
    ),
    st.tuples(st.just("host.focus"), st.just(1.0)),
    st.tuples(st.just("mouse.place"), st.tuples(st.floats(0.0, 1.0), st.floats(0.0, 1.0))),
    st.tuples(st.just("host.screen"), st.just((1600.0, 900.0))),
)
"""What hands and hosts do besides moving a mouse; after an ``@``, what a press begins on."""


@st.composite
def play(draw: st.DrawFn) -> list[tuple[str, tuple[float, float] | float, float]]:
    """A second of few inputs and many presses, at gaps that gates and cues wait for."""
    few = st.sampled_from(draw(st.lists(st.sampled_from(SWITCHES), min_size=1, max_size=2, unique=True)))
    doing = st.one_of(
        st.tuples(few, _bits),
        st.tuples(few, _bits),
        st.tuples(few, _bits),
        st.tuples(st.builds("{}@{}".format, few, st.sampled_from(THINGS)), _bits),
        st.tuples(st.sampled_from(["flag.menu", "choice.calm", "choice.g0", "choice.g1"]), _bits),
        st.tuples(st.just("pad.left_trigger"), st.sampled_from([0.0, 0.3, 0.6, 1.0])),
        st.tuples(st.sampled_from(["host.focus", "host.focus", "pad.connected"]), _bits),
        st.tuples(st.just("mouse.move"), st.tuples(st.sampled_from([2.0, 90.0]), st.just(80.0))),
        doings,
    )
    t, found = 0.0, []
    for signal, value in draw(st.lists(doing, min_size=4, max_size=40)):
        t += draw(st.sampled_from([0.0, 0.004, 0.02, 0.05, 0.07, 0.1, 0.3]))
        if t < 1.0:
            found.append((signal, value, t))
    return found

"""What each signal says now."""

from __future__ import annotations

from math import exp
from typing import TYPE_CHECKING

from ..plan import EdgeZone, KeySet
from ..weaving import own_role

if TYPE_CHECKING:
    from ..plan import Plan
    from ..weaving import Program
    from .running import Running
    from .walker import Taken

Said = float | tuple[float, float]


def live_signals(running: Running, state: tuple[float, ...] | None = None) -> dict[str, Said]:
    """The value of each held and derived signal, by name: the current one, or that of a state."""
    values = dict(zip(running.program.roles.values(), state or running.saved, strict=True))
    found: dict[str, Said] = {}
    pairs = {name: signal.pair for name, signal in running.program.heard.items() if signal.held}
    pairs |= {
        f"signals.{one.name}": one.signal.pair
        for one in running.plan.derived
        if isinstance(one, EdgeZone | KeySet)
    }
    pairs |= {one.name: one.pair for touch in running.plan.touches for one in touch.signals if one.held}
    for name, pair in pairs.items():
        parts = ("_x", "_y") if pair else ("", "_x")
        stems = (own_role(name), name.replace(".", "_"))
        said = [values[f"{stem}{part}"] for stem in stems for part in parts if f"{stem}{part}" in values]
        if said:
            found[name.removeprefix("signals.")] = (said[0], said[1]) if pair else said[0]
    return found


def held_now(running: Running) -> dict[str, float]:
    """The current value of each switch and of each part of a stick or a trigger, by address."""
    heard, held = running.program.heard, dict[str, float]()
    for name, said in live_signals(running).items():
        if name in heard and heard[name].kind in ("switch", "deflection"):
            held |= parts_of(name, said)
    return held


def heard_in(taken: Taken, running: Running, now: float) -> list[tuple[float, str, float, float]]:
    """What came in during a frame that ended `now`, and what touches made of it."""
    names = {code: name for name, code in taken.program.codes.items()}
    found = [(t, names[code], x, y) for t, code, x, y in taken.items if code in names]
    if running.plan.touches and taken.state and running.program is taken.program:
        said = _said_by_touches(running.plan, running.program, taken.state, running.saved)
        found += [(now, name, x, y) for name, (x, y) in said.items()]
    return found


def _said_by_touches(
    plan: Plan, program: Program, then: tuple[float, ...], now: tuple[float, ...]
) -> dict[str, tuple[float, float]]:
    """What each touch said between two states of a program: a distance, degrees or a factor; x and y."""
    places = {role: k for k, role in enumerate(program.roles.values())}
    found = {}
    for touch in plan.touches:
        stem = own_role(f"touch.{touch.name}.said")
        if f"{stem}_x" not in places:
            continue
        x, y = (now[k] - then[k] for k in (places[f"{stem}_x"], places[f"{stem}_y"]))
        if x or y:
            found[touch.signal.name] = (exp(x), 0.0) if touch.kind == "spread" else (x, y)
    return found


def parts_of(name: str, said: Said) -> dict[str, float]:
    """The addresses of a signal, each with its value: one, or two for a pair."""
    return (
        dict(zip((f"{name}.x", f"{name}.y"), said, strict=True)) if isinstance(said, tuple) else {name: said}
    )

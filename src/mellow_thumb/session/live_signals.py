"""What each signal says now."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..plan import EdgeZone, KeySet
from ..weaving import own_role

if TYPE_CHECKING:
    from .running import Running

Said = float | tuple[float, float]


def live_signals(running: Running) -> dict[str, Said]:
    """What each held signal says now, by its name, and what is made of them."""
    values = dict(zip(running.program.roles.values(), running.saved, strict=True))
    found: dict[str, Said] = {}
    pairs = {name: signal.pair for name, signal in running.program.heard.items() if signal.held}
    pairs |= {
        f"signals.{one.name}": one.signal.pair
        for one in running.plan.derived
        if isinstance(one, EdgeZone | KeySet)
    }
    for name, pair in pairs.items():
        parts = ("_x", "_y") if pair else ("", "_x")
        stems = (own_role(name), name.replace(".", "_"))
        said = [values[f"{stem}{part}"] for stem in stems for part in parts if f"{stem}{part}" in values]
        if said:
            found[name.removeprefix("signals.")] = (said[0], said[1]) if pair else said[0]
    return found


def parts_of(name: str, said: Said) -> dict[str, float]:
    """The addresses of a signal, each with what it says: one, or two for a pair."""
    return (
        dict(zip((f"{name}.x", f"{name}.y"), said, strict=True)) if isinstance(said, tuple) else {name: said}
    )

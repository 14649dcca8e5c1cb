"""States: which gates may be open together, which mount is active then, and where a route acts."""

from __future__ import annotations

from itertools import product
from typing import TYPE_CHECKING, NamedTuple

from ..basics import listed
from ..plan import KNOWN, MOST_FREE, MOVES, in_order

if TYPE_CHECKING:
    from collections.abc import Iterator, Sequence

    from ..plan import Plan, Route


class State(NamedTuple):
    """Which gates are open, and the number of a mount that may then be active."""

    gates: dict[str, bool]
    mount: int

    def hears(self, route: Route) -> bool:
        """Whether a route listens in this state."""
        return route.gate is None or route.gate.holds(self.gates)


def states_of(plan: Plan) -> Iterator[State]:
    """Every state that a profile may be in; empty if it has too many gates to try."""
    ordered = in_order(plan.gates)
    free = [gate.name for gate in ordered if gate.when is None]
    if len(free) > MOST_FREE:
        return
    ranked = [k for k in plan.mounts.by_priority() if plan.mounts.all[k].gate]
    by_cue = [k for k, one in enumerate(plan.mounts.all) if one.cue]
    for opened in product((False, True), repeat=len(free)):
        gates = dict(zip(free, opened, strict=True))
        for gate in ordered:
            if gate.when is not None:
                gates[gate.name] = gate.when.holds(gates)
        gated = [k for k in ranked if plan.mounts.all[k].gate.holds(gates)]  # type: ignore[union-attr]
        yield from (State(gates, k) for k in gated[:1] or [0, *by_cue])


def listens_in(plan: Plan, route: Route, states: Sequence[State]) -> frozenset[int]:
    """The mounts, by number, that may be active while a route listens; all of them if nobody knows."""
    if not states:
        return frozenset(range(len(plan.mounts.all)))
    return frozenset(one.mount for one in states if one.hears(route))


def moves_in(plan: Plan, name: str, mounts: frozenset[int]) -> frozenset[int]:
    """The mounts, out of some, in which an axis moves the camera, the character or the host's numbers."""
    if name not in KNOWN or name in MOVES:
        return mounts
    return frozenset(k for k in mounts if isinstance(plan.mounts.of(k, name), str))


def idle_words(plan: Plan, name: str, mounts: frozenset[int]) -> str:
    """Why a route that listens in some mounts moves nothing; empty if it does, or the host may."""
    if not mounts:
        return "its gates are never open together"
    everywhere = frozenset(range(len(plan.mounts.all)))
    if moves_in(plan, name, mounts) or not moves_in(plan, name, everywhere):
        return ""
    names = listed([plan.mounts.all[k].mount.name for k in sorted(mounts)], "and")
    return f"{names} {'does' if len(mounts) == 1 else 'do'} not use {name}"

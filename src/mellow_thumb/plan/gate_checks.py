"""Gates together: their order of evaluation, and whether each can open and close."""

from __future__ import annotations

from itertools import product
from typing import TYPE_CHECKING

from ..basics import PlanError
from .signals import FAMILIES

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator, Mapping

    from .gates import Gate, When


def in_order(gates: Iterable[Gate]) -> list[Gate]:
    """Gates in an order in which each comes after those it depends on.

    Raises :class:`PlanError` for one that depends on a missing gate, or on itself.
    """
    by_name = {gate.name: gate for gate in gates}
    done: dict[str, Gate] = {}

    def visit(gate: Gate, path: tuple[str, ...]) -> None:
        if gate.name in path:
            way = " -> ".join((*path[path.index(gate.name) :], gate.name))
            words = f"{gate.name}: found a gate that waits for itself: {way}; expected other gates"
            raise PlanError(words, path=("gates", gate.name))
        for name in sorted(gate.when.gates if gate.when else ()):
            if name not in by_name:
                words = f"{gate.name}: found the gate {name}, which is not there"
                raise PlanError(words, path=("gates", gate.name))
            visit(by_name[name], (*path, gate.name))
        done.setdefault(gate.name, gate)

    for gate in by_name.values():
        visit(gate, ())
    return list(done.values())


def excludes(one: When, other: When) -> bool:
    """Whether two conditions can never hold at the same time."""
    names = sorted(one.gates | other.gates)
    if len(names) > MOST_FREE:
        return False
    everything = (dict(zip(names, open_, strict=True)) for open_ in product((False, True), repeat=len(names)))
    return not any(one.holds(open_) and other.holds(open_) for open_ in everything)


MOST_FREE = 12
"""Combinations of more gates than this are not tried out."""


def check_changeable(gates: Iterable[Gate]) -> None:
    """Refuse a gate that can never open, or never close."""
    ordered = in_order(gates)
    by_name = {gate.name: gate for gate in ordered}
    for gate in ordered:
        if gate.when is None:
            continue
        found = set(_outcomes(gate, by_name))
        if found and len(found) < 2:
            never = "close" if True in found else "open"
            words = f"{gate.name}: found {gate.when}, which can never {never}; expected gates that can"
            raise PlanError(words, path=("gates", gate.name))


def _outcomes(gate: Gate, by_name: Mapping[str, Gate]) -> Iterator[bool]:
    """The values of a combination, for every state of the gates under it."""
    needed: dict[str, Gate] = {}

    def collect(one: Gate) -> None:
        for name in one.when.gates if one.when else ():
            collect(by_name[name])
        needed.setdefault(one.name, one)

    collect(gate)
    free = [one for one in needed.values() if one.when is None and not one.active]
    if len(free) > MOST_FREE:
        return
    for device, *states in product(FAMILIES, *[(False, True)] * len(free)):
        open_ = {one.name: bool(state) for one, state in zip(free, states, strict=True)}
        for one in needed.values():
            if one.when is not None:
                open_[one.name] = one.when.holds(open_)
            elif one.active:
                open_[one.name] = one.active == device
        yield open_[gate.name]

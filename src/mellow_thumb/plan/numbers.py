"""Numbers of a plan, apart from its shape: plans of one shape are one program, whatever their numbers.

Every float of a plan is such a number, with two exceptions that belong to its shape: an infinite one, which
is no limit, and a 0 where that means none at all (the names in a class's `NONE_AT_ZERO`). What a signal is
belongs to the shape as well.
"""

from __future__ import annotations

from dataclasses import fields, is_dataclass
from functools import cache
from math import isinf
from typing import TYPE_CHECKING, NamedTuple

from ..expressions import Parameters
from .plan import Plan
from .signals import Signal

if TYPE_CHECKING:
    from collections.abc import Hashable, Iterable, Iterator

    from ..expressions import Parameter


class _Field(NamedTuple):
    """A field of a part of a plan."""

    name: str
    is_number: bool
    none_at_zero: bool
    """Whether 0 means that there is none."""


_PLAN = _Field("", is_number=False, none_at_zero=False)


@cache
def _fields(kind: type) -> tuple[_Field, ...]:
    none = getattr(kind, "NONE_AT_ZERO", ())
    return tuple(_Field(one.name, one.type == "float", one.name in none) for one in fields(kind))


def _kind(one: object) -> type | None:
    """The class of a part of a plan that has numbers; nothing for a word, a whole number or a signal."""
    if isinstance(one, Plan):
        return Plan  # a profile is one
    return type(one) if is_dataclass(one) and not isinstance(one, Signal) else None


def _part(one: object, field: _Field) -> object:
    """What a field of a part holds; a whole number that stands for a float as that."""
    found = getattr(one, field.name)
    return float(found) if field.is_number and type(found) is int else found


class Taken(NamedTuple):
    """A plan taken apart."""

    shape: Hashable
    """Equal for plans that differ in numbers alone."""
    numbers: list[float]
    words: list[tuple[str, bool]]
    """For each number: the field that holds it, and whether it could have been none."""


def take_apart(plan: Plan) -> Taken:
    """A plan as its shape and its numbers."""
    taken = Taken(None, [], [])
    return taken._replace(shape=_shape(plan, _PLAN, taken))


def _shape(one: object, field: _Field, taken: Taken) -> Hashable:
    if isinstance(one, float):
        if isinf(one) or (field.none_at_zero and one == 0.0):
            return one
        taken.numbers.append(one)
        taken.words.append((field.name, field.none_at_zero))
        return Taken
    if isinstance(one, tuple):
        return tuple([_shape(part, field, taken) for part in one])
    kind = _kind(one)
    if kind is None:
        return one
    return (kind, *[_shape(_part(one, inner), inner, taken) for inner in _fields(kind)])


def with_parameters(plan: Plan, taken: Taken) -> tuple[Plan, Parameters]:
    """A plan in which parameters stand for its numbers, and all of these."""
    among = Parameters(taken.words)
    return with_numbers(plan, among.given), among


def with_numbers(plan: Plan, numbers: Iterable[float | Parameter]) -> Plan:
    """A plan of the same shape with other numbers, or what stands for them, unchecked."""
    made = _filled(plan, _PLAN, iter(numbers))
    assert isinstance(made, Plan)
    return made


def _filled(one: object, field: _Field, given: Iterator[float | Parameter]) -> object:
    if isinstance(one, float):
        return one if isinf(one) or (field.none_at_zero and one == 0.0) else next(given)
    if isinstance(one, tuple):
        return tuple([_filled(part, field, given) for part in one])
    kind = _kind(one)
    if kind is None:
        return one
    made: object = object.__new__(kind)  # unchecked: a parameter cannot be compared with a limit
    for inner in _fields(kind):
        object.__setattr__(made, inner.name, _filled(_part(one, inner), inner, given))
    return made

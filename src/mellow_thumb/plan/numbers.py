"""A plan's numbers, apart from its shape: plans of one shape share one program, whatever their numbers.

Every float of a plan is such a number, except those that belong to its shape: an infinite one, which is no
limit; a 0 where that means none (the names in a class's `NONE_AT_ZERO`); and what decides who comes
first (those in `OF_SHAPE`). Signals belong to the shape too.
"""

from __future__ import annotations

from dataclasses import fields, is_dataclass
from functools import cache
from math import isinf
from typing import TYPE_CHECKING, NamedTuple, TypeVar

from ..basics import altered
from ..expressions import Parameters
from .plan import Plan
from .signals import Signal

if TYPE_CHECKING:
    from collections.abc import Hashable, Iterable, Iterator, Mapping

    from ..expressions import Parameter
    from .routes import Route

_Plan = TypeVar("_Plan", bound=Plan)


class _Field(NamedTuple):
    """A field of a plan's part."""

    name: str
    is_number: bool
    none_at_zero: bool
    """Whether 0 means that there is none."""
    of_shape: bool = False
    """Whether every number that it holds belongs to the shape."""

    def is_shape(self, number: float) -> bool:
        """Whether its number belongs to the shape: no limit, or a 0 for none."""
        return self.of_shape or isinf(number) or (self.none_at_zero and number == 0.0)


_PLAN = _Field("", is_number=False, none_at_zero=False)


@cache
def _fields(kind: type) -> tuple[_Field, ...] | None:
    """The fields of a class of parts; None for what has no numbers: a word, an integer, a signal."""
    if not is_dataclass(kind) or issubclass(kind, Signal):
        return None
    none, shaped = (getattr(kind, names, ()) for names in ("NONE_AT_ZERO", "OF_SHAPE"))
    kind = Plan if issubclass(kind, Plan) else kind  # a profile is one
    return tuple(
        _Field(one.name, one.type == "float", one.name in none, one.name in shaped) for one in fields(kind)
    )


def _part(one: object, field: _Field) -> object:
    """The value of a part's field; an integer in a float field as a float."""
    found = getattr(one, field.name)
    return float(found) if field.is_number and type(found) is int else found


class Shape:
    """A plan without its numbers: equal for plans that differ in numbers alone."""

    __slots__ = ("_hash", "_parts")

    def __init__(self, parts: Hashable) -> None:
        self._parts, self._hash = parts, hash(parts)

    def __hash__(self) -> int:
        return self._hash

    def __eq__(self, other: object) -> bool:
        return self is other or (isinstance(other, Shape) and self._parts == other._parts)


class Taken(NamedTuple):
    """A plan or a route, taken apart."""

    shape: Shape
    numbers: list[float]
    fields: list[_Field]
    """For each number: what holds it."""
    routes: tuple[Taken, ...] = ()
    """The routes of a plan; their numbers come first."""


_TAKEN = "_taken_apart"


def take_apart(plan: Plan) -> Taken:
    """Split a plan into its shape and its numbers; each plan is split once."""
    known: Taken | None = plan.__dict__.get(_TAKEN)
    if known is None:
        routes = tuple([_taken(route) for route in plan.routes])
        found = [one for route in routes for one in zip(route.numbers, route.fields, strict=True)]
        rest = [
            _shape(getattr(plan, one.name), one, found) for one in _fields(Plan) or () if one.name != "routes"
        ]
        known = _found(found, (tuple([route.shape for route in routes]), *rest))._replace(routes=routes)
        plan.__dict__[_TAKEN] = known
    return known


def _taken(route: Route) -> Taken:
    found: list[tuple[float, _Field]] = []
    return _found(found, _shape(route, _PLAN, found))


def _found(found: list[tuple[float, _Field]], parts: Hashable) -> Taken:
    return Taken(Shape(parts), [number for number, _ in found], [field for _, field in found])


def with_routes(plan: _Plan, routes: Mapping[str, Route]) -> _Plan | None:
    """A plan with some routes replaced, by name; None if they differ in more than numbers.

    Checks of routes together depend on their shape alone, and are not repeated.
    """
    taken, new = take_apart(plan), list(plan.routes)
    numbers, parts, begin = list(taken.numbers), list(taken.routes), 0
    for k, (old, was) in enumerate(zip(plan.routes, taken.routes, strict=True)):
        route = routes.get(old.name)
        if route is not None:
            now = _taken(route)
            if now.shape != was.shape:
                return None
            new[k], parts[k] = route, now
            numbers[begin : begin + len(now.numbers)] = now.numbers
        begin += len(was.numbers)
    made = altered(plan, routes=tuple(new))
    made.__dict__.pop("digest", None)
    made.__dict__[_TAKEN] = taken._replace(numbers=numbers, routes=tuple(parts))
    return made


def _shape(one: object, field: _Field, found: list[tuple[float, _Field]]) -> Hashable:
    """The shape of a field's part; its numbers are collected on the way."""
    if type(one) is str or one is None:  # nearly all are
        return one
    if isinstance(one, float):
        if field.is_shape(one):
            return one
        found.append((one, field))
        return Taken
    if isinstance(one, tuple):
        return tuple([_shape(part, field, found) for part in one])
    kind: type = type(one)
    inner = _fields(kind)
    if inner is None:
        return one
    return (kind, *[_shape(_part(one, each), each, found) for each in inner])


def with_parameters(plan: Plan, taken: Taken) -> tuple[Plan, Parameters]:
    """A plan with parameters in place of its numbers, and the parameters."""
    among = Parameters((field.name, field.none_at_zero) for field in taken.fields)
    return with_numbers(plan, among.given), among


def with_numbers(plan: Plan, numbers: Iterable[float | Parameter]) -> Plan:
    """A plan of the same shape with other numbers or parameters, unchecked."""
    made = _filled(plan, _PLAN, iter(numbers))
    assert isinstance(made, Plan)
    return made


def _filled(one: object, field: _Field, given: Iterator[float | Parameter]) -> object:
    if isinstance(one, float):
        return one if field.is_shape(one) else next(given)
    if isinstance(one, tuple):
        return tuple([_filled(part, field, given) for part in one])
    kind: type = type(one)
    fields_of = _fields(kind)
    if fields_of is None:
        return one
    made: object = object.__new__(Plan if isinstance(one, Plan) else kind)
    # unchecked: a parameter cannot be compared with a limit
    for inner in fields_of:
        object.__setattr__(made, inner.name, _filled(_part(one, inner), inner, given))
    return made

"""Parameters: numbers that a program gets when it starts, so that other numbers need no new program.

A parameter stands in an expression for a number of a profile. What is worked out of parameters alone, such as
a decay of a half-life, is a parameter too: its own number is worked out once, before the program runs.

To code that writes a program, a parameter looks like the float that it stands for: the fields of a plan
say ``float`` and hold parameters while it is woven.
"""

from __future__ import annotations

import operator
from functools import partial
from math import isinf
from typing import TYPE_CHECKING, cast

from .values import Name, Number, Operation, Value, lift

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Sequence

    Works = Callable[..., float]
    Row = tuple[Works, tuple[int, ...]]

SIGNS: dict[str, Works] = {
    "+": operator.add,
    "-": operator.sub,
    "*": operator.mul,
    "/": operator.truediv,
    "**": operator.pow,
}
"""What each sign works out."""


class Parameter(Name):
    """A number that a program is given, as a value: its name stands in the text, never the number.

    While a program is written you cannot ask whether it is larger than another. Whether it is there at all
    you can, where 0 means none: then one that is 0 is not a parameter.
    """

    __slots__ = ("among", "is_there", "place", "word")

    def __init__(self, among: Parameters, place: int, word: str, *, is_there: bool = False) -> None:
        super().__init__(f"n{place}_{word}")  # nothing else in a program is called so
        self.among, self.place, self.word, self.is_there = among, place, word, is_there

    def __bool__(self) -> bool:
        return True if self.is_there else super().__bool__()

    def __add__(self, other: Value | float) -> Value:
        return _joined("+", self, other)

    def __radd__(self, other: Value | float) -> Value:
        return _joined("+", other, self)

    def __sub__(self, other: Value | float) -> Value:
        return _joined("-", self, other)

    def __rsub__(self, other: Value | float) -> Value:
        return _joined("-", other, self)

    def __mul__(self, other: Value | float) -> Value:
        return _joined("*", self, other)

    def __rmul__(self, other: Value | float) -> Value:
        return _joined("*", other, self)

    def __truediv__(self, other: Value | float) -> Value:
        return _joined("/", self, other)

    def __rtruediv__(self, other: Value | float) -> Value:
        return _joined("/", other, self)

    def __neg__(self) -> Value:
        return self.among.of(operator.neg, self)

    def __abs__(self) -> Value:
        return self.among.of(abs, self)


def _joined(sign: str, left: Value | float, right: Value | float) -> Value:
    """Two values with an operator between; worked out beforehand if both are numbers by then."""
    numbers = [one.value if isinstance(one, Number) else one for one in (left, right)]
    among = next(one.among for one in numbers if isinstance(one, Parameter))
    if all(isinstance(one, float | Parameter) for one in numbers):
        return among.of(SIGNS[sign], *numbers)
    return Operation(sign, lift(left), lift(right))


class Parameters:
    """All parameters of a program, in order: those given, and those worked out from them."""

    def __init__(self, words: Iterable[tuple[str, bool]]) -> None:
        """Start with those given: what each is called, and whether it could have been none."""
        self.given = [
            Parameter(self, place, word, is_there=is_there) for place, (word, is_there) in enumerate(words)
        ]
        self.all = [*self.given]
        """Those, and what is worked out of them."""
        self.rows: list[Row] = []
        """How these are worked out, in order."""
        self._known: dict[tuple[object, ...], Parameter] = {}

    def of(self, function: Works, *numbers: float | Value) -> Parameter:
        """The result of a function of parameters and numbers; the same ones give the same parameter."""
        words = [one.word for one in numbers if isinstance(one, Parameter)]
        places = tuple([self._place(one) for one in numbers])
        return self._row(function, places, f"of_{words[0].removeprefix('of_')}", (function, *places))

    def _place(self, one: float | Value) -> int:
        if isinstance(one, Parameter):
            return one.place
        assert isinstance(one, float)
        return self._row(partial(float, one), (), "number", (repr(one),)).place

    def _row(self, function: Works, places: tuple[int, ...], word: str, key: tuple[object, ...]) -> Parameter:
        if key not in self._known:
            self._known[key] = Parameter(self, len(self.all), word)
            self.all.append(self._known[key])
            self.rows.append((function, places))
        return self._known[key]


def work_out(rows: Iterable[Row], given: Sequence[float]) -> list[float]:
    """The numbers given, then what each row makes of those before it."""
    found = [*given]
    for function, places in rows:
        found.append(function(*[found[place] for place in places]))
    return found


def worked_out(function: Works, *numbers: float) -> float:
    """A function's result; if an argument is a parameter, so is the result.

    Pass the same function object each time: a new lambda per call would count as another function.
    """
    given: tuple[object, ...] = numbers
    among = next((one.among for one in given if isinstance(one, Parameter)), None)
    return function(*numbers) if among is None else cast("float", among.of(function, *numbers))


def is_infinite(number: float) -> bool:
    """Whether a number is infinite; parameters never are."""
    return not isinstance(cast("object", number), Value) and isinf(number)

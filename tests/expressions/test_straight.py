"""Formulas taken in: straight-line code, and an error with file and line for anything else."""

from __future__ import annotations

import inspect
from collections.abc import Callable, Iterator
from importlib import import_module
from math import exp, sqrt
from pathlib import Path
from pkgutil import iter_modules

import pytest

from mellow_thumb import formulas
from mellow_thumb.basics import FormulaError
from mellow_thumb.expressions import check_formula

Formula = Callable[..., object]


def every_formula() -> Iterator[Formula]:
    for module in iter_modules(formulas.__path__):
        found = import_module(f"{formulas.__name__}.{module.name}")
        own = (
            one
            for _, one in inspect.getmembers(found, inspect.isfunction)
            if one.__module__ == found.__name__
        )
        yield from own


@pytest.mark.parametrize("formula", list(every_formula()), ids=lambda one: one.__name__)
def test_a_formula_is_straight_line_code(formula: Formula) -> None:
    straight = check_formula(formula)
    assert straight.values or straight.constants
    assert straight.results


def helper(x: float) -> float:
    return x


def branching(x: float) -> float:
    if x > 0.0:
        return x
    return -x


def looping(x: float) -> float:
    for _ in range(3):
        x = x * 2.0
    return x


def helped(x: float) -> float:
    return helper(x) + 1.0


def again(x: float) -> float:
    y = x * 2.0
    y = y + 1.0
    return y + x


def unknown(x: float) -> float:
    return x * OUTSIDE


OUTSIDE = 3.0


def whole(x: float) -> float:
    return x * 2


def early(x: float) -> float:
    return x
    y = x
    return y + x


def chained(x: float) -> float:
    return 1.0 if 0.0 < x < 1.0 else 0.0


def unpacked(x: float) -> float:
    a, b = x, x
    return a + b


def optional(x: float, y: float = 1.0) -> float:
    return x + y


def nothing(x: float) -> None:
    y = x  # noqa: F841


def rooted(x: float) -> float:
    return sqrt(exp(x), x)  # type: ignore[call-arg]


@pytest.mark.parametrize(
    ("formula", "line", "found"),
    [
        (branching, 1, "found an if"),
        (looping, 1, "found a loop"),
        (helped, 1, "found a call of helper, which is not one of abs, atan"),
        (again, 2, "found y assigned again"),
        (unknown, 1, "found OUTSIDE, which is no parameter and was not assigned before"),
        (whole, 1, "found 2, which is no float"),
        (early, 1, "found a return"),
        (chained, 1, "found a chain of comparisons"),
        (unpacked, 1, "found a tuple"),
        (optional, 0, "found a parameter with a default"),
        (nothing, 1, "found an assignment at the end"),
    ],
    ids=lambda one: getattr(one, "__name__", None),
)
def test_what_is_not_straight_is_refused_where_it_stands(formula: Formula, line: int, found: str) -> None:
    first = inspect.getsourcelines(formula)[1]
    with pytest.raises(FormulaError) as told:
        check_formula(formula)
    place = f"{Path(__file__)}:{first + line}: {formula.__name__}: "
    assert str(told.value).startswith(f"{place}{found}")

"""Parameters: what stands for a number comes to what the number would have come to."""

from __future__ import annotations

import math
import operator

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.expressions import (
    Block,
    Names,
    Parameter,
    Parameters,
    Word,
    is_infinite,
    lift,
    read_in,
    work_out,
    worked_out,
)
from mellow_thumb.formulas import wrapped, zone

numbers = st.floats(-1e6, 1e6)
SIGNS = (operator.add, operator.sub, operator.mul)


@given(numbers, numbers, st.lists(st.tuples(st.sampled_from(SIGNS), numbers, st.booleans()), max_size=6))
def test_arithmetic_is_worked_out_beforehand_and_comes_to_the_same(
    a: float, b: float, steps: list[tuple[type, float, bool]]
) -> None:
    among = Parameters([("a", False), ("b", False)])
    first, second = among.given
    made, wanted = abs(-first) - second, abs(-a) - b
    for sign, number, left in steps:
        made = sign(number, made) if left else sign(made, number)
        wanted = sign(number, wanted) if left else sign(wanted, number)
    assert isinstance(made, Parameter)
    assert work_out(among.rows, [a, b])[made.place] == wanted
    tan, low = worked_out(math.atan, made), worked_out(max, second, -1.0)  # type: ignore[arg-type]
    found = work_out(among.rows, [a, b])
    assert [found[one.place] for one in (tan, low)] == [math.atan(wanted), max(b, -1.0)]  # type: ignore[attr-defined]


def test_what_is_worked_out_twice_is_one_parameter_and_equal_numbers_are_two() -> None:
    among = Parameters([("half_life", True), ("half_life", True)])
    first, second = among.given
    assert str(0.5 / first) == str(0.5 / first)
    assert str(0.5 / first) != str(0.5 / second)
    assert (str(first), str(0.5 / first)) == ("n0_half_life", "n3_of_half_life")


def test_with_what_changes_as_a_program_runs_it_stays_in_the_text() -> None:
    among = Parameters([("gain", False)])
    (gain,) = among.given
    assert str(Word("x") * gain) == "x * n0_gain"
    assert str(gain * Word("x")) == "n0_gain * x"
    assert str(gain - lift(1.0)) == "n2_of_gain"
    assert str(gain <= 1.0) == "n0_gain <= 1.0"


def test_how_large_it_is_cannot_be_asked_and_whether_it_is_there_only_where_0_is_none() -> None:
    among = Parameters([("gain", False), ("half_life", True)])
    gain, half_life = among.given
    for test in (gain < 1.0, half_life == 1.0, gain):
        with pytest.raises(TypeError, match="neither true nor false"):
            bool(test)
    with pytest.raises(TypeError, match="neither true nor false"):
        max(gain, 1.0)
    with pytest.raises(TypeError):
        math.log(gain)  # type: ignore[arg-type]
    assert half_life
    assert not is_infinite(gain)  # type: ignore[arg-type]
    assert is_infinite(-math.inf)


def test_a_formula_makes_what_its_constants_come_to_beforehand() -> None:
    among = Parameters([("inner", False), ("outer", False)])
    inner, outer = among.given
    block = Block(Names())
    block.call(zone, Word("size"), inner=inner, outer=outer)  # type: ignore[arg-type]
    read = read_in(block.statements)
    made = [one for one in among.all if one.text in read]
    assert [work_out(among.rows, [0.25, 0.75])[one.place] for one in made] == [0.25, 0.5]


def test_what_a_formula_is_given_as_a_number_is_worked_out_too_and_is_a_float() -> None:
    block = Block(Names())
    (turned,) = block.call(wrapped, 370.0)
    (one,) = (value for one in block.statements for value in one.values)  # type: ignore[union-attr]
    assert str(one) == "370.0 if 370.0 > -180.0 and 370.0 <= 180.0 else 10.0 if 10.0 > -180.0 else 180.0"
    among = Parameters([("start", False)])
    block.call(wrapped, among.given[0])
    found = work_out(among.rows, [-190.0])
    assert turned.name == "wrapped"
    assert 170.0 in found
    assert all(isinstance(one, float) for one in found)

"""Values: what is written is what Python works out, whatever stands inside what; nothing is decided too early."""

from __future__ import annotations

import math
import operator
from collections.abc import Callable
from typing import Any, NamedTuple

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.expressions import (
    MATHS,
    Number,
    Value,
    Word,
    cases,
    every,
    flag,
    lift,
    some,
    total,
    where,
    whole,
)
from mellow_thumb.expressions.values import (
    Call,
    Choice,
    Junction,
    Negative,
    Operation,
    Opposite,
    Relation,
    Template,
)

NAMES = ("a", "b", "c")
Space = dict[str, Any]


class Pair(NamedTuple):
    """An expression, and what it is to come to, worked out without its text."""

    value: Value
    meant: Callable[[Space], Any]


SIGNS: dict[str, Callable[[Any, Any], Any]] = {"+": operator.add, "-": operator.sub, "*": operator.mul}
TESTS: dict[str, Callable[[Any, Any], Any]] = {
    "<": operator.lt, "<=": operator.le, ">": operator.gt, ">=": operator.ge, "==": operator.eq, "!=": operator.ne,
}  # fmt: skip


def _name(name: str) -> Pair:
    return Pair(Word(name), lambda space: space[name])


def _number(value: float) -> Pair:
    return Pair(Number(value), lambda _: value)


leaves = st.sampled_from(NAMES).map(_name) | st.sampled_from([0.0, 1.5, -2.0, 1e-3, -0.25]).map(_number)


def _larger(inner: st.SearchStrategy[Pair]) -> st.SearchStrategy[Pair]:
    def operation(sign: str, a: Pair, b: Pair) -> Pair:
        return Pair(Operation(sign, a.value, b.value), lambda s: SIGNS[sign](a.meant(s), b.meant(s)))

    def comparison(sign: str, a: Pair, b: Pair) -> Pair:
        return Pair(Relation(sign, (a.value, b.value)), lambda s: TESTS[sign](a.meant(s), b.meant(s)))

    def junction(word: str, a: Pair, b: Pair) -> Pair:
        both = word == "and"
        return Pair(
            Junction(word, (a.value, b.value)),
            lambda s: (a.meant(s) and b.meant(s)) if both else (a.meant(s) or b.meant(s)),
        )

    return st.one_of(
        st.builds(operation, st.sampled_from([*SIGNS]), inner, inner),
        st.builds(comparison, st.sampled_from([*TESTS]), inner, inner),
        st.builds(junction, st.sampled_from(["and", "or"]), inner, inner),
        st.builds(lambda a: Pair(Negative(a.value), lambda s: -a.meant(s)), inner),
        st.builds(lambda a: Pair(Opposite(a.value), lambda s: not a.meant(s)), inner),
        st.builds(lambda a: Pair(Call("abs", (a.value,)), lambda s: abs(a.meant(s))), inner),
        st.builds(
            lambda t, a, b: Pair(
                Choice(t.value, a.value, b.value), lambda s: a.meant(s) if t.meant(s) else b.meant(s)
            ),
            inner, inner, inner,
        ),
    )  # fmt: skip


pairs = st.recursive(leaves, _larger, max_leaves=12)
spaces = st.fixed_dictionaries({name: st.sampled_from([-3.0, 0.0, 0.5, 2.0]) for name in NAMES})


@given(pairs, spaces)
def test_the_text_of_an_expression_comes_to_what_is_meant(pair: Pair, space: Space) -> None:
    assert eval(str(pair.value), dict(MATHS), dict(space)) == pair.meant(space)


@given(pairs)
def test_an_expression_reads_the_names_in_its_text(pair: Pair) -> None:
    code = compile(str(pair.value), "", "eval")
    assert pair.value.names == set(code.co_names) - {"abs"}


@given(pairs, pairs, spaces)
def test_filled_in_an_expression_is_the_same_as_text_and_as_a_tree(
    outer: Pair, inner: Pair, space: Space
) -> None:
    given_ = {"a": inner.value, "b": Word("b"), "c": lift(2.0)}
    filled = Template(outer.value).filled(given_)
    assert str(filled) == filled.spell(
        lambda part, least: f"({part})" if part.strength < least else str(part)
    )
    meant = outer.meant({**space, "a": inner.meant(space), "c": 2.0})
    assert eval(str(filled), dict(MATHS), dict(space)) == meant
    assert filled.names <= {"a", "b", "c"}


def test_nothing_is_decided_while_a_program_is_written() -> None:
    a = Word("a")
    for early in (
        lambda: bool(a > 1.0),
        lambda: 1.0 if a else 2.0,
        lambda: a > 0.0 and a < 1.0,
        lambda: a in [lift(1.0), lift(2.0)],
    ):
        with pytest.raises(TypeError, match="neither true nor false"):
            early()
    with pytest.raises(TypeError, match="expected a value or a float"):
        a + 1


def test_words_for_tests_and_choices() -> None:
    a, b = Word("a"), Word("b")
    assert str(where(a > 1.0, a, 1.0)) == "a if a > 1.0 else 1.0"
    assert str(every([a > 0.0, every([b > 0.0, a < b])])) == "a > 0.0 and b > 0.0 and a < b"
    assert str(some([])) == "False"
    assert str(every([])) == "True"
    assert str(total([])) == "0.0"
    assert str(flag(a == whole(3))) == "1.0 if a == 3 else 0.0"
    assert str(cases([(a < 1.0, 1.0), (a < 2.0, 2.0)], b)) == "1.0 if a < 1.0 else 2.0 if a < 2.0 else b"
    assert str(a - (b - 1.0)) == "a - (b - 1.0)"
    assert str(-(a + b) * lift(-2.0)) == "-(a + b) * -2.0"
    assert math.isclose(eval(str(2.0 / (1.0 - a)), {}, {"a": 3.0}), -1.0)

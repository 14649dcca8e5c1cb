"""Blocks: what is written runs in that order, and a step used again is never stale."""

from __future__ import annotations

from collections.abc import Callable
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.expressions import Block, Names, State, Value, Word, lift, read_in, set_in, used
from mellow_thumb.weaving.languages import compiled, function

NAMES = ("a", "b", "c")
A, B, C = map(Word, NAMES)


def summed(x: float, y: float) -> float:
    """Two values and their product."""
    both = x * y
    return x + y + both


def turned(x: float, *, k: float) -> tuple[float, float]:
    """Two values at once."""
    return x - k, x * 0.5 + k


FORMULAS: tuple[tuple[Callable[..., Any], int], ...] = ((summed, 2), (turned, 1))
names = st.sampled_from(NAMES)
step = st.tuples(st.just("call"), st.integers(0, 1), names, names, names)
change = st.tuples(st.just("set"), names, st.floats(-2.0, 2.0))
Doing = tuple[Any, ...]
doings = st.recursive(
    st.lists(step | change, max_size=4),
    lambda inner: st.lists(step | change | st.tuples(st.just("when"), names, inner, inner), max_size=4),
    max_leaves=8,
)


def write(block: Block, todo: list[Doing]) -> None:
    """Write doings into a block."""
    for what, *words in todo:
        if what == "call":
            which, first, second, into = words
            formula, count = FORMULAS[which]
            given_ = [Word(first), Word(second)][:count]
            constants: Any = {"k": 0.25} if formula is turned else {}
            (result, *_) = block.call(formula, *given_, **constants)
            block.set(Word(into), result)
        elif what == "set":
            block.set(Word(words[0]), words[1])
        else:
            with block.when(Word(words[0]) > 0.0):
                write(block, words[1])
            with block.otherwise():
                write(block, words[2])


def run(space: dict[str, float], todo: list[Doing]) -> None:
    """Do the same, working everything out anew each time."""
    for what, *words in todo:
        if what == "call":
            which, first, second, into = words
            formula, count = FORMULAS[which]
            given_ = [space[first], space[second]][:count]
            found = formula(*given_, **({"k": 0.25} if formula is turned else {}))
            space[into] = found[0] if isinstance(found, tuple) else found
        elif what == "set":
            space[words[0]] = words[1]
        else:
            run(space, words[1] if space[words[0]] > 0.0 else words[2])


@given(doings, st.tuples(*[st.sampled_from([-1.0, 0.0, 1.0, 0.3])] * 3))
def test_a_block_does_what_was_written_however_its_steps_are_shared(
    todo: list[Doing], start: tuple[float, ...]
) -> None:
    block, space = Block(Names(NAMES)), dict(zip(NAMES, start, strict=True))
    write(block, todo)
    made = compiled(function("run", NAMES, block.statements, [A, B, C]), "run")
    run(space, todo)
    assert made(*start) == tuple(space.values())
    fewer = compiled(function("run", NAMES, used(block.statements, NAMES), [A, B, C]), "run")
    assert fewer(*start) == tuple(space.values())
    assert set_in(block.statements) >= set_in(used(block.statements, NAMES))
    assert read_in(block.statements) >= read_in(used(block.statements, NAMES))


def test_a_step_is_not_used_again_where_the_outer_block_has_assigned_what_it_read() -> None:
    block = Block(Names(NAMES))
    first = block.call(summed, A, B)
    assert block.call(summed, A, B) == first
    block.set(A, 7.0)
    with block.when(C > 0.0):
        inside = block.call(summed, A, B)
    after = block.call(summed, A, B)
    assert len({first, inside, after}) == 3  # neither the one from before, nor the one that may not have run


def test_a_step_is_not_used_again_where_an_inner_block_has_assigned_its_result() -> None:
    block = Block(Names(NAMES))
    (first,) = block.call(summed, A, B)
    with block.when(C > 0.0):
        block.set(first, 0.0)
    (second,) = block.call(summed, A, B)
    assert second is not first


def test_nothing_is_written_where_nothing_stands() -> None:
    block = Block(Names(NAMES))
    with block.when(A > 0.0):
        pass
    assert block.statements == []
    with block.when(A > 0.0):
        pass
    with block.otherwise():
        block.set(B, 1.0)
    assert compiled(function("run", NAMES, block.statements, [B]), "run")(-1.0, 5.0, 0.0) == (1.0,)
    block.set(C, 0.0)
    with pytest.raises(ValueError, match="right after a when"), block.otherwise():
        block.set(C, 1.0)


def test_a_state_value_is_made_once_and_a_misspelt_one_is_none() -> None:
    state = State()
    ready = state.new("ready", 1.0, saved_as="routes.look.ready")
    assert (ready.name, ready.start, ready.saved_as) == ("ready", 1.0, "routes.look.ready")
    with pytest.raises(ValueError, match="the state has ready already"):
        state.new("ready")
    assert state.starts == {"ready": 1.0}


def test_a_call_with_other_arguments_than_a_formula_has_is_refused() -> None:
    block = Block(Names(NAMES))
    wrong: list[tuple[tuple[Value, ...], Any]] = [
        ((A,), {}),
        ((A, B), {"k": 1.0}),
        ((A, B, C), {}),
    ]
    for values, constants in wrong:
        with pytest.raises(TypeError, match="takes"):
            block.call(summed, *values, **constants)
    assert lift(1.0).text == "1.0"


def test_branches_share_names_and_none_takes_one_that_is_known() -> None:
    names = Names(["taken"])
    block = Block(names)
    before = block.keep("part", 1.0)
    with block.when(before > 0.0):
        inner = block.keep("part", 2.0)
        with block.when(inner > 0.0):
            innermost = block.keep("part", 3.0)
    with block.otherwise():
        other = block.keep("part", 4.0)
    after = block.keep("part", 5.0)
    assert [one.name for one in (before, inner, innermost, other, after)] == [
        "part", "part_2", "part_3", "part_2", "part_2",
    ]  # fmt: skip
    with names.for_now():
        assert names.fresh("taken").name == "taken_2"
    assert names.fresh("taken").name == "taken_2"

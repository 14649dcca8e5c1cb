"""Smoothing and limits against independent references, and the rules for what a formula may be."""

from __future__ import annotations

import ast
import inspect
import pkgutil
from collections.abc import Callable, Iterator
from importlib import import_module

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.signal import lfilter

from mellow_thumb import formulas
from mellow_thumb.formulas.limits import clamp, room
from mellow_thumb.formulas.smoothing import decay, payout

values = st.floats(-1e3, 1e3)


@given(st.lists(values, min_size=1, max_size=50), st.floats(1.0, 100.0), st.floats(1e-4, 0.1))
def test_a_pool_is_a_first_order_filter(pushes: list[float], k: float, dt: float) -> None:
    share, pool, paid = decay(dt, k), 0.0, []
    for push in pushes:
        out, pool = payout(pool + push, share)
        paid.append(out)
    assert paid == pytest.approx(lfilter([1.0 - share], [1.0, -share], pushes), abs=1e-9)
    assert sum(paid) + pool == pytest.approx(sum(pushes), abs=1e-9)


@given(values, values, values, st.floats(0.0, 1e3))
def test_a_push_never_takes_the_goal_past_a_limit(push: float, goal: float, low: float, width: float) -> None:
    high = low + width
    goal = clamp(goal, low=low, high=high)
    assert low <= goal <= high
    taken = room(push, goal, low=low, high=high)
    assert clamp(goal + taken, low=low, high=high) == pytest.approx(np.clip(goal + push, low, high))
    assert abs(taken) <= abs(push) + 1e-12


def every_formula() -> Iterator[Callable[..., object]]:
    for module in pkgutil.iter_modules(formulas.__path__):
        found = import_module(f"{formulas.__name__}.{module.name}")
        yield from (
            one
            for _, one in inspect.getmembers(found, inspect.isfunction)
            if one.__module__ == found.__name__
        )


@pytest.mark.parametrize("formula", list(every_formula()), ids=lambda one: one.__name__)
def test_a_formula_is_straight_line_code(formula: Callable[..., object]) -> None:
    tree = ast.parse(inspect.getsource(formula)).body[0]
    assert isinstance(tree, ast.FunctionDef)
    doc, *body, last = tree.body
    assert isinstance(doc, ast.Expr)
    assert isinstance(last, ast.Return)
    assert all(isinstance(line, ast.Assign | ast.AnnAssign) for line in body)
    stored = [
        n.id
        for line in body
        for n in ast.walk(line)
        if isinstance(n, ast.Name) and isinstance(n.ctx, ast.Store)
    ]
    parameters = [a.arg for a in (*tree.args.args, *tree.args.kwonlyargs)]
    assert len({*stored, *parameters}) == len(stored) + len(parameters), "a name is assigned twice"
    called = {n.func.id for n in ast.walk(tree) if isinstance(n, ast.Call) and isinstance(n.func, ast.Name)}
    assert not called & {"min", "max", "round"}
    assert not any(isinstance(n, ast.NamedExpr) for n in ast.walk(tree))

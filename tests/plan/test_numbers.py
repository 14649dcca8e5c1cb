"""Numbers of a plan: plans that differ in numbers alone are one program."""

from __future__ import annotations

import re
from dataclasses import fields, replace
from math import inf
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan import Axis, Plan, Route, find_signal, take_apart
from mellow_thumb.plan.mounts import Eye
from mellow_thumb.plan.numbers import with_numbers
from mellow_thumb.plan.steps import Exponential
from mellow_thumb.weaving import weave_plan
from mellow_thumb.weaving.languages import engine_text
from mellow_thumb.weaving.program import forget_woven

from ..helpers.strategies import EVERYTHING, plans


@given(plans(makers=EVERYTHING))
def test_a_plan_is_its_shape_and_its_numbers(plan: Plan) -> None:
    taken = take_apart(plan)
    assert with_numbers(plan, taken.numbers) == plan
    assert take_apart(with_numbers(plan, [0.375] * len(taken.numbers))).shape == taken.shape
    assert inf not in map(abs, taken.numbers)


@settings(max_examples=20)
@given(plans(makers=EVERYTHING), st.data())
def test_a_program_does_not_know_the_numbers_of_the_plan_that_it_was_woven_from(
    plan: Plan, data: st.DataObject
) -> None:
    taken = take_apart(plan)
    likely = st.sampled_from([0.0, 1.0, -1.0, 0.25, 2.0]) | st.floats(1e-3, 1e3)
    there = (st.just(0.5) if field.none_at_zero else likely for field in taken.fields)
    other = with_numbers(plan, [data.draw(one) for one in there])
    try:
        shared = weave_plan(plan), weave_plan(other)
        forget_woven()
        alone = weave_plan(other)
    except (ZeroDivisionError, OverflowError):
        return  # a decay of no half-life: no plan has it that was checked
    assert shared[0].text is shared[1].text
    assert (shared[1].text, shared[1].pose_text) == (alone.text, alone.pose_text)
    assert (shared[1].numbers, shared[1].start) == (alone.numbers, alone.start)
    assert engine_text(shared[0]) == engine_text(alone)


@pytest.mark.parametrize("path", [path for path, _ in marsh.SCENES], ids=lambda path: path.stem)
def test_no_number_of_a_profile_is_in_a_text(path: Path) -> None:
    profile = mt.load_profile(path)
    taken = take_apart(profile)
    odd = with_numbers(profile, [7919.0 + 0.25 * k for k, _ in enumerate(taken.numbers)])
    program = weave_plan(odd)
    for text in (program.text, program.pose_text, engine_text(program).text):
        assert not [one for one in re.findall(r"\d+\.\d+", text) if 7919.0 <= float(one) < 9000.0]
    assert set(re.findall(r"\bn\d+_\w+", program.text + program.pose_text)) == {*program.parameters}


def test_a_sensitivity_of_one_is_a_number_like_any_other(glasses: mt.Profile) -> None:
    def with_gains(*gains: float) -> mt.Profile:
        return replace(glasses, routes=tuple(replace(route, gains=gains) for route in glasses.routes))

    texts = {weave_plan(with_gains(x, y)).text for x in (0.0, 1.0, 0.5) for y in (1.0, 0.5)}
    assert len(texts) == 1


def test_two_smoothings_that_happen_to_be_equal_are_two() -> None:
    mouse, stick = find_signal("mouse.move.x"), find_signal("pad.right_stick.x")
    texts = set()
    for half_life in (0.05, 0.08):
        routes = (
            Route("look", mouse, ("yaw",), (0.1,), smoothing=Exponential(0.05)),
            Route("push", stick, ("yaw",), (90.0,), effect="rate", smoothing=Exponential(half_life)),
        )
        axes = (Axis("yaw", low=-90.0, high=90.0), Axis("pitch"), Axis("roll"))
        texts.add(weave_plan(Plan(routes, (), axes, Eye("eye"))).text)
    assert len(texts) == 1


def test_whether_there_is_a_limit_or_a_half_life_belongs_to_the_shape(glasses: mt.Profile) -> None:
    plain = replace(glasses, routes=())
    changes: tuple[dict[str, Any], ...] = (
        {"low": -inf, "high": inf},
        {"low": -40.0, "high": 40.0},
        {"return_half_life": 0.5},
    )
    shapes = {
        take_apart(replace(plain, axes=tuple(replace(axis, **changed) for axis in plain.axes))).shape
        for changed in changes
    }
    assert len(shapes) == 3


def test_every_name_that_is_none_at_zero_is_a_number_of_its_class() -> None:
    from mellow_thumb import plan
    from mellow_thumb.plan import mounts, steps

    kinds = [one for front in (plan, steps, mounts) for one in vars(front).values()]
    found = [kind for kind in kinds if isinstance(kind, type) and hasattr(kind, "NONE_AT_ZERO")]
    assert len(found) >= 9
    for kind in found:
        types = {one.name: str(one.type) for one in fields(kind)}
        assert all("float" in types[name] for name in kind.NONE_AT_ZERO)

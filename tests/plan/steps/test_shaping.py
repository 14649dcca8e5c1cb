"""Dead zones, curves and reach against what they promise, and against SciPy."""

from __future__ import annotations

from math import hypot

import numpy as np
import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy.interpolate import PchipInterpolator

from mellow_thumb.basics.errors import PlanError
from mellow_thumb.expressions import Block, Names, Word
from mellow_thumb.formulas import shaping
from mellow_thumb.plan.steps import DeadZone
from mellow_thumb.plan.steps.curves import Blend, Curve, Points, Power
from mellow_thumb.plan.steps.shape import Shape
from mellow_thumb.weaving.languages import compiled, function

from ...helpers.strategies import curves, dead_zones, rests, shapes, travels

shares = st.floats(-1.0, 1.0)


def woven(shape: Shape, x: float, y: float) -> tuple[float, float]:
    """A pair through the woven steps of a shape."""
    block = Block(Names(["x", "y"]))
    results = shape.on_pair(block, Word("x"), Word("y"))
    return compiled(function("run", ["x", "y"], block.statements, results), "run")(x, y)  # type: ignore[no-any-return]


@given(curves, shares)
def test_curves_are_odd_rise_and_go_from_0_to_1(curve: Curve, x: float) -> None:
    assert curve.value(0.0) == 0.0
    assert curve.value(1.0) == pytest.approx(1.0, abs=1e-15)
    assert curve.value(-x) == -curve.value(x)
    assert abs(curve.value(x)) <= 1.0 + 1e-12
    assert curve.value(min(abs(x) + 0.01, 1.0)) >= curve.value(abs(x)) - 1e-12


@given(curves, st.floats(0.02, 0.98))
def test_a_curve_and_its_inverse_undo_each_other(curve: Curve, y: float) -> None:
    assert curve.value(curve.inverse(y)) == pytest.approx(y, abs=1e-9)
    assert curve.inverse(curve.value(curve.inverse(y))) == pytest.approx(curve.inverse(y), abs=1e-7)
    assert curve.inverse(-y) == -curve.inverse(y)


@given(curves, st.floats(0.02, 0.97))
def test_a_slope_is_what_the_curve_does(curve: Curve, x: float) -> None:
    near = (curve.value(x + 1e-6) - curve.value(x - 1e-6)) / 2e-6
    assert curve.slope(x) == pytest.approx(near, rel=1e-3, abs=1e-3)
    assert curve.slope(-x) == curve.slope(x)


@given(
    st.lists(
        st.tuples(travels, st.floats(0.0, 1.0)),
        min_size=1,
        max_size=6,
        unique_by=lambda p: p[0],
    )
)
def test_points_are_the_monotone_cubics_of_scipy(points: list[tuple[float, float]]) -> None:
    x, y = sorted(p[0] for p in points), sorted(round(p[1], 3) for p in points)
    assume(min(np.diff([0.0, *x, 1.0])) > 1e-3)
    curve = Points(tuple(zip(x, y, strict=True)))
    reference = PchipInterpolator([0.0, *x, 1.0], [0.0, *y, 1.0])
    grid = np.linspace(0.0, 1.0, 101)
    assert [curve.value(g) for g in grid] == pytest.approx(reference(grid), abs=1e-10)
    assert [curve.slope(g) for g in grid] == pytest.approx(reference.derivative()(grid), abs=1e-7)


@given(
    st.builds(DeadZone, st.just("radial"), st.floats(0.0, 0.4), st.floats(0.6, 1.0)),
    st.none() | curves,
    shares,
    shares,
)
def test_a_radial_zone_and_a_curve_keep_the_direction(
    zone: DeadZone, curve: Curve | None, x: float, y: float
) -> None:
    a, b = woven(Shape(dead_zone=zone, curve=curve), x, y)
    assert abs(a * y - b * x) <= 1e-12 * max(hypot(a, b) * hypot(x, y), 1e-3)
    assert a * x + b * y >= 0.0
    if hypot(x, y) <= zone.inner * (1.0 - 1e-12):  # at the edge itself, the last digit of a root decides
        assert (a, b) == (0.0, 0.0)
    if hypot(x, y) >= zone.outer:
        assert hypot(a, b) == pytest.approx(1.0, abs=1e-12)


@given(shapes, shares, shares)
def test_what_comes_out_is_odd_and_on_the_unit_disc(shape: Shape, x: float, y: float) -> None:
    a, b = woven(shape, x, y)
    assert hypot(a, b) <= 1.0 + 1e-12
    if shape.rest == (0.0, 0.0):
        assert woven(shape, -x, -y) == (-a, -b)
    assert woven(shape, *shape.rest) == pytest.approx((0.0, 0.0), abs=1e-12)


@given(dead_zones, shares, shares)
def test_dead_zones_are_continuous(zone: DeadZone, x: float, y: float) -> None:
    here, there = woven(Shape(dead_zone=zone), x, y), woven(Shape(dead_zone=zone), x + 1e-7, y - 1e-7)
    assert here == pytest.approx(there, abs=1e-5)


@given(st.floats(0.0, 1.0), st.floats(0.0, 0.5))
def test_a_wedge_keeps_straight_lines_straight_and_diagonals_whole(size: float, share: float) -> None:
    assert shaping.wedge(share * size, size, share=share) == pytest.approx(0.0, abs=1e-12)
    assert shaping.wedge(size, size, share=share) == pytest.approx(size, abs=1e-12)
    assert shaping.wedge(size, 0.0, share=share) == size


@given(shares, shares)
def test_a_square_reach_is_drawn_in_to_the_disc(x: float, y: float) -> None:
    a, b = shaping.disc_from_square(x, y)
    assert hypot(a, b) == pytest.approx(max(abs(x), abs(y)), abs=1e-12)
    assert a * y == pytest.approx(b * x, abs=1e-12)


@given(rests, rests, shares, shares)
def test_a_stick_that_rests_off_centre_keeps_its_directions_from_there(
    a: float, b: float, x: float, y: float
) -> None:
    p, q = woven(Shape(rest=(a, b)), x, y)
    assert p * (y - b) == pytest.approx(q * (x - a), abs=1e-12)
    if hypot(x - a, y - b) >= 1.0 - hypot(a, b):
        assert hypot(p, q) == pytest.approx(1.0, abs=1e-12)


@given(st.floats(-0.9, 0.9), shares)
def test_rest_is_taken_off_and_both_ends_stay_within_reach(rest: float, x: float) -> None:
    assert shaping.rested(rest, rest=rest) == 0.0
    assert (shaping.rested(1.0, rest=rest), shaping.rested(-1.0, rest=rest)) == pytest.approx((1.0, -1.0))
    assert -1.0 - 1e-12 <= shaping.rested(x, rest=rest) <= 1.0 + 1e-12


@pytest.mark.parametrize(
    "make",
    [
        lambda: DeadZone(inner=0.5, outer=0.5),
        lambda: DeadZone("round"),
        lambda: DeadZone("wedge", wedge=1.0),
        lambda: Power(0.0),
        lambda: Shape(rest=(0.8, 0.8)),
        lambda: Blend(1.5),
        lambda: Points(((0.5, 0.6), (0.6, 0.5))),
        lambda: Points(tuple((k / 20, k / 20) for k in range(1, 20))),
    ],
)
def test_a_stage_is_checked_when_it_is_made(make: object) -> None:
    with pytest.raises(PlanError, match="expected"):
        make()  # type: ignore[operator]

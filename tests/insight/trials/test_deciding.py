"""What is claimed, and how surely: references from SciPy, and trials of people whose truth is known."""

from __future__ import annotations

from math import log, log1p
from random import Random
from statistics import fmean

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st
from scipy import stats

from mellow_thumb.insight.trials.deciding import (
    LIMIT,
    LOOKS,
    MOST_PAIRS,
    difference,
    preferred,
    sign_flip,
    verdict,
)
from mellow_thumb.insight.trials.simulating import simulated

DIFFERENCES = st.lists(st.floats(-1.0, 1.0).filter(lambda one: abs(one) > 1e-6), min_size=3, max_size=10)


@given(DIFFERENCES)
def test_the_sign_flip_test_is_the_permutation_test_of_scipy(values: list[float]) -> None:
    found = stats.permutation_test(
        (values,), lambda one, axis: one.mean(axis=axis), permutation_type="samples", n_resamples=5000,
        alternative="two-sided", vectorized=True,
    )  # fmt: skip
    assert sign_flip(values) == pytest.approx(found.pvalue, abs=1e-9)


def test_many_differences_are_tried_by_chance_and_come_to_nearly_the_same() -> None:
    chance = Random(5)
    values = [chance.gauss(0.3, 1.0) for _ in range(40)]
    normal = 2.0 * stats.norm.sf(abs(sum(values)) / sum(one**2 for one in values) ** 0.5)
    assert sign_flip(values) == pytest.approx(normal, abs=0.01)
    assert sign_flip(values) == sign_flip(values)
    assert sign_flip([1.0] * 40) == pytest.approx(1 / 20_001)


@given(DIFFERENCES)
def test_the_interval_is_that_of_students_t(values: list[float]) -> None:
    assume(max(values) - min(values) > 0.01)
    found = difference(values, 0.05)
    low, high = stats.ttest_1samp(values, 0.0).confidence_interval(0.95)
    assert (found.low, found.high) == pytest.approx((low, high), rel=1e-6, abs=1e-9)


@given(st.integers(0, 30), st.integers(0, 30))
def test_preference_is_the_binomial_test_of_scipy(first: int, second: int) -> None:
    count = first + second
    expected = stats.binomtest(first, count).pvalue if count else 1.0
    assert preferred(first, second) == pytest.approx(expected)
    assert preferred(first, second) == preferred(second, first)


@given(st.lists(st.floats(0.01, 1.0), min_size=2, max_size=6))
def test_too_few_never_claim_anything(values: list[float]) -> None:
    assert difference(values).chance > LIMIT
    assert verdict(difference(values), 1).kind == "open"


def test_more_settings_make_it_harder_to_claim_anything() -> None:
    assert [difference([1.0, 2.0], LIMIT / many).fewest for many in (1, 3, 15)] == [7, 9, 11]


def test_a_claim_has_an_interval_that_leaves_nothing_out() -> None:
    found = difference([0.10, 0.12, 0.09, 0.11, 0.10, 0.13, 0.08, 0.10])
    assert found.claimed
    assert found.low > 0.0
    assert verdict(found, 1).kind == "better"


def test_alike_is_said_where_any_difference_is_smaller_than_matters() -> None:
    found = difference([0.01, -0.01, 0.012, -0.009, 0.0, 0.004, -0.006, 0.002])
    assert verdict(found, 1).kind == "same"


def test_more_is_asked_of_who_scatters_more_and_never_after_the_last_look() -> None:
    def asked(scale: float) -> int:
        values = [scale * one for one in (1.0, -0.8, 0.5, -1.2, 0.9, -0.4, 0.7, -0.9)]
        return verdict(difference(values), 1).more

    assert 0 < asked(0.15) < asked(0.3) <= MOST_PAIRS
    values = [0.2, -0.15, 0.1, -0.2, 0.15, -0.1, 0.12, -0.18]
    assert verdict(difference(values), LOOKS).more == 0


def test_trials_without_a_difference_claim_few_and_their_intervals_hold() -> None:
    trials = [simulated(seed, 1.0) for seed in range(200)]
    # of 2,000 at most 6 % and 93 to 97 %: `python -m benchmarks.trials`; of 200, three deviations more
    assert fmean(one.said.kind == "better" for one in trials) <= 0.06 + 3.0 * (0.05 * 0.95 / 200) ** 0.5
    assert 0.93 - 0.047 <= fmean(one.holds for one in trials) <= 1.0
    assert max(one.looks for one in trials) <= LOOKS


def test_a_difference_of_ten_per_cent_is_found_after_as_many_rounds_as_were_asked_for() -> None:
    trials = [simulated(seed, 1.1) for seed in range(200)]
    assert fmean(one.said.kind == "better" and one.found.mean > 0.0 for one in trials) >= 0.9
    assert trials[0].truth == pytest.approx(log(1.1)) == pytest.approx(log1p(0.1))

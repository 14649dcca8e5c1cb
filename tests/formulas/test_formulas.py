"""Smoothing and limits against independent references, and the rules for what a formula may be."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.signal import lfilter

from mellow_thumb.formulas.limits import clamp, taken_up
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
    taken = taken_up(push, goal, low=low, high=high)
    assert clamp(goal + taken, low=low, high=high) == pytest.approx(np.clip(goal + push, low, high))
    assert abs(taken) <= abs(push) + 1e-12

"""Copies of what is frozen leave what they are of."""

from __future__ import annotations

import math

from mellow_thumb.basics import altered
from mellow_thumb.plan import Axis


def test_an_altered_copy_is_not_checked_and_leaves_what_it_is_of() -> None:
    axis = Axis("pitch", low=-30.0, high=30.0)
    assert altered(axis, low=math.inf).low == math.inf
    assert axis.low == -30.0

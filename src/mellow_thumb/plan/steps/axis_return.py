"""An axis that goes back to rest by itself, in the world's time, against what its routes want."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...expressions import total
from ...formulas import clamp, returning
from ..words import DT, WORLD_RATE
from .pools import LN2

if TYPE_CHECKING:
    from ...expressions import Block, Name, Value
    from ..axes import Axis
    from .pools import Pool, Wish


def run_back(
    block: Block, axis: Axis, value: Name, wishes: list[Wish], pools: list[Pool], goal: list[Value]
) -> None:
    """Between events: return, rate and smoothing in one closed form, never one after the other."""
    rate = total(wish.running for wish in wishes)
    rest = axis.inner(axis.rest)
    back = block.keep(f"{value}_back", LN2 / axis.return_half_life * WORLD_RATE)
    if not pools:
        block.call(returning.leaked, value, rate, DT, back, into=(value,), rest=rest)
        if axis.limited:
            block.call(clamp, value, into=(value,), **axis.limits)
        return
    (pool,) = pools
    active: Value = DT
    if axis.limited:
        active = block.names.fresh(f"{value}_active")
        limits = axis.limits
        given = (total(goal), rate, DT, back)
        block.call(returning.until_limit_leaking, *given, into=(active,), rest=rest, **limits)
    # until the goal meets its limit; from there on the goal stands, and only the pool pays out
    pool.smoothing.leak(block, value, pool, rate, active, back, rest)
    if axis.limited:
        paid = block.names.fresh(f"{value}_paid")
        pool.smoothing.pay(block, pool, None, DT - active, paid)
        block.call(clamp, value + paid, into=(value,), **axis.limits)

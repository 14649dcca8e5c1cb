"""Rest and reach: a stick that rests off centre, and one that travels further in its corners."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...basics import PlanError
from ...expressions import worked_out
from ...formulas import shaping

if TYPE_CHECKING:
    from ...expressions import Block, Value


def check_rest(rest: tuple[float, float]) -> None:
    """Refuse a rest so far out that no travel is left."""
    if shaping.length(*rest) > 0.9:
        raise PlanError(
            f"rest: found {rest[0]:g}, {rest[1]:g}; expected within 0.9 of the centre", path=("rest",)
        )


def rested_pair(block: Block, x: Value, y: Value, rest: tuple[float, float]) -> tuple[Value, Value]:
    """At an event: a pair measured from its rest; it reaches 1 on the side nearest to its rim."""
    a, b = rest
    if not (a or b):
        return x, y
    reach = 1.0 - worked_out(shaping.length, a, b)
    x, y = block.call(shaping.rested_pair, x, y, rest_x=a, rest_y=b, reach=reach)
    return x, y


def rested(block: Block, x: Value, rest: float) -> Value:
    """At an event: one value measured from its rest."""
    return block.call(shaping.rested, x, rest=rest)[0] if rest else x


def reached(block: Block, x: Value, y: Value, reach: str) -> tuple[Value, Value]:
    """At an event: a pair on the unit disc, from a stick whose travel is a ``disc`` or a ``square``."""
    if reach == "square":
        x, y = block.call(shaping.disc_from_square, x, y)
    return x, y

"""The glide: what runs out after the fingers lift, at the speed that they had."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .pools import LN2

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Block, Value
    from .pools import Pool


def stop_glide(block: Block, glides: Iterable[Pool]) -> None:
    """As fingers land: what still runs out stops."""
    for glide in glides:
        block.set(glide.held, 0.0)


def glide_of(speed: Value, gain: float, half_life: float) -> tuple[Value | float, ...]:
    """As fingers lift at a speed: how far one component runs out, as what is multiplied.

    A speed v that dies away with the half-life h goes v h / ln 2 in all.
    """
    return (speed, gain * half_life / LN2)

"""The glide: what runs out after the fingers lift, at the speed that they had."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...formulas import decay
from ..words import ANCHOR
from .pools import LN2

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Block, Value
    from .hand_speed import HandSpeed
    from .pools import Pool

FINGER = 0.03
"""Half-life (s) of the mean that a finger's speed is, for what it glides with."""


def stop_glide(block: Block, speed: HandSpeed, glides: Iterable[Pool]) -> None:
    """As fingers land: what still runs out stops, and the finger's speed begins anew."""
    for glide in glides:
        block.set(glide.held, 0.0)
    # a finger that lands again has no speed of its own yet
    block.set(speed.x, 0.0)
    block.set(speed.y, 0.0)


def last_speed(block: Block, speed: HandSpeed) -> dict[str, tuple[Value, Value]]:
    """As fingers lift: how fast they went, for ``x`` and ``y``, each with the share that is left by now."""
    (share,) = block.call(decay, ANCHOR - speed.time, LN2 / FINGER)
    return {"x": (speed.x, share), "y": (speed.y, share)}


def glide_of(
    speed: dict[str, tuple[Value, Value]], part: str, gain: float, half_life: float
) -> tuple[Value | float, ...]:
    """As fingers lift: how far one component runs out, as what is multiplied.

    A speed v that dies away with the half-life h goes v h / ln 2 in all.
    """
    return (*speed[part], gain * half_life / LN2)

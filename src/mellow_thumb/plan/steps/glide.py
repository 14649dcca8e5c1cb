"""The glide: what runs on after the fingers lift, from the speed they had."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .pools import LN2

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Block, Value
    from .pools import Pool


def stop_glide(block: Block, glides: Iterable[Pool]) -> None:
    """When fingers land: stop what still glides."""
    for glide in glides:
        block.set(glide.held, 0.0)


def glide_of(speed: Value, gain: float, half_life: float) -> tuple[Value | float, ...]:
    """When fingers lift at a speed: how far one component glides, as a displacement.

    A speed v that dies away with the half-life h covers v h / ln 2 in all.
    """
    return (speed, gain * half_life / LN2)

"""When a route's gate opens: a new zero is taken, and what is held may have to be let go first."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...expressions import every, flag, some, where
from ...formulas import tilted

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ...expressions import Block, Handle, Value


def take_zero(block: Block, zeros: Sequence[Handle], values: Sequence[Value]) -> None:
    """When the gate opens: the current held value is the new zero."""
    for zero, value in zip(zeros, values, strict=True):
        block.set(zero, value)


def from_zero(values: Sequence[Value], zeros: Sequence[Handle]) -> tuple[Value, ...]:
    """At an event: how far a held value is from its zero."""
    return tuple(value - zero for value, zero in zip(values, zeros, strict=True))


def turned_from_zero(
    block: Block, pose: Sequence[Value], zeros: Sequence[Handle], components: Sequence[str], full: float
) -> tuple[Value, ...]:
    """At an event: how far a device is turned from its zero, as shares of `full` (deg).

    The first pose is also a zero: until then the zero is all 0, which no rotation is.
    """
    none = block.keep("no_zero", flag(every(zero == 0.0 for zero in zeros)))
    for zero, part in zip(zeros, pose, strict=True):
        block.set(zero, where(none != 0.0, part, zero))
    angles = block.call(tilted, *pose, *zeros)
    return tuple(angles["xy".index(part)] * (1.0 / full) for part in components)


def once_let_go(block: Block, ready: Handle, shaped: Sequence[Value]) -> tuple[Value, ...]:
    """At an event: a stick that was out when its gate opened counts once it has been let go."""
    out = some(value != 0.0 for value in shaped)
    block.set(ready, where(out, ready, 1.0))
    return tuple(value * ready for value in shaped)

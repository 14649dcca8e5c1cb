"""Pools: what a smoothing still owes an axis, and what runs into it.

A displacement is poured in at once, a rate runs in over time, and the pool pays out to the axis as its
smoothing says. So nothing is lost, and an axis will end at its value plus all that its pools owe it.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...expressions import product_of

if TYPE_CHECKING:
    from ...expressions import Handle, Name, Value
    from .exponential import Exponential
    from .spring import Spring
    from .turn_boost import Boost

LN2 = 0.6931471805599453
QUICK = 128 * 8.0
"""What pays out faster than this (1/s) loses three of sixteen digits as it is run backward over 1/128 s."""


def check_time(name: str, value: float) -> None:
    """Refuse a smoothing time that is not above 0 (s)."""
    if not 0.0 < value <= 60.0:
        raise PlanError(f"{name}: found {value:g} s; expected above 0 to 60 s", path=(name,))


@dataclass(eq=False)
class Wish:
    """What one route wants an axis to do: its rate, with gate and scales."""

    factors: tuple[Value, ...]
    """The rate, as what is multiplied to make it."""
    means: tuple[Value, ...] = ()
    """The same as a mean over a step, where that differs."""
    name: Value | None = None
    """What holds the rate during a step."""
    wanted: tuple[Value, ...] = ()
    """What is 0 while nothing is wished, where it is not the rate itself."""
    boost: Boost | None = None

    @property
    def rate(self) -> Value:
        """The rate at this moment."""
        return product_of(self.factors)

    @property
    def running(self) -> Value:
        """What holds the rate during a step."""
        assert self.name is not None
        return self.name


@dataclass(eq=False)
class Pool:
    """What one smoothing still owes an axis, and what runs into it."""

    smoothing: Exponential | Spring
    held: Handle
    """What is owed."""
    speed: Handle | None = None
    """A spring's speed."""
    wishes: list[Wish] = field(default_factory=list)
    owner: tuple[str, ...] = ()
    """The route that has it for itself, and what drops it as it closes; empty for all that share it."""

    @property
    def state(self) -> tuple[Name, ...]:
        """All of its state."""
        return (self.held,) if self.speed is None else (self.held, self.speed)

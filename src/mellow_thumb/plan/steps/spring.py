"""The critically damped spring: it starts smoothly and never overshoots."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...formulas import returning
from ...formulas import smoothing as eased
from ..words import AGE, DT
from .pools import Pool, check_time

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, State, Value

HALF_WAY = 1.6783469900166605
"""Where a critically damped spring has made half of a step: (1 + a) exp(-a) = 1/2."""


@dataclass(frozen=True, slots=True)
class Spring:
    """A critically damped spring: half of a step is done after `half_time` (s), with a smooth start."""

    half_time: float

    def __post_init__(self) -> None:
        check_time("spring", self.half_time)

    @property
    def decay(self) -> float:
        """Its natural frequency, 1/s."""
        return HALF_WAY / self.half_time

    def pool(self, state: State, stem: str, owner: tuple[str, ...] = ()) -> Pool:
        """A new pool that pays out like this; `stem` is what its names begin with."""
        speed = state.new(f"{stem}_speed")
        return Pool(self, state.new(stem), speed, owner=owner)

    def pay(self, block: Block, pool: Pool, inflow: Value | None, time: Value, into: Name) -> None:
        """Let `time` pass over a pool while `inflow` runs in; `into` gets what it pays."""
        assert pool.speed is not None
        results = (into, pool.held, pool.speed)
        if inflow is None:
            block.call(eased.spring_alone, pool.held, pool.speed, time, self.decay, into=results)
        else:
            block.call(eased.spring_through, pool.held, pool.speed, inflow, time, self.decay, into=results)

    def pour(self, block: Block, pool: Pool, push: Value, early: Name, poured: Name) -> None:
        """Enter a displacement at the last commit, by running its course backward over its age.

        That is exact, since the spring is linear and its course can be run either way. `early` gets what was
        not yet paid then, `poured` what the pool held.
        """
        assert pool.speed is not None
        # springs of one frequency add up: the speed that it would have by now is added to what is there
        speed = block.names.fresh(f"{early.name.removesuffix('_early')}_speed")
        block.call(eased.spring_alone, push, 0.0, -AGE, self.decay, into=(early, poured, speed))
        block.set(pool.speed, pool.speed + speed)

    def speed(self, pool: Pool) -> Value:
        """How fast a pool pays at this moment."""
        assert pool.speed is not None
        return pool.speed

    def leak(
        self, block: Block, value: Name, pool: Pool, rate: Value, time: Value, back: Value, rest: float
    ) -> None:
        """Let `time` pass over a pool whose axis returns to `rest` at `back` (1/s)."""
        assert pool.speed is not None
        state = (value, pool.held, pool.speed)
        block.call(returning.leaked_spring, *state, rate, time, back, into=state, rest=rest, w=self.decay)

    def ease(self, block: Block, lean: Name, speed: Handle | None, target: Value) -> None:
        """Let `dt` pass over a lean on its way to its offset."""
        assert speed is not None
        gone, left = block.names.fresh("gone"), block.names.fresh("left")
        block.call(eased.spring_through, target - lean, speed, 0.0, DT, self.decay, into=(gone, left, speed))
        block.set(lean, lean + gone)

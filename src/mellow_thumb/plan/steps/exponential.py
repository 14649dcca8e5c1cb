"""The exponential smoothing: half of what is still to come arrives in each half-life."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...expressions import lift
from ...formulas import returning
from ...formulas import smoothing as eased
from ..words import AGE, DT
from .pools import LN2, Pool, check_time

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, State, Value


@dataclass(frozen=True, slots=True)
class Exponential:
    """Half of what is still to come arrives in each `half_life` (s)."""

    half_life: float

    def __post_init__(self) -> None:
        check_time("half_life", self.half_life)

    @property
    def decay(self) -> float:
        """How fast what is owed is paid, 1/s."""
        return LN2 / self.half_life

    def pool(self, state: State, stem: str, owner: tuple[str, ...] = ()) -> Pool:
        """A new pool that pays out like this; `stem` is what its names begin with."""
        return Pool(self, state.new(stem), owner=owner)

    def pay(self, block: Block, pool: Pool, inflow: Value | None, time: Value, into: Name) -> None:
        """Let `time` pass over a pool while `inflow` runs in; `into` gets what it pays."""
        (share,) = block.call(eased.decay, time, self.decay)
        if inflow is None:
            block.call(eased.payout, pool.held, share, into=(into, pool.held))
        else:
            given = (pool.held, inflow, time, share, lift(self.decay))
            block.call(eased.flow_through, *given, into=(into, pool.held))

    def pour(self, block: Block, _: Pool, push: Value, early: Name, poured: Name) -> None:
        """Enter a displacement at the last commit, by running its course backward over its age.

        That is exact, since a pool shrinks by a factor, which can be inverted. `early` gets what was
        not yet paid then, `poured` what the pool held.
        """
        (more,) = block.call(eased.growth, AGE, self.decay)
        block.call(eased.payout, push, more, into=(early, poured))

    def speed(self, pool: Pool) -> Value:
        """How fast a pool pays at this moment."""
        return pool.held * self.decay

    def leak(
        self, block: Block, value: Name, pool: Pool, rate: Value, time: Value, back: Value, rest: float
    ) -> None:
        """Let `time` pass over a pool whose axis returns to `rest` at `back` (1/s)."""
        into = (value, pool.held)
        block.call(returning.leaked_easing, *into, rate, time, back, into=into, rest=rest, ease=self.decay)

    def ease(self, block: Block, lean: Name, speed: Handle | None, target: Value) -> None:
        """Let `dt` pass over a lean on its way to its offset."""
        del speed  # it has none
        (share,) = block.call(eased.decay, DT, self.decay)
        block.set(lean, target + (lean - target) * share)

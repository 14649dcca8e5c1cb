"""A running mean of several values: the plain mean at first, then a second-order low-pass."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...formulas import means

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ...expressions import Block, Handle, State, Value


@dataclass(eq=False)
class SmoothMean:
    """Its state."""

    values: tuple[Handle, ...]
    """The means."""
    speeds: tuple[Handle, ...]
    """How fast each goes, a second."""
    time: Handle
    """How long it has gone on (s); -1 before it has begun."""

    @classmethod
    def new(cls, state: State, stem: str, parts: Sequence[str]) -> SmoothMean:
        """New state for so many values."""
        values, speeds = (tuple(state.new(f"{stem}_{what}{one}") for one in parts) for what in ("", "speed_"))
        return cls(values, speeds, state.new(f"{stem}_time", -1.0))

    def forget(self, block: Block) -> None:
        """Write that it starts again."""
        for one in (*self.values, *self.speeds):
            block.set(one, 0.0)
        block.set(self.time, -1.0)

    def begin_with(self, block: Block, said: Sequence[Value]) -> None:
        """Write that it starts again from given values."""
        for one, speed, new in zip(self.values, self.speeds, said, strict=True):
            block.set(one, new)
            block.set(speed, 0.0)
        block.set(self.time, 0.0)

    def step(self, block: Block, said: Sequence[Value], dt: Value, tau: Value | float) -> None:
        """Write what new values do to it after `dt` seconds, with a time constant of `tau` seconds."""
        with block.when(self.time < tau):
            _, share = block.call(
                means.mean_so_far, self.time, dt, into=(self.time, block.names.fresh("share"))
            )
            for one, new in zip(self.values, said, strict=True):
                block.set(one, one + (new - one) * share)
        with block.otherwise():
            steps = block.call(means.mean_steps, dt, tau)
            for one, speed, new in zip(self.values, self.speeds, said, strict=True):
                block.call(means.followed, one, speed, new, *steps, into=(one, speed))

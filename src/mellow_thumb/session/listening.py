"""Listening: which signal a player presses, pushes or turns next, to bind it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..plan import find_signal, label

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping, Sequence

PUSHED, LET_GO = 0.7, 0.4
"""How far a stick or a trigger is pushed to be meant, and how near it must have been to its rest before."""
NOTCH = 1.0
"""How far a wheel turns to be meant, in notches."""


class Listener:
    """Waits for one press, push or turn of a wheel that may be bound.

    What is already held counts once it has been let go; noise and drift never count.
    """

    def __init__(self, carries: Callable[[str], bool], held: Mapping[str, float]) -> None:
        """Wait for a signal that `carries` allows; `held` has every value at the start."""
        self._carries = carries
        self._ready = {name: abs(value) < LET_GO for name, value in held.items()}
        self._turned: dict[str, float] = {}
        self.found = ""
        """The address of what was pressed; empty until then."""

    @property
    def words(self) -> str:
        """What people call it; empty until then."""
        return label(find_signal(self.found)) if self.found else ""

    def hear(self, signal: str, value: float | Sequence[float]) -> bool:
        """Look at an event; returns whether it is the one waited for, which must do nothing else."""
        if self.found:
            return False
        for address, one in _parts(signal, value):
            if self._meant(address, one) and self._carries(address):
                self.found = address
                return True
        return False

    def _meant(self, address: str, value: float) -> bool:
        """Whether a value starts a press, a push or a turn."""
        if value != value:
            return False
        if ".wheel" in address:
            way = self._turned[address] = self._turned.get(address, 0.0) + value
            return abs(way) >= NOTCH
        ready = self._ready.get(address, abs(value) < LET_GO or value == 1.0)
        self._ready[address] = ready or abs(value) < LET_GO
        return ready and abs(value) >= PUSHED


def _parts(signal: str, value: float | Sequence[float]) -> list[tuple[str, float]]:
    """The addresses of an event, each with its value; empty for what is not a number."""
    try:
        if isinstance(value, (int, float)):
            return [(signal, float(value))]
        x, y = value
        return [(f"{signal}.x", float(x)), (f"{signal}.y", float(y))]
    except (TypeError, ValueError):
        return []

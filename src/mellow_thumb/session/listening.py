"""Listening: which signal a player presses, pushes or turns next, to carry something by."""

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
    """Waits for one press, one push or one turn of a wheel that may carry something.

    What is held as it begins counts once it was let go; what trembles or drifts never does.
    """

    def __init__(self, carries: Callable[[str], bool], held: Mapping[str, float]) -> None:
        """Wait for a signal that `carries` says yes to; `held` is what each is at the beginning."""
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
        """Look at an event; whether it is what was waited for, and is to act on nothing else."""
        if self.found:
            return False
        for address, one in _parts(signal, value):
            if self._meant(address, one) and self._carries(address):
                self.found = address
                return True
        return False

    def _meant(self, address: str, value: float) -> bool:
        """Whether a value is a press, a push or a turn that begins now."""
        if value != value:
            return False
        if ".wheel" in address:
            way = self._turned[address] = self._turned.get(address, 0.0) + value
            return abs(way) >= NOTCH
        ready = self._ready.get(address, abs(value) < LET_GO or value == 1.0)
        self._ready[address] = ready or abs(value) < LET_GO
        return ready and abs(value) >= PUSHED


def _parts(signal: str, value: float | Sequence[float]) -> list[tuple[str, float]]:
    """The addresses that an event speaks of, each with its value; none for what is no number."""
    try:
        if isinstance(value, (int, float)):
            return [(signal, float(value))]
        x, y = value
        return [(f"{signal}.x", float(x)), (f"{signal}.y", float(y))]
    except (TypeError, ValueError):
        return []

"""Why did nothing happen? How far each event got, while the page asks."""

from __future__ import annotations

from collections import Counter
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from ..devices import BrowserDoor
    from ..insight import Telling
    from .tape import Tape

    Word = tuple[str, str]

ACTED = "acted"


class Wondering:
    """Says, frame by frame, which events did nothing and why, and which acted."""

    def __init__(self) -> None:
        self._before: Counter[Word] = Counter()
        self.on = False
        """Whether somebody asks: looking at each event costs more than a frame."""

    def ask(self, tape: Tape, door: BrowserDoor | None, *, on: bool) -> None:
        """Start or stop asking."""
        self.on = on
        if not on:
            tape.session.forget_reasons()
        self._before = self._all(tape, door) if on else Counter()

    def news(self, tape: Tape, door: BrowserDoor | None, telling: Telling) -> list[tuple[str, str, int]]:
        """The events since the last frame: the signal, what became of it, how often."""
        if not self.on:
            return []
        now = self._all(tape, door)
        fresh, self._before = now - self._before, now
        return [(signal, _opened(reason, telling), count) for (signal, reason), count in fresh.items()]

    def _all(self, tape: Tape, door: BrowserDoor | None) -> Counter[Word]:
        """Everything that was counted."""
        session = tape.session
        found: Counter[Word] = Counter()
        for signal, reasons in session.reasons.items():
            for reason, count in reasons.items():
                found[signal, reason] = count
        for refused in (session.refused, tape.refused):
            for signal, reasons in refused.items():
                for reason, count in reasons.items():
                    found[signal, f"refused: {reason}"] += count
        for signal, count in session.clipped.items():
            found[signal, "clipped to its range"] = count
        for (kind, reason), count in door.refused.items() if door else ():
            found[kind, f"refused by the door: {reason}"] = count
        found["some event", "it came too late to keep its time"] = session.late
        found["some event", "it came long before its time, and waits"] = session.early
        return found


def _opened(reason: str, telling: Telling) -> str:
    """A reason, with the button that opens the gate it waits for."""
    name = reason.partition(" waits for ")[2].removesuffix(" to open")
    return f"{reason} ({telling.gates[name]})" if name in telling.gates else reason

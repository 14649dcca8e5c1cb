"""What of a take did nothing, and why: its events run one by one, beside a replay."""

from __future__ import annotations

import logging
from typing import TYPE_CHECKING, NamedTuple

from ..session import Session
from ..takes import events_of

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Plan
    from ..takes import Take

MOST = 5_000
"""So many events of a take are looked at unless all are asked for: it costs far more than a replay."""
RATE = 60.0
"""Frames a second at which they are."""


class Idle(NamedTuple):
    """What became of the events of a take: by signal, how often for which reason; ``acted`` is one."""

    counts: dict[str, dict[str, int]]
    looked: int
    """How many events were looked at."""
    whole: bool
    """Whether that is all of them."""

    def lines(self, most: int = 5) -> list[str]:
        """What did nothing, in words, the most frequent first; a line for each signal and reason."""
        found = []
        for signal, reasons in self.counts.items():
            total = sum(reasons.values())
            for reason, count in reasons.items():
                if reason not in ("acted", PASSED) and count:
                    events = (
                        f"{count:,} of {total:,} {signal} events" if total > 1 else f"the only {signal} event"
                    )
                    found.append((count, f"{events} did nothing: {reason}"))
        found.sort(key=lambda one: -one[0])
        lines = [words for _, words in found[:most]]
        if len(found) > most:
            lines.append(f"and {len(found) - most} more reasons")
        if lines and not self.whole:
            lines.append(f"only the first {self.looked:,} events were checked; --why checks all of them")
        return lines


PASSED = "the profile does not use it"
"""Said of the rows of a take elsewhere."""


def idle_of(
    plan: Plan, take: Take, most: float = MOST, progress: Callable[[float], object] = lambda share: share
) -> Idle:
    """Run the first events of a take one by one, at most `most`, and count what each of them does.

    `progress` is called with the share done.
    """
    logger = logging.getLogger("mellow_thumb")
    logger.addFilter(_never)  # a replay has told already what it tells
    try:
        return _looked_at(plan, take, most, progress)
    finally:
        logger.removeFilter(_never)


def _never(_: logging.LogRecord) -> bool:
    return False


def _looked_at(plan: Plan, take: Take, most: float, progress: Callable[[float], object]) -> Idle:
    session = Session(plan, compiled=False)
    counts, looked, whole = session.reasons, 0, True
    for event in events_of(take):
        if looked % 500 == 0:
            progress(2.0 * looked / (2.0 * len(take) + 1.0))
        if looked >= most:
            whole = False
            break
        looked += 1
        while event.t >= session.now + 1.0 / RATE:
            session.tick(1.0 / RATE)
        session.feed(event.signal, event.value, at=event.t, on=event.on)
    session.tick(1.0 / RATE)
    session.tick(1.0 / RATE)
    return Idle(counts, looked, whole)

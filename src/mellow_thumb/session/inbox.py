"""Where events wait for the frame in which they are due."""

from __future__ import annotations

from bisect import bisect_left
from collections import deque
from operator import itemgetter
from typing import TYPE_CHECKING

from ..engines import take_out
from ..weaving import NO_TIME

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..weaving import Item
    from .clock import Clock

_TIME = itemgetter(0)
EARLY = 10.0
"""An event so many seconds ahead is most likely not in seconds since the session began."""
MOST = 100_000
"""So many events wait at the most for a later frame."""

PASSED = -1
"""The code of an event that nothing listens to any more."""


def _renumbered(items: list[Item], codes: dict[int, int]) -> list[Item]:
    """Items with new codes."""
    fresh = [(t, codes.get(code, code), x, y) for t, code, x, y in items]
    return [item for item in fresh if item[1] != PASSED]


class Inbox:
    """Events by time, ties in the order in which they were fed.

    :meth:`put` may be called from any thread; the rest belongs to the thread that ticks.
    """

    __slots__ = ("arrived", "early", "full", "furthest", "late", "put", "put_many", "waiting")

    def __init__(self) -> None:
        self.arrived: deque[Item] = deque()
        """What has arrived since the last frame, as it came."""
        self.waiting: list[Item] = []
        """What is due in a later frame, by time."""
        self.late = 0
        """Events older than the last commit; they took effect there."""
        self.early = 0
        """Events that came more than `EARLY` seconds before their time; they wait."""
        self.furthest: tuple[float, int] | None = None
        """How far ahead (s) the furthest of those was, and its code, until that was told."""
        self.full: list[int] = []
        """The codes of events that were not taken since too many waited, until that was told."""
        self.put: Callable[[Item], None] = self.arrived.append
        """Take one event, its time on the host's clock or `NO_TIME`."""
        self.put_many: Callable[[list[Item]], None] = self.arrived.extend
        """Take several events."""

    @property
    def busy(self) -> bool:
        """Whether anything has arrived or waits."""
        return bool(self.arrived or self.waiting)

    def renumber(self, codes: dict[int, int]) -> None:
        """Give waiting events new codes; codes not listed stay, and unused events are dropped."""
        arrived = take_out(self.arrived, len(self.arrived))
        self.arrived.extendleft(reversed(_renumbered(arrived, codes)))
        self.waiting = _renumbered(self.waiting, codes)

    def take(self, start: float, clock: Clock, last_commit: Callable[[], float]) -> list[Item]:
        """Take out what is due in a frame that begins at `start` and ends now; the rest waits."""
        if self.arrived:
            self._sort_in(start, clock)
        return self._due(clock.now, start, last_commit) if self.waiting else []

    def _sort_in(self, start: float, clock: Clock) -> None:
        """Give arrived events their session times, for a frame that begins at `start` and ends now.

        An event without a time takes effect with the latest event fed before it that is due in this frame.
        """
        count = len(self.arrived)
        fresh, waiting, latest, end = take_out(self.arrived, count), self.waiting, start, clock.now
        times = [item[0] for item in fresh]
        if max(times) - clock.skipped - end > EARLY:
            fresh = self._room_for(fresh, clock)
            count, times = len(fresh), [item[0] for item in fresh]
        if NO_TIME not in times and clock.skipped == 0.0:
            waiting += fresh
            # the sort is stable: ties stay in the order in which they were fed
            if len(waiting) > count or times != sorted(times):
                waiting.sort(key=_TIME)
            return
        if not waiting and times.count(NO_TIME) == count:  # the usual case, and quick
            self.waiting = [(start, code, x, y) for _, code, x, y in fresh]
            return
        before = waiting[-1][0] if waiting else NO_TIME
        ordered, whole = True, clock.skipped == 0.0
        for t, code, x, y in fresh:
            if t == NO_TIME:
                t = latest
            else:
                if not whole:
                    t = clock.inside(t)
                if latest < t < end:
                    latest = t
            if t < before:
                ordered = False
            before = t
            waiting.append((t, code, x, y))
        if not ordered:
            waiting.sort(key=_TIME)

    def _room_for(self, fresh: list[Item], clock: Clock) -> list[Item]:
        """Count early events, and keep no more than there is room for; what is due now is always kept."""
        taken, room = [], MOST - len(self.waiting)
        for item in fresh:
            ahead = item[0] - clock.skipped - clock.now
            if ahead > EARLY:
                self.early += 1
                if self.furthest is None or ahead > self.furthest[0]:
                    self.furthest = ahead, item[1]
                if room <= 0:
                    self.full.append(item[1])
                    continue
                room -= 1
            taken.append(item)
        return taken

    def shorten(self, lost: float, end: float) -> None:
        """Time was cut out after `end`: events in the cut come at `end`, later ones come earlier."""
        self.waiting = [(t if t <= end else max(end, t - lost), *rest) for t, *rest in self.waiting]  # type: ignore[misc]

    def _due(self, end: float, start: float, last_commit: Callable[[], float]) -> list[Item]:
        """Take out what happens before `end`; nothing is earlier than the last commit."""
        waiting = self.waiting
        # the loop alone knows the last commit, and asking it is slow: only for what is older than this frame
        if waiting[0][0] < start:
            commit = last_commit()
            overdue = bisect_left(waiting, commit, key=_TIME)
            self.late += overdue
            waiting[:overdue] = [(commit, *item[1:]) for item in waiting[:overdue]]
        if waiting[-1][0] < end:
            self.waiting = []
            return waiting
        # an event at the very end of a frame belongs to the next one
        count = bisect_left(waiting, end, key=_TIME)
        due, self.waiting = waiting[:count], waiting[count:]
        return due

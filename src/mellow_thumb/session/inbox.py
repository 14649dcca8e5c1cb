"""Where events wait until the frame in which they are due."""

from __future__ import annotations

from bisect import bisect_left
from operator import itemgetter
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..weaving import Item
    from .clock import Clock

_TIME = itemgetter(0)
NO_TIME = float("-inf")
"""Stands for the time of an event that has none of its own."""


PASSED = -1
"""The code of an event that nothing listens to any more."""


class Inbox:
    """Events by time, ties in the order in which they were fed.

    :meth:`put` may be called from any thread; the rest belongs to the thread that ticks.
    """

    __slots__ = ("_arrived", "_waiting", "late", "put", "put_many")

    def __init__(self) -> None:
        self._arrived: list[Item] = []
        self._waiting: list[Item] = []
        self.late = 0
        """Events older than the last commit; they took effect there."""
        self.put: Callable[[Item], None] = self._arrived.append
        """Take one event, its time on the host's clock or `NO_TIME`."""
        self.put_many: Callable[[list[Item]], None] = self._arrived.extend
        """Take several events."""

    @property
    def busy(self) -> bool:
        """Whether something has arrived or waits."""
        return bool(self._arrived or self._waiting)

    def saved(self) -> tuple[tuple[Item, ...], tuple[Item, ...], int]:
        """What has arrived, what waits, and how many came late."""
        return tuple(self._arrived), tuple(self._waiting), self.late

    def restore(self, saved: tuple[tuple[Item, ...], tuple[Item, ...], int]) -> None:
        """Become what :meth:`saved` told."""
        self._arrived[:], waiting, self.late = saved
        self._waiting = list(waiting)

    def renumber(self, codes: dict[int, int]) -> None:
        """Give what waits new codes; codes not named stay, and what nothing listens to is dropped."""
        for items in (self._arrived, self._waiting):
            fresh = [(t, codes.get(code, code), x, y) for t, code, x, y in items]
            items[:] = [item for item in fresh if item[1] != PASSED]

    def arrived(self) -> list[Item] | None:
        """Take out what has arrived, as it is; None where something waits."""
        if self._waiting:
            return None
        arrived = self._arrived
        count = len(arrived)  # another thread may put more behind these meanwhile
        fresh = arrived[:count]
        del arrived[:count]
        return fresh

    def put_back(self, items: list[Item]) -> None:
        """Let what :meth:`arrived` gave have arrived again."""
        self._arrived[:0] = items

    def take(self, start: float, clock: Clock, last_commit: Callable[[], float]) -> list[Item]:
        """Take out what is due in a frame that begins at `start` and ends now; the rest waits."""
        if self._arrived:
            self._sort_in(start, clock)
        return self._due(clock.now, start, last_commit) if self._waiting else []

    def _sort_in(self, start: float, clock: Clock) -> None:
        """Give what has arrived its session time, for a frame that begins at `start` and ends now.

        An event without a time takes effect with the latest event fed before it that is due in this frame.
        """
        count = len(self._arrived)  # another thread may put more behind these meanwhile
        fresh, waiting, latest, end = self._arrived[:count], self._waiting, start, clock.now
        del self._arrived[:count]
        times = [item[0] for item in fresh]
        if NO_TIME not in times and clock.skipped == 0.0:
            waiting += fresh
            # the sort is stable: ties stay in the order in which they were fed
            if len(waiting) > count or times != sorted(times):
                waiting.sort(key=_TIME)
            return
        if not waiting and times.count(NO_TIME) == count:  # the usual case, and quick
            self._waiting = [(start, code, x, y) for _, code, x, y in fresh]
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

    def shorten(self, lost: float, end: float) -> None:
        """Time was cut out after `end`: what waited in it comes then, what waited beyond it comes earlier."""
        self._waiting = [(t if t <= end else max(end, t - lost), *rest) for t, *rest in self._waiting]  # type: ignore[misc]

    def _due(self, end: float, start: float, last_commit: Callable[[], float]) -> list[Item]:
        """Take out what happens before `end`; nothing comes before the last commit."""
        waiting = self._waiting
        # the loop alone knows the last commit, and asking it is slow: only for what is older than this frame
        if waiting[0][0] < start:
            commit = last_commit()
            overdue = bisect_left(waiting, commit, key=_TIME)
            self.late += overdue
            waiting[:overdue] = [(commit, *item[1:]) for item in waiting[:overdue]]
        if waiting[-1][0] < end:
            self._waiting = []
            return waiting
        # an event at the very end of a frame belongs to the next one
        count = bisect_left(waiting, end, key=_TIME)
        due, self._waiting = waiting[:count], waiting[count:]
        return due

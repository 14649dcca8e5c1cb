"""A session's clock: it only moves forward, and never far at once."""

from __future__ import annotations


class Clock:
    """Session time, kept as a compensated sum, with the times that were taken out of it.

    A host's own clock runs on through a hitch; a session's does not. A frame longer than `ceiling` is cut
    there, and :meth:`inside` converts a moment of the host's clock to session time.
    """

    __slots__ = ("before", "ceiling", "cut", "edge", "now", "skipped", "small", "stalled")

    def __init__(self, ceiling: float) -> None:
        self.ceiling = ceiling
        self.now = 0.0
        self.cut = 0
        """Frames that were longer than the ceiling."""
        self.stalled = 0
        """Frames in which time ran back, or was no number; it stood still instead."""
        self.skipped = 0.0
        """Seconds that were taken out of the clock so far."""
        self.small = 0.0
        """What rounding took from the sum."""
        self.edge = -1.0
        """The last cut, in host time: from here on it was taken out."""
        self.before = 0.0
        """What had been skipped up to there."""

    def inside(self, moment: float) -> float:
        """A moment of the host's clock in session time; a moment that was cut out is the time of the cut."""
        if moment > self.edge:
            shifted = moment - self.skipped
            edge = self.edge - self.before
            return max(edge, shifted)
        return moment - self.before

    def advance(self, dt: float) -> float:
        """Go on by `dt` seconds; returns how many seconds were cut."""
        # what rounding took from the last sum goes into this one (Kahan): after a day of frames, added one by
        # one, the clock is still right to the last digit
        now, step = self.now, dt + self.small
        end = now + step
        small = step - (end - now)
        if now <= end <= now + self.ceiling:
            self.now, self.small = end, small
            return 0.0
        return self._go(end)

    def advance_to(self, moment: float) -> float:
        """Go on to a moment of the host's clock; returns how many seconds were cut."""
        end = moment - self.skipped
        if self.now <= end <= self.now + self.ceiling:
            self.now, self.small = end, 0.0
            return 0.0
        return self._go(end)

    def _go(self, end: float) -> float:
        """Go on to a moment that is in the past, beyond the ceiling, or not a number."""
        # asked this way round it is also true of a time that is no number
        if not self.now < end < float("inf"):
            self.stalled += 1
            return 0.0
        self.cut += 1
        self.now += self.ceiling
        self.small = 0.0
        lost = end - self.now
        # only the last cut is remembered: an event older than that is late, and acts at once anyway
        self.edge, self.before = self.now + self.skipped, self.skipped
        self.skipped += lost
        return lost


FASTEST = 100.0
"""Seconds of the world that may pass in one of the hand's, at the most."""


class World:
    """The world's time, which a pause stops and slow motion slows; hands are not slowed."""

    __slots__ = ("now", "rate")

    def __init__(self) -> None:
        self.now = 0.0
        """Seconds of the world."""
        self.rate = 1.0
        """Its seconds for each of the hand's, in the last frame."""

    def set_rate(self, dt: float, world_dt: float | None) -> tuple[bool, bool]:
        """Say how long a frame of `dt` s was for the world: whether the rate changed, whether it is bad."""
        rate = 1.0 if world_dt is None else world_dt / dt
        wrong = not rate >= 0.0
        if not 0.0 <= rate <= FASTEST:
            rate = FASTEST if rate > FASTEST else 0.0
        changed, self.rate = rate != self.rate, rate
        return changed, wrong

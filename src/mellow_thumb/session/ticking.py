"""Ticking: a frame that is more than what has arrived."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .walker import Taken

if TYPE_CHECKING:
    from ..weaving import Item
    from .course import Course
    from .running import Running
    from .saving import SessionParts


class Makings:
    """What the last frame was made of, as long as somebody asks for it."""

    def __init__(self, running: Running, frames: int) -> None:
        """Keep it for so many frames."""
        self._running, self.frames = running, frames
        self.taken: Taken | None = None

    def ask(self) -> Taken | None:
        """What that was; and keep it until nobody asks for two frames."""
        self.frames, self._running.plainly = 2, False
        return self.taken


class CloseLook:
    """Lets a frame's time pass, whatever has arrived and whoever asks for it."""

    def __init__(self, course: Course, parts: SessionParts, makings: Makings) -> None:
        self._running, self._clock, self._world, self._intake, *_ = parts
        self._course, self._makings = course, makings

    def look(self, start: float) -> None:
        """Between two frames, go over to what is ready by now: the program in C, another plan."""
        self._running.look(start)
        if self._course.ahead is not None:
            self._course.look(self._course.ahead)

    def cut(self, start: float, lost: float) -> None:
        """A frame was over the ceiling, by so many seconds: what waits comes that much earlier."""
        self._running.plainly = False
        self._intake.shorten(self._clock.now - start + lost, lost)

    def values(self, start: float, passed: float, lost: float, world_dt: float | None) -> tuple[float, ...]:
        """What is read at the end of a frame."""
        running, world, intake, makings = self._running, self._world, self._intake, self._makings
        now, values = self._clock.now, None
        if makings.frames:
            makings.taken = Taken(running.program, running.saved, [], start)
        elif world_dt is None and world.rate == 1.0:
            # what has arrived is mostly all of this frame and in order
            count = intake.plain()
            if count >= 0:
                values = running.loop.step(intake.inbox.arrived, count, start, now)
        if values is None:
            items = intake.due(start)
            if world_dt is not None or world.rate != 1.0:
                self._set_rate(items, start, passed + lost, world_dt)
            # last: a frame reads what came before its end
            items.append((now, running.program.frame, 0.0, 0.0))
            if makings.frames and makings.taken:
                makings.frames -= 1
                makings.taken.items.extend(items)
            values = running.loop.send(items)
        world.now += passed * world.rate
        # said first, then asked: what another thread feeds meanwhile may take it back
        running.plainly = True
        if self._asks_for_more():
            running.plainly = False
        return values

    def _asks_for_more(self) -> bool:
        """Whether the next frame is more than what has arrived."""
        running, world, clock = self._running, self._world, self._clock
        own = running.coming is not None or self._course.ahead is not None or self._makings.frames
        return bool(own or world.rate != 1.0 or clock.skipped != 0.0 or self._intake.watches)

    def _set_rate(self, items: list[Item], start: float, dt: float, world_dt: float | None) -> None:
        """Put the world's rate, if it has changed, before what happens in this frame."""
        if dt <= 0.0:
            return
        changed, wrong = self._world.set_rate(dt, world_dt)
        self._clock.stalled += wrong
        if changed:
            self._intake.set_rate(items, start, self._world.rate)

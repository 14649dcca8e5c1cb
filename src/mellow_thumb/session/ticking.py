"""Ticking: how a session goes on by a frame."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .frame import NOBODY, Axes, Frame, Moved, velocity_of
from .walker import Taken

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..weaving import Item
    from .coordinates import Coordinates
    from .course import Course
    from .running import Running
    from .saving import SessionParts


class Lately:
    """What the last frame was made of, as long as somebody asks for it."""

    def __init__(self, running: Running, frames: int) -> None:
        """Keep it for so many frames."""
        self._running, self.frames = running, frames
        self.taken: Taken | None = None

    def ask(self) -> Taken | None:
        """What that was; and keep it until nobody asks for two frames."""
        self.frames, self._running.plainly = 2, False
        return self.taken


def ticking(
    course: Course, parts: SessionParts, lately: Lately, coordinates: Coordinates | None
) -> Callable[..., Frame]:
    """:meth:`Session.tick`, as a function with all that it needs at hand: it is called every frame.

    Most frames are alike: what has arrived goes to the program as it is. `Running.plainly` says that the next
    one is such a frame; any other is looked at closely.
    """
    running, clock, world, intake, _, _, cues = parts
    arrived, closely = intake.inbox.arrived, _Closely(course, parts, lately)

    def tick(dt: float | None = None, to: float | None = None, world_dt: float | None = None) -> Frame:
        if (dt is None) is (to is None):
            raise TypeError("tick takes dt=seconds or to=moment: one of them")
        # before it is asked whether anything else is to be looked at: what that counts, it has seen
        count, start, lost, values = len(arrived), clock.now, 0.0, None
        if not running.plainly:
            closely.look(start)
        if dt is None:
            now, small = to - clock.skipped, 0.0  # type: ignore[operator]
        else:
            # what rounding took from the last sum goes into this one (Kahan): after a day of frames, added
            # one by one, the clock is still right to the last digit
            step = dt + clock.small
            now = start + step
            small = step - (now - start)
        if start <= now <= start + clock.ceiling:
            clock.now, clock.small = now, small
        else:
            lost = closely.cut(now)
            now = clock.now
        passed, program, before = now - start, running.program, running.values
        if running.plainly and world_dt is None:
            values = running.loop.step(arrived, count, start, now)
        if values is None:
            values = closely.values(start, passed, lost, world_dt)
        else:
            world.now += passed
        running.values = values
        # as `frame_of` makes one, but in place: a call would take as long again
        frame, axes, places, rate = Frame(), Axes(), program.velocity_places, world.rate
        frame.t, frame._program, frame.axes = now, program, axes
        frame._cues = cues.read(now) if cues.counts else None
        axes._places, axes._values = program.axis_places, values
        x, y, z = places or (0, 0, 0)
        frame._went = went = (values, before, x, rate, coordinates, passed)
        if not places:
            frame.movement = NOBODY
            return frame
        frame.movement = moved = Moved()
        moved._of = went
        if rate == 1.0 and coordinates is None:
            moved.velocity = values[x], values[y], values[z]
        else:
            moved.velocity = velocity_of(went)
        return frame

    return tick


class _Closely:
    """Lets a frame's time pass, whatever has arrived and whoever asks for it."""

    def __init__(self, course: Course, parts: SessionParts, lately: Lately) -> None:
        self._running, self._clock, self._world, self._intake, *_ = parts
        self._course, self._lately = course, lately

    def look(self, start: float) -> None:
        """Between two frames, go over to what is ready by now: the program in C, another plan."""
        self._running.look(start)
        if self._course.ahead is not None:
            self._course.look(self._course.ahead)

    def cut(self, end: float) -> float:
        """Go on to a moment in the past, beyond the ceiling, or none at all; returns how much was cut (s)."""
        start, clock = self._clock.now, self._clock
        lost = clock.cut_at(end)
        if lost != 0.0:
            self._running.plainly = False
            self._intake.shorten(clock.now - start + lost, lost)
        return lost

    def values(self, start: float, passed: float, lost: float, world_dt: float | None) -> tuple[float, ...]:
        """What is read at the end of a frame."""
        running, world, intake, lately = self._running, self._world, self._intake, self._lately
        now, values = self._clock.now, None
        if lately.frames:
            lately.taken = Taken(running.program, running.saved, [], start)
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
            if lately.frames and lately.taken:
                lately.frames -= 1
                lately.taken.items.extend(items)
            values = running.loop.send(items)
        world.now += passed * world.rate
        # first: if something comes from another thread meanwhile, that takes it back
        running.plainly = True
        if self._asks_for_more():
            running.plainly = False
        return values

    def _asks_for_more(self) -> bool:
        """Whether the next frame is more than what has arrived."""
        running, world, clock = self._running, self._world, self._clock
        own = running.coming is not None or self._course.ahead is not None or self._lately.frames
        return bool(own or world.rate != 1.0 or clock.skipped != 0.0 or self._intake.watches)

    def _set_rate(self, items: list[Item], start: float, dt: float, world_dt: float | None) -> None:
        """Put the world's rate, if it has changed, before what happens in this frame."""
        if dt <= 0.0:
            return
        changed, wrong = self._world.set_rate(dt, world_dt)
        self._clock.stalled += wrong
        if changed:
            self._intake.set_rate(items, start, self._world.rate)

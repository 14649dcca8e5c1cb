"""A seat: one pair of hands at a page, with a session of their own, and what each frame of it shows."""

from __future__ import annotations

from math import cos, isnan, radians, sin
from typing import TYPE_CHECKING, Any

from ..devices import BrowserDoor
from ..insight import tell
from ..plan import DEVICES
from . import land
from .acting import Acting
from .tape import Tape

if TYPE_CHECKING:
    from ..profiles import Profile, Sheet
    from ..session import Frame, Triple, View

    Event = dict[str, Any]


class Seat:
    """Feeds a session what a page says, ticks it by the page's clock, and tells what to draw.

    The page draws and decides nothing: every rule is the session's.
    """

    def __init__(self, profile: Profile, sheet: Sheet | None = None) -> None:
        """Lay out a session of a profile, under a player's sheet if one is given."""
        self.session = profile.session()
        self.tape = Tape(self.session)
        self.notes = self.session.apply(sheet) if sheet else ()
        """What of the sheet did not apply, in words."""
        self.profile = profile
        self.telling = tell(profile)
        """What each control does."""
        self._acting = Acting(profile, self.telling.controls)
        self.cues: dict[str, int] = {}
        """How often each cue was given."""
        self.door: BrowserDoor | None = None
        self._now, self._size = 0.0, (1.0, 1.0)
        self._place = (0.0, 0.0)
        self._view: View | None = None
        self.shown: dict[str, Any] = {}
        """What the last frame showed."""

    def sit(self, now: float, width: float, height: float) -> None:
        """Sit down at a page whose clock shows `now` (ms) and whose view is so large, in its pixels.

        Who sits down again, on another page or after the line was cut, goes on from there with nothing held.
        """
        self.leave()
        self.door = BrowserDoor(self.tape, width, height, counts=self._counts)  # type: ignore[arg-type]
        size = {"type": "resize", "innerWidth": width, "innerHeight": height, "timeStamp": now}
        for event in (size, {"type": "focus", "timeStamp": now}):
            self.door.feed(event)
        self._now, self._size = now, (width, height)

    def take_over(self, before: Seat) -> None:
        """Sit down where another seat's hands sat."""
        if before.door is not None:
            self.sit(before._now, *before._size)

    def leave(self) -> None:
        """Get up: what is held is let go."""
        if self.door is not None:
            for device in DEVICES:
                self.tape.feed(f"{device}.connected", 0.0)
            self.tape.frame(0.0)
            self.door = None

    @property
    def _counts(self) -> bool:
        """Whether the profile asks for a mouse's counts, or else for a pointer's pixels."""
        return any(route.source.signal.name == "mouse.move" for route in self.profile.routes)

    def take(self, events: list[Event]) -> None:
        """Take what has happened; ``on`` of an event is what it began on."""
        assert self.door is not None
        for event in events:
            on = event.get("on")
            self.door.feed(event, on if on in self.profile.things else None)

    def switch(self, profile: Profile, *, going: bool = False) -> tuple[str, ...]:
        """Go on by another profile; in words what has no place there.

        While a dial is still `going`, what the controls are told to do stays as it was.
        """
        gone = self.session.switch(profile)
        self.profile = profile
        if not going:
            self.telling = tell(profile)
            self._acting = Acting(profile, self.telling.controls)
        if self.door is not None:
            self.door.counts = self._counts
        return gone

    def frame(self, now: float) -> dict[str, Any]:
        """The frame that ends at a moment of the page's clock (ms), as plain data."""
        assert self.door is not None
        begun = self.session.now
        frame = self.tape.frame((now - self._now) / 1000.0)
        heard = self._acting.heard(self.session, frame.t - begun)
        self._now = now
        subject = self._walked(frame)
        view = self._seen(subject)
        for name, times in frame.cues.items():
            self.cues[name] = self.cues.get(name, 0) + times
        session = self.session
        self.shown = {
            "t": frame.t,
            "pose": [None if isnan(one) else one for one in view.pose],
            "cursor": view.cursor,
            "axes": {name: value for name, value in frame.axes.items() if value == value},
            "gates": frame.gates,
            "cues": self.cues,
            "mount": frame.mount,
            "device": frame.device,
            "engine": session.engine,
            "warden": [*subject[0], *subject[1]],
            "pending": session.pending,
            "refused": sum(sum(one.values()) for one in session.refused.values()) + self.door.refused.total(),
            "late": session.late,
            "cut": session.cut,
            "fade": frame.fade,
            "acting": self._acting.ways(heard, frame),
            "heard": heard,
        }
        return self.shown

    def _walked(self, frame: Frame) -> tuple[Triple, tuple[float, float, float, float]]:
        """Where the warden stands after a frame's step, and how he is turned."""
        moved = frame.movement
        x, z = self._place = land.stood(*self._place, moved.step)
        heading = 0.0 if isnan(moved.heading) else radians(moved.heading)
        return (x, land.ground(x, z), z), (0.0, sin(-0.5 * heading), 0.0, cos(-0.5 * heading))

    def _seen(self, subject: tuple[Triple, tuple[float, float, float, float]]) -> View:
        """The view of it: with the ground, what is clear behind it, and the head that a headset says."""
        (x, y, z), _ = subject
        clear = None
        if self._view is not None:
            back = _back_of(self._view.rotation)
            clear = land.clear((x, y + 1.5, z), back)
        head = self.door.head if self.door else None
        self._view = self.session.view(subject, clear=clear, ground=land.ground, head=head)
        return self._view


def _back_of(rotation: tuple[float, float, float, float]) -> Triple:
    """Which way is behind a camera: its +Z in the world."""
    x, y, z, w = rotation
    return 2.0 * (x * z + w * y), 2.0 * (y * z - w * x), 1.0 - 2.0 * (x * x + y * y)

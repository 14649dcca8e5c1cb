"""A seat: one pair of hands at a page, with their own session, and what each of its frames shows."""

from __future__ import annotations

from math import isnan
from typing import TYPE_CHECKING, Any

from ..devices import BrowserDoor
from ..insight import tell
from ..plan import DEVICES
from ..plan.mounts import Headset
from ..takes import events_of
from .acting import Acting
from .stand import Stand
from .tape import Tape
from .wondering import Wondering

if TYPE_CHECKING:
    from ..profiles import Profile, Sheet
    from ..session import Frame, Quadruple, Triple
    from ..takes import Take
    from .stand import Seen

    Event = dict[str, Any]


PLAYED = 60.0
"""Frames a second in which the hands of a take act."""


HEAD = ((0.0, 1.65, 0.0), (0.0, 0.0, 0.0, 1.0))
"""Where a head is that no headset tells of: its place (m) and its rotation in the play space."""


SETTLED = 0.25
"""Seconds that pass as hands go: nothing of theirs is to wait for the next."""


class Seat:
    """Feeds a session what a page says, ticks it by the page's clock, and says what to draw.

    The page draws and decides nothing: every rule is the session's.
    """

    def __init__(self, profile: Profile, sheet: Sheet | None = None) -> None:
        """Start a session of a profile, with a player's sheet if one is given."""
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
        self.first = profile
        """The profile with which the session began."""
        self.stand = Stand(self.session)
        self.wondering = Wondering()
        """Who says why nothing happened, while the page asks."""
        self.shown: dict[str, Any] = {}
        """What the last frame showed."""

    def play(self, take: Take) -> None:
        """Play the hands of a take, as if they had been at the page before."""
        events, rate = list(events_of(take)), 1.0 / PLAYED
        end, k = (events[-1].t if events else 0.0), 0
        while self.session.now <= end:
            until = self.session.now + rate
            while k < len(events) and events[k].t < until:
                self.tape.feed(events[k].signal, events[k].value, at=events[k].t, on=events[k].on)
                k += 1
            self._frame(rate, HEAD if self._worn else None)
        self._let_go()

    def sit(self, now: float, width: float, height: float) -> None:
        """Sit down at a page whose clock shows `now` (ms), with a view of this size in its pixels.

        After a reload or a lost connection the session goes on from there, with nothing held.
        """
        self.leave()
        self.door = BrowserDoor(self.tape, width, height, counts=self._counts)
        size = {"type": "resize", "innerWidth": width, "innerHeight": height, "timeStamp": now}
        for event in (size, {"type": "focus", "timeStamp": now}):
            self.door.feed(event)
        self._now, self._size = now, (width, height)

    def take_over(self, before: Seat) -> None:
        """Take over another seat's session."""
        if before.door is not None:
            self.sit(before._now, *before._size)
        self.wonder(on=before.wondering.on)

    def wonder(self, *, on: bool) -> None:
        """Start or stop saying why nothing happened."""
        self.wondering.ask(self.tape, self.door, on=on)

    def leave(self) -> None:
        """Leave the page: what is held is let go."""
        if self.door is not None:
            self._let_go()
            self.door = None

    def _let_go(self) -> None:
        """Let go of what is held, at the last event's time, which may be a little after the last frame."""
        for device in DEVICES:
            self.tape.feed(f"{device}.connected", 0.0)
        self.tape.frame(SETTLED, self.stand.place)

    @property
    def _refused(self) -> int:
        """How often the session has refused something."""
        counts = (*self.session.refused.values(), *self.tape.refused.values())
        return sum(sum(one.values()) for one in counts)

    @property
    def _worn(self) -> bool:
        """Whether a mount is a headset's."""
        return any(isinstance(one.mount, Headset) for one in self.profile.mounts.all)

    @property
    def _counts(self) -> bool:
        """Whether the profile uses mouse counts, or else a pointer's pixels."""
        return any(route.source.signal.name == "mouse.move" for route in self.profile.routes)

    def take(self, events: list[Event]) -> None:
        """Take events; ``on`` of an event is what it began on."""
        assert self.door is not None
        for event in events:
            on = event.get("on")
            self.door.feed(event, on if on in self.profile.things else None)

    def switch(self, profile: Profile, *, going: bool = False) -> tuple[str, ...]:
        """Go on with another profile; returns in words what has no place there.

        While a dial is still `going`, the list of controls stays as it was.
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
        head = self.door.head or (HEAD if self._worn else None)
        frame, (place, turned, view), traced = self._frame((now - self._now) / 1000.0, head)
        self._now = now
        for name, times in frame.cues.items():
            self.cues[name] = self.cues.get(name, 0) + times
        session = self.session
        self.shown = {
            "pose": [None if isnan(one) else one for one in view.pose],
            "cursor": view.cursor,
            "gates": frame.gates,
            "cues": self.cues,
            "mount": frame.mount,
            "device": frame.device,
            "engine": session.engine,
            "warden": [*place, *turned],
            "pending": session.pending,
            "refused": self._refused + self.door.refused.total(),
            "late": session.late,
            "cut": session.cut,
            "fade": frame.fade,
            "pads": {name: pad._asdict() for name, pad in frame.touches.items()},
            "came": self.wondering.news(self.tape, self.door, self.telling),
            "acting": self._acting.ways(traced["heard"], frame),
        } | traced
        return self.shown

    def _frame(self, dt: float, head: tuple[Triple, Quadruple] | None) -> tuple[Frame, Seen, dict[str, Any]]:
        """Make a frame: its values, its view, and what is plotted over time."""
        begun = self.session.now
        frame = self.tape.frame(dt, self.stand.place, head)
        taped, seen = self.tape.frames[-1], self.stand.see(frame, head)
        heard = self._acting.heard(self.session, frame.t - begun)
        axes = {name: value for name, value in frame.axes.items() if value == value}
        taped.seen, taped.traced = seen, {"t": frame.t, "axes": axes, "heard": heard}
        return frame, seen, taped.traced

    def past(self, seconds: float) -> list[dict[str, Any]]:
        """What is plotted of the last seconds."""
        since = self.session.now - seconds
        return [one.traced for one in self.tape.frames if one.traced is not None and one.t > since]

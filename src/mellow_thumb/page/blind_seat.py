"""A seat at a trial: a session of a setting that nobody names, and the tasks of one round."""

from __future__ import annotations

from math import exp, isnan
from typing import TYPE_CHECKING, Any

from ..devices import BrowserDoor
from ..insight.trials import Playing, take_of
from ..plan import DEVICES
from ..takes import parts_of
from .stand import Stand
from .tape import Tape

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ..insight.trials import Trial, Turn
    from ..takes import Take


class BlindSeat:
    """Plays one round with the hands of a page. What it tells is alike for all settings."""

    def __init__(self, trial: Trial, turn: Turn, selecting: Sequence[str]) -> None:
        """Begin a round; every one of them runs in Python, so that none is told by its speed."""
        self.turn, self._selecting = turn, frozenset(selecting)
        profile = trial.profiles[turn.setting]
        self._plans = trial.profiles
        self.session = profile.session(compiled=False)
        self._tape = Tape(self.session, whole=True)
        self._stand = Stand(self.session)
        self.playing = Playing(trial.tasks, trial.seed_of(turn), short=turn.practice, dwells=not selecting)
        self._things = {one for other in trial.profiles for one in other.things}
        """What presses may begin on under any setting: a take must not tell which one it had."""
        self.lost = False
        """Whether the window lost the focus: what hands did then counts for nothing."""
        self._held: set[str] = set()
        self._now = 0.0
        self.door: BrowserDoor | None = None

    def sit(self, now: float, width: float, height: float) -> None:
        """Sit down at a page whose clock shows `now` (ms), with a view of this size in its pixels."""
        counts = any(route.source.signal.name == "mouse.move" for one in self._plans for route in one.routes)
        self.door = BrowserDoor(self._tape, width, height, counts=counts)
        size = {"type": "resize", "innerWidth": width, "innerHeight": height, "timeStamp": now}
        for event in (size, {"type": "focus", "timeStamp": now}):
            self.door.feed(event)
        self._now = now

    def take(self, events: list[dict[str, Any]]) -> None:
        """Take events; ``on`` of an event is what it began on."""
        assert self.door is not None
        for event in events:
            if event.get("type") == "blur":
                self.lost = True
            on = event.get("on")
            self.door.feed(event, on if on in self._things else None)

    def frame(self, now: float) -> dict[str, Any]:
        """The frame that ends at a moment of the page's clock (ms), as plain data."""
        begun = self.session.now
        frame = self._tape.frame((now - self._now) / 1000.0, self._stand.place)
        self._now = now
        place, turned, view = self._stand.see(frame)
        taken = self._selected(self._tape.frames[-1].events)
        playing = self.playing
        playing.frame(frame.t, frame.t - begun, frame.axes, self._stand.place, taken, frame.cues)
        return {
            "pose": [None if isnan(one) else one for one in view.pose],
            "cursor": view.cursor,
            "warden": [*place, *turned],
            "fade": 0.0,
            "pads": {name: pad._asdict() for name, pad in frame.touches.items()},
            "task": self._task(),
            "share": playing.share,
        }

    def _selected(self, events: Sequence[Any]) -> list[float]:
        """When something was pressed that selects."""
        found = []
        for event in events:
            if event.signal not in self._selecting:
                continue
            down = event.value >= 0.5
            if down and event.signal not in self._held:
                found.append(event.t)
            (self._held.add if down else self._held.discard)(event.signal)
        return found

    def _task(self) -> dict[str, Any] | None:
        """What is asked now, and where it is, to be drawn."""
        playing = self.playing
        task, target = playing.task, playing.target
        if task is None:
            return None
        said: dict[str, Any] = {"name": task.name, "words": task.words}
        if playing.bird is not None:
            return said | {"bird": playing.bird, "width": 0.08 * task.size}
        if target is None:
            return said
        if task.kind == "walk":
            way = task.way
            return said | {"way": way, "next": way.index(target.place)}
        if task.logarithmic:
            band = [exp(side * 0.5 * target.width) for side in (-1.0, 1.0)]
            return said | {"size": exp(playing.place[0] - target.place[0]), "band": band}
        return said | {"at": target.place, "width": target.width}

    def recorded(self) -> Take:
        """The round's take: what hands did, and what was asked."""
        rows = [
            (max(event.t, 0.0), name, value, event.on or "")
            for frame in self._tape.frames
            for event in frame.events
            for name, value in parts_of(event.signal, event.value)
        ]
        return take_of([*rows, *((t, name, value, "") for t, name, value in self.playing.rows)])

    def leave(self) -> None:
        """Leave the page: what is held is let go."""
        for device in DEVICES:
            self._tape.feed(f"{device}.connected", 0.0)

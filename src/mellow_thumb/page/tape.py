"""The tape: what hands do, recorded on its way to a session, with the frames made from it."""

from __future__ import annotations

from collections import deque
from dataclasses import dataclass
from math import inf
from operator import itemgetter
from typing import TYPE_CHECKING, Any

from ..formulas import heading_of
from ..plan import POSE_PARTS, find_signal
from ..session import Host, is_known
from ..takes import COLUMNS, Event, Take, parts_of

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ..session import Frame, Quadruple, Session, Snapshot, Triple
    from .stand import Seen

LENGTH = 60.0
"""Seconds that are kept."""
MOST = 200_000
"""Events that are kept, at the most."""
APART = 1.0
"""Seconds between two moments to which a session can go back."""


@dataclass(slots=True)
class Taped:
    """One frame: its start and end, its events, and now and then a snapshot of the session at its start."""

    begun: float
    t: float
    events: tuple[Event, ...]
    before: Snapshot | None
    place: tuple[float, float]
    """Where the warden stood as it began."""
    head: tuple[Triple, Quadruple] | None
    """Where a headset was."""
    seen: Seen | None = None
    """What was seen at its end."""
    traced: dict[str, Any] | None = None
    """What is drawn of it over time: its axes, and what routes heard."""


class Tape:
    """Takes the place of a session behind a door: feeds the session, and keeps the last minute.

    Times come on the page's clock and are kept in session time: what was cut out of a frame that was
    too long is cut out here too.
    """

    contacts = True
    """Every contact is of use here: another setting may ask for it."""

    def __init__(self, session: Session, *, whole: bool = False) -> None:
        """Keep the last minute, or the `whole` of it."""
        self.session, self._whole = session, whole
        self.coordinates = session.coordinates
        self.frames: deque[Taped] = deque()
        """The last minute, frame by frame."""
        self._fresh: list[Event] = []
        self._kept, self._last = 0, session.now
        self._held: dict[str, float | tuple[float, float]] = {}
        """What held signals said last before what is kept begins."""
        self._ready: Snapshot | None = session.snapshot()
        self._offset = 0.0
        host = Host(self)
        self.set_screen, self.touch, self.motion, self.attitude = (
            host.set_screen, host.touch, host.motion, host.attitude,
        )  # fmt: skip
        self.refused: dict[str, dict[str, int]] = {}
        """What made no event at all, by signal and reason."""

    def refuse(self, signal: str, reason: str) -> None:
        """Count a refusal."""
        counts = self.refused.setdefault(signal, {})
        counts[reason] = counts.get(reason, 0) + 1

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """Say what the page's clock shows now."""
        del at
        self.session.align(device, their_time)
        self._offset = self.session.now - their_time

    def feed(
        self, signal: str, value: float | Sequence[float], at: float | None = None,
        device: str | None = None, on: str | None = None,
    ) -> None:  # fmt: skip
        """Record an event and pass it on."""
        said = float(value) if isinstance(value, int | float) else (float(value[0]), float(value[1]))
        self._fresh.append(Event(-inf if at is None else at + self._offset, signal, said, on))
        self.session.feed(signal, value, at, device, on)

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """Say which way a hand points."""
        self._fresh.append(Event(-inf, f"host.{side}_hand_yaw", heading_of(*rotation), None))
        self.session.set_hand(side, rotation)

    def frame(
        self, dt: float, place: tuple[float, float], head: tuple[Triple, Quadruple] | None = None
    ) -> Frame:
        """Tick the session by `dt` seconds of the page's clock, and keep the frame.

        `place` is where the warden stands before it, `head` where a headset is.
        """
        session = self.session
        begun = session.now
        before, self._ready = self._ready, None
        cut = session.cut
        frame = session.tick(dt)
        events = self._timed(begun)
        if session.cut > cut:
            self._offset -= dt - (frame.t - begun)
            events = [event._replace(t=min(event.t, frame.t)) for event in events]
        self.frames.append(Taped(begun, frame.t, tuple(events), before, place, head))
        self._kept += len(events)
        self._forget(frame.t)
        # before anything of the next frame has come in
        if frame.t - self._last >= APART and not self._whole:
            self._ready, self._last = session.snapshot(), frame.t
        return frame

    def _timed(self, begun: float) -> list[Event]:
        """A frame's events by time; one without a time goes with the one before it."""
        fresh, self._fresh, latest = self._fresh, [], begun
        for k, event in enumerate(fresh):
            latest = latest if event.t == -inf else event.t
            fresh[k] = event._replace(t=latest)
        return sorted(fresh, key=itemgetter(0))

    def _forget(self, now: float) -> None:
        """Drop what is older than the last minute, up to a frame with a snapshot."""
        if self._whole:
            return
        frames = self.frames
        while len(frames) > 1 and (frames[1].t < now - LENGTH or self._kept > MOST):
            self._drop(frames.popleft().events)
            while len(frames) > 1 and frames[0].before is None:
                self._drop(frames.popleft().events)

    def _drop(self, events: tuple[Event, ...]) -> None:
        """Drop events, but keep the last value of each held signal."""
        self._kept -= len(events)
        for event in events:
            if is_known(event.signal) and find_signal(event.signal).signal.held:
                self._held.pop(event.signal, None)
                self._held[event.signal] = event.value

    @property
    def begun(self) -> float:
        """The session's time at which it begins (s)."""
        return self.frames[0].begun if self.frames else 0.0

    def take(self) -> Take:
        """The tape as a take, from time 0; what was held at its start is said there."""
        import pandas as pd

        begun = self.begun
        rows = [
            (0.0, name, part, "")
            for signal, value in self._held.items()
            for name, part in parts_of(signal, value)
        ]
        rows += [
            (max(event.t - begun, 0.0), name, value, event.on or "")
            for frame in self.frames
            for event in frame.events
            for name, value in parts_of(event.signal, event.value)
        ]
        worn = None
        for frame in self.frames:
            if frame.head is not None and frame.head != worn:
                worn = frame.head
                said = zip(POSE_PARTS, (*worn[0], *worn[1]), strict=True)
                rows += [(frame.t - begun, f"host.head.{part}", value, "") for part, value in said]
        table = pd.DataFrame(sorted(rows, key=itemgetter(0)), columns=[*COLUMNS, "on"])
        return Take(
            table.astype({"t": float, "signal": "category", "value": float}), {"made_by": "mellow-thumb try"}
        )

"""The same hands again: what the last minute would have been with other numbers."""

from __future__ import annotations

from asyncio import sleep
from math import inf, isfinite
from time import perf_counter
from typing import TYPE_CHECKING, Any

from .stand import Stand

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..profiles import Profile
    from ..session import Frame, View
    from .stand import Seen
    from .tape import Tape, Taped

PACE = 0.05
"""Seconds from one point of a path to the next."""
AHEAD = 12.0
"""How far ahead a look is marked (m)."""
RECENT = 10.0
"""For so many seconds every frame's axes are told."""
SLICE = 0.003
"""Seconds at a stretch."""
SAME = 1e-9
"""Views that are no further apart are the same."""
OURS = "tape"
"""What a tape's clock is called where a session aligns it."""


class Path:
    """A stretch of frames as drawn in the scene: where the warden went, and where he looked."""

    def __init__(self) -> None:
        self.walked: list[float] = []
        """Places of the warden, x y z x y z ..."""
        self.looked: list[float] = []
        """Where the middle of the view was: a way ahead of the camera, or on the chart under it."""
        self.next = -inf

    @property
    def marks(self) -> dict[str, list[float]]:
        """Both, as plain data."""
        return {"walked": self.walked, "looked": self.looked}

    def add(self, t: float, place: tuple[float, ...], view: View) -> None:
        """Mark a frame, if it is time for the next mark."""
        if t < self.next:
            return
        self.next = t + PACE
        x, y, z, a, b, c, d, _, extent = view.pose
        far = 0.0 if extent > 0.0 else AHEAD
        ahead = 2.0 * (a * c + d * b), 2.0 * (b * c - d * a), 1.0 - 2.0 * (a * a + b * b)
        self.walked += [round(one, 3) for one in place]
        self.looked += [
            round(at - far * way, 3) for at, way in zip((x, y, z), ahead, strict=True) if isfinite(at)
        ]


def replayed(tape: Tape, first: Profile, profile: Profile) -> Iterator[tuple[Taped, Frame, Seen]]:
    """Play a tape through a profile, frame by frame, from where it begins.

    `first` is the profile with which its session began. Yields each taped frame, the new frame,
    and what is seen then.
    """
    frames = list(tape.frames)
    if not frames or frames[0].before is None:
        return
    session = first.session()
    session.restore(frames[0].before)
    session.align(OURS, session.now)
    session.switch(profile)
    stand = Stand(session, frames[0].place)
    for one in frames:
        for event in one.events:
            session.feed(event.signal, event.value, at=event.t, device=OURS, on=event.on)
        frame = session.tick(one.t - session.now)
        yield one, frame, stand.see(frame, one.head)


async def compared(tape: Tape, first: Profile, profile: Profile) -> dict[str, Any] | None:
    """What the last minute was and would have been, as plain data; None if they are the same.

    It yields to other tasks in between, so that no frame waits for it.
    """
    was, would, until = Path(), Path(), perf_counter() + SLICE
    times: list[float] = []
    axes: list[dict[str, float]] = []
    apart, recent = 0.0, tape.frames[-1].t - RECENT if tape.frames else 0.0
    for one, frame, (place, _, view) in replayed(tape, first, profile):
        if one.seen is not None:
            was.add(one.t, one.seen[0], one.seen[2])
            would.add(one.t, place, view)
            pairs = zip(one.seen[2].pose, view.pose, strict=True)
            apart = max(apart, *(abs(a - b) for a, b in pairs if isfinite(a) and isfinite(b)))
        if one.t >= recent:
            times.append(one.t)
            axes.append({name: round(value, 6) for name, value in frame.axes.items() if isfinite(value)})
        if perf_counter() > until:
            await sleep(0)
            until = perf_counter() + SLICE
    if apart < SAME:
        return None
    paths = {"was": was.marks, "would": would.marks, "pace": PACE}
    return {"times": times, "axes": axes, **paths}

"""Recordings of a page's events as takes: what `BrowserDoor` takes, one JSON object per line."""

from __future__ import annotations

import json
from typing import TYPE_CHECKING, Any

from ..basics import MOST_PROBLEMS, Problem, TakeError, read_text
from ..devices import BrowserDoor
from ..formulas import heading_of
from ..plan import POSE_PARTS
from ..session import Host
from .take import COLUMNS, Take, parts_of

if TYPE_CHECKING:
    import os
    from collections.abc import Sequence

LARGEST = 1024**3
SIZE = (1280.0, 720.0)
"""The view that is taken where the recording does not begin with a ``resize``."""


class _Rows:
    """Records what a browser's door feeds, in place of a session."""

    contacts = True
    """Every contact is of use here."""
    coordinates = None
    """What a page says is in our axes and metres."""

    def __init__(self) -> None:
        self.refused: dict[str, dict[str, int]] = {}
        self.rows: list[tuple[float, str, float]] = []
        self._begin = 0.0
        self._now = 0.0
        host = Host(self)
        self.set_screen, self.touch, self.motion, self.attitude = (
            host.set_screen, host.touch, host.motion, host.attitude,
        )  # fmt: skip

    def refuse(self, signal: str, reason: str) -> None:
        """Count a refusal."""
        counts = self.refused.setdefault(signal, {})
        counts[reason] = counts.get(reason, 0) + 1

    def feed(
        self, signal: str, value: float | Sequence[float], at: float | None = None,
        device: str | None = None, on: str | None = None,
    ) -> None:  # fmt: skip
        """Keep an event."""
        del device, on
        self._now = self._now if at is None else round(at - self._begin, 6)
        pair = (float(value[0]), float(value[1])) if not isinstance(value, (int, float)) else float(value)
        self.rows += [(self._now, name, one) for name, one in parts_of(signal, pair)]

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """The recording starts at its first event."""
        del device, at
        self._begin = their_time

    def set_hand(self, side: str, rotation: tuple[float, float, float, float]) -> None:
        """Keep which way a hand points."""
        self.feed(f"host.{side}_hand_yaw", heading_of(*rotation))


def read_browser(path: str | os.PathLike[str]) -> Take:
    """Read a page's recorded events, one JSON object a line, as a take; the first event is at 0.

    The first line should be a ``resize``, which says how large the view is. Raises :class:`TakeError`, with
    every problem and its line, for anything else.
    """
    import pandas as pd

    file, problems = str(path), list[Problem]()
    lines = read_text(path, TakeError, largest=LARGEST).splitlines()
    events: list[tuple[int, Any]] = []
    for number, line in enumerate(lines, 1):
        if not line.strip() or len(problems) >= MOST_PROBLEMS:
            continue
        try:
            events.append((number, json.loads(line)))
        except (ValueError, RecursionError):
            problems.append(Problem(file, number, "", f"{line[:60]!r}", "an event as a JSON object"))
    if not events and not problems:
        problems.append(Problem(file, 0, "", "no events", "an event a line, as JSON objects"))
    if problems:
        raise TakeError(problems)
    rows, notes = _Rows(), []
    first = events[0][1]
    sized = isinstance(first, dict) and first.get("type") == "resize"
    if not sized:
        notes.append(f"no resize at its beginning: the view is taken to be {SIZE[0]:g} by {SIZE[1]:g} pixels")
    door = BrowserDoor(rows, *SIZE, counts=True)
    if sized:
        rows.rows.clear()
    for _, event in events:
        door.feed(event)
        if isinstance(event, dict) and event.get("type") == "xrframe" and door.head is not None:
            place, turned = door.head
            for part, value in zip(POSE_PARTS, (*place, *turned), strict=True):
                rows.feed(f"host.head.{part}", value)
            rows.feed("host.head_yaw", heading_of(*turned))
    notes += [f"{count} events of {kind} were left out: {why}" for (kind, why), count in door.refused.items()]
    table = pd.DataFrame(rows.rows, columns=list(COLUMNS))
    about = {"made_by": "a page's events"}
    return Take(table.astype({"t": float, "signal": "category", "value": float}), about, tuple(notes))

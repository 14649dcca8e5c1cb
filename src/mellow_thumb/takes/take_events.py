"""A take's rows as what hands did: whole events, in order of time."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..plan import DEVICES, find_signal
from ..session import is_known

if TYPE_CHECKING:
    from collections.abc import Iterator

    from .take import Take

HANDS = (*DEVICES, "flag", "choice", "setting")
"""What events are of that a session is fed, by the first word of their signals."""
WINDOW = ("host.focus", "host.screen", "host.pixels_per_cm")
"""What else of a host's words is an event."""


class Event(NamedTuple):
    """Something a hand did, at a session's time (s)."""

    t: float
    signal: str
    value: float | tuple[float, float]
    on: str | None = None


def events_of(take: Take) -> Iterator[Event]:
    """What hands did in a take, in order of time; without what its host said about its own world."""
    rows = take.table.sort_values("t", kind="stable")
    names, values, times = (rows[name].tolist() for name in ("signal", "value", "t"))
    begun = rows["on"].tolist() if "on" in rows else [None] * len(rows)
    k = 0
    while k < len(names):
        base, _, part = names[k].rpartition(".")
        ours = base.partition(".")[0] in HANDS or (base if part in ("x", "y") else names[k]) in WINDOW
        pair = part == "x" and names[k + 1 : k + 2] == [f"{base}.y"] and is_known(base)
        pair = pair and times[k + 1] == times[k] and find_signal(base).signal.pair
        value = (values[k], values[k + 1]) if pair else values[k]
        if ours:
            on = begun[k] if isinstance(begun[k], str) and begun[k] else None
            yield Event(times[k], base if pair else names[k], value, on)
        k += 2 if pair else 1

"""Hearing: what comes into a session is said to somebody else too, to be recorded."""

from __future__ import annotations

from collections.abc import Callable
from math import cos, radians, sin
from typing import TYPE_CHECKING

from ..plan.mounts import GROUND, HEAD, PLACE, UP
from .doors import is_known
from .live_signals import Said, live_signals

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ..plan import Signal
    from .clock import Clock
    from .running import Running

Say = Callable[[str, Said, float, str], None]
"""Takes an event: its signal, its value, the session's time at which it takes effect, what it began on."""
WHOLE = (PLACE, HEAD, UP, *((name,) for name in ("subject_yaw", "clear", *GROUND)))
"""What a host says for the view, each in its parts, which are said together."""


class Hearing:
    """Says what a session takes to a function, with the times at which it takes effect."""

    def __init__(self, say: Say, running: Running, clock: Clock) -> None:
        """Begin with what is held now."""
        self.say, self._running, self._clock = say, running, clock
        self._fresh: list[tuple[float | None, str, Said, str]] = []
        self._told: dict[str, float] = {}
        self._said: dict[str, float] = {}
        """When each of those was said last."""
        self._then = clock.now
        rest = live_signals(running, running.program.start)
        for name, said in live_signals(running).items():
            if is_known(name) and said != rest.get(name):
                say(name, said, clock.now, "")

    def hear(self, signal: str, value: float | Sequence[float], at: float | None, on: str | None) -> None:
        """Keep an event until it is known when it takes effect; `at` is on the host's clock."""
        try:
            if isinstance(value, int | float):
                said: Said = float(value)
            else:
                x, y = value
                said = float(x), float(y)
            moment = None if at is None else float(at)
        except (TypeError, ValueError, OverflowError):
            return  # it is refused and counted
        parts = said if isinstance(said, tuple) else (said,)
        if is_known(signal) and all(one - one == 0.0 for one in (*parts, moment or 0.0)):
            self._fresh.append((moment, signal, said, on or ""))

    def waits(self, signal: Signal, x: float, y: float, at: float | None, on: str | None) -> None:
        """Keep an event that was taken before, for a frame to come."""
        if signal.pair and (x != x or y != y):  # one part alone
            self.hear(f"{signal.name}.x" if y != y else f"{signal.name}.y", x if y != y else y, at, on)
        else:
            self.hear(signal.name, (x, y) if signal.pair else x, at, on)

    def frame(self, start: float) -> None:
        """Say what came in before a frame that begins at `start` and ends now, and what the view was told."""
        self._hosts(start)
        fresh, self._fresh = self._fresh, []
        latest, clock = start, self._clock
        for at, signal, said, on in fresh:
            t = latest if at is None else clock.inside(at)
            if latest < t < clock.now:
                latest = t  # as the inbox has it
            self.say(signal, said, t, on)

    def _hosts(self, t: float) -> None:
        """Say what a host has said for the view since the frame before."""
        asked, hosts = self._running.program.asked, self._running.loop.hosts
        before, then = self._told, self._then
        now = {name: value for name, value in zip(asked, hosts, strict=True) if value == value}
        self._told, self._then = now, t
        for whole in WHOLE:
            if any(before.get(name) != now.get(name) for name in whole):
                if whole[0] in before and self._said[whole[0]] < then:
                    self._tell(whole, before, then)  # up to there it stayed: a replay goes from row to row
                self._tell(whole, now, t)

    def _tell(self, whole: tuple[str, ...], told: dict[str, float], t: float) -> None:
        """Say one thing that the view was told, in all its parts."""
        self._said[whole[0]] = t
        for name in whole:
            if name == "subject_yaw":  # of a turned subject it alone counts
                half = radians(0.5 * told[name])
                for part, value in (("qx", 0.0), ("qy", -sin(half)), ("qz", 0.0), ("qw", cos(half))):
                    self.say(f"host.subject.{part}", value, t, "")
            else:
                self.say(f"host.{name.replace('_', '.') if len(whole) > 1 else name}", told[name], t, "")

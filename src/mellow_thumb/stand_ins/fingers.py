"""Fingers on a touch screen: swipes, sloppy taps, pinches and twists, in whole pixels."""

from __future__ import annotations

from functools import partial
from math import cos, pi, radians, sin
from typing import TYPE_CHECKING, Any

from ..takes import COLUMNS, Take
from .mouse import smooth_path

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

Place = tuple[float, float]

TREMOR = 0.6
"""Standard deviation of how a finger that rests is reported, in pixels."""
SLANT = 40.0
"""How two fingers of one hand lie, in degrees."""
SLIP = 5.0
"""How far a finger slips that taps, in pixels."""


CREEP = 4.0
"""How far a palm creeps as it sinks in, in pixels."""


class Fingers:
    """Simulated fingers. Tell them what to do in order, then ask for the take.

    Places are 0..1 of the screen from its bottom left corner. The screen reports `rate` times a second, each
    finger that is on it, when it has moved by a pixel; of what moves the share `lost` never comes, several
    reports in a row. `first` is the number of its first finger, for hands that work at the same time.
    """

    def __init__(
        self,
        seed: int,
        *,
        screen: tuple[int, int] = (1280, 800),
        rate: int = 120,
        first: int = 1,
        lost: float = 0.0,
    ) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        self._screen, self._rate, self._first, self._lost = screen, rate, first, lost
        self._loses = False
        self._rows: list[tuple[float, str, float]] = []
        self._last: dict[int, Place] = {}
        self.elapsed = 0.0
        """Seconds that they have been at work."""

    def rest(self, seconds: float) -> None:
        """Keep off the screen, or still on it."""
        self._go(seconds, {finger: partial(_between, at, at) for finger, at in self._last.items()})

    def land(self, place: Place, finger: int = 0) -> None:
        """Put a finger down."""
        self._report(finger, place)
        self._say(f"touch.{self._first + finger}.down", 1.0)

    def lift(self, finger: int = 0) -> None:
        """Take a finger off."""
        self._say(f"touch.{self._first + finger}.down", 0.0)
        self._last.pop(finger, None)

    def cancel(self, finger: int = 0) -> None:
        """The system takes a finger away, as it does where a gesture of its own begins."""
        self._say(f"touch.{self._first + finger}.cancel", 1.0)
        self._last.pop(finger, None)

    def move(self, place: Place, seconds: float, finger: int = 0) -> None:
        """Move a finger that is down, along the path of least jerk with a slight bow."""
        self.move_all({finger: place}, seconds)

    def move_all(self, places: Mapping[int, Place], seconds: float) -> None:
        """Move several fingers that are down at once, each so, to a place of its own."""
        self._go(seconds, {finger: self._path(finger, place) for finger, place in places.items()})

    def _path(self, finger: int, place: Place) -> Callable[[float], Place]:
        import numpy as np

        here, bow = self._last[finger], 0.03 * float(self._random.standard_normal())
        dx, dy = place[0] - here[0], place[1] - here[1]

        def path(share: float) -> Place:
            done = float(smooth_path(np.array(share)))
            aside = bow * sin(pi * done)
            return here[0] + dx * done - dy * aside, here[1] + dy * done + dx * aside

        return path

    def swipe(self, begin: Place, end: Place, seconds: float, finger: int = 0) -> None:
        """Land, move at an even speed, and lift while moving; from a rim it is a finger that slides in."""
        self.land(begin, finger)
        self._go(seconds, {finger: partial(_between, begin, end)})
        self.lift(finger)

    def tap(self, place: Place, seconds: float = 0.09, finger: int = 0, *, over: Place | None = None) -> None:
        """A short press that slips a little, while the first finger goes on to a place, if that is given."""
        self.land(place, finger)
        slip = (
            SLIP * self._random.random() / self._screen[0],
            SLIP * self._random.random() / self._screen[1],
        )
        paths: dict[int, Callable[[float], Place]] = {
            finger: lambda share: (place[0] + slip[0] * share, place[1] - slip[1] * share)
        }
        if over is not None:
            paths[0] = partial(_between, self._last[0], over)
        self._go(seconds, paths)
        self.lift(finger)

    def palm(self, place: Place, finger: int = 9) -> None:
        """The heel of a hand that comes to rest: it lands, and creeps a little as it sinks in."""
        self.land(place, finger)
        self._go(0.1, {finger: partial(_between, place, (place[0], place[1] + CREEP / self._screen[1]))})

    def pinch(
        self,
        middle: Place,
        begin: float,
        end: float,
        seconds: float,
        *,
        turn: float = 0.0,
    ) -> None:
        """Two fingers about a place, `begin` screens apart, then `end`, turned by `turn` deg, clockwise."""
        shorter = min(self._screen)

        def place(side: float, share: float) -> Place:
            import numpy as np

            done = float(smooth_path(np.array(share)))
            half, a = 0.5 * (begin + (end - begin) * done), radians(SLANT - turn * done)
            x = middle[0] + side * half * cos(a) * shorter / self._screen[0]
            return x, middle[1] + side * half * sin(a) * shorter / self._screen[1]

        self.land(place(-1.0, 0.0))
        self.rest(0.03)  # two fingers never land at once
        self.land(place(1.0, 0.0), 1)
        self._go(seconds, {0: partial(place, -1.0), 1: partial(place, 1.0)})
        self.lift(1)
        self.rest(0.02)
        self.lift(0)

    def say(self, signal: str, value: float) -> None:
        """Set something other than the fingers from here on: the screen's size, a flag of the host."""
        self._say(signal, value)

    def take(self, **about: str) -> Take:
        """Everything so far as a take; keyword arguments go into the take's `about`."""
        import pandas as pd

        table = pd.DataFrame(self._rows, columns=list(COLUMNS))
        return Take(table.astype({"t": float, "signal": "category", "value": float}), about)

    def _go(self, seconds: float, paths: dict[int, Callable[[float], Place]]) -> None:
        count = max(round(seconds * self._rate), 1)
        begin = self.elapsed
        for k in range(1, count + 1):
            self.elapsed = round(begin + k / self._rate, 6)
            if self._lost:
                # it loses as it lost before, four times out of five: in a row
                lost = self._lost if self._random.random() < 0.2 else float(self._loses)
                self._loses = bool(self._random.random() < lost)
            if self._loses:
                continue
            for finger, path in paths.items():
                x, y = path(k / count)
                shake: Any = TREMOR * self._random.standard_normal(2)
                self._report(finger, (x + shake[0] / self._screen[0], y + shake[1] / self._screen[1]))

    def _report(self, finger: int, place: Place) -> None:
        pixels = tuple(
            min(max(round(part * side), 0), side) for part, side in zip(place, self._screen, strict=True)
        )
        if finger in self._last and pixels == tuple(
            round(part * side) for part, side in zip(self._last[finger], self._screen, strict=True)
        ):
            return
        self._last[finger] = (pixels[0] / self._screen[0], pixels[1] / self._screen[1])
        for part, value in zip("xy", self._last[finger], strict=True):
            self._say(f"touch.{self._first + finger}.place.{part}", round(value, 6))

    def _say(self, signal: str, value: float) -> None:
        self._rows.append((self.elapsed, signal, value))


def _between(begin: Place, end: Place, share: float) -> Place:
    return begin[0] + (end[0] - begin[0]) * share, begin[1] + (end[1] - begin[1]) * share

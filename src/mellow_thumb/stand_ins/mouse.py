"""A hand on a mouse: smooth aimed movements, small misses and corrections, a little tremor."""

from __future__ import annotations

from math import cos, log2, pi, sin
from typing import TYPE_CHECKING, Any

from ..takes import COLUMNS, Take

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    Path = npt.NDArray[np.float64]

REACTION = 0.10
"""Seconds that an aimed movement takes at the least."""
PER_BIT = 0.12
"""Seconds for each bit of difficulty."""
TREMOR_CM = 0.0012
"""Amplitude of the tremor, cm."""


def movement_time(distance: float, width: float) -> float:
    """Seconds for an aimed movement over `distance` to a target `width` wide (same unit).

    Source: MacKenzie, Fitts' law as a research and design tool (1992), equation 8.
    """
    return REACTION + PER_BIT * log2(distance / width + 1.0)


def smooth_path(share: Path) -> Path:
    """How much of a movement is done at each share (0..1) of its time: the path of least jerk.

    Source: Flash and Hogan, The coordination of arm movements (1985), equation 4.
    """
    done: Path = share**3 * (10.0 - 15.0 * share + 6.0 * share**2)
    return done


class MouseHand:
    """A simulated hand on a mouse. Tell it what to do in order, then ask for the take.

    Movements are in cm of the hand: right and away are positive. The mouse reports whole counts,
    `rate` times a second, and only when there are some.
    """

    def __init__(self, seed: int, *, counts_per_cm: float = 315.0, rate: int = 1000) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        self._counts_per_cm, self._rate = counts_per_cm, rate
        self._paths: list[Path] = [np.zeros((1, 2))]
        self._length = 1
        self._presses: list[tuple[int, str, float]] = []

    @property
    def elapsed(self) -> float:
        """Seconds so far."""
        return (self._length - 1) / self._rate

    def rest(self, seconds: float) -> None:
        """Keep as still as hands can."""
        import numpy as np

        count = round(seconds * self._rate)
        self._append(np.repeat(self._paths[-1][-1:], count, axis=0))

    def press(self, button: str = "mouse.right") -> None:
        """Press a button."""
        self._presses.append((self._length, button, 1.0))

    def release(self, button: str = "mouse.right") -> None:
        """Let a button go."""
        self._presses.append((self._length, button, 0.0))

    def hold(self, button: str, seconds: float) -> None:
        """Hold a button or a key for a while, the hand at rest."""
        self.press(button)
        self.rest(seconds)
        self.release(button)

    def set(self, signal: str, value: float) -> None:
        """Set something other than the hand from here on: a player's choice, a flag of the host."""
        self._presses.append((self._length, signal, value))

    def aim(self, right: float, away: float, *, width: float = 0.25) -> None:
        """Move by `right` and `away` cm to a target `width` cm wide, and correct the miss.

        The first movement falls a little short on average, and the next ones close the gap.
        Source: Meyer and others, Optimality in human motor performance (1988), the model of section 3.
        """
        left = [right, away]
        for _ in range(4):
            distance = (left[0] ** 2 + left[1] ** 2) ** 0.5
            if distance < width / 2:
                break
            reach = 0.95 + 0.04 * self._random.standard_normal()
            slip = 0.02 * self._random.standard_normal()
            made = (left[0] * reach - left[1] * slip, left[1] * reach + left[0] * slip)
            self._move(*made, seconds=movement_time(distance, width))
            left = [left[0] - made[0], left[1] - made[1]]
            self.rest(0.06 + 0.02 * self._random.random())

    def take(self, **about: str) -> Take:
        """Everything so far as a take; keyword arguments go into the take's `about`."""
        import numpy as np
        import pandas as pd

        place = np.concatenate(self._paths) + self._tremor()
        late = self._random.uniform(0.0, 2e-4, self._length)
        times = np.round(np.arange(self._length) / self._rate + late, 6)
        rows: list[tuple[Any, ...]] = [
            (times[k], name, value) for k, name, value in self._presses if k < self._length
        ]
        rows += self._reports(place, times)
        table = pd.DataFrame(rows, columns=list(COLUMNS)).sort_values("t", kind="stable", ignore_index=True)
        return Take(table.astype({"t": float, "signal": "category", "value": float}), about)

    def _reports(self, place: Path, times: Path) -> list[tuple[Any, ...]]:
        """The mouse's reports of where the hand is (cm) at each time."""
        import numpy as np

        counts = np.diff(np.floor(place * self._counts_per_cm + 0.5), axis=0)
        return [
            (times[k + 1], f"mouse.move.{part}", counts[k, n])
            for k in np.flatnonzero(counts.any(axis=1))
            for n, part in enumerate("xy")
        ]

    def _append(self, path: Path) -> None:
        if len(path):
            self._paths.append(path)
            self._length += len(path)

    def _move(self, right: float, away: float, *, seconds: float) -> None:
        import numpy as np

        share = np.arange(1, round(seconds * self._rate) + 1) / round(seconds * self._rate)
        done = smooth_path(share)[:, None]
        bow = 0.015 * self._random.standard_normal() * np.sin(pi * done)
        here = self._paths[-1][-1:]
        self._append(here + done * [right, away] + bow * [-away, right])

    def _tremor(self) -> Path:
        """Two tones near 10 Hz on each component: the band of physiological tremor, 8 to 12 Hz."""
        import numpy as np

        t = np.arange(self._length) / self._rate
        shake = np.zeros((self._length, 2))
        for n in range(2):
            for low in (8.0, 10.0):
                tone, phase = low + 2.0 * self._random.random(), 2 * pi * self._random.random()
                shake[:, n] += (
                    TREMOR_CM
                    / 2
                    * (cos(phase) * np.sin(2 * pi * tone * t) + sin(phase) * np.cos(2 * pi * tone * t))
                )
        return shake


class PointerHand(MouseHand):
    """A simulated hand on a mouse that moves a pointer, starting in the middle of a screen.

    The window reports the pointer's place in whole pixels, `rate` times a second, when it has changed.
    """

    def __init__(
        self,
        seed: int,
        *,
        screen: tuple[int, int] = (1280, 800),
        pixels_per_cm: float = 120.0,
        rate: int = 125,
    ) -> None:
        super().__init__(seed, rate=rate)
        self._screen, self._pixels_per_cm = screen, pixels_per_cm

    def point(self, x: float, y: float, *, width: float = 0.15) -> None:
        """Go to a place of the screen, 0..1 from its bottom left corner; the target is `width` cm wide."""
        here = self._paths[-1][-1]
        wide, tall = (side / self._pixels_per_cm for side in self._screen)
        self.aim((x - 0.5) * wide - here[0], (y - 0.5) * tall - here[1], width=width)

    def roll(self, notches: int, seconds: float = 0.09) -> None:
        """Roll the wheel, a notch at a time: away with a positive number."""
        for _ in range(abs(notches)):
            self.set("mouse.wheel.y", 1.0 if notches > 0 else -1.0)
            self.rest(seconds)

    def _reports(self, place: Path, times: Path) -> list[tuple[Any, ...]]:
        import numpy as np

        size = np.array(self._screen)
        pixels = np.clip(np.round(place * self._pixels_per_cm + size / 2.0), 0.0, size)
        shares = np.round(pixels / size, 6)
        changed = np.flatnonzero(np.diff(pixels, axis=0).any(axis=1)) + 1
        return [
            (times[k], f"mouse.place.{part}", shares[k, n]) for k in changed for n, part in enumerate("xy")
        ]

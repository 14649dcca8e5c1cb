"""A thumb on a stick: off-centre at rest, a little noisy, never quite straight."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..takes import COLUMNS, Take
from .mouse import smooth_path

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    from .mouse import MouseHand

    Path = npt.NDArray[np.float64]

REST = (0.034, -0.021)
"""Where the stick comes to rest: not at its centre."""
NOISE = 0.004
"""Standard deviation of its noise, as a share of travel."""
STEPS = 32767
"""It reports whole steps of this: sixteen bits with a sign."""


def together(*hands: Thumb | MouseHand, **about: str) -> Take:
    """Several thumbs or hands, starting together, as one take."""
    import pandas as pd

    table = pd.concat([hand.take().table.astype({"signal": "str"}) for hand in hands])
    table = table.sort_values("t", kind="stable", ignore_index=True)
    return Take(table.astype({"signal": "category"}), about)


class Thumb:
    """A simulated thumb on a stick. Tell it what to do in order, then ask for the take.

    Positions are shares of travel: right and up are positive. The stick reports `rate` times a second,
    and only when a value has changed. `rest` is where it rests, `noise` its standard deviation, and
    `uneven` how far its circle falls short of round, as a share of travel, more on one side than another.
    """

    def __init__(
        self,
        seed: int,
        *,
        signal: str = "pad.right_stick",
        rate: int = 250,
        rest: tuple[float, float] = REST,
        noise: float = NOISE,
        uneven: float = 0.0,
    ) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        self._signal, self._rate = signal, rate
        self._rest, self._noise, self._uneven = rest, noise, uneven
        self._parts: list[Path] = [np.zeros((1, 2))]
        self._more: list[tuple[int, str, float]] = []

    def hold(self, seconds: float) -> None:
        """Keep the stick where it is, as far as thumbs can."""
        import numpy as np

        self._parts.append(np.repeat(self._parts[-1][-1:], round(seconds * self._rate), axis=0))

    def push(self, right: float, up: float, *, seconds: float = 0.12) -> None:
        """Move the stick to a position, along the path of least jerk with a slight bow."""
        import numpy as np

        count = max(round(seconds * self._rate), 1)
        done = smooth_path(np.arange(1, count + 1) / count)[:, None]
        here = self._parts[-1][-1:]
        way = np.array([[right, up]]) - here
        bow = 0.04 * self._random.standard_normal() * np.sin(np.pi * done)
        self._parts.append(here + done * way + bow * way[:, ::-1] * [-1.0, 1.0])

    def circle(self, turns: float = 1.0, *, seconds: float = 1.5) -> None:
        """Run along the rim, all the way out, from where the stick is: clockwise with a positive number."""
        import numpy as np

        here = self._parts[-1][-1]
        begin = float(np.arctan2(here[1], here[0]))
        self.push(float(np.cos(begin)), float(np.sin(begin)))
        count = max(round(seconds * self._rate), 1)
        angles = begin - 2.0 * np.pi * turns * smooth_path(np.arange(1, count + 1) / count)
        self._parts.append(np.column_stack((np.cos(angles), np.sin(angles))))

    def set(self, signal: str, value: float) -> None:
        """Set another signal of the same pad from here on: a button, a trigger."""
        self._more.append((sum(len(part) for part in self._parts), signal, value))

    def take(self, **about: str) -> Take:
        """Everything so far as a take; keyword arguments go into the take's `about`."""
        import numpy as np
        import pandas as pd

        path = np.concatenate(self._parts)
        angles = np.arctan2(path[:, 1], path[:, 0])
        short = 0.5 * self._uneven * (2.0 + np.sin(3.0 * angles + 0.7) + np.cos(2.0 * angles))
        reached = path * (1.0 - 0.5 * short)[:, None]
        noisy = reached + self._rest + self._noise * self._random.standard_normal(path.shape)
        noisy = np.clip(noisy, -1.0, 1.0)
        values = np.round(noisy * STEPS) / STEPS
        times = np.round(np.arange(len(values)) / self._rate, 6)
        changed = np.flatnonzero(np.any(np.diff(values, axis=0, prepend=2.0), axis=1))
        rows: list[tuple[float, str, float]] = [
            (times[min(k, len(times) - 1)], name, v) for k, name, v in self._more
        ]
        for k in changed.tolist():
            rows += [(times[k], f"{self._signal}.{part}", values[k, n]) for n, part in enumerate("xy")]
        table = pd.DataFrame(rows, columns=list(COLUMNS)).sort_values("t", kind="stable", ignore_index=True)
        return Take(table.astype({"t": float, "signal": "category", "value": float}), about)

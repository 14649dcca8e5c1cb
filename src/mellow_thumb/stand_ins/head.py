"""A head in a headset: it looks around, sways, and bobs while its body walks with a stick."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..formulas import heading_of
from ..plan import POSE_PARTS
from ..takes import COLUMNS, Take
from .mouse import smooth_path

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    Array = npt.NDArray[np.float64]

EYES = 1.62
"""Metres from the floor to the eyes of who stands."""
SWAY = 0.012
"""Metres that who stands sways about, at the most: slowly, and never quite the same."""
BOB = (0.008, 1.9)
"""Metres that a head goes up and down while it paces about, and how often a second."""
LONG_GAP = 4
"""How many poses are lost at a time."""
NECK = (0.075, 0.12)
"""Metres from the pivot of the neck to the eyes: up, and ahead."""


class Head:
    """A simulated head: tell it what to do in order, then ask for the take.

    It sends ``host.head`` `rate` times a second, and ``host.head_yaw`` for walking by it. Yaw is to the
    right and pitch up, in degrees; places are metres on the floor of the play space, x to the right and ahead
    along -Z. Looking moves the eyes about the neck, as heads do. The share `lost` of its poses never comes,
    several in a row, and the share `repeated` is the pose before, sent again.
    """

    def __init__(
        self,
        seed: int,
        *,
        rate: int = 90,
        height: float = EYES,
        lost: float = 0.0,
        repeated: float = 0.0,
    ) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        self._rate, self._height, self._lost, self._repeated = rate, height, lost, repeated
        self._parts: list[Array] = [np.zeros((1, 5))]
        self._more: list[tuple[int, str, float]] = []

    @property
    def elapsed(self) -> float:
        """Seconds so far."""
        return (sum(len(part) for part in self._parts) - 1) / self._rate

    def rest(self, seconds: float) -> None:
        """Stay still, but for swaying."""
        self._go(seconds, *self._parts[-1][-1, :4], paces=0.0)

    def look(self, yaw: float, pitch: float = 0.0, *, seconds: float = 0.5) -> None:
        """Turn to look another way, along the path of least jerk."""
        x, z = self._parts[-1][-1, 2:4]
        self._go(seconds, yaw, pitch, x, z, paces=0.0)

    def pace(self, x: float, ahead: float, *, seconds: float = 1.0) -> None:
        """Step to another place in the play space, still looking the same way."""
        yaw, pitch = self._parts[-1][-1, :2]
        self._go(seconds, yaw, pitch, x, -ahead, paces=1.0)

    def say(self, signal: str, value: float) -> None:
        """Set another signal from here on: a button of a hand, a stick."""
        self._more.append((sum(len(part) for part in self._parts), signal, value))

    def stick(self, signal: str, x: float, y: float) -> None:
        """Set the stick of a hand from here on."""
        self.say(f"{signal}.x", x)
        self.say(f"{signal}.y", y)

    def _go(self, seconds: float, yaw: float, pitch: float, x: float, z: float, *, paces: float) -> None:
        import numpy as np

        count = max(round(seconds * self._rate), 1)
        done = smooth_path(np.arange(1, count + 1) / count)[:, None]
        here, there = self._parts[-1][-1:, :4], np.array([[yaw, pitch, x, z]])
        self._parts.append(np.hstack((here + done * (there - here), np.full((count, 1), paces))))

    def poses(self) -> tuple[Array, Array, Array]:
        """Times (s), places (m) and rotations (quaternions x, y, z, w) of the head, a row per report."""
        import numpy as np
        from scipy.spatial.transform import Rotation

        path = np.concatenate(self._parts)
        t = np.arange(len(path)) / self._rate
        tremble = 0.15 * self._slow(t, 3, 1.3)
        angles = np.column_stack((-path[:, 0], path[:, 1], np.zeros(len(t)))) + tremble
        turned = Rotation.from_euler("YXZ", angles, degrees=True)
        sway = SWAY * self._slow(t, 3, 0.25) * [1.0, 0.25, 1.0]
        neck = np.array([0.0, NECK[0], -NECK[1]])
        places = np.column_stack((path[:, 2], np.full(len(t), self._height), path[:, 3])) + sway
        places += turned.apply(neck) - neck
        places[:, 1] += BOB[0] * np.sin(2.0 * np.pi * BOB[1] * t) * path[:, 4]
        said, comes = self._cadence(len(t))
        return t[comes], places[said][comes], turned.as_quat()[said][comes]

    def _cadence(self, count: int) -> tuple[npt.NDArray[np.intp], npt.NDArray[np.bool_]]:
        """Which pose is sent each time, and which ones arrive."""
        import numpy as np

        said, comes = np.arange(count), np.ones(count, dtype=bool)
        if self._lost:
            gaps = self._random.random(count) < self._lost / LONG_GAP
            comes = np.convolve(gaps, np.ones(LONG_GAP), "full")[:count] == 0.0
        if self._repeated:
            said = np.maximum(said - (self._random.random(count) < self._repeated), 0)
        comes[0] = True
        return said, comes

    def _slow(self, t: Array, parts: int, rate: float) -> Array:
        """Slow unrest, at most 1: a few waves near a rate (Hz), each with its own phase."""
        import numpy as np

        rates = rate * self._random.uniform(0.5, 1.5, (4, parts))
        phases = self._random.uniform(0.0, 2.0 * np.pi, (4, parts))
        waves: Array = np.sin(2.0 * np.pi * rates * t[:, None, None] + phases).mean(axis=1)
        begun: Array = waves - waves[0]
        return begun

    def take(self, **about: str) -> Take:
        """Everything so far as a take; keyword arguments go into the take's `about`."""
        import numpy as np
        import pandas as pd

        t, places, turned = self.poses()
        yaws = np.array([[heading_of(*one)] for one in turned.tolist()])
        values = np.round(np.hstack((places, turned, yaws)), 6)
        names = [*(f"host.head.{part}" for part in POSE_PARTS), "host.head_yaw"]
        rows = [(t[min(k, len(t) - 1)], name, value) for k, name, value in self._more]
        table = pd.concat(
            [
                pd.DataFrame(rows, columns=list(COLUMNS)).astype({"t": float, "value": float}),
                pd.DataFrame({"t": np.repeat(t, 8), "signal": names * len(t), "value": values.ravel()}),
            ]
        ).sort_values("t", kind="stable", ignore_index=True)
        table["t"] = table["t"].round(6)
        return Take(table.astype({"signal": "category"}), about)

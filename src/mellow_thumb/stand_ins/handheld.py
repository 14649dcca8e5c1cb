"""A device held in the hand: a hand that aims it, and sensors with a bias, noise and bumps."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..session import GRAVITY
from ..takes import COLUMNS, Take
from .mouse import smooth_path

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt

    Array = npt.NDArray[np.float64]

TREMOR = (0.25, 9.0)
"""Amplitude (deg) and frequency (Hz) of a hand's tremor."""


class Handheld:
    """A simulated device in the hand: tell it what to do in order, then ask for what its sensors say.

    `bias` is the gyroscope's, deg/s; `rate_noise` its noise density, deg/s/sqrt(Hz); `force_noise` the
    accelerometer's, ug/sqrt(Hz); `bumps` how hard it is shaken now and then, m/s2. `rate` readings a second.
    """

    def __init__(
        self,
        seed: int,
        *,
        bias: float = 2.0,
        rate_noise: float = 0.01,
        force_noise: float = 300.0,
        bumps: float = 1.0,
        tremor: float = 1.0,
        rate: int = 200,
    ) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        way = self._random.standard_normal(3)
        self.bias = bias * way / float(np.sqrt((way**2).sum()))
        """What its gyroscope says at rest, deg/s."""
        self._noise = (rate_noise * rate**0.5, force_noise * 1e-6 * GRAVITY * rate**0.5)
        self._bumps, self._tremor, self._rate = bumps, tremor, rate
        self._path: list[Array] = [np.zeros((1, 4))]
        self._more: list[tuple[int, str, float]] = []

    def rest(self, seconds: float) -> None:
        """Let it lie still as it is."""
        self._go(seconds, self._path[-1][-1, :3], moves=0.0)

    def hold(self, seconds: float) -> None:
        """Hold it as it is, as far as hands can."""
        self._go(seconds, self._path[-1][-1, :3], moves=1.0)

    def turn(self, yaw: float, pitch: float = 0.0, roll: float = 0.0, *, seconds: float = 0.6) -> None:
        """Turn it to another pose (deg; yaw to the right, pitch up), along the path of least jerk."""
        self._go(seconds, (yaw, pitch, roll), moves=1.0)

    def set(self, signal: str, value: float) -> None:
        """Say what another signal of it is from here on: a button, a trigger."""
        self._more.append((sum(len(part) for part in self._path), signal, value))

    def _go(self, seconds: float, pose: Sequence[float] | Array, *, moves: float) -> None:
        import numpy as np

        count = max(round(seconds * self._rate), 1)
        done = smooth_path(np.arange(1, count + 1) / count)[:, None]
        here = self._path[-1][-1:, :3]
        self._path.append(np.hstack((here + done * (np.array([pose]) - here), np.full((count, 1), moves))))

    @property
    def path(self) -> tuple[Array, Array]:
        """What it was told to do so far, as :meth:`read` takes it: angles, and where a hand moves it."""
        import numpy as np

        path = np.concatenate(self._path)
        return path[:, :3], path[:, 3]

    def recorded(self, **about: str) -> Take:
        """All that it was told to do, as a take; keyword arguments go into what it says about itself."""
        import pandas as pd

        angles, moves = self.path
        take = self.take(angles, moves, **about)
        rows = [(min(k + 1, len(moves)) / self._rate, name, value) for k, name, value in self._more]
        more = pd.DataFrame(rows, columns=list(COLUMNS)).astype({"t": float, "value": float})
        table = pd.concat([more, take.table.astype({"signal": "str"})])
        table = table.sort_values("t", kind="stable", ignore_index=True)
        return Take(table.astype({"signal": "category"}), about)

    def read(self, angles: Array, moves: Array) -> tuple[Array, Array, Array, Array]:
        """What its sensors say while it is turned so: a row a reading.

        `angles` are yaw (to the right), pitch and roll in deg, a row a reading; `moves` 1 where the hand
        moves it, with tremor and bumps, 0 where it lies still. Returns times (s), turns (deg/s), forces
        (m/s2), and the true rotations, quaternions x, y, z, w.
        """
        import numpy as np
        from scipy.spatial.transform import Rotation

        count = len(angles)
        t = np.arange(1, count + 1) / self._rate
        shake = moves[:, None] * self._tremor * TREMOR[0]
        phase = 2.0 * np.pi * (TREMOR[1] * t[:, None] + self._random.random(3))
        true = Rotation.from_euler("YXZ", (angles + shake * np.sin(phase)) * [-1.0, 1.0, -1.0], degrees=True)
        steps = (true[:-1].inv() * true[1:]).as_rotvec(degrees=True) * self._rate
        turns = np.vstack((np.zeros((1, 3)), steps)) + self.bias
        turns += self._noise[0] * self._random.standard_normal((count, 3))
        world = np.tile([0.0, GRAVITY, 0.0], (count, 1))
        bursts = self._random.random(count) < 0.3 / self._rate
        for k in np.flatnonzero(bursts & (moves > 0)):
            length = int(0.3 * self._rate)
            push = self._bumps * np.sin(np.linspace(0.0, 2.0 * np.pi, length))[: count - k, None]
            world[k : k + length] += push * self._random.standard_normal(3) / 3**0.5
        forces = true.inv().apply(world) + self._noise[1] * self._random.standard_normal((count, 3))
        return t, turns, forces, true.as_quat()

    def take(self, angles: Array, moves: Array, **about: str) -> Take:
        """The same as a take; keyword arguments go into what it says about itself."""
        import numpy as np
        import pandas as pd

        t, turns, forces, _ = self.read(angles, moves)
        names = [f"motion.{what}.{part}" for what in ("force", "turn") for part in "xyz"]
        table = pd.DataFrame(
            {
                COLUMNS[0]: np.repeat(t, 6),
                COLUMNS[1]: names * len(t),
                COLUMNS[2]: np.round(np.hstack((forces, turns)), 4).ravel(),
            }
        )
        return Take(table.astype({"signal": "category"}), about)

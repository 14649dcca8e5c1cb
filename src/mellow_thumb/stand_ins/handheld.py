"""A device held in the hand: a hand that aims it and walks with it, and sensors as bad as real ones."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..session import GRAVITY
from ..takes import COLUMNS, Take
from .mouse import smooth_path

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt
    from scipy.spatial.transform import Rotation

    Array = npt.NDArray[np.float64]

TREMOR = (0.25, 9.0)
"""Amplitude (deg) and frequency (Hz) of a hand's tremor."""
STRIDE = 0.9
"""How often a second who walks sets down the same foot; steps are twice as many."""
LULL = 5.0
"""In how many seconds a sensor loses its readings once, about, where it loses any."""


class Gait(NamedTuple):
    """How walking moves a device: sideways with each stride, up and down and forward with each step."""

    yaw: float
    pitch: float
    roll: float
    """How far it turns to and fro, deg."""
    across: float
    up: float
    strike: float
    """How hard it is pushed to the side, up and down, and as a foot comes down, m/s2."""


GAITS = {"hand": Gait(3.0, 2.5, 3.0, 1.2, 2.5, 0.8), "leg": Gait(6.0, 24.0, 5.0, 3.0, 5.0, 3.0)}
"""How a device moves in the hand of who walks, and tied to a leg."""


class Readings(NamedTuple):
    """What sensors read, a row per reading, and the truth."""

    t: Array
    """Times, s."""
    turns: Array
    """What the gyroscope says, deg/s."""
    forces: Array
    """What the accelerometer says, m/s2."""
    true: Array
    """How it is turned, quaternions x, y, z, w."""


class Handheld:
    """A simulated device in the hand: tell it what to do in order, then ask for what its sensors say.

    `bias` is the gyroscope's, deg/s; `rate_noise` its noise density, deg/s/sqrt(Hz); `force_noise` the
    accelerometer's, ug/sqrt(Hz). `rate_scale` and `force_scale` are what they read for 1; there are `rate`
    readings a second, up to `jitter` of a reading early or late, of which the share `lost` never comes,
    mostly several in a row. The hand trembles (`tremor`; 1 is 0.25 deg), wanders about at `unrest` deg/s
    while it holds the device, and shakes it now and then by `bumps`, m/s2.
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
        unrest: float = 0.5,
        rate: int = 200,
        rate_scale: float = 1.0,
        force_scale: float = 1.0,
        jitter: float = 0.0,
        lost: float = 0.0,
    ) -> None:
        import numpy as np

        self._random = np.random.default_rng(seed)
        way = self._random.standard_normal(3)
        self.bias = bias * way / float(np.sqrt((way**2).sum()))
        """What its gyroscope says at rest, deg/s."""
        self._noise = (rate_noise * rate**0.5, force_noise * 1e-6 * GRAVITY * rate**0.5)
        self._bumps, self._tremor, self._unrest, self._rate = bumps, tremor, unrest, rate
        self._scales, self._jitter, self._lost = (rate_scale, force_scale), jitter, lost
        self._path: list[Array] = [np.zeros((1, 5))]
        self._gait = GAITS["hand"]
        self._more: list[tuple[int, str, float]] = []

    def rest(self, seconds: float) -> None:
        """Let it lie still."""
        self._go(seconds, self._path[-1][-1, :3], moves=0.0)

    def hold(self, seconds: float) -> None:
        """Hold it as still as hands can."""
        self._go(seconds, self._path[-1][-1, :3], moves=1.0)

    def turn(self, yaw: float, pitch: float = 0.0, roll: float = 0.0, *, seconds: float = 0.6) -> None:
        """Turn it to another pose (deg; yaw to the right, pitch up), along the path of least jerk."""
        self._go(seconds, (yaw, pitch, roll), moves=1.0)

    def walk(
        self,
        seconds: float,
        to: tuple[float, float, float] | None = None,
        *,
        worn: str = "hand",
    ) -> None:
        """Walk with it, in the hand or (`worn` is ``leg``) tied to a leg, turning it `to` another pose.

        A take has only one way of wearing it: the last one given.
        """
        self._gait = GAITS[worn]
        self._go(seconds, to or self._path[-1][-1, :3], moves=1.0, walks=1.0)

    def set(self, signal: str, value: float) -> None:
        """Set another signal of it from here on: a button, a trigger."""
        self._more.append((sum(len(part) for part in self._path), signal, value))

    def _go(self, seconds: float, pose: Sequence[float] | Array, *, moves: float, walks: float = 0.0) -> None:
        import numpy as np

        count = max(round(seconds * self._rate), 1)
        done = smooth_path(np.arange(1, count + 1) / count)[:, None]
        here = self._path[-1][-1:, :3]
        kind = np.tile([moves, walks], (count, 1))
        self._path.append(np.hstack((here + done * (np.array([pose]) - here), kind)))

    @property
    def path(self) -> tuple[Array, Array, Array]:
        """What it has done so far, for :meth:`read`: angles, and when a hand moves it, and walks."""
        import numpy as np

        path = np.concatenate(self._path)
        return path[:, :3], path[:, 3], path[:, 4]

    def recorded(self, **about: str) -> Take:
        """All that it has done, as a take; keyword arguments go into the take's `about`."""
        import pandas as pd

        angles, moves, walks = self.path
        take = self.take(angles, moves, walks, **about)
        rows = [(min(k + 1, len(moves)) / self._rate, name, value) for k, name, value in self._more]
        more = pd.DataFrame(rows, columns=list(COLUMNS)).astype({"t": float, "value": float})
        table = pd.concat([more, take.table.astype({"signal": "str"})])
        table = table.sort_values("t", kind="stable", ignore_index=True)
        return Take(table.astype({"signal": "category"}), about)

    def read(self, angles: Array, moves: Array, walks: Array | None = None) -> Readings:
        """What its sensors read for a movement.

        `angles` are yaw (to the right), pitch and roll in deg, `rate` rows a second; `moves` is 1 while a
        hand moves it, 0 while it lies still; `walks` is 1 while the holder walks.
        """
        import numpy as np

        count = len(angles)
        motion = _Motion(self, angles, moves, np.zeros(count) if walks is None else walks)
        t = np.arange(1, count + 1) / self._rate
        t = np.sort(t + self._jitter * self._random.uniform(-1.0, 1.0, count) / self._rate)
        t = np.maximum(t, 0.0)[self._arrives(count)]
        true = motion.turned(t)
        turns = motion.speeds(t) * self._scales[0] + self.bias
        turns += self._noise[0] * self._random.standard_normal((len(t), 3))
        felt = motion.pushes(t) + np.array([0.0, GRAVITY, 0.0])
        forces = true.inv().apply(felt) * self._scales[1]
        forces += self._noise[1] * self._random.standard_normal((len(t), 3))
        return Readings(t, turns, forces, true.as_quat())

    def _arrives(self, count: int) -> npt.NDArray[np.bool_]:
        """Which readings arrive: now and then several in a row are lost."""
        import numpy as np

        lulls = self._random.random(count) < 1.0 / (LULL * self._rate)
        long = max(round(self._lost * LULL * self._rate), 1)
        lost = np.convolve(lulls, np.ones(long), "full")[:count] > 0.0
        alone = self._random.random(count) < 0.2 * self._lost
        return ~(lost | alone) if self._lost > 0.0 else np.ones(count, dtype=bool)

    def take(self, angles: Array, moves: Array, walks: Array | None = None, **about: str) -> Take:
        """The same as a take; keyword arguments go into the take's `about`."""
        import numpy as np
        import pandas as pd

        t, turns, forces, _ = self.read(angles, moves, walks)
        names = [f"motion.{what}.{part}" for what in ("force", "turn") for part in "xyz"]
        table = pd.DataFrame(
            {
                COLUMNS[0]: np.repeat(np.round(t, 6), 6),
                COLUMNS[1]: names * len(t),
                COLUMNS[2]: np.round(np.hstack((forces, turns)), 4).ravel(),
            }
        )
        return Take(table.astype({"signal": "category"}), about)


class _Motion:
    """How a device really moves, at any time."""

    def __init__(self, of: Handheld, angles: Array, moves: Array, walks: Array) -> None:
        import numpy as np
        from scipy.interpolate import CubicSpline
        from scipy.ndimage import uniform_filter1d

        random, rate, count = of._random, of._rate, len(angles)
        self._at = np.arange(count + 1) / rate
        self._path = CubicSpline(self._at, np.vstack((angles[:1], angles)))
        # no hand trembles, and nobody is in step, from one moment to the next
        self._moves, self._walks = (
            uniform_filter1d(np.concatenate((one[:1], one)), max(round(soft * rate), 1), mode="nearest")
            for one, soft in ((moves, 0.2), (walks, 0.5))
        )
        self._tremor, self._gait = of._tremor * TREMOR[0], of._gait
        self._phases = 2.0 * np.pi * random.random(3)
        # slow waves whose speeds add up to what it wanders
        self._rates = random.uniform(0.2, 1.5, (4, 3))
        self._wander = of._unrest * 2.0**0.5 / (2.0 * np.pi * self._rates * self._rates.size**0.5)
        self._starts = 2.0 * np.pi * random.random((4, 3))
        self._foot = random.random()
        begins = np.flatnonzero((random.random(count) < 0.3 / rate) & (moves > 0)) / rate
        ways = random.standard_normal((len(begins), 3)) * of._bumps / 3**0.5
        self._bumps = list(zip(begins.tolist(), ways, strict=True))

    def _stride(self, t: Array) -> Array:
        """The angle within a stride."""
        import numpy as np

        # nobody walks like a clock
        found: Array = 2.0 * np.pi * (self._foot + STRIDE * t) + 0.4 * np.sin(2.0 * np.pi * 0.13 * t)
        return found

    def turned(self, t: Array) -> Rotation:
        """Its rotation, from its own frame to the world's."""
        import numpy as np
        from scipy.spatial.transform import Rotation

        moves = np.interp(t, self._at, self._moves)[:, None]
        walks = np.interp(t, self._at, self._walks)[:, None]
        angles = self._path(np.clip(t, 0.0, self._at[-1]))
        angles = angles + moves * self._tremor * np.sin(2.0 * np.pi * TREMOR[1] * t[:, None] + self._phases)
        waves = np.sin(2.0 * np.pi * self._rates * t[:, None, None] + self._starts)
        angles = angles + moves * (self._wander * waves).sum(axis=1)
        stride, gait = self._stride(t), self._gait
        nods = (
            stride if gait is GAITS["leg"] else 2.0 * stride
        )  # a leg swings once a stride, a hand each step
        swings = (gait.yaw * np.sin(stride), gait.pitch * np.sin(nods + 0.5), gait.roll * np.cos(stride))
        angles = angles + walks * np.column_stack(swings)
        return Rotation.from_euler("YXZ", angles * [-1.0, 1.0, -1.0], degrees=True)

    def speeds(self, t: Array) -> Array:
        """How it turns about its own axes, deg/s."""
        near = 1e-4
        before, after = self.turned(t - near), self.turned(t + near)
        found: Array = (before.inv() * after).as_rotvec(degrees=True) / (2.0 * near)
        return found

    def pushes(self, t: Array) -> Array:
        """Its acceleration in the world, m/s2."""
        import numpy as np

        walks = np.interp(t, self._at, self._walks)[:, None]
        stride, gait = self._stride(t), self._gait
        up = gait.up * np.sin(2.0 * stride) + gait.strike * np.sin(4.0 * stride + 1.0)
        ahead = 0.4 * gait.up * np.cos(2.0 * stride)
        found: Array = walks * np.column_stack((gait.across * np.sin(stride), up, ahead))
        for begin, way in self._bumps:
            share = (t - begin) / 0.3
            inside = (share >= 0.0) & (share < 1.0)
            found[inside] += np.sin(2.0 * np.pi * share[inside])[:, None] * way
        return found

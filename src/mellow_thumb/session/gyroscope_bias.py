"""What a gyroscope says of a device that does not turn, learnt while it moves and while it lies still.

Source: Laidig, Seel, VQF: Highly accurate IMU orientation estimation with bias estimation and magnetic
disturbance rejection (Information Fusion 91, 2023): a Kalman filter of three states that is told, in
motion, how much the attitude had to be righted, and at rest what the gyroscope says.
"""

from __future__ import annotations

from math import sqrt
from typing import Any, NamedTuple

from ..formulas import rotation_rows
from .smooth_mean import SmoothMean

Triple = tuple[float, float, float]
Quadruple = tuple[float, float, float, float]

AT_FIRST = 1.0
"""How uncertain a bias is that nobody knows, deg/s."""
FORGETS = 100.0
"""Seconds in which one that was known for certain has become uncertain by 0.1 deg/s."""
IN_MOTION, AT_REST = 0.1, 0.03
"""How certain it becomes in motion, and at rest, deg/s."""
DOUBTS = 2.0
"""How much what is felt must be stirred for half as much to be learnt from it, m/s2."""
UPRIGHT = 1e-4
"""How much less is learnt about the vertical than across it, while the device moves."""
MOST_BIAS = 6.0
"""The largest bias that is believed, deg/s."""
STILL = (2.0, 0.5)
"""How little what is said and felt strays from its mean at rest, deg/s and m/s2."""
RESTS, REST_MEANS = 0.7, 0.5
"""Seconds that it must be still before it counts as rest, and over which its mean is taken then."""
FITS, LIES = 0.5, 10.0
"""What differs by more from a bias that is known is a turn, deg/s; unless it goes on for so many seconds."""
_PLAIN = (1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0)
_DEGREES = 57.29577951308232


class Read(NamedTuple):
    """What sensors read between two corrections of the attitude, on the average."""

    said: Triple
    """deg/s."""
    felt: Triple
    """m/s2."""
    off: Triple
    """The sky as it was felt, a unit vector in the world as the attitude had it."""
    stirred: float
    """How much what is felt strays of late, m/s2."""


class GyroscopeBias:
    """The bias of a gyroscope in the device's frame, with how sure it is."""

    def __init__(self) -> None:
        self.bias: Triple = (0.0, 0.0, 0.0)
        """What it says of a device at rest, deg/s."""
        self._p = [AT_FIRST**2, 0.0, 0.0, 0.0, AT_FIRST**2, 0.0, 0.0, 0.0, AT_FIRST**2]
        self._bearing = SmoothMean(9)
        self._known = SmoothMean(2)
        self._said, self._felt = SmoothMean(3), SmoothMean(3)
        self._rests = 0.0
        self.resting = False
        """Whether the device lies still."""

    @property
    def uncertainty(self) -> Triple:
        """Its standard deviation about each axis of the device, deg/s."""
        p = self._p
        return sqrt(max(p[0], 0.0)), sqrt(max(p[4], 0.0)), sqrt(max(p[8], 0.0))

    def learn(self, read: Read, bearing: Quadruple, dt: float, tau: float) -> None:
        """Learn from one correction of the attitude, `dt` seconds after the last.

        `bearing` is how the device is turned after it, `tau` the seconds over which what was felt was
        averaged.
        """
        self._watch(read, dt)
        a, b, c = self.bias
        matrix = rotation_rows(*bearing)
        across = (
            matrix[0] * a + matrix[1] * b + matrix[2] * c,
            matrix[6] * a + matrix[7] * b + matrix[8] * c,
        )
        r = self._bearing.step(matrix, dt, tau)
        known = self._known.step(across, dt, tau)
        if dt <= 0.0:
            return
        grows = 0.01 * dt / FORGETS
        for k in (0, 4, 8):
            if self._p[k] < AT_FIRST**2:
                self._p[k] += grows
        if self.resting:
            x, y, z = self._said.values
            rest = _weight(AT_REST, grows)
            self._update(
                (1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0), (x - a, y - b, z - c), (rest, rest, rest)
            )
            return
        moves, turns = _weight(IN_MOTION, grows) * (1.0 + (read.stirred / DOUBTS) ** 2), _DEGREES / dt
        off = read.off
        errors = (
            off[2] * turns + known[0] - r[0] * a - r[1] * b - r[2] * c,
            -r[3] * a - r[4] * b - r[5] * c,
            -off[0] * turns + known[1] - r[6] * a - r[7] * b - r[8] * c,
        )
        self._update(r, errors, (moves, moves / UPRIGHT, moves))

    def forget(self) -> None:
        """Begin anew with what is averaged; what is known stays."""
        self._bearing, self._known = SmoothMean(9), SmoothMean(2)
        self._said, self._felt = SmoothMean(3), SmoothMean(3)
        self._rests, self.resting = 0.0, False

    def _watch(self, read: Read, dt: float) -> None:
        """See whether the device lies still."""
        strays = _apart(read.said, self._said.step(read.said, dt, REST_MEANS))
        shakes = _apart(read.felt, self._felt.step(read.felt, dt, REST_MEANS))
        still = strays < STILL[0] ** 2 and shakes < STILL[1] ** 2
        still = still and max(map(abs, self._said.values)) < MOST_BIAS
        self._rests = self._rests + dt if still else 0.0
        self.resting = self._rests >= RESTS and (self._rests >= LIES or self._is_known(self._said.values))

    def _is_known(self, said: list[float]) -> bool:
        """Whether what is said of rest fits what is known: a slow, steady turn by a hand looks like rest."""
        rows = zip(said, self.bias, self.uncertainty, strict=True)
        return all(abs(one - bias) < FITS + 3.0 * unsure for one, bias, unsure in rows)

    def _update(self, r: Any, errors: Triple, noise: Triple) -> None:
        """A step of the Kalman filter, by one row of the measurement after the other.

        Rows whose noises have nothing to do with each other may be taken one by one, which needs no inverse
        (Bierman, Factorization Methods for Discrete Sequential Estimation, 1977).
        """
        p, (a, b, c) = self._p, self.bias
        x0, y0, z0 = a, b, c
        for k in range(3):
            u, v, w = r[3 * k], r[3 * k + 1], r[3 * k + 2]
            g0, g1, g2 = (
                p[0] * u + p[1] * v + p[2] * w,
                p[3] * u + p[4] * v + p[5] * w,
                p[6] * u + p[7] * v + p[8] * w,
            )
            size = u * g0 + v * g1 + w * g2 + noise[k]
            error = min(max(errors[k], -MOST_BIAS), MOST_BIAS) - u * (a - x0) - v * (b - y0) - w * (c - z0)
            share = error / size
            a, b, c = a + g0 * share, b + g1 * share, c + g2 * share
            s0, s1, s2 = g0 / size, g1 / size, g2 / size
            p = [
                p[0] - s0 * g0, p[1] - s0 * g1, p[2] - s0 * g2,
                p[3] - s1 * g0, p[4] - s1 * g1, p[5] - s1 * g2,
                p[6] - s2 * g0, p[7] - s2 * g1, p[8] - s2 * g2,
            ]  # fmt: skip
        self._p = p
        self.bias = (_within(a), _within(b), _within(c))

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        means = (self._bearing, self._known, self._said, self._felt)
        return [list(self.bias), list(self._p), self._rests, self.resting, *(one.saved() for one in means)]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        bias, p, rests, resting, *means = saved
        self.bias = (float(bias[0]), float(bias[1]), float(bias[2]))
        self._p, self._rests, self.resting = list(map(float, p)), float(rests), bool(resting)
        for one, said in zip((self._bearing, self._known, self._said, self._felt), means, strict=True):
            one.restore(said)


def _weight(sure: float, grows: float) -> float:
    """The noise with which a measurement in the end leaves a bias so sure."""
    return sure**4 / grows + sure**2


def _apart(one: Triple, mean: list[float]) -> float:
    """How far a value is from a mean, squared."""
    x, y, z = one[0] - mean[0], one[1] - mean[1], one[2] - mean[2]
    return x * x + y * y + z * z


def _within(bias: float) -> float:
    return min(max(bias, -MOST_BIAS), MOST_BIAS)

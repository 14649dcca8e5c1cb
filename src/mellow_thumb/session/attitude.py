"""Attitude: what a gyroscope and an accelerometer say becomes how a device held in the hand is turned.

Source: Laidig, Seel, VQF: Highly accurate IMU orientation estimation with bias estimation and magnetic
disturbance rejection (Information Fusion 91, 2023), in six axes. The gyroscope alone turns a frame of its
own; what is felt is averaged there, where pushes there and back cancel, and at once says where up is.
Here each step takes the mean of two readings, with what their axes do to each other (coning, to second
order: Savage, Strapdown Inertial Navigation Integration Algorithm Design, part 1, Journal of Guidance,
Control, and Dynamics 21, 1998), so that few readings a second and uneven times do as well.

The device's frame is that of W3C Device Orientation: x to the right of the screen, y to its top, z out of it;
held upright, it looks along -z.
"""

from __future__ import annotations

from math import cos, exp, sin, sqrt
from typing import Any

from ..formulas import product, turned_by
from .gyroscope_bias import GyroscopeBias, Read
from .smooth_mean import SmoothMean

GRAVITY = 9.80665
"""Metres a second squared."""
SLOW, UNKNOWN, QUICK = 3.0, 2.1, 0.4
"""Seconds over which what is felt is averaged: once the bias is known; while it is not; and at rest, or while
it is not and nothing stirs."""
UNSURE = (0.1, 0.3)
"""How uncertain a bias is that is known, and that is not, deg/s."""
STIRRED = (0.15, 0.5)
"""How much what is felt strays of late where nothing stirs, and where something does, m/s2."""
STIRS = 0.7
"""Seconds over which it is seen how much it is stirred."""
APART = 0.035
"""The least seconds between two corrections: readings in between turn it, and correct it together."""
FADES = (0.25, 1.0)
"""Rates that are faded out: none up to the first, all from the second on, in deg/s."""
GAP = 1.0
"""The longest time between two readings through which it is taken to have turned on, in seconds."""

Triple = tuple[float, float, float]
Quadruple = tuple[float, float, float, float]
_IDENTITY = (0.0, 0.0, 0.0, 1.0)
_DEGREE = 0.017453292519943295


def aim(turn: Triple, up: Triple) -> tuple[float, float]:
    """How fast a device turns right and tilts up (in the unit of `turn`), whichever way it is rolled.

    `turn` is how it turns about its own axes, `up` the unit vector to the sky in its own frame. To the right
    is about the vertical, up about the level axis across its view. Source: the projection on both.

    >>> aim((0.0, -30.0, 0.0), (0.0, 1.0, 0.0))
    (30.0, 0.0)
    """
    x, y, z = turn
    a, b, c = up
    across = (b, -a)  # the view along -z, crossed with up
    size = sqrt(b * b + a * a)
    # looking straight up or down no axis across the view is level: its own one serves
    tilt = (x * across[0] + y * across[1]) / size if size > 1e-6 else x
    return -(x * a + y * b + z * c), tilt


class Attitude:
    """How a device is turned, from what its sensors say; everything that it learns of them."""

    def __init__(self) -> None:
        self._turned: Quadruple = _IDENTITY
        """By the gyroscope alone."""
        self._righted: Quadruple = _IDENTITY
        """What brings that upright."""
        self._gyroscope = GyroscopeBias()
        self._felt = SmoothMean(3)
        self._mean: Triple | None = None
        self._strays = 1.0
        """How much what is felt strays from its mean, (m/s2)^2; at first it is not trusted."""
        self._force: Triple | None = None
        self._fresh = False
        self._t = -1.0
        self._last: Triple = (0.0, 0.0, 0.0)
        self._sums = [0.0] * 9
        """Since the last correction: what was felt, as the gyroscope turned it; what was said, and felt."""
        self._many, self._since = 0, 0.0

    @property
    def rotation(self) -> Quadruple:
        """From the device's frame to the world's, but for where north is: a unit quaternion x, y, z, w."""
        return _unit(product(*self._righted, *self._turned))

    @property
    def bias(self) -> Triple:
        """What the gyroscope says of a device at rest, in deg/s."""
        return self._gyroscope.bias

    @property
    def uncertainty(self) -> Triple:
        """The standard deviation of the bias about each of the device's axes, in deg/s."""
        return self._gyroscope.uncertainty

    @property
    def resting(self) -> bool:
        """Whether the device lies still, as far as its sensors can tell."""
        return self._gyroscope.resting

    @property
    def up(self) -> Triple:
        """The unit vector to the sky, in the device's frame."""
        x, y, z, w = self.rotation
        return turned_by(-x, -y, -z, w, 0.0, 1.0, 0.0)

    def weigh(self, force: Triple) -> None:
        """Take what the accelerometer says, m/s2; at rest it points to the sky."""
        first, self._force, self._fresh = self._force is None, force, True
        if first:
            self._right(turned_by(*self._turned, *force))

    def turn(self, turn: Triple, t: float) -> Triple:
        """Take what the gyroscope says, deg/s, at a time (s); how it turns, without the bias."""
        first, dt = self._t < 0.0, max(t - self._t, 0.0)
        if not first and dt > GAP:
            # nobody knows how it turned meanwhile: what is felt says where up is, as at first
            first = True
            self._forget()
        dt = 0.0 if first else dt
        self._t = t
        bias = self._gyroscope.bias
        free = (turn[0] - bias[0], turn[1] - bias[1], turn[2] - bias[2])
        if not first:
            self._turn_by(self._last, free, dt)
        self._last = free
        self._since += dt
        if self._force is not None and self._fresh:
            self._gather(turn, self._force)
            if first or self._since >= APART:
                self._correct(self._since)
        return free

    def _forget(self) -> None:
        """Begin anew with what is felt; the bias stays."""
        self._felt, self._mean, self._strays = SmoothMean(3), None, 1.0
        self._sums, self._many, self._since = [0.0] * 9, 0, 0.0
        self._gyroscope.forget()

    def _turn_by(self, last: Triple, free: Triple, dt: float) -> None:
        """Turn on from one reading to the next: by their mean, and by what their axes do to each other."""
        share, coning = 0.5 * dt * _DEGREE, dt * dt * _DEGREE * _DEGREE / 12.0
        (a, b, c), (d, e, f) = last, free
        x = (a + d) * share + (b * f - c * e) * coning
        y = (b + e) * share + (c * d - a * f) * coning
        z = (c + f) * share + (a * e - b * d) * coning
        size = sqrt(x * x + y * y + z * z)
        half = 0.5 * size
        # sin(h) / 2h, which has no value at 0
        part = 0.5 if size < 1e-9 else sin(half) / size
        self._turned = _unit(product(*self._turned, x * part, y * part, z * part, cos(half)))

    def _gather(self, turn: Triple, force: Triple) -> None:
        """Keep a reading for the next correction."""
        self._fresh = False
        sums, (x, y, z) = self._sums, turned_by(*self._turned, *force)
        a, b, c = turn
        d, e, f = force
        self._sums = [
            sums[0] + x, sums[1] + y, sums[2] + z, sums[3] + a, sums[4] + b, sums[5] + c,
            sums[6] + d, sums[7] + e, sums[8] + f,
        ]  # fmt: skip
        self._many += 1

    def _correct(self, dt: float) -> None:
        """Bring it upright by what was felt on the average, and learn the bias from how much that took."""
        share = 1.0 / self._many
        x, y, z, *said = [one * share for one in self._sums]
        self._sums, self._many, self._since = [0.0] * 9, 0, 0.0
        stirred = self._stir((x, y, z), dt)
        tau = self._averages(stirred)
        a, b, c = self._felt.step((x, y, z), dt, tau)
        off = self._right(turned_by(*self._righted, a, b, c))
        read = Read((said[0], said[1], said[2]), (said[3], said[4], said[5]), off, stirred)
        self._gyroscope.learn(read, self.rotation, dt, tau)

    def _averages(self, stirred: float) -> float:
        """Over how many seconds what is felt is averaged now."""
        if self.resting:
            return QUICK
        # across the vertical the bias is known soon, and about it late: the second of the three tells
        unsure = _between(sorted(self._gyroscope.uncertainty)[1], *UNSURE)
        while_unsure = QUICK + (UNKNOWN - QUICK) * _between(stirred, *STIRRED)
        return SLOW + (while_unsure - SLOW) * unsure

    def _stir(self, felt: Triple, dt: float) -> float:
        """By how much what is felt strays from its mean of late, in m/s2."""
        x, y, z = felt
        share = 1.0 - exp(-dt / STIRS)
        a, b, c = self._mean or felt
        a, b, c = self._mean = a + (x - a) * share, b + (y - b) * share, c + (z - c) * share
        away = (x - a) * (x - a) + (y - b) * (y - b) + (z - c) * (z - c)
        self._strays += (away - self._strays) * share
        return sqrt(max(self._strays, away))

    def _right(self, felt: Triple) -> Triple:
        """Turn what is felt to the sky, the shortest way; what was felt, as a unit vector."""
        x, y, z = felt
        size = sqrt(x * x + y * y + z * z)
        if size < 1e-9:
            return 0.0, 1.0, 0.0
        x, y, z = x / size, y / size, z / size
        w = sqrt(max(0.5 * (y + 1.0), 0.0))
        by = (-0.5 * z / w, 0.0, 0.5 * x / w, w) if w > 1e-6 else (1.0, 0.0, 0.0, 0.0)
        self._righted = _unit(product(*by, *self._righted))
        return x, y, z

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        return [
            list(self._turned), list(self._righted), list(self._last), list(self._force or ()), self._fresh,
            self._t, list(self._sums), self._many, self._since, list(self._mean or ()), self._strays,
            self._felt.saved(), self._gyroscope.saved(),
        ]  # fmt: skip

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        turned, righted, last, force, fresh, t, sums, many, since, mean, strays, felt, gyroscope = saved
        x, y, z, w = map(float, turned)
        a, b, c, d = map(float, righted)
        self._turned, self._righted = (x, y, z, w), (a, b, c, d)
        self._last = _triple(last)
        self._force, self._mean = (_triple(one) if one else None for one in (force, mean))
        self._fresh, self._t, self._sums = bool(fresh), float(t), list(map(float, sums))
        self._many, self._since, self._strays = int(many), float(since), float(strays)
        self._felt.restore(felt)
        self._gyroscope.restore(gyroscope)


def faded(turn: Triple) -> float:
    """How much of a turn counts: the smallest are noise."""
    size = sqrt(turn[0] ** 2 + turn[1] ** 2 + turn[2] ** 2)
    share = min(max((size - FADES[0]) / (FADES[1] - FADES[0]), 0.0), 1.0)
    return share * share * (3.0 - 2.0 * share)


def _between(value: float, low: float, high: float) -> float:
    """How far a value is from one limit to the other, 0 to 1."""
    return min(max((value - low) / (high - low), 0.0), 1.0)


def _unit(rotation: Quadruple) -> Quadruple:
    x, y, z, w = rotation
    size = sqrt(x * x + y * y + z * z + w * w)
    return x / size, y / size, z / size, w / size


def _triple(saved: list[Any]) -> Triple:
    return float(saved[0]), float(saved[1]), float(saved[2])

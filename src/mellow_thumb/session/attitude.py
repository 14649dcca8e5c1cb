"""Attitude: what a gyroscope and an accelerometer say becomes how a device held in the hand is turned.

The attitude is kept by a complementary filter on rotations with a bias of the gyroscope: Mahony, Hamel,
Pflimlin, Nonlinear complementary filters on the special orthogonal group (IEEE TAC 2008), equation 32, for
gravity alone. While the device lies still its bias is learnt from what it then says.

The device's frame is that of W3C Device Orientation: x to the right of the screen, y to its top, z out of it;
held upright, it looks along -z.
"""

from __future__ import annotations

from math import cos, exp, sin, sqrt
from typing import Any

from ..formulas import carried, product, turned_by

GRAVITY = 9.80665
"""Metres a second squared."""
LEVELS = 3.0
"""Seconds in which gravity corrects the attitude by two thirds."""
LYING = 0.5
"""The same while the device lies still, where nothing but gravity is felt."""
LEARNS = 0.002
"""How fast a bias is learnt while the device moves: 1/s for each 1/s of the correction."""
STILL = (0.4, 0.15)
"""How little a still device trembles: deg/s and m/s2, standard deviations."""
MOST_BIAS = 6.0
"""The largest bias that a still device is believed to have, in deg/s."""
RESTS = 0.5
"""Seconds that it must be still before its bias is learnt, and the mean of what it says then."""
FADES = (0.25, 1.0)
"""Rates that are faded out: none up to the first, all from the second on, in deg/s."""
GAP = 0.1
"""The longest time between two readings that is bridged, in seconds."""

Triple = tuple[float, float, float]
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
        self.rotation = _IDENTITY
        """From the device's frame to the world's, but for where north is: a unit quaternion x, y, z, w."""
        self.bias: Triple = (0.0, 0.0, 0.0)
        """What the gyroscope says of a device at rest, in deg/s."""
        self._force: Triple | None = None
        self._t = -1.0
        self._rests = 0.0
        self._mean = [0.0] * 6
        self._square = [0.0] * 6

    @property
    def up(self) -> Triple:
        """The unit vector to the sky, in the device's frame."""
        x, y, z, w = self.rotation
        return turned_by(-x, -y, -z, w, 0.0, 1.0, 0.0)

    def weigh(self, force: Triple) -> None:
        """Take what the accelerometer says, m/s2; at rest it points to the sky."""
        if self._force is None:
            self.rotation = _to_the_sky(force)
        self._force = force

    def turn(self, turn: Triple, t: float) -> Triple:
        """Take what the gyroscope says, deg/s, at a time (s); how it turns, without the bias."""
        # nobody knows how it turned in a longer gap; to go on turning through it would be worse than to wait
        first, dt = self._t < 0.0, min(max(t - self._t, 0.0), GAP)
        dt, self._t = 0.0 if first else dt, t
        self._rest(turn, dt, first=first)
        free = (turn[0] - self.bias[0], turn[1] - self.bias[1], turn[2] - self.bias[2])
        x, y, z = free
        if self._force is not None:
            ex, ey, ez, weight = self._error()
            gain = weight / (LYING if self._rests > RESTS else LEVELS) / _DEGREE
            x, y, z = x + ex * gain, y + ey * gain, z + ez * gain
            learns = LEARNS * gain * dt
            a, b, c = self.bias
            self.bias = (a - ex * learns, b - ey * learns, c - ez * learns)
        self._turn_by(x * dt * _DEGREE, y * dt * _DEGREE, z * dt * _DEGREE)
        return free

    def _error(self) -> tuple[float, float, float, float]:
        """What is between the sky as it is kept and as it is felt, and how much that is to be believed."""
        assert self._force is not None
        fx, fy, fz = self._force
        size = sqrt(fx * fx + fy * fy + fz * fz)
        # a device that is shaken or falls feels more or less than gravity, and then not the sky
        weight = max(0.0, 1.0 - abs(size - GRAVITY) / (0.1 * GRAVITY)) if size > 0.0 else 0.0
        if weight == 0.0:
            return 0.0, 0.0, 0.0, 0.0
        a, b, c = self.up
        fx, fy, fz = fx / size, fy / size, fz / size
        return fy * c - fz * b, fz * a - fx * c, fx * b - fy * a, weight

    def _turn_by(self, x: float, y: float, z: float) -> None:
        """Turn by a rotation vector in the device's frame, in radians."""
        size = sqrt(x * x + y * y + z * z)
        half = 0.5 * size
        # sin(h) / 2h, which has no value at 0
        share = 0.5 if size < 1e-9 else sin(half) / size
        a, b, c, d = product(*self.rotation, x * share, y * share, z * share, cos(half))
        length = sqrt(a * a + b * b + c * c + d * d)
        self.rotation = (a / length, b / length, c / length, d / length)

    def _rest(self, turn: Triple, dt: float, *, first: bool) -> None:
        """Learn the bias while nothing moves."""
        # the means begin at the first reading, not at 0: that would count as a movement
        share = 1.0 if first else 1.0 - exp(-dt / 0.25)
        force = self._force or (0.0, 0.0, GRAVITY)
        for k, value in enumerate((*turn, *force)):
            self._mean[k] += (value - self._mean[k]) * share
            self._square[k] += ((value - self._mean[k]) ** 2 - self._square[k]) * share
        turns, forces = max(self._square[:3]), max(self._square[3:])
        still = turns < STILL[0] ** 2 and forces < STILL[1] ** 2 and max(map(abs, self._mean[:3])) < MOST_BIAS
        self._rests = self._rests + dt if still else 0.0
        if self._rests > RESTS:
            learnt = 1.0 - exp(-dt / RESTS)
            a, b, c = (
                old + (mean - old) * learnt for old, mean in zip(self.bias, self._mean[:3], strict=True)
            )
            self.bias = (a, b, c)

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        force = list(self._force) if self._force else None
        return [
            list(self.rotation),
            list(self.bias),
            force,
            self._t,
            self._rests,
            [*self._mean],
            [*self._square],
        ]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        rotation, bias, force, t, rests, mean, square = saved
        x, y, z, w = map(float, rotation)
        a, b, c = map(float, bias)
        self.rotation, self.bias = (x, y, z, w), (a, b, c)
        self._force = (float(force[0]), float(force[1]), float(force[2])) if force else None
        self._t, self._rests = float(t), float(rests)
        self._mean, self._square = list(map(float, mean)), list(map(float, square))


def faded(turn: Triple) -> float:
    """How much of a turn counts: the smallest are noise."""
    size = sqrt(turn[0] ** 2 + turn[1] ** 2 + turn[2] ** 2)
    share = min(max((size - FADES[0]) / (FADES[1] - FADES[0]), 0.0), 1.0)
    return share * share * (3.0 - 2.0 * share)


def _to_the_sky(force: Triple) -> tuple[float, float, float, float]:
    """The rotation that takes what is felt to +Y, the shortest way."""
    x, y, z = force
    size = sqrt(x * x + y * y + z * z)
    if size == 0.0:
        return _IDENTITY
    a, b, c, d = carried(*_IDENTITY, x / size, y / size, z / size)
    return -a, -b, -c, d

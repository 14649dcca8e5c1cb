"""A gyroscope's bias (what it reads when nothing turns), learnt while it moves and while it lies still.

Source: Laidig, Seel, VQF: Highly accurate IMU orientation estimation with bias estimation and magnetic
disturbance rejection (Information Fusion 91, 2023): a Kalman filter of three states that is told, in
motion, how much the attitude had to be righted, and at rest what the gyroscope says.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, NamedTuple

from ...expressions import every, flag, lift, some, where
from ...formulas import attitude, bias, clamp, rotation_rows
from .smooth_mean import SmoothMean

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, State, Value

AT_FIRST = 1.0
"""How uncertain a bias is that nobody knows, deg/s."""
FORGETS = 100.0
"""Seconds in which one that was known for certain has become uncertain by 0.1 deg/s."""
IN_MOTION, AT_REST = 0.1, 0.03
"""How certain it becomes in motion, and at rest, deg/s."""
DOUBTS = 2.0
"""How much what is felt must be stirred for half as much to be learnt from it, m/s2."""
BEGINS = 10.0
"""How much less is learnt at first, while what is felt is averaged over a moment only."""
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
_DEGREES = 57.29577951308232
_PLAIN = (1.0, 0.0, 0.0, 0.0, 1.0, 0.0, 0.0, 0.0, 1.0)

Values = tuple["Value", ...]


class Read(NamedTuple):
    """The average readings between two corrections of the attitude."""

    said: Values
    """deg/s."""
    felt: Values
    """m/s2."""
    off: Values
    """The sky as it was felt, a unit vector in the world as the attitude had it."""
    stirred: Value
    """How much what is felt strays of late, m/s2."""
    begun: Value
    """How far the mean of what was felt has begun, 0 to 1: until then a correction tells of the beginning."""


@dataclass(eq=False)
class GyroscopeBias:
    """The bias of a gyroscope in the device's frame, with its uncertainty."""

    bias: tuple[Handle, Handle, Handle]
    """What it says of a device at rest, deg/s."""
    variance: tuple[Handle, ...]
    """Its covariances: xx, xy, xz, yy, yz, zz, (deg/s)^2."""
    bearing: SmoothMean
    """The mean of how the device was turned, as a matrix row by row."""
    known: SmoothMean
    """The mean of the bias in the world, across the vertical."""
    said: SmoothMean
    felt: SmoothMean
    """What the sensors read, while it is still."""
    rests: Handle
    """For how long it has been still (s)."""
    resting: Handle
    """1 while the device lies still."""

    @classmethod
    def new(cls, state: State, stem: str) -> GyroscopeBias:
        """New state for one."""
        x, y, z = (state.new(f"{stem}_bias_{part}") for part in "xyz")
        starts = {"xx": AT_FIRST**2, "xy": 0.0, "xz": 0.0, "yy": AT_FIRST**2, "yz": 0.0, "zz": AT_FIRST**2}
        return cls(
            (x, y, z),
            tuple(state.new(f"{stem}_variance_{name}", start) for name, start in starts.items()),
            SmoothMean.new(state, f"{stem}_bearing", [f"{a}{b}" for a in "xyz" for b in "xyz"]),
            SmoothMean.new(state, f"{stem}_known", "xz"),
            SmoothMean.new(state, f"{stem}_said", "xyz"),
            SmoothMean.new(state, f"{stem}_felt", "xyz"),
            state.new(f"{stem}_rests"),
            state.new(f"{stem}_resting"),
        )

    @property
    def own_variances(self) -> tuple[Handle, ...]:
        """The variance of each axis alone."""
        return self.variance[0], self.variance[3], self.variance[5]

    def forget(self, block: Block) -> None:
        """Write that averages start again; the bias stays."""
        for mean in (self.bearing, self.known, self.said, self.felt):
            mean.forget(block)
        block.set(self.rests, 0.0)
        block.set(self.resting, 0.0)

    def learn(self, block: Block, read: Read, turned: tuple[Value, ...], dt: Value, tau: Value) -> None:
        """Write what one correction of the attitude teaches, `dt` seconds after the last.

        `turned` is the attitude after it, `tau` the time (s) over which the felt force was
        averaged.
        """
        self._watch(block, read, dt)
        rows = block.call(rotation_rows, *turned)
        across = [_along(rows[k : k + 3], self.bias) for k in (0, 6)]
        self.bearing.step(block, rows, dt, tau)
        self.known.step(block, across, dt, tau)
        with block.when(dt > 0.0):
            grows = block.keep("grows", dt * (0.01 / FORGETS))
            for one in self.own_variances:
                block.set(one, where(one < AT_FIRST**2, one + grows, one))
            self._update(block, read, dt, grows)

    def _watch(self, block: Block, read: Read, dt: Value) -> None:
        """See whether the device lies still; a slow, steady turn by hand does not fit the known bias."""
        self.said.step(block, read.said, dt, REST_MEANS)
        self.felt.step(block, read.felt, dt, REST_MEANS)
        strays = block.call(attitude.apart, *read.said, *self.said.values)[0]
        shakes = block.call(attitude.apart, *read.felt, *self.felt.values)[0]
        small = [abs(one) < MOST_BIAS for one in self.said.values]
        still = every([strays < STILL[0] ** 2, shakes < STILL[1] ** 2, *small])
        # the means ring on after a movement: as it comes to lie they begin anew with what is read then
        with block.when(every([still, self.rests == 0.0])):
            self.said.begin_with(block, read.said)
            self.felt.begin_with(block, read.felt)
        block.set(self.rests, where(still, self.rests + dt, 0.0))
        fits = []
        for one, known, square in zip(self.said.values, self.bias, self.own_variances, strict=True):
            (unsure,) = block.call(attitude.deviation, square)
            fits.append(abs(one - known) < unsure * 3.0 + FITS)
        known_or_long = some([self.rests >= LIES, every(fits)])
        block.set(self.resting, flag(every([self.rests >= RESTS, known_or_long])))

    def _update(self, block: Block, read: Read, dt: Value, grows: Name) -> None:
        """Learn from one row of the measurement after another."""
        rests, b = self.resting != 0.0, self.bias
        r, off = self.bearing.values, read.off
        turns = block.keep("turns", lift(_DEGREES) / dt)
        doubt = read.stirred * read.stirred * (1.0 / DOUBTS**2) + 1.0
        early = block.keep("early", lift(1.0) - read.begun)
        moves = block.call(bias.weight, IN_MOTION, grows)[0] * (doubt + early * early * BEGINS)
        still = block.call(bias.weight, AT_REST, grows)[0]
        across = block.keep("noise", where(rests, still, moves))
        upright = block.keep("noise_upright", where(rests, still, moves * (1.0 / UPRIGHT)))
        in_motion = (
            off[2] * turns + self.known.values[0] - _along(r[0:3], b),
            -_along(r[3:6], b),
            self.known.values[1] - off[0] * turns - _along(r[6:9], b),
        )
        errors: list[Value] = []
        before = [block.keep("bias_was", one) for one in b]
        for one, said, was in zip(in_motion, self.said.values, before, strict=True):
            errors += block.call(clamp, where(rests, said - was, one), low=-MOST_BIAS, high=MOST_BIAS)
        for k, noise in enumerate((across, upright, across)):
            row = [where(rests, _PLAIN[3 * k + j], r[3 * k + j]) for j in range(3)]
            u, v, w = (block.keep("row", one) for one in row)
            error = errors[k] - _along((u, v, w), [one - was for one, was in zip(b, before, strict=True)])
            states = (*b, *self.variance)
            block.call(bias.known_better, *states, u, v, w, error, noise, into=states)
        for handle in b:
            block.call(clamp, handle, into=(handle,), low=-MOST_BIAS, high=MOST_BIAS)


def _along(row: tuple[Value, ...], to: tuple[Value, ...] | list[Value]) -> Value:
    """The product of a row and a vector."""
    return row[0] * to[0] + row[1] * to[1] + row[2] * to[2]

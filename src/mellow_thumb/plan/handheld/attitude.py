"""Attitude: how a device in the hand is turned, from its gyroscope and accelerometer.

Source: Laidig, Seel, VQF: Highly accurate IMU orientation estimation with bias estimation and magnetic
disturbance rejection (Information Fusion 91, 2023), in six axes. The gyroscope alone turns a frame of its
own; what is felt is averaged there, where pushes there and back cancel, and at once says where up is.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...expressions import flag, lift, some, where
from ...formulas import attitude, bias, clamp, product, turned_by, unit
from .gyroscope_bias import GyroscopeBias, Read
from .smooth_mean import SmoothMean

if TYPE_CHECKING:
    from ...expressions import Block, Handle, Name, State, Value

TURN, FORCE = (tuple(f"motion.{what}.{part}" for part in "xyz") for what in ("turn", "force"))
"""What it is made of: what the gyroscope and the accelerometer say; with the last part each is whole."""
SLOW, UNKNOWN, QUICK, LYING = 3.0, 2.1, 0.4, 2.0
"""Seconds over which what is felt is averaged: once the bias is known; while it is not; at rest, or while
it is not and nothing stirs; and at most after a long rest."""
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
UNTRUSTED = 1.0
"""How much what is felt counts as straying at first, (m/s2)^2."""

Values = tuple["Value", ...]


@dataclass(eq=False)
class Attitude:
    """The state of a device's attitude and sensors, and what readings do to it."""

    turned: tuple[Handle, ...]
    """How it is turned by the gyroscope alone: a quaternion x, y, z, w."""
    righted: tuple[Handle, ...]
    """What brings that upright."""
    last: tuple[Handle, ...]
    """How it turned at the last reading, without the bias (deg/s)."""
    force: tuple[Handle, ...]
    """What the accelerometer said last (m/s2)."""
    weighed: Handle
    """1 once it has said anything."""
    fresh: Handle
    """1 where what it said has not corrected anything yet."""
    time: Handle
    """When the gyroscope said something last (s); -1 if it never did."""
    sums: tuple[Handle, ...]
    """Since the last correction: what was felt, as the gyroscope turned it; what was said, and felt."""
    many: Handle
    """How many readings these are."""
    since: Handle
    """Since when (s)."""
    mean: tuple[Handle, ...]
    """The mean of what was felt of late."""
    meant: Handle
    """1 once there is one."""
    strays: Handle
    """How far what is felt strays from it, (m/s2)^2."""
    felt: SmoothMean
    gyroscope: GyroscopeBias

    @classmethod
    def new(cls, state: State, stem: str) -> Attitude:
        """New state for one device."""

        def triple(what: str) -> tuple[Handle, ...]:
            return tuple(state.new(f"{stem}_{what}_{part}") for part in "xyz")

        turned, righted = (
            tuple(state.new(f"{stem}_{what}_{part}", float(part == "w")) for part in "xyzw")
            for what in ("turned", "righted")
        )
        last, force = triple("last"), triple("force")
        weighed, fresh = state.new(f"{stem}_weighed"), state.new(f"{stem}_fresh")
        sums = tuple(one for what in ("turned_force", "said", "felt") for one in triple(f"sum_{what}"))
        return cls(
            turned, righted, last, force, weighed, fresh, state.new(f"{stem}_t", -1.0), sums,
            state.new(f"{stem}_many"), state.new(f"{stem}_since"), triple("mean"), state.new(f"{stem}_meant"),
            state.new(f"{stem}_strays", UNTRUSTED), SmoothMean.new(state, f"{stem}_averaged", "xyz"),
            GyroscopeBias.new(state, stem),
        )  # fmt: skip

    def rotation(self, block: Block) -> Values:
        """From the device's frame to the world's, except for where north is."""
        return block.call(unit, *block.call(product, *self.righted, *self.turned))

    @staticmethod
    def up(block: Block, rotation: Values) -> Values:
        """The unit vector to the sky in the device's frame, from its attitude."""
        x, y, z, w = rotation
        return block.call(turned_by, -x, -y, -z, w, 0.0, 1.0, 0.0)

    def aim(self, block: Block, turn: Values, rotation: Values) -> Values:
        """How fast it turns right and tilts up (deg/s); the smallest rates count as noise."""
        up = self.up(block, rotation)
        fade = block.call(attitude.faded, *turn, none=FADES[0], whole=FADES[1])[0]
        return tuple(part * fade for part in block.call(attitude.aimed, *turn, *up))

    def weigh(self, block: Block, force: Values) -> None:
        """Write what a reading of the accelerometer does (m/s2); at rest it points to the sky."""
        for kept, part in zip(self.force, force, strict=True):
            block.set(kept, part)
        with block.when(self.weighed == 0.0):
            self._right(block, block.call(turned_by, *self.turned, *self.force))
        block.set(self.weighed, 1.0)
        block.set(self.fresh, 1.0)

    def turn(self, block: Block, turn: Values, now: Value) -> Values:
        """Write what a reading of the gyroscope does (deg/s); returns the turn without the bias."""
        dt = block.keep("dt_said", where(self.time < 0.0, 0.0, now - self.time))
        begins = block.keep("begins", flag(some([self.time < 0.0, dt > GAP])))
        with block.when(dt > GAP):
            # nobody knows how it turned meanwhile: what is felt says where up is, as at first
            self._forget(block)
        block.set(self.time, now)
        free = tuple(
            block.keep("free", one - bias) for one, bias in zip(turn, self.gyroscope.bias, strict=True)
        )
        with block.when(begins == 0.0):
            by = block.call(attitude.turned_between, *self.last, *free, dt)
            block.call(unit, *block.call(product, *self.turned, *by), into=self.turned)
            block.set(self.since, self.since + dt)
        for kept, part in zip(self.last, free, strict=True):
            block.set(kept, part)
        with block.when(self.fresh != 0.0):
            self._gather(block, turn)
            with block.when(some([begins != 0.0, self.since >= APART])):
                self._correct(block)
        return free

    def _forget(self, block: Block) -> None:
        """Start again from the felt force; the bias stays."""
        for one in (*self.sums, self.many, self.since, self.meant):
            block.set(one, 0.0)
        block.set(self.strays, UNTRUSTED)
        self.felt.forget(block)
        self.gyroscope.forget(block)

    def _gather(self, block: Block, turn: Values) -> None:
        """Keep a reading for the next correction."""
        block.set(self.fresh, 0.0)
        felt = block.call(turned_by, *self.turned, *self.force)
        for one, part in zip(self.sums, (*felt, *turn, *self.force), strict=True):
            block.set(one, one + part)
        block.set(self.many, self.many + 1.0)

    def _correct(self, block: Block) -> None:
        """Bring it upright by the average felt force, and learn the bias from how much that took."""
        dt = block.keep("dt_corrected", self.since)
        parts = [block.keep("read", one / self.many) for one in self.sums]
        for one in (*self.sums, self.many, self.since):
            block.set(one, 0.0)
        felt, said, plain = tuple(parts[:3]), tuple(parts[3:6]), tuple(parts[6:])
        stirred = self._stir(block, felt, dt)
        tau = self._averages(block, stirred)
        self.felt.step(block, felt, dt, tau)
        off = self._right(block, block.call(turned_by, *self.righted, *self.felt.values))
        begun = where(self.felt.time < tau, self.felt.time / tau, 1.0)
        read = Read(said, plain, off, stirred, begun)
        self.gyroscope.learn(block, read, self.rotation(block), dt, tau)
        # nothing tells where north is but the gyroscope, whose noise would take it along bit by bit
        with block.when(self.gyroscope.resting != 0.0):
            free = (one - bias for one, bias in zip(said, self.gyroscope.bias, strict=True))
            back = block.call(attitude.turned_back, *free, *self.up(block, self.rotation(block)), dt)
            block.call(product, *back, *self.righted, into=self.righted)

    def _averages(self, block: Block, stirred: Name) -> Name:
        """The time over which the felt force is averaged now (s)."""
        # across the vertical the bias is known soon, and about it late: the second of the three tells
        (square,) = block.call(bias.second_of_three, *self.gyroscope.own_variances)
        (known,) = block.call(attitude.deviation, square)
        (unsure,) = block.call(attitude.between, known, low=UNSURE[0], high=UNSURE[1])
        (stirs,) = block.call(attitude.between, stirred, low=STIRRED[0], high=STIRRED[1])
        while_unsure = lift(QUICK) + stirs * (UNKNOWN - QUICK)
        moving = lift(SLOW) + (while_unsure - SLOW) * unsure
        # the longer it lies still, the better its bias is known, and the longer what is felt is worth
        (still,) = block.call(clamp, self.gyroscope.rests * 0.25, low=QUICK, high=LYING)
        return block.keep("tau", where(self.gyroscope.resting != 0.0, still, moving))

    def _stir(self, block: Block, felt: Values, dt: Name) -> Name:
        """How much the felt force has strayed from its mean lately, m/s2."""
        (share,) = block.call(attitude.follows, dt, over=STIRS)
        for one, part in zip(self.mean, felt, strict=True):
            block.set(one, where(self.meant == 0.0, part, one + (part - one) * share))
        block.set(self.meant, 1.0)
        (away,) = block.call(attitude.apart, *felt, *self.mean)
        block.set(self.strays, self.strays + (away - self.strays) * share)
        most = where(self.strays > away, self.strays, away)
        return block.keep("stirred", block.call(attitude.deviation, most)[0])

    def _right(self, block: Block, felt: Values) -> Values:
        """Turn the felt force to the sky, the shortest way; returns the felt force as a unit vector."""
        *by, x, y, z = block.call(attitude.righting, *felt)
        block.call(unit, *block.call(product, *by, *self.righted), into=self.righted)
        return x, y, z

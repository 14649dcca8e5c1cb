"""Motion: what a device in the hand reads becomes how it aims.

It stands between what comes in and the woven loop, as contacts do, and sees events in order of time.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, NamedTuple

from ..formulas import is_rotation
from ..plan import ATTITUDE
from .attitude import Attitude, aim, faded

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping, Sequence

    from ..weaving import Item

FIRST = -101
"""The code of the first of `PARTS`; the others follow downwards."""
PARTS = (*(f"motion.{what}.{part}" for what in ("turn", "force") for part in "xyz"), *ATTITUDE)
TURN_Z, FORCE_Z, ATTITUDE_W = FIRST - 2, FIRST - 5, FIRST - 9
AIM = "motion.aim"
READINGS = {TURN_Z: "motion.turn", FORCE_Z: "motion.force", ATTITUDE_W: "motion.attitude"}
"""What is whole with the part of each code."""
NO_ROTATION = "no rotation: expected a unit quaternion x, y, z, w"
"""Why an attitude is refused."""
TORN = "a part of it is missing, or was refused"
"""Why a reading is refused whose last part comes without the others."""


def feels(codes: Mapping[str, int]) -> bool:
    """Whether a program, by its codes, asks for anything that is made here."""
    return AIM in codes or ATTITUDE[0] in codes


class HandheldState(NamedTuple):
    """How a device in the hand is turned, and what is known of its sensors."""

    rotation: tuple[float, float, float, float]
    """From its own frame to one with +Y up, wherever north is: a unit quaternion x, y, z, w."""
    bias: tuple[float, float, float]
    """What its gyroscope says about each axis while it does not turn (deg/s), as far as that is known."""
    uncertainty: tuple[float, float, float]
    """The standard deviation of that (deg/s): 1 while nobody knows."""
    resting: bool
    """Whether it lies still, as far as its sensors can tell."""


class Motion:
    """Makes ``motion.aim`` and the attitude out of what a gyroscope and an accelerometer say.

    An attitude that the host knows by itself is passed on. Of the two quaternions for one rotation it is the
    one nearer to the last, so that a tilt goes on past half a turn.
    """

    def __init__(self, codes: Mapping[str, int], refuse: Callable[[str, str], None]) -> None:
        """Make what a program asks for, by its codes; `refuse` is told what of it is no reading, and why."""
        self._refuse = refuse
        self.attitude = Attitude()
        self._aim = codes.get(AIM)
        self._poses = tuple(codes[name] for name in ATTITUDE) if ATTITUDE[0] in codes else ()
        self._reading = [0.0] * len(PARTS)
        self._parts: set[int] = set()
        """The codes of the parts of readings that have come and are not whole yet."""
        self._pose: Sequence[float] = (0.0, 0.0, 0.0, 0.0)

    @property
    def handheld(self) -> HandheldState:
        """How the device is turned by its sensors, and what is known of them."""
        one = self.attitude
        return HandheldState(one.rotation, one.bias, one.uncertainty, one.resting)

    def expand(self, items: list[Item]) -> list[Item]:
        """Events in order of time, with readings replaced by how the device aims and is turned."""
        if not any(code <= FIRST for _, code, _, _ in items):
            return items
        out: list[Item] = []
        for item in items:
            t, code, x, _ = item
            if code > FIRST:
                out.append(item)
                continue
            self._reading[FIRST - code] = x
            self._parts.add(code)
            if code not in READINGS or not self._is_whole(code):
                continue
            a, b, c, d, e, f, *pose = self._reading
            # a reading is fed part by part, x first: z makes it whole
            if code == FORCE_Z:
                self.attitude.weigh((d, e, f))
            elif code == TURN_Z:
                self._turn(out, t, (a, b, c))
            elif code == ATTITUDE_W:
                self._told(out, t, pose)
        return out

    def _is_whole(self, last: int) -> bool:
        """Whether all parts of the reading that ends here have come; one that is torn is refused whole."""
        parts = {last + k for k in range(4 if last == ATTITUDE_W else 3)}
        there = parts <= self._parts
        self._parts -= parts
        if not there:
            self._refuse(READINGS[last], TORN)
        return there

    def _turn(self, out: list[Item], t: float, reading: tuple[float, float, float]) -> None:
        """A reading is whole."""
        turn = self.attitude.turn(reading, t)
        if self._aim is not None:
            fade = faded(turn)
            right, up = aim(turn, self.attitude.up)
            out.append((t, self._aim, right * fade, up * fade))
        self._told(out, t, self.attitude.rotation)

    def _told(self, out: list[Item], t: float, pose: Sequence[float]) -> None:
        """How the device is turned; of the two quaternions for it the one nearer to the last."""
        if not self._poses:
            return
        if not is_rotation(*pose):
            self._refuse("motion.attitude", NO_ROTATION)
            return
        size = sum(part * part for part in pose) ** 0.5
        # q and -q are one rotation, but a tilt read from the other one would jump by a turn
        away = sum(part * last for part, last in zip(pose, self._pose, strict=True)) < 0.0
        self._pose = [part / (-size if away else size) for part in pose]
        out += [(t, code, part, 0.0) for code, part in zip(self._poses, self._pose, strict=True)]

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        return [self.attitude.saved(), list(self._reading), list(self._pose), sorted(self._parts)]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        attitude, reading, pose, *parts = saved
        self.attitude.restore(attitude)
        self._reading, self._pose = list(map(float, reading)), list(map(float, pose))
        self._parts = {int(code) for some in parts for code in some}

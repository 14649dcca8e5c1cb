"""Motion: what a device in the hand reads becomes how it aims.

It stands between what comes in and the woven loop, as contacts do, and sees events in order of time.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from .attitude import Attitude, aim, faded

if TYPE_CHECKING:
    from .program import Item

FIRST = -101
"""The code of the first part of a reading; the next five follow downwards: turn x, y, z, force x, y, z."""
TURN_Z, FORCE_Z = FIRST - 2, FIRST - 5


class Motion:
    """Makes ``motion.aim`` out of what a gyroscope and an accelerometer say."""

    def __init__(self, code: int) -> None:
        self.attitude = Attitude()
        self._code = code
        self._reading = [0.0] * 6

    def expand(self, items: list[Item]) -> list[Item]:
        """Events in order of time, with readings replaced by how the device aims."""
        if not any(code <= FIRST for _, code, _, _ in items):
            return items
        out: list[Item] = []
        for item in items:
            t, code, x, _ = item
            if code > FIRST:
                out.append(item)
                continue
            self._reading[FIRST - code] = x
            a, b, c, d, e, f = self._reading
            if code == FORCE_Z:
                self.attitude.weigh((d, e, f))
            elif code == TURN_Z:
                turn = self.attitude.turn((a, b, c), t)
                fade = faded(turn)
                right, up = aim(turn, self.attitude.up)
                out.append((t, self._code, right * fade, up * fade))
        return out

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        return [self.attitude.saved(), list(self._reading)]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        attitude, reading = saved
        self.attitude.restore(attitude)
        self._reading = list(map(float, reading))

"""A trackpad: how far one or two fingers go on it, in cm by the resolution of its axes.

Source: the kernel's documentation of the multi-touch protocol, type B, and of absinfo's resolution.
"""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING

from .linux_device import BTN_TOUCH, SLOT, TRACKING

if TYPE_CHECKING:
    from .linux_device import LinuxDevice
    from .linux_door import Say

    Place = tuple[float, float]


class Trackpad:
    """Passes on what one or two fingers do; with more, or as their number changes, nothing."""

    def __init__(self, device: LinuxDevice, say: Say) -> None:
        """Pass the fingers on a `device` on to `say`."""
        self._say, self._slotted = say, device.contacts == "slots"
        self._codes = device.place_axes
        self._per_cm = [10.0 * device.axes[code].resolution for code in self._codes]
        self._slot = 0
        self._places: dict[int, list[float]] = {}
        """Where each slot is, in the device's units."""
        self._down: set[int] = set()
        self._before: dict[int, Place] = {}
        """Where each finger was at the last report (cm); nothing where it cannot be compared."""

    def take(self, code: int, value: int) -> None:
        """Take one of its axis events, by its code."""
        if code == SLOT:
            self._slot = value
        elif code == TRACKING:
            self.touch(held=value >= 0)
        else:
            self.know(code, value)

    def know(self, code: int, value: int) -> None:
        """Take over where a slot's finger is, and which slot is current."""
        if code == SLOT:
            self._slot = value
        elif code in self._codes:
            self._places.setdefault(self._slot, [0.0, 0.0])[self._codes.index(code)] = value

    def key(self, code: int, value: int) -> None:
        """A pad without slots says with a key whether it is touched."""
        if code == BTN_TOUCH and not self._slotted:
            self.touch(held=value != 0)

    def touch(self, *, held: bool) -> None:
        """A finger lands in the slot, or lifts."""
        self._before.pop(self._slot, None)
        if held:
            self._down.add(self._slot)
        else:
            self._down.discard(self._slot)

    def lose(self) -> None:
        """Events were lost, so fingers may have gone anywhere; those still down go on from here."""
        self._before = {}
        if self._slotted:
            self._down = set()  # nobody tells whether they are still there, until they land anew

    def report(self, seconds: float) -> None:
        """Pass on how far fingers went since the last report."""
        now = {slot: self._at(slot) for slot in self._down if slot in self._places}
        before, self._before = self._before, now
        if not all(self._per_cm) or set(before) != set(now) or now == before:
            return
        (was, *others), (at, *rest) = ([places[slot] for slot in sorted(now)] for places in (before, now))
        if not rest:
            self._say("trackpad.move", (at[0] - was[0], at[1] - was[1]), seconds)
        elif len(rest) == 1:
            middle = [0.5 * (at[k] + rest[0][k] - was[k] - others[0][k]) for k in (0, 1)]
            gaps = [hypot(a[0] - b[0], a[1] - b[1]) for a, b in ((at, rest[0]), (was, others[0]))]
            if any(middle):
                self._say("trackpad.pan", (middle[0], middle[1]), seconds)
            if gaps[0] != gaps[1]:
                self._say("trackpad.spread", gaps[0] - gaps[1], seconds)

    def _at(self, slot: int) -> Place:
        """Where a finger is, in cm, y away from the body."""
        if not all(self._per_cm):
            return 0.0, 0.0
        x, y = self._places[slot]
        return x / self._per_cm[0], -y / self._per_cm[1]

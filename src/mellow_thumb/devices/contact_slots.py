"""The contacts of a touch screen, slot by slot, as Linux reports them.

Source: the kernel's documentation of the multi-touch protocol, type B. A slot's values come only when they
change, so a slot keeps its values for the next contact that lands in it.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..plan import FINGERS
from .linux_device import PLACE_X, PLACE_Y, SLOT, TRACKING

if TYPE_CHECKING:
    from .linux_device import LinuxDevice
    from .linux_door import Say


class ContactSlots:
    """Gives each contact that lands the lowest free finger, and passes on what it does."""

    def __init__(self, device: LinuxDevice, say: Say) -> None:
        """Pass the contacts of a `device` on to `say`."""
        self._device, self._say = device, say
        self._slot = 0
        self._places: dict[int, list[float]] = {}
        """Where each slot is, in the device's units."""
        self._changed: dict[int, str] = {}
        """What happened in each since the last report: move, up, down, again (up, down), tap (down, up)."""
        self._fingers: dict[int, int] = {}
        """The finger of each slot whose contact is down."""

    def take(self, code: int, value: int) -> None:
        """Take one of its events, by its code."""
        if code == TRACKING:
            self._track(held=value >= 0)
        elif code in (PLACE_X, PLACE_Y):
            self.know(code, value)
            self._changed.setdefault(self._slot, "move")
        elif code == SLOT:
            self._slot = value

    def know(self, code: int, value: int) -> None:
        """Take over the device's answer when it is asked: the slot, and where its contact is."""
        if code == SLOT:
            self._slot = value
        elif code in (PLACE_X, PLACE_Y):
            self._places.setdefault(self._slot, [0.0, 0.0])[0 if code == PLACE_X else 1] = value

    def _track(self, *, held: bool) -> None:
        """The slot now has a contact, or none."""
        was, down = self._changed.get(self._slot), self._slot in self._fingers
        if held:
            self._changed[self._slot] = "again" if down else "down"
        elif was == "down":
            self._changed[self._slot] = "tap"
        else:
            self._changed[self._slot] = "up"

    def report(self, seconds: float) -> None:
        """Pass on what has happened up to a moment."""
        for slot, what in self._changed.items():
            if what in ("up", "again") and slot in self._fingers:
                self._say(f"touch.{self._fingers.pop(slot)}.down", 0.0, seconds)
        for slot, what in self._changed.items():
            if what in ("down", "again", "tap"):
                self._land(slot)
            finger = self._fingers.get(slot)
            if finger is None:
                continue
            x, y = self._places.get(slot, (0.0, 0.0))
            across, up = (self._device.axes[code] for code in self._device.place_axes)
            place = (across.share(x), 1.0 - up.share(y))
            self._say(f"touch.{finger}.place", place, seconds)
            if what != "move":
                self._say(f"touch.{finger}.down", 1.0, seconds)
            if what == "tap":
                self._say(f"touch.{self._fingers.pop(slot)}.down", 0.0, seconds)
        self._changed = {}

    def _land(self, slot: int) -> None:
        """Give a contact the lowest free finger; an eleventh gets none."""
        free = set(range(1, FINGERS + 1)) - set(self._fingers.values())
        if free:
            self._fingers[slot] = min(free)

    def cancel(self, seconds: float) -> None:
        """Every contact is taken away; a touch can claim one only where it lands."""
        for finger in self._fingers.values():
            self._say(f"touch.{finger}.cancel", 1.0, seconds)
        self._fingers, self._changed = {}, {}

"""A door for Linux input devices: their events become signals, by what each device says of itself.

What an event means is in linux/input-event-codes.h and the kernel's documentation of input (event codes, the
Linux Gamepad Specification, the multi-touch protocol, type B). Ranges are those of the device; screens and
sticks count y downwards, and are flipped here, once.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING, NamedTuple

from .linux_keys import BUTTONS
from .signals import FINGERS

if TYPE_CHECKING:
    from collections.abc import Callable

    Say = Callable[[str, float | tuple[float, float], float], None]
    """Takes a signal, its value or pair of values, and its time in seconds."""

SYN, KEY, REL, ABS = 0, 1, 2, 3
"""Types of events."""
REPORT, DROPPED = 0, 3
"""Codes of SYN: all that happened at one time is told; something was lost."""
WHEELS = {8: ("y", 1.0), 6: ("x", 1.0), 11: ("y", 120.0), 12: ("x", 120.0)}
"""Wheels: whole notches, and 120ths of one where the device has them."""
SLOT, PLACE_X, PLACE_Y, TRACKING = 0x2F, 0x35, 0x36, 0x39
STICKS = {0: ("left_stick", 0), 1: ("left_stick", 1), 3: ("right_stick", 0), 4: ("right_stick", 1)}
TRIGGERS = {2: "left_trigger", 5: "right_trigger", 10: "left_trigger", 9: "right_trigger"}
"""ABS_Z and ABS_RZ, or ABS_BRAKE and ABS_GAS where a device has those."""
HATS = {0x10: ("way_left", "way_right"), 0x11: ("way_up", "way_down")}


class Range(NamedTuple):
    """What an axis of a device may say, and how: of its absinfo."""

    low: int
    high: int
    flat: int = 0
    """It counts as its middle within this."""
    resolution: int = 0
    """Units in a millimetre; 0: not told."""

    def share(self, value: float) -> float:
        """Where a value lies, 0 at the low end and 1 at the high one."""
        return (
            min(max((value - self.low) / (self.high - self.low), 0.0), 1.0) if self.high > self.low else 0.0
        )

    def centred(self, value: float) -> float:
        """The same from -1 to 1, and 0 within the flat middle."""
        middle = 0.5 * (self.low + self.high)
        return 0.0 if abs(value - middle) <= self.flat else 2.0 * self.share(value) - 1.0


@dataclass
class LinuxDevice:
    """What a device says of itself: its name, its axes, what it has of the rest."""

    name: str = ""
    axes: dict[int, Range] = field(default_factory=dict)
    rels: set[int] = field(default_factory=set)
    keys: set[int] = field(default_factory=set)

    @property
    def touches(self) -> bool:
        """Whether it is a touch screen with contacts of their own."""
        return {SLOT, PLACE_X, PLACE_Y} <= set(self.axes)

    @property
    def kinds(self) -> tuple[str, ...]:
        """What it is, by the first part of its signals; it may be more than one."""
        buttons = {BUTTONS[code].partition(".")[0] for code in self.keys if code in BUTTONS}
        found = {
            "mouse": bool(self.rels),
            "key": "key" in buttons,
            "pad": "pad" in buttons or bool(set(STICKS) & set(self.axes)),
        }
        return ("touch",) if self.touches else tuple(kind for kind, there in found.items() if there)

    @property
    def pixels_per_cm(self) -> float:
        """How many of its units a cm is across; 0 where it does not say."""
        return 10.0 * self.axes[PLACE_X].resolution if self.touches else 0.0


class LinuxDoor:
    """Makes signals of a device's events, and tells them at each report, together.

    `say` takes a signal, its value or pair of values, and its time (s), as ``session.feed`` does.
    """

    def __init__(self, device: LinuxDevice, say: Say) -> None:
        self.device, self._say = device, say
        self.dropped = 0
        """How often the system said that events were lost."""
        self._begin()

    def _begin(self) -> None:
        """Nothing is held, and nothing has moved."""
        self._moved = [0.0, 0.0]
        self._wheel = [0.0, 0.0]
        self._sticks: dict[str, list[float]] = {"left_stick": [0.0, 0.0], "right_stick": [0.0, 0.0]}
        self._told: dict[str, float | tuple[float, float]] = {}
        self._new: dict[str, float | tuple[float, float]] = {}
        self._slot = 0
        self._contacts: dict[int, list[float]] = {}
        """For each slot in use: where it is, in the device's units, and whether it has landed."""
        self._changed: dict[int, str] = {}

    def take(self, kind: int, code: int, value: int, seconds: float) -> None:
        """Take one event: its type, code, value and time (s)."""
        if kind == SYN:
            self._report(code, seconds)
        elif kind == REL:
            self._rel(code, value)
        elif kind == KEY and value != 2:  # 2 is a repeat
            name = BUTTONS.get(code, "")
            analogue = name.endswith("trigger") and {2, 5, 9, 10} & set(self.device.axes)
            if name and not analogue:
                self._new[name] = float(value)
        elif kind == ABS and code in self.device.axes:
            self._abs(code, value, self.device.axes[code])

    def let_go(self, seconds: float) -> None:
        """The device is gone: whatever it held is let go, and it says so."""
        for finger in [slot + 1 for slot, contact in self._contacts.items() if contact[2]]:
            self._say(f"touch.{finger}.cancel", 1.0, seconds)
        for kind in self.device.kinds:
            self._say(f"{kind}.connected", 0.0, seconds)
        self._begin()

    def _rel(self, code: int, value: int) -> None:
        if code in (0, 1):
            self._moved[code] += value if code == 0 else -value
        elif code in WHEELS and not (code in (8, 6) and {11, 12} & self.device.rels):
            part, notch = WHEELS[code]
            self._wheel["xy".index(part)] += value / notch

    def _abs(self, code: int, value: int, axis: Range) -> None:
        if self.device.touches:
            self._contact(code, value)
        elif code in STICKS:
            stick, part = STICKS[code]
            self._sticks[stick][part] = axis.centred(value) if part == 0 else -axis.centred(value)
            x, y = self._sticks[stick]
            self._new[f"pad.{stick}"] = (x, y)
        elif code in TRIGGERS:
            self._new[f"pad.{TRIGGERS[code]}"] = axis.share(value)
        elif code in HATS:
            less, more = HATS[code]
            self._new[f"pad.{less}"], self._new[f"pad.{more}"] = float(value < 0), float(value > 0)

    def _contact(self, code: int, value: int) -> None:
        if code == SLOT:
            self._slot = value
        elif code == TRACKING:
            self._changed[self._slot] = "up" if value < 0 else "down"
            if value >= 0:
                self._contacts.setdefault(self._slot, [0.0, 0.0, 0.0])
        elif code in (PLACE_X, PLACE_Y):
            contact = self._contacts.setdefault(self._slot, [0.0, 0.0, 0.0])
            contact[0 if code == PLACE_X else 1] = value
            self._changed.setdefault(self._slot, "move")

    def _report(self, code: int, seconds: float) -> None:
        if code == DROPPED:
            self.dropped += 1
        if code != REPORT:
            return
        if any(self._moved):
            self._say("mouse.move", (self._moved[0], self._moved[1]), seconds)
        if any(self._wheel):
            self._say("mouse.wheel", (self._wheel[0], self._wheel[1]), seconds)
        self._moved, self._wheel = [0.0, 0.0], [0.0, 0.0]
        for name, value in self._new.items():
            if self._told.get(name) != value:
                self._told[name] = value
                self._say(name, value, seconds)
        self._new = {}
        for slot, phase in self._changed.items():
            self._tell(slot, phase, seconds)
        self._changed = {}

    def _tell(self, slot: int, phase: str, seconds: float) -> None:
        """What has happened to one contact."""
        contact, finger = self._contacts.get(slot, [0.0, 0.0, 0.0]), slot + 1
        if finger > FINGERS:
            return
        if phase != "up":
            x = self.device.axes[PLACE_X].share(contact[0])
            y = 1.0 - self.device.axes[PLACE_Y].share(contact[1])
            self._say(f"touch.{finger}.place", (x, y), seconds)
        if phase != "move":
            contact[2] = float(phase == "down")
            self._say(f"touch.{finger}.down", contact[2], seconds)

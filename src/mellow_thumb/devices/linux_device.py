"""What a Linux input device says about itself: its axes and buttons, and so what it is.

Codes are those of linux/input-event-codes.h; ranges, flat middles and resolutions those of its absinfo.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import NamedTuple

from .linux_keys import BUTTONS, MOUSE, PAD

SYN, KEY, REL, ABS = 0, 1, 2, 3
"""Types of events."""
REPORT, CONTACT, DROPPED = 0, 2, 3
"""Codes of SYN: all that happened at one time is told; all of one contact is; something was lost."""
WHEELS = {8: ("y", 1.0), 6: ("x", 1.0), 11: ("y", 120.0), 12: ("x", 120.0)}
"""Wheels: whole notches, and 120ths of one where the device has them."""
SLOT, PLACE_X, PLACE_Y, TRACKING = 0x2F, 0x35, 0x36, 0x39
STICKS = {0: ("left_stick", 0), 1: ("left_stick", 1), 3: ("right_stick", 0), 4: ("right_stick", 1)}
TRIGGERS = {2: "left_trigger", 5: "right_trigger", 10: "left_trigger", 9: "right_trigger"}
"""ABS_Z and ABS_RZ, or ABS_BRAKE and ABS_GAS where a device has those."""
POINTER = 0
"""The property of what moves a pointer, as a trackpad does: INPUT_PROP_POINTER."""
BTN_TOUCH, PEN, FINGER = 0x14A, 0x140, 0x145
"""Keys: something touches; what touches is a pen, or a finger."""
TOOLS = set(range(0x140, 0x150))
"""Keys that say that a pen or a finger is there: BTN_TOOL_PEN and on."""
ACCELEROMETER = 6
"""The property of what feels forces, and not of what has sticks: INPUT_PROP_ACCELEROMETER."""
SENSORS = {code: f"motion.{what}.{part}" for first, what in ((0, "force"), (3, "turn"))
           for code, part in enumerate("xyz", first)}  # fmt: skip
"""Its axes; in units a g, and a deg/s."""
G = 9.80665
HATS = {0x10: ("way_left", "way_right"), 0x11: ("way_up", "way_down")}


class AxisRange(NamedTuple):
    """The range of a device's axis, from its absinfo."""

    low: int
    high: int
    flat: int = 0
    """It counts as its middle within this."""
    resolution: int = 0
    """Units in a millimetre; 0: not told."""

    def share(self, value: float) -> float:
        """Where a value lies: 0 at the low end, 1 at the high end."""
        return (
            min(max((value - self.low) / (self.high - self.low), 0.0), 1.0) if self.high > self.low else 0.0
        )

    def centred(self, value: float) -> float:
        """The same from -1 to 1; 0 within the flat middle."""
        middle = 0.5 * (self.low + self.high)
        return 0.0 if abs(value - middle) <= self.flat else 2.0 * self.share(value) - 1.0


@dataclass
class LinuxDevice:
    """What a device says about itself: its name, axes, buttons and properties."""

    name: str = ""
    axes: dict[int, AxisRange] = field(default_factory=dict)
    rels: set[int] = field(default_factory=set)
    keys: set[int] = field(default_factory=set)
    properties: set[int] = field(default_factory=set)

    @property
    def feels(self) -> bool:
        """Whether its axes are those of a motion sensor."""
        return ACCELEROMETER in self.properties

    @property
    def contacts(self) -> str:
        """How it reports contacts: by ``slots``, ``anonymous``, only ``one``, or not at all."""
        if {PLACE_X, PLACE_Y} <= set(self.axes):
            return "slots" if SLOT in self.axes else "anonymous"
        return "one" if {0, 1} <= set(self.axes) and BTN_TOUCH in self.keys and PEN not in self.keys else ""

    @property
    def place_axes(self) -> tuple[int, int]:
        """The axes that say where a contact is."""
        return (0, 1) if self.contacts == "one" else (PLACE_X, PLACE_Y)

    @property
    def touches(self) -> bool:
        """Whether it is a touch screen, and not a trackpad."""
        alone = self.contacts != "one" or not self.keys & (set(PAD) | set(MOUSE) | {FINGER})
        return bool(self.contacts) and alone and POINTER not in self.properties

    @property
    def is_trackpad(self) -> bool:
        """Whether fingers move a pointer on it."""
        return self.contacts in ("slots", "one") and FINGER in self.keys and POINTER in self.properties

    @property
    def points(self) -> bool:
        """Whether its axes are a pointer's place, as in a virtual machine."""
        return (
            {0, 1} <= set(self.axes) and not self.sticks and not self.draws and bool(self.keys & set(MOUSE))
        )

    @property
    def draws(self) -> bool:
        """Whether it is a trackpad or a pen tablet: the system moves the pointer with it."""
        return bool(self.keys & TOOLS) and not self.touches

    @property
    def sticks(self) -> bool:
        """Whether its axes are those of sticks and triggers."""
        others = self.touches or self.feels or self.draws or bool(self.keys & set(MOUSE))
        return bool(self.keys & set(PAD)) or (not others and bool(set(STICKS) & set(self.axes)))

    @property
    def kinds(self) -> tuple[str, ...]:
        """What kinds of device it is, named by the first part of their signals; often more than one."""
        buttons = {BUTTONS[code].partition(".")[0] for code in self.keys if code in BUTTONS}
        found = {
            "mouse": bool(self.rels & {0, 1}) or self.points or (self.is_trackpad and "mouse" in buttons),
            "key": "key" in buttons,
            "pad": self.sticks,
            "trackpad": self.is_trackpad,
        }
        only = {"touch": self.touches, "motion": self.feels}
        return tuple(kind for kind, there in (only if any(only.values()) else found).items() if there)

    @property
    def pixels_per_cm(self) -> float:
        """How many of its units make a cm across; 0 where it does not say."""
        return 10.0 * self.axes[self.place_axes[0]].resolution if self.touches else 0.0

    @property
    def unsaid(self) -> str:
        """What it does not say about itself, though something here needs it; usually empty."""
        fingers = self.touches or self.is_trackpad
        if not fingers or all(self.axes[code].resolution for code in self.place_axes):
            return ""
        left = "it is ignored"
        if self.touches:
            left = "touches stated in cm take no contact of it (host.pixels_per_cm)"
        return f"its axes do not say how long a cm is: {left}"

    @property
    def facts(self) -> dict[str, float | tuple[float, float]]:
        """A touch screen's size as signals; empty where it does not say."""
        if not self.pixels_per_cm:
            return {}
        wide, tall = (float(self.axes[code].high - self.axes[code].low) for code in self.place_axes)
        return {"host.screen": (wide, tall), "host.pixels_per_cm": self.pixels_per_cm}

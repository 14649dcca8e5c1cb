"""A door for Linux input devices: their events become signals, by what each device says of itself.

What an event means is in linux/input-event-codes.h and the kernel's documentation of input (event codes, the
Linux Gamepad Specification, the multi-touch protocol, types A and B). Ranges are those of the device; screens
and sticks count y downwards, and are flipped here, once.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from .anonymous_contacts import AnonymousContacts
from .contact_slots import ContactSlots
from .linux_device import (
    ABS,
    BTN_TOUCH,
    CONTACT,
    DROPPED,
    HATS,
    KEY,
    PLACE_X,
    PLACE_Y,
    REL,
    REPORT,
    SENSORS,
    SLOT,
    STICKS,
    SYN,
    TRACKING,
    TRIGGERS,
    WHEELS,
    G,
)
from .linux_keys import BUTTONS
from .trackpad import Trackpad

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable

    from .linux_device import AxisRange, LinuxDevice

    Event = tuple[int, int, int]
    """Its type, code and value."""
    Say = Callable[[str, float | tuple[float, float], float], None]
    """Takes a signal, its value or pair of values, and its time in seconds."""


_PLACES = {0: PLACE_X, 1: PLACE_Y}
"""Where a screen's only contact is, as that of one among several."""


class LinuxDoor:
    """Turns a device's events into signals, and passes them on at each report.

    `say` takes a signal, its value or pair of values, and its time (s), as ``session.feed`` does.
    """

    def __init__(self, device: LinuxDevice, say: Say, state: Callable[[], Iterable[Event]] = tuple) -> None:
        """Make a door for a `device`; `state` says what is held once events were lost."""
        self.device, self._say, self._state = device, say, state
        self.dropped = 0
        """How often the system said that events were lost."""
        self._lost = False
        self._contacts = ContactSlots(device, say)
        self._crowd = AnonymousContacts(device, self._contacts) if device.contacts == "anonymous" else None
        self._trackpad = Trackpad(device, say) if device.is_trackpad else None
        self._begin()

    def _begin(self) -> None:
        """Start with nothing held and nothing moved."""
        self._moved = [0.0, 0.0]
        self._wheel = [0.0, 0.0]
        self._place = [0.5, 0.5]
        self._sticks: dict[str, list[float]] = {"left_stick": [0.0, 0.0], "right_stick": [0.0, 0.0]}
        self._told: dict[str, float | tuple[float, float]] = {}
        self._new: dict[str, float | tuple[float, float]] = {}
        self._felt = {SENSORS[code]: 0.0 for code in SENSORS if code in self.device.axes}
        self._feels = False

    def take(self, kind: int, code: int, value: int, seconds: float) -> None:
        """Take one event: its type, code, value and time (s)."""
        if kind == SYN and code == DROPPED:
            self.dropped += 1
            self._lost = True
        elif self._lost:
            if (kind, code) == (SYN, REPORT):
                self._lost = False
                self._recover(seconds)
            elif (kind, code) == (ABS, SLOT):  # a recording cannot be asked, and says it here or nowhere
                (self._trackpad or self._contacts).know(code, value)
        elif kind == SYN and code == CONTACT:
            if self._crowd:
                self._crowd.end()
        elif kind == SYN:
            self._report(code, seconds)
        elif kind == REL:
            self._rel(code, value)
        elif kind == KEY and value != 2:  # 2 is a repeat
            name = BUTTONS.get(code, "")
            analogue = name.endswith("trigger") and {2, 5, 9, 10} & set(self.device.axes)
            if name and not analogue:
                self._new[name] = float(value)
            self._touched(code, value)
        elif kind == ABS and code in self.device.axes:
            self._abs(code, value, self.device.axes[code])

    def hold(self, state: Iterable[Event], seconds: float) -> None:
        """Take what a device already holds: when it is opened, or after a loss."""
        for kind, code, value in state:
            if kind == ABS and self._trackpad:
                self._trackpad.know(code, value)
            elif kind == ABS and self.device.touches:
                self._contacts.know(_PLACES.get(code, code), value)
            elif (kind, code) == (KEY, BTN_TOUCH):
                continue  # nobody has seen it land
            else:
                self.take(kind, code, value, seconds)
        self.take(SYN, REPORT, 0, seconds)

    def release(self, seconds: float) -> None:
        """Let go of whatever the device holds, one by one."""
        self._contacts.cancel(seconds)
        if self._trackpad:
            self._trackpad.lose()
        for name, value in self._told.items():
            if value not in (0.0, (0.0, 0.0)) and name != "mouse.place":
                self._say(name, (0.0, 0.0) if isinstance(value, tuple) else 0.0, seconds)
        self._begin()

    def let_go(self, seconds: float, others: Iterable[str] = ()) -> None:
        """The device is gone: let go of what it held, and say that it is gone.

        A kind that one of the `others` still has is not reported as gone.
        """
        self.release(seconds)
        for kind in self.device.kinds:
            if kind not in others:
                self._say(f"{kind}.connected", 0.0, seconds)

    def _recover(self, seconds: float) -> None:
        """After a loss: let go of what is no longer held, take what is held now, drop contacts."""
        self._contacts.cancel(seconds)
        for one in (self._crowd, self._trackpad):
            if one:
                one.lose()
        state = list(self._state())
        down = {BUTTONS.get(code) for kind, code, _ in state if kind == KEY}
        self._new |= dict.fromkeys(set(self._told) & set(BUTTONS.values()) - down, 0.0)
        self.hold(state, seconds)

    def _rel(self, code: int, value: int) -> None:
        if code in (0, 1):
            self._moved[code] += value if code == 0 else -value
        elif code in WHEELS and not (code in (8, 6) and {11, 12} & self.device.rels):
            part, notch = WHEELS[code]
            self._wheel["xy".index(part)] += value / notch

    def _touched(self, code: int, value: int) -> None:
        """A key says whether anything touches."""
        if self._trackpad:
            self._trackpad.key(code, value)
        elif code == BTN_TOUCH and self.device.touches and self.device.contacts == "one":
            self._contacts.take(TRACKING, 0 if value else -1)
        elif code == BTN_TOUCH and self._crowd and not value:
            self._crowd.lifted()

    def _abs(self, code: int, value: int, axis: AxisRange) -> None:
        if self._trackpad:
            self._trackpad.take(code, value)
        elif self._crowd and self.device.touches:
            self._crowd.take(code, value)
        elif self.device.touches:
            if self.device.contacts == "one":
                code = _PLACES.get(code, code)
            self._contacts.take(code, value)
        elif self.device.feels:
            if code in SENSORS:
                self._felt[SENSORS[code]] = value / (axis.resolution or 1) * (G if code < 3 else 1.0)
                self._feels = True
        elif self.device.points and code in (0, 1):
            self._place[code] = axis.share(value) if code == 0 else 1.0 - axis.share(value)
            self._new["mouse.place"] = (self._place[0], self._place[1])
        elif not self.device.sticks:
            return
        elif code in STICKS:
            stick, part = STICKS[code]
            self._sticks[stick][part] = axis.centred(value) if part == 0 else 0.0 - axis.centred(value)
            x, y = self._sticks[stick]
            self._new[f"pad.{stick}"] = (x, y)
        elif code in TRIGGERS:
            self._new[f"pad.{TRIGGERS[code]}"] = axis.share(value)
        elif code in HATS:
            less, more = HATS[code]
            self._new[f"pad.{less}"], self._new[f"pad.{more}"] = float(value < 0), float(value > 0)

    def _report(self, code: int, seconds: float) -> None:
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
        if self._crowd:
            self._crowd.report()
        self._contacts.report(seconds)
        if self._trackpad:
            self._trackpad.report(seconds)
        if self._feels:
            for sensor, felt in self._felt.items():  # all of a reading, the force first
                self._say(sensor, felt, seconds)
        self._feels = False

"""The catalogue of signals: what each one is called, what it is, and what it measures.

Checks, documentation, suggestions and tests read this one table. Directions everywhere: **+x is right,
+y is up or away**; where a device or a standard differs, the device's door flips it once.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from ..basics import SignalError
from .near_signals import near_signal

KINDS = {
    "displacement": "the distance moved since the last event: already added up, so never multiplied by time",
    "deflection": "a held value, a share of full travel: -1 to 1, or 0 to 1",
    "ratio": "a factor since the last event, such as the spread of two fingers: it multiplies",
    "angle": "how far the device is turned from a pose, in deg: it leans the axis, or turns it at a rate",
    "rate": "how fast the device itself turns: added up over time; 0 once it is silent for 100 ms",
    "position": "a place, 0 to 1 of the screen from its bottom left corner",
    "switch": "0 or 1: a button, a key, a contact",
    "pose": "a place in metres and a unit quaternion: taken as it is, never smoothed and never scaled",
    "fact": "something that only the host knows: it drives nothing, and gates and edge zones ask for it",
}
"""What a value of each kind of signal says."""

COMPONENTS = ("x", "y")
POSE_PARTS = ("x", "y", "z", "qx", "qy", "qz", "qw")
"""The components of a pose: metres, then the quaternion."""


@dataclass(frozen=True, slots=True)
class Signal:
    """One named stream from a device."""

    name: str
    kind: str
    unit: str
    """What one of it is called; empty for a share or a switch."""
    low: float
    high: float
    """The smallest and largest value that one event may carry."""
    positive: str
    """Which way is positive; for a switch, what 1 means."""
    source: str
    """The standard, with its section, that the values come from."""
    pair: bool = False
    """Whether an event carries two values, x and y."""
    start: float = 0.0
    """What a held value is before its first event."""

    @property
    def addresses(self) -> tuple[str, ...]:
        """The signal's name and, for a pair, those of its components."""
        parts = COMPONENTS if self.pair else POSE_PARTS if self.kind == "pose" else ()
        return (self.name, *(f"{self.name}.{part}" for part in parts))

    @property
    def clips(self) -> bool:
        """Whether a value outside the range is clipped to it, and not refused."""
        return self.kind in ("deflection", "position")

    @property
    def held(self) -> bool:
        """Whether a value stays until the next event."""
        return self.kind not in ("displacement", "ratio")

    @property
    def device(self) -> str:
        """Its device, the first part of its name; ``host``, ``flag`` and ``choice`` are not devices."""
        return self.name.partition(".")[0]


@dataclass(frozen=True, slots=True)
class Address:
    """A signal, or one component of a pair."""

    signal: Signal
    component: str = ""
    """``x`` or ``y`` for one component of a pair, else empty."""

    def __str__(self) -> str:
        return f"{self.signal.name}.{self.component}" if self.component else self.signal.name

    @property
    def width(self) -> int:
        """How many axes it can drive: 2 for a whole pair, else 1."""
        return 2 if self.signal.pair and not self.component else 1

    @property
    def components(self) -> tuple[str, ...]:
        """Its components; a single value is an ``x``."""
        return (self.component,) if self.component else COMPONENTS[: self.width]


def _pair(name: str, kind: str, unit: str, limits: tuple[float, float], positive: str, source: str) -> Signal:
    start = 0.5 if kind == "position" else 0.0
    return Signal(name, kind, unit, *limits, positive, source, pair=True, start=start)


def _switch(name: str, what: str, source: str) -> Signal:
    return Signal(name, "switch", "", 0.0, 1.0, f"1: {what} is down", source)


_HID = "USB HID Usage Tables 1.5, Generic Desktop"
_PAD = "W3C Gamepad, section 'Standard Gamepad'"
_COUNTS, _SHARE = (-1e6, 1e6), (-1.0, 1.0)

_MOUSE = (
    _pair("mouse.move", "displacement", "count", _COUNTS, "x: hand to the right; y: hand away from the body",
          f"{_HID} X (0x30) and Y (0x31), relative; y flipped"),
    _pair("mouse.pixels", "displacement", "px", _COUNTS, "x: pointer to the right; y: pointer up",
          "W3C Pointer Lock 2.0, movementX and movementY, the system's acceleration in them; y flipped"),
    _pair("mouse.wheel", "displacement", "notch", (-1e4, 1e4), "x: to the right; y: away from the body",
          f"{_HID} Wheel (0x38), Consumer AC Pan (0x238); in whole notches and parts of one"),
    _pair("mouse.wheel_tail", "displacement", "notch", (-1e4, 1e4), "x: to the right; y: away from the body",
          "as mouse.wheel: what a trackpad sends on after the fingers lifted, where it says so"),
    _pair("mouse.place", "position", "", (0.0, 1.0), "x: to the right; y: up",
          "W3C Pointer Events 3, clientX and clientY over the size of the view; y flipped"),
    *(_switch(f"mouse.{name}", f"the {what} button", f"W3C Pointer Events 3, 'buttons' bit {mask}")
      for name, what, mask in (("left", "left", 1), ("right", "right", 2), ("middle", "middle", 4),
                               ("back", "rear thumb", 8), ("forward", "front thumb", 16))),
)  # fmt: skip

_PAD_AXES = "Linux input, multi-touch protocol, ABS_MT_POSITION_X and _Y over their resolution; y flipped"
_TRACKPAD = (
    _pair("trackpad.move", "displacement", "cm", (-100.0, 100.0),
          "x: one finger to the right; y: away from the body", _PAD_AXES),
    _pair("trackpad.pan", "displacement", "cm", (-100.0, 100.0),
          "x: the middle of two fingers to the right; y: away from the body", _PAD_AXES),
    Signal("trackpad.spread", "displacement", "cm", -100.0, 100.0, "two fingers go apart", _PAD_AXES),
)  # fmt: skip

_BUTTONS = (
    ("south", "the bottom button of the right cluster", 0),
    ("east", "the right button of the right cluster", 1),
    ("west", "the left button of the right cluster", 2),
    ("north", "the top button of the right cluster", 3),
    ("left_shoulder", "the top left front button", 4),
    ("right_shoulder", "the top right front button", 5),
    ("centre_left", "the left button of the centre cluster", 8),
    ("centre_right", "the right button of the centre cluster", 9),
    ("left_stick_press", "the left stick, pressed", 10),
    ("right_stick_press", "the right stick, pressed", 11),
    ("way_up", "the top button of the left cluster", 12),
    ("way_down", "the bottom button of the left cluster", 13),
    ("way_left", "the left button of the left cluster", 14),
    ("way_right", "the right button of the left cluster", 15),
    ("centre", "the centre button", 16),
)

_GAMEPAD = (
    _pair("pad.left_stick", "deflection", "", _SHARE, "x: right; y: up", f"{_PAD}, axes 0 and 1; y flipped"),
    _pair("pad.right_stick", "deflection", "", _SHARE, "x: right; y: up", f"{_PAD}, axes 2 and 3; y flipped"),
    Signal("pad.left_trigger", "deflection", "", 0.0, 1.0, "1: fully pressed", f"{_PAD}, button 6"),
    Signal("pad.right_trigger", "deflection", "", 0.0, 1.0, "1: fully pressed", f"{_PAD}, button 7"),
    *(_switch(f"pad.{name}", what, f"{_PAD}, button {number}") for name, what, number in _BUTTONS),
)  # fmt: skip

_MOTION = (
    _pair("motion.tilt", "angle", "deg", (-360.0, 360.0), "x: its right side goes down; y: it tilts up",
          "this library, `formulas.tilting`, of motion.attitude; from the pose that is its zero"),
    _pair("motion.aim", "rate", "deg", (-1e5, 1e5), "x: the device turns right; y: it tilts up",
          "W3C Device Orientation Event, rotationRate, turned level; in deg/s"),
    *(
        Signal(f"motion.{what}.{part}", "fact", unit, -1e5, 1e5, words[part],
               f"W3C Device Orientation Event, {source}")
        for what, unit, source, words in (
            ("turn", "deg/s", "rotationRate beta, gamma, alpha: what the gyroscope says",
             {"x": "its top tilts back", "y": "it turns left, held upright", "z": "it rolls to the left"}),
            ("force", "m/s2", "accelerationIncludingGravity: what the accelerometer says; to the sky at rest",
             {"x": "to the right of the screen", "y": "to its top", "z": "out of it"}),
        )
        for part in "xyz"
    ),
    *(
        Signal(f"motion.attitude.{part}", "fact", "", -1.0, 1.0,
               "its rotation from the device's frame to the world's, +Y up: a unit quaternion",
               "W3C Orientation Sensor, quaternion; this library, `session.attitude`")
        for part in "xyzw"
    ),
)  # fmt: skip

TILT = "motion.tilt"
AIM = "motion.aim"
ATTITUDE = tuple(f"motion.attitude.{part}" for part in "xyzw")
"""What a tilt is made of, in the order in which it is said: with the last the pose is whole."""

_CODES = (
    *(f"Key{letter}" for letter in "ABCDEFGHIJKLMNOPQRSTUVWXYZ"),
    *(f"Digit{digit}" for digit in range(10)),
    *[
        "Backquote",
        "Minus",
        "Equal",
        "BracketLeft",
        "BracketRight",
        "Backslash",
        "Semicolon",
        "Quote",
        "Comma",
        "Period",
        "Slash",
    ],
    *["IntlBackslash", "IntlRo", "IntlYen", "Backspace", "Tab", "CapsLock", "Enter", "Space", "ContextMenu"],
    *(f"{key}{side}" for key in ("Shift", "Control", "Alt", "Meta") for side in ("Left", "Right")),
    *["Delete", "End", "Help", "Home", "Insert", "PageDown", "PageUp"],
    *(f"Arrow{way}" for way in ("Up", "Down", "Left", "Right")),
    *(f"Numpad{digit}" for digit in range(10)),
    *["NumLock", "NumpadAdd", "NumpadComma", "NumpadDecimal", "NumpadDivide", "NumpadEnter", "NumpadEqual"],
    *["NumpadMultiply", "NumpadSubtract"],
    *(f"F{number}" for number in range(1, 25)),
    *["Escape", "PrintScreen", "ScrollLock", "Pause"],
)
_KEYS = (
    _switch(f"key.{code}", f"the key {code}", "W3C UI Events KeyboardEvent code Values, section 3")
    for code in _CODES
)


def _fact(name: str, low: float, high: float, start: float, words: str, source: str) -> Signal:
    return Signal(name, "fact", "", low, high, words, source, start=start)


DEVICES = {
    "mouse": "desk", "trackpad": "desk", "key": "desk", "pad": "pad", "touch": "touch", "motion": "handheld",
    "left_hand": "worn", "right_hand": "worn",
}  # fmt: skip
"""Each device, by the first part of its signals' names, and the family that hands use it in."""

FAMILIES = {
    "desk": "mouse and keyboard",
    "pad": "gamepad",
    "touch": "touch screen",
    "handheld": "handheld device",
    "worn": "headset and hands",
}
"""What people call a family of devices; one of them is the active one."""

_HOST = (
    _fact("host.focus", 0.0, 1.0, 1.0, "1: the window has the focus", "W3C UI Events, focus and blur"),
    _fact("mouse.inside", 0.0, 1.0, 1.0, "1: the pointer is inside the view",
          "W3C Pointer Events 3, pointerenter and pointerleave"),
    *(_fact(f"{name}.connected", 0.0, 1.0, 1.0, "0: it was unplugged just now; 1: it is there again",
            "W3C Gamepad, section 'Gamepad Interface', connected; so for every device") for name in DEVICES),
    Signal("host.screen", "fact", "px", 1.0, 1e6, "x: the view's width; y: its height",
           "W3C Pointer Events 3, the box that clientX and clientY count in", pair=True, start=1.0),
    _fact("host.pixels_per_cm", 0.0, 1e4, 0.0, "pixels of the view in a cm, for lengths in cm; 0: not known",
          "this library, `set_screen(pixels_per_cm=...)`"),
    Signal("host.subject", "pose", "m", -1e9, 1e9, "x: right; y: up; z: back; qx to qw: its rotation",
           "OpenXR 1.1, XrPosef; this library, `view(subject=...)`"),
    _fact("host.clear", 0.0, 1e9, 1e9, "metres clear of obstacles behind the subject, toward the camera",
          "this library, `view(clear=...)`"),
    Signal("host.head", "pose", "m", -1e4, 1e4, "x: right; y: up; z: back, in the play space; its rotation",
           "OpenXR 1.1, section 'Spaces', the view space in the local floor's; WebXR viewer pose"),
    _fact("host.head_yaw", -360.0, 360.0, 0.0, "deg, where the head looks in the play space, right of -Z",
          "this library, `view(head=...)`"),
    *(
        _fact(f"host.{side}_hand_yaw", -360.0, 360.0, 0.0, "deg, where the hand points, as for the head",
              "this library, `set_hand(...)`")
        for side in ("left", "right")
    ),
    Signal("host.target", "fact", "deg", -180.0, 180.0,
           "x: the way from the subject to a second one, to the right of -Z; y: up",
           "this library, `view(target=...)`", pair=True),
    Signal("host.up", "pose", "", -1.0, 1.0, "x, y, z: which way is up", "this library, `view(up=...)`"),
    _fact("host.ground", -1e6, 1e6, 0.0, "metres, the ground's height under the middle of the view",
          "this library, `view(ground=...)`"),
    _fact("host.ground_under", -1e6, 1e6, 0.0, "metres, the ground's height under the camera",
          "this library, `view(ground=...)`"),
    _fact("host.ground_needed", -1e6, 1e6, 0.0, "metres, how high the ground wants the camera to be at least",
          "this library, `view(ground=...)`"),
    Signal("host.slope", "fact", "", -1e3, 1e3, "x, y: metres that the ground rises for each to +X, to +Z",
           "this library, `set_ground(normal=...)`", pair=True),
    Signal("host.platform", "fact", "m/s", -1e6, 1e6, "x, y: what the character stands on goes to +X, to +Z",
           "this library, `set_platform(velocity=...)`", pair=True),
    Signal("host.lift", "fact", "m/s", -1e6, 1e6, "what the character stands on rises",
           "this library, `set_platform(velocity=...)`"),
    _fact("host.world_rate", 0.0, 100.0, 1.0, "seconds of the world for each second of the hand; 0: a pause",
          "this library, `tick(dt, world_dt=...)`"),
    Signal("host.task", "fact", "", -1e9, 1e9, "x, y: where the target of a task is, in its unit",
           "this library, trials",
           pair=True),
    _fact("host.task_width", 0.0, 1e9, 0.0, "how wide that target is, in that unit", "this library, trials"),
    _fact("host.task_taken", 0.0, 1.0, 0.0, "1: that target was selected just now", "this library, trials"),
    _fact("host.task_number", 0.0, 1e3, 0.0, "the task that begins, from 1; 0: none", "this library, trials"),
)  # fmt: skip

FINGERS = 10
"""How many fingers a take tells apart."""
_CONTACT = "W3C Pointer Events 3, section 'Pointer Event Types'"
_TOUCH = tuple(
    signal
    for finger in range(1, FINGERS + 1)
    for signal in (
        _pair(f"touch.{finger}.place", "position", "", (0.0, 1.0), "x: to the right; y: up",
              f"{_CONTACT}, clientX and clientY of the view's box; y flipped"),
        _switch(f"touch.{finger}.down", "the finger", f"{_CONTACT}, pointerdown and pointerup"),
        Signal(f"touch.{finger}.cancel", "switch", "", 0.0, 1.0, "1: the contact is taken away",
               f"{_CONTACT}, pointercancel"),
    )
)  # fmt: skip

_XR = "OpenXR 1.1, section 'Semantic Paths'"
_HANDS = tuple(
    signal
    for side in ("left", "right")
    for signal in (
        _pair(f"{side}_hand.stick", "deflection", "", _SHARE, "x: right; y: up",
              f"{_XR}, thumbstick; WebXR Gamepads, xr-standard axes 2 and 3, y flipped"),
        Signal(f"{side}_hand.trigger", "deflection", "", 0.0, 1.0, "1: fully pressed",
               f"{_XR}, trigger; xr-standard button 0"),
        Signal(f"{side}_hand.grip", "deflection", "", 0.0, 1.0, "1: fully squeezed",
               f"{_XR}, squeeze; xr-standard button 1"),
        *(
            _switch(f"{side}_hand.{name}", what, f"{_XR}, {path}")
            for name, what, path in (
                ("stick_press", "the stick, pressed,", "thumbstick/click; xr-standard button 3"),
                ("lower_button", "the lower button", "a or x; xr-standard button 4"),
                ("upper_button", "the upper button", "b or y; xr-standard button 5"),
                ("menu", "the menu button", "menu"),
            )
        ),
    )
)  # fmt: skip

OWN = ("flag", "choice")
"""Signals whose second part a profile names itself: what the host says, what the player chose."""

_ALL = (*_MOUSE, *_TRACKPAD, *_GAMEPAD, *_TOUCH, *_MOTION, *_HANDS, *_KEYS, *_HOST)
CATALOGUE = {signal.name: signal for signal in _ALL}
"""Every signal by name."""


def own_signal(kind: str, name: str) -> Signal:
    """A switch that a profile names: ``flag.NAME``, set by the host, or ``choice.NAME``."""
    words = "1: the host says so" if kind == "flag" else "1: the player chose it"
    return Signal(f"{kind}.{name}", "switch", "", 0.0, 1.0, words, "this library")


@cache
def _by_address() -> dict[str, Address]:
    return {
        address: Address(signal, address.removeprefix(signal.name).removeprefix("."))
        for signal in CATALOGUE.values()
        for address in signal.addresses
    }


def is_contact(name: str) -> bool:
    """Whether a signal is about one finger.

    >>> is_contact("touch.1.place"), is_contact("touch.look"), is_contact("touch.connected")
    (True, False, False)
    """
    device, _, rest = name.partition(".")
    return device == "touch" and rest[:1].isdigit()


def find_signal(address: str) -> Address:
    """Look up a signal, or a component of one, such as ``mouse.move`` or ``mouse.move.x``.

    Raises :class:`SignalError`, with the nearest known address, for one that is not in the catalogue.
    """
    found = _by_address().get(address)
    kind, _, name = address.partition(".")
    if found is None and kind in OWN and name:
        return Address(own_signal(kind, name))
    if found is None:
        raise SignalError(f'found "{address}"; expected a signal{near_signal(address, addresses())}')
    return found


def addresses(*kinds: str) -> tuple[str, ...]:
    """Every address of the catalogue, or of some kinds of signal, in its order."""
    return tuple(name for name, found in _by_address().items() if not kinds or found.signal.kind in kinds)

"""A door for browsers: their events, as JSON objects, become what a session takes.

Screens count y downwards, in pixels of the page, and a page's clock is its own: all of that is converted
here, once. The fields are those of the standards: W3C Pointer Events 3, Pointer Lock 2.0, UI Events (wheel
and keyboard), Touch Events, Gamepad (standard layout), Device Orientation and Motion, Screen Orientation.
"""

from __future__ import annotations

from collections import Counter
from collections.abc import Mapping
from math import cos, radians, sin
from typing import TYPE_CHECKING, Any

from ..formulas import product
from ..plan import wheel_notches
from .pads import Pads
from .xr_door import XrDoor, finite

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..session import Fed, Quadruple, Triple

CLOCK = "browser"
"""What the page's clock is called where a session aligns it."""
MODES = ("px", "lines", "pages")
"""The units of a wheel, by its deltaMode."""
MOUSE_BUTTONS = ("mouse.left", "mouse.middle", "mouse.right", "mouse.back", "mouse.forward")
PAD_BUTTONS = (
    "south", "east", "west", "north", "left_shoulder", "right_shoulder", "left_trigger", "right_trigger",
    "centre_left", "centre_right", "left_stick_press", "right_stick_press", "way_up", "way_down", "way_left",
    "way_right", "centre",
)  # fmt: skip
"""The buttons of the standard layout, in its order."""
PADS = 64
"""More gamepads than any browser tells apart."""
PHASES = {
    "pointerdown": "down", "pointermove": "move", "pointerup": "up", "pointercancel": "cancel",
    "touchstart": "down", "touchmove": "move", "touchend": "up", "touchcancel": "cancel",
}  # fmt: skip


class BrowserDoor:
    """Feeds a session what a browser reports: each event a mapping with ``type`` and the event's own fields.

    Feed pointer events, or mouse and touch events, but not both: they say the same things. A gamepad is not
    an event but a state that the page polls: ``{"type": "gamepad", ...}`` with the fields of the Gamepad
    object, of which ``index`` tells several apart; what has changed is fed. ``blur`` and ``focus`` come from
    the window, and so does ``{"type": "resize", "innerWidth": ..., "innerHeight": ...}`` (with ``angle``, the
    screen's orientation, where it turns in the hand). Bad events are counted in :attr:`refused`; nothing
    raises.
    """

    def __init__(
        self, session: Fed, width: float, height: float, *, counts: bool = False, pad: int | None = None
    ) -> None:
        """Stand before a `session`, for a view of `width` by `height` pixels of the page.

        With `counts` movements of the mouse are raw counts (Pointer Lock with ``unadjustedMovement``):
        ``mouse.move``; else pixels with the system's acceleration in them: ``mouse.pixels``. `pad` is the
        number of the one gamepad that counts, from 0 in the order in which they came; None for all of them.
        """
        self._session = session
        self.counts = counts
        """Whether movements of the mouse are counts."""
        self._size = (float(width), float(height))
        session.set_screen(width, height)
        self._aligned = self._feels = False
        self._angle = 0.0
        self._pads = Pads(self._say, pad)
        self.refused: Counter[tuple[str, str]] = Counter()
        """How often an event was refused, by its type and the reason; and poses, by what they are of."""
        self._xr = XrDoor(session)
        self._xr.refused = self.refused

    def feed(self, event: object, on: str | None = None) -> None:
        """Take one event; `on` is what a press began on, by your name for it."""
        kind = event.get("type") if isinstance(event, Mapping) else None
        take = _TAKES.get(kind) if isinstance(kind, str) else None
        if not isinstance(event, Mapping) or not isinstance(kind, str) or take is None:
            self.refused[str(kind), "unknown"] += 1
            return
        try:
            take(self, event, self._time(event), on)
        except (KeyError, TypeError, ValueError, IndexError) as error:
            word = f"no {error.args[0]}" if isinstance(error, KeyError) else "not as the standard has it"
            self.refused[kind, word] += 1

    def _time(self, event: Mapping[str, Any]) -> float | None:
        """When it happened, in seconds of the page's clock; nothing where it does not say."""
        stamp = event.get("timeStamp", event.get("timestamp"))
        if stamp is None:
            return None
        seconds = finite(stamp) / 1000.0
        if not self._aligned:
            self._session.align(CLOCK, seconds)
            self._aligned = True
        return seconds

    def _place(self, event: Mapping[str, Any]) -> tuple[float, float]:
        """Where it happened, 0..1 of the view from its bottom left corner."""
        wide, tall = self._size
        x, y = finite(event["clientX"]) / wide, 1.0 - finite(event["clientY"]) / tall
        return min(max(x, 0.0), 1.0), min(max(y, 0.0), 1.0)

    def _say(self, signal: str, value: Any, at: float | None = None, on: str | None = None) -> None:
        self._session.feed(signal, value, at=at, device=CLOCK if at is not None else None, on=on)

    # ---- pointers

    def _pointer(self, event: Mapping[str, Any], at: float | None, on: str | None) -> None:
        if event.get("pointerType", "mouse") != "mouse":
            self._touch(event, PHASES[event["type"]], event["pointerId"], at, on)
            return
        self._mouse(event, at, on)

    def _mouse(self, event: Mapping[str, Any], at: float | None, on: str | None) -> None:
        kind = event["type"]
        if kind in ("pointermove", "mousemove"):
            if "movementX" in event:
                moved = (finite(event["movementX"]), -finite(event["movementY"]))
                if moved != (0.0, 0.0):
                    self._say("mouse.move" if self.counts else "mouse.pixels", moved, at)
            self._say("mouse.place", self._place(event), at)
        elif kind == "pointercancel":
            for button in MOUSE_BUTTONS:
                self._say(button, 0.0, at)
        elif event["button"] >= 0:
            self._say(MOUSE_BUTTONS[event["button"]], float(kind in ("pointerdown", "mousedown")), at, on)

    def _touch(
        self, event: Mapping[str, Any], phase: str, contact: object, at: float | None, on: str | None
    ) -> None:
        device = CLOCK if at is not None else None
        self._session.touch(contact, phase, self._place(event), at=at, device=device, on=on)

    def _touches(self, event: Mapping[str, Any], at: float | None, on: str | None) -> None:
        for touch in event["changedTouches"]:
            self._touch(touch, PHASES[event["type"]], touch["identifier"], at, on)

    def _wheel(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        unit = MODES[event.get("deltaMode", 0)]
        x, y = (wheel_notches(finite(event[f"delta{part}"]), unit) for part in "XY")
        self._say("mouse.wheel", (x, -y), at)

    # ---- keys and pads

    def _key(self, event: Mapping[str, Any], at: float | None, on: str | None) -> None:
        if not event.get("repeat"):
            self._say(f"key.{event['code']}", float(event["type"] == "keydown"), at, on)

    def _gamepad(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        if event.get("mapping", "standard") != "standard":
            raise ValueError
        pad = event.get("index", 0)
        if pad not in range(PADS):
            raise ValueError
        if not event.get("connected", True):
            self._pads.unplugged(pad, at)
            return
        x, y, right, away = map(finite, event["axes"][:4])
        found: dict[str, float | tuple[float, float]] = {
            "left_stick": (x, -y),
            "right_stick": (right, -away),
        }
        for name, button in zip(PAD_BUTTONS, event["buttons"], strict=False):
            value = finite(button["value"] if isinstance(button, Mapping) else button)
            pressed = button.get("pressed", value > 0.5) if isinstance(button, Mapping) else value > 0.5
            found[name] = value if name.endswith("trigger") else float(bool(pressed))
        self._pads.plugged(pad, at)
        self._pads.says(pad, found, at)

    def _motion(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        rates, force = event["rotationRate"], event.get("accelerationIncludingGravity")
        turn = self._upright([finite(rates[name]) for name in ("beta", "gamma", "alpha")])
        weight = self._upright([finite(force[part]) for part in "xyz"]) if force else None
        self._feels = True
        self._session.motion(turn, weight, at=at, device=CLOCK if at is not None else None)

    def _upright(self, values: list[float]) -> list[float]:
        """Turn a vector from the device's frame to the screen's, by how it is held."""
        x, y, z = values
        s, c = sin(radians(self._angle)), cos(radians(self._angle))
        return [c * x - s * y, s * x + c * y, z]

    def _orientation(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        """Device Orientation, section 4.1: by alpha about z, beta about x', gamma about y''; its Z is up."""
        alpha, beta, gamma = (0.5 * radians(finite(event[name])) for name in ("alpha", "beta", "gamma"))
        if self._feels:
            return
        half = 0.5 * radians(self._angle)
        turned = (-(0.5**0.5), 0.0, 0.0, 0.5**0.5)  # its Z is our Y
        for one in (
            (0.0, 0.0, sin(alpha), cos(alpha)),
            (sin(beta), 0.0, 0.0, cos(beta)),
            (0.0, sin(gamma), 0.0, cos(gamma)),
            (0.0, 0.0, -sin(half), cos(half)),
        ):
            turned = product(*turned, *one)
        self._session.attitude(turned, at=at, device=CLOCK if at is not None else None)

    @property
    def head(self) -> tuple[Triple, Quadruple] | None:
        """The head's pose from WebXR, for ``session.view(head=door.head)``; None until there is one."""
        return self._xr.head

    def _xr_frame(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        self._xr.frame(event, at, CLOCK if at is not None else None)

    # ---- the window

    def _focus(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        self._say("host.focus", float(event["type"] == "focus"), at)

    def _visible(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        self._say("host.focus", float(event["visibilityState"] == "visible"), at)

    def _inside(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        self._say("mouse.inside", float(event["type"] in ("pointerenter", "mouseenter")), at)

    def _resize(self, event: Mapping[str, Any], at: float | None, _: str | None) -> None:
        size = (finite(event["innerWidth"]), finite(event["innerHeight"]))
        self._angle = finite(event.get("angle", self._angle))
        if not min(size) >= 1.0:
            raise ValueError
        self._size = size
        self._say("host.screen", size, at)


_TAKES: dict[str, Callable[[BrowserDoor, Mapping[str, Any], float | None, str | None], None]] = {
    **dict.fromkeys(("pointerdown", "pointermove", "pointerup", "pointercancel"), BrowserDoor._pointer),
    **dict.fromkeys(("mousedown", "mousemove", "mouseup"), BrowserDoor._mouse),
    **dict.fromkeys(("touchstart", "touchmove", "touchend", "touchcancel"), BrowserDoor._touches),
    **dict.fromkeys(("keydown", "keyup"), BrowserDoor._key),
    **dict.fromkeys(("blur", "focus"), BrowserDoor._focus),
    **dict.fromkeys(("pointerenter", "pointerleave", "mouseenter", "mouseleave"), BrowserDoor._inside),
    "visibilitychange": BrowserDoor._visible,
    "wheel": BrowserDoor._wheel,
    "gamepad": BrowserDoor._gamepad,
    "resize": BrowserDoor._resize,
    "xrframe": BrowserDoor._xr_frame,
    "devicemotion": BrowserDoor._motion,
    "deviceorientation": BrowserDoor._orientation,
}
"""What takes each type of event."""

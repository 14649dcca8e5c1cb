"""A door for windows of pygame-ce: its events become what a session takes.

Keys go by their place on the keyboard (SDL's scancodes, which are USB's). pygame does not say when an event
happened, so events take effect in the frame in which they are fed. Under capture the mouse's movements are
raw where the system has them. Gamepads are those that SDL knows the layout of.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import MissingError
from .hid_keys import HID_KEYS
from .window_door import WindowDoor, axis, clipped

if TYPE_CHECKING:
    from ..session import Session

MOUSE_BUTTONS = {1: "mouse.left", 2: "mouse.middle", 3: "mouse.right", 6: "mouse.back", 7: "mouse.forward"}
"""pygame's numbers; 4 and 5 are the wheel once more."""
STICKS = {0: ("left_stick", 0), 1: ("left_stick", 1), 2: ("right_stick", 0), 3: ("right_stick", 1)}
TRIGGERS = {4: "left_trigger", 5: "right_trigger"}
PAD_BUTTONS = (
    "south", "east", "west", "north", "centre_left", "centre", "centre_right", "left_stick_press",
    "right_stick_press", "left_shoulder", "right_shoulder", "way_up", "way_down", "way_left", "way_right",
)  # fmt: skip
"""Buttons of a controller, in SDL's order."""
FULL = 32767.0
"""A stick or a trigger at its end."""


class PygameDoor(WindowDoor):
    """Feeds a session the events of a pygame-ce window: ``door.feed(event)``, and ``door.frame(view)`` once.

    Raises :class:`MissingError` without pygame-ce. The window is the display's; open it first.
    """

    def __init__(
        self,
        session: Session,
        *,
        counts: bool = True,
        pixels_per_cm: float | None = None,
        pad: int | None = None,
    ) -> None:
        """Stand before a `session`, as :class:`WindowDoor` says."""
        try:
            import pygame
            from pygame._sdl2 import controller
        except ImportError:
            raise MissingError(
                "windows of pygame need pygame-ce: pip install 'mellow-thumb[windows]'"
            ) from None
        self._pygame, self._controller = pygame, controller
        super().__init__(session, counts=counts, pixels_per_cm=pixels_per_cm, pad=pad)
        self._open: dict[int, Any] = {}
        self._says: dict[int, dict[str, Any]] = {}
        controller.init()
        for number in range(controller.get_count()):
            self._plug(number)
        self._takes = {getattr(pygame, name): getattr(self, take) for name, take in _TAKES.items()}

    def feed(self, event: Any, on: str | None = None) -> None:
        """Take one event; `on` is what a press began on, by your name for it. Others are ignored."""
        try:
            take = self._takes.get(event.type)
            if take is not None:
                take(event, event.dict, on)
        except (AttributeError, TypeError, ValueError, KeyError, IndexError) as error:
            kind = getattr(event, "type", None)
            self.refuse(self._pygame.event.event_name(kind) if isinstance(kind, int) else "no event", error)

    def window_size(self) -> tuple[float, float]:
        """The size of the display's window."""
        wide, tall = self._pygame.display.get_window_size()
        return float(wide), float(tall)

    def show_cursor(self, cursor: str) -> None:
        """Let the pointer be free, hidden, or held: then movements are relative."""
        self._pygame.mouse.set_visible(cursor == "free")
        self._pygame.event.set_grab(cursor == "held")

    # ---- what each event does

    def _key(self, event: Any, said: dict[str, Any], on: str | None) -> None:
        signal = HID_KEYS.get(said["scancode"])
        if signal is not None:
            self.pressed(signal, event.type == self._pygame.KEYDOWN, on)

    def _motion(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        if said.get("touch"):  # a finger, which says so itself
            return
        right, down = said["rel"]
        self.moved(right, down)
        self.pointed(*said["pos"])

    def _button(self, event: Any, said: dict[str, Any], on: str | None) -> None:
        signal = MOUSE_BUTTONS.get(said["button"])
        if signal is not None and not said.get("touch"):
            self.pressed(signal, event.type == self._pygame.MOUSEBUTTONDOWN, on)

    def _wheel(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        self.rolled(said.get("precise_x") or said["x"], said.get("precise_y") or said["y"])

    def _finger(self, event: Any, said: dict[str, Any], on: str | None) -> None:
        pygame = self._pygame
        phase = {pygame.FINGERDOWN: "down", pygame.FINGERMOTION: "move", pygame.FINGERUP: "up"}[event.type]
        place = clipped(said["x"]), clipped(1.0 - said["y"])
        self.session.touch((said["touch_id"], said["finger_id"]), phase, place, on=on)

    def _focus(self, event: Any, _: dict[str, Any], __: str | None) -> None:
        self.focused(event.type == self._pygame.WINDOWFOCUSGAINED)

    def _inside(self, event: Any, _: dict[str, Any], __: str | None) -> None:
        self.inside(event.type == self._pygame.WINDOWENTER)

    def _resized(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        self.resized(said["x"], said["y"])

    # ---- gamepads

    def _plug(self, number: int) -> None:
        if self._controller.is_controller(number):
            one = self._controller.Controller(number)
            which = one.as_joystick().get_instance_id()
            self._open[which] = one
            self._says.setdefault(which, {})
            self.pads.plugged(which)

    def _pad_added(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        self._plug(said["device_index"])

    def _pad_removed(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        which = said["instance_id"]
        self._open.pop(which, None)
        self._says.pop(which, None)
        self.pads.unplugged(which)

    def _pad_axis(self, _: Any, said: dict[str, Any], __: str | None) -> None:
        which, number, value = said["instance_id"], said["axis"], axis(said["value"], FULL)
        says = self._says[which]
        if number in TRIGGERS:
            says[TRIGGERS[number]] = max(value, 0.0)
        elif number in STICKS:
            name, part = STICKS[number]
            pair = list(says.get(name, (0.0, 0.0)))
            pair[part] = -value if part else value
            says[name] = (pair[0], pair[1])
        self.pads.says(which, says)

    def _pad_button(self, event: Any, said: dict[str, Any], _: str | None) -> None:
        which, number = said["instance_id"], said["button"]
        if number < len(PAD_BUTTONS):
            down = event.type == self._pygame.CONTROLLERBUTTONDOWN
            self._says[which][PAD_BUTTONS[number]] = float(down)
            self.pads.says(which, self._says[which])


_TAKES = {
    **dict.fromkeys(("KEYDOWN", "KEYUP"), "_key"),
    "MOUSEMOTION": "_motion",
    **dict.fromkeys(("MOUSEBUTTONDOWN", "MOUSEBUTTONUP"), "_button"),
    "MOUSEWHEEL": "_wheel",
    **dict.fromkeys(("FINGERDOWN", "FINGERMOTION", "FINGERUP"), "_finger"),
    **dict.fromkeys(("WINDOWFOCUSGAINED", "WINDOWFOCUSLOST"), "_focus"),
    **dict.fromkeys(("WINDOWENTER", "WINDOWLEAVE"), "_inside"),
    "WINDOWSIZECHANGED": "_resized",
    "CONTROLLERDEVICEADDED": "_pad_added",
    "CONTROLLERDEVICEREMOVED": "_pad_removed",
    "CONTROLLERAXISMOTION": "_pad_axis",
    **dict.fromkeys(("CONTROLLERBUTTONDOWN", "CONTROLLERBUTTONUP"), "_pad_button"),
}
"""The method that takes each kind of event."""

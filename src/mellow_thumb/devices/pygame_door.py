"""A door for windows of pygame-ce: its events become what a session takes.

Keys go by their place on the keyboard (SDL's scancodes, which are USB's). pygame does not say when an event
happened, so events take effect in the frame in which they are fed. Under capture the mouse's movements are
raw where the system has them. Gamepads are those that SDL knows the layout of.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import MissingError
from .hid_keys import HID_KEYS
from .window_door import WindowDoor, axis

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
        self._takes = {getattr(pygame, name): take for name, take in _TAKES.items()}

    def feed(self, event: Any, on: str | None = None) -> None:
        """Take one event; `on` is what a press began on, by your name for it. Others are ignored."""
        take = self._takes.get(getattr(event, "type", None))
        if take is None:
            return
        try:
            take(self, event, on)
        except (AttributeError, TypeError, ValueError, KeyError) as error:
            self.refuse(self._pygame.event.event_name(event.type), error)

    def window_size(self) -> tuple[float, float]:
        """The size of the display's window."""
        wide, tall = self._pygame.display.get_window_size()
        return float(wide), float(tall)

    def show_cursor(self, cursor: str) -> None:
        """Let the pointer be free, hidden, or held: then movements are relative."""
        self._pygame.mouse.set_visible(cursor == "free")
        self._pygame.event.set_grab(cursor == "held")

    # ---- what each event does

    def _key(self, event: Any, on: str | None) -> None:
        signal = HID_KEYS.get(event.scancode)
        if signal:
            self.pressed(signal, event.type == self._pygame.KEYDOWN, on)

    def _motion(self, event: Any, _: str | None) -> None:
        if getattr(event, "touch", False):  # a finger, which says so itself
            return
        self.moved(*event.rel)
        self.pointed(*event.pos)

    def _button(self, event: Any, on: str | None) -> None:
        signal = MOUSE_BUTTONS.get(event.button)
        if signal and not getattr(event, "touch", False):
            self.pressed(signal, event.type == self._pygame.MOUSEBUTTONDOWN, on)

    def _wheel(self, event: Any, _: str | None) -> None:
        right, away = getattr(event, "precise_x", event.x), getattr(event, "precise_y", event.y)
        self.rolled(right or event.x, away or event.y)

    def _finger(self, event: Any, on: str | None) -> None:
        pygame = self._pygame
        phase = {pygame.FINGERDOWN: "down", pygame.FINGERMOTION: "move", pygame.FINGERUP: "up"}[event.type]
        place = min(max(float(event.x), 0.0), 1.0), min(max(1.0 - float(event.y), 0.0), 1.0)
        self.session.touch((event.touch_id, event.finger_id), phase, place, on=on)

    def _focus(self, event: Any, _: str | None) -> None:
        self.focused(event.type == self._pygame.WINDOWFOCUSGAINED)

    def _inside(self, event: Any, _: str | None) -> None:
        self.inside(event.type == self._pygame.WINDOWENTER)

    def _resized(self, event: Any, _: str | None) -> None:
        self.resized(event.x, event.y)

    # ---- gamepads

    def _plug(self, number: int) -> None:
        if self._controller.is_controller(number):
            one = self._controller.Controller(number)
            which = one.as_joystick().get_instance_id()
            self._open[which] = one
            self._says.setdefault(which, {})
            self.plugged(which)

    def _pad_added(self, event: Any, _: str | None) -> None:
        self._plug(event.device_index)

    def _pad_removed(self, event: Any, _: str | None) -> None:
        self._open.pop(event.instance_id, None)
        self._says.pop(event.instance_id, None)
        self.unplugged(event.instance_id)

    def _pad_axis(self, event: Any, _: str | None) -> None:
        said = self._says[event.instance_id]
        if event.axis in TRIGGERS:
            said[TRIGGERS[event.axis]] = max(axis(event.value, FULL), 0.0)
        elif event.axis in STICKS:
            name, part = STICKS[event.axis]
            pair = list(said.get(name, (0.0, 0.0)))
            pair[part] = -axis(event.value, FULL) if part else axis(event.value, FULL)
            said[name] = (pair[0], pair[1])
        self.pad_says(event.instance_id, said)

    def _pad_button(self, event: Any, _: str | None) -> None:
        if event.button < len(PAD_BUTTONS):
            down = event.type == self._pygame.CONTROLLERBUTTONDOWN
            self._says[event.instance_id][PAD_BUTTONS[event.button]] = float(down)
            self.pad_says(event.instance_id, self._says[event.instance_id])


_TAKES = {
    **dict.fromkeys(("KEYDOWN", "KEYUP"), PygameDoor._key),
    "MOUSEMOTION": PygameDoor._motion,
    **dict.fromkeys(("MOUSEBUTTONDOWN", "MOUSEBUTTONUP"), PygameDoor._button),
    "MOUSEWHEEL": PygameDoor._wheel,
    **dict.fromkeys(("FINGERDOWN", "FINGERMOTION", "FINGERUP"), PygameDoor._finger),
    **dict.fromkeys(("WINDOWFOCUSGAINED", "WINDOWFOCUSLOST"), PygameDoor._focus),
    **dict.fromkeys(("WINDOWENTER", "WINDOWLEAVE"), PygameDoor._inside),
    "WINDOWSIZECHANGED": PygameDoor._resized,
    "CONTROLLERDEVICEADDED": PygameDoor._pad_added,
    "CONTROLLERDEVICEREMOVED": PygameDoor._pad_removed,
    "CONTROLLERAXISMOTION": PygameDoor._pad_axis,
    **dict.fromkeys(("CONTROLLERBUTTONDOWN", "CONTROLLERBUTTONUP"), PygameDoor._pad_button),
}
"""What takes each kind of event."""

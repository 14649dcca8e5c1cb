"""A door for windows of pyglet 2: its handlers become what a session takes.

pyglet says which letter a key has under the keyboard's layout, not where it is: under another layout than the
American one other keys act. It does not say when an event happened, so events take effect in the frame in
which they come. Gamepads are those that it knows the layout of; they are asked once a frame.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import MissingError
from .window_door import WindowDoor, axis, stick

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..session import Session

NAMES = {
    "SPACE": "Space", "ENTER": "Enter", "RETURN": "Enter", "ESCAPE": "Escape", "TAB": "Tab",
    "BACKSPACE": "Backspace", "LEFT": "ArrowLeft", "RIGHT": "ArrowRight", "UP": "ArrowUp",
    "DOWN": "ArrowDown",
    "HOME": "Home", "END": "End", "PAGEUP": "PageUp", "PAGEDOWN": "PageDown", "INSERT": "Insert",
    "DELETE": "Delete", "LSHIFT": "ShiftLeft", "RSHIFT": "ShiftRight", "LCTRL": "ControlLeft",
    "RCTRL": "ControlRight", "LALT": "AltLeft", "RALT": "AltRight", "LWINDOWS": "MetaLeft",
    "RWINDOWS": "MetaRight", "LCOMMAND": "MetaLeft", "RCOMMAND": "MetaRight", "LOPTION": "AltLeft",
    "ROPTION": "AltRight", "MENU": "ContextMenu", "CAPSLOCK": "CapsLock", "NUMLOCK": "NumLock",
    "SCROLLLOCK": "ScrollLock", "PAUSE": "Pause", "PRINT": "PrintScreen", "MINUS": "Minus", "EQUAL": "Equal",
    "BRACKETLEFT": "BracketLeft", "BRACKETRIGHT": "BracketRight", "BACKSLASH": "Backslash",
    "SEMICOLON": "Semicolon", "APOSTROPHE": "Quote", "GRAVE": "Backquote", "COMMA": "Comma",
    "PERIOD": "Period", "SLASH": "Slash", "NUM_ADD": "NumpadAdd", "NUM_SUBTRACT": "NumpadSubtract",
    "NUM_MULTIPLY": "NumpadMultiply", "NUM_DIVIDE": "NumpadDivide", "NUM_DECIMAL": "NumpadDecimal",
    "NUM_ENTER": "NumpadEnter", "NUM_EQUAL": "NumpadEqual",
    **{letter: f"Key{letter}" for letter in "ABCDEFGHIJKLMNOPQRSTUVWXYZ"},
    **{f"_{digit}": f"Digit{digit}" for digit in range(10)},
    **{f"NUM_{digit}": f"Numpad{digit}" for digit in range(10)},
    **{f"F{number}": f"F{number}" for number in range(1, 25)},
}  # fmt: skip
"""pyglet's names of keys, and where such a key is on the American layout."""
MOUSE_BUTTONS = {1: "mouse.left", 2: "mouse.middle", 4: "mouse.right", 8: "mouse.back", 16: "mouse.forward"}
PAD_BUTTONS = {
    "a": "south", "b": "east", "x": "west", "y": "north", "leftshoulder": "left_shoulder",
    "rightshoulder": "right_shoulder", "back": "centre_left", "start": "centre_right", "guide": "centre",
    "leftstick": "left_stick_press", "rightstick": "right_stick_press",
}  # fmt: skip
"""Buttons of a controller, by pyglet's names."""
HANDLERS = (
    "on_key_press", "on_key_release", "on_mouse_motion", "on_mouse_drag", "on_mouse_press",
    "on_mouse_release", "on_mouse_scroll", "on_mouse_enter", "on_mouse_leave",
    "on_activate", "on_deactivate", "on_resize",
)  # fmt: skip


class PygletDoor(WindowDoor):
    """Feeds a session what a pyglet window says: pushes its handlers; call ``door.frame(view)`` once a frame.

    Raises :class:`MissingError` without pyglet.
    """

    def __init__(
        self, session: Session, window: Any, *, counts: bool = True, pixels_per_cm: float | None = None,
        pad: int | None = None,
    ) -> None:  # fmt: skip
        """Stand before a `session`, for a `window`, as :class:`WindowDoor` says."""
        try:
            import pyglet
        except ImportError:
            raise MissingError("windows of pyglet need pyglet: pip install 'mellow-thumb[windows]'") from None
        self._window = window
        super().__init__(session, counts=counts, pixels_per_cm=pixels_per_cm, pad=pad)
        self.on: Callable[[], str | None] = lambda: None
        """What a press begins on just now, by your name for it; set it to a function of yours."""
        key = pyglet.window.key
        self._keys = {getattr(key, name): f"key.{code}" for name, code in NAMES.items() if hasattr(key, name)}
        self._controllers: list[Any] = []
        window.push_handlers(**{name: getattr(self, f"_{name}") for name in HANDLERS})

    def window_size(self) -> tuple[float, float]:
        """The size of the window, in its own pixels."""
        wide, tall = self._window.get_size()
        return float(wide), float(tall)

    def show_cursor(self, cursor: str) -> None:
        """Let the pointer be free, hidden, or held."""
        self._window.set_exclusive_mouse(cursor == "held")
        self._window.set_mouse_visible(cursor == "free")

    def use(self, controllers: list[Any]) -> None:
        """Say which of pyglet's controllers there are now, opened, such as those of its ControllerManager."""
        for gone in [one for one in self._controllers if one not in controllers]:
            self.pads.unplugged(gone)
        self._controllers = list(controllers)
        for one in controllers:
            self.pads.plugged(one)

    def poll(self) -> None:
        """Ask for the state of gamepads."""
        for one in self._controllers:
            try:
                self.pads.says(one, _said(one))
            except (AttributeError, TypeError, ValueError) as error:
                self.refuse("controller", error)

    # ---- handlers; what the host has of them is called too

    def _on_key_press(self, symbol: int, _: int) -> None:
        if symbol in self._keys:
            self.pressed(self._keys[symbol], 1, self.on())

    def _on_key_release(self, symbol: int, _: int) -> None:
        if symbol in self._keys:
            self.pressed(self._keys[symbol], 0)

    def _on_mouse_motion(self, x: float, y: float, dx: float, dy: float) -> None:
        self.moved(dx, -dy)
        self.pointed(x, self._size[1] - y)  # pyglet counts y upwards

    def _on_mouse_drag(self, x: float, y: float, dx: float, dy: float, *_: int) -> None:
        self._on_mouse_motion(x, y, dx, dy)

    def _on_mouse_press(self, _: float, __: float, button: int, ___: int) -> None:
        if button in MOUSE_BUTTONS:
            self.pressed(MOUSE_BUTTONS[button], 1, self.on())

    def _on_mouse_release(self, _: float, __: float, button: int, ___: int) -> None:
        if button in MOUSE_BUTTONS:
            self.pressed(MOUSE_BUTTONS[button], 0)

    def _on_mouse_scroll(self, _: float, __: float, right: float, away: float) -> None:
        self.rolled(right, away)

    def _on_mouse_enter(self, *_: float) -> None:
        self.inside(1)

    def _on_mouse_leave(self, *_: float) -> None:
        self.inside(0)

    def _on_activate(self) -> None:
        self.focused(1)

    def _on_deactivate(self) -> None:
        self.focused(0)

    def _on_resize(self, wide: float, tall: float) -> None:
        self.resized(wide, tall)


def _said(one: Any) -> dict[str, float | tuple[float, float]]:
    """What a controller says; as it is asked its sticks count y downwards, its four ways upwards."""
    said: dict[str, float | tuple[float, float]] = {
        ours: float(bool(getattr(one, theirs))) for theirs, ours in PAD_BUTTONS.items()
    }
    x, y = axis(one.dpad.x, 1.0), axis(one.dpad.y, 1.0)  # dpadx and dpady stay at 0 on Windows
    return said | {
        "left_stick": (stick(one.leftx), -stick(one.lefty)),
        "right_stick": (stick(one.rightx), -stick(one.righty)),
        "left_trigger": max(axis(one.lefttrigger, 1.0), 0.0),
        "right_trigger": max(axis(one.righttrigger, 1.0), 0.0),
        "way_left": float(x < -0.5), "way_right": float(x > 0.5),
        "way_down": float(y < -0.5), "way_up": float(y > 0.5),
    }  # fmt: skip

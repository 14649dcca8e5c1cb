"""A door for windows of GLFW, by way of the package glfw: its callbacks become what a session takes.

Keys go by their place on the keyboard (GLFW names them by the American layout). GLFW does not say when an
event happened, so events take effect in the frame in which they come. Under capture the mouse's movements are
raw where the system has them. Gamepads are those that GLFW knows the layout of; they are asked once a frame.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import MissingError
from .window_door import WindowDoor, axis, stick

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..session import Session


def _row(first: int, names: str) -> dict[int, str]:
    return {first + k: f"key.{name}" for k, name in enumerate(names.split())}


KEYS = {
    32: "key.Space", 39: "key.Quote", 59: "key.Semicolon", 61: "key.Equal", 96: "key.Backquote",
    **_row(44, "Comma Minus Period Slash"),
    **_row(48, " ".join(f"Digit{digit}" for digit in range(10))),
    **_row(65, " ".join(f"Key{letter}" for letter in "ABCDEFGHIJKLMNOPQRSTUVWXYZ")),
    **_row(91, "BracketLeft Backslash BracketRight"),
    **_row(161, "IntlBackslash IntlRo"),
    **_row(256, "Escape Enter Tab Backspace Insert Delete"),
    **_row(262, "ArrowRight ArrowLeft ArrowDown ArrowUp PageUp PageDown"),
    **_row(268, "Home End"),
    **_row(280, "CapsLock ScrollLock NumLock PrintScreen Pause"),
    **_row(290, " ".join(f"F{number}" for number in range(1, 25))),
    **_row(320, " ".join(f"Numpad{digit}" for digit in range(10))),
    **_row(330, "NumpadDecimal NumpadDivide NumpadMultiply NumpadSubtract NumpadAdd NumpadEnter NumpadEqual"),
    **_row(340, "ShiftLeft ControlLeft AltLeft MetaLeft"),
    **_row(344, "ShiftRight ControlRight AltRight MetaRight ContextMenu"),
}  # fmt: skip
"""GLFW's key tokens; source: the GLFW reference, Keyboard key tokens."""
MOUSE_BUTTONS = ("mouse.left", "mouse.right", "mouse.middle", "mouse.back", "mouse.forward")
PAD_BUTTONS = (
    "south", "east", "west", "north", "left_shoulder", "right_shoulder", "centre_left", "centre_right",
    "centre", "left_stick_press", "right_stick_press", "way_up", "way_right", "way_down", "way_left",
)  # fmt: skip
"""Buttons of a gamepad, in GLFW's order."""
PADS = 16
"""Joysticks that GLFW tells apart."""


class GlfwDoor(WindowDoor):
    """Feeds a session what a GLFW window says: its callbacks are set here; ``door.frame(view)`` once a frame.

    Callbacks that were set before are still called. Raises :class:`MissingError` without glfw.
    """

    def __init__(
        self, session: Session, window: Any, *, counts: bool = True, pixels_per_cm: float | None = None,
        pad: int | None = None,
    ) -> None:  # fmt: skip
        """Stand before a `session`, for a `window`, as :class:`WindowDoor` says."""
        try:
            import glfw
        except ImportError:
            raise MissingError("windows of GLFW need glfw: pip install 'mellow-thumb[windows]'") from None
        self._glfw, self._window = glfw, window
        self._last: tuple[float, float] | None = None
        """Where the pointer was last; None where it comes in from elsewhere."""
        super().__init__(session, counts=counts, pixels_per_cm=pixels_per_cm, pad=pad)
        self.on: Callable[[], str | None] = lambda: None
        """What a press begins on just now, by your name for it; set it to a function of yours."""
        for name, take in (
            ("key", self._key), ("cursor_pos", self._moved), ("mouse_button", self._button),
            ("scroll", self._scroll),
            ("window_focus", self._focus), ("cursor_enter", self._enter), ("window_size", self._resized),
        ):  # fmt: skip
            self._attach(name, take)

    def _attach(self, name: str, take: Callable[..., None]) -> None:
        """Set a callback that calls the one before it too."""

        def both(window: Any, *said: Any) -> None:
            try:
                take(*said)
            except (TypeError, ValueError, IndexError) as error:
                self.refuse(name, error)
            if before is not None:
                before(window, *said)

        before = getattr(self._glfw, f"set_{name}_callback")(self._window, both)

    def window_size(self) -> tuple[float, float]:
        """The size of the window, in its own pixels: those in which GLFW says where the pointer is."""
        wide, tall = self._glfw.get_window_size(self._window)
        return float(wide), float(tall)

    def show_cursor(self, cursor: str) -> None:
        """Let the pointer be free, hidden, or held: then movements are raw where the system has them."""
        glfw = self._glfw
        modes = {"free": glfw.CURSOR_NORMAL, "hidden": glfw.CURSOR_HIDDEN, "held": glfw.CURSOR_DISABLED}
        glfw.set_input_mode(self._window, glfw.CURSOR, modes[cursor])
        if glfw.raw_mouse_motion_supported():
            glfw.set_input_mode(self._window, glfw.RAW_MOUSE_MOTION, cursor == "held")
        self._last = glfw.get_cursor_pos(
            self._window
        )  # from where it goes on: putting it there is no movement

    def poll(self) -> None:
        """Ask for the state of gamepads."""
        glfw = self._glfw
        for number in range(PADS):
            there = bool(glfw.joystick_is_gamepad(number))
            if not there:
                self.pads.unplugged(number)
                continue
            self.pads.plugged(number)
            state = glfw.get_gamepad_state(number)
            if state:
                self.pads.says(number, _said(list(state.buttons), list(state.axes)))

    # ---- what each callback does

    def _key(self, key: int, _: int, action: int, __: int) -> None:
        signal = KEYS.get(key)
        if signal and action != self._glfw.REPEAT:
            self.pressed(signal, action == self._glfw.PRESS, self.on())

    def _moved(self, x: float, y: float) -> None:
        last = self._last
        if last is not None:
            self.moved(x - last[0], y - last[1])
        self._last = (x, y)
        self.pointed(x, y)

    def _button(self, button: int, action: int, _: int) -> None:
        if button < len(MOUSE_BUTTONS):
            self.pressed(MOUSE_BUTTONS[button], action == self._glfw.PRESS, self.on())

    def _scroll(self, left: float, away: float) -> None:
        self.rolled(-left, away)

    def _focus(self, has: object) -> None:
        self.focused(has)

    def _enter(self, there: object) -> None:
        if not there:
            self._last = None
        self.inside(there)

    def _resized(self, wide: float, tall: float) -> None:
        self.resized(wide, tall)


def _said(buttons: list[int], axes: list[float]) -> dict[str, float | tuple[float, float]]:
    """What a gamepad says, y up; triggers from 0."""
    said: dict[str, float | tuple[float, float]] = {
        name: float(bool(down)) for name, down in zip(PAD_BUTTONS, buttons, strict=False)
    }
    x, y, right, down = map(stick, axes[:4])
    left_trigger, right_trigger = (axis(one, 1.0) for one in axes[4:6])
    return said | {
        "left_stick": (x, -y), "right_stick": (right, -down),
        "left_trigger": 0.5 * (left_trigger + 1.0), "right_trigger": 0.5 * (right_trigger + 1.0),
    }  # fmt: skip

"""The keys and buttons of Linux by their event codes, with our names for them.

Source: linux/input-event-codes.h; keys by their places, as the codes of UI Events name them.
"""

from __future__ import annotations


def _row(first: int, names: str) -> dict[int, str]:
    return {first + k: f"key.{name}" for k, name in enumerate(names.split())}


KEYS = {
    1: "key.Escape",
    **_row(2, "Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0 Minus Equal"),
    **_row(14, "Backspace Tab KeyQ KeyW KeyE KeyR KeyT KeyY KeyU KeyI KeyO KeyP BracketLeft BracketRight"),
    **_row(28, "Enter ControlLeft KeyA KeyS KeyD KeyF KeyG KeyH KeyJ KeyK KeyL Semicolon Quote Backquote"),
    **_row(42, "ShiftLeft Backslash KeyZ KeyX KeyC KeyV KeyB KeyN KeyM Comma Period Slash ShiftRight"),
    **_row(55, "NumpadMultiply AltLeft Space"),
    **_row(58, "CapsLock F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 NumLock ScrollLock Numpad7 Numpad8 Numpad9"),
    **_row(74, "NumpadSubtract Numpad4 Numpad5 Numpad6 NumpadAdd Numpad1 Numpad2 Numpad3 Numpad0"),
    83: "key.NumpadDecimal", 86: "key.IntlBackslash", 87: "key.F11", 88: "key.F12", 89: "key.IntlRo",
    96: "key.NumpadEnter", 97: "key.ControlRight", 98: "key.NumpadDivide", 99: "key.PrintScreen",
    **_row(100, "AltRight"),
    **_row(102, "Home ArrowUp PageUp ArrowLeft ArrowRight End ArrowDown PageDown Insert Delete"),
    117: "key.NumpadEqual", 119: "key.Pause", 121: "key.NumpadComma", 124: "key.IntlYen",
    **_row(125, "MetaLeft MetaRight ContextMenu"),
    **_row(183, "F13 F14 F15 F16 F17 F18 F19 F20 F21 F22 F23 F24"),
}  # fmt: skip
"""Keys (EV_KEY below 0x100)."""

MOUSE = {
    0x110: "mouse.left", 0x111: "mouse.right", 0x112: "mouse.middle", 0x113: "mouse.back",
    0x114: "mouse.forward", 0x115: "mouse.forward", 0x116: "mouse.back",
}  # fmt: skip
"""Buttons of a mouse: BTN_LEFT and on; side and extra are the thumb's, as forward and back are."""

PAD = {
    0x130: "pad.south", 0x131: "pad.east", 0x133: "pad.north", 0x134: "pad.west",
    0x136: "pad.left_shoulder", 0x137: "pad.right_shoulder", 0x138: "pad.left_trigger",
    0x139: "pad.right_trigger", 0x13A: "pad.centre_left", 0x13B: "pad.centre_right", 0x13C: "pad.centre",
    0x13D: "pad.left_stick_press", 0x13E: "pad.right_stick_press", 0x220: "pad.way_up",
    0x221: "pad.way_down", 0x222: "pad.way_left", 0x223: "pad.way_right",
}  # fmt: skip
"""Buttons of a gamepad: BTN_SOUTH and on (kernel documentation, Linux Gamepad Specification)."""

BUTTONS = {**KEYS, **MOUSE, **PAD}

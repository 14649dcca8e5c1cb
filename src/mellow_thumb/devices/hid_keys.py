"""Keys by their places on a keyboard, as USB keyboards number them, and as UI Events name them.

Source: USB HID Usage Tables 1.5, section 10 (keyboard page, 0x07); W3C UI Events KeyboardEvent code Values.
"""

from __future__ import annotations


def _row(first: int, names: str) -> dict[int, str]:
    return {first + k: f"key.{name}" for k, name in enumerate(names.split())}


HID_KEYS = {
    **_row(0x04, " ".join(f"Key{letter}" for letter in "ABCDEFGHIJKLMNOPQRSTUVWXYZ")),
    **_row(0x1E, "Digit1 Digit2 Digit3 Digit4 Digit5 Digit6 Digit7 Digit8 Digit9 Digit0"),
    **_row(0x28, "Enter Escape Backspace Tab Space Minus Equal BracketLeft BracketRight Backslash"),
    0x32: "key.Backslash",  # the same key on keyboards with one more
    **_row(0x33, "Semicolon Quote Backquote Comma Period Slash CapsLock"),
    **_row(0x3A, "F1 F2 F3 F4 F5 F6 F7 F8 F9 F10 F11 F12 PrintScreen ScrollLock Pause"),
    **_row(0x49, "Insert Home PageUp Delete End PageDown ArrowRight ArrowLeft ArrowDown ArrowUp NumLock"),
    **_row(0x54, "NumpadDivide NumpadMultiply NumpadSubtract NumpadAdd NumpadEnter"),
    **_row(0x59, "Numpad1 Numpad2 Numpad3 Numpad4 Numpad5 Numpad6 Numpad7 Numpad8 Numpad9 Numpad0"),
    **_row(0x63, "NumpadDecimal IntlBackslash ContextMenu"),
    0x67: "key.NumpadEqual",
    **_row(0x68, "F13 F14 F15 F16 F17 F18 F19 F20 F21 F22 F23 F24"),
    0x75: "key.Help", 0x76: "key.ContextMenu", 0x85: "key.NumpadComma", 0x87: "key.IntlRo",
    0x89: "key.IntlYen",
    **_row(0xE0, "ControlLeft ShiftLeft AltLeft MetaLeft ControlRight ShiftRight AltRight MetaRight"),
}  # fmt: skip
"""The key of each usage."""

"""What a misspelt signal address was meant to be: other words for it, and typing errors."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import nearest

if TYPE_CHECKING:
    from collections.abc import Iterable

NAMELESS = "(no signal)"
"""What is said of an event or a row without a signal's name."""
DEVICE_WORDS = {"gamepad": "pad", "controller": "pad", "keyboard": "key"}
"""Other words for devices."""
OTHER_WORDS = {
    "key": {
        **{way: f"Arrow{way.capitalize()}" for way in ("up", "down", "left", "right")},
        "shift": "ShiftLeft", "ctrl": "ControlLeft", "control": "ControlLeft", "alt": "AltLeft",
        "meta": "MetaLeft", "super": "MetaLeft", "esc": "Escape", "return": "Enter", "del": "Delete",
        "ins": "Insert", "spacebar": "Space", "pgup": "PageUp", "pgdn": "PageDown", "backtick": "Backquote",
    },
    "mouse": {
        "scroll": "wheel", "scroll.x": "wheel.x", "scroll.y": "wheel.y", "delta": "move", "motion": "move",
        "x": "move.x", "y": "move.y", "dx": "move.x", "dy": "move.y", "position": "place", "cursor": "place",
    },
    "pad": {
        "hat.x": "way_right", "hat.y": "way_up", "hat": "way_up", "start": "centre_right",
        "select": "centre_left", "left_bumper": "left_shoulder", "right_bumper": "right_shoulder",
        **{f"dpad{dot}{way}": f"way_{way}" for dot in "_." for way in ("up", "down", "left", "right")},
    },
}  # fmt: skip
"""Other words for signals, by device: those that several unrelated systems use."""


def near_signal(address: str, known: Iterable[str]) -> str:
    """Return ``; did you mean ...?`` for what of `known` an address was meant to be, or nothing.

    It is on the same device, if there is such a device, and at most a third of its letters differ, unless the
    address is another word for it.

    >>> near_signal("key.a", ["key.KeyA"]), near_signal("mouse.scroll", ["mouse.wheel", "mouse.move"])
    ('; did you mean key.KeyA?', '; did you mean mouse.wheel?')
    >>> near_signal("key.Up", ["key.PageUp", "pad.way_up"])
    ''
    """
    known = list(known)
    written, dot, name = address.partition(".")
    device = DEVICE_WORDS.get(written.casefold(), written)
    ours = {one.partition(".")[2]: one for one in known if dot and one.startswith(f"{device}.")}
    if not ours:
        return nearest(address, known, alone=True)
    if device == "key" and len(name) == 1 and name.isascii() and name.isalnum():
        meant = f"{'Digit' if name.isdigit() else 'Key'}{name.upper()}"
    else:
        meant = OTHER_WORDS.get(device, {}).get(name.casefold(), name)
    whole = name.removesuffix(".x").removesuffix(".y")
    meant = whole if whole in ours and name not in ours else meant
    if meant in ours and ours[meant] != address:
        return f"; did you mean {ours[meant]}?"
    near = nearest(name, ours, alone=True)
    return near.replace("mean ", f"mean {device}.", 1)

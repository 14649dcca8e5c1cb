"""What people call inputs: for hints on the screen."""

from __future__ import annotations

import re
from typing import TYPE_CHECKING

from .derived import KeySet, Presses
from .signals import DEVICES

if TYPE_CHECKING:
    from .plan import Plan
    from .signals import Address

_MOUSE = {
    "left": "left mouse button",
    "right": "right mouse button",
    "middle": "middle mouse button",
    "back": "rear thumb button",
    "forward": "front thumb button",
}
_PAD = {
    "south": "bottom button",
    "east": "right button",
    "west": "left button",
    "north": "top button",
    "centre_left": "left centre button",
    "centre_right": "right centre button",
    "centre": "centre button",
    "way_up": "way up",
    "way_down": "way down",
    "way_left": "way left",
    "way_right": "way right",
}
_FINGERS = {
    "down": "touch",
    "still": "touch and hold",
    "tap": "tap",
    "two_finger_tap": "tap with two fingers",
    "three_finger_tap": "tap with three fingers",
}
_PLACE, _WORDS = re.compile(r"^(?:Key|Digit)(?=.$)"), re.compile(r"(?<=[a-z])(?=[A-Z0-9])")
"""What a key's code says of its place, and where its words meet."""


def label(address: Address) -> str:
    """What people call one input.

    >>> from mellow_thumb.plan import find_signal
    >>> [label(find_signal(name)) for name in ("key.KeyW", "key.ShiftLeft", "pad.south", "pad.right_trigger")]
    ['W', 'Shift Left', 'bottom button', 'right trigger']
    """
    device, _, name = address.signal.name.partition(".")
    if device == "key":
        return _WORDS.sub(" ", _PLACE.sub("", name))
    if device == "touch":  # what fingers do there, not what a profile calls it
        return _FINGERS.get(name.rpartition(".")[2], "drag")
    if device.endswith("_hand"):
        return f"{device.partition('_')[0]} {name.replace('_', ' ')} {address.component}".rstrip()
    words = {"mouse": _MOUSE, "pad": _PAD}.get(device, {}).get(name, name.replace("_", " "))
    return f"{words} {address.component}".rstrip()


def label_of(inputs: tuple[Address, ...], family: str) -> str:
    """What to show for several inputs: the first on a family of devices, or else the first."""
    ours = [address for address in inputs if DEVICES.get(address.signal.device) == family]
    return label((ours or list(inputs))[0])


def carried_by(plan: Plan) -> dict[str, tuple[Address, ...]]:
    """The inputs of each button, by its name in players' sheets.

    A part of a key set is called ``NAME.up``, and so on.
    """
    inputs = {gate.name: gate.buttons.inputs for gate in plan.gates if gate.buttons}
    inputs |= {cue.name: cue.buttons.inputs for cue in plan.cues}
    for made in plan.derived:
        if isinstance(made, Presses):
            inputs[made.name] = made.buttons.inputs
        elif isinstance(made, KeySet):
            ways = ("left", "right", "down", "up") if len(made.ways) == 4 else ("minus", "plus")
            inputs |= {f"{made.name}.{way}": keys for way, keys in zip(ways, made.ways, strict=True)}
    ours = {name: [one for one in some if one.signal.device in DEVICES] for name, some in inputs.items()}
    return {name: tuple(some) for name, some in ours.items() if some}

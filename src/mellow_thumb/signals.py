"""The catalogue of signals: what each one is called, is, and measures.

Checks, documentation, suggestions and tests read this one table. Directions everywhere: **+x is right,
+y is up or away**; where a device or a standard counts otherwise, the device's door flips it once.
"""

from __future__ import annotations

from dataclasses import dataclass

from .errors import SignalError, nearest

KINDS = {
    "displacement": "the distance moved since the last event: already added up, so never multiplied by time",
    "switch": "0 or 1: a button, a key, a contact",
}
"""What a value of each kind of signal says."""

COMPONENTS = ("x", "y")


@dataclass(frozen=True, slots=True)
class Signal:
    """One named stream from a device."""

    name: str
    kind: str
    unit: str
    """What one of it is called; empty for a switch."""
    low: float
    high: float
    """The smallest and largest value that one event may carry; anything else is refused."""
    positive: str
    """Which way is positive; for a switch, what 1 means."""
    source: str
    """The standard, with its section, that the values come from."""
    pair: bool = False
    """Whether an event carries two values, x and y."""

    @property
    def addresses(self) -> tuple[str, ...]:
        """The signal's name and, for a pair, those of its components."""
        return (self.name, *(f"{self.name}.{part}" for part in COMPONENTS)) if self.pair else (self.name,)


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


def _button(name: str, mask: int, where: str) -> Signal:
    source = f"W3C Pointer Events 3, 'buttons' bit {mask}"
    return Signal(f"mouse.{name}", "switch", "", 0.0, 1.0, f"1: the {where} button is down", source)


CATALOGUE = {
    signal.name: signal
    for signal in (
        Signal(
            "mouse.move",
            "displacement",
            "count",
            -1e6,
            1e6,
            "x: hand to the right; y: hand away from the body",
            "USB HID Usage Tables 1.5, Generic Desktop X (0x30) and Y (0x31), relative; y flipped",
            pair=True,
        ),
        _button("left", 1, "left"),
        _button("right", 2, "right"),
        _button("middle", 4, "middle"),
        _button("back", 8, "rear thumb"),
        _button("forward", 16, "front thumb"),
    )
}
"""Every signal by name."""

_ADDRESSES = {
    address: Address(signal, address.removeprefix(signal.name).removeprefix("."))
    for signal in CATALOGUE.values()
    for address in signal.addresses
}


def find_signal(address: str) -> Address:
    """Look up a signal, or a component of one, such as ``mouse.move`` or ``mouse.move.x``.

    Raises :class:`SignalError`, with the nearest known address, for one that is not in the catalogue.
    """
    found = _ADDRESSES.get(address)
    if found is None:
        raise SignalError(
            f'found "{address}"; expected a signal of the catalogue{nearest(address, _ADDRESSES)}'
        )
    return found


def addresses(kind: str | None = None) -> tuple[str, ...]:
    """Every address of the catalogue, or of one kind of signal, in its order."""
    return tuple(name for name, found in _ADDRESSES.items() if kind in (None, found.signal.kind))

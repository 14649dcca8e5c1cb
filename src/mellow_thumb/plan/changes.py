"""Changes: what an event touches, and the inputs that code about it may read."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple, Protocol

if TYPE_CHECKING:
    from ..expressions import Handle, Name, Value
    from .signals import Address


class Change(NamedTuple):
    """What has just changed: the names touched, and for a press the switch and its new value."""

    touched: set[str]
    """Names of signals, and ``gate NAME`` and the like for what follows from them."""
    switch: str = ""
    """The one switch that was pressed or let go."""
    rose: Name | None = None
    """What holds 1 if it was pressed, 0 if it was let go."""
    quiet: bool = False
    """Whether nobody pressed or moved anything: nothing fires or flips, though things are let go."""

    def rose_of(self, address: Address) -> Name | None:
        """The value that is 1 if this switch was just pressed; None if it did not change."""
        return self.rose if address.signal.name == self.switch else None

    def touches(self, addresses: tuple[Address, ...]) -> bool:
        """Whether one of these signals is touched."""
        return any(address.signal.name in self.touched for address in addresses)


class Inputs(Protocol):
    """A program's inputs as state."""

    def value(self, address: Address) -> tuple[Value, ...]:
        """A held signal or its component; a stick counts only while the window has the focus."""

    def raw(self, signal: str) -> tuple[Handle, ...]:
        """A signal's last value."""

    def began(self, signal: str) -> Handle:
        """What the last press of a switch began on, as the number of that name."""

    def thing(self, name: str) -> float:
        """The number of a thing that presses begin on."""

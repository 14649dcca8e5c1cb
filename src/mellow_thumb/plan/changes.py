"""Changes: what an event touches, and what is written of it looks at."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple, Protocol

if TYPE_CHECKING:
    from ..expressions import Handle, Name, Value
    from .signals import Address


class Change(NamedTuple):
    """What has just changed: words for what is touched, and of a press the switch and what it is now."""

    touched: set[str]
    """Names of signals, and ``gate NAME`` and the like for what follows from them."""
    switch: str = ""
    """The one switch that was pressed or let go."""
    rose: Name | None = None
    """What holds 1 if it was pressed, 0 if it was let go."""
    quiet: bool = False
    """Whether nobody pressed or moved anything: nothing fires or flips, though things are let go."""

    def rose_of(self, address: Address) -> Name | None:
        """What holds 1 if this switch was pressed just now; nothing if it did not change."""
        return self.rose if address.signal.name == self.switch else None

    def touches(self, addresses: tuple[Address, ...]) -> bool:
        """Whether one of these signals is touched."""
        return any(address.signal.name in self.touched for address in addresses)


class Inputs(Protocol):
    """What a program keeps of its inputs."""

    def value(self, address: Address) -> tuple[Value, ...]:
        """A held signal or its component; what a stick says counts while the window has the focus."""

    def raw(self, signal: str) -> tuple[Handle, ...]:
        """What a signal last said."""

    def began(self, signal: str) -> Handle:
        """What the last press of a switch began on, as a number of what the host calls so."""

    def thing(self, name: str) -> float:
        """The number of what the host calls so."""

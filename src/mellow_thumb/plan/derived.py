"""Derived signals: how switches and places become something that drives."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ..basics import PlanError, listed
from .signals import ATTITUDE, TILT, Address, Signal, find_signal

if TYPE_CHECKING:
    from collections.abc import Iterator

    from .gates import Buttons

OPPOSITE = ("cancel", "newest")
"""What two opposite keys make: nothing, or the way of the one that was pressed last."""

_OURS = "this library"


def _no_keys() -> tuple[Address, ...]:
    return ()


@dataclass(frozen=True, slots=True)
class KeySet:
    """Keys as a stick: several a direction; both directions at once are no faster than one.

    `ways` holds the keys for left, right and, for a pair, down and up. A press of a `lock` key keeps the
    direction of the moment, until it is pressed again or another of the keys is.
    """

    name: str
    ways: tuple[tuple[Address, ...], ...]
    opposite: str = "cancel"
    lock: tuple[Address, ...] = field(default_factory=_no_keys)

    def __post_init__(self) -> None:
        if len(self.ways) not in (2, 4) or not any(self.ways):
            raise PlanError(
                f"{self.name}: found no keys; expected up, down, left and right, or plus and minus"
            )
        if self.opposite not in OPPOSITE:
            raise PlanError(f"{self.name}: opposite: found {self.opposite}; expected {listed(OPPOSITE)}")
        keys = [*self.keys, *self.lock]
        for address in keys:
            if address.signal.kind != "switch":
                raise PlanError(f"{self.name}: found {address}, a {address.signal.kind}; expected a switch")
        if len(set(keys)) < len(keys):
            twice = next(key for key in keys if keys.count(key) > 1)
            raise PlanError(f"{self.name}: found {twice} twice; expected each key once")

    @property
    def keys(self) -> tuple[Address, ...]:
        """The keys of every direction."""
        return tuple(key for way in self.ways for key in way)

    @property
    def inputs(self) -> tuple[Address, ...]:
        """What it is made from."""
        return (*self.keys, *self.lock)

    @property
    def signal(self) -> Signal:
        """What it is, for a route."""
        pair = len(self.ways) == 4
        return Signal(self.name, "deflection", "", -1.0, 1.0, "x: right; y: up", _OURS, pair=pair)


@dataclass(frozen=True, slots=True)
class EdgeZone:
    """A pointer near the edge of the view, as a stick that is pushed further the nearer it comes.

    `margin` is in screens (the shorter side). It rests while the pointer is outside, or the window without
    the focus.
    """

    name: str
    source: Address
    margin: float

    def __post_init__(self) -> None:
        if self.source.signal.kind != "position" or self.source.width != 2:
            raise PlanError(
                f"{self.name}: edge_zone: found {self.source}; expected a place, such as mouse.place"
            )
        if not 0.0 < self.margin <= 0.5:
            raise PlanError(
                f"{self.name}: margin: found {self.margin:g} screen; expected above 0 to 0.5 screen"
            )

    @property
    def inputs(self) -> tuple[Address, ...]:
        """What it is made from."""
        facts = ("host.focus", "host.screen", f"{self.source.signal.device}.inside")
        return (self.source, *map(find_signal, facts))

    @property
    def signal(self) -> Signal:
        """What it is, for a route."""
        return Signal(self.name, "deflection", "", -1.0, 1.0, "x: right; y: up", _OURS, pair=True)


@dataclass(frozen=True, slots=True)
class Presses:
    """Presses as steps: 1 for each press of a switch, or each time that a deflection passes `at`.

    A deflection to the other side counts -1, and must fall below `rearm` before it counts again.
    """

    name: str
    buttons: Buttons

    def __post_init__(self) -> None:
        for address in self.buttons.inputs:
            if address.width != 1:
                raise PlanError(
                    f"{self.name}: presses: found {address}, a pair; expected one component of it"
                )

    @property
    def inputs(self) -> tuple[Address, ...]:
        """What it is made from."""
        return self.buttons.inputs

    @property
    def signal(self) -> Signal:
        """What it is, for a route."""
        return Signal(self.name, "displacement", "press", -1.0, 1.0, "1: a press", _OURS)


Derived = KeySet | EdgeZone | Presses


def raw_inputs(addresses: tuple[Address, ...], derived: dict[str, Derived]) -> Iterator[Address]:
    """The signals of devices and of the host that these addresses come down to."""
    for address in addresses:
        made = derived.get(address.signal.name)
        if address.signal.name == TILT:
            yield from map(find_signal, ATTITUDE)
        elif made is None:
            yield address
        else:
            yield from raw_inputs(made.inputs, derived)

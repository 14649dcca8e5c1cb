"""Buttons: inputs that are held or not, and the state to tell."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..basics import PlanError
from ..expressions import every, some, where
from ..formulas import shaping, switching

if TYPE_CHECKING:
    from ..expressions import Block, Handle, State, Value
    from .changes import Change, Inputs
    from .signals import Address

INTERFACE = "interface"
"""What a press begins on that the host's own interface used: it counts nowhere."""


def check_threshold(at: float, rearm: float) -> None:
    """Refuse a threshold that can never be passed, or never be left again."""
    if not 0.0 < rearm <= at <= 1.0:
        raise PlanError(f"at: found {at:g}, rearm {rearm:g}; expected 0 < rearm <= at <= 1", path=("at",))


@dataclass(frozen=True, slots=True)
class Buttons:
    """Inputs that are held or not: switches, and deflections past `at`, until they fall below `rearm`.

    With `begun_on` (or `begun_off`) only presses count that began on (or off) a thing of that name.
    """

    inputs: tuple[Address, ...]
    at: float = 0.5
    rearm: float = 0.4
    begun_on: str = ""
    begun_off: str = ""

    def __post_init__(self) -> None:
        if not self.inputs:
            raise PlanError("found nothing to hold; expected a switch or a deflection")
        for address in self.inputs:
            kind = address.signal.kind
            if kind not in ("switch", "deflection"):
                raise PlanError(f"found {address}, a {kind}; expected a switch or a deflection")
            if kind != "switch" and (self.begun_on or self.begun_off):
                raise PlanError(f"found {address}, a {kind}, with begun_on or begun_off; expected a switch")
        check_threshold(self.at, self.rearm)
        if self.begun_on and self.begun_off:
            raise PlanError("begun_on: found it with begun_off; expected one of them", path=("begun_on",))
        if INTERFACE in (self.begun_on, self.begun_off):
            raise PlanError(
                f'begun_on: found "{INTERFACE}", whose presses count nowhere; expected another name',
                path=("begun_on",),
            )


@dataclass(eq=False)
class Latches:
    """The state of buttons: for each input that needs it, whether it is past its threshold, or counts."""

    buttons: Buttons
    latches: dict[Address, Handle]

    @classmethod
    def new(cls, state: State, stem: str, buttons: Buttons) -> Latches:
        """New state; `stem` is what its names begin with."""
        found = {}
        for k, address in enumerate(buttons.inputs, 1):
            begun = buttons.begun_on or buttons.begun_off
            if begun or address.signal.kind != "switch":
                found[address] = state.new(f"{stem}_past{k}", saved_as=f"{state.role(stem)} past {address}")
        return cls(buttons, found)

    def held(self, block: Block, change: Change, inputs: Inputs) -> Value:
        """Write what follows from a change; returns the test of whether any is held."""
        tests = []
        for address in self.buttons.inputs:
            if address in self.latches and change.touches((address,)):
                self.follow(block, address, change, inputs)
            latch = self.latches.get(address)
            tests.append((inputs.value(address)[0] if latch is None else latch) != 0.0)
        return some(tests)

    def follow(self, block: Block, address: Address, change: Change, inputs: Inputs) -> None:
        """Bring one input's latch up to date."""
        latch, buttons = self.latches[address], self.buttons
        if address.signal.kind != "switch":
            value = inputs.value(address)
            size = abs(value[0]) if len(value) == 1 else block.call(shaping.length, *value)[0]
            block.call(switching.latched, size, latch, into=(latch,), at=buttons.at, rearm=buttons.rearm)
            return
        (raw,), began = inputs.raw(address.signal.name), inputs.began(address.signal.name)
        thing = inputs.thing(buttons.begun_on or buttons.begun_off)
        counts, rose = began == thing if buttons.begun_on else began != thing, change.rose_of(address)
        kept = where(raw != 0.0, latch, 0.0)
        block.set(latch, kept if rose is None else where(every([rose != 0.0, counts]), 1.0, kept))

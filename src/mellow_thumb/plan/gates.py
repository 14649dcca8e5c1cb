"""Gates: named conditions that decide when a route listens, and the buttons that open them."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..basics import PlanError, listed
from .signals import FAMILIES

if TYPE_CHECKING:
    from collections.abc import Mapping

    from .signals import Address

CURSORS = ("free", "hidden", "held")
"""What becomes of the pointer: it moves and is seen, moves unseen, or is kept where it is."""

INTERFACE = "interface"
"""What a press begins on that the host's own interface used: it counts nowhere."""


def check_threshold(at: float, rearm: float) -> None:
    """Refuse a threshold that is never passed, or never fallen below again."""
    if not 0.0 < rearm <= at <= 1.0:
        raise PlanError(f"at: found {at:g}, rearm {rearm:g}; expected 0 < rearm <= at <= 1")


@dataclass(frozen=True, slots=True)
class Buttons:
    """Inputs that are held or not: switches, and deflections past `at`, until they fall below `rearm`.

    With `begun_on` (or `begun_off`) only a press counts that began on (or off) what the host calls so.
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
            raise PlanError("begun_on: found it with begun_off; expected one of them")
        if INTERFACE in (self.begun_on, self.begun_off):
            raise PlanError(
                f'begun_on: found "{INTERFACE}", whose presses count nowhere; expected another name'
            )


@dataclass(frozen=True, slots=True)
class Condition:
    """A gate, or its opposite, as a route states it: ``glassing`` or ``not glassing``."""

    gate: str
    wanted: bool = True

    def __str__(self) -> str:
        return self.gate if self.wanted else f"not {self.gate}"

    @classmethod
    def parse(cls, text: str) -> Condition:
        """Read ``NAME`` or ``not NAME``."""
        words = text.split()
        return cls(words[1], wanted=False) if len(words) == 2 and words[0] == "not" else cls(text.strip())

    @property
    def gates(self) -> frozenset[str]:
        """The gates that it asks."""
        return frozenset([self.gate])

    def holds(self, open_: Mapping[str, bool]) -> bool:
        """Whether it holds, by which gates are open."""
        return open_[self.gate] == self.wanted

    def woven(self, states: Mapping[str, str]) -> str:
        """The woven test of it, on the state values of the gates."""
        return f"{states[self.gate]} {'!=' if self.wanted else '=='} 0.0"


@dataclass(frozen=True, slots=True)
class Several:
    """Several conditions at once: every one of them, or at least one."""

    parts: tuple[When, ...]
    every: bool = True

    def __post_init__(self) -> None:
        if not self.parts:
            raise PlanError("found an empty list; expected gates")

    def __str__(self) -> str:
        return f"({(' and ' if self.every else ' or ').join(map(str, self.parts))})"

    @property
    def gates(self) -> frozenset[str]:
        """The gates that it asks."""
        return frozenset().union(*(part.gates for part in self.parts))

    def holds(self, open_: Mapping[str, bool]) -> bool:
        """Whether it holds, by which gates are open."""
        answers = [part.holds(open_) for part in self.parts]
        return all(answers) if self.every else any(answers)

    def woven(self, states: Mapping[str, str]) -> str:
        """The woven test of it, on the state values of the gates."""
        joined = (" and " if self.every else " or ").join(part.woven(states) for part in self.parts)
        return f"({joined})" if len(self.parts) > 1 else joined


When = Condition | Several
"""When a route listens or a combination of gates is open."""


@dataclass(frozen=True, slots=True)
class Travel:
    """How far a displacement must go, from where a press began, in the signal's own unit."""

    signal: Address
    least: float

    def __post_init__(self) -> None:
        if self.signal.width != 2 or self.signal.signal.kind != "displacement":
            raise PlanError(f"after_travel: found {self.signal}; expected a displacement of two directions")
        if not 0.0 < self.least <= 1e6:
            raise PlanError(f"after_travel: found {self.least:g}; expected above 0 to a million")


@dataclass(frozen=True, slots=True)
class Gate:
    """A gate: open by its buttons, by other gates (`when`), or while a device is the `active` one.

    `choice` holds how presses work: ``hold``, ``toggle``, or both where the player chooses; the first
    stands until then. What it rests on must last `after` seconds, and go as far as `travel`, before it
    counts. While it is open it wants the `cursor` so; of several open gates the highest `priority` has it.
    """

    name: str
    buttons: Buttons | None = None
    choice: tuple[str, ...] = ("hold",)
    when: When | None = None
    active: str = ""
    after: float = 0.0
    travel: Travel | None = None
    cursor: str = ""
    priority: int = 0

    def __post_init__(self) -> None:
        if sum(bool(one) for one in (self.buttons, self.when, self.active)) != 1:
            raise PlanError(f"{self.name}: expected one of hold, toggle, flag, setting, active, all, any")
        if self.choice not in (("hold",), ("toggle",), ("hold", "toggle"), ("toggle", "hold")):
            raise PlanError(
                f"{self.name}: choice: found {listed(self.choice, 'and')}; expected hold and toggle"
            )
        if self.choice != ("hold",) and not self.buttons:
            raise PlanError(f"{self.name}: found a toggle of gates; expected a switch to toggle it by")
        if self.active and self.active not in FAMILIES:
            raise PlanError(f"{self.name}: active: found {self.active}; expected {listed(FAMILIES)}")
        if not 0.0 <= self.after <= 60.0:
            raise PlanError(f"{self.name}: after: found {self.after:g} s; expected 0 to 60 s")
        if self.cursor and self.cursor not in CURSORS:
            raise PlanError(f"{self.name}: cursor: found {self.cursor}; expected {listed(CURSORS)}")

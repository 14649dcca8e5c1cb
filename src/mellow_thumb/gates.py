"""Gates: named conditions that decide when a route listens."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from .errors import PlanError

if TYPE_CHECKING:
    from collections.abc import Sequence

    from .signals import Address


@dataclass(frozen=True, slots=True)
class Gate:
    """A gate that is open while any of its switches is held."""

    name: str
    hold: tuple[Address, ...]

    def __post_init__(self) -> None:
        for address in self.hold:
            if address.signal.kind != "switch":
                raise PlanError(f"{address} is a {address.signal.kind}; a hold takes switches")
        if not self.hold:
            raise PlanError(f"the gate {self.name} has nothing to hold")


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


def held(switches: Sequence[str]) -> str:
    """The woven expression that is 1 while any of these held values is not 0."""
    return f"1.0 if {' or '.join(f'{switch} != 0.0' for switch in switches)} else 0.0"


def is_open(gate: str, condition: Condition) -> str:
    """The woven test that a condition on the state value `gate` puts on a route."""
    return f"{gate} != 0.0" if condition.wanted else f"{gate} == 0.0"


def listening(gate: str, condition: Condition) -> str:
    """The woven factor, 0 or 1, that a condition on the state value `gate` puts on a route."""
    return gate if condition.wanted else f"(1.0 - {gate})"

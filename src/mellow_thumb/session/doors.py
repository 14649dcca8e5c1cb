"""What can be fed to a plan: every address it listens to, and why others are refused."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import nearest
from ..plan import COMPONENTS, INTERFACE, OWN, addresses, near_signal

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ..plan import Plan
    from ..weaving import Program

SINGLE, PAIR, ONLY_Y, SWITCH = 0, 1, 2, 3
"""The shape of what an address takes: one number, two, one that is a ``y``, or a press."""

USED = -1.0
"""What stands for the host's interface where an event says what it began on."""

Door = tuple[int, int, float, float, float, bool]
"""An address that can be fed: its code, its shape, its range, the other component, what is clipped."""

_KNOWN = frozenset(addresses())


def is_known(address: object) -> bool:
    """Whether the catalogue has an address, or a profile may name one."""
    if address in _KNOWN:
        return True
    kind, _, name = str(address).partition(".")
    return kind in OWN and bool(name)


NOT_FINITE = "not finite"
"""Why a value or a time is refused that is infinite, or no number."""


def outside(low: float, high: float) -> str:
    """Why a value outside its range is refused."""
    return f"outside {low:g} to {high:g}"


def unlisted(address: object, used: Iterable[str]) -> str:
    """Why an address that a plan does not use is refused; empty if it is only ignored.

    An unknown address is refused, and so is a flag that nearly spells one of the plan's.
    """
    if not is_known(address):
        return f"unknown signal{near_signal(str(address), _KNOWN)}"
    if address in _KNOWN:
        return ""
    kind, _, name = str(address).partition(".")
    ours = [own.removeprefix(f"{kind}.") for own in used if own.startswith(f"{kind}.")]
    near = nearest(name, ours, alone=True)
    return f"no gate asks for it{near}" if near else ""


def things(plan: Plan) -> dict[str, float]:
    """What stands for each thing that a press may begin on."""
    return {INTERFACE: USED} | {name: float(k) for k, name in enumerate(plan.things, 1)}


def doors(program: Program) -> dict[str, Door]:
    """Each address that can be fed.

    The other component's default is for one fed alone; the last says whether a value outside
    the range is clipped to it.
    """
    found = {}
    for name, code in program.codes.items():
        signal = program.heard[name]
        shape = PAIR if signal.pair else SWITCH if signal.kind == "switch" else SINGLE
        other = float("nan") if signal.held and signal.pair else 0.0
        rest = (signal.low, signal.high, other, signal.clips)
        found[name] = (code, shape, *rest)
        for part in COMPONENTS if signal.pair else ():
            found[f"{name}.{part}"] = (code, ONLY_Y if part == "y" else SINGLE, *rest)
    return found

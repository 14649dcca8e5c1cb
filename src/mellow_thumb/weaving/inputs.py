"""Inputs: a plan's signals by what happens to them, and the code of each that may come in."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..plan import CATALOGUE, is_contact

if TYPE_CHECKING:
    from ..plan import Plan, Signal


class Inputs(NamedTuple):
    """The signals that a plan reads."""

    impulses: list[Signal]
    """Displacements that come in."""
    held: list[Signal]
    """All that is held, whether it comes in or is made of contacts."""
    staying: list[Signal]
    """What of that comes in, but the facts that let go of what is held."""
    releasing: list[Signal]
    """These facts: a lost focus, a device that is unplugged."""
    made: dict[str, Signal]
    """What is made of contacts, by name: it has no code, for nobody can say it."""
    fed: list[Signal]
    """All that may come in, in the order of its codes: impulses first; contacts last, finger by finger."""

    @property
    def codes(self) -> dict[str, int]:
        """The code of each signal that may come in, by name."""
        return {signal.name: k for k, signal in enumerate(self.fed)}


def inputs_of(plan: Plan) -> Inputs:
    """The signals of a plan, sorted."""
    used = {address.signal.name: address.signal for address in plan.signals}
    made = {name: one for name, one in used.items() if one.device == "touch" and name not in CATALOGUE}
    contacts = [one for name, one in CATALOGUE.items() if name in used and is_contact(name)]
    rest = [one for name, one in used.items() if not is_contact(name)]
    held = [one for one in rest if one.held]
    releasing = [one for one in held if one.name == "host.focus" or one.name.endswith(".connected")]
    impulses = [one for one in rest if not one.held and one.name not in made]
    staying = [one for one in held if one not in releasing and one.name not in made]
    staying.sort(key=lambda one: one.device == "host")  # hands say more than a host does
    return Inputs(impulses, held, staying, releasing, made, [*impulses, *staying, *releasing, *contacts])

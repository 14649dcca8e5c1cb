"""A player's choices while a session runs: hold or toggle, a setting on or off; names of buttons."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed, nearest
from ..plan import carried_by, label_of

if TYPE_CHECKING:
    from ..plan import Plan
    from .intake import Intake


def choose(intake: Intake, plan: Plan, name: str, value: str | bool, at: float | None) -> None:
    """As :meth:`Session.choose` says."""
    doors = intake.doors
    choices = {gate.name: gate.choice for gate in plan.gates if len(gate.choice) > 1}
    signal = f"choice.{name}"
    if name in choices and value in choices[name]:
        intake.feed(signal, choices[name].index(str(value)), at=at)
    elif name not in choices and signal in doors and isinstance(value, bool):
        intake.feed(signal, value, at=at)
    elif signal in doors:
        wanted = listed(choices[name]) if name in choices else "True or False"
        raise ArgumentError(f"{name}: found {value!r}; expected {wanted}")
    else:
        names = [door.partition(".")[2] for door in doors if door.startswith("choice.")]
        known = listed(names) if names else "none: this profile leaves nothing to choose"
        raise ArgumentError(f"found the choice {name}; expected {known}{nearest(name, names)}")


def label_now(plan: Plan, name: str, device: str) -> str:
    """What to show for a button, for a family of devices; as :meth:`Session.label` says."""
    buttons = carried_by(plan)
    if name not in buttons:
        known = listed(buttons) if buttons else "none: this profile has no buttons for any"
        raise ArgumentError(f"found {name}; expected {known}{nearest(name, buttons)}")
    return label_of(buttons[name], device)

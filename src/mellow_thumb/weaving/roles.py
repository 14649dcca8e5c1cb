"""Roles: names for state values that another program understands, where numbers would mean nothing."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import APART

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    from ..expressions import State
    from ..plan import Plan

ON = "on"
"""What that is saved as which is 1 while one of some mounts is active; their names come after it."""


def say_owners(plan: Plan, state: State, variables: Mapping[str, str]) -> None:
    """Say what the numbers in a plan's state values stand for; `variables` has the names of axes by key."""
    numbered = {
        "route": (f"routes.{one.name}" for one in plan.routes),
        "scale": (f"routes.{one.name}.scale" for one in plan.routes),
        "gate": (f"gates.{one.name}" for one in plan.gates),
        "cue": (f"cues.{one.name}" for one in plan.cues),
        "signal": (f"signals.{one.name}" for one in plan.derived),
        "area": (f"touch.{'+'.join(touch.name for touch in area)}" for area in plan.areas),
    }
    for stem, names in numbered.items():
        for k, name in enumerate(names, 1):
            state.owned(f"{stem}{k}", name)
    for k, one in enumerate(plan.mounts.all):
        for stem in ("pan", "from", "entry"):
            state.owned(f"{stem}{k}", f"mounts.{one.mount.name}.{stem}")
    for key, variable in variables.items():
        if variable != key:
            state.owned(variable, f"axes.{key}")


def own_role(name: str) -> str:
    """The name of a profile's own signal in a role."""
    return f"{APART}{name}{APART}"


def role_of_on(mounts: Iterable[str]) -> str:
    """The role of the value that is 1 while one of these mounts is active."""
    return APART.join([ON, *sorted(mounts)])

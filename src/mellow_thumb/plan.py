"""A plan: routes, gates, axes and a mount, resolved and checked; all that weaving needs to know."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from .errors import PlanError, listed, nearest

if TYPE_CHECKING:
    from .axes import Axis
    from .gates import Gate
    from .mounts import Eye
    from .routes import Route
    from .signals import Address


@dataclass(frozen=True)
class Plan:
    """Everything that decides what a session does, in plain numbers. Equal plans behave alike to the bit.

    The order of routes and gates does not matter: they are kept by name.
    """

    routes: tuple[Route, ...]
    gates: tuple[Gate, ...]
    axes: tuple[Axis, ...]
    mount: Eye

    def __post_init__(self) -> None:
        for field in ("routes", "gates"):
            ordered = tuple(sorted(getattr(self, field), key=lambda one: one.name))
            object.__setattr__(self, field, ordered)
            names = [one.name for one in ordered]
            if len(set(names)) < len(names):
                raise PlanError(f"two {field} have one name: {listed(names, 'and')}")
        axes, gates = [axis.name for axis in self.axes], [gate.name for gate in self.gates]
        if axes != list(self.mount.axes):
            raise PlanError(
                f"a mount of kind {self.mount.kind} has the axes {listed(self.mount.axes, 'and')}"
            )
        for route in self.routes:
            for axis in route.drives:
                if axis not in axes:
                    raise PlanError(
                        f"{route.name} drives {axis}; expected {listed(axes)}{nearest(axis, axes)}"
                    )
            if route.gate and route.gate.gate not in gates:
                raise PlanError(f"{route.name} waits for the gate {route.gate.gate}, which is not there")

    @property
    def signals(self) -> tuple[Address, ...]:
        """The addresses that routes and gates read, each once, in the order of their names."""
        used = [route.source for route in self.routes] + [a for gate in self.gates for a in gate.hold]
        return tuple(sorted(set(used), key=str))

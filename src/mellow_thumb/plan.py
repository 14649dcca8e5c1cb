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

    The mount's own axes come first; others are read from a frame by their names. The order of routes and
    gates does not matter: they are kept by name.
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
        if axes[: len(self.mount.axes)] != list(self.mount.axes) or len(set(axes)) < len(axes):
            kind, wanted = self.mount.kind, listed(self.mount.axes, "and")
            raise PlanError(f"a mount of kind {kind} has the axes {wanted}, which come first")
        for route in self.routes:
            for axis in route.drives:
                if axis not in axes:
                    hint = nearest(axis, axes)
                    raise PlanError(f"{route.name} drives {axis}; expected {listed(axes)}{hint}")
            for condition in (route.gate, *(condition for condition, _ in route.scales)):
                if condition and condition.gate not in gates:
                    raise PlanError(f"{route.name} waits for the gate {condition.gate}, which is not there")
            self._check_smoothing(route)
        if any(route.with_zoom for route in self.routes) and "zoom" not in axes:
            raise PlanError("found scale_with zoom; expected an axis zoom: a route that drives it")

    def _check_smoothing(self, route: Route) -> None:
        """One smoothing on the way to an axis, and none on the way to one that returns to its rest."""
        for axis in self.axes:
            if axis.name not in route.drives or route.effect == "offset":
                continue
            if axis.smoothing and (route.smoothing or route.turn_boost):
                raise PlanError(
                    f"found an easing on {route.name} and on its axis {axis.name}; expected one of them"
                )
            if axis.return_half_life and (route.smoothing or route.turn_boost):
                found = f"found an easing on {route.name}, whose axis {axis.name} returns to rest"
                raise PlanError(f"{found}; expected the smoothing on the axis")

    @property
    def signals(self) -> tuple[Address, ...]:
        """The addresses that routes and gates read, each once, in the order of their names."""
        used = [route.source for route in self.routes] + [a for gate in self.gates for a in gate.hold]
        return tuple(sorted(set(used), key=str))

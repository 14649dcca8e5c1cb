"""A plain, slow model of a plan: every event flows to its own time; nothing is merged, shared or woven."""

from __future__ import annotations

from mellow_thumb.formulas import level_rotation, rolled
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential

from .strategies import Event


def half_life(route: Route) -> float:
    """That of its smoothing; 0 for none."""
    return route.smoothing.half_life if isinstance(route.smoothing, Exponential) else 0.0


class Reference:
    """Axes as their values and what smoothing still owes them, by half-life."""

    def __init__(self, plan: Plan) -> None:
        self.plan, self.now = plan, 0.0
        self.value = {axis.name: axis.start for axis in plan.axes}
        self.owed = {axis.name: dict.fromkeys([half_life(r) for r in plan.routes], 0.0) for axis in plan.axes}
        self.down: set[str] = set()

    def open(self, gate: str) -> bool:
        (found,) = (one for one in self.plan.gates if one.name == gate)
        return any(str(switch) in self.down for switch in (found.buttons.inputs if found.buttons else ()))

    def flow(self, t: float) -> None:
        for axis in self.plan.axes:
            for half_life, owed in self.owed[axis.name].items():
                left = owed * 0.5 ** ((t - self.now) / half_life) if half_life else 0.0
                self.value[axis.name] += owed - left
                self.owed[axis.name][half_life] = left
            self.value[axis.name] = min(max(self.value[axis.name], axis.low), axis.high)
        self.now = t

    def event(self, signal: str, value: tuple[float, float] | float, t: float) -> None:
        self.flow(t)
        address = find_signal(signal)
        if address.signal.kind == "switch":
            (self.down.add if value else self.down.discard)(signal)
            return
        if address.signal.name != "mouse.move":
            return
        x, y = (
            value if isinstance(value, tuple) else (value, 0.0) if address.component == "x" else (0.0, value)
        )
        for route in self.plan.routes:
            if route.gate is None or route.gate.holds({g.name: self.open(g.name) for g in self.plan.gates}):
                for name, part, gain in route.parts:
                    self.push(name, gain * (x if part == "x" else y), half_life(route))

    def push(self, name: str, amount: float, half_life: float) -> None:
        (axis,) = (one for one in self.plan.axes if one.name == name)
        goal = self.value[name] + sum(self.owed[name].values())
        self.owed[name][half_life] += min(max(goal + amount, axis.low), axis.high) - goal
        if not half_life:
            self.flow(self.now)


def at(plan: Plan, events: list[Event], moment: float) -> dict[str, float]:
    """The axes of a plan at a moment, after the events before it."""
    model = Reference(plan)
    for signal, value, t in events:
        if t < moment:
            model.event(signal, value, t)
    model.flow(moment)
    return model.value


def rotation(yaw: float, pitch: float, roll: float) -> tuple[float, float, float, float]:
    """The unit quaternion (x, y, z, w) of a camera: ``q_y(-yaw) q_x(pitch) q_z(-roll)``, angles in degrees."""
    return rolled(*level_rotation(yaw, pitch), roll)

"""What acts right now: which controls a hand uses, which way; what each route hears, and makes of it."""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING, NamedTuple

from ..insight import shaped
from ..plan import MOVES, Presses

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from ..insight import Control
    from ..plan import Route
    from ..profiles import Profile
    from ..session import Frame, Session

LEAST = 1e-6
"""A signal of less than this is at rest."""


class Heard(NamedTuple):
    """What one route hears: its signal, raw and shaped; a displacement as a speed."""

    x: float
    y: float
    shaped_x: float
    shaped_y: float


class Acting:
    """Says, frame by frame, which controls of a profile act."""

    def __init__(self, profile: Profile, controls: Sequence[Control]) -> None:
        self._routes = {route.name: route for route in profile.routes}
        self._controls, self._mounts = controls, profile.mounts
        self._presses = {one.name: one for one in profile.derived if isinstance(one, Presses)}
        self._shapes = {name: _shape(route) for name, route in self._routes.items()}
        self._numbers = {one.mount.name: k for k, one in enumerate(profile.mounts.all)}
        first = {route.name: route.source.component or "x" for route in profile.routes}
        self._parts = [
            "xy".index(one.signal[-1]) if one.signal[-2:] in (".x", ".y") else "xy".index(first[one.route])
            for one in controls
        ]

    def heard(self, session: Session, dt: float) -> dict[str, Heard]:
        """What each route hears in a frame of `dt` seconds."""
        said, moved = session.signals, dict[str, tuple[float, float]]()
        for _, name, x, y in session.heard:
            before = moved.get(name, (0.0, 0.0))
            moved[name] = (before[0] + x, before[1] + y)
        found = {}
        for name, route in self._routes.items():
            signal = route.source.signal
            if signal.name in self._presses:
                found[name] = Heard(*(2 * (self._pressed(signal.name, said),)), 0.0, 0.0)
            elif signal.held:
                value = said.get(signal.name.removeprefix("signals."), 0.0)
                x, y = value if isinstance(value, tuple) else (value, 0.0)
                found[name] = Heard(x, y, *self._shapes[name](x, y))
            else:
                x, y = moved.get(signal.name, (1.0, 0.0) if signal.kind == "ratio" else (0.0, 0.0))
                x, y = (x - 1.0, y) if signal.kind == "ratio" else (x, y)
                rate = 1.0 / dt if dt > 0.0 else 0.0
                found[name] = Heard(x * rate, y * rate, x * rate, y * rate)
        return found

    def _pressed(self, name: str, said: dict[str, float | tuple[float, float]]) -> float:
        """How far the most pressed of some inputs is pressed, if it counts as pressed."""
        made, most = self._presses[name], 0.0
        for address in made.buttons.inputs:
            value = said.get(address.signal.name, 0.0)
            part = value["xy".index(address.component or "x")] if isinstance(value, tuple) else value
            most = max(most, part if part >= made.buttons.at else 0.0)
        return most

    def ways(self, heard: dict[str, Heard], frame: Frame) -> dict[int, int]:
        """Which controls act, by number: 1 for the way that is named first, -1 for the other."""
        mount, found = self._numbers[frame.mount], {}
        for k, (control, part) in enumerate(zip(self._controls, self._parts, strict=True)):
            route, value = self._routes[control.route], heard[control.route][2:][part]
            if control.effect == "pin":
                value = hypot(*heard[control.route][:2])
            if route.source.signal.name in self._presses:
                value = heard[control.route].x
            if abs(value) < LEAST or (route.gate and not route.gate.holds(frame.gates)):
                continue
            if control.axis in MOVES or isinstance(self._mounts.of(mount, control.axis), str):
                found[k] = 1 if value * control.sign > 0.0 else -1
        return found


def _shape(route: Route) -> Callable[[float, float], tuple[float, float]]:
    """A route's shape as a function from x and y to x and y."""
    if not route.source.signal.held:
        return lambda x, y: (x, y)
    function, wide = shaped(route.shape, pair=route.source.width == 2), route.source.width == 2
    second = route.source.component == "y"

    def on_both(x: float, y: float) -> tuple[float, float]:
        if wide:
            a, b = function(x, y)
            return a, b
        value = function(y if second else x, 0.0)[0]
        return (0.0, value) if second else (value, 0.0)

    return on_both

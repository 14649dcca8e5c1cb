"""What a host sets itself: an axis, a turn, a route's scale."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed, nearest
from ..weaving import NO_TIME

if TYPE_CHECKING:
    from ..weaving import Setting
    from .inbox import Inbox
    from .running import Running

MOST = 1e9
"""What a host may set an axis to, or kick it by, either way and in its unit. More is no camera: two huge but
finite numbers can add up to one that is not, and then a frame has no sine."""


class Steering:
    """Takes what a host sets; each kind of setting is woven in at its first use."""

    def __init__(self, running: Running, inbox: Inbox) -> None:
        self._running, self._inbox = running, inbox

    def set_axis(self, name: str, value: float, at: float | None = None) -> None:
        """As :meth:`Session.set_axis` says."""
        self._set(("set", name), self._inner(name, value), 0.0, at)

    def turn_to(self, name: str, value: float, *, over: float, at: float | None = None) -> None:
        """As :meth:`Session.turn_to` says."""
        if not 0.0 < over < float("inf"):
            raise ArgumentError(f"over: found {over!r}; expected seconds above 0")
        self._set(("turn", name), self._inner(name, value), over, at)

    def _inner(self, name: str, value: float) -> float:
        """A value as its axis adds it up."""
        axis = next((axis for axis in self._running.plan.axes if axis.name == name), None)
        if axis is None:
            names = [axis.name for axis in self._running.plan.axes]
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        if not -MOST <= value <= MOST or (axis.log and value <= 0.0):
            wanted = f"{'above 0' if axis.log else f'{-MOST:g}'} to {MOST:g}"
            raise ArgumentError(f"{name}: found {value!r}; expected {wanted}")
        return axis.inner(value)

    def set_scale(self, route: str, factor: float, at: float | None = None) -> None:
        """As :meth:`Session.set_scale` says."""
        names = [route.name for route in self._running.plan.routes]
        if route not in names:
            raise ArgumentError(f"found the route {route}; expected {listed(names)}{nearest(route, names)}")
        if not 0.0 <= factor <= 100.0:
            raise ArgumentError(f"{route}: found the factor {factor!r}; expected 0 to 100")
        self._set(("scale", route), factor, 0.0, at)

    def _set(self, setting: Setting, x: float, y: float, at: float | None) -> None:
        """Queue a host's setting; the first of its kind weaves the program again with room for it."""
        if at is not None and at - at != 0.0:
            raise ArgumentError(f"at: found {at!r}; expected finite seconds")
        codes = self._running.with_setting(setting)
        if codes:
            self._inbox.renumber(codes)
        self._inbox.put((NO_TIME if at is None else at, self._running.program.settings[setting], x, y))

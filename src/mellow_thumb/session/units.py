"""Units: a host whose world is not in metres says once how many of its units make a metre."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError
from .view import View

if TYPE_CHECKING:
    from collections.abc import Callable


def check_units(units_per_metre: float) -> float:
    """Check a scale of the world; raises :class:`ArgumentError` for a bad one."""
    if not 1e-6 <= units_per_metre <= 1e6:
        raise ArgumentError(f"units_per_metre: found {units_per_metre!r}; expected 1e-06 to 1e+06")
    return float(units_per_metre)


class InUnits:
    """A camera in a host's units."""

    def __init__(self, view: Callable[..., View], units: float) -> None:
        """Wrap `view`, which is in metres, for `units` per metre."""
        self._view, self._units = view, units

    def view(self, subject: Any = None, **said: Any) -> View:
        """As :meth:`Session.view` says."""
        units = self._units
        if subject is not None:
            subject = self._placed(subject) if _has_rotation(subject) else self._point(subject)
        for name in ("target", "head"):
            if said.get(name) is not None:
                said[name] = self._point(said[name]) if name == "target" else self._placed(said[name])
        if said.get("clear") is not None:
            said["clear"] = self._number(said["clear"])
        ground = said.get("ground")
        if callable(ground):
            said["ground"] = lambda x, z: ground(x * units, z * units) / units
        elif ground is not None:
            said["ground"] = self._number(ground)
        seen = self._view(subject, **said)
        return View(in_units(seen.pose, units), seen.cursor)

    def _placed(self, said: Any) -> Any:
        """A place and a rotation in metres; bad ones are passed on, to be refused later."""
        try:
            place, rotation = said
        except (TypeError, ValueError):
            return said
        return self._point(place), rotation

    def _point(self, place: Any) -> Any:
        """A place in metres; a bad one is passed on, to be refused later."""
        try:
            return tuple([float(part) / self._units for part in place])
        except (TypeError, ValueError):
            return place

    def _number(self, length: Any) -> Any:
        try:
            return float(length) / self._units
        except (TypeError, ValueError):
            return length


def _has_rotation(subject: Any) -> bool:
    try:
        return len(subject) == 2
    except TypeError:
        return False


def in_units(pose: tuple[float, ...], units: float) -> tuple[float, ...]:
    """A pose in other units: its place, and the extent of a flat picture."""
    x, y, z, *turned, extent = pose
    return (x * units, y * units, z * units, *turned, extent * units)

"""A host's world: which of its axes point where, and how many of its units make a metre."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError
from .basis import Basis
from .view import view_of

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..weaving import Posed
    from .view import Triple, View

OURS = Basis()
"""The axes of everything within."""


def check_units(units_per_metre: float) -> float:
    """Check a scale of the world; raises :class:`ArgumentError` for a bad one."""
    if not 1e-6 <= units_per_metre <= 1e6:
        raise ArgumentError(f"units_per_metre: found {units_per_metre!r}; expected 1e-06 to 1e+06")
    return float(units_per_metre)


def check_basis(basis: object) -> None:
    """Raise :class:`ArgumentError` for anything but a basis, or None for ours."""
    if basis is not None and not isinstance(basis, Basis):
        raise ArgumentError(f'basis: found {basis!r}; expected one such as mt.Basis("+x", "+z", "+y")')


def coordinates_of(basis: Basis | None, units_per_metre: float) -> Coordinates | None:
    """A host's coordinates; None if they are ours.

    Raises :class:`ArgumentError` for what is no basis, and for a bad scale.
    """
    units = check_units(units_per_metre)
    check_basis(basis)
    return Coordinates(basis or OURS, units) if units != 1.0 or basis not in (None, OURS) else None


class Coordinates:
    """Converts places, directions and rotations between ours and a host's."""

    def __init__(self, basis: Basis, units: float) -> None:
        """Say which axes, and how many `units` a metre has."""
        self.basis, self.units = basis, units
        up = "xyz".index(basis.up[1])
        self._level = tuple(k for k in range(3) if k != up)

    def place(self, x: float, y: float, z: float) -> Triple:
        """A place of ours, or anything else in metres, in the host's coordinates."""
        a, b, c = self.basis.vector((x, y, z)) if self.basis is not OURS else (x, y, z)
        units = self.units
        return a * units, b * units, c * units

    def our_place(self, theirs: Triple) -> Triple:
        """A place of the host's in ours."""
        x, y, z = self.basis.our_vector(theirs)
        units = self.units
        return x / units, y / units, z / units

    def level(self, x: float, z: float) -> tuple[float, float]:
        """A place on the map in the host's two level coordinates, in their order."""
        there = self.place(x, 0.0, z)
        return there[self._level[0]], there[self._level[1]]

    def pose(self, pose: Posed) -> Posed:
        """A pose of ours in the host's coordinates: its place, its rotation, the extent of a flat picture."""
        (x, y, z), turned, angle, extent = pose
        return self.place(x, y, z), self.basis.rotation(turned), angle, extent * self.units

    # ---- what a host says; bad ones are passed on, to be refused where all are

    def told_place(self, said: Any) -> Any:
        """A place that a host says."""
        try:
            x, y, z = map(float, said)
        except (TypeError, ValueError):
            return said
        return self.our_place((x, y, z))

    def told_direction(self, said: Any) -> Any:
        """A direction that a host says, of any length."""
        try:
            x, y, z = map(float, said)
        except (TypeError, ValueError):
            return said
        return self.basis.our_vector((x, y, z))

    def told_rotation(self, said: Any) -> Any:
        """A rotation that a host says."""
        try:
            x, y, z, w = map(float, said)
        except (TypeError, ValueError):
            return said
        return self.basis.our_rotation((x, y, z, w))

    def told_pose(self, said: Any) -> Any:
        """A place and a rotation that a host says."""
        try:
            place, rotation = said
        except (TypeError, ValueError):
            return said
        return self.told_place(place), self.told_rotation(rotation)

    def told_length(self, said: Any) -> Any:
        """A length or a height that a host says."""
        try:
            return float(said) / self.units
        except (TypeError, ValueError):
            return said

    def told_ground(self, ground: Callable[[float, float], float]) -> Callable[[float, float], float]:
        """A host's function of the ground's height, for places of ours."""
        return lambda x, z: ground(*self.level(x, z)) / self.units


class Converting:
    """A camera for a host with other coordinates."""

    def __init__(self, view: Callable[..., View], coordinates: Coordinates) -> None:
        """Wrap `view`, which is in our coordinates."""
        self._view, self._coordinates = view, coordinates

    def view(
        self, subject: Any = None, clear: Any = None, ground: Any = None, target: Any = None, up: Any = None,
        head: Any = None, cut: bool = False,
    ) -> View:  # fmt: skip
        """As :meth:`Session.view` says."""
        own = self._coordinates
        seen = self._view(
            _told(own.told_pose if _has_rotation(subject) else own.told_place, subject),
            _told(own.told_length, clear),
            _told(own.told_ground if callable(ground) else own.told_length, ground),
            _told(own.told_place, target),
            _told(own.told_direction, up),
            _told(own.told_pose, head),
            cut,
        )
        pose = seen.position, seen.rotation, seen.field_of_view, seen.extent
        return view_of(own.pose(pose), seen.cursor)


def _told(take: Callable[[Any], Any], said: Any) -> Any:
    """What a host says, in our coordinates, if it says anything."""
    return None if said is None else take(said)


def _has_rotation(subject: Any) -> bool:
    try:
        return len(subject) == 2
    except TypeError:
        return False

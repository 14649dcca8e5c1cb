"""The camera, for a renderer."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..formulas import rotation_rows

if TYPE_CHECKING:
    from ..weaving import Posed

Triple = tuple[float, float, float]
Quadruple = tuple[float, float, float, float]

Matrix = tuple[tuple[float, float, float, float], ...]


def direction(up: Triple) -> Triple:
    """The unit vector of a direction; raises :class:`ArgumentError` for one of no length."""
    x, y, z = map(float, up)
    size = (x * x + y * y + z * z) ** 0.5
    if not 0.0 < size < 1e300:
        raise ArgumentError(f"up: found {up!r}; expected a direction (x, y, z)")
    return x / size, y / size, z / size


class View:
    """A camera pose: right-handed, metres, +X right, +Y up, -Z forward."""

    __slots__ = ("cursor", "extent", "field_of_view", "position", "rotation")

    position: Triple
    """Where the camera is: x, y, z in metres, or in the units of the session."""
    rotation: Quadruple
    """The camera's rotation: a unit quaternion (x, y, z, w), camera to world."""
    field_of_view: float
    """The vertical field of view, in degrees; a zoom narrows it. 0 for a flat picture."""
    extent: float
    """What a flat picture shows: metres along the shorter side of the screen; 0 in perspective."""
    cursor: str
    """What the pointer should be: ``free``, ``hidden``, or ``held`` where it is."""

    @property
    def pose(self) -> tuple[float, ...]:
        """All of it: the place, the rotation, the field of view, the extent."""
        return (*self.position, *self.rotation, self.field_of_view, self.extent)

    def __eq__(self, other: object) -> bool:
        """Whether both show the same, including the pointer."""
        return isinstance(other, View) and (self.pose, self.cursor) == (other.pose, other.cursor)

    def __hash__(self) -> int:
        return hash((self.pose, self.cursor))

    def __repr__(self) -> str:
        return f"View(position={self.position}, rotation={self.rotation})"

    def pose_matrix(self) -> Matrix:
        """The 4x4 matrix that takes points from the camera's frame to the world's.

        Four rows of four numbers, for column vectors; the last column is the position.
        """
        a, b, c, d, e, f, g, h, i = rotation_rows(*self.rotation)
        x, y, z = self.position
        return ((a, b, c, x), (d, e, f, y), (g, h, i, z), (0.0, 0.0, 0.0, 1.0))

    def matrix(self) -> Matrix:
        """The view matrix: 4x4, from the world's frame to the camera's, for column vectors.

        It is the inverse of :meth:`pose_matrix`, and what a renderer multiplies points by.
        """
        a, b, c, d, e, f, g, h, i = rotation_rows(*self.rotation)
        x, y, z = self.position
        columns = ((a, d, g), (b, e, h), (c, f, i))
        return (*((p, q, r, -(p * x + q * y + r * z)) for p, q, r in columns), (0.0, 0.0, 0.0, 1.0))


def view_of(pose: Posed, cursor: str = "free") -> View:
    """The view that a pose makes."""
    view = View()  # without an __init__, which would take twice as long
    view.position, view.rotation, view.field_of_view, view.extent = pose
    view.cursor = cursor
    return view

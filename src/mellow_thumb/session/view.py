"""The camera, for a renderer."""

from __future__ import annotations

from ..basics import ArgumentError
from ..formulas import rotation_rows

Triple = tuple[float, float, float]
Quadruple = tuple[float, float, float, float]
POSE = 9
"""How many numbers a pose is: place, rotation, field of view, extent."""

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

    __slots__ = ("_pose", "cursor")

    def __init__(self, pose: tuple[float, ...], cursor: str = "free") -> None:
        self._pose = pose
        self.cursor = cursor
        """What the pointer should be: ``free``, ``hidden``, or ``held`` where it is."""

    @property
    def pose(self) -> tuple[float, ...]:
        """All of it: the place, the rotation, the field of view, the extent."""
        return self._pose

    @property
    def position(self) -> tuple[float, float, float]:
        """Where the camera is: x, y, z in metres, or in the units of the session."""
        return self._pose[:3]  # type: ignore[return-value]

    @property
    def rotation(self) -> tuple[float, float, float, float]:
        """The camera's rotation: a unit quaternion (x, y, z, w), camera to world."""
        return self._pose[3:7]  # type: ignore[return-value]

    @property
    def field_of_view(self) -> float:
        """The vertical field of view, in degrees; a zoom narrows it. 0 for a flat picture."""
        return self._pose[7]

    @property
    def extent(self) -> float:
        """What a flat picture shows: metres along the shorter side of the screen; 0 in perspective."""
        return self._pose[8]

    def __eq__(self, other: object) -> bool:
        """Whether both show the same, including the pointer."""
        return isinstance(other, View) and (self._pose, self.cursor) == (other._pose, other.cursor)

    def __hash__(self) -> int:
        return hash((self._pose, self.cursor))

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

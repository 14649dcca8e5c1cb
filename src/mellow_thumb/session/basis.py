"""Other axes: poses and directions for hosts with other axes, or a left-handed world."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property
from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed

if TYPE_CHECKING:
    from .view import Quadruple, Triple

NAMED = {
    f"{sign}{name}": tuple((1.0 if sign == "+" else -1.0) * float(k == place) for k in range(3))
    for place, name in enumerate("xyz")
    for sign in "+-"
}
"""The axes that a host may name, as unit vectors in its own coordinates."""

SENSES = {
    "yaw": ("turns the view right", "up", -1.0),
    "pitch": ("looks up", "right", 1.0),
    "roll": ("lowers the right side of the view", "forward", 1.0),
}
"""For each angle: what positive does, the direction that it turns about, and which way in our own world."""

WAYS = {
    "distance": "is further from the subject, against the view",
    "pan_x": "moves the camera right",
    "pan_y": "moves the camera forward",
    "move_x": "goes to the right",
    "move_y": "goes forward",
}


@dataclass(frozen=True)
class Basis:
    """A host's axes: which of them point right, up and forward, each one of ``+x`` to ``-z``.

    Ours are ``Basis("+x", "+y", "-z")``: right-handed. Another handedness follows from the three.

    >>> engine = Basis(right="+x", up="+z", forward="+y")
    >>> engine.vector((1.0, 2.0, -3.0))
    (1.0, 3.0, 2.0)
    """

    right: str = "+x"
    up: str = "+y"
    forward: str = "-z"

    def __post_init__(self) -> None:
        for what in ("right", "up", "forward"):
            if getattr(self, what) not in NAMED:
                raise ArgumentError(f"{what}: found {getattr(self, what)!r}; expected {listed(NAMED)}")
        if len({self.right[1], self.up[1], self.forward[1]}) < 3:
            found = f"{self.right}, {self.up} and {self.forward}"
            raise ArgumentError(f"basis: found {found}; expected three different axes")

    @cached_property
    def rows(self) -> tuple[Triple, Triple, Triple]:
        """The 3x3 matrix, row by row, that takes our coordinates to the host's (column vectors)."""
        columns = (NAMED[self.right], NAMED[self.up], tuple(-part for part in NAMED[self.forward]))
        x, y, z = ((columns[0][k], columns[1][k], columns[2][k]) for k in range(3))
        return x, y, z

    @cached_property
    def handedness(self) -> float:
        """1 for a right-handed host, -1 for a left-handed one: the determinant of :attr:`rows`."""
        (a, b, c), (d, e, f), (g, h, i) = self.rows
        return a * (e * i - f * h) - b * (d * i - f * g) + c * (d * h - e * g)

    def vector(self, ours: Triple) -> Triple:
        """Convert a place or a direction of ours to the host's coordinates."""
        x, y, z = (sum(a * b for a, b in zip(row, ours, strict=True)) + 0.0 for row in self.rows)
        return x, y, z

    def rotation(self, ours: Quadruple) -> Quadruple:
        """Convert a rotation of ours (x, y, z, w) to the host's; no turn looks along its forward."""
        x, y, z = self.vector((ours[0], ours[1], ours[2]))
        sign = self.handedness
        return (sign * x, sign * y, sign * z, ours[3])

    def our_vector(self, theirs: Triple) -> Triple:
        """Convert a place or a direction of the host's to our coordinates."""
        x, y, z = (sum(self.rows[k][n] * theirs[k] for k in range(3)) + 0.0 for n in range(3))
        return x, y, z

    def our_rotation(self, theirs: Quadruple) -> Quadruple:
        """Convert a rotation of the host's (x, y, z, w) to ours."""
        x, y, z = self.our_vector((theirs[0], theirs[1], theirs[2]))
        sign = self.handedness
        return (sign * x, sign * y, sign * z, theirs[3])

    def turn(self, angle: str) -> tuple[float, str]:
        """Which way a positive `angle` (yaw, pitch, roll) turns, 1 or -1, and about which of its axes."""
        _, about, ours = SENSES[angle]
        axis = getattr(self, about)
        sign = 1.0 if axis[0] == "+" else -1.0
        return ours * self.handedness * sign, f"+{axis[1]}"

    def senses(self) -> str:
        """What positive does, axis by axis, in the host's own terms: a few lines to print."""
        hand = "right" if self.handedness > 0.0 else "left"
        lines = [f"right {self.right}, up {self.up}, forward {self.forward}: {hand}-handed"]
        for angle, (words, _, _) in SENSES.items():
            way, axis = self.turn(angle)
            lines.append(f"{angle:<8} + {words}: a {'positive' if way > 0 else 'negative'} turn about {axis}")
        ways = {"pan_x": self.right, "pan_y": self.forward, "move_x": self.right, "move_y": self.forward}
        for name, words in WAYS.items():
            along = f": along {ways[name]} while yaw is 0" if name in ways else ""
            lines.append(f"{name:<8} + {words}{along}")
        return "\n".join(lines)

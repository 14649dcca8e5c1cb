"""Where the warden stands on the land, and where the session's camera is."""

from __future__ import annotations

from math import cos, isnan, radians, sin
from typing import TYPE_CHECKING

from . import land

if TYPE_CHECKING:
    from ..session import Frame, Quadruple, Session, Triple, View

Seen = tuple["Triple", "Quadruple", "View"]
"""Where he stands, how he is turned, the view of him."""
SHOULDERS = 1.5
"""Where it is looked from, whether it is clear behind him (m)."""


class Stand:
    """Walks the warden by a session's steps, around what stands in the way, and asks for the view."""

    def __init__(self, session: Session, place: tuple[float, float] = (0.0, 0.0)) -> None:
        self._session = session
        self.place = place
        """Where he stands: x and z in metres."""
        self._view: View | None = None

    def see(self, frame: Frame, head: tuple[Triple, Quadruple] | None = None) -> Seen:
        """After a frame: where he stands, which way he faces, and the view."""
        moved = frame.movement
        x, z = self.place = land.stood(*self.place, moved.step)
        half = 0.0 if isnan(moved.heading) else 0.5 * radians(moved.heading)
        place, turned = (x, land.ground(x, z), z), (0.0, -sin(half), 0.0, cos(half))
        clear = None
        if self._view is not None:
            clear = land.clear((x, place[1] + SHOULDERS, z), _back_of(self._view.rotation))
        view = self._session.view((place, turned), clear=clear, ground=land.ground, head=head)
        self._view = view
        return place, turned, view


def _back_of(rotation: Quadruple) -> Triple:
    """Which way is behind a camera: its +Z in the world."""
    x, y, z, w = rotation
    return 2.0 * (x * z + w * y), 2.0 * (y * z - w * x), 1.0 - 2.0 * (x * x + y * y)

"""Following the warden along the dyke: a game loop without a window.

The host owns the warden: it moves him by what the frame says, keeps him on the dyke, and tells the camera
where he ended up and what is in its way. Run it: python examples/following.py
"""

from __future__ import annotations

import mellow_thumb as mt
from mellow_thumb import marsh

DYKE = 3.0
"""Half the width of the dyke, in metres; its sides are too steep to walk."""
HUT = (1.5, -2.0, 1.2)
"""A hut on the dyke: x and z of its middle, and its radius, in metres."""

Place = tuple[float, float, float]


def moved(place: Place, step: Place) -> Place:
    """Where the warden may go: he slides along the edge of the dyke."""
    x, y, z = (a + b for a, b in zip(place, step, strict=True))
    return max(-DYKE, min(DYKE, x)), y, z


def clear_behind(place: Place, view: mt.View) -> float:
    """How far it is from the warden toward the camera until the hut is in the way, in metres."""
    ways = [(a - b) for a, b in zip(view.position, place, strict=True)]
    length = (ways[0] ** 2 + ways[2] ** 2) ** 0.5
    if length < 1e-6:
        return 1e9
    dx, dz = ways[0] / length, ways[2] / length
    hut_x, hut_z, radius = HUT
    along = (hut_x - place[0]) * dx + (hut_z - place[2]) * dz
    beside = abs((hut_x - place[0]) * dz - (hut_z - place[2]) * dx)
    return max(along - (radius**2 - beside**2) ** 0.5, 0.0) if along > 0.0 and beside < radius else 1e9


def main() -> list[tuple[float, Place, mt.View]]:
    """Play the take of two thumbs into a session, 60 frames a second; every frame's time, place and view."""
    session = mt.load_profile(marsh.FOLLOWING).session()
    take = mt.read_take(marsh.FOLLOWING_TAKE).table
    for t, signal, value in zip(take["t"], take["signal"], take["value"], strict=True):
        session.feed(str(signal), float(value), at=float(t))
    place: Place = (0.0, 0.0, 0.0)
    view, seen = session.view(place), []
    while session.now < 9.0:
        frame = session.tick(1 / 60)
        place = moved(place, frame.movement.step)
        view = session.view(place, clear=clear_behind(place, view))
        seen.append((frame.t, place, view))
    return seen


if __name__ == "__main__":
    for t, place, view in main()[29::30]:
        away = sum((a - b) ** 2 for a, b in zip(view.position, place, strict=True)) ** 0.5
        print(f"{t:4.1f} s  warden at {place[0]:5.2f}, {-place[2]:5.2f} m ahead  camera {away:4.2f} m away")

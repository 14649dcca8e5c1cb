"""The chart of the marsh: a game loop that draws only when there is something new to see.

The host owns the warden and the ground: it moves the one and says how high the other is. The chart opens over
the warden, and coming back from it the camera is where it was. Run it: python examples/chart.py
"""

from __future__ import annotations

from math import cos, sin

import mellow_thumb as mt
from mellow_thumb import marsh

Place = tuple[float, float, float]
LEAST = 1e-4
"""What is not worth drawing anew: a view that moved by less, in metres, or turned by less."""


def sandbank(x: float, z: float) -> float:
    """How high the marsh is above low water, in metres."""
    return 0.6 + 0.5 * sin(0.08 * x) * cos(0.11 * z)


def is_new(view: mt.View, drawn: mt.View) -> bool:
    """Whether a view is worth drawing."""
    before, now = (*drawn.position, *drawn.rotation), (*view.position, *view.rotation)
    return any(abs(a - b) > LEAST for a, b in zip(before, now, strict=True))


def main() -> list[tuple[mt.Frame, mt.View, bool]]:
    """Play the take of two hands into a session, 60 frames a second: each frame, its view, if it is new."""
    session = mt.load_profile(marsh.CHART).session()
    take = mt.read_take(marsh.CHART_TAKE).table
    for t, signal, value in zip(take["t"], take["signal"], take["value"], strict=True):
        session.feed(str(signal), float(value), at=float(t))
    place: Place = (0.0, 0.0, 0.0)
    drawn, seen = session.view(place, ground=sandbank), []
    while session.now < 14.0:
        frame = session.tick(1 / 60)
        x, _, z = (a + b for a, b in zip(place, frame.movement.step, strict=True))
        place = (x, sandbank(x, z), z)
        view = session.view(place, ground=sandbank)
        fresh = is_new(view, drawn)
        drawn = view if fresh else drawn
        seen.append((frame, view, fresh))
    return seen


if __name__ == "__main__":
    frames = main()
    for frame, view, _ in frames[29::30]:
        axes, height = frame.axes, view.position[1]
        words = f"{frame.t:4.1f} s  {frame.mount:<6}  {axes['distance']:5.2f} m away, {height:5.2f} m up"
        if frame.mount == "chart":
            words += f", the middle at {axes['pan_x']:5.2f} m, {axes['pan_y']:5.2f} m"
        print(words)
    print(f"{sum(fresh for _, _, fresh in frames)} of {len(frames)} frames were worth drawing")

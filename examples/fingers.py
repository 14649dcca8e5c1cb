"""A chart under the fingers: contacts as a touch screen reports them, and a mark where one taps.

The host says what happens to each contact and how large the screen is; it puts a mark where the chart lies
under a tap, and keeps what is dragged under the finger. Run it: python examples/fingers.py
"""

from __future__ import annotations

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.stand_ins.fingers import Fingers

SCREEN = (1280, 800)

Place = tuple[float, float]


def under(view: mt.View, place: Place) -> Place:
    """The place of the chart, in metres, under a place of the screen (0..1 from its bottom left)."""
    wide, tall = SCREEN
    metres = view.extent / min(wide, tall)  # what the shorter side shows
    x = view.position[0] + (place[0] - 0.5) * wide * metres
    y = view.position[1] + (place[1] - 0.5) * tall * metres
    return x, y


def hands() -> list[tuple[float, int, str, Place]]:
    """A drag, a pinch and two taps: when, which finger, what it does, where."""
    fingers = Fingers(11, screen=SCREEN)
    fingers.rest(0.2)
    fingers.land((0.7, 0.4))
    fingers.move((0.45, 0.5), 0.5)
    fingers.lift()
    fingers.rest(0.4)
    fingers.pinch((0.5, 0.5), 0.2, 0.6, 0.6)
    fingers.rest(0.3)
    for place in ((0.4, 0.6), (0.62, 0.35)):
        fingers.tap(place)
        fingers.rest(0.4)
    found: list[tuple[float, int, str, Place]] = []
    at: dict[str, Place] = {}
    take = fingers.take().table
    for t, signal, value in zip(take["t"].tolist(), take["signal"], take["value"].tolist(), strict=True):
        _, finger, what, *part = str(signal).split(".")
        if what == "place":
            x, y = at.get(finger, (0.5, 0.5))
            at[finger] = (value, y) if part == ["x"] else (x, value)
            if part == ["y"]:
                found.append((t, int(finger), "move", at[finger]))
        elif what == "down":
            found.append((t, int(finger), "down" if value else "up", at[finger]))
    return found


def main() -> list[tuple[float, Place, float, list[Place]]]:
    """Play them into a session: each frame's time, the middle of the chart, its zoom, the marks so far."""
    session = mt.load_profile(marsh.FINGERS).session()
    session.set_screen(*SCREEN, pixels_per_cm=63.0)
    marks: list[Place] = []
    seen, waiting, touched = [], hands(), (0.5, 0.5)
    while session.now < 4.0:
        until = session.now + 1 / 60
        while waiting and waiting[0][0] < until:
            t, finger, phase, place = waiting.pop(0)
            session.touch(finger, phase, place, at=t)
            touched = place
        frame = session.tick(1 / 60)
        view = session.view()
        if "mark" in frame.cues:
            marks.append(under(view, touched))
        seen.append((frame.t, (frame.axes["pan_x"], frame.axes["pan_y"]), frame.axes["zoom"], list(marks)))
    return seen


if __name__ == "__main__":
    for t, (x, y), zoom, marks in main()[19::20]:
        print(f"{t:4.1f} s  the middle at {x:6.2f}, {y:6.2f} m  {zoom:4.2f} x  {len(marks)} marks")

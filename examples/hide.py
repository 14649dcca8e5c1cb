"""In the observation hide: the loop of a headset, with what a host of one does each frame.

The head's pose goes straight into the view; the session turns and walks the room around it, and says how dark
to draw the rim while it does, and the whole view at a snap. Run it: python examples/hide.py
"""

from __future__ import annotations

from typing import NamedTuple

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan.signals import POSE_PARTS

RATE = 90.0

Place = tuple[float, float, float]


class Drawn(NamedTuple):
    """One frame, as it would be drawn."""

    t: float
    view: mt.View
    rim: float
    """How dark its rim is, 0 to 1."""
    dark: float
    """How dark all of it is, 0 to 1."""
    birds: int


def main() -> list[Drawn]:
    """Play the take of a head and two hands, as a headset would say it, 90 frames a second."""
    session = mt.load_profile(marsh.HIDE).session()
    door = mt.XrDoor(session)
    take = mt.read_take(marsh.HIDE_TAKE).table
    waiting = list(zip(take["t"].tolist(), map(str, take["signal"]), take["value"].tolist(), strict=True))
    told: dict[str, float] = {}
    place: Place = (0.0, 0.0, 0.0)
    drawn, birds, said = [], 0, 0
    while session.now < 9.0:
        while said < len(waiting) and waiting[said][0] < session.now + 1.0 / RATE:
            _, signal, value = waiting[said]
            told[signal] = value
            said += 1
        for side in ("left", "right"):  # the whole state, each frame: the door sees what has changed
            path, name = f"/user/hand/{side}/input", f"{side}_hand"
            door.input(f"{path}/squeeze/value", told.get(f"{name}.grip", 0.0))
            stick = (told.get(f"{name}.stick.x", 0.0), told.get(f"{name}.stick.y", 0.0))
            door.input(f"{path}/thumbstick", stick)
            door.input(f"{path}/trigger/value", told.get(f"{name}.trigger", 0.0))
        x, y, z, *turned = (told[f"host.head.{part}"] for part in POSE_PARTS)
        door.pose("/user/head", (x, y, z), (turned[0], turned[1], turned[2], turned[3]))
        frame = session.tick(1.0 / RATE)
        a, b, c = (one + step for one, step in zip(place, frame.movement.step, strict=True))
        place = (a, b, c)
        view = session.view(place, head=door.head)
        birds += frame.cues.get("count", 0)
        drawn.append(Drawn(frame.t, view, frame.vignette(), frame.fade, birds))
    return drawn


if __name__ == "__main__":
    for one in main()[44::45]:
        x, y, z = one.view.position
        where = f"head at {x:5.2f}, {-z:5.2f}, {y:4.2f} m up"
        print(f"{one.t:4.1f} s  {where}  rim {one.rim:4.2f}  dark {one.dark:4.2f}  {one.birds} birds")

"""A walk in a window, by mouse and keys, a gamepad, or fingers: W, A, S and D or the left stick walk.

The mouse, the right stick or a finger on the right half looks, the wheel or two fingers reel the camera. M
opens the chart: the left button drags it. It needs pygame-ce: pip install 'mellow-thumb[windows]'. Run it:
python examples/window.py
"""

from __future__ import annotations

import sys
from math import asin, cos, radians, sin, tan
from pathlib import Path

import numpy as np

import mellow_thumb as mt

try:
    import pygame
except ImportError:
    sys.exit("this example opens a window with pygame-ce: pip install 'mellow-thumb[windows]'")

SKY, MUD, WATER, POST = (191, 209, 209), (205, 196, 170), (150, 178, 186), (94, 74, 56)
WARDEN, HAT = (38, 71, 61), (194, 158, 92)
WALLS = [(0, 1, 3, 2), (4, 5, 7, 6), (0, 1, 5, 4), (2, 3, 7, 6), (0, 2, 6, 4), (1, 3, 7, 5)]


def box(x: float, y: float, z: float, wide: float, high: float, deep: float) -> np.ndarray:
    """The six walls of a box that stands on its place."""
    corners = np.array([(a, b, c) for a in (-0.5, 0.5) for b in (0, 1) for c in (-0.5, 0.5)])
    return ((x, y, z) + corners * (wide, high, deep))[WALLS]


BANKS = [(0, 0), (2, 0), (2, 1.5), (0, 1.5)]
CREEKS = np.array([[(x + a, 0, z + 2 * sin((x + a) / 7) + b) for a, b in BANKS]
                   for x in range(-60, 60, 2) for z in range(-58, 60, 11)])  # fmt: skip
POSTS = np.concatenate([box(x, 0, z, 0.15, 1.2, 0.15) for x in range(-58, 60, 9) for z in range(-54, 60, 11)])


def draw(screen: pygame.Surface, view: mt.View, x: float, z: float, heading: float) -> None:
    """Draw the marsh, and the warden where he stands, as the view sees them: what is far first."""
    across, ahead = 0.15 * sin(radians(heading)), -0.15 * cos(radians(heading))
    hat = [box(x, 1.5, z, 0.3, 0.25, 0.3), box(x + across, 1.5, z + ahead, 0.3, 0.05, 0.3)]
    walls = np.concatenate([CREEKS, POSTS, box(x, 0, z, 0.45, 1.5, 0.45), *hat])
    paint = [WATER] * len(CREEKS) + [POST] * len(POSTS) + [WARDEN] * 6 + [HAT] * 12
    rows, middle = np.array(view.matrix()), np.array(screen.get_size()) / 2
    seen, high = walls @ rows[:3, :3].T + rows[:3, 3], middle[1] / tan(radians(view.field_of_view) / 2)
    far = -seen[..., 2]  # right, up, back
    sky = max(0.0, middle[1] + high * tan(max(-1.5, min(1.5, asin(-rows[2, 1])))))
    screen.fill(MUD)
    screen.fill(SKY, (0, 0, 2 * middle[0], sky))
    shown = np.flatnonzero((far.min(axis=1) > 0.3) & (far.max(axis=1) < 70.0))
    order = shown[np.argsort(-far[shown].mean(axis=1))]
    places = middle + high * seen[order, :, :2] * (1, -1) / far[order, :, None]
    for k, place in zip(order, places.tolist(), strict=True):
        pygame.draw.polygon(screen, paint[k], place)


def main(frames: int = -1) -> pygame.Surface:
    """Run until the window is closed, or for so many frames; the last picture."""
    pygame.display.init()
    screen = pygame.display.set_mode((1280, 800), pygame.RESIZABLE)
    pygame.display.set_caption("W, A, S, D walk, the mouse looks, the wheel reels, M opens the chart")
    session = mt.load_profile(Path(__file__).with_name("window.toml")).session()
    door, view, clock, x, z = mt.PygameDoor(session), None, pygame.time.Clock(), 0.0, 0.0
    while frames:
        frames -= 1
        for event in pygame.event.get():
            frames = 0 if event.type == pygame.QUIT else frames
            door.feed(event)
        door.frame(view)
        frame = session.tick(clock.tick(60) / 1000.0)
        x, z = x + frame.movement.step[0], z + frame.movement.step[2]
        view = session.view((x, 0.0, z))
        draw(screen, view, x, z, frame.movement.heading)
        pygame.display.flip()
    return screen


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else -1)
    pygame.quit()

"""A walk in a window, by mouse and keys: W, A, S and D walk, the mouse looks, the wheel reels the camera.

It draws the marsh from above: the warden, the camera behind him, what it looks at. M opens the chart, drawn
as its own camera sees it: the left button drags it, the wheel brings nearer what is under the pointer. It
needs pygame-ce: pip install 'mellow-thumb[windows]'. Run it: python examples/window.py
"""

from __future__ import annotations

import sys
from math import radians, tan
from pathlib import Path

import mellow_thumb as mt

try:
    import pygame
except ImportError:
    sys.exit("this example opens a window with pygame-ce: pip install 'mellow-thumb[windows]'")

SIZE, SCALE = (1280, 800), 60
MUD, SEEN, WATER, WARDEN, CAMERA = (
    (205, 196, 170),
    (226, 219, 199),
    (150, 178, 186),
    (29, 106, 150),
    (180, 83, 31),
)


def draw(screen: pygame.Surface, place: tuple[float, float, float], heading: float, view: mt.View) -> None:
    """The map, with the warden in the middle."""
    screen.fill(MUD)

    def at(x: float, z: float) -> tuple[float, float]:
        return SIZE[0] / 2 + SCALE * (x - place[0]), SIZE[1] / 2 + SCALE * (z - place[2])

    warden, camera = at(place[0], place[2]), at(view.position[0], view.position[2])
    rows = view.pose_matrix()  # its third column points backward
    ahead = pygame.Vector2(-rows[0][2], -rows[2][2]) * 14.0 * SCALE
    sides = [ahead.rotate(way * view.field_of_view * SIZE[0] / SIZE[1] / 2.0) for way in (-1.0, 1.0)]
    pygame.draw.polygon(screen, SEEN, [camera, *((camera[0] + a.x, camera[1] + a.y) for a in sides)])
    for k in range(-12, 13):  # creeks, so that one sees the ground go by
        row = round(place[2] / 4.0) + k
        ends = at(place[0] - 14.0, 4.0 * row), at(place[0] + 14.0, 4.0 * row + 1.5)
        pygame.draw.line(screen, WATER, *ends, 14)
    pygame.draw.line(screen, CAMERA, camera, warden, 2)
    pygame.draw.circle(screen, CAMERA, camera, 9)
    pygame.draw.circle(screen, WARDEN, warden, 14)
    nose = pygame.Vector2(0.0, -26.0).rotate(heading)
    pygame.draw.line(screen, WARDEN, warden, (warden[0] + nose.x, warden[1] + nose.y), 5)


def draw_chart(
    screen: pygame.Surface, place: tuple[float, float, float], heading: float, view: mt.View
) -> None:
    """The marsh as the view sees it, in perspective."""
    screen.fill(MUD)
    rows, size = view.matrix(), tan(radians(view.field_of_view) / 2.0)

    def at(x: float, z: float) -> tuple[float, float] | None:
        right, up, back = (row[0] * x + row[2] * z + row[3] for row in rows[:3])  # on the ground, y is 0
        if back > -0.1:
            return None
        across, high = right / -back / size * SIZE[1] / SIZE[0], up / -back / size
        return SIZE[0] / 2 * (1.0 + across), SIZE[1] / 2 * (1.0 - high)

    for row in range(-12, 13):
        ends = at(-40.0, 4.0 * row), at(40.0, 4.0 * row + 4.3)
        if ends[0] and ends[1]:
            pygame.draw.line(screen, WATER, ends[0], ends[1], 10)
    nose = pygame.Vector2(0.0, -1.5).rotate(heading)
    warden, ahead = at(place[0], place[2]), at(place[0] + nose.x, place[2] + nose.y)
    if warden and ahead:
        pygame.draw.circle(screen, WARDEN, warden, 14)
        pygame.draw.line(screen, WARDEN, warden, ahead, 5)


def main(frames: int = -1) -> pygame.Surface:
    """Run until the window is closed, or for so many frames; the last picture."""
    pygame.display.init()
    screen = pygame.display.set_mode(SIZE)
    pygame.display.set_caption("W, A, S, D walk, the mouse looks, the wheel reels, M opens the chart")
    session = mt.load_profile(Path(__file__).with_name("window.toml")).session()
    door, view = mt.PygameDoor(session), None
    clock, place = pygame.time.Clock(), (0.0, 0.0, 0.0)
    while frames:
        frames -= 1
        for event in pygame.event.get():
            if event.type == pygame.QUIT:
                frames = 0
            door.feed(event)
        door.frame(view)
        frame = session.tick(clock.tick(60) / 1000.0)
        x, y, z = frame.movement.step
        place = (place[0] + x, place[1] + y, place[2] + z)
        view = session.view(place)
        picture = draw_chart if frame.mount == "chart" else draw
        picture(screen, place, frame.movement.heading, view)
        pygame.display.flip()
    return screen


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else -1)
    pygame.quit()

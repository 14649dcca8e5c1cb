"""A walk in a window, by mouse and keys: W, A, S and D walk, the mouse looks, the wheel reels the camera.

A map of the marsh from above: the warden, the camera behind him, what it looks at. It needs pygame-ce
(pip install pygame-ce). Run it: python examples/window.py
"""

from __future__ import annotations

import sys
from pathlib import Path

import pygame

import mellow_thumb as mt

SIZE, SCALE = (1280, 800), 60
MUD, SEEN, WATER, WARDEN, CAMERA = (
    (205, 196, 170),
    (226, 219, 199),
    (150, 178, 186),
    (29, 106, 150),
    (180, 83, 31),
)
KEYS = {pygame.K_w: "key.KeyW", pygame.K_a: "key.KeyA", pygame.K_s: "key.KeyS", pygame.K_d: "key.KeyD"}


def feed(session: mt.Session, event: pygame.event.Event) -> None:
    """Hand what the window says to the session; screens count y downwards, so it is flipped once, here."""
    if event.type in (pygame.KEYDOWN, pygame.KEYUP) and event.key in KEYS:
        session.feed(KEYS[event.key], float(event.type == pygame.KEYDOWN))
    elif event.type == pygame.MOUSEMOTION:
        session.feed("mouse.move", (event.rel[0], -event.rel[1]))
    elif event.type == pygame.MOUSEWHEEL:
        session.feed("mouse.wheel", (event.x, event.y))
    elif event.type in (pygame.WINDOWFOCUSLOST, pygame.WINDOWFOCUSGAINED):
        session.feed("host.focus", float(event.type == pygame.WINDOWFOCUSGAINED))


def draw(screen: pygame.Surface, place: tuple[float, float, float], heading: float, view: mt.View) -> None:
    """The map, with the warden in the middle."""
    screen.fill(MUD)

    def at(x: float, z: float) -> tuple[float, float]:
        return SIZE[0] / 2 + SCALE * (x - place[0]), SIZE[1] / 2 + SCALE * (z - place[2])

    for k in range(-12, 13):  # creeks, so that one sees the ground go by
        row = round(place[2] / 4.0) + k
        pygame.draw.line(
            screen, WATER, at(place[0] - 14.0, 4.0 * row), at(place[0] + 14.0, 4.0 * row + 1.5), 14
        )
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


def main(frames: int = -1) -> pygame.Surface:
    """Run until the window is closed, or for so many frames; the last picture."""
    pygame.display.init()
    screen = pygame.display.set_mode(SIZE)
    pygame.display.set_caption("Mellow Thumb: W, A, S, D walk, the mouse looks, the wheel reels the camera")
    session = mt.load_profile(Path(__file__).with_name("window.toml")).session()
    clock, place = pygame.time.Clock(), (0.0, 0.0, 0.0)
    while frames:
        frames -= 1
        for event in pygame.event.get():
            if event.type == pygame.QUIT:
                frames = 0
            feed(session, event)
        frame = session.tick(clock.tick(60) / 1000.0)
        x, y, z = frame.movement.step
        place = (place[0] + x, place[1] + y, place[2] + z)
        draw(screen, place, frame.movement.heading, session.view(place))
        pygame.display.flip()
    return screen


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else -1)
    pygame.quit()

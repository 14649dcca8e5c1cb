"""What a door of a window library costs beside feeding the same by hand: python -m benchmarks.doors

Both sides take turns, medians of rounds. A door that is not installed is left out.
"""

from __future__ import annotations

import os
from collections.abc import Callable, Mapping
from statistics import median
from time import perf_counter
from typing import Any

import mellow_thumb as mt
from mellow_thumb import marsh

ROUNDS, TIMES = 15, 2000


Pair = tuple[Callable[[], object], Callable[[], object]]
"""What a door does, and the same by hand."""


def seconds(act: Callable[[], object], session: mt.Session) -> float:
    begin = perf_counter()
    for _ in range(TIMES):
        act()
    taken = perf_counter() - begin
    session.tick(1 / 60)
    return taken


def compare(name: str, pairs: Mapping[str, Pair], session: mt.Session) -> None:
    for what, (door, hand) in pairs.items():
        found = [(seconds(door, session), seconds(hand, session)) for _ in range(ROUNDS)]
        ratio = median(one for one, _ in found) / median(other for _, other in found)
        print(f"{name}, {what}: {ratio:.2f} of feeding it by hand (at most 1.5)")


def pygame_door() -> None:
    os.environ["SDL_VIDEODRIVER"] = "dummy"
    import pygame

    pygame.display.init()
    pygame.display.set_mode((800, 400))
    session = mt.load_profile(marsh.CHART).session(compiled=False)
    door = mt.PygameDoor(session)
    motion = pygame.event.Event(pygame.MOUSEMOTION, rel=(3, 2), pos=(10, 20), buttons=(0, 0, 0), touch=False)
    key = pygame.event.Event(pygame.KEYDOWN, scancode=pygame.KSCAN_W, key=pygame.K_w, mod=0, unicode="")

    def feed(event: Any) -> None:
        """What a careful programmer types."""
        if event.type in (pygame.KEYDOWN, pygame.KEYUP):
            if event.key == pygame.K_w:
                session.feed("key.KeyW", float(event.type == pygame.KEYDOWN))
        elif event.type == pygame.MOUSEMOTION:
            session.feed("mouse.move", (event.rel[0], -event.rel[1]))
            session.feed("mouse.place", (event.pos[0] / 800, 1.0 - event.pos[1] / 400))

    pairs: dict[str, Pair] = {
        "a movement": (lambda: door.feed(motion), lambda: feed(motion)),
        "a key": (lambda: door.feed(key), lambda: feed(key)),
    }
    compare("pygame", pairs, session)


def main() -> None:
    for door in (pygame_door,):
        try:
            door()
        except ImportError as error:
            print(f"{error.name} is not installed")


if __name__ == "__main__":
    main()

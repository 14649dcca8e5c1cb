"""What a door of a window library costs beside feeding the same by hand: python -m benchmarks.doors

Both sides take turns, medians of rounds. A door that is not installed is left out.
"""

from __future__ import annotations

import os
from collections.abc import Callable, Mapping
from statistics import median
from time import perf_counter
from types import SimpleNamespace
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


def glfw_door() -> None:
    """By a window that is not there: its callbacks are called as GLFW calls them."""
    import glfw

    calls: dict[str, Any] = {}
    for name in (
        "key",
        "cursor_pos",
        "mouse_button",
        "scroll",
        "window_focus",
        "cursor_enter",
        "window_size",
    ):
        setattr(glfw, f"set_{name}_callback", lambda _, call, name=name: calls.update({name: call}))
    setattr(glfw, "get_window_size", lambda _: (800, 400))  # noqa: B010
    session = mt.load_profile(marsh.CHART).session(compiled=False)
    mt.GlfwDoor(session, None)
    at = [0.0, 0.0, 0.0]
    """Where the pointer is, and where it was for who feeds by hand."""

    def move() -> None:
        at[0] = 13.0 - at[0]
        calls["cursor_pos"](None, at[0], 20.0)

    def moved(_: object, x: float, y: float) -> None:
        """What a careful programmer types."""
        session.feed("mouse.move", (x - at[1], -(y - at[2])))
        session.feed("mouse.place", (x / 800, 1.0 - y / 400))
        at[1:] = x, y

    def by_hand() -> None:
        at[0] = 13.0 - at[0]
        moved(None, at[0], 20.0)

    def pressed(_: object, key: int, __: int, action: int, ___: int) -> None:
        """What a careful programmer types."""
        if key == glfw.KEY_W and action != glfw.REPEAT:
            session.feed("key.KeyW", float(action == glfw.PRESS))

    said = (None, glfw.KEY_W, 0, glfw.PRESS, 0)
    pairs: dict[str, Pair] = {
        "a movement": (move, by_hand),
        "a key": (lambda: calls["key"](*said), lambda: pressed(*said)),
    }
    compare("GLFW", pairs, session)


def pyglet_door() -> None:
    """By a window that is not there: its handlers are called as pyglet calls them."""
    import pyglet

    pyglet.options["headless"] = True
    from pyglet.window import key

    handlers: dict[str, Any] = {}
    window = SimpleNamespace(get_size=lambda: (800, 400), push_handlers=lambda **all_: handlers.update(all_))
    session = mt.load_profile(marsh.CHART).session(compiled=False)
    mt.PygletDoor(session, window)

    def on_mouse_motion(x: float, y: float, dx: float, dy: float) -> None:
        """What a careful programmer types."""
        session.feed("mouse.move", (dx, dy))
        session.feed("mouse.place", (x / 800, y / 400))

    def on_key_press(symbol: int, _: int) -> None:
        """What a careful programmer types."""
        if symbol == key.W:
            session.feed("key.KeyW", 1.0)

    pairs: dict[str, Pair] = {
        "a movement": (
            lambda: handlers["on_mouse_motion"](10, 20, 3, 2),
            lambda: on_mouse_motion(10, 20, 3, 2),
        ),
        "a key": (lambda: handlers["on_key_press"](key.W, 0), lambda: on_key_press(key.W, 0)),
    }
    compare("pyglet", pairs, session)


def main() -> None:
    for door in (pygame_door, glfw_door, pyglet_door):
        try:
            door()
        except ImportError as error:
            print(f"{error.name} is not installed")


if __name__ == "__main__":
    main()

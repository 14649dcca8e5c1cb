"""A host in a real window, by a library's door: python window_host.py LIBRARY PROFILE; it ends when its input does.

It says ``ready``, then for each line on its standard input what the session is at, as JSON.
"""

from __future__ import annotations

import json
import select
import sys
import time
from typing import Any

import mellow_thumb as mt


def pygame_window() -> tuple[Any, Any]:
    import pygame

    pygame.display.init()
    pygame.display.set_mode((640, 400), pygame.RESIZABLE)
    return None, lambda door: [door.feed(event) for event in pygame.event.get()]


def glfw_window() -> tuple[Any, Any]:
    import glfw

    glfw.init()
    window = glfw.create_window(640, 400, "marsh", None, None)
    return window, lambda _: glfw.poll_events()


def pyglet_window() -> tuple[Any, Any]:
    import pyglet

    window = pyglet.window.Window(640, 400, resizable=True)
    return window, lambda _: window.dispatch_events()


def main(library: str, path: str) -> None:
    window, turn = {"pygame": pygame_window, "glfw": glfw_window, "pyglet": pyglet_window}[library]()
    session = mt.load_profile(path).session(compiled=False)
    make = {"pygame": mt.PygameDoor, "glfw": mt.GlfwDoor, "pyglet": mt.PygletDoor}[library]
    door = make(session) if window is None else make(session, window)
    print("ready", flush=True)
    view, kept, cues = None, {}, 0
    while True:
        turn(door)
        door.frame(view)
        frame = session.tick(1 / 60)
        view, cues = session.view(), cues + sum(frame.cues.values())
        if select.select([sys.stdin], [], [], 1 / 60)[0]:
            if not sys.stdin.readline():
                return
            kept = {
                "axes": dict(frame.axes), "gates": dict(frame.gates), "cursor": door.cursor, "cues": cues,
                "refused": [*map(str, door.refused.items()), *map(str, session.refused.items())],
                "signals": {name: value for name, value in session.signals.items() if value},
                "size": door._size,
            }  # fmt: skip
            print(json.dumps(kept), flush=True)
        time.sleep(0.0)


if __name__ == "__main__":
    main(*sys.argv[1:])

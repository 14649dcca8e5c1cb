"""A host in a real window, by a library's door: python window_host.py LIBRARY PROFILE [TAKE]; it ends with its input.

It says ``ready`` and its window's number, then answers each line on its standard input in JSON: an empty one with what the session is
at, one of hands, for pyglet, with what they do in a session of their own. With a TAKE it records what comes.
"""

from __future__ import annotations

import json
import select
import sys
from typing import Any

import mellow_thumb as mt


def pygame_window() -> tuple[Any, Any, int]:
    import pygame

    pygame.display.init()
    pygame.display.set_mode((640, 400), pygame.RESIZABLE)
    number = pygame.display.get_wm_info()["window"]
    return None, lambda door: [door.feed(event) for event in pygame.event.get()], number


def glfw_window() -> tuple[Any, Any, int]:
    import glfw

    glfw.init()
    window = glfw.create_window(640, 400, "marsh", None, None)
    return window, lambda _: glfw.poll_events(), glfw.get_x11_window(window)


def pyglet_window() -> tuple[Any, Any, int]:
    import pyglet

    window = pyglet.window.Window(640, 400, resizable=True)
    return window, lambda _: window.dispatch_events(), window._window


def said_by_pyglet(key: Any, what: str, one: Any, two: Any) -> tuple[Any, ...]:
    """What pyglet calls for what hands do; it counts y upwards."""
    place = (9, 391)
    if what == "move":
        return "on_mouse_motion", *place, one, -two
    if what == "wheel":
        return "on_mouse_scroll", *place, one, two
    if what == "key":
        return "on_key_press" if two else "on_key_release", getattr(key, one), 0
    if what == "button":
        return "on_mouse_press" if two else "on_mouse_release", *place, 4, 0
    if what == "focus":
        return ("on_activate" if one else "on_deactivate",)
    return "on_resize", one, two


def by_hand(window: Any, path: str, hands: list[tuple[str, Any, Any]]) -> list[Any]:
    """What hands do through pyglet's own events, step by step, and what was refused."""
    from pyglet.window import key

    session = mt.load_profile(path).session(compiled=False)
    door, found = mt.PygletDoor(session, window), []
    door.resized(800, 400)
    for hand in hands:
        window.dispatch_event(*said_by_pyglet(key, *hand))
        window.dispatch_pending_events()
        frame = session.tick(1 / 60)
        found.append((dict(frame.axes), frame.gates))
    window.pop_handlers()
    return [found, door.refused.total(), session.refused]


def main(library: str, path: str, take: str = "") -> None:
    window, turn, number = {"pygame": pygame_window, "glfw": glfw_window, "pyglet": pyglet_window}[library]()
    session = mt.load_profile(path).session(compiled=False)
    recorder = mt.Recorder.of(session, take) if take else None
    make = {"pygame": mt.PygameDoor, "glfw": mt.GlfwDoor, "pyglet": mt.PygletDoor}[library]
    door = make(session) if window is None else make(session, window)
    print("ready", number, flush=True)
    view, cues, shown = None, 0, list[Any]()
    while True:
        turn(door)
        door.frame(view)
        frame = session.tick(1 / 60)
        view, cues = session.view(), cues + sum(frame.cues.values())
        if recorder:
            recorder.flush()
            shown.append((frame.t, view.pose))
        if select.select([sys.stdin], [], [], 1 / 60)[0]:
            line = sys.stdin.readline()
            if not line:
                break
            said: Any = by_hand(window, path, json.loads(line)) if line.strip() else {
                "axes": dict(frame.axes), "gates": dict(frame.gates), "cursor": door.cursor, "cues": cues,
                "refused": [*map(str, door.refused.items()), *map(str, session.refused.items())],
                "signals": {name: value for name, value in session.signals.items() if value},
                "size": door._size,
            }  # fmt: skip
            print(json.dumps(said), flush=True)
    if recorder:
        recorder.close()
        print(json.dumps(shown), flush=True)


if __name__ == "__main__":
    main(*sys.argv[1:])

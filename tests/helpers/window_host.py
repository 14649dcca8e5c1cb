"""A host in a real window, by a library's door: python window_host.py LIBRARY PROFILE [TAKE]; it ends with its input.

It says ``ready`` and its window's number, then answers each line on its standard input in JSON: an empty one with what the session is
at. For pyglet it takes one of hands, and says what they do in a session of their own; for pygame one of events,
which it posts. With a TAKE it records what comes.
"""

from __future__ import annotations

import json
import select
import sys
from typing import Any

import mellow_thumb as mt

PAD = (
    "03000000010000000200000003000000,Stand-in pad,a:b0,b:b1,y:b2,x:b3,leftshoulder:b4,rightshoulder:b5,"
    "back:b6,start:b7,guide:b8,leftstick:b9,rightstick:b10,dpup:h0.1,dpright:h0.2,dpdown:h0.4,dpleft:h0.8,"
    "leftx:a0,lefty:a1,lefttrigger:a2,rightx:a3,righty:a4,righttrigger:a5,platform:Linux,"
)
"""How a pad is laid out whose buttons and axes are in the order that Linux asks of gamepads."""

PACE = 0.004
"""Seconds for what comes to come, each frame."""


def pygame_window() -> tuple[Any, Any, int]:
    import pygame

    pygame.display.init()
    pygame.display.set_mode((640, 400), pygame.RESIZABLE)
    number = pygame.display.get_wm_info()["window"]
    return None, lambda door: [door.feed(event) for event in pygame.event.get()], number


def glfw_window() -> tuple[Any, Any, int]:
    import glfw

    glfw.init()
    glfw.update_gamepad_mappings(PAD)
    window = glfw.create_window(640, 400, "marsh", None, None)
    return window, lambda _: glfw.poll_events(), glfw.get_x11_window(window)


def pyglet_window() -> tuple[Any, Any, int]:
    import pyglet

    window = pyglet.window.Window(640, 400, resizable=True)
    return window, lambda _: window.dispatch_events(), window._window


def stand_in_pad() -> tuple[Any, list[Any]]:
    """A controller of pyglet over a made-up device, and its buttons and axes, which take values of Linux."""
    from pyglet.input.base import AbsoluteAxis, Button, Controller, Device
    from pyglet.input.controller import add_mappings_from_string, get_mapping

    buttons = [Button(f"b{number}") for number in range(11)]
    axes = [
        AbsoluteAxis(f"a{number}", *((0, 255) if number in (2, 5) else (-32768, 32767)))
        for number in range(6)
    ]
    ways = [AbsoluteAxis("hat_x", -1, 1), AbsoluteAxis("hat_y", -1, 1, inverted=True)]

    class Made(Device):
        def get_controls(self) -> list[Any]:
            return [*buttons, *axes, *ways]

    add_mappings_from_string(PAD)
    device: Any = Made
    layout: Any = get_mapping(PAD.partition(",")[0])
    return Controller(device(None, "stand-in"), layout), [*buttons, *axes, *ways]


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
    pad, controls = stand_in_pad()
    for what, one, two in hands:
        if what == "pad":
            door.use([pad] if one else [])
            for control, value in zip(controls, one or (), strict=False):
                control.value = value
            door.poll()
        else:
            window.dispatch_event(*said_by_pyglet(key, what, one, two))
            window.dispatch_pending_events()
        frame = session.tick(1 / 60)
        found.append((dict(frame.axes), frame.gates))
    window.pop_handlers()
    return [found, door.refused.total(), session.refused]


def posted(_: Any, __: str, events: list[tuple[str, dict[str, Any]]]) -> None:
    """Put events into pygame's own queue."""
    import pygame

    for kind, said in events:
        pygame.event.post(pygame.event.Event(getattr(pygame, kind), said))


HANDS: dict[str, Any] = {"pygame": posted, "pyglet": by_hand}
"""What does what hands do, by library."""


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
        select.select([], [], [], PACE)
        if select.select([sys.stdin], [], [], 0.0)[0]:
            line = sys.stdin.readline()
            if not line:
                break
            said: Any = HANDS[library](window, path, json.loads(line)) if line.strip() else {
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

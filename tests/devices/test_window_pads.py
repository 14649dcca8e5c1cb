"""Gamepads at the doors of window libraries: device nodes of Linux, read by the libraries themselves."""

from __future__ import annotations

import json
from collections.abc import Iterator
from pathlib import Path
from types import SimpleNamespace
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.devices.browser_door import PAD_BUTTONS as BROWSERS
from mellow_thumb.devices.glfw_door import PAD_BUTTONS as GLFWS
from mellow_thumb.devices.pygame_door import PAD_BUTTONS as SDLS

from ..helpers import linux_nodes, virtual_screen
from ..helpers.linux_nodes import Described, words_with
from ..helpers.windows import Window, glfw_door

BUTTONS = {
    0x130: "south", 0x131: "east", 0x133: "north", 0x134: "west", 0x136: "left_shoulder",
    0x137: "right_shoulder", 0x13A: "centre_left", 0x13B: "centre_right", 0x13C: "centre",
    0x13D: "left_stick_press", 0x13E: "right_stick_press",
}  # fmt: skip
"""Codes of Linux, by the layout that its kernel documents for gamepads."""
STICK, TRIGGER, WAY = (-32768, 32767, 0, 0), (0, 255, 0, 0), (-1, 1, 0, 0)
AXES = {0: STICK, 1: STICK, 2: TRIGGER, 3: STICK, 4: STICK, 5: TRIGGER, 16: WAY, 17: WAY}
HELD = {
    "pad.left_stick.x": 1.0, "pad.left_stick.y": 1.0, "pad.right_stick.x": -1.0, "pad.right_stick.y": -1.0,
    "pad.left_trigger": 1.0, "pad.right_trigger": 0.2, "pad.way_left": 1.0, "pad.way_up": 1.0,
    **{f"pad.{name}": 1.0 for name in BUTTONS.values()},
}  # fmt: skip
"""What is held, all at once, y upwards."""
FAR = {0: 32767, 1: -32768, 3: -32768, 4: 32767, 2: 255, 5: 51, 16: -1, 17: -1}
"""How the axes say so; sticks and ways of Linux count y downwards."""
TIMES, FOR, APART = 12, 600_000, 2_000_000
"""How often it is held, how long, and how far apart (microseconds): a window may take its time to open."""
PROFILE = """
format = "mellow-thumb profile 1"
mount = "eye"
[mounts.eye]
kind = "eye"
[gates]
holding = { hold = ["pad.south", "pad.way_up", "pad.left_trigger"] }
[routes.thumb]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/s"
[axes]
pitch = { min = "-80 deg", max = "80 deg" }
"""


@pytest.fixture(scope="module")
def screen() -> Iterator[dict[str, str]]:
    """A virtual screen."""
    if virtual_screen.MISSING:
        pytest.skip(virtual_screen.WHY)
    with virtual_screen.virtual_screen() as found:
        yield found


def _events(*, closed: bool) -> list[tuple[int, int, int, int]]:
    """All that is held at once, and let go at once, over and over, in reports that are closed or not.

    GLFW asks anew how axes stand once a report is closed, and umockdev would answer as at the beginning.
    """
    found = []
    for at, far in ((k * APART + after, not after) for k in range(TIMES) for after in (0, FOR)):
        found += [(at, 1, code, int(far)) for code in BUTTONS]
        found += [(at, 3, code, value if far else 0) for code, value in FAR.items()]
        found += [(at, 0, 0, 0)] if closed else []
    return found


@pytest.mark.skipif(bool(linux_nodes.MISSING), reason=linux_nodes.MISSING)
@pytest.mark.parametrize("library", ["pygame", "glfw"])
def test_a_pad_acts_through_a_real_window_as_its_take_does(
    library: str, screen: dict[str, str], tmp_path: Path
) -> None:
    """pyglet asks for axes in a way that umockdev has no answer to: its own controllers are tried below."""
    pytest.importorskip(library)
    events = _events(closed=library == "pygame")
    pad = Described(9, "Stand-in pad", {1: set(BUTTONS), 3: set(AXES)}, AXES, events, joystick=True)
    path, kept = tmp_path / "pad.toml", tmp_path / "hands.csv"
    path.write_text(PROFILE)
    window = Window(library, screen, path, kept, words_with(tmp_path, [pad]))
    window.until(lambda now: now["gates"]["holding"])
    held = window.until(lambda now: not now["gates"]["holding"])
    for _ in range(3):
        held = window.now()
    assert held["axes"]["yaw_total"] < 0.0
    assert held["axes"]["pitch"] < 0.0
    assert held["refused"] == []
    shown = json.loads(window.end())
    take = mt.read_take(kept)
    said: dict[str, list[float]] = {}
    for name, value in zip(take.table["signal"], take.table["value"], strict=True):
        said.setdefault(str(name), []).append(value)
    of_pad = {name: values for name, values in said.items() if name in HELD}
    assert {name: max(values, key=abs) for name, values in of_pad.items()} == pytest.approx(HELD, abs=0.005)
    assert all(abs(values[-1]) < 0.005 for values in of_pad.values())
    again = mt.replay_arrays(mt.load_profile(path), take, frames=[t for t, _ in shown])
    for k, part in enumerate(("x", "y", "z", "qx", "qy", "qz", "qw")):
        assert max(abs(again[f"camera_{part}"] - [pose[k] for _, pose in shown])) < 1e-9


# ---- the same pad at every door


NAMES = (*BUTTONS.values(), "way_up", "way_down", "way_left", "way_right", "left_trigger", "right_trigger")
GATES = "".join(f'on_{name} = {{ hold = "pad.{name}" }}\n' for name in NAMES)
EVERYTHING = f"""
format = "mellow-thumb profile 1"
mount = "eye"
[mounts.eye]
kind = "eye"
[gates]
{GATES}
[routes.look]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/s"
[routes.lean]
from = "pad.left_stick.x"
drives = "roll"
sensitivity = "10 deg"
[routes.nearer]
from = "pad.left_stick.y"
drives = "zoom"
sensitivity = "50 %/s"
[axes]
pitch = {{ min = "-80 deg", max = "80 deg" }}
zoom = {{ min = "0.5 x", max = "8 x" }}
"""
WAYS = st.sampled_from([-1, 0, 1])
TOLD = st.fixed_dictionaries(
    {name: st.booleans() for name in BUTTONS.values()}
    | dict.fromkeys(("x", "y", "right", "down", "way_x", "way_y"), WAYS)
    | {name: st.sampled_from([0, 1]) for name in ("left_trigger", "right_trigger")}
)
"""What a hand does with a pad; sticks and ways count y downwards, as devices do."""


def of_linux(told: dict[str, int]) -> list[int]:
    """The values of a pad's buttons and axes, in the order of their codes."""
    order = ("south", "east", "north", "west", "left_shoulder", "right_shoulder", "centre_left", "centre_right",
             "centre", "left_stick_press", "right_stick_press")  # fmt: skip
    far = {-1: -32768, 0: 0, 1: 32767}
    sticks = [far[told[name]] for name in ("x", "y", "right", "down")]
    left, right = (255 * told[f"{side}_trigger"] for side in ("left", "right"))
    return [
        *(int(told[name]) for name in order),
        *sticks[:2],
        left,
        *sticks[2:],
        right,
        told["way_x"],
        told["way_y"],
    ]


def with_ways(told: dict[str, int]) -> dict[str, int]:
    """Each of the four ways as a button of its own."""
    x, y = told["way_x"], told["way_y"]
    return told | {"way_left": x < 0, "way_right": x > 0, "way_up": y < 0, "way_down": y > 0}


class OfBrowser:
    """A pad at a page."""

    def __init__(self, session: mt.Session) -> None:
        self.door = mt.BrowserDoor(session, 800, 400)

    def do(self, told: dict[str, int] | None) -> None:
        there = told is not None
        said = with_ways(told) if told else {}
        self.door.feed(
            {
                "type": "gamepad",
                "mapping": "standard",
                "index": 1,
                "connected": there,
                "axes": [said.get(name, 0) for name in ("x", "y", "right", "down")],
                "buttons": [
                    {"value": float(said.get(name, 0)), "pressed": bool(said.get(name))} for name in BROWSERS
                ],
            }
        )


class OfPygame:
    """A pad at a window of pygame."""

    def __init__(self, session: mt.Session) -> None:
        import pygame

        self.pygame = pygame
        pygame.display.init()
        pygame.display.set_mode((800, 400))
        self.door = mt.PygameDoor(session)
        joystick = SimpleNamespace(get_instance_id=lambda: 7)
        one = SimpleNamespace(as_joystick=lambda: joystick)
        made: Any = SimpleNamespace(is_controller=lambda _: True, Controller=lambda _: one)
        self.door._controller = made

    def do(self, told: dict[str, int] | None) -> None:
        pygame, which = self.pygame, {"instance_id": 7}
        if told is None:
            self.feed(pygame.CONTROLLERDEVICEREMOVED, which)
            return
        self.feed(pygame.CONTROLLERDEVICEADDED, {"device_index": 0})
        said = with_ways(told)
        for number, name in enumerate(SDLS):
            kind = pygame.CONTROLLERBUTTONDOWN if said[name] else pygame.CONTROLLERBUTTONUP
            self.feed(kind, which | {"button": number})
        for number, name in enumerate(("x", "y", "right", "down", "left_trigger", "right_trigger")):
            value = {-1: -32768, 0: 0, 1: 32767}[said[name]]
            self.feed(pygame.CONTROLLERAXISMOTION, which | {"axis": number, "value": value})

    def feed(self, kind: int, said: dict[str, int]) -> None:
        self.door.feed(self.pygame.event.Event(kind, said))


class OfGlfw:
    """A pad at a window of GLFW, which is asked how it stands."""

    def __init__(self, session: mt.Session) -> None:
        import glfw

        self.glfw = glfw
        self.door, _ = glfw_door(session)

    def do(self, told: dict[str, int] | None) -> None:
        said = with_ways(told) if told else {}
        state = SimpleNamespace(
            buttons=[said.get(name, 0) for name in GLFWS],
            axes=[
                *(float(said.get(name, 0)) for name in ("x", "y", "right", "down")),
                *(2.0 * said.get(f"{side}_trigger", 0) - 1.0 for side in ("left", "right")),
            ],
        )
        with pytest.MonkeyPatch.context() as patch:
            patch.setattr(self.glfw, "joystick_is_gamepad", lambda number: number == 3 and bool(told))
            patch.setattr(self.glfw, "get_gamepad_state", lambda _: state)
            self.door.poll()


@pytest.fixture(scope="module")
def everything(tmp_path_factory: pytest.TempPathFactory) -> Path:
    """A profile in which each part of a pad does something."""
    path = tmp_path_factory.mktemp("everything") / "pad.toml"
    path.write_text(EVERYTHING)
    return path


@pytest.fixture(scope="module")
def hands_on_pyglet(screen: dict[str, str], everything: Path) -> Iterator[Window]:
    """A real window of pyglet, with a controller of its own over a made-up device."""
    pytest.importorskip("pyglet")
    found = Window("pyglet", screen, everything)
    yield found
    found.end()


@given(st.lists(st.one_of(TOLD, TOLD, st.none()), max_size=8))
@settings(max_examples=40)
def test_the_same_pad_does_the_same_through_every_door(
    hands_on_pyglet: Window, everything: Path, hands: list[dict[str, int] | None]
) -> None:
    pytest.importorskip("pygame")
    pytest.importorskip("glfw")
    said = [("pad", told and of_linux(told), None) for told in hands]
    through_pyglet, refusals, refused = hands_on_pyglet.ask(json.dumps(said))
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("SDL_VIDEODRIVER", "dummy")
        sessions = [mt.load_profile(everything).session(compiled=False) for _ in range(3)]
        makes: tuple[Any, ...] = (OfBrowser, OfPygame, OfGlfw)
        doors = [make(one) for make, one in zip(makes, sessions, strict=True)]
        for told, of_pyglet in zip(hands, through_pyglet, strict=True):
            for door in doors:
                door.do(told)
            for frame in [one.tick(1 / 60) for one in sessions]:
                assert [frame.axes, frame.gates] == of_pyglet
            pressed = with_ways(told) if told else {}
            assert of_pyglet[1] == {f"on_{name}": bool(pressed.get(name)) for name in NAMES}
    assert [door.door.refused.total() for door in doors] == [0, 0, 0] == [refusals] * 3
    assert [one.refused for one in sessions] == [{}, {}, {}] == [refused] * 3

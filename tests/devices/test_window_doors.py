"""The doors of window libraries: in real windows on a virtual screen, and event by event."""

from __future__ import annotations

import json
import sys
from collections.abc import Callable, Iterator
from pathlib import Path
from random import Random
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.devices.glfw_door import KEYS as GLFW_KEYS
from mellow_thumb.devices.hid_keys import HID_KEYS
from mellow_thumb.devices.linux_keys import KEYS as LINUX_KEYS
from mellow_thumb.devices.pyglet_door import NAMES
from mellow_thumb.devices.window_door import WindowDoor

from ..helpers.virtual_screen import MISSING, WHY, inject, virtual_screen
from ..helpers.windows import LIBRARIES, Window, glfw_door, has_focus

PROFILE = """
format = "mellow-thumb profile 1"
mount = "eye"
cursor = "held"
[mounts.eye]
kind = "eye"
[gates]
glassing = { hold = ["mouse.right", "pad.left_shoulder"] }
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.1 deg/count"
[routes.lean]
from = "steps.x"
drives = "roll"
sensitivity = "10 deg"
[routes.thumb]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/s"
[routes.nearer]
from = "mouse.wheel.y"
drives = "zoom"
sensitivity = "10 %/notch"
[axes]
pitch = { min = "-80 deg", max = "80 deg" }
zoom = { min = "0.5 x", max = "8 x" }
"""


class Standing(WindowDoor):
    """A door of no library, with a window of a size that is told."""

    size = (800.0, 400.0)
    shown: str = ""

    def window_size(self) -> tuple[float, float]:
        return self.size

    def show_cursor(self, cursor: str) -> None:
        self.shown = cursor


def profile(folder: Path) -> Path:
    path = folder / "window.toml"
    path.write_text(PROFILE)
    return path


@pytest.fixture
def session(tmp_path: Path) -> mt.Session:
    return mt.load_profile(profile(tmp_path)).session(compiled=False)


# ---- real windows


@pytest.fixture(scope="module")
def screen() -> Iterator[dict[str, str]]:
    """A virtual screen."""
    if MISSING:
        pytest.skip(WHY)
    with virtual_screen() as found:
        yield found


@pytest.fixture(params=LIBRARIES)
def window(request: pytest.FixtureRequest, screen: dict[str, str], tmp_path: Path) -> Iterator[Window]:
    pytest.importorskip(request.param)
    found = Window(request.param, screen, profile(tmp_path))
    yield found
    found.end()


def test_a_real_window_turns_leans_and_lets_go(window: Window) -> None:
    window.do("mousemove", 300, 200)
    window.do("mousemove", 310, 200)
    window.until(lambda now: now["cursor"] == "held")
    window.do("keydown", "d")
    assert window.until(lambda now: now["axes"]["roll"] == 10.0)["signals"]["key.KeyD"] == 1.0
    window.do("keydown", "a")
    window.do("keyup", "d")
    window.until(lambda now: now["axes"]["roll"] == -10.0)
    window.do("keyup", "a")
    window.do("mousedown", 3)
    window.until(lambda now: now["gates"]["glassing"])
    window.do("mouseup", 3)
    before = window.until(lambda now: not now["gates"]["glassing"])["axes"]
    for _ in range(4):
        window.do("mousemove_relative", 20, 10)
    # the jump as the pointer is caught may be one of them
    after = window.until(lambda now: now["axes"]["yaw"] - before["yaw"] >= 5.99)
    for _ in range(5):
        after = window.now()
    turned = after["axes"]["yaw"] - before["yaw"], after["axes"]["pitch"] - before["pitch"]
    # right turns right, toward the body looks down
    assert turned in ((pytest.approx(8.0), pytest.approx(-4.0)), (pytest.approx(6.0), pytest.approx(-3.0)))
    assert after["refused"] == []


CATCHING = PROFILE.replace('cursor = "held"', 'cursor = "free"').replace(
    "[signals]", 'catching = { toggle = "key.KeyC", cursor = "held" }\n[signals]'
)
"""As that one, but the pointer is caught by a key."""
STEPS = 100


@pytest.fixture(scope="module")
def neighbour(screen: dict[str, str], tmp_path_factory: pytest.TempPathFactory) -> Iterator[Window]:
    """A second window, which takes the focus."""
    pytest.importorskip("glfw")
    path = tmp_path_factory.mktemp("neighbour") / "window.toml"
    path.write_text(CATCHING)
    found = Window("glfw", screen, path)
    inject(screen, "windowmove", found.id, 800, 500)
    yield found
    found.end()


@pytest.mark.parametrize("library", LIBRARIES)
def test_a_real_window_after_a_hundred_changes_holds_nothing_and_has_lost_no_count(
    library: str, screen: dict[str, str], neighbour: Window, tmp_path: Path
) -> None:
    """Focus, captures, sizes, presses and movements in random order; then its take is played again."""
    pytest.importorskip(library)
    chance = Random(STEPS)
    (tmp_path / "window.toml").write_text(CATCHING)
    window = Window(library, screen, tmp_path / "window.toml", tmp_path / "hands.csv")
    window.do("windowmove", window.id, 100, 100)
    window.do("mousemove", 250, 180)
    window.do("windowfocus", window.id)
    window.do("mousemove_relative", 1, 10)
    window.do("keydown", "d")  # what came before it has come as well
    window.until(lambda now: now["axes"]["roll"] == 10.0)
    window.do("keyup", "d")
    window.until(lambda now: now["axes"]["roll"] == 0.0)
    caught, focus, ways, size = False, True, [1, 1], [640, 400]
    for _ in range(STEPS):
        step = chance.choice(["focus", "capture", "size", "press", "move", "move"])
        if step == "focus":
            focus = not focus
            window.do("windowfocus", window.id if focus else neighbour.id)
        elif step == "capture" and focus:
            caught = not caught
            window.do("key", "c")
        elif step == "size":
            size = [chance.randrange(350, 700), chance.randrange(300, 500)]
            window.do("windowsize", window.id, *size)
        elif step == "press":
            window.do("mousedown", 3, "mouseup", 3)
        window.reach(size=size, focus=focus, held=caught and focus)
        if step in ("focus", "capture", "move"):
            yaw, held = window.now()["axes"]["yaw"], caught and focus
            way = ways[held] = -ways[held]  # to and fro, so that a pointer that is free stays in the window
            first, second = chance.randrange(1, 9), chance.randrange(1, 20)
            # and always down: GLFW is silent where it has put the pointer itself, until it goes on from there
            window.do("mousemove_relative", "--", first * way, 1)
            window.do("mousemove_relative", "--", second * way, 0)
            all_of_it = first + second if focus else 0
            # the first movement after a capture is not the hand's, unless the library has said a jump of 0 before
            least = second if held and step != "move" else all_of_it
            window.turn(*(yaw + 0.1 * way * counts for counts in (least, all_of_it)))
    if not focus:
        window.do("windowfocus", window.id)
    now = window.until(lambda now: has_focus(now) and not now["gates"]["glassing"])
    assert now["refused"] == []
    plays_back(tmp_path / "window.toml", tmp_path / "hands.csv", window)


FINGERS = PROFILE.replace(
    "[routes.look]",
    """[touch.drag]
drag = { after_travel = "0.01 screen" }
[touch.pinch]
spread = { after_travel = "0.01 screen" }
[routes.swipe]
from = "touch.drag"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/screen"
[routes.pinch]
from = "touch.pinch"
drives = "zoom"
sensitivity = "1 x/x"
[routes.look]""",
)


def test_fingers_and_a_precise_wheel_act_through_a_real_window_as_its_take_does(
    screen: dict[str, str], tmp_path: Path
) -> None:
    """By pygame's own queue; GLFW and pyglet say no fingers, their wheels are tried among the same hands below."""
    pytest.importorskip("pygame")
    path, kept = tmp_path / "window.toml", tmp_path / "hands.csv"
    path.write_text(FINGERS)
    window = Window("pygame", screen, path, kept)

    def finger(kind: str, number: int, x: float, y: float) -> tuple[str, dict[str, Any]]:
        return f"FINGER{kind}", {"touch_id": 1, "finger_id": number, "x": x, "y": y}

    def post(*events: tuple[str, dict[str, Any]]) -> dict[str, Any]:
        window.ask(json.dumps(events))
        return [window.now() for _ in range(3)][-1]

    post(finger("DOWN", 7, 0.5, 0.5), finger("MOTION", 7, 0.6, 0.5))
    turned = post(finger("MOTION", 7, 0.7, 0.5))["axes"]["yaw"]
    assert turned != 0.0
    post(finger("DOWN", 9, 0.3, 0.5), finger("MOTION", 9, 0.25, 0.5))
    spread = post(finger("MOTION", 9, 0.2, 0.5))["axes"]["zoom"]
    assert spread > 1.0
    post(finger("UP", 9, 0.2, 0.5), finger("UP", 7, 0.7, 0.5))
    rolled = post(("MOUSEWHEEL", {"x": 0, "y": 0, "precise_x": 0.0, "precise_y": -0.25}))
    assert rolled["axes"]["zoom"] == pytest.approx(spread / 1.1**0.25)
    assert rolled["refused"] == []
    plays_back(path, kept, window)


def plays_back(path: Path, kept: Path, window: Window) -> None:
    """The take of a window shows what the window has shown."""
    shown = json.loads(window.end())
    again = mt.replay_arrays(mt.load_profile(path), mt.read_take(kept), frames=[t for t, _ in shown])
    parts = [f"camera_{part}" for part in ("x", "y", "z", "qx", "qy", "qz", "qw")]
    for k, part in enumerate([*parts, "field_of_view"]):
        assert max(abs(again[part] - [pose[k] for _, pose in shown])) < 1e-9


# ---- the tables


def test_keys_are_those_of_the_standard_in_every_table() -> None:
    known = set(LINUX_KEYS.values()) | {"key.Help"}
    assert set(HID_KEYS.values()) <= known
    assert set(GLFW_KEYS.values()) <= known
    assert {f"key.{code}" for code in NAMES.values()} <= known
    missing = known - set(HID_KEYS.values())
    assert missing == set()
    assert len(set(GLFW_KEYS.values())) == len(GLFW_KEYS)


def test_keys_of_sdl_are_those_of_usb() -> None:
    pygame = pytest.importorskip("pygame")
    others = {
        "RETURN": "Enter",
        "GRAVE": "Backquote",
        "LCTRL": "ControlLeft",
        "RALT": "AltRight",
        "UP": "ArrowUp",
    }
    for name, code in others.items():
        assert HID_KEYS[getattr(pygame, f"KSCAN_{name}")] == f"key.{code}"
    for letter in "AQWZ":
        assert HID_KEYS[getattr(pygame, f"KSCAN_{letter}")] == f"key.Key{letter}"
    for digit in "0159":
        assert HID_KEYS[getattr(pygame, f"KSCAN_{digit}")] == f"key.Digit{digit}"


def test_tokens_of_glfw_are_its_own() -> None:
    glfw = pytest.importorskip("glfw")
    for name, code in (("W", "KeyW"), ("0", "Digit0"), ("GRAVE_ACCENT", "Backquote"), ("KP_ENTER", "NumpadEnter"),
                       ("F24", "F24"), ("RIGHT_SUPER", "MetaRight"), ("WORLD_2", "IntlRo"), ("PAUSE", "Pause")):  # fmt: skip
        assert GLFW_KEYS[getattr(glfw, f"KEY_{name}")] == f"key.{code}"


# ---- what doors have in common


@given(
    st.lists(
        st.tuples(st.sampled_from(["in", "out", "push", "button", "ask"]), st.integers(0, 2)), max_size=25
    )
)
@settings(max_examples=40)
def test_pads_come_and_go_and_nothing_stays_held(steps: list[tuple[str, int]]) -> None:
    """With any number of pads, in any order: what counts is what the pads that are there hold."""
    session = _session()
    door = Standing(session)
    there: dict[int, dict[str, Any]] = {}
    last = -1
    for what, pad in steps:
        if what == "in":
            door.pads.plugged(pad)
            there.setdefault(pad, {})
        elif what == "out":
            door.pads.unplugged(pad)
            there.pop(pad, None)
            last = -1
        elif pad in there:
            there[pad] = {"left_shoulder": 1.0 if what == "button" else 0.0}
            door.pads.says(pad, there[pad])
            last = pad
        frame = session.tick(1 / 60)
        if not there:
            assert not frame.gates["glassing"]
        if last >= 0 and len(there) == 1:
            assert frame.gates["glassing"] == bool(there[last]["left_shoulder"])
    assert session.refused == {}


def _session() -> mt.Session:
    import tempfile

    with tempfile.TemporaryDirectory() as folder:
        return mt.load_profile(profile(Path(folder))).session(compiled=False)


def test_each_player_has_a_pad_by_its_number_even_after_it_was_unplugged(tmp_path: Path) -> None:
    sessions = [mt.load_profile(profile(tmp_path)).session(compiled=False) for _ in range(2)]
    doors = [Standing(session, pad=number) for number, session in enumerate(sessions)]

    def told(pad: str, down: float) -> list[bool]:
        for door in doors:
            door.pads.says(pad, {"left_shoulder": down})
        return [session.tick(1 / 60).gates["glassing"] for session in sessions]

    for door in doors:
        door.pads.plugged("first")
        door.pads.plugged("second")
    assert told("first", 1.0) == [True, False]
    assert told("second", 1.0) == [True, True]
    for door in doors:
        door.pads.unplugged("first")
    assert [session.tick(1 / 60).gates["glassing"] for session in sessions] == [False, True]
    for door in doors:
        door.pads.plugged("first again")
    assert told("first again", 1.0) == [True, True]


def test_places_sizes_and_density(session: mt.Session) -> None:
    door = Standing(session, pixels_per_cm=50.0)
    assert door.at_place(200.0, 100.0) == (0.25, 0.75)
    assert door.at_place(-5.0, 900.0) == (0.0, 0.0)
    door.resized(0.0, 0.0)  # folded away: as it was
    assert door.at_place(400.0, 200.0) == (0.5, 0.5)
    door.resized(1600.0, 800.0)
    assert door.at_place(400.0, 200.0) == (0.25, 0.75)


@pytest.mark.parametrize("density", [1.0, 1.5, 2.0])
def test_a_hand_does_the_same_on_a_screen_of_any_density(
    density: float, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    """A view of 20 by 10 cm: in a drag of 4 cm the first cm does not count."""
    pygame = pytest.importorskip("pygame")
    monkeypatch.setenv("SDL_VIDEODRIVER", "dummy")
    path = tmp_path / "window.toml"
    path.write_text(FINGERS.replace("0.01 screen", "1 cm", 1))
    session = mt.load_profile(path).session(compiled=False)
    pygame.display.init()
    pygame.display.set_mode((800, 400))
    door = mt.PygameDoor(session, pixels_per_cm=40.0 * density)
    door.feed(
        pygame.event.Event(pygame.WINDOWSIZECHANGED, {"x": int(800 * density), "y": int(400 * density)})
    )
    for kind, x in ((pygame.FINGERDOWN, 0.3), (pygame.FINGERMOTION, 0.4), (pygame.FINGERMOTION, 0.5)):
        door.feed(pygame.event.Event(kind, {"touch_id": 1, "finger_id": 7, "x": x, "y": 0.5}))
        session.tick(0.1)
    assert session.tick(0.1).axes["yaw"] == pytest.approx(0.3 * 90.0)  # 3 cm of a screen of 10
    assert door.at_place(200.0 * density, 100.0 * density) == (0.25, 0.75)
    assert session.refused == {}


def test_the_pointer_becomes_what_the_view_asks_for(session: mt.Session) -> None:
    door = Standing(session)
    session.tick(1 / 60)
    door.frame(session.view())
    assert (door.cursor, door.shown) == ("held", "held")
    door.focused(0)
    session.tick(1 / 60)
    door.frame(session.view())
    assert (door.cursor, door.shown) == ("free", "free")


# ---- pygame, event by event


@pytest.fixture
def pygame_door(session: mt.Session, monkeypatch: pytest.MonkeyPatch) -> Iterator[tuple[Any, Any]]:
    """A door of pygame on a display that is not shown."""
    pygame = pytest.importorskip("pygame")
    monkeypatch.setenv("SDL_VIDEODRIVER", "dummy")
    pygame.display.init()
    pygame.display.set_mode((800, 400))
    yield pygame, mt.PygameDoor(session)
    pygame.display.quit()


def test_events_of_pygame_do_what_they_say(pygame_door: tuple[Any, Any], session: mt.Session) -> None:
    pygame, door = pygame_door

    def event(kind: str, **fields: Any) -> Any:
        return pygame.event.Event(getattr(pygame, kind), **fields)

    door.feed(event("MOUSEMOTION", rel=(99, 99), pos=(10, 10), buttons=(0, 0, 0), touch=False))  # the jump
    door.feed(event("KEYDOWN", scancode=pygame.KSCAN_D, key=0, mod=0, unicode=""))
    door.feed(event("MOUSEMOTION", rel=(30, -20), pos=(10, 10), buttons=(0, 0, 0), touch=False))
    door.feed(event("MOUSEMOTION", rel=(500, 500), pos=(10, 10), buttons=(0, 0, 0), touch=True))  # a finger's
    door.feed(event("MOUSEBUTTONDOWN", button=3, pos=(0, 0), touch=False))
    door.feed(event("MOUSEBUTTONDOWN", button=4, pos=(0, 0), touch=False))  # the wheel once more
    frame = session.tick(1 / 60)
    assert frame.axes["yaw"] == pytest.approx(3.0)
    assert frame.axes["pitch"] == pytest.approx(2.0)
    assert frame.gates["glassing"]
    assert frame.axes["roll"] == 10.0
    door.feed(event("WINDOWFOCUSLOST", window=None))
    frame = session.tick(1 / 60)
    assert not frame.gates["glassing"]
    assert frame.axes["roll"] == 0.0
    door.feed(event("WINDOWFOCUSGAINED", window=None))
    door.feed(event("WINDOWSIZECHANGED", x=1600, y=800, window=None))
    assert door.at_place(800.0, 400.0) == (0.5, 0.5)
    door.feed(event("KEYDOWN"))  # nothing of what it should have
    door.feed(object())
    door.feed(event("USEREVENT", code=3))
    assert [kind for kind, _ in door.refused] == ["KeyDown", "no event"]
    assert ("KeyDown", "KeyError: 'scancode'") in door.refused
    assert session.refused == {}


def test_keys_go_by_their_place_under_french_symbols(
    pygame_door: tuple[Any, Any], session: mt.Session
) -> None:
    """Where W stands on an American keyboard there is Z on a French one: that key walks all the same."""
    pygame, door = pygame_door
    door.feed(pygame.event.Event(pygame.KEYDOWN, scancode=pygame.KSCAN_Q, key=pygame.K_a, mod=0, unicode="a"))
    assert session.tick(1 / 60).axes["roll"] == 0.0  # their A is where Q is
    door.feed(pygame.event.Event(pygame.KEYDOWN, scancode=pygame.KSCAN_A, key=pygame.K_q, mod=0, unicode="q"))
    assert session.tick(1 / 60).axes["roll"] == -10.0


@given(
    st.lists(
        st.one_of(
            st.tuples(st.just("focus"), st.integers(0, 1)),
            st.tuples(st.just("size"), st.integers(0, 2000)),
            st.tuples(st.just("capture"), st.integers(0, 1)),
            st.tuples(st.just("press"), st.integers(0, 1)),
            st.tuples(st.just("move"), st.integers(1, 40)),
        ),
        min_size=100,
        max_size=120,
    )
)
@settings(max_examples=20)
def test_focus_captures_and_sizes_in_any_order_leave_nothing_held_and_lose_no_count(
    steps: list[tuple[str, int]],
) -> None:
    """A movement counts if the window has the focus, but for the first after the pointer was caught anew."""
    session = _session()
    door, view, counts, focus, caught = Standing(session), None, 0, True, False
    for what, one in [*steps, ("focus", 0), ("focus", 1)]:
        if what == "focus":
            door.focused(one)
            caught, focus = caught and bool(one) and focus, bool(one)
        elif what == "size":
            door.resized(one, one)
        elif what == "capture":
            door.cursor = "free" if one else door.cursor  # as Escape does in some libraries
        elif what == "press":
            door.pressed("mouse.right", one)
        else:
            door.moved(one, 0)
            if focus:
                counts, caught = counts + one * caught, True
        frame = session.tick(1 / 60)
        view = session.view()
        door.frame(view)
    assert not frame.gates["glassing"]
    assert frame.axes["yaw_total"] == pytest.approx(0.1 * counts)
    assert view is not None
    assert door.cursor == view.cursor == "held"


def test_fingers_and_pads_of_pygame(pygame_door: tuple[Any, Any], session: mt.Session) -> None:
    pygame, door = pygame_door
    said: list[Any] = []
    session.touch = lambda *words, **more: said.append((*words, more["on"]))  # type: ignore[method-assign]
    for kind, x in (("FINGERDOWN", 0.25), ("FINGERMOTION", 0.5), ("FINGERUP", 0.5)):
        fields = {"touch_id": 1, "finger_id": 7, "x": x, "y": 0.25}
        door.feed(pygame.event.Event(getattr(pygame, kind), fields), "pad")
    assert said == [
        ((1, 7), "down", (0.25, 0.75), "pad"), ((1, 7), "move", (0.5, 0.75), "pad"), ((1, 7), "up", (0.5, 0.75), "pad"),
    ]  # fmt: skip
    door._says[3] = {}
    door.pads.plugged(3)
    for axis, value in ((2, 32767), (3, -32768), (4, 16384)):
        door.feed(pygame.event.Event(pygame.CONTROLLERAXISMOTION, instance_id=3, axis=axis, value=value))
    door.feed(
        pygame.event.Event(
            pygame.CONTROLLERBUTTONDOWN, instance_id=3, button=pygame.CONTROLLER_BUTTON_LEFTSHOULDER
        )
    )
    frame = session.tick(1 / 60)
    assert frame.gates["glassing"]
    assert session.signals["pad.right_stick"] == (1.0, 1.0)  # up is up
    door.feed(pygame.event.Event(pygame.CONTROLLERDEVICEREMOVED, instance_id=3))
    assert not session.tick(1 / 60).gates["glassing"]


@pytest.mark.parametrize("library", ["pygame", "glfw", "pyglet"])
def test_a_library_that_is_not_there_is_named(
    library: str, session: mt.Session, monkeypatch: pytest.MonkeyPatch
) -> None:
    monkeypatch.setitem(sys.modules, library, None)
    make = {"pygame": mt.PygameDoor, "glfw": mt.GlfwDoor, "pyglet": mt.PygletDoor}[library]
    with pytest.raises(mt.MissingError, match=r"pip install 'mellow-thumb\[windows\]'"):
        make(session, *([] if library == "pygame" else [None]))


# ---- the same hands through every door

PARTS = st.integers(-8, 8).map(lambda quarters: quarters / 4)
"""How far a precise wheel turns, in notches."""
HANDS = st.lists(
    st.one_of(
        st.tuples(st.just("move"), st.integers(-50, 50), st.integers(-50, 50)),
        st.tuples(st.just("key"), st.sampled_from("WASD"), st.booleans()),
        st.tuples(st.just("button"), st.just("right"), st.booleans()),
        st.tuples(st.just("wheel"), PARTS, PARTS),
        st.tuples(st.just("focus"), st.booleans(), st.none()),
        st.tuples(st.just("size"), st.integers(100, 2000), st.integers(100, 2000)),
    ),
    max_size=30,
)


class OfBrowser:
    """Hands at a page."""

    def __init__(self, session: mt.Session) -> None:
        self.door = mt.BrowserDoor(session, 800, 400, counts=True)

    def do(self, what: str, one: Any, two: Any) -> None:
        made: dict[str, Callable[[], dict[str, Any]]] = {
            "move": lambda: {
                "type": "pointermove",
                "movementX": one,
                "movementY": two,
                "clientX": 9,
                "clientY": 9,
            },
            "key": lambda: {"type": "keydown" if two else "keyup", "code": f"Key{one}"},
            "button": lambda: {"type": "pointerdown" if two else "pointerup", "button": 2},
            "wheel": lambda: {"type": "wheel", "deltaX": 100 * one, "deltaY": -100 * two},
            "focus": lambda: {"type": "focus" if one else "blur"},
            "size": lambda: {"type": "resize", "innerWidth": one, "innerHeight": two},
        }
        self.door.feed(made[what]())


class OfPygame:
    """Hands at a window of pygame."""

    def __init__(self, session: mt.Session) -> None:
        import pygame

        self.pygame = pygame
        pygame.display.init()
        pygame.display.set_mode((800, 400))
        self.door = mt.PygameDoor(session)

    def do(self, what: str, one: Any, two: Any) -> None:
        pygame = self.pygame
        made: dict[str, Callable[[], tuple[int, dict[str, Any]]]] = {
            "move": lambda: (pygame.MOUSEMOTION, {"rel": (one, two), "pos": (9, 9)}),
            "key": lambda: (
                pygame.KEYDOWN if two else pygame.KEYUP,
                {"scancode": getattr(pygame, f"KSCAN_{one}")},
            ),
            "button": lambda: (pygame.MOUSEBUTTONDOWN if two else pygame.MOUSEBUTTONUP, {"button": 3}),
            "wheel": lambda: (
                pygame.MOUSEWHEEL,
                {"x": int(one), "y": int(two), "precise_x": one, "precise_y": two},
            ),
            "focus": lambda: (pygame.WINDOWFOCUSGAINED if one else pygame.WINDOWFOCUSLOST, {}),
            "size": lambda: (pygame.WINDOWSIZECHANGED, {"x": one, "y": two}),
        }
        self.door.feed(pygame.event.Event(*made[what]()))


class OfGlfw:
    """Hands at a window of GLFW that is not shown: its callbacks are called as GLFW calls them."""

    def __init__(self, session: mt.Session) -> None:
        import glfw

        self.at = [0.0, 0.0]
        self.door, self.calls = glfw_door(session)
        self.glfw = glfw
        self.calls["cursor_pos"](None, 0.0, 0.0)

    def do(self, what: str, one: Any, two: Any) -> None:
        glfw = self.glfw
        if what == "move":
            self.at = [self.at[0] + one, self.at[1] + two]
        made: dict[str, Callable[[], tuple[str, tuple[Any, ...]]]] = {
            "move": lambda: ("cursor_pos", tuple(self.at)),
            "key": lambda: ("key", (getattr(glfw, f"KEY_{one}"), 0, glfw.PRESS if two else glfw.RELEASE, 0)),
            "button": lambda: ("mouse_button", (1, glfw.PRESS if two else glfw.RELEASE, 0)),
            "wheel": lambda: ("scroll", (-one, two)),
            "focus": lambda: ("window_focus", (int(one),)),
            "size": lambda: ("window_size", (one, two)),
        }
        name, words = made[what]()
        self.calls[name](None, *words)


@pytest.fixture(scope="module")
def hands_on_pyglet(screen: dict[str, str], tmp_path_factory: pytest.TempPathFactory) -> Iterator[Window]:
    """A real window of pyglet, whose own events are called; without a screen it cannot be had."""
    pytest.importorskip("pyglet")
    found = Window("pyglet", screen, profile(tmp_path_factory.mktemp("pyglet")))
    yield found
    found.end()


@given(HANDS)
@settings(max_examples=60)
def test_the_same_hands_do_the_same_through_every_door(
    hands_on_pyglet: Window, hands: list[tuple[str, Any, Any]]
) -> None:
    pytest.importorskip("pygame")
    pytest.importorskip("glfw")
    through_pyglet, refusals, refused = hands_on_pyglet.ask(json.dumps(hands))
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv("SDL_VIDEODRIVER", "dummy")
        sessions = [_session() for _ in range(3)]
        makes: tuple[Any, ...] = (OfBrowser, OfPygame, OfGlfw)
        doors = [make(one) for make, one in zip(makes, sessions, strict=True)]
        for step, of_pyglet in zip(hands, through_pyglet, strict=True):
            for door in doors:
                door.do(*step)
            for frame in [one.tick(1 / 60) for one in sessions]:
                assert [frame.axes, frame.gates] == of_pyglet
    assert [door.door.refused.total() for door in doors] == [0, 0, 0] == [refusals] * 3
    assert [one.refused for one in sessions] == [{}, {}, {}] == [refused] * 3

"""The examples run, and show what they say."""

from __future__ import annotations

import os
import re
import shutil
import subprocess
import sys
from importlib.util import module_from_spec, spec_from_file_location
from pathlib import Path
from typing import Any

import pytest

import mellow_thumb as mt

from .helpers.virtual_screen import MISSING, WHY, inject, virtual_screen

FOLDER = Path(__file__).parents[1] / "examples"


def example(name: str) -> Any:
    spec = spec_from_file_location(name, FOLDER / f"{name}.py")
    assert spec
    assert spec.loader
    module = module_from_spec(spec)
    spec.loader.exec_module(module)
    return module


def test_the_camera_follows_the_warden_and_the_hut_brings_it_nearer() -> None:
    following = example("following")
    seen = following.main()
    far = [
        sum((a - b) ** 2 for a, b in zip(view.position, place, strict=True)) ** 0.5 for _, place, view in seen
    ]
    assert len(seen) == 540
    assert min(far) < 2.5 < 4.0 < max(far)
    assert all(abs(place[0]) <= following.DYKE for _, place, _ in seen)
    done = subprocess.run(
        [sys.executable, FOLDER / "following.py"], capture_output=True, text=True, check=True
    )
    assert done.stdout.count("warden at") == 18


def test_the_chart_opens_over_the_warden_and_leaves_the_camera_as_it_was() -> None:
    chart = example("chart")
    seen = chart.main()
    mounts = [frame.mount for frame, _, _ in seen]
    first, last = mounts.index("chart"), len(mounts) - 1 - mounts[::-1].index("chart")
    assert mounts[first : last + 1] == ["chart"] * (last + 1 - first)
    before, after = (seen[k][0].axes["distance"] for k in (first - 1, last + 1))
    assert before == pytest.approx(after, abs=1e-3) == pytest.approx(4.6)
    assert 8.0 <= min(frame.axes["distance"] for frame, _, _ in seen[first : last + 1]) < 30.0
    for _, view, _ in seen:
        x, y, z = view.position
        assert y >= chart.sandbank(x, z) + 0.5
    assert 300 < sum(fresh for _, _, fresh in seen) < 800
    done = subprocess.run([sys.executable, FOLDER / "chart.py"], capture_output=True, text=True, check=True)
    assert done.stdout.count("m away") == 28


def run(name: str, *words: str) -> str:
    command = [sys.executable, str(FOLDER / f"{name}.py"), *words]
    return subprocess.run(command, capture_output=True, text=True, check=True).stdout


def test_fingers_drag_the_chart_pinch_it_and_mark_what_they_tap() -> None:
    seen = example("fingers").main()
    _, middle, zoom, marks = seen[-1]
    assert zoom == pytest.approx(3.0, rel=0.05)
    # the first tap is at 0.4, 0.6 of a screen that shows 40 m / zoom across its shorter side
    half = 20.0 / zoom
    expected = (middle[0] + (0.4 - 0.5) * 2 * half * 1.6, middle[1] + (0.6 - 0.5) * 2 * half)
    assert len(marks) == 2
    assert marks[0] == pytest.approx(expected, abs=0.5)
    assert run("fingers").count("the middle at") == 12


def test_the_scope_turns_as_far_as_the_hand_and_goes_back_after_a_tilt() -> None:
    seen = example("scope").main()
    peered = [row for row in seen if row[3] == "peering"][-1]
    assert peered[1:3] == pytest.approx((30.0, 5.0), abs=1.0)
    aside = max(yaw for _, yaw, _, held in seen if held == "across") - peered[1]
    assert aside == pytest.approx(1.4 * (21.5 - 1.5), abs=5.0)  # a tilt of a device that lies at 30 deg
    assert seen[-1][1] == pytest.approx(peered[1], abs=0.2)
    assert "across" in run("scope")


def test_in_the_hide_the_head_is_never_moved_by_a_snap() -> None:
    drawn = example("hide").main()
    dark = [k for k, one in enumerate(drawn) if one.dark > 0.9 and drawn[k - 1].dark < one.dark]
    assert len(dark) == 2
    for k in dark:
        before, after = drawn[k - 1].view.position, drawn[k].view.position
        assert max(abs(a - b) for a, b in zip(before, after, strict=True)) < 0.002
    assert (drawn[-1].birds, max(one.rim for one in drawn) > 0.2) == (3, True)
    assert run("hide").count("birds") == 18


def test_a_settings_screen_keeps_what_a_player_chose(tmp_path: Path) -> None:
    shown = example("settings").main(tmp_path)
    assert shown[:3] == ["look: 1.5 times", "glassing: toggle", "pitch inverted: pad"]
    assert shown[3:] == ["hop: Space", "glassing has changed places with it"]
    assert "look = 1.5" in (tmp_path / "me.toml").read_text()
    assert run("settings").startswith("look: 1.5 times")


def test_what_a_game_records_plays_back_to_the_bit(tmp_path: Path) -> None:
    module = example("recorder")
    path, frame = module.main(tmp_path)
    table = mt.replay(mt.load_profile(module.PROFILE), mt.read_take(path), rate=60)
    assert frame.axes["yaw"] != 0.0
    assert [table[name].iloc[-1] for name in ("yaw", "pitch")] == [
        frame.axes[name] for name in ("yaw", "pitch")
    ]
    assert run("recorder").startswith("recorded ")


def test_the_devices_of_this_machine_are_looked_at() -> None:
    pytest.importorskip("evdev")
    assert "devices:" in run("devices", "0.05")


def test_the_window_shows_both(monkeypatch: pytest.MonkeyPatch) -> None:
    pygame = pytest.importorskip("pygame")
    monkeypatch.setenv("SDL_VIDEODRIVER", "dummy")
    window = example("window")
    session = window.mt.load_profile(FOLDER / "window.toml").session()
    pygame.display.init()
    pygame.display.set_mode((1280, 800))
    door = window.mt.PygameDoor(session)
    for kind, data in (
        (pygame.KEYDOWN, {"scancode": pygame.KSCAN_W}),
        (pygame.MOUSEMOTION, {"rel": (200, 10), "pos": (640, 400)}),
        (pygame.MOUSEWHEEL, {"x": 0, "y": -1}),
    ):
        door.feed(pygame.event.Event(kind, data))
    frames = [session.tick(1 / 60) for _ in range(60)]
    assert frames[-1].axes["yaw"] == pytest.approx(30.0)
    assert frames[-1].axes["pitch"] == pytest.approx(-11.5)
    assert frames[-1].axes["distance"] == pytest.approx(3.36, abs=1e-3)
    assert frames[-1].movement.velocity[2] < -2.0
    door.feed(pygame.event.Event(pygame.WINDOWFOCUSLOST))
    assert [session.tick(0.25) for _ in range(4)][-1].movement.velocity == (0.0, 0.0, 0.0)
    picture = window.main(3)
    colours = {tuple(picture.get_at((x, y)))[:3] for x in range(0, 1280, 4) for y in range(0, 800, 4)}
    assert colours >= {
        window.WARDEN,
        window.HAT,
        window.MUD,
        window.WATER,
        window.POST,
        window.SKY,
    }
    pygame.quit()


def test_the_window_is_walked_by_a_thumb_and_turned_by_a_finger(monkeypatch: pytest.MonkeyPatch) -> None:
    pygame = pytest.importorskip("pygame")
    monkeypatch.setenv("SDL_VIDEODRIVER", "dummy")
    session = mt.load_profile(FOLDER / "window.toml").session()
    pygame.display.init()
    pygame.display.set_mode((1280, 800))
    door = mt.PygameDoor(session)
    for finger, ways in enumerate(
        (((0.2, 0.5), (0.2, 0.35), (0.2, 0.3)), ((0.7, 0.5), (0.75, 0.5), (0.8, 0.5)))
    ):
        for kind, (x, y) in zip(
            (pygame.FINGERDOWN, pygame.FINGERMOTION, pygame.FINGERMOTION), ways, strict=True
        ):
            said = {"touch_id": 1, "finger_id": finger, "x": x, "y": y}
            door.feed(pygame.event.Event(kind, said))
            frame = session.tick(0.1)
    for _ in range(10):
        frame = session.tick(0.1)
    assert frame.axes["yaw"] > 20.0
    assert frame.movement.velocity != (0.0, 0.0, 0.0)
    pygame.quit()


def test_the_window_draws_the_chart_and_what_is_grabbed_stays_under_the_pointer(
    monkeypatch: pytest.MonkeyPatch,
) -> None:
    pygame = pytest.importorskip("pygame")
    monkeypatch.setenv("SDL_VIDEODRIVER", "dummy")
    window = example("window")
    session = window.mt.load_profile(FOLDER / "window.toml").session()
    pygame.display.init()
    screen = pygame.display.set_mode((1280, 800))
    door = window.mt.PygameDoor(session)

    def seen(*happened: tuple[int, dict[str, Any]]) -> list[tuple[int, int]]:
        for kind, data in happened:
            door.feed(pygame.event.Event(kind, data))
        for _ in range(30):
            frame = session.tick(1 / 60)
        assert frame.mount == "chart"
        window.draw(screen, session.view((0.0, 0.0, 0.0)), 0.0, 0.0, frame.movement.heading)
        inside = [(x, y) for x in range(0, 1280, 3) for y in range(0, 800, 3)]
        return [place for place in inside if tuple(screen.get_at(place))[:3] == window.WARDEN]

    middle = seen(
        (pygame.KEYDOWN, {"scancode": pygame.KSCAN_M}),
        (pygame.MOUSEMOTION, {"rel": (0, 0), "pos": (640, 400)}),
    )
    assert abs(sum(x for x, _ in middle) / len(middle) - 640) < 15
    grabbed = seen(
        (pygame.MOUSEBUTTONDOWN, {"button": 1}), (pygame.MOUSEMOTION, {"rel": (300, 90), "pos": (940, 490)})
    )
    assert abs(sum(x for x, _ in grabbed) / len(grabbed) - 940) < 15
    assert abs(sum(y for _, y in grabbed) / len(grabbed) - 490) < 25
    pygame.quit()


def test_the_window_runs_by_itself() -> None:
    pytest.importorskip("pygame")
    env = {**os.environ, "SDL_VIDEODRIVER": "dummy"}
    subprocess.run([sys.executable, FOLDER / "window.py", "2"], check=True, capture_output=True, env=env)


@pytest.mark.skipif(MISSING, reason=WHY)
@pytest.mark.skipif(
    not (shutil.which("sdl2-config") and shutil.which("cc")), reason="no libsdl2-dev, or no cc"
)
def test_the_host_in_c_does_what_the_hands_at_its_window_do(command: str, tmp_path: Path) -> None:
    """Built by the one command in its comment; what it says at its end is what a session makes of the same hands."""
    folder = shutil.copytree(FOLDER / "c", tmp_path / "c")
    (build,) = re.findall(
        r"^ \*   (mellow-thumb export .*) && ./host$", (folder / "host.c").read_text(), re.MULTILINE
    )
    path = f"{Path(command).parent}:{os.environ['PATH']}"
    subprocess.run(
        ["sh", "-c", build], cwd=folder, check=True, capture_output=True, env=os.environ | {"PATH": path}
    )
    with (
        virtual_screen() as screen,
        subprocess.Popen([folder / "host"], stdout=subprocess.PIPE, text=True, env=screen) as host,
    ):
        assert host.stdout
        assert host.stdout.readline() == "ready\n"
        for _ in range(6):
            inject(screen, "mousemove_relative", 10, -4)
        inject(screen, "key", "space")
        inject(screen, "keydown", "w")
        inject(screen, "keydown", "d")
        inject(screen, "keyup", "d")
        inject(screen, "keyup", "w")
        inject(screen, "key", "Escape")
        said = host.stdout.read().split()
    told = dict(zip(said[::2], map(float, said[1::2]), strict=True))
    assert told["yaw"] in (5.0, 6.0)  # the jump as the pointer is caught may be one of them
    assert told["pitch"] == pytest.approx(0.4 * told["yaw"])
    assert told["hops"] == 1.0
    assert told["z"] < 0.0


def test_the_host_in_c_is_short() -> None:
    assert len((FOLDER / "c" / "host.c").read_text().splitlines()) < 200


MARSH = """
import sys
sys.path.insert(0, sys.argv[1])
import glfw
import marsh
from pathlib import Path

one = marsh.main(3, Path(sys.argv[2]))
look, name = one.screen.sheet.get, "look"
for key in (glfw.KEY_F1, glfw.KEY_RIGHT, glfw.KEY_DOWN, glfw.KEY_DOWN, glfw.KEY_RIGHT, glfw.KEY_DOWN, glfw.KEY_DOWN):
    one.key(one.window, key, 0, glfw.PRESS, 0)
one.key(one.window, glfw.KEY_ENTER, 0, glfw.PRESS, 0)
view = one.frame(1 / 60, None)
one.session.feed("key.KeyH", 1.0)
view = one.frame(1 / 60, view)
print(*one.screen.lines(), sep="; ")
pixels = one.gl.screen.read(components=3)
print(len({pixels[k : k + 3] for k in range(0, len(pixels), 3003)}) > 5, one.door.refused)
"""


@pytest.mark.skipif(MISSING, reason=WHY)
def test_the_marsh_is_drawn_and_its_settings_are_kept(tmp_path: Path) -> None:
    pytest.importorskip("moderngl")
    with virtual_screen() as screen:
        done = subprocess.run(
            [sys.executable, "-c", MARSH, FOLDER, tmp_path],
            env=screen,
            capture_output=True,
            text=True,
            check=False,
        )
    assert (done.returncode, done.stderr) == (0, "")
    assert done.stdout.splitlines() == [
        "look: 1.1 times; thumb: 1 times; glassing: toggle; pitch inverted: never; hop: H", "True Counter()",
    ]  # fmt: skip
    assert mt.load_sheet(tmp_path / "me.toml").get("choice", "glassing") == "toggle"

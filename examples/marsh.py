"""A small marsh in three dimensions, in a window of GLFW: eyes, a camera behind the warden, and the chart.

W, A, S, D or the left stick walk, the mouse or the right stick looks, V changes the view, M opens the
chart. F1 opens the settings: there the arrow keys choose and change, and Enter gives the hop another
button. Save marsh.toml in an editor, and the camera goes on by it. It needs glfw and moderngl: pip install
'mellow-thumb[windows]'. Run it: python examples/marsh.py
"""

from __future__ import annotations

import sys
from math import cos, radians, sin, tan
from pathlib import Path
from typing import Any

import numpy as np
import numpy.typing as npt
from settings import Screen

import mellow_thumb as mt

try:
    import glfw
    import moderngl
except ImportError:
    sys.exit("this example opens a window with glfw and moderngl: pip install 'mellow-thumb[windows]'")

Floats = npt.NDArray[np.float32]
Triple = tuple[float, float, float]

SIZE, FAR = (1280, 800), 300.0
SKY, MUD, WATER = (0.75, 0.82, 0.82), (0.53, 0.50, 0.37), (0.50, 0.63, 0.65)
BOARD, POST, BIRD = (0.60, 0.53, 0.41), (0.43, 0.35, 0.27), (0.91, 0.89, 0.84)
COAT, HAT = (0.15, 0.28, 0.24), (0.76, 0.62, 0.35)
TITLE = "W, A, S, D walk, V changes the view, M opens the chart, F1 the settings"
SIDES = ((-1, -1), (1, -1), (1, 1), (-1, -1), (1, 1), (-1, 1))
"""The corners of a square, as two triangles."""
DRAWN = """
#version 330
uniform mat4 seen;
uniform mat4 stands;
in vec3 at; in vec3 out_of; in vec3 paint;
out vec3 lit;
void main() {
  float light = 0.62 + 0.38 * max(dot(mat3(stands) * out_of, normalize(vec3(-0.6, 0.7, 0.4))), 0.0);
  lit = paint * light;
  gl_Position = seen * stands * vec4(at, 1.0);
}"""
LIT = "#version 330\nin vec3 lit; out vec4 shown; void main() { shown = vec4(lit, 1.0); }"
WORDS = """
#version 330
uniform vec4 box;
in vec2 at; out vec2 where_;
void main() { where_ = vec2(at.x, 1.0 - at.y); gl_Position = vec4(box.xy + at * box.zw, 0.0, 1.0); }"""
SHOWN = """
#version 330
uniform sampler2D text;
in vec2 where_; out vec4 shown;
void main() { shown = texture(text, where_); }"""


def box(middle: Triple, size: Triple, paint: Triple) -> Floats:
    """A box as triangles: place, normal and colour, a row a corner."""
    rows: list[list[float]] = []
    for axis in range(3):
        for side in (-1.0, 1.0):
            out_of = np.eye(3)[axis] * side
            across, up = np.eye(3)[(axis + 1) % 3], np.eye(3)[(axis + 2) % 3]
            for a, b in SIDES:
                corner = np.array(middle) + 0.5 * np.array(size) * (out_of + a * across + b * up)
                rows.append([*corner, *out_of, *paint])
    return np.array(rows, dtype="f4")


def land() -> Floats:
    """The marsh: mud, a creek, a boardwalk, posts, birds."""
    parts = [box((0, -0.1, 0), (400, 0.2, 400), MUD), box((0, -0.09, -22), (400, 0.2, 6), WATER)]
    parts += [box((0, 0.1, -0.3 * k), (1.8, 0.08, 0.26), BOARD) for k in range(-20, 140)]
    parts += [
        box((side * 1.6, 1.0, -5.0 * k), (0.2, 2.0, 0.2), POST) for k in range(-2, 9) for side in (-1, 1)
    ]
    chance = np.random.default_rng(4)
    for x, z in chance.uniform((-30, -50), (30, 10), (60, 2)):
        parts += [box((x, 0.3, z), (0.18, 0.22, 0.4), BIRD), box((x, 0.45, z - 0.2), (0.1, 0.1, 0.14), POST)]
    return np.concatenate(parts)


def warden() -> Floats:
    """Whoever walks there, looking along -Z."""
    parts = [box((0, 1.05, 0), (0.5, 0.9, 0.3), COAT), box((0, 1.66, 0), (0.26, 0.28, 0.26), HAT)]
    parts += [box((side * 0.13, 0.3, 0), (0.18, 0.6, 0.2), POST) for side in (-1, 1)]
    return np.concatenate([*parts, box((0, 1.62, -0.16), (0.5, 0.05, 0.4), HAT)])


def lens(view: mt.View, aspect: float) -> Floats:
    """What projects the camera's frame to the screen."""
    high = 1.0 / tan(0.5 * radians(view.field_of_view))
    near, deep = 0.05, FAR - 0.05
    rows = [[high / aspect, 0, 0, 0], [0, high, 0, 0], [0, 0, -(FAR + near) / deep, -2 * FAR * near / deep]]
    return np.array([*rows, [0, 0, -1, 0]])


class Marsh:
    """The window, what is drawn in it, and the session."""

    def __init__(self, folder: Path) -> None:
        glfw.init()
        glfw.window_hint(glfw.CONTEXT_VERSION_MAJOR, 3)
        glfw.window_hint(glfw.CONTEXT_VERSION_MINOR, 3)
        glfw.window_hint(glfw.OPENGL_PROFILE, glfw.OPENGL_CORE_PROFILE)
        self.window = glfw.create_window(*SIZE, TITLE, None, None)
        glfw.make_context_current(self.window)
        glfw.set_key_callback(self.window, self.key)  # before the door, which calls it too
        self.gl = moderngl.create_context()
        self.profile = mt.load_profile(Path(__file__).with_name("marsh.toml"))
        self.session = self.profile.session()
        self.door = mt.GlfwDoor(self.session, self.window)
        self.screen = Screen(self.profile, folder / "me.toml", self.session)
        self.open, self.row = False, 0
        self.listener: mt.Listener | None = None
        self.place, self.high, self.speed = (0.0, 0.0, 0.0), 0.0, 0.0
        self.drawn: Any = self.gl.program(DRAWN, LIT)
        self.words: Any = self.gl.program(WORDS, SHOWN)
        self.land, self.warden = (self.mesh(rows) for rows in (land(), warden()))
        quad = self.gl.buffer(np.array([0, 0, 1, 0, 0, 1, 1, 1], dtype="f4"))
        self.quad = self.gl.vertex_array(self.words, quad, "at")

    def mesh(self, rows: Floats) -> Any:
        """Triangles, ready to be drawn."""
        return self.gl.vertex_array(self.drawn, self.gl.buffer(rows), "at", "out_of", "paint")

    # ---- the settings

    def key(self, _: Any, key: int, __: int, action: int, ___: int) -> None:
        """F1 opens the settings; there the arrow keys choose and change."""
        if action != glfw.PRESS:
            return
        if key == glfw.KEY_F1:
            self.open = not self.open
            self.session.feed("flag.menu", float(self.open))
        elif self.open and self.listener is None:
            self.row = (self.row + (key == glfw.KEY_DOWN) - (key == glfw.KEY_UP)) % 5
            way = (key == glfw.KEY_RIGHT) - (key == glfw.KEY_LEFT)
            if way or key == glfw.KEY_ENTER:
                self.turn(way)

    def turn(self, way: int) -> None:
        """Change the chosen line."""
        name = ("look", "thumb", "glassing", "pitch", "hop")[self.row]
        sheet = self.screen.sheet
        if name in ("look", "thumb") and way:
            factor = (sheet.get("sensitivity", name) or 1.0) * 1.1**way
            self.screen.change("sensitivity", name, min(max(round(factor, 3), 0.25), 4.0))
        elif name == "pitch" and way:
            for family in ("desk", "pad"):
                self.screen.change("invert", family, [] if sheet.get("invert", family) else ["pitch"])
        elif name == "glassing" and way:
            toggles = sheet.get("choice", name) == "toggle"
            self.screen.change("choice", name, "hold" if toggles else "toggle")
        elif name == "hop" and not way:
            self.listener = self.screen.wait_for(name)

    # ---- a frame

    def frame(self, dt: float, view: mt.View | None) -> mt.View:
        """Let the session go on, walk, and draw."""
        self.door.frame(view)
        if self.profile.changed():
            try:
                self.profile = self.profile.reload()
                self.screen.profile = self.profile
                print(*self.session.switch(self.profile), sep="\n")
            except mt.ProfileError as error:
                print(error)
        frame = self.session.tick(dt)
        if self.listener and self.listener.found:
            self.screen.carry("hop", self.listener.found)
            self.listener = None
        self.speed = 3.0 if "hop" in frame.cues and self.high == 0.0 else self.speed - 9.8 * dt
        self.high = max(self.high + self.speed * dt, 0.0)
        step = frame.movement.step
        self.place = self.place[0] + step[0], self.high, self.place[2] + step[2]
        view = self.session.view(self.place)
        self.draw(view, frame)
        return view

    def draw(self, view: mt.View, frame: mt.Frame) -> None:
        """The marsh as the camera sees it, and the settings over it."""
        wide, tall = glfw.get_framebuffer_size(self.window)
        self.gl.viewport = (0, 0, wide, tall)
        self.gl.clear(*SKY)
        self.gl.enable(moderngl.DEPTH_TEST)
        seen = lens(view, wide / max(tall, 1)) @ np.array(view.matrix())
        self.drawn["seen"].write(seen.T.astype("f4").tobytes())
        self.drawn["stands"].write(np.eye(4, dtype="f4").tobytes())
        self.land.render()
        if frame.mount != "eye":
            turn = radians(frame.movement.heading)
            x, _, z = self.place
            rows = [[cos(turn), 0, -sin(turn), x], [0, 1, 0, self.high], [sin(turn), 0, cos(turn), z]]
            stands = np.array([*rows, [0, 0, 0, 1]])
            self.drawn["stands"].write(stands.T.astype("f4").tobytes())
            self.warden.render()
        if self.open:
            self.write(wide, tall)

    def write(self, wide: int, tall: int) -> None:
        """The settings, as a picture of words."""
        from PIL import Image, ImageDraw, ImageFont

        picture = Image.new("RGBA", (560, 240), (241, 236, 223, 240))
        pen, font = ImageDraw.Draw(picture), ImageFont.load_default(22)
        lines = [*self.screen.lines()]
        if self.listener:
            lines[-1] = "hop: press what it is to be"
        for k, line in enumerate(lines):
            pen.text(
                (24, 24 + 38 * k), f"{'>' if k == self.row else ' '} {line}", fill=(35, 48, 43), font=font
            )
        texture = self.gl.texture(picture.size, 4, picture.tobytes())
        texture.use()
        self.words["box"] = (-560 / wide, -240 / tall, 2 * 560 / wide, 2 * 240 / tall)
        self.gl.disable(moderngl.DEPTH_TEST)
        self.gl.enable(moderngl.BLEND)
        self.quad.render(moderngl.TRIANGLE_STRIP)
        texture.release()


def main(frames: int = -1, folder: Path | None = None) -> Marsh:
    """Run until the window is closed, or for so many frames."""
    marsh, view, before = Marsh(folder or Path()), None, glfw.get_time()
    while frames and not glfw.window_should_close(marsh.window):
        frames -= 1
        glfw.poll_events()
        now = glfw.get_time()
        view = marsh.frame(now - before, view)
        before = now
        glfw.swap_buffers(marsh.window)
    return marsh


if __name__ == "__main__":
    main(int(sys.argv[1]) if len(sys.argv) > 1 else -1)
    glfw.terminate()

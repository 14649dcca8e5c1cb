"""The whole programs on the pages of window libraries: each runs in a real window, and hands are on it."""

from __future__ import annotations

import json
import re
import shutil
import subprocess
import sys
from pathlib import Path
from typing import Any

import pytest

from mellow_thumb import marsh

from ..helpers import linux_nodes
from ..helpers.linux_nodes import Described, words_with
from ..helpers.virtual_screen import MISSING, WHY, inject, virtual_screen

DOCS = Path(__file__).parents[2] / "docs"
MOST = 2000
"""Frames after which what has not happened never will."""
ENDS = {
    "pygame": "pygame.event.post(pygame.event.Event(pygame.QUIT))",
    "glfw": "glfw.set_window_should_close(window, True)",
    "pyglet": "pyglet.app.exit()",
}
BEFORE = """
import json, sys, threading
import mellow_thumb as mt

ticking = mt.Session.tick

def tick(self, dt):
    frame = ticking(self, dt)
    print(json.dumps({"axes": dict(frame.axes), "gates": dict(frame.gates), "refused": self.refused}), flush=True)
    return frame

mt.Session.tick = tick

def ending():
    sys.stdin.read()
    END

threading.Thread(target=ending, daemon=True).start()
"""


@pytest.mark.skipif(MISSING, reason=WHY)
@pytest.mark.parametrize("library", list(ENDS))
def test_the_program_on_a_page_turns_and_holds_as_hands_do(library: str, tmp_path: Path) -> None:
    pytest.importorskip(library)
    (whole,) = re.findall(
        r"```python\n(.*?)```", (DOCS / f"{library}.md").read_text(encoding="utf-8"), re.DOTALL
    )
    shutil.copy(marsh.BOARDWALK, tmp_path)
    (tmp_path / "page.py").write_text(BEFORE.replace("END", ENDS[library]) + whole)
    before = []
    if library == "pyglet":  # it looks for gamepads where a container has no folder
        if linux_nodes.MISSING:
            pytest.skip(linux_nodes.MISSING)
        before = words_with(tmp_path, [Described(3, "Stand-in keys", {1: {30, 31}})])
    with virtual_screen() as screen:
        host = subprocess.Popen(
            [*before, sys.executable, "page.py"], cwd=tmp_path, env=screen, text=True,
            stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.PIPE,
        )  # fmt: skip
        assert host.stdout

        def frame() -> dict[str, Any]:
            assert host.stdout
            while not (line := host.stdout.readline()).startswith("{"):
                assert line, host.communicate()[1]
            return dict(json.loads(line))

        def until(what: str, name: str, value: Any) -> None:
            for _ in range(MOST):
                found = frame()
                if found[what][name] != 0.0 if value is None else found[what][name] == value:
                    assert found["refused"] == {}
                    return
            raise AssertionError(f"never: {found}")

        frame()
        inject(screen, "mousemove", 500, 400)
        for _ in range(3):  # the first is the jump of the capture
            inject(screen, "mousemove_relative", 30, 0)
        until("axes", "yaw", None)
        inject(screen, "mousedown", 3)
        until("gates", "glassing", value=True)
        inject(screen, "mouseup", 3)
        until("gates", "glassing", value=False)
        inject(screen, "keydown", "w")
        until("axes", "move_y", 1.0)
        inject(screen, "keyup", "w")
        until("axes", "move_y", 0.0)
        _, wrong = host.communicate()
    assert host.returncode == 0, wrong

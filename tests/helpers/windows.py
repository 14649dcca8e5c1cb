"""Hosts in real windows on a virtual screen, by the door of each library."""

from __future__ import annotations

import json
import re
import subprocess
import sys
from collections.abc import Callable, Sequence
from pathlib import Path
from typing import Any

import pytest

import mellow_thumb as mt

from .virtual_screen import inject

HOST = Path(__file__).with_name("window_host.py")
LIBRARIES = ("pygame", "glfw", "pyglet")
MOST = 3000
"""Frames after which what has not happened never will."""


class Window:
    """A host in a real window, and hands on it."""

    def __init__(
        self,
        library: str,
        screen: dict[str, str],
        path: Path,
        take: Path | None = None,
        before: Sequence[str] = (),
    ) -> None:
        self.screen = screen
        words = [*before, sys.executable, str(HOST), library, str(path), *([str(take)] if take else [])]
        self.host = subprocess.Popen(
            words, env=screen, text=True, stdin=subprocess.PIPE, stdout=subprocess.PIPE, stderr=subprocess.PIPE,
        )  # fmt: skip
        assert self.host.stdout
        while not (line := self.host.stdout.readline()).startswith("ready"):
            assert line or self.host.poll() is None, self.host.communicate()[1]
        self.id = line.split()[1]
        """What the window is called by the window system."""

    def do(self, *words: object) -> None:
        """Inject input."""
        inject(self.screen, *words)

    def until(self, there: Callable[[dict[str, Any]], bool]) -> dict[str, Any]:
        """What the session is at once something is so: input comes when the window system brings it."""
        for _ in range(MOST):
            if there(now := self.now()):
                return now
        raise AssertionError(f"never: {now}")

    def ask(self, line: str = "") -> Any:
        """What the host answers to a line."""
        assert self.host.stdin
        assert self.host.stdout
        self.host.stdin.write(f"{line}\n")
        self.host.stdin.flush()
        return json.loads(self.host.stdout.readline())

    def reach(self, size: list[int], *, focus: bool, held: bool) -> None:
        """Wait until the window is so large, has the focus or not, and holds the pointer or not."""
        cursor = "held" if held else "free"
        self.until(lambda now: now["size"] == size and now["cursor"] == cursor and has_focus(now) == focus)

    def turn(self, *yaws: float) -> None:
        """Wait until the view has turned to one of these."""
        self.until(lambda now: any(now["axes"]["yaw"] == pytest.approx(yaw) for yaw in yaws))

    def now(self) -> dict[str, Any]:
        """What the session is at."""
        return dict(self.ask())

    def end(self) -> str:
        """The last that it says."""
        return self.host.communicate()[0]


def has_focus(now: dict[str, Any]) -> bool:
    """Whether a window has the focus."""
    return bool(now["signals"].get("host.focus"))


def glfw_door(session: mt.Session) -> tuple[mt.GlfwDoor, dict[str, Any]]:
    """A door of GLFW for a window that is not there, and what GLFW would call, by name."""
    import glfw

    calls: dict[str, Any] = {}
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(glfw, "get_window_size", lambda _: (800, 400))
        for name in (name[4:-9] for name in dir(glfw) if re.fullmatch("set_.*_callback", name)):
            patch.setattr(glfw, f"set_{name}_callback", lambda _, call, name=name: calls.update({name: call}))
        return mt.GlfwDoor(session, None), calls

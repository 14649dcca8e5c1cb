"""A virtual screen, and hands on what is shown there."""

from __future__ import annotations

import os
import shutil
import subprocess
from collections.abc import Iterator
from contextlib import contextmanager

WORDS = ["Xvfb", "-displayfd", "1", "-screen", "0", "1024x700x24"]
MISSING = not (shutil.which("Xvfb") and shutil.which("xdotool"))
WHY = "no virtual screen: apt-get install xvfb xdotool"


@contextmanager
def virtual_screen() -> Iterator[dict[str, str]]:
    """The environment of programs that are shown on a screen of their own."""
    with subprocess.Popen(WORDS, stdout=subprocess.PIPE, stderr=subprocess.DEVNULL, text=True) as shown:
        assert shown.stdout
        display = f":{shown.stdout.readline().strip()}"
        try:
            yield os.environ | {"DISPLAY": display, "SDL_VIDEODRIVER": "x11", "LIBGL_ALWAYS_SOFTWARE": "1"}
        finally:
            shown.terminate()


def inject(screen: dict[str, str], *words: object) -> str:
    """Move the mouse, press keys: the words of xdotool; and what it answers."""
    return subprocess.run(
        ["xdotool", *map(str, words)], env=screen, check=True, capture_output=True, text=True
    ).stdout

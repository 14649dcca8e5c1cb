"""What a contact's report costs beside one of a mouse, in one run: python -m benchmarks.fingers

Both turn the same view at 120 reports a second, two in each frame. What a frame costs without any is taken
off; medians of rounds in which all take turns.
"""

from __future__ import annotations

import tempfile
from collections.abc import Callable
from math import cos, sin
from pathlib import Path
from statistics import median
from time import perf_counter

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines.compiler import Compiling, find_compiler
from mellow_thumb.weaving.languages.c_engine import engine_text
from mellow_thumb.weaving.program import weave_plan

PROFILE = """format = "mellow-thumb profile 1"
mount = "behind"
[touch.look]
drag = { after_travel = "0.01 screen" }
[touch.pinch]
spread = { after_travel = "0.01 screen" }
[routes.finger]
from = "touch.look"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/screen"
[routes.pinch]
from = "touch.pinch"
drives = "distance"
sensitivity = "-1 x/x"
[routes.mouse]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.05 deg/count"
[axes]
pitch = { min = "-60 deg", max = "40 deg" }
distance = { start = "4 m", min = "1.5 m", max = "9 m" }
[mounts.behind]
kind = "orbit"
"""
FRAMES, ROUNDS = 3000, 9


Report = tuple[str, tuple[object, ...]]
"""A call of a session: its name, and what it is given."""


def mouse(k: int, at: float) -> Report:
    """One report of a mouse."""
    return "feed", ("mouse.move", (k % 7 - 3.0, k % 5 - 2.0), at)


def finger(k: int, at: float) -> Report:
    """One report of a finger that looks."""
    place = (0.5 + 0.2 * sin(k / 20), 0.5 + 0.2 * cos(k / 17))
    return "touch", (1, "move" if k else "down", place, at)


def pair(k: int, at: float) -> Report:
    """One report of two fingers, in turns, each pair at one moment."""
    place = (0.3 + 0.4 * (k % 2) + 0.1 * sin(k / 20), 0.5 + 0.2 * cos(k / 17))
    return "touch", (k % 2, "move" if k > 1 else "down", place, at - (k % 2) / 120)


def once(profile: mt.Profile, report: Callable[[int, float], Report] | None, *, compiled: bool) -> float:
    """Seconds that frames take, with two reports in each if there are any."""
    session = profile.session(compiled=compiled)
    session.set_screen(1280.0, 800.0)
    session.tick(0.01)
    moments = [0.014 + frame / 60.0 for frame in range(FRAMES)]
    said = [
        [report(2 * k, at), report(2 * k + 1, at + 1 / 120)] if report else [] for k, at in enumerate(moments)
    ]
    calls = [[(getattr(session, name), given) for name, given in one] for one in said]
    begin = perf_counter()
    for frame in calls:
        for call, given in frame:
            call(*given)
        session.tick(1 / 60.0)
    return perf_counter() - begin


def main() -> None:
    """Print what each report costs, and how long the demo's fingers take to compile."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "fingers.toml"
        file.write_text(PROFILE, encoding="utf-8")
        profile = mt.load_profile(file)
    works = {"nothing": None, "mouse": mouse, "finger": finger, "pair": pair}
    for compiled in (False, True):
        rows: dict[str, list[float]] = {name: [] for name in works}
        for _ in range(ROUNDS):
            for name, report in works.items():
                rows[name].append(once(profile, report, compiled=compiled))
        costs = {name: (median(rows[name]) - median(rows["nothing"])) / FRAMES / 2.0 for name in works}
        engine = "C" if compiled else "Python"
        for name in ("finger", "pair"):
            words = f"{engine}: a report of a {name}, a report of a mouse being 1"
            print(f"{words:<66} {costs[name] / costs['mouse']:8.2f}   at most 3 "
                  f"({costs[name] * 1e6:.2f} and {costs['mouse'] * 1e6:.2f} us)")  # fmt: skip
    text, used = engine_text(weave_plan(mt.load_profile(marsh.FINGERS))).text, find_compiler()
    assert used
    found = []
    for _ in range(5):
        with tempfile.TemporaryDirectory() as folder:
            source = Path(folder) / "fingers.c"
            source.write_text(text, encoding="utf-8")
            begin = perf_counter()
            assert not Compiling(used, source, source.with_suffix(".so")).wait()
            found.append(perf_counter() - begin)
    print(f"{'the fingers of the demo, compiled (s)':<66} {median(found):8.2f}   at most 2")


if __name__ == "__main__":
    main()

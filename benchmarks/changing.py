"""What it costs to change a profile while it runs: new numbers, and another program woven beside the session.

python -m benchmarks.changing
"""

from __future__ import annotations

import os
import platform
import tempfile
import time
from collections.abc import Callable
from dataclasses import replace
from pathlib import Path
from statistics import median
from time import perf_counter

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines.compiler import VARIABLE
from mellow_thumb.plan import Buttons, Cue, find_signal

ROUNDS = 31


def offering(path: Path, folder: Path) -> tuple[mt.Profile, str]:
    """A scene's profile that offers the sensitivity of a route, and the route."""
    tables = mt.load_profile(path).data["routes"]
    name = next(key for key, table in tables.items() if "sensitivity" in table)
    made = folder / path.name
    offers = f"\n[offers]\nsensitivity = {{ {name} = [0.2, 5] }}\n"
    made.write_text(path.read_text(encoding="utf-8") + offers, encoding="utf-8")
    return mt.load_profile(made), name


def milliseconds(work: Callable[[int], object]) -> float:
    """The median time of a call."""
    times = []
    for k in range(ROUNDS):
        begin = perf_counter()
        work(k)
        times.append(perf_counter() - begin)
    return 1e3 * median(times)


def new_numbers(profile: mt.Profile, name: str) -> tuple[float, float]:
    """A player's sheet with another sensitivity, and a profile with one (ms)."""
    session = profile.session(compiled=False)
    session.tick(0.1)
    sheets = [mt.new_sheet(profile) for _ in range(ROUNDS)]
    for k, sheet in enumerate(sheets):
        sheet.set(profile, "sensitivity", name, 0.5 + k / ROUNDS)
    applied = milliseconds(lambda k: session.apply(sheets[k]))
    routes = profile.routes
    others = [
        replace(
            profile,
            routes=tuple(replace(one, gains=tuple(g * (1 + k / 99) for g in one.gains)) for one in routes),
        )
        for k in range(ROUNDS)
    ]
    plain = profile.session(compiled=False)
    return applied, milliseconds(lambda k: plain.switch(others[k]))


def another_program(profile: mt.Profile, rounds: int = 9) -> tuple[float, float, float]:
    """Until it is there (s), the longest frame on the way, the frame that goes over (ms): medians."""
    way, longest, over = [], [], []
    for k in range(rounds):
        session = profile.session()
        session.tick(0.01)
        keys = (find_signal("key.Space"),)
        session.switch(replace(profile, cues=(*profile.cues, Cue(f"hop{k}", Buttons(keys)))))
        begin, frames = perf_counter(), []
        while session.pending:
            start = perf_counter()
            session.tick(0.0)
            frames.append(1e3 * (perf_counter() - start))
            time.sleep(0.004)  # as a host waits for its screen
        way.append(perf_counter() - begin)
        longest.append(max(frames[:-1]))
        over.append(frames[-1])
    return median(way), median(longest), median(over)


def main() -> None:
    """Every scene."""
    os.environ.pop(VARIABLE, None)
    print(f"Python {platform.python_version()} on {platform.machine()}")
    print(f"{'':16} {'apply':>7} {'switch':>7} ms   {'pending':>7} s {'longest':>8} {'over':>6} ms")
    with tempfile.TemporaryDirectory() as folder:
        for path, _ in marsh.SCENES:
            profile, name = offering(path, Path(folder))
            numbers, program = new_numbers(profile, name), another_program(profile)
            print(
                f"{path.stem:16} {numbers[0]:7.2f} {numbers[1]:7.2f}      {program[0]:7.2f}   "
                f"{program[1]:8.2f} {program[2]:6.2f}"
            )


if __name__ == "__main__":
    main()

"""Every number of docs/measurements.md, as ratios taken in one run: python -m benchmarks.ratios

Each is a median over rounds in which both sides take turns, so that a noisy machine harms both alike.
"""

from __future__ import annotations

import platform
import subprocess
import sys
from collections.abc import Callable
from pathlib import Path
from statistics import median
from time import perf_counter

from mellow_thumb import load_profile, marsh, read_take, replay

from .test_session import by_hand, ticking

ROUNDS = 21


def seconds(work: Callable[[], object], times: int = 1) -> float:
    begin = perf_counter()
    for _ in range(times):
        work()
    return (perf_counter() - begin) / times


def taking_turns(works: dict[str, Callable[[], object]], times: int) -> dict[str, list[float]]:
    found: dict[str, list[float]] = {name: [] for name in works}
    for _ in range(ROUNDS):
        for name, work in works.items():
            found[name].append(seconds(work, times))
    return found


def program(*words: str) -> Callable[[], object]:
    return lambda: subprocess.run(words, check=True, capture_output=True)


def startup() -> None:
    found = taking_turns(
        {
            "bare": program(sys.executable, "-c", "pass"),
            "numpy": program(sys.executable, "-c", "import numpy"),
            "import": program(sys.executable, "-c", "import mellow_thumb"),
            "version": program(str(Path(sys.executable).with_name("mellow-thumb")), "--version"),
        },
        1,
    )
    beyond = {name: median(times) - median(found["bare"]) for name, times in found.items()}
    print(f"import numpy, beyond a bare start: {1e3 * beyond['numpy']:.0f} ms")
    print(f"import mellow_thumb / import numpy: {beyond['import'] / beyond['numpy']:.2f} (at most 0.5)")
    print(f"mellow-thumb --version / import numpy: {beyond['version'] / beyond['numpy']:.2f} (at most 0.8)")


def frames() -> None:
    works = {
        "by hand, 0": by_hand(0),
        "by hand, 3": by_hand(3),
        "tick, 0": ticking(0),
        "feed and tick, 3": ticking(3),
        "feed, tick, read, view, 3": ticking(3, view=True),
    }
    found = {name: median(times) for name, times in taking_turns(works, 3000).items()}
    for name in list(works)[2:]:
        reference = found["by hand, 0" if name.endswith("0") else "by hand, 3"]
        print(f"{name} events: {1e6 * found[name]:.2f} us, {found[name] / reference:.1f}x the same by hand")


def saving() -> None:
    session = load_profile(marsh.PROFILE).session()
    session.tick(1 / 60)
    saved = session.snapshot()
    works: dict[str, Callable[[], object]] = {
        "tick, 0": ticking(0),
        "snapshot": session.snapshot,
        "restore": lambda: session.restore(saved),
        "state": session.state,
    }
    found = {name: median(times) for name, times in taking_turns(works, 3000).items()}
    for name in ("snapshot", "restore", "state"):
        share = found[name] / found["tick, 0"]
        print(f"{name}: {1e6 * found[name]:.2f} us, {share:.2f}x a tick (a snapshot: at most 20 us)")


def whole_take() -> None:
    profile, take = load_profile(marsh.PROFILE), read_take(marsh.TAKE)
    events = take.table["t"].nunique()
    spent = median(seconds(lambda: replay(profile, take)) for _ in range(ROUNDS))
    print(f"replay of the demo: {events:,} events in {1e3 * spent:.1f} ms, {events / spent:,.0f} a second")


if __name__ == "__main__":
    print(f"Python {platform.python_version()} on {platform.machine()}, medians of {ROUNDS} rounds")
    startup()
    frames()
    saving()
    whole_take()

"""What the demo profile costs: python -m pytest benchmarks --benchmark-enable"""

from __future__ import annotations

import subprocess
import sys
from collections.abc import Callable
from pathlib import Path
from typing import Any

import pytest

from mellow_thumb import load_profile, marsh, read_take, replay
from mellow_thumb.weaving.program import forget_woven

from .reference import ByHand

Benchmark = Any
MOVES = [(3.0, 1.0), (2.0, -1.0), (1.0, 0.0)]


def ticking(count: int, *, view: bool = False) -> Callable[[], object]:
    """One frame of the demo profile with so many events."""
    session = load_profile(marsh.PROFILE).session()
    session.feed("mouse.right", 1.0)

    def frame() -> object:
        for x, y in MOVES[:count]:
            session.feed("mouse.move", (-x if session.now % 2 < 1 else x, y))
        ticked = session.tick(1 / 60)
        return (ticked.axes["yaw"], session.view()) if view else ticked

    return frame


def by_hand(count: int) -> Callable[[], object]:
    hand = ByHand()
    return lambda: hand.step(1 / 60, MOVES[:count], glassing=True)


@pytest.mark.parametrize("count", [0, 3])
@pytest.mark.benchmark(group="one frame")
def test_by_hand(benchmark: Benchmark, count: int) -> None:
    benchmark(by_hand(count))


@pytest.mark.parametrize("count", [0, 3])
@pytest.mark.benchmark(group="one frame")
def test_feed_and_tick(benchmark: Benchmark, count: int) -> None:
    benchmark(ticking(count))


@pytest.mark.benchmark(group="one frame")
def test_feed_tick_read_and_view(benchmark: Benchmark) -> None:
    benchmark(ticking(3, view=True))


@pytest.mark.benchmark(group="a whole take")
def test_replay(benchmark: Benchmark) -> None:
    profile, take = load_profile(marsh.PROFILE), read_take(marsh.TAKE)
    benchmark(replay, profile, take)
    events = take.table["t"].nunique()
    if benchmark.stats:
        benchmark.extra_info["events_per_second"] = events / benchmark.stats["median"]


@pytest.mark.parametrize("code", ["pass", "import numpy", "import mellow_thumb", "version"])
@pytest.mark.benchmark(group="starting up")
def test_starting_up(benchmark: Benchmark, code: str) -> None:
    command = [str(Path(sys.executable).with_name("mellow-thumb")), "--version"]
    words = command if code == "version" else [sys.executable, "-c", code]
    benchmark(subprocess.run, words, check=True, capture_output=True)


@pytest.mark.benchmark(group="getting ready")
def test_load_and_weave(benchmark: Benchmark) -> None:
    def ready() -> object:
        forget_woven()
        return load_profile(marsh.PROFILE).session()

    benchmark(ready)

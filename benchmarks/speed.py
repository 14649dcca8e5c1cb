"""What a frame, a whole take and many takes cost, as ratios taken in one run: python -m benchmarks.speed

Medians of each round's own ratio, both sides taking turns; docs/measurements.md says what they mean. With
the word ``stream`` it lets a billion events through instead, which takes some minutes.
"""

from __future__ import annotations

import gc
import os
import platform
import subprocess
import sys
import tempfile
import tracemalloc
from collections import deque
from collections.abc import Callable, Iterator, Mapping
from dataclasses import replace
from functools import partial
from statistics import median
from threading import Event, Thread
from time import perf_counter
from typing import Any

import numpy as np

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines import load
from mellow_thumb.takes.loops import Compiled
from mellow_thumb.takes.replay_table import height
from mellow_thumb.takes.rows import none
from mellow_thumb.takes.take_items import TakeReader
from mellow_thumb.weaving.program import forget_woven, weave_plan

from . import by_hand_c, orbit
from .arrays import Arrays
from .workload import PROFILE, START, Polled, as_take, by_hand, hands, mouse_take

FRAMES = 2000
plan = mt.load_profile(PROFILE)
program = weave_plan(plan)
happened = hands(FRAMES)
nobody = (float("nan"),) * len(program.hosts)


class Rounds:
    """The times (s) of works that took turns."""

    def __init__(self, times: Mapping[str, list[float]]) -> None:
        self._times = times

    def time(self, name: str) -> float:
        """The median time (s) of a work."""
        return median(self._times[name])

    def ratio(self, one: str, other: str) -> float:
        """The median of each round's own ratio: some machines change their speed from round to round."""
        return median(a / b for a, b in zip(self._times[one], self._times[other], strict=True))


def turns(works: Mapping[str, Callable[[], object]], rounds: int = 9) -> Rounds:
    """The times of works that take turns."""
    found: dict[str, list[float]] = {name: [] for name in works}
    for _ in range(rounds):
        for name, work in works.items():
            begin = perf_counter()
            work()
            found[name].append(perf_counter() - begin)
    return Rounds(found)


def said(words: str, ratio: float, wanted: str) -> None:
    print(f"{words:<66} {ratio:8.2f}   {wanted}", flush=True)


# ---- one frame


def polled(*, moving: bool) -> list[tuple[float, ...]]:
    """The arguments of the hand-typed step, frame by frame."""
    calls: list[tuple[float, ...]] = []
    one = Polled()
    for events in happened:
        for event in events if moving else ():
            one.event(*event)
        calls.append(one.arguments(1 / 60, 1 / 60))
    return calls


def hand(*, moving: bool) -> Callable[[], object]:
    calls = polled(moving=moving)

    def run() -> None:
        state = START
        for call in calls:
            state, _ = by_hand(state, *call)

    return run


def woven(*, moving: bool) -> Callable[[], object]:
    codes, frame = program.codes, program.frame
    lists = []
    for k in range(FRAMES):
        due = [(k / 60, codes[s], x, y) for s, x, y in (happened[k] if moving else ())]
        lists.append([*due, ((k + 1) / 60, frame, 0.0, 0.0)])

    def run() -> None:
        loop, posed = program.live(program.start), program.pose
        next(loop)
        for items in lists:
            posed(loop.send(items), nobody, 0.0, ())

    return run


def session(*, compiled: bool) -> None:
    live = plan.session(compiled=compiled)
    for fed in FED:
        for signal, value in fed:
            live.feed(signal, value)
        frame = live.tick(1 / 60)
        view = live.view()
        frame.axes["yaw"], view.position, view.rotation, frame.movement.velocity


def value(signal: str, x: float, y: float) -> float | tuple[float, float]:
    return x if signal.startswith(("key.", "mouse.right")) else (x, y)


FED = [[(s, value(s, x, y)) for s, x, y in events] for events in happened]


def arrays() -> Callable[[], object]:
    calls: list[Any] = [
        (c[0], *(np.array(c[k : k + 2]) for k in range(1, 13, 2)), c[13], np.array(c[14:16]), bool(c[16]))
        for c in polled(moving=True)
    ]

    def run() -> None:
        one = Arrays()
        for call in calls:
            one.step(*call)

    return run


def reports(a_second: int, *, many: bool, compiled: bool) -> Callable[[], object]:
    """A mouse with the time of each report, 60 frames a second."""
    each, frames = a_second // 60, FRAMES // 4
    bursts = [
        ([(float(j % 7 - 3), float(j % 3 - 1)) for j in range(each)],
         [k / 60 + (j + 0.5) / (60 * each) for j in range(each)])
        for k in range(frames)
    ]  # fmt: skip

    def run() -> None:
        live = plan.session(compiled=compiled)
        for k, (values, times) in enumerate(bursts):
            if many:
                live.feed_many("mouse.move", values, times)
            else:
                for one, t in zip(values, times, strict=True):
                    live.feed("mouse.move", one, t)
            frame = live.tick(to=(k + 1) / 60)
            live.view()
            frame.axes["yaw"]

    return run


def typed_orbit(moves: list[list[tuple[str, float, float]]]) -> Callable[[], object]:
    """The hand-typed orbit over what hands do."""
    calls = orbit.arguments(moves)

    def run() -> None:
        state = orbit.START
        for call in calls:
            state, _ = orbit.by_hand(state, *call)

    return run


def around() -> None:
    """A camera around a subject: three events a frame, the pose and the walk read."""
    moves = orbit.hands(FRAMES)
    profile = mt.load_profile(orbit.PROFILE)
    said_by_hands = [[(signal, (x, y)) for signal, x, y in events] for events in moves]

    def live(*, compiled: bool) -> None:
        one = profile.session(compiled=compiled)
        for number, events in enumerate(said_by_hands):
            for signal, pair in events:
                one.feed(signal, pair, at=number / 60)
            frame = one.tick(to=(number + 1) / 60)
            view = one.view(orbit.SUBJECT)
            frame.axes["yaw"], view.position, view.rotation, frame.movement.velocity

    def ticked(*, compiled: bool) -> None:
        one = profile.session(compiled=compiled)
        for number in range(FRAMES):
            one.tick(to=(number + 1) / 60)

    def seen(*, compiled: bool) -> None:
        one = profile.session(compiled=compiled)
        one.tick(1 / 60)
        for _ in range(FRAMES):
            one.view(orbit.SUBJECT)

    works = {"feed three times, tick, view, four reads": live, "a tick without events": ticked}
    works["a view with its subject"] = seen
    found = turns(
        {"hand": typed_orbit(moves)}
        | {
            f"{name} {way}": partial(work, compiled=way == "C")
            for name, work in works.items()
            for way in ENGINES
        }
    )
    print(f"the hand-typed orbit: {1e6 * found.time('hand') / FRAMES:.2f} us")
    for name, work in works.items():
        for way, most in ENGINES.items():
            wanted = f"at most {most:g}" if work is live else "-"
            said(f"an orbit, {way}: {name}", found.ratio(f"{name} {way}", "hand"), wanted)


def rolling_back() -> None:
    """What snapshots cost, alone and after each frame, and what it costs to go back to one."""
    profile, moves = mt.load_profile(orbit.PROFILE), orbit.hands(600)

    def frames(*, compiled: bool, snaps: bool) -> None:
        """As who rolls back plays: a snapshot after each frame."""
        one, kept = profile.session(compiled=compiled), deque[object](maxlen=60)
        for number, events in enumerate(moves):
            for signal, x, y in events:
                one.feed(signal, (x, y), at=number / 60)
            one.tick(to=(number + 1) / 60)
            one.view(orbit.SUBJECT)
            if snaps:
                kept.append(one.snapshot())

    def ring(one: mt.Session) -> None:
        """The last second is kept."""
        kept = deque[object](maxlen=60)
        for _ in moves:
            kept.append(one.snapshot())

    for way in ENGINES:
        one = profile.session(compiled=way == "C")
        one.tick(0.1)
        one.view(orbit.SUBJECT)
        kept = one.snapshot()
        found = turns(
            {
                "hand": typed_orbit(moves),
                "snapshot": lambda one=one: [one.snapshot() for _ in moves],  # type: ignore[misc]
                "ring": partial(ring, one),
                "restore": lambda one=one, kept=kept: [one.restore(kept) for _ in moves],  # type: ignore[misc]
                "frames": partial(frames, compiled=way == "C", snaps=False),
                "snapped": partial(frames, compiled=way == "C", snaps=True),
            },
            15,
        )
        said(f"{way}: snapshot / the hand-typed orbit", found.ratio("snapshot", "hand"), "at most 0.26")
        said(f"{way}: snapshot, the last sixty kept / that", found.ratio("ring", "hand"), "-")
        added = found.ratio("snapped", "hand") - found.ratio("frames", "hand")
        said(f"{way}: a snapshot after each frame adds / that", added, "-")
        said(f"{way}: restore / the hand-typed orbit", found.ratio("restore", "hand"), "at most 0.43")


def beside() -> None:
    """What a busy Python thread beside the loop adds to a frame."""
    profile, moves = mt.load_profile(orbit.PROFILE), orbit.hands(600)

    def frame_times(*, compiled: bool) -> float:
        one, spent = profile.session(compiled=compiled), []
        for number, events in enumerate(moves):
            for signal, x, y in events:
                one.feed(signal, (x, y), at=number / 60)
            begin = perf_counter()
            one.tick(to=(number + 1) / 60)
            one.view(orbit.SUBJECT)
            spent.append(perf_counter() - begin)
        return median(spent)

    alone = {way: frame_times(compiled=way == "C") for way in ENGINES}
    over = Event()
    thread = Thread(target=lambda: any(iter(over.is_set, True)), daemon=True)
    thread.start()
    for way in ENGINES:
        added = 1e3 * (frame_times(compiled=way == "C") - alone[way])
        said(f"{way}: a busy thread beside it adds to a frame, ms", added, "at most 0.2")
    over.set()
    thread.join()


ENGINES = {"Python": 4.0, "C": 1.6}
"""What runs a session, and how many times the hand-typed orbit a frame may cost."""
WAYS = {"Python": (3.0, 8.0, 32.0), "C": (1.6, 3.5, 16.0)}
"""The same of the twelve routes: a frame, one with a mouse of 1000 Hz, one of 8000 Hz."""


def frames() -> None:
    works = {
        "hand": hand(moving=True),
        "woven, 0": woven(moving=False),
        "woven, 3": woven(moving=True),
        "arrays": arrays(),
    }
    for way in WAYS:
        compiled = way == "C"
        works[way] = partial(session, compiled=compiled)
        for rate in (1000, 8000):
            works[f"{way} {rate}"] = reports(rate, many=False, compiled=compiled)
            works[f"{way} {rate} many"] = reports(rate, many=True, compiled=compiled)
    found = turns(works)
    print(f"the hand-typed step: {1e6 * found.time('hand') / FRAMES:.2f} us")
    said("woven text, a frame without new events", found.ratio("woven, 0", "hand"), "at most 1.4")
    said("woven text, three events", found.ratio("woven, 3", "hand"), "at most 2.4")
    said("per-frame NumPy arrays / a frame in Python", found.ratio("arrays", "Python"), "at least 8")
    for way, most in WAYS.items():
        said(
            f"{way}: feed three times, tick, view, four reads",
            found.ratio(way, "hand"),
            f"at most {most[0]:g}",
        )
        for rate, least in zip((1000, 8000), most[1:], strict=True):
            timed, many = (4 * found.ratio(f"{way} {rate}{how}", "hand") for how in ("", " many"))
            said(f"{way}: a mouse with times, {rate} Hz", timed, f"at most {least:g}")
            said(f"{way}: the same by feed_many", many, "-")


# ---- whole takes


def looped(events: list[list[tuple[str, float, float]]]) -> Callable[[], object]:
    """The hand-typed step over a take: gather what is due, step, keep; then a table."""
    import pandas as pd

    def run() -> object:
        one, rows = Polled(), []
        for due in events:
            for event in due:
                one.event(*event)
            rows.append(one.frame(1 / 60, 1 / 60))
        return pd.DataFrame(rows)

    return run


def batches() -> None:
    many = hands(100 * FRAMES)
    take, long_take = as_take(happened), as_take(many)
    frames = len(many)
    engine = load(program)
    ends = np.arange(1, frames + 1) / 60
    out, hosts = np.empty((height(program), frames)), np.full((len(program.hosts), frames), np.nan)

    def over(take: mt.Take) -> Callable[[], object]:
        parts = list(TakeReader(plan, program).read(take.table))
        rows = np.column_stack([np.concatenate(one) for one in zip(*parts, strict=True)])
        events = type(parts[0])(*rows.T)
        return lambda: Compiled(engine, program).run(events, ends, hosts, 0, out, last=True)

    by_hand, _ = by_hand_c.over(many)
    found = turns(
        {
            "loop": looped(happened),
            "hand": hand(moving=True),
            "plain": lambda: mt.replay(plan, take, compiled=False),
            "compiled": over(long_take),
            "C by hand": by_hand,
            "table": lambda: mt.replay(plan, long_take, until=frames / 60, compiled=True),
            "at a limit": over(as_take(happened * 100)),
        }
    )
    each, more = found.time("compiled") / frames, frames / FRAMES
    print(
        f"compiled: {1e9 * each:.0f} ns a frame with three events, {3e-6 / each:.1f} million events a second"
    )
    plain = found.ratio("plain", "loop")
    said("replay in plain Python / looping the hand-typed step over a take", plain, "at most 1.3")
    said("calling the hand-typed step / compiled", found.ratio("hand", "compiled") * more, "at least 15")
    said("looping it over a take / compiled", found.ratio("loop", "compiled") * more, "at least 15")
    said("compiled / the hand-typed C loop", found.ratio("compiled", "C by hand"), "-")
    limit = found.ratio("at a limit", "C by hand")
    said("the same with the pitch at its limit most of the time", limit, "-")
    said("from a table to a table / that", found.ratio("table", "C by hand"), "at most 1.5")


def mice_and_many() -> None:
    take = mouse_take(600.0)
    found = turns({"mouse": lambda: mt.replay(plan, take, compiled=True)})
    said(
        "a recorded 1000 Hz mouse at 60 fps, million events a second",
        0.6 / found.time("mouse"),
        "at least 10",
    )
    takes = [mouse_take(300.0, seed=k) for k in range(8)]
    works = {f"{n}": partial(mt.replay_arrays, plan, takes, compiled=True, threads=n) for n in (1, 2)}
    found = turns(works)
    said("eight takes on two threads, times as fast as on one", found.ratio("1", "2"), "at least 1.3 to 1.5")


def memory() -> None:
    take = as_take(happened * 40)
    taken = int(take.table.memory_usage(index=False).sum())
    mt.replay(plan, take, compiled=True)
    tracemalloc.start()
    table = mt.replay(plan, take, compiled=True)
    peak = tracemalloc.get_traced_memory()[1]
    tracemalloc.stop()
    given = int(table.memory_usage(index=False).sum())
    said(
        "peak memory, the take's own included / take and table",
        (taken + peak) / (taken + given),
        "at most 2.5",
    )


def held() -> None:
    """What a session of several mounts holds after a million ticks with hands at work, after ten thousand."""
    session, ticks = mt.load_profile(marsh.CHART).session(), 0
    sizes = []
    for most in (10_000, 1_000_000):
        while ticks < most:
            ticks += 1
            session.feed("mouse.move", (ticks % 7 - 3.0, ticks % 5 - 2.0))
            session.feed("mouse.place", (ticks % 97 / 97.0, ticks % 89 / 89.0))
            if ticks % 50 == 0:
                session.feed("key.KeyM", ticks // 50 % 2)
                session.feed("mouse.left", ticks // 150 % 2)
                session.feed("mouse.wheel", (0.0, ticks // 50 % 3 - 1.0))
            session.tick(1 / 60)
            session.view((0.0, 0.0, 0.0))
        gc.collect()
        sizes.append(sys.getallocatedblocks())
    said("pieces of memory after 10^6 ticks / after 10^4", sizes[1] / sizes[0], "flat")


def growth() -> None:
    engine = load(program)
    times = []
    for frames in (10_000, 10_000_000):
        loop = Compiled(engine, program)
        out = np.empty((height(program), min(frames, 100_000)))
        begin, done = perf_counter(), 0
        while done < frames:
            count = min(100_000, frames - done)
            ends, hosts = (np.arange(count) + done + 1.0) / 60, np.full((len(program.hosts), count), np.nan)
            loop.run(none(), ends, hosts, 0, out, last=True)
            done += count
        times.append((perf_counter() - begin) / frames)
    said("time per tick at 10^7 ticks / at 10^4", times[1] / times[0], "flat")
    per_route = []
    for count in (10, 100, 200):
        look = next(route for route in plan.routes if route.name == "mouse_look")
        routes = tuple(replace(look, name=f"look{k}", gate=None) for k in range(count))
        wide = replace(plan, routes=routes)
        live = mt.Session(wide)

        def tick(live: mt.Session = live) -> None:
            for _ in range(200):
                live.feed("mouse.move", (1.0, 0.0))
                live.tick(1 / 60)

        per_route.append(turns({"": tick}).time("") / 200)
    said("time per tick, 200 routes / 100 routes", per_route[2] / per_route[1], "at most 2 (linear)")


def getting_ready() -> None:
    def fresh() -> None:
        forget_woven()
        mt.load_profile(PROFILE).session()

    numpy = "import time; t = time.perf_counter(); import numpy; print(time.perf_counter() - t)"

    def importing() -> float:
        done = subprocess.run([sys.executable, "-c", numpy], check=True, capture_output=True, text=True)
        return float(done.stdout)

    ready = turns({"": fresh}, 11).time("")
    said("loading and weaving / import numpy", ready / median(importing() for _ in range(11)), "at most 2")
    script = (
        "import time, mellow_thumb as mt; from mellow_thumb.engines import load\n"
        "from mellow_thumb.weaving.program import weave_plan\n"
        f"p = weave_plan(mt.load_profile({str(PROFILE)!r})); t = time.perf_counter(); load(p)\n"
        "print(time.perf_counter() - t)"
    )
    spent = []
    with tempfile.TemporaryDirectory() as folder:
        for _ in range(2):
            done = subprocess.run([sys.executable, "-c", script], check=True, capture_output=True, text=True,
                                  env={**os.environ, "MELLOW_THUMB_CACHE": folder})  # fmt: skip
            spent.append(float(done.stdout))
    said(
        f"first compiled run from the cache / without ({spent[0]:.1f} s)", spent[1] / spent[0], "at most 0.5"
    )


def stream(events: int = 1_000_000_000) -> None:
    """So many events in pieces of ten minutes, and the most memory that the process ever had."""
    import resource

    piece = mouse_take(600.0)
    count, begin, frames = len(piece) // 2, perf_counter(), 0

    def pieces() -> Iterator[mt.Take]:
        for k in range(-(-events // count)):
            yield mt.Take(piece.table.assign(t=piece.table["t"] + 600.0 * k))

    for table in mt.replay_pieces(plan, pieces(), compiled=True):
        frames += len(table)
    most = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    print(f"{events:,} events in {frames:,} frames, {perf_counter() - begin:.0f} s, at most {most:.0f} MB")


if __name__ == "__main__":
    print(f"Python {platform.python_version()} on {platform.machine()}")
    if sys.argv[1:] == ["stream"]:
        stream()
        raise SystemExit
    works = (
        frames,
        around,
        rolling_back,
        beside,
        batches,
        mice_and_many,
        memory,
        held,
        growth,
        getting_ready,
    )
    for part in works:
        part()

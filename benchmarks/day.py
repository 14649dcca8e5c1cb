"""A simulated day of a stand-in's hands, over and over: memory stays flat, and nothing drifts.

``python -m benchmarks.day --scene following`` plays the take of a demo scene again and again through one
session at 60 Hz, 5,184,000 ticks; without a scene it does so with each of them, one process each. It says how
much more memory there is at the end than after the first hour, and how far the last round is from that in the
first hour: the axes, from where the round first saw the active mount, and who walks, its speed and where it
faces beside the camera. A round is the take twice, since some takes end with a gate the other way round. It
ends with 1 where memory grew by more than 4 MB, or something went 1e-6 away.
"""

from __future__ import annotations

import argparse
import math
import resource
import sys
from collections.abc import Callable
from concurrent.futures import ProcessPoolExecutor
from itertools import repeat
from multiprocessing import get_context
from pathlib import Path
from time import perf_counter
from typing import Any

import numpy as np
import numpy.typing as npt

import mellow_thumb as mt

MARSH = Path(mt.__file__).parent / "marsh"
RATE, DAY = 60, 60 * 60 * 60 * 24
SHIFT = 0.5e-6
"""Seconds that each take is shifted by, lest an event on a frame's end fall to either side of it."""
SCENES = sorted(path.stem for path in MARSH.glob("*.toml"))
HEAD = [f"host.head.{part}" for part in ("x", "y", "z", "qx", "qy", "qz", "qw")]
Array = npt.NDArray[np.float64]
Round = Callable[[mt.Session, float], None]
Head = tuple[tuple[float, float, float], tuple[float, float, float, float]]


def hands(take: mt.Take) -> Round:
    """What says the events of a take to a session, from a time on."""
    table = take.table.astype({"signal": str})
    table = table[~table["signal"].str.startswith("host.")]
    motion = table["signal"].str.startswith("motion.")
    sensors = table[motion].pivot_table(index="t", columns="signal", values="value", sort=True)
    samples: list[tuple[float, list[float], list[float]]] = [
        (t, *([row[f"motion.{what}.{axis}"] for axis in "xyz"] for what in ("turn", "force")))
        for t, row in zip(sensors.index.tolist(), sensors.to_dict("records"), strict=True)
    ]
    groups: list[tuple[Any, Array, Array]] = []
    plain = table[~motion]
    pair = plain["signal"].str.extract(r"^(.*(?:move|place|stick|wheel|pixels))\.[xy]$")[0]
    for name, rows in plain.groupby(pair.fillna(plain["signal"]), sort=False):
        times, values = rows["t"].to_numpy(), rows["value"].to_numpy()
        whole = (
            len(rows) % 2 == 0 and rows["signal"].iloc[0].endswith(".x") and (times[::2] == times[1::2]).all()
        )
        if pair[rows.index[0]] == name and whole:
            groups.append((name, values.reshape(-1, 2), times[::2]))
        else:
            groups += [
                (one, few["value"].to_numpy(), few["t"].to_numpy()) for one, few in rows.groupby("signal")
            ]

    def say(session: mt.Session, begin: float) -> None:
        for name, values, times in groups:
            session.feed_many(name, values, times + begin)
        for t, turn, force in samples:
            session.motion(turn, force, at=t + begin)

    return say


def heads(take: mt.Take, frames: int) -> list[Head | None]:
    """Where a headset is at the end of each frame of a take; None where the take says nothing new."""
    table = take.table.astype({"signal": str})
    rows = table[table["signal"].isin(HEAD)].pivot_table(index="t", columns="signal", values="value")
    said: list[Head | None] = [None] * frames
    for t, row in zip(rows.index.tolist(), rows.to_dict("records"), strict=True):
        x, y, z, qx, qy, qz, qw = (float(row[name]) for name in HEAD)
        said[min(frames - 1, int(t * RATE))] = ((x, y, z), (qx, qy, qz, qw))
    return said


def seen(frame: mt.Frame) -> Array:
    """What of a frame must be as it was a round ago."""
    moved = frame.movement
    speed = math.hypot(*moved.velocity)
    beside = moved.heading - frame.axes["yaw"] if speed > 0.0 else 0.0
    return np.array([*frame.axes.values(), speed, beside])


def day(scene: str, ticks: int) -> bool:
    """One day of one scene; whether all is well."""
    take = mt.read_take(MARSH / f"{scene}.csv")
    session, say = mt.load_profile(MARSH / f"{scene}.toml").session(), hands(take)
    once = math.ceil((float(take.table["t"].max()) + 1.0) * RATE)
    worn = heads(take, once) * 2
    frames = len(worn)
    rounds, begin = ticks // frames, perf_counter()
    hour = min(3600 * RATE // frames, rounds // 2)
    first, memory, away = np.zeros((0, 0)), 0.0, 0.0
    for k in range(rounds):
        for part in (0, once):
            say(session, (k * frames + part) / RATE + SHIFT)
        path, bases = [], dict[str, Array]()
        for head in worn:
            if head:
                session.view(head=head)
            frame = session.tick(1 / RATE)
            base = bases.setdefault(frame.mount, np.array([*frame.axes.values(), 0.0, 0.0]))
            path.append(seen(frame) - base)
        if k in (hour, rounds - 1):
            gone = np.array(path)
            if k == hour:
                first, memory = gone, resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
            apart = gone - first
            away = float(np.abs(apart - 360.0 * np.round(apart / 360.0)).max())  # a yaw begins anew at 180
    more = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024 - memory
    seconds = perf_counter() - begin
    told = f"{rounds * frames:,} ticks, {rounds:,} rounds in {seconds:.0f} s"
    print(
        f"{scene}: {told}; {more:.1f} MB more, {away:.1e} away; refused {session.refused or 'nothing'}",
        flush=True,
    )
    return more < 4.0 and away < 1e-6


def main() -> int:
    """Play days, and say what came of them."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--scene", choices=SCENES, action="append")
    parser.add_argument("--ticks", type=int, default=DAY)
    chosen = parser.parse_args()
    with ProcessPoolExecutor(1, get_context("spawn"), max_tasks_per_child=1) as alone:
        well = list(alone.map(day, chosen.scene or SCENES, repeat(chosen.ticks)))
    return 0 if all(well) else 1


if __name__ == "__main__":
    sys.exit(main())

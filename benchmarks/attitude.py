"""Attitude beside published filters at their defaults: how far the sky is off, over hands, pushes and rates.

``python -m benchmarks.attitude``: how far the sky is off, RMS in degrees from 2 s to 62 s, over all seeds;
and what a reading costs. It needs the extra ``test``.
"""

from __future__ import annotations

import argparse
import time
from collections.abc import Callable, Iterator
from concurrent.futures import ProcessPoolExecutor
from dataclasses import dataclass
from functools import partial
from typing import Any, NamedTuple

import numpy as np
from scipy.spatial.transform import Rotation

from mellow_thumb.session import GRAVITY, Attitude
from mellow_thumb.stand_ins import Handheld

Array = np.ndarray[Any, np.dtype[Any]]
LASTS, AFTER = 62.0, 2.0
"""Seconds of a run, and what of its beginning does not count."""
GYROSCOPE, ACCELEROMETER = 0.01, 300e-6 * GRAVITY
"""Noise densities: deg/s and m/s2 by the root of a hertz."""
BIAS = 1.0
"""deg/s, in a direction of chance."""


class Readings(NamedTuple):
    """What sensors say, and the truth."""

    t: Array
    turns: Array
    forces: Array
    ups: Array
    """The sky in the device's frame."""


@dataclass(frozen=True)
class Row:
    """One kind of motion."""

    name: str
    rate: float
    rests: float = 0.0
    pushes: bool = False
    peak: float = 400.0
    shakes: tuple[float, float, float] = (0.0, 0.0, 0.0)
    """Forces that go to and fro without end: across, up and down (m/s2), and their Hz."""
    scale: float = 1.0
    """What the accelerometer says of 1."""
    uneven: bool = False
    worn: str = ""
    """How the stand-in for a device wears it that walks; it moves by itself then."""


ROWS = (
    *(
        Row(f"{rate} Hz{', rest first' if rests else ''}{', pushes' if pushes else ''}", rate, rests, pushes)
        for rate in (50, 100, 200, 1000)
        for rests in (0.0, 3.0)
        for pushes in (False, True)
    ),
    Row("a walking hand", 100, worn="hand"),
    Row("a walking leg", 100, worn="leg"),
    Row("accelerometer 10 % off", 100, pushes=True, scale=1.1),
    Row("forces to and fro", 100, peak=120.0, shakes=(5.0, 0.0, 1.0)),
    *(Row(f"{rate} Hz", rate, peak=200.0) for rate in (5, 8, 10, 20)),
    Row("uneven, with lost readings", 100, uneven=True),
)


def read(row: Row, seed: int) -> Readings:
    """What sensors say in one run of a kind of motion."""
    if row.worn:
        return walked(row, seed)
    random = np.random.default_rng([seed, *row.name.encode()])
    t = np.arange(round(LASTS * row.rate)) / row.rate
    if row.uneven:
        t = np.sort(t + random.uniform(-0.4, 0.4, t.size) / row.rate)
        t = t[random.random(t.size) > 0.1]
    hz = random.uniform(0.1, 2.0, (3, 4))
    sizes, phases = random.uniform(0.3, 1.0, (3, 4)) / hz, random.uniform(0.0, 2 * np.pi, (3, 4))
    first = Rotation.random(random_state=np.random.RandomState(seed))

    def held(at: Array, scale: float) -> Rotation:
        since = np.clip(at - row.rests, 0.0, None) if row.rests else at
        begins = 1.0 - np.exp(-((since / 0.5) ** 2)) if row.rests else np.ones(at.size)
        waves = np.sin(2 * np.pi * hz[:, :, None] * since + phases[:, :, None]) - np.sin(phases)[:, :, None]
        return first * Rotation.from_euler(
            "zxy", (scale * begins * (sizes[:, :, None] * waves).sum(axis=1)).T
        )

    def speeds(at: Array, scale: float) -> Array:
        found: Array = (held(at - 1e-4, scale).inv() * held(at + 1e-4, scale)).as_rotvec(degrees=True) / 2e-4
        return found

    scale = 0.05
    for _ in range(6):
        scale *= row.peak / np.linalg.norm(speeds(t, scale), axis=1).max()
    forces = np.tile([0.0, GRAVITY, 0.0], (t.size, 1))
    if row.pushes:
        begins = row.rests + random.uniform(1.0, 4.0)
        while begins < LASTS:
            way = random.normal(size=3)
            during = (t >= begins) & (t < begins + 2.0)
            forces[during] += np.sin(np.pi * (t[during] - begins))[:, None] * 3.0 * way / np.linalg.norm(way)
            begins += 2.0 + random.uniform(4.0, 12.0)
    across, along, often = row.shakes
    if often:
        way, phase = random.uniform(0.0, 2 * np.pi, 2)
        wave = across * np.sin(2 * np.pi * often * t + phase)
        forces += np.column_stack(
            (wave * np.cos(way), along * np.sin(4 * np.pi * often * t), wave * np.sin(way))
        )
    bias = random.normal(size=3)
    held_now = held(t, scale)
    turns = speeds(t, scale) + BIAS * bias / np.linalg.norm(bias)
    turns = turns + random.normal(size=turns.shape) * GYROSCOPE * np.sqrt(row.rate)
    felt = held_now.inv().apply(forces) * row.scale
    felt = felt + random.normal(size=felt.shape) * ACCELEROMETER * np.sqrt(row.rate)
    return Readings(t, turns, felt, held_now.inv().apply([0.0, 1.0, 0.0]))


def walked(row: Row, seed: int) -> Readings:
    """What the stand-in reads that walks with the device from the first moment on, looking about."""
    hand = Handheld(seed, rate=round(row.rate), bias=BIAS)
    random = np.random.default_rng([seed, *row.name.encode()])
    while len(hand.path[0]) < LASTS * row.rate:
        yaw, pitch, roll = random.uniform(-1.0, 1.0, 3) * (90.0, 40.0, 30.0)
        hand.walk(float(random.uniform(1.0, 4.0)), (yaw, pitch, roll), worn=row.worn)
    said = hand.read(*hand.path)
    keep = said.t < LASTS
    ups = Rotation.from_quat(said.true[keep]).inv().apply([0.0, 1.0, 0.0])
    return Readings(said.t[keep], said.turns[keep], said.forces[keep], ups)


def ours(said: Readings) -> Array:
    """The sky as this library has it."""
    one, ups = Attitude(), []
    for t, turn, force in zip(said.t.tolist(), said.turns.tolist(), said.forces.tolist(), strict=True):
        one.weigh((force[0], force[1], force[2]))
        one.turn((turn[0], turn[1], turn[2]), t)
        ups.append(one.up)
    return np.array(ups)


def _ups(quaternions: Array) -> Array:
    """The third axis of the world in the device's frame, by quaternions w, x, y, z."""
    found: Array = Rotation.from_quat(np.roll(quaternions, -1, axis=1)).inv().apply([0.0, 0.0, 1.0])
    return found


def by_vqf(said: Readings) -> Array:
    """As the package ``vqf`` has it."""
    from vqf import VQF

    filter_ = VQF(float(np.diff(said.t).mean()))
    found = filter_.updateBatch(np.radians(said.turns), np.ascontiguousarray(said.forces))
    return _ups(found["quat6D"])


def by_imufusion(said: Readings) -> Array:
    """As the package ``imufusion`` has it."""
    import imufusion

    filter_, rows = imufusion.Ahrs(), []
    steps = np.diff(said.t, prepend=2 * said.t[0] - said.t[1])
    for turn, force, dt in zip(said.turns, said.forces / GRAVITY, steps, strict=True):
        filter_.set_sample_period(float(dt))
        filter_.update_no_magnetometer(turn, force)
        rows.append(filter_.get_quaternion())
    return _ups(np.array(rows))


def by_ahrs(name: str, said: Readings) -> Array:
    """As a filter of the package ``ahrs`` has it; of two ways to read its quaternion, the better."""
    import ahrs

    rate = 1.0 / float(np.diff(said.t).mean())
    found = getattr(ahrs.filters, name)(np.radians(said.turns), said.forces, frequency=rate).Q
    both = (_ups(found), _ups(found * [1.0, -1.0, -1.0, -1.0]))
    return min(both, key=lambda ups: off(said, ups))


FILTERS: dict[str, Callable[[Readings], Array]] = {
    "ours": ours,
    "vqf": by_vqf,
    "imufusion": by_imufusion,
    **{name: partial(by_ahrs, name) for name in ("Madgwick", "Mahony", "Complementary")},
}


def off(said: Readings, ups: Array) -> float:
    """How far the sky is off: RMS in degrees, after the first seconds."""
    apart = np.degrees(np.arccos(np.clip((said.ups * ups).sum(axis=1), -1.0, 1.0)))
    return float(np.sqrt((apart[said.t >= AFTER] ** 2).mean()))


def one_run(row: Row, seed: int, names: list[str]) -> list[float]:
    """How far each filter is off in one run."""
    said = read(row, seed)
    return [off(said, FILTERS[name](said)) for name in names]


def table(rows: tuple[Row, ...], seeds: int, names: list[str]) -> Iterator[tuple[Row, Array]]:
    """Each row with what each filter is off."""
    with ProcessPoolExecutor(2) as pool:
        for row in rows:
            runs = pool.map(one_run, [row] * seeds, range(seeds), [names] * seeds)
            yield row, np.sqrt((np.array(list(runs)) ** 2).mean(axis=0))


def main() -> None:
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--seeds", type=int, default=24)
    parser.add_argument("--rows", default="", help="only rows whose name has this in it")
    parser.add_argument("--filters", default=",".join(FILTERS))
    said = parser.parse_args()
    names = said.filters.split(",")
    rows = tuple(row for row in ROWS if said.rows in row.name)
    print("| motion | " + " | ".join(names) + " | ours to the best |\n|" + "---|" * (len(names) + 2))
    for row, found in table(rows, said.seeds, names):
        best = found[1:].min() if len(found) > 1 else found[0]
        cells = " | ".join(f"{one:.2f}" for one in found)
        print(f"| {row.name} | {cells} | {found[0] / best:.2f} |", flush=True)
    cost()


def cost() -> None:
    """What a reading costs, to the pure Python of the package ``vqf``."""
    from vqf import PyVQF

    for rate in (50, 100, 200, 1000):
        said = read(Row("cost", rate), 1)
        said = Readings(*(one[:1000] for one in said))
        spent = []
        for _ in range(5):
            begun = time.perf_counter()
            ours(said)
            middle = time.perf_counter()
            other = PyVQF(1.0 / rate)
            for turn, force in zip(np.radians(said.turns), said.forces, strict=True):
                other.updateGyr(turn)
                other.updateAcc(force)
            spent.append((middle - begun, time.perf_counter() - middle))
        mine, theirs = np.median(spent, axis=0) / 1000 * 1e6
        print(f"{rate} Hz: {mine:.0f} us a reading, {theirs:.0f} us: {mine / theirs:.2f}")


if __name__ == "__main__":
    main()

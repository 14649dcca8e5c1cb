"""Any bytes at all as a profile, a sheet or a take: a clear error or a valid object, never anything else.

``python benchmarks/fuzz.py --count 200000 --seed 1`` makes inputs of the demo's files, with bytes and words
changed, cut, doubled and mixed, and says how many were refused and taken, how long the slowest took and how
much memory was used at most. It ends with 1, and keeps the input, where something else came out.
"""

from __future__ import annotations

import argparse
import random
import resource
import sys
import tempfile
import time
from collections.abc import Callable
from pathlib import Path

import mellow_thumb as mt

ROOT = Path(__file__).parents[1]
WORDS = [
    *b"nan inf -0.0 1e308 1e-320 9223372036854775808 0xffffffffffffffffffff true [] {} [[ ]] [a.b.c]".split(),
    *b"# , = . { } ' ''' yaw not mouse.move pad.right_stick 1979-05-27T07:32:00Z".split(),
    b'"', b'""', b'"0.05 deg/count"', b'"1 s"', b'"\\u0000"', b"\x00", b"\xff\xfe", b"\xef\xbb\xbf", b"\r",
    b"1" * 5000, b"[" * 2000, b"a." * 1500, "\u202e\U0001d7d9".encode(),
]  # fmt: skip


def seeds(kind: str) -> list[bytes]:
    """Files that are right."""
    marsh = ROOT / "src" / "mellow_thumb" / "marsh"
    if kind == "profile":
        return [path.read_bytes() for path in (*marsh.glob("*.toml"), *(ROOT / "examples").glob("*.toml"))]
    if kind == "take":
        return [b"".join(path.read_bytes().splitlines(keepends=True)[:40]) for path in marsh.glob("*.csv")]
    if kind in ("parquet", "events", "device"):
        return [made(kind)]
    sheet = mt.new_sheet(profile := mt.load_profile(ROOT / "examples" / "settings.toml"))
    sheet.set(profile, "sensitivity", "look", 1.5)
    sheet.set(profile, "invert", "pad", ["pitch"])
    sheet.set(profile, "buttons", "glassing", ["pad.west"])
    from tomlkit import dumps

    return [dumps(sheet.document).encode()]


def made(kind: str) -> bytes:
    """A take of another kind."""
    if kind == "device":
        head = b"# EVEMU 1.3\nN: pad\nI: 0003 045e 0001 0001\nB: 00 00 00 00 00 00 00 00 00\n"
        return head + b"".join(b"E: 0.%06d 0002 0000 0003\n" % k for k in range(20))
    if kind == "events":
        moves = [f'{{"type":"pointermove","timeStamp":{k},"movementX":{k},"movementY":1}}' for k in range(20)]
        return "\n".join([*moves, '{"type":"keydown","timeStamp":30,"code":"KeyM"}', ""]).encode()
    take = mt.read_take(ROOT / "src" / "mellow_thumb" / "marsh" / "dyke.csv")
    with tempfile.TemporaryDirectory() as folder:
        mt.write_take(mt.Take(take.table[:40], take.about), Path(folder) / "take.parquet")
        return (Path(folder) / "take.parquet").read_bytes()


def changed(data: bytes, others: list[bytes], dice: random.Random) -> bytes:
    """The same with a few things done to it."""
    for _ in range(dice.choice((1, 1, 2, 3, 8))):
        start = dice.randrange(len(data) + 1)
        end = min(len(data), start + dice.choice((1, 1, 2, 8, 60)))
        what = dice.randrange(7)
        if what == 0:
            data = data[:start] + bytes([dice.randrange(256)]) + data[end:]
        elif what == 1:
            data = data[:start] + data[end:]
        elif what == 2:
            data = data[:start] + dice.choice(WORDS) + data[end:]
        elif what == 3:
            data = data[:end] + data[start:]
        elif what == 4:
            other = dice.choice(others)
            place = dice.randrange(len(other) + 1)
            data = data[:start] + other[place : place + 80] + data[start:]
        elif what == 5:
            lines = data.splitlines(keepends=True)
            dice.shuffle(lines)
            data = b"".join(lines)
        else:
            lines = data.splitlines(keepends=True) or [b""]
            k = dice.randrange(len(lines))
            head, mark, _ = lines[k].partition(b"=")
            lines[k] = head + mark + b" " + dice.choice(WORDS) + b"\n"
            data = b"".join(lines)
    return data[:200_000]


def main() -> int:
    """Try inputs, and say what came of them."""
    parser = argparse.ArgumentParser(description=__doc__)
    parser.add_argument("--count", type=int, default=200_000)
    parser.add_argument("--seed", type=int, default=1)
    parser.add_argument("--kind", action="append", help="profile, sheet, take, parquet, events or device")
    chosen = parser.parse_args()
    dice, profile = random.Random(chosen.seed), mt.load_profile(ROOT / "examples" / "settings.toml")
    readers: dict[str, tuple[str, Callable[[Path], object]]] = {
        "profile": (".toml", mt.load_profile),
        "sheet": (".toml", lambda path: mt.load_sheet(path).lay(profile)),
        "take": (".csv", mt.read_take),
        "parquet": (".parquet", mt.read_take),
        "events": (".jsonl", mt.read_take),
        "device": (".evemu", mt.read_take),
    }
    right = {kind: seeds(kind) for kind in readers}
    before = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024
    told: dict[str, list[float]] = {kind: [0, 0, 0.0] for kind in readers}
    with tempfile.TemporaryDirectory() as folder:
        for k in range(chosen.count):
            kind = dice.choice(tuple(chosen.kind or readers))
            suffix, read = readers[kind]
            data = changed(dice.choice(right[kind]), right[kind], dice)
            path = Path(folder) / f"input{suffix}"
            path.write_bytes(data)
            begin = time.perf_counter()
            try:
                read(path)
                told[kind][0] += 1
            except mt.MellowThumbError as error:
                str(error)
                told[kind][1] += 1
            except BaseException as error:
                kept = Path(tempfile.gettempdir()) / f"fuzz-{chosen.seed}-{k}{suffix}"
                kept.write_bytes(data)
                print(f"{kind} {k}: {error!r}; kept as {kept}")
                return 1
            told[kind][2] = max(told[kind][2], time.perf_counter() - begin)
    for kind, (taken, refused, slowest) in told.items():
        counts = f"{taken + refused:,.0f} inputs, {taken:,.0f} taken, {refused:,.0f} refused"
        print(f"{kind}: {counts}; slowest {slowest * 1e3:.0f} ms")
    more = resource.getrusage(resource.RUSAGE_SELF).ru_maxrss / 1024 - before
    print(f"seed {chosen.seed}, {chosen.count:,} inputs; at most {more:.0f} MB more than at the beginning")
    return 0


if __name__ == "__main__":
    sys.exit(main())

"""Recordings of Linux input devices as text, as evemu writes them: a description, then events."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import MOST_PROBLEMS, Problem, TakeError, read_text
from ..devices import ABS, KEY, REL, AxisRange, LinuxDevice, LinuxDoor
from .take import COLUMNS, Take, parts_of

if TYPE_CHECKING:
    import os

LARGEST = 1024**3


def read_evemu(path: str | os.PathLike[str]) -> Take:
    """Read a recording of a Linux input device, as ``evemu-record`` writes it, as a take.

    ``N:`` is the device's name, ``P:`` its properties, ``B:`` which codes of a type it has, ``A:`` the range
    of an axis, ``E:`` an event: seconds, type, code and value. The first event is at 0. Raises
    :class:`TakeError`, with every problem and its line, for a file that is no such thing.
    """
    import pandas as pd

    file, device = str(path), LinuxDevice()
    problems: list[Problem] = []
    rows: list[tuple[float, str, float]] = []
    bits: dict[int, int] = {}
    events: list[tuple[int, int, int, float]] = []
    for number, line in enumerate(read_text(path, TakeError, largest=LARGEST).splitlines(), 1):
        words = line.partition("#")[0].split() if not line.startswith("N:") else line.split(maxsplit=1)
        if not words or len(problems) >= MOST_PROBLEMS:
            continue
        try:
            _line(words, device, events, bits)
        except (ValueError, IndexError):
            wanted = "N:, I:, P:, B:, A: or E: and what follows it"
            problems.append(Problem(file, number, "", f'"{line[:60]}"', wanted))
    if not problems and not events:
        problems.append(Problem(file, 0, "", "no events", "lines that begin with E:"))
    if problems:
        raise TakeError(problems)

    def say(signal: str, value: float | tuple[float, float], seconds: float) -> None:
        rows.extend((seconds, name, one) for name, one in parts_of(signal, value))

    door = LinuxDoor(device, say)
    for signal, value in device.facts.items():
        say(signal, value, 0.0)
    begin = events[0][3]
    for kind, code, number, seconds in events:
        door.take(kind, code, number, round(seconds - begin, 6))
    table = pd.DataFrame(rows, columns=list(COLUMNS))
    notes = (f"events were lost {door.dropped} times",) if door.dropped else ()
    about = {"device": device.name, "made_by": "a recording of its events"}
    return Take(table.astype({"t": float, "signal": "category", "value": float}), about, notes)


def _line(
    words: list[str],
    device: LinuxDevice,
    events: list[tuple[int, int, int, float]],
    bits: dict[int, int],
) -> None:
    """Take one line of a recording; `bits` is how many bytes each type of code has told so far."""
    key, *rest = words
    if key == "N:":
        device.name = rest[0].strip() if rest else ""
    elif key == "A:":
        code, low, high, _, flat = int(rest[0], 16), *map(int, rest[1:5])
        device.axes[code] = AxisRange(low, high, flat, int(rest[5]) if len(rest) > 5 else 0)
    elif key == "B:":
        kind, some = int(rest[0], 16), bytes(int(one, 16) for one in rest[1:])
        held, first = {KEY: device.keys, REL: device.rels}.get(kind, set()), 8 * bits.get(kind, 0)
        bits[kind] = bits.get(kind, 0) + len(some)
        held |= {first + k for k in range(8 * len(some)) if some[k // 8] >> k % 8 & 1}
    elif key == "E:":
        kind, code, value = int(rest[1], 16), int(rest[2], 16), int(rest[3])
        events.append((kind, code, value, float(rest[0])))
        if kind == ABS and code not in device.axes:
            raise ValueError
    elif key == "P:":
        some = bytes(int(one, 16) for one in rest)
        device.properties |= {k for k in range(8 * len(some)) if some[k // 8] >> k % 8 & 1}
    elif key not in ("I:", "L:", "S:"):
        raise ValueError

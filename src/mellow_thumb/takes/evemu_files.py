"""Recordings of Linux input devices as text, as evemu writes them: a description, then events."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import MOST_PROBLEMS, Problem, TakeError, read_text
from ..devices import ABS, KEY, REL, AxisRange, LinuxDevice, LinuxDoor
from .take import COLUMNS, Take, parts_of

if TYPE_CHECKING:
    import os

LARGEST = 1024**3
_TYPES = {0: "reports", 1: "keys", 2: "movements", 3: "axes", 4: "codes of keys", 17: "lights", 20: "repeats"}
"""Types of events, by the kernel's numbers."""


def read_evemu(path: str | os.PathLike[str]) -> Take:
    """Read a recording of a Linux input device, as ``evemu-record`` writes it, as a take.

    ``N:`` is the device's name, ``P:`` its properties, ``B:`` which codes of a type it has, ``A:`` the range
    of an axis, ``E:`` an event: seconds, type, code and value. The first event is at 0; a clock that was set
    back goes on from where it was, and what is still held at the end is let go: `Take.notes` says so. Raises
    :class:`TakeError`, with every problem and its line, for another kind of file, or one without anything
    that is known here.
    """
    import pandas as pd

    file, device = str(path), LinuxDevice()
    events = _told(file, read_text(path, TakeError, largest=LARGEST).splitlines(), device)
    rows: list[tuple[float, str, float]] = []

    def say(signal: str, value: float | tuple[float, float], seconds: float) -> None:
        rows.extend((seconds, name, one) for name, one in parts_of(signal, value))

    door, notes = LinuxDoor(device, say), [device.unsaid] if device.unsaid else []
    last, behind, backwards = events[0][3], -events[0][3], 0
    for kind, code, number, seconds in events:
        if seconds < last:
            backwards, behind = backwards + 1, behind + last - seconds
        last = seconds
        door.take(kind, code, number, round(seconds + behind, 6))
    if not rows:
        raise TakeError([_of_no_use(file, device, events)])
    ended = len(rows)
    door.release(round(last + behind, 6))
    if door.dropped:
        notes.append(f"events were lost {door.dropped} times")
    if backwards:
        notes.append(f"its clock was set back {backwards} times: its events go on from where they were")
    if len(rows) > ended:
        still = ", ".join(dict.fromkeys(_whole(name) for _, name, _ in rows[ended:]))
        notes.append(f"still held at its end, and let go there: {still}")
    facts = [
        (0.0, name, one) for signal, value in device.facts.items() for name, one in parts_of(signal, value)
    ]
    table = pd.DataFrame([*facts, *rows], columns=list(COLUMNS))
    about = {"device": device.name, "made_by": "a recording of its events"}
    return Take(table.astype({"t": float, "signal": "category", "value": float}), about, tuple(notes))


def _told(file: str, lines: list[str], device: LinuxDevice) -> list[tuple[int, int, int, float]]:
    """The events of a recording's lines; what they say about the `device` is added to it."""
    problems: list[Problem] = []
    bits: dict[int, int] = {}
    events: list[tuple[int, int, int, float]] = []
    for number, line in enumerate(lines, 1):
        words = line.partition("#")[0].split() if not line.startswith("N:") else line.split(maxsplit=1)
        if not words or len(problems) >= MOST_PROBLEMS:
            continue
        try:
            _line(words, device, events, bits)
        except (KeyError, ValueError, IndexError) as error:
            wanted = "N:, I:, P:, B:, A: or E: and what follows it"
            if isinstance(error, KeyError):
                wanted = f"a line A: {error.args[0]:02x} before it, with the range of that axis"
            problems.append(Problem(file, number, "", f'"{line[:60]}"', wanted))
    if not problems and not events:
        problems.append(Problem(file, 0, "", "no events", "lines that begin with E:"))
    if problems:
        raise TakeError(problems)
    return events


def _of_no_use(file: str, device: LinuxDevice, events: list[tuple[int, int, int, float]]) -> Problem:
    """The parts of a recording that are not signals."""
    held = ", ".join(sorted({_TYPES.get(one[0], f"type {one[0]}") for one in events}))
    found = (
        f"{len(events)} events ({held}) of {device.name or 'a device without a name'}, none of them a signal"
    )
    found += f"; {device.unsaid}" if device.unsaid else ""
    wanted = "those of a mouse, keys, a pad, a trackpad, a touch screen or a motion sensor"
    return Problem(file, 0, "", found, wanted)


def _whole(name: str) -> str:
    """The signal that a name may be part of: a finger is one signal."""
    return name.removesuffix(".cancel").removesuffix(".x").removesuffix(".y")


def _line(
    words: list[str],
    device: LinuxDevice,
    events: list[tuple[int, int, int, float]],
    bits: dict[int, int],
) -> None:
    """Read one line of a recording; `bits` counts the bytes given so far for each type of code."""
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
            raise KeyError(code)
    elif key == "P:":
        some = bytes(int(one, 16) for one in rest)
        device.properties |= {k for k in range(8 * len(some)) if some[k // 8] >> k % 8 & 1}
    elif key not in ("I:", "L:", "S:"):
        raise ValueError

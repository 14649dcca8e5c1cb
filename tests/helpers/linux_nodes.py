"""Device nodes for tests: described devices that umockdev plays as /dev/input/eventN."""

from __future__ import annotations

import shutil
import struct
import subprocess
import sys
from dataclasses import dataclass, field
from importlib.util import find_spec
from pathlib import Path

MISSING = (
    ""
    if shutil.which("umockdev-run") and find_spec("evdev")
    else "umockdev-run (Debian's umockdev) and python-evdev are not both installed"
)
"""Why device nodes cannot be played here, if so."""


@dataclass
class Described:
    """A device, and what it sends: (microseconds, type, code, value)."""

    number: int
    name: str
    codes: dict[int, set[int]]
    axes: dict[int, tuple[int, int, int, int]] = field(default_factory=dict)
    """Of each: its least, its most, its flat middle, its units in a mm."""
    events: list[tuple[int, int, int, int]] = field(default_factory=list)

    @property
    def node(self) -> str:
        return f"/dev/input/event{self.number}"

    def description(self) -> str:
        """What udev and sysfs say of it; without ``dev`` and the link ``device`` it is not listed."""
        above, minor = f"/devices/virtual/input/input{self.number}", 64 + self.number
        return (
            f"P: {above}/event{self.number}\nN: input/event{self.number}\nE: DEVNAME={self.node}\n"
            f"E: MAJOR=13\nE: MINOR={minor}\nE: SUBSYSTEM=input\n"
            f"A: dev=13:{minor}\nL: device=../../input{self.number}\n\n"
            f"P: {above}\nE: SUBSYSTEM=input\nA: name={self.name}\n\n"
        )

    def answers(self) -> str:
        """What it answers to python-evdev, each in just the size that is asked for."""
        words = {"VERSION": struct.pack("<i", 0x10001), "ID": struct.pack("<4H", 3, 1, 2, 3)}
        words |= {"EFFECTS": struct.pack("<i", 0)}
        lines = [
            f"@DEV {self.node}",
            *(f"EVIOCG{word} 0 {data.hex().upper()}" for word, data in words.items()),
        ]
        for word, text in (("NAME", self.name), ("PHYS", "stand-in"), ("UNIQ", "")):
            lines.append(f"EVIOCG{word} {len(text) + 1} {text.encode().ljust(256, bytes(1)).hex().upper()}")
        lines += [f"EVIOCGPROP 4 {'00' * 4}", f"EVIOCGKEY 96 {'00' * 96}"]
        lines.append(f"EVIOCGBIT(0) 4 {_bits({0, *self.codes}, 4)}")
        lines += [f"EVIOCGBIT({kind}) 96 {_bits(codes, 96)}" for kind, codes in self.codes.items()]
        for code, (low, high, flat, resolution) in self.axes.items():
            middle = (low + high) // 2
            data = struct.pack("<6i", middle, low, high, 0, flat, resolution)
            lines.append(f"EVIOCGABS({code}) 0 {data.hex().upper()}")
        return "\n".join(lines) + "\n"

    def recording(self) -> str:
        """Its events as a recording; umockdev takes microseconds with leading zeros for octal."""
        return "".join(
            f"E: {at // 1_000_000}.{at % 1_000_000} {kind:04x} {code:04x} {value}\n"
            for at, kind, code, value in self.events
        )


def _bits(codes: set[int], size: int) -> str:
    data = bytearray(size)
    for code in codes:
        data[code // 8] |= 1 << code % 8
    return data.hex().upper()


def run_with(folder: Path, devices: list[Described], *command: str) -> subprocess.CompletedProcess[str]:
    """Run a command of this Python in a place where these are the devices."""
    words = ["umockdev-run"]
    for device in devices:
        stem = folder / f"device{device.number}"
        files = {"umockdev": device.description(), "ioctl": device.answers(), "events": device.recording()}
        for suffix, text in files.items():
            stem.with_suffix(f".{suffix}").write_text(text)
        words += ["-d", f"{stem}.umockdev", "-i", f"{device.node}={stem}.ioctl"]
        words += ["-e", f"{device.node}={stem}.events"] if device.events else []
    return subprocess.run(
        [*words, "--", sys.executable, *command],
        capture_output=True,
        text=True,
        cwd=folder,
        timeout=60,
        check=False,
    )

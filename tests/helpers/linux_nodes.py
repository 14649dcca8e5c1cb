"""Device nodes for tests: described devices that umockdev plays as /dev/input/eventN, or as a joystick node."""

from __future__ import annotations

import os
import shutil
import struct
import subprocess
import sys
import tempfile
import threading
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass, field
from importlib.util import find_spec
from pathlib import Path
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from playwright.sync_api import Browser

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
    properties: set[int] = field(default_factory=set)
    joystick: bool = False
    """Whether it answers to SDL and GLFW too, as a gamepad."""

    @property
    def node(self) -> str:
        return f"/dev/input/event{self.number}"

    def description(self) -> str:
        """What udev and sysfs say of it; without ``dev`` and the link ``device`` it is not listed."""
        above, minor = f"/devices/virtual/input/input{self.number}", 64 + self.number
        kind = "E: ID_INPUT=1\nE: ID_INPUT_JOYSTICK=1\n" if self.joystick else ""
        return (
            f"P: {above}/event{self.number}\nN: input/event{self.number}\nE: DEVNAME={self.node}\n"
            f"E: MAJOR=13\nE: MINOR={minor}\nE: SUBSYSTEM=input\n{kind}"
            f"A: dev=13:{minor}\nL: device=../../input{self.number}\n\n"
            f"P: {above}\nE: SUBSYSTEM=input\nA: name={self.name}\n\n"
        )

    def answers(self) -> str:
        """What it answers to who reads it, each in just the size that is asked for."""
        words = {"VERSION": struct.pack("<i", 0x10001), "ID": struct.pack("<4H", 3, 1, 2, 3)}
        words |= {"EFFECTS": struct.pack("<i", 0)}
        lines = [
            f"@DEV {self.node}",
            *(f"EVIOCG{word} 0 {data.hex().upper()}" for word, data in words.items()),
        ]
        for word, text in (("NAME", self.name), ("PHYS", "stand-in"), ("UNIQ", "")):
            lines.append(f"EVIOCG{word} {len(text) + 1} {text.encode().ljust(256, bytes(1)).hex().upper()}")
        lines += [f"EVIOCGPROP 4 {_bits(self.properties, 4)}", f"EVIOCGKEY 96 {'00' * 96}"]
        lines.append(f"EVIOCGBIT(0) 4 {_bits({0, *self.codes}, 4)}")
        lines += [f"EVIOCGBIT({kind}) 96 {_bits(codes, 96)}" for kind, codes in self.codes.items()]
        for code, (low, high, flat, resolution) in self.axes.items():
            # a gamepad that nobody holds, or the first slot, which is the current one
            now = 0 if self.joystick or code == 0x2F else (low + high) // 2
            data = struct.pack("<6i", now, low, high, 0, flat, resolution)
            lines.append(f"EVIOCGABS({code}) 0 {data.hex().upper()}")
        if self.joystick:
            axes, none = _bits(self.codes[3], 8), bytes(16).hex()
            lines += [f"EVIOCGBIT(3) 8 {axes}", f"EVIOCGBIT(2) 8 {none[:16]}", f"EVIOCGBIT(21) 16 {none}"]
            name = self.name.encode().ljust(128, bytes(1)).hex().upper()
            lines.append(f"EVIOCGNAME {len(self.name) + 1} {name}")
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
    return subprocess.run(
        [*words_with(folder, devices), sys.executable, *command],
        capture_output=True,
        text=True,
        cwd=folder,
        timeout=60,
        check=False,
    )


def words_with(folder: Path, devices: list[Described]) -> list[str]:
    """The words before a command that make these its devices."""
    words = ["umockdev-run"]
    for device in devices:
        stem = folder / f"device{device.number}"
        files = {"umockdev": device.description(), "ioctl": device.answers(), "events": device.recording()}
        for suffix, text in files.items():
            stem.with_suffix(f".{suffix}").write_text(text)
        words += ["-d", f"{stem}.umockdev", "-i", f"{device.node}={stem}.ioctl"]
        words += ["-e", f"{device.node}={stem}.events"] if device.events else []
    return [*words, "--"]


@dataclass
class Gamepad:
    """A gamepad as browsers read it: a joystick node that says what is done, beside an event node."""

    maker: int
    model: int
    buttons: int
    axes: int
    done: list[tuple[int, int, int, int]]
    """What is done: (ms after what was before it, 1 a button or 2 an axis, its number, its value).

    Of what is done at once a browser reads the first alone.
    """

    def description(self) -> str:
        """What udev and sysfs say of it."""
        above, common = "/devices/virtual/input/input9", "E: SUBSYSTEM=input\nE: ID_INPUT_JOYSTICK=1\n"
        nodes = "".join(
            f"P: {above}/{name}\nN: input/{name}\nE: DEVNAME=/dev/input/{name}\nE: MAJOR=13\nE: MINOR={minor}\n"
            f"{common}A: dev=13:{minor}\nL: device=../../input9\n\n"
            for name, minor in (("event9", 73), ("js0", 0))
        )
        ids = f"A: id/vendor={self.maker:04x}\nA: id/product={self.model:04x}\n"
        return f"{nodes}P: {above}\n{common}A: name=Stand-in pad\n{ids}\n"

    def script(self) -> bytes:
        """What the joystick node gives to whoever reads it: first how everything stands, then what is done."""
        begun = [(0x81, k, 0) for k in range(self.buttons)] + [(0x82, k, 0) for k in range(self.axes)]
        lines = [b"r 0 " + b"".join(_said(*one) for one in begun)]
        lines += [b"r %d " % after + _said(*one) for after, *one in self.done]
        return b"\n".join([*lines, b"r 600000 " + _said(2, 0, 0), b""])  # it is unplugged as its script ends


def _said(kind: int, number: int, value: int) -> bytes:
    """One event of a joystick node, as a script has it: a control byte as a caret and a letter."""
    data = struct.pack("<IhBB", 1, value, kind, number)
    return b"".join(
        b"^%c" % (byte + 64) if byte < 32 else b"^`" if byte == 94 else b"%c" % byte for byte in data
    )


PATIENCE = 15_000
"""Milliseconds in which a browser is there, or never will be."""


def _launched(words: list[str], environment: dict[str, str]) -> tuple[subprocess.Popen[str], str]:
    """A browser that listens, and the line that says where; one that dies before it does is started again."""
    said = ""
    for _ in range(3):
        process = subprocess.Popen(words, stderr=subprocess.PIPE, text=True, env=environment)
        assert process.stderr is not None
        for line in process.stderr:
            said += line
            if line.startswith("DevTools listening on "):
                return process, line
        process.wait()
        process.stderr.close()
    raise AssertionError(f"no browser: {said[-2000:]}")


@contextmanager
def browsing(folder: Path, pad: Gamepad, browser: str) -> Iterator[Browser]:
    """A browser where the pad is plugged in."""
    from playwright.sync_api import sync_playwright

    (folder / "pad.umockdev").write_text(pad.description())
    (folder / "pad.script").write_bytes(pad.script())
    words = [
        "umockdev-run",
        "-d",
        f"{folder}/pad.umockdev",
        "-s",
        f"/dev/input/js0={folder}/pad.script",
        "--",
    ]
    words += [browser, "--headless", "--no-sandbox", "--disable-gpu", "--in-process-gpu", "--no-first-run"]
    words += [f"--{kind}-cmd-prefix=env -u LD_PRELOAD" for kind in ("renderer", "utility")]
    words += ["--disable-background-networking"]
    words += [f"--user-data-dir={folder}/browser", "--remote-debugging-port=0", "about:blank"]
    with tempfile.TemporaryDirectory() as short:  # sockets lie in it, whose names have a limit
        process, said = _launched(words, {**os.environ, "TMPDIR": short})
        assert process.stderr is not None
        lines = process.stderr
        rest = threading.Thread(target=lambda: [None for _ in lines])
        rest.start()
        try:
            with sync_playwright() as play:
                yield play.chromium.connect_over_cdp(f"http://{said.split('/')[2]}", timeout=PATIENCE)
        finally:
            # told to end, the one would go on to the end of its script, and who waits for crashes for ever
            subprocess.run(["pkill", "-KILL", "-f", str(folder)], check=False)  # it may have died before
            rest.join()
            process.wait()
            process.stderr.close()

"""Device nodes of Linux through python-evdev: what is plugged in, and what each sends."""

from __future__ import annotations

import time
from contextlib import suppress
from typing import TYPE_CHECKING, Any, Protocol

from ..basics import MissingError
from .linux_device import ABS, KEY, PLACE_X, PLACE_Y, REL, SLOT, AxisRange, LinuxDevice

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator

    from .linux_door import Event

_UNKNOWN = (OSError, SystemError)
"""What python-evdev raises where a system or a device does not know a question."""
_SET_CLOCK = 0x400445A0
"""EVIOCSCLOCKID of linux/input.h."""
_ASK_SLOTS = 0x8000450A
"""EVIOCGMTSLOTS of linux/input.h, but for the size of the answer."""


class Node(Protocol):
    """An open device: what it says of itself, and what it sends."""

    device: LinuxDevice
    behind: float
    """Seconds to add to its times to have them on the monotonic clock."""

    def fileno(self) -> int:
        """What to wait on."""

    def read(self) -> Iterable[tuple[int, int, int, float]]:
        """The events since the last read: type, code, value and time (s); OSError once it is gone."""

    def state(self) -> Iterable[Event]:
        """What it holds now; for a touch screen where each slot is, and last the current slot."""

    def close(self) -> None:
        """Close it."""


class System(Protocol):
    """Where devices are found."""

    def paths(self) -> Iterable[str]:
        """The device nodes there are."""

    def open(self, path: str) -> Node:
        """Open one of them; OSError where that cannot be."""


class _EvdevNode:
    """A device node, by way of python-evdev."""

    def __init__(self, found: Any) -> None:
        import fcntl
        import struct

        self._found = found
        axes: dict[int, AxisRange] = {}
        codes: dict[int, set[int]] = {KEY: set(), REL: set()}
        for kind, listed in found.capabilities(absinfo=True).items():
            if kind == ABS:
                axes = {code: AxisRange(a.min, a.max, a.flat, a.resolution) for code, a in listed}
            elif kind in codes:
                codes[kind] = set(listed)
        properties: set[int] = set()
        with suppress(*_UNKNOWN):
            properties = set(found.input_props())
        self.device = LinuxDevice(found.name, axes, codes[REL], codes[KEY], properties)
        self.behind = time.monotonic() - time.time()
        with suppress(OSError):
            fcntl.ioctl(found.fd, _SET_CLOCK, struct.pack("i", time.CLOCK_MONOTONIC))
            self.behind = 0.0

    def fileno(self) -> int:
        return int(self._found.fd)

    def read(self) -> Iterator[tuple[int, int, int, float]]:
        try:
            for event in self._found.read():
                yield event.type, event.code, event.value, event.sec + event.usec / 1e6
        except BlockingIOError:
            return

    def state(self) -> Iterator[Event]:
        with suppress(*_UNKNOWN):
            yield from self._slots()
            for code in set(self.device.axes) - {PLACE_X, PLACE_Y}:
                yield ABS, code, self._found.absinfo(code).value
            for code in self._found.active_keys():
                yield KEY, code, 1

    def _slots(self) -> Iterator[Event]:
        """Where each slot of a touch screen is or was, then the current slot."""
        if SLOT not in self.device.axes or not (self.device.touches or self.device.is_trackpad):
            return
        import fcntl
        import struct

        many = self.device.axes[SLOT].high + 1
        asked = _ASK_SLOTS | (4 * (many + 1)) << 16
        with suppress(*_UNKNOWN):
            for code in (PLACE_X, PLACE_Y):
                said = fcntl.ioctl(self._found.fd, asked, struct.pack(f"{many + 1}i", code, *[0] * many))
                for slot, value in enumerate(struct.unpack(f"{many + 1}i", said)[1:]):
                    yield ABS, SLOT, slot
                    yield ABS, code, value

    def close(self) -> None:
        self._found.close()


class Evdev:
    """The devices of this machine."""

    def __init__(self) -> None:
        try:
            import evdev
        except ImportError:
            raise MissingError(
                "reading Linux devices needs python-evdev: pip install 'mellow-thumb[linux]'"
            ) from None
        self._evdev: Any = evdev

    def paths(self) -> list[str]:
        """The device nodes there are."""
        from pathlib import Path

        return [str(path) for path in Path("/dev/input").glob("event*")]

    def open(self, path: str) -> Node:
        """Open one of them; OSError where that cannot be."""
        return _EvdevNode(self._evdev.InputDevice(path, readonly=True))

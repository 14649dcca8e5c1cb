"""Linux input devices, live: opened when they are plugged in, let go when they are unplugged.

Devices are read through python-evdev. Their times are the kernel's own; where it can, a device is asked to
give them on the monotonic clock (EVIOCSCLOCKID), which nobody sets.
"""

from __future__ import annotations

import time
from contextlib import suppress
from dataclasses import dataclass
from typing import TYPE_CHECKING, Any

from .linux_device import ABS
from .linux_door import LinuxDoor
from .linux_nodes import Evdev

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from ..session import Session
    from .linux_device import LinuxDevice
    from .linux_door import Say
    from .linux_nodes import Node, System

CLOCK = "linux"
"""What the clock of the devices is called where a session aligns it."""
SCANS = 1.0
"""Seconds after which it is looked anew what is plugged in."""
APART = 1.0
"""Seconds by which two clocks must differ to be taken for different clocks."""


@dataclass
class _Opened:
    """A device that is being read."""

    node: Node
    door: LinuxDoor
    behind: float
    """Seconds to add to its times to have them on our clock."""
    heard: bool = False

    def moment(self, seconds: float, now: float) -> float:
        """A device's time on our clock; if it has another clock, its first event sets the offset."""
        if not self.heard and abs(seconds + self.behind - now) > APART:
            self.behind = now - seconds
        self.heard = True
        return seconds + self.behind


class LinuxDevices:
    """The input devices of this machine. Call :meth:`poll` once a frame, before the tick.

    `say` takes a signal, its value or pair of values, and its time (s) on the monotonic clock; for a session
    use :meth:`feeding`. With `only`, devices whose name or path holds one of these words. A device that is
    plugged in later is used too; one that is unplugged lets go of what it held. Raises :class:`MissingError`
    without python-evdev.
    """

    def __init__(
        self,
        say: Say,
        *,
        only: Sequence[str] = (),
        clock: Callable[[], float] = time.monotonic,
        system: System | None = None,
    ) -> None:
        """Open what is there."""
        self._say, self._only, self._clock = say, tuple(word.casefold() for word in only), clock
        self._system = system or Evdev()
        self._open: dict[str, _Opened] = {}
        self.passed: dict[str, str] = {}
        """Devices that were passed over, by the path of the node: those not asked for, or of no use."""
        self._session: Session | None = None
        self._scanned = -SCANS
        self.closed: dict[str, str] = {}
        """The nodes that could not be opened, and why."""
        self._scan(clock())

    @classmethod
    def feeding(cls, session: Session, **options: Any) -> LinuxDevices:
        """The same for a `session`: it takes what they send, at the times at which it happened."""

        def say(signal: str, value: float | tuple[float, float], seconds: float) -> None:
            session.feed(signal, value, at=seconds, device=CLOCK)

        devices = cls(say, **options)
        devices._session = session
        devices.align()
        for device in devices.devices:
            _tell_unsaid(device)
        return devices

    @property
    def names(self) -> dict[str, str]:
        """The name of each open device, by the path of its node."""
        return {path: one.node.device.name for path, one in self._open.items()}

    @property
    def devices(self) -> tuple[LinuxDevice, ...]:
        """What each open device says of itself."""
        return tuple(one.node.device for one in self._open.values())

    @property
    def dropped(self) -> int:
        """How often events of an open device were lost, as the system reports it."""
        return sum(one.door.dropped for one in self._open.values())

    def align(self) -> None:
        """Make now the session's now, after a pause without ticks."""
        if self._session:
            self._session.align(CLOCK, self._clock())

    def poll(self) -> None:
        """Take what came since the last call; never waits."""
        now = self._clock()
        if now - self._scanned >= SCANS:
            self._scan(now)
        for path, one in list(self._open.items()):
            try:
                for kind, code, value, seconds in one.node.read():
                    one.door.take(kind, code, value, one.moment(seconds, now))
            except OSError:
                self._drop(path, now)

    def wait(self, seconds: float) -> None:
        """Wait until something comes, or the time is up."""
        from select import select

        if self._open:
            select([one.node for one in self._open.values()], [], [], seconds)
        else:
            time.sleep(seconds)

    def close(self) -> None:
        """Let go of everything, and close the devices."""
        for path in list(self._open):
            self._drop(path, self._clock())

    def __enter__(self) -> LinuxDevices:
        return self

    def __exit__(self, *_: object) -> None:
        self.close()

    def _scan(self, now: float) -> None:
        """Open what is new, drop what is no longer there."""
        self._scanned = now
        there = set(self._system.paths())
        for path in set(self._open) - there:
            self._drop(path, now)
        self.passed = {path: name for path, name in self.passed.items() if path in there}
        self.closed = {path: reason for path, reason in self.closed.items() if path in there}
        for path in sorted(there - set(self._open) - set(self.passed), key=_by_number):
            try:
                self._take(path, self._system.open(path), now)
                self.closed.pop(path, None)
            except OSError as error:
                self.closed[path] = (error.strerror or str(error)).lower()

    def _take(self, path: str, node: Node, now: float) -> None:
        """Start reading a device, if it is one that was asked for."""
        words = f"{node.device.name} {path}".casefold()
        if not node.device.kinds or (self._only and not any(word in words for word in self._only)):
            node.close()
            self.passed[path] = node.device.name
            return
        if self._session:
            _tell_unsaid(node.device)
        door = LinuxDoor(node.device, self._say, node.state)
        self._open[path] = _Opened(node, door, node.behind)
        door.hold((event for event in node.state() if event[0] == ABS), now)

    def _drop(self, path: str, now: float) -> None:
        """Stop reading a device."""
        one = self._open.pop(path)
        one.door.let_go(now, {kind for device in self.devices for kind in device.kinds})
        with suppress(OSError):
            one.node.close()


def _tell_unsaid(device: LinuxDevice) -> None:
    """Log what a device does not say about itself."""
    if device.unsaid:
        import logging

        logging.getLogger("mellow_thumb").warning("%s: %s", device.name, device.unsaid)


def _by_number(path: str) -> tuple[int, str]:
    """The number of a node, to sort by."""
    return len(path), path

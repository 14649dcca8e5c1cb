"""Devices: what real devices report."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .browser_door import BrowserDoor
    from .linux_device import ABS, KEY, REL, AxisRange, LinuxDevice
    from .linux_door import LinuxDoor
    from .linux_live import LinuxDevices
    from .xr_door import XrDoor

__all__ = [
    "ABS",
    "KEY",
    "REL",
    "AxisRange",
    "BrowserDoor",
    "LinuxDevice",
    "LinuxDevices",
    "LinuxDoor",
    "XrDoor",
]

__getattr__ = lazy_front(
    __name__,
    {
        "browser_door": ("BrowserDoor",),
        "linux_device": (
            "ABS",
            "KEY",
            "LinuxDevice",
            "REL",
            "AxisRange",
        ),
        "linux_door": ("LinuxDoor",),
        "linux_live": ("LinuxDevices",),
        "xr_door": ("XrDoor",),
    },
)

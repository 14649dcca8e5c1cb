"""Devices: what real devices report."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .browser_door import BrowserDoor
    from .glfw_door import GlfwDoor
    from .linux_device import ABS, KEY, REL, AxisRange, LinuxDevice
    from .linux_door import LinuxDoor
    from .linux_live import LinuxDevices
    from .pygame_door import PygameDoor
    from .pyglet_door import PygletDoor
    from .window_door import WindowDoor
    from .xr_door import XrDoor

__all__ = [
    "ABS",
    "KEY",
    "REL",
    "AxisRange",
    "BrowserDoor",
    "GlfwDoor",
    "LinuxDevice",
    "LinuxDevices",
    "LinuxDoor",
    "PygameDoor",
    "PygletDoor",
    "WindowDoor",
    "XrDoor",
]

__getattr__ = lazy_front(
    __name__,
    {
        "browser_door": ("BrowserDoor",),
        "glfw_door": ("GlfwDoor",),
        "linux_device": (
            "ABS",
            "KEY",
            "LinuxDevice",
            "REL",
            "AxisRange",
        ),
        "linux_door": ("LinuxDoor",),
        "linux_live": ("LinuxDevices",),
        "pygame_door": ("PygameDoor",),
        "pyglet_door": ("PygletDoor",),
        "window_door": ("WindowDoor",),
        "xr_door": ("XrDoor",),
    },
)

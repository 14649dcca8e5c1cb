"""Devices: what real devices report."""

from .browser_door import BrowserDoor
from .linux_device import ABS, KEY, REL, LinuxDevice, Range
from .linux_door import LinuxDoor
from .linux_live import LinuxDevices
from .xr_door import XrDoor

__all__ = ["ABS", "KEY", "REL", "BrowserDoor", "LinuxDevice", "LinuxDevices", "LinuxDoor", "Range", "XrDoor"]

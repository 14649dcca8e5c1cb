"""Mounts: how axes become a camera pose."""

from .eye import PLACE, Eye, Word
from .headsets import HEAD, Headset
from .kinds import KINDS, Mount
from .mounted import Mounted, Mounts
from .orbits import TARGET, UP, Orbit, Return
from .plane_mounts import GROUND, Flat, Overhead

__all__ = [
    "GROUND",
    "HEAD",
    "KINDS",
    "PLACE",
    "TARGET",
    "UP",
    "Eye",
    "Flat",
    "Headset",
    "Mount",
    "Mounted",
    "Mounts",
    "Orbit",
    "Overhead",
    "Return",
    "Word",
]

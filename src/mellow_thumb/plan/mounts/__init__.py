"""Mounts: how axes become a camera pose."""

from .eye import Eye
from .headsets import HEAD, HEAD_MOVES, Headset
from .kinds import KINDS, Mount
from .mounted import Instance, Mounted, Mounts
from .orbits import TARGET, UP, Orbit, Return
from .plane_mounts import GROUND, Flat, Overhead
from .pose import AT_X, AT_Y, AT_YAW, AT_Z, NEEDED, PLACE, POSE_WORDS, Pose

__all__ = [
    "AT_X",
    "AT_Y",
    "AT_YAW",
    "AT_Z",
    "GROUND",
    "HEAD",
    "HEAD_MOVES",
    "KINDS",
    "NEEDED",
    "PLACE",
    "POSE_WORDS",
    "TARGET",
    "UP",
    "Eye",
    "Flat",
    "Headset",
    "Instance",
    "Mount",
    "Mounted",
    "Mounts",
    "Orbit",
    "Overhead",
    "Pose",
    "Return",
]

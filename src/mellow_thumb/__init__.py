"""Mellow Thumb: what hands do to devices, as camera axes and camera-relative movement.

Write a profile, put a session in your loop, replay takes of real hands.
"""

from .errors import (
    FileError,
    MellowThumbError,
    OutputError,
    PlanError,
    Problem,
    ProfileError,
    SignalError,
    TakeError,
    UnitError,
)
from .profile import Profile, load_profile
from .replay import replay
from .session import Frame, Session
from .take import Take
from .take_files import read_take, write_take
from .view import View

__version__ = "0.1.0"

__all__ = [
    "FileError",
    "Frame",
    "MellowThumbError",
    "OutputError",
    "PlanError",
    "Problem",
    "Profile",
    "ProfileError",
    "Session",
    "SignalError",
    "Take",
    "TakeError",
    "UnitError",
    "View",
    "load_profile",
    "read_take",
    "replay",
    "write_take",
]

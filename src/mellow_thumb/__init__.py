"""Mellow Thumb: what hands do to devices, as camera axes and camera-relative movement.

Write a profile, put a session in your loop, replay takes of real hands. Importing this brings in next to
nothing; each public name brings what it needs when it is first used.
"""

from importlib import import_module

__version__ = "0.1.0"

__all__ = [
    "ArgumentError",
    "Basis",
    "BrowserDoor",
    "FileError",
    "Frame",
    "LinuxDevice",
    "LinuxDevices",
    "LinuxDoor",
    "Listener",
    "MellowThumbError",
    "MissingError",
    "OutputError",
    "PlanError",
    "Problem",
    "Profile",
    "ProfileError",
    "Recorder",
    "Session",
    "Sheet",
    "SheetError",
    "SignalError",
    "Take",
    "TakeError",
    "UnitError",
    "View",
    "Walker",
    "XrDoor",
    "check",
    "compare",
    "feel",
    "fit",
    "load_profile",
    "load_sheet",
    "new_sheet",
    "read_evemu",
    "read_take",
    "rebind",
    "replay",
    "replay_arrays",
    "replay_pieces",
    "sweep",
    "take_pieces",
    "tell",
    "wheel_notches",
    "write_take",
]

TYPE_CHECKING = False  # typing itself would cost more than the rest of this module
if TYPE_CHECKING:
    from .basis import Basis
    from .batch import replay, replay_arrays, replay_pieces
    from .browser_door import BrowserDoor
    from .checking import check
    from .comparing import compare
    from .errors import (
        ArgumentError,
        FileError,
        MellowThumbError,
        MissingError,
        OutputError,
        PlanError,
        Problem,
        ProfileError,
        SheetError,
        SignalError,
        TakeError,
        UnitError,
    )
    from .evemu_files import read_evemu
    from .feeling import feel
    from .fitting import fit
    from .frame import Frame
    from .linux_device import LinuxDevice
    from .linux_door import LinuxDoor
    from .linux_live import LinuxDevices
    from .listening import Listener
    from .profile import Profile, load_profile
    from .rebinding import rebind
    from .recording import Recorder
    from .session import Session
    from .sheets import Sheet, load_sheet, new_sheet
    from .sweeping import sweep
    from .take import Take
    from .take_files import read_take, take_pieces, write_take
    from .telling import tell
    from .view import View
    from .walker import Walker
    from .wheels import wheel_notches
    from .xr_door import XrDoor

_HOMES = {
    "Basis": "basis",
    "BrowserDoor": "browser_door",
    "Frame": "frame",
    "LinuxDevice": "linux_device",
    "LinuxDevices": "linux_live",
    "LinuxDoor": "linux_door",
    "Listener": "listening",
    "Profile": "profile",
    "Recorder": "recording",
    "Session": "session",
    "Sheet": "sheets",
    "Take": "take",
    "View": "view",
    "Walker": "walker",
    "check": "checking",
    "compare": "comparing",
    "feel": "feeling",
    "fit": "fitting",
    "XrDoor": "xr_door",
    "load_profile": "profile",
    "load_sheet": "sheets",
    "new_sheet": "sheets",
    "read_evemu": "evemu_files",
    "read_take": "take_files",
    "rebind": "rebinding",
    "replay": "batch",
    "replay_arrays": "batch",
    "replay_pieces": "batch",
    "sweep": "sweeping",
    "take_pieces": "take_files",
    "tell": "telling",
    "wheel_notches": "wheels",
    "write_take": "take_files",
}
"""The module of each public name; the others are errors."""


def __getattr__(name: str) -> object:
    if name not in __all__:
        raise AttributeError(f"module 'mellow_thumb' has no attribute {name!r}")
    value: object = getattr(import_module(f".{_HOMES.get(name, 'errors')}", __name__), name)
    globals()[name] = value
    return value


def __dir__() -> list[str]:
    return [*__all__, "__version__"]

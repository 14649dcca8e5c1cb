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
    "ConflictError",
    "FileError",
    "Frame",
    "GlfwDoor",
    "HandheldState",
    "LinuxDevice",
    "LinuxDevices",
    "LinuxDoor",
    "Listener",
    "MellowThumbError",
    "MissingError",
    "OutputError",
    "Page",
    "PlanError",
    "Problem",
    "Profile",
    "ProfileError",
    "PygameDoor",
    "PygletDoor",
    "Recorder",
    "Session",
    "Sheet",
    "SheetError",
    "SignalError",
    "Take",
    "TakeError",
    "Trial",
    "TrialError",
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
    "read_trial",
    "rebind",
    "replay",
    "replay_arrays",
    "replay_pieces",
    "serve",
    "serve_trial",
    "serving",
    "serving_trial",
    "sweep",
    "take_pieces",
    "tell",
    "wheel_notches",
    "write_take",
]

TYPE_CHECKING = False  # typing itself would cost more than the rest of this module
if TYPE_CHECKING:
    from .basics import (
        ArgumentError,
        ConflictError,
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
        TrialError,
        UnitError,
    )
    from .devices import (
        BrowserDoor,
        GlfwDoor,
        LinuxDevice,
        LinuxDevices,
        LinuxDoor,
        PygameDoor,
        PygletDoor,
        XrDoor,
    )
    from .insight import Trial, check, compare, feel, fit, read_trial, sweep, tell
    from .page import Page, serve, serve_trial, serving, serving_trial
    from .plan import wheel_notches
    from .profiles import Profile, Sheet, load_profile, load_sheet, new_sheet, rebind
    from .session import Basis, Frame, HandheldState, Listener, Session, View, Walker
    from .takes import (
        Recorder,
        Take,
        read_evemu,
        read_take,
        replay,
        replay_arrays,
        replay_pieces,
        take_pieces,
        write_take,
    )

_HOMES = {
    "Basis": "session",
    "BrowserDoor": "devices",
    "Frame": "session",
    "GlfwDoor": "devices",
    "HandheldState": "session",
    "LinuxDevice": "devices",
    "LinuxDevices": "devices",
    "LinuxDoor": "devices",
    "Listener": "session",
    "Page": "page",
    "Profile": "profiles",
    "PygameDoor": "devices",
    "PygletDoor": "devices",
    "Recorder": "takes",
    "Session": "session",
    "Sheet": "profiles",
    "Take": "takes",
    "Trial": "insight",
    "View": "session",
    "Walker": "session",
    "check": "insight",
    "compare": "insight",
    "feel": "insight",
    "fit": "insight",
    "XrDoor": "devices",
    "load_profile": "profiles",
    "load_sheet": "profiles",
    "new_sheet": "profiles",
    "read_evemu": "takes",
    "read_take": "takes",
    "read_trial": "insight",
    "rebind": "profiles",
    "replay": "takes",
    "replay_arrays": "takes",
    "replay_pieces": "takes",
    "serve": "page",
    "serve_trial": "page",
    "serving": "page",
    "serving_trial": "page",
    "sweep": "insight",
    "take_pieces": "takes",
    "tell": "insight",
    "wheel_notches": "plan",
    "write_take": "takes",
}
"""The module of each public name; the others are errors."""


def __getattr__(name: str) -> object:
    if name not in __all__:
        raise AttributeError(f"module 'mellow_thumb' has no attribute {name!r}")
    value: object = getattr(import_module(f".{_HOMES.get(name, 'basics')}", __name__), name)
    globals()[name] = value
    return value


def __dir__() -> list[str]:
    return [*__all__, "__version__"]

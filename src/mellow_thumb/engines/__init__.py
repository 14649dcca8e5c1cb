"""Engines: what runs a program."""

from .coming import PATIENCE, Coming, engine_for
from .compiler import check_compiled
from .library import Engine, EngineError, can_compile, is_at_hand, load
from .loop import Keeps, Kept, Loop, PythonLoop, read_kept, take_out
from .room import Room
from .subjects import Subject, rotation_of
from .woven_ahead import Weaving, may_weave_ahead, weaving_for

__all__ = [
    "PATIENCE",
    "Coming",
    "Engine",
    "EngineError",
    "Keeps",
    "Kept",
    "Loop",
    "PythonLoop",
    "Room",
    "Subject",
    "Weaving",
    "can_compile",
    "check_compiled",
    "engine_for",
    "is_at_hand",
    "load",
    "may_weave_ahead",
    "read_kept",
    "rotation_of",
    "take_out",
    "weaving_for",
]

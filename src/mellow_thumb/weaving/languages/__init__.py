"""Languages: a program as text."""

from .c_engine import MOST, EngineText, Layout, engine_text, source_of_c
from .header import c_header
from .python import compiled, function, live_text, pose_text

__all__ = [
    "MOST",
    "EngineText",
    "Layout",
    "c_header",
    "compiled",
    "engine_text",
    "function",
    "live_text",
    "pose_text",
    "source_of_c",
]

"""Languages: a program as text."""

from .c_engine import MOST, EngineText, Layout, engine_text, room_start, source_of_c
from .header import c_header
from .python import (
    code_of,
    compiled,
    function,
    function_of,
    listed_numbers,
    live_text,
    parameters_in,
    pose_text,
    with_numbers,
    with_short_places,
)

__all__ = [
    "MOST",
    "EngineText",
    "Layout",
    "c_header",
    "code_of",
    "compiled",
    "engine_text",
    "function",
    "function_of",
    "listed_numbers",
    "live_text",
    "parameters_in",
    "pose_text",
    "room_start",
    "source_of_c",
    "with_numbers",
    "with_short_places",
]

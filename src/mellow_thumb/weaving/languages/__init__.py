"""Languages: a program as text."""

from .c_engine import MOST, EngineText, engine_text
from .header import c_header
from .python import compiled, function, live_text, pose_text

__all__ = ["MOST", "EngineText", "c_header", "compiled", "engine_text", "function", "live_text", "pose_text"]

"""Languages: a program as text."""

from .c import c_header
from .fused_text import FusedText, fuse
from .python import compiled, function, live_text, pose_text

__all__ = ["FusedText", "c_header", "compiled", "function", "fuse", "live_text", "pose_text"]

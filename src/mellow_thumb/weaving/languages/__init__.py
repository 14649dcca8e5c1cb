"""Languages: a program as text."""

from .c_text import c_header
from .fused_text import FusedText, fuse

__all__ = ["FusedText", "c_header", "fuse"]

"""Commands: the command line."""

from .line import main

__all__ = ["main"]

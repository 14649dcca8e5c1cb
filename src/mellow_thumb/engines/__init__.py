"""Engines: what runs a program."""

from .library import Engine, EngineError, can_compile, is_at_hand, load

__all__ = ["Engine", "EngineError", "can_compile", "is_at_hand", "load"]

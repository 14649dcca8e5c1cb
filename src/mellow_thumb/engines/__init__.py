"""Engines: what runs a program."""

from .fused import can_compile, is_at_hand, load

__all__ = ["can_compile", "is_at_hand", "load"]

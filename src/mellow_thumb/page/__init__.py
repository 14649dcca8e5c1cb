"""The page on which you feel a profile with your own hands."""

from __future__ import annotations

from .opening import Page, serve, serving
from .shooting import shoot

__all__ = ["Page", "serve", "serving", "shoot"]

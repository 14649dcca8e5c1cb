"""The page on which a profile is felt, with one's own hands."""

from __future__ import annotations

from .opening import Page, serve, serving
from .shooting import shoot

__all__ = ["Page", "serve", "serving", "shoot"]

"""The page on which you feel a profile with your own hands."""

from __future__ import annotations

from .opening import Page, serve, serve_trial, serving, serving_trial
from .shooting import shoot

__all__ = ["Page", "serve", "serve_trial", "serving", "serving_trial", "shoot"]

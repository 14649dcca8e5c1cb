"""Profiles: from files to plans, and what players may change."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .edits import changed, rewritten
    from .profile import Profile, load_profile, profile_of
    from .rebinding import rebind
    from .schemas import profile_schema, write_schemas
    from .sheets import Sheet, load_sheet, new_sheet
    from .starting import starter
    from .whole import resolve

__all__ = [
    "Profile",
    "Sheet",
    "changed",
    "load_profile",
    "load_sheet",
    "new_sheet",
    "profile_of",
    "profile_schema",
    "rebind",
    "resolve",
    "rewritten",
    "starter",
    "write_schemas",
]

__getattr__ = lazy_front(
    __name__,
    {
        "edits": (
            "changed",
            "rewritten",
        ),
        "profile": (
            "Profile",
            "load_profile",
            "profile_of",
        ),
        "rebinding": ("rebind",),
        "schemas": (
            "profile_schema",
            "write_schemas",
        ),
        "sheets": (
            "Sheet",
            "load_sheet",
            "new_sheet",
        ),
        "starting": ("starter",),
        "whole": ("resolve",),
    },
)

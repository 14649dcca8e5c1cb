"""Profiles: from files to plans, and what players may change."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .profile import Profile, load_profile, profile_of
    from .rebinding import rebind
    from .schemas import write_schemas
    from .sheets import Sheet, load_sheet, new_sheet
    from .starting import starter
    from .whole import resolve

__all__ = [
    "Profile",
    "Sheet",
    "load_profile",
    "load_sheet",
    "new_sheet",
    "profile_of",
    "rebind",
    "resolve",
    "starter",
    "write_schemas",
]

__getattr__ = lazy_front(
    __name__,
    {
        "profile": (
            "Profile",
            "load_profile",
            "profile_of",
        ),
        "rebinding": ("rebind",),
        "schemas": ("write_schemas",),
        "sheets": (
            "Sheet",
            "load_sheet",
            "new_sheet",
        ),
        "starting": ("starter",),
        "whole": ("resolve",),
    },
)

"""Profiles: from files to plans, and what players may change."""

from .profile import Profile, load_profile, profile_of
from .rebinding import rebind
from .schemas import write_schemas
from .sheets import Sheet, load_sheet, new_sheet
from .starter import starter
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

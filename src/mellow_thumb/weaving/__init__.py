"""Weaving: from a plan to one program."""

from .parts import Setting
from .posing import hosts, kept
from .program import Item, Program, weave_plan
from .roles import own_role, role_of_on
from .switching import WANTS
from .walker import weave_walk
from .walking import READ
from .woven import Woven

__all__ = [
    "READ",
    "WANTS",
    "Item",
    "Program",
    "Setting",
    "Woven",
    "hosts",
    "kept",
    "own_role",
    "role_of_on",
    "weave_plan",
    "weave_walk",
]

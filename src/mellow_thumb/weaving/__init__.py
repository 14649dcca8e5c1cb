"""Weaving: from a plan to one program."""

from .attitude_alone import Alone, weave_alone
from .parts import Setting
from .posing import hosts, kept
from .program import NO_TIME, Item, Posed, Program, Source, StateParts, keep_woven, weave_plan, woven_before
from .roles import own_role, role_of_on
from .sending import receive, sent
from .switching import WANTS
from .walker import weave_walk
from .walking import READ

__all__ = [
    "NO_TIME",
    "READ",
    "WANTS",
    "Alone",
    "Item",
    "Posed",
    "Program",
    "Setting",
    "Source",
    "StateParts",
    "hosts",
    "keep_woven",
    "kept",
    "own_role",
    "receive",
    "role_of_on",
    "sent",
    "weave_alone",
    "weave_plan",
    "weave_walk",
    "woven_before",
]

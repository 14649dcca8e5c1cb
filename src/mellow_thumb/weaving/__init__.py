"""Weaving: from a plan to one program."""

from .parts import ON, Setting
from .posing import hosts, kept
from .program import Item, Program, weave_plan
from .switching import WANTS
from .walker import weave_walk
from .walking import READ

__all__ = ["ON", "READ", "WANTS", "Item", "Program", "Setting", "hosts", "kept", "weave_plan", "weave_walk"]

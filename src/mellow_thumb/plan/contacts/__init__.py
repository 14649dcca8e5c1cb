"""Contacts: fingers on a screen, kept one by one, and what the touches of a plan make of them."""

from .area import MANY, RESTS, TOGETHER, Area
from .contacts import Contacts, Facts
from .fingers import CANCEL, DOWN, PLACE
from .gestures import Gesture, Screen
from .sound import check_contacts

__all__ = [
    "CANCEL",
    "DOWN",
    "MANY",
    "PLACE",
    "RESTS",
    "TOGETHER",
    "Area",
    "Contacts",
    "Facts",
    "Gesture",
    "Screen",
    "check_contacts",
]

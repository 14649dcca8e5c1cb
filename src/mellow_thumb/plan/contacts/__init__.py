"""Contacts: fingers on a screen, kept one by one, and what the touches of a plan make of them."""

from .area import Area
from .contacts import Contacts, Facts
from .fingers import CANCEL, DOWN, PLACE
from .gestures import Gesture, Screen
from .sound import check_contacts

__all__ = [
    "CANCEL",
    "DOWN",
    "PLACE",
    "Area",
    "Contacts",
    "Facts",
    "Gesture",
    "Screen",
    "check_contacts",
]

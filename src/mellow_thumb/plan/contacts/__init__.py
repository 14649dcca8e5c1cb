"""Contacts: fingers on a screen, tracked one by one, and what a plan's touches make of them."""

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

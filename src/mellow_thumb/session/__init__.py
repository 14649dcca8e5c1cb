"""The session: a profile at work in a game loop."""

from .answers import speed_between
from .basis import Basis
from .coordinates import Coordinates, check_basis, coordinates_of
from .doors import NOT_FINITE, is_known, outside, things, unlisted
from .fed import Fed
from .frame import Frame
from .handheld import GRAVITY, Attitude, HandheldState
from .host import Host
from .listening import Listener
from .readings import Readings, feels
from .saving import Snapshot
from .session import CEILING, Session
from .unscaled import Unscaled
from .view import Quadruple, Triple, View
from .walker import Walker

__all__ = [
    "CEILING",
    "GRAVITY",
    "NOT_FINITE",
    "Attitude",
    "Basis",
    "Coordinates",
    "Fed",
    "Frame",
    "HandheldState",
    "Host",
    "Listener",
    "Quadruple",
    "Readings",
    "Session",
    "Snapshot",
    "Triple",
    "Unscaled",
    "View",
    "Walker",
    "check_basis",
    "coordinates_of",
    "feels",
    "is_known",
    "outside",
    "speed_between",
    "things",
    "unlisted",
]

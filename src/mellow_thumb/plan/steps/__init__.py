"""Steps of conditioning: what happens to a signal on its way to an axis.

A module for each step: its value, its state, and what it writes at events and between them. In the order in
which they act: rest and reach, dead zone, curve; turn boost or speed gain; the cap on turning; smoothing.
"""

from .axis_return import run_back
from .closing import CLOSINGS, Back, Close
from .curves import Blend, Curve, Points, Power
from .dead_zone import DeadZone
from .exponential import Exponential
from .glide import glide_of, stop_glide
from .hand_speed import HALF_LIFE, HandSpeed
from .one_euro import Filtered, OneEuro
from .opening import from_zero, once_let_go, take_zero, turned_from_zero
from .pools import LN2, QUICK, Pool, Wish
from .shape import Shape
from .slow_fast import SlowFast
from .speed_gain import SpeedGain
from .spring import Spring
from .turn_boost import Boost, TurnBoost
from .turning_cap import Cap, capped_rate

Smoothing = Exponential | Spring | OneEuro | SlowFast

__all__ = [
    "CLOSINGS",
    "HALF_LIFE",
    "LN2",
    "QUICK",
    "Back",
    "Blend",
    "Boost",
    "Cap",
    "Close",
    "Curve",
    "DeadZone",
    "Exponential",
    "Filtered",
    "HandSpeed",
    "OneEuro",
    "Points",
    "Pool",
    "Power",
    "Shape",
    "SlowFast",
    "Smoothing",
    "SpeedGain",
    "Spring",
    "TurnBoost",
    "Wish",
    "capped_rate",
    "from_zero",
    "glide_of",
    "once_let_go",
    "run_back",
    "stop_glide",
    "take_zero",
    "turned_from_zero",
]

"""The plan: what a profile means, in numbers."""

from .accessibility import REDUCED, Hands
from .axes import FAR, KNOWN, NEARING, PANS, Axis
from .cues import LONG, WITHIN, Cue
from .derived import Derived, EdgeZone, KeySet, Presses
from .gate_checks import MOST_FREE, check_changeable, excludes, in_order
from .gates import CURSORS, INTERFACE, Buttons, Condition, Gate, Several, Travel, When, check_threshold
from .labels import label, label_of
from .movement import GLIDE, HANDS, MOVES, Movement
from .plan import Plan
from .routes import Close, Route, SpeedGain, TurnBoost
from .signals import (
    ATTITUDE,
    CATALOGUE,
    COMPONENTS,
    DEVICES,
    FAMILIES,
    FINGERS,
    OWN,
    POSE_PARTS,
    Address,
    Signal,
    addresses,
    find_signal,
    near_signal,
    own_signal,
)
from .touches import DOUBLE, KINDS, NOTHING, SLOP, SWITCHES, TAP, Length, Touch
from .wheels import wheel_notches

__all__ = [
    "ATTITUDE",
    "CATALOGUE",
    "COMPONENTS",
    "CURSORS",
    "DEVICES",
    "DOUBLE",
    "FAMILIES",
    "FAR",
    "FINGERS",
    "GLIDE",
    "HANDS",
    "INTERFACE",
    "KINDS",
    "KNOWN",
    "LONG",
    "MOST_FREE",
    "MOVES",
    "NEARING",
    "NOTHING",
    "OWN",
    "PANS",
    "POSE_PARTS",
    "REDUCED",
    "SLOP",
    "SWITCHES",
    "TAP",
    "WITHIN",
    "Address",
    "Axis",
    "Buttons",
    "Close",
    "Condition",
    "Cue",
    "Derived",
    "EdgeZone",
    "Gate",
    "Hands",
    "KeySet",
    "Length",
    "Movement",
    "Plan",
    "Presses",
    "Route",
    "Several",
    "Signal",
    "SpeedGain",
    "Touch",
    "Travel",
    "TurnBoost",
    "When",
    "addresses",
    "check_changeable",
    "check_threshold",
    "excludes",
    "find_signal",
    "in_order",
    "label",
    "label_of",
    "near_signal",
    "own_signal",
    "wheel_notches",
]

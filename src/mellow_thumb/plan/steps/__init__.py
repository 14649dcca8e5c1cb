"""Steps of conditioning: what happens to a signal on its way to an axis."""

from .curves import Blend, Curve, Points, Power
from .shape import DeadZone, Shape
from .smoothings import LN2, Exponential, OneEuro, SlowFast, Smoothing, Spring

__all__ = [
    "LN2",
    "Blend",
    "Curve",
    "DeadZone",
    "Exponential",
    "OneEuro",
    "Points",
    "Power",
    "Shape",
    "SlowFast",
    "Smoothing",
    "Spring",
]

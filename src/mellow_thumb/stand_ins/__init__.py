"""Stand-ins: simulated hands, seeded, that send what real devices send."""

from .fingers import Fingers
from .handheld import Handheld
from .head import Head
from .mouse import MouseHand, PointerHand
from .pad import Thumb, together
from .people import Person, Way

__all__ = ["Fingers", "Handheld", "Head", "MouseHand", "Person", "PointerHand", "Thumb", "Way", "together"]

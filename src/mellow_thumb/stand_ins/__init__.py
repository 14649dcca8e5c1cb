"""Stand-ins: simulated hands, seeded, that send what real devices send."""

from .fingers import Fingers
from .handheld import Handheld
from .head import Head
from .mouse import MouseHand, PointerHand
from .pad import Thumb, together

__all__ = ["Fingers", "Handheld", "Head", "MouseHand", "PointerHand", "Thumb", "together"]

"""A device in the hand: how it is turned and aims, from its gyroscope and accelerometer."""

from .attitude import FORCE, TURN, Attitude

__all__ = ["FORCE", "TURN", "Attitude"]

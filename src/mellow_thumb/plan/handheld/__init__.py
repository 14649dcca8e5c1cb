"""A device in the hand: how it is turned and aims, made of what its gyroscope and accelerometer say."""

from .attitude import FORCE, TURN, Attitude

__all__ = ["FORCE", "TURN", "Attitude"]

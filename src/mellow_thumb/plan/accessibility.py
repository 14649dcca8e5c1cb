"""Accessibility: options that make the same profile fit other hands and stomachs."""

from __future__ import annotations

from dataclasses import dataclass
from math import inf
from typing import ClassVar

from ..basics import PlanError

REDUCED = 0.25
"""What reduced motion leaves of the size and of the time of kicks and shakes."""


@dataclass(frozen=True, slots=True)
class Hands:
    """A player's options, with their defaults.

    `debounce` (s): a press this soon after a release goes on with the press before it. `min_hold` (s): a
    press counts once it has lasted so long. `turn_cap` (deg/s): yaw, pitch and roll turn no faster than this
    by the hand. `reduced_motion`: kicks and shakes are smaller and shorter.
    """

    debounce: float = 0.0
    min_hold: float = 0.0
    turn_cap: float = inf
    reduced_motion: bool = False

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("debounce", "min_hold")

    def __post_init__(self) -> None:
        for what in ("debounce", "min_hold"):
            value = getattr(self, what)
            if not 0.0 <= value <= 2.0:
                raise PlanError(f"{what}: found {value:g} s; expected 0 to 2 s", path=(what,))
        if not self.turn_cap >= 1.0:
            raise PlanError(
                f"turn_cap: found {self.turn_cap:g} deg/s; expected 1 deg/s or more", path=("turn_cap",)
            )

    @property
    def steadies(self) -> bool:
        """Whether presses are filtered."""
        return bool(self.debounce or self.min_hold)

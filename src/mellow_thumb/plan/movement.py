"""Movement: how the axes `move_x` and `move_y` become a character that walks."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..basics import PlanError, listed

if TYPE_CHECKING:
    from .gates import Condition

MOVES = ("move_x", "move_y")
"""The axes of movement: right and forward, each -1 to 1, together inside the unit disc."""

POINTED = ("head", "left_hand", "right_hand")
"""What of a player in a headset may say where forward is; each is a direction of the host's."""
REFERENCES = ("camera", "world", "body", *POINTED)
"""What "forward" may mean: where the camera looks, the world's -Z, or where the character faces."""

FACES = ("travel", "view", "free")
"""Where a character may face: where it is told to go, where the camera looks, or where the host says."""

GLIDE = 1e-300
"""Stands for no braking at all: less than any step can tell."""


@dataclass(frozen=True, slots=True)
class Movement:
    """A character that walks at `speed` (m/s) where the stick points, over the ground plane.

    `acceleration` and `braking` (m/s^2) say how soon it is at speed and at rest again; a braking of 0 glides
    on. `scales` are factors of the speed while gates are open. It faces as `face` says, or as the first
    open gate in `faces` does, and turns there at `turn_rate` (deg/s).
    """

    speed: float
    acceleration: float = 20.0
    braking: float = 20.0
    scales: tuple[tuple[Condition, float], ...] = ()
    relative_to: str = "camera"
    face: str = "travel"
    faces: tuple[tuple[Condition, str], ...] = ()
    turn_rate: float = 720.0

    def __post_init__(self) -> None:
        for what, value, least in (
            ("speed", self.speed, 0.0),
            ("acceleration", self.acceleration, 0.0),
            ("turn_rate", self.turn_rate, 0.0),
        ):
            if not least < value <= 1e6:
                raise PlanError(f"{what}: found {value:g}; expected above 0 to 1e+06", path=(what,))
        if not 0.0 <= self.braking <= 1e6:
            raise PlanError(
                f"braking: found {self.braking:g}; expected 0 (it glides) to 1e+06", path=("braking",)
            )
        for _, factor in self.scales:
            if not 0.0 <= factor <= 100.0:
                raise PlanError(f"scale: found {factor:g}; expected 0 to 100", path=("scale",))
        if self.relative_to not in REFERENCES:
            raise PlanError(
                f"relative_to: found {self.relative_to}; expected {listed(REFERENCES)}", path=("relative_to",)
            )
        wrong = [face for face in self.facing if face not in FACES]
        if wrong:
            raise PlanError(f"face: found {wrong[0]}; expected {listed(FACES)}", path=("face",))
        if self.relative_to == "body" and "travel" in self.facing:
            raise PlanError(
                "face: found travel, relative to the body: it would turn for ever; expected view",
                path=("face",),
            )

    @property
    def facing(self) -> tuple[str, ...]:
        """Every value of `face` that it may use."""
        return (self.face, *(face for _, face in self.faces))

"""Cues: named momentary commands, such as a hop, made from presses."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..basics import PlanError, listed

if TYPE_CHECKING:
    from .gates import Buttons, When

MOMENTS = ("press", "release", "tap", "double_tap", "long_press")
"""What of a press makes a cue."""

WITHIN = {"tap": 0.25, "double_tap": 0.3}
"""Seconds that a tap may last, and that may lie between two taps, unless a cue says otherwise."""

LONG = 0.5
"""Seconds that a long press lasts, unless a cue says otherwise."""


@dataclass(frozen=True, slots=True)
class Cue:
    """A command that is given at a moment of a press; only a press that begins while it listens counts.

    `within` (s) is how short a tap must be, or how soon a second one must follow; `after` (s) how long a
    long press lasts. Within `cooldown` (s) of the last time it is not given again. The host may still
    take it for `keep` seconds.
    """

    name: str
    buttons: Buttons
    on: str = "press"
    gate: When | None = None
    within: float = WITHIN["tap"]
    after: float = LONG
    cooldown: float = 0.0
    keep: float = 0.0

    def __post_init__(self) -> None:
        if self.on not in MOMENTS:
            raise PlanError(f"{self.name}: on: found {self.on}; expected {listed(MOMENTS)}")
        for what in ("within", "after", "cooldown", "keep"):
            value = getattr(self, what)
            if not 0.0 <= value <= 60.0:
                raise PlanError(f"{self.name}: {what}: found {value:g} s; expected 0 to 60 s")

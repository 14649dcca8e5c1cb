"""Trials: two settings compared blind; what can be said of them, and how surely."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...basics import lazy_front

if TYPE_CHECKING:
    from .aiming import Aim
    from .outcome import RATE, TRIAL_MEASURES, Seen
    from .playing import Playing
    from .saying import outcome_text, said_lines, tables
    from .schedule import Turn
    from .tasks import SELECTING, selecting
    from .trial import HOW_MUCH, PAIRS, Trial, check_open, read_trial, take_of, write_rounds

__all__ = [
    "HOW_MUCH",
    "PAIRS",
    "RATE",
    "SELECTING",
    "TRIAL_MEASURES",
    "Aim",
    "Playing",
    "Seen",
    "Trial",
    "Turn",
    "check_open",
    "outcome_text",
    "read_trial",
    "said_lines",
    "selecting",
    "tables",
    "take_of",
    "write_rounds",
]

__getattr__ = lazy_front(
    __name__,
    {
        "aiming": ("Aim",),
        "outcome": (
            "RATE",
            "TRIAL_MEASURES",
            "Seen",
        ),
        "playing": ("Playing",),
        "saying": (
            "outcome_text",
            "said_lines",
            "tables",
        ),
        "schedule": ("Turn",),
        "tasks": (
            "SELECTING",
            "selecting",
        ),
        "trial": (
            "HOW_MUCH",
            "PAIRS",
            "Trial",
            "check_open",
            "read_trial",
            "take_of",
            "write_rounds",
        ),
    },
)

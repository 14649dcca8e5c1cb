"""Takes: recordings of hands, and their replays."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import lazy_front

if TYPE_CHECKING:
    from .batch import replay, replay_arrays, replay_pieces
    from .evemu_files import read_evemu
    from .loops import WORTH_COMPILING
    from .recording import Recorder, record
    from .replay_table import CAMERA, STEP, outputs
    from .take import COLUMNS, Take, parts_of
    from .take_events import Event, events_of
    from .take_files import read_take, take_pieces, take_text, write_take
    from .take_items import TakeReader, numbered

__all__ = [
    "CAMERA",
    "COLUMNS",
    "STEP",
    "WORTH_COMPILING",
    "Event",
    "Recorder",
    "Take",
    "TakeReader",
    "events_of",
    "numbered",
    "outputs",
    "parts_of",
    "read_evemu",
    "read_take",
    "record",
    "replay",
    "replay_arrays",
    "replay_pieces",
    "take_pieces",
    "take_text",
    "write_take",
]

__getattr__ = lazy_front(
    __name__,
    {
        "batch": (
            "replay",
            "replay_arrays",
            "replay_pieces",
        ),
        "evemu_files": ("read_evemu",),
        "loops": ("WORTH_COMPILING",),
        "recording": (
            "Recorder",
            "record",
        ),
        "replay_table": (
            "CAMERA",
            "STEP",
            "outputs",
        ),
        "take": (
            "COLUMNS",
            "Take",
            "parts_of",
        ),
        "take_events": (
            "Event",
            "events_of",
        ),
        "take_files": (
            "read_take",
            "take_pieces",
            "take_text",
            "write_take",
        ),
        "take_items": (
            "TakeReader",
            "numbered",
        ),
    },
)

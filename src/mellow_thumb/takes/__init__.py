"""Takes: recordings of hands, and their replays."""

from .batch import replay, replay_arrays, replay_pieces
from .evemu_files import read_evemu
from .recording import Recorder, record
from .replay_table import CAMERA, STEP, outputs
from .take import COLUMNS, Take
from .take_files import read_take, take_pieces, write_take
from .take_items import TakeReader

__all__ = [
    "CAMERA",
    "COLUMNS",
    "STEP",
    "Recorder",
    "Take",
    "TakeReader",
    "outputs",
    "read_evemu",
    "read_take",
    "record",
    "replay",
    "replay_arrays",
    "replay_pieces",
    "take_pieces",
    "write_take",
]

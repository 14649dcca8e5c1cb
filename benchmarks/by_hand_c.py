"""The hand-typed step in C: compiled as a user would, called on the arrays of a take."""

from __future__ import annotations

import ctypes
import shutil
import subprocess
import tempfile
from collections.abc import Callable
from pathlib import Path

import numpy as np

from .workload import Event

SOURCE = Path(__file__).with_name("by_hand.c")
CODES = {
    name: code
    for code, name in enumerate(
        ["mouse.move", "mouse.pixels", "mouse.wheel", "pad.right_stick", "pad.left_stick", "motion.aim",
         "key.KeyD", "key.KeyA", "key.KeyW", "key.KeyS", "mouse.right"]
    )
}  # fmt: skip
"""What the C calls each signal."""
READ = 20
"""How many numbers a frame reads."""


def compiler() -> str | None:
    """A C compiler, if there is one."""
    return next(filter(None, map(shutil.which, ("cc", "gcc", "clang"))), None)


def compiled() -> ctypes.CDLL:
    """The library; its file is gone as soon as it is loaded."""
    with tempfile.TemporaryDirectory() as folder:
        made = Path(folder) / "by_hand.so"
        words = [compiler() or "cc", "-std=c99", "-O2", "-ffp-contract=off", "-shared", "-fPIC"]
        subprocess.run([*words, str(SOURCE), "-o", str(made), "-lm"], check=True)
        return ctypes.CDLL(str(made))


def over(happened: list[list[Event]], rate: float = 60.0) -> tuple[Callable[[], object], np.ndarray]:
    """A call that runs the hand-typed loop over a take of these events; what it reads, a row a frame."""
    rows = [
        (frame / rate, CODES[signal], x, y)
        for frame, events in enumerate(happened)
        for signal, x, y in events
    ]
    t, code, x, y = (np.ascontiguousarray(column) for column in np.array(rows).T)
    codes, out = code.astype(np.int32), np.empty((len(happened), READ))
    library = compiled()
    library.by_hand.argtypes = [*[ctypes.c_void_p] * 4, ctypes.c_int64, ctypes.c_int64, ctypes.c_double,
                                ctypes.c_void_p]  # fmt: skip
    arrays = [one.ctypes.data for one in (t, codes, x, y)]
    kept = (t, codes, x, y, out)

    def run() -> object:
        library.by_hand(*arrays, len(kept[0]), len(happened), 1.0 / rate, kept[4].ctypes.data)
        return kept

    return run, out

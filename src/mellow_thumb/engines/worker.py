"""The process beside a session: it compiles or weaves a plan, and ends when its parent does."""

from __future__ import annotations

import os
import pickle
import sys
import time
from contextlib import suppress
from threading import Thread

from ..basics import MellowThumbError
from ..weaving import sent, weave_plan
from .beside import NICE
from .compiler import stop_all
from .library import load

GRACE = 1.0
"""Seconds to clear up in."""


def main() -> None:
    """Do what standard input says; an error is the last line on standard error."""
    if hasattr(os, "nice"):
        with suppress(OSError):
            os.nice(max(0, NICE - os.nice(0)))  # mostly it does already
    source = sys.stdin.buffer
    size = int.from_bytes(source.read(8), "big")
    words = source.read(size)
    if not words:
        return  # who asked is gone
    what, plan, settings = pickle.loads(words)
    Thread(target=_end_with_them, daemon=True).start()
    try:
        program = weave_plan(plan, settings)
        if what == "compile":
            load(program)
        else:
            sys.stdout.buffer.write(sent(program))
            sys.stdout.buffer.flush()
    except (MellowThumbError, OSError) as error:
        sys.stderr.write(f"{error}\n")
        sys.exit(1)


def _end_with_them() -> None:
    """Wait until the parent is gone, or closes the pipe; then end, and the compiler too."""
    # not by `sys.stdin`, which this thread would hold while the interpreter shuts down
    while os.read(0, 1):
        pass
    if stop_all():
        time.sleep(GRACE)  # by then it has cleared up and ended, unless something holds it
    os._exit(2)

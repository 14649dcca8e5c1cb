"""Processes beside a session: each does one thing, at a low priority, and ends when we end."""

from __future__ import annotations

import atexit
import sys
from _thread import start_new_thread
from contextlib import suppress
from functools import cache
from importlib import import_module
from pathlib import Path
from shutil import which
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Generator
    from subprocess import Popen

    from ..plan import Plan
    from ..weaving import Setting

NICE = 10
"""How far a process stands back behind everything else, and its compiler with it."""
LEAVE = 0.5
"""Seconds that a process has to end by itself as we end."""


def make_ready() -> None:
    """Import what it takes to start a process; in a frame, that would be a hitch."""
    for name in ("ctypes", "pickle", "subprocess"):
        import_module(name)
    standing_back()


@cache
def standing_back() -> tuple[str, ...]:
    """What a command begins with to stand back from its first moment on; nothing where that is unknown.

    A Python that stands back only once it runs may keep the frame that began it off the processor.
    """
    found = None if sys.platform == "win32" else which("nice")
    return (found, "-n", str(NICE)) if found else ()


def has_interpreter() -> bool:
    """Whether `sys.executable` is Python; a program that embeds Python would start itself again."""
    name = Path(sys.executable or "").stem.lower()
    return not getattr(sys, "frozen", False) and name.startswith(("python", "pypy"))


def work(
    what: str, plan: Plan, settings: tuple[Setting, ...], *, longest: float
) -> Generator[None, None, bytes]:
    """Have another process do something with a plan; a generator of small steps that returns the result.

    Raises :class:`RuntimeError`, with its last line, where it fails or takes too many seconds;
    if closed early, it tells the process to end.
    """
    import pickle
    import subprocess
    import time

    home = str(Path(__file__).parents[2])
    begin = f"import sys; sys.path.insert(0, {home!r}); from mellow_thumb.engines.worker import main; main()"
    payload = pickle.dumps((what, bare(plan), settings))
    yield
    windows = sys.platform == "win32"
    process = subprocess.Popen(
        [*standing_back(), sys.executable, "-P", "-c", begin],
        stdin=subprocess.PIPE,
        stdout=subprocess.PIPE,
        stderr=subprocess.PIPE,
        start_new_session=not windows,
        creationflags=getattr(subprocess, "BELOW_NORMAL_PRIORITY_CLASS", 0) if windows else 0,
    )
    _at_work.append(process)
    assert process.stdin
    ends, given = time.monotonic() + longest, list[bytes]()
    try:
        yield
        # in a thread, since the other side begins to read only once it has started, and a pipe holds little;
        # it stays open: it closes as we end, and the process ends too. Not by `Thread`, which waits until it
        # runs: on a busy machine that is a frame
        words = len(payload).to_bytes(8, "big") + payload
        start_new_thread(_exchanged, (process, words, given))
        while process.poll() is None or not given:
            if time.monotonic() > ends:
                raise RuntimeError(f"it took longer than {longest:g} s")
            yield
        if process.returncode:
            raise RuntimeError(
                _last_line(process) or f"the process beside it ended with {process.returncode}"
            )
        return given[0]
    finally:
        # told by that it ends what it has begun, and clears up; nobody waits for it in a frame
        with suppress(OSError):
            process.stdin.close()
        clear_up()


_at_work: list[Popen[bytes]] = []
"""Processes that have not ended, as far as is known."""


def ending() -> bool:
    """Whether any process that was told to end is still running."""
    return any(process.stdin is None or process.stdin.closed for process in _at_work)


def clear_up(wait: float = 0.0) -> None:
    """Forget processes that have ended; with seconds to `wait`, end those that were told to."""
    for process in [*_at_work]:
        told = process.stdin is None or process.stdin.closed
        if process.poll() is None and wait and told:
            import subprocess

            try:
                process.wait(wait)
            except subprocess.TimeoutExpired:
                process.kill()
                process.wait()
        if process.returncode is not None and told:
            for stream in (process.stdout, process.stderr):
                assert stream
                with suppress(OSError, ValueError):
                    stream.close()
            _at_work.remove(process)


@atexit.register
def _end() -> None:
    """Leave no process running as we end."""
    for process in _at_work:
        if process.stdin:
            with suppress(OSError):
                process.stdin.close()
    clear_up(LEAVE)


def _exchanged(process: Popen[bytes], words: bytes, given: list[bytes]) -> None:
    """Tell a process, which may be gone, what to do, and read its answer."""
    assert process.stdin
    assert process.stdout
    try:
        with suppress(OSError, ValueError):
            process.stdin.write(words)
            process.stdin.flush()
            given.append(process.stdout.read())
    finally:
        given.append(b"")


def _last_line(process: Popen[bytes]) -> str:
    """The last line that a process wrote."""
    assert process.stderr
    lines = process.stderr.read().decode("utf-8", "replace").strip().splitlines()
    return lines[-1] if lines else ""


def bare(plan: Plan) -> Plan:
    """A plan without what a profile adds to it."""
    from dataclasses import fields

    from ..plan import Plan

    made = object.__new__(Plan)  # unchecked: it was
    for one in fields(Plan):
        object.__setattr__(made, one.name, getattr(plan, one.name))
    return made

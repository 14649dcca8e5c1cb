"""The C compiler of this machine: which one it is, and how it makes a library."""

from __future__ import annotations

import os
import shlex
import sys
from contextlib import suppress
from functools import lru_cache
from importlib.util import find_spec
from typing import TYPE_CHECKING, NamedTuple

from ..basics import ArgumentError, MissingError

if TYPE_CHECKING:
    from pathlib import Path

VARIABLE = "MELLOW_THUMB_CC"
"""The environment variable that names a compiler, or says ``off``."""
KNOWN = ("cc", "gcc", "clang")
"""What a compiler is called that takes the same words everywhere."""
FLAGS = ("-std=c99", "-O2", "-fno-math-errno", "-ffp-contract=off", "-fvisibility=hidden", "-shared")
"""What it is told: no operation is contracted, so the same bits come out as in Python.

Nobody reads ``errno``; without it a square root is one instruction, of the same bits.
"""
LONGEST = 120.0
"""Seconds after which a compiler is taken to hang."""


def check_compiled(compiled: object) -> None:
    """Refuse what ``compiled=`` cannot be: any non-empty word is true, and would compile."""
    if compiled is not None and not isinstance(compiled, bool):
        raise ArgumentError(f"compiled: found {compiled!r}; expected None, True or False")


class Compiler(NamedTuple):
    """A compiler, and how to call it."""

    words: tuple[str, ...]
    flags: tuple[str, ...]

    def command(self, source: Path, made: Path) -> list[str]:
        """The command line that makes a library from a source."""
        position = [] if sys.platform == "win32" else ["-fPIC"]
        return [*self.words, *self.flags, *position, str(source), "-o", str(made), "-lm"]


def is_off() -> bool:
    """Whether starting anything beside a session is forbidden."""
    return os.environ.get(VARIABLE) == "off"


def why_not() -> str:
    """Why nothing can be compiled here, and what to do about it; empty if it can."""
    if is_off():
        return f"{VARIABLE} is off; unset it to compile"
    if find_compiler() is None:
        wanted = os.environ.get(VARIABLE)
        found = f"{VARIABLE} names {wanted}, which is not there" if wanted else "no C compiler was found"
        return f"{found}: install gcc or clang, or pip install 'mellow-thumb[zig]'"
    return ""


def find_compiler() -> Compiler | None:
    """The compiler to use: the one that is named, else the first one found."""
    return _found(os.environ.get(VARIABLE, ""), os.environ.get("PATH", ""), FLAGS)


@lru_cache(maxsize=8)
def _found(wanted: str, path: str, flags: tuple[str, ...]) -> Compiler | None:
    """The same, from the environment it depends on."""
    import shutil

    if wanted == "off":
        return None
    if wanted:
        first, *more = [wanted] if shutil.which(wanted, path=path) else _words(wanted)
        there = shutil.which(first, path=path)
        return Compiler((there, *more), flags) if there else None
    for name in KNOWN if _has_tools() else ():
        there = shutil.which(name, path=path)
        if there:
            return Compiler((there,), flags)
    zig = find_spec("ziglang")
    for folder in (zig.submodule_search_locations or []) if zig else ():
        # the program itself, not `python -m`: where Python is embedded that would start something else
        there = shutil.which("zig", path=folder)
        if there:
            return Compiler((there, "cc"), flags)
    return None


def _words(command: str) -> list[str]:
    """A command as words; one that cannot be split is a single word."""
    try:
        return shlex.split(command) or [command]
    except ValueError:
        return [command]


def _has_tools() -> bool:
    """Whether asking for a compiler opens no dialog; macOS shows one if none is installed."""
    if sys.platform != "darwin":
        return True
    import subprocess

    try:
        asked = subprocess.run(["/usr/bin/xcode-select", "-p"], capture_output=True, timeout=10, check=False)
    except (OSError, subprocess.SubprocessError):
        return False
    return asked.returncode == 0


def _environment(work: Path) -> dict[str, str]:
    """The environment that a compiler gets: its own caches go to our folders."""
    kept, brief = str(work.parent / "zig"), str(work)
    own = {"ZIG_LOCAL_CACHE_DIR": kept, "ZIG_GLOBAL_CACHE_DIR": kept, "TMPDIR": brief, "TMP": brief}
    return {**os.environ, "LC_ALL": "C", **own}


class Compiling:
    """A compiler that is running."""

    def __init__(self, compiler: Compiler, source: Path, made: Path) -> None:
        """Begin; raises :class:`OSError` where it cannot be started."""
        import subprocess

        self._process = subprocess.Popen(
            compiler.command(source, made),
            stdin=subprocess.DEVNULL,
            stdout=subprocess.DEVNULL,
            stderr=subprocess.PIPE,
            cwd=source.parent,
            env=_environment(source.parent),
            start_new_session=sys.platform != "win32",
        )
        _at_work.add(self)

    def wait(self) -> str:
        """Wait for it; returns what went wrong, or nothing."""
        import subprocess

        try:
            _, said = self._process.communicate(timeout=LONGEST)
        except subprocess.TimeoutExpired:
            self.stop()
            return f"it took longer than {LONGEST:g} s"
        finally:
            _at_work.discard(self)
        code = self._process.returncode
        lines = said.decode("utf-8", "replace").strip().splitlines()
        return "" if code == 0 else f"it ended with {code}{f': {lines[0]}' if lines else ''}"

    def stop(self) -> None:
        """End it, and what it has started; call it from the thread that waits."""
        self.kill()
        self._process.communicate()

    def kill(self) -> None:
        """End it, and what it has started; call it from any thread."""
        with suppress(OSError):
            if hasattr(os, "killpg"):
                import signal

                os.killpg(self._process.pid, signal.SIGKILL)
        self._process.kill()


_at_work: set[Compiling] = set()


def stop_all() -> bool:
    """End every compiler that is still running; returns whether there was one."""
    found = [*_at_work]
    for one in found:
        one.kill()
    return bool(found)


def need_compiler() -> Compiler:
    """The compiler; raises :class:`MissingError` with what to install where there is none."""
    wrong = why_not()
    if wrong:
        raise MissingError(f"compiling needs a C compiler, and {wrong}")
    compiler = find_compiler()
    assert compiler is not None
    return compiler

"""Libraries: programs compiled as C, kept on disk, each loaded once a process.

A library gives what the Python text gives, to the bit: the same doubles, the same order, and
the same mathematical functions, which are compared when it is loaded.
"""

from __future__ import annotations

import math
import operator
import sys
from array import array
from contextlib import contextmanager, suppress
from dataclasses import astuple
from functools import cache, lru_cache
from hashlib import sha256
from importlib.util import find_spec
from itertools import repeat
from pathlib import Path
from threading import Lock
from typing import TYPE_CHECKING, NamedTuple
from weakref import WeakKeyDictionary

from ..basics import MellowThumbError, OutputError
from ..expressions import MATHS
from ..weaving.languages import EngineText, Layout, engine_text, source_of_c
from . import cache_folder
from .compiler import Compiling, need_compiler, why_not

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..weaving import Program, Source
    from .compiler import Compiler

PAIRS, AT_ONCE = 2000, 250
"""On how many pairs of numbers a function of mathematics is compared, and on how many of them in one go."""


class EngineError(MellowThumbError, RuntimeError):
    """A program that could not be compiled or loaded; it still runs in Python."""


class Library:
    """A program in C. Each of its functions takes a room, and keeps the interpreter's lock.

    A call that releases the lock waits some milliseconds for a busy Python thread to give it back.
    """

    def __init__(self, path: Path) -> None:
        """Load it; raises :class:`EngineError` where that fails."""
        import ctypes

        try:
            # a frame takes microseconds and keeps the lock; a whole take lets other threads go on
            held, free = ctypes.PyDLL(str(path)), ctypes.CDLL(str(path))
            found = [getattr(held, f"room_{name}") for name in ("frame", "act", "pose", "save", "maths")]
            found += [free.room_take, free.room_events]
        except (OSError, AttributeError) as error:
            raise EngineError(f"it cannot be loaded: {error}") from None
        for function in found:
            function.restype = None
        self.frame, self.act, self.pose, self.save, self._maths, self.take, self.events = found
        """Run a frame; let events act; make a pose; drop what a frame let flow; run a take;
        make events of a take's rows."""

    def compare(self, maths: tuple[str, ...]) -> Iterator[None]:
        """Refuse functions whose results differ from Python's by a bit, a few hundred numbers at a time."""
        import ctypes

        row = array("d", bytes(8 * (2 + 2 * AT_ONCE)))
        there = (ctypes.c_double * len(row)).from_buffer(row)
        for place, name in enumerate(maths):
            for part in range(PAIRS // AT_ONCE):
                x, y, wanted = _examples(name, part)
                row[0], row[1], row[2::2], row[3::2] = AT_ONCE, place, x, y
                self._maths(there)
                if row[2::2].tobytes() != wanted.tobytes():
                    raise EngineError(f"its {name}() gives other results than Python's")
                yield


SIZES = [10.0 ** (k % 13 - 8) if k % 2 else math.pi for k in range(26)]
"""How large the numbers are on which functions are compared, in turn."""


@cache
def _numbers(part: int, step: float) -> array[float]:
    """Numbers from far below 1 to far above, spread evenly by golden steps."""
    places = range(part * AT_ONCE, (part + 1) * AT_ONCE)
    return array("d", [(2.0 * (k * step % 1.0) - 1.0) * SIZES[k % len(SIZES)] for k in places])


@cache
def _examples(name: str, part: int) -> tuple[array[float], array[float], array[float]]:
    """Pairs of numbers on which a function is compared, with Python's results."""
    x, y = _numbers(part, 0.6180339887498949), _numbers(part, 0.7548776662466927)
    if name in ("log", "sqrt", "pow"):
        x = array("d", map(abs, x))
    if name == "exp":
        # as far as its results are numbers
        x = array("d", map(math.remainder, x, repeat(1400.0)))
    if name == "pow":
        y = array("d", map(math.remainder, y, repeat(8.0)))
        return x, y, array("d", map(operator.pow, x, y))
    return x, y, array("d", map(MATHS[name], x, y) if name == "atan2" else map(MATHS[name], x))


class Engine(NamedTuple):
    """What runs a program, and the layout of its rooms."""

    library: Library
    text: EngineText
    """Without the text itself, where that was not needed."""


_libraries: dict[str, Library] = {}
"""What was loaded, by its name."""
_engines: dict[str, Engine | str] = {}
"""What runs a program, by its key; or why nothing does but Python."""
_one_at_a_time = Lock()


def can_compile() -> bool:
    """Whether programs are compiled unasked: with the extra ``fast`` and a compiler."""
    return is_asked() and not why_not()


@lru_cache(maxsize=1)
def is_asked() -> bool:
    """Whether the extra ``fast`` is installed, by which a user asks for work beside a session."""
    return find_spec("platformdirs") is not None


_texts: WeakKeyDictionary[Source, EngineText] = WeakKeyDictionary()


def _text_of(program: Program) -> EngineText:
    """The text of a program's library; written once, whatever the program's numbers."""
    if program.source not in _texts:
        _texts[program.source] = engine_text(program)
    return _texts[program.source]


def key_of(program: Program, compiler: Compiler) -> str:
    """What identifies a program's engine: its text, who writes the C, and what compiles it."""
    return _key(program.digest, compiler)


@lru_cache(maxsize=256)
def _key(digest: str, compiler: Compiler) -> str:
    # another version of this library may write other C for the same program
    return _digest("program", digest, source_of_c(), *_machine(compiler))


def _machine(compiler: Compiler) -> tuple[str, ...]:
    """Which compiler, and for which machine."""
    import platform

    return (*compiler.words, *compiler.flags, sys.platform, platform.machine())


def _digest(kind: str, *words: str) -> str:
    return f"{kind}_{sha256(chr(0).join(words).encode()).hexdigest()[:20]}"


def is_at_hand(program: Program) -> bool:
    """Whether a program is compiled already, in this process or an earlier one."""
    compiler = need_compiler()
    if key_of(program, compiler) in _engines:
        return True
    folder = cache_folder.private_folder()
    name = _digest("woven", _text_of(program).text, *_machine(compiler))
    return folder is not None and cache_folder.find(folder, name) is not None


def load(program: Program) -> Engine:
    """Compile a program, or reuse what was compiled for one of the same shape.

    Raises :class:`MissingError` without a compiler, and :class:`EngineError` if compiling fails; that is
    not tried again.
    """
    compiler = need_compiler()
    key = key_of(program, compiler)
    with _one_at_a_time:
        if key not in _engines:
            with suppress(EngineError):  # what is damaged is made anew
                for _ in kept(key):
                    pass
        found = _engines.get(key)
        if found is None:
            try:
                found = _made(program, key, compiler)
                _engines[key] = found
            except (EngineError, OutputError, OSError) as error:
                found = give_up(key, str(error))
    if isinstance(found, str):
        raise EngineError(found)
    return found


def known(key: str) -> Engine | str | None:
    """The engine loaded in this process for a key, or why there is none."""
    return _engines.get(key)


def give_up(key: str, why: str) -> str:
    """Log, once, that there will be no engine for a key, and why."""
    import logging

    _engines[key] = why
    logging.getLogger("mellow_thumb").warning("not compiled, it goes on in Python: %s", why)
    return why


def kept(key: str) -> Iterator[None]:
    """Load a key's engine from the folder, in small steps, if it is there."""
    folder = cache_folder.private_folder()
    note = cache_folder.read_note(folder, key) if folder else None
    yield
    if not folder or not note:
        return
    text = EngineText("", Layout(*note["layout"]), tuple(note["maths"]))
    name = str(note["library"])
    library = _libraries.get(name)
    if library is None:
        path = cache_folder.find(folder, name)
        yield
        if path is None:
            return
        library = Library(path)
        yield
        yield from library.compare(text.maths)
        _libraries[name] = library
    _engines[key] = Engine(library, text)


def _made(program: Program, key: str, compiler: Compiler) -> Engine:
    """The engine, from the folder or newly made; a damaged library is made again."""
    text = _text_of(program)
    name = _digest("woven", text.text, *_machine(compiler))
    if name not in _libraries:
        with _place() as (folder, lasting), _locked(folder, name):
            path = cache_folder.find(folder, name) if lasting else None
            try:
                library = Library(path or _compiled(folder, name, text.text, compiler))
                for _ in library.compare(text.maths):
                    pass
            except EngineError:
                # it may have been damaged on disk: the next session makes it anew
                cache_folder.remove(folder, name)
                raise
            if lasting:
                note = {
                    "library": name,
                    "layout": astuple(text.layout),
                    "maths": text.maths,
                }
                cache_folder.write_note(folder, key, note)
        _libraries[name] = library
    return Engine(_libraries[name], text)


def _compiled(folder: Path, name: str, text: str, compiler: Compiler) -> Path:
    """Compile a text; returns the library's path."""
    import tempfile

    with tempfile.TemporaryDirectory(
        prefix=cache_folder.WORK, dir=folder, ignore_cleanup_errors=True
    ) as work:
        source, made = Path(work) / "woven.c", Path(work) / f"woven{cache_folder.SUFFIX}"
        source.write_text(text, encoding="ascii")
        wrong = Compiling(compiler, source, made).wait()
        if wrong:
            raise EngineError(f"{compiler.words[0]}: {wrong}")
        return cache_folder.keep(folder, name, made)


@contextmanager
def _place() -> Iterator[tuple[Path, bool]]:
    """The folder to compile in, and whether what is made there is kept."""
    import tempfile

    folder = cache_folder.private_folder()
    if folder:
        yield folder, True
        return
    with tempfile.TemporaryDirectory(prefix="mellow-thumb-", ignore_cleanup_errors=True) as brief:
        yield Path(brief), False


@contextmanager
def _locked(folder: Path, name: str) -> Iterator[None]:
    """Let one process at a time make a library; the next one finds it made."""
    if not find_spec("filelock"):
        yield
        return
    from filelock import FileLock

    with FileLock(folder / f"{name}.lock"):
        yield

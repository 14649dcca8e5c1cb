"""Libraries: programs compiled as C, kept on disk, each loaded once a process.

A library is a program's text compiled by the C compiler of this machine. What it works out is what the Python
text works out, to the bit: the same doubles, the same order, and the same functions of mathematics, which are
compared as it is loaded.
"""

from __future__ import annotations

import ctypes
import math
import platform
import sys
import tempfile
from array import array
from contextlib import contextmanager, suppress
from functools import lru_cache
from hashlib import sha256
from importlib.util import find_spec
from pathlib import Path
from threading import Lock
from typing import TYPE_CHECKING, NamedTuple

from ..basics import MellowThumbError, OutputError
from ..expressions import MATHS
from ..weaving.languages import EngineText, engine_text
from . import cache_folder
from .compiler import FLAGS, Compiling, need_compiler, why_not

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..weaving import Program
    from .compiler import Compiler

_loaded: dict[str, Library | str] = {}
"""What was loaded, by its name; or why it cannot be."""
_one_at_a_time = Lock()

PAIRS = 2000
"""On how many pairs of numbers a function of mathematics is compared."""


class EngineError(MellowThumbError, RuntimeError):
    """A program that could not be compiled, or not be loaded; it runs in Python as well."""


class Engine(NamedTuple):
    """What runs a program, and what its rooms begin with."""

    library: Library
    text: EngineText


class Library:
    """A program as C. Each of its functions takes the address of a room; the interpreter's lock is kept.

    A call that lets go of the lock waits for any busy Python thread to give it back, some milliseconds.
    """

    def __init__(self, path: Path, maths: tuple[str, ...]) -> None:
        """Load it; raises :class:`EngineError` where that fails, or where its mathematics is another."""
        try:
            held, free = ctypes.PyDLL(str(path)), ctypes.CDLL(str(path))
            functions = [getattr(held, f"room_{name}") for name in ("frame", "pose", "save", "maths")]
            functions.append(free.room_take)
        except (OSError, AttributeError) as error:
            raise EngineError(f"it cannot be loaded: {error}") from None
        for function in functions:
            function.argtypes, function.restype = [ctypes.c_void_p], None
        self.frame, self.pose, self.save, self._maths, self.take = functions
        """Let the events of a room act; make its pose; drop what a frame let flow; run a take."""
        for place, name in enumerate(maths):
            self._compare(place, name)

    def _compare(self, place: int, name: str) -> None:
        """Refuse a function that gives other bits than Python's."""
        pairs, wanted = _examples(name)
        row = array("d", [len(pairs) / 2, place, *pairs])
        self._maths(row.buffer_info()[0])
        if row[2::2].tobytes() != wanted.tobytes():
            raise EngineError(f"its {name}() is another one than Python's")


@lru_cache(maxsize=16)
def _examples(name: str) -> tuple[array[float], array[float]]:
    """Pairs of numbers on which a function is compared, and what Python makes of them."""
    pairs = array("d")
    for k in range(PAIRS):
        # golden steps reach everywhere; sizes from far below 1 to far above
        one, other = (2.0 * (k * step % 1.0) - 1.0 for step in (0.6180339887498949, 0.7548776662466927))
        size = 10.0 ** (k % 13 - 8) if k % 2 else math.pi
        pairs.extend((one * size, other * size))
    if name in ("log", "sqrt", "pow"):
        pairs[::2] = array("d", map(abs, pairs[::2]))
    x, y = pairs[::2], pairs[1::2]
    if name == "pow":
        y = pairs[1::2] = array("d", [math.remainder(one, 8.0) for one in y])
        return pairs, array("d", [a**b for a, b in zip(x, y, strict=True)])
    if name == "exp":
        x = pairs[::2] = array("d", [math.remainder(one, 1400.0) for one in x])
    function = MATHS[name]
    given = zip(x, y, strict=True) if name == "atan2" else zip(x)
    return pairs, array("d", [function(*one) for one in given])


def can_compile() -> bool:
    """Whether programs are to be compiled unasked: the extra ``fast`` is here, and a compiler."""
    return find_spec("platformdirs") is not None and not why_not()


@lru_cache(maxsize=64)
def text_of(program: Program) -> EngineText:
    """The text of a program's library; that of one program is written once."""
    return engine_text(program)


def is_at_hand(program: Program) -> bool:
    """Whether a program of this shape needs no compiling: it was, in this process or an earlier one."""
    name = name_of(text_of(program), need_compiler())
    if name in _loaded:
        return True
    folder = cache_folder.private_folder()
    return folder is not None and cache_folder.find(folder, name) is not None


def load(program: Program) -> Engine:
    """Compile a program, or take what was compiled for one of the same shape.

    Raises :class:`MissingError` without a compiler, and :class:`EngineError` where compiling fails; that is
    not tried again.
    """
    text, compiler = text_of(program), need_compiler()
    name = name_of(text, compiler)
    with _one_at_a_time:
        found = _loaded.get(name)
        if found is None:
            try:
                found = _made(name, text, compiler)
            except (EngineError, OutputError, OSError) as error:
                found = str(error)
            _loaded[name] = found
    if isinstance(found, str):
        raise EngineError(found)
    return Engine(found, text)


def name_of(text: EngineText, compiler: Compiler) -> str:
    """What a library is called: by its text, and by what compiles it for what machine."""
    words = (*compiler.words, *FLAGS, sys.platform, platform.machine(), text.text)
    return f"woven_{sha256(chr(0).join(words).encode()).hexdigest()[:20]}"


def _made(name: str, text: EngineText, compiler: Compiler) -> Library:
    """The library, from the folder or made anew; one that is damaged there is made anew."""
    with _place() as (folder, lasting), _locked(folder, name):
        kept = cache_folder.find(folder, name) if lasting else None
        if kept:
            with suppress(EngineError):
                return Library(kept, text.maths)
        with tempfile.TemporaryDirectory(prefix=".work-", dir=folder, ignore_cleanup_errors=True) as work:
            source, made = Path(work) / "woven.c", Path(work) / f"woven{cache_folder.SUFFIX}"
            source.write_text(text.text, encoding="ascii")
            wrong = Compiling(compiler, source, made).wait()
            if wrong:
                raise EngineError(f"{compiler.words[0]}: {wrong}")
            return Library(cache_folder.keep(folder, name, made), text.maths)


@contextmanager
def _place() -> Iterator[tuple[Path, bool]]:
    """The folder to compile in, and whether what is made there is kept."""
    folder = cache_folder.private_folder()
    if folder:
        yield folder, True
        return
    with tempfile.TemporaryDirectory(prefix="mellow-thumb-", ignore_cleanup_errors=True) as brief:
        yield Path(brief), False


@contextmanager
def _locked(folder: Path, name: str) -> Iterator[None]:
    """Let one process at a time make a library; who comes second finds it made."""
    if not find_spec("filelock"):
        yield
        return
    from filelock import FileLock

    with FileLock(folder / f"{name}.lock"):
        yield

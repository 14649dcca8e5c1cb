"""Fused programs: compiled by numba, kept on disk, loaded once a process."""

from __future__ import annotations

import sys
from functools import lru_cache
from hashlib import sha256
from importlib.util import find_spec
from threading import Lock
from types import ModuleType
from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import MissingError
from ..weaving.languages import FusedText, fuse
from .cache_folder import is_kept, prepare, private_folder, seal

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..weaving import Program

_loaded: dict[str, Callable[..., int]] = {}
_one_at_a_time = Lock()


class Fused(NamedTuple):
    """A compiled program and what it is given."""

    run: Callable[..., int]
    """The loop of :func:`~mellow_thumb.weaving.languages.fused_text.fuse`."""
    text: FusedText


def can_compile() -> bool:
    """Whether what the extra ``fast`` brings is here."""
    return all(find_spec(name) for name in ("numba", "platformdirs"))


@lru_cache(maxsize=64)
def fused_text(program: Program) -> FusedText:
    """The text of a fused program; that of one program is written once."""
    return fuse(program)


def is_at_hand(program: Program) -> bool:
    """Whether a program of this shape needs no compiling: it was, in this process or an earlier one."""
    name = _name(fused_text(program).text)
    if name in _loaded:
        return True
    folder = private_folder()
    return folder is not None and is_kept(folder, name)


def load(program: Program) -> Fused:
    """Compile a program, or take what was compiled for one of the same shape.

    Raises :class:`MissingError` without numba.
    """
    if not can_compile():
        raise MissingError("compiling a whole take needs numba: pip install 'mellow-thumb[fast]'")
    text = fused_text(program)
    name = _name(text.text)
    with _one_at_a_time:
        if name not in _loaded:
            _loaded[name] = _compiled(name, text.text)
    return Fused(_loaded[name], text)


def _name(text: str) -> str:
    """What a module is called: by its text, and by what compiles it."""
    from importlib.metadata import version

    tools = f"{sys.implementation.cache_tag} {version('numba')} {version('llvmlite')}"
    return f"woven_{sha256(f'{tools} {text}'.encode()).hexdigest()[:20]}"


def _compiled(name: str, text: str) -> Any:
    folder = private_folder()
    source = prepare(folder, name, text.replace("{cache}", "True")) if folder else None
    keeping = source is not None
    run = _function(name, text.replace("{cache}", str(keeping)), str(source or f"<{name}>"))
    if folder and keeping and not run.stats.cache_hits:
        seal(folder, name)
    return run


def _function(name: str, text: str, file: str) -> Any:
    """Run a module's text; its function, kept beside the file if the text says so.

    numba finds what it kept by way of the module's name, so that has to be known before.
    """
    from numba import config as options

    config: Any = options
    module = ModuleType(name)
    module.__file__ = file
    sys.modules[name] = module
    elsewhere, config.CACHE_DIR = config.CACHE_DIR, ""
    try:
        exec(compile(text, file, "exec"), module.__dict__)
    finally:
        config.CACHE_DIR = elsewhere
    return module.__dict__["run"]

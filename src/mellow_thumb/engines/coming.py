"""An engine on its way: from the cache, or made by another process while a session runs in Python."""

from __future__ import annotations

from contextlib import suppress
from typing import TYPE_CHECKING
from weakref import WeakValueDictionary

from . import cache_folder
from .beside import clear_up, ending, has_interpreter, make_ready, work
from .compiler import LONGEST, need_compiler, why_not
from .library import Engine, EngineError, can_compile, give_up, kept, key_of, known

if TYPE_CHECKING:
    from collections.abc import Generator

    from ..plan import Plan
    from ..weaving import Program

PATIENCE = 2.0
"""Seconds of a session after which it is worth a compiler; most programs that open one are done by then."""


class Coming:
    """An engine on its way. Call :meth:`look` once a frame; it takes well under a millisecond.

    Sessions of one program share it. Once none of them waits for it any more, it is given up.
    """

    def __init__(self, key: str, program: Program, plan: Plan, *, looked: bool) -> None:
        """`looked` is whether the cache was already searched."""
        make_ready()
        self.key, self._wish = key, _Wish()
        self._steps = _steps(key, self._wish, program, plan, looked=looked)

    def look(self, *, may_begin: bool) -> Engine | str | None:
        """Do a little of the work; returns the engine once it is there, or why there will be none.

        `may_begin` is whether a session has run long enough with this program.
        """
        self._wish.may_begin |= may_begin
        if known(self.key) is None:
            try:
                next(self._steps, None)
            except (OSError, EngineError) as error:
                give_up(self.key, str(error))
        return known(self.key)


class _Wish:
    """What an engine on its way is for; an object of its own, so that the steps hold no reference to it."""

    may_begin = False


def _steps(key: str, wish: _Wish, program: Program, plan: Plan, *, looked: bool) -> Generator[None]:
    """Get an engine, in small steps; if closed early, they end what they began."""
    if not looked:
        with suppress(EngineError):  # what is damaged is made anew
            yield from kept(key)
    if known(key):
        return
    # one after another: who tries many programs brings a new one every frame
    while not wish.may_begin or _at_work or ending():
        clear_up()
        yield
    if not has_interpreter():
        give_up(
            key, "no Python interpreter was found to compile in the background; compiled=True compiles here"
        )
        return
    _at_work.append(wish)
    try:
        yield from _worker(plan, program)
    finally:
        _at_work.remove(wish)
    yield from kept(key)
    if not known(key):
        give_up(key, "what was compiled could not be kept")


_at_work: list[_Wish] = []
"""The one for which a process compiles at the moment, if there is one."""
_coming: WeakValueDictionary[str, Coming] = WeakValueDictionary()


def engine_for(program: Program, plan: Plan, *, asked: bool, in_frame: bool) -> Engine | Coming | None:
    """The engine of a program, or one on its way; None if there will be none.

    It is made if it was `asked` for, or with the extra ``fast``; never without a compiler. What is in
    the cache is loaded at once, except `in_frame`: there it also comes in small steps.
    """
    if why_not() if asked else not can_compile():
        return None
    key = key_of(program, need_compiler())
    coming = _coming.get(key)
    if known(key) is None and coming is None and not in_frame:
        with suppress(EngineError):  # what is damaged is made anew
            for _ in kept(key):
                pass
    found = known(key)
    if found is not None:
        return None if isinstance(found, str) else found
    if coming is None:
        if cache_folder.private_folder() is None:
            give_up(
                key,
                "there is no folder to keep it in: pip install 'mellow-thumb[fast]', "
                f"or name one of your own in {cache_folder.VARIABLE}",
            )
            return None
        coming = _coming[key] = Coming(key, program, plan, looked=not in_frame)
    return coming


def _worker(plan: Plan, program: Program) -> Generator[None]:
    """Have another process compile; raises :class:`EngineError` where it fails."""
    try:
        yield from work("compile", plan, tuple(program.settings), longest=LONGEST + 30.0)
    except RuntimeError as error:
        raise EngineError(str(error)) from None

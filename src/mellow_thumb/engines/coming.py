"""An engine on its way: from the cache, or made by another process while a session runs in Python."""

from __future__ import annotations

import atexit
from contextlib import suppress
from typing import TYPE_CHECKING

from . import cache_folder
from .beside import clear_up, ending, has_interpreter, make_ready, work
from .compiler import LONGEST, need_compiler, why_not
from .library import Engine, EngineError, can_compile, give_up, kept, key_of, known

if TYPE_CHECKING:
    from collections.abc import Generator, Iterator

    from ..plan import Plan
    from ..weaving import Program

PATIENCE = 2.0
"""Seconds of a session after which it is worth a compiler; most programs that open one are done by then."""


class Coming:
    """An engine on its way. Whoever waits looks once a frame; a look takes well under a millisecond.

    Sessions of one program wait for the same one.
    """

    def __init__(self, key: str, program: Program, plan: Plan, *, looked: bool) -> None:
        """`looked` is whether the cache was looked into already."""
        make_ready()
        self.key, self._steps = key, self._go(plan, program, looked=looked)
        self.may_begin = False
        """Whether a session has run long enough with this program."""
        self.waiting = 0
        """How many sessions wait for it."""

    def look(self) -> Engine | str | None:
        """Do a little; the engine, once it is there, or why there will be none."""
        if known(self.key) is None:
            try:
                next(self._steps, None)
            except (OSError, EngineError) as error:
                give_up(self.key, str(error))
        found = known(self.key)
        if found is not None:
            self.stop()
        return found

    def leave(self) -> None:
        """A session waits no more; after the last of them it is given up, and may be begun anew."""
        self.waiting -= 1
        if self.waiting <= 0:
            self.stop()

    def stop(self) -> None:
        """Have the process that compiles end, if there is one."""
        self._steps.close()
        _coming.pop(self.key, None)

    def _go(self, plan: Plan, program: Program, *, looked: bool) -> Generator[None]:
        if not looked:
            with suppress(EngineError):  # what is damaged is made anew
                yield from kept(self.key)
        if known(self.key):
            return
        # one after another: who drags a slider brings a new program every frame
        while not self.may_begin or _at_work or ending():
            clear_up()
            yield
        if not has_interpreter():
            give_up(
                self.key, "no interpreter was found to compile beside this one; say compiled=True to wait"
            )
            return
        _at_work.append(self)
        try:
            for _ in _worker(plan, program):
                yield
        finally:
            _at_work.remove(self)
        yield from kept(self.key)
        if not known(self.key):
            give_up(self.key, "what was compiled could not be kept")


_at_work: list[Coming] = []
"""The one for which a process compiles at the moment, if there is one."""
_coming: dict[str, Coming] = {}


@atexit.register
def _end() -> None:
    """Leave nothing at work as we end."""
    for one in [*_coming.values()]:
        one.stop()


def engine_for(program: Program, plan: Plan, *, asked: bool, in_frame: bool) -> Engine | Coming | None:
    """The engine of a program, or its way here; None where there will be none.

    It is made where it was `asked` for, or where the extra ``fast`` is; never without a compiler. What is in
    the cache is loaded at once, but not `in_frame`: there it comes in small steps as well.
    """
    if why_not() if asked else not can_compile():
        return None
    key = key_of(program, need_compiler())
    if known(key) is None and key not in _coming and not in_frame:
        with suppress(EngineError):  # what is damaged is made anew
            for _ in kept(key):
                pass
    found = known(key)
    if found is not None:
        return None if isinstance(found, str) else found
    if key not in _coming:
        if cache_folder.private_folder() is None:
            give_up(
                key,
                "there is no folder to keep it in: pip install 'mellow-thumb[fast]', "
                f"or name one of your own in {cache_folder.VARIABLE}",
            )
            return None
        _coming[key] = Coming(key, program, plan, looked=not in_frame)
    _coming[key].waiting += 1
    return _coming[key]


def _worker(plan: Plan, program: Program) -> Iterator[None]:
    """Have another process compile; raises :class:`EngineError` where it fails."""
    try:
        yield from work("compile", plan, tuple(program.settings), longest=LONGEST + 30.0)
    except RuntimeError as error:
        raise EngineError(str(error)) from None

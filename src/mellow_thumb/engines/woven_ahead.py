"""A program that another process weaves while a session goes on with its own."""

from __future__ import annotations

import logging
from typing import TYPE_CHECKING
from weakref import WeakValueDictionary

from ..plan import take_apart
from ..weaving import keep_woven, receive, woven_before
from .beside import has_interpreter, make_ready, work
from .compiler import is_off
from .library import is_asked

if TYPE_CHECKING:
    from collections.abc import Generator

    from ..plan import Plan, Shape
    from ..weaving import Setting

LONGEST = 60.0
"""Seconds after which it is woven here after all."""


def may_weave_ahead() -> bool:
    """Whether another process may weave: with the extra ``fast``, unless it is switched off."""
    return is_asked() and not is_off() and has_interpreter()


class Weaving:
    """A program on its way; a look takes well under a millisecond.

    Sessions that go over to the same program share it. Once none of them waits for it, it is given
    up.
    """

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        make_ready()
        self.plan, self.settings = plan, settings
        self.failed = False
        """Whether it must be woven here."""
        self._steps = _steps(plan, settings)

    def look(self) -> bool:
        """Do a little of the work; returns whether it is done."""
        if self.failed or woven_before(self.plan, self.settings):
            return True
        try:
            next(self._steps, None)
        except (OSError, RuntimeError, ValueError) as error:
            self.failed = True
            logging.getLogger("mellow_thumb").warning(
                "woven in this process, not in the background: %s", error
            )
        return False


def _steps(plan: Plan, settings: tuple[Setting, ...]) -> Generator[None]:
    """Have it woven, in small steps; if closed early, they end what they began."""
    woven = yield from work("weave", plan, settings, longest=LONGEST)
    yield
    program = yield from receive(woven, plan, settings)
    keep_woven(plan, settings, program)


_on_its_way: WeakValueDictionary[tuple[Shape, tuple[Setting, ...]], Weaving] = WeakValueDictionary()


def weaving_for(plan: Plan, settings: tuple[Setting, ...]) -> Weaving:
    """The weaving of a plan of this shape, shared by all who wait for one."""
    key = take_apart(plan).shape, settings
    found = _on_its_way.get(key)
    if found is None or found.failed:
        found = _on_its_way[key] = Weaving(plan, settings)
    return found

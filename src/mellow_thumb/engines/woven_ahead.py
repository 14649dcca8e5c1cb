"""A program that another process weaves while a session goes on with its own."""

from __future__ import annotations

import logging
from typing import TYPE_CHECKING

from ..weaving import keep_woven, receive, woven_before
from .beside import has_interpreter, make_ready, work
from .compiler import is_off
from .library import is_asked

if TYPE_CHECKING:
    from collections.abc import Generator

    from ..plan import Plan
    from ..weaving import Setting

LONGEST = 60.0
"""Seconds after which it is woven here after all."""


def may_weave_ahead() -> bool:
    """Whether another process may weave: the extra ``fast`` is here, and nothing forbids to start one."""
    return is_asked() and not is_off() and has_interpreter()


class Weaving:
    """A program on its way; a look takes well under a millisecond."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        make_ready()
        self.plan, self.settings = plan, settings
        self.failed = False
        """Whether it must be woven here."""
        self._steps = self._go()

    def look(self) -> bool:
        """Do a little; whether there is nothing more to wait for."""
        if self.failed or woven_before(self.plan, self.settings):
            self._steps.close()
            return True
        try:
            next(self._steps, None)
        except (OSError, RuntimeError, ValueError) as error:
            self.failed = True
            logging.getLogger("mellow_thumb").warning("woven here, not beside the session: %s", error)
        return False

    def leave(self) -> None:
        """Wait for it no more."""
        self._steps.close()

    def _go(self) -> Generator[None]:
        woven = yield from work("weave", self.plan, self.settings, longest=LONGEST)
        yield
        program = yield from receive(woven, self.plan, self.settings)
        keep_woven(self.plan, self.settings, program)

"""Profiles: a plan that came from a file, and opens sessions."""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from functools import cached_property
from typing import TYPE_CHECKING, Any

from ..basics import ProfileError, read_text
from ..plan import Plan
from ..session import CEILING, Session

if TYPE_CHECKING:
    import os
    from collections.abc import Mapping

    from .offers import Offers

LARGEST = 256 * 1024
"""Bytes beyond which a file is not read as a profile."""


@dataclass(frozen=True)
class Profile(Plan):
    """A plan with its title and the file that it came from."""

    title: str = ""
    file: str = ""
    counts_per_cm: float | None = None
    """What it says of the mouse: counts for each cm of travel."""
    allow: tuple[tuple[str, str], ...] = ()
    """Findings that it allows, each with the reason: what it is about, and why."""
    data: Mapping[str, Any] = field(default_factory=dict, compare=False, repr=False)
    """The tables of its file, over which a player's sheet is laid."""
    base: Profile | None = field(default=None, compare=False, repr=False)
    """The profile as its file has it, where a player's sheet is laid over this one; None where none is."""

    @cached_property
    def offers(self) -> Offers:
        """What it offers to a player."""
        from .faults import Faults
        from .offers import read_offers

        return read_offers(Faults(), self.data, [axis.name for axis in self.axes])

    def session(self, *, ceiling: float = CEILING, compiled: bool | None = None) -> Session:
        """Put the profile to work, one session a player; a frame longer than `ceiling` (s) is cut.

        A session begins in Python. With `compiled` None it goes over to C, between two frames and without
        moving by a bit, once the profile is compiled: that is done beside it, where the extra ``fast``
        (``pip install 'mellow-thumb[fast]'``) and a C compiler are here. True waits for it first, False stays
        in Python. :attr:`Session.engine` says which runs. If compiling fails, the logger ``mellow_thumb``
        says why, once, and the session goes on in Python.

        Raises :class:`MissingError` for `compiled` True where there is no compiler.
        """
        return Session(self, ceiling=ceiling, compiled=compiled)


def load_profile(path: str | os.PathLike[str]) -> Profile:
    """Read a profile from a TOML file.

    Raises :class:`ProfileError` with every problem in the file, each with its line, what was found, what
    was expected and the nearest right word.
    """
    from ..basics import parse
    from .whole import resolve

    file = str(path)
    text = read_text(path, ProfileError, largest=LARGEST)
    data, places = parse(file, text, ProfileError)
    try:
        plan, title, faults = resolve(data)
    except RecursionError:
        found, wanted = "gates that wait for each other in a very long chain", "at most some hundred in a row"
        raise ProfileError.single(file, places.line(("gates",)), found, wanted) from None
    problems = [fault.problem(file, places.line(fault.path)) for fault in faults]
    if problems or plan is None:
        raise ProfileError(problems)
    return profile_of(plan, data, title, file)


def profile_of(
    plan: Plan, data: Mapping[str, Any], title: str, file: str, base: Profile | None = None
) -> Profile:
    """A plan that was made of the data of a file, as a profile."""
    return Profile(
        **{one.name: getattr(plan, one.name) for one in fields(Plan)},
        title=title,
        file=file,
        counts_per_cm=data.get("mouse", {}).get("counts_per_cm"),
        allow=tuple(data.get("allow", {}).items()),
        data=data,
        base=base,
    )

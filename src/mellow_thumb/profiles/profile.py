"""Profiles: a plan that came from a file, and opens sessions."""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from functools import cached_property
from pathlib import Path
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, ProfileError, read_text
from ..plan import Plan
from ..session import CEILING, Session

if TYPE_CHECKING:
    import os
    from collections.abc import Mapping

    from ..session import Basis
    from .offers import Offers
    from .routes import RouteReader

LARGEST = 256 * 1024
"""Bytes beyond which a file is not read as a profile."""


@dataclass
class Origin:
    """Where a profile came from."""

    path: Path
    seen: tuple[int, int, int] | None = None
    """What told the file from others as it was last read: its time, its size, its number."""

    def looked_up(self) -> tuple[int, int, int] | None:
        """The file's current time, size and number; None if there is no file."""
        try:
            found = self.path.stat()
        except OSError:
            return None
        return found.st_mtime_ns, found.st_size, found.st_ino


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

    reader: RouteReader | None = field(default=None, compare=False, repr=False)
    """What read its routes, and reads one of them again where a player's sheet changes it."""
    origin: Origin | None = field(default=None, compare=False, repr=False)
    """Where its file lies, and what told it from others when it was read; None where it came from no file."""

    def changed(self) -> bool:
        """Whether its file has changed since it was read, or since :meth:`reload` was last called.

        It looks at the file's time, size and number and reads nothing, so you can call it every frame. A file
        that is missing for a moment, as when an editor saves it, has not changed.
        """
        origin = (self.base or self).origin
        if origin is None:
            return False
        now = origin.looked_up()
        return now is not None and now != origin.seen

    def reload(self) -> Profile:
        """Read its file again: the profile as it is there now, without a sheet; this one stays as it is.

        Raises :class:`ProfileError` as :func:`load_profile` does, and :class:`ArgumentError` for a profile
        that came from no file.
        """
        origin = (self.base or self).origin
        if origin is None:
            raise ArgumentError("found a profile that came from no file; expected one from load_profile")
        # also where it is refused: it is told once, and asked again when the file is another
        origin.seen = origin.looked_up()
        here = Path(self.file).absolute() == origin.path
        return load_profile(self.file if here else origin.path)

    @cached_property
    def offers(self) -> Offers:
        """What it offers to a player."""
        from .faults import Faults
        from .offers import read_offers

        return read_offers(Faults(), self.data, [axis.name for axis in self.axes])

    def session(
        self,
        *,
        ceiling: float = CEILING,
        compiled: bool | None = None,
        units_per_metre: float = 1.0,
        basis: Basis | None = None,
    ) -> Session:
        """Start a session of the profile, one for each player; a frame longer than `ceiling` (s) is cut.

        A session starts in Python. With `compiled` None it switches to C between two frames, with the same
        results to the bit, once the profile is compiled in the background: that needs the extra ``fast``
        (``pip install 'mellow-thumb[fast]'``) and a C compiler. True compiles first, False stays in Python.
        :attr:`Session.engine` says which runs. If compiling fails, the logger ``mellow_thumb`` says why,
        once, and the session goes on in Python.

        If your world is not in metres, `units_per_metre` says how many of your units a metre has: steps,
        velocities, subjects, targets, heads, ground, `clear`, platforms and views are then in your units. The
        profile and its axes stay in metres. If its axes are others than +X right, +Y up, -Z forward, `basis`
        says which; all of these, and rotations, are then along your axes.

        Raises :class:`MissingError` for `compiled` True without a compiler, and :class:`ArgumentError` for a
        scale or a basis that is not one.
        """
        return Session(self, ceiling=ceiling, compiled=compiled, units_per_metre=units_per_metre, basis=basis)


def load_profile(path: str | os.PathLike[str]) -> Profile:
    """Read a profile from a TOML file.

    Raises :class:`ProfileError` with every problem in the file, each with its line, what was found, what
    was expected and the nearest right word.
    """
    from ..basics import parse
    from .whole import resolve

    file, origin = str(path), Origin(Path(path).absolute())
    origin.seen = origin.looked_up()  # before it is read: what is saved meanwhile is another file
    text = read_text(path, ProfileError, largest=LARGEST)
    try:
        data, places = parse(file, text, ProfileError)
    except ProfileError:
        if origin.path.suffix.lower() in ("", ".toml"):
            raise
        found = f'the suffix "{origin.path.suffix}", and no TOML in it'
        raise ProfileError.single(file, 0, found, "a profile: NAME.toml") from None
    try:
        plan, title, reader, faults = resolve(data)
    except RecursionError:
        found, wanted = "gates that wait for each other in a very long chain", "at most some hundred in a row"
        raise ProfileError.single(file, places.line(("gates",)), found, wanted) from None
    problems = [fault.problem(file, places.line(fault.path)) for fault in faults]
    if problems or plan is None:
        raise ProfileError(problems)
    return profile_of(plan, data, title, file, reader=reader, origin=origin)


def profile_of(
    plan: Plan,
    data: Mapping[str, Any],
    title: str,
    file: str,
    base: Profile | None = None,
    *,
    reader: RouteReader | None = None,
    origin: Origin | None = None,
) -> Profile:
    """A plan made from a file's data, as a profile."""
    return Profile(
        **{one.name: getattr(plan, one.name) for one in fields(Plan)},
        title=title,
        file=file,
        counts_per_cm=data.get("mouse", {}).get("counts_per_cm"),
        allow=tuple(data.get("allow", {}).items()),
        data=data,
        base=base,
        reader=reader,
        origin=origin,
    )

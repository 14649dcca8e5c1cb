"""A profile with some values changed: as data, and in its file with nothing else changed."""

from __future__ import annotations

import tomllib
from copy import deepcopy
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, Places, ProfileError

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from .profile import Profile

    Changes = Mapping[Path, Any]
    """New values by where they stand; None for what is to be as if the file did not say it."""


def laid(data: Mapping[str, Any], changes: Changes) -> dict[str, Any]:
    """A copy of a profile's data with changes in it.

    Missing tables are made; a missing item of a list raises :class:`ArgumentError`.
    """
    found = deepcopy(dict(data))
    for path, value in changes.items():
        _put(found, path, value)
    return found


def _put(tables: Any, path: Path, value: Any) -> None:
    """Put a value at its place; None removes it."""
    *way, last = path
    try:
        tables = _reached(tables, way, value)
        if tables is not None and isinstance(last, str) == isinstance(tables, list):
            raise TypeError
        if value is not None:
            tables[last] = _spaced(tables, value) if hasattr(tables, "trivia") else value
        elif isinstance(tables, list):
            raise TypeError
        elif tables is not None:
            tables.pop(last, None)
    except (IndexError, TypeError, KeyError, AttributeError):
        place = ".".join(map(str, path))
        raise ArgumentError(f"found no place for {place}; expected a key of the profile") from None


def _reached(tables: Any, way: list[str | int], value: Any) -> Any:
    """The table at the end of a path, made if missing; None if it is missing and a value is to be removed."""
    for key in way:
        if isinstance(key, str) == isinstance(tables, list):
            raise TypeError
        if isinstance(key, str) and key not in tables:
            if value is None:
                return None
            tables[key] = _inline() if hasattr(tables, "trivia") else {}
        tables = tables[key]
    return tables


def _inline() -> Any:
    """A table that is written in one line of a file."""
    import tomlkit

    return tomlkit.inline_table()


def _spaced(table: Any, value: Any) -> Any:
    """A value for an inline table, with a space after it if the table ends with one: ``{ a = 1 }``."""
    import tomlkit

    item = tomlkit.item(value)
    if table.as_string().rstrip().endswith(" }"):
        item.trivia.trail = " "
    return item


def changed(profile: Profile, changes: Changes, text: str = "") -> Profile:
    """A profile with values changed, as if its file said so; its file stays as it is.

    Raises :class:`ProfileError` as the loader does, with the lines of `text`, the file's own, if it is
    given; and :class:`ArgumentError` for an impossible place.
    """
    from .profile import profile_of
    from .whole import resolve

    data = laid(profile.data, changes)
    plan, title, reader, faults = resolve(data)
    if faults or plan is None:
        places = Places(text) if text else None
        lines = [places.line(fault.path) if places else 0 for fault in faults]
        raise ProfileError(
            [fault.problem(profile.file, line) for fault, line in zip(faults, lines, strict=True)]
        )
    return profile_of(plan, data, title, profile.file, reader=reader, origin=profile.origin)


def rewritten(text: str, changes: Changes) -> str:
    """A profile's text with changes in it and nothing else: order, comments and spacing stay.

    Raises :class:`ArgumentError` for an impossible place.
    """
    import tomlkit

    document = tomlkit.parse(text)
    for path, value in changes.items():
        _put(document, path, value)
    found = tomlkit.dumps(document)
    wanted = laid(tomllib.loads(text), changes)
    if tomllib.loads(found) != wanted:
        raise ArgumentError("found a file whose tables stand too far apart to be changed; edit it by hand")
    return found

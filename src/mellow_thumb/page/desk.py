"""The desk that holds a profile on the page: its changes, two settings of it, and its file."""

from __future__ import annotations

import difflib
import hashlib
from codecs import BOM_UTF8
from dataclasses import dataclass, field
from pathlib import Path as FilePath
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, MellowThumbError, OutputError, ProfileError, read_text, replacing
from ..profiles import changed, load_profile, rewritten
from .as_sheet import say_in_sheet

if TYPE_CHECKING:
    import os

    from ..basics import Path
    from ..profiles import Profile, Sheet

    Changes = dict[Path, Any]

LARGEST = 256 * 1024
"""Bytes beyond which a file is not read as a profile."""
SIDES = ("A", "B")
"""Two settings to go to and fro between."""
DEEPEST = 200
"""So many changes can be undone."""


@dataclass
class Side:
    """One of two settings: its differences from the file, and its history."""

    changes: Changes = field(default_factory=dict)
    before: list[Changes] = field(default_factory=list)
    after: list[Changes] = field(default_factory=list)
    going: Path | None = None
    """What is being turned at the moment: one turn is one step to undo."""


class Desk:
    """Holds a profile with unsaved changes; every change goes through the loader.

    :attr:`profile` is what plays. A refused change raises and leaves everything as it was.
    """

    def __init__(self, path: str | os.PathLike[str]) -> None:
        """Open a profile's file."""
        self.path = FilePath(path)
        self.file = load_profile(path)
        self.profile = self.file
        self._text = self._read()
        self.sides = {name: Side() for name in SIDES}
        self.side = SIDES[0]
        self.seen = self._seal(self._text)

    def _read(self) -> str:
        return read_text(self.path, ProfileError, largest=LARGEST)

    @staticmethod
    def _seal(text: str) -> str:
        return hashlib.sha256(text.encode()).hexdigest()

    @property
    def current(self) -> Side:
        """The side that plays."""
        return self.sides[self.side]

    @property
    def other(self) -> str:
        """The side that does not play."""
        return SIDES[1 - SIDES.index(self.side)]

    @property
    def apart(self) -> Changes:
        """Where the other side differs from this one, and its value there; None for no value."""
        mine, theirs = self.current.changes, self.sides[self.other].changes
        said = {path: self._said(self.file.data, path) for path in {**mine, **theirs}}
        return {
            path: theirs.get(path, first)
            for path, first in said.items()
            if theirs.get(path, first) != mine.get(path, first)
        }

    def change(self, path: Path, value: Any, *, going: bool = False) -> None:
        """Set a value; None removes it. Changes while a drag is `going` are undone as one."""
        side = self.current
        changes = dict(side.changes)
        if path[:1] == ("routes",) and path[2:3] == ("invert",) and len(path) == 4:
            path, value = self._inverted(path, value)
        changes[path] = value
        if self._said(self.file.data, path) == value:
            del changes[path]
        self.profile = changed(self.file, changes, self._text)
        if side.going != path:
            side.before = [*side.before[-DEEPEST:], side.changes]
            side.after = []
        side.changes, side.going = changes, path if going else None

    def _inverted(self, path: Path, value: Any) -> tuple[Path, Any]:
        """The list of a route's inverted axes, with one of them added or removed."""
        said = self._said(self.profile.data, path[:3]) or []
        axes = [said] if isinstance(said, str) else list(said)
        axes = [axis for axis in axes if axis != path[3]] + ([path[3]] if value else [])
        return path[:3], axes or None

    @staticmethod
    def _said(data: Any, path: Path) -> Any:
        """A profile's value at a place; None for no value."""
        for key in path:
            try:
                data = data[key]
            except (KeyError, IndexError, TypeError):
                return None
        return data

    def undo(self) -> bool:
        """Undo this side's last change; returns whether there was one."""
        return self._step(self.current.before, self.current.after)

    def redo(self) -> bool:
        """Redo what was undone last; returns whether there was anything."""
        return self._step(self.current.after, self.current.before)

    def _step(self, source: list[Changes], other: list[Changes]) -> bool:
        if not source:
            return False
        side, changes = self.current, source[-1]
        self.profile = changed(self.file, changes, self._text)
        source.pop()
        other.append(side.changes)
        side.changes, side.going = changes, None
        return True

    def go(self, side: str) -> None:
        """Switch to the other side."""
        if side not in SIDES:
            raise ArgumentError(f"found the side {side!r}; expected A or B")
        self.profile = changed(self.file, self.sides[side].changes, self._text)
        self.side = side
        self.current.going = None

    def copy_to(self, side: str) -> None:
        """Make the other side the same as this one."""
        other = self.sides[side]
        other.before, other.after = [*other.before[-DEEPEST:], other.changes], []
        other.changes = dict(self.current.changes)

    def keep_in(self, sheet: Sheet) -> tuple[int, list[str]]:
        """Save this side's changes in a player's sheet; returns how many, and what has no place there.

        What the sheet now holds is no longer a change of the profile: with the sheet, the result is the same.
        """
        said, words = say_in_sheet(sheet, self.file, self.current.changes)
        if said:
            sheet.save()
            left = {path: value for path, value in self.current.changes.items() if path not in said}
            self.profile = changed(self.file, left, self._text)
            # what was before is no way back: the sheet goes on to say it
            self.sides[self.side] = Side(left)
        return len(said), words

    # ---- the file

    def look(self) -> tuple[str, ...] | None:
        """Reload what an editor has saved meanwhile; None if nothing has changed.

        Unsaved changes stay; those whose place is no longer in the file are dropped and
        reported. Raises :class:`ProfileError` if the file is not a valid profile: the one before it stays.
        """
        if not self.file.changed():
            return None
        fresh = self.file.reload()
        text = self._read()
        dropped = []
        for name, side in self.sides.items():
            kept: Changes = {}
            for path, value in side.changes.items():
                try:
                    changed(fresh, kept | {path: value})
                except MellowThumbError:
                    dropped.append(f"{name}: {'.'.join(map(str, path))} is no longer in the file")
                else:
                    kept[path] = value
            side.changes, side.before, side.after, side.going = kept, [], [], None
        self.file, self._text, self.seen = fresh, text, self._seal(text)
        self.profile = changed(fresh, self.current.changes, text)
        return tuple(dropped)

    @property
    def text(self) -> str:
        """The file with this side's changes, and nothing else changed."""
        return rewritten(self._text, self.current.changes)

    def keep(self) -> list[str]:
        """Write this side's changes into the file, and nothing else; returns in words what was written.

        A file that was changed meanwhile is not overwritten: :class:`OutputError`, with the difference.
        """
        wanted, now = self.text, self._read()
        if self._seal(now) != self.seen:
            lines = difflib.unified_diff(
                now.splitlines(),
                wanted.splitlines(),
                f"{self.path} as it is",
                "as it would be",
                "",
                "",
                1,
                "",
            )
            raise OutputError(
                f"{self.path}: the file was changed meanwhile, so it was not overwritten\n" + "\n".join(lines)
            )
        words = [
            f"{'.'.join(map(str, path))} = {'(taken out)' if value is None else value}"
            for path, value in self.current.changes.items()
        ]
        if words:
            marked = self.path.read_bytes().startswith(BOM_UTF8)
            with replacing(self.path) as fresh:
                fresh.write_text(wanted, encoding="utf-8-sig" if marked else "utf-8", newline="")
            old, kept, self.file = self.file, dict(self.current.changes), load_profile(self.path)
            self._text, self.seen = wanted, self._seal(wanted)
            for side in self.sides.values():
                side.changes = self._rebased(side.changes, old, kept)
                side.before = [self._rebased(one, old, kept) for one in side.before]
                side.after = [self._rebased(one, old, kept) for one in side.after]
                side.going = None
            self.profile = changed(self.file, self.current.changes, self._text)
        return words

    def _rebased(self, changes: Changes, old: Profile, kept: Changes) -> Changes:
        """Differences from an old file, as differences from the new one that has what was `kept`."""
        places = dict.fromkeys([*kept, *changes])
        wanted = {path: changes[path] if path in changes else self._said(old.data, path) for path in places}
        return {path: value for path, value in wanted.items() if value != self._said(self.file.data, path)}

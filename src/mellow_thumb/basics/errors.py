"""What goes wrong, said so that it can be put right.

One tree under :class:`MellowThumbError`; each leaf is also the built-in error that a caller would
expect, so ``except ValueError`` works as well.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Iterable, Sequence
    from typing import Self


class MellowThumbError(Exception):
    """The root of every error that this library raises on purpose."""


class PlacedError(MellowThumbError):
    """An error that knows which key it is about."""

    def __init__(self, words: str, *, path: Iterable[str | int] = ()) -> None:
        """Say what is wrong, and where: `path` has the keys, from the table that was read inward."""
        super().__init__(words)
        self.path: tuple[str | int, ...] = tuple(path)
        """The keys that lead to what it is about; of a whole plan, from the beginning of a profile."""


class UnitError(PlacedError, ValueError):
    """A quantity that is not a number with a known unit, or whose unit does not fit."""


class SignalError(MellowThumbError, LookupError):
    """A signal address that is not in the catalogue."""


class PlanError(PlacedError, ValueError):
    """Routes, gates, axes and mounts that do not fit together."""


class ArgumentError(MellowThumbError, ValueError):
    """An argument that is not allowed."""


class ConflictError(ArgumentError):
    """A button that already does something else."""

    def __init__(self, words: str, name: str, address: str, carries: tuple[str, ...], ways: tuple[str, ...]):
        super().__init__(words)
        self.name, self.address = name, address
        """What was to be carried, and by which signal."""
        self.carries = carries
        """What that carries already, by the names that sheets have."""
        self.ways = ways
        """What may be done about it: ``swap`` the two, ``share`` the button."""


class MissingError(MellowThumbError, ImportError):
    """A package that only some features need, and that is not installed."""


class Problem:
    """One thing that is wrong in a file: where, what was found and expected, and the nearest right word.

    ``line`` counts from 1; 0 stands for the file as a whole.
    """

    __slots__ = ("expected", "file", "found", "hint", "line", "where")

    def __init__(self, file: str, line: int, where: str, found: str, expected: str, hint: str = "") -> None:
        self.file, self.line, self.where = file, line, where
        self.found, self.expected, self.hint = found, expected, hint

    @property
    def words(self) -> str:
        """What is wrong, without the file and the line."""
        subject = f"{self.where}: " if self.where else ""
        if not self.found:  # what is wrong as a sentence of its own
            return f"{subject}{self.expected}{self.hint}"
        expected = f"; expected {self.expected}" if self.expected else ""
        return f"{subject}found {self.found}{expected}{self.hint}"

    def __str__(self) -> str:
        place = f"{self.file}:{self.line}" if self.line else self.file
        return f"{place}: {self.words}"

    def __repr__(self) -> str:
        return f"Problem({str(self)!r})"


MOST_PROBLEMS = 20
"""After this many problems a reader of takes stops looking for more."""
MOST_SHOWN = 50
"""So many problems of a file are shown; `FileError.problems` has those that were found."""


class FileError(MellowThumbError, ValueError):
    """A file that was refused; ``problems`` has the reasons, with their lines."""

    def __init__(self, problems: Sequence[Problem]) -> None:
        self.problems = tuple(sorted(problems, key=lambda problem: problem.line))
        shown = [str(problem) for problem in self.problems[:MOST_SHOWN]]
        if len(self.problems) > MOST_SHOWN:
            shown.append(f"... and {len(self.problems) - MOST_SHOWN:,} more")
        super().__init__("\n".join(shown))

    @classmethod
    def single(
        cls, file: str, line: int, found: str, expected: str, *, where: str = "", hint: str = ""
    ) -> Self:
        """The same error for a file with one problem."""
        return cls([Problem(file, line, where, found, expected, hint)])


class ProfileError(FileError):
    """A profile that was refused."""


class TakeError(FileError):
    """A take that was refused."""


class SheetError(FileError):
    """A player's sheet that was refused."""


class TrialError(FileError):
    """A trial that was refused."""


class OutputError(MellowThumbError, OSError):
    """A file that could not be written; whatever stood there before still does."""


class FormulaError(MellowThumbError, TypeError):
    """A formula that is not straight-line code, with file and line; raised where it is woven."""


def nearest(word: str, known: Iterable[str], *, alone: bool = False) -> str:
    """Return ``; did you mean ...?`` for the known word closest to `word`, or nothing.

    At most a third of its letters may differ. Where only one word is known, the message already names it:
    `alone` suggests it anyway.

    >>> nearest("mouse.mvoe", ["mouse.move", "mouse.left"])
    '; did you mean mouse.move?'
    >>> nearest("tide", ["mouse.move", "mouse.left"])
    ''
    """
    from difflib import get_close_matches

    known = list(known)
    if len(word) > 64 or not (alone or len(known) > 1) or len(known) > 1000:
        return ""
    written, folded = word.casefold(), {name.casefold(): name for name in known}
    near = {name: edits(written, name) for name in get_close_matches(written, folded, n=5, cutoff=0.5)}
    best = min(near, key=lambda name: near[name], default="")
    close = best and 3 * near[best] <= max(len(written), len(best))
    return f"; did you mean {folded[best]}?" if close else ""


def edits(one: str, other: str) -> int:
    """How many letters to change, add, leave out or swap with the next to get from one word to another.

    The optimal string alignment distance (Damerau, Communications of the ACM 7(3), 1964).

    >>> edits("ptich", "pitch"), edits("Up", "PageUp")
    (1, 4)
    """
    before, row = [0] * (len(other) + 1), list(range(len(other) + 1))
    for i, a in enumerate(one):
        earlier, before, row = before, row, [i + 1]
        for k, b in enumerate(other):
            row.append(min(before[k] + (a != b), before[k + 1] + 1, row[k] + 1))
            if i and k and a == other[k - 1] and one[i - 1] == b:
                row[k + 1] = min(row[k + 1], earlier[k - 1] + 1)
    return row[-1]


def listed(words: Iterable[str], joiner: str = "or") -> str:
    """Join words as in a sentence; an empty list is ``none``.

    >>> listed(["yaw", "pitch", "roll"])
    'yaw, pitch or roll'
    >>> listed([])
    'none'
    """
    *first, last = [*words] or ["none"]
    return f"{', '.join(first)} {joiner} {last}" if first else last

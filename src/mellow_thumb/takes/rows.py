"""Rows of takes as events: a row for each component becomes an event for each pair."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

if TYPE_CHECKING:
    import numpy as np

UNUSED, REFUSED = -1, -2
"""The codes of signals whose rows are passed over, and of those whose rows are refused."""


class Rows(NamedTuple):
    """Events in order of time, an array for each of an item's numbers."""

    t: np.ndarray
    code: np.ndarray
    x: np.ndarray
    y: np.ndarray


def none() -> Rows:
    """No events at all."""
    import numpy as np

    return Rows(np.empty(0), np.empty(0, np.int32), np.empty(0), np.empty(0))


class Names(NamedTuple):
    """What all rows of one name have in common, by the name's number."""

    names: list[str]
    code: np.ndarray
    part: np.ndarray
    """0 for a value that is no pair's, 1 for an ``.x``, 2 for a ``.y``."""
    follows: np.ndarray
    """For an ``.x`` the number of its ``.y``; -1 for every other."""
    low: np.ndarray
    high: np.ndarray
    other: np.ndarray
    """What stands for the component that a row does not have."""
    clips: np.ndarray
    least: float
    most: float
    """The range in which a value is in everyone's."""

    def take_all(self, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> bool:
        """Whether all rows, sorted by time, have a name, are used, finite and in every one's range."""
        inside = len(t) > 0 and self.least <= value.min() and value.max() <= self.most
        named = inside and number.max() < len(self.names) - 1
        return bool(named and t[0] > -1e300 and t[-1] < 1e300)

    def lone_pair(self, number: np.ndarray) -> int:
        """The code of the signal that all rows belong to, ``.x`` and ``.y`` in turn; -1 if they do not."""
        if len(number) < 2 or len(number) % 2:
            return -1
        x, y = number[0], number[1]
        alone = self.follows[x] == y and bool((number[0::2] == x).all()) and bool((number[1::2] == y).all())
        return int(self.code[x]) if alone else -1


def paired(known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> Rows | None:
    """The events of rows, sorted by time; None where one might have to be refused, clipped or passed over."""
    import numpy as np

    if not known.take_all(t, value, number):
        return None
    lone = known.lone_pair(number)
    if lone >= 0 and bool((t[0::2] == t[1::2]).all()):
        x, y = value[0::2].copy(), value[1::2].copy()
        return Rows(t[0::2].copy(), np.full(len(x), lone, np.int32), x, y)
    return joined(known, t, value, number)


def joined(
    known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray, begun: np.ndarray | None = None
) -> Rows:
    """The events of rows, sorted by time, that all go in; with what each press began on, where that counts.

    A ``.y`` row right after its own ``.x`` row, at the same time, is one event with it.
    """
    import numpy as np

    second = np.zeros(len(t), dtype=bool)
    second[1:] = (known.follows[number[:-1]] == number[1:]) & (t[1:] == t[:-1])
    first, pairs = np.flatnonzero(~second), np.flatnonzero(second)
    number = number[first]
    x, y = value[first], known.other[number]
    if begun is not None:
        y = np.where(known.part[number] == 0, begun[first], y)
    (alone,) = np.nonzero(known.part[number] == 2)
    if len(alone):
        y[alone], x[alone] = x[alone], known.other[number[alone]]
    y[pairs - 1 - np.arange(len(pairs))] = value[pairs]
    return Rows(t[first], known.code[number], x, y)

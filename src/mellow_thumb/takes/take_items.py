"""A take's rows as events: what a replay feeds, and what it refuses."""

from __future__ import annotations

from collections import Counter
from collections.abc import Callable
from typing import TYPE_CHECKING, NamedTuple

from ..plan import COMPONENTS, NAMELESS, find_signal
from ..session import NOT_FINITE, Readings, Unscaled, feels, is_known, outside, things, unlisted
from .rows import REFUSED, UNUSED, Names, Rows, joined, paired

if TYPE_CHECKING:
    from collections.abc import Iterator

    import numpy as np
    import pandas as pd

    from ..plan import Plan
    from ..weaving import Program

Refused = dict[str, dict[str, int]]
"""How often rows were refused, by signal and reason."""

FIRST, ROWS = 1 << 13, 1 << 17
"""How many rows are looked at together, first and from then on: so there is soon something to do, and what a
replay needs besides its take does not grow with it."""


def is_long(table: pd.DataFrame) -> bool:
    """Whether a table has more rows than are looked at together."""
    return len(table) > ROWS


class Counts(NamedTuple):
    """Counts of a take's rows that did not go in as they are."""

    refused: Refused
    clipped: dict[str, int]
    passed: dict[str, int]
    used: int
    """How many rows of devices did go in."""


Pairing = Callable[["Names", "np.ndarray", "np.ndarray", "np.ndarray"], "Rows | None"]
"""What makes events of rows, as :func:`paired` does."""


class TakeReader:
    """Makes events from takes' rows, and counts what it refuses and clips."""

    def __init__(self, plan: Plan, program: Program) -> None:
        self._things = things(plan)
        self._readings = Readings(program.codes, self._refuse_one) if feels(program.codes) else None
        self._unscaled = Unscaled(plan, program.codes, self._refuse_one)
        self._codes, self._signals = program.codes, program.heard
        self.refused: Counter[tuple[str, str]] = Counter()
        """How often rows were refused, by name and reason."""
        self.clipped: Counter[str] = Counter()
        """How often a held value outside its range was clipped to it, by name."""
        self.passed: Counter[str] = Counter()
        """How many rows of devices were passed over, since the profile does not use their signal, by name."""
        self._rows = 0
        """How many rows of devices there were."""

    @property
    def counts(self) -> Counts:
        """The counts for a replay's ``attrs``."""
        refused: Refused = {}
        for (name, reason), count in sorted(self.refused.items()):
            refused.setdefault(name, {})[reason] = count
        clipped, passed = (dict(sorted(counted.items())) for counted in (self.clipped, self.passed))
        refused_here = sum(n for (name, _), n in self.refused.items() if not name.startswith("host."))
        used = self._rows - self.passed.total() - refused_here
        return Counts(refused, clipped, passed, used)

    def read(self, table: pd.DataFrame, pairing: Pairing = paired) -> Iterator[Rows]:
        """The rows of a take's table as events, some at a time; by time, ties in row order.

        A ``.y`` row right after its own ``.x`` row, at the same time, is one event with it, which is what
        `pairing` does. Times before 0 count as 0.
        """
        import numpy as np

        t, value = (table[name].to_numpy(dtype=float) for name in ("t", "value"))
        rises = bool((t[1:] >= t[:-1]).all())
        if len(t) and not (t[0] if rises else t.min()) >= 0.0:
            t = np.where((t < 0.0) & np.isfinite(t), 0.0, t)
        number, names = numbered(table["signal"])
        known = self._look_up(names)
        self._count(known, number)
        begun = self._begun(table)
        order = None if rises else np.argsort(t, kind="stable")
        parts = self._readings.parts if self._readings else {}
        readings = self._readings if any(code in parts for code in known.code.tolist()) else None
        begin, many = 0, min(FIRST, ROWS)
        while begin < len(t):
            end = min(begin + many, len(t))
            many = ROWS
            rows: slice | np.ndarray
            if order is None:
                end = int(np.searchsorted(t, t[end - 1], side="right")) if end < len(t) else end
                rows = slice(begin, max(end, begin + 1))
            else:
                while end < len(t) and not t[order[end]] > t[order[end - 1]]:
                    end += 1
                rows = order[begin:end]
            columns = t[rows], value[rows], number[rows]
            events = pairing(known, *columns) if begun is None else None
            if events is None:
                events = self._events(known, *columns, begun[rows] if begun is not None else None)
            if self._unscaled.waits:
                self._unscaled.look(list(zip(*(one.tolist() for one in events), strict=True)))
            yield self._whole(events, readings) if readings else events
            begin = max(end, begin + 1)

    def _count(self, known: Names, number: np.ndarray) -> None:
        """Count the rows of devices, and those of signals that the profile does not use."""
        import numpy as np

        self._rows += len(number)
        hosts = [k for k, name in enumerate(known.names) if name.startswith("host.")]
        if not hosts and bool((known.code[:-1] >= 0).all()):  # the last is that of missing words
            return
        rows = np.bincount(number, minlength=len(known.names)).tolist()
        self._rows -= sum(rows[k] for k in hosts)
        for k, name in enumerate(known.names):
            if rows[k] and known.code[k] == UNUSED and k not in hosts:
                self.passed[name] += rows[k]

    def _refuse_one(self, signal: str, reason: str) -> None:
        self.refused[signal, reason] += 1

    @staticmethod
    def _whole(events: Rows, readings: Readings) -> Rows:
        """The same without incomplete readings of a device in the hand."""
        import numpy as np

        if not np.isin(events.code, [*readings.parts]).any():
            return events
        items = readings.expand(list(zip(*(one.tolist() for one in events), strict=True)))
        t, code, x, y = zip(*items, strict=True) if items else ((), (), (), ())
        return Rows(np.array(t, float), np.array(code, np.int32), np.array(x, float), np.array(y, float))

    def _look_up(self, names: list[str]) -> Names:
        """What each name means to the program; the last stands for missing ones."""
        import numpy as np

        places = [*map(self._place, names[:-1]), (REFUSED, 0)]
        signals = [find_signal(name).signal if is_known(name) else None for name in names]
        kinds = [(s.low, s.high, s.clips, s.held) if s else (0.0, 0.0, False, False) for s in signals]
        low, high, clips, held = np.array(kinds, dtype=float).reshape(-1, 4).T
        code, part = np.array(places, dtype=np.int32).reshape(-1, 2).T.copy()
        all_listed = bool((code[:-1] >= 0).all())  # the last is that of missing words
        least, most = (low[:-1].max(), high[:-1].min()) if all_listed and len(names) > 1 else (1.0, -1.0)
        ends = {place: k for k, place in enumerate(places) if place[1] == 2}
        follows = np.array([ends.get((at, 2), -1) if of == 1 else -1 for at, of in places], dtype=np.int32)
        other = np.where((held != 0.0) & (part != 0), np.nan, 0.0)
        limits = np.ascontiguousarray(low), np.ascontiguousarray(high)
        return Names(names, code, part, follows, *limits, other, clips != 0.0, float(least), float(most))

    def _begun(self, table: pd.DataFrame) -> np.ndarray | None:
        """The number of the thing each press began on; 0 for things the plan does not ask about."""
        import numpy as np

        if "on" not in table.columns or not self._things:
            return None
        number, names = numbered(table["on"])
        stands: np.ndarray = np.array([self._things.get(name, 0.0) for name in names])[number]
        return stands

    def _events(
        self, known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray, begun: np.ndarray | None
    ) -> Rows:
        """The events of rows of which some may be refused, clipped or passed over; those are counted."""
        import numpy as np

        inside = (value >= known.low[number]) & (value <= known.high[number])
        if not (inside & np.isfinite(t) & (known.code[number] >= 0)).all():
            value, good = self._refuse(known, t, value, number, inside)
            t, value, number = t[good], value[good], number[good]
            begun = begun[good] if begun is not None else None
        return joined(known, t, value, number, begun)

    def _refuse(
        self, known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray, inside: np.ndarray
    ) -> tuple[np.ndarray, np.ndarray]:
        """Count refused and clipped rows; returns the values to use, and which rows are good."""
        import numpy as np

        code, clips = known.code[number], known.clips[number]
        finite = np.isfinite(t) & np.isfinite(value)
        heard = code >= 0
        for place, rows in enumerate(np.bincount(number, minlength=len(known.names)).tolist()):
            if rows and known.code[place] == REFUSED:
                name = known.names[place]
                self.refused[name, unlisted(name, self._codes)] += rows
        for place in number[heard & ~finite].tolist():
            self.refused[known.names[place], NOT_FINITE] += 1
        for place in number[heard & finite & ~inside & ~clips].tolist():
            self.refused[known.names[place], outside(known.low[place], known.high[place])] += 1
        drawn = np.bincount(number[finite & clips & ~inside & heard], minlength=len(known.names))
        for place in np.flatnonzero(drawn).tolist():
            self.clipped[known.names[place]] += int(drawn[place])
        value = np.clip(value, known.low[number], known.high[number])
        return value, finite & (inside | clips) & heard

    def _place(self, address: str) -> tuple[int, int]:
        """The code of an address and its part of a pair: 0 none, 1 x, 2 y.

        A take has rows for components, never for a pair.
        """
        stem, _, last = address.rpartition(".")
        if stem in self._codes and last in COMPONENTS and self._signals[stem].pair:
            return self._codes[stem], 1 + COMPONENTS.index(last)
        if address in self._codes and not self._signals[address].pair:
            return self._codes[address], 0
        return (REFUSED if unlisted(address, self._codes) else UNUSED), 0


def named(column: pd.Series) -> list[str]:
    """The words that a column may have."""
    import pandas as pd

    words = column.cat.categories if isinstance(column.dtype, pd.CategoricalDtype) else column.unique()
    return [*map(str, words.tolist())]


def numbered(column: pd.Series) -> tuple[np.ndarray, list[str]]:
    """A column of words as numbers, and the words; the last stands for missing ones."""
    import numpy as np
    import pandas as pd

    if isinstance(column.dtype, pd.CategoricalDtype):
        number, names = column.array.codes, column.array.categories
    else:
        number, names = pd.factorize(column)
    if len(number) and number.min() < 0:
        number = np.where(number < 0, len(names), number)
    return number, [*(str(name) or NAMELESS for name in names.tolist()), NAMELESS]

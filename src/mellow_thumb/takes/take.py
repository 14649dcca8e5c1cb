"""A take: a recording of signals over time, as a table."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed
from ..plan import NAMELESS

if TYPE_CHECKING:
    import pandas as pd

COLUMNS = ("t", "signal", "value")
"""What every take has: seconds from its beginning, the signal's address, the value."""

OPTIONAL = ("device", "on")
"""What a take may have besides: which device it came from, what the event began on."""


@dataclass(frozen=True)
class Take:
    """A recording: one row an event, or two rows of one `t` (``.x``, then ``.y``) for a pair.

    The table's columns are `COLUMNS`, then any of `OPTIONAL`.
    """

    table: pd.DataFrame
    about: dict[str, str] = field(default_factory=dict)
    """What the file says about itself: title, device and the like."""
    notes: tuple[str, ...] = ()
    """What a reader should know of how it was read."""
    file: str = ""
    """What it was read from."""
    line: int = 0
    """Where its first row stands there; 0: rows have no lines of their own."""

    def __post_init__(self) -> None:
        missing = [name for name in COLUMNS if name not in self.table.columns]
        if missing:
            raise ArgumentError(f"found no column {listed(missing)}; expected {listed(COLUMNS, 'and')}")
        wrong = [name for name in ("t", "value") if self.table[name].dtype.kind not in "fiub"]
        if wrong and len(self.table):
            kind = self.table[wrong[0]].dtype
            raise ArgumentError(f"found a column {wrong[0]} of {kind}; expected one of numbers")

    def __len__(self) -> int:
        return len(self.table)

    def first(self, signal: str) -> str:
        """Where a signal, or one of its components, first occurs: file and line, as far as known."""
        names = self.table["signal"]
        there = names.isin([signal, f"{signal}.x", f"{signal}.y"])
        if signal == NAMELESS:
            there = names.isna() | names.isin([""])
        rows = there.to_numpy().nonzero()[0]
        return f"{self.file}:{self.line + int(rows[0])}" if self.line and len(rows) else self.file


def parts_of(signal: str, value: float | tuple[float, float]) -> list[tuple[str, float]]:
    """The rows of one event, each a name and its value: one, or two for a pair."""
    if isinstance(value, tuple):
        return [(f"{signal}.{part}", one) for part, one in zip("xy", value, strict=True)]
    return [(signal, value)]

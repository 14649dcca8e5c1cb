"""A take's rows as items: what a replay feeds, and what of it is refused."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .intake import is_known, things, unlisted
from .signals import COMPONENTS, find_signal

if TYPE_CHECKING:
    from collections.abc import Iterator

    import numpy as np
    import pandas as pd

    from .plan import Plan
    from .program import Item, Program
    from .take import Take

Refused = dict[str, dict[str, int]]
"""How often rows were refused, by signal and reason."""


def items_of(plan: Plan, program: Program, take: Take) -> tuple[list[Item], Refused, dict[str, int]]:
    """A take's rows as items, by time, ties in the order of the rows; what was refused, what was drawn in.

    A ``.y`` row right after its own ``.x`` row, at the same time, is one event with it. Times before 0
    count as 0.
    """
    import numpy as np
    import pandas as pd

    number, names = pd.factorize(take.table["signal"])
    places = np.array([_place(program, str(name)) for name in names], dtype=np.int64).reshape(-1, 2)
    t = take.table["t"].to_numpy(dtype=float)
    value = take.table["value"].to_numpy(dtype=float)
    code, part = places[number, 0], places[number, 1]
    low, high, clips, held = _kinds(names, number)
    finite = np.isfinite(t) & np.isfinite(value)
    drawn = clips & ((value < low) | (value > high))
    inside = (value >= low) & (value <= high) | clips
    value = np.clip(value, low, high)
    known = np.array([is_known(str(name)) for name in names], dtype=bool)[number]
    reasons = {"not finite": known & ~finite, "out of range": known & finite & ~inside}
    refused = _count(names, number, reasons)
    rows = np.bincount(number[number >= 0], minlength=len(names)).tolist()
    for name, count in zip(map(str, names), rows, strict=True):
        reason = "" if _place(program, name)[0] >= 0 else unlisted(name, program.codes)
        if reason:
            refused[name] = {reason: count}
    clipped = _count(names, number, {"drawn in": known & finite & drawn & (code >= 0)})
    begun = _begun(plan, take)
    keep = np.flatnonzero(finite & inside & (code >= 0))
    keep = keep[np.argsort(np.maximum(t[keep], 0.0), kind="stable")]
    t, value, code, part = np.maximum(t[keep], 0.0), value[keep], code[keep], part[keep]
    second = np.zeros(len(t), dtype=bool)
    second[1:] = (part[1:] == 2) & (part[:-1] == 1) & (code[1:] == code[:-1]) & (t[1:] == t[:-1])
    first = np.flatnonzero(~second)
    follows = np.append(second, False)[first + 1]
    other = np.where(held[keep][first], np.nan, 0.0)
    x = np.where(part[first] == 2, other, value[first])
    y = np.where(part[first] == 2, value[first], np.where(part[first] == 0, begun[keep][first], other))
    y[follows] = value[first[follows] + 1]
    items = list(zip(t[first].tolist(), code[first].tolist(), x.tolist(), y.tolist(), strict=True))
    return items, refused, {name: counts["drawn in"] for name, counts in clipped.items()}


def _begun(plan: Plan, take: Take) -> np.ndarray:
    """What stands, row by row, for what a press began on; 0 for what the plan does not ask."""
    import numpy as np
    import pandas as pd

    if "on" not in take.table.columns:
        return np.zeros(len(take.table))
    numbers, names = pd.factorize(take.table["on"])
    stands = things(plan)
    values = np.array([*(stands.get(str(name), 0.0) for name in names), 0.0])
    return values[numbers]


def _place(program: Program, address: str) -> tuple[int, int]:
    """The code of an address and which part of a pair it is: 0 none, 1 x, 2 y; (-1, 0) where not used.

    A pair has no rows of its own in a take, only its components do.
    """
    stem, _, last = address.rpartition(".")
    if stem in program.codes and last in COMPONENTS and find_signal(stem).signal.pair:
        return program.codes[stem], 1 + COMPONENTS.index(last)
    single = address in program.codes and not find_signal(address).signal.pair
    return (program.codes[address] if single else -1), 0


def _kinds(names: pd.Index, number: np.ndarray) -> Iterator[np.ndarray]:
    """For each row: the least and greatest value, whether others are drawn in, whether it is held."""
    import numpy as np

    signals = [find_signal(str(name)).signal if is_known(str(name)) else None for name in names]
    kinds = [(s.low, s.high, s.clips, s.held) if s else (0.0, 0.0, False, False) for s in signals]
    low, high, clips, held = np.array(kinds, dtype=float).reshape(-1, 4)[number].T
    return iter((low, high, clips != 0.0, held != 0.0))


def _count(names: pd.Index, number: np.ndarray, reasons: dict[str, np.ndarray]) -> Refused:
    import numpy as np

    counts: Refused = {}
    for reason, rows in reasons.items():
        per_name = np.bincount(number[rows], minlength=len(names))
        for k in np.flatnonzero(per_name).tolist():
            counts.setdefault(str(names[k]), {})[reason] = int(per_name[k])
    return counts

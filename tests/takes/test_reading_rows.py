"""A take's rows become events: the same in C as in Python, and as one row after another says."""

from __future__ import annotations

from math import inf, isfinite, isnan, nan

import numpy as np
import pandas as pd
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from benchmarks.workload import PROFILE
from mellow_thumb.engines import load
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.takes import take_items
from mellow_thumb.takes.loops import Compiled
from mellow_thumb.takes.rows import Names, Rows, paired
from mellow_thumb.takes.take_items import TakeReader
from mellow_thumb.weaving.program import weave_plan

from ..helpers.compiling import needs_compiler, quickly

PLAN = mt.load_profile(PROFILE)
PROGRAM = weave_plan(PLAN)
USED, KEY = ("mouse.move", "mouse.wheel", "pad.right_stick"), "key.KeyW"
NAMES = [*(f"{name}.{part}" for name in USED for part in "xy"), KEY, "key.F12", "mouse.mvoe.x", "host.clear"]
"""Pairs and a key that the profile uses, a key that it does not, one that is none, and a host's word."""

Line = tuple[float, str | None, float]

lines = st.lists(
    st.tuples(
        st.sampled_from([0.0, 0.0, 0.0, 0.01, 0.5, nan, inf, -1.0]),
        st.sampled_from([*NAMES, None, *NAMES[: 2 * len(USED)], *NAMES[:2]]),
        st.sampled_from([0.0, 1.0, -0.5, 0.25, 3.0, nan, -inf]) | st.floats(-1.0, 1.0),
    ),
    max_size=30,
)
"""Rows, each with how long after the row before it it came; some lack their name."""


def table_of(rows: list[Line]) -> pd.DataFrame:
    """The rows as a take's table, in order of time but for times that are none."""
    now, found = 0.0, []
    for wait, name, value in rows:
        t = now + wait
        now = max(now, t) if isfinite(t) else now
        found.append((t, name, value))
    table = pd.DataFrame(found, columns=["t", "signal", "value"])
    return table.astype({"t": float, "signal": "category", "value": float})


def one_by_one(table: pd.DataFrame) -> list[tuple[float, str, float, float]]:
    """The definition: what each row does to the list of events."""
    rows = [(max(t, 0.0) if t == t else t, name, value) for t, name, value in table.itertuples(index=False)]
    rows.sort(key=lambda row: (isnan(row[0]), row[0]))
    found: list[tuple[float, str, float, float]] = []
    before = ""
    for t, name, value in rows:
        if not isinstance(name, str):
            continue
        stem, _, part = name.rpartition(".")
        pair = stem in USED
        address = stem if pair else name
        if address not in PROGRAM.codes or not isfinite(t) or not isfinite(value):
            continue
        signal = find_signal(address).signal
        if not signal.clips and not signal.low <= value <= signal.high:
            continue
        value, other = min(max(value, signal.low), signal.high), nan if pair and signal.held else 0.0
        if pair and part == "y" and before == f"{stem}.x" and found[-1][0] == t:
            found[-1] = (*found[-1][:3], value)
        elif part == "y" and pair:
            found.append((t, address, other, value))
        else:
            found.append((t, address, value, other))
        before = name
    return found


def read(table: pd.DataFrame, pairing: take_items.Pairing) -> tuple[list[tuple[float, ...]], object]:
    """The events of a table, and what was refused and clipped."""
    reader = TakeReader(PLAN, PROGRAM)
    events = [np.column_stack(part) for part in reader.read(table, pairing)]
    return [tuple(row) for row in np.vstack([np.empty((0, 4)), *events]).tolist()], reader.counts


def compiled() -> Compiled:
    """The profile's program, ready to run a take."""
    with quickly():
        return Compiled(load(PROGRAM), PROGRAM)


@given(lines)
def test_rows_become_events_one_after_another(rows: list[Line]) -> None:
    table = table_of(rows)
    found, _ = read(table, paired)
    wanted = [(t, float(PROGRAM.codes[name]), x, y) for t, name, x, y in one_by_one(table)]
    assert repr(found) == repr(wanted)  # no number is equal to none


@needs_compiler
@settings(max_examples=300)
@given(lines, st.integers(1, 40))
def test_c_makes_the_same_events_and_counts(rows: list[Line], at_once: int) -> None:
    table = table_of(rows)
    loop = compiled()
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(take_items, "ROWS", at_once)
        found, counts = read(table, loop.paired)
    wanted, as_counted = read(table, paired)
    assert repr(found) == repr(wanted)
    assert counts == as_counted


@needs_compiler
def test_c_leaves_what_is_odd_to_python() -> None:
    loop = compiled()
    seen: list[Rows | None] = []

    def seeing(known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> Rows | None:
        seen.append(loop.paired(known, t, value, number))
        return seen[-1]

    good: list[Line] = [
        (0.0, "mouse.move.x", 3.0),
        (0.0, "mouse.move.y", 4.0),
        (0.5, "key.F12", 1.0),
        (0.0, KEY, 1.0),
    ]
    odds: list[Line] = [(0.0, "mouse.mvoe.x", 1.0), (0.0, KEY, 3.0), (0.0, KEY, nan), (inf, KEY, 1.0)]
    for odd in (*odds, (0.0, None, 1.0)):
        read(table_of([*good, odd]), seeing)
        assert seen.pop() is None
    read(table_of(good), seeing)
    assert seen[0]
    assert [len(one) for one in seen[0]] == [2] * 4

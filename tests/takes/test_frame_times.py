"""When frames end, and the rows that they go to."""

from __future__ import annotations

from itertools import count, takewhile

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.takes import replay_table
from mellow_thumb.takes.frame_times import grid
from mellow_thumb.takes.replay_table import rows_for

rates = st.one_of(st.sampled_from([24.0, 59.94, 60.0, 90.0, 144.0, 1e3 / 7]), st.floats(0.5, 300.0))


@given(st.integers(0, 200), rates, st.one_of(st.integers(1, 300), st.floats(0.01, 3.0)))
def test_frames_end_at_every_step_of_the_rate_before_the_last_and_there(
    done: int, rate: float, end: float
) -> None:
    end = end / rate if isinstance(end, int) else end  # on the grid, or nearly, or anywhere
    inner = takewhile(lambda t: t < end, (k / rate for k in count(done + 1)))
    assert grid(done, rate, end).tolist() == [*inner, end]


@pytest.mark.parametrize("largest", [1, 100, 1000, replay_table.LARGEST])
def test_rows_are_made_a_few_at_once_and_a_replay_is_the_same(
    largest: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    profile, take = mt.load_profile(marsh.CHART), mt.read_take(marsh.CHART_TAKE)
    wanted = mt.replay(profile, take, until=2.0, compiled=False)
    monkeypatch.setattr(replay_table, "LARGEST", largest)
    rows = rows_for("abc", 5)
    assert [*rows] == ["a", "b", "c"]
    assert all(np.asarray(row.base).nbytes <= max(largest, 40) for row in rows.values())
    assert all(row.shape == (5,) for row in rows.values())
    rows["b"][:] = 1.0
    assert not np.shares_memory(rows["a"], rows["b"])
    found = mt.replay(profile, take, until=2.0, compiled=False)
    assert found.equals(wanted)


@pytest.mark.parametrize("at_once", [1, 2, 7, replay_table.AT_ONCE])
def test_a_step_is_how_far_the_character_went_since_the_frame_before(
    at_once: int, monkeypatch: pytest.MonkeyPatch
) -> None:
    profile, take = mt.load_profile(marsh.FOLLOWING), mt.read_take(marsh.FOLLOWING_TAKE)
    monkeypatch.setattr(replay_table, "AT_ONCE", at_once)
    table = mt.replay(profile, take, until=3.0, compiled=False)
    arrays = mt.replay_arrays(profile, take, until=3.0, compiled=False)
    for part in "xyz":
        moved = arrays[f"moved_{part}"]
        assert np.array_equal(table[f"step_{part}"], np.diff(moved, prepend=0.0))
    assert table["step_x"].any()
    early = take.table["t"] < 1.5
    pieces = [mt.Take(take.table[rows], take.about) for rows in (early, ~early)]
    several = mt.replay_pieces(profile, pieces, until=3.0)
    together = pd.concat([*several], ignore_index=True)
    assert np.array_equal(together["step_x"], table["step_x"])

"""Sweeps: the numbers of feel for every combination, wherever they were measured, and however often begun."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Any

import pandas as pd
import pytest
from distributed import Client

import mellow_thumb as mt

MARSH = Path(mt.__file__).parent / "marsh"
PROFILE = mt.load_profile(MARSH / "field_glasses.toml")
TAKE = mt.Take(mt.read_take(MARSH / "field_glasses.csv").table[:400])
SETTINGS: dict[str, list[Any]] = {
    "routes.glasses.sensitivity": ["0.03 deg/count", "0.06 deg/count"],
    "routes.glasses.smoothing.half_life": ["10 ms", "40 ms"],
}
CLUSTER: dict[str, Any] = {
    "processes": True, "n_workers": 2, "threads_per_worker": 1, "dashboard_address": None,
    "host": "127.0.0.1",
}  # fmt: skip
"""A Dask cluster of two processes, which speak over this machine's own loopback."""


@pytest.fixture(scope="module")
def whole() -> pd.DataFrame:
    return mt.sweep(PROFILE, SETTINGS, [TAKE], workers=1)


def test_a_sweep_is_feel_for_every_combination(whole: pd.DataFrame, tmp_path: Path) -> None:
    text = Path(PROFILE.file).read_text(encoding="utf-8")
    assert list(whole.columns) == [*SETTINGS, "take", "subject", "measure", "value", "unit"]
    points = whole[list(SETTINGS)].drop_duplicates().itertuples(index=False, name=None)
    assert list(points) == [
        (a, b) for a in SETTINGS["routes.glasses.sensitivity"] for b in ("10 ms", "40 ms")
    ]
    path = tmp_path / "marsh.toml"
    path.write_text(text, encoding="utf-8")
    part = mt.sweep(mt.load_profile(path), {"title": ["a"]}, [TAKE], workers=1)
    felt = mt.feel(mt.load_profile(path), TAKE)
    assert list(part["value"]) == pytest.approx(list(felt[felt.columns[1]]), rel=0, abs=0, nan_ok=True)
    assert list(zip(part["subject"], part["measure"], part["unit"], strict=True)) == [
        (*one, unit) for one, unit in zip(felt.index, felt["unit"], strict=True)
    ]


def test_processes_and_a_cluster_come_to_the_same_bits(whole: pd.DataFrame) -> None:
    pd.testing.assert_frame_equal(mt.sweep(PROFILE, SETTINGS, [TAKE], workers=2), whole, check_exact=True)
    with Client(**CLUSTER) as client:  # type: ignore[no-untyped-call]
        there = mt.sweep(PROFILE, SETTINGS, [TAKE], client=client)
    pd.testing.assert_frame_equal(there, whole, check_exact=True)


def test_an_interrupted_sweep_goes_on_where_it_was(whole: pd.DataFrame, tmp_path: Path) -> None:
    store, seen = tmp_path / "sweep.sqlite", []

    def stop(done: float) -> None:
        seen.append(done)
        if len(seen) == 3:
            raise KeyboardInterrupt

    with pytest.raises(KeyboardInterrupt):
        mt.sweep(PROFILE, SETTINGS, [TAKE], workers=1, store=store, progress=stop)
    table = mt.sweep(PROFILE, SETTINGS, [TAKE], workers=1, store=store, progress=seen.append)
    assert seen == [0.25, 0.5, 0.75, 1.0]
    pd.testing.assert_frame_equal(table, whole, check_exact=True)
    again = mt.sweep(PROFILE, SETTINGS, [TAKE], workers=1, store=store, progress=seen.append)
    assert len(seen) == 4
    pd.testing.assert_frame_equal(again, whole, check_exact=True)
    other = mt.Take(TAKE.table[:200])
    mt.sweep(PROFILE, {"title": ["b"]}, [other], workers=1, store=store, progress=seen.append)
    assert seen[4:] == [1.0]


WRONG = [
    ({"routes.glases.sensitivity": ["1 deg/count"]}, "did you mean routes.glasses.sensitivity?"),
    ({"routes.glasses.sensitivity": ["1 deg/cuont"]}, "with routes.glasses.sensitivity = '1 deg/cuont': .*did you mean deg/count"),
    ({"routes.glasses.sensitivty": ["1 deg/count"]}, "unknown key"),
    ({"routes.glasses.sensitivity": "1 deg/count"}, "expected a list of values"),
    ({"title": []}, "expected a list of values"),
    ({"title": ["x"] * 500, "routes.glasses.sensitivity": ["x"] * 500}, "250,000 combinations"),
    ({"title.x.y": [1]}, "expected a key of the profile"),
]  # fmt: skip


@pytest.mark.parametrize(("settings", "said"), WRONG)
def test_settings_that_make_no_profile_are_told_before_anything_runs(
    settings: dict[str, Any], said: str
) -> None:
    with pytest.raises(mt.ArgumentError, match=said):
        mt.sweep(PROFILE, settings, workers=1, progress=lambda _: pytest.fail("it ran"))


def test_a_file_that_is_no_store_is_left_as_it_is(tmp_path: Path) -> None:
    store = tmp_path / "notes.txt"
    store.write_text("notes of the marsh, longer than a header of a hundred bytes " * 4, encoding="utf-8")
    before = store.read_bytes()
    with pytest.raises(mt.OutputError, match=r"notes\.txt: cannot be used as a store"):
        mt.sweep(PROFILE, SETTINGS, store=store, workers=1)
    assert store.read_bytes() == before


def test_a_store_that_holds_something_else_is_told(tmp_path: Path) -> None:
    for k, text in enumerate(
        ("create table done (bird text)", "create table done (key text primary key, rows text)")
    ):
        store = tmp_path / f"{k}.sqlite"
        with closing(sqlite3.connect(store)) as other, other:
            other.execute(text)
            if "rows" in text:
                mt.sweep(PROFILE, {"title": ["a"]}, store=tmp_path / "ours.sqlite", workers=1)
                with closing(sqlite3.connect(tmp_path / "ours.sqlite")) as ours:
                    ((key,),) = ours.execute("select key from done").fetchall()
                other.execute("insert into done values (?, 'birds')", (key,))
        with pytest.raises(mt.OutputError, match="cannot be used as a store"):
            mt.sweep(PROFILE, {"title": ["a"]}, store=store, workers=1)

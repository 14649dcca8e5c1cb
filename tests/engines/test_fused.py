"""Whole takes: compiled or not, at once or in pieces, what comes out is the same."""

from __future__ import annotations

import json
import os
import subprocess
import sys
from dataclasses import replace as changed
from itertools import pairwise
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines import cache_folder, fused
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.takes import take_items
from mellow_thumb.takes.loops import Interpreted, runner_for
from mellow_thumb.takes.replay_table import outputs
from mellow_thumb.takes.take_items import TakeReader
from mellow_thumb.weaving.languages.fused_text import fuse
from mellow_thumb.weaving.program import weave_plan

from ..helpers.strategies import EVERYTHING, Event, events, plans, take_of


def uncompiled(text: str) -> Any:
    """The function of a fused module, run as plain Python."""
    space: dict[str, Any] = {"njit": lambda *_, **__: lambda function: function}
    exec(text.replace("from numba import njit", "").replace("njit(error", "njit(None, error"), space)
    return space["run"]


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.integers(1, 40), st.sampled_from([24, 60, 144]))
def test_the_fused_text_says_what_the_woven_text_says(
    plan: Plan, happened: list[Event], rows: int, rate: int
) -> None:
    program = weave_plan(plan)
    fused_text = fuse(program)
    run = uncompiled(fused_text.text.replace("{cache}", "False"))
    ends = np.arange(1, rate + 1) / rate
    take = take_of(happened)
    whole = np.empty((len(outputs(program)), rate))
    hosts = np.full((len(program.hosts), rate), np.nan)
    Interpreted(program).run(
        next(iter(TakeReader(plan, program).read(take.table)), take_items.none()),
        ends,
        hosts,
        0,
        whole,
        last=True,
    )
    state, numbers = np.array(fused_text.start), np.array(fused_text.numbers)
    found, frame = np.empty_like(whole), 0
    with pytest.MonkeyPatch.context() as patch, np.errstate(all="ignore"):
        patch.setattr(take_items, "ROWS", rows)
        for part in TakeReader(plan, program).read(take.table):
            frame = run(state, numbers, *part, ends, hosts, frame, False, found)
        assert run(state, numbers, *take_items.none(), ends, hosts, frame, True, found) == rate
    np.testing.assert_array_equal(found, whole)


def scenes() -> list[Any]:
    """Every scene; compiling takes minutes for all but the smallest."""
    return [
        pytest.param(*scene, id=scene[0].stem, marks=[] if scene[0] == marsh.PROFILE else pytest.mark.long)
        for scene in marsh.SCENES
    ]


@pytest.mark.parametrize(("profile", "take"), scenes())
def test_compiled_is_interpreted_to_the_bit(profile: Path, take: Path) -> None:
    plan, recorded = mt.load_profile(profile), mt.read_take(take)
    plain, quick = (mt.replay(plan, recorded, compiled=compiled) for compiled in (False, True))
    pd.testing.assert_frame_equal(quick, plain, check_exact=True)
    assert quick.attrs == plain.attrs


def test_plans_that_differ_in_numbers_share_what_was_compiled(glasses: mt.Profile) -> None:
    other = changed(glasses, routes=tuple(changed(route, gains=(0.123, 0.234)) for route in glasses.routes))
    first, second = (fuse(weave_plan(plan)) for plan in (glasses, other))
    assert first.text == second.text
    assert first.numbers != second.numbers


@settings(max_examples=40)
@given(
    plans(makers=EVERYTHING),
    events(),
    st.lists(st.integers(0, 60), max_size=4),
    st.sampled_from([24.0, 60.0]),
    st.none() | st.floats(0.05, 2.0),
)
def test_pieces_are_the_whole(
    plan: Plan, happened: list[Event], cuts: list[int], rate: float, until: float | None
) -> None:
    take = take_of(sorted(happened, key=lambda event: event[2]))
    times = take.table["t"].to_numpy()
    places = sorted({0, len(take), *(min(cut, len(take)) for cut in cuts)})
    places = [k for k in places if k in (0, len(take)) or times[k] > times[k - 1]]
    pieces = [mt.Take(take.table.iloc[a:b]) for a, b in pairwise(places)] or [take]
    whole = mt.replay(plan, take, rate=rate, until=until, compiled=False)
    tables = list(mt.replay_pieces(plan, pieces, rate=rate, until=until, compiled=False))
    joined = pd.concat([table.astype({"cues": "str", "mount": "str"}) for table in tables], ignore_index=True)
    pd.testing.assert_frame_equal(joined, whole.astype({"cues": "str", "mount": "str"}), check_exact=True)
    if until is None:
        assert tables[-1].attrs == whole.attrs


def test_pieces_come_in_order(glasses: mt.Profile, sweep: mt.Take) -> None:
    late, early = mt.Take(sweep.table.iloc[500:]), mt.Take(sweep.table.iloc[:500])
    with pytest.raises(mt.ArgumentError, match=r"pieces: found an event at .* s after one at .* s"):
        list(mt.replay_pieces(glasses, [late, early], compiled=False))


def test_many_takes_are_each_take(glasses: mt.Profile, sweep: mt.Take) -> None:
    half = mt.Take(sweep.table.iloc[: len(sweep) // 2])
    for compiled in (False, True):
        tables = mt.replay(glasses, [sweep, half], compiled=compiled, threads=2)
        for take, table in zip([sweep, half], tables, strict=True):
            pd.testing.assert_frame_equal(table, mt.replay(glasses, take), check_exact=True)
    with pytest.raises(mt.ArgumentError, match="threads"):
        mt.replay(glasses, [sweep], threads=0)


def test_arrays_hold_what_the_table_holds(glasses: mt.Profile, sweep: mt.Take) -> None:
    table, arrays = mt.replay(glasses, sweep), mt.replay_arrays(glasses, sweep)
    for name in ("t", "yaw", "yaw_total", "gate_glassing", "camera_qw"):
        np.testing.assert_array_equal(arrays[name], table[name].to_numpy(dtype=float))
    assert arrays["field_of_view"].shape == arrays["t"].shape
    assert [one["yaw"][-1] for one in mt.replay_arrays(glasses, [sweep])] == [arrays["yaw"][-1]]


# ---- what is kept on disk


@pytest.fixture
def folder(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    folder = tmp_path / "kept"
    monkeypatch.setenv(cache_folder.VARIABLE, str(folder))
    monkeypatch.setattr(fused, "_loaded", {})
    return folder


AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"))
SMALL = Plan((Route("look", find_signal("mouse.move.x"), ("yaw",), (0.1,)),), (), AXES, Eye("eye"))


ROOT = Path(__file__).parents[2]


def in_another_process(folder: Path) -> dict[str, Any]:
    """Compile in a fresh interpreter; whether it came from the folder, and where the yaw ended."""
    script = (
        "import json, sys, warnings, mellow_thumb as mt\n"
        "from mellow_thumb.engines import fused; from mellow_thumb.weaving import weave_plan\n"
        "from tests.engines.test_fused import SMALL as plan\n"
        f"take = mt.read_take({str(marsh.TAKE)!r})\n"
        "with warnings.catch_warnings(record=True) as said:\n"
        "    warnings.simplefilter('always')\n"
        "    run = fused.load(weave_plan(plan)).run\n"
        "yaw = mt.replay(plan, take, compiled=True)['yaw'].iloc[-1]\n"
        "print(json.dumps({'kept': sum(run.stats.cache_hits.values()), 'yaw': yaw, "
        "'said': [str(one.message) for one in said]}))"
    )
    words = [sys.executable, "-c", script]
    env = {**os.environ, cache_folder.VARIABLE: str(folder)}
    done = subprocess.run(words, capture_output=True, text=True, check=True, env=env, cwd=ROOT)
    found: dict[str, Any] = json.loads(done.stdout)
    return found


@pytest.mark.long
def test_what_was_compiled_is_kept_and_checked_before_it_is_loaded(folder: Path) -> None:
    fresh = in_another_process(folder)
    assert fresh["kept"] == 0
    assert not fresh["said"]
    assert folder.stat().st_mode & 0o077 == 0
    assert in_another_process(folder) == fresh | {"kept": 1}
    (made,) = (folder / "__pycache__").glob("*.nbc")
    whole = made.read_bytes()
    for damaged in (whole[: len(whole) // 2], bytes(len(whole))):
        made.write_bytes(damaged)
        assert in_another_process(folder) == fresh
        assert made.read_bytes() != damaged
    (seal,) = folder.glob("*.json")
    for words in ("[]", "{}", "not json", "[" * 100_000):
        seal.write_text(words)
        assert not cache_folder.is_kept(folder, seal.stem)
    assert in_another_process(folder) == fresh


@pytest.mark.skipif(not hasattr(os, "getuid"), reason="files have no owners here")
def test_a_folder_that_is_not_ours_alone_is_not_used(
    folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    folder.mkdir()
    folder.chmod(0o777)
    with pytest.warns(RuntimeWarning, match=r"others can write to it \(mode 0777\).*MELLOW_THUMB_CACHE"):
        assert fused.load(weave_plan(SMALL)).run.__name__ == "run"
    assert not list(folder.iterdir())
    link = tmp_path / "link"
    folder.chmod(0o700)
    link.symlink_to(folder)
    (tmp_path / "open").mkdir()
    (tmp_path / "open").chmod(0o777)
    for wanted, reason in ((link, "symbolic link"), (tmp_path / "open" / "ours", "others can write to")):
        monkeypatch.setenv(cache_folder.VARIABLE, str(wanted))
        with pytest.warns(RuntimeWarning, match=reason):
            assert cache_folder.private_folder() is None
    monkeypatch.setenv(cache_folder.VARIABLE, str(marsh.TAKE / "below"))
    with pytest.warns(RuntimeWarning, match="cannot be made"):
        assert cache_folder.private_folder() is None
    monkeypatch.setenv(cache_folder.VARIABLE, "")
    assert cache_folder.private_folder() is None


def test_the_folder_does_not_grow_for_ever(folder: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(cache_folder, "MOST", 3)
    found = cache_folder.private_folder()
    assert found == folder
    for age, name in enumerate([f"woven_{k}" for k in range(6)]):
        assert cache_folder.prepare(folder, name, f"# {name}")
        (folder / f"{name}.json").touch()
        os.utime(folder / f"{name}.json", (age, age))
        cache_folder.seal(folder, name)
    assert sorted(path.stem for path in folder.glob("*.py")) == ["woven_3", "woven_4", "woven_5"]


def test_much_is_compiled_and_little_is_not(folder: Path) -> None:
    program = weave_plan(SMALL)
    assert isinstance(runner_for(program, 1000, compiled=None), Interpreted)
    assert isinstance(runner_for(program, 1_000_000, compiled=None), Interpreted)
    assert not isinstance(runner_for(program, 10_000_000, compiled=None), Interpreted)
    assert list(folder.glob("*.json"))
    assert not isinstance(runner_for(program, 1_000_000, compiled=None), Interpreted)
    fused._loaded.clear()
    assert not isinstance(runner_for(program, 1_000_000, compiled=None), Interpreted)


def test_without_numba_it_says_what_to_install(monkeypatch: pytest.MonkeyPatch, sweep: mt.Take) -> None:
    monkeypatch.setattr(fused, "find_spec", lambda _: None)
    with pytest.raises(mt.MissingError, match=r"pip install 'mellow-thumb\[fast\]'"):
        mt.replay(SMALL, sweep, compiled=True)
    assert len(mt.replay(SMALL, sweep, compiled=None)) == 600

"""Whole takes: compiled or not, at once or in pieces, what comes out is the same."""

from __future__ import annotations

import os
import re
import shutil
import subprocess
from array import array
from collections.abc import Mapping
from dataclasses import replace as changed
from itertools import chain, pairwise
from math import inf, nextafter
from pathlib import Path
from random import Random

import numpy as np
import pandas as pd
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines import PythonLoop, cache_folder, compiler, library, load
from mellow_thumb.engines.library import EngineError, Library, can_compile
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps.exponential import Exponential
from mellow_thumb.takes import take_items
from mellow_thumb.takes.loops import Compiled, Interpreted, runner_for, told_of
from mellow_thumb.takes.replay_table import outputs
from mellow_thumb.takes.rows import Names, Rows, none, paired
from mellow_thumb.takes.take_items import TakeReader
from mellow_thumb.weaving.languages import engine_text, room_start
from mellow_thumb.weaving.program import weave_plan

from ..helpers.compiling import needs_compiler, quickly
from ..helpers.strategies import EVERYTHING, Event, events, plans, take_of

QUICKEST = (marsh.CHART, marsh.FOLLOWING, marsh.FINGERS)
"""Scenes that are enough for every day: several mounts, a walk, fingers."""


@needs_compiler
@settings(max_examples=20)
@given(plans(makers=EVERYTHING), events(), st.integers(1, 40), st.sampled_from([24, 60, 144]))
def test_the_library_says_what_the_woven_text_says(
    plan: Plan, happened: list[Event], rows: int, rate: int
) -> None:
    program, take = weave_plan(plan), take_of(happened)
    ends, hosts = np.arange(1, rate + 1) / rate, np.full((len(program.hosts), rate), np.nan)
    with quickly():
        loops = Interpreted(program), Compiled(load(program), program)
    whole, found = (np.empty((len(outputs(program)), rate)) for _ in loops)
    parts = next(iter(TakeReader(plan, program).read(take.table)), none())
    loops[0].run(parts, ends, hosts, 0, whole, last=True)
    frame = 0
    with pytest.MonkeyPatch.context() as patch:
        patch.setattr(take_items, "ROWS", rows)
        for part in TakeReader(plan, program).read(take.table, loops[1].paired):
            frame = loops[1].run(part, ends, hosts, frame, found, last=False)
        assert loops[1].run(none(), ends, hosts, frame, found, last=True) == rate
    assert found.tobytes() == whole.tobytes()


@needs_compiler
@settings(max_examples=30)
@given(events(), st.integers(1, 40))
def test_a_long_take_is_read_while_it_runs_and_nothing_is_lost(happened: list[Event], rows: int) -> None:
    profile, odd = mt.load_profile(marsh.PROFILE), ("mouse.mvoe.x", "mouse.move.x", "mouse.right")
    take = take_of(happened)
    strange = pd.DataFrame({"t": [0.1, 0.2, 0.3], "signal": odd, "value": [1.0, np.inf, 7.0]})
    table = pd.concat([take.table.astype({"signal": "str"}), strange]).astype({"signal": "category"})
    wanted = mt.replay(profile, mt.Take(table), until=2.0, compiled=False)
    with quickly(), pytest.MonkeyPatch.context() as patch:
        patch.setattr(take_items, "ROWS", rows)
        found = mt.replay(profile, mt.Take(table), until=2.0, compiled=True)
    pd.testing.assert_frame_equal(found, wanted, check_exact=True)
    assert found.attrs == wanted.attrs


@needs_compiler
@pytest.mark.parametrize("words", ["gcc", "clang"])
@pytest.mark.parametrize(("profile", "take"), marsh.SCENES, ids=[one.stem for one, _ in marsh.SCENES])
def test_compiled_is_interpreted_to_the_bit(
    profile: Path, take: Path, words: str, monkeypatch: pytest.MonkeyPatch
) -> None:
    if not shutil.which(words):
        pytest.skip(f"no {words} here")
    monkeypatch.setenv(compiler.VARIABLE, words)
    plan, recorded = mt.load_profile(profile), mt.read_take(take)
    plain, quick = (mt.replay_arrays(plan, recorded, compiled=compiled) for compiled in (False, True))
    assert {name: one.tobytes() for name, one in quick.items()} == {
        k: one.tobytes() for k, one in plain.items()
    }
    one, two = (mt.replay(plan, recorded, compiled=compiled) for compiled in (False, True))
    pd.testing.assert_frame_equal(two, one, check_exact=True)
    assert two.attrs == one.attrs


SCENES = [
    pytest.param(scene, take, id=scene.stem, marks=[] if scene in QUICKEST else pytest.mark.long)
    for scene, take in marsh.SCENES
]


def sanitized(folder: Path, text: str, main: Path, places: Mapping[str, int]) -> Path:
    """A program that runs a library's text, and ends where that reads or writes what is not its own."""
    words = main.read_text(encoding="utf-8")
    for name, place in places.items():
        words = words.replace(f"@{name}@", str(place))
    (folder / "woven.c").write_text(text, encoding="ascii")
    (folder / "main.c").write_text(words, encoding="ascii")
    found = compiler.find_compiler()
    assert found
    flags = ["-std=c99", "-Wall", "-Wextra", "-Wpedantic", "-Werror", "-O1", "-ffp-contract=off",
             "-fsanitize=address,undefined", "-fno-sanitize-recover"]  # fmt: skip
    subprocess.run([*found.words, *flags, "-o", "program", "main.c", "-lm"], cwd=folder, check=True)
    return folder / "program"


@needs_compiler
@pytest.mark.usefixtures("compiling")
@pytest.mark.parametrize(("scene", "_"), SCENES)
def test_no_library_reads_or_writes_beside_its_room(tmp_path: Path, scene: Path, _: Path) -> None:
    program = weave_plan(mt.load_profile(scene))
    text, loop = engine_text(program), PythonLoop(program, program.start)
    layout, dice = text.layout, Random(3)
    places = {
        name: getattr(layout, name.lower()) for name in ("SIZE", "HOSTS", "OUT", "RIG", "STATE", "FRAME")
    }
    room = sanitized(tmp_path, text.text, Path("tests/data/room.c.in"), places)
    data, wanted = array("d", [*loop.hosts, *room_start(layout, program)]), array("d")
    for k in range(90):
        begin, end = k / 30, (k + 1) / 30
        happened = sorted(
            (
                dice.uniform(begin, end),
                dice.randrange(program.frame),
                dice.uniform(-2.0, 2.0),
                dice.uniform(-2.0, 2.0),
            )
            for _ in range(dice.randrange(5))
        )
        data.extend((begin, end, len(happened), *chain(*happened)))
        values = loop.send([*happened, (end, program.frame, 0.0, 0.0)])
        place, turned, *lens = loop.view(values, end)
        wanted.extend((*values, *place, *turned, *lens, *loop.rig))
        if k % 7 == 0:
            loop.send([])
    done = subprocess.run([room], input=data.tobytes(), capture_output=True, check=True)
    assert (done.stderr, done.stdout) == (b"", wanted.tobytes())


@needs_compiler
@pytest.mark.usefixtures("compiling")
@pytest.mark.parametrize(("scene", "recorded"), SCENES)
def test_no_library_reads_or_writes_beside_a_take(tmp_path: Path, scene: Path, recorded: Path) -> None:
    plan, rows = mt.load_profile(scene), mt.read_take(recorded).table
    program, told = weave_plan(plan), []
    layout, text = engine_text(program).layout, engine_text(program).text
    devices = [not name.startswith("host.") for name in rows["signal"]]
    rows = rows.loc[devices, ["t", "signal", "value"]].head(take_items.FIRST)
    ends = np.arange(1, int(60 * rows["t"].max()) + 9) / 60
    hosts = np.full((len(program.hosts), len(ends)), np.nan)

    def telling(known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> Rows | None:
        told.append((t, value, number.astype(np.int32), told_of(known)))
        return paired(known, t, value, number)

    (events,) = TakeReader(plan, program).read(rows, telling)
    wanted = np.empty((len(outputs(program)), len(ends)))
    Interpreted(program).run(events, ends, hosts, 0, wanted, last=True)
    room = np.zeros(layout.frame)
    room[layout.rig :] = room_start(layout, program)
    ((t, value, number, names),) = told
    counts = np.array([len(t), len(names), len(ends), len(wanted)])
    given = (counts, room, t, value, number, names, ends, hosts, np.arange(len(wanted)))
    places = {"FRAME": layout.frame, "HOST_COUNT": len(program.hosts)}
    take = sanitized(tmp_path, text, Path("tests/data/take.c.in"), places)
    data = b"".join(one.tobytes() for one in given)
    leaks = {**os.environ, "ASAN_OPTIONS": "detect_leaks=0"}  # its memory is freed with it
    done = subprocess.run([take], input=data, capture_output=True, check=True, env=leaks)
    assert (done.stderr, done.stdout) == (b"", wanted.tobytes())


def test_plans_that_differ_in_numbers_share_what_was_compiled(glasses: mt.Profile) -> None:
    other = changed(glasses, routes=tuple(changed(route, gains=(0.123, 0.234)) for route in glasses.routes))
    first, second = (weave_plan(plan) for plan in (glasses, other))
    assert first.text == second.text
    assert engine_text(first).text == engine_text(second).text
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


@needs_compiler
@pytest.mark.usefixtures("compiling")
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
    monkeypatch.delenv(compiler.VARIABLE)
    forget(monkeypatch)
    return folder


def forget(monkeypatch: pytest.MonkeyPatch) -> None:
    """Load nothing that was loaded, as another process would."""
    monkeypatch.setattr(library, "_libraries", {})
    monkeypatch.setattr(library, "_engines", {})


AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"))
SMALL = Plan((Route("look", find_signal("mouse.move.x"), ("yaw",), (0.1,)),), (), AXES, Eye("eye"))


def counted(monkeypatch: pytest.MonkeyPatch) -> list[Path]:
    """What is compiled from now on, one for each time."""
    made: list[Path] = []

    class Counted(compiler.Compiling):
        def __init__(self, words: compiler.Compiler, source: Path, target: Path) -> None:
            made.append(target)
            super().__init__(words, source, target)

    monkeypatch.setattr(library, "Compiling", Counted)
    return made


def again(monkeypatch: pytest.MonkeyPatch) -> Library:
    """The library, as a process finds it that has loaded nothing yet."""
    forget(monkeypatch)
    return load(weave_plan(SMALL)).library


@needs_compiler
def test_what_was_compiled_is_kept_and_checked_before_it_is_loaded(
    folder: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    made = counted(monkeypatch)
    again(monkeypatch)
    assert len(made) == 1
    assert folder.stat().st_mode & 0o077 == 0
    again(monkeypatch)
    assert len(made) == 1
    (kept,) = folder.glob(f"*{cache_folder.SUFFIX}")
    whole = kept.read_bytes()
    middle = len(whole) // 2
    one_byte = bytearray(whole)
    one_byte[middle] ^= 1
    for k, damaged in enumerate((whole[:middle], bytes(len(whole)), bytes(one_byte)), 2):
        # a library that is loaded must not be written to: it takes the place of the file
        (folder / "other").write_bytes(damaged)
        (folder / "other").replace(kept)
        again(monkeypatch)
        assert len(made) == k
        assert kept.read_bytes() != damaged
    (seal,) = folder.glob("woven_*.json")
    for k, words in enumerate(("[]", "{}", "not json", "[" * 100_000), 5):
        seal.write_text(words)
        assert cache_folder.find(folder, seal.stem) is None
        again(monkeypatch)
        assert len(made) == k
    kept.rename(folder / "elsewhere")
    kept.symlink_to(folder / "elsewhere")
    assert cache_folder.find(folder, seal.stem) is None
    assert not list(folder.glob(".work-*"))


@pytest.mark.skipif(not hasattr(os, "getuid"), reason="files have no owners here")
@needs_compiler
def test_a_folder_that_is_not_ours_alone_is_not_used(
    folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    folder.mkdir()
    folder.chmod(0o777)
    with pytest.warns(RuntimeWarning, match=r"others can write to it \(mode 0777\).*MELLOW_THUMB_CACHE"):
        assert load(weave_plan(SMALL))
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
        made = folder / "made"
        made.write_bytes(name.encode())
        kept = cache_folder.keep(folder, name, made)
        assert cache_folder.find(folder, name) == kept
        os.utime(folder / f"{name}.json", (age, age))
    assert sorted(path.stem for path in folder.glob(f"*{cache_folder.SUFFIX}")) == [
        "woven_3",
        "woven_4",
        "woven_5",
    ]


# ---- what goes wrong


def a_compiler(folder: Path, words: str) -> str:
    """A compiler that does what these words of a shell say; its arguments end in NAME -lm."""
    script = folder / "own-cc"
    script.write_text(f"#!/bin/sh\n{words}\n")
    script.chmod(0o700)
    return str(script)


BROKEN = {
    "fails": ("echo 'woven.c:1: no such luck' >&2; exit 3", r"it ended with 3: woven\.c:1: no such luck"),
    "is killed": ("kill -9 $$", "it ended with -9"),
    "makes nothing": ("exit 0", "No such file"),
    "makes no library": (
        "for one; do last=$before; before=$one; done; echo nonsense >$last",
        "cannot be loaded",
    ),
}


@pytest.mark.skipif(os.name == "nt", reason="no shell here")
@pytest.mark.parametrize("what", BROKEN)
def test_a_compiler_that_fails_leaves_it_in_python(
    folder: Path,
    tmp_path: Path,
    monkeypatch: pytest.MonkeyPatch,
    caplog: pytest.LogCaptureFixture,
    sweep: mt.Take,
    what: str,
) -> None:
    words, said = BROKEN[what]
    monkeypatch.setenv(compiler.VARIABLE, a_compiler(tmp_path, words))
    for _ in range(2):  # it is tried once, and told once
        table = mt.replay(SMALL, sweep, compiled=True)
    (told,) = caplog.messages
    assert re.search(f"not compiled, it goes on in Python: .*{said}", told)
    pd.testing.assert_frame_equal(table, mt.replay(SMALL, sweep, compiled=False), check_exact=True)
    assert not list(folder.glob(".work-*"))


@pytest.mark.usefixtures("folder")
@pytest.mark.skipif(os.name == "nt", reason="no shell here")
def test_a_compiler_that_hangs_is_ended(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr(compiler, "LONGEST", 0.2)
    monkeypatch.setenv(compiler.VARIABLE, a_compiler(tmp_path, f"echo $$ >{tmp_path}/own; exec sleep 600"))
    with pytest.raises(EngineError, match=r"longer than 0\.2 s"):
        load(weave_plan(SMALL))
    with pytest.raises(ProcessLookupError):
        os.kill(int((tmp_path / "own").read_text()), 0)


@pytest.mark.usefixtures("folder")
@needs_compiler
def test_a_full_disk_leaves_it_in_python(
    monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture, sweep: mt.Take
) -> None:
    def full(*_: object) -> None:
        raise OSError(28, "No space left on device")

    monkeypatch.setattr(cache_folder, "keep", full)
    assert len(mt.replay(SMALL, sweep, compiled=True)) == 600
    assert "No space left" in caplog.text


@pytest.mark.usefixtures("folder")
@needs_compiler
def test_other_mathematics_are_refused(monkeypatch: pytest.MonkeyPatch) -> None:
    plan = Plan(
        (Route("look", find_signal("mouse.move.x"), ("yaw",), (0.1,), smoothing=Exponential(0.1)),),
        (),
        AXES,
        Eye("eye"),
    )
    whole = library._examples

    def another(name: str, part: int) -> tuple[array[float], array[float], array[float]]:
        x, y, wanted = whole(name, part)
        if name == "exp" and part == 3:
            wanted = wanted[:]
            wanted[70] = nextafter(wanted[70], inf)
        return x, y, wanted

    monkeypatch.setattr(library, "_examples", another)
    with pytest.raises(EngineError, match=r"its exp\(\) gives other results than Python's"):
        load(weave_plan(plan))


# ---- when


@needs_compiler
def test_much_is_compiled_and_little_is_not(folder: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    program = weave_plan(SMALL)
    assert isinstance(runner_for(program, 1000, compiled=None), Interpreted)
    assert isinstance(runner_for(program, 100_000, compiled=None), Interpreted)
    assert isinstance(runner_for(program, 1_000_000, compiled=None), Compiled)
    assert list(folder.glob("woven_*.json"))
    assert isinstance(runner_for(program, 100_000, compiled=None), Compiled)
    forget(monkeypatch)
    assert isinstance(runner_for(program, 100_000, compiled=None), Compiled)
    monkeypatch.setattr(library, "is_asked", lambda: False)
    assert not can_compile()


@needs_compiler
@pytest.mark.skipif(os.name == "nt", reason="no shell here")
def test_a_compiler_may_be_a_command_or_come_with_a_package(
    folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch
) -> None:
    real = compiler.find_compiler()
    assert real
    monkeypatch.setenv(compiler.VARIABLE, f"env -u NOTHING {real.words[0]}")
    assert load(weave_plan(SMALL))
    monkeypatch.delenv(compiler.VARIABLE)
    (tmp_path / "ziglang").mkdir()
    (tmp_path / "ziglang" / "__init__.py").touch()
    brought = tmp_path / "ziglang" / "zig"
    brought.write_text(f'#!/bin/sh\nshift\nPATH={os.environ["PATH"]!r} exec {real.words[0]} "$@"\n')
    brought.chmod(0o700)
    monkeypatch.syspath_prepend(tmp_path)
    monkeypatch.setenv("PATH", str(tmp_path / "nothing"))
    found = compiler.find_compiler()
    assert found
    assert found.words == (str(brought), "cc")
    assert load(weave_plan(SMALL))
    assert len(list(folder.glob("woven_*.json"))) == 2


@pytest.mark.usefixtures("folder")
def test_without_a_compiler_it_says_what_to_install(monkeypatch: pytest.MonkeyPatch, sweep: mt.Take) -> None:
    monkeypatch.setattr(compiler, "find_spec", lambda _: None)
    compiler._found.cache_clear()
    for wanted, path, said in (
        (None, "", r"no C compiler was found: install gcc or clang, or pip install 'mellow-thumb\[zig\]'"),
        ("no-such-cc", os.environ["PATH"], "MELLOW_THUMB_CC names no-such-cc, which is not there"),
        ("'no such", os.environ["PATH"], "MELLOW_THUMB_CC names 'no such, which is not there"),
        ("off", os.environ["PATH"], "MELLOW_THUMB_CC is off"),
    ):
        monkeypatch.setenv("PATH", path)
        if wanted:
            monkeypatch.setenv(compiler.VARIABLE, wanted)
        with pytest.raises(mt.MissingError, match=said):
            mt.replay(SMALL, sweep, compiled=True)
        assert len(mt.replay(SMALL, sweep, compiled=None)) == 600
    compiler._found.cache_clear()

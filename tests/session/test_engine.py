"""What runs a session: it begins in Python and goes over to C once that is there, and nothing else is different."""

from __future__ import annotations

import gc
import os
import pickle
import re
import shutil
import stat
import subprocess
import sys
from collections.abc import Callable, Iterator
from dataclasses import replace
from pathlib import Path
from typing import Any
from weakref import WeakValueDictionary

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.engines import PATIENCE, beside, cache_folder, coming, compiler, library, load
from mellow_thumb.plan import Condition
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.steps import Exponential

from ..engines.test_library import a_compiler, counted, forget
from ..helpers.compiling import needs_compiler, quickly
from ..helpers.strategies import EVERYTHING, Event, events, feed, plans

pytestmark = pytest.mark.skipif(os.name == "nt", reason="compilers are scripts of a shell here")

Seen = tuple[Any, ...]


@pytest.fixture
def folder(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> Path:
    """An empty cache, a process that has compiled nothing yet, and no patience at all."""
    monkeypatch.setenv(cache_folder.VARIABLE, str(tmp_path / "kept"))
    monkeypatch.delenv(compiler.VARIABLE)
    monkeypatch.setattr(coming, "_coming", WeakValueDictionary())
    monkeypatch.setattr("mellow_thumb.session.running.PATIENCE", 0.0)
    forget(monkeypatch)
    return tmp_path / "kept"


def seen(session: mt.Session, frame: mt.Frame, subject: Any = None) -> Seen:
    """All that a host can read after a frame."""
    view = session.view(subject)
    return (
        dict(frame.axes), frame.gates, frame.cues, frame.mount, frame.device, frame.movement.step,
        frame.movement.velocity, view, view.field_of_view, view.extent, session.settled,
    )  # fmt: skip


def until(session: mt.Session, happened: Callable[[], object], most: int = 3_000_000) -> None:
    """Tick without time passing until something has happened."""
    for _ in range(most):
        if happened():
            return
        session.tick(0.0)
    raise AssertionError("it never happened")


# ---- to the bit


@needs_compiler
@settings(max_examples=20)
@given(
    plans(makers=EVERYTHING),
    events(),
    st.lists(st.floats(1e-3, 0.2), min_size=4, max_size=12),
    st.integers(0, 4),
    st.tuples(st.floats(-9.0, 9.0), st.floats(-1.0, 1.0)),
)
def test_a_session_that_goes_over_in_any_frame_is_the_same_to_the_bit(
    plan: Plan, happened: list[Event], frames: list[float], at: int, moved: tuple[float, float]
) -> None:
    one, two, three = (mt.Session(plan) for _ in range(3))
    for event in happened:
        for session in (one, two):
            feed(session, event)
    for number, dt in enumerate(frames):
        if number == at:
            with quickly():
                two._running.go_over(load(two._running.program))
            assert (one.engine, two.engine) == ("Python", "C")
        subject = (moved[0] * number, moved[1], 0.0)
        assert seen(one, one.tick(dt), subject) == seen(two, two.tick(dt), subject)
        # a snapshot of either goes on in the other
        three.restore((one if number % 2 else two).snapshot())
    assert one.state() == two.state() == three.state()
    assert seen(one, one.tick(0.05)) == seen(three, three.tick(0.05))


HANDS = [
    *(("mouse.move", (2.0, -1.0)), ("mouse.wheel", (0.0, 1.0)), ("pad.left_stick", (0.5, 0.25)), ("key.KeyW", 1)),
    *(("mouse.left", 1), ("mouse.left", 0), ("host.focus", 0), ("host.focus", 1)),
]  # fmt: skip


@needs_compiler
@settings(max_examples=100)
@given(
    st.sampled_from([marsh.PROFILE, marsh.CHART, marsh.FOLLOWING]),
    st.lists(st.lists(st.sampled_from(HANDS), max_size=2), min_size=4, max_size=40),
    st.sampled_from([0.25, 1 / 48, 1 / 64, 1 / 240]),
)
def test_going_back_to_each_frame_changes_no_bit_whatever_comes_as_it_ends(
    profile: Path, happened: list[list[tuple[str, Any]]], dt: float
) -> None:
    with quickly():
        ways = [mt.load_profile(profile).session(compiled=way) for way in (False, False, True, True)]
    away = [("mouse.wheel", (0.0, 2.0)), ("host.focus", 0)]
    for hands in [away, *happened]:
        # without a time: at the very end of the frame before
        for session in ways:
            for signal, value in hands:
                session.feed(signal, value)
        read = [repr(seen(session, session.tick(dt), (1.0, 0.0, 2.0))) for session in ways]
        assert len(set(read)) == 1
        for session in ways[1::2]:
            session.restore(session.snapshot())


def test_what_nobody_hears_changes_no_bit() -> None:
    one, two = (mt.load_profile(marsh.CHART).session(compiled=False) for _ in range(2))
    for session in (one, two):
        session.feed("mouse.wheel", (0.0, 3.0), at=0.0078125)
        session.feed("host.focus", 0, at=0.0078125)
        session.tick(1 / 48)
    for _ in range(20):
        two.feed("mouse.move", (3.0, 1.0))
        assert seen(one, one.tick(1 / 48)) == seen(two, two.tick(1 / 48))
    assert one.state()["loop"] == two.state()["loop"]


@pytest.mark.long
@pytest.mark.skipif(shutil.which("clang") is None, reason="no clang here")
@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.lists(st.floats(1e-3, 0.2), min_size=4, max_size=12))
def test_clang_says_the_same_to_the_bit_optimized(
    plan: Plan, happened: list[Event], frames: list[float]
) -> None:
    one, two = mt.Session(plan), mt.Session(plan)
    with pytest.MonkeyPatch.context() as patch:
        patch.setenv(compiler.VARIABLE, "clang")
        two._running.go_over(load(two._running.program))
    for event in happened:
        feed(one, event)
        feed(two, event)
    for dt in frames:
        assert seen(one, one.tick(dt)) == seen(two, two.tick(dt))
    assert one.state() == two.state()


@needs_compiler
def test_more_events_than_one_call_takes(glasses: mt.Profile) -> None:
    one, two = glasses.session(), glasses.session()
    with quickly():
        two._running.go_over(load(two._running.program))
    for count in (1, 255, 256, 257, 511, 512, 513, 2000):
        for session in (one, two):
            start = session.now
            session.feed_many(
                "mouse.move",
                [(k % 7 - 3.0, 1.0) for k in range(count)],
                [start + k / 9000 for k in range(count)],
            )
        assert seen(one, one.tick(0.25)) == seen(two, two.tick(0.25))


# ---- on its way


@needs_compiler
def test_it_begins_in_python_and_goes_over(folder: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("mellow_thumb.session.running.PATIENCE", PATIENCE)
    profile = mt.load_profile(marsh.DYKE)
    session, plain = profile.session(), profile.session(compiled=False)
    for k in range(int(PATIENCE * 60)):
        session.feed("pad.right_stick", (0.5, 0.1 * (k % 5)), at=k / 60)
        plain.feed("pad.right_stick", (0.5, 0.1 * (k % 5)), at=k / 60)
        assert seen(session, session.tick(1 / 60)) == seen(plain, plain.tick(1 / 60))
    assert not list(folder.glob("*"))
    session.tick(0.2)
    plain.tick(0.2)
    until(session, lambda: session.engine == "C")
    assert plain.engine == "Python"
    assert seen(session, session.tick(1 / 60)) == seen(plain, plain.tick(1 / 60))
    # another one takes the same library at once, and so does another process, from the folder
    made = counted(monkeypatch)
    assert profile.session().engine == "C"
    forget(monkeypatch)
    assert profile.session().engine == "C"
    assert not made
    assert folder.stat().st_mode & 0o077 == 0
    assert all(stat.S_ISREG(one.lstat().st_mode) for one in folder.iterdir())


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_sessions_of_one_profile_wait_for_the_same(glasses: mt.Profile) -> None:
    several = [glasses.session() for _ in range(5)]
    assert len({id(one._running.coming) for one in several}) == 1
    until(several[0], lambda: several[0].engine == "C")
    for one in several[1:]:
        one.tick(0.0)
        assert one.engine == "C"
    assert several[0]._running.loop.library is several[1]._running.loop.library  # type: ignore[attr-defined]


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_what_brings_another_program_begins_in_python_again(glasses: mt.Profile) -> None:
    session, plain = glasses.session(compiled=True), glasses.session(compiled=False)
    assert (session.engine, plain.engine) == ("C", "Python")
    for one in (session, plain):
        one.feed("mouse.move", (40.0, 3.0))
        one.tick(0.1)
        one.set_axis("yaw", 30.0)
    assert session.engine == "Python"
    assert seen(session, session.tick(0.1)) == seen(plain, plain.tick(0.1))
    until(session, lambda: session.engine == "C")
    assert seen(session, session.tick(0.1)) == seen(plain, plain.tick(0.1))


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_new_numbers_go_on_in_c_in_the_same_frame(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    first = numbered(glasses, 1)
    session, plain = first.session(compiled=True), first.session(compiled=False)
    monkeypatch.setattr(coming, "_worker", None)
    for k in range(2, 5):
        for one in (session, plain):
            one.feed("mouse.move", (40.0, 3.0))
            one.tick(0.1)
            one.switch(numbered(glasses, k))
        assert session.engine == "C"
        assert seen(session, session.tick(0.1)) == seen(plain, plain.tick(0.1))
    assert abs(session.tick(0.5).axes["pitch"]) <= 0.25


def numbered(profile: mt.Profile, k: int) -> mt.Profile:
    """A profile of one shape with other numbers for each k; the limits of its pitch are nearer each time."""
    routes = tuple(
        replace(route, gains=tuple(k * gain for gain in route.gains), smoothing=Exponential(0.1 * k))
        for route in profile.routes
    )
    axes = (
        replace(axis, low=-1.0 / k, high=0.75 / k) if axis.name == "pitch" else axis for axis in profile.axes
    )
    return replace(profile, routes=routes, axes=tuple(axes))


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_true_waits_for_it_and_false_never_asks(monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile) -> None:
    assert glasses.session(compiled=True).engine == "C"
    assert glasses.session(compiled=False).engine == "Python"
    monkeypatch.setenv(compiler.VARIABLE, "off")
    session = glasses.session()
    assert (session.engine, session._running.coming) == ("Python", None)
    with pytest.raises(mt.MissingError, match="MELLOW_THUMB_CC is off; unset it to compile"):
        glasses.session(compiled=True)


def test_what_compiled_cannot_be_is_refused(glasses: mt.Profile, sweep: mt.Take) -> None:
    wrong: Any = "off"
    calls: list[Callable[[], object]] = [
        lambda: glasses.session(compiled=wrong),
        lambda: mt.replay(glasses, sweep, compiled=wrong),
        lambda: mt.feel(glasses, compiled=wrong),
        lambda: mt.compare(glasses, glasses, sweep, compiled=wrong),
        lambda: mt.sweep(glasses, {}, compiled=wrong),
    ]
    for call in calls:
        with pytest.raises(mt.ArgumentError, match="compiled: found 'off'; expected None, True or False"):
            call()


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_without_the_extra_nothing_is_compiled_unasked(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    monkeypatch.setattr(library, "is_asked", lambda: False)
    session = glasses.session()
    session.tick(0.2)
    assert (session.engine, session._running.coming) == ("Python", None)
    assert glasses.session(compiled=True).engine == "C"


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_who_tries_many_programs_starts_one_compiler_at_a_time(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    begun, ended = [], []

    def works(plan: Plan, _: object) -> Iterator[None]:
        begun.append(plan)
        try:
            for _ in range(5):
                yield
        finally:
            ended.append(plan)

    monkeypatch.setattr(coming, "_worker", works)
    monkeypatch.setattr("mellow_thumb.session.running.may_weave_ahead", lambda: False)
    session, other = glasses.session(), glasses.session()
    route = glasses.routes[0]
    for k in range(40):
        scales = ((Condition("glassing"), 1.0 + k / 40),) * (k + 1)  # so many factors are another program
        session.switch(replace(glasses, routes=(replace(route, scales=scales), *glasses.routes[1:])))
        for _ in range(k % 3):
            session.tick(0.01)
            assert len(begun) - len(ended) <= 1
    assert len(begun) >= 10
    assert len(coming._coming) == 2
    assert other._running.coming
    assert len(ended) >= len(begun) - 1


@needs_compiler
@pytest.mark.usefixtures("folder")
def test_a_session_that_is_dropped_keeps_no_other_from_its_compiler(glasses: mt.Profile) -> None:
    session = mt.load_profile(marsh.CHART).session()
    until(session, lambda: coming._at_work)
    until(session, lambda: [one for one in beside._at_work if one.returncode is None])
    del session
    gc.collect()
    assert not coming._at_work
    other = glasses.session()
    until(other, lambda: other.engine == "C")


# ---- what goes wrong


def plain_and_told(
    session: mt.Session, profile: mt.Profile, caplog: pytest.LogCaptureFixture, said: str
) -> None:
    """It goes on in Python, to the bit, and that is told once."""
    plain = profile.session(compiled=False)
    session.feed("mouse.move", (12.0, 3.0))
    until(session, lambda: session._running.coming is None)
    plain.feed("mouse.move", (12.0, 3.0))
    plain.tick(session.now)
    for _ in range(3):
        assert seen(session, session.tick(0.1)) == seen(plain, plain.tick(0.1))
    assert session.engine == "Python"
    assert profile.session().engine == "Python"
    (told,) = [one for one in caplog.messages if "not compiled" in one]
    assert re.search(said, told), told


BROKEN = {
    "fails": ("echo 'no such luck' >&2; exit 3", r"own-cc: it ended with 3: no such luck"),
    "is killed half-way": ("kill -9 $$", r"it ended with -9"),
    "kills who waits for it": ("kill -9 $PPID", r"the process beside it ended with -9"),
    "makes nonsense": (
        "for one; do last=$before; before=$one; done; echo nonsense >$last",
        "cannot be loaded",
    ),
}


@pytest.mark.parametrize("what", BROKEN)
def test_a_compiler_that_fails_leaves_a_session_in_python(
    folder: Path, tmp_path: Path, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture,
    glasses: mt.Profile, what: str,
) -> None:  # fmt: skip
    words, said = BROKEN[what]
    monkeypatch.setenv(compiler.VARIABLE, a_compiler(tmp_path, words))
    plain_and_told(glasses.session(), glasses, caplog, said)
    assert not list(folder.glob("woven_*.json"))


@needs_compiler
def test_a_folder_that_others_may_write_to_leaves_it_in_python(
    folder: Path, caplog: pytest.LogCaptureFixture, glasses: mt.Profile
) -> None:
    folder.mkdir()
    folder.chmod(0o777)
    with pytest.warns(RuntimeWarning, match="others can write to it"):
        session = glasses.session()
    plain_and_told(
        session,
        glasses,
        caplog,
        r"no folder to keep it in: pip install 'mellow-thumb\[fast\]', or name one .* MELLOW_THUMB_CACHE",
    )
    folder.chmod(0o700)
    assert not list(folder.iterdir())


@needs_compiler
def test_a_library_with_one_byte_changed_is_made_anew(
    folder: Path, monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    assert glasses.session(compiled=True).engine == "C"
    (kept,) = folder.glob(f"*{cache_folder.SUFFIX}")
    data = bytearray(kept.read_bytes())
    data[len(data) // 3] ^= 4
    (folder / "other").write_bytes(data)
    (folder / "other").replace(kept)
    forget(monkeypatch)
    session = glasses.session()
    assert session.engine == "Python"
    until(session, lambda: session.engine == "C")
    (note,) = folder.glob("program_*.json")
    note.write_text(note.read_text().replace("[", "[1, ", 1))
    forget(monkeypatch)
    assert glasses.session().engine == "Python"


@needs_compiler
def test_a_program_that_embeds_python_is_not_started_again(
    folder: Path, monkeypatch: pytest.MonkeyPatch, caplog: pytest.LogCaptureFixture, glasses: mt.Profile
) -> None:
    monkeypatch.setattr(sys, "executable", str(folder / "marsh-walk"))
    plain_and_told(glasses.session(), glasses, caplog, r"no Python interpreter was found.*compiled=True")


SCRIPT = """
import mellow_thumb as mt, os, sys
from mellow_thumb import marsh
session = mt.load_profile(marsh.PROFILE).session()
session.tick(0.25)
while session.now < 2.5 or not os.path.exists(sys.argv[1]):
    session.tick(0.01)
if sys.argv[2] != "0":
    os.kill(os.getpid(), int(sys.argv[2]))
"""


@pytest.mark.parametrize("signal", [15, 9, 0])
def test_a_compiler_at_work_ends_with_us(folder: Path, tmp_path: Path, signal: int) -> None:
    # the compiler holds one end of a pipe; who reads the other comes to its end once the compiler is gone
    fifo, begun = tmp_path / "alive", tmp_path / "begun"
    os.mkfifo(fifo)
    shell = f"exec 3>{fifo}; echo >{begun}; exec sleep 600 3>&3"
    env = os.environ | {compiler.VARIABLE: a_compiler(tmp_path, shell), cache_folder.VARIABLE: str(folder)}
    words = [sys.executable, "-W", "error", "-X", "dev", "-c", SCRIPT, str(begun), str(signal)]
    with subprocess.Popen(words, env=env, stderr=subprocess.PIPE) as process:
        with fifo.open("rb") as alive:
            assert alive.read() == b""
        assert process.wait() == -signal
        assert process.stderr
        assert process.stderr.read() == b""


@needs_compiler
def test_two_processes_compile_it_once(folder: Path, tmp_path: Path) -> None:
    real = next(filter(None, map(shutil.which, compiler.KNOWN)))
    log = tmp_path / "log"
    words = f'echo once >>{log}; exec {real} "$@"'
    env = os.environ | {compiler.VARIABLE: a_compiler(tmp_path, words), cache_folder.VARIABLE: str(folder)}
    script = (
        "import mellow_thumb as mt; from mellow_thumb import marsh\n"
        "print(mt.load_profile(marsh.PROFILE).session(compiled=True).engine)"
    )
    both = [
        subprocess.Popen([sys.executable, "-c", script], env=env, stdout=subprocess.PIPE, text=True)
        for _ in "12"
    ]
    assert [one.communicate()[0].strip() for one in both] == ["C", "C"]
    assert log.read_text().split() == ["once"]


def test_a_plan_goes_to_another_process_whole() -> None:
    for path, _ in marsh.SCENES:
        plan = beside.bare(mt.load_profile(path))
        assert pickle.loads(pickle.dumps(plan)) == plan
        assert pickle.loads(pickle.dumps(plan)).digest == plan.digest


@needs_compiler
def test_what_has_no_time_acts_in_a_frame_of_no_length() -> None:
    profile = mt.load_profile(marsh.PROFILE)
    with quickly():
        sessions = [profile.session(compiled=compiled) for compiled in (False, True)]
    for one in sessions:
        one.tick(1 / 60)
        one.feed("mouse.move", (5.0, 3.0))
    assert [one.tick(0.0).axes["yaw"] for one in sessions] == [0.25, 0.25]

"""Another program is woven beside a session, which goes on with its own until that is there."""

from __future__ import annotations

import gc
import logging
import os
import signal
import subprocess
import sys
from collections.abc import Iterator
from dataclasses import replace

import pytest
from hypothesis import given, settings

import mellow_thumb as mt
from mellow_thumb.engines import beside, compiler, library, woven_ahead
from mellow_thumb.plan import Cue, Plan
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.weaving import program, receive, sent, weave_plan
from mellow_thumb.weaving.languages import engine_text

from ..helpers.strategies import EVERYTHING, Event, events, feed, plans
from .test_engine import seen, until

pytestmark = pytest.mark.skipif(not library.is_asked(), reason="the extra fast is not here")


@pytest.fixture
def woven_beside(monkeypatch: pytest.MonkeyPatch) -> Iterator[None]:
    """Other processes may be started, and nothing was woven yet."""
    monkeypatch.delenv(compiler.VARIABLE)
    program.forget_woven()
    yield
    assert not [one for one in beside._at_work if one.stdin and not one.stdin.closed]


def with_cue(profile: mt.Profile, name: str = "hop") -> mt.Profile:
    """Another program: the profile with a cue more."""
    cue = Cue(name, Buttons((find_signal("key.Space"),)))
    return replace(profile, cues=(*profile.cues, cue))


def cues_of(session: mt.Session) -> set[str]:
    """The cues that a session knows."""
    return set(session._running.program.cues)


def received(data: bytes, plan: Plan) -> program.Program:
    """A program that was sent, all its steps at once."""
    steps = receive(data, plan, ())
    while True:
        try:
            next(steps)
        except StopIteration as end:
            found: program.Program = end.value
            return found


def refuse(*_: object) -> None:
    """Stands for what must not be done in a frame."""
    raise AssertionError("it was done in a frame")


@pytest.mark.usefixtures("woven_beside")
def test_no_frame_weaves_and_the_session_goes_on_until_it_is_there(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    session, plain = glasses.session(), glasses.session(compiled=False)
    other = with_cue(glasses)
    session._running.coming = None  # as where no compiler is found
    for one in (session, plain):
        one.feed("mouse.move", (40.0, 3.0))
        one.tick(0.1)
    assert session._running.plainly
    with monkeypatch.context() as patch:
        patch.setattr(program, "_woven", refuse)
        patch.setattr("mellow_thumb.weaving.program.live_text", refuse)
        assert session.switch(other) == ()
        assert session.pending
        session.feed("mouse.move", (10.0, 0.0))
        plain.feed("mouse.move", (10.0, 0.0))
        assert seen(session, session.tick(0.01)) == seen(plain, plain.tick(0.01))
        until(session, lambda: not session.pending)
    plain.switch(other)
    for one in (session, plain):
        one.feed("key.Space", 1.0)
    assert seen(session, session.tick(0.1)) == seen(plain, plain.tick(0.1))
    assert cues_of(session) == {"hop"}


@pytest.mark.usefixtures("woven_beside")
def test_the_last_one_asked_for_is_gone_over_to_with_the_sheet_that_was_applied(glasses: mt.Profile) -> None:
    session, sheet = glasses.session(), mt.new_sheet(glasses)
    session.switch(with_cue(glasses))
    assert session.pending
    session.switch(with_cue(glasses, "wave"))
    assert session.apply(sheet) == ()
    assert session.pending
    until(session, lambda: not session.pending)
    assert cues_of(session) == {"wave"}
    again = with_cue(glasses)
    session.switch(again)
    session.switch(glasses)  # that one is at hand
    assert not session.pending
    assert cues_of(session) == set()


@pytest.mark.usefixtures("woven_beside")
def test_what_the_host_sets_meanwhile_is_woven_in_too(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    session = glasses.session()
    session.switch(with_cue(glasses))
    session.set_axis("yaw", 12.0)
    with monkeypatch.context() as patch:
        patch.setattr(program, "_woven", refuse)
        until(session, lambda: not session.pending)
    session.feed("key.Space", 1.0)
    frame = session.tick(0.1)
    assert (frame.axes["yaw"], frame.cues) == (12.0, {"hop": 1})
    session.set_axis("yaw", 7.0)
    assert session.tick(0.1).axes["yaw"] == 7.0


@pytest.mark.usefixtures("woven_beside")
def test_a_snapshot_holds_what_is_on_its_way_and_a_saved_game_has_it(glasses: mt.Profile) -> None:
    other = with_cue(glasses)
    session = glasses.session()
    early = session.snapshot()
    session.switch(other)
    on_its_way = session.snapshot()
    saved = glasses.session()
    saved.switch(other)
    other.session().restore(saved.state())
    assert not saved.pending
    session.restore(early)
    assert not session.pending
    session.restore(on_its_way)
    assert session.pending
    until(session, lambda: not session.pending)
    assert cues_of(session) == {"hop"}
    session.restore(early)
    assert cues_of(session) == set()


@pytest.mark.usefixtures("woven_beside")
@pytest.mark.skipif(os.name == "nt", reason="no such signal")
def test_a_process_that_is_killed_leaves_it_to_be_woven_here(
    glasses: mt.Profile, caplog: pytest.LogCaptureFixture
) -> None:
    session = glasses.session()
    with caplog.at_level(logging.WARNING, "mellow_thumb"):
        session.switch(with_cue(glasses))
        until(session, lambda: [one for one in beside._at_work if one.stdin and not one.stdin.closed])
        beside._at_work[-1].send_signal(signal.SIGKILL)
        until(session, lambda: not session.pending)
    assert cues_of(session) == {"hop"}
    assert [one.getMessage() for one in caplog.records] == [
        "woven in this process, not in the background: the process beside it ended with -9"
    ]


@pytest.mark.usefixtures("woven_beside")
def test_where_nothing_may_be_started_it_is_woven_in_the_frame(
    monkeypatch: pytest.MonkeyPatch, glasses: mt.Profile
) -> None:
    monkeypatch.setattr(woven_ahead, "Weaving", refuse)
    for place, value in (("is_asked", False), ("is_off", True), ("has_interpreter", False)):
        with monkeypatch.context() as patch:
            patch.setattr(woven_ahead, place, lambda value=value: value)
            session = glasses.session()
            session.switch(with_cue(glasses))
            assert (session.pending, cues_of(session)) == (False, {"hop"})
        program.forget_woven()
    for compiled in (True, False) if compiler.find_compiler() else (False,):
        session = glasses.session(compiled=compiled)
        session.switch(with_cue(glasses))
        assert not session.pending


@pytest.mark.usefixtures("woven_beside")
def test_a_session_that_is_dropped_leaves_no_process(glasses: mt.Profile) -> None:
    session = glasses.session()
    session.switch(with_cue(glasses))
    until(session, lambda: [one for one in beside._at_work if one.stdin and not one.stdin.closed])
    (process,) = [one for one in beside._at_work if one.stdin and not one.stdin.closed]
    del session
    gc.collect()
    assert process.wait(30.0) is not None
    beside.clear_up()
    assert process not in beside._at_work


@pytest.mark.usefixtures("woven_beside")
def test_sessions_that_go_over_to_one_program_wait_for_the_same(glasses: mt.Profile) -> None:
    several = [glasses.session() for _ in range(3)]
    for session in several:
        session.switch(with_cue(glasses))
    until(several[1], lambda: not several[1].pending)
    assert len([one for one in beside._at_work if one.returncode is None]) <= 1
    for session in several:
        session.tick(0.0)
        assert (session.pending, cues_of(session)) == (False, {"hop"})


@settings(max_examples=20)
@given(plans(makers=EVERYTHING), events())
def test_a_program_that_was_sent_is_the_same_to_the_bit(plan: Plan, happened: list[Event]) -> None:
    program.forget_woven()
    woven = weave_plan(plan)
    session = mt.Session(plan, compiled=False)
    program.forget_woven()
    program.keep_woven(plan, (), received(sent(woven), plan))
    other = mt.Session(plan, compiled=False)
    again = weave_plan(plan)
    assert other._running.program.text is not woven.text
    assert (again.numbers, again.start, again.roles) == (woven.numbers, woven.start, woven.roles)
    for one in (session, other):
        for event in happened:
            feed(one, event)
    assert seen(session, session.tick(0.3)) == seen(other, other.tick(0.3))
    assert engine_text(again) == engine_text(woven)


def test_what_is_no_program_is_refused(glasses: mt.Profile) -> None:
    data = sent(weave_plan(glasses))
    for wrong in (b"", data[:100], b"nothing of the kind"):
        with pytest.raises(ValueError, match="found no program"):
            received(wrong, glasses)


@pytest.mark.skipif(sys.platform == "win32", reason="a process there is told its priority as it is made")
@pytest.mark.parametrize("has_nice", [True, False])
def test_what_works_beside_us_stands_back_by_so_much_and_no_more(
    has_nice: bool, monkeypatch: pytest.MonkeyPatch
) -> None:
    if not has_nice:
        monkeypatch.setattr(beside, "which", lambda _: None)
    beside.standing_back.cache_clear()
    ask = "import os, sys; from mellow_thumb.engines import worker; sys.stdin = open(os.devnull); worker.main(); print(os.nice(0))"
    command = [*beside.standing_back(), sys.executable, "-c", ask]
    told = subprocess.run(command, capture_output=True, text=True, check=True, stdin=subprocess.DEVNULL)
    beside.standing_back.cache_clear()
    assert bool(len(command) > 3) == has_nice
    assert int(told.stdout) == min(
        19, max(os.nice(0), 0) + beside.NICE if has_nice else max(os.nice(0), beside.NICE)
    )

"""Most frames are no more than what has arrived; what that is taken for is what a close look makes of it."""

from __future__ import annotations

import sys
import threading
from collections.abc import Callable, Iterator
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from benchmarks.workload import PROFILE as WORKLOAD
from mellow_thumb import marsh
from mellow_thumb.session.readings import TORN

DT = 1 / 60
PROFILES = [mt.load_profile(path) for path, _ in marsh.SCENES]
SIGNALS = [sorted({str(signal) for signal in profile.signals}) for profile in PROFILES]


class Watched:
    """A session, and all that it says."""

    def __init__(self, profile: mt.Profile) -> None:
        self.session = profile.session(compiled=False)
        self.said: list[Any] = []
        self.kept = self.session.snapshot()

    def keep(self) -> None:
        self.kept = self.session.snapshot()

    def frame(self, dt: float, world_dt: float | None = None) -> None:
        """One frame, and what can be read of it."""
        frame = self.session.tick(dt, world_dt=world_dt)
        self.said.append((frame, frame.movement, frame.gates, frame.touches, frame.mount, frame.device))
        self.said.append((self.session.now, self.session.view(), self.session.late, self.session.early))


Act = Callable[[Watched], object]
ASKS: dict[str, Act] = {
    "heard": lambda one: one.said.append(one.session.heard),
    "command": lambda one: one.said.append(one.session.command()),
    "reasons": lambda one: one.said.append(one.session.reasons),
    "forget": lambda one: one.session.forget_reasons(),
    "hear": lambda one: one.session.hear(lambda *what: one.said.append(what)),
    "hear no more": lambda one: one.session.hear(None),
    "listen": lambda one: one.session.listen(lambda address: address.startswith("key.")),
    "listen no more": lambda one: one.session.stop_listening(),
    "keep": lambda one: one.keep(),
    "go back": lambda one: one.session.restore(one.kept),
    "state": lambda one: one.session.restore(one.session.state()),
    "pause": lambda one: one.frame(DT, 0.0),
    "slow": lambda one: one.frame(DT, 0.5 * DT),
    "hitch": lambda one: one.frame(0.4),
    "back": lambda one: one.frame(-1.0),
    "apply": lambda one: one.session.apply(mt.new_sheet(PROFILES[0])),
    "switch": lambda one: one.session.switch(PROFILES[0]),
    "kick": lambda one: one.session.kick("yaw", 1.0, half_life=0.1),
    "scale": lambda one: one.session.set_scale(PROFILES[0].routes[0].name, 0.5),
    "turn": lambda one: one.session.motion((3.0, 0.0, 1.0), (0.0, 9.81, 0.0)),
    "torn": lambda one: one.session.feed("motion.turn.z", 1.0),
    "finger": lambda one: one.session.touch(1, "down", (0.2, 0.2)),
    "moves": lambda one: one.session.touch(1, "move", (0.3, 0.25)),
}
"""What anybody may want of a session between two frames."""
fed = st.tuples(
    st.sampled_from(range(999)),
    st.sampled_from([None, None, 0.0, 0.004, 0.012, 0.02, 0.4, -0.02, -0.3]),
    st.sampled_from([0.0, 1.0, -0.5, 3.0]),
    st.sampled_from([0.0, 0.25]),
)
"""An event: which signal, when after now (s), and what of."""
steps = st.lists(
    st.tuples(st.sampled_from([None, None, *ASKS]), st.lists(fed, max_size=4), st.integers(1, 3)), max_size=12
)


def act(one: Watched, asked: str | None, events: list[Any], signals: list[str]) -> None:
    """Do what is asked, if that can be done, and feed."""
    if asked:
        try:
            ASKS[asked](one)
        except mt.MellowThumbError as error:
            one.said.append(str(error))
    now = one.session.now
    for which, after, x, y in events:
        name = signals[which % len(signals)]
        for value in (x, (x, y)):
            one.session.feed(name, value, at=None if after is None else now + after)


@pytest.mark.parametrize("scene", range(len(PROFILES)))
@settings(max_examples=60)
@given(steps)
def test_a_frame_that_goes_by_plainly_is_what_a_close_look_makes_of_it(scene: int, done: list[Any]) -> None:
    both = [Watched(PROFILES[scene]), Watched(PROFILES[scene])]
    for asked, events, many in done:
        for one in both:
            act(one, asked, events, SIGNALS[scene])
        for _ in range(many):
            both[1].session._running.plainly = False
            for one in both:
                one.frame(DT)
    plain, close = both
    assert repr(plain.said) == repr(close.said)
    assert repr(plain.session.state()) == repr(close.session.state())
    assert plain.session.refused == close.session.refused


def test_what_waited_when_a_snapshot_was_taken_waits_again() -> None:
    both = [Watched(PROFILES[0]), Watched(PROFILES[0])]
    for one in both:
        one.session.feed("mouse.move", (9.0, 0.0), at=0.1)
        one.frame(DT)
        one.keep()
        for _ in range(10):
            one.frame(DT)
        moved = one.session.view()
        one.session.restore(one.kept)
        assert one.session.view() != moved
    for _ in range(10):
        both[1].session._running.plainly = False
        for one in both:
            one.frame(DT)
    assert repr(both[0].said) == repr(both[1].said)
    assert both[0].session.view() == moved


def test_a_torn_reading_is_refused_after_any_frame() -> None:
    session = mt.load_profile(WORKLOAD).session(compiled=False)
    for _ in range(4):
        session.tick(DT)
    assert session._running.plainly
    session.feed("motion.turn.z", 1.0)
    session.tick(DT)
    assert session.refused == {"motion.turn": {TORN: 1}}


@pytest.fixture
def hasty() -> Iterator[None]:
    """Threads take turns as often as they can."""
    before = sys.getswitchinterval()
    sys.setswitchinterval(1e-6)
    yield
    sys.setswitchinterval(before)


@pytest.mark.usefixtures("hasty")
def test_nothing_is_lost_or_torn_of_what_other_threads_feed_while_frames_go_by() -> None:
    session, many = mt.load_profile(WORKLOAD).session(compiled=False), 2000
    go = threading.Semaphore(0)

    def drag() -> None:
        for _ in range(many):
            go.acquire()
            session.feed("mouse.pixels", (1.0, 0.0))
            session.feed("mouse.pixels", (0.0, 1.0), at=session.now)

    def turn() -> None:
        for _ in range(many):
            go.acquire()
            for part in "xyz":
                session.feed(f"motion.turn.{part}", 0.1)

    threads = [threading.Thread(target=one, daemon=True) for one in (drag, turn)]
    for one in threads:
        one.start()
    while any(one.is_alive() for one in threads):
        go.release(4)  # they feed while this frame goes by
        session.tick(1e-4)
        session.reasons  # noqa: B018 - all is looked at one by one
        session.forget_reasons()
        session.snapshot()
    frame = session.tick(1.0)
    assert not session._intake.inbox.busy
    assert session.refused == {}
    assert [frame.axes[name] for name in ("chart_x", "chart_y")] == pytest.approx([0.01 * many] * 2)


@pytest.mark.parametrize(
    "asked", [one for one in ASKS if one not in ("hitch", "hear", "listen", "turn", "torn")]
)
def test_most_frames_need_no_close_look(asked: str) -> None:
    one = Watched(mt.load_profile(marsh.BOARDWALK))
    act(one, asked, [], [])
    one.session.forget_reasons()
    for _ in range(4):
        one.frame(DT)
    assert one.session._running.plainly

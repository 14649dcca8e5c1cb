"""A frame in one step: the same as its events one after another, or nothing at all."""

from __future__ import annotations

from collections import deque

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from benchmarks.workload import PROFILE
from mellow_thumb.engines import Loop, PythonLoop, Room, load, read_kept
from mellow_thumb.session.saving import moment_of
from mellow_thumb.weaving import NO_TIME, Item
from mellow_thumb.weaving.program import weave_plan

from ..helpers.compiling import needs_compiler, quickly

PROGRAM = weave_plan(mt.load_profile(PROFILE))
CODES = [PROGRAM.codes[name] for name in ("mouse.move", "mouse.wheel", "pad.right_stick", "key.KeyW")]
START, END = 1.0, 1.015625

item = st.tuples(
    st.sampled_from([*(START + k / 1024 for k in range(16)), NO_TIME, NO_TIME]),
    st.sampled_from(CODES),
    st.sampled_from([0.0, 1.0, -0.5, 0.25]),
    st.sampled_from([0.0, 1.0, -0.5]),
)
in_order = st.lists(item, max_size=80).map(lambda items: sorted(items, key=lambda one: one[0]))
odd = st.sampled_from([START - 1e-9, END, END + 1.0])
fed = st.one_of(
    in_order,
    st.lists(item, max_size=80),
    st.tuples(in_order, st.integers(0, 80), odd, item).map(
        lambda drawn: [*drawn[0][: drawn[1]], (drawn[2], *drawn[3][1:]), *drawn[0][drawn[1] :]]
    ),
)
"""Events of one frame: in order of time, in any order, or with one that is not of this frame."""


def in_turn(items: list[Item]) -> list[Item] | None:
    """The definition: what has no time goes with what came before it; None unless all is in order, and due."""
    found: list[Item] = []
    for t, *rest in items:
        before = found[-1][0] if found else START
        now = before if t == NO_TIME else t
        if not before <= now < END:
            return None
        found.append((now, *rest))  # type: ignore[arg-type]
    return found


def latest(items: list[Item]) -> list[float]:
    """For each item without a time: that of the latest item of this frame that came before it."""
    before = [max([START, *(t for t, *_ in items[:k] if START <= t < END)]) for k, _ in enumerate(items)]
    return [now if one[0] == NO_TIME else one[0] for one, now in zip(items, before, strict=True)]


def begun(*, compiled: bool) -> Loop:
    """A loop whose last frame has just ended."""
    loop: Loop = PythonLoop(PROGRAM, PROGRAM.start)
    if compiled:
        with quickly():
            loop = Room(load(PROGRAM), PROGRAM, PROGRAM.start)
    loop.send([(0.5, CODES[2], 0.5, 0.25), (START, PROGRAM.frame, 0.0, 0.0)])
    return loop


@pytest.mark.parametrize("compiled", [False, pytest.param(True, marks=needs_compiler)])
@settings(max_examples=300)
@given(fed, st.lists(item, max_size=2))
def test_a_step_is_its_events_one_after_another(
    compiled: bool, events: list[Item], behind: list[Item]
) -> None:
    loop, plain = begun(compiled=compiled), begun(compiled=False)
    arrived, wanted = deque([*events, *behind]), in_turn(events)
    found = loop.step(arrived, len(events), START, END)
    if wanted is None:
        assert found is None
        assert [one[1:] for one in arrived] == [one[1:] for one in (*events, *behind)]
        # what had no time may have that of what came before it: so it has in any case
        assert [*arrived][len(events) :] == behind
        here = zip(events, [*arrived][: len(events)], latest(events), strict=True)
        assert all(now[0] in (was[0], before) for was, now, before in here)
        assert loop.saved == plain.saved
    else:
        assert [*arrived] == behind
        assert repr(found) == repr(plain.send([*wanted, (END, PROGRAM.frame, 0.0, 0.0)]))
        assert loop.saved == plain.saved


@settings(max_examples=300)
@given(fed, st.booleans(), fed)
def test_what_a_loop_keeps_is_its_committed_state_and_keeping_changes_nothing(
    events: list[Item], frame: bool, more: list[Item]
) -> None:
    loop, plain = begun(compiled=False), PROGRAM.live(PROGRAM.start)
    next(plain)
    plain.send([(0.5, CODES[2], 0.5, 0.25), (START, PROGRAM.frame, 0.0, 0.0)])
    for k, one in enumerate((events, more), 1):
        items = [(START + k, *rest) for _, *rest in one] + [
            (START + k + 1 / 64, PROGRAM.frame, 0.0, 0.0)
        ] * frame
        if items:
            assert repr(loop.send(items)) == repr(plain.send(items))  # type: ignore[arg-type]
        kept = loop.keep()
        assert repr(read_kept(kept).state) == repr(plain.send([]))
        loop.resume(kept)
    assert PROGRAM.parting.joined(PROGRAM.parting.parted(loop.saved)) == loop.saved


def test_snapshots_share_what_no_event_has_changed() -> None:
    session = mt.load_profile(PROFILE).session(compiled=False)
    session.tick(0.5)
    kept = [moment_of(session.snapshot()).loop]
    session.tick(0.5)
    kept.append(moment_of(session.snapshot()).loop)
    session.feed("pad.right_stick", (0.5, 0.5))
    session.tick(0.5)
    kept.append(moment_of(session.snapshot()).loop)
    before, same, other = (one[0][2] for one in kept)  # what is held
    assert before is same
    assert other != same


def test_a_snapshot_does_not_make_the_next_frame_start_over() -> None:
    loop, plain = begun(compiled=False), begun(compiled=False)
    kept = loop.keep()
    event = (START, CODES[2], 0.25, 0.5)
    ends = [(START + 1 / 64, PROGRAM.frame, 0.0, 0.0)]
    # what the frame let flow to its end is the commit of an event at that end: the same place in memory
    flowing = kept[0][1]
    assert loop.keep()[0][1] is flowing
    assert repr(loop.send([event, *ends])) == repr(plain.send([event, *ends]))
    assert loop.keep()[0][0] == START

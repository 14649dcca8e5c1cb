"""Events commit, frames read: the axes at a moment depend on the events before it, and on nothing else."""

from __future__ import annotations

import dis
import re
import sys
from pathlib import Path
from types import FrameType
from typing import Any

import pytest
from hypothesis import example, given, settings
from hypothesis import strategies as st

from benchmarks.workload import PROFILE as WORKLOAD
from benchmarks.workload import hands
from mellow_thumb import Profile, Session, Take, load_profile, marsh, replay
from mellow_thumb.expressions import MATHS, Branch, Set, Statement
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential
from mellow_thumb.plan.words import LONGEST, MERGE
from mellow_thumb.session.doors import SWITCH, doors, things
from mellow_thumb.session.readings import Readings, feels
from mellow_thumb.takes.replay_table import CAMERA, STEP
from mellow_thumb.weaving.languages import compiled
from mellow_thumb.weaving.parts import WORDS
from mellow_thumb.weaving.passing import NEAR
from mellow_thumb.weaving.program import Item, Program, weave_plan

from ..helpers.reference import at
from ..helpers.strategies import (
    EVERYTHING,
    Event,
    events,
    feed,
    half_lives,
    joined,
    plans,
    step_routes,
    take_of,
)

RATES = (24, 60, 144, 360)
frame_ends = st.lists(st.floats(0.0, 1.0, exclude_min=True, exclude_max=True), unique=True).map(
    lambda e: [*sorted(e), 1.0]
)


def by_hand(plan: Plan, events: list[Event], ends: list[float]) -> list[dict[str, float]]:
    """Feed a session and tick it to each of the moments."""
    session = Session(plan, ceiling=2.0)
    for event in events:
        feed(session, event)
    return [dict(session.tick(to=end).axes) for end in ends]


def ends(rate: float) -> list[float]:
    return [k / rate for k in range(1, round(rate) + 1)]


SMOOTH = Plan(
    (Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1), None, Exponential(0.02)),), (),
    (Axis("yaw"), Axis("pitch", low=-5.0, high=5.0), Axis("roll")), Eye("eye"),
)  # fmt: skip
AFTER_A_PAUSE: list[Event] = [
    ("mouse.move", (70.0, 30.0), 0.1),
    ("mouse.move", (11.0, 30.0), 0.1 + LONGEST + 0.9 * MERGE),
    ("mouse.move", (-7.0, -9.0), 0.1 + LONGEST + 1.8 * MERGE),
]


@settings(max_examples=100)
@given(plans(makers=EVERYTHING), events(), frame_ends)
@example(SMOOTH, AFTER_A_PAUSE, [0.1 + LONGEST + 0.5 * MERGE, 1.0])
def test_the_same_take_ends_alike_to_the_bit_at_any_frames(
    plan: Plan, events: list[Event], random: list[float]
) -> None:
    at_rates = {rate: by_hand(plan, events, ends(rate)) for rate in RATES}
    finals = [by_hand(plan, events, frames)[-1] for frames in (random, [1.0])]
    for rate in RATES:
        assert at_rates[rate][-1] == finals[0] == finals[1]
    for k in range(1, 13):  # moments that all rates have in common
        assert len({tuple(at_rates[rate][k * rate // 12 - 1].items()) for rate in RATES}) == 1


@settings(max_examples=12)
@given(st.lists(st.floats(0.0, 10.0, exclude_min=True, exclude_max=True), unique=True))
def test_the_demo_ends_in_one_pose_though_pitch_rests_at_its_limit_on_the_way(
    glasses: Profile, sweep: Take, random: list[float]
) -> None:
    tables = [replay(glasses, sweep, rate=rate) for rate in RATES]
    tables.append(replay(glasses, sweep, frames=[*sorted(random), 10.0]))
    assert all((table["pitch"] >= 39.99).any() for table in tables[:4])
    poses = {tuple(table[[*CAMERA, "yaw_total", "pitch"]].iloc[-1]) for table in tables}
    assert len(poses) == 1


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.sampled_from(RATES))
def test_live_equals_replay_to_the_bit(plan: Plan, events: list[Event], rate: int) -> None:
    table = replay(plan, take_of(events), rate=rate, until=1.0)
    if plan.movement:
        session = Session(plan, ceiling=2.0)
        for event in joined(events):
            feed(session, event)
        moved = [session.tick(to=end).movement for end in ends(rate)]
        steps = table[[*STEP, "heading"]].to_numpy().tolist()
        assert steps == [[*one.step, one.heading] for one in moved]
    rows = by_hand(plan, joined(events), ends(rate))
    names = [*(axis.name for axis in plan.axes), "yaw_total"]
    assert table[names].to_dict("records") == rows


@settings(max_examples=60)
@given(st.data(), st.sampled_from([0.0, 0.012, 0.08]))
def test_it_is_what_a_plain_slow_model_says(data: st.DataObject, half_life: float) -> None:
    plan = data.draw(
        plans(smoothings=st.just(Exponential(half_life) if half_life else None), makers=(step_routes,))
    )
    happened = data.draw(events(plain=True))
    for moment, axes in zip(ends(24), by_hand(plan, happened, ends(24)), strict=True):
        expected = at(plan, happened, moment)
        assert [axes["yaw_total"], axes["pitch"], axes["roll"]] == pytest.approx(
            list(expected.values()), abs=1e-9
        )


@given(
    plans(limits=False, smoothings=st.none() | st.builds(Exponential, half_lives), makers=(step_routes,)),
    events(plain=True),
)
def test_without_limits_half_lives_mix_freely(plan: Plan, happened: list[Event]) -> None:
    expected = at(plan, happened, 1.0)
    (axes,) = by_hand(plan, happened, [1.0])
    assert [axes["yaw_total"], axes["pitch"], axes["roll"]] == pytest.approx(
        list(expected.values()), abs=1e-9
    )


def split_finely(plan: Plan, happened: list[Event]) -> list[float]:
    """The same program with every step split at every event and each 1/4000 s."""
    program = weave_plan(plan)
    assert f"{LONGEST!r}" in program.text
    fine = (
        program.text.replace(f"{MERGE!r}", "0.0")
        .replace(f"{LONGEST!r}", "0.00025")
        .replace(f"{NEAR!r}", "0.00025")
    )
    loop = compiled(fine, "live")(program.start, program.numbers)
    next(loop)
    return list(loop.send([*items_of(plan, program, happened), (1.0, program.frame, 0.0, 0.0)]))


def items_of(plan: Plan, program: Program, happened: list[Event]) -> list[Item]:
    """Events as the loop takes them."""
    open_doors, stands = doors(program), things(plan)
    items = []
    for named, value, t in happened:
        signal, _, began = named.partition("@")
        if signal in open_doors:
            code, shape, *_, other, _ = open_doors[signal]
            pair = value if isinstance(value, tuple) else (other, value) if shape == 2 else (value, other)
            if began and shape == SWITCH:
                pair = (pair[0], stands.get(began, 0.0))
            items.append((t, code, *pair))
    return Readings(program.codes, lambda _, __: None).expand(items) if feels(program.codes) else items


@settings(max_examples=50)
@given(plans(limits=False, makers=EVERYTHING), events(most=12))
def test_steps_of_any_length_come_to_the_same(plan: Plan, happened: list[Event]) -> None:
    (axes,) = by_hand(plan, happened, [1.0])
    fine = split_finely(plan, happened)
    assert fine[1 : len(axes)] == pytest.approx(list(axes.values())[1:], abs=1e-9)


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.integers(0, 30))
def test_a_loop_restored_from_its_saved_state_goes_on_to_the_bit(
    plan: Plan, happened: list[Event], cut: int
) -> None:
    program = weave_plan(plan)
    items = items_of(plan, program, happened)
    whole, parted = program.live(program.start), program.live(program.start)
    next(whole)
    next(parted)
    for k, end in enumerate(ends(30)):
        due = [i for i in items if (end - 1 / 30) <= i[0] < end]
        frame = [*due, (end, program.frame, 0.0, 0.0)]
        if k == cut:
            saved = parted.send([])
            assert parted.send([]) == saved
            parted = program.live(saved)
            next(parted)
        assert whole.send(frame) == parted.send(frame)


def test_equal_plans_weave_once_whatever_the_order_and_the_names() -> None:
    look = Route("look", find_signal("mouse.move.x"), ("yaw",), (0.1,))
    nod = Route("nod", find_signal("mouse.move.y"), ("pitch",), (0.1,))
    axes = (Axis("yaw"), Axis("pitch"), Axis("roll"))
    one, other = (Plan(routes, (), axes, Eye("eye")) for routes in ((look, nod), (nod, look)))
    assert weave_plan(one).is_of_shape(weave_plan(other))
    hostile = Route("__import__('os').abort()", look.source, look.drives, look.gains)
    text = weave_plan(Plan((hostile,), (), axes, Eye("'''"))).text
    assert text == weave_plan(Plan((look,), (), axes, Eye("eye"))).text


@given(plans())
def test_nothing_but_numbers_and_our_own_words_is_in_the_text(plan: Plan) -> None:
    program = weave_plan(plan)
    for word in ("glassing", "counting", "route 0"):
        assert word not in program.text
    assert set(re.findall(r"[^\x00-\x7f]|['\"]|__", program.text + program.pose_text)) == set()
    # all else that it names is its own
    assert {*program.functions.live.__code__.co_names} <= {*MATHS, "abs", "pop"}


def unset(statements: list[Statement], known: set[str]) -> set[str]:
    """The names that statements read where they may not have been set; `known` has what is set by their end."""
    found: set[str] = set()
    for one in statements:
        if isinstance(one, Set):
            found |= frozenset().union(*(value.names for value in one.values)) - known
            known |= {target.name for target in one.targets}
        elif isinstance(one, Branch):
            then, otherwise = set(known), set(known)
            found |= (one.test.names - known) | unset(one.body, then) | unset(one.otherwise, otherwise)
            known |= then & otherwise
    return found


@given(plans(makers=EVERYTHING))
def test_parts_that_share_names_read_none_of_each_other(plan: Plan) -> None:
    woven, program = weave_plan(plan).woven, weave_plan(plan)
    known = {*program.state, *program.parameters, *(word.name for word in WORDS)}
    before = set(known)
    assert not unset(woven.nearness, before)
    for part in (woven.pace, woven.passing):
        assert not unset(part, set(before))
    for part in (woven.timers, woven.waits, *(event.statements for event in woven.events)):
        assert not unset(part, set(known))
    read = set(known)
    assert not unset(woven.reading, read)
    assert not frozenset().union(*(value.names for value in woven.outputs)) - read


def test_what_a_frame_uses_takes_python_one_instruction() -> None:
    session = load_profile(WORKLOAD).session(compiled=False)
    loop = session._running.loop.send.__self__.gi_frame  # type: ignore[attr-defined]
    places = {one.offset: one for one in dis.get_instructions(loop.f_code) if "FAST" in one.opname}
    far: list[bool] = []

    def traced(frame: FrameType, event: str, _: object) -> Any:
        # a far place has an instruction in front of it, which is traced in its stead, or as well
        one = places.get(frame.f_lasti) or places.get(frame.f_lasti + 2)
        if event == "opcode" and one is not None:
            far.append(isinstance(one.arg, int) and one.arg > 255)
        return traced

    loop.f_trace, loop.f_trace_opcodes = traced, True
    before = sys.gettrace()
    sys.settrace(lambda *_: None)
    try:
        for events in hands(30):
            for signal, x, y in events:
                session.feed(signal, x if signal.startswith(("key.", "mouse.right")) else (x, y))
            session.tick(1 / 60)
    finally:
        sys.settrace(before)
    assert len(loop.f_code.co_varnames) > 400
    assert len(far) > 10_000
    assert sum(far) < 0.1 * len(far)  # four in ten, in the order of the state


@pytest.mark.parametrize("path", [path for path, _ in marsh.SCENES], ids=lambda path: path.stem)
def test_a_program_of_few_locals_has_no_line_for_places(path: Path) -> None:
    program = load_profile(path).session(compiled=False)._running.program
    many = len(program.functions.live.__code__.co_varnames) > 256
    assert ("what is used most comes first" in program.text) == many

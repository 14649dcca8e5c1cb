"""A session: directions, gates, limits, time, and what it refuses."""

from __future__ import annotations

import logging
from collections.abc import Callable
from dataclasses import replace
from math import inf, nan
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import ArgumentError, Session, marsh, wheel_notches
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential
from mellow_thumb.session.saving import Snapshot

from ..helpers.compiling import needs_compiler, quickly
from ..helpers.strategies import EVERYTHING, Event, events, plans

MOVE, RIGHT = find_signal("mouse.move"), find_signal("mouse.right")


def plan(
    *, gain: tuple[float, float] = (0.5, 0.5), gate: Condition | None = None, half_life: float = 0.0
) -> Plan:
    smoothing = Exponential(half_life) if half_life else None
    routes = (Route("look", MOVE, ("yaw", "pitch"), gain, gate, smoothing),)
    axes = (Axis("yaw"), Axis("pitch", low=-60.0, high=70.0), Axis("roll"))
    return Plan(routes, (Gate("glassing", Buttons((RIGHT,))),), axes, Eye("eye", 1.6))


def fed(session: Session, *events: Event) -> Session:
    for signal, value, t in events:
        session.feed(signal, value, at=t)
    return session


def test_right_turns_right_and_away_looks_up() -> None:
    session = fed(Session(plan()), ("mouse.move", (30.0, 20.0), 0.001))
    axes = session.tick(1 / 60).axes
    assert (axes["yaw"], axes["pitch"]) == (15.0, 10.0)
    forward = [-row[2] for row in session.view().pose_matrix()[:3]]
    assert forward[0] > 0.2
    assert forward[1] > 0.1
    assert session.view().position == (0.0, 1.6, 0.0)


def test_a_gain_of_the_other_sign_turns_exactly_the_other_way() -> None:
    there = fed(Session(plan()), ("mouse.move", (31.0, 17.0), 0.0)).tick(0.1).axes
    mirrored = fed(Session(plan(gain=(0.5, -0.5))), ("mouse.move", (31.0, 17.0), 0.0)).tick(0.1).axes
    assert mirrored["yaw"] == there["yaw"]
    assert mirrored["pitch"] == -there["pitch"] != 0.0


def test_a_hold_between_two_ticks_counts_exactly_what_moved_in_it() -> None:
    session = fed(
        Session(plan(gate=Condition("glassing"))),
        ("mouse.move", (100.0, 0.0), 0.001),
        ("mouse.right", 1.0, 0.002),
        ("mouse.move", (10.0, 0.0), 0.003),
        ("mouse.move", (5.0, 0.0), 0.004),
        ("mouse.right", 0.0, 0.005),
        ("mouse.move", (100.0, 0.0), 0.006),
    )
    frame = session.tick(1 / 60)
    assert frame.axes["yaw"] == 7.5
    assert frame.gates == {"glassing": False}


@pytest.mark.parametrize("half_life", [0.0, 0.05])
def test_a_mouse_at_a_limit_answers_at_once_to_the_way_back(half_life: float) -> None:
    session = fed(
        Session(plan(half_life=half_life)), *[("mouse.move", (0.0, 100.0), k / 100) for k in range(20)]
    )
    for _ in range(200):
        top = session.tick(0.01).axes["pitch"]
    assert top == pytest.approx(70.0, abs=1e-9)
    session.feed("mouse.move", (0.0, -10.0))
    down = session.tick(0.01).axes["pitch"]
    assert down == pytest.approx(65.0 if not half_life else 70.0 - 5.0 * (1.0 - 2.0 ** -(0.01 / 0.05)))


@pytest.mark.parametrize("half_life", [0.01, 0.3])
def test_smoothing_loses_no_count(half_life: float) -> None:
    session = fed(
        Session(plan(half_life=half_life)), *[("mouse.move", (7.0, 0.0), k / 1000) for k in range(100)]
    )
    for _ in range(1000):
        frame = session.tick(0.05)
    assert frame.axes["yaw_total"] == pytest.approx(350.0, abs=1e-9)


@given(plans(makers=EVERYTHING), events())
def test_limits_hold_at_every_frame_and_yaw_stays_wrapped(plan: Plan, events: list[Event]) -> None:
    session = fed(Session(replace(plan, others=())), *events)
    for _ in range(40):
        values = session.tick(1 / 30).axes
        for axis in plan.axes:
            assert axis.low <= values[axis.name] <= axis.high
        if plan.axes[0].wraps:
            assert -180.0 < values["yaw"] <= 180.0


def test_yaw_never_stops_and_its_whole_turn_is_kept() -> None:
    session = fed(Session(plan()), *[("mouse.move", (100.0, 0.0), k / 100) for k in range(20)])
    for _ in range(20):
        frame = session.tick(0.01)
    assert frame.axes["yaw_total"] == 1000.0
    assert frame.axes["yaw"] == -80.0


nasty = st.sampled_from([nan, inf, -inf, 1e308, -1e300, 2e6])


@given(
    plans(),
    st.lists(st.tuples(st.sampled_from(["mouse.move", "mouse.right"]), nasty, nasty, st.none() | nasty)),
)
def test_nothing_unfit_reaches_the_state(
    plan: Plan, junk: list[tuple[str, float, float, float | None]]
) -> None:
    session, clean = Session(plan), Session(plan)
    for signal, x, y, at in junk:
        session.feed(signal, (x, y) if signal == "mouse.move" else x, at=at)
    for each in (session, clean):
        each.feed("mouse.move", (3.0, 4.0), at=0.01)
    assert repr(session.tick(0.02)) == repr(clean.tick(0.02))


def test_what_is_refused_is_counted_named_and_told_once(caplog: pytest.LogCaptureFixture) -> None:
    session = Session(plan())
    with caplog.at_level(logging.WARNING, logger="mellow_thumb"):
        session.feed("mouse.move", (nan, 0.0))
        session.feed("mouse.move", (nan, 0.0))
        session.feed("mouse.mvoe", (1.0, 0.0))
        session.feed("mouse.move", 3.0)
        session.feed("mouse.move", (1e9, 0.0))
        session.feed("mouse.right", "down")  # type: ignore[arg-type]
        session.feed("mouse.move", (1.0, 0.0), at=nan)
        session.feed("mouse.left", 1.0)  # of the catalogue, but not of this plan
    assert session.refused == {
        "mouse.move": {"not finite": 3, "not a pair of numbers": 1, "outside -1e+06 to 1e+06": 1},
        "mouse.mvoe": {"unknown signal; did you mean mouse.move?": 1},
        "mouse.right": {"not a number": 1},
    }
    assert len(caplog.records) == 5
    assert session.tick(1 / 60).axes["yaw"] == 0.0


def test_an_event_without_a_time_comes_with_the_latest_one_fed_before_it() -> None:
    session = Session(plan(gate=Condition("glassing")))
    session.feed("mouse.move", (2.0, 0.0))  # at the frame's beginning: the gate is closed
    session.feed("mouse.right", 1.0, at=0.01)
    session.feed("mouse.move", (10.0, 0.0))  # with the press
    session.feed("mouse.right", 0.0, at=0.5)  # early: it waits for its own frame
    session.feed("mouse.move", (100.0, 0.0))  # still with the press
    assert session.tick(1 / 60).axes["yaw"] == 55.0


def test_early_events_wait_and_late_ones_keep_their_time_until_a_commit_has_passed_it() -> None:
    session = Session(plan(gate=Condition("glassing")))
    session.feed("mouse.move", (10.0, 0.0), at=0.06)
    session.feed("mouse.right", 1.0, at=0.05)
    assert session.tick(0.04).axes["yaw"] == 0.0
    assert session.tick(0.04).axes["yaw"] == 5.0
    session.feed("mouse.right", 0.0, at=0.07)  # before this frame, but after the last commit
    session.feed("mouse.move", (100.0, 0.0), at=0.075)
    session.feed("mouse.move", (10.0, 0.0), at=0.02)  # before the last commit, in which the gate is open
    frame = session.tick(0.01)
    assert (frame.axes["yaw"], frame.gates, session.late) == (10.0, {"glassing": False}, 1)


def test_a_long_frame_is_cut_and_what_happened_in_it_comes_at_its_end() -> None:
    session = fed(
        Session(plan()),
        ("mouse.move", (10.0, 0.0), 0.1),
        ("mouse.move", (20.0, 0.0), 5.0),
        ("mouse.move", (40.0, 0.0), 10.1),
    )
    assert session.tick(10.0).axes["yaw"] == 5.0
    assert (session.now, session.cut) == (0.25, 1)
    assert session.tick(0.05).axes["yaw"] == 15.0
    assert session.tick(to=10.2).axes["yaw"] == 35.0
    assert session.now == pytest.approx(0.45)
    session.feed("mouse.move", (2.0, 0.0), at=7.0)  # late, and in the time that was cut out
    assert session.tick(0.01).axes["yaw"] == 36.0


@pytest.mark.parametrize("dt", [-1.0, nan, inf, -inf])
def test_time_that_runs_back_or_is_no_number_stands_still(dt: float) -> None:
    session = Session(plan())
    session.tick(0.1)
    assert session.tick(dt).t == 0.1
    assert session.stalled == 1
    assert session.tick(0.0).t == 0.1
    assert session.stalled == 1


def test_the_clock_does_not_drift() -> None:
    session = Session(plan())
    for _ in range(100_000):
        session.tick(0.1)
    assert session.now == pytest.approx(10_000.0, rel=1e-15)


def test_wrong_use_is_said() -> None:
    session = Session(plan())
    with pytest.raises(TypeError, match="one of them"):
        session.tick()
    with pytest.raises(TypeError, match="one of them"):
        session.tick(0.1, to=0.1)
    with pytest.raises(ArgumentError, match="ceiling"):
        Session(plan(), ceiling=0.0)


def test_a_burst_is_the_same_as_its_events_one_by_one() -> None:
    moves = [(float(k % 7 - 3), float(k % 5 - 2)) for k in range(200)]
    times = [k / 2000 for k in range(200)]
    one, many, array = (Session(plan(half_life=0.02)) for _ in range(3))
    for move, t in zip(moves, times, strict=True):
        one.feed("mouse.move", move, at=t)
    many.feed_many("mouse.move", moves, times)
    array.feed_many("mouse.move", np.array(moves), np.array(times))
    assert repr(one.tick(0.2)) == repr(many.tick(0.2)) == repr(array.tick(0.2))
    many.feed_many("mouse.move", [(1.0, nan), (2.0, 0.0)], [0.2, 0.2])
    assert many.refused == {"mouse.move": {"not finite": 1}}
    with pytest.raises(ArgumentError, match="as many"):
        many.feed_many("mouse.move", [(1.0, 0.0)], [])


def test_two_million_events_in_one_frame_are_all_counted() -> None:
    session = Session(plan(gain=(1e-6, 1e-6)))
    session.feed_many("mouse.move", np.ones((2_000_000, 2)), np.linspace(0.0, 0.2, 2_000_000))
    assert session.tick(0.25).axes["yaw_total"] == pytest.approx(2.0, rel=1e-6)


def test_a_device_is_aligned_with_the_clock() -> None:
    session = Session(plan(gate=Condition("glassing")))
    session.align("mouse", 1000.0)
    session.feed("mouse.right", 1.0, at=1000.01, device="mouse")
    session.feed("mouse.move", (10.0, 0.0), at=1000.02, device="mouse")
    session.feed("mouse.right", 0.0, at=0.015)
    session.feed("mouse.right", 1.0, at=0.018)
    assert session.tick(0.1).axes["yaw"] == 5.0
    with pytest.raises(ArgumentError, match="finite"):
        session.align("mouse", nan)


@given(
    st.floats(-500.0, 500.0), st.floats(-500.0, 500.0), st.floats(0.05, 2.0), st.sampled_from([24, 60, 144])
)
def test_turn_to_goes_the_shorter_way_and_arrives_at_any_rate(
    start: float, goal: float, over: float, rate: int
) -> None:
    session = Session(plan())
    session.set_axis("yaw", start)
    session.tick(0.001)
    session.turn_to("yaw", goal, over=over, at=0.001)
    middle = session.tick(to=0.001 + over / 2).axes["yaw_total"] if over < 0.49 else None
    for k in range(1, 4 * rate):
        end = session.tick(to=max(k / rate, session.now)).axes
    assert abs(end["yaw_total"] - start) <= 180.0 + 1e-9
    assert (end["yaw_total"] - goal) / 360.0 == pytest.approx(
        round((end["yaw_total"] - goal) / 360.0), abs=1e-9
    )
    if middle is not None:
        assert middle == pytest.approx((start + end["yaw_total"]) / 2, abs=1e-6)


def test_what_hands_do_adds_to_a_turn_and_a_new_program_keeps_what_is_held() -> None:
    session = Session(plan(gate=Condition("glassing")))
    session.feed("mouse.right", 1.0)
    session.tick(0.01)
    session.turn_to("yaw", 90.0, over=0.5)
    session.feed("mouse.move", (20.0, 0.0))
    for _ in range(10):
        axes = session.tick(0.1).axes
    assert axes["yaw"] == pytest.approx(100.0)
    session.turn_to("pitch", 500.0, over=0.1)
    assert session.tick(0.2).axes["pitch"] == 70.0


def test_a_kick_fades_from_the_view_and_never_enters_the_axis() -> None:
    session = Session(plan())
    before = session.view().rotation
    session.kick("pitch", 4.0, half_life=0.1)
    session.shake("roll", 2.0, half_life=0.1)
    assert session.view().rotation != before
    frame = session.tick(0.1)
    assert (frame.axes["pitch"], frame.axes["roll"]) == (0.0, 0.0)
    forward_up = -session.view().pose_matrix()[1][2]
    assert forward_up == pytest.approx(0.0349, abs=2e-3)  # the sine of 2 deg
    for _ in range(100):
        session.tick(0.1)
    assert session.view().rotation == before


@pytest.mark.parametrize(
    ("call", "said"),
    [
        (
            lambda s: s.set_axis("ywa", 1.0),
            "found the axis ywa; expected yaw, pitch or roll; did you mean yaw?",
        ),
        (lambda s: s.set_axis("yaw", nan), "yaw: found nan; expected -1e+09 to 1e+09"),
        (lambda s: s.set_axis("yaw", -1.1e9), "yaw: found -1100000000.0; expected -1e+09 to 1e+09"),
        (lambda s: s.turn_to("yaw", 1e308, over=1.0), "yaw: found 1e+308; expected -1e+09 to 1e+09"),
        (
            lambda s: s.kick("yaw", 9e307, half_life=0.1),
            "yaw: found 9e+307 for 0.1 s; expected -1e+09 to 1e+09",
        ),
        (lambda s: s.turn_to("yaw", 1.0, over=0.0), "over: found 0.0; expected seconds above 0"),
        (lambda s: s.set_axis("yaw", 1.0, at=nan), "at: found nan; expected finite seconds"),
        (lambda s: s.set_scale("lok", 1.0), "found the route lok; expected look"),
        (lambda s: s.set_scale("look", -1.0), "look: found the factor -1.0; expected 0 to 100"),
        (lambda s: s.kick("zoom", 1.0, half_life=0.1), "found the axis zoom; expected yaw, pitch or roll"),
        (lambda s: s.kick("yaw", inf, half_life=0.1), "yaw: found inf for 0.1 s"),
        (lambda s: s.shake("yaw", 1.0, half_life=0.1, frequency=0.0), "frequency: found 0.0"),
    ],
)
def test_what_a_host_asks_for_wrongly_is_said(call: Callable[[Session], None], said: str) -> None:
    with pytest.raises(ArgumentError) as caught:
        call(Session(plan()))
    assert said in str(caught.value)


def test_wheels_count_in_notches_whatever_they_send() -> None:
    amounts = ((1.0, "notch"), (120.0, "120ths"), (3.0, "lines"), (100.0, "px"))
    assert {wheel_notches(amount, unit) for amount, unit in amounts} == {1.0}
    with pytest.raises(ArgumentError, match=r'found the unit "line"; expected .* did you mean lines\?'):
        wheel_notches(1.0, "line")


finite = st.floats(allow_nan=False, allow_infinity=False)
anything = st.one_of(
    st.tuples(st.sampled_from(["mouse.move", "pad.right_stick"]), st.tuples(finite, finite), finite),
    st.tuples(
        st.sampled_from(["mouse.wheel.y", "pad.left_trigger", "key.KeyQ", "mouse.right"]), finite, finite
    ),
)


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.lists(anything, max_size=10), st.lists(finite, max_size=6))
def test_with_any_finite_input_nothing_becomes_non_finite(
    plan: Plan, happened: list[Event], wild: list[Event], steps: list[float]
) -> None:
    session = fed(Session(plan), *happened, *wild)
    for dt in [*steps, 0.1, 10.0, -5.0, 0.0, 0.2]:
        frame = session.tick(dt)
        assert all(value - value == 0.0 for value in frame.axes.values())
        assert all(value - value == 0.0 for value in (*session.view().position, *session.view().rotation))


def test_shifting_the_origin_moves_the_view_with_the_world_and_nothing_else() -> None:
    session = fed(Session(plan(half_life=0.2)), ("mouse.move", (30.0, 0.0), 0.0))
    before = session.tick(0.01).axes["yaw"]
    session.shift_origin(100.0, 0.0, -50.0)
    assert session.view().position == (-100.0, 1.6, 50.0)
    assert session.tick(0.0).axes["yaw"] == before
    session.shift_origin(-100.0, 0.0, 50.0)
    assert session.view().position == (0.0, 1.6, 0.0)
    with pytest.raises(ArgumentError, match="origin"):
        session.shift_origin(nan, 0.0, 0.0)


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ({"subject": (1.0, 2.0)}, "expected a place, or a place and a rotation"),
        ({"subject": "heron"}, "expected a place, or a place and a rotation"),
        ({"subject": 4.0}, "expected a place, or a place and a rotation"),
        ({"subject": ((1.0, 2.0, 3.0), (0.0, 0.0, 1.0))}, "expected a unit quaternion"),
        (
            {"subject": ((1.0, 2.0, 3.0), (1.0, 0.0, 0.0))},
            r"found \(1.0, 0.0, 0.0\); expected a unit quaternion",
        ),
        ({"subject": (1.0, float("nan"), 3.0)}, "expected finite numbers"),
        ({"subject": (1.0, 2.0, float("inf"))}, "expected finite numbers"),
        ({"subject": ((1.0, 2.0, 3.0), (0.0, float("nan"), 0.0, 1.0))}, "expected a unit quaternion"),
        ({"clear": -0.1}, "clear = -0.1; expected finite numbers of 0 or more"),
        ({"clear": float("inf")}, "clear = inf; expected finite numbers of 0 or more"),
        ({"clear": "far"}, "clear = 'far'; expected a number"),
        ({"subject": (9.0, 0.0, 9.0), "clear": -1.0}, "clear = -1.0; expected finite numbers of 0 or more"),
        ({"subject": (9.0, 0.0, 9.0), "ground": float("nan")}, "ground = nan; expected finite numbers"),
        ({"subject": (9.0, 0.0, 9.0), "ground": lambda *_: float("inf")}, "ground = inf"),
    ],
)
@pytest.mark.parametrize("compiled", [False, pytest.param(True, marks=needs_compiler)])
def test_what_a_host_says_wrong_of_what_is_seen_is_refused_and_changes_nothing(
    said: dict[str, Any], words: str, *, compiled: bool
) -> None:
    with quickly():
        session = mt.load_profile(marsh.FOLLOWING).session(compiled=compiled)
    session.tick(0.1)
    seen = session.view(((1.0, 0.0, 2.0), (0.0, 0.0, 0.0, 1.0)), clear=3.0)
    with pytest.raises(mt.ArgumentError, match=words):
        session.view(**said)
    assert session.view() == seen


@given(
    st.tuples(*[st.floats(-1e6, 1e6)] * 3),
    st.tuples(*[st.floats(-1.0, 1.0)] * 4).filter(lambda q: sum(part * part for part in q) > 0.01),
)
def test_a_subject_counts_whether_it_comes_as_a_place_or_as_an_array(
    place: tuple[float, float, float], q: tuple[float, float, float, float]
) -> None:
    size = sum(part * part for part in q) ** 0.5
    unit = tuple(part / size for part in q)
    told: tuple[Any, ...] = ((place, unit), (np.array(place), np.array(unit)), (list(place), list(unit)))
    kinds: list[Any] = [tuple, list, np.array]
    views, profile = [], mt.load_profile(marsh.FOLLOWING)
    for subject in told:
        session = profile.session()
        session.tick(0.1)
        views.append(session.view(subject))
        views.append(session.view())
        assert len({session.view(kind(place)) for kind in kinds}) == 1
    assert len(set(views)) == 1


@pytest.mark.parametrize("unit", [1e3, 1e6], ids=["milliseconds", "microseconds"])
def test_events_long_before_their_time_wait_and_are_told_once(
    glasses: mt.Profile, caplog: pytest.LogCaptureFixture, unit: float
) -> None:
    session = glasses.session()
    with caplog.at_level(logging.WARNING, "mellow_thumb"):
        for k in range(1, 60):
            session.feed("mouse.move", (1.0, 0.0), at=k / 60 * unit)
            session.tick(1 / 60)
    assert session.early > 50
    (told,) = [one.getMessage() for one in caplog.records]
    assert told.startswith("early: mouse.move is ")
    assert "seconds since the session began" in told
    assert "align" in told
    assert session.refused == {}
    again = glasses.session()
    again.restore(session.state())
    assert again.early == session.early


def test_a_wall_clock_is_early_and_what_is_aligned_is_not(glasses: mt.Profile) -> None:
    wall, session, aligned = 1.7e9, glasses.session(), glasses.session()
    aligned.align("mouse", wall)
    for k in range(30):
        session.feed("mouse.move", (1.0, 0.0), at=wall + k / 30)
        aligned.feed("mouse.move", (1.0, 0.0), at=wall + k / 30, device="mouse")
        session.tick(1 / 30)
        aligned.tick(1 / 30)
    assert (session.early, session.late, session.tick(0.0).axes["yaw"]) == (30, 0, 0.0)
    assert aligned.early == 0
    assert aligned.tick(0.1).axes["yaw"] > 0.0


def test_so_many_wait_and_more_are_refused(glasses: mt.Profile, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.setattr("mellow_thumb.session.inbox.MOST", 20)
    session = glasses.session()
    for k in range(50):
        session.feed("mouse.move", (1.0, 0.0), at=1e6 + k)
    session.feed("mouse.move", (4.0, 0.0))
    yaw = session.tick(0.1).axes["yaw"]
    assert yaw > 0.0
    assert session.early == 50
    assert session.refused == {"mouse.move": {"more than 100,000 events wait for a later frame": 30}}
    assert len(session.state()["waiting"]) == 20


def test_what_is_fed_a_little_ahead_is_not_early(glasses: mt.Profile) -> None:
    session = glasses.session()
    for k in range(9):
        session.feed("mouse.move", (1.0, 0.0), at=float(k))
    for _ in range(100):
        session.tick(0.1)
    assert session.early == 0


@pytest.mark.parametrize(
    ("signal", "value", "said"),
    [
        ("pad.right_stick", (32767.0, -120.0), "clipped pad.right_stick: found (32767.0, -120.0); expected -1 to 1, "
         "as a share of full travel (told once)"),
        ("pad.left_trigger", 255, "clipped pad.left_trigger: found 255; expected 0 to 1, as a share of full travel "
         "(told once)"),
    ],
)  # fmt: skip
def test_a_value_in_other_units_is_told_once(
    caplog: pytest.LogCaptureFixture, signal: str, value: Any, said: str
) -> None:
    session = mt.load_profile(marsh.DYKE).session()
    with caplog.at_level(logging.WARNING, "mellow_thumb"):
        for _ in range(3):
            session.feed(signal, value)
            session.tick(0.01)
    assert [one.getMessage() for one in caplog.records] == [said]
    assert session.clipped == {signal: 3}


def test_a_frame_in_milliseconds_is_told_once(glasses: mt.Profile, caplog: pytest.LogCaptureFixture) -> None:
    session = glasses.session()
    with caplog.at_level(logging.WARNING, "mellow_thumb"):
        for _ in range(3):
            session.tick(16.67)
    assert [one.getMessage() for one in caplog.records] == [
        "a frame of 16.67 s was cut to 0.25 s, the ceiling; tick takes seconds (told once)"
    ]
    assert session.cut == 3


def test_a_press_on_what_nothing_asks_for_is_told_once(caplog: pytest.LogCaptureFixture) -> None:
    key = find_signal("mouse.left")
    gate = Gate("grab", Buttons((key,), begun_on="bird"))
    look = Route("look", find_signal("mouse.move.x"), ("yaw",), (0.1,), gate=Condition("grab"))
    axes = (Axis("yaw"), Axis("pitch"), Axis("roll"))
    sessions = (
        Session(Plan((look,), (gate,), axes, Eye("eye"))),
        Session(Plan((look,), (replace(gate, buttons=Buttons((key,))),), axes, Eye("eye"))),
    )
    with caplog.at_level(logging.WARNING, "mellow_thumb"):
        for session in sessions:
            for name in ("birds", "gull", "bird", "interface"):
                session.feed("mouse.left", 1.0, on=name)
                session.feed("mouse.left", 0.0)
    assert [one.getMessage() for one in caplog.records] == [
        'on="birds": nothing in the profile asks for a press on that; it asks for bird (told once)',
        'on="birds": nothing in the profile asks for what a press began on (told once)',
    ]


@given(st.floats(1e-3, 1e3), st.floats(1.001, 1e3))
def test_limits_of_an_axis_that_multiplies_hold_to_the_bit(low: float, ratio: float) -> None:
    high = low * ratio
    zoom = Axis("distance", start=low, low=low, high=high, unit="m", log=True)
    route = Route("near", find_signal("mouse.wheel.y"), ("distance",), (0.5,))
    axes = (Axis("yaw"), Axis("pitch"), Axis("roll"), zoom)
    session = Session(Plan((route,), (), axes, Eye("eye")))
    for way, limit in ((1.0, high), (-1.0, low)):
        for _ in range(60):
            session.feed("mouse.wheel.y", way)
            found = session.tick(0.01).axes["distance"]
            assert low <= found <= high
        assert found == limit


@pytest.mark.parametrize("rate", [0.0, 0.5, 1.0, 3.0])
def test_who_moves_by_velocity_goes_as_far_as_the_steps_say(rate: float) -> None:
    session = mt.load_profile(marsh.BOARDWALK).session()
    session.feed("key.KeyW", 1)
    session.tick(0.5)
    before = session.tick(0.1).movement.velocity
    assert -before[2] > 1.0
    for _ in range(4):
        moved = session.tick(0.1, world_dt=0.1 * rate).movement
        assert [part * 0.1 for part in moved.velocity] == pytest.approx(moved.step, abs=1e-9)
    assert session.tick(0.1).movement.velocity == pytest.approx(before)


class Counting(Session):
    """Counts what it is asked, before it does it."""

    def __init__(self, profile: mt.Profile) -> None:
        self.asked: list[str] = []
        super().__init__(profile)

    def feed(self, *what: Any, **more: Any) -> None:
        self.asked.append("feed")
        super().feed(*what, **more)

    def touch(self, *what: Any, **more: Any) -> None:
        self.asked.append("touch")
        super().touch(*what, **more)

    def view(self, *what: Any, **more: Any) -> mt.View:
        self.asked.append("view")
        return super().view(*what, **more)

    def snapshot(self) -> Snapshot:
        self.asked.append("snapshot")
        return super().snapshot()


def test_a_class_of_your_own_is_asked_and_does_the_same(glasses: mt.Profile) -> None:
    own, plain = Counting(glasses), glasses.session()
    for one in (own, plain):
        one.feed("mouse.move", (30.0, 4.0))
        one.touch("thumb", "down", (0.5, 0.5))
        one.tick(1 / 60)
    assert own.view() == plain.view()
    assert own.state() == plain.state()
    assert own.asked == ["feed", "touch", "view", "snapshot"]


def test_what_wraps_a_session_s_calls_is_heard(glasses: mt.Profile, monkeypatch: pytest.MonkeyPatch) -> None:
    fed: list[str] = []
    feed = Session.feed

    def wrapped(session: Session, signal: str, *what: Any) -> None:
        fed.append(signal)
        feed(session, signal, *what)

    monkeypatch.setattr(Session, "feed", wrapped)
    session = glasses.session()
    session.feed("mouse.move", (30.0, 4.0))
    assert fed == ["mouse.move"]
    assert session.tick(1 / 60).axes["yaw"] != 0.0

"""Gates, cues and derived signals: when a route listens, and what a press means."""

from __future__ import annotations

import json
from collections import Counter
from contextlib import suppress
from dataclasses import replace
from math import isfinite
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

from mellow_thumb import ArgumentError, PlanError, Session, replay
from mellow_thumb.plan.accessibility import Hands
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.derived import EdgeZone, KeySet, Presses
from mellow_thumb.plan.gates import Condition, Gate, Several, Travel
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import Address, find_signal
from mellow_thumb.plan.steps import Close, Exponential

from ..helpers import switching
from ..helpers.gate_model import GateModel
from ..helpers.strategies import EVERYTHING, Event, events, feed, joined, plans, take_of

AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"))
LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))


def plan(*routes: Route, **more: object) -> Plan:
    """A small plan around what a test is about."""
    gates = more.pop("gates", ())
    return Plan(routes or (LOOK,), gates, AXES, Eye("eye"), **more)  # type: ignore[arg-type]


def holding(name: str, *inputs: str, **options: object) -> Gate:
    """A gate that is open while one of these is held."""
    return Gate(name, Buttons(tuple(map(find_signal, inputs))), **options)  # type: ignore[arg-type]


def played(session: Session, *happened: Event, until: float) -> Session:
    """Feed a session and let time pass, in frames of 1/64 s."""
    for event in happened:
        feed(session, event)
    while session.now < until:
        session.tick(1 / 64)
    return session


# ---- against the model, and against itself


@st.composite
def switching_plans(draw: st.DrawFn) -> Plan:
    """Gates and cues of every kind, around a mouse and a stick."""
    gates = tuple(
        replace(gate, cursor="") for gate in draw(switching.gates())
    )  # a caught pointer drops movement
    names = [gate.name for gate in gates]
    stick = Route("turn", find_signal("pad.left_stick"), ("yaw", "pitch"), (50.0, 50.0), None, None, "rate")
    return Plan((LOOK, stick), gates, AXES, Eye("eye"), cues=draw(switching.cues(names)))


@settings(max_examples=200)
@given(switching_plans(), switching.play(), st.sampled_from([7, 30, 144]))
def test_gates_and_cues_are_what_a_plain_slow_model_says(
    plan: Plan, happened: list[Event], rate: int
) -> None:
    session, model, given_so_far = Session(plan, ceiling=2.0), GateModel(plan), Counter[str]()
    for event in happened:
        feed(session, event)
    for k in range(1, rate + 1):
        frame = session.tick(to=k / rate)
        for signal, value, t in happened:
            if (k - 1) / rate <= t < k / rate:
                model.event(signal, value, t)
        model.pass_to(k / rate)
        assert frame.gates == model.open
        assert frame.device == model.device
        for cue in plan.cues:
            while session.take_cue(cue.name):
                given_so_far[cue.name] += 1
    assert given_so_far == Counter({name: len(given) for name, given in model.given.items() if given})


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.integers(0, 30))
def test_no_gate_is_open_that_its_own_rule_says_is_closed(
    plan: Plan, happened: list[Event], rate: int
) -> None:
    table = replay(plan, take_of(happened), rate=rate + 1, until=1.0)
    for row in table.to_dict("records"):
        open_ = {gate.name: bool(row[f"gate_{gate.name}"]) for gate in plan.gates}
        for gate in plan.gates:
            if gate.when and not gate.after and not gate.travel:
                assert open_[gate.name] == gate.when.holds(open_)
            elif gate.when:
                assert not open_[gate.name] or gate.when.holds(open_)


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.sampled_from([24, 60, 144]))
def test_live_equals_replay_in_gates_and_cues(plan: Plan, happened: list[Event], rate: int) -> None:
    plan = replace(plan, cues=tuple(replace(cue, keep=0.0) for cue in plan.cues))
    table = replay(plan, take_of(happened), rate=rate, until=1.0)
    session = Session(plan, ceiling=2.0)
    for event in joined(happened):
        feed(session, event)
    for k, row in enumerate(table.to_dict("records"), 1):
        frame = session.tick(to=1.0 if k == rate else k / rate)
        assert frame.gates == {gate.name: bool(row[f"gate_{gate.name}"]) for gate in plan.gates}
        assert frame.cues == Counter(row["cues"].split())


@settings(max_examples=60)
@given(plans(makers=EVERYTHING), events(), st.integers(1, 29), st.booleans())
def test_a_restored_session_goes_on_to_the_bit(
    plan: Plan, happened: list[Event], cut: int, plain: bool
) -> None:
    whole, parted = Session(plan), Session(plan)
    for session in (whole, parted):
        for event in happened:
            feed(session, event)
        session.kick("yaw", 3.0, half_life=0.2)
    for k in range(1, 31):
        if k == cut:
            saved = json.loads(json.dumps(parted.state(), allow_nan=False)) if plain else parted.snapshot()
            parted = Session(plan)
            parted.restore(saved)
            assert parted.state() == whole.state()
        frames = [session.tick(1 / 30, world_dt=(k % 3) / 60) for session in (whole, parted)]
        assert repr(frames[0]) == repr(frames[1])
        assert repr(whole.view()) == repr(parted.view())


@settings(max_examples=80)
@given(plans(makers=EVERYTHING, limits=False), events(), st.booleans())
def test_losing_the_focus_or_every_device_leaves_nothing_held(
    plan: Plan, happened: list[Event], focus: bool
) -> None:
    session = Session(plan, ceiling=20.0)
    for event in happened:
        feed(session, event)
    session.feed("host.focus", 1, at=1.0)
    for lost in ["host.focus"] if focus else [f"{name}.connected" for name in ("mouse", "key", "pad")]:
        session.feed(lost, 0, at=1.0)
    if not focus:
        session.feed("mouse.inside", 0, at=1.0)  # a pointer goes with its mouse
    session.tick(to=2.0)
    settled = session.tick(to=17.0).axes
    assert session.tick(to=30.0).axes == pytest.approx(settled, abs=1e-6)
    gates = session.tick(to=31.0).gates
    for gate in plan.gates:
        device = gate.buttons and all(a.signal.device not in ("flag", "choice") for a in gate.buttons.inputs)
        if device and gate.choice == ("hold",):
            assert not gates[gate.name]


# ---- gates


def test_a_press_shorter_than_a_frame_counts_for_what_moved_in_it() -> None:
    session = Session(
        plan(replace(LOOK, gate=Condition("glassing")), gates=(holding("glassing", "mouse.right"),))
    )
    happened: list[Event] = [("mouse.move", (10.0, 0.0), 0.001), ("mouse.right", 1.0, 0.002), ("mouse.move", (10.0, 0.0), 0.003),
                  ("mouse.right", 0.0, 0.004), ("mouse.move", (10.0, 0.0), 0.005)]  # fmt: skip
    for event in happened:
        feed(session, event)
    frame = session.tick(1 / 60)
    assert (frame.axes["yaw"], frame.gates["glassing"]) == (1.0, False)


def test_the_player_chooses_whether_a_gate_is_held_or_toggled() -> None:
    session = Session(plan(gates=(holding("glassing", "mouse.right", choice=("hold", "toggle")),)))
    seen = []
    for choice in ("hold", "toggle"):
        session.choose("glassing", choice)
        for down in (1, 0, 1, 0):
            session.feed("mouse.right", down)
            seen.append(session.tick(0.01).gates["glassing"])
    assert seen == [True, False, True, False, True, True, False, False]
    for name, value in (("glassing", "touch"), ("glasing", "hold"), ("glassing", True)):
        with pytest.raises(ArgumentError, match="expected"):
            session.choose(name, value)


def test_a_trigger_holds_a_gate_until_it_falls_below_rearm() -> None:
    gate = Gate("glassing", Buttons((find_signal("pad.left_trigger"),), 0.4, 0.3))
    session, seen = Session(plan(gates=(gate,))), []
    for value in (0.39, 0.4, 0.31, 0.29, 0.39):
        session.feed("pad.left_trigger", value)
        seen.append(session.tick(0.01).gates["glassing"])
    assert seen == [False, True, True, False, False]


def test_a_key_that_is_down_as_its_gate_opens_waits_for_a_fresh_press_and_a_stick_does_not() -> None:
    gates = (holding("menu", "flag.menu"),)
    away = Condition("menu", wanted=False)
    key = Route("key", find_signal("key.KeyE"), ("yaw",), (90.0,), away, None, "rate")
    stick = Route("stick", find_signal("pad.right_stick.y"), ("pitch",), (90.0,), away, None, "rate")
    for fresh, expected in ((None, (0.0, 45.0)), (True, (0.0, 0.0)), (False, (45.0, 45.0))):
        session = Session(plan(replace(key, fresh=fresh), replace(stick, fresh=fresh), gates=gates))
        for signal in ("flag.menu", "key.KeyE", "pad.right_stick.y"):
            session.feed(signal, 1.0)
        session.tick(0.125)
        session.feed("flag.menu", 0.0)
        axes = played(session, until=0.625).tick(to=0.625).axes
        assert (axes["yaw"], axes["pitch"]) == pytest.approx(expected)
        for signal, value in (
            ("key.KeyE", 0),
            ("key.KeyE", 1),
            ("pad.right_stick.y", 0.0),
            ("pad.right_stick.y", 1.0),
        ):
            session.feed(signal, value)
        after = session.tick(0.25).axes
        assert after["yaw"] - axes["yaw"] == pytest.approx(22.5)
        assert after["pitch"] - axes["pitch"] == pytest.approx(22.5)


def test_closing_stops_or_settles_or_returns() -> None:
    gates = (holding("across", "pad.left_shoulder"),)
    ends = {}
    for close in (None, Close("stop"), Close("settle"), Close("return", 0.25)):
        route = Route("turn", find_signal("pad.right_stick.x"), ("yaw",), (100.0,), Condition("across"), Exponential(0.1), "rate",
                      on_close=close)  # fmt: skip
        session = Session(plan(route, gates=gates))
        session.feed("pad.left_shoulder", 1)
        session.feed("pad.right_stick.x", 1.0)
        closed = played(session, until=0.5).tick(to=0.5).axes["yaw"]
        session.feed("pad.left_shoulder", 0)
        ends[close] = (
            session.tick(1 / 64).axes["yaw"] - closed,
            played(session, until=2.0).tick(to=2.0).axes["yaw"],
        )
    assert ends[None] == ends[Close("stop")]
    assert ends[None][0] == 0.0
    assert ends[Close("settle")][0] > 0.0
    assert ends[Close("settle")][1] == pytest.approx(50.0, abs=1e-3)
    assert ends[Close("return", 0.25)][1] == pytest.approx(0.0, abs=1e-9)


def test_two_conditions_never_share_what_says_whether_they_hold() -> None:
    gates = (holding("aiming", "mouse.right"), holding("menu", "flag.menu"))
    plain = replace(LOOK, name="a", gate=Condition("aiming"))
    acts = replace(LOOK, name="b", gate=Condition("aiming"), on_close=Close("return", 0.1))
    other = replace(LOOK, name="c", gate=Condition("menu", wanted=False), on_close=Close("return", 0.1))
    session = Session(plan(plain, acts, other, gates=gates))
    session.feed("mouse.move", (10.0, 0.0))
    once = session.tick(0.01).axes["yaw_total"]
    session.feed("mouse.right", 1)
    session.feed("mouse.move", (10.0, 0.0))
    assert session.tick(0.01).axes["yaw_total"] == pytest.approx(4.0 * once)


def test_an_axis_that_was_free_from_the_start_returns_to_where_it_started() -> None:
    axes = (replace(AXES[0], start=40.0), *AXES[1:])
    route = replace(LOOK, gate=Condition("menu", wanted=False), on_close=Close("return", 0.1))
    session = Session(replace(plan(route, gates=(holding("menu", "flag.menu"),)), axes=axes))
    session.feed("mouse.move", (100.0, 20.0))
    session.tick(0.1)
    session.feed("flag.menu", 1)
    session.tick(0.2)
    assert session.tick(0.01).axes["yaw"] == pytest.approx(40.0)
    rests = replace(AXES[2], return_half_life=0.2)
    with pytest.raises(PlanError, match="as its gate closes and axis roll by itself; keep one"):
        replace(
            session._running.plan, routes=(replace(route, drives=("yaw", "roll")),), axes=(*axes[:2], rests)
        )


def test_an_offset_returns_over_its_time_and_is_measured_from_where_it_was_as_the_gate_opened() -> None:
    route = Route("lean", find_signal("pad.left_trigger"), ("roll",), (40.0,), Condition("across"), None, "offset",
                  on_close=Close("return", 0.25), zero_on_open=True)  # fmt: skip
    session = Session(plan(route, gates=(holding("across", "pad.left_shoulder"),)))
    rolls = []
    for signal, value in [
        ("pad.left_trigger", 0.25),
        ("pad.left_shoulder", 1),
        ("pad.left_trigger", 0.75),
        ("pad.left_shoulder", 0),
    ]:
        session.feed(signal, value)
        rolls.append(session.tick(0.125).axes["roll"])
    assert rolls == pytest.approx([0.0, 0.0, 20.0, 10.0])
    assert session.tick(0.125).axes["roll"] == pytest.approx(0.0)


def test_a_press_counts_by_what_it_began_on_and_never_if_the_interface_used_it() -> None:
    left = (find_signal("mouse.left"),)
    gates = (
        Gate("aim", Buttons(left, begun_on="bird")),
        Gate("drag", Buttons(left, begun_off="bird")),
        Gate("any", Buttons(left)),
    )
    session, seen = Session(plan(gates=gates)), []
    for on in ("bird", "reeds", None, "interface"):
        session.feed("mouse.left", 1, on=on)
        seen.append({name for name, open_ in session.tick(0.01).gates.items() if open_})
        session.feed("mouse.left", 0, on=on)
        assert not any(session.tick(0.01).gates.values())
    assert seen == [{"aim", "any"}, {"drag", "any"}, {"drag", "any"}, set()]


def test_a_drag_begins_after_its_travel_or_its_time() -> None:
    gates = (
        replace(holding("late", "mouse.left"), after=0.2),
        Gate(
            "far",
            Buttons((find_signal("mouse.left"),)),
            travel=Travel(find_signal("mouse.move"), 10.0),
        ),
    )
    session = Session(plan(replace(LOOK, gate=Condition("far")), gates=gates))
    happened: list[Event] = [("mouse.left", 1.0, 0.0), ("mouse.move", (6.0, 0.0), 0.01), ("mouse.move", (-6.0, 0.0), 0.02),
                  ("mouse.move", (0.0, 11.0), 0.03), ("mouse.move", (5.0, 0.0), 0.031)]  # fmt: skip
    for event in happened:
        feed(session, event)
    assert [session.tick(to=t).gates for t in (0.03, 0.04, 0.19, 0.2)] == [
        {"late": False, "far": False}, {"late": False, "far": True}, {"late": False, "far": True}, {"late": True, "far": True},
    ]  # fmt: skip
    assert session.tick(0.01).axes == pytest.approx({"yaw": 0.5, "pitch": 0.1, "roll": 0.0, "yaw_total": 0.5})


RIGHT = (holding("a", "mouse.right"), holding("b", "flag.b"))
WRONG_GATES = [
    (Gate("c", when=Condition("c")), "c: found a gate that waits for itself: c -> c"),
    (
        Gate("c", when=Several((Condition("a"), Condition("a", wanted=False)))),
        "c: found (a and not a), which can never open",
    ),
    (
        Gate("c", when=Several((Condition("a"), Condition("a", wanted=False)), every=False)),
        "which can never close",
    ),
    (Gate("c", when=Condition("z")), "found the gate z, which is not there"),
    (Gate("c", active="pad"), "found active pad, which can never open: nothing of a gamepad is used"),
]


@pytest.mark.parametrize(("gate", "said"), WRONG_GATES, ids=str)
def test_a_gate_that_cannot_change_is_refused(gate: Gate, said: str) -> None:
    with pytest.raises(PlanError) as raised:
        plan(gates=(*RIGHT, gate))
    assert said in str(raised.value)


# ---- derived signals


def keys(opposite: str = "cancel", **more: object) -> tuple[KeySet, Route]:
    """The four walking keys, as a stick that turns the view by up to 64 deg/s."""
    ways = tuple((find_signal(f"key.Key{key}"),) for key in "ADSW")
    made = KeySet("steps", ways, opposite, **more)  # type: ignore[arg-type]
    return made, Route("walk", Address(made.signal), ("yaw", "pitch"), (64.0, 64.0), None, None, "rate")


@given(
    st.lists(st.tuples(st.sampled_from("WASD"), st.booleans()), max_size=12),
    st.sampled_from(["cancel", "newest"]),
)
def test_keys_are_a_stick_no_faster_across_than_along(presses: list[tuple[str, bool]], opposite: str) -> None:
    made, route = keys(opposite)
    session, down = Session(plan(route, derived=(made,))), list[str]()
    for key, pressed in presses:
        session.feed(f"key.Key{key}", pressed)
        down = [other for other in down if other != key or pressed] + (
            [key] if pressed and key not in down else []
        )
    axes = session.tick(1 / 64).axes
    x, y = (way("A", "D", down, opposite), way("S", "W", down, opposite))
    size = max((x * x + y * y) ** 0.5, 1.0)
    assert (axes["yaw"], axes["pitch"]) == pytest.approx((x / size, y / size))


def way(minus: str, plus: str, down: list[str], opposite: str) -> float:
    """Which way two opposite keys push, by the order in which they were pressed."""
    pair = [key for key in down if key in (minus, plus)]
    if len(pair) == 2 and opposite == "cancel":
        return 0.0
    return 0.0 if not pair else 1.0 if pair[-1] == plus else -1.0


def test_a_lock_keeps_walking_until_another_key_is_pressed() -> None:
    made, route = keys(lock=(find_signal("key.KeyL"),))
    session = Session(plan(route, derived=(made,)))
    yaws = []
    for key, down in [("D", 1), ("L", 1), ("L", 0), ("D", 0), ("W", 1), ("W", 0)]:
        session.feed(f"key.Key{key}", down)
        yaws.append(session.tick(1 / 64).axes["yaw"])
    assert yaws == pytest.approx([1.0, 2.0, 3.0, 4.0, 4.0, 4.0])


@given(st.floats(0.0, 1.0), st.floats(0.0, 1.0), st.sampled_from([(1600, 900), (900, 1600), (3200, 1800)]))
def test_an_edge_pushes_outward_no_faster_in_the_corners_whatever_the_pixels(
    x: float, y: float, size: tuple[int, int]
) -> None:
    made = EdgeZone("edge", find_signal("mouse.place"), (0.1,) * 4)
    session = Session(
        plan(
            Route("scroll", Address(made.signal), ("yaw", "pitch"), (64.0, 64.0), None, None, "rate"),
            derived=(made,),
        )
    )
    session.set_screen(*size)
    session.feed("mouse.place", (x, y))
    axes = session.tick(1 / 64).axes
    pushes = [push(place, side / min(size)) for place, side in zip((x, y), size, strict=True)]
    length = max(1.0, (pushes[0] ** 2 + pushes[1] ** 2) ** 0.5)
    assert (axes["yaw"], axes["pitch"]) == pytest.approx([one / length for one in pushes], abs=1e-9)
    for signal in ("mouse.inside", "host.focus"):
        session.feed(signal, 0)
        still = session.tick(0.01).axes
        assert session.tick(0.01).axes == still
        session.feed(signal, 1)
        session.tick(0.01)


def push(place: float, side: float) -> float:
    """How far a pointer pushes, by its distance in screens to the nearer edge."""
    near = min(place, 1.0 - place) * side
    return max(0.0, 1.0 - near / 0.1) * (1.0 if place > 0.5 else -1.0)


def test_a_stick_that_passes_a_threshold_turns_by_one_step_and_must_come_back_first() -> None:
    made = Presses("snap", Buttons((find_signal("pad.left_stick.x"),), 0.7, 0.4))
    session = Session(plan(Route("snap", Address(made.signal), ("yaw",), (30.0,)), derived=(made,)))
    yaws = []
    for x in (0.6, 0.8, 0.5, 0.9, 0.3, 0.7, -0.9, 0.0):
        session.feed("pad.left_stick.x", x)
        yaws.append(session.tick(0.01).axes["yaw"])
    assert yaws == [0.0, 30.0, 30.0, 30.0, 30.0, 60.0, 30.0, 30.0]


# ---- cues


def given_at(cue: Cue, *presses: tuple[float, float], until: float = 2.0) -> list[int]:
    """The frames, of 1/100 s, in which a cue is given for presses from ... to ...."""
    session = Session(plan(cues=(cue,)))
    for begin, end in presses:
        session.feed("pad.south", 1, at=begin)
        session.feed("pad.south", 0, at=end)
    return [k for k in range(1, round(until * 100)) if session.tick(to=k / 100).cues]


SOUTH = Buttons((find_signal("pad.south"),))


def test_each_moment_of_a_press_makes_its_cue() -> None:
    taps = ((0.1, 0.105), (0.25, 0.305), (0.9, 1.5))
    assert given_at(Cue("hop", SOUTH), *taps) == [11, 26, 91]
    assert given_at(Cue("hop", SOUTH, "release"), *taps) == [11, 31, 151]
    assert given_at(Cue("hop", SOUTH, "tap"), *taps) == [11, 31]
    assert given_at(Cue("hop", SOUTH, "double_tap", within=0.3), *taps) == [26]
    assert given_at(Cue("hop", SOUTH, "long_press", after=0.35), *taps) == [125]
    assert given_at(Cue("hop", SOUTH, cooldown=0.4), *taps) == [11, 91]


def test_a_kept_cue_waits_to_be_taken_once_and_goes_when_its_time_is_over() -> None:
    session = Session(plan(cues=(Cue("hop", SOUTH, keep=0.12),)))
    session.feed("pad.south", 1)
    seen = [("hop" in session.tick(0.05).cues, session.take_cue("hop")) for _ in range(2)]
    session.feed("pad.south", 0)
    session.feed("pad.south", 1)
    assert seen == [(True, True), (False, False)]
    assert [session.tick(0.05).cues for _ in range(2)] == [{"hop": 1}, {}]
    assert session.take_cue("hop")  # 0.1 s after it
    session.feed("pad.south", 0)
    session.feed("pad.south", 1)
    assert [session.tick(0.05).cues for _ in range(4)] == [{"hop": 1}, {}, {}, {}]
    assert not session.take_cue("hop")  # 0.15 s
    with pytest.raises(ArgumentError, match="expected hop"):
        session.take_cue("hopp")


@pytest.mark.parametrize("fps", [24, 60, 144, 1000])
def test_physics_at_a_rate_of_its_own_sees_every_press(fps: int) -> None:
    session, taken, steps, shown = Session(plan(cues=(Cue("hop", SOUTH),))), 0, 0, 0
    for k in range(60):
        session.feed("pad.south", 1, at=0.1 * k)
        session.feed("pad.south", 0, at=0.1 * k + 0.004)
    for _ in range(7 * fps):
        shown += session.tick(1 / fps).cues.get("hop", 0)
        while steps / 50 <= session.now:
            taken, steps = taken + session.take_cue("hop"), steps + 1
    assert (taken, shown) == (60, 60)


def test_several_physics_steps_a_frame_or_none_neither_lose_nor_repeat_a_cue() -> None:
    session = Session(plan(cues=(Cue("hop", SOUTH, keep=0.2),)))
    for t in (0.01, 0.03, 0.11):
        session.feed("pad.south", 1, at=t)
        session.feed("pad.south", 0, at=t + 0.005)
    taken = []
    for steps in (2, 0, 3, 1, 0, 1):
        session.tick(0.05)
        taken.append([session.take_cue("hop") for _ in range(steps)].count(True))
    assert taken == [2, 0, 1, 0, 0, 0]


# ---- devices, the cursor, the world, the player


def test_a_drifting_stick_does_not_take_over_and_a_hand_that_moves_does() -> None:
    stick = Route("turn", find_signal("pad.left_stick"), ("yaw", "pitch"), (1.0, 1.0), None, None, "rate")
    cue = Cue("hop", Buttons((find_signal("pad.south"), find_signal("key.Space"))))
    session = Session(plan(LOOK, stick, cues=(cue,)))
    seen = []
    doings: list[tuple[str, float | tuple[float, float]]] = [("pad.left_stick", (0.2, 0.1)), ("pad.left_stick", (0.5, 0.1)),
                          ("mouse.move", (3.0, 0.0)),
                          ("mouse.move", (30.0, 0.0))]  # fmt: skip
    for signal, value in doings:
        session.feed(signal, value)
        seen.append((session.tick(0.5).device, session.label("hop")))
        if signal == "pad.left_stick":
            session.feed("pad.left_stick", (0.2, 0.1))
    assert seen == [("desk", "Space"), ("pad", "bottom button"), ("pad", "bottom button"), ("desk", "Space")]


def test_only_what_has_a_button_has_a_label_and_only_a_size_is_a_screen() -> None:
    session = Session(plan(gates=(holding("menu", "flag.menu"), holding("glassing", "mouse.right"))))
    assert session.label("glassing") == "right mouse button"
    for name, said in (("menu", "expected glassing"), ("glasing", "expected glassing")):
        with pytest.raises(ArgumentError, match=said):
            session.label(name)
    for size in ((0.0, 900.0), (1600.0, float("nan")), (float("inf"), 900.0)):
        with pytest.raises(ArgumentError, match="expected 1 to a million pixels"):
            session.set_screen(*size)


def test_the_cursor_is_what_the_open_gates_want_and_its_capture_is_no_movement() -> None:
    gates = (
        holding("menu", "flag.menu", cursor="free", priority=1),
        holding("glassing", "mouse.right", cursor="held"),
    )
    session, seen = Session(plan(gates=gates, cursor="hidden")), []
    doings: list[tuple[str, float | tuple[float, float]]] = [("mouse.right", 1), ("mouse.move", (400.0, 0.0)), ("mouse.move", (10.0, 0.0)), ("flag.menu", 1),
                          ("mouse.right", 0), ("flag.menu", 0)]  # fmt: skip
    for signal, value in doings:
        session.feed(signal, value)
        seen.append((session.tick(0.01).axes["yaw"], session.view().cursor))
    assert seen == [
        (0.0, "held"),
        (0.0, "held"),
        (1.0, "held"),
        (1.0, "free"),
        (1.0, "free"),
        (1.0, "hidden"),
    ]


def test_a_pause_of_the_world_stops_what_returns_and_not_the_hand() -> None:
    lean = Axis("lean", 0.0, -50.0, 50.0, rest=0.0, return_half_life=0.1)
    push = Route("push", find_signal("mouse.move.x"), ("lean",), (1.0,))
    session = Session(Plan((LOOK, push), (), (*AXES, lean), Eye("eye")))
    session.kick("roll", 8.0, half_life=0.1)
    session.feed("mouse.move", (16.0, 5.0))
    leans = [session.tick(0.1, world_dt=part).axes["lean"] for part in (0.0, 0.0, 0.1, 0.05)]
    assert leans == pytest.approx([16.0, 16.0, 8.0, 8.0 * 0.5**0.5])
    assert session.tick(0.1, world_dt=0.0).axes["pitch"] == 0.5
    quiet = Session(replace(plan(), hands=Hands(reduced_motion=True)))
    for one, size in ((Session(plan()), 8.0), (quiet, 2.0)):
        one.kick("roll", 8.0, half_life=0.1)
        assert one.view().rotation[2] == pytest.approx(-size * 0.008726646, rel=1e-2)
    for wrong in (-1.0, float("nan"), float("-inf")):  # a world whose clock is broken stands still
        stalled, before = session.stalled, session.tick(0.1, world_dt=0.0).axes["lean"]
        assert session.tick(0.1, world_dt=wrong).axes["lean"] == before
        assert session.stalled == stalled + 1


def test_hands_that_tremble_are_given_time() -> None:
    hands = Hands(debounce=0.05, min_hold=0.02)
    session = Session(
        replace(plan(gates=(holding("glassing", "mouse.right"),), cues=(Cue("hop", SOUTH),)), hands=hands)
    )
    for begin, end in ((0.1, 0.11), (0.2, 0.3), (0.32, 0.4)):
        for signal in ("mouse.right", "pad.south"):
            session.feed(signal, 1, at=begin)
            session.feed(signal, 0, at=end)
    frames = [session.tick(to=k / 100) for k in range(1, 60)]
    assert [k for k, frame in enumerate(frames, 1) if frame.gates["glassing"]] == list(range(22, 45))
    assert sum(sum(frame.cues.values()) for frame in frames) == 1


@given(events(plain=True), st.sampled_from([20.0, 90.0]))
def test_a_cap_on_turning_holds_for_mouse_and_stick(happened: list[Event], cap: float) -> None:
    stick = Route(
        "turn",
        find_signal("pad.right_stick"),
        ("roll", "pitch"),
        (300.0, 100.0),
        None,
        Exponential(0.05),
        "rate",
    )
    one = Plan((replace(LOOK, gains=(0.5, 0.5)), stick), (), AXES, Eye("eye"), hands=Hands(turn_cap=cap))
    session, last = Session(one), 0.0
    for event in happened:
        feed(session, event)
    for _ in range(10):
        yaw = session.tick(0.1).axes["yaw_total"]
        assert abs(yaw - last) <= cap * (0.1 + 0.05) + 1e-9
        last = yaw


def test_a_state_of_another_profile_is_refused_and_changes_nothing() -> None:
    session, other = Session(plan()), Session(plan(replace(LOOK, gains=(0.2, 0.2))))
    session.feed("mouse.move", (5.0, 5.0))
    session.tick(0.1)
    before = session.state()
    for wrong in (
        other.state(),
        other.snapshot(),
        {"format": "x"},
        {**before, "loop": {}},
        {**before, "waiting": [[1]]},
        {**before, "clock": [0.0]},
        {**before, "arrived": [[0.0, 99, 1.0, 1.0]]},
        {**before, "loop": {**before["loop"], "yaw": float("nan")}},
        {**before, "counts": [1.0]},
        {**before, "settings": [["set", "x"]]},
    ):
        with pytest.raises(ArgumentError, match="expected"):
            session.restore(wrong)
    assert session.state() == before


def test_the_focus_back_with_a_trigger_still_pulled_presses_nothing() -> None:
    pulled = Buttons((find_signal("pad.left_trigger"),))
    snap = Presses("snap", pulled)
    turn = Route("turn", Address(snap.signal), ("yaw",), (30.0,))
    gates = (Gate("held", pulled), Gate("charting", pulled, ("toggle",)))
    session = Session(
        plan(turn, gates=gates, cues=(Cue("hop", pulled), Cue("loose", pulled, "release")), derived=(snap,))
    )
    seen = []
    for signal, value in [
        ("pad.left_trigger", 1.0),
        ("host.focus", 0),
        ("host.focus", 1),
        ("pad.left_trigger", 0.0),
    ]:
        session.feed(signal, value)
        frame = session.tick(0.01)
        seen.append((frame.gates["held"], frame.gates["charting"], frame.axes["yaw"], [*frame.cues]))
    assert seen == [
        (True, True, 30.0, ["hop"]), (False, True, 30.0, ["loose"]), (True, True, 30.0, []), (False, True, 30.0, []),
    ]  # fmt: skip


@pytest.mark.parametrize(
    ("signal", "reason"),
    [
        ("flag.mneu", "no gate asks for it; did you mean menu?"),
        ("flag.rain", ""),
        ("flag.", "unknown signal"),
        ("flag", "unknown signal"),
        ("key.q", "unknown signal; did you mean key.KeyQ?"),
    ],
)
def test_live_and_replay_refuse_the_same_names_with_the_same_words(signal: str, reason: str) -> None:
    one = plan(gates=(holding("menu", "flag.menu"),))
    session = Session(one)
    session.feed(signal, 1.0)
    refused = {signal: {reason: 1}} if reason else {}
    assert session.refused == refused
    assert replay(one, take_of([(signal, 1.0, 0.1)])).attrs["refused"] == refused


numbers = st.floats() | st.sampled_from([0.0, 1.0, -1.0, 0.02, 1e300])
calls = st.one_of(
    st.tuples(st.just("feed"), st.sampled_from(["mouse.move", "pad.left_stick"]), st.tuples(numbers, numbers), st.none() | numbers),
    st.tuples(st.just("feed"), st.sampled_from(["key.KeyQ", "pad.left_trigger", "flag.menu", "host.focus", "host.world_rate",
                                                "mouse.move.y", "choice.g0", "pad.connected"]), numbers, st.none() | numbers),
    st.tuples(st.just("tick"), numbers, st.none() | numbers),
    st.tuples(st.just("set_axis"), st.sampled_from(["yaw", "lean", "zoom"]), numbers),
    st.tuples(st.just("kick"), st.sampled_from(["yaw", "roll"]), numbers),
    st.tuples(st.sampled_from(["rewind", "plain"])),
)  # fmt: skip


@settings(max_examples=80)
@given(plans(makers=EVERYTHING), st.lists(calls, max_size=30))
def test_no_call_however_wrong_poisons_a_session(plan: Plan, wrong: list[tuple[Any, ...]]) -> None:
    session = Session(plan)
    for name, *words in wrong:
        with suppress(ArgumentError):
            if name == "feed":
                session.feed(words[0], words[1], at=words[2])
            elif name == "tick":
                session.tick(words[0], world_dt=words[1])
            elif name == "kick":
                session.kick(words[0], words[1], half_life=0.1)
            elif name == "set_axis":
                session.set_axis(*words)
            else:
                session.restore(
                    session.snapshot() if name == "rewind" else json.loads(json.dumps(session.state()))
                )
        axes = session.tick(0.01).axes
        for axis in plan.axes:
            if not plan.others:  # a mount may have limits of its own
                assert axis.low - 1e-9 <= axes[axis.name] <= axis.high + 1e-9
        assert all(isfinite(value) for value in (*axes.values(), *session.view().rotation))

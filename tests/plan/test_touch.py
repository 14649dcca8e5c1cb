"""Touches: fingers that come and go in any order, and what they drag, spread, twist and push."""

from __future__ import annotations

import json
from itertools import pairwise
from math import cos, exp, log, radians, sin
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight.exporting import describe
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.movement import MOVES
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import Address
from mellow_thumb.plan.touches import Length, Touch

from ..helpers.profiles import data, load, refused_for
from ..helpers.strategies import Event, feed, take_of

RIGHT, LEFT = (0.45, 0.0, 1.0, 1.0), (0.0, 0.0, 0.45, 1.0)
LOOK = Touch("look", "drag", RIGHT, after_travel=Length(0.02))
PINCH = Touch("pinch", "spread", RIGHT)
TURN = Touch("turn", "twist", RIGHT)
SLIDE = Touch("slide", "two_finger_drag", RIGHT)
WALK = Touch("walk", "thumb_pad", LEFT, radius=Length(0.2))
ALL = (LOOK, PINCH, TURN, SLIDE, WALK)
AXES = (
    Axis("yaw"), Axis("pitch"), Axis("roll"), Axis("distance", 4.0, 1e-3, 1e4, "m", log=True),
    Axis("across", unit=""), Axis("along", unit=""),
    *(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES),
)  # fmt: skip


def route(touch: Touch, *drives: str, gain: float = 1.0, **more: Any) -> Route:
    effect = "offset" if touch.kind == "thumb_pad" else "step"
    return Route(touch.name, Address(touch.signal), drives, (gain,) * len(drives), effect=effect, **more)


def plan(
    *touches: Touch, glide: float = 0.0, cues: tuple[Cue, ...] = (), gates: tuple[Gate, ...] = ()
) -> Plan:
    ways = {
        "look": ("yaw", "pitch"), "pinch": ("distance",), "turn": ("roll",), "slide": ("across", "along"), "walk": MOVES,
    }  # fmt: skip
    chosen = touches or ALL
    routes = [
        route(one, *ways[one.name], gain=100.0 if one.name == "look" else 1.0, **({"glide": glide} if one.name == "look" else {}))
        for one in chosen
        if one.name in ways
    ]  # fmt: skip
    return Plan(tuple(routes), gates, AXES, Eye("eye"), touches=chosen, cues=cues)


def session(*touches: Touch, size: tuple[float, float] = (1600.0, 800.0), **more: Any) -> mt.Session:
    one = mt.Session(plan(*touches, **more), ceiling=100.0)
    one.set_screen(*size)
    return one


def switch(touch: Touch, what: str = "down") -> Buttons:
    return Buttons((Address(next(one for one in touch.signals if one.name.endswith(what))),))


places = st.tuples(st.floats(0.0, 1.0), st.floats(0.0, 1.0))
happenings = st.lists(
    st.tuples(
        st.integers(0, 99), st.sampled_from(["down", "move", "move", "up", "cancel"]), places, st.floats(0.0, 2.0)
    ),
    max_size=200,
)  # fmt: skip


@settings(max_examples=60)
@given(happenings)
def test_a_hundred_fingers_in_any_order_never_leave_a_contact_behind(
    happened: list[tuple[int, str, tuple[float, float], float]],
) -> None:
    gates = tuple(Gate(f"on {one.name}", switch(one)) for one in ALL)
    one = session(gates=gates)
    on: set[int] = set()
    for finger, phase, place, t in sorted(happened, key=lambda each: each[3]):
        one.touch(finger, phase, place, at=t)
        on = on | {finger} if phase == "down" else on - {finger} if phase in ("up", "cancel") else on
    one.tick(2.5)
    for finger in sorted(on, reverse=True):
        one.touch(finger, "cancel" if finger % 2 else "up")
    frame = one.tick(0.1)
    kept = one._running.state
    assert not any(kept[f"finger{k}_area"] for k in range(1, 11))
    assert not any(kept[f"area{k}_{what}"] for k in (1, 2) for what in ("size", "counting", "going", "open"))
    assert not any(frame.gates.values())
    assert (frame.axes["move_x"], frame.axes["move_y"]) == (0.0, 0.0)


@given(
    st.lists(st.tuples(st.booleans(), st.floats(0.5, 0.95), st.floats(0.05, 0.95)), max_size=30),
    st.sampled_from([(1600.0, 800.0), (800.0, 1600.0)]),
)
def test_a_pinch_out_and_in_by_any_path_ends_where_it_began(
    path: list[tuple[bool, float, float]], size: tuple[float, float]
) -> None:
    one = session(size=size)
    one.touch("a", "down", (0.6, 0.5))
    one.touch("b", "down", (0.9, 0.6))
    one.tick(0.1)
    for first, x, y in path:
        one.touch("a" if first else "b", "move", (x, y))
        one.tick(0.01)
    one.touch("a", "move", (0.6, 0.5))
    one.touch("b", "move", (0.9, 0.6))
    axes = one.tick(0.1).axes
    assert axes["distance"] == pytest.approx(4.0, abs=1e-9)
    assert (axes["across"], axes["along"]) == pytest.approx((0.0, 0.0), abs=1e-9)


@given(st.floats(0.02, 0.6), st.floats(0.0, 360.0), st.integers(1, 30))
def test_the_travel_that_starts_a_drag_is_dropped_without_a_jump(
    way: float, angle: float, steps: int
) -> None:
    one = session(Touch("look", "drag", after_travel=Length(0.1)))
    dx, dy = way * cos(radians(angle)) / 2.0, way * sin(radians(angle))  # the screen is two by one
    one.touch(1, "down", (0.5, 0.5))
    seen = [0.0]
    for k in range(1, steps + 1):
        one.touch(1, "move", (0.5 + dx * k / steps, min(max(0.5 + dy * k / steps, 0.0), 1.0)))
        axes = one.tick(0.01).axes
        seen.append((axes["yaw_total"] ** 2 + axes["pitch"] ** 2) ** 0.5)
    if abs(dy) <= 0.5:
        assert seen[-1] == pytest.approx(100.0 * max(way - 0.1, 0.0), abs=1e-6)
        assert max(b - a for a, b in pairwise(seen)) <= 100.0 * way / steps + 1e-6


def test_a_second_finger_turns_a_drag_into_a_pinch_and_back_without_a_jump() -> None:
    one = session()
    one.touch("a", "down", (0.6, 0.5))
    one.touch("a", "move", (0.7, 0.5))
    before = one.tick(0.1).axes["yaw"]
    assert before == pytest.approx(18.0)  # 0.2 screens, less what started it
    one.touch("b", "down", (0.91, 0.5))
    assert one.tick(0.1).axes["yaw"] == before
    one.touch("b", "move", (0.8, 0.5))  # it may be a tap until it has gone 0.02 screens
    axes = one.tick(0.1).axes
    assert axes["yaw"] == before
    assert axes["distance"] == pytest.approx(2.0)
    one.touch("a", "up")
    axes = one.tick(0.1).axes
    assert axes["yaw"] == before
    assert axes["distance"] == pytest.approx(2.0)
    one.touch("b", "move", (0.9, 0.5))
    assert one.tick(0.1).axes["yaw"] == pytest.approx(before + 20.0)  # the look goes on, with nothing dropped


def test_a_twist_is_clockwise_and_goes_on_beyond_half_a_turn() -> None:
    one = session(TURN)
    one.touch("a", "down", (0.7, 0.5))
    for k in range(0, 406, 5):
        a = radians(-k)
        place = (0.7 + 0.1 * cos(a), 0.5 + 0.2 * sin(a))  # round the other finger, on a screen of two by one
        one.touch("b", "move" if k else "down", place)
        one.tick(0.01)
    assert one.tick(0.01).axes["roll"] == pytest.approx(405.0)


# ---- pads


def test_a_pad_is_where_the_finger_lands_and_at_its_rim_a_finger_is_all_the_way_out() -> None:
    one = session(WALK)
    one.touch(7, "down", (0.2, 0.4))
    assert one.tick(0.1).axes["move_y"] == 0.0
    one.touch(7, "move", (0.2, 0.5))
    assert one.tick(0.1).axes["move_y"] == pytest.approx(0.5)
    one.touch(7, "move", (0.4, 0.4))
    axes = one.tick(0.1).axes
    assert (axes["move_x"], axes["move_y"]) == pytest.approx((1.0, 0.0))
    one.touch(7, "up")
    assert one.tick(0.1).axes["move_x"] == 0.0


def test_a_fixed_pad_has_its_middle_where_it_is_and_one_that_follows_comes_along() -> None:
    fixed = session(Touch("walk", "thumb_pad", radius=Length(0.2), centre=(0.2, 0.5)))
    fixed.touch(1, "down", (0.2, 0.6))
    assert fixed.tick(0.1).axes["move_y"] == pytest.approx(0.5)
    trailing = session(Touch("walk", "thumb_pad", radius=Length(0.2), follows=True))
    trailing.touch(1, "down", (0.2, 0.2))
    trailing.touch(1, "move", (0.2, 0.7))
    assert trailing.tick(0.1).axes["move_y"] == pytest.approx(1.0)
    trailing.touch(1, "move", (0.2, 0.6))  # half the way back to the middle, which is at 0.5 by now
    assert trailing.tick(0.1).axes["move_y"] == pytest.approx(0.5)


def test_two_pads_at_once_and_a_third_finger_goes_elsewhere() -> None:
    one = session(WALK, LOOK)
    one.touch("left", "down", (0.2, 0.5))
    one.touch("right", "down", (0.7, 0.5))
    one.touch("more", "down", (0.3, 0.2))  # the pad is taken, and nothing else is there
    one.touch("left", "move", (0.2, 0.6))
    one.touch("right", "move", (0.8, 0.5))
    one.touch("more", "move", (0.3, 0.9))
    axes = one.tick(0.1).axes
    assert (axes["move_y"], axes["yaw"]) == pytest.approx((0.5, 18.0))


def test_cm_need_a_scale_and_are_never_guessed() -> None:
    pad = Touch("walk", "thumb_pad", radius=Length(1.0, "cm"))
    one = session(pad)
    one.touch(1, "down", (0.2, 0.4))
    one.touch(1, "move", (0.2, 0.5))
    assert one.tick(0.1).axes["move_y"] == 0.0
    one.touch(1, "up")
    one.set_screen(1600, 800, pixels_per_cm=160)
    one.touch(1, "down", (0.2, 0.4))
    one.touch(1, "move", (0.2, 0.5))  # 80 pixels, half a cm
    assert one.tick(0.1).axes["move_y"] == pytest.approx(0.5)
    with pytest.raises(mt.ArgumentError, match="pixels_per_cm"):
        one.set_screen(1600, 800, pixels_per_cm=0.0)


# ---- who claims


def test_what_a_finger_begins_on_and_the_priority_decide() -> None:
    aim = Touch("turn", "drag", starts_on="bird", priority=3)
    gates = (Gate("aiming", switch(aim)), Gate("looking", switch(LOOK)))
    two = Plan((route(LOOK, "yaw", "pitch", gain=100.0),), gates, AXES, Eye("eye"), touches=(LOOK, aim))
    one = mt.Session(two)
    one.touch(1, "down", (0.7, 0.5), on="bird")
    one.touch(1, "move", (0.9, 0.5))
    frame = one.tick(0.1)
    assert (frame.gates, frame.axes["yaw"]) == ({"aiming": True, "looking": False}, 0.0)
    one.touch(2, "down", (0.7, 0.5))
    assert one.tick(0.1).gates["looking"]
    one.touch(2, "up")
    one.touch(3, "down", (0.7, 0.5), on="interface")
    assert not one.tick(0.1).gates["looking"]


@pytest.mark.parametrize(
    ("lasts", "slips", "ends", "given_"),
    [(0.1, 0.0, "up", 1), (0.1, 0.01, "up", 1), (0.3, 0.0, "up", 0), (0.1, 0.1, "up", 0), (0.1, 0.0, "cancel", 0)],
)  # fmt: skip
def test_a_tap_is_short_and_goes_nowhere(lasts: float, slips: float, ends: str, given_: int) -> None:
    one = session(LOOK, cues=(Cue("hop", switch(LOOK, "tap")),))
    one.touch(1, "down", (0.7, 0.5), at=0.1)
    one.touch(1, "move", (0.7, 0.5 + slips), at=0.12)
    one.touch(1, ends, at=0.1 + lasts)
    assert one.tick(1.0).cues.get("hop", 0) == given_


def test_a_hint_says_what_fingers_do() -> None:
    cues = (Cue("hop", switch(LOOK, "tap")), Cue("note", switch(LOOK, "still"), "long_press", after=0.5))
    one = session(LOOK, cues=cues, gates=(Gate("aiming", switch(LOOK)),))
    assert [one.label(name) for name in ("hop", "note", "aiming")] == ["tap", "touch and hold", "touch"]


def test_a_long_press_rests_on_what_has_not_moved() -> None:
    note = Cue("note", switch(LOOK, "still"), "long_press", after=0.5)
    for slip, often in ((0.0, 1), (0.2, 0)):
        one = session(LOOK, cues=(note,))
        one.touch(1, "down", (0.7, 0.5), at=0.1)
        one.touch(1, "move", (0.7, 0.5 + slip), at=0.2)
        assert one.tick(1.0).cues.get("note", 0) == often


def test_without_the_focus_no_finger_is_left() -> None:
    one = session(WALK, LOOK, gates=(Gate("on", switch(LOOK)),))
    one.touch(1, "down", (0.2, 0.5))
    one.touch(1, "move", (0.2, 0.6))
    one.touch(2, "down", (0.7, 0.5))
    one.tick(0.1)
    one.feed("host.focus", 0)
    one.tick(0.1)
    one.feed("host.focus", 1)
    frame = one.tick(0.1)
    assert (frame.axes["move_y"], frame.gates["on"]) == (0.0, False)
    one.touch(2, "move", (0.9, 0.5))
    assert one.tick(0.1).axes["yaw"] == 0.0


# ---- gliding


@given(st.floats(0.05, 0.4), st.sampled_from([0.06, 0.2]), st.sampled_from([30, 120]))
def test_a_drag_runs_out_exactly_in_time(speed: float, half_life: float, rate: int) -> None:
    ends = []
    for frames in (rate, 240):
        one = session(Touch("look", "drag"), glide=half_life)
        one.touch(1, "down", (0.2, 0.5), at=0.0)
        for k in range(1, 51):
            one.touch(1, "move", (0.2 + speed * k / 100.0, 0.5), at=k / 100.0)
        one.touch(1, "up", at=0.5)
        yaws = [one.tick(to=(k + 1) / frames).axes["yaw_total"] for k in range(frames * 3)]
        ends.append(yaws[-1])
        dragged = 100.0 * speed  # deg: the screen is two wide
        assert yaws[frames * 3 - 1] - dragged == pytest.approx(
            2.0 * 100.0 * speed * half_life / log(2.0), rel=0.02
        )
        one_later = yaws[round(frames * 0.5) + round(frames * 0.1) - 1] - dragged
        left = exp(-log(2.0) * 0.1 / half_life)
        assert one_later == pytest.approx((yaws[-1] - dragged) * (1.0 - left), rel=0.02)
    assert ends[0] == pytest.approx(ends[1], abs=1e-9)


def test_a_touch_stops_it_and_a_finger_that_rested_lets_nothing_run() -> None:
    one = session(Touch("look", "drag"), glide=0.2)
    one.touch(1, "down", (0.2, 0.5), at=0.0)
    for k in range(1, 11):
        one.touch(1, "move", (0.2 + 0.01 * k, 0.5), at=k / 100.0)
    one.touch(1, "up", at=0.1)
    one.tick(0.2)
    one.touch(2, "down", (0.5, 0.5))
    stopped = one.tick(0.001).axes["yaw_total"]
    assert one.tick(1.0).axes["yaw_total"] == pytest.approx(stopped, abs=1e-3)
    one.touch(2, "move", (0.6, 0.5))
    dragged = one.tick(0.01).axes["yaw_total"]
    one.tick(0.5)
    one.touch(2, "up")
    assert one.tick(1.0).axes["yaw_total"] == pytest.approx(dragged, abs=1e-3)


# ---- takes


@settings(max_examples=60)
@given(happenings, st.sampled_from([24, 60]))
def test_a_take_of_contacts_replays_to_the_bit(
    happened: list[tuple[int, str, tuple[float, float], float]], rate: int
) -> None:
    events: list[Event] = [("host.screen", (1600.0, 800.0), 0.0)]
    for number, phase, place, t in sorted(happened, key=lambda each: each[3]):
        finger = 1 + number % 10
        events.append((f"touch.{finger}.place", place, t))
        if phase != "move":
            events.append(
                (f"touch.{finger}.{'cancel' if phase == 'cancel' else 'down'}", float(phase != "up"), t)
            )
    every = plan(glide=0.1)
    table = mt.replay(every, take_of(events), rate=rate, until=2.5)
    other = mt.replay(every, take_of(events), frames=[0.7, 1.1, 2.5])
    names = [axis.name for axis in every.axes]
    assert table[names].iloc[-1].tolist() == other[names].iloc[-1].tolist()
    one = mt.Session(every)
    for event in events:
        feed(one, event)
    half = round(1.25 * rate)
    for k in range(half):
        frame = one.tick(to=(k + 1) / rate)
        assert [frame.axes[name] for name in names] == table[names].iloc[k].tolist()
    two = mt.Session(every)
    two.restore(json.loads(json.dumps(one.state())))
    frame = two.tick(to=(half + 1) / rate)
    assert [frame.axes[name] for name in names] == table[names].iloc[half].tolist()


def test_more_than_ten_fingers_are_counted_and_a_wrong_phase_is_refused() -> None:
    one = session()
    for finger in range(12):
        one.touch(finger, "down", (0.7, 0.5))
    assert one.refused["touch"] == {"more than 10 fingers": 2}
    with pytest.raises(mt.ArgumentError, match="phase"):
        one.touch(1, "press", (0.5, 0.5))


PROFILE = data("touch.toml")


def test_a_profile_says_all_of_it(tmp_path: Path) -> None:
    profile = load(tmp_path, PROFILE)
    assert profile.touches == (
        Touch("aim", "drag", starts_on="bird", priority=3),
        Touch("look", "drag", RIGHT, after_travel=Length(0.15, "cm")),
        Touch("walk", "thumb_pad", (0.0, 0.0, 0.45, 0.8), radius=Length(1.1, "cm")),
    )
    assert next(one for one in profile.routes if one.name == "look").glide == 0.12
    assert profile.gates[0].buttons
    assert Condition("aiming").gate == profile.gates[0].name


@pytest.mark.parametrize(
    ("old", "new", "words"),
    [
        ("drag = { starts_on", "drg = { starts_on", "did you mean drag?"),
        ('after_travel = "0.15 cm"', 'after_travel = "0.15 deg"', "expected screen or cm"),
        ('after_travel = "0.15 cm"', "after_travel = 0.15", 'such as "0.15 cm"'),
        ("region = [0.45, 0, 1, 1]", "region = [0.45, 0, 0.2, 1]", "left, bottom, right, top"),
        ("region = [0.45, 0, 1, 1]", "region = [0.45, 0]", "[left, bottom, right, top]"),
        ('radius = "1.1 cm", ', "", "radius"),
        ('centre = "landing"', 'centre = "middle"', 'expected "landing" or a place'),
        ("[touch.aim]", "[touch.7]", "a name with a letter"),
        ("priority = 3", "twist = {}", "one of drag, two_finger_drag"),
        ('from = "touch.look"\n', 'from = "touch.lok"\n', "did you mean touch.look?"),
        ("150 deg/screen", "150 deg/count", "expected deg/screen"),
        ('from = "touch.walk"\ndrives = ["move_x", "move_y"]', 'from = "touch.walk"\nglide = { half_life = "1 s" }\ndrives = ["move_x", "move_y"]', "a glide on what no finger drags"),
    ],
)  # fmt: skip
def test_what_is_wrong_is_refused_with_its_line(tmp_path: Path, old: str, new: str, words: str) -> None:
    assert words in refused_for(tmp_path, PROFILE, (old, new))


# ---- over a plane


def test_a_map_stays_under_the_finger_and_under_the_middle_of_two() -> None:
    one = mt.load_profile(marsh.FINGERS).session()
    one.set_screen(1600, 800)

    def under(x: float, y: float) -> tuple[float, float]:
        view = one.view()
        return view.position[0] + (x - 0.5) * 2.0 * view.extent, view.position[1] + (y - 0.5) * view.extent

    one.tick(0.1)
    point = under(0.4, 0.4)
    one.touch("a", "down", (0.4, 0.4))
    for k in range(1, 11):
        one.touch("a", "move", (0.4 + 0.02 * k, 0.4 + 0.01 * k))
        one.tick(0.01)
        assert under(0.4 + 0.02 * k, 0.4 + 0.01 * k) == pytest.approx(point, abs=1e-9)
    one.touch("b", "down", (0.8, 0.7))
    one.tick(0.01)
    assert under(0.6, 0.5) == pytest.approx(point, abs=1e-9)  # a second finger moves nothing
    one.touch("a", "up")
    one.tick(0.01)
    one.touch("b", "move", (0.7, 0.7))
    assert one.tick(0.01).axes["zoom"] == 1.0


def test_what_a_finger_holds_waits_for_its_travel_and_then_catches_up(tmp_path: Path) -> None:
    text = marsh.FINGERS.read_text(encoding="utf-8")
    one = load(tmp_path, text, ('after_travel = "0.01 screen"', 'after_travel = "0.05 screen"')).session()
    one.set_screen(1600, 800)
    one.touch(1, "down", (0.5, 0.5))
    one.tick(0.01)
    metre = 1.0 / one.view().extent  # in screens
    pans = []
    for k in range(1, 101):
        one.touch(1, "move", (0.5 - 0.001 * k, 0.5))  # 0.002 screens each
        pans.append(one.tick(0.01).axes["pan_x"] * metre)
    for k, pan in enumerate(pans, 1):
        gone = 0.002 * k
        expected = min(
            max(1.5 * (gone - 0.05), 0.0), gone
        )  # nothing, then half as fast again, then the finger's
        assert pan == pytest.approx(expected, abs=1e-9)
    for k in (80, 20, 0):  # and stays under it, also back where it began
        one.touch(1, "move", (0.5 - 0.001 * k, 0.5))
        assert one.tick(0.01).axes["pan_x"] * metre == pytest.approx(0.002 * k, abs=1e-9)
    saved = json.loads(json.dumps(one.state()))
    other = mt.load_profile(tmp_path / "marsh.toml").session()
    other.restore(saved)
    for each in (one, other):
        each.touch(1, "move", (0.49, 0.5))
    assert one.tick(0.01).axes == other.tick(0.01).axes


def test_a_flick_of_the_map_runs_out_where_it_was_going() -> None:
    one = mt.load_profile(marsh.FINGERS).session()
    one.set_screen(1600, 800)
    for k in range(21):
        one.touch("a", "move" if k else "down", (0.4 + 0.005 * k, 0.5), at=k / 100.0)
    one.touch("a", "up", at=0.2)
    lifted = one.tick(0.2).axes["pan_x"]
    seen = [one.tick(0.05).axes["pan_x"] for _ in range(40)]
    assert seen[0] < lifted
    assert all(b <= a for a, b in pairwise(seen))
    assert lifted - seen[-1] == pytest.approx(40.0 * 0.18 / log(2.0), rel=0.1)  # a screen a second


# ---- who has a finger, whatever it is called


@given(st.permutations(["a", "b", "c", "d"]), places)
def test_who_has_a_finger_never_hangs_on_a_name(names: list[str], place: tuple[float, float]) -> None:
    def had(called: list[str]) -> list[int]:
        touches = (
            Touch(called[0], "drag", (0.0, 0.0, 1.0, 1.0)),
            Touch(called[1], "drag", (0.2, 0.2, 0.8, 0.8)),
            Touch(called[2], "thumb_pad", (0.2, 0.2, 0.8, 0.8), radius=Length(0.1)),
            Touch(called[3], "drag", (0.4, 0.4, 0.5, 0.5), priority=-1),
        )
        gates = tuple(Gate(one.name, switch(one)) for one in touches)
        one = mt.Session(Plan((), gates, AXES, Eye("eye"), touches=touches))
        one.touch("x", "down", place)
        one.touch("y", "down", place)
        frame = one.tick(0.1)
        return [k for k, name in enumerate(called) if frame.gates[name]]

    assert had(names) == had(["a", "b", "c", "d"])


def test_two_that_ask_for_the_same_fingers_are_refused(tmp_path: Path) -> None:
    other = '[touch.more]\ndrag = { region = [0.5, 0, 1, 0.5], after_travel = "0.1 screen" }\n'
    with pytest.raises(mt.PlanError, match="twin and twins ask for the same fingers"):
        Plan((), (), AXES, Eye("eye"), touches=(
            Touch("twin", "thumb_pad", radius=Length(0.1)), Touch("twins", "thumb_pad", radius=Length(0.2)),
        ))  # fmt: skip
    assert load(tmp_path, PROFILE + other).areas  # a smaller region has them first
    same = '[touch.more]\nthumb_pad = { region = [0, 0, 0.45, 0.8], radius = "1 cm" }\n'
    words = refused_for(tmp_path, PROFILE + same)
    assert "more and walk ask for the same fingers" in words
    assert "a priority for one of them" in words


# ---- pads that are drawn


def test_a_pad_says_where_to_draw_it_and_its_numbers_go_to_a_character_of_ones_own(tmp_path: Path) -> None:
    one = load(tmp_path, PROFILE).session()  # without [movement]
    assert one.tick(0.01).touches == {}
    one.touch(1, "down", (0.2, 0.4))
    assert one.tick(0.01).touches == {}  # nobody has said how long a cm is
    one.touch(1, "up")
    one.set_screen(1600, 800, pixels_per_cm=80)
    one.touch(1, "down", (0.2, 0.4))
    one.tick(0.01)
    one.touch(1, "move", (0.2, 0.4 + 0.055))
    frame = one.tick(0.01)
    assert frame.axes["move_y"] == pytest.approx(0.5)
    pad = frame.touches["walk"]
    assert pad.centre == (0.2, 0.4)
    assert pad.radius == pytest.approx(0.11)
    assert pad.finger == pytest.approx((0.2, 0.455))
    assert frame.movement.step == (0.0, 0.0, 0.0)
    one.touch(1, "up")
    assert one.tick(0.01).touches == {}


# ---- the player's own times


def test_a_player_may_tap_longer_further_and_further_apart(tmp_path: Path) -> None:
    hands = """[offers]
hands = ["tap_time", "tap_travel", "double_tap_gap", "long_press_time"]
"""
    more = """[cues.twice]
from = "touch.look.tap"
on = "double_tap"
[cues.long]
from = "touch.look.still"
on = "long_press"
"""
    profile = load(tmp_path, PROFILE + hands + more)

    def given_by(player: mt.Profile) -> dict[str, int]:
        one, cues = player.session(), dict[str, int]()
        one.set_screen(1600, 800, pixels_per_cm=80)
        for begin, end in ((0.1, 0.5), (0.75, 1.1), (2.0, 2.7)):
            one.touch(1, "down", (0.7, 0.5), at=begin)
            one.touch(1, "move", (0.7, 0.53), at=begin + 0.1)
            one.touch(1, "up", at=end)
        for _ in range(40):
            for name, times in one.tick(0.1).cues.items():
                cues[name] = cues.get(name, 0) + times
        return cues

    assert given_by(profile) == {}
    sheet = mt.new_sheet(profile)
    for name, value in {
        "tap_time": "450 ms", "tap_travel": "0.5 cm", "double_tap_gap": "700 ms", "long_press_time": "600 ms",
    }.items():  # fmt: skip
        sheet.set(profile, "hands", name, value)
    player, told = sheet.lay(profile)
    assert told == ()
    assert given_by(player) == {"hop": 2, "twice": 1, "long": 1}
    with pytest.raises(mt.MellowThumbError, match="expected"):
        sheet.set(profile, "hands", "tap_travel", "3 deg")
    # a length of the player's own leaves no finger behind where nobody knows how long a cm is
    plain = load(
        tmp_path, PROFILE.replace('after_travel = "0.15 cm"', 'after_travel = "0.02 screen"') + hands
    )
    one = sheet.lay(plain)[0].session()
    one.touch(1, "down", (0.7, 0.5), at=0.01)
    one.touch(1, "move", (0.8, 0.5), at=0.02)
    assert one.tick(0.1).axes["yaw"] == pytest.approx(150.0 * 0.08)
    assert one.refused == {}


# ---- another profile meanwhile


def test_fingers_stay_with_their_touches_through_a_switch(tmp_path: Path) -> None:
    before = load(tmp_path, PROFILE)
    after = load(tmp_path, PROFILE.replace("priority = 3", "priority = -3") + "[touch.late]\ntwist = {}\n")
    one = before.session()
    one.set_screen(1600, 800, pixels_per_cm=80)
    one.touch(1, "down", (0.7, 0.5), at=0.01)
    one.touch(1, "move", (0.8, 0.5), at=0.02)
    one.touch(2, "down", (0.2, 0.4), at=0.02)
    one.touch(3, "down", (0.1, 0.9), at=0.02, on="bird")
    one.tick(0.1)
    one.switch(after)
    yaw = one.tick(0.1).axes["yaw"]
    for finger, place in ((1, (0.85, 0.5)), (2, (0.2, 0.5)), (3, (0.3, 0.9))):
        one.touch(finger, "move", place)
    frame = one.tick(0.1)
    assert frame.axes["yaw"] == pytest.approx(yaw + 150.0 * 0.1)
    assert frame.axes["move_y"] == pytest.approx(0.1 * 800 / 88, abs=0.1)
    for finger in (1, 2, 3):
        one.touch(finger, "up")
    one.tick(0.1)
    kept = one._running.state
    assert not any(kept[f"finger{k}_area"] for k in range(1, 11))


def test_where_others_share_its_fingers_now_a_touch_lets_go(tmp_path: Path) -> None:
    shared = "[touch.late]\ntwist = { region = [0.45, 0, 1, 1] }\n"
    gates = PROFILE.replace('hold = "touch.aim.down"', 'hold = "touch.look.down"')
    one = load(tmp_path, gates).session()
    one.set_screen(1600, 800, pixels_per_cm=80)
    one.touch(1, "down", (0.7, 0.5))
    assert one.tick(0.1).gates["aiming"]
    one.switch(load(tmp_path, gates + shared))
    assert not one.tick(0.1).gates["aiming"]
    one.touch(1, "up")
    one.touch(1, "down", (0.7, 0.5))
    assert one.tick(0.1).gates["aiming"]


def test_a_profile_with_touches_knows_the_screen_that_was_said_before(tmp_path: Path) -> None:
    rim = """format = "mellow-thumb profile 1"
[mounts.eye]
kind = "eye"
[signals]
rim = { edge_zone = "mouse.place", margin = "1 cm" }
[routes.rim]
from = "rim"
drives = ["yaw", "pitch"]
sensitivity = "9 deg/s"
"""
    one = load(tmp_path, rim).session()
    one.set_screen(1600, 800, pixels_per_cm=80)
    one.tick(0.1)
    one.switch(load(tmp_path, PROFILE))
    one.touch(1, "down", (0.7, 0.5))
    one.tick(0.1)
    one.touch(1, "move", (0.8, 0.5))
    assert one.tick(0.1).axes["yaw"] == pytest.approx(150.0 * (0.2 - 0.15 / 10.0))


def test_what_is_exported_has_vectors_with_fingers_that_do_something(tmp_path: Path) -> None:
    described = describe(load(tmp_path, PROFILE), "fingers")
    places = [frame[described["outputs"].index("yaw_total")] for frame in described["vectors"]["frames"]]
    assert max(places) - min(places) > 5.0
    assert [one["name"] for one in described["signals"]][-30:] == [
        f"touch.{finger}.{what}" for finger in range(1, 11) for what in ("place", "down", "cancel")
    ]

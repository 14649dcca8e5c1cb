"""Several mounts: which is active, what each keeps, and the view between them."""

from __future__ import annotations

import math
from dataclasses import replace
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.plan.accessibility import Hands
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.mounts.orbits import Orbit
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential
from mellow_thumb.weaving.program import weave_plan

from ...helpers.profiles import data, load, refused_for
from ...helpers.strategies import Event, feed, take_of

GLASSING = Gate("glassing", Buttons((find_signal("mouse.right"),)))
CHARTING = Gate("charting", Buttons((find_signal("key.KeyM"),)))
NEXT = Cue("next", Buttons((find_signal("key.KeyV"),)))
LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
REEL = Route("reel", find_signal("mouse.wheel.y"), ("distance",), (-0.5,))
STICK = Route("stick", find_signal("pad.right_stick"), ("yaw", "pitch"), (90.0, 60.0), effect="rate")
AXES = (
    Axis("yaw"), Axis("pitch", low=-60.0, high=70.0), Axis("roll"),
    Axis("distance", start=4.0, low=1.5, high=12.0, unit="m", smoothing=Exponential(0.08)),
)  # fmt: skip
SHOULDER = Mounted(
    Orbit("shoulder", (0.4, 1.6, 0.0)), Condition("glassing"), fixed=(("distance", 1.4),),
    shares=("yaw", "pitch"), blend=0.2,
)  # fmt: skip
OWN = (Axis("yaw", 30.0), Axis("pitch", -20.0, -80.0, 80.0), Axis("roll"))
INSIDE = Mounted(Eye("inside", 1.6), Condition("charting"), "next", 1, axes=OWN)


def plan(*others: Mounted, **more: Any) -> Plan:
    routes = more.pop("routes", (LOOK, REEL, STICK))
    gates = (GLASSING, CHARTING)
    return Plan(routes, gates, AXES, Orbit("follow"), cues=(NEXT,), others=others, **more)


def session(*others: Mounted, **more: Any) -> mt.Session:
    return mt.Session(plan(*(others or (SHOULDER, INSIDE)), **more), ceiling=100.0)


@st.composite
def hands(draw: st.DrawFn, seconds: float = 2.0) -> list[Event]:
    """Whatever hands do, by time."""
    one = st.one_of(
        st.tuples(st.just("mouse.move"), st.tuples(st.integers(-300, 300), st.integers(-300, 300))),
        st.tuples(st.just("mouse.wheel"), st.tuples(st.just(0), st.integers(-3, 3))),
        st.tuples(st.just("pad.right_stick"), st.tuples(st.floats(-1, 1), st.floats(-1, 1))),
        st.tuples(st.sampled_from(["mouse.right", "key.KeyM", "key.KeyV"]), st.integers(0, 1)),
    )
    times = sorted(draw(st.lists(st.floats(0.0, seconds), max_size=25)))
    return [(name, value, t) for t, (name, value) in ((t, draw(one)) for t in times)]


def test_the_highest_open_gate_has_it_and_a_cue_goes_round() -> None:
    one, seen = session(), []
    for name, value in [
        ("mouse.right", 1), ("key.KeyM", 1), ("mouse.right", 0), ("key.KeyM", 0),
        ("key.KeyV", 1), ("mouse.right", 1), ("mouse.right", 0), ("key.KeyV", 0), ("key.KeyV", 1),
    ]:  # fmt: skip
        one.feed(name, value)
        seen.append(one.tick(0.01).mount)
    by_gates = ["shoulder", "inside", "inside", "follow"]
    assert seen == [*by_gates, "inside", "shoulder", "inside", "inside", "follow"]


def test_a_cue_goes_on_to_the_next_by_priority_and_at_last_back() -> None:
    third = Mounted(Eye("third"), cue="next", axes=OWN)
    one, seen = session(INSIDE, third), []
    for _ in range(4):
        one.feed("key.KeyV", 1)
        seen.append(one.tick(0.01).mount)
        one.feed("key.KeyV", 0)
        one.tick(0.01)
    assert seen == ["inside", "third", "follow", "inside"]


def kept(one: mt.Session) -> dict[str, float]:
    """Everything about the axes of the default mount, as of the last event."""
    loop = one.state()["loop"]
    return {name: loop[name] for name in ("yaw", "pitch", "roll", "distance", "distance_pool1")}


@given(hands(), hands())
def test_what_is_left_is_brought_back_to_the_bit(before: list[Event], away: list[Event]) -> None:
    one = session(INSIDE)
    for event in before:
        if not event[0].startswith("key"):
            feed(one, event)
    one.tick(2.0)
    one.feed("key.KeyM", 1)
    one.tick(1e-6)
    left = kept(one)
    for name, value, t in away:
        if not name.startswith("key"):
            feed(one, (name, value, t + 2.0 + 1e-6))
    one.tick(2.5)
    one.feed("key.KeyM", 0)
    one.tick(1e-6)
    assert kept(one) == left


def test_one_that_is_not_kept_begins_anew() -> None:
    one = session(replace(INSIDE, restore=False))
    for _ in range(2):
        one.feed("key.KeyM", 1)
        one.feed("mouse.move", (200.0, 50.0))
        assert one.tick(0.1).axes["yaw"] == pytest.approx(50.0)
        one.feed("key.KeyM", 0)
        one.tick(0.1)


@given(st.integers(-900, 900), st.integers(-300, 300))
def test_shared_axes_go_along_and_what_a_mount_lacks_rests(x: int, y: int) -> None:
    one = session()
    one.feed("mouse.move", (x, y))
    before = one.tick(0.1).axes
    one.feed("mouse.right", 1)
    one.feed("mouse.wheel", (0, -5))
    one.feed("mouse.move", (30.0, 0.0))
    during = one.tick(0.1).axes
    one.feed("mouse.right", 0)
    after = one.tick(0.5).axes
    assert during["yaw_total"] == pytest.approx(before["yaw_total"] + 3.0)
    assert (during["distance"], after["distance"]) == (1.4, before["distance"])
    assert after["yaw_total"] == during["yaw_total"]
    assert after["pitch"] == before["pitch"]


def test_what_is_shared_comes_from_the_mount_that_was_in_force() -> None:
    third = Mounted(Eye("third", 1.6), Condition("glassing"), "", 2, OWN[2:], shares=("yaw", "pitch"))
    one = session(third, INSIDE)
    one.feed("key.KeyM", 1)
    one.feed("mouse.move", (200.0, 0.0))
    inside = one.tick(0.1).axes["yaw"]
    one.feed("mouse.right", 1)
    assert one.tick(0.1).axes["yaw"] == inside == pytest.approx(50.0)
    one.feed("mouse.move", (100.0, 0.0))
    one.feed("mouse.right", 0)
    back = one.tick(0.1)
    assert back.mount == "inside"
    assert back.axes["yaw"] == pytest.approx(60.0)


@given(st.floats(-180.0, 180.0), st.floats(-60.0, 70.0), st.floats(0.0, 1.0))
def test_a_blend_goes_the_shorter_way_and_keeps_unit_rotations(yaw: float, pitch: float, part: float) -> None:
    wide = replace(INSIDE, blend=0.5)
    one = session(wide)
    one.set_axis("yaw", yaw)
    one.set_axis("pitch", pitch)
    one.tick(0.1)
    before = one.view((1.0, 0.0, 2.0))
    one.feed("key.KeyM", 1)
    one.tick(0.5 * part)
    between = one.view((1.0, 0.0, 2.0))
    one.tick(1.0)
    after = one.view((1.0, 0.0, 2.0))
    assert np.linalg.norm(between.rotation) == pytest.approx(1.0, abs=1e-12)
    first, middle, last = (Rotation.from_quat(view.rotation) for view in (before, between, after))
    whole = (last * first.inv()).magnitude()
    ways = (middle * first.inv()).magnitude() + (last * middle.inv()).magnitude()
    assert ways == pytest.approx(whole, abs=1e-6)
    assert whole <= np.pi + 1e-9
    share = part * part * (3.0 - 2.0 * part)
    place = (1.0 - share) * np.array(before.position) + share * np.array(after.position)
    np.testing.assert_allclose(between.position, place, atol=1e-9)
    assert after.position == (1.0, 1.6, 2.0)


@given(hands())
def test_the_view_never_jumps_while_it_blends(happened: list[Event]) -> None:
    one = session(replace(INSIDE, blend=0.3), SHOULDER)
    for event in happened:
        if event[0] != "mouse.move":
            feed(one, event)
    views = []
    for _ in range(200):
        one.tick(0.0125)
        views.append(one.view((0.0, 0.0, 0.0)))
        assert np.linalg.norm(views[-1].rotation) == pytest.approx(1.0, abs=1e-12)
    steps = np.abs(np.diff([view.position for view in views], axis=0)).max()
    assert steps < 1.5  # in a frame, of the 5 m and more that a blend goes and the turns of a stick


def test_reduced_motion_cuts() -> None:
    one = session(replace(INSIDE, blend=0.5), hands=Hands(reduced_motion=True))
    one.feed("key.KeyM", 1)
    one.tick(0.001)
    assert one.view((0.0, 0.0, 0.0)).position == (0.0, 1.6, 0.0)


def test_a_saved_session_goes_on_in_the_same_mount() -> None:
    one, other = session(), session()
    one.feed("key.KeyV", 1)
    one.feed("mouse.right", 1)
    one.tick(0.05)
    one.view((0.0, 0.0, 0.0))
    other.restore(one.state())
    for each in (one, other):
        each.feed("mouse.move", (33.0, 4.0))
    assert one.tick(0.1).mount == other.tick(0.1).mount == "shoulder"
    assert one.view((1.0, 0.0, 0.0)).position == other.view((1.0, 0.0, 0.0)).position
    assert one.state() == other.state()


def test_through_a_cut_one_walks_on_as_one_went_until_the_stick_is_let_go() -> None:
    walk = Route("walk", find_signal("pad.left_stick"), MOVES, (1.0, 1.0), effect="offset")
    moves = tuple(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES)
    there = replace(INSIDE, axes=(Axis("yaw", 90.0), *OWN[1:]))
    one = mt.Session(
        replace(plan(there, movement=Movement(1.0)), routes=(LOOK, STICK, walk), axes=(*AXES, *moves))
    )
    one.feed("pad.left_stick", (0.0, 1.0))
    one.tick(0.2)
    one.feed("key.KeyM", 1)
    for _ in range(10):
        frame = one.tick(0.05)
    assert frame.movement.velocity == pytest.approx(
        (0.0, 0.0, -1.0), abs=1e-9
    )  # still as the old view looked
    one.feed("pad.left_stick", (0.0, 0.0))
    one.tick(0.2)
    one.feed("pad.left_stick", (0.0, 1.0))
    for _ in range(10):
        frame = one.tick(0.05)
    assert frame.movement.velocity == pytest.approx((1.0, 0.0, 0.0), abs=1e-9)  # now as the new one looks


def test_a_replay_says_which_mount_was_in_force_and_sees_what_it_sees() -> None:
    events: list[Event] = [("key.KeyV", 1, 0.25), ("mouse.move", (50.0, 10.0), 0.5), ("mouse.right", 1, 0.75)]
    table = mt.replay(plan(SHOULDER, INSIDE), take_of(events), rate=8, until=1.0)
    assert table["mount"].tolist() == ["follow"] * 2 + ["inside"] * 4 + ["shoulder"] * 2
    one = session()
    for event in events:
        feed(one, event)
    for k in range(8):
        one.tick(to=(k + 1) / 8)
        view = one.view()
        row = table.iloc[k]
        assert view.position == tuple(row[["camera_x", "camera_y", "camera_z"]])
        assert view.rotation == tuple(row[[f"camera_q{part}" for part in "xyzw"]])


def test_idle_axes_and_one_mount_cost_nothing() -> None:
    single = weave_plan(plan())
    assert "mount" not in single.places
    assert not single.own
    assert "blend" not in single.text


PROFILE = data("mounts.toml")


def test_a_profile_says_what_each_mount_has_for_itself(tmp_path: Path) -> None:
    far, shoulder = load(tmp_path, PROFILE).others
    assert [axis.name for axis in far.axes] == ["yaw", "pitch", "roll", "distance"]
    assert (far.axes[3].start, far.axes[3].low, far.axes[3].high) == (20.0, 1.5, 40.0)
    assert far.axes[3].log
    assert (shoulder.fixed, shoulder.shares, shoulder.blend) == ((("distance", 1.4),), ("yaw", "pitch"), 0.18)
    assert [axis.name for axis in shoulder.axes] == ["roll"]


@pytest.mark.parametrize(
    ("old", "new", "words"),
    [
        ('gate = "glassing"', "priority = 1", "mounts.shoulder: nothing makes it active; add gate"),
        ('gate = "glassing"', 'gate = "glasing"', "expected a gate: glassing"),
        ('cue = "next"', 'cue = "nxt"', "found nxt; expected next"),
        ('fixed = "1.4 m"', 'fixed = "1.4 deg"', "mounts.shoulder.axes.distance.fixed: found"),
        ('axes.distance = { fixed', "axes.distanc = { fixed", "did you mean distance?"),
        ('shares = ["yaw", "pitch"]', 'shares = ["yaw", "distance"]', "both shared and its own"),
        ('shares = ["yaw", "pitch"]', 'shares = ["height"]', "shares: found height"),
        ('max = "40 m"', 'max = "10 m"', "start 20 m is outside 1.5 to 10 m"),
        ('max = "40 m"', 'mx = "40 m"', "did you mean max?"),
        ('blend = "180 ms"', 'blend = "180"', "blend"),
        ('[mounts.follow]\nkind = "orbit"', '[mounts.follow]\nkind = "orbit"\ngate = "glassing"', "follow is the default mount, which takes no gate; remove it"),
    ],
)  # fmt: skip
def test_wrong_mounts_are_refused_with_their_line(tmp_path: Path, old: str, new: str, words: str) -> None:
    assert words in refused_for(tmp_path, PROFILE, (old, new))


FIXED = data("fixed.toml")
LOW = data("low.toml")


def _view(session: mt.Session, seconds: float) -> Any:
    session.tick(seconds)
    return session.view()


def test_what_the_only_mount_fixes_is_so(tmp_path: Path) -> None:
    session = load(tmp_path, FIXED).session()
    camera = _view(session, 0.1)
    assert camera.position[1] == pytest.approx(24.0 * math.sin(math.radians(60.0)))
    assert session.tick(0.1).axes["pitch"] == -60.0
    tipped = refused_for(tmp_path, FIXED, ('"yaw"', '"pitch"'))
    assert "spin drives pitch; expected one that is not fixed" in tipped
    wrong = refused_for(tmp_path, FIXED, ("axes.pitch", "axes.pich"))
    assert "an axis that overhead does not have" in wrong
    assert "did you mean pitch" in wrong


def test_the_first_mount_stays_fixed_where_another_one_moves(tmp_path: Path) -> None:
    session = load(tmp_path, FIXED + LOW).session()
    session.feed("pad.right_stick", (0.0, 1.0), at=0.0)
    first = _view(session, 0.2).position[1]
    assert first == pytest.approx(24.0 * math.sin(math.radians(60.0)))
    session.feed("key.KeyM", 1.0, at=0.2)
    low = [_view(session, 0.05).position[1] for _ in range(4)]
    assert low[0] > low[-1]
    session.feed("key.KeyM", 0.0, at=0.4)
    session.feed("key.KeyM", 1.0, at=0.4)
    assert _view(session, 0.05).position[1] == pytest.approx(first)


@pytest.mark.parametrize("value", ["2 x", "0 x", "-1 x"])
def test_a_zoom_can_be_fixed_above_nothing(tmp_path: Path, value: str) -> None:
    zoomed = ("axes.distance", f'axes.zoom = {{ fixed = "{value}" }}\naxes.distance')
    if value == "2 x":
        profile = load(tmp_path, FIXED, zoomed)
        session = profile.session()
        assert session.tick(0.1).axes["zoom"] == 2.0
        assert _view(session, 0.1).field_of_view < _view(load(tmp_path, FIXED).session(), 0.1).field_of_view
        assert mt.tell(profile).controls
        return
    words = refused_for(tmp_path, FIXED, zoomed)
    assert "zoom.fixed: found" in words
    assert "expected more than 0 x" in words

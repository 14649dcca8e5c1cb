"""The headset: a head's pose as it is, in a room that turns about it and walks."""

from __future__ import annotations

import json
from math import cos, radians, sin
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.devices.xr_door import PATHS
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.derived import Presses
from mellow_thumb.plan.mounts.headsets import Headset
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import CATALOGUE, Address, find_signal
from mellow_thumb.stand_ins.head import Head

from ...helpers.profiles import data, load, refused_for
from ...helpers.strategies import Event, take_of

SNAP = Presses("snap", Buttons((find_signal("pad.right_stick.x"),)))
TURN = Route("turn", Address(SNAP.signal), ("yaw",), (30.0,))
SMOOTH = Route("smooth", find_signal("pad.left_trigger"), ("yaw",), (60.0,), effect="rate")
WALK = Route("walk", find_signal("pad.left_stick"), MOVES, (1.0, 1.0), effect="offset")
AXES = (Axis("yaw"), *(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES))
PLAN = Plan(
    (TURN, SMOOTH, WALK), (), AXES, Headset("hide"), (SNAP,), movement=Movement(1.0, relative_to="head")
)

far = st.floats(-100.0, 100.0)
places = st.tuples(far, st.floats(0.0, 3.0), far)
part = st.floats(-1.0, 1.0)
turns = st.tuples(part, part, part, part).filter(lambda q: np.linalg.norm(q) > 0.1)


def head(place: tuple[float, ...], turn: tuple[float, ...]) -> tuple[tuple[float, ...], tuple[float, ...]]:
    return place, tuple((np.array(turn) / np.linalg.norm(turn)).tolist())


@given(places, turns, places)
def test_a_heads_pose_is_taken_as_it_is(
    place: tuple[float, float, float], turn: tuple[float, ...], subject: tuple[float, float, float]
) -> None:
    one = mt.Session(PLAN)
    one.tick(0.01)
    worn = head(place, turn)
    view = one.view(subject, head=worn)  # type: ignore[arg-type]
    np.testing.assert_allclose(view.position, np.add(subject, place), atol=1e-12)
    same = Rotation.from_quat(view.rotation) * Rotation.from_quat(worn[1]).inv()
    assert same.magnitude() < 1e-7


@given(places, turns, st.lists(st.sampled_from([1.0, -1.0]), min_size=1, max_size=12))
def test_a_snap_turns_the_room_about_the_head(
    place: tuple[float, float, float], turn: tuple[float, ...], snaps: list[float]
) -> None:
    one, worn = mt.Session(PLAN), head(place, turn)
    one.tick(0.01)
    before = one.view((0.0, 0.0, 0.0), head=worn)  # type: ignore[arg-type]
    for way in snaps:
        one.feed("pad.right_stick", (way, 0.0))
        one.tick(0.01)
        one.feed("pad.right_stick", (0.0, 0.0))
        one.tick(0.01)
        after = one.view(head=worn)  # type: ignore[arg-type]
        np.testing.assert_allclose(after.position, before.position, rtol=0.0, atol=1e-12)
    turned = Rotation.from_quat(after.rotation) * Rotation.from_quat(before.rotation).inv()
    wanted = Rotation.from_euler("Y", -30.0 * sum(snaps), degrees=True)
    assert (turned * wanted.inv()).magnitude() < 1e-6


def test_a_smooth_turn_is_about_the_head_that_walks_on() -> None:
    one = mt.Session(PLAN)
    one.tick(0.01)
    last = np.array(one.view((0.0, 0.0, 0.0), head=((2.0, 1.7, 1.0), (0.0, 0.0, 0.0, 1.0))).position)
    one.feed("pad.left_trigger", 1.0)
    for k in range(1, 61):
        one.tick(1 / 60)
        place = (2.0 + 0.01 * k, 1.7, 1.0)  # a metre in a hundred frames
        now = np.array(one.view(head=(place, (0.0, 0.0, 0.0, 1.0))).position)
        assert np.linalg.norm(now - last) == pytest.approx(0.01, abs=1e-9)
        last = now


@given(places, turns)
def test_recentred_the_head_is_where_the_subject_is_and_looks_where_the_yaw_points(
    place: tuple[float, float, float], turn: tuple[float, ...]
) -> None:
    one, worn = mt.Session(PLAN), head(place, turn)
    one.set_axis("yaw", 70.0)
    one.tick(0.01)
    one.view((5.0, 0.0, 5.0), head=worn)  # type: ignore[arg-type]
    one.recentre()
    view = one.view(head=worn)  # type: ignore[arg-type]
    np.testing.assert_allclose(view.position, (5.0, place[1], 5.0), atol=1e-9)
    ahead = Rotation.from_quat(view.rotation).apply([0.0, 0.0, -1.0])
    if np.hypot(ahead[0], ahead[2]) > 1e-3:
        assert np.degrees(np.arctan2(ahead[0], -ahead[2])) == pytest.approx(70.0, abs=1e-6)


@given(st.floats(-180.0, 180.0))
def test_one_walks_where_the_head_looks(yaw: float) -> None:
    one = mt.Session(PLAN, ceiling=9.0)
    looks = tuple(Rotation.from_euler("YX", (-yaw, 40.0), degrees=True).as_quat().tolist())
    one.tick(0.01)
    one.view(head=((0.3, 1.7, 0.2), looks))
    one.feed("pad.left_stick", (0.0, 1.0), at=0.05)
    for _ in range(30):
        frame = one.tick(0.05)
        one.view(head=((0.3, 1.7, 0.2), looks))
    a = radians(yaw)
    assert frame.movement.velocity == pytest.approx((sin(a), 0.0, -cos(a)), abs=1e-6)


@pytest.mark.parametrize("side", ["left", "right"])
def test_one_walks_where_a_hand_points(side: str) -> None:
    walks = Movement(1.0, relative_to=f"{side}_hand")
    one = mt.Session(Plan((TURN, WALK), (), AXES, Headset("hide"), (SNAP,), movement=walks), ceiling=9.0)
    one.set_hand(side, tuple(Rotation.from_euler("YX", (-90.0, -30.0), degrees=True).as_quat().tolist()))
    one.tick(0.01)
    one.feed("pad.left_stick", (0.0, 1.0))
    assert [one.tick(0.1) for _ in range(9)][-1].movement.velocity == pytest.approx((1.0, 0.0, 0.0), abs=1e-6)
    with pytest.raises(mt.ArgumentError, match="hand"):
        one.set_hand("third", (0.0, 0.0, 0.0, 1.0))


def test_a_take_holds_the_head_and_a_saved_session_its_room() -> None:
    events: list[Event] = [
        (f"host.head.{name}", value, 0.0)
        for name, value in zip(
            ("x", "y", "z", "qx", "qy", "qz", "qw"), (1.0, 1.6, 0.0, 0.0, 0.0, 0.0, 1.0), strict=True
        )
    ]
    events += [("pad.right_stick", (1.0, 0.0), 0.5), ("host.head.x", 1.2, 0.75)]
    table = mt.replay(PLAN, take_of(events), rate=10, until=1.0)
    assert table["camera_x"].tolist()[:7] == pytest.approx([1.0] * 7)
    assert table["camera_x"].iloc[-1] == pytest.approx(1.0 + 0.2 * cos(radians(30.0)))
    one, two = mt.Session(PLAN), mt.Session(PLAN)
    one.tick(0.01)
    one.view(head=((3.0, 1.7, 1.0), (0.0, 0.0, 0.0, 1.0)))
    one.set_axis("yaw", 90.0)
    one.tick(0.01)
    seen = one.view()
    two.restore(one.state())
    assert two.view().position == seen.position


def test_the_rim_darkens_with_what_turns_and_walks_but_not_with_the_head() -> None:
    one = mt.Session(PLAN)
    one.view(head=((0.0, 1.7, 0.0), (0.0, 0.0, 0.0, 1.0)))
    assert one.tick(0.1).vignette() == 0.0
    one.view(head=((3.0, 1.7, 0.0), (0.0, 1.0, 0.0, 0.0)))
    assert one.tick(0.1).vignette() == 0.0
    one.feed("pad.left_trigger", 0.75)
    assert one.tick(0.1).vignette() == pytest.approx(0.5)  # 45 of 90 deg/s
    one.feed("pad.left_stick", (0.0, 1.0))
    one.tick(0.2)
    assert one.tick(0.1).vignette(speed=1.25) == pytest.approx(0.8)
    assert one.tick(0.1).vignette(turn=10.0) == 1.0
    assert one.tick(0.0).vignette(speed=1e9) == pytest.approx(0.0, abs=1e-6)


def test_who_sits_may_see_as_who_stands_and_no_head_is_no_error() -> None:
    one = mt.Session(Plan((TURN,), (), AXES[:1], Headset("hide", height=0.5), (SNAP,)))
    one.tick(0.01)
    one.recentre()
    assert one.view((1.0, 0.0, 0.0)).position == (1.0, 0.5, 0.0)
    assert one.view(head=((0.0, 1.2, 0.0), (0.0, 0.0, 0.0, 1.0))).position == (1.0, 1.7, 0.0)
    with pytest.raises(mt.ArgumentError, match="head"):
        one.view(head=((0.0, 1.2), (0.0, 0.0, 0.0, 1.0)))  # type: ignore[arg-type]


PROFILE = data("headset.toml")


def test_a_profile_says_it_and_no_route_touches_a_head(tmp_path: Path) -> None:
    assert load(tmp_path, PROFILE).mount == Headset("hide", 0.4)
    words = refused_for(
        tmp_path, PROFILE, ('from = "snap"', 'from = "host.head"\nsmoothing = { half_life = "50 ms" }')
    )
    assert "host.head, a pose" in words
    assert "never smoothed, never scaled" in words
    assert "did you mean headset?" in refused_for(tmp_path, PROFILE, ('"headset"', '"headsett"'))


# ---- snaps, and what is darkened


def test_a_snap_goes_dark_and_comes_back_at_any_frame_rate() -> None:
    plan = Plan(
        (TURN, SMOOTH), (), (Axis("yaw"),), Headset("hide", fade=0.2), (SNAP,)
    )  # fmt: skip
    for rate in (24, 90, 144):
        one = mt.Session(plan)
        assert one.tick(0.1).fade == 0.0
        one.feed("pad.right_stick", (1.0, 0.0), at=0.125)
        for k in range(1, rate + 1):
            frame = one.tick(to=0.1 + k / rate)
            expected = max(0.0, 1.0 - (frame.t - 0.125) / 0.2) if frame.t >= 0.125 else 0.0
            assert frame.fade == pytest.approx(expected, abs=1e-12)
            assert frame.vignette() == 0.0  # what is over at once is no turning
    one.feed("pad.left_trigger", 1.0)
    one.tick(0.1)
    assert one.tick(0.1).vignette() == pytest.approx(60.0 / 90.0)


def test_without_a_fade_or_snaps_nothing_goes_dark() -> None:
    one = mt.Session(PLAN)
    one.feed("pad.right_stick", (1.0, 0.0))
    assert one.tick(0.1).axes["yaw"] == 30.0
    assert one.tick(0.0).fade == 0.0
    with pytest.raises(mt.PlanError, match=r"fade: found 3 s; expected 0 to 2 s"):
        Headset("hide", fade=3.0)


# ---- doors

HIDE = marsh.HIDE
STILL = {"position": {"x": 0.1, "y": 1.6, "z": -0.2}, "orientation": {"x": 0.0, "y": 0.0, "z": 0.0, "w": 1.0}}


def test_every_path_is_that_of_a_signal_or_of_a_pose() -> None:
    for path, name in PATHS.items():
        assert path.startswith("/user/")
        assert name in CATALOGUE or name in ("head", "left_hand", "right_hand")


def test_inputs_by_their_paths_are_told_as_they_change() -> None:
    session = mt.load_profile(HIDE).session()
    door, told = mt.XrDoor(session), []
    session.feed = lambda *event, **_: told.append(event)  # type: ignore[method-assign]
    for _ in range(3):
        door.input("/user/hand/left/input/thumbstick", (0.0, 1.0))
        door.input("/user/hand/right/input/squeeze/value", 0.75)
        door.input("/user/hand/right/input/b/click", 0.0)
    assert told == [("left_hand.stick", (0.0, 1.0)), ("right_hand.grip", 0.75)]
    with pytest.raises(mt.ArgumentError, match=r"found the path .*tumbstick.*did you mean .*thumbstick"):
        door.input("/user/hand/left/input/tumbstick", (0.0, 1.0))
    with pytest.raises(mt.ArgumentError, match=r"expected one of a pose"):
        door.pose("/user/hand/left/input/thumbstick", (0.0, 0.0, 0.0), (0.0, 0.0, 0.0, 1.0))


def test_a_hand_that_is_gone_lets_go_and_the_head_goes_on() -> None:
    session = mt.load_profile(HIDE).session()
    door = mt.BrowserDoor(session, 800, 600)
    pad = {
        "mapping": "xr-standard",
        "axes": [0.0, 0.0, 0.0, -1.0],
        "buttons": [{"value": 0.2, "pressed": False}],
    }
    hand = {"handedness": "left", "gamepad": pad, "aim": STILL}
    door.feed({"type": "xrframe", "timeStamp": 0.0, "viewer": STILL, "inputSources": [hand]})
    session.view(head=door.head)
    session.tick(0.25)
    assert session.tick(0.25).movement.velocity == pytest.approx((0.0, 0.0, -1.1), abs=0.01)
    door.feed({"type": "xrframe", "timeStamp": 500.0, "viewer": STILL, "inputSources": []})
    for _ in range(4):
        frame = session.tick(0.25)
    assert frame.movement.velocity == (0.0, 0.0, 0.0)
    assert session.view(head=door.head).position[1] == 1.6
    assert not session.refused
    door.feed({"type": "xrframe", "viewer": {"position": {"x": 1}}})
    assert door.refused["xrframe", "no orientation"] == 1
    assert door.head == ((0.1, 1.6, -0.2), (0.0, 0.0, 0.0, 1.0))


def test_a_page_that_is_hidden_has_no_focus() -> None:
    session = mt.load_profile(HIDE).session()
    door = mt.BrowserDoor(session, 800, 600)
    session.feed("left_hand.stick", (0.0, 1.0))
    session.tick(0.25)
    door.feed({"type": "visibilitychange", "visibilityState": "hidden"})
    for _ in range(4):
        frame = session.tick(0.25)
    assert frame.movement.velocity == (0.0, 0.0, 0.0)


def test_the_stand_in_head_never_turns_fast_and_stays_near_where_it_is_told() -> None:
    head = Head(3)
    head.look(40.0, -10.0)
    head.rest(1.0)
    head.pace(0.5, 0.8)
    head.rest(0.5)
    _, places, turned = head.poses()
    looks = Rotation.from_quat(turned)
    assert np.linalg.norm(places[-1] - (0.5, 1.62, -0.8)) < 0.1
    ahead = looks[-1].apply([0.0, 0.0, -1.0])
    assert np.degrees(np.arctan2(ahead[0], -ahead[2])) == pytest.approx(40.0, abs=1.0)
    speeds = np.degrees((looks[:-1].inv() * looks[1:]).magnitude()) * 90.0
    assert speeds.max() < 200.0
    assert Head(3).take().table.equals(Head(3).take().table)


def test_a_snap_in_a_take_leaves_the_head_where_it_is() -> None:
    profile, take = mt.load_profile(HIDE), mt.read_take(marsh.HIDE_TAKE)
    table = mt.replay(profile, take, rate=1000.0)
    (snaps,) = np.nonzero(np.abs(np.diff(table["yaw_total"])) > 20.0)
    assert len(snaps) == 2
    places = table[["camera_x", "camera_y", "camera_z"]].to_numpy()
    assert np.abs(np.diff(places, axis=0)[snaps]).max() < 0.002  # what it moves in a frame or two


CARRIED = Plan((TURN,), (), AXES[:1], Headset("hide", carry_on=0.05), (SNAP,))
part = st.floats(-3.0, 3.0)


@given(st.tuples(part, part, part), st.tuples(part, part, part), st.floats(0.001, 0.08), st.floats(0.0, 0.2))
def test_between_poses_a_head_goes_on_as_fast_as_it_went(
    go: tuple[float, ...], turn: tuple[float, ...], apart: float, later: float
) -> None:
    one = mt.Session(CARRIED, ceiling=9.0)
    begun = Rotation.from_euler("YXZ", [40.0, -10.0, 5.0], degrees=True)

    def head(t: float) -> tuple[tuple[float, float, float], tuple[float, float, float, float]]:
        x, y, z = (np.array([0.3, 1.6, -0.2]) + np.array(go) * t).tolist()
        a, b, c, d = (Rotation.from_rotvec(np.array(turn) * t) * begun).as_quat().tolist()
        return (x, y, z), (a, b, c, d)

    one.view(head=head(0.0))
    one.tick(apart)
    assert one.view(head=head(apart)).position == pytest.approx(head(apart)[0])
    one.tick(later)
    # for 50 ms at the most; then it holds
    place, turned = head(apart + min(later, 0.05))
    for view in (one.view(), one.view(head=head(apart))):  # said again it is not new
        assert view.position == pytest.approx(place, abs=1e-9)
        assert (Rotation.from_quat(view.rotation) * Rotation.from_quat(turned).inv()).magnitude() < 1e-7
    # and what comes is taken as it is
    assert one.view(head=head(9.0)).position == pytest.approx(head(9.0)[0])


def test_a_head_of_real_cadence_is_nearer_when_it_is_carried_on() -> None:
    def looks(**quirks: Any) -> Head:
        head = Head(5, **quirks)
        for yaw in (50.0, -40.0, 30.0, 0.0):
            head.look(yaw, yaw / 4.0, seconds=0.4)
        return head

    true = looks(rate=900)
    t, _, quaternions = true.poses()
    take = looks(rate=90, lost=0.15, repeated=0.1).take()
    times = take.table["t"].unique()
    assert np.diff(times).max() > 4.5 / 90
    off = []
    for carry_on in (0.0, 0.05):
        plan = Plan((TURN,), (), AXES[:1], Headset("hide", carry_on=carry_on), (SNAP,))
        table = mt.replay(plan, take, rate=450, until=1.6)
        seen = Rotation.from_quat(table[[f"camera_q{part}" for part in "xyzw"]].to_numpy())
        at = np.searchsorted(t, table["t"].to_numpy() - 1e-9)
        off.append(np.degrees((seen * Rotation.from_quat(quaternions[at]).inv()).magnitude()))
    assert np.sqrt((off[1] ** 2).mean()) < 0.6 * np.sqrt((off[0] ** 2).mean())
    # between two poses, at any rate of frames, it is the same
    tables = [mt.replay(plan, take, rate=rate, until=1.5) for rate in (60, 180)]
    a, b = (table[["camera_qx", "camera_qy", "camera_x"]].to_numpy() for table in tables)
    np.testing.assert_allclose(b[2::3], a, atol=1e-12)
    pieces = [take.table[take.table["t"] < 0.7], take.table[take.table["t"] >= 0.7]]
    whole = mt.replay(plan, take, rate=60, until=1.5)
    parts = pd.concat(mt.replay_pieces(plan, map(mt.Take, pieces), rate=60, until=1.5))
    np.testing.assert_array_equal(parts["camera_qy"], whole["camera_qy"])


def test_a_head_that_is_carried_on_is_saved_and_rolled_back() -> None:
    one, two = mt.Session(CARRIED), mt.Session(CARRIED)
    one.view(head=((0.0, 1.6, 0.0), (0.0, 0.0, 0.0, 1.0)))
    one.tick(0.02)
    one.view(head=((0.1, 1.6, 0.0), (0.0, 0.1, 0.0, 0.995)))
    two.restore(json.loads(json.dumps(one.state())))
    for session in (one, two):
        session.tick(0.02)
    assert one.view() == two.view()
    assert one.view().position[0] == pytest.approx(0.2)
    with pytest.raises(mt.PlanError, match="carry_on: found 500 ms; expected 0 to 100 ms"):
        Headset("hide", carry_on=0.5)

"""The headset: a head's pose as it is, in a room that turns about it and walks."""

from __future__ import annotations

from math import cos, radians, sin
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.axes import Axis
from mellow_thumb.derived import Presses
from mellow_thumb.gates import Buttons
from mellow_thumb.headsets import Headset
from mellow_thumb.movement import MOVES, Movement
from mellow_thumb.plan import Plan
from mellow_thumb.routes import Route
from mellow_thumb.signals import Address, find_signal

from .refusals import refused_for
from .strategies import Event, take_of

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


PROFILE = """
format = "mellow-thumb profile 1"
mount = "hide"

[signals]
snap = { presses = "pad.right_stick.x", at = 0.7 }

[routes.turn]
from = "snap"
drives = "yaw"
sensitivity = "30 deg/press"

[mounts.hide]
kind = "headset"
height = "40 cm"
"""


def test_a_profile_says_it_and_no_route_touches_a_head(tmp_path: Path) -> None:
    file = tmp_path / "hide.toml"
    file.write_text(PROFILE)
    assert mt.load_profile(file).mount == Headset("hide", 0.4)
    words = refused_for(
        tmp_path, PROFILE, 'from = "snap"', 'from = "host.head"\nsmoothing = { half_life = "50 ms" }'
    )
    assert "host.head, a pose" in words
    assert "never smoothed, never scaled" in words
    assert "did you mean headset?" in refused_for(tmp_path, PROFILE, '"headset"', '"headsett"')

"""Directions of a camera: locked on, back behind the walk, with another up; a head that turns, leaning."""

from __future__ import annotations

from itertools import pairwise
from math import atan, cos, degrees, exp, log, radians, sin
from pathlib import Path

import numpy as np
import pytest
from hypothesis import assume, example, given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.formulas.orbiting import carried, chased, direction_to, product, swung, turned_by
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.mounts.orbits import Orbit, Return
from mellow_thumb.plan.movement import MOVES, Movement
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal

from ...helpers.profiles import data, load, refused_for
from ...helpers.strategies import Event, take_of

LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
WALK = Route("walk", find_signal("pad.left_stick"), MOVES, (1.0, 1.0), effect="offset")
TURN = Route("turn", find_signal("pad.right_stick.x"), ("yaw",), (90.0,), effect="rate")
MOVING = tuple(Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES)
AXES = (Axis("yaw"), Axis("pitch", low=-80.0, high=80.0), Axis("roll"), Axis("distance", 4.0, 1.0, 9.0, "m"))

part = st.floats(-1.0, 1.0)
ways = st.tuples(part, part, part).filter(lambda way: np.linalg.norm(way) > 0.1)
angles = st.floats(-180.0, 180.0)


def orbiting(
    mount: Orbit, *, walks: bool = True, routes: tuple[Route, ...] = (LOOK, WALK, TURN)
) -> mt.Session:
    used = routes if walks else (LOOK,)
    return mt.Session(
        Plan(used, (), (*AXES, *(MOVING if walks else ())), mount, movement=Movement(2.0) if walks else None),
        ceiling=100.0,
    )


def looking(view: mt.View) -> np.ndarray:
    return np.asarray(Rotation.from_quat(view.rotation).apply([0.0, 0.0, -1.0]))


# ---- lock on


@given(st.tuples(*[st.floats(-40.0, 40.0)] * 3), st.integers(-300, 300), st.integers(-300, 300))
def test_locked_on_it_looks_at_both_and_the_hand_leads_it_aside(
    away: tuple[float, float, float], x: int, y: int
) -> None:
    subject = (3.0, 1.0, -2.0)
    target = tuple(a + b for a, b in zip(subject, away, strict=True))
    level = float(np.hypot(away[0], away[2]))
    assume(level > 1.0)
    one = orbiting(Orbit("locked", frame="target"), walks=False)
    one.tick(0.1)
    view = one.view(subject, target=target)  # type: ignore[arg-type]
    line = np.array(away) / np.linalg.norm(away)
    np.testing.assert_allclose(looking(view), line, atol=1e-9)
    np.testing.assert_allclose(np.array(subject) - view.position, 4.0 * line, atol=1e-9)
    one.feed("mouse.move", (x, y))
    one.tick(0.1)
    yaw = degrees(np.arctan2(away[0], -away[2])) + 0.1 * x
    pitch = float(np.clip(degrees(np.arctan2(away[1], level)) + 0.1 * y, -90.0, 90.0))
    wanted = [
        sin(radians(yaw)) * cos(radians(pitch)),
        sin(radians(pitch)),
        -cos(radians(yaw)) * cos(radians(pitch)),
    ]
    np.testing.assert_allclose(looking(one.view(subject)), wanted, atol=1e-9)


def test_one_walks_toward_what_one_is_locked_on() -> None:
    one = orbiting(Orbit("locked", frame="target"))
    one.tick(0.1)
    one.view(target=(10.0, 0.0, 0.0))
    one.feed("pad.left_stick", (0.0, 1.0))
    for _ in range(20):
        frame = one.tick(0.05)
        one.view(target=(10.0, 0.0, 0.0))
    assert frame.movement.velocity == pytest.approx((2.0, 0.0, 0.0), abs=0.01)


def test_it_turns_to_another_target_in_its_time_the_shorter_way() -> None:
    one = orbiting(Orbit("locked", frame="target", follow_turn=0.1), walks=False)
    one.tick(0.1)
    one.view((0.0, 0.0, 0.0), target=(-1.0, 0.0, 10.0))
    yaws = []
    for _ in range(30):
        one.tick(0.1)
        view = one.view(target=(1.0, 0.0, 10.0))
        yaws.append(degrees(np.arctan2(*looking(view)[[0, 2]] * [1.0, -1.0])))
    small = degrees(atan(0.1))
    assert abs(yaws[0]) == pytest.approx(180.0, abs=1e-6)  # half of the way after a half-life
    assert yaws[-1] == pytest.approx(180.0 - small, abs=1e-3)


def test_a_take_can_hold_which_way_the_target_is() -> None:
    plan = Plan((LOOK, WALK), (), (*AXES, *MOVING), Orbit("locked", frame="target"), movement=Movement(2.0))
    events: list[Event] = [("host.target", (90.0, 10.0), 0.0), ("pad.left_stick", (0.0, 1.0), 0.25)]
    table = mt.replay(plan, take_of(events), rate=20, until=1.0)
    assert table["step_x"].sum() == pytest.approx(2.0 * 0.75, abs=0.11)
    assert abs(table["step_z"].sum()) < 1e-9
    turned = Rotation.from_quat(table[[f"camera_q{part}" for part in "xyzw"]].to_numpy()[-1])
    np.testing.assert_allclose(
        turned.apply([0.0, 0.0, -1.0]), [cos(radians(10.0)), sin(radians(10.0)), 0.0], atol=1e-9
    )


# ---- back behind the walk


@given(st.floats(-180.0, 180.0), st.floats(0.01, 3.0), st.floats(0.5, 20.0), st.integers(2, 9))
def test_swinging_is_the_solution_however_it_is_split(behind: float, dt: float, k: float, parts: int) -> None:
    whole, left = swung(behind, dt, k=k), behind
    for _ in range(parts):
        left -= swung(left, dt / parts, k=k)
    assert behind - left == pytest.approx(whole, abs=1e-9)
    step, size = 1e-6, abs(behind)
    speed = abs(swung(behind, step, k=k)) / step
    assert speed == pytest.approx(k * (size if size <= 135.0 else 3.0 * (180.0 - size)), rel=1e-4, abs=1e-3)


@given(st.floats(-135.0, 135.0), st.floats(0.1, 5.0))
def test_a_half_life_is_one(behind: float, half_life: float) -> None:
    assert behind - swung(behind, half_life, k=log(2.0) / half_life) == pytest.approx(behind / 2.0, abs=1e-9)


@pytest.mark.parametrize("kind", ["keys", "stick"])
def test_a_walk_to_the_side_is_straight_while_the_camera_comes_round(kind: str) -> None:
    one = orbiting(Orbit("follow", returns=Return(0.5, 0.3)), routes=(LOOK, WALK, TURN))
    rng, place, seen = np.random.default_rng(3), np.zeros(3), []
    for k in range(600):
        if k == 0 or kind == "stick":  # a thumb that trembles, as thumbs do
            noise = rng.normal(0.0, 0.02, 2) if kind == "stick" else (0.0, 0.0)
            one.feed("pad.left_stick", (min(1.0, 0.95 + noise[0]), noise[1]))
        frame = one.tick(1 / 60)
        place += frame.movement.step
        seen.append(frame.movement.heading)
    assert abs(place[2]) < 0.02 * place[0]  # it went to +X, where right was
    assert frame.axes["yaw_total"] == pytest.approx(90.0, abs=3.0)  # and the view is behind it
    assert max(seen) < 100.0
    one.feed("pad.left_stick", (0.0, 1.0))  # another way is meant: that is of the view as it is now
    x, _, z = one.tick(1.0).movement.velocity
    assert np.degrees(np.arctan2(x, -z)) == pytest.approx(frame.axes["yaw_total"], abs=3.0)


def test_hands_that_turn_the_view_still_turn_the_walk() -> None:
    one = orbiting(Orbit("follow", returns=Return(0.5, 0.3)), routes=(LOOK, WALK, TURN))
    one.feed("pad.left_stick", (1.0, 0.0))
    for _ in range(120):
        one.tick(1 / 60)
    before = one.tick(1 / 60).movement
    one.feed("mouse.move", (300.0, 0.0))
    for _ in range(20):
        after = one.tick(1 / 60).movement
    assert after.forward - before.forward == pytest.approx(30.0, abs=1.0)


def test_it_goes_back_behind_the_walk_when_the_hand_has_been_off_long_enough() -> None:
    one = orbiting(Orbit("follow", returns=Return(1.0, 0.3)), routes=(LOOK, WALK, TURN))
    one.feed("mouse.move", (600.0, 0.0))
    one.tick(0.1)
    one.feed("pad.left_stick", (0.4, 0.0))  # to the right of the view: it comes round after it
    seen = [one.tick(0.05).axes["yaw_total"] for _ in range(80)]
    assert seen[16] == pytest.approx(60.0)
    assert seen[30] > 61.0
    assert np.diff(seen[25:]).min() > 0.0
    one.feed("pad.left_stick", (0.0, 0.0))
    one.tick(0.5)
    still = one.tick(0.1).axes["yaw_total"]
    assert one.tick(3.0).axes["yaw_total"] == still  # it stands, and so does the view


def test_a_hand_on_the_yaw_has_it_for_itself() -> None:
    one = orbiting(Orbit("follow", returns=Return(0.5, 0.2)))
    one.feed("pad.left_stick", (1.0, 0.0))
    one.feed("pad.right_stick.x", -0.5)
    for _ in range(40):
        frame = one.tick(0.05)
    assert frame.axes["yaw_total"] == pytest.approx(-90.0)
    one.feed("pad.right_stick.x", 0.0)
    one.feed("mouse.move", (10.0, 0.0), at=2.4)
    assert one.tick(0.85).axes["yaw_total"] == pytest.approx(-89.0)
    assert one.tick(0.5).axes["yaw_total"] > -88.5


@given(
    st.lists(
        st.tuples(st.sampled_from(["mouse.move", "pad.left_stick"]), part, part, st.floats(0.0, 4.0)),
        max_size=12,
    )
)
def test_going_back_is_the_same_at_any_frames(happened: list[tuple[str, float, float, float]]) -> None:
    plan = Plan(
        (LOOK, WALK), (), (*AXES, *MOVING), Orbit("follow", returns=Return(0.5, 0.3)), movement=Movement(2.0)
    )
    events: list[Event] = [(name, (x, y), t) for name, x, y, t in sorted(happened, key=lambda one: one[3])]
    tables = [mt.replay(plan, take_of(events), rate=rate, until=5.0) for rate in (30, 240)]
    names = ["yaw_total", "pitch", "heading"]
    assert tables[0][names].iloc[-1].tolist() == tables[1][names].iloc[-1].tolist()


# ---- another up


@given(ways, ways, st.none() | st.floats(-18.0, -0.3))
@example((0.0, 1.0, 0.0), (0.0, -1.0, 9.4e-6), None)
@example((0.3, 0.8, -0.2), (0.0, 1.0, 0.0), -18.0)
def test_up_is_carried_the_shortest_way(
    first: tuple[float, ...], second: tuple[float, ...], near: float | None
) -> None:
    a, b = (np.array(way) / np.linalg.norm(way) for way in (first, second))
    if near is not None:  # nearly opposite, or exactly
        b = -a + b * 10.0**near
        b /= np.linalg.norm(b)
    start = carried(0.0, 0.0, 0.0, 1.0, *map(float, a))
    turned = carried(*start, *map(float, b))
    np.testing.assert_allclose(Rotation.from_quat(start).apply([0.0, 1.0, 0.0]), a, atol=1e-14)
    np.testing.assert_allclose(Rotation.from_quat(turned).apply([0.0, 1.0, 0.0]), b, atol=1e-14)
    step = Rotation.from_quat(turned) * Rotation.from_quat(start).inv()
    between = 2.0 * np.arctan2(np.linalg.norm(a - b), np.linalg.norm(a + b))
    assert step.magnitude() == pytest.approx(between, abs=1e-9)


@given(ways, ways, st.tuples(part, part, part))
def test_quaternions_are_multiplied_as_scipy_does(
    a: tuple[float, ...], b: tuple[float, ...], v: tuple[float, float, float]
) -> None:
    one, two = (Rotation.from_rotvec(way) for way in (a, b))
    x, y = (np.asarray(rotation.as_quat()) for rotation in (one, two))
    both = Rotation.from_quat(product(*x, *y)).as_matrix()
    np.testing.assert_allclose(both, (one * two).as_matrix(), atol=1e-12)
    turned = turned_by(x[0], x[1], x[2], x[3], *v)
    np.testing.assert_allclose(np.array(turned), np.asarray(one.apply(v)), atol=1e-12)


@given(ways, st.integers(-900, 900), st.integers(-300, 300))
def test_with_another_up_everything_is_as_it_was_but_turned(
    up: tuple[float, float, float], x: int, y: int
) -> None:
    views = []
    for mount in (Orbit("plain", (0.4, 1.6, 0.2)), Orbit("planet", (0.4, 1.6, 0.2), up="host")):
        one = orbiting(mount, walks=False)
        one.feed("mouse.move", (x, y))
        one.tick(0.1)
        views.append(one.view((5.0, 2.0, 1.0), up=up))
    plain, planet = views
    axis = np.array(up) / np.linalg.norm(up)
    turn, _ = Rotation.align_vectors([axis], [[0.0, 1.0, 0.0]])
    assume(axis[1] > -0.99)
    place = np.array([5.0, 2.0, 1.0])
    away = turn.apply(np.array(plain.position) - place)
    np.testing.assert_allclose(np.array(planet.position) - place, away, atol=1e-6)
    both = (turn * Rotation.from_quat(plain.rotation)).as_matrix()
    np.testing.assert_allclose(Rotation.from_quat(planet.rotation).as_matrix(), both, atol=1e-6)


def test_round_a_planet_nothing_flips() -> None:
    one = orbiting(Orbit("planet", up="host"), walks=False)
    rights = []
    for k in range(361):
        a = radians(k)
        one.tick(0.01)
        view = one.view((10.0 * sin(a), 10.0 * cos(a), 0.0), up=(sin(a), cos(a), 0.0))
        rights.append(Rotation.from_quat(view.rotation).apply([1.0, 0.0, 0.0]))
    turns = np.degrees(np.arccos(np.clip([a @ b for a, b in pairwise(rights)], -1.0, 1.0)))
    assert turns.max() < 1.01
    np.testing.assert_allclose(rights[0], rights[-1], atol=1e-9)
    with pytest.raises(mt.ArgumentError, match="a direction"):
        one.view(up=(0.0, 0.0, 0.0))


# ---- eye


@given(angles, st.floats(-80.0, 80.0))
def test_a_head_turns_on_its_body(facing: float, yaw: float) -> None:
    body = tuple(map(float, Rotation.from_euler("Y", -facing, degrees=True).as_quat()))
    axes = (Axis("yaw", low=-80.0, high=80.0), *AXES[1:3])
    one = mt.Session(Plan((LOOK,), (), axes, Eye("head", 1.6, turns="head")))
    one.set_axis("yaw", yaw)
    one.tick(0.1)
    view = one.view(((1.0, 2.0, 3.0), body))  # type: ignore[arg-type]
    assert view.position == pytest.approx((1.0, 3.6, 3.0))
    a = radians(facing + yaw)
    np.testing.assert_allclose(looking(view), [sin(a), 0.0, -cos(a)], atol=1e-9)
    back = Rotation.from_euler("Y", -(facing + 0.5 * yaw), degrees=True).as_quat()
    one.look_along(tuple(map(float, back)))  # type: ignore[arg-type]
    assert one.tick(0.1).axes["yaw"] == pytest.approx(0.5 * yaw, abs=1e-9)


def test_leaning_is_to_the_side_of_the_view() -> None:
    lean = Route("lean", find_signal("pad.left_stick"), ("lean_x", "lean_y"), (0.4, 0.2), effect="offset")
    leans = tuple(Axis(name, low=-0.3, high=0.3, unit="m") for name in ("lean_x", "lean_y"))
    one = mt.Session(Plan((LOOK, lean), (), (*AXES[:3], *leans), Eye("eye", 1.6)))
    one.feed("mouse.move", (900.0, 0.0))
    one.feed("pad.left_stick", (0.5, -1.0))
    one.tick(0.1)
    assert one.view().position == pytest.approx((0.0, 1.6 - 0.4 / 5**0.5, 0.4 / 5**0.5), abs=1e-6)
    assert one.view((5.0, 0.0, 0.0)).position == pytest.approx(
        (5.0, 1.6 - 0.4 / 5**0.5, 0.4 / 5**0.5), abs=1e-6
    )
    one.feed("pad.left_stick", (0.0, 0.0))
    one.tick(0.1)
    assert one.view((5.0, 0.0, 0.0)).position == pytest.approx((5.0, 1.6, 0.0))


# ---- walking by where one looks


@pytest.mark.parametrize(
    ("mount", "x"), [(Orbit("follow", frame="subject"), 2.0), (Eye("head", turns="head"), 2.0)]
)
def test_forward_is_where_the_view_looks_whatever_its_yaw_is_measured_from(
    mount: Orbit | Eye, x: float
) -> None:
    axes = AXES if isinstance(mount, Orbit) else AXES[:3]
    moving = Movement(2.0, face="free")
    one = mt.Session(Plan((LOOK, WALK), (), (*axes, *MOVING), mount, movement=moving), ceiling=9.0)
    one.feed("mouse.move", (900.0, 0.0))
    one.tick(0.1)
    one.feed("pad.left_stick", (0.0, 1.0))
    for _ in range(10):
        frame = one.tick(0.1)
    assert frame.movement.velocity == pytest.approx((x, 0.0, 0.0), abs=1e-6)


def test_an_orbit_that_takes_over_is_measured_from_where_the_character_then_faced() -> None:
    own = (Axis("yaw"), Axis("pitch"), Axis("roll"), AXES[3])
    behind = Mounted(Orbit("behind", frame="entry"), Condition("charting"), axes=own)
    gate = Gate("charting", Buttons((find_signal("key.KeyM"),)))
    plan = Plan(
        (LOOK, WALK), (gate,), (*AXES, *MOVING), Orbit("follow"), movement=Movement(2.0), others=(behind,)
    )
    one = mt.Session(plan, ceiling=9.0)
    one.feed("pad.left_stick", (1.0, 0.0))
    one.tick(1.0)  # it faces to the right
    one.feed("key.KeyM", 1)
    one.feed("pad.left_stick", (0.0, 0.0))
    one.tick(0.5)
    np.testing.assert_allclose(looking(one.view()), [1.0, 0.0, 0.0], atol=1e-9)
    one.feed("pad.left_stick", (0.0, 1.0))
    assert one.tick(1.0).movement.velocity == pytest.approx((2.0, 0.0, 0.0), abs=1e-9)


def test_directions_are_chased_the_shorter_way() -> None:
    assert chased(0.0, 90.0, 1.0, k=1.0) == pytest.approx(90.0 * (1.0 - exp(-1.0)))
    assert direction_to(0.0, 1.0, -1.0) == pytest.approx((0.0, 45.0))


PROFILE = data("behind_the_walk.toml")


def test_a_profile_says_it(tmp_path: Path) -> None:
    profile = load(tmp_path, PROFILE)
    assert profile.mount == Orbit(
        "follow", frame="subject", follow_turn=0.12, returns=Return(2.0, 0.6), up="host"
    )
    assert (profile.axes[0].low, profile.axes[0].high) == (-90.0, 90.0)


@pytest.mark.parametrize(
    ("old", "new", "words"),
    [
        ('after = "2 s"', 'aftr = "2 s"', "mounts.follow.returns: found"),
        ('after = "2 s"', 'after = "2 m"', "expected a number of s or ms"),
        ('after = "2 s"', 'after = "1 ms"', "expected 0.1 to 600 s"),
        ('up = "host"', 'up = "hosts"', "did you mean host?"),
        ('[movement]\nspeed = "2 m/s"\n', "", "returns without movement"),
        ('frame = "subject"', 'frame = "subjekt"', "did you mean subject?"),
        ('frame = "subject"', 'frame = "world"', 'expected "start", or a yaw that is measured'),
    ],
)  # fmt: skip
def test_what_is_wrong_is_refused(tmp_path: Path, old: str, new: str, words: str) -> None:
    assert words in refused_for(tmp_path, PROFILE, (old, new))

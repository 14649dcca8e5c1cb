"""A device in the hand: its attitude by gravity, its bias learnt, and how it aims."""

from __future__ import annotations

import json

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.session.attitude import GRAVITY, Attitude, aim, faded
from mellow_thumb.session.motion import Motion
from mellow_thumb.stand_ins.handheld import Handheld

PLAN = Plan(
    (Route("aim", find_signal("motion.aim"), ("yaw", "pitch"), (1.0, 1.0), effect="rate"),),
    (),
    (Axis("yaw"), Axis("pitch"), Axis("roll")),
    Eye("eye"),
)
part = st.floats(-1.0, 1.0)
ways = st.tuples(part, part, part).filter(lambda way: np.linalg.norm(way) > 0.1)
turns = st.tuples(*[st.floats(-400.0, 400.0)] * 3)


def waving(seconds: float, rate: int, *, rests: float = 3.0) -> tuple[np.ndarray, np.ndarray]:
    """Angles and whether it moves: still at first, then waved about."""
    t = np.arange(round(seconds * rate)) / rate
    moves = (t > rests).astype(float)
    s = t - rests
    waves = np.column_stack((40 * np.sin(0.7 * s), 25 * np.sin(1.1 * s), 15 * np.sin(0.5 * s)))
    return waves * moves[:, None], moves


@given(ways, turns)
def test_aiming_is_about_the_vertical_and_the_level_axis_whatever_the_pose(
    pose: tuple[float, ...], turn: tuple[float, float, float]
) -> None:
    held = Rotation.from_rotvec(pose)
    up = held.inv().apply([0.0, 1.0, 0.0])
    right, tilt = aim(turn, (float(up[0]), float(up[1]), float(up[2])))
    world = held.apply(turn)
    assert right == pytest.approx(-float(world[1]), abs=1e-9)
    across = np.cross(held.apply([0.0, 0.0, -1.0]), [0.0, 1.0, 0.0])
    if np.linalg.norm(across) > 1e-3:
        assert tilt == pytest.approx(float(world @ across / np.linalg.norm(across)), abs=1e-9)


@given(ways)
def test_the_first_weight_says_where_the_sky_is(force: tuple[float, float, float]) -> None:
    attitude = Attitude()
    attitude.weigh(force)
    np.testing.assert_allclose(np.array(attitude.up), np.array(force) / np.linalg.norm(force), atol=1e-4)
    assert np.linalg.norm(attitude.rotation) == pytest.approx(1.0, abs=1e-12)


@given(st.lists(st.tuples(turns, st.floats(0.001, 0.02)), min_size=1, max_size=50))
def test_without_gravity_it_is_the_product_of_what_it_turned(
    steps: list[tuple[tuple[float, ...], float]],
) -> None:
    attitude, true, t = Attitude(), Rotation.identity(), 0.0
    attitude.turn((0.0, 0.0, 0.0), 0.0)
    for turn, dt in steps:
        t += dt
        free = attitude.turn((turn[0], turn[1], turn[2]), t)
        true = true * Rotation.from_rotvec(np.array(free) * dt, degrees=True)
    assert (Rotation.from_quat(attitude.rotation) * true.inv()).magnitude() < 1e-6


@settings(max_examples=4)
@given(st.integers(0, 2**32))
def test_a_minute_of_a_hand_that_trembles_and_bumps_stays_within_two_degrees(seed: int) -> None:
    hand = Handheld(seed)
    angles, moves = waving(63.0, 200)
    t, turned, forces, true = hand.read(angles, moves)
    attitude, ups = Attitude(), []
    for turn, force, moment in zip(turned.tolist(), forces.tolist(), t.tolist(), strict=True):
        attitude.weigh((force[0], force[1], force[2]))
        attitude.turn((turn[0], turn[1], turn[2]), moment)
        ups.append(attitude.up)
    skies = Rotation.from_quat(true).inv().apply([0.0, 1.0, 0.0])
    apart = np.degrees(np.arccos(np.clip((np.array(ups) * skies).sum(axis=1), -1.0, 1.0)))
    assert apart[600:].max() < 2.0  # pitch and roll together; after three seconds of stillness
    assert np.abs(np.array(attitude.bias) - hand.bias).max() < 0.1


def test_a_device_at_rest_for_ten_minutes_turns_nothing() -> None:
    hand = Handheld(5, rate=50)
    still = np.zeros((603 * 50, 3))
    take = hand.take(still, still[:, 0])
    table = mt.replay(PLAN, take, rate=10, until=603.0)
    after = table[table["t"] >= 3.0]
    assert np.ptp(after["yaw_total"]) < 0.1
    assert np.ptp(after["pitch"]) < 0.1


@pytest.mark.parametrize("roll", [0.0, 60.0, -90.0])
def test_a_device_that_is_held_rolled_still_aims_level(roll: float) -> None:
    held = Rotation.from_euler("Z", -roll, degrees=True)
    up = held.inv().apply([0.0, GRAVITY, 0.0])
    turn = held.inv().apply([0.0, -30.0, 0.0])  # to the right, about the vertical
    one = mt.Session(PLAN, ceiling=9.0)
    for k in range(101):
        t = k / 100.0
        one.motion(turn.tolist(), Rotation.from_euler("Y", -30.0 * t, degrees=True).apply(up).tolist(), at=t)
    axes = one.tick(1.0).axes
    assert axes["yaw"] == pytest.approx(30.0, abs=0.5)
    assert abs(axes["pitch"]) < 0.5


def test_the_smallest_rates_are_faded_out_and_others_left() -> None:
    assert faded((0.2, 0.0, 0.0)) == 0.0
    assert 0.0 < faded((0.0, 0.5, 0.0)) < 1.0
    assert faded((0.0, 0.0, 2.0)) == 1.0


def test_a_take_replays_to_the_bit_and_a_saved_session_goes_on() -> None:
    angles, moves = waving(2.0, 100, rests=0.5)
    take = Handheld(3, rate=100).take(angles, moves)
    table = mt.replay(PLAN, take, rate=30, until=2.0)
    one = mt.Session(PLAN)
    for t, signal, value in zip(take.table["t"], take.table["signal"], take.table["value"], strict=True):
        one.feed(str(signal), float(value), at=float(t))
    for k in range(30):
        frame = one.tick(to=(k + 1) / 30)
        assert frame.axes["yaw_total"] == table["yaw_total"].iloc[k]
    two = mt.Session(PLAN)
    two.restore(json.loads(json.dumps(one.state())))
    assert two.tick(to=31 / 30).axes["yaw_total"] == table["yaw_total"].iloc[30]
    assert abs(table["yaw_total"]).max() > 5.0


def test_a_browser_says_it_in_its_own_words() -> None:
    one = mt.Session(PLAN, ceiling=9.0)
    door = mt.BrowserDoor(one, 800, 600)
    for k in range(100):
        rates = {"alpha": 0.0, "beta": 10.0, "gamma": -20.0}
        weight = {"x": 0.0, "y": GRAVITY, "z": 0.0}
        event = {"type": "devicemotion", "rotationRate": rates, "accelerationIncludingGravity": weight}
        door.feed({**event, "timeStamp": 1000.0 + 10.0 * k})
    axes = one.tick(1.0).axes
    assert axes["yaw"] == pytest.approx(20.0, rel=0.1)
    assert axes["pitch"] == pytest.approx(10.0, rel=0.1)
    assert not door.refused


def test_readings_go_no_further() -> None:
    stage = Motion({"motion.aim": 7}, lambda _, __: None)
    items = [(0.1, -101 - k, 1.0, 0.0) for k in range(6)] + [(0.2, 3, 1.0, 2.0)]
    found = stage.expand(items)
    assert [code for _, code, _, _ in found] == [7, 3]
    assert stage.expand([(0.3, 3, 1.0, 2.0)]) == [(0.3, 3, 1.0, 2.0)]

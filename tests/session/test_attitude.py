"""A device in the hand: its attitude by gravity, its bias learnt, and how it aims."""

from __future__ import annotations

import json

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from benchmarks.attitude import ROWS, Row, one_run, read
from mellow_thumb import marsh
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.session.attitude import GRAVITY, Attitude, aim, faded
from mellow_thumb.session.motion import Motion
from mellow_thumb.stand_ins.handheld import Handheld

BESIDE = (
    "50 Hz",
    "50 Hz, rest first, pushes",
    "a walking hand",
    "a walking leg",
    "10 Hz",
    "uneven, with lost readings",
)

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


@given(ways, st.lists(st.tuples(st.floats(-400.0, 400.0), st.floats(0.001, 0.2)), min_size=1, max_size=50))
def test_without_gravity_what_turns_steadily_faster_about_one_axis_is_exact(
    way: tuple[float, ...], steps: list[tuple[float, float]]
) -> None:
    axis = np.array(way) / np.linalg.norm(way)
    attitude, angle, last, t = Attitude(), 0.0, 0.0, 0.0
    attitude.turn((0.0, 0.0, 0.0), 0.0)
    for speed, dt in steps:
        t += dt
        x, y, z = (axis * speed).tolist()
        assert attitude.turn((x, y, z), t) == (x, y, z)
        angle, last = angle + 0.5 * (last + speed) * dt, speed
    true = Rotation.from_rotvec(axis * angle, degrees=True)
    assert (Rotation.from_quat(attitude.rotation) * true.inv()).magnitude() < 1e-6


@settings(max_examples=20)
@given(turns, turns, st.floats(0.01, 0.05))
def test_axes_that_change_places_turn_what_they_do_to_each_other(
    begin: tuple[float, float, float], end: tuple[float, float, float], dt: float
) -> None:
    attitude = Attitude()
    attitude.turn(begin, 0.0)
    attitude.turn(end, dt)
    true, fine = Rotation.identity(), 400
    for k in range(fine):  # the mean of each short piece is exact to the fourth order of the whole
        share = (k + 0.5) / fine
        speed = np.array(begin) * (1.0 - share) + np.array(end) * share
        true = true * Rotation.from_rotvec(speed * dt / fine, degrees=True)
    most = np.radians(max(np.linalg.norm(begin), np.linalg.norm(end))) * dt
    assert (Rotation.from_quat(attitude.rotation) * true.inv()).magnitude() <= 1e-7 + 0.05 * most**4


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


def fed(attitude: Attitude, t: np.ndarray, turned: np.ndarray, forces: np.ndarray) -> np.ndarray:
    """Where the sky is in the device's frame after each reading."""
    ups = []
    for turn, force, moment in zip(turned.tolist(), forces.tolist(), t.tolist(), strict=True):
        attitude.weigh((force[0], force[1], force[2]))
        attitude.turn((turn[0], turn[1], turn[2]), moment)
        ups.append(attitude.up)
    return np.array(ups)


@pytest.mark.parametrize("row", [row for row in ROWS if row.name in BESIDE], ids=lambda row: row.name)
def test_the_sky_is_nearer_than_a_published_filter_has_it(row: Row) -> None:
    runs = np.array([one_run(row, seed, ["ours", "vqf"]) for seed in range(3)])
    mine, theirs = np.sqrt((runs**2).mean(axis=0))
    assert mine <= 1.1 * theirs


@settings(max_examples=10)
@given(ways, st.floats(0.2, 4.0))
def test_a_bias_is_learnt_in_motion_without_any_rest(way: tuple[float, ...], size: float) -> None:
    t = np.arange(6000) / 100.0
    held, ahead = (
        Rotation.from_euler(
            "YXZ",
            np.column_stack((50 * np.sin(2.1 * s), 40 * np.sin(3.3 * s + 1), 30 * np.sin(1.7 * s + 2))),
            degrees=True,
        )
        for s in (t, t + 1e-4)
    )
    bias = size * np.array(way) / np.linalg.norm(way)
    turned = (held.inv() * ahead).as_rotvec(degrees=True) / 1e-4 + bias
    attitude = Attitude()
    fed(attitude, t, turned, held.inv().apply([0.0, GRAVITY, 0.0]))
    off = np.abs(np.array(attitude.bias) - bias)
    assert off.max() < 0.05 + 0.25 * size  # least about what stays near the vertical
    assert (off < 0.05 + 2.0 * np.array(attitude.uncertainty)).all()
    assert max(attitude.uncertainty) < 0.5
    assert not attitude.resting


def test_a_slow_steady_turn_is_no_rest_once_the_bias_is_known() -> None:
    t = np.arange(1200) / 100.0
    turned = np.tile([0.5, -0.4, 0.3], (t.size, 1))
    turned[(t > 6.0) & (t < 9.0), 1] -= 3.0  # a pan at 3 deg/s, as steady as a table
    attitude = Attitude()
    fed(attitude, t, turned, np.tile([0.0, GRAVITY, 0.0], (t.size, 1)))
    assert attitude.bias == pytest.approx((0.5, -0.4, 0.3), abs=0.02)
    # a bias that is not what it was is learnt in the end
    t = 12.0 + np.arange(3000) / 100.0
    fed(attitude, t, np.tile([0.5, -2.4, 0.3], (t.size, 1)), np.tile([0.0, GRAVITY, 0.0], (t.size, 1)))
    assert attitude.bias == pytest.approx((0.5, -2.4, 0.3), abs=0.1)


@given(ways, ways, st.floats(1.1, 1000.0))
def test_after_a_pause_up_is_where_it_is_felt_and_the_bias_stays(
    before: tuple[float, ...], after: tuple[float, ...], pause: float
) -> None:
    attitude, bias = Attitude(), np.array([0.5, -0.4, 0.3])
    t = np.arange(300) / 100.0
    skies = [GRAVITY * np.array(way) / np.linalg.norm(way) for way in (before, after)]
    fed(attitude, t, np.tile(bias, (t.size, 1)), np.tile(skies[0], (t.size, 1)))
    attitude.weigh((float(skies[0][0]), float(skies[0][1]), float(skies[0][2])))
    attitude.turn((0.0, 300.0, 0.0), 3.0)  # it turns fast as it goes silent
    ups = fed(attitude, 3.0 + pause + t[:20], np.tile(bias, (20, 1)), np.tile(skies[1], (20, 1)))
    assert ups[-1] == pytest.approx(skies[1] / GRAVITY, abs=0.01)
    assert attitude.bias == pytest.approx(bias, abs=0.05)


def test_a_tremor_does_not_shift_a_lean() -> None:
    t = np.arange(2000) / 200.0
    begins = np.clip(t - 4.0, 0.0, 1.0) ** 2 * (3.0 - 2.0 * np.clip(t - 4.0, 0.0, 1.0))
    tremor = 0.8 * np.sin(2 * np.pi * 8.0 * t) * begins
    rates = np.gradient(tremor, t)
    held = Rotation.from_euler("Z", (-10.0 - tremor)[:, None], degrees=True)
    # about a wrist 12 cm below: what it feels goes to and fro as well
    swings = np.radians(np.gradient(rates, t)) * 0.12
    forces = held.inv().apply([0.0, GRAVITY, 0.0]) + np.column_stack((swings, 0 * t, 0 * t))
    ups = fed(Attitude(), t, np.column_stack((0 * t, 0 * t, -rates)), forces)
    leans = np.degrees(np.arctan2(-ups[:, 0], ups[:, 1]))
    assert np.mean(leans[t > 6.0]) - np.mean(leans[(t > 2.0) & (t < 4.0)]) == pytest.approx(0.0, abs=0.1)


@settings(max_examples=10)
@given(st.integers(1, 199), st.sampled_from([20, 100, 1000]))
def test_what_is_saved_goes_on_to_the_bit(after: int, rate: int) -> None:
    t, turned, forces, _ = read(Row("saved", rate), 1)
    one, two = Attitude(), Attitude()
    fed(one, t[:after], turned[:after], forces[:after])
    two.restore(json.loads(json.dumps(one.saved())))
    assert (two.rotation, two.bias, two.resting) == (one.rotation, one.bias, one.resting)
    rest = slice(after, after + 200)
    assert np.array_equal(
        fed(one, t[rest], turned[rest], forces[rest]), fed(two, t[rest], turned[rest], forces[rest])
    )


def test_a_session_tells_how_the_device_is_held() -> None:
    one = mt.Session(PLAN, ceiling=9.0)
    for k in range(300):
        one.motion((0.5, 0.0, -0.2), (0.0, 0.0, GRAVITY), at=k / 100.0)  # on its back, on a table
    one.tick(3.0)
    held = one.handheld
    assert held is not None
    assert Rotation.from_quat(held.rotation).inv().apply([0.0, 1.0, 0.0]) == pytest.approx(
        [0, 0, 1], abs=1e-3
    )
    assert held.bias == pytest.approx((0.5, 0.0, -0.2), abs=0.02)
    assert max(held.uncertainty) < 0.1
    assert held.resting
    assert mt.load_profile(marsh.CHART).session().handheld is None


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
        one.motion(turn.tolist(), up.tolist(), at=t)  # about the vertical nothing tips
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
    expected = np.zeros(2)
    for k in range(100):
        held = Rotation.from_rotvec(np.array([10.0, -20.0, 0.0]) * k / 100.0, degrees=True)
        up = held.inv().apply([0.0, 1.0, 0.0])
        rates = {"alpha": 0.0, "beta": 10.0, "gamma": -20.0}
        weight = dict(zip("xyz", (GRAVITY * up).tolist(), strict=True))
        event = {"type": "devicemotion", "rotationRate": rates, "accelerationIncludingGravity": weight}
        door.feed({**event, "timeStamp": 1000.0 + 10.0 * k})
        expected += np.array(aim((10.0, -20.0, 0.0), (float(up[0]), float(up[1]), float(up[2])))) / 100.0
    axes = one.tick(1.0).axes
    assert (axes["yaw"], axes["pitch"]) == pytest.approx(expected, rel=0.03)
    assert not door.refused


def test_readings_go_no_further() -> None:
    stage = Motion({"motion.aim": 7}, lambda _, __: None)
    items = [(0.1, -101 - k, 1.0, 0.0) for k in range(6)] + [(0.2, 3, 1.0, 2.0)]
    found = stage.expand(items)
    assert [code for _, code, _, _ in found] == [7, 3]
    assert stage.expand([(0.3, 3, 1.0, 2.0)]) == [(0.3, 3, 1.0, 2.0)]

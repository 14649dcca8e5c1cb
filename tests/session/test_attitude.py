"""A device in the hand: its attitude by gravity, its bias learnt, and how it aims."""

from __future__ import annotations

import json
import subprocess
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from benchmarks.attitude import ROWS, Row, one_run, read
from mellow_thumb import marsh
from mellow_thumb.formulas.attitude import aimed, faded
from mellow_thumb.insight.exporting import export_c
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.session import GRAVITY, Attitude
from mellow_thumb.session.readings import Readings
from mellow_thumb.stand_ins.handheld import Handheld

from ..helpers.profiles import data, load
from ..insight.test_export import COMPILER, needs_compiler

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
    right, tilt = aimed(*turn, float(up[0]), float(up[1]), float(up[2]))
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
    assert np.linalg.norm(attitude.held.rotation) == pytest.approx(1.0, abs=1e-12)


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
        attitude.turn((x, y, z), t)
        angle, last = angle + 0.5 * (last + speed) * dt, speed
    true = Rotation.from_rotvec(axis * angle, degrees=True)
    assert (Rotation.from_quat(attitude.held.rotation) * true.inv()).magnitude() < 1e-6


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
    assert (Rotation.from_quat(attitude.held.rotation) * true.inv()).magnitude() <= 1e-7 + 0.05 * most**4


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
    assert np.abs(np.array(attitude.held.bias) - hand.bias).max() < 0.1


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
    off = np.abs(np.array(attitude.held.bias) - bias)
    assert off.max() < 0.05 + 0.25 * size  # least about what stays near the vertical
    assert (off < 0.05 + 2.0 * np.array(attitude.held.uncertainty)).all()
    assert max(attitude.held.uncertainty) < 0.5
    assert not attitude.held.resting


def test_a_slow_steady_turn_is_no_rest_once_the_bias_is_known() -> None:
    t = np.arange(1200) / 100.0
    turned = np.tile([0.5, -0.4, 0.3], (t.size, 1))
    turned[(t > 6.0) & (t < 9.0), 1] -= 3.0  # a pan at 3 deg/s, as steady as a table
    attitude = Attitude()
    fed(attitude, t, turned, np.tile([0.0, GRAVITY, 0.0], (t.size, 1)))
    assert attitude.held.bias == pytest.approx((0.5, -0.4, 0.3), abs=0.02)
    # a bias that is not what it was is learnt in the end
    t = 12.0 + np.arange(3000) / 100.0
    fed(attitude, t, np.tile([0.5, -2.4, 0.3], (t.size, 1)), np.tile([0.0, GRAVITY, 0.0], (t.size, 1)))
    assert attitude.held.bias == pytest.approx((0.5, -2.4, 0.3), abs=0.1)


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
    assert attitude.held.bias == pytest.approx(bias, abs=0.05)


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


@settings(max_examples=4)
@given(st.integers(0, 2**32))
def test_where_it_points_drifts_by_no_more_than_a_thirtieth_of_a_degree_a_minute_at_rest(seed: int) -> None:
    lies = np.tile([30.0, -20.0, 25.0], (70 * 50, 1))
    t, turned, forces, _ = Handheld(seed, rate=50, bias=1.0).read(lies, lies[:, 0] * 0.0)
    attitude = Attitude()
    fed(attitude, t[:500], turned[:500], forces[:500])
    before = Rotation.from_quat(attitude.held.rotation)
    fed(attitude, t[500:], turned[500:], forces[500:])
    drifted = Rotation.from_quat(attitude.held.rotation) * before.inv()
    assert abs(drifted.as_rotvec(degrees=True)[1]) <= 0.03


def test_what_it_turned_just_before_it_lay_still_is_no_bias() -> None:
    hand = Handheld(7, rate=100)
    hand.walk(3.0)
    hand.turn(40.0, -25.0, 10.0, seconds=0.8)
    hand.rest(4.0)
    t, turned, forces, _ = hand.read(*hand.path)
    attitude, off = Attitude(), []
    for k in range(380, len(t), 20):
        part = slice(0 if k == 380 else k - 20, k)
        fed(attitude, t[part], turned[part], forces[part])
        off.append((attitude.held.resting, np.abs(np.array(attitude.held.bias) - hand.bias).max()))
    assert max(away for rests, away in off if rests) < 0.8
    assert off[-1][0]
    assert off[-1][1] < 0.05


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
    none, whole = 0.25, 1.0
    assert faded(0.2, 0.0, 0.0, none=none, whole=whole) == 0.0
    assert 0.0 < faded(0.0, 0.5, 0.0, none=none, whole=whole) < 1.0
    assert faded(0.0, 0.0, 2.0, none=none, whole=whole) == 1.0


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
        expected += np.array(aimed(10.0, -20.0, 0.0, float(up[0]), float(up[1]), float(up[2]))) / 100.0
    axes = one.tick(1.0).axes
    assert (axes["yaw"], axes["pitch"]) == pytest.approx(expected, rel=0.03)
    assert not door.refused


def readings(seed: int, count: int) -> list[tuple[float, list[float], list[float]]]:
    """When, how it turned and what it felt: a hand that walks, and stops to rest for a while; with a gap."""
    said = read(Row("walks", 100, peak=60.0, shakes=(1.5, 2.5, 1.8)), seed)
    rows = list(zip(said.t.tolist(), said.turns.tolist(), said.forces.tolist(), strict=True))[:count]
    rests = range(count // 3, count // 2)
    rows = [(t, [0.4, -0.2, 0.1], [0.3, 9.7, 1.0]) if k in rests else (t, turn, force)
            for k, (t, turn, force) in enumerate(rows)]  # fmt: skip
    return rows[: 2 * count // 3] + [(t + 2.5, *rest) for t, *rest in rows[2 * count // 3 :]]


@needs_compiler
@pytest.mark.usefixtures("compiling")
@pytest.mark.parametrize("signal", ["motion.aim", "motion.tilt"])
def test_compiled_it_takes_sensors_as_they_are_to_the_bit(signal: str) -> None:
    effect = {"motion.aim": "rate", "motion.tilt": "offset"}[signal]
    route = Route("aim", find_signal(signal), ("yaw", "pitch"), (1.0, 1.0), effect=effect)
    plan = Plan((route,), (), PLAN.axes, Eye("eye"))
    one, two = (mt.Session(plan, compiled=compiled, ceiling=9.0) for compiled in (True, False))
    assert (one.engine, two.engine) == ("C", "Python")
    saved = None
    for k, (t, turn, force) in enumerate(readings(4, 900)):
        for session in (one, two):
            session.motion(turn, force if k % 3 else None, at=t)
            session.tick(to=t + 0.004)
        assert one.handheld == two.handheld
        if k == 500:
            saved = two.snapshot(), one.handheld
    assert one.state()["loop"] == two.state()["loop"]
    assert one.handheld is not None
    assert min(one.handheld.uncertainty) < 0.9  # something was learnt
    assert saved
    one.restore(saved[0])
    assert one.handheld == saved[1]


C_HOST = """#include <stdio.h>
#include "held.h"
int main(void)
{
    held_state s;
    double t, turn[3], force[3], out[HELD_H_OUT];
    held_start(&s);
    while (scanf("%lf %lf %lf %lf %lf %lf %lf", &t, turn, turn + 1, turn + 2, force, force + 1, force + 2) == 7) {
        held_motion(&s, t, turn, force[0] == 0.0 ? 0 : force);
        held_frame(&s, t + 0.004, 0, out);
    }
    printf("%.17g %.17g %.17g ", s.attitude_bias_x, s.attitude_bias_y, s.attitude_bias_z);
    printf("%.17g %.17g\\n", out[HELD_OUT_YAW_TOTAL], out[HELD_OUT_PITCH]);
    return 0;
}
"""


@needs_compiler
def test_a_host_in_c_hands_over_sensors_as_they_are(tmp_path: Path) -> None:
    assert COMPILER
    profile = load(tmp_path, data("aiming.toml"))
    export_c(profile, tmp_path / "held.h")
    (tmp_path / "host.c").write_text(C_HOST, encoding="utf-8")
    strict = [
        COMPILER,
        "-std=c99",
        "-Wall",
        "-Wextra",
        "-Wpedantic",
        "-Werror",
        "-o",
        "host",
        "host.c",
        "-lm",
    ]
    subprocess.run(strict, cwd=tmp_path, check=True)
    session, rows = profile.session(ceiling=9.0), []
    for k, (t, turn, force) in enumerate(readings(5, 900)):
        session.motion(turn, force if k % 3 else None, at=t)
        frame = session.tick(to=t + 0.004)
        rows.append(" ".join(map(repr, (t, *turn, *(force if k % 3 else (0.0, 0.0, 0.0))))))
    done = subprocess.run(
        [tmp_path / "host"], input="\n".join(rows), capture_output=True, text=True, check=True
    )
    assert session.handheld
    wanted = [*session.handheld.bias, frame.axes["yaw_total"], frame.axes["pitch"]]
    assert [float(word) for word in done.stdout.split()] == pytest.approx(wanted, abs=1e-9)
    assert abs(wanted[3]) > 5.0


TURNED, FELT = (tuple(f"motion.{what}.{part}" for part in "xyz") for what in ("turn", "force"))


def test_a_reading_that_is_torn_goes_no_further() -> None:
    refused = []
    codes = {name: k for k, name in enumerate((*TURNED, *FELT))}
    stage = Readings(codes, lambda *words: refused.append(words))
    whole = [(0.1, k, 1.0, 0.0) for k in range(6)]
    assert stage.expand(whole) == whole
    other = [(0.3, 9, 1.0, 2.0)]
    assert stage.expand(other) == other
    assert not refused
    torn = [(0.4, 0, 1.0, 0.0), (0.4, 2, 1.0, 0.0)]
    assert stage.expand(torn) == torn[:1]
    assert refused == [("motion.turn", "a part of it is missing, or was refused")]
    # half of one comes with the next frame
    assert stage.expand(whole[:2]) == whole[:2]
    two = Readings(codes, lambda *_: None)
    two.restore(json.loads(json.dumps(stage.saved())))
    assert two.expand(whole[2:]) == whole[2:]


def test_what_is_known_of_a_device_stays_as_the_profile_changes(tmp_path: Path) -> None:
    aim = load(tmp_path, data("aiming.toml"))
    gated = '[gates]\nnear = { flag = "near" }\n[routes.aim]\ngate = "not near"'
    other = load(tmp_path, data("aiming.toml"), ("[routes.aim]", gated))
    one, two = aim.session(ceiling=9.0), aim.session(ceiling=9.0)
    rows = readings(6, 400)
    for k, (t, turn, force) in enumerate(rows):
        if k == 200:
            one.feed("motion.turn.x", turn[0], at=t)  # the rest of it comes under the other profile
            one.tick(to=t + 0.001)
            one.switch(other)
            for part, value in zip("yz", turn[1:], strict=True):
                one.feed(f"motion.turn.{part}", value, at=t)
            two.motion(turn, None, at=t)
            two.tick(to=t + 0.001)
        else:
            for session in (one, two):
                session.motion(turn, force, at=t)
        for session in (one, two):
            session.tick(to=t + 0.005)
    assert not one.refused
    held = (one.handheld, two.handheld)
    assert held[0] is not None
    assert held[1] is not None
    assert held[0].bias == pytest.approx(held[1].bias, abs=1e-3)  # that one came a moment late
    assert held[0].rotation == pytest.approx(held[1].rotation, abs=5e-3)

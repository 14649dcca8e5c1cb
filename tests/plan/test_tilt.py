"""Tilting: angles from a pose, whatever that pose was; each axis with a button of its own."""

from __future__ import annotations

import math
from collections.abc import Callable
from pathlib import Path

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb.formulas.orbiting import product
from mellow_thumb.formulas.tilting import tilted
from mellow_thumb.stand_ins.handheld import Handheld

from ..helpers.profiles import data

SCOPE = data("tilt.toml")
part = st.floats(-1.0, 1.0)
poses = (
    st.tuples(part, part, part, part)
    .filter(lambda q: np.linalg.norm(q) > 0.1)
    .map(lambda q: Rotation.from_quat(q))
)


def ahead(rest: Rotation) -> np.ndarray:
    """The axis of leaning, in the device's frame: level, ahead, square to its x."""
    up = rest.inv().apply([0.0, 1.0, 0.0])
    way = np.cross(up, [1.0, 0.0, 0.0])
    size = np.linalg.norm(way)
    return way / size if size > 1e-6 else np.array([0.0, 0.0, -1.0])


def angles(now: Rotation, rest: Rotation) -> tuple[float, float]:
    return tilted(*map(float, now.as_quat()), *map(float, rest.as_quat()))


@pytest.fixture(scope="module")
def load(tmp_path_factory: pytest.TempPathFactory) -> Callable[..., mt.Profile]:
    folder = tmp_path_factory.mktemp("tilt")

    def one(*changes: tuple[str, str]) -> mt.Profile:
        text = SCOPE
        for old, new in changes:
            assert old in text
            text = text.replace(old, new)
        (folder / "scope.toml").write_text(text, encoding="utf-8")
        return mt.load_profile(folder / "scope.toml")

    return one


@given(poses, poses)
def test_tilts_are_those_of_the_rotation_between_two_poses(rest: Rotation, now: Rotation) -> None:
    between = rest.inv() * now
    if between.as_quat(canonical=True)[3] < 1e-3:
        return  # half a turn: either way round is right
    sign = np.sign(float(now.as_quat() @ rest.as_quat())) or 1.0
    found = tilted(*map(float, sign * now.as_quat()), *map(float, rest.as_quat()))
    vector = between.as_rotvec(degrees=True)
    assert found == pytest.approx((float(vector @ ahead(rest)), float(vector[0])), abs=1e-9)


@given(poses, st.floats(-359.0, 359.0))
def test_one_tilt_says_nothing_of_the_other_at_any_resting_pose(rest: Rotation, angle: float) -> None:
    lean, tip = ahead(rest), np.array([1.0, 0.0, 0.0])
    for axis, expected in ((lean, (angle, 0.0)), (tip, (0.0, angle)), (np.cross(lean, tip), (0.0, 0.0))):
        half = np.radians(angle) / 2.0
        turn = (*(np.sin(half) * axis), np.cos(half))  # with its sign, past half a turn too
        now = product(*map(float, rest.as_quat()), *map(float, turn))
        assert tilted(*now, *map(float, rest.as_quat())) == pytest.approx(expected, abs=2e-9)


@given(poses, st.lists(st.booleans(), min_size=36, max_size=36))
def test_nothing_flips_at_half_a_turn_whatever_signs_quaternions_come_with(
    load: Callable[..., mt.Profile], rest: Rotation, signs: list[bool]
) -> None:
    session, lean = load().session(), ahead(rest)
    session.attitude(rest.as_quat().tolist(), at=0.0)
    session.feed("pad.left_shoulder", 1.0, at=0.01)
    session.tick(0.02)
    for k, sign in enumerate(signs):
        now = rest * Rotation.from_rotvec(10.0 * k * lean, degrees=True)
        session.attitude(((-1.0 if sign else 1.0) * now.as_quat()).tolist())
        expected = 1.4 * max(10.0 * k - 1.5, 0.0)
        assert session.tick(0.02).axes["yaw_total"] == pytest.approx(expected, abs=1e-7)
    assert not session.refused


def test_each_axis_takes_its_zero_as_its_own_button_is_pressed_and_goes_back(
    load: Callable[..., mt.Profile],
) -> None:
    session = load().session()
    flat = Rotation.from_euler("X", -60.0, degrees=True)

    def held(across: float, up: float) -> None:
        vector = across * ahead(flat) + up * np.array([1.0, 0.0, 0.0])
        session.attitude((flat * Rotation.from_rotvec(vector, degrees=True)).as_quat().tolist())

    held(0.0, 0.0)
    session.feed("pad.left_shoulder", 1.0)
    session.tick(0.1)
    held(11.5, 0.0)
    assert session.tick(0.1).axes["yaw"] == pytest.approx(14.0)
    session.feed("pad.right_shoulder", 1.0)
    session.tick(0.1)
    held(11.5, 0.0)
    axes = session.tick(0.1).axes
    assert (axes["yaw"], axes["pitch"]) == pytest.approx((14.0, 0.0))
    session.feed("pad.left_shoulder", 0.0)
    for _ in range(3):
        axes = session.tick(0.1).axes
    assert axes["yaw"] == pytest.approx(0.0, abs=1e-12)
    session.feed("pad.left_shoulder", 1.0)  # from where it is by now
    assert session.tick(0.1).axes["yaw"] == pytest.approx(0.0, abs=1e-12)


@pytest.mark.parametrize("fact", ["motion.connected", "host.focus"])
def test_a_device_that_is_gone_lets_go(load: Callable[..., mt.Profile], fact: str) -> None:
    session = load().session()
    session.attitude((0.0, 0.0, 0.0, 1.0))
    session.feed("pad.left_shoulder", 1.0)
    session.tick(0.1)
    session.attitude((0.0, 0.0, -0.2588190451, 0.9659258263))
    assert session.tick(0.1).axes["yaw"] == pytest.approx(1.4 * 28.5)
    session.feed(fact, 0.0)
    session.tick(0.2)
    assert session.tick(0.2).axes["yaw"] == pytest.approx(0.0, abs=1e-12)


def test_a_device_at_rest_for_ten_minutes_tilts_nothing(load: Callable[..., mt.Profile]) -> None:
    profile = load((', inner = "1.5 deg"', ""), ("1.4 deg/deg", "1 deg/deg"), ("0.5 deg/deg", "1 deg/deg"))
    hand = Handheld(11, rate=50)
    lies = np.tile([30.0, -20.0, 25.0], (603 * 50, 1))
    take = hand.take(lies, lies[:, 0] * 0.0)
    buttons = pd.DataFrame({"t": 3.0, "signal": ["pad.left_shoulder", "pad.right_shoulder"], "value": 1.0})
    table = pd.concat([take.table.astype({"signal": str}), buttons]).sort_values("t", kind="stable")
    table = mt.replay(profile, mt.Take(table.astype({"signal": "category"})), rate=10, until=603.0)
    assert abs(table["yaw_total"]).max() < 0.1
    assert abs(table["pitch"]).max() < 0.1


def test_steering_by_tilt_is_a_rate_and_walking_by_it_a_share(load: Callable[..., mt.Profile]) -> None:
    steer = load(
        ("1.4 deg/deg", "3 deg/s/deg"), ("on_close = { return = \"250 ms\" }\n[routes.up]", "[routes.up]")
    ).session()  # fmt: skip
    steer.attitude((0.0, 0.0, 0.0, 1.0))
    steer.feed("pad.left_shoulder", 1.0)
    steer.tick(0.1)
    steer.attitude((0.0, 0.0, -0.1736481777, 0.9848077530))  # 20 deg
    assert steer.tick(0.2).axes["yaw"] == pytest.approx(3.0 * 18.5 * 0.2)
    walks = load(
        ('drives = "yaw"', 'drives = "move_x"'), ('sensitivity = "1.4 deg/deg"\n', ""),
        ('inner = "1.5 deg"', 'inner = "5 deg", outer = "25 deg"'),
        ("on_close = { return = \"250 ms\" }\n[routes.up]", "[routes.up]"),
        ("[mounts", '[movement]\nspeed = "1 m/s"\n[mounts'),
    ).session()  # fmt: skip
    walks.attitude((0.0, 0.0, 0.0, 1.0))
    walks.feed("pad.left_shoulder", 1.0)
    walks.tick(0.1)
    walks.attitude((0.0, 0.0, -0.1305261922, 0.9914448614))  # 15 deg
    assert walks.tick(0.1).axes["move_x"] == pytest.approx(0.5)


def leaning(session: mt.Session, speed: float, seconds: float, begin: float = 0.0) -> mt.Frame:
    """A device that leans over at a speed (deg/s), from an angle (deg) on; the last frame."""
    for k in range(round(seconds * 250)):
        half = math.radians(begin + speed * k / 250.0) / 2.0
        session.attitude((0.0, 0.0, -math.sin(half), math.cos(half)), at=session.now)
        frame = session.tick(1 / 250)
    return frame


@pytest.mark.parametrize(
    ("speed", "seconds", "device"), [(60.0, 0.3, "handheld"), (10.0, 3.0, "pad"), (0.0, 1.0, "pad")]
)
def test_a_device_that_is_tilted_quickly_is_the_active_one(
    load: Callable[..., mt.Profile], speed: float, seconds: float, device: str
) -> None:
    session = load().session()
    session.feed("pad.left_shoulder", 1.0)
    assert session.tick(0.01).device == "pad"
    assert leaning(session, speed, seconds).device == device
    session.feed("pad.left_shoulder", 0.0)
    session.feed("pad.left_shoulder", 1.0)
    session.tick(0.01)
    assert leaning(session, 0.0, 1.0, speed * seconds).device == "pad"  # held over, it does not take it back


@pytest.mark.parametrize(
    ("changes", "message"),
    [
        ([("1.4 deg/deg", "1.4 deg/s")], 'found "1.4 deg/s"; expected deg/deg or deg/s/deg'),
        ([("1.5 deg", "1.5 m")], 'dead_zone.inner: found "1.5 m"; expected a number of deg'),
        ([('"1.5 deg"', "0.1")], 'dead_zone.inner: found "0.1"; expected a number of deg'),
        ([("1.5 deg", "500 deg")], "dead_zone: found 500 to 360 deg; expected inner below outer"),
        ([('zero = "on open"\ndead_zone', 'curve = { power = 2 }\ndead_zone')], "curve: found a share of a tilt; expected where all of it is reached"),
        ([("[routes.up]", 'rest = 0.1\n[routes.up]')], "a rest or a reach on an angle; expected a zero"),
        ([("[routes.up]", 'smoothing = { slow_fast = { half_life = "50 ms", slow = "1 deg/s", fast = "90 deg/s" } }\n[routes.up]'), ("1.4 deg/deg", "1.4 deg/s/deg")], "slow_fast on an angle"),
        ([('hold = "pad.left_shoulder"', 'hold = "motion.tilt.x"')], "motion.tilt.x"),
    ],
)  # fmt: skip
def test_what_does_not_fit_a_tilt_is_refused(
    load: Callable[..., mt.Profile], changes: list[tuple[str, str]], message: str
) -> None:
    with pytest.raises(mt.ProfileError) as caught:
        load(*changes)
    assert message in str(caught.value)
    assert "scope.toml:" in str(caught.value)


def test_a_share_stays_a_share_and_an_angle_is_none(tmp_path: Path) -> None:
    file = tmp_path / "dyke.toml"
    file.write_text(
        'format = "mellow-thumb profile 1"\nmount = "eye"\n[routes.look]\nfrom = "pad.right_stick"\n'
        'drives = ["yaw", "pitch"]\nsensitivity = "90 deg/s"\ndead_zone = { inner = "5 deg" }\n'
        '[mounts.eye]\nkind = "eye"\n'
    )
    with pytest.raises(mt.ProfileError, match=r'dead_zone.inner: found "5 deg"; expected a plain number'):
        mt.load_profile(file)


@given(
    st.floats(0.0, 360.0),
    st.floats(-180.0, 180.0),
    st.floats(-90.0, 90.0),
    st.sampled_from([0.0, 90.0, 180.0, 270.0]),
)
def test_a_browser_says_how_the_device_is_turned(
    load: Callable[..., mt.Profile], alpha: float, beta: float, gamma: float, angle: float
) -> None:
    session = load().session()
    door = mt.BrowserDoor(session, 800, 600)
    door.feed({"type": "resize", "innerWidth": 600, "innerHeight": 800, "angle": angle})
    door.feed({"type": "deviceorientation", "alpha": 0.0, "beta": 90.0, "gamma": 0.0})
    session.tick(0.01)
    session.feed("pad.left_shoulder", 1.0)
    session.tick(0.01)
    door.feed({"type": "deviceorientation", "alpha": alpha, "beta": beta, "gamma": gamma})
    # the W3C's frame of the earth has Z up, and the screen stands turned by its angle in the device
    to_ours, screen = (
        Rotation.from_euler("X", -90.0, degrees=True),
        Rotation.from_euler("Z", -angle, degrees=True),
    )
    rest, now = (
        to_ours * Rotation.from_euler("ZXY", turned, degrees=True) * screen
        for turned in ((0.0, 90.0, 0.0), (alpha, beta, gamma))
    )
    vector = (rest.inv() * now).as_rotvec(degrees=True)
    if np.linalg.norm(vector) < 179.0:
        lean = float(vector @ ahead(rest))
        expected = 1.4 * np.sign(lean) * max(abs(lean) - 1.5, 0.0)
        assert session.tick(0.01).axes["yaw_total"] == pytest.approx(expected, abs=1e-6)
    assert not door.refused


def test_what_a_page_feels_goes_before_what_it_says_of_its_orientation(
    load: Callable[..., mt.Profile],
) -> None:
    session = load().session()
    door = mt.BrowserDoor(session, 800, 600)
    door.feed({"type": "resize", "innerWidth": 800, "innerHeight": 600, "angle": 90})
    told: list[tuple[str, float]] = []
    session._intake.feed = (  # type: ignore[method-assign]
        lambda name, value, *_, **__: told.append((name, value))
    )
    rates = {"alpha": 0.0, "beta": 30.0, "gamma": 0.0}
    door.feed(
        {
            "type": "devicemotion",
            "rotationRate": rates,
            "accelerationIncludingGravity": {"x": 9.8, "y": 0.0, "z": 0.0},
        }
    )
    said = dict(told)
    # turned a quarter to the left, the phone's x is up: what it feels is up, and it turns to the left
    assert said["motion.force.y"] == pytest.approx(9.8)
    assert said["motion.turn.y"] == pytest.approx(30.0)
    assert said["motion.turn.x"] == pytest.approx(0.0)
    told.clear()
    door.feed({"type": "deviceorientation", "alpha": 1.0, "beta": 2.0, "gamma": 3.0})
    assert not told
    assert not door.refused

"""The stand-in hand moves as hands do."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from mellow_thumb.session import GRAVITY
from mellow_thumb.stand_ins.fingers import Fingers
from mellow_thumb.stand_ins.handheld import GAITS, STRIDE, Handheld
from mellow_thumb.stand_ins.mouse import MouseHand, PointerHand, movement_time, smooth_path
from mellow_thumb.stand_ins.pad import Thumb


@given(st.integers(0, 2**32), st.floats(-12.0, 12.0), st.floats(-12.0, 12.0))
def test_an_aimed_movement_ends_on_its_target(seed: int, right: float, away: float) -> None:
    hand = MouseHand(seed)
    hand.aim(right, away, width=0.4)
    hand.rest(0.05)
    table = hand.take().table
    moved = [table.loc[table["signal"] == f"mouse.move.{part}", "value"].sum() / 315.0 for part in "xy"]
    assert moved == pytest.approx([right, away], abs=0.25)
    assert table["t"].is_monotonic_increasing
    assert (table["value"] == np.floor(table["value"])).all()


def test_the_same_seed_is_the_same_hand() -> None:
    def take(seed: int) -> object:
        hand = MouseHand(seed)
        hand.aim(3.0, 1.0)
        return hand.take().table.to_csv()

    assert take(3) == take(3) != take(4)


def test_presses_come_where_they_were_asked_for() -> None:
    hand = MouseHand(1)
    hand.rest(0.1)
    hand.press()
    hand.aim(2.0, 0.0)
    hand.release()
    hand.rest(0.1)
    table = hand.take().table
    presses = table[table["signal"] == "mouse.right"]
    assert presses["value"].tolist() == [1.0, 0.0]
    assert presses["t"].iloc[0] == pytest.approx(0.1, abs=2e-3)
    assert hand.elapsed == pytest.approx(presses["t"].iloc[1] + 0.1, abs=2e-3)


@given(st.integers(0, 2**32), st.floats(0.05, 0.95), st.floats(0.05, 0.95))
def test_a_pointer_goes_where_it_is_sent_in_whole_pixels(seed: int, x: float, y: float) -> None:
    hand = PointerHand(seed, screen=(1000, 500))
    hand.point(x, y)
    hand.roll(-2)
    table = hand.take().table
    for part, wanted, side in (("x", x, 1000), ("y", y, 500)):
        places = table.loc[table["signal"] == f"mouse.place.{part}", "value"].to_numpy() * side
        np.testing.assert_allclose(places, np.round(places), atol=1e-3)
        assert abs((places[-1] if len(places) else side / 2) - wanted * side) < 0.2 * 120.0
    assert table.loc[table["signal"] == "mouse.wheel.y", "value"].tolist() == [-1.0, -1.0]


@given(st.integers(0, 2**32), st.floats(0.1, 0.4), st.floats(0.1, 0.4), st.floats(-90.0, 90.0))
def test_fingers_pinch_and_twist_as_far_as_they_are_told(
    seed: int, begin: float, end: float, turn: float
) -> None:
    hand = Fingers(seed, screen=(1000, 1000))
    hand.pinch((0.5, 0.5), begin, end, 0.4, turn=turn)
    hand.tap((0.2, 0.2))
    table = hand.take().table
    assert table["t"].is_monotonic_increasing
    downs = table.loc[table["signal"].isin(["touch.1.down", "touch.2.down"]), "value"]
    assert downs.tolist() == [1.0, 1.0, 0.0, 0.0, 1.0, 0.0]
    places = {
        name: table.loc[table["signal"] == name, "value"].to_numpy()
        for name in (f"touch.{finger}.place.{part}" for finger in (1, 2) for part in "xy")
    }
    assert all(np.allclose(values * 1000, np.round(values * 1000)) for values in places.values())
    lifted = table.index[(table["signal"] == "touch.2.down") & (table["value"] == 0.0)][0]
    before = table.iloc[:lifted]
    last = [before.loc[before["signal"] == name, "value"].iloc[-1] for name in places]
    apart = np.array(last[2:]) - np.array(last[:2])
    assert np.hypot(*apart) == pytest.approx(end, abs=0.01)
    assert np.degrees(np.arctan2(apart[1], apart[0])) == pytest.approx(40.0 - turn, abs=6.0)


def test_the_path_of_least_jerk_starts_and_ends_at_rest() -> None:
    share = np.linspace(0.0, 1.0, 1001)
    done = smooth_path(share)
    speed = np.gradient(done, share)
    assert (done[0], done[-1]) == (0.0, 1.0)
    assert speed[[0, -1]] == pytest.approx(0.0, abs=1e-3)
    assert speed.max() == pytest.approx(1.875, abs=1e-3)  # 30/16 of the mean: the known peak of this path


def test_a_harder_aim_takes_longer() -> None:
    assert movement_time(8.0, 0.25) > movement_time(4.0, 0.25) > movement_time(4.0, 1.0)
    assert movement_time(3.0, 1.0) == pytest.approx(0.1 + 0.12 * 2.0)


@given(st.integers(0, 2**32), st.floats(0.0, 0.1), st.floats(0.0, 0.01))
def test_a_stick_rests_where_it_is_said_to_and_its_circle_is_as_uneven(
    seed: int, uneven: float, noise: float
) -> None:
    thumb = Thumb(seed, rest=(0.02, 0.03), noise=noise, uneven=uneven)
    thumb.hold(1.0)
    thumb.push(1.0, 0.0)
    thumb.circle(2.0)
    table = thumb.take().table
    x, y = (table.loc[table["signal"] == f"pad.right_stick.{part}", "value"].to_numpy() for part in "xy")
    t = table.loc[table["signal"] == "pad.right_stick.x", "t"].to_numpy()
    if noise:
        assert (x[t < 1.0].mean(), y[t < 1.0].mean()) == pytest.approx((0.02, 0.03), abs=0.003)
    rim = np.hypot(x - 0.02, y - 0.03)[t > 1.2]
    assert rim.max() < 1.001 + 6.0 * noise
    assert np.ptp(rim) >= 0.5 * uneven - 8.0 * noise - 0.035  # clipped at 1, off its middle


def unwell(seed: int, rate: int, **sensors: float) -> Handheld:
    """A hand that never rests, with sensors that are all right but for what is said."""
    return Handheld(seed, rate=rate, **{"bias": 0.0, "rate_noise": 0.0, "force_noise": 0.0, **sensors})


@given(st.integers(0, 2**32), st.sampled_from([8, 50, 200, 1000]), st.sampled_from(["hand", "leg"]))
def test_a_gyroscope_adds_up_to_what_a_walking_hand_turned(seed: int, rate: int, worn: str) -> None:
    hand = unwell(seed, rate, tremor=0.0)
    hand.walk(2.0, (20.0, -10.0, 5.0), worn=worn)
    t, turns, forces, true = hand.read(*hand.path)
    assert len(t) == 2 * rate + 1
    # by the mean of two readings: what it turned from the first to the last
    turned = Rotation.from_quat(true[0])
    for mean in (turns[1:] + turns[:-1]) / 2.0:
        turned = turned * Rotation.from_rotvec(mean / rate, degrees=True)
    off = np.degrees((turned.inv() * Rotation.from_quat(true[-1])).magnitude())
    assert off < {8: 20.0, 50: 1.0, 200: 0.1, 1000: 0.05}[rate]
    # pushes go there and back: what is felt is gravity on the average, in the world
    felt = Rotation.from_quat(true).apply(forces).mean(axis=0)
    assert felt == pytest.approx([0.0, GRAVITY, 0.0], abs=GAITS[worn].up)


@pytest.mark.parametrize("worn", GAITS)
def test_walking_is_felt_at_every_stride_and_standing_is_not(worn: str) -> None:
    hand = unwell(3, 100, bumps=0.0)
    hand.walk(10.0, worn=worn)
    hand.hold(10.0)
    _, _, forces, true = hand.read(*hand.path)
    up = Rotation.from_quat(true).apply(forces)[:, 1] - GRAVITY
    power = np.abs(np.fft.rfft(up[:1000])) ** 2
    assert np.argmax(power) / 10.0 == pytest.approx(2.0 * STRIDE, abs=0.11)
    assert np.abs(up[1100:]).max() < 1e-6 < 0.5 * GAITS[worn].up < np.abs(up[:1000]).max()


def test_a_hand_that_holds_still_never_rests() -> None:
    hand = unwell(3, 100)
    hand.hold(20.0)
    _, turns, _, _ = hand.read(*hand.path)
    calm = min(turns[k : k + 50].std(axis=0).max() for k in range(0, 1950, 10))
    assert calm > 0.4  # deg/s, in its calmest half second


def test_sensors_are_late_lose_readings_and_are_off_by_a_share() -> None:
    good, bad = unwell(5, 100), unwell(5, 100, rate_scale=1.02, force_scale=0.9, jitter=0.4, lost=0.1)
    for hand in (good, bad):
        hand.hold(60.0)
    t, turns, forces, true = bad.read(*bad.path)
    gaps = np.diff(t)
    assert (gaps >= 0.0).all()
    assert gaps.std() > 0.1 / 100
    assert 0.03 < 1.0 - len(t) / 6001 < 0.25
    assert gaps.max() > 0.3  # several in a row
    assert np.linalg.norm(forces, axis=1).mean() == pytest.approx(0.9 * GRAVITY, abs=0.02)
    speeds = [np.abs(one).mean() for one in (turns, good.read(*good.path).turns)]
    assert speeds[0] / speeds[1] == pytest.approx(1.02, abs=0.05)
    assert np.linalg.norm(true, axis=1) == pytest.approx(1.0)


def test_a_screen_that_loses_what_moves_still_says_who_lands_and_lifts() -> None:
    def drag(lost: float) -> list[tuple[float, str, float]]:
        fingers = Fingers(4, lost=lost)
        for _ in range(40):
            fingers.land((0.2, 0.2))
            fingers.move((0.8, 0.6), 0.5)
            fingers.lift()
        return list(fingers.take().table.itertuples(index=False, name=None))

    whole, torn = drag(0.0), drag(0.4)
    presses = [[(t, value) for t, name, value in rows if name.endswith("down")] for rows in (whole, torn)]
    assert presses[0] == presses[1]
    assert 0.5 < len(torn) / len(whole) < 0.75
    times = np.unique([t for t, _, _ in torn])
    assert np.diff(times).max() > 2.5 / 120  # several reports in a row

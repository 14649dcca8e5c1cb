"""The stand-in hand moves as hands do."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.stand_ins.fingers import Fingers
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

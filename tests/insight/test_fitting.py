"""Fitting: what stand-in hands were made with is found again."""

from __future__ import annotations

import json
from pathlib import Path

import numpy as np
import pytest
from click.testing import CliRunner
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main
from mellow_thumb.insight.fits import resting
from mellow_thumb.stand_ins.handheld import Handheld
from mellow_thumb.stand_ins.pad import Thumb

TEN_MINUTES = 600 * 250


def resting_and_circling(seed: int, **stick: object) -> mt.Take:
    thumb = Thumb(seed, **stick)  # type: ignore[arg-type]
    thumb.hold(1.5)
    thumb.push(0.9, 0.2)
    thumb.hold(0.3)
    thumb.push(0.0, 0.0)
    thumb.hold(2.0)
    thumb.push(1.0, 0.0)
    thumb.circle(2.0, seconds=3.0)
    thumb.push(0.0, 0.0, seconds=0.2)
    thumb.hold(1.5)
    return thumb.take()


@pytest.mark.parametrize("seed", range(50))
def test_a_sticks_rest_noise_and_dead_zone_are_found_again(seed: int) -> None:
    random = np.random.default_rng(seed)
    rest = (float(random.uniform(-0.06, 0.06)), float(random.uniform(-0.06, 0.06)))
    noise = float(random.uniform(0.001, 0.008))
    (stick,) = mt.fit(resting_and_circling(seed, rest=rest, noise=noise, uneven=0.05)).sticks
    assert stick.rest_x.value == pytest.approx(rest[0], abs=0.005)
    assert stick.rest_y.value == pytest.approx(rest[1], abs=0.005)
    assert stick.noise.value == pytest.approx(noise, rel=0.2)
    # ten further minutes of the same hand, which the fit has not seen: nothing leaves zero
    further = np.array(rest) + noise * random.standard_normal((TEN_MINUTES, 2))
    found = np.array([stick.rest_x.value, stick.rest_y.value], dtype=float)
    away = np.hypot(*(further - found).T)
    assert stick.inner is not None
    assert stick.outer is not None
    assert away.max() / (1.0 - np.hypot(*found)) < stick.inner < 0.1
    assert 0.85 < stick.outer <= 0.98
    assert stick.reach == "disc"


@pytest.mark.parametrize("seed", range(50))
def test_a_gyroscopes_bias_is_found_again(seed: int) -> None:
    hand = Handheld(seed, rate=100)
    hand.rest(3.0)
    hand.turn(20.0, 10.0, 0.0)
    hand.hold(1.0)
    hand.rest(1.0)
    gyroscope = mt.fit(hand.recorded()).gyroscope
    assert gyroscope
    for found, true in zip(gyroscope.bias, hand.bias, strict=True):
        assert found.value == pytest.approx(true, abs=0.05)
    assert gyroscope.noise.value == pytest.approx(0.01, rel=0.2)


def test_the_fragment_makes_a_profile_that_stands_still(tmp_path: Path) -> None:
    take = resting_and_circling(3, rest=(0.05, -0.03), noise=0.006)
    fragment = mt.fit(take).sticks[0].fragment()
    text = marsh.DYKE.read_text(encoding="utf-8")
    kept = [line for line in text.splitlines() if not line.startswith(("rest", "dead_zone"))]
    place = next(k for k, line in enumerate(kept) if line.startswith('from = "pad.right_stick"'))
    file = tmp_path / "dyke.toml"
    file.write_text(
        "\n".join([*kept[: place + 1], *fragment.splitlines(), *kept[place + 1 :]]), encoding="utf-8"
    )
    profile = mt.load_profile(file)
    still = resting(take, "pad.right_stick")
    assert still
    rests, seconds = still
    assert 3.0 < seconds < 6.0
    table = mt.replay(profile, rests, until=seconds)
    assert (table["yaw_total"] == table["yaw_total"].iloc[0]).all()
    assert (table["pitch"] == table["pitch"].iloc[0]).all()


def test_a_stick_with_corners_is_a_square() -> None:
    thumb = Thumb(1, rest=(0.0, 0.0), noise=0.001)
    thumb.hold(1.0)
    for x, y in ((1, 0), (1, 1), (0, 1), (-1, 1), (-1, 0), (-1, -1), (0, -1), (1, -1), (1, 0)):
        thumb.push(float(x), float(y), seconds=0.6)
    (stick,) = mt.fit(thumb.take()).sticks
    assert stick.reach == "square"
    assert 'reach = "square"' in stick.fragment()


def test_what_a_take_does_not_say_is_said_so() -> None:
    thumb = Thumb(1)
    thumb.push(0.9, 0.0, seconds=0.05)
    thumb.hold(0.5)
    fit = mt.fit(thumb.take())
    assert fit.sticks[0].rest_x.value is None
    assert "unknown from this take" in fit.text()
    assert "rest =" not in fit.text()
    assert "found no stick" in mt.fit(mt.read_take(marsh.TAKE)).text()
    assert resting(thumb.take(), "pad.left_stick") is None
    assert "it never lay still" in mt.fit(mt.read_take(marsh.SCOPE_TAKE)).text()


@settings(max_examples=30)
@given(st.lists(st.tuples(st.floats(0.0, 9.0), st.floats(-1.0, 1.0), st.floats(-1.0, 1.0)), max_size=40))
def test_any_take_is_fitted(rows: list[tuple[float, float, float]]) -> None:
    import pandas as pd

    table = pd.DataFrame(
        [(t, f"pad.right_stick.{part}", v) for t, x, y in rows for part, v in (("x", x), ("y", y))]
        + [(t, "pad.left_trigger", abs(x)) for t, x, _ in rows],
        columns=["t", "signal", "value"],
    ).astype({"t": float, "value": float, "signal": "category"})
    fit = mt.fit(mt.Take(table))
    assert fit.text()
    json.dumps(fit.as_dict())


def test_the_command_says_it_draws_it_and_writes_it(tmp_path: Path) -> None:
    mt.write_take(resting_and_circling(7), tmp_path / "hand.csv")
    done = CliRunner().invoke(main, ["fit", str(tmp_path / "hand.csv"), "-o", str(tmp_path / "fit.png")])
    assert done.exit_code == 0, done.output
    assert 'dead_zone = { shape = "radial", inner = 0.0' in done.output
    assert (tmp_path / "fit.png").stat().st_size > 20_000
    data = json.loads(CliRunner().invoke(main, ["fit", str(tmp_path / "hand.csv"), "--json"]).output)
    assert data["sticks"][0]["rest_x"]["value"] == pytest.approx(0.034, abs=0.002)

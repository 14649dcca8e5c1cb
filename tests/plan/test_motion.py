"""Motion: a handheld device that turns turns the view."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt

from ..helpers.profiles import data, load, refused_for

SCOPE = data("aiming.toml")


@pytest.fixture(scope="module")
def scope(tmp_path_factory: pytest.TempPathFactory) -> mt.Profile:
    return load(tmp_path_factory.mktemp("scope"), SCOPE)


@given(st.lists(st.tuples(st.floats(-500.0, 500.0), st.floats(0.001, 0.099)), min_size=1, max_size=30))
def test_the_view_turns_by_the_integral_of_the_rate(
    scope: mt.Profile, reports: list[tuple[float, float]]
) -> None:
    session, t, turned = scope.session(), 0.0, 0.0
    for rate, lasts in reports:
        session.feed("motion.aim", (rate, 0.0), at=t)
        t += lasts
        turned += 1.5 * rate * lasts
    session.feed("motion.aim", (0.0, 0.0), at=t)
    for k in range(1, round(60 * t) + 3):
        frame = session.tick(to=k / 60)
    assert frame.axes["yaw_total"] == pytest.approx(turned, abs=1e-9)


def test_a_sensor_that_says_nothing_more_counts_as_still(scope: mt.Profile) -> None:
    session = scope.session()
    session.feed("motion.aim", (90.0, -30.0), at=0.0)
    for _ in range(60):
        frame = session.tick(1 / 60)
    assert frame.axes["yaw"] == pytest.approx(1.5 * 9.0)
    assert frame.axes["pitch"] == pytest.approx(-1.5 * 3.0)


def test_unplugged_or_without_the_focus_it_stands(scope: mt.Profile) -> None:
    for fact in ("motion.connected", "host.focus"):
        session = scope.session()
        session.feed("motion.aim", (90.0, 0.0), at=0.0)
        session.feed(fact, 0, at=0.05)
        session.feed("motion.aim", (0.0, 0.0), at=0.09)
        assert session.tick(0.2).axes["yaw"] == pytest.approx(1.5 * 4.5)


def test_a_unit_that_does_not_fit_is_refused_with_the_reason(tmp_path: Path) -> None:
    words = refused_for(tmp_path, SCOPE, ("1.5 deg/deg", "1.5 deg/s"))
    assert words.startswith("7: ")
    assert "expected deg/deg. motion.aim is a rate" in words
    zone = "[routes.aim.dead_zone]\ninner = 0.1\n"
    assert "on a rate; expected a smoothing" in refused_for(tmp_path, SCOPE + zone)


def test_a_handheld_that_turns_is_the_active_device(tmp_path: Path) -> None:
    gates = '[gates]\nheld = { active = "handheld" }\n[routes.aim]'
    other = '[routes.look]\nfrom = "mouse.move"\ndrives = ["yaw", "pitch"]\nsensitivity = "0.05 deg/count"\n[mounts.eye]'
    session = load(tmp_path, SCOPE, ("[routes.aim]", gates), ("[mounts.eye]", other)).session()
    assert not session.tick(0.1).gates["held"]
    session.feed("motion.aim", (45.0, 0.0))
    frame = session.tick(0.1)
    assert (frame.device, frame.gates["held"]) == ("handheld", True)

"""Edge zones: how deep they are on each side, in which unit, and what each component says."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt

from ..helpers.profiles import load, refused_for

TEXT = """format = "mellow-thumb profile 1"
[signals]
rim = { edge_zone = "mouse.place", margin = "0.05 screen" }
[routes.pan]
from = "rim.x"
drives = "yaw"
sensitivity = "120 deg/s"
[mounts.eye]
kind = "eye"
"""
WIDE, TALL = 1600.0, 800.0
share = st.floats(0.0, 1.0)


def pushed(profile: mt.Profile, x: float, y: float, per_cm: float | None = None) -> tuple[float, float]:
    """What a zone says of a pointer at a place."""
    session = profile.session()
    session.set_screen(WIDE, TALL, pixels_per_cm=per_cm)
    session.feed("mouse.place", (x, y))
    session.tick(0.01)
    found = session.signals["rim"]
    assert isinstance(found, tuple)
    return found


def test_a_component_looks_at_its_own_way_only(tmp_path: Path) -> None:
    profile = load(tmp_path, TEXT)
    for y in (0.5, 0.97, 1.0, 0.0):
        session = profile.session()
        session.set_screen(WIDE, TALL)
        session.feed("mouse.place", (1.0, y))
        session.tick(0.1)
        begun = session.tick(0.1).axes["yaw"]
        assert session.tick(0.1).axes["yaw"] - begun == pytest.approx(12.0)


@given(share, share)
def test_a_route_that_takes_both_is_no_faster_in_a_corner(
    tmp_path_factory: pytest.TempPathFactory, x: float, y: float
) -> None:
    both = load(tmp_path_factory.getbasetemp(), TEXT, ('"rim.x"', '"rim"'), ('"yaw"', '["yaw", "pitch"]'))
    session = both.session()
    session.set_screen(WIDE, TALL)
    session.feed("mouse.place", (x, y))
    axes = session.tick(0.1).axes
    assert axes["yaw_total"] ** 2 + axes["pitch"] ** 2 <= 12.0**2 + 1e-9


@given(share, share, st.sampled_from(["screen", "px", "cm"]))
def test_margins_of_any_unit_are_the_same_depth(
    tmp_path_factory: pytest.TempPathFactory, x: float, y: float, unit: str
) -> None:
    folder, per_cm = tmp_path_factory.getbasetemp(), 40.0
    said = {"screen": "0.05 screen", "px": "40 px", "cm": "1 cm"}[unit]
    changes = [] if unit == "screen" else [("0.05 screen", said)]
    deep = 0.05 * TALL
    wanted = []
    for place, side in ((x, WIDE), (y, TALL)):
        high, low = 1.0 - (1.0 - place) * side / deep, 1.0 - place * side / deep
        wanted.append(max(high, 0.0) - max(low, 0.0))
    assert pushed(load(folder, TEXT, *changes), x, y, per_cm) == pytest.approx(wanted, abs=1e-9)


def test_each_side_has_a_margin_of_its_own(tmp_path: Path) -> None:
    sides = ('margin = "0.05 screen"', 'margin = { left = "8 px", up = "80 px" }')
    profile = load(tmp_path, TEXT, sides)
    assert pushed(profile, 4.0 / WIDE, 0.5) == pytest.approx((-0.5, 0.0))
    assert pushed(profile, 1.0, 0.5) == (0.0, 0.0)
    assert pushed(profile, 0.5, 1.0 - 20.0 / TALL) == pytest.approx((0.0, 0.75))
    assert pushed(profile, 0.5, 0.0) == (0.0, 0.0)


def test_what_is_not_known_of_the_view_is_not_made_up(tmp_path: Path) -> None:
    session = load(tmp_path, TEXT, ("0.05 screen", "40 px")).session()
    session.feed("mouse.place", (1.0, 0.5))
    session.tick(0.1)
    assert session.signals["rim"] == (0.0, 0.0)  # nobody said how large the view is
    # a cm is 37.8 pixels, as in CSS, until it is said
    assert pushed(load(tmp_path, TEXT, ("0.05 screen", "1 cm")), 1.0 - 18.897637795 / WIDE, 0.5)[
        0
    ] == pytest.approx(0.5)


def test_wrong_margins_are_refused_with_their_line(tmp_path: Path) -> None:
    for wrong, words in (
        ('"0.05 deg"', "expected screen, px or cm"),
        ('{ top = "8 px" }', 'found "top"; expected left, right, down or up'),
        ('{ left = "0 px" }', "found none on any side"),
        ('"0.6 screen"', "expected above 0 to 0.5 screen"),
        ("{ left = 3 }", "expected a number and its unit"),
    ):
        assert words in refused_for(tmp_path, TEXT, ('"0.05 screen"', wrong))


def test_a_key_set_s_component_is_its_own_way_too(tmp_path: Path) -> None:
    keys = (
        'rim = { edge_zone = "mouse.place", margin = "0.05 screen" }',
        'rim = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }',
    )
    session = load(tmp_path, TEXT, keys).session()
    session.feed("key.KeyD", 1)
    session.feed("key.KeyW", 1)
    assert session.tick(0.1).axes["yaw"] == pytest.approx(12.0)

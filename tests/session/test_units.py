"""A host whose world is not in metres says so once, and everything that it says and sees is in its units."""

from __future__ import annotations

from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.takes import replay_pieces, take_pieces

UNITS = 100.0
FOLLOWING, CHART, HIDE = (mt.load_profile(one) for one in (marsh.FOLLOWING, marsh.CHART, marsh.HIDE))
place = st.tuples(*[st.floats(-50.0, 50.0)] * 3)


def scaled(point: tuple[float, ...]) -> tuple[float, ...]:
    return tuple(UNITS * one for one in point)


def same(own: mt.View, metres: mt.View) -> None:
    assert own.position == pytest.approx(scaled(metres.position), abs=1e-6)
    assert own.rotation == pytest.approx(metres.rotation, abs=1e-9)
    assert own.extent == pytest.approx(UNITS * metres.extent)
    assert own.field_of_view == metres.field_of_view
    assert [row[3] for row in own.matrix()[:3]] == pytest.approx(
        [UNITS * row[3] for row in metres.matrix()[:3]], abs=1e-6
    )


@given(subject=place, then=place, clear=st.floats(0.0, 20.0), turned=st.booleans())
def test_a_subject_and_what_is_clear_are_in_the_host_s_units(
    subject: tuple[float, ...], then: tuple[float, ...], clear: float, *, turned: bool
) -> None:
    own, metres = FOLLOWING.session(units_per_metre=UNITS), FOLLOWING.session()
    for point in (subject, then):
        rotation = (0.0, 0.6, 0.0, 0.8)
        said: list[Any] = [(one(point), rotation) if turned else one(point) for one in (scaled, tuple)]
        for session in (own, metres):
            session.feed("pad.left_stick", (0.3, 1.0))
            session.tick(0.1)
        same(own.view(said[0], clear=UNITS * clear), metres.view(said[1], clear=clear))


def test_a_walk_a_platform_and_the_origin_are_in_the_host_s_units() -> None:
    own, metres = FOLLOWING.session(units_per_metre=UNITS), FOLLOWING.session()
    assert FOLLOWING.movement is not None
    walkers = mt.Walker(FOLLOWING.movement, units_per_metre=UNITS), mt.Walker(FOLLOWING.movement)
    own.set_platform((UNITS, 20.0, 0.0))
    metres.set_platform((1.0, 0.2, 0.0))
    for session, units in ((own, UNITS), (metres, 1.0)):
        session.feed("pad.left_stick", (0.3, 1.0))
        session.shift_origin(3.0 * units, 0.0, -units)
    for _ in range(30):
        frames = own.tick(1 / 60), metres.tick(1 / 60)
        assert frames[0].movement.step == pytest.approx(scaled(frames[1].movement.step), abs=1e-9)
        assert frames[0].movement.velocity == pytest.approx(scaled(frames[1].movement.velocity), abs=1e-9)
        assert frames[0].movement.heading == frames[1].movement.heading
        assert frames[0].axes == frames[1].axes
        assert frames[0].vignette() == pytest.approx(frames[1].vignette())
        assert own.command() == metres.command()
        moved = [walker.step(own.command(), 1 / 60).step for walker in walkers]
        assert moved[0] == pytest.approx(scaled(moved[1]), abs=1e-9)
    same(own.view(), metres.view())
    assert own.tick(1 / 60, world_dt=0.0).movement.velocity == (0.0, 0.0, 0.0)


def test_ground_and_heads_are_in_the_host_s_units() -> None:
    own, metres = CHART.session(units_per_metre=UNITS), CHART.session()
    for session in (own, metres):
        session.feed("key.KeyM", 1)
        session.feed("mouse.wheel", (0.0, 2.0))
        for _ in range(30):
            session.tick(1 / 60)
    seen = metres.view(ground=lambda x, z: 0.1 * x - 0.2 * z)
    same(own.view(ground=lambda x, z: 0.1 * x - 0.2 * z), seen)
    same(own.view(ground=3.0 * UNITS), metres.view(ground=3.0))
    own, metres = HIDE.session(units_per_metre=UNITS), HIDE.session()
    for session in (own, metres):
        session.tick(0.1)
    head = ((0.2, 1.6, -0.3), (0.0, 0.6, 0.0, 0.8))
    same(own.view(head=(scaled(head[0]), head[1])), metres.view(head=head))  # type: ignore[arg-type]


@pytest.mark.parametrize(
    "wrong", [{"subject": 4.0}, {"subject": "heron"}, {"subject": (1.0, 2.0)}, {"head": 3}, {"clear": -1.0}]
)
def test_what_is_wrong_is_refused_as_ever(wrong: dict[str, Any]) -> None:
    session = FOLLOWING.session(units_per_metre=UNITS)
    session.tick(0.1)
    before = session.view()
    with pytest.raises(mt.ArgumentError):
        session.view(**wrong)
    assert session.view() == before
    for units in (0.0, -1.0, float("nan"), 1e9):
        with pytest.raises(mt.ArgumentError, match="units_per_metre: found"):
            FOLLOWING.session(units_per_metre=units)


def test_a_take_says_its_units_too(tmp_path: Any) -> None:
    rows = [
        (0.1 * k, f"host.subject.{part}", value)
        for k in range(20)
        for part, value in zip("xyz", (k, 0.5, -k), strict=True)
    ]
    rows += [(0.0, "pad.right_stick.x", 0.4), (0.0, "pad.right_stick.y", 0.1)]
    rows.sort(key=lambda row: row[0])
    table = pd.DataFrame(rows, columns=["t", "signal", "value"]).astype({"value": float})
    lengths = table["signal"].str.startswith("host.subject")
    own = mt.Take(
        table.assign(value=np.where(lengths, table["value"] * UNITS, table["value"])),
        {"units_per_metre": "100"},
    )
    wanted = mt.replay(FOLLOWING, mt.Take(table))
    pd.testing.assert_frame_equal(mt.replay(FOLLOWING, own), wanted)
    path = tmp_path / "own.csv"
    mt.write_take(own, path)
    pieces = pd.concat(list(replay_pieces(FOLLOWING, take_pieces(path))), ignore_index=True)
    np.testing.assert_allclose(pieces["camera_x"], wanted["camera_x"])
    with pytest.raises(mt.ArgumentError, match="units_per_metre: found"):
        mt.replay(FOLLOWING, mt.Take(table, {"units_per_metre": "some"}))

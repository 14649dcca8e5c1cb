"""Rotations and poses that a host says: no rotation is refused, nearly one is made one, a torn pose is dropped."""

from __future__ import annotations

from math import inf, nan
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.devices import BrowserDoor, XrDoor
from mellow_thumb.engines import compiler, rotation_of
from mellow_thumb.engines.subjects import _stood, stood

COMPILED = pytest.mark.skipif(bool(compiler.why_not()), reason="no C compiler here")
NONE = [
    (0.0, 0.0, 0.0, 0.0),
    (0.0, 0.0, 0.0, 1.2),
    (0.0, nan, 0.0, 1.0),
    (inf, 0.0, 0.0, 0.0),
    (1.0,),
    "turn",
]
PLACE = (0.5, 1.6, -0.25)
lengths = st.floats(0.91, 1.09)
parts = st.tuples(*[st.floats(-1.0, 1.0)] * 4).filter(lambda q: sum(one * one for one in q) > 0.01)


@given(parts, st.one_of(st.just(1.0), lengths), st.sampled_from([(0.0, 0.0, 0.0), (0.0, 0.0, 0.0, 1.0)]))
def test_a_subject_stands_the_same_the_short_way_and_the_long(
    q: tuple[float, ...], length: float, before: tuple[float, ...]
) -> None:
    size = sum(one * one for one in q) ** 0.5
    turned: Any = tuple(length * one / size for one in q)
    assert stood(before, (PLACE, turned)) == _stood(before, (PLACE, turned))


@given(parts, lengths)
def test_what_is_nearly_a_rotation_is_made_one(q: tuple[float, ...], length: float) -> None:
    size = sum(one * one for one in q) ** 0.5
    unit = [one / size for one in q]
    found = rotation_of("head", [one * length for one in unit])
    assert found == pytest.approx(unit, abs=2e-7)


@given(parts)
def test_a_rotation_is_left_to_the_bit(q: tuple[float, ...]) -> None:
    size = sum(one * one for one in q) ** 0.5
    unit = tuple(one / size for one in q)
    assert rotation_of("head", unit) == unit


@pytest.mark.parametrize("q", NONE, ids=str)
def test_a_head_that_is_no_rotation_is_refused_and_the_last_one_stays(q: tuple[float, ...]) -> None:
    session = mt.load_profile(marsh.HIDE).session()
    session.tick(0.1)
    before = session.view(head=(PLACE, (0.0, 0.6, 0.0, 0.8)))
    with pytest.raises(mt.ArgumentError, match="head: found"):
        session.view(head=(PLACE, q))  # type: ignore[arg-type]
    assert session.view().matrix() == before.matrix()
    with pytest.raises(mt.ArgumentError, match="left hand: found"):
        session.set_hand("left", q)  # type: ignore[arg-type]


def test_a_head_a_little_too_long_bends_nothing() -> None:
    session = mt.load_profile(marsh.HIDE).session()
    session.tick(0.1)
    view = session.view(head=(PLACE, (0.0, 0.63, 0.0, 0.84)))
    rows = np.array(view.matrix())[:3, :3]
    np.testing.assert_allclose(rows @ rows.T, np.eye(3), atol=1e-12)


@pytest.mark.parametrize("compiled", [False, pytest.param(True, marks=COMPILED)])
@pytest.mark.usefixtures("compiling")
def test_a_subject_that_is_no_rotation_is_refused_in_python_and_in_c(*, compiled: bool) -> None:
    session = mt.load_profile(marsh.FOLLOWING).session(compiled=compiled)
    session.tick(0.1)
    turned = (0.0, -0.6, 0.0, 0.8)
    session.view(((1.0, 0.0, 2.0), turned))
    before = session.state()["hosts"]
    for q in NONE:
        with pytest.raises(mt.ArgumentError, match="subject: found"):
            session.view(((3.0, 0.0, 4.0), q))  # type: ignore[arg-type]
        assert session.state()["hosts"] == before
    session.view(((3.0, 0.0, 4.0), (0.0, -0.63, 0.0, 0.84)))
    longer = session.state()["hosts"]
    session.view(((3.0, 0.0, 4.0), turned))
    assert longer == pytest.approx(session.state()["hosts"], nan_ok=True)


def test_a_headset_that_is_lost_for_a_moment_is_counted_and_its_last_pose_holds() -> None:
    session = mt.load_profile(marsh.HIDE).session()
    door = XrDoor(session)
    good = (PLACE, (0.0, 0.6, 0.0, 0.8))
    door.pose("/user/head", *good)
    for place, q in (
        ((nan, 1.6, 0.0), good[1]),
        (PLACE, (0.0, 0.0, 0.0, 0.0)),
        (PLACE, (0.0, nan, 0.0, 1.0)),
    ):
        door.pose("/user/head", place, q)
        door.pose("/user/hand/left/input/aim/pose", place, q)
    assert door.head == good
    assert sorted((name, count) for (name, _), count in door.refused.items()) == [
        ("head", 3),
        ("left_hand", 3),
    ]
    session.tick(0.1)
    assert session.view(head=door.head).position == pytest.approx(PLACE)


def test_a_page_that_loses_a_headset_is_counted_too() -> None:
    door = BrowserDoor(mt.load_profile(marsh.HIDE).session(), 800, 600)
    lost = {"x": 0.0, "y": 0.0, "z": 0.0, "w": 0.0}
    event = {"type": "xrframe", "viewer": {"position": lost, "orientation": lost}, "inputSources": []}
    door.feed(event)
    assert door.head is None
    ((kind, _),) = door.refused
    assert kind == "head"


def test_an_attitude_that_is_none_is_refused_whole() -> None:
    session = mt.load_profile(marsh.SCOPE).session()
    for q in NONE:
        session.attitude(q)  # type: ignore[arg-type]
    assert sum(session.refused["motion.attitude"].values()) == len(NONE)


def said(signal: str, t: float, values: tuple[float, ...]) -> list[tuple[float, str, float]]:
    """The rows of a pose."""
    names = ("x", "y", "z", "qx", "qy", "qz", "qw")
    return [(t, f"{signal}.{name}", value) for name, value in zip(names, values, strict=False)]


def view_of(rows: list[tuple[float, str, float]]) -> tuple[pd.DataFrame, dict[str, dict[str, int]]]:
    take = mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    table = mt.replay(mt.load_profile(marsh.HIDE), take, frames=[0.5, 1.5, 2.5])
    return table[[*(f"camera_{part}" for part in ("x", "y", "z", "qx", "qy", "qz", "qw"))]], table.attrs[
        "refused"
    ]


@pytest.mark.parametrize(
    ("place", "bad"), [*((place, nan) for place in range(7)), *((place, None) for place in range(3, 7))]
)
def test_a_pose_that_is_torn_in_a_take_is_left_out_whole(place: int, bad: float | None) -> None:
    first, second = (0.1, 1.6, 0.2, 0.0, 0.0, 0.0, 1.0), (0.4, 1.5, 0.3, 0.0, 0.6, 0.0, 0.8)
    torn = said("host.head", 1.0, second)
    torn = torn[:place] + ([(1.0, torn[place][1], bad)] if bad is not None else []) + torn[place + 1 :]
    table, refused = view_of([*said("host.head", 0.0, first), *torn, *said("host.head", 2.0, second)])
    assert table.iloc[1].tolist() == table.iloc[0].tolist()
    assert table.iloc[2]["camera_x"] == pytest.approx(0.4)
    assert sum(refused["host.head"].values()) == 1


def test_a_pose_in_a_take_that_is_nearly_a_rotation_is_made_one() -> None:
    table, refused = view_of(said("host.head", 0.0, (0.0, 1.6, 0.0, 0.0, 0.63, 0.0, 0.84)))
    q = table.iloc[0][["camera_qx", "camera_qy", "camera_qz", "camera_qw"]].to_numpy(dtype=float)
    np.testing.assert_allclose(q, [0.0, 0.6, 0.0, 0.8], atol=1e-12)
    assert not refused


def test_a_reading_of_a_gyroscope_that_is_torn_is_left_out_whole(tmp_path: Path) -> None:
    del tmp_path
    profile = mt.load_profile(marsh.SCOPE)
    rows = [(0.1, "motion.turn.x", 3.0), (0.1, "motion.turn.y", nan), (0.1, "motion.turn.z", 5.0)]
    take = mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    refused = mt.replay(profile, take).attrs["refused"]
    assert refused["motion.turn"] == {"a part of it is missing, or was refused": 1}

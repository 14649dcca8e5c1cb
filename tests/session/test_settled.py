"""Whether a view will stay as it is: to the last digit, or within what a host minds."""

from __future__ import annotations

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan import Axis, Buttons, Gate, Plan, Route, find_signal
from mellow_thumb.plan.mounts import Eye
from mellow_thumb.plan.steps import Exponential, Smoothing, Spring

from ..helpers.strategies import EVERYTHING, Event, events, feed, plans

SCENES = [mt.load_profile(profile) for profile, _ in marsh.SCENES]


def axes_of(frame: mt.Frame) -> dict[str, float]:
    """Each axis in its unit; the whole turn of a yaw."""
    return dict(frame.axes) | {"yaw": frame.axes["yaw_total"]}


@settings(max_examples=60, deadline=None)
@given(plans(makers=EVERYTHING), events(), st.sampled_from([0.003, 0.05, 0.5]))
def test_what_is_settled_within_a_tolerance_goes_no_further(
    plan: Plan, happened: list[Event], least: float
) -> None:
    session = mt.Session(plan)
    for event in happened:
        feed(session, event)
    units = {axis.name: axis.unit for axis in plan.axes}
    for _ in range(240):
        frame = session.tick(1 / 30)
        if session.settled_within(degrees=least, metres=least, share=least):
            break
    else:
        return
    before = axes_of(frame)
    for _ in range(40):
        after = axes_of(session.tick(0.25))
        for name, unit in units.items():
            if name in ("move_x", "move_y"):
                continue
            way = abs(after[name] - before[name])
            most = least * (1.0 + 1e-6) + 1e-9
            assert way <= (most if unit in ("deg", "m") else most * max(abs(before[name]), 1.0) * 1.7), name


def test_it_is_far_sooner_than_the_last_digit() -> None:
    session = mt.load_profile(marsh.DYKE).session()
    session.feed("pad.right_stick", (1.0, 0.3))
    for _ in range(60):
        session.tick(1 / 60)
    assert not session.settled_within(degrees=1.0)
    session.feed("pad.right_stick", (0.0, 0.0))
    assert not session.settled_within(degrees=1.0)  # something has come in
    first: dict[str, int] = {}
    for k in range(300):
        session.tick(1 / 60)
        if session.settled_within(degrees=0.05):
            first.setdefault("within", k)
        if session.settled:
            first.setdefault("settled", k)
    assert first["within"] * 3 < first["settled"]


@pytest.mark.parametrize("smoothing", [None, Exponential(0.05), Spring(0.08)])
def test_a_stick_that_is_held_against_a_limit_moves_nothing(smoothing: Smoothing | None) -> None:
    tilt = Route("tilt", find_signal("pad.right_stick.y"), ("pitch",), (90.0,), None, smoothing, "rate")
    axes = (Axis("yaw"), Axis("pitch", low=-60.0, high=60.0), Axis("roll"))
    session = mt.Session(Plan((tilt,), (), axes, Eye("eye")))
    session.feed("pad.right_stick", (0.0, 1.0))
    for _ in range(240):
        frame = session.tick(1 / 60)
    assert frame.axes["pitch"] == pytest.approx(60.0, abs=0.01)
    assert not session.settled
    assert session.settled_within(degrees=0.05)
    session.feed("pad.right_stick", (0.0, -1.0))
    session.tick(1 / 60)
    assert not session.settled_within(degrees=0.05)


def test_a_gate_that_waits_for_its_time_is_not_settled() -> None:
    late = Gate("late", Buttons((find_signal("mouse.left"),)), after=0.5, cursor="held")
    session = mt.Session(
        Plan((), (late,), (Axis("yaw"), Axis("pitch", low=-90.0, high=90.0), Axis("roll")), Eye("eye"))
    )
    session.tick(0.2)
    assert session.settled
    session.feed("mouse.left", 1.0)
    session.tick(0.2)
    assert not session.settled
    assert not session.settled_within(degrees=90.0)
    session.tick(0.2)
    session.tick(0.2)
    assert session.settled


def test_a_share_of_the_screen_stands_for_degrees_and_metres() -> None:
    for profile in SCENES:
        session = profile.session()
        session.tick(0.5)
        assert session.settled_within(share=0.001), profile.title
    session = mt.load_profile(marsh.PROFILE).session()
    session.kick("roll", 2.0, half_life=0.2)
    session.tick(0.01)
    assert not session.settled_within(degrees=0.1)
    assert session.settled_within(degrees=3.0)
    for _ in range(120):
        session.tick(1 / 60)
    assert session.settled_within(degrees=0.1)
    for wrong in (-1.0, float("nan"), 1e12):
        with pytest.raises(mt.ArgumentError, match="tolerances"):
            session.settled_within(degrees=wrong)

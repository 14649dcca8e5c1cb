"""Every event has acted, waits, or is counted under a reason."""

from __future__ import annotations

from collections import Counter
from pathlib import Path

import pytest
from hypothesis import given, settings

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan import Plan

from ..helpers.profiles import load
from ..helpers.strategies import EVERYTHING, Event, events, feed, plans

TEXT = """format = "mellow-thumb profile 1"
[gates]
glassing = { hold = "mouse.right" }
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.1 deg/count"
gate = "glassing"
[routes.stick]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/s"
dead_zone = { inner = 0.2, outer = 0.9 }
add = true
[routes.reel]
from = "mouse.wheel.y"
drives = "distance"
sensitivity = "-10 %/notch"
[cues]
hop = { from = "key.Space", gate = "glassing" }
[axes]
pitch = { min = "-10 deg", max = "10 deg" }
distance = { start = "4 m", min = "2 m", max = "8 m" }
[mounts.eye]
kind = "eye"
[mounts.follow]
kind = "orbit"
gate = "behind"
axes.pitch = { min = "-5 deg", max = "5 deg" }
"""
TEXT = TEXT.replace("[signals]", 'behind = { flag = "behind" }\n[signals]').replace(
    "[mounts.eye]", 'mount = "eye"\n[mounts.eye]'
)


@pytest.fixture
def session(tmp_path: Path) -> mt.Session:
    text = TEXT.replace('mount = "eye"\n', "").replace('profile 1"\n', 'profile 1"\nmount = "eye"\n', 1)
    one = load(tmp_path, text).session()
    assert one.reasons == {}
    return one


def because(session: mt.Session, signal: str, value: object, on: str | None = None) -> str:
    """What becomes of one event."""
    before = Counter(session.reasons.get(signal, {}))
    session.feed(signal, value, on=on)  # type: ignore[arg-type]
    session.tick(1 / 60)
    ((reason, count),) = (Counter(session.reasons[signal]) - before).items()
    assert count == 1
    return reason


def test_each_reason_is_told(session: mt.Session) -> None:
    assert because(session, "mouse.move", (5.0, 0.0)) == "look waits for glassing to open"
    assert because(session, "mouse.right", 1) == "acted"
    assert because(session, "mouse.right", 1) == "nothing has changed"
    assert because(session, "mouse.move", (5.0, 0.0)) == "acted"
    assert because(session, "mouse.move", (0.0, 500.0)) == "acted"
    assert because(session, "mouse.move", (0.0, 5.0)) == "pitch is at its limit"
    assert because(session, "mouse.move", (0.0, -5.0)) == "acted"
    assert because(session, "mouse.wheel", (0.0, 1.0)) == "eye does not use what reel drives"
    assert because(session, "flag.behind", 1) == "acted"
    assert because(session, "mouse.wheel", (0.0, 1.0)) == "acted"
    assert because(session, "mouse.move", (0.0, 500.0)) == "acted"
    assert because(session, "mouse.move", (0.0, 5.0)) == "pitch is at its limit"  # the limit of this mount
    assert because(session, "pad.right_stick", (0.1, 0.05)) == "in the dead zone of stick"
    assert because(session, "pad.right_stick", (0.6, 0.0)) == "acted"
    assert because(session, "pad.right_stick", (0.95, 0.0)) == "acted"
    assert (
        because(session, "pad.right_stick", (0.97, 0.0))
        == "past the outer end of stick, which is all the way out"
    )
    assert because(session, "pad.right_stick", (0.97, 0.0)) == "nothing has changed"
    assert because(session, "mouse.move", (0.0, 0.0)) == "a movement of 0"
    assert because(session, "mouse.right", 0) == "acted"
    assert because(session, "key.Space", 1, on="interface") == "your own interface used it"
    assert because(session, "key.KeyJ", 1) == "the profile does not use it"
    session.feed("host.focus", 0)
    session.tick(0.1)
    assert because(session, "mouse.move", (5.0, 0.0)) == "the window has no focus"


def test_it_costs_nothing_while_nobody_asks(session: mt.Session) -> None:
    session.forget_reasons()
    session.feed("mouse.move", (5.0, 0.0))
    session.tick(1 / 60)
    assert session.reasons == {}


def test_looking_changes_nothing() -> None:
    for profile, recording in marsh.SCENES:
        table = mt.read_take(recording).table.iloc[:400]
        plan = mt.load_profile(profile)
        plain, watched = plan.session(), plan.session()
        assert watched.reasons == {}
        for session in (plain, watched):
            for t, signal, value in table[["t", "signal", "value"]].itertuples(index=False):
                session.feed(str(signal), value, at=t)
        until = float(table["t"].max()) + 0.1
        for k in range(1, round(until * 60)):
            assert plain.tick(to=k / 60).axes == watched.tick(to=k / 60).axes
        assert watched.reasons


@settings(max_examples=60, deadline=None)
@given(plans(makers=EVERYTHING), events())
def test_every_event_has_acted_waits_or_has_a_reason(plan: Plan, happened: list[Event]) -> None:
    session = mt.Session(plan)
    assert session.reasons == {}
    for event in happened:
        feed(session, event)
    for k in range(1, 40):
        session.tick(to=k / 30)
    counted = sum(sum(some.values()) for some in session.reasons.values())
    refused = sum(sum(some.values()) for some in session.refused.values())
    waits = len(session._intake.inbox.waiting) + len(session._intake.inbox.arrived)
    assert counted + refused + waits == len(happened)


def test_fingers_have_reasons_too() -> None:
    session = mt.load_profile(marsh.FINGERS).session()
    session.set_screen(1000, 1000)
    assert session.reasons == {}
    session.touch("a", "move", (0.1, 0.1))  # of a finger that is not there
    session.touch("a", "down", (0.5, 0.5), on="interface")
    session.tick(0.01)
    session.touch("a", "move", (0.6, 0.5))
    session.tick(0.01)
    assert session.reasons["touch.1.place"] == {"no touch takes this finger": 2}
    session.touch("b", "down", (0.5, 0.5))
    session.tick(0.01)
    session.touch("b", "move", (0.504, 0.5))
    session.tick(0.01)
    session.touch("b", "move", (0.6, 0.5))
    session.tick(0.01)
    assert session.reasons["touch.2.place"] == {"it has not moved as far as after_travel": 2, "acted": 1}


def test_a_place_that_is_told_with_the_lift_is_still_its_fingers() -> None:
    session = mt.load_profile(marsh.FINGERS).session()
    session.set_screen(1000, 1000)
    assert session.reasons == {}
    session.touch("a", "down", (0.5, 0.5), at=0.001)
    session.touch("a", "up", (0.502, 0.5), at=0.005)
    session.tick(0.01)
    assert session.reasons["touch.1.place"] == {"it has not moved as far as after_travel": 2}


def test_half_of_a_screen_s_size_leaves_the_other_half() -> None:
    one, two = (mt.load_profile(marsh.FINGERS).session() for _ in range(2))
    one.set_screen(1200, 800)
    two.feed("host.screen.x", 1200.0)
    two.feed("host.screen.y", 800.0)
    for session in (one, two):
        session.touch("a", "down", (0.5, 0.5))
        session.tick(0.01)
        session.touch("a", "move", (0.7, 0.6))
    assert one.tick(0.02).axes == two.tick(0.02).axes
    assert one.tick(0.02).axes["pan_x"] != 0.0

"""Travel before a drag begins, and the pointer as it is caught: what is dropped, exactly."""

from __future__ import annotations

from math import hypot
from pathlib import Path

import pytest
from hypothesis import assume, given
from hypothesis import strategies as st

from mellow_thumb import Session
from mellow_thumb.formulas import switching
from mellow_thumb.plan import Axis, Buttons, Condition, Cue, Gate, Plan, Route, Several, Travel, find_signal
from mellow_thumb.plan.mounts import Eye

from ..helpers.profiles import load, refused_for

LEAST, GAIN = 20.0, 0.01
LEFT = Buttons((find_signal("mouse.left"),))
AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"))
FAR = Gate("far", LEFT, travel=Travel(find_signal("mouse.move"), LEAST))
AIDED = Gate("aided", None, when=Several((Condition("far"), Condition("held"))))
steps = st.lists(st.tuples(st.floats(-40.0, 40.0), st.floats(-40.0, 40.0)), min_size=1, max_size=8)


def dragging(gate: str = "far", **more: object) -> Session:
    """A session in which a drag begins after some travel."""
    look = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (GAIN, GAIN), gate=Condition(gate))
    gates = (FAR, Gate("held", LEFT), AIDED)
    return Session(Plan((look,), gates, AXES, Eye("eye"), **more))  # type: ignore[arg-type]


def crossing(way: list[tuple[float, float]]) -> tuple[float, float] | None:
    """Where a way that begins at 0 leaves the circle of `LEAST`, by halving."""
    x = y = 0.0
    for dx, dy in way:
        if hypot(x + dx, y + dy) >= LEAST:
            low, high = 0.0, 1.0
            for _ in range(80):
                middle = (low + high) / 2.0
                low, high = (
                    (middle, high) if hypot(x + middle * dx, y + middle * dy) < LEAST else (low, middle)
                )
            return x + high * dx, y + high * dy
        x, y = x + dx, y + dy
    return None


@pytest.mark.parametrize("gate", ["far", "aided"])
@given(way=steps, apart=st.booleans())
def test_a_drag_drops_exactly_its_travel_however_the_mouse_reports(
    gate: str, way: list[tuple[float, float]], *, apart: bool
) -> None:
    assume(all(abs(hypot(*one) - LEAST) > 1e-6 for one in way))
    session = dragging(gate)
    session.feed("mouse.left", 1)
    session.tick(0.01)
    for step in way:
        session.feed("mouse.move", step)
        if apart:
            session.tick(0.004)
    axes, at = session.tick(0.01).axes, crossing(way)
    x, y = (sum(one) for one in zip(*way, strict=True))
    wanted = (GAIN * (x - at[0]), GAIN * (y - at[1])) if at else (0.0, 0.0)
    assert (axes["yaw"], axes["pitch"]) == pytest.approx(wanted, abs=1e-9)


@given(st.floats(1.0, 400.0), st.integers(1, 30))
def test_many_small_reports_come_to_the_same_as_one(far: float, parts: int) -> None:
    seen = []
    for count in (1, parts):
        session = dragging()
        session.feed("mouse.left", 1)
        for _ in range(count):
            session.feed("mouse.move", (far / count, 0.0))
        seen.append(session.tick(0.01).axes["yaw"])
    assert seen[1] == pytest.approx(seen[0], abs=1e-9)
    assert seen[0] == pytest.approx(GAIN * max(far - LEAST, 0.0), abs=1e-9)


def test_what_listens_anyway_has_all_of_it() -> None:
    look = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (GAIN, GAIN))
    either = Gate("either", None, when=Several((Condition("far"), Condition("held")), every=False))
    tilt = Route("tilt", find_signal("mouse.move.x"), ("roll",), (GAIN,), gate=Condition("either"))
    session = Session(Plan((look, tilt), (FAR, Gate("held", LEFT), either), AXES, Eye("eye")))
    session.feed("mouse.left", 1)
    session.feed("mouse.move", (100.0, 0.0))
    axes = session.tick(0.01).axes
    assert (axes["yaw"], axes["roll"]) == pytest.approx((100.0 * GAIN, 100.0 * GAIN))


@given(st.floats(-19.0, 19.0), st.floats(0.0, 5.0), st.floats(-500.0, 500.0), st.floats(-500.0, 500.0))
def test_the_share_beyond_lies_on_the_circle(x: float, y: float, dx: float, dy: float) -> None:
    assume(hypot(x, y) < LEAST < hypot(x + dx, y + dy))
    share = switching.beyond(x, y, dx, dy, LEAST)
    assert 0.0 <= share <= 1.0
    assert hypot(x + (1.0 - share) * dx, y + (1.0 - share) * dy) == pytest.approx(LEAST)


def test_a_pointer_that_is_caught_anew_after_a_lost_focus_turns_nothing() -> None:
    look = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
    session, seen = Session(Plan((look,), (), AXES, Eye("eye"), cursor="held")), []
    doings: list[tuple[str, float | tuple[float, float]]] = [
        ("mouse.move", (300.0, 0.0)), ("mouse.move", (10.0, 0.0)), ("host.focus", 0.0), ("mouse.move", (40.0, 0.0)),
        ("host.focus", 1.0), ("host.focus", 1.0), ("mouse.move", (500.0, 0.0)), ("host.focus", 1.0),
        ("mouse.move", (10.0, 0.0)),
    ]  # fmt: skip
    for signal, value in doings:
        session.feed(signal, value)
        seen.append((round(session.tick(0.01).axes["yaw"], 9), session.view().cursor))
    assert seen == [
        (0.0, "held"), (1.0, "held"), (1.0, "free"), (1.0, "free"),
        (1.0, "held"), (1.0, "held"), (1.0, "held"), (1.0, "held"), (2.0, "held"),
    ]  # fmt: skip


def test_a_toggle_that_holds_the_pointer_is_caught_anew_and_a_free_one_is_not() -> None:
    look = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))
    gates = (Gate("aim", LEFT, choice=("toggle",), cursor="held"),)
    session = Session(Plan((look,), gates, AXES, Eye("eye")))

    def moved(counts: float) -> float:
        session.feed("mouse.move", (counts, 0.0))
        return session.tick(0.01).axes["yaw"]

    def refocus() -> None:
        for focus in (0.0, 1.0):
            session.feed("host.focus", focus)
            session.tick(0.01)

    refocus()
    assert moved(10.0) == pytest.approx(1.0)  # nobody holds it
    session.feed("mouse.left", 1)
    session.feed("mouse.left", 0)
    assert moved(500.0) == pytest.approx(1.0)
    assert moved(10.0) == pytest.approx(2.0)
    refocus()
    assert session.view().cursor == "held"
    assert moved(500.0) == pytest.approx(2.0)
    assert moved(10.0) == pytest.approx(3.0)


def test_a_gate_that_holds_the_pointer_after_some_travel_drops_the_jump() -> None:
    look = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1), gate=Condition("far"))
    gates = (Gate("far", LEFT, travel=Travel(find_signal("mouse.move"), LEAST), cursor="held"),)
    session = Session(Plan((look,), gates, AXES, Eye("eye")))
    session.feed("mouse.left", 1)
    seen = []
    for counts in (30.0, 500.0, 10.0):
        session.feed("mouse.move", (counts, 0.0))
        seen.append(session.tick(0.01).axes["yaw"])
    assert seen == pytest.approx([1.0, 1.0, 2.0])


# ---- a click that is no drag


@pytest.mark.parametrize("on", ["tap", "release", "long_press"])
@given(way=steps, held=st.floats(0.02, 0.9))
def test_a_click_is_given_only_if_the_mouse_stayed_near(
    on: str, way: list[tuple[float, float]], held: float
) -> None:
    most = 12.0
    places = [(0.0, 0.0)]
    for dx, dy in way:
        places.append((places[-1][0] + dx, places[-1][1] + dy))
    furthest = max(hypot(*place) for place in places)
    assume(abs(furthest - most) > 1e-6 and abs(held - 0.25) > 1e-6 and abs(held - 0.5) > 1e-6)
    cue = Cue("mark", LEFT, on, travel=Travel(find_signal("mouse.move"), most))
    session = Session(Plan((), (), AXES, Eye("eye"), cues=(cue,)))
    session.feed("mouse.move", (500.0, 0.0), at=0.0)  # before the press it may go anywhere
    session.feed("mouse.left", 1.0, at=0.01)
    for k, step in enumerate(way, 1):
        session.feed("mouse.move", step, at=0.01 + 0.01 * k / len(way))
    session.feed("mouse.left", 0.0, at=0.01 + held)
    session.feed("mouse.move", (500.0, 0.0), at=0.011 + held)
    given_ = sum(session.tick(to=k / 60).cues.get("mark", 0) for k in range(1, 70))
    timely = {"tap": held <= 0.25, "release": True, "long_press": held >= 0.5}[on]
    assert given_ == (1 if timely and furthest <= most else 0)


def test_each_click_is_measured_from_its_own_press() -> None:
    cue = Cue("mark", LEFT, "tap", travel=Travel(find_signal("mouse.move"), 12.0))
    session = Session(Plan((), (), AXES, Eye("eye"), cues=(cue,)))
    seen = []
    for counts in (30.0, 5.0, 8.0):
        session.feed("mouse.left", 1.0)
        session.feed("mouse.move", (counts, 0.0))
        session.feed("mouse.left", 0.0)
        seen.append(session.tick(1 / 60).cues.get("mark", 0))
    assert seen == [0, 1, 1]


def test_a_press_is_no_click(tmp_path: Path) -> None:
    text = """format = "mellow-thumb profile 1"
[mounts.eye]
kind = "eye"
[cues]
mark = { from = "mouse.left", on = "tap", within_travel = "6 px" }
"""
    (cue,) = load(tmp_path, text).cues
    assert cue.travel is not None
    assert (str(cue.travel.signal), cue.travel.least) == ("mouse.pixels", 6.0)
    assert "expected on = tap" in refused_for(tmp_path, text, ('on = "tap", ', ""))
    assert 'found "6 deg"; expected a distance' in refused_for(tmp_path, text, ("6 px", "6 deg"))

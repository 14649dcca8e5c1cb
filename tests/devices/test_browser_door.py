"""Events as browsers send them: the same signals as the session's own, signs and clocks set right."""

from __future__ import annotations

from math import inf, nan
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.devices.browser_door import MOUSE_BUTTONS, PAD_BUTTONS
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import CATALOGUE, Address, find_signal
from mellow_thumb.plan.touches import Touch

FINGER = Touch("drag", "drag")
AXES = (Axis("yaw"), Axis("pitch"), Axis("roll"), Axis("near", unit=""), Axis("far", unit=""))
SWITCHES = ("mouse.left", "mouse.right", "key.KeyW", "pad.south", "pad.way_left")


def door(**more: Any) -> tuple[mt.Session, mt.BrowserDoor]:
    routes = (
        Route("look", find_signal("mouse.pixels"), ("yaw", "pitch"), (1.0, 1.0)),
        Route("raw", find_signal("mouse.move"), ("yaw", "pitch"), (10.0, 10.0)),
        Route("wheel", find_signal("mouse.wheel"), ("far", "near"), (1.0, 1.0)),
        Route("stick", find_signal("pad.right_stick"), ("yaw", "pitch"), (10.0, 10.0), effect="rate"),
        Route("finger", Address(FINGER.signal), ("yaw", "pitch"), (100.0, 100.0)),
    )
    gates = tuple(Gate(f"g{k}", Buttons((find_signal(name),))) for k, name in enumerate(SWITCHES))
    cues = (Cue("pull", Buttons((find_signal("pad.left_trigger"),))),)
    one = mt.Session(Plan(routes, gates, AXES, Eye("eye"), touches=(FINGER,), cues=cues), ceiling=100.0)
    return one, mt.BrowserDoor(one, 1000, 500, **more)


def test_a_mouse_goes_right_and_up_where_the_page_counts_down() -> None:
    one, browser = door()
    browser.feed(
        {
            "type": "pointermove",
            "pointerType": "mouse",
            "movementX": 4,
            "movementY": 3,
            "clientX": 9,
            "clientY": 9,
        }
    )
    axes = one.tick(0.1).axes
    assert (axes["yaw"], axes["pitch"]) == (4.0, -3.0)
    browser.feed({"type": "wheel", "deltaX": 0, "deltaY": -200, "deltaMode": 0})
    assert one.tick(0.1).axes["near"] == 2.0
    browser.feed({"type": "wheel", "deltaX": 3, "deltaY": 6, "deltaMode": 1})
    axes = one.tick(0.1).axes
    assert (axes["near"], axes["far"]) == (0.0, 1.0)
    raw, unadjusted = door(counts=True)
    unadjusted.feed({"type": "mousemove", "movementX": 1, "movementY": -1, "clientX": 0, "clientY": 0})
    axes = raw.tick(0.1).axes
    assert (axes["yaw"], axes["pitch"]) == (10.0, 10.0)


def test_buttons_keys_and_what_they_began_on() -> None:
    one, browser = door()
    for event in (
        {"type": "pointerdown", "pointerType": "mouse", "button": 2},
        {"type": "keydown", "code": "KeyW"},
        {"type": "keydown", "code": "KeyW", "repeat": True},
    ):
        browser.feed(event)
    browser.feed({"type": "pointerdown", "pointerType": "mouse", "button": 0}, on="interface")
    gates = one.tick(0.1).gates
    assert gates == {"g0": False, "g1": True, "g2": True, "g3": False, "g4": False}
    browser.feed({"type": "blur"})
    assert not any(one.tick(0.1).gates.values())
    assert not browser.refused


def test_a_gamepad_is_polled_and_its_changes_are_fed() -> None:
    one, browser = door()
    buttons: list[Any] = [{"value": 0.0, "pressed": False} for _ in range(17)]
    buttons[0], buttons[14], buttons[6] = (
        {"value": 1.0, "pressed": True},
        1.0,
        {"value": 0.9, "pressed": True},
    )
    state = {"type": "gamepad", "mapping": "standard", "axes": [0, 0, 0.5, 1.0], "buttons": buttons}
    browser.feed(state)
    frame = one.tick(1.0)
    assert (frame.gates["g3"], frame.gates["g4"], frame.cues) == (True, True, {"pull": 1})
    assert frame.axes["pitch"] < 0.0 < frame.axes["yaw"]
    browser.feed(state)
    assert one.tick(0.001).cues == {}
    browser.feed({"type": "gamepad", "connected": False})
    before = one.tick(0.1).axes["yaw"]
    assert one.tick(1.0).axes["yaw"] == before
    browser.feed({**state, "mapping": ""})
    assert browser.refused == {("gamepad", "not as the standard has it"): 1}


@pytest.mark.parametrize("kind", ["pointer", "touch"])
def test_fingers_come_by_pointer_or_by_touch_events(kind: str) -> None:
    one, browser = door()

    def say(phase: str, x: float, y: float) -> None:
        if kind == "pointer":
            browser.feed(
                {
                    "type": f"pointer{phase}",
                    "pointerType": "touch",
                    "pointerId": 7,
                    "clientX": x,
                    "clientY": y,
                }
            )
        else:
            word = {"down": "start", "move": "move", "up": "end"}[phase]
            touches = [{"identifier": 7, "clientX": x, "clientY": y}]
            browser.feed({"type": f"touch{word}", "changedTouches": touches})

    say("down", 500, 250)
    say("move", 550, 200)
    axes = one.tick(0.1).axes
    assert (axes["yaw"], axes["pitch"]) == pytest.approx((10.0, 10.0))
    say("up", 550, 200)
    say("move", 900, 200)
    assert one.tick(0.1).axes["yaw"] == pytest.approx(10.0)
    assert not one.refused
    assert not browser.refused


def test_the_pages_clock_is_its_own() -> None:
    one, browser = door()
    for stamp in (5000.0, 5040.0):
        browser.feed({"type": "keydown" if stamp < 5010 else "keyup", "code": "KeyW", "timeStamp": stamp})
    assert one.tick(0.02).gates["g2"]
    assert not one.tick(0.1).gates["g2"]
    assert one.late == 0


def test_a_resize_changes_what_a_place_is() -> None:
    one, browser = door()
    browser.feed({"type": "resize", "innerWidth": 2000, "innerHeight": 1000})
    for x in (1000, 1200):
        event = {"type": "pointermove" if x > 1000 else "pointerdown", "pointerType": "pen", "pointerId": 1}
        browser.feed({**event, "clientX": x, "clientY": 500})
    assert one.tick(0.1).axes["yaw"] == pytest.approx(20.0)


values = st.one_of(
    st.none(),
    st.booleans(),
    st.integers(-(10**9), 10**9),
    st.floats(),
    st.sampled_from([nan, inf, "7", [], {}]),
)
fields = st.sampled_from(
    ["button", "clientX", "clientY", "movementX", "movementY", "deltaX", "deltaY", "deltaMode", "code", "axes",
     "buttons", "changedTouches", "pointerId", "pointerType", "timeStamp", "innerWidth", "innerHeight"]
)  # fmt: skip
kinds = st.sampled_from(
    [
        "pointerdown",
        "pointermove",
        "pointerup",
        "wheel",
        "keydown",
        "touchstart",
        "gamepad",
        "resize",
        "blur",
        "x",
    ]
)


@given(st.lists(st.tuples(kinds, st.dictionaries(fields, values)), max_size=20))
def test_whatever_a_page_sends_nothing_raises_and_nothing_is_poisoned(
    sent: list[tuple[str, dict[str, Any]]],
) -> None:
    one, browser = door()
    for kind, event in sent:
        browser.feed({"type": kind, **event})
    browser.feed(None)
    frame = one.tick(0.1)
    assert all(value - value == 0.0 for value in frame.axes.values())
    assert browser.refused["None", "unknown"] == 1


def test_every_name_is_in_the_catalogue() -> None:
    assert {*MOUSE_BUTTONS, *(f"pad.{name}" for name in PAD_BUTTONS)} <= set(CATALOGUE)
    sources = {name: CATALOGUE[f"pad.{name}"].source for name in PAD_BUTTONS}
    assert all(source.endswith(f"button {k}") for k, source in enumerate(sources.values()))
    assert mt.load_profile(marsh.FINGERS).touches

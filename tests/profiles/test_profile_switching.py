"""Gates, derived signals and cues as a profile writes them, and what it is told where it is wrong."""

from __future__ import annotations

from pathlib import Path

import pytest

from mellow_thumb.plan.accessibility import Hands
from mellow_thumb.plan.gates import Condition, Several
from mellow_thumb.plan.steps import Close

from ..helpers.profiles import data, load, problems

GOOD = data("switching.toml")


def test_everything_that_switches_arrives(tmp_path: Path) -> None:
    profile = load(tmp_path, GOOD)
    gates = {gate.name: gate for gate in profile.gates}
    glassing, dragging, menu = (gates[name].buttons for name in ("glassing", "dragging", "menu"))
    assert glassing
    assert dragging
    assert menu
    assert gates["dragging"].travel
    assert (glassing.at, glassing.rearm, gates["glassing"].choice) == (0.4, 0.3, ("toggle", "hold"))
    assert (str(menu.inputs[0]), gates["menu"].cursor, gates["menu"].priority) == ("flag.menu", "free", 2)
    assert (dragging.begun_off, gates["dragging"].travel.least) == ("bird", 50.0)
    assert (gates["padding"].active, gates["aiming"].after) == ("pad", 0.1)
    assert gates["aiming"].when == Several((Condition("glassing"), Condition("menu", wanted=False)))
    walk = next(route for route in profile.routes if route.name == "walk")
    assert str(walk.gate) == "(not menu and (glassing or lefty))"
    assert (walk.on_close, walk.fresh, walk.source.signal.pair) == (Close("return", 0.25), False, True)
    call, hop = profile.cues
    assert (call.on, call.within, hop.cooldown, hop.keep, str(hop.gate)) == (
        "double_tap",
        0.3,
        0.4,
        0.12,
        "not menu",
    )
    assert (profile.hands, profile.cursor) == (Hands(debounce=0.06, turn_cap=90.0), "hidden")


def test_swapped_sticks_are_swapped_wherever_a_stick_stands(tmp_path: Path) -> None:
    profile = load(tmp_path, GOOD, ("[hands]", "[hands]\nswap_sticks = true"))
    (snap,) = (made for made in profile.derived if made.name == "snap")
    assert str(snap.inputs[0]) == "pad.right_stick.x"
    assert {str(route.source) for route in profile.routes} == {"steps", "snap", "pad.left_stick"}


WRONG = [
    ('flag = "menu"', 'flag = ""', '10: gates.menu.flag: found ""; expected the name of a flag'),
    ('flag = "menu", ', "", "10: gates.menu: found nothing that opens it; expected one of hold, toggle, flag, setting, active, all or any"),
    ('flag = "menu",', 'flag = "menu", toggle = "key.KeyM",', "10: gates.menu: found toggle and flag; expected one of hold, toggle,"),
    ('cursor = "free"', 'cursor = "freed"', '10: gates.menu.cursor: found "freed"; expected "free", "hidden" or "held"; did you mean free?'),
    ('"mouse.right", ', '"mouse.rihgt", ', '11: gates.glassing.hold.0: found "mouse.rihgt"; expected a signal, or a name in [signals]; did you mean mouse.right?'),
    ("at = 0.4", "at = 0.2", "11: gates.glassing.at: found 0.2, rearm 0.3; expected 0 < rearm <= at <= 1"),
    ('["toggle", "hold"]', '["toggle", "tap"]', "11: gates.glassing.choice: found toggle and tap; expected hold and toggle"),
    ('setting = "lefty"', 'setting = "glassing"', '11: gates.glassing.choice: found a setting named "glassing" besides; expected another name for one of them'),
    ('active = "pad"', 'active = "gamepad"', '13: gates.padding.active: found "gamepad"; expected "desk", "pad" or "handheld"'),
    ('"not menu"], after', '"not glassing"], after', "14: gates.aiming: found (glassing and not glassing), which can never open; expected gates that can"),
    ('"not menu"], after', '"not aiming"], after', "14: gates.aiming: found a gate that waits for itself: aiming -> aiming; expected other gates"),
    ('"not menu"], after', '"not menuu"], after', '14: gates.aiming.all: found "menuu"; expected a gate: menu, glassing, lefty, padding, aiming or dragging; did you mean menu?'),
    ('all = ["glassing", "not menu"]', 'all = "glassing"', "14: gates.aiming.all: found 'glassing'; expected a list of gates, such as"),
    ('"0.5 cm"', '"0.5 deg"', '15: gates.dragging.after_travel: found "0.5 deg"; expected a distance of count, px or cm'),
    ("counts_per_cm = 100", "", '15: gates.dragging.after_travel: found "0.5 cm" without a scale; expected [mouse] with counts_per_cm'),
    ('up = "key.KeyW"', 'upp = "key.KeyW"', "17: signals.steps.upp: found an unknown key; expected"),
    ('up = "key.KeyW"', 'up = "mouse.move"', "17: signals.steps.up: found mouse.move, a displacement; expected a switch: something that is held or not"),
    ('up = "key.KeyW"', 'up = "key.KeyS"', "17: signals.steps: found key.KeyS twice; expected each key once"),
    ('up = "key.KeyW"', 'plus = "key.KeyW"', "17: signals.steps: found up, down, left, right and plus, minus; expected one of:"),
    ('"mouse.place"', '"mouse.move"', "18: signals.edge.edge_zone: found mouse.move; expected a place, such as mouse.place"),
    ('"0.05 screen"', '"3 deg"', '18: signals.edge.margin: found "3 deg"; expected screen, px or cm'),
    ('"pad.left_stick.x", at', '"pad.left_stick", at', "19: signals.snap.presses: found pad.left_stick, a pair; expected one component of it"),
    ('from = "steps"', 'from = "stepps"', '21: routes.walk.from: found "stepps"; expected a signal, or a name in [signals]; did you mean steps?'),
    ('"90 deg/s"\ngate', '"90 deg/press"\ngate', '23: routes.walk.sensitivity: found "90 deg/press"; expected deg/s or deg'),
    ('{ any = ["glassing", "lefty"] }', '{ some = ["glassing"] }', "24: routes.walk.gate: found {'some': ['glassing']}; expected a gate in quotes,"),
    ('{ return = "250 ms" }', '"stay"', '25: routes.walk.on_close: found "stay"; expected "stop", "settle" or { return = "250 ms" }'),
    ('{ return = "250 ms" }', '{ return = "250" }', '25: routes.walk.on_close: found "250" without a unit; expected'),
    ('gate = "aiming"\n', "", "35: routes.peek.zero: found on_close, needs_fresh_press or zero; expected a gate with it"),
    ('zero = "on open"', 'zero = "at open"', '36: routes.peek.zero: found "at open"; expected "on open"'),
    ('on = "press"', 'on = "pres"', '38: cues.hop.on: found "pres"; expected "press", "release", "tap", "double_tap" or "long_press"; did you mean press?'),
    ('from = "pad.south"', 'form = "pad.south"', "38: cues.hop: found no from; expected from = "),
    ('"400 ms"', '"400 s"', "38: cues.hop.cooldown: found 400 s; expected 0 to 60 s"),
    ('"90 deg/s"\ndebounce', '"90 deg"\ndebounce', '7: hands.turn_cap: found "90 deg"; expected a number of deg/s'),
    ('"60 ms"\n', '"6 s"\n', "8: hands.debounce: found 6 s; expected 0 to 2 s"),
    ('cursor = "hidden"', 'cursor = "gone"', '3: cursor: found "gone"; expected "free", "hidden" or "held"'),
]  # fmt: skip


@pytest.mark.parametrize(("right", "wrong", "said"), WRONG)
def test_what_is_wrong_is_said_with_its_place_and_a_way_out(
    tmp_path: Path, right: str, wrong: str, said: str
) -> None:
    found = problems(tmp_path, GOOD, (right, wrong))
    assert any(said in problem for problem in found), found


def test_a_wrong_signal_is_said_once_and_not_again_where_it_is_used(tmp_path: Path) -> None:
    assert len(problems(tmp_path, GOOD, ('"pad.left_stick.x", at', '"pad.left_stikc.x", at'))) == 1

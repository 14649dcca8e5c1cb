"""What check finds of touches: fingers that others have, taps that move something; and what a starter tells, works."""

from __future__ import annotations

from itertools import combinations
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.insight.checks_touches import starved
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.signals import Address
from mellow_thumb.plan.touches import Length, Touch
from mellow_thumb.profiles.starting import MOUNTS, starter

from ..helpers.profiles import load

HEAD = """format = "mellow-thumb profile 1"
[mounts.eye]
kind = "eye"
"""


def codes(folder: Path, text: str) -> list[tuple[str, str]]:
    return [
        (one.code, one.reason) for one in mt.check(load(folder, HEAD + text)) if one.code != "undriven-axis"
    ]


LOOK = """[touch.look]
drag = {{ {} }}
[routes.look]
from = "touch.look"
drives = ["yaw", "pitch"]
sensitivity = "180 deg/screen"
[cues]
hop = {{ from = "touch.look.tap" }}
"""


@pytest.mark.parametrize(
    ("options", "found"),
    [
        ("", [("moving-tap", "a tap on look may move yaw by 3.6 deg")]),
        ('after_travel = "0.02 screen"', []),
    ],
)
def test_a_tap_on_what_does_not_wait_for_a_travel_is_found(
    tmp_path: Path, options: str, found: list[tuple[str, str]]
) -> None:
    text = LOOK.format(options)
    assert codes(tmp_path, text) == found
    assert codes(tmp_path, text.replace('hop = { from = "touch.look.tap" }', "")) == []
    # and it is so
    one = load(tmp_path, HEAD + text).session()
    one.set_screen(1000, 1000)
    one.touch(1, "down", (0.5, 0.5), at=0.0)
    one.touch(1, "move", (0.5199, 0.5), at=0.1)
    one.touch(1, "up", at=0.2)
    frame = one.tick(0.3)
    assert frame.cues == {"hop": 1}
    assert frame.axes["yaw"] == pytest.approx(180 * 0.0199 if found else 0.0)


def test_touches_that_others_starve_are_found_in_words(tmp_path: Path) -> None:
    text = """[touch.look]
drag = {{ region = [0.4, 0, 1, 1], after_travel = "0.02 screen" }}
[touch.walk]
thumb_pad = {{ region = [0, 0, 0.5, 1], radius = "0.1 screen" }}
[touch.pinch]
spread = {{ {} }}
[routes.look]
from = "touch.look"
drives = ["yaw", "pitch"]
sensitivity = "180 deg/screen"
"""
    words = "pinch never gets two fingers: wherever they land, look or walk takes the first"
    assert codes(tmp_path, text.format("")) == [("starved-touch", words)]
    assert codes(tmp_path, text.format('region = [0.4, 0, 1, 1], after_travel = "0.02 screen"')) == []
    words = "pinch never gets a finger: wherever one lands, look takes it"
    inside = "region = [0.6, 0, 1, 1] } \npriority = -1 #"
    assert codes(tmp_path, text.format(inside)) == [("starved-touch", words)]


sides = st.tuples(*(st.integers(0, 4) for _ in range(4))).filter(
    lambda one: one[0] != one[2] and one[1] != one[3]
)


@given(st.lists(st.tuples(sides, st.integers(-1, 1), st.booleans()), min_size=1, max_size=4))
def test_what_is_found_starved_gets_no_finger_and_what_is_not_does(
    areas: list[tuple[tuple[int, int, int, int], int, bool]],
) -> None:
    touches = []
    for k, ((a, b, c, d), priority, pad) in enumerate(areas):
        region = (min(a, c) / 4, min(b, d) / 4, max(a, c) / 4, max(b, d) / 4)
        if pad:
            touches.append(Touch(f"t{k}", "thumb_pad", region, priority=priority, radius=Length(0.1)))
        else:
            touches.append(Touch(f"t{k}", "drag", region, priority=priority))
    downs = {one.name: next(x for x in one.signals if x.name.endswith(".down")) for one in touches}
    gates = tuple(Gate(name, Buttons((Address(signal),))) for name, signal in downs.items())
    try:
        plan = Plan(
            (),
            gates,
            tuple(Axis(name) for name in ("yaw", "pitch", "roll")),
            Eye("eye"),
            touches=tuple(touches),
        )
    except mt.PlanError:
        return  # two ask for the same fingers
    hungry = {name for one in starved(plan) for name in [one.path[1]]}
    fed = set[str]()
    for x in range(8):
        for y in range(8):
            session = mt.Session(plan)
            for finger in range(5):  # as many as may be held by pads, and one more
                session.touch(finger, "down", (x / 8 + 1 / 16, y / 8 + 1 / 16))
            fed |= {name for name, down in session.tick(0.01).gates.items() if down}
    together = [{one.name for one in area} for area in plan.areas]
    for area in together:
        assert bool(area & fed) != bool(area & hungry), (area, fed, hungry)


STARTERS: list[tuple[str, ...]] = [(mount,) for mount in MOUNTS if mount != "headset"]
STARTERS += list(combinations([one for one in MOUNTS if one != "headset"], 2))


@pytest.mark.parametrize("mounts", STARTERS, ids="+".join)
def test_fingers_do_what_a_first_profile_tells_of_them(tmp_path: Path, mounts: tuple[str, ...]) -> None:
    profile = load(tmp_path, starter(("touch",), mounts))
    told = mt.tell(profile)
    for second in (False, True) if len(mounts) > 1 else (False,):
        done = moved_by_fingers(profile, second=second)
        for one in told.controls:
            route = next(route for route in profile.routes if route.name == one.route)
            open_ = {gate.name: gate.name == "second" and second for gate in profile.gates} | {
                "fingering": True
            }
            mount = profile.mounts.all[1 if second else 0].mount
            heard = route.gate is None or route.gate.holds(open_)
            if heard and (one.axis in mount.axes or one.axis in ("move_x", "move_y")):
                assert one.axis in done, (one.text, done)


def moved_by_fingers(profile: mt.Profile, *, second: bool) -> set[str]:
    """The axes that two thumbs and a pinch on the whole screen move."""
    found = set[str]()
    for begin, ends in (
        ({1: (0.75, 0.5)}, {1: (0.85, 0.7)}),
        ({1: (0.2, 0.3)}, {1: (0.3, 0.4)}),
        ({1: (0.6, 0.4), 2: (0.8, 0.6)}, {1: (0.55, 0.5), 2: (0.9, 0.6)}),
    ):
        session = profile.session()
        session.set_screen(1600, 800)
        session.feed("flag.second", float(second))
        before = dict(session.tick(1.0).axes)
        for finger, place in begin.items():
            session.touch(finger, "down", place)
        session.tick(0.02)
        for k in range(1, 21):
            for finger, place in ends.items():
                x, y = begin[finger]
                share = k / 20
                session.touch(finger, "move", (x + (place[0] - x) * share, y + (place[1] - y) * share))
            after = session.tick(0.02).axes
        found |= {name for name, value in after.items() if abs(value - before[name]) > 1e-3}
    return found

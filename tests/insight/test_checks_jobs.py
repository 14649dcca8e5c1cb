"""Checks of what does not go together: two jobs of a button, a grab's sign, a camera that circles."""

from __future__ import annotations

from math import cos, sin
from pathlib import Path

import pytest

import mellow_thumb as mt

from ..helpers.profiles import load

BASE = """format = "mellow-thumb profile 1"
[mounts.follow]
kind = "orbit"
[axes]
distance = { start = "4 m", min = "1 m", max = "9 m" }
[gates]
menu = { flag = "menu" }
"""
WALK = """[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
[movement]
speed = "1.6 m/s"
[routes.walk]
from = "steps"
drives = ["move_x", "move_y"]
"""
TURN = """[signals.quarter]
minus = "key.KeyQ"
plus = "key.KeyE"
[routes.quarter]
from = "quarter"
drives = "yaw"
sensitivity = "60 deg/s"
"""


def of(profile: mt.Profile, code: str) -> list[tuple[str, str]]:
    return [(one.where, one.reason) for one in mt.check(profile) if one.code == code]


@pytest.mark.parametrize(
    ("text", "where", "words"),
    [
        ('[cues]\npick = { from = "key.KeyF" }\ntalk = { from = "key.KeyF" }', "talk", "F gives pick and also gives talk"),
        ('[cues]\npick = { from = "key.KeyF" }\ntalk = { from = "key.KeyF", on = "long_press" }', "talk", "F gives pick"),
        ('[cues]\npick = { from = "key.KeyF", on = "tap" }\ntalk = { from = "key.KeyF", on = "double_tap" }', "talk", "F gives"),
        (WALK + '[cues]\nhop = { from = "key.KeyW" }', "walk", "W gives hop and also drives move_x and move_y"),
        (WALK + TURN + '[cues]\ntalk = { from = "key.KeyE", gate = "menu" }', "quarter", "E gives talk and also drives yaw"),
        (WALK + TURN.replace("KeyQ", "KeyA"), "walk", "A drives yaw and also drives move_x and move_y"),
        ('[gates.one]\nhold = "mouse.right"\n[gates.two]\ntoggle = "mouse.right"', "two", "right mouse button opens one and also opens two"),
        ('[cues]\npick = { from = "mouse.left", begun_on = "bird" }\ntalk = { from = "mouse.left" }', "talk", "left mouse button gives pick"),
        ('[cues]\npick = { from = "mouse.left", begun_on = "bird" }\ntalk = { from = "mouse.left", begun_off = "reeds" }', "talk", "left"),
        (TURN + '[gates.one]\nhold = "key.KeyQ"', "quarter", "Q opens one and also drives yaw"),
    ],
)  # fmt: skip
def test_two_jobs_of_a_button_are_found(tmp_path: Path, text: str, where: str, words: str) -> None:
    (found,) = of(load(tmp_path, BASE + text), "two-jobs")
    assert found[0] == where
    assert found[1].startswith(words)


@pytest.mark.parametrize(
    "text",
    [
        '[cues]\npick = { from = "key.KeyF", on = "tap" }\ntalk = { from = "key.KeyF", on = "long_press" }',
        '[cues]\npick = { from = "key.KeyF", gate = "menu" }\ntalk = { from = "key.KeyF", gate = "not menu" }',
        '[cues]\npick = { from = "mouse.left", begun_on = "bird" }\ntalk = { from = "mouse.left", begun_off = "bird" }',
        '[cues]\npick = { from = "mouse.left", begun_on = "bird" }\ntalk = { from = "mouse.left", begun_on = "reeds" }',
        TURN + 'gate = "not menu"\n[cues]\ntalk = { from = "key.KeyE", gate = "menu" }',
        WALK + TURN,
        TURN + TURN.replace("quarter", "boost").replace("60", "30") + "add = true",
        '[gates.one]\nhold = "mouse.right"\n[gates.two]\ntoggle = "mouse.left"',
        '[gates.one]\nhold = "mouse.right"\nafter = "0.3 s"\n[cues]\npick = { from = "mouse.right", on = "tap" }',
        '[gates.one]\nhold = "key.KeyQ"\n' + TURN + 'gate = "one"',
    ],
)  # fmt: skip
def test_one_job_of_a_button_at_a_time_is_none_too_many(tmp_path: Path, text: str) -> None:
    assert of(load(tmp_path, BASE + text), "two-jobs") == []


@pytest.mark.parametrize(
    ("source", "gains", "found"),
    [
        ("touch.drag", (-40, -40), ""),
        ("touch.drag", (40, 40), "so the ground goes against it"),
        ("touch.drag", (-40, 40), "with the hand one way, and against it the other"),
        ("mouse.move", (0.1, 0.1), ""),
        ("mouse.move", (0.1, -0.1), "with the hand one way, and against it the other"),
    ],
)
def test_a_wrong_sign_of_a_grab_is_found(
    tmp_path: Path, source: str, gains: tuple[float, float], found: str
) -> None:
    unit = "m/screen" if source == "touch.drag" else "m/count"
    text = BASE.replace("orbit", "overhead") + "[touch.drag]\ndrag = {}\n" + (
        f'[routes.pull]\nfrom = "{source}"\ndrives = ["pan_x", "pan_y"]\n'
        f'sensitivity = {{ pan_x = "{gains[0]} {unit}", pan_y = "{gains[1]} {unit}" }}\n'
    )  # fmt: skip
    profile = load(tmp_path, text)
    reasons = [reason for _, reason in of(profile, "grab-sign")]
    assert len(reasons) == bool(found)
    assert all(found in reason for reason in reasons)
    for one, gain in zip(mt.tell(profile).controls, gains, strict=True):
        assert f"the ground goes {'with' if gain < 0 else 'against'} the hand" in one.details


@pytest.mark.parametrize("frame", ["world", "subject"])
@pytest.mark.parametrize("face", ["travel", "view"])
@pytest.mark.parametrize("relative", ["camera", "world"])
def test_a_camera_that_circles_is_found_where_it_does(
    tmp_path: Path, frame: str, face: str, relative: str
) -> None:
    more = (f'speed = "1.6 m/s"\nface = "{face}"\nrelative_to = "{relative}"', 'speed = "1.6 m/s"')
    text = BASE.replace('"orbit"', f'"orbit"\nframe = "{frame}"') + WALK.replace(more[1], more[0])
    profile = load(tmp_path, text + '[axes.yaw]\nstart = "40 deg"\n')
    session, turned, before = profile.session(), 0.0, 0.0
    session.feed("key.KeyD", 1.0)
    for _ in range(240):
        heading = session.tick(1 / 60).movement.heading
        turned, before = turned + (heading - before + 180.0) % 360.0 - 180.0, heading
    assert bool(of(profile, "circling")) == (abs(turned) > 500.0)


@pytest.mark.parametrize("frame", ["world", "entry", "subject"])
@pytest.mark.parametrize(
    ("kind", "key"),
    [("orbit", "follow_turn"), ("overhead", "follow"), ("flat", "follow"), ("orbit", "follow")],
)
def test_a_follow_that_changes_no_view_is_found(tmp_path: Path, frame: str, kind: str, key: str) -> None:
    views, found = [], []
    for half_life in ("0 s", "0.3 s"):
        more = f'"{kind}"\nframe = "{frame}"\n{key} = "{half_life}"'
        profile = load(tmp_path, BASE.replace('"orbit"', more))
        found = of(profile, "idle-follow")
        session = profile.session()
        for k in range(30):
            session.tick(1 / 60)
            view = session.view(subject=((0.1 * k, 0.0, -0.2 * k), (0.0, sin(0.02 * k), 0.0, cos(0.02 * k))))
            views.append((*view.position, *view.rotation))
    assert bool(found) == (views[:30] == views[30:])

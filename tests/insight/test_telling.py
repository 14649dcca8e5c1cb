"""Telling: what it says is what the session does."""

from __future__ import annotations

import json
import re
from dataclasses import replace
from math import exp
from pathlib import Path

import pytest
from click.testing import CliRunner
from hypothesis import assume, given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main
from mellow_thumb.insight.controls import quiet_of
from mellow_thumb.insight.plain_words import does
from mellow_thumb.insight.telling import tell
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Condition, Travel
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.session.session import Session

from ..helpers.profiles import data, load
from ..helpers.strategies import held_routes, plans, step_routes


def listening(plan: Plan, when: object) -> Session | None:
    """A session of a plan in which a condition holds, by the buttons of its gate; nothing where it cannot."""
    session = Session(plan, ceiling=9.0)
    if isinstance(when, Condition):
        gate = next(gate for gate in plan.gates if gate.name == when.gate)
        assert gate.buttons
        if when.wanted:
            session.feed(str(gate.buttons.inputs[0]), 1.0)
        if session.tick(0.1).gates[when.gate] != when.wanted:
            return None
    return session


@settings(max_examples=150)
@given(plans(limits=False, smoothings=st.none(), makers=(step_routes, held_routes)))
def test_what_is_told_is_what_a_session_does(plan: Plan) -> None:
    for one in tell(plan).controls:
        route = next(each for each in plan.routes if each.name == one.route)
        alone = replace(plan, routes=(route,))
        buttons = {str(i) for gate in plan.gates if gate.buttons for i in gate.buttons.inputs}
        assume(one.signal.rpartition(".")[0] not in buttons and str(route.source) not in buttons)
        session = listening(alone, route.gate)
        if session is None:
            continue
        part = one.signal.rpartition(".")[2] if route.source.signal.pair else "x"
        name = route.source.signal.name
        rest = route.shape.rest["xy".index(part)]
        if route.source.signal.pair:
            value: object = [
                (1.0 if each == part else 0.0) if not route.source.signal.held
                else (1.0 if each == part else route.shape.rest["xy".index(each)])
                for each in "xy"
            ]  # fmt: skip
        else:
            value = 1.0
        del rest
        if route.source.signal.held and route.source.signal.pair:
            session.feed(name, list(route.shape.rest))
            session.tick(0.1)
        before = session.tick(0.0).axes["yaw_total" if one.axis == "yaw" else one.axis]
        session.feed(name, value)  # type: ignore[arg-type]
        dt = 1 / 1024
        after = session.tick(dt).axes["yaw_total" if one.axis == "yaw" else one.axis]
        moved = (after - before) / (dt if one.effect == "rate" else 1.0)
        assert moved == pytest.approx(one.amount, rel=0.05 if route.turn_boost else 1e-6, abs=1e-9)
        assert one.does.startswith(does(one.axis, moved))


@settings(max_examples=60)
@given(plans(limits=False, smoothings=st.none(), makers=(held_routes,)), st.floats(0.0, 1.0))
def test_what_is_said_to_do_nothing_does_nothing_and_the_rest_something(plan: Plan, share: float) -> None:
    for route in plan.routes:
        if route.source.signal.kind != "deflection" or route.shape.rest != (0.0, 0.0):
            continue
        quiet = quiet_of(route)
        session = Session(replace(plan, routes=(replace(route, gate=None, turn_boost=None),), gates=()))
        value = (share, 0.0) if route.source.width == 2 else share
        session.feed(str(route.source), value)
        before = dict(session.tick(0.0).axes)
        after = dict(session.tick(0.1).axes)
        moved = any(abs(after[name] - before[name]) > 0.0 for name in after)
        if share <= quiet - 1e-6:
            assert not moved
        elif share > max(quiet, 0.05) + 0.05 and not route.shape.curve:
            assert moved


@pytest.mark.parametrize("profile", [scene[0] for scene in marsh.SCENES], ids=lambda path: path.stem)
def test_every_route_gate_and_cue_of_the_marsh_is_told(profile: Path) -> None:
    loaded = mt.load_profile(profile)
    told = mt.tell(loaded)
    assert {one.route for one in told.controls} == {route.name for route in loaded.routes}
    assert set(told.gates) == {gate.name for gate in loaded.gates}
    assert set(told.cues) == {cue.name for cue in loaded.cues}
    text = told.text()
    assert all(one.text() in text for one in told.controls)
    assert len(told.table()) >= len(told.controls)


def test_the_words_are_those_of_a_person() -> None:
    text = CliRunner().invoke(main, ["tell", str(marsh.FOLLOWING)]).output
    assert (
        "right stick right or left -> view turns right or left, up to 200 deg/s; the first 9 % of travel does nothing"
        in text
    )
    assert "stops at -60 and 35 deg" in text
    assert "left stick up or down -> character goes forward or back" in text
    assert "right trigger -> camera comes nearer, up to 44.4 %/s" in text  # 1 / 1.8
    glasses = CliRunner().invoke(main, ["tell", str(marsh.PROFILE)]).output
    line = "right mouse button held: mouse up or down -> view tilts up or down, 0.0159 deg per count; a full turn is 72 cm"
    assert line in glasses
    hide = CliRunner().invoke(main, ["tell", str(marsh.HIDE)]).output
    assert "right stick pushed right or left -> view turns right or left, 30 deg a press" in hide
    scope = CliRunner().invoke(main, ["tell", str(marsh.SCOPE)]).output
    assert (
        "device tilted right or left -> view turns right or left, 1.4 deg per deg; the first 1.5 deg do nothing"
        in scope
    )
    fingers = CliRunner().invoke(main, ["tell", str(marsh.FINGERS)]).output
    assert (
        "fingers apart or together -> view zooms in or out, by the same factor; stops at 0.5 and 4 x"
        in fingers
    )
    chart = CliRunner().invoke(main, ["tell", str(marsh.CHART)]).output
    assert "wheel up or down -> camera comes nearer or moves away, 13 or 15 % per notch" in chart
    assert "stops at 1.5 and 9 m in follow, 8 and 90 m in chart" in chart
    assert "while charting: E or Q held -> view turns right or left, 60 deg/s" in chart


@given(st.sampled_from([scene[0] for scene in marsh.SCENES]))
def test_what_multiplies_is_told_as_it_divides(path: Path) -> None:
    for one in mt.tell(mt.load_profile(path)).controls:
        shares = [
            float(word) for word in re.findall(r"([0-9.]+)(?= or [0-9.]+ %| %(?:/s| per| a press))", one.size)
        ]
        for share, way in zip(shares, (one.amount, -one.amount), strict=False):
            assert share == pytest.approx(100.0 * abs(exp(way) - 1.0), rel=0.01)


def test_a_flipped_axis_is_told_as_it_goes(tmp_path: Path) -> None:
    text = marsh.DYKE.read_text(encoding="utf-8")
    plain = mt.tell(mt.load_profile(marsh.DYKE))
    (tmp_path / "dyke.toml").write_text(
        text.replace('from = "pad.right_stick"', 'from = "pad.right_stick"\ninvert = ["pitch"]')
    )
    flipped = mt.tell(mt.load_profile(tmp_path / "dyke.toml"))
    ups = [next(c for c in told.controls if c.axis == "pitch") for told in (plain, flipped)]
    assert [one.does.partition(",")[0] for one in ups] == ["view tilts up", "view tilts down"]
    assert ups[0].amount == -ups[1].amount
    assert "stops at -50 and 60 deg" in ups[1].text()


def test_turns_are_told_in_the_hosts_axes() -> None:
    told = mt.tell(mt.load_profile(marsh.DYKE), mt.Basis("+x", "+z", "+y"))
    words = {one.axis: one.details[-1] for one in told.controls}
    assert words["yaw"] == "in your axes a negative turn about +z"
    assert words["pitch"] == "in your axes a positive turn about +x"
    done = CliRunner().invoke(main, ["tell", str(marsh.DYKE), "--basis", "+x,+y"])
    assert done.exit_code == 2
    assert 'found "+x,+y"; expected three axes' in done.output
    wrong = CliRunner().invoke(main, ["tell", str(marsh.DYKE), "--basis", "+x,+y,+q"])
    assert wrong.exit_code == 1
    with pytest.raises(mt.ArgumentError, match=r"basis: found 'xyz'; expected one such as mt.Basis"):
        tell(mt.load_profile(marsh.DYKE), "xyz")  # type: ignore[arg-type]


def test_json_says_the_same() -> None:
    done = CliRunner().invoke(main, ["tell", str(marsh.BOARDWALK), "--json"])
    data = json.loads(done.output)
    assert data["unreached"]["pad"] == ["yaw", "pitch", "move_x", "move_y"]
    assert data["cues"]["hop"] == "Space or bottom button pressed"
    assert any(one["hand"] == "W or Arrow Up held" for one in data["controls"])


def test_what_a_character_does_is_told() -> None:
    text = mt.tell(mt.load_profile(marsh.FOLLOWING)).text()
    assert "walks at 1.6 m/s, at full speed after 0.27 s, at rest 0.2 s after letting go" in text
    assert "faces where it goes, where the view looks while left shoulder held, turned at 360 deg/s" in text
    assert "forward is where the head looks" in mt.tell(mt.load_profile(marsh.HIDE)).text()
    assert mt.tell(mt.load_profile(marsh.FINGERS)).walks == ()


@pytest.mark.parametrize(
    ("touch", "words"),
    [
        ("drag = { region = [0.45, 0, 1, 1] }", "landing in the right 55 % of the screen"),
        ("drag = { region = [0, 0, 0.3, 1] }", "landing in the left 30 % of the screen"),
        ("drag = { region = [0, 0, 1, 0.4] }", "landing in the lower 40 % of the screen"),
        ("drag = { region = [0, 0.4, 1, 1] }", "landing in the upper 60 % of the screen"),
        ("drag = { region = [0.2, 0, 0.6, 0.5] }", "landing 20 to 60 % from the left, 0 to 50 % from below"),
        ('drag = { starts_on = "bird" }', "; on bird"),
        ('drag = { after_travel = "0.15 cm" }', "; after 0.15 cm"),
        ('two_finger_drag = { after_travel = "0.02 screen" }', "; after 0.02 screen"),
    ],
)  # fmt: skip
def test_where_and_how_far_fingers_must_go_is_told(tmp_path: Path, touch: str, words: str) -> None:
    text = f"""format = "mellow-thumb profile 1"
[mounts.eye]
kind = "eye"
[touch.look]
{touch}
[routes.look]
from = "touch.look"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/screen"
"""
    assert words in mt.tell(load(tmp_path, text)).text()


PAN = """format = "mellow-thumb profile 1"
[mounts.chart]
kind = "overhead"
[axes]
yaw = { start = "60 deg" }
distance = { start = "20 m", min = "5 m", max = "60 m" }
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
rim = { edge_zone = "mouse.place", margin = { left = "0.04 screen", right = "20 px", up = "0.1 screen" } }
[routes.walk]
from = "steps"
drives = ["pan_x", "pan_y"]
sensitivity = "4 m/s"
[routes.rim]
from = "rim"
drives = ["pan_x", "pan_y"]
sensitivity = "0.5 screen/s"
[touch.drag]
drag = {}
[routes.drag]
from = "touch.drag"
drives = ["pan_x", "pan_y"]
sensitivity = "-40 m/screen"
glide = { half_life = "120 ms" }
"""


@pytest.mark.parametrize("turned", [0, 60, 90, -135, 180])
def test_pans_are_told_as_the_view_has_them(tmp_path: Path, turned: int) -> None:
    profile = load(tmp_path, PAN, ("60 deg", f"{turned} deg")) if turned != 60 else load(tmp_path, PAN)
    lines = mt.tell(profile).text().splitlines()
    assert "  D or A held -> view pans right or left, 4 m/s" in lines
    assert "  W or S held -> view pans forward or back, 4 m/s" in lines
    begun = "  drag right or left -> view pans left or right, 40 m per screen; "
    assert next(line for line in lines if "drag right" in line).startswith(begun)
    # and so a session has it: where the camera goes, seen from where it looks
    session = profile.session()
    before = session.view()
    session.feed("key.KeyD", 1.0)
    session.tick(0.25)
    after = session.view()
    across = [a - b for a, b in zip(after.position, before.position, strict=True)]
    right = [row[0] for row in before.pose_matrix()[:3]]
    assert sum(a * b for a, b in zip(across, right, strict=True)) == pytest.approx(1.0)


def test_the_sides_and_the_ramp_of_an_edge_are_told(tmp_path: Path) -> None:
    text = mt.tell(load(tmp_path, PAN)).text()
    deep = "from within 0.04 screen of the left one and 20 px of the right one, full at the edge"
    assert f"pointer at the right or left edge -> view pans right or left, 0.5 screen/s; {deep}" in text
    assert (
        "pointer at the upper edge -> view pans forward, 0.5 screen/s; from within 0.1 screen of it" in text
    )
    below = load(tmp_path, PAN, ('up = "0.1', 'down = "0.1'))
    assert "pointer at the lower edge -> view pans back, 0.5 screen/s" in mt.tell(below).text()


@pytest.mark.parametrize("speed", [0.3, 1.0, 2.5, -1.5])
def test_a_flick_runs_on_as_far_as_it_is_told(tmp_path: Path, speed: float) -> None:
    profile = load(
        tmp_path, PAN, ("[axes]\nyaw", '[axes]\npan_x = { start = "1 m" }\nyaw'), ("60 deg", "0 deg")
    )
    told = next(one for one in mt.tell(profile).controls if one.route == "drag" and one.axis == "pan_x")
    (words,) = [one for one in told.details if one.startswith("a flick")]
    far, half = (float(one) / 1000.0 for one in re.findall(r"([0-9.]+) ms", words))
    session, place = Session(profile, ceiling=9.0), 0.5
    session.set_screen(1000.0, 1000.0, pixels_per_cm=50.0)
    session.touch(1, "down", (place, 0.5), at=0.0)
    for k in range(1, 13):
        place = 0.5 - speed * k / 64
        session.touch(1, "move", (place, 0.5), at=k / 64)
    session.touch(1, "up", (place, 0.5), at=k / 64)
    lifted = session.tick(to=k / 64 + 1e-9).axes["pan_x"]
    halfway = session.tick(to=k / 64 + half).axes["pan_x"] - lifted
    ran = session.tick(to=k / 64 + 5.0).axes["pan_x"] - lifted
    assert ran == pytest.approx(40.0 * speed * far, rel=0.01)
    assert halfway == pytest.approx(0.5 * ran, rel=0.01)


def test_what_the_camera_does_by_itself_is_told(tmp_path: Path) -> None:
    told = mt.tell(load(tmp_path, data("behind_the_walk.toml")))
    assert told.returns == (
        "follow goes back behind the walk: 2 s after a hand last turned it, while the character walks; half of what is "
        "left every 0.6 s",
    )
    assert f"the camera\n  {told.returns[0]}" in told.text()
    back = mt.tell(
        load(
            tmp_path,
            PAN,
            ('yaw = { start = "60 deg" }', 'yaw = { return = "2 s" }'),
            ('"pan_x", "pan_y"]\nsensitivity = "4 m/s"', '"yaw", "roll"]\nsensitivity = "4 deg/s"'),
        )
    )
    assert "goes back to 0 deg by itself, half of the way every 2 s" in back.text()


def test_ends_are_told_of_the_mounts_in_which_a_control_acts() -> None:
    looks = [one for one in mt.tell(mt.load_profile(marsh.CHART)).controls if one.route == "look"]
    assert [one.ends for one in looks] == [{"follow": (None, None)}, {"follow": (-60.0, 35.0)}]
    (reel,) = (one for one in mt.tell(mt.load_profile(marsh.CHART)).controls if one.route == "reel")
    assert reel.ends == {"follow": (1.5, 9.0), "chart": (8.0, 90.0)}


def test_a_control_says_in_which_mounts_it_does_nothing(tmp_path: Path) -> None:
    text = """format = "mellow-thumb profile 1"
mount = "eye"
[gates]
far = { toggle = "key.KeyF" }
chart = { toggle = "key.KeyM" }
[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.05 deg/count"
[routes.reel]
from = "mouse.wheel.y"
drives = "distance"
sensitivity = "-12 %/notch"
[axes]
distance = { start = "4 m", min = "1.5 m", max = "12 m" }
[mounts.eye]
kind = "eye"
[mounts.behind]
kind = "orbit"
gate = "far"
[mounts.chart]
kind = "flat"
gate = "chart"
"""
    across, up, reel = mt.tell(load(tmp_path, text)).controls
    assert "only in eye and behind" in across.details
    assert "only in eye and behind" in up.details
    assert "only in behind" in reel.details
    (gated,) = (
        one
        for one in mt.tell(load(tmp_path, text, ('"-12 %/notch"', '"-12 %/notch"\ngate = "far"'))).controls
        if one.route == "reel"
    )
    assert gated.details == ("stops at 1.5 and 12 m",)  # while far there is no other mount


@pytest.mark.parametrize(
    ("mount", "words"),
    [
        ('kind = "eye"', ""),
        ('kind = "eye"\nturns = "head"', " from where the subject faces"),
        ('kind = "orbit"\nframe = "subject"', " from where the subject faces"),
        ('kind = "orbit"\nframe = "entry"', " from where the subject faced as the mount took over"),
        ('kind = "orbit"\nframe = "target"', " from the way to the target"),
    ],
)
def test_limits_are_told_from_what_they_are_measured_from(tmp_path: Path, mount: str, words: str) -> None:
    around = "subject" if words else "start"
    text = f"""format = "mellow-thumb profile 1"
[routes.look]
from = "mouse.move.x"
drives = "yaw"
sensitivity = "0.1 deg/count"
[axes]
yaw = {{ min = "-85 deg", max = "85 deg", around = "{around}" }}
distance = {{ start = "4 m" }}
[mounts.one]
{mount}
"""
    (look,) = mt.tell(load(tmp_path, text)).controls
    assert f"stops at -85 and 85 deg{words}" in look.details


def test_a_finger_that_grabs_is_told_where_it_lands_and_how_far_it_goes() -> None:
    (grab,) = (one for one in mt.tell(mt.load_profile(marsh.FINGERS)).controls if one.effect == "pin")
    assert grab.text().startswith(
        "touch held: finger moved -> what is under it stays under it; after 0.01 screen"
    )


@pytest.mark.parametrize(
    ("gate", "words"),
    [
        ('"menu"', "while menu"),
        ('["menu", "aiming"]', "while menu and right mouse button held"),
        ('["aiming", "not menu"]', "right mouse button held and not menu"),
        ('{ any = ["menu", "chart"] }', "while menu or chart"),
        ('["not menu", "not chart"]', "unless menu or chart"),
        ('["chart", "menu"]', "while chart and menu"),
    ],
)
def test_when_a_route_listens_is_said_by_gates_and_by_what_is_held(
    tmp_path: Path, gate: str, words: str
) -> None:
    text = f"""format = "mellow-thumb profile 1"
[gates]
menu = {{ flag = "menu" }}
chart = {{ toggle = "key.KeyM" }}
aiming = {{ hold = "mouse.right" }}
[routes.look]
from = "mouse.move.x"
drives = "yaw"
sensitivity = "0.1 deg/count"
gate = {gate}
[mounts.eye]
kind = "eye"
"""
    (look,) = mt.tell(load(tmp_path, text)).controls
    assert look.when == words


@settings(max_examples=25)
@given(st.sampled_from([0.1, 0.2, 0.25, 0.5]), st.sampled_from([3.0, 12.0]), st.sampled_from([0.4, 0.8]))
def test_what_is_told_of_a_cue_is_when_it_is_given(within: float, far: float, long: float) -> None:
    mouse, key = find_signal("mouse.left"), find_signal("key.KeyF")
    move = Travel(find_signal("mouse.move"), far)
    cues = (
        Cue("pick", Buttons((mouse,)), "tap", within=within, travel=move, cooldown=long),
        Cue("call", Buttons((key,)), "long_press", after=long),
    )
    axes = (Axis("yaw"), Axis("pitch"), Axis("roll"))
    plan = Plan((), (), axes, Eye("eye"), cues=cues)
    told = tell(plan).cues
    limits = f"within {within:g} s, moved by {far:g} counts at most, not again within {long:g} s"
    assert told["pick"] == f"left mouse button tapped ({limits})"
    assert told["call"] == f"F long-pressed (for {long:g} s)"

    def given(signal: str, seconds: float, moved: float = 0.0) -> int:
        session = Session(plan, ceiling=9.0)
        session.tick(0.1)
        session.feed(signal, 1.0, at=0.1)
        session.feed("mouse.move", (moved, 0.0), at=0.1 + 0.5 * seconds)
        session.feed(signal, 0.0, at=0.1 + seconds)
        return sum(session.tick(2.0).cues.values())

    assert [given("mouse.left", share * within) for share in (0.95, 1.05)] == [1, 0]
    assert [given("mouse.left", 0.5 * within, share * far) for share in (0.95, 1.05)] == [1, 0]
    assert [given("key.KeyF", share * long) for share in (0.95, 1.05)] == [0, 1]


@pytest.mark.parametrize(
    ("gate", "drives", "done"),
    [
        ('gate = "map"', "yaw", "nothing: chart does not use yaw"),
        ('gate = ["map", "not map"]', "yaw", "nothing: its gates are never open together"),
        ("", "yaw", "view turns right or left, 0.05 deg per count; only in eye"),
        ("", "lean_y", "view rises or sinks, 0.05 m per count; only in eye"),
        ("", "roll", "view's right side goes down or up, 0.05 deg per count; only in eye"),
        ("", "distance", "distance goes up or down, 0.05 m per count; stops at 1.5 and 12 m; no camera shows it: it is for your game"),
    ],
)  # fmt: skip
def test_what_does_nothing_says_why(tmp_path: Path, gate: str, drives: str, done: str) -> None:
    unit = "m/count" if drives in ("lean_y", "distance") else "deg/count"
    text = f"""format = "mellow-thumb profile 1"
mount = "eye"
[gates]
map = {{ toggle = "key.KeyM" }}
[routes.look]
from = "mouse.move.x"
drives = "{drives}"
sensitivity = "0.05 {unit}"
{gate}
[axes]
distance = {{ start = "4 m", min = "1.5 m", max = "12 m" }}
[mounts.eye]
kind = "eye"
[mounts.chart]
kind = "flat"
gate = "map"
"""
    profile = load(tmp_path, text)
    (look,) = mt.tell(profile).controls
    assert look.text().partition(" -> ")[2] == done
    found = [one.reason for one in mt.check(profile) if one.code == "unused-axis"]
    idle = done.startswith("nothing: ")
    assert found == ([f"look does nothing: {done[9:]}"] if idle else found[: drives == "distance"])
    session, moved = profile.session(), []
    for down in (1.0, 0.0):
        session.feed("key.KeyM", down)
        session.tick(0.5)
        before = dict(session.tick(0.0).axes)
        session.feed("mouse.move", (4.0, 0.0))
        moved.append(dict(session.tick(0.5).axes) != before)
    assert not (idle and any(moved))

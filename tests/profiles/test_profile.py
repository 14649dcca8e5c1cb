"""Profiles: what is read, and what is said of a wrong one."""

from __future__ import annotations

from math import log1p
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb import ProfileError, load_profile
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.gates import Condition
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.steps import DeadZone, Exponential, SpeedGain, Spring, TurnBoost
from mellow_thumb.plan.steps.curves import Points
from mellow_thumb.plan.steps.shape import Shape
from mellow_thumb.profiles.forms import keys
from mellow_thumb.profiles.whole import TABLES

from ..helpers.profiles import data, load, problems, refused_for

GOOD = data("good.toml")


def test_everything_a_profile_says_arrives(tmp_path: Path) -> None:
    profile = load(tmp_path, GOOD)
    (route,) = profile.routes
    assert route.gains == (0.05, -360.0 / (72 * 315))
    assert (str(route.gate), route.smoothing, route.drives) == (
        "not glassing",
        Exponential(0.02),
        ("yaw", "pitch"),
    )
    buttons = profile.gates[0].buttons
    assert buttons
    assert [str(address) for address in buttons.inputs] == ["mouse.right", "mouse.middle"]
    yaw, pitch, roll = profile.axes
    assert (yaw.low, yaw.start, yaw.high, yaw.wraps) == (-60.0, 30.0, 75.0, False)
    assert (pitch.low, pitch.start, pitch.high) == (-60.0, 5.0, 70.0)
    assert profile.mount == Eye("eye", 1.65)
    assert not roll.limited


def test_invert_flips_exactly_what_it_names(tmp_path: Path) -> None:
    with_it, without = load(tmp_path, GOOD), load(tmp_path, GOOD.replace('invert = "pitch"\n', ""))
    for profile, sign in ((with_it, -1.0), (without, 1.0)):
        session = profile.session()
        session.feed("mouse.move", (10.0, 10.0), at=0.0)
        for _ in range(50):
            axes = session.tick(0.05).axes
        assert axes["yaw"] == pytest.approx(30.5)
        assert axes["pitch"] == pytest.approx(5.0 + sign * 3600.0 / (72 * 315))


WRONG = [
    ('mount = "eye"', 'mount = "eyes"', '2: mount: found "eyes"; expected a name in [mounts]: eye'),
    ('mount = "eye"', 'mount = "eye"\ntilte = "x"', "3: tilte: found an unknown key; expected format, title, mount, "
     "mouse, cursor, hands, gates, signals, cues, routes, axes, movement, touch, offers, allow or mounts; did you mean title?"),
    ("315", '"fast"', '5: mouse.counts_per_cm: found "fast"; expected a number'),
    ("315", "-1", "5: mouse.counts_per_cm: found -1; expected greater than 0"),
    ("counts_per_cm = 315", "", '13: routes.look.sensitivity.pitch: found "72 cm/turn" without a scale; expected [mouse] '
     "with counts_per_cm (counts an inch / 2.54: 800 gives 315)"),
    ('"mouse.middle"]', '"mouse.midle"]', '8: gates.glassing.hold.1: found "mouse.midle"; expected a signal, or '
     "a name in [signals]; did you mean mouse.middle?"),
    ('"mouse.middle"]', '"mouse.move"]', "8: gates.glassing.hold.1: found mouse.move, a displacement; expected a switch, "
     "or a stick or a trigger: something that is held"),
    ('from = "mouse.move"', 'from = "mouse.right"', "12: routes.look.drives: found 2 for mouse.right, which is one value; "
     "expected one axis"),
    ('from = "mouse.move"', 'form = "mouse.move"', "10: routes.look: found no from; expected from = \"mouse.move\""),
    ('["yaw", "pitch"]\n', '"yaw"\n', "12: routes.look.drives: found 1 for mouse.move, which is a pair, x and y; "
     "expected two axes, x first; or take one component: mouse.move.x"),
    ('["yaw", "pitch"]\n', '["yaw", "pich"]\n', '12: routes.look.drives: found "pich"; expected an axis: yaw, pitch, roll, '
     "distance, zoom, lean_x, lean_y, pan_x, pan_y, move_x or move_y, or one of your own in [axes]; did you mean pitch?"),
    ("0.05 deg/count", "0.05 deg/s", '13: routes.look.sensitivity.yaw: found "0.05 deg/s"; expected deg/count or cm/turn. '
     "mouse.move is a displacement: it already says how far the hand moved, so deg/s would make the turn depend on the "
     "frame rate"),
    ("0.05 deg/count", "0.05 deg/cuont", '13: routes.look.sensitivity.yaw: found "0.05 deg/cuont"; expected deg/count or '
     "cm/turn; did you mean deg/count?"),
    ("0.05 deg/count", "0 deg/count", '13: routes.look.sensitivity.yaw: found "0 deg/count"; expected 1e-09 to '
     "1e+06, or the same negative"),
    ('"0.05 deg/count"', "0.05", "13: routes.look.sensitivity.yaw: found 0.05; expected a number and its unit in quotes, such "
     'as "0.05 deg/count"'),
    ('invert = "pitch"', 'invert = "roll"', '14: routes.look.invert: found "roll"; expected an axis that it drives: yaw or '
     "pitch"),
    ("not glassing", "not glasing", '15: routes.look.gate: found "glasing"; expected a gate: glassing'),
    ('"20 ms"', '"20"', '16: routes.look.smoothing.half_life: found "20" without a unit; expected a number and its unit, '
     'such as "20 ms"'),
    ('"20 ms"', '"0 ms"', '16: routes.look.smoothing.half_life: found 0 s; expected above 0 to 60 s'),
    ("half_life", "half_live", "16: routes.look.smoothing.half_live: found an unknown key; expected half_life, spring, "
     "one_euro or slow_fast; did you mean half_life?"),
    ("-60 deg", "80 deg", "19: axes.pitch.min: min 80 deg is not below max 70 deg"),
    ('start = "5 deg"', 'start = "75 deg"', "19: axes.pitch.start: start 75 deg is outside -60 to 70 deg"),
    (', around = "start"', "", '20: axes.yaw: found a yaw with limits; expected around = "start": what they are measured '
     "from"),
    ('around = "start"', 'around = "strat"', '20: axes.yaw.around: found "strat"; expected "start" or "subject"; did you mean start?'),
    ('kind = "eye"', 'kind = "eyes"', '23: mounts.eye.kind: found "eyes"; expected "eye", "orbit", "overhead", "flat" or "headset"; did you mean eye?'),
    ("profile 1", "profile 2", '1: format: found "mellow-thumb profile 2"; expected "mellow-thumb profile 1"'),
    ("[routes.look]", '"look\\u001bing" = { toggle = "key.KeyL" }\n[routes.look]', "7: gates: found the name 'look\\x1bing'; "
     "expected a name without control characters"),
    ('mount = "eye"', 'title = "Out\\u0007 there"\nmount = "eye"', "2: title: found 'Out\\x07 there'; expected text without "
     "control characters"),
    ("[mouse]", "[mouse", "4: found something else at column 7; expected ']' at the end of a table declaration"),
]  # fmt: skip


@pytest.mark.parametrize(("right", "wrong", "said"), WRONG)
def test_a_wrong_profile_is_refused_with_its_place_and_a_way_out(
    tmp_path: Path, right: str, wrong: str, said: str
) -> None:
    assert said in problems(tmp_path, GOOD, (right, wrong))


def test_every_problem_is_said_at_once_in_the_order_of_lines(tmp_path: Path) -> None:
    changes = [WRONG[k][:2] for k in (1, 5, 10, 11, 15, 16, 18, 22)]
    lines = [int(problem.partition(":")[0]) for problem in problems(tmp_path, GOOD, *changes)]
    assert len(lines) >= 7
    assert lines == sorted(lines)


def test_a_file_that_is_not_there_names_the_one_that_is(tmp_path: Path) -> None:
    load(tmp_path, GOOD)
    with pytest.raises(ProfileError, match=r"marhs.toml: no such file; did you mean marsh.toml\?"):
        load_profile(tmp_path / "marhs.toml")
    (tmp_path / "hide.csv").write_text("t,signal,value\n", encoding="utf-8")
    with pytest.raises(ProfileError, match=r"hide.csv: found the suffix .* expected a profile: NAME.toml"):
        load_profile(tmp_path / "hide.csv")
    with pytest.raises(ProfileError, match="found a folder"):
        load_profile(tmp_path)
    (tmp_path / "bytes.toml").write_bytes(b'title = "ok"\nmount = "\xff"')
    with pytest.raises(ProfileError, match=r"bytes.toml:2: found the byte 0xff; expected UTF-8 text"):
        load_profile(tmp_path / "bytes.toml")


def leaves(value: object) -> list[object]:
    if isinstance(value, dict):
        return [leaf for one in value.values() for leaf in leaves(one)]
    return [value]


json_like = st.recursive(
    st.none() | st.booleans() | st.integers(-5, 5) | st.floats(allow_nan=False) | st.sampled_from(["yaw", "mouse.move", "eye", ""]),
    lambda inner: st.lists(inner, max_size=3) | st.dictionaries(st.sampled_from([k for f in TABLES.values() for k in keys(f)]), inner, max_size=4),
    max_leaves=12,
)  # fmt: skip


@given(st.dictionaries(st.sampled_from([*keys(TABLES[""]), "tide"]), json_like, max_size=6))
def test_any_data_at_all_ends_in_a_profile_or_in_problems(data: dict[str, object]) -> None:
    from mellow_thumb.profiles.whole import resolve

    plan, _, _, faults = resolve({"format": "mellow-thumb profile 1"} | data)
    assert (plan is None) == bool(faults)


@given(st.text(max_size=200) | st.binary(max_size=200))
def test_any_text_at_all_is_refused_without_a_traceback(
    tmp_path_factory: pytest.TempPathFactory, text: str | bytes
) -> None:
    file = tmp_path_factory.getbasetemp() / "any.toml"
    file.write_bytes(text.encode("utf-8", "surrogatepass") if isinstance(text, str) else text)
    with pytest.raises(ProfileError):
        load_profile(file)


def test_deep_nesting_is_refused(tmp_path: Path) -> None:
    assert "nested very deeply" in problems(tmp_path, "x = " + "[" * 100_000)[0]


RICH = data("conditioned.toml")


def test_every_conditioning_arrives(tmp_path: Path) -> None:
    profile = load(tmp_path, RICH)
    routes = {route.name: route for route in profile.routes}
    axes = {axis.name: axis for axis in profile.axes}
    assert routes["hand"].speed_gain == SpeedGain(500.0, 6000.0, 0.6)
    assert (routes["hand"].with_zoom, routes["hand"].scales) == (True, ((Condition("glassing"), 0.5),))
    stick = routes["stick"]
    zone, curve = DeadZone("wedge", 0.12, 0.95, 0.2), Points(((0.5, 0.15), (0.8, 0.5)))
    assert stick.shape == Shape((0.03, -0.02), "square", zone, curve)
    assert (stick.turn_boost, stick.gains, stick.effect) == (
        TurnBoost(0.97, 0.5, 0.4),
        (220.0, -140.0),
        "rate",
    )
    assert (routes["lean"].effect, routes["lean"].smoothing, routes["lean"].gains) == (
        "offset",
        Spring(0.08),
        (12.0,),
    )
    assert routes["near"].gains == (-log1p(0.12),)
    assert routes["tide"].gains == (0.2,)
    assert axes["distance"] == Axis("distance", 4.0, 1.5, 12.0, "m", log=True)
    assert axes["zoom"] == Axis("zoom", 1.0, 1.0, 8.0, "x", log=True, rest=1.0, smoothing=Spring(0.06))
    assert axes["water"] == Axis("water", 0.5, 0.0, 2.0, "m", rest=0.5, return_half_life=2.0)
    assert isinstance(profile.mount, Eye)
    assert profile.mount.field_of_view == 70.0


MISTAKES = [
    ('max = "70 deg"', "max = 70", 'axes.pitch.max: found 70; expected a number and its unit in quotes, such as "70 deg"'),
    ('"15 %/notch"', '"2 m/notch"', 'sensitivity: found "2 m/notch"; expected %/notch'),
    ('"12 deg"', '"12 deg/count"', "expected deg/s or deg. pad.left_trigger is held, and says nothing of how far"),
    ('"-12 %/notch"', '"1 m/s"', "so m/s would make the turn depend on the frame rate"),
    ('"500 count/s"', '"500"', 'speed_gain.slow: found "500" without a unit; expected a number and its unit, such as "500 count/s"'),
    ('"500 count/s"', '"500 px/s"', 'speed_gain.slow: found "500 px/s"; expected a speed such as "500 count/s"'),
    ('"zoom"\n[', '"zom"\n[', 'scale_with: found "zom"; expected "zoom"'),
    ('{ half_life = "35 ms" }', '{ half_life = "35 ms", spring = "3 ms" }', "smoothing: found half_life and spring; expected one of"),
    ('{ half_life = "35 ms" }', "{}", "smoothing: found nothing; expected one of half_life, spring, one_euro or slow_fast"),
    ('{ half_life = "35 ms" }', '{ spring = "35 ms" }', "found a turn_boost with another smoothing; expected half_life, or none"),
    ("[[0.5, 0.15], [0.8, 0.5]]", "[[0.5, 0.7], [0.8, 0.5]]", "points: found (0.8, 0.5) after (0.5, 0.7); expected both to rise"),
    ("[[0.5, 0.15], [0.8, 0.5]]", "[[0.5], 3]", "curve.points: found [[0.5], 3]; expected points [travel, effect]"),
    ("inner = 0.12", "inner = 0.99", "dead_zone: found 0.99 to 0.95; expected inner below outer, 0 to 1"),
    ('shape = "wedge"', 'shape = "wege"', 'expected "radial", "axial" or "wedge"; did you mean wedge?'),
    ("[0.03, -0.02]", "[0.03, 2]", "rest: found [0.03, 2]; expected a number from -0.9 to 0.9, or [x, y]"),
    ('zoom = { min = "1 x",', "zoom = {", "axes.zoom: found no min; expected min above 0: zoom multiplies"),
    ('start = "4 m", ', "", 'axes.distance: found no start; expected start = "4 m"'),
    ('"150 cm"', '"150 deg"', 'axes.distance.min: found "150 deg"; expected a number of m or cm'),
    ('unit = "m", min = "0 m"', 'min = "0 m"', "axes.water: found an axis of your own without a unit"),
    ('from = "key.KeyQ"', 'from = "mouse.place.x"', "from: found mouse.place.x, a place; expected something that moves or is held"),
    ('from = "key.KeyQ"', 'from = "key.Q"', 'from: found "key.Q"; expected a signal, or a name in [signals]; did you mean key.KeyQ?'),
    ('"20 cm/s"', '"20 cm"', 'sensitivity: found "20 cm"; expected m/s, cm/s or %/s'),
    ('"key.KeyQ"\ndrives = "water"\nsensitivity = "20 cm/s"', '"pad.right_stick.x"\ndrives = "yaw"\nsensitivity = "2 deg/s"', "expected gates that exclude each other, or add = true"),
    ('"20 cm/s"', '"20 cm/s"\nsmoothing = { half_life = "1 s" }', "routes.tide.smoothing: axis water returns to rest: smooth the axis, not route tide"),
    ('"15 %/notch"', '"15 %/notch"\nsmoothing = { half_life = "1 s" }', "routes.magnify.smoothing: route magnify and axis zoom both have smoothing; remove one"),
    ('{ yaw = "220 deg/s", pitch = "-140 deg/s" }', '{ yaw = "220 deg/s", pitch = "14 deg" }', "found a rate and an offset"),
    ('"12 deg"', '"12 deg"\ncurve = { power = 99 }', "power: found 99; expected 0.1 to 10"),
]  # fmt: skip


@pytest.mark.parametrize(("right", "wrong", "said"), MISTAKES)
def test_a_mistake_in_conditioning_is_said_in_the_programmers_terms(
    tmp_path: Path, right: str, wrong: str, said: str
) -> None:
    assert said in refused_for(tmp_path, RICH, (right, wrong))


def test_a_distance_multiplies_or_adds_but_not_both(tmp_path: Path) -> None:
    more = '\n[routes.step]\nfrom = "key.KeyR"\ndrives = "distance"\nsensitivity = "1 m/s"\n'
    assert "one way: distance multiplies or it adds" in refused_for(tmp_path, RICH + more)


def test_one_signal_twice_is_allowed_when_it_is_meant(tmp_path: Path) -> None:
    twice = RICH.replace('"key.KeyQ"\ndrives = "water"\nsensitivity = "20 cm/s"',
                         '"pad.right_stick.x"\ndrives = "yaw"\nsensitivity = "20 deg/s"\nadd = true')  # fmt: skip
    assert len(load(tmp_path, twice).routes) == 6


def test_what_is_wrong_is_placed_by_its_path_whatever_things_are_called(tmp_path: Path) -> None:
    text = """
format = "mellow-thumb profile 1"
mount = "eye"
[routes.easing]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.05 deg/count"
[routes.look]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/s"
scale_with = "zoom"
[routes.zoom]
from = "pad.left_stick.x"
drives = "roll"
sensitivity = "9 deg/s"
[mounts.eye]
kind = "eye"
"""
    without = "found scale_with zoom; expected an axis zoom: a route that drives it"
    assert problems(tmp_path, text) == [f"12: routes.look.scale_with: {without}"]
    eased = 'scale_with = "zoom"', '[axes.pitch]\nsmoothing = { half_life = "40 ms" }'
    both = text.replace("[routes.zoom]", "[routes.found]").replace(
        'count"\n', 'count"\nsmoothing = { half_life = "9 ms" }\n'
    )
    assert problems(tmp_path, both, eased) == [
        "8: routes.easing.smoothing: route easing and axis pitch both have smoothing; remove one"
    ]


def test_a_profile_with_one_mount_need_not_name_it(tmp_path: Path) -> None:
    profile = load(tmp_path, GOOD, ('mount = "eye"\n', ""))
    assert profile == load(tmp_path, GOOD)
    two = GOOD + '\n[mounts.chart]\nkind = "flat"\ngate = "glassing"\n'
    assert load(tmp_path, two).mount.name == "eye"
    said = '25: mounts.chart: several mounts, but no default; add mount = "eye" at the top of the file'
    assert said in refused_for(tmp_path, two, ('mount = "eye"\n', ""))

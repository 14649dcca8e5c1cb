"""Profiles: what is read, and what is said of a wrong one."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb import Profile, ProfileError, load_profile
from mellow_thumb.profile_form import TABLES, keys
from mellow_thumb.smoothings import Exponential

GOOD = """\
format = "mellow-thumb profile 1"
mount = "eye"

[mouse]
counts_per_cm = 315

[gates]
glassing = { hold = ["mouse.right", "mouse.middle"] }

[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = { yaw = "0.05 deg/count", pitch = "72 cm/turn" }
invert = "pitch"
gate = "not glassing"
smoothing = { half_life = "20 ms" }

[axes]
pitch = { min = "-60 deg", max = "70 deg", start = "5 deg" }
yaw = { min = "-90 deg", max = "45 deg", start = "30 deg", around = "start" }

[mounts.eye]
kind = "eye"
height = "165 cm"
"""


def load(folder: Path, text: str) -> Profile:
    file = folder / "marsh.toml"
    file.write_text(text, encoding="utf-8")
    return load_profile(file)


def refused(folder: Path, text: str) -> list[str]:
    """The problems of a wrong profile, each without the folder."""
    with pytest.raises(ProfileError) as caught:
        load(folder, text)
    return [str(problem).removeprefix(f"{folder}/") for problem in caught.value.problems]


def test_everything_a_profile_says_arrives(tmp_path: Path) -> None:
    profile = load(tmp_path, GOOD)
    (route,) = profile.routes
    assert route.gains == (0.05, -360.0 / (72 * 315))
    assert (str(route.gate), route.smoothing, route.drives) == (
        "not glassing",
        Exponential(0.02),
        ("yaw", "pitch"),
    )
    assert [str(address) for address in profile.gates[0].hold] == ["mouse.right", "mouse.middle"]
    yaw, pitch, roll = profile.axes
    assert (yaw.low, yaw.start, yaw.high, yaw.wraps) == (-60.0, 30.0, 75.0, False)
    assert (pitch.low, pitch.start, pitch.high) == (-60.0, 5.0, 70.0)
    assert (roll.limited, profile.mount.height) == (False, 1.65)


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
    ('mount = "eye"', 'mount = "eyes"', '2: mount: found "eyes"; expected a name in [mounts]: eye; did you mean eye?'),
    ('mount = "eye"', 'mount = "eye"\ntilte = "x"', "3: tilte: found an unknown key; expected format, title, mount, "
     "mouse, gates, routes, axes or mounts; did you mean title?"),
    ("315", '"fast"', '5: mouse.counts_per_cm: found "fast"; expected a number'),
    ("315", "-1", "5: mouse.counts_per_cm: found -1; expected greater than 0"),
    ("counts_per_cm = 315", "", '13: routes.look.sensitivity.pitch: found "72 cm/turn" without a scale; expected [mouse] '
     "with counts_per_cm (counts an inch / 2.54: 800 gives 315)"),
    ('"mouse.middle"]', '"mouse.midle"]', '8: gates.glassing.hold.1: found "mouse.midle"; expected a signal of the '
     "catalogue; did you mean mouse.middle?"),
    ('"mouse.middle"]', '"mouse.move"]', "8: gates.glassing.hold.1: found mouse.move, a displacement; expected a switch: "
     "something that is held or not"),
    ('from = "mouse.move"', 'from = "mouse.right"', "12: routes.look.drives: found 2 for mouse.right, which is one value; "
     "expected one axis"),
    ('from = "mouse.move"', 'form = "mouse.move"', "10: routes.look: found no from; expected from = \"mouse.move\""),
    ('["yaw", "pitch"]\n', '"yaw"\n', "12: routes.look.drives: found 1 for mouse.move, which is a pair, x and y; "
     "expected two axes, x first; or take one component: mouse.move.x"),
    ('["yaw", "pitch"]\n', '["yaw", "pich"]\n', '12: routes.look.drives: found "pich"; expected an axis: yaw, pitch, roll, '
     "distance, zoom, pan_x, pan_y, move_x or move_y, or one of your own in [axes]; did you mean pitch?"),
    ("0.05 deg/count", "0.05 deg/s", '13: routes.look.sensitivity.yaw: found "0.05 deg/s"; expected deg/count or cm/turn. '
     "mouse.move is a displacement: it already says how far the hand moved, so deg/s would make the turn depend on the "
     "frame rate"),
    ("0.05 deg/count", "0.05 deg/cuont", '13: routes.look.sensitivity.yaw: found "0.05 deg/cuont"; expected deg/count or '
     "cm/turn; did you mean deg/count?"),
    ("0.05 deg/count", "0 deg/count", '13: routes.look.sensitivity.yaw: found "0 deg/count"; expected 1e-09 to '
     "1e+06, or the same negative"),
    ('"0.05 deg/count"', "0.05", "13: routes.look.sensitivity: found 0.05; expected a number and its unit in quotes, such "
     'as "0.05 deg/count"'),
    ('invert = "pitch"', 'invert = "roll"', '14: routes.look.invert: found "roll"; expected an axis that it drives: yaw or '
     "pitch"),
    ("not glassing", "not glasing", '15: routes.look.gate: found "glasing"; expected a gate: glassing; did you mean '
     "glassing?"),
    ('"20 ms"', '"20"', '16: routes.look.smoothing.half_life: found "20" without a unit; expected a number and its unit, '
     'such as "20 s"'),
    ('"20 ms"', '"0 ms"', '16: routes.look.smoothing.half_life: found 0 s; expected above 0 to 60 s'),
    ("half_life", "half_live", "16: routes.look.smoothing.half_live: found an unknown key; expected half_life, spring, "
     "one_euro or slow_fast; did you mean half_life?"),
    ("-60 deg", "80 deg", "19: axes.pitch.min: found min 80 deg is not below max 70 deg"),
    ('start = "5 deg"', 'start = "75 deg"', "19: axes.pitch.start: found start 75 deg is outside -60 to 70 deg"),
    (', around = "start"', "", '20: axes.yaw: found a yaw with limits; expected around = "start": what they are measured '
     "from"),
    ('around = "start"', 'around = "strat"', '20: axes.yaw.around: found "strat"; expected "start"; did you mean start?'),
    ('kind = "eye"', 'kind = "orbit"', '23: mounts.eye.kind: found "orbit"; expected "eye"'),
    ("profile 1", "profile 2", '1: format: found "mellow-thumb profile 2"; expected "mellow-thumb profile 1"; did you mean '
     "mellow-thumb profile 1?"),
    ("[mouse]", "[mouse", "4: found expected ']' at the end of a table declaration, column 7; expected TOML 1.0"),
]  # fmt: skip


@pytest.mark.parametrize(("right", "wrong", "said"), WRONG)
def test_a_wrong_profile_is_refused_with_its_place_and_a_way_out(
    tmp_path: Path, right: str, wrong: str, said: str
) -> None:
    assert right in GOOD
    assert f"marsh.toml:{said}" in refused(tmp_path, GOOD.replace(right, wrong, 1))


def test_every_problem_is_said_at_once_in_the_order_of_lines(tmp_path: Path) -> None:
    text = GOOD
    for right, wrong, _ in (WRONG[1], WRONG[5], WRONG[10], WRONG[15], WRONG[16], WRONG[18], WRONG[22]):
        text = text.replace(right, wrong, 1)
    lines = [int(problem.split(":")[1]) for problem in refused(tmp_path, text)]
    assert len(lines) >= 7
    assert lines == sorted(lines)


def test_a_file_that_is_not_there_names_the_one_that_is(tmp_path: Path) -> None:
    load(tmp_path, GOOD)
    with pytest.raises(ProfileError, match=r"marhs.toml: found no such file; did you mean marsh.toml\?"):
        load_profile(tmp_path / "marhs.toml")
    with pytest.raises(ProfileError, match="is a directory"):
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
    from mellow_thumb.profile_check import resolve

    plan, _, faults = resolve({"format": "mellow-thumb profile 1"} | data)
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
    assert "nested very deeply" in refused(tmp_path, "x = " + "[" * 100_000)[0]

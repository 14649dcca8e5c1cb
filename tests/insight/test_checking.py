"""Checking: each finding has a profile that brings it about, and one that does not."""

from __future__ import annotations

import json
from pathlib import Path

import pytest
from click.testing import CliRunner

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.commands.line import main
from mellow_thumb.insight.findings import CODES, LEVELS, sarif
from mellow_thumb.stand_ins.pad import Thumb

from ..helpers.profiles import data, load

FINE = data("checked.toml")
HIDE = data("snaps.toml")
MOUNTED = """[mounts.near]
kind = "orbit"
gate = "glassing"
[mounts.far]
kind = "orbit"
gate = "glassing"
priority = 2
[cues]"""
EDGE = '[signals]\nrim = { edge_zone = "mouse.place" }\n[routes.rim]\nfrom = "rim"\ndrives = ["yaw", "pitch"]\nsensitivity = "30 deg/s"\n[routes.reel]'


def codes(profile: mt.Profile, take: mt.Take | None = None) -> list[str]:
    return [one.code for one in mt.check(profile, take) if not one.allowed]


def test_a_profile_in_which_all_is_well_has_no_findings(tmp_path: Path) -> None:
    assert mt.check(load(tmp_path, FINE)) == []
    assert mt.check(load(tmp_path, HIDE)) == []


CASES = [
    ("undriven-axis", "follow", [('drives = ["yaw", "pitch"]\nsensitivity = "0.05', 'drives = ["yaw", "roll"]\nsensitivity = "0.05'), ('drives = ["yaw", "pitch"]\ndead_zone', 'drives = ["yaw", "roll"]\ndead_zone')], "nothing drives pitch"),
    ("undriven-axis", "follow", [("[routes.reel]", '[routes.reel]\ngate = "charting"'), ("[routes.near]", '[routes.near]\ngate = "charting"'), ("[cues]", '[mounts.chart]\nkind = "orbit"\ngate = "charting"\n[cues]')], "nothing drives distance while follow is active"),
    ("unused-axis", "near", [("[routes.near]", '[routes.near]\ngate = "charting"'), ("[cues]", '[mounts.chart]\nkind = "flat"\ngate = "charting"\n[cues]')], "near does nothing: chart does not use distance"),
    ("no-limits", "distance", [(', min = "1.5 m", max = "9 m"', ', min = "1 m"')], "distance has no max"),
    ("pitch-past-90", "pitch", [('max = "60 deg"', 'max = "120 deg"')], "beyond 90"),
    ("inverted-against", "stick_look", [('curve = { power = 2 }', 'curve = { power = 2 }\ninvert = ["pitch"]')], "the opposite way to mouse_look"),
    ("no-dead-zone", "stick_look", [("dead_zone = { inner = 0.12 }\n", "")], "so the view drifts"),
    ("dead-zone-over-half", "stick_look", [("inner = 0.12", "inner = 0.6")], "the first 60 % of travel"),
    ("flat-curve", "stick_look", [("power = 2 ", "power = 5 ")], "fine aiming feels dead"),
    ("curve-not-rising", "stick_look", [("{ power = 2 }", "{ points = [[0.3, 0.4], [0.6, 0.4]] }")], "pushing further does nothing there"),
    ("coarse-step", "mouse_look", [("0.05 deg/count", "1 deg/count")], "of 1080 rows"),
    ("late", "stick_look", [('"35 ms"', '"150 ms"')], "by 150 ms"),
    ("toggle-no-way-out", "charting", [('{ toggle = ["key.KeyM", "pad.centre_left"] }', '{ toggle = "mouse.left", begun_on = "map", cursor = "held" }')], "its pointer is held until then"),
    ("cue-against-gate", "hop", [('from = ["pad.south", "key.Space"]', 'from = ["pad.left_shoulder", "key.Space"]')], "gives hop and also opens glassing"),
    ("hold-only", "glassing", [(', choice = ["hold", "toggle"]', "")], "can only be held; offer a toggle too"),
    ("one-device", "hop", [('["pad.south", "key.Space"]', '"key.Space"')], "hop has no button on the gamepad"),
    ("swapped-axes", "mouse_look", [('drives = ["yaw", "pitch"]\nsensitivity = "0.05', 'drives = ["pitch", "yaw"]\nsensitivity = "0.05')], "moving right drives pitch, and moving up drives yaw"),
    ("unused-axis", "near", [('drives = "distance"\nsensitivity = "-50 %/s"', 'drives = "lean_x"\nsensitivity = "-0.5 m/s"')], "near drives lean_x, which no camera here uses (only orbit)"),
    ("far-height", "follow", [('kind = "orbit"', 'kind = "orbit"\noffset = ["0 m", "165 m", "0 m"]')], "offset puts the camera 165 m above the subject"),
    ("two-jobs", "pick", [('[cues]', '[cues]\npick = { from = "key.KeyM" }\nhail = { from = "key.KeyM" }')], "M gives hail and also gives pick"),
    ("inverted-against", "reel", [('"-12 %/notch"', '"12 %/notch"'), ("[cues]", '[touch.pinch]\nspread = {}\n[routes.pinch]\nfrom = "touch.pinch"\ndrives = "distance"\nsensitivity = "-1 x/x"\n[cues]')], "reel zooms the opposite way to pinch"),
    ("idle-follow", "follow", [('kind = "orbit"', 'kind = "orbit"\nfollow_turn = "0.2 s"')], 'follow_turn does nothing here: with frame = "world", follow ignores'),
    ("lost-cue", "hop", [('"key.Space"] }', '"key.Space"], keep = "0 s" }\n[movement]\nspeed = "1 m/s"')], "hop lasts one frame only"),
    ("circling", "follow", [('kind = "orbit"', 'kind = "orbit"\nframe = "subject"\n[movement]\nspeed = "1 m/s"')], "walking to the side circles"),
    ("unreached-mount", "near", [("[cues]", MOUNTED)], "far always comes first"),
]  # fmt: skip


@pytest.mark.parametrize(("code", "where", "changes", "words"), CASES, ids=[case[0] for case in CASES])
def test_each_finding_is_found_where_it_is_and_told_in_words(
    tmp_path: Path, code: str, where: str, changes: list[tuple[str, str]], words: str
) -> None:
    found = [one for one in mt.check(load(tmp_path, FINE, *changes)) if one.code == code]
    assert found, code
    one = found[0]
    assert one.where == where
    assert words in one.reason
    assert one.fix
    assert "zoom" not in one.fix  # none of these mounts has one
    assert one.line > 0
    assert one.text().startswith(f"{tmp_path / 'marsh.toml'}:{one.line}: {one.level}: ")


@pytest.mark.parametrize(
    ("changes", "words"),
    [
        ([("30 deg/press", "90 deg/press")], "a snap of 90 deg"),
        ([('[signals]\nsnap = { presses = "right_hand.stick.x" }\n', ""), ('from = "snap"', 'from = "right_hand.stick.x"\ndead_zone = { inner = 0.1 }'), ("30 deg/press", "200 deg/s")], "turns at up to 200 deg/s"),
        ([('[signals]\nsnap = { presses = "right_hand.stick.x" }\n', ""), ('from = "snap"', 'from = "right_hand.stick.x"\ndead_zone = { inner = 0.1 }\nsmoothing = { half_life = "50 ms" }'), ("30 deg/press", "45 deg/s")], "smoothing makes turns last longer"),
        ([("[mounts.hide]", '[movement]\nspeed = "6 m/s"\n[mounts.hide]')], "moves at 6 m/s"),
    ],
)  # fmt: skip
def test_what_makes_people_ill_is_found(tmp_path: Path, changes: list[tuple[str, str]], words: str) -> None:
    found = [one for one in mt.check(load(tmp_path, HIDE, *changes)) if one.code == "sickening"]
    assert words in found[0].reason


def test_with_a_take_dead_zones_are_held_to_its_noise(tmp_path: Path) -> None:
    thumb = Thumb(3, rest=(0.1, 0.05), noise=0.006)
    thumb.hold(4.0)
    narrow = load(tmp_path, FINE, ("inner = 0.12", "inner = 0.05"))
    assert "dead-zone-under-noise" not in codes(narrow)
    (found,) = [one for one in mt.check(narrow, thumb.take()) if one.code == "dead-zone-under-noise"]
    assert found.level == "error"
    assert "rest = [0.1" in found.fix
    bare = load(tmp_path, FINE, ("dead_zone = { inner = 0.12 }\n", ""))
    assert "no-dead-zone" in codes(bare)
    said = [one for one in codes(bare, thumb.take()) if one in ("no-dead-zone", "dead-zone-under-noise")]
    assert said == ["dead-zone-under-noise"]  # once
    mended = load(tmp_path, FINE, ("dead_zone = { inner = 0.12 }", "\n".join(found.fix.split("; "))))
    assert set(codes(mended, thumb.take())) == {"absent-device"}


def test_a_face_that_first_person_makes_needless_is_found(tmp_path: Path) -> None:
    warden = data("warden.toml")
    (found,) = [one for one in mt.check(load(tmp_path, warden)) if one.code == "needless-face"]
    assert found.where == "face"
    follow = ('kind = "eye"', 'kind = "orbit"\naxes.distance = { fixed = "4 m" }')
    assert "needless-face" not in codes(load(tmp_path, warden, follow))


def test_edges_need_to_be_told_that_the_pointer_is_inside(tmp_path: Path) -> None:
    import pandas as pd

    rows = [(0.1, "mouse.place.x", 0.5), (0.1, "mouse.place.y", 0.5)]
    profile = load(tmp_path, FINE, ("[routes.reel]", EDGE))
    for more, expected in (([], True), ([(0.0, "mouse.inside", 1.0)], False)):
        table = pd.DataFrame([*more, *rows], columns=["t", "signal", "value"])
        assert ("edge-without-inside" in codes(profile, mt.Take(table))) is expected
    assert "edge-without-inside" not in codes(profile)


def test_what_is_pinned_needs_to_know_how_large_the_view_is() -> None:
    profile, take = mt.load_profile(marsh.CHART), mt.read_take(marsh.CHART_TAKE)
    assert "square-screen" not in codes(profile, take)
    rows = take.table["signal"].astype(str)
    (found,) = [
        one
        for one in mt.check(profile, mt.Take(take.table[~rows.str.startswith("host.screen")]))
        if one.code == "square-screen"
    ]
    assert (found.level, found.where) == ("warning", "drag")
    assert "drag, reel and rim go by a square one" in found.reason
    assert "set_screen" in found.fix
    keys = mt.Take(take.table[rows.str.startswith("key.")])
    assert "square-screen" not in codes(profile, keys)
    assert "square-screen" not in codes(mt.load_profile(marsh.DYKE), mt.read_take(marsh.DYKE_TAKE))


TAKES = {
    "unused-rows", "refused-rows", "clipped-rows", "absent-device", "other-clock", "rows-twice", "wild-values",
}  # fmt: skip
"""What is found of takes; each is tried in `test_take_notes`."""


def test_every_code_there_is_has_a_case(tmp_path: Path) -> None:
    tried = {case[0] for case in CASES} | {
        "sickening", "dead-zone-under-noise", "edge-without-inside", "needless-allowance", "square-screen",
        "needless-face", "starved-touch", "moving-tap", "grab-sign", *TAKES,
    }  # fmt: skip
    assert tried == set(CODES)
    found = {one.code for case in CASES for one in mt.check(load(tmp_path, FINE, *case[2]))}
    assert found <= set(CODES)


def test_a_finding_may_be_allowed_with_a_reason(tmp_path: Path) -> None:
    bad = (', choice = ["hold", "toggle"]', "")
    allowed = ("[axes]", '[allow]\n"hold-only glassing" = "a glance, never long"\n[axes]')
    found = mt.check(load(tmp_path, FINE, bad, allowed))
    assert [(one.code, one.allowed) for one in found] == [("hold-only", "a glance, never long")]
    done = CliRunner().invoke(main, ["check", str(tmp_path / "marsh.toml")])
    assert done.exit_code == 0
    assert done.output.endswith("nothing found; 1 allowed\n")
    shown = CliRunner().invoke(main, ["check", str(tmp_path / "marsh.toml"), "--allowed"]).output
    assert "allowed: a glance, never long" in shown
    for key, words in (
        ("late", "is allowed, but there is no such problem"),
        ("hold-onyl", "did you mean hold-only?"),
    ):
        (one,) = mt.check(load(tmp_path, FINE, ("[axes]", f'[allow]\n{key} = "why not"\n[axes]')))
        assert one.code == "needless-allowance"
        assert words in one.reason
    with pytest.raises(mt.ProfileError, match="allow"):
        load(tmp_path, FINE, ("[axes]", "[allow]\nlate = 3\n[axes]"))


def test_the_command_ends_with_1_on_errors_alone(tmp_path: Path) -> None:
    load(tmp_path, FINE, ('max = "60 deg"', 'max = "120 deg"'))
    file = str(tmp_path / "marsh.toml")
    done = CliRunner().invoke(main, ["check", file])
    assert done.exit_code == 1
    assert done.output.splitlines()[-1] == f"{file}: 1 error"
    load(tmp_path, FINE, ('"35 ms"', '"150 ms"'))
    assert CliRunner().invoke(main, ["check", file]).exit_code == 0
    assert "nothing found" in CliRunner().invoke(main, ["check", file, "--lag", "200"]).output
    data = json.loads(CliRunner().invoke(main, ["check", file, "--json"]).output)
    assert (data[0]["code"], data[0]["path"]) == ("late", "routes.stick_look.smoothing")


def test_findings_are_written_as_the_standard_has_it(tmp_path: Path) -> None:
    bad = [('max = "60 deg"', 'max = "120 deg"'), (', choice = ["hold", "toggle"]', "")]
    profile = load(tmp_path, FINE, *bad, ("[axes]", '[allow]\nhold-only = "a glance"\n[axes]'))
    out = tmp_path / "findings.sarif"
    done = CliRunner().invoke(main, ["check", profile.file, "--sarif", str(out)])
    assert done.exit_code == 1
    log = json.loads(out.read_text())
    assert log == sarif(mt.check(profile), mt.__version__)
    assert log["version"] == "2.1.0"
    (run,) = log["runs"]
    ids = [rule["id"] for rule in run["tool"]["driver"]["rules"]]
    for result in run["results"]:
        assert ids[result["ruleIndex"]] == result["ruleId"]
        assert result["level"] in LEVELS
        assert result["locations"][0]["physicalLocation"]["region"]["startLine"] > 0
    suppressed = [result["ruleId"] for result in run["results"] if "suppressions" in result]
    assert suppressed == ["hold-only"]


@pytest.mark.parametrize(("profile", "take"), marsh.SCENES, ids=lambda path: path.name)
def test_the_marsh_has_no_errors(profile: Path, take: Path) -> None:
    levels = {one.level for one in mt.check(mt.load_profile(profile), mt.read_take(take)) if not one.allowed}
    assert levels <= {"note"}

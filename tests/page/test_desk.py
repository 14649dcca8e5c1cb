"""The desk: changes, two settings, and the file."""

from __future__ import annotations

import difflib
import os
import tomllib
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.page.desk import SIDES, Desk
from mellow_thumb.page.dials import Dial, dials

YAW = ("routes", "look", "sensitivity", "yaw")
PITCH = ("routes", "look", "sensitivity", "pitch")
POWER = ("routes", "look", "curve", "power")


@pytest.fixture
def file(tmp_path: Path) -> Path:
    path = tmp_path / "following.toml"
    path.write_bytes(marsh.FOLLOWING.read_bytes())
    return path


def said(profile: mt.Profile, path: tuple[str | int, ...]) -> Any:
    found: Any = profile.data
    for key in path:
        found = found[key]
    return found


def apart(first: str, second: str) -> list[str]:
    """The lines in which two texts differ."""
    return [line for line in difflib.ndiff(first.splitlines(), second.splitlines()) if line[0] in "+-"]


def test_keep_writes_one_number_and_nothing_else(file: Path) -> None:
    desk, before = Desk(file), file.read_text(encoding="utf-8")
    desk.change(YAW, "300 deg/s")
    assert file.read_text(encoding="utf-8") == before
    assert desk.keep() == ["routes.look.sensitivity.yaw = 300 deg/s"]
    assert apart(before, file.read_text(encoding="utf-8")) == [
        '- sensitivity = { yaw = "200 deg/s", pitch = "120 deg/s" }',
        '+ sensitivity = { yaw = "300 deg/s", pitch = "120 deg/s" }',
    ]
    assert (desk.keep(), desk.current.changes) == ([], {})
    # the way back leads past it
    assert desk.undo()
    desk.keep()
    assert file.read_text(encoding="utf-8") == before


def test_keep_leaves_a_file_of_another_system_as_it_is(file: Path) -> None:
    before = b"\xef\xbb\xbf" + file.read_bytes().replace(b"\n", b"\r\n")
    file.write_bytes(before)
    desk = Desk(file)
    desk.change(YAW, "300 deg/s")
    desk.keep()
    assert file.read_bytes() == before.replace(b"200 deg/s", b"300 deg/s")


def test_a_file_that_was_changed_meanwhile_is_not_written_over(file: Path) -> None:
    desk = Desk(file)
    desk.change(YAW, "300 deg/s")
    theirs = file.read_text(encoding="utf-8").replace("power = 2.0", "power = 1.5")
    file.write_text(theirs, encoding="utf-8")
    with pytest.raises(mt.OutputError, match="changed meanwhile") as caught:
        desk.keep()
    assert "-curve = { power = 1.5 }\n" in str(caught.value)
    assert file.read_text(encoding="utf-8") == theirs
    # taken up, both are there
    assert desk.look() == ()
    assert (said(desk.profile, YAW), said(desk.profile, POWER)) == ("300 deg/s", 1.5)
    desk.keep()
    assert apart(theirs, file.read_text(encoding="utf-8"))[1] == (
        '+ sensitivity = { yaw = "300 deg/s", pitch = "120 deg/s" }'
    )


def test_a_save_that_makes_no_profile_leaves_what_was_there_and_is_told_once(file: Path) -> None:
    desk, good = Desk(file), file.read_text(encoding="utf-8")
    desk.change(YAW, "300 deg/s")
    file.write_text(good.replace("deg/s", "miles"), encoding="utf-8")
    with pytest.raises(mt.ProfileError, match="miles"):
        desk.look()
    assert said(desk.profile, YAW) == "300 deg/s"
    assert desk.look() is None
    file.write_text(good.replace("[routes.look]", "[routes.gaze]"), encoding="utf-8")
    os.utime(file, ns=(1, 1))
    assert desk.look() == ("A: routes.look.sensitivity.yaw is no longer in the file",)
    assert "gaze" in desk.profile.data["routes"]


def test_what_is_refused_leaves_all_as_it_was(file: Path) -> None:
    desk = Desk(file)
    desk.change(YAW, "300 deg/s")
    before = desk.profile
    for path, value in ((YAW, "3 m"), (("routes", "look", "drives", 7), "yaw"), (("tide",), 1.0)):
        with pytest.raises(mt.MellowThumbError):
            desk.change(path, value)
    assert desk.profile is before
    assert desk.current.changes == {YAW: "300 deg/s"}


def test_one_turn_of_a_dial_is_one_step_to_undo(file: Path) -> None:
    desk = Desk(file)
    for number in (210, 220, 230):
        desk.change(YAW, f"{number} deg/s", going=True)
    desk.change(YAW, "240 deg/s")
    desk.change(PITCH, "90 deg/s")
    assert desk.undo()
    assert (said(desk.profile, YAW), said(desk.profile, PITCH)) == ("240 deg/s", "120 deg/s")
    assert desk.undo()
    assert desk.profile == mt.load_profile(file)
    assert not desk.undo()
    assert desk.redo()
    assert desk.redo()
    assert not desk.redo()
    assert said(desk.profile, PITCH) == "90 deg/s"


def test_two_settings_to_go_to_and_fro_between(file: Path) -> None:
    desk = Desk(file)
    desk.change(YAW, "300 deg/s")
    desk.go("B")
    assert said(desk.profile, YAW) == "200 deg/s"
    desk.change(PITCH, "60 deg/s")
    desk.keep()  # what B says is in the file now; A says what differs from it
    desk.go("A")
    assert (said(desk.profile, YAW), said(desk.profile, PITCH)) == ("300 deg/s", "120 deg/s")
    assert desk.apart == {YAW: "200 deg/s", PITCH: "60 deg/s"}
    desk.copy_to("B")
    assert desk.apart == {}
    desk.go("B")
    assert said(desk.profile, YAW) == "300 deg/s"
    with pytest.raises(mt.ArgumentError, match="A or B"):
        desk.go("C")


def test_inverting_an_axis_adds_it_to_the_route_and_takes_it_out_again(file: Path) -> None:
    desk = Desk(file)
    for axis in ("yaw", "pitch"):
        desk.change(("routes", "look", "invert", axis), True)
    assert said(desk.profile, ("routes", "look", "invert")) == ["yaw", "pitch"]
    desk.change(("routes", "look", "invert", "yaw"), False)
    assert 'invert = ["pitch"]' in desk.text
    desk.change(("routes", "look", "invert", "pitch"), False)
    assert desk.current.changes == {}


@given(st.data())
def test_any_way_through_changes_keeps_and_undoes_ends_at_the_file(
    tmp_path_factory: pytest.TempPathFactory, data: st.DataObject
) -> None:
    file = tmp_path_factory.mktemp("desk") / "p.toml"
    file.write_bytes(marsh.FOLLOWING.read_bytes())
    first, desk = file.read_text(encoding="utf-8"), Desk(file)
    for _ in range(data.draw(st.integers(1, 12))):
        what = data.draw(st.sampled_from(["change", "change", "undo", "redo", "go", "keep", "copy"]))
        if what == "change":
            path = data.draw(st.sampled_from([YAW, PITCH]))
            desk.change(path, f"{data.draw(st.integers(50, 300))} deg/s", going=data.draw(st.booleans()))
        elif what == "go":
            desk.go(desk.other)
        elif what == "copy":
            desk.copy_to(desk.other)
        else:
            getattr(desk, what)()
        # what plays is what the file would be
        wanted = tomllib.loads(desk.text)
        assert desk.profile.data == wanted
    for side in SIDES:
        desk.go(side)
        while desk.undo():
            pass
        assert tomllib.loads(desk.text) == tomllib.loads(first)


def all_dials() -> list[tuple[Path, Dial]]:
    return [(path, one) for path, _ in marsh.SCENES for one in dials(mt.load_profile(path))]


def test_every_dial_turns_its_value_and_a_number_has_its_range() -> None:
    assert len(all_dials()) > 250
    for path, dial in all_dials():
        if dial.kind in ("quantity", "number"):
            assert dial.low <= dial.number <= dial.high, dial
            assert dial.low < dial.high
            assert not dial.log or dial.low * dial.high > 0.0, dial
        if dial.kind == "choice":
            assert dial.value in dial.choices
        if dial.stated and dial.kind != "ways":
            assert said(mt.load_profile(path), dial.path) == dial.value
        assert dial.says, dial


def test_no_number_of_a_scene_lacks_its_dial() -> None:
    def numbers(data: Any, path: tuple[str | int, ...] = ()) -> list[tuple[str | int, ...]]:
        if isinstance(data, dict | list):
            pairs = data.items() if isinstance(data, dict) else enumerate(data)
            return [one for key, value in pairs for one in numbers(value, (*path, key))]
        is_number = isinstance(data, int | float) and not isinstance(data, bool)
        return [path] if is_number or (isinstance(data, str) and data[:1] in "-+.0123456789") else []

    for path, _ in marsh.SCENES:
        profile = mt.load_profile(path)
        turned = {one.path for one in dials(profile)}
        assert [one for one in numbers(profile.data) if one not in turned] == [], path


def test_saying_what_a_dial_says_changes_nothing() -> None:
    for path, _ in marsh.SCENES:
        desk = Desk(path)
        for one in dials(desk.profile):
            if one.stated:
                desk.change(one.path, one.value)
                assert desk.current.changes == {}, one
        assert desk.text == path.read_text(encoding="utf-8")

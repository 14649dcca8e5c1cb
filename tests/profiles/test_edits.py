"""A profile's values changed: in its data, and in its file so that nothing else there changes."""

from __future__ import annotations

import difflib
import pathlib
import tomllib
from dataclasses import replace
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.profiles import changed, rewritten

TEXTS = [profile.read_text(encoding="utf-8") for profile, _ in marsh.SCENES]

Path = tuple[str | int, ...]
Changes = dict[Path, Any]


def leaves(data: Any, path: Path = ()) -> list[Path]:
    """Where every value of a file stands."""
    if isinstance(data, dict):
        return [one for key, value in data.items() for one in leaves(value, (*path, key))]
    if isinstance(data, list):
        return [one for k, value in enumerate(data) for one in leaves(value, (*path, k))]
    return [path]


@given(st.data(), st.sampled_from(TEXTS))
def test_a_new_value_changes_its_line_and_no_other(data: st.DataObject, text: str) -> None:
    path = data.draw(st.sampled_from(leaves(tomllib.loads(text))))
    value = data.draw(st.sampled_from(["0.07 deg/count", 0.1 + 0.2, True, 'a "quoted" word', -3, "é\\n"]))
    found = rewritten(text, {path: value})
    here: Any = tomllib.loads(found)
    for key in path:
        here = here[key]
    assert (here, type(here)) == (value, type(value))
    apart = [line for line in difflib.ndiff(text.splitlines(), found.splitlines()) if line[0] in "+-"]
    assert len(apart) in (0, 2)
    assert rewritten(found, {path: _at(text, path)}) == text


def _at(text: str, path: Path) -> Any:
    found: Any = tomllib.loads(text)
    for key in path:
        found = found[key]
    return found


@given(st.sampled_from(TEXTS), st.booleans())
def test_what_is_added_and_taken_out_again_leaves_the_file_as_it_was(text: str, windows: bool) -> None:
    text = text.replace("\n", "\r\n") if windows else text
    path = ("axes", "pitch", "max")
    before = tomllib.loads(text).get("axes", {}).get("pitch", {}).get("max")
    added = rewritten(text, {path: "7 deg"})
    assert tomllib.loads(added)["axes"]["pitch"]["max"] == "7 deg"
    assert ("\r\n" in added) == windows
    if before is not None:
        assert rewritten(added, {path: before}) == text


def test_a_new_key_stands_in_its_table_as_a_person_would_write_it() -> None:
    text = (
        "[axes]\npitch = { start = \"1 deg\" } # eyes\n\n[routes.look]\nfrom = 'mouse.move'  # hand\n\n[x]\n"
    )
    changes: Changes = {
        ("axes", "pitch", "rest"): "3 deg",
        ("routes", "look", "invert"): ["pitch"],
        ("routes", "look", "curve", "power"): 2.0,
    }
    assert rewritten(text, changes) == (
        '[axes]\npitch = { start = "1 deg", rest = "3 deg" } # eyes\n\n[routes.look]\n'
        "from = 'mouse.move'  # hand\ninvert = [\"pitch\"]\ncurve = {power = 2.0}\n\n[x]\n"
    )
    assert rewritten(rewritten(text, changes), dict.fromkeys(changes)) != ""


def test_a_changed_profile_is_what_its_file_would_be(tmp_path: pathlib.Path) -> None:
    base = mt.load_profile(marsh.FOLLOWING)
    changes: Changes = {("routes", "look", "sensitivity", "yaw"): "90 deg/s", ("movement", "braking"): None}
    text = marsh.FOLLOWING.read_text(encoding="utf-8")
    file = tmp_path / "following.toml"
    file.write_text(rewritten(text, changes), encoding="utf-8")
    assert changed(base, changes) == replace(mt.load_profile(file), file=base.file, origin=base.origin)
    assert changed(base, {}) == base
    assert changed(base, changes) != base


def test_what_is_wrong_is_told_in_the_loaders_words_with_its_line() -> None:
    base, text = mt.load_profile(marsh.FOLLOWING), marsh.FOLLOWING.read_text(encoding="utf-8")
    with pytest.raises(mt.ProfileError) as caught:
        changed(base, {("routes", "look", "sensitivity", "yaw"): "9 m"}, text)
    line = next(k for k, one in enumerate(text.splitlines(), 1) if one.startswith("sensitivity"))
    assert f':{line}: routes.look.sensitivity.yaw: found "9 m"; expected deg/s or deg' in str(caught.value)
    for path in (("routes", "look", "drives", 9), ("title", "x", "y"), (0,)):
        with pytest.raises(mt.MellowThumbError):
            changed(base, {path: 1.0})
        with pytest.raises(mt.MellowThumbError):
            rewritten(text, {path: 1.0})

"""What editors are told of profiles and sheets: never stricter than what is read, and of use."""

from __future__ import annotations

import json
import tomllib
from copy import deepcopy
from pathlib import Path
from typing import Any

import pytest
from click.testing import CliRunner
from hypothesis import given
from hypothesis import strategies as st
from jsonschema import Draft202012Validator

import mellow_thumb as mt
from mellow_thumb.commands.line import main
from mellow_thumb.profiles.forms import keys
from mellow_thumb.profiles.schemas import NAMES, profile_schema, sheet_schema
from mellow_thumb.profiles.whole import TABLES, resolve

ROOT = Path(__file__).parents[2]
FILES = sorted((*ROOT.glob("src/mellow_thumb/marsh/*.toml"), *ROOT.glob("examples/*.toml")))
PROFILES = [tomllib.loads(path.read_text(encoding="utf-8")) for path in FILES]
SETTINGS = mt.load_profile(ROOT / "examples" / "settings.toml")
SCHEMA = Draft202012Validator(profile_schema())
VALUES: list[Any] = [
    0, 1, -1, 0.5, 1e300, True, "", "yaw", "mouse.move", "0.05 deg/count", "35 ms", "2 m", "glassing", "hold",
    [], ["yaw"], ["yaw", "yaw"], [0.5], [0.1, 0.2], {}, {"any": ["glassing"]}, {"half_life": "20 ms"}, {"return": "1 s"},
]  # fmt: skip


def spots(data: Any, path: tuple[str, ...] = ()) -> list[tuple[str, ...]]:
    """Every key of a profile, by its path."""
    found = [(*path, key) for key in data]
    return found + [
        one for key, value in data.items() if isinstance(value, dict) for one in spots(value, (*path, key))
    ]


def at(data: Any, path: tuple[str, ...]) -> Any:
    for key in path:
        data = data[key]
    return data


@pytest.mark.parametrize("path", FILES, ids=lambda path: path.stem)
def test_profiles_that_are_read_are_what_the_schema_says(path: Path) -> None:
    assert list(SCHEMA.iter_errors(tomllib.loads(path.read_text(encoding="utf-8")))) == []


@given(st.data())
def test_an_editor_marks_nothing_that_a_session_takes(data: st.DataObject) -> None:
    profile = deepcopy(data.draw(st.sampled_from(PROFILES)))
    for _ in range(data.draw(st.integers(1, 2))):
        path = data.draw(st.sampled_from(spots(profile)))
        if data.draw(st.booleans()):
            del at(profile, path[:-1])[path[-1]]
        else:
            at(profile, path[:-1])[path[-1]] = data.draw(st.sampled_from(VALUES))
    plan, _, _, faults = resolve(profile)
    if plan is not None and not faults:
        assert [error.message for error in SCHEMA.iter_errors(profile)] == []


WRONG = [
    (("routes", "look"), "sensitvity", "1 deg/count"),
    (("routes", "look"), "from", ["mouse.move"]),
    (("routes", "look", "smoothing"), "half_life", "35 deg"),
    (("routes", "look", "smoothing"), "half_life", 0.035),
    (("routes", "look", "dead_zone"), "shape", "round"),
    (("axes", "pitch"), "min", ["-40 deg"]),
    (("mounts", "follow"), "kind", "eyes"),
    (("mounts", "follow"), "axes", {"pitch": {"strat": "1 deg"}}),
    (("movement",), "speed", "2 deg/s"),
    ((), "title", 7),
]


@pytest.mark.parametrize(("path", "key", "value"), WRONG)
def test_an_editor_marks_what_is_wrong_in_one_place(path: tuple[str, ...], key: str, value: Any) -> None:
    profile = tomllib.loads((ROOT / "src/mellow_thumb/marsh/following.toml").read_text(encoding="utf-8"))
    at(profile, path)[key] = value
    assert not SCHEMA.is_valid(profile)
    assert resolve(profile).faults


def test_every_key_of_every_table_is_there_with_what_it_is() -> None:
    tables = profile_schema()["$defs"]
    for place, form in TABLES.items():
        table = profile_schema() if not place else tables.get(form.__name__)
        if table is None:
            continue  # what mounts have in common stands in each of them
        assert set(table["properties"]) == set(keys(form)), place
        assert all(one.get("description") for one in table["properties"].values()), place
    assert "mouse.move" in tables["Signal"]["anyOf"][0]["enum"]
    assert tables["RouteForm"]["properties"]["from"]["examples"] == ["mouse.move"]


CHOICES: list[tuple[str, str, Any]] = [
    (section, name, value)
    for section, name in [
        ("sensitivity", "look"), ("sensitivity", "hop"), ("dead_zone", "look"), ("invert", "pad"), ("invert", "pod"),
        ("choice", "glassing"), ("hands", "reduced_motion"), ("hands", "debounce"), ("buttons", "glassing"),
    ]
    for value in [0.0, 0.2, 1.0, 5.0, 9.0, "hold", "toggle", "key.KeyB", ["key.KeyB"], ["pitch"], ["yaw"], []]
]  # fmt: skip


@pytest.mark.parametrize(("section", "name", "value"), CHOICES)
def test_the_sheet_of_a_profile_takes_what_the_profile_offers(section: str, name: str, value: Any) -> None:
    sheet = {"format": "mellow-thumb sheet 1", section: {name: value}}
    valid = Draft202012Validator(sheet_schema(SETTINGS)).is_valid(sheet)
    try:
        mt.new_sheet(SETTINGS).set(SETTINGS, section, name, value)
        taken = True
    except mt.ArgumentError:
        taken = False
    assert (
        valid == taken or section == "hands"
    )  # values of the hands are told as a sheet is laid over a profile
    if taken and section != "hands":
        assert Draft202012Validator(sheet_schema()).is_valid(sheet)


def test_the_command_writes_both_for_an_editor(tmp_path: Path) -> None:
    result = CliRunner().invoke(
        main, ["export", str(ROOT / "examples/settings.toml"), "--schema", str(tmp_path / "schema")]
    )
    assert (result.exit_code, result.output.count("wrote ")) == (0, 2)
    written = [json.loads((tmp_path / "schema" / name).read_text(encoding="utf-8")) for name in NAMES]
    assert written == [profile_schema(), sheet_schema(SETTINGS)]
    for one in written:
        Draft202012Validator.check_schema(one)
    lost = CliRunner().invoke(main, ["export", "--schema", str(tmp_path / "schema" / NAMES[0])])
    assert (lost.exit_code, "found a file; expected a folder" in lost.output) == (1, True)
    assert CliRunner().invoke(main, ["export", "--text"]).exit_code == 2

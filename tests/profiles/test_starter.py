"""First profiles: whatever was chosen, they load, they do it, and nothing is wrong with them."""

from __future__ import annotations

import re
import tomllib
from itertools import combinations, permutations
from pathlib import Path

import pytest
from click.testing import CliRunner
from jsonschema import Draft202012Validator

import mellow_thumb as mt
from mellow_thumb.commands.line import main
from mellow_thumb.profiles.schemas import profile_schema
from mellow_thumb.profiles.starting import DEVICES, MOUNTS, starter

ONES = [(one,) for one in MOUNTS]
SCHEMA = Draft202012Validator(profile_schema())


def bare(text: str) -> list[str]:
    """The tables of a profile that have no comment above them; the gates and signals that have none."""
    lines = text.splitlines()
    named = re.compile(r"\[(routes|touch|mounts)\.|\w+ = \{ (hold|toggle|flag|up|plus|presses)")
    return [
        line
        for k, line in enumerate(lines)
        if named.match(line) and lines[k - 1][:1] != "#" and "# " not in line
    ]


@pytest.mark.parametrize("mounts", [*ONES, *permutations(MOUNTS[:-1], 2)], ids="+".join)
def test_check_finds_nothing_in_any_first_profile(mounts: tuple[str, ...], tmp_path: Path) -> None:
    made = 0
    for count in range(1, len(DEVICES) + 1):
        for devices in combinations(DEVICES, count):
            try:
                text = starter(devices, mounts)
            except mt.ArgumentError:
                continue
            made += 1
            path = tmp_path / "first.toml"
            path.write_text(text, encoding="utf-8")
            profile = mt.load_profile(path)
            assert set(profile.families) == set(devices)
            assert [one.mount.name for one in profile.mounts.all] == list(mounts)
            assert [one.text() for one in mt.check(profile) if not one.allowed] == []
            assert list(SCHEMA.iter_errors(tomllib.loads(text))) == []
            assert profile.offers.hands
            assert "None" not in text
            assert "\n\n\n" not in text
            assert bare(text) == []
    assert made >= 3


WRONG = [
    (["--device", "pat"], 'found "pat"; expected a device'),
    (["--mount", "eyes"], "did you mean eye?"),
    (["--device", "pad", "--device", "pad"], "each once"),
    (["--device", "touch", "--mount", "headset"], "expected for headset one of desk, pad or worn"),
    (["--device", "worn", "--device", "pad", "--mount", "eye"], "found worn; it has nothing to do on eye"),
    (["--mount", "eye", "--mount", "headset"], "two without a headset"),
]


@pytest.mark.parametrize(("options", "said"), WRONG)
def test_what_cannot_be_chosen_is_said_and_nothing_is_written(
    options: list[str], said: str, tmp_path: Path
) -> None:
    result = CliRunner().invoke(main, ["new", str(tmp_path / "first.toml"), *options])
    assert (result.exit_code, said in result.output) == (1, True)
    assert list(tmp_path.iterdir()) == []


def test_the_command_never_writes_over_a_file(tmp_path: Path) -> None:
    path = tmp_path / "first.toml"
    assert CliRunner().invoke(main, ["new", str(path)]).exit_code == 0
    text = path.read_text(encoding="utf-8")
    again = CliRunner().invoke(main, ["new", str(path), "--device", "touch"])
    assert (again.exit_code, path.read_text(encoding="utf-8")) == (1, text)
    assert CliRunner().invoke(main, ["new", str(tmp_path / "first.txt")]).exit_code == 1
    assert CliRunner().invoke(main, ["tell", str(path)]).exit_code == 0

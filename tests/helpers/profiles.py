"""Profiles as texts: changed, written, loaded, and refused with the line of what is wrong."""

from __future__ import annotations

from pathlib import Path

import pytest

import mellow_thumb as mt

DATA = Path(__file__).parents[1] / "data"


def data(name: str) -> str:
    """The text of a file beside the tests."""
    return (DATA / name).read_text(encoding="utf-8")


def load(folder: Path, text: str, *changes: tuple[str, str]) -> mt.Profile:
    """The profile of a text, in `marsh.toml`; each change puts something for the first of something else."""
    for old, new in changes:
        assert old in text, old
        assert old != new
        text = text.replace(old, new, 1)
    file = folder / "marsh.toml"
    file.write_text(text, encoding="utf-8")
    return mt.load_profile(file)


def problems(folder: Path, text: str, *changes: tuple[str, str]) -> list[str]:
    """What is said of a profile that is wrong, each with its line, as in ``3: mount: found ...``."""
    with pytest.raises(mt.ProfileError) as refusal:
        load(folder, text, *changes)
    told = [str(problem) for problem in refusal.value.problems]
    assert all(f"{folder / 'marsh.toml'}:" in problem for problem in told)
    return [problem.partition("marsh.toml:")[2].lstrip() for problem in told]


def refused_for(folder: Path, text: str, *changes: tuple[str, str]) -> str:
    """The same as one text; each has a line."""
    found = problems(folder, text, *changes)
    assert all(problem.partition(":")[0].isdigit() for problem in found)
    return "\n".join(found)

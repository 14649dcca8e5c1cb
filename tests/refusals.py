"""What is wrong in a profile, and what is said of it."""

from __future__ import annotations

from pathlib import Path

import pytest

import mellow_thumb as mt


def refused_for(folder: Path, profile: str, old: str, new: str) -> str:
    """What is said of a profile in which something has been put for something else; each with its line."""
    file = folder / "marsh.toml"
    assert old in profile
    assert profile.replace(old, new, 1) != profile
    file.write_text(profile.replace(old, new, 1), encoding="utf-8")
    with pytest.raises(mt.ProfileError, match=r"marsh\.toml:\d+: ") as refusal:
        mt.load_profile(file)
    return str(refusal.value)

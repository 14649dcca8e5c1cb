"""Changes said as a player's own choices."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.page.as_sheet import overruled
from mellow_thumb.page.desk import Desk

TEXT = """format = "mellow-thumb profile 1"
mount = "eye"

[routes.look]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = { yaw = "200 deg/s", pitch = "120 deg/s" }
invert = "pitch"
dead_zone = { inner = 0.1 }

[routes.hand]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "40 cm/turn"

[mouse]
counts_per_cm = 300

[hands]
debounce = "0 ms"

[offers]
sensitivity = { "look.yaw" = [0.2, 5], "look.pitch" = [0.2, 5], hand = [0.2, 5] }
invert = ["yaw", "pitch"]
dead_zone = { look = [0.05, 0.4] }
hands = ["debounce"]

[mounts.eye]
kind = "eye"
"""
changes = st.dictionaries(
    st.sampled_from(
        [
            ("routes", "look", "sensitivity", "yaw"),
            ("routes", "hand", "sensitivity"),
            ("routes", "look", "dead_zone", "inner"),
            ("routes", "look", "invert", "yaw"),
            ("routes", "look", "invert", "pitch"),
            ("routes", "hand", "invert", "pitch"),
            ("hands", "debounce"),
        ]
    ),
    st.integers(1, 9),
)


def value_of(path: tuple[str, ...], k: int) -> object:
    if "invert" in path:
        return k % 2 == 0
    return {
        "yaw": f"{50 * k} deg/s",
        "sensitivity": f"{10 * k} cm/turn",
        "inner": 0.05 + 0.03 * k,
        "debounce": f"{k} ms",
    }[path[-1]]


@given(changes, changes)
def test_the_sheet_comes_to_what_was_felt(
    tmp_path_factory: pytest.TempPathFactory,
    first: dict[tuple[str, ...], int],
    second: dict[tuple[str, ...], int],
) -> None:
    folder = tmp_path_factory.mktemp("sheet")
    file = folder / "p.toml"
    file.write_text(TEXT, encoding="utf-8")
    desk = Desk(file)
    sheet = mt.new_sheet(desk.profile)
    sheet.file = str(folder / "mine.toml")
    overruling = {one for one in first if "inner" in one or "debounce" in one}
    for some in (first, second):  # the second on top of what the sheet says by then
        for path, k in some.items():
            if some is second and path in overruling:
                assert overruled(sheet, desk.profile, path)
                continue
            desk.change(path, value_of(path, k))
        felt = sheet.lay(desk.profile)[0]
        _, words = desk.keep_in(sheet)
        left = [one for one in desk.current.changes if ".".join(map(str, one)) not in "".join(words)]
        assert left == []
        now, told = sheet.lay(desk.profile)
        assert told == ()
        for one, other in zip(felt.routes, now.routes, strict=True):
            assert one.shape == other.shape
            for (*way, amount), (*same, again) in zip(one.parts, other.parts, strict=True):
                assert same == way
                assert again == pytest.approx(amount, rel=1e-5)
        assert now.hands == felt.hands
        assert file.read_text(encoding="utf-8") == TEXT
    if Path(sheet.file).exists():
        assert mt.load_sheet(sheet.file).lay(mt.load_profile(file))[1] == ()


def test_what_no_sheet_says_stays_and_is_told(tmp_path: Path) -> None:
    file = tmp_path / "p.toml"
    file.write_text(TEXT, encoding="utf-8")
    desk = Desk(file)
    sheet = mt.new_sheet(desk.profile)
    sheet.file = str(tmp_path / "mine.toml")
    desk.change(("routes", "hand", "smoothing", "half_life"), "20 ms")
    desk.change(("routes", "hand", "sensitivity"), "0.05 deg/count")
    desk.change(("routes", "look", "sensitivity", "yaw"), "2000 deg/s")
    many, words = desk.keep_in(sheet)
    assert many == 0
    assert len(words) == 3
    assert "expected 0.2 to 5" in " ".join(words)
    assert "expected the same unit and sign" in " ".join(words)
    assert not Path(sheet.file).exists()
    assert len(desk.current.changes) == 3

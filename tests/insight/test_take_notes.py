"""What replay and check say of takes that are odd, or of other devices than the profile's."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pandas as pd
import pytest

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.insight import account_of
from mellow_thumb.insight.take_notes import take_notes
from mellow_thumb.plan import DEVICES

from ..helpers.profiles import load

PLAIN = """
format = "mellow-thumb profile 1"
[axes]
pitch = { min = "-60 deg", max = "60 deg" }
[mounts.eye]
kind = "eye"
[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.1 deg/count"
"""
GATED = """
[gates.glassing]
hold = "mouse.right"
after = "150 ms"
[gates.peering]
all = ["glassing"]
[cues.note]
from = "key.KeyM"
"""


def device_of(take: mt.Take) -> pd.Series:
    """What each row comes from."""
    names = take.table["signal"].astype(str)
    return names.where(~names.str.startswith("host.head"), "head").str.partition(".")[0]


def bent(take: mt.Take, device: str, how: str) -> mt.Take:
    """The same take with the rows of one device removed, doubled, shifted or scaled."""
    table, rows = take.table, (device_of(take) == device).to_numpy()
    if how == "removed":
        table = table[~rows]
    elif how == "doubled":
        table = pd.concat([table, table[rows]]).sort_values("t", kind="stable")
    elif how == "scaled":
        table = table.assign(value=np.where(rows, table["value"] * 1000.0, table["value"]))
    else:
        hour = 3600.0 if how == "later" else -3600.0
        table = table.assign(t=np.where(rows, table["t"] + hour, table["t"]))
    return mt.Take(table.reset_index(drop=True))


@pytest.mark.parametrize("how", ["removed", "doubled", "later", "earlier", "scaled"])
@pytest.mark.parametrize("scene", marsh.SCENES, ids=lambda scene: scene[0].stem)
def test_a_device_of_a_scene_that_is_amiss_is_told(scene: tuple[Path, Path], how: str) -> None:
    profile, take = mt.load_profile(scene[0]), mt.read_take(scene[1])
    known = {(one.code, one.reason) for one in mt.check(profile, take)}
    before = set(take_notes(profile, take))
    for device in sorted({*device_of(take)} & {*DEVICES, "head"}):
        odd = bent(take, device, how)
        assert {(one.code, one.reason) for one in mt.check(profile, odd)} - known, device
        account = account_of(profile, mt.replay(profile, odd, until=14.0), odd)
        more = {one for one in account.notes if one not in {note.words for note in before}}
        assert more or account.refused or account.clipped, device


def test_the_takes_of_the_scenes_are_in_order() -> None:
    for source, recording in marsh.SCENES:
        found = take_notes(mt.load_profile(source), mt.read_take(recording))
        assert {one.code for one in found} <= {"absent-device"}


def test_what_is_refused_is_told_with_its_line(tmp_path: Path) -> None:
    path = tmp_path / "walk.csv"
    path.write_text(
        '# title = "a walk"\nt,signal,value\n0.1,mouse.move.x,4\n0.2,mouse.mvoe.x,4\n0.3,key.KeyW,7\n'
    )
    take = mt.read_take(path)
    profile = load(tmp_path, PLAIN)
    assert take.first("mouse.mvoe.x") == f"{path}:4"
    assert take.first("mouse.move") == f"{path}:3"
    assert take.first("pad.south") == str(path)
    said = account_of(profile, mt.replay(profile, take), take).text()
    assert "mouse.mvoe.x: 1 row, unknown signal; did you mean" in said
    assert f" (first in {path}:4)" in said
    (found,) = [one for one in mt.check(profile, take) if one.code == "refused-rows"]
    assert f"{path}:4" in found.reason


def test_rows_without_lines_of_their_own_have_none(tmp_path: Path) -> None:
    path = tmp_path / "walk.csv"
    path.write_text("t,signal,value\n0.1,mouse.move.x,4\n\n0.2,mouse.move.x,4\n")
    assert mt.read_take(path).first("mouse.move.x") == str(path)
    assert mt.Take(pd.DataFrame({"t": [0.0], "signal": ["a"], "value": [0.0]})).first("a") == ""


def test_gates_and_cues_have_their_own_times_and_not_those_of_frames(tmp_path: Path) -> None:
    profile = load(tmp_path, PLAIN + GATED)
    rows = [
        (0.503, "mouse.right", 1),
        (0.9011, "mouse.right", 0),
        (1.2033, "key.KeyM", 1),
        (1.2037, "key.KeyM", 0),
    ]
    take = mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    table = mt.replay(profile, take, rate=10.0)
    account = account_of(profile, table, take)
    for gate in ("glassing", "peering"):
        ((begin, end),) = [(span.begin, span.end) for span in account.gates[gate]]
        assert begin == pytest.approx(0.653, abs=1e-3)
        assert end == pytest.approx(0.9011, abs=1e-9)
    (note,) = account.cues["note"]
    assert note == pytest.approx(1.2033, abs=1e-9)
    assert account_of(profile, table).gates["glassing"][0].begin == pytest.approx(0.7)


def codes(profile: mt.Profile, rows: list[tuple[float, str, float]]) -> list[tuple[str, str]]:
    """What a check finds of a take with some rows: what, and how bad it is."""
    take = mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    return [(one.code, one.level) for one in mt.check(profile, take)]


@pytest.mark.parametrize(
    ("rows", "found"),
    [
        ([(0.1, "mouse.move.x", 4.0), (0.2, "pad.right_stick.x", 0.5)], [("unused-rows", "note")]),
        ([(0.2, "pad.right_stick.x", 0.5)], [("unused-rows", "warning"), ("absent-device", "note")]),
        ([(0.1, "mouse.move.x", 4.0), (0.2, "mouse.move.x", 2e6)], [("refused-rows", "warning"), ("wild-values", "warning")]),
        ([], [("absent-device", "note")]),
    ],
)  # fmt: skip
def test_each_kind_of_row_that_does_nothing_is_a_finding(
    tmp_path: Path, rows: list[tuple[float, str, float]], found: list[tuple[str, str]]
) -> None:
    assert codes(load(tmp_path, PLAIN), rows) == found


CM = """
[touch.look]
drag = { after_travel = "0.4 cm" }
[routes.finger]
from = "touch.look"
drives = ["yaw", "pitch"]
sensitivity = "90 deg/screen"
"""


def test_a_finger_on_a_screen_of_unknown_density_is_refused_and_told_once(
    tmp_path: Path, caplog: pytest.LogCaptureFixture
) -> None:
    profile = load(tmp_path, PLAIN + CM)
    session = profile.session()
    session.set_screen(800, 400)
    for moment in (0.1, 0.2):
        session.touch("a", "down", (0.2, 0.5), at=moment)
        session.touch("a", "move", (0.8, 0.5), at=moment + 0.02)
        session.touch("a", "up", at=moment + 0.05)
    assert session.tick(0.25).axes["yaw"] == 0.0
    ((reason, count),) = session.refused["touch.1.down"].items()
    assert count == 2
    assert "look goes by cm, and nobody said how many pixels are one: set_screen" in reason
    assert sum("touch.1.down" in record.message for record in caplog.records) == 1
    rows = [(0.1, "touch.1.place.x", 0.2), (0.1, "touch.1.place.y", 0.5), (0.1, "touch.1.down", 1.0)]
    take = mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    assert reason in account_of(profile, mt.replay(profile, take), take).text()
    assert "refused-rows" in [code for code, _ in codes(profile, rows)]
    rows.insert(0, (0.0, "host.pixels_per_cm", 40.0))
    assert "refused-rows" not in [code for code, _ in codes(profile, rows)]


WALK = """format = "mellow-thumb profile 1"
[mounts.eye]
kind = "eye"
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
[routes.walk]
from = "steps"
drives = ["move_x", "move_y"]
"""


def test_a_walk_that_the_host_makes_itself_is_told_as_axes(tmp_path: Path) -> None:
    rows = [(0.1, "key.KeyW", 1.0), (0.9, "key.KeyW", 0.0)]
    profile, take = load(tmp_path, WALK), mt.Take(pd.DataFrame(rows, columns=["t", "signal", "value"]))
    assert "move_y   went 1 forward and 1 back" in account_of(profile, mt.replay(profile, take), take).text()

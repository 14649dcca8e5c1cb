"""The rules of fingers, as the docs draw them: what stand-in fingers come to."""

from __future__ import annotations

import sys
from pathlib import Path

import pytest

from mellow_thumb.insight.touched import Said, touched

from ..helpers.profiles import load

DOCS = Path(__file__).parents[2] / "docs"
sys.path.insert(0, str(DOCS))

import finger_rules  # noqa: E402
import grabbing  # noqa: E402
from finger_rules import RULES, Rule  # noqa: E402


def said(rule: Rule, folder: Path) -> dict[str, Said]:
    return touched(load(folder, rule.profile), finger_rules.taken(rule))


def last(found: dict[str, Said], name: str) -> float:
    return float(found[name].value[-1])


def presses(found: dict[str, Said], name: str) -> int:
    return int((found[name].value[1:] > found[name].value[:-1]).sum())


def test_a_drag_goes_on_through_a_tap_and_with_another_finger(tmp_path: Path) -> None:
    found = said(RULES["second_finger"], tmp_path)
    assert presses(found, "touch.look.tap") == 1
    # 0.45 by the first alone, 0.15 by the middle of two, 0.15 by the second alone, of a screen 1.2 wide
    assert last(found, "touch.look.x") == pytest.approx(1.2 * (0.3 + 0.15 + 0.15) - 0.03, abs=0.03)


def test_travel_is_dropped_once(tmp_path: Path) -> None:
    found = said(RULES["travel"], tmp_path)
    assert last(found, "touch.look.x") == pytest.approx(-0.03, abs=5e-3)
    assert found["touch.look.x"].value.max() == pytest.approx(1.2 * 0.3 - 0.03, abs=2e-3)


def test_a_pinch_is_back_where_its_gap_is_back(tmp_path: Path) -> None:
    found = said(RULES["pinch"], tmp_path)
    spread = found["touch.pinch"]
    assert last(found, "touch.pinch") == pytest.approx(1.0, abs=1e-9)
    assert spread.value.max() == pytest.approx(1.2 * 0.6 / (1.2 * 0.2 + 0.05), abs=0.02)
    assert (spread.value[spread.t < 0.5] == 1.0).all()  # in parallel
    assert last(found, "touch.look.x") == pytest.approx(1.2 * 0.1 - 0.03, abs=5e-3)


def test_taps_are_told_by_their_fingers(tmp_path: Path) -> None:
    found = said(RULES["taps"], tmp_path)
    assert [presses(found, f"touch.look.{name}") for name in ("tap", "two_finger_tap")] == [1, 1]


def test_a_palm_counts_for_nothing(tmp_path: Path) -> None:
    found = said(RULES["palm"], tmp_path)
    assert last(found, "touch.look.x") == pytest.approx(1.2 * 0.3 - 0.03, abs=5e-3)
    assert (found["touch.pinch"].value == 1.0).all()


def test_every_figure_of_the_rules_is_shown(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    page = (DOCS / "touch.md").read_text(encoding="utf-8")
    for name in (*RULES, *finger_rules.MORE):
        assert f"(figures/{name}.png)" in page
        assert (DOCS / "figures" / f"{name}.png").is_file()
    monkeypatch.setattr(finger_rules, "FOLDER", tmp_path)
    finger_rules.draw("taps", RULES["taps"])
    for draw in finger_rules.MORE.values():
        draw()
    assert len([one for one in tmp_path.iterdir() if one.stat().st_size > 5000]) == 4


def test_when_a_lift_is_told_changes_nothing_until_it_is_a_pause() -> None:
    ends = [finger_rules.flicked(late)["pan_x"].iloc[-1] for late in finger_rules.LIFTS]
    assert ends[1] == pytest.approx(ends[0], rel=1e-3)
    assert ends[2] == pytest.approx(1.2 * 0.02 * 18 - 0.03, abs=1e-9)  # what it was dragged, and no more


def test_what_is_told_with_one_time_acts_together() -> None:
    assert finger_rules.parallel(0.0).value == pytest.approx(1.0, abs=1e-12)
    assert finger_rules.parallel(0.008).value.min() < 0.99


def test_the_figure_of_a_grab_shows_what_a_session_does(tmp_path: Path) -> None:
    (begin, y), (end, _) = grabbing.BEGIN, grabbing.END
    for gain, with_finger in ((-grabbing.EXTENT, True), (grabbing.EXTENT, False)):
        view = grabbing.dragged(gain, tmp_path)
        place = (grabbing.TREES[0][0] - view.position[0]) / grabbing.EXTENT + 0.5
        assert (grabbing.TREES[0][1] - view.position[1]) / grabbing.EXTENT + 0.5 == pytest.approx(y)
        assert place == pytest.approx(end if with_finger else 2.0 * begin - end)
    grabbing.draw(tmp_path, tmp_path / "drawn.png")
    assert (tmp_path / "drawn.png").stat().st_size > 10_000

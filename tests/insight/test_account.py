"""What is said and drawn of a replay, against what was played."""

from __future__ import annotations

from pathlib import Path

import numpy as np
import pandas as pd
import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb import OutputError, Profile, Take, load_profile, marsh, read_take, replay
from mellow_thumb.insight.account import account_of, spans
from mellow_thumb.insight.figures.plots import axes_over_time, save_figure
from mellow_thumb.insight.figures.responses import route_figures
from mellow_thumb.insight.response import response_of, trace

from ..helpers.strategies import Event, events, take_of


@given(st.lists(st.booleans(), max_size=30))
def test_spans_cover_exactly_the_frames_in_which_it_held(held: list[bool]) -> None:
    t = np.arange(1.0, len(held) + 1.0)
    found = spans(t, np.array(held, dtype=bool))
    covered = [any(span.begin <= moment < span.end for span in found) for moment in t]
    assert covered[:-1] == held[:-1]
    assert all(span.begin < span.end for span in found if span.begin < len(held))


@given(events())
def test_an_account_adds_up(glasses: Profile, happened: list[Event]) -> None:
    table = replay(glasses, take_of(happened))
    account = account_of(glasses, table)
    for name, turned in account.axes.items():
        start = table[name].iloc[0] * 0.0
        assert start + turned.forth - turned.back == pytest.approx(
            table["yaw_total" if name == "yaw" else name].iloc[-1]
        )
        assert turned.least <= turned.end <= turned.most or name == "yaw"
    open_frames = sum(round((span.end - span.begin) * 60) for span in account.gates["glassing"])
    assert abs(open_frames - table["gate_glassing"].sum()) <= 1
    assert account.text().count("\n") >= 2


def test_an_account_of_little_is_still_an_account(glasses: Profile) -> None:
    assert account_of(glasses, replay(glasses, take_of([]))).text().splitlines()[1:] == [
        "1 s in 60 frames",
        "",
        "axes      none moved",
        "glassing  never open",
        "refused   nothing",
    ]


def test_a_take_of_other_devices_says_that_nothing_of_it_was_used(glasses: Profile) -> None:
    take = read_take(marsh.DYKE_TAKE)
    table = replay(glasses, take)
    account = account_of(glasses, table)
    assert (account.used, sum(account.passed.values())) == (0, len(take))
    assert (
        "used      no row of this take: the profile listens to mouse.move and mouse.right" in account.text()
    )
    assert "not used  pad.right_stick.x: 1,973 rows; pad.right_stick.y: 1,973 rows; " in account.text()


def test_what_the_host_says_is_no_row_of_a_device() -> None:
    take = read_take(dict(marsh.SCENES)[marsh.FINGERS])
    chart = load_profile(marsh.CHART)
    account = account_of(chart, replay(chart, take))
    assert "used      no row of this take: the profile listens to key.KeyA, key.KeyD, " in account.text()
    assert account.used == 0
    assert not [name for name in account.passed if name.startswith("host.")]


def test_what_is_used_and_what_is_not_add_up(sweep: Take) -> None:
    for path, played in marsh.SCENES:
        profile, take = load_profile(path), read_take(played)
        account = account_of(profile, replay(profile, take))
        hosts = int(take.table["signal"].astype(str).str.startswith("host.").sum())
        assert account.passed == {}
        assert account.used == len(take) - hosts
        assert "not used" not in account.text()
        both = Take(pd.concat([take.table, sweep.table], ignore_index=True))
        mixed = account_of(profile, replay(profile, both))
        assert mixed.used + sum(mixed.passed.values()) == account.used + len(sweep)


def test_a_figure_shows_limits_gates_and_where_a_limit_was_touched(glasses: Profile, sweep: Take) -> None:
    figure = axes_over_time(glasses, replay(glasses, sweep))
    yaw, pitch, gates = figure.axes
    words = {text.get_text() for text in pitch.texts}
    assert {"min \N{MINUS SIGN}35 deg", "max 40 deg", "pitch", "deg; positive looks up"} <= words
    assert any(word.startswith("at its limit for 0.") for word in words)
    assert "yaw" in {text.get_text() for text in yaw.texts}
    assert len(gates.patches) == 2
    line = pitch.lines[0].get_xydata()
    assert line is not None
    assert np.asarray(line).shape == (600, 2)


def test_the_boardwalk_says_when_gates_were_open_and_which_cues_were_given() -> None:
    profile = load_profile(marsh.BOARDWALK)
    table = replay(profile, read_take(marsh.BOARDWALK_TAKE))
    account = account_of(profile, table)
    assert {name: len(times) for name, times in account.cues.items()} == {"count": 5, "hop": 1, "note": 1}
    assert [len(account.gates[name]) for name in ("charting", "glassing", "peering")] == [1, 2, 2]
    charting, glassing, peering = (account.gates[name] for name in ("charting", "glassing", "peering"))
    for begin, late in zip(glassing, peering, strict=True):
        assert late.begin - begin.begin == pytest.approx(0.3, abs=0.02)
    assert not any(charting[0].begin <= t <= charting[0].end for t in account.cues["count"])
    assert "hop       given once: at 4.77 s" in account.text()
    assert account.walked is not None
    assert account.walked.path == pytest.approx(1.6 * 2.1 - 0.1, abs=0.1)  # two legs, speeding up and braking
    assert account.walked.fastest == pytest.approx(1.6, abs=1e-4)
    assert account.walked.distance < account.walked.path
    assert "walked    3.3 m, to 2.66 m from where it began; at most 1.6 m/s" in account.text()
    rows = axes_over_time(profile, table).axes[-1]
    labels = [label.get_text() for label in rows.get_yticklabels()]
    assert labels == ["charting", "glassing", "peering", "count", "hop", "note"]
    assert [len(np.asarray(line.get_xdata())) for line in rows.lines] == [5, 1, 1]


def test_a_figure_with_no_limits_gates_or_frames_is_drawn(tmp_path: Path, glasses: Profile) -> None:
    empty = replay(glasses, take_of([]), frames=[])
    save_figure(axes_over_time(glasses, empty), tmp_path / "empty.png")
    assert (tmp_path / "empty.png").stat().st_size > 1000
    with pytest.raises(OutputError, match="suffix"):
        save_figure(axes_over_time(glasses, empty), tmp_path / "empty.gif")


def test_a_response_is_what_the_curve_and_the_zone_say(dyke: Profile) -> None:
    look = next(route for route in dyke.routes if route.name == "look")
    found = response_of(look)
    zone, curve = look.shape.dead_zone, look.shape.curve
    assert zone is not None
    assert curve is not None
    for travel, effect in zip(found.travel, found.effect, strict=True):
        past = min(max((travel - zone.inner) / (zone.outer - zone.inner), 0.0), 1.0)
        assert effect == pytest.approx(curve.value(past), abs=1e-12)
    assert max(found.slope) == pytest.approx(2.2 / (zone.outer - zone.inner), rel=0.02)


def test_a_trace_shows_each_step_and_smoothing_only_moves_it_in_time(dyke: Profile) -> None:
    look = next(route for route in dyke.routes if route.name == "look")
    table = trace(dyke, look, read_take(marsh.DYKE_TAKE))
    assert list(table.columns) == ["t", "signal", "rest", "dead zone", "curve", "wish", "smoothed"]
    assert table["signal"].iloc[100] == pytest.approx(0.034, abs=0.02)  # it rests off centre
    assert abs(table["rest"].iloc[10:150]).max() < 0.03
    assert (table["dead zone"].iloc[10:150] == 0.0).all()
    assert table["wish"].sum() == pytest.approx(table["smoothed"].sum(), rel=1e-3)


def test_every_route_with_something_to_see_is_drawn(dyke: Profile) -> None:
    take = read_take(marsh.DYKE_TAKE)
    names = {"look_response", "look_dead_zone", "look_steps", "peer_response", "peer_steps"}
    assert set(route_figures(dyke, take)) == names
    assert set(route_figures(dyke, None)) == {name for name in names if not name.endswith("steps")}
    (above, *_) = route_figures(dyke, None)["look_response"].axes
    words = {text.get_text() for text in above.texts}
    assert {"half travel gives 21 %", "nothing up to 6 %"} <= words


def test_a_route_is_traced_with_its_gates_devices_and_signals_as_they_are(tmp_path: Path) -> None:
    boardwalk, take = load_profile(marsh.BOARDWALK), read_take(marsh.BOARDWALK_TAKE)
    assert set(route_figures(boardwalk, take)) == {"look_steps"}
    text = marsh.BOARDWALK.read_text(encoding="utf-8").replace(
        "[signals]", 'padding = { active = "pad" }\n[signals]'
    )
    gated = text.replace('gate = "not charting"', 'gate = ["not charting", "not padding"]', 1)
    file = tmp_path / "pad.toml"
    file.write_text(gated.replace('["key.Space", "pad.south"]', '"key.Space"') + PAD_ROUTE, encoding="utf-8")
    profile = load_profile(file)
    look = next(route for route in profile.routes if route.name == "look")
    table, whole = trace(profile, look, take), replay(boardwalk, take)
    turned = whole["yaw"].iloc[-1] - 0.5 * 60  # but for half a second of keys
    assert table["smoothed"].sum() / 240.0 == pytest.approx(turned, abs=0.1)


PAD_ROUTE = """
[routes.stick]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "100 deg/s"
"""


def test_a_response_says_what_full_is_in_the_axiss_own_unit() -> None:
    profile = load_profile(marsh.FOLLOWING)
    drawn = route_figures(profile, None)
    for name, full in (
        ("walk", "full is move_x 1, move_y 1"),
        ("away", "full is distance 80 %/s"),
        ("near", "full is distance -44.44 %/s"),
        ("look", "full is yaw 200 deg/s, pitch 120 deg/s"),
    ):
        words = [text.get_text() for axes in drawn[f"{name}_response"].axes for text in axes.texts]
        assert any(one.replace("\N{MINUS SIGN}", "-").endswith(full) for one in words), words

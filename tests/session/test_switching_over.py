"""A session that goes on by another profile: what has a place there goes on, the rest is told."""

from __future__ import annotations

import os
from dataclasses import replace
from itertools import pairwise
from math import isclose
from pathlib import Path
from typing import Any

import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Gate
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.signals import Address, own_signal
from mellow_thumb.plan.steps import OneEuro
from mellow_thumb.weaving import weave_plan

from ..helpers.strategies import EVERYTHING, Event, events, feed, plans

GLASSES = marsh.PROFILE.read_text()


def save(path: Path, text: str) -> Path:
    path.write_text(text, encoding="utf-8")
    return path


LAST = Buttons((Address(own_signal("flag", "aaa")),))


def with_more_before(plan: Plan) -> Plan:
    """The same plan with a gate and a cue that come first, and do nothing: every number is another."""
    gates = (Gate("aaa", LAST), *plan.gates)
    return replace(plan, gates=gates, cues=(Cue("aaa", LAST), *plan.cues))


def same(one: mt.Session, two: mt.Session) -> None:
    frames = one.tick(0.05), two.tick(0.05)
    first, second = (frame.axes for frame in frames)
    for name, value in first.items():
        assert isclose(value, second[name], rel_tol=1e-9, abs_tol=1e-9), name
    gates = [{name: one for name, one in frame.gates.items() if name != "aaa"} for frame in frames]
    assert gates[0] == gates[1]
    assert frames[0].cues == frames[1].cues
    assert (frames[0].mount, frames[0].device) == (frames[1].mount, frames[1].device)
    views = one.view((1.0, 0.0, 2.0)), two.view((1.0, 0.0, 2.0))
    for a, b in zip(*((*view.position, *view.rotation) for view in views), strict=True):
        assert isclose(a, b, rel_tol=1e-9, abs_tol=1e-9)


@settings(max_examples=40)
@given(plans(makers=EVERYTHING), events(seconds=0.5), st.integers(0, 8))
def test_what_has_a_place_goes_on_whatever_comes_before_it(
    plan: Plan, happened: list[Event], at: int
) -> None:
    # all that is held is looked at anew, and a 1 euro filter takes that for a report more
    assume(not any(isinstance(route.smoothing, OneEuro) for route in plan.routes))
    one, two = mt.Session(plan), mt.Session(plan)
    for event in happened:
        feed(one, event)
        feed(two, event)
    for frame in range(12):
        if frame == at:
            assert two.switch(with_more_before(plan)) == ()
        if frame == at + 2:
            told = two.switch(plan)
            assert told == ("the gate aaa is gone", "the cue aaa is gone")
        same(one, two)


@pytest.mark.parametrize("path", [one for one, _ in marsh.SCENES], ids=lambda path: path.stem)
def test_every_state_value_has_a_role_of_its_own(path: Path) -> None:
    profile = mt.load_profile(path)
    numbered = weave_plan(with_more_before(profile))
    plain = weave_plan(profile)
    assert len(set(plain.roles.values())) == len(plain.state)
    assert set(plain.roles.values()) <= set(numbered.roles.values())


def test_the_view_follows_gently_to_a_new_limit(tmp_path: Path) -> None:
    wide = mt.load_profile(save(tmp_path / "wide.toml", GLASSES))
    session = wide.session()
    session.set_axis("pitch", 60.0)
    session.tick(0.1)
    before = session.view()
    low = replace(wide, axes=tuple(replace(a, high=20.0) if a.name == "pitch" else a for a in wide.axes))
    assert session.switch(low) == ()
    assert session.tick(0.0).axes["pitch"] == 20.0
    assert session.view().rotation == pytest.approx(before.rotation, abs=1e-9)
    pitch = []
    for _ in range(10):
        session.tick(0.1)
        pitch.append(session.view().rotation[0])
    steps = [a - b for a, b in zip([before.rotation[0], *pitch], pitch, strict=False)]
    assert all(a > b > 0.0 for a, b in pairwise(steps))
    session.feed("mouse.move", (0.0, 400.0))
    assert session.tick(0.1).axes["pitch"] == 20.0


def test_an_axis_that_multiplies_now_keeps_its_value() -> None:
    chart = mt.load_profile(marsh.CHART)
    session = chart.session()
    session.tick(0.1)
    (name,) = {one.axis.name for one in chart.mounts.instances if one.axis.log} & {"distance", "zoom"} or {
        "distance"
    }
    before = session.tick(0.1).axes[name]
    plain = replace(
        chart,
        axes=tuple(replace(a, log=False, start=a.start) if a.name == name else a for a in chart.axes),
        routes=tuple(one for one in chart.routes if name not in one.drives),
    )
    told = session.switch(plain)
    assert all(one.startswith("the route ") for one in told)
    assert session.tick(0.1).axes[name] == pytest.approx(before, rel=1e-12)
    session.switch(chart)
    assert session.tick(0.1).axes[name] == pytest.approx(before, rel=1e-12)


def test_what_is_gone_is_told_and_what_waits_for_it_is_passed_over() -> None:
    field, dyke = mt.load_profile(marsh.PROFILE), mt.load_profile(marsh.DYKE)
    session = field.session()
    session.feed("mouse.right", 1)
    session.feed("mouse.move", (30.0, 0.0))
    turned = session.tick(0.1).axes["yaw"]
    session.feed("mouse.move", (9.0, 0.0), at=0.15)
    session.kick("yaw", 1.0, half_life=0.1)
    session.set_scale(field.routes[0].name, 0.5)
    told = session.switch(dyke)
    assert told == ("the route bare_eye is gone", "the route glasses is gone")
    frame = session.tick(0.1)
    assert turned < frame.axes["yaw"] < turned + 0.05  # what smoothing still owes it comes
    session.feed("pad.right_stick", (1.0, 0.0))
    session.tick(0.1)
    assert session.tick(0.1).axes["yaw"] > turned
    assert not session.refused


def test_the_mount_in_force_stays_by_its_name() -> None:
    chart = mt.load_profile(marsh.CHART)
    session = chart.session()
    session.feed("key.KeyM", 1)
    session.tick(0.1)
    session.feed("key.KeyM", 0)
    other = session.tick(1.0).mount
    assert other != chart.mount.name
    assert session.switch(with_more_before(chart)) == ()
    assert session.tick(0.1).mount == other
    # without it the other is there at once, and says so
    alone = mt.load_profile(marsh.DYKE)
    told = session.switch(alone)
    assert f"the mount {other} is gone" in told
    assert session.tick(0.1).mount == alone.mount.name
    session.view((0.0, 0.0, 0.0))
    session.switch(chart)
    assert session.tick(0.1).mount == chart.mount.name


def test_a_sheet_that_was_applied_is_laid_over_the_new_profile(tmp_path: Path) -> None:
    text = Path("tests/data/offered.toml").read_text()
    first = mt.load_profile(save(tmp_path / "first.toml", text))
    route = next(iter(first.offers.sensitivity))
    sheet = mt.new_sheet(first)
    sheet.set(first, "sensitivity", route, first.offers.sensitivity[route][1])
    session = first.session()
    session.apply(sheet)
    kept = session.snapshot()
    second = replace(first, title="another", base=None)
    assert session.switch(second) == ()
    assert session._running.plan == sheet.lay(second)[0]
    session.restore(kept)
    assert session._running.plan == sheet.lay(first)[0]
    session.tick(0.1)


def test_names_that_look_like_ours_are_not_taken_for_them(tmp_path: Path) -> None:
    text = """format = "mellow-thumb profile 1"
title = "names"
mount = "eye"
[gates]
walk_on = { flag = "turn_on" }
cat_wants = { toggle = ["mouse.right"] }
[routes.turn_on]
from = "mouse.move.x"
drives = "look_pool1"
sensitivity = "1 deg/count"
smoothing = { half_life = "50 ms" }
[routes.plain]
from = "mouse.move.y"
drives = "look"
sensitivity = "1 deg/count"
smoothing = { half_life = "50 ms" }
[axes]
look = { unit = "deg" }
look_pool1 = { unit = "deg" }
[mounts.eye]
kind = "eye"
"""
    profile = mt.load_profile(save(tmp_path / "names.toml", text))
    one, two = profile.session(), profile.session()
    for session in (one, two):
        session.feed("flag.turn_on", 1)
        session.feed("mouse.right", 1)
        session.feed("mouse.move", (30.0, 7.0))
        session.tick(0.05)
    assert two.switch(with_more_before(profile)) == ()
    frame = one.tick(0.05)
    assert frame.gates == {"walk_on": True, "cat_wants": True}
    assert frame.axes["look"] != frame.axes["look_pool1"]
    assert dict(two.tick(0.05).axes) == pytest.approx(dict(frame.axes), rel=1e-9)
    same(one, two)
    fewer = text.replace("[routes.plain]", "[routes.gone]").replace(
        'cat_wants = { toggle = ["mouse.right"] }\n', ""
    )
    assert one.switch(mt.load_profile(save(tmp_path / "fewer.toml", fewer))) == (
        "the gate cat_wants is gone",
        "the route plain is gone",
    )
    one.switch(profile)
    assert one.tick(0.05).gates == {"walk_on": True, "cat_wants": False}


def test_what_is_no_profile_is_refused_and_nothing_has_changed(glasses: mt.Profile) -> None:
    session = glasses.session()
    before = session.state()
    wrong: list[Any] = ["chart.toml", None, mt.Take]
    for one in wrong:
        with pytest.raises(mt.ArgumentError, match="expected a profile, from load_profile"):
            session.switch(one)
    assert session.state() == before


# ---- the file


def test_a_profile_knows_whether_its_file_has_changed(tmp_path: Path) -> None:
    path = save(tmp_path / "own.toml", GLASSES)
    profile = mt.load_profile(path)
    assert not profile.changed()
    save(path, GLASSES.replace("0.022", "0.044") + "\n")
    assert profile.changed()
    fresh = profile.reload()
    assert fresh != profile or fresh.data == profile.data
    assert not profile.changed()
    assert not fresh.changed()
    # a file that is wrong is told once, and asked again when it is another
    save(path, "format = 3\n")
    assert fresh.changed()
    with pytest.raises(mt.ProfileError, match=r"own\.toml"):
        fresh.reload()
    assert not fresh.changed()
    path.unlink()
    assert not fresh.changed()
    save(path, GLASSES)
    os.utime(path, ns=(1, 1))
    assert fresh.changed()
    assert fresh.reload() == mt.load_profile(path)


def test_a_profile_is_read_again_from_where_it_was(tmp_path: Path, monkeypatch: pytest.MonkeyPatch) -> None:
    monkeypatch.chdir(tmp_path)
    profile = mt.load_profile(save(Path("own.toml"), GLASSES))
    (tmp_path / "below").mkdir()
    monkeypatch.chdir(tmp_path / "below")
    assert not profile.changed()
    assert profile.reload().data == profile.data


def test_a_profile_without_a_file_says_so() -> None:
    profile: Any = mt.Profile((), (), mt.load_profile(marsh.DYKE).axes, mt.load_profile(marsh.DYKE).mount)
    assert not profile.changed()
    with pytest.raises(mt.ArgumentError, match="came from no file"):
        profile.reload()

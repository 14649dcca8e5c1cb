"""Player sheets: what a player chooses is laid over the profile, within what it offers, and survives."""

from __future__ import annotations

import math
import re
from pathlib import Path
from typing import Any

import pytest
from click.testing import CliRunner
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.commands.line import main
from mellow_thumb.plan import take_apart
from mellow_thumb.profiles.offers import places
from mellow_thumb.profiles.rebinding import carried, conflicts
from mellow_thumb.profiles.whole import resolve

from ..helpers.profiles import data, load, problems

TEXT = data("offered.toml")


@pytest.fixture
def profile(tmp_path: Path) -> mt.Profile:
    return load(tmp_path, TEXT)


@pytest.fixture(scope="module")
def marsh(tmp_path_factory: pytest.TempPathFactory) -> mt.Profile:
    return load(tmp_path_factory.mktemp("sheets"), TEXT)


def route(profile: mt.Profile, name: str) -> Any:
    return next(one for one in profile.routes if one.name == name)


def test_an_empty_sheet_changes_nothing(profile: mt.Profile) -> None:
    laid, told = mt.new_sheet(profile).lay(profile)
    assert (laid, told) == (profile, ())
    assert laid.digest == profile.digest


def test_every_choice_does_what_it_says(profile: mt.Profile) -> None:
    sheet = mt.new_sheet(profile)
    sheet.set(profile, "sensitivity", "look", 2.0)
    sheet.set(profile, "sensitivity", "glance", 0.5)
    sheet.set(profile, "dead_zone", "look", 0.25)
    sheet.set(profile, "invert", "pad", ["pitch"])
    sheet.set(profile, "choice", "glassing", "toggle")
    sheet.set(profile, "hands", "turn_cap", "90 deg/s")
    sheet.set(profile, "buttons", "hop", ["pad.east", "key.KeyJ"])
    laid, told = sheet.lay(profile)
    assert told == ()
    assert route(laid, "look").gains == (400.0, -240.0)
    assert route(laid, "glance").gains == pytest.approx([0.5 * one for one in route(profile, "glance").gains])
    assert route(laid, "look").shape.dead_zone.inner == 0.25
    assert next(gate for gate in laid.gates if gate.name == "glassing").choice == ("toggle", "hold")
    assert laid.hands.turn_cap == 90.0
    assert carried(laid, "hop") == ("pad.east", "key.KeyJ")
    sheet.reset("invert")
    sheet.reset("sensitivity", "look")
    assert route(sheet.lay(profile)[0], "look").gains == (200.0, 120.0)
    sheet.reset()
    assert sheet.lay(profile)[0] == profile


@settings(max_examples=60)
@given(
    st.dictionaries(st.sampled_from(["look", "glance"]), st.floats(0.2, 5.0)),
    st.none() | st.floats(0.05, 0.4),
    st.sampled_from([[], ["pitch"]]),
    st.sampled_from([None, "90 deg/s"]),
    st.sampled_from([None, ["pad.east", "key.KeyJ"]]),
)
def test_what_is_read_of_a_changed_route_alone_is_what_the_whole_profile_says(
    marsh: mt.Profile,
    factors: dict[str, float],
    inner: float | None,
    inverted: list[str],
    cap: str | None,
    hop: list[str] | None,
) -> None:
    sheet = mt.new_sheet(marsh)
    for name, factor in factors.items():
        sheet.set(marsh, "sensitivity", name, factor)
    if inner is not None:
        sheet.set(marsh, "dead_zone", "look", inner)
    sheet.set(marsh, "invert", "pad", inverted)
    if cap:
        sheet.set(marsh, "hands", "turn_cap", cap)
    if hop:
        sheet.set(marsh, "buttons", "hop", hop)
    laid, told = sheet.lay(marsh)
    whole = resolve(dict(laid.data))
    assert told == ()
    assert whole.plan is not None
    assert (laid.digest, laid.base) == (whole.plan.digest, marsh)
    assert take_apart(laid).numbers == take_apart(whole.plan).numbers
    assert take_apart(laid).shape == take_apart(whole.plan).shape


def test_new_numbers_are_neither_woven_nor_read_with_the_rest(
    profile: mt.Profile, monkeypatch: pytest.MonkeyPatch
) -> None:
    session, sheet = profile.session(), mt.new_sheet(profile)
    sheet.set(profile, "buttons", "hop", ["pad.east"])
    session.apply(sheet)
    for place in ("profiles.whole.resolve", "weaving.program.live_text", "weaving.program.compiled"):
        monkeypatch.setattr(f"mellow_thumb.{place}", None)
    session.feed("pad.right_stick", (1.0, 0.0))
    session.tick(0.1)
    turned = []
    for factor in (1.0, 2.0):
        sheet.set(profile, "sensitivity", "look", factor)
        before = session.tick(0.0).axes["yaw"]
        session.apply(sheet)
        turned.append(session.tick(0.1).axes["yaw"] - before)
    assert turned[1] == pytest.approx(2.0 * turned[0])


@pytest.mark.parametrize(
    ("section", "name", "value", "words"),
    [
        ("sensitivity", "look", 9.0, "sensitivity.look: found 9.0; expected 0.2 to 5"),
        ("sensitivity", "lok", 1.0, "did you mean look?"),
        ("sensitivity", "look", float("nan"), "expected 0.2 to 5"),
        ("sensitivity", "look", True, "found True"),
        ("invert", "pad", ["yaw"], "invert.pad: not offered; expected what the profile offers: pitch"),
        ("invert", "pda", ["pitch"], "expected devices or a route"),
        ("choice", "glassing", "never", "expected hold or toggle"),
        ("choice", "charting", "hold", "not offered"),
        ("hands", "swap_sticks", True, "not offered"),
        ("buttons", "hop", ["mouse.left"], "expected what may carry it: key.* or pad.*"),
        ("buttons", "hop", [], "found no button"),
        ("buttons", "steps.down", "key.KeyX", "not offered"),
        ("sensitivty", "look", 1.0, "did you mean sensitivity?"),
    ],
)
def test_what_is_not_offered_is_refused_and_nothing_has_changed(
    profile: mt.Profile, section: str, name: str, value: Any, words: str
) -> None:
    sheet = mt.new_sheet(profile)
    with pytest.raises(mt.ArgumentError) as caught:
        sheet.set(profile, section, name, value)
    assert words in str(caught.value)
    assert sheet.lay(profile)[0] == profile


def test_a_sheet_takes_the_place_of_the_one_before_it(profile: mt.Profile) -> None:
    first, second = mt.new_sheet(profile), mt.new_sheet(profile)
    first.set(profile, "sensitivity", "look", 2.0)
    first.set(profile, "invert", "pad", ["pitch"])
    second.set(profile, "sensitivity", "look", 3.0)
    once, _ = first.lay(profile)
    assert once != profile
    assert first.lay(once)[0] == once
    assert second.lay(once)[0] == second.lay(profile)[0]
    assert mt.new_sheet(once).lay(once)[0] == profile
    session = once.session()
    session.apply(first)
    session.feed("pad.right_stick", (0.0, 1.0))
    assert session.tick(0.1).axes["pitch"] == pytest.approx(-24.0)


def test_comments_and_keys_of_newer_versions_are_kept(profile: mt.Profile, tmp_path: Path) -> None:
    file = tmp_path / "me.toml"
    file.write_text(
        '# mine\nformat = "mellow-thumb sheet 2"\nprofile = "Out on the marsh"\n\n[sensitivity]\n'
        "look = 1.5  # as on the other machine\n\n[rumble]\nstrength = 0.3\n",
        encoding="utf-8",
    )
    sheet = mt.load_sheet(file)
    assert [note.partition(":")[0] for note in sheet.notes] == ["mellow-thumb sheet 2", "rumble"]
    sheet.set(profile, "sensitivity", "glance", 2)
    sheet.save()
    text = file.read_text(encoding="utf-8")
    assert "# mine\n" in text
    assert "look = 1.5  # as on the other machine" in text
    assert "[rumble]\nstrength = 0.3" in text
    assert "glance = 2" in text
    assert mt.load_sheet(file).lay(profile)[0] == sheet.lay(profile)[0]


def test_a_sheet_for_an_older_profile_is_adapted_and_says_what_no_longer_applies(
    profile: mt.Profile, tmp_path: Path
) -> None:
    file = tmp_path / "me.toml"
    file.write_text(
        'format = "mellow-thumb sheet 1"\n[sensitivity]\nlook = 8.0\nold_look = 2.0\n'
        '[buttons]\nhop = ["pad.east", "mouse.left"]\n[choice]\ncrouching = "toggle"\n',
        encoding="utf-8",
    )
    laid, told = mt.load_sheet(file).lay(profile)
    assert route(laid, "look").gains == (1000.0, 600.0)  # the most that is offered
    assert carried(laid, "hop") == ("pad.east",)
    assert len(told) == 4
    assert any("sensitivity.look: found 8.0; expected 0.2 to 5; taken as 5.0" in words for words in told)
    assert any("old_look: not offered" in words for words in told)
    done = CliRunner().invoke(main, ["tell", profile.file, "--player", str(file)])
    assert done.exit_code == 0
    assert "up to 1000 deg/s" in done.output
    assert f"{file}: choice.crouching: not offered" in done.output


@pytest.mark.parametrize(
    ("text", "words"),
    [
        ('format = "mellow-thumb sheet 1"\n[sensitivity\n', "me.toml:2:"),
        ("x = " + "[" * 5000 + "]" * 5000, "me.toml"),
    ],
)
def test_what_is_no_sheet_is_refused_with_its_line(tmp_path: Path, text: str, words: str) -> None:
    file = tmp_path / "me.toml"
    file.write_text(text, encoding="utf-8")
    with pytest.raises(mt.SheetError) as caught:
        mt.load_sheet(file)
    assert words in str(caught.value)


@settings(max_examples=200)
@given(st.binary(max_size=400))
def test_any_bytes_at_all_are_a_sheet_or_an_error(
    tmp_path_factory: pytest.TempPathFactory, data: bytes
) -> None:
    file = tmp_path_factory.mktemp("bytes") / "me.toml"
    file.write_bytes(data)
    try:
        mt.load_sheet(file)
    except mt.SheetError as error:
        assert "me.toml" in str(error)


def test_offers_that_offer_nothing_are_refused_with_their_lines(tmp_path: Path) -> None:
    with pytest.raises(mt.ArgumentError, match="found no file that this sheet came from"):
        mt.new_sheet(load(tmp_path, TEXT)).save()
    for old, new, words in (
        ("look = [0.2, 5], glance", "lok = [0.2, 5], glance", 'found "lok"; expected a route'),
        ("[0.05, 0.4]", "[0.4, 0.05]", "expected a rising pair"),
        ('invert = ["pitch"]', 'invert = ["pich"]', "did you mean pitch?"),
        ('"min_hold"]', '"turncap"]', "did you mean turn_cap?"),
        ('snap = ["key.*"]', 'snap = ["keys.*"]', "expected a signal, or all of a device"),
        ('"steps.up" =', '"steps.upp" =', "did you mean steps.up?"),
    ):
        assert words in "\n".join(problems(tmp_path, TEXT, (old, new)))


# ---- in the middle of a frame

choices = st.lists(
    st.one_of(
        st.tuples(st.just("sensitivity"), st.sampled_from(["look", "glance"]), st.floats(0.2, 5.0)),
        st.tuples(st.just("dead_zone"), st.just("look"), st.floats(0.05, 0.4)),
        st.tuples(st.just("invert"), st.sampled_from(["pad", "desk"]), st.just(["pitch"])),
        st.tuples(st.just("choice"), st.just("glassing"), st.sampled_from(["hold", "toggle"])),
        st.tuples(st.just("hands"), st.just("turn_cap"), st.just("120 deg/s")),
        st.tuples(st.just("buttons"), st.just("hop"), st.sampled_from([["pad.east"], ["key.KeyJ", "pad.north"]])),
        st.tuples(st.just("buttons"), st.just("steps.up"), st.sampled_from([["key.ArrowUp"], ["key.KeyI"]])),
    ),
    max_size=5,
)  # fmt: skip


@settings(max_examples=60)
@given(choices, st.floats(-1.0, 1.0), st.booleans(), st.booleans())
def test_a_sheet_is_taken_over_without_a_jump_and_what_is_held_stays_held(
    marsh: mt.Profile, chosen: list[tuple[str, str, Any]], push: float, walks: bool, glasses: bool
) -> None:
    sheet, session = mt.new_sheet(marsh), marsh.session()
    for one in chosen:
        sheet.set(marsh, *one)
    session.feed("pad.right_stick", (push, 0.3))
    session.feed("key.KeyD", float(walks))
    session.feed("mouse.right", float(glasses))
    session.tick(0.2)
    before = session.tick(0.05)
    session.feed("mouse.move", (30.0, 0.0), at=session.now + 0.01)  # waits
    assert session.apply(sheet) == ()
    now = session.tick(0.0)
    for name in ("yaw_total", "pitch", "roll"):
        assert now.axes[name] == before.axes[name]
    assert now.gates["glassing"] == before.gates["glassing"] == glasses
    assert not now.cues
    after = session.tick(0.1)
    laid, _ = sheet.lay(marsh)
    turning = route(laid, "look").gains[0]
    still = marsh.session()
    still.apply(sheet)
    still.feed("pad.right_stick", (push, 0.3))
    still.feed("key.KeyD", float(walks))
    still.feed("mouse.right", float(glasses))
    still.tick(0.05)
    first = still.tick(0.0).axes["yaw_total"]
    still.feed("mouse.move", (30.0, 0.0), at=still.now + 0.01)
    gone = still.tick(0.1).axes["yaw_total"] - first
    if not (glasses and ("choice", "glassing", "toggle") in chosen):
        assert after.axes["yaw_total"] - before.axes["yaw_total"] == pytest.approx(gone, abs=1e-9)
    assert after.axes["move_x"] == float(walks)
    assert turning > 0.0
    assert not session.refused


LEANING = TEXT.replace(
    "[cues]",
    """[routes.peek]
from = "pad.left_trigger"
drives = "yaw"
sensitivity = "40 deg"
[routes.crane]
from = "pad.left_stick.y"
drives = "pitch"
sensitivity = "30 deg"
smoothing = { spring = "60 ms" }
[routes.tip]
from = "motion.tilt"
drives = ["yaw", "pitch"]
sensitivity = "1 deg/deg"
[cues]""",
).replace("sensitivity = { look", "sensitivity = { peek = [0.2, 5], crane = [0.2, 5], tip = [0.2, 5], look")


@settings(max_examples=60)
@given(
    st.dictionaries(st.sampled_from(["peek", "crane", "tip"]), st.floats(0.2, 5.0), min_size=1),
    st.booleans(), st.floats(0.0, 1.0), st.floats(-1.0, 1.0), st.floats(-40.0, 40.0), st.floats(-179.0, 180.0),
)  # fmt: skip
def test_the_view_goes_gently_where_what_is_held_leans_anew(
    tmp_path_factory: pytest.TempPathFactory,
    scales: dict[str, float], inverts: bool, peek: float, crane: float, tip: float, yaw: float,
) -> None:  # fmt: skip
    profile = load(tmp_path_factory.getbasetemp(), LEANING)
    session, sheet = profile.session(), mt.new_sheet(profile)
    for name, scale in scales.items():
        sheet.set(profile, "sensitivity", name, scale)
    if inverts:
        sheet.set(profile, "invert", "pad", ["pitch"])

    def hold(t: float) -> None:
        session.feed("pad.left_trigger", peek, at=t)
        session.feed("pad.left_stick", (0.0, crane), at=t)
        for what, value in attitude(tip if t else 0.0).items():
            session.feed(f"motion.attitude.{what}", value, at=t)

    session.set_axis("yaw", yaw)
    hold(0.0)
    session.tick(0.1)
    hold(0.1)
    for _ in range(30):
        session.tick(0.1)
    before = session.view()
    assert session.apply(sheet) == ()
    assert apart(session.view(), before) < 3e-6  # what is fainter is left out
    session.tick(0.0)
    assert apart(session.view(), before) < 3e-6
    hold(session.now)
    session.tick(1e-4)
    assert apart(session.view(), before) < 0.5
    for _ in range(30):
        session.tick(0.1)
    there, axes = session.view(), session.tick(0.0).axes
    hold(session.now)
    assert session.tick(0.1).axes["yaw"] == pytest.approx(axes["yaw"], abs=1e-9)
    assert apart(session.view(), there) < 1e-6
    laid = sheet.lay(profile)[0].session()
    assert not session.refused
    laid.feed("pad.left_trigger", peek)
    laid.set_axis("yaw", yaw)
    for t, angle in ((0.0, 0.0), (0.1, tip)):
        for what, value in attitude(angle).items():
            laid.feed(f"motion.attitude.{what}", value, at=t)
    laid.feed("pad.left_stick", (0.0, crane))
    for _ in range(40):
        last = laid.tick(0.1)
    for name in ("yaw", "pitch"):
        assert (last.axes[name] - axes[name] + 180.0) % 360.0 - 180.0 == pytest.approx(0.0, abs=1e-6)


def attitude(angle: float) -> dict[str, float]:
    """A device that leans by an angle (deg), as the quaternion of its attitude."""
    half = math.radians(angle) / 2.0
    return {"x": 0.0, "y": 0.0, "z": -math.sin(half), "w": math.cos(half)}


def apart(one: mt.View, other: mt.View) -> float:
    """The angle (deg) between two views."""
    chord = min(math.dist(one.rotation, [sign * part for part in other.rotation]) for sign in (1.0, -1.0))
    return math.degrees(4.0 * math.asin(chord / 2.0))


def test_a_button_that_no_longer_carries_lets_go_and_the_next_press_of_the_new_one_acts(
    profile: mt.Profile,
) -> None:
    session, sheet = profile.session(), mt.new_sheet(profile)
    session.feed("key.KeyW", 1.0)
    assert session.tick(0.1).axes["move_y"] == 1.0
    sheet.set(profile, "buttons", "steps.up", ["key.ArrowUp"])
    session.apply(sheet)
    assert session.tick(0.1).axes["move_y"] == 0.0
    session.feed("key.ArrowUp", 1.0)
    assert session.tick(0.1).axes["move_y"] == 1.0
    sheet.reset()
    session.apply(sheet)
    assert session.tick(0.1).axes["move_y"] == 0.0
    session.feed("key.KeyW", 0.0)
    session.feed("key.KeyW", 1.0)
    assert session.tick(0.1).axes["move_y"] == 1.0


def test_a_push_of_the_old_button_is_not_one_of_the_new(tmp_path: Path) -> None:
    peek = '[routes.peek]\nfrom = "pad.right_trigger"\ndrives = "roll"\nsensitivity = "9 deg"\n[cues]'
    hold = 'hold = ["pad.left_trigger"], at = 0.6, rearm = 0.4'
    both = 'hold = ["mouse.right", "pad.left_shoulder"]'
    profile = load(tmp_path, TEXT, (both, hold), ("[cues]", peek))
    session, sheet = profile.session(), mt.new_sheet(profile)
    session.feed("pad.left_trigger", 1.0)
    session.feed("pad.right_trigger", 0.5)  # not yet pushed, not yet let go
    assert session.tick(0.1).gates["glassing"]
    mt.rebind(profile, sheet, "glassing", "pad.right_trigger")
    session.apply(sheet)
    assert not session.tick(0.1).gates["glassing"]
    session.feed("pad.right_trigger", 0.7)
    assert session.tick(0.1).gates["glassing"]


changes = st.one_of(
    st.tuples(st.sampled_from(["debounce", "min_hold"]), st.sampled_from(["50 ms", "0.3 s"])),
    st.tuples(st.just("glassing"), st.sampled_from(["pad.east", "mouse.middle", "pad.left_trigger"])),
    st.just(("", "")),
)
pressed = st.tuples(st.sampled_from(["mouse.right", "pad.left_shoulder", "key.KeyW"]), st.booleans())


@settings(max_examples=80)
@given(st.lists(st.tuples(pressed, st.sampled_from([0.0, 0.01, 0.25]), changes), max_size=8))
def test_whatever_was_applied_all_that_is_let_go_is_let_go(
    marsh: mt.Profile, steps: list[tuple[tuple[str, bool], float, tuple[str, str]]]
) -> None:
    session, sheet = marsh.session(), mt.new_sheet(marsh)
    session.feed("pad.right_stick", (0.9, 0.0))
    for (button, down), dt, (what, value) in steps:
        session.feed(button, float(down))
        session.tick(dt)
        if what == "glassing":
            mt.rebind(marsh, sheet, what, value, conflict="share")
        elif what:
            sheet.set(marsh, "hands", what, value)
        else:
            sheet.reset()
        session.apply(sheet)
    session.feed("pad.right_stick", (0.0, 0.0))
    for button in ("mouse.right", "pad.left_shoulder", "key.KeyW"):
        session.feed(button, 0.0)
    for _ in range(8):
        before = session.tick(0.25)
    after = session.tick(0.25)
    assert not after.gates["glassing"]
    assert dict(after.axes) == dict(before.axes)
    assert after.axes["move_y"] == 0.0


# ---- another button


def test_the_next_press_that_qualifies_is_found_and_acts_on_nothing(profile: mt.Profile) -> None:
    session, offers = profile.session(), profile.offers
    session.feed("pad.south", 1.0)
    session.feed("pad.left_shoulder", 1.0)
    session.tick(0.1)
    listener = session.listen(lambda one: offers.carries("hop", one))
    for event in (
        ("pad.south", 1.0),
        ("pad.left_stick", (0.05, -0.03)),
        ("mouse.left", 1.0),
        ("pad.left_trigger", 0.3),
    ):
        session.feed(*event)
    session.feed("pad.south", 0.0)
    assert not listener.found
    session.feed("pad.left_trigger", 0.9)
    assert (listener.found, listener.words) == ("pad.left_trigger", "left trigger")
    session.stop_listening()
    again = session.listen(lambda one: offers.carries("hop", one))
    session.feed("key.Space", 1.0)
    assert again.found == "key.Space"
    assert "hop" not in session.tick(0.1).cues
    wheel = session.listen(lambda one: one.startswith("mouse.wheel"))
    session.feed("mouse.wheel", (0.0, 0.4))
    assert not wheel.words
    session.feed("mouse.wheel", (0.0, 0.7))
    assert wheel.found == "mouse.wheel.y"
    assert session.listen(lambda _: True).hear("pad.left_stick", [float("nan"), 0.0]) is False


def test_a_conflict_is_refused_swapped_or_shared(profile: mt.Profile) -> None:
    sheet = mt.new_sheet(profile)
    assert conflicts(profile, "hop", "pad.left_shoulder") == ("glassing",)
    with pytest.raises(
        mt.ArgumentError, match="left shoulder carries glassing already; expected swap or share"
    ):
        mt.rebind(profile, sheet, "hop", "pad.left_shoulder")
    assert sheet.lay(profile)[0] == profile
    assert mt.rebind(profile, sheet, "hop", "pad.left_shoulder", conflict="swap") == ("glassing",)
    laid, _ = sheet.lay(profile)
    assert carried(laid, "hop") == ("pad.left_shoulder", "key.Space")
    assert carried(laid, "glassing") == ("mouse.right", "pad.south")
    sheet.reset()
    assert mt.rebind(profile, sheet, "hop", "pad.left_shoulder", conflict="share") == ()
    assert carried(sheet.lay(profile)[0], "glassing") == carried(profile, "glassing")
    with pytest.raises(mt.ArgumentError, match="expected refuse, swap or share"):
        mt.rebind(profile, sheet, "hop", "pad.east", conflict="ask")
    with pytest.raises(mt.ArgumentError, match="expected what the profile offers"):
        mt.rebind(profile, sheet, "steps.down", "key.KeyX")


@pytest.mark.parametrize("conflict", ["swap", "share"])
@pytest.mark.parametrize("name", ["hop", "glassing", "charting", "snap", "steps.up"])
def test_rebinding_anything_to_anything_allowed_can_be_left_and_undone(
    marsh: mt.Profile, name: str, conflict: str
) -> None:
    for address in marsh.offers.carriers(name)[::7]:
        sheet = mt.new_sheet(marsh)
        try:
            mt.rebind(marsh, sheet, name, address, conflict=conflict)
        except mt.ArgumentError:
            assert sheet.lay(marsh)[0] == marsh
            continue
        laid, told = sheet.lay(marsh)
        assert told == () or (conflict == "share" and all(" carries " in words for words in told))
        assert address in carried(laid, name)
        assert all(carried(laid, one) for one in places(laid.data))
        if name in ("glassing", "charting") and "." in address:
            session, opened = laid.session(), []
            for _ in range(2):  # held and let go; pressed once, and once more
                for down in (1.0, 0.0):
                    session.feed(address, down)
                    opened.append(session.tick(0.1).gates[name])
            assert True in opened
            assert not opened[-1]
        sheet.reset()
        assert sheet.lay(marsh)[0] == marsh


# ---- an entry that is wrong

ANYTHING = st.one_of(
    st.booleans(), st.integers(-9, 9), st.floats(), st.text(max_size=8), st.none().map(lambda _: "inf"),
    st.lists(st.one_of(st.integers(0, 3), st.sampled_from(["pitch", "key.KeyF", "pad.east", "key.KeyZ"])), max_size=4),
    st.dictionaries(st.sampled_from(["a", "pitch"]), st.integers(0, 3), max_size=2),
)  # fmt: skip
ENTRIES: list[tuple[str, str, Any]] = [
    ("sensitivity", "look", 2.0), ("sensitivity", "glance", 0.5), ("dead_zone", "look", 0.25),
    ("invert", "pad", ["pitch"]), ("choice", "glassing", "toggle"), ("hands", "turn_cap", "90 deg/s"),
    ("buttons", "hop", ["pad.east", "key.KeyJ"]),
]  # fmt: skip


def effect(laid: mt.Profile, section: str, name: str) -> Any:
    """What became of one thing that a sheet says something of."""
    if section in ("sensitivity", "dead_zone"):
        one = laid.data["routes"][name]
        return one.get("dead_zone") if section == "dead_zone" else one["sensitivity"]
    if section == "invert":
        return laid.data["routes"]["look"].get("invert")
    if section == "choice":
        return laid.data["gates"][name]["choice"]
    return laid.data.get("hands", {}).get(name) if section == "hands" else carried(laid, name)


@settings(max_examples=150)
@given(st.integers(0, len(ENTRIES) - 1), ANYTHING)
def test_an_entry_that_is_anything_at_all_leaves_the_others_in_force(
    marsh: mt.Profile, tmp_path_factory: pytest.TempPathFactory, place: int, value: Any
) -> None:
    def laid_with(entries: list[tuple[str, str, Any]]) -> tuple[mt.Profile, tuple[str, ...]]:
        sheet = mt.new_sheet(marsh)
        for section, name, one in entries:
            sheet.document.setdefault(section, {})[name] = one
        file = tmp_path_factory.getbasetemp() / "bent.toml"
        sheet.save(file)
        return mt.load_sheet(file).lay(marsh)

    whole, _ = laid_with(ENTRIES)
    bent, told = laid_with([(*one[:2], value) if k == place else one for k, one in enumerate(ENTRIES)])
    section, name, _ = ENTRIES[place]
    for k, (other, of, _) in enumerate(ENTRIES):
        if k != place:
            assert effect(bent, other, of) == effect(whole, other, of)
    if not told:  # then it is one that may be chosen
        mt.new_sheet(marsh).set(marsh, section, name, value)


@pytest.mark.parametrize(
    "section", ["sensitivity", "invert", "choice", "hands", "buttons", "format", "profile"]
)
def test_a_table_that_is_none_is_left_out_and_told(tmp_path: Path, marsh: mt.Profile, section: str) -> None:
    file = tmp_path / "me.toml"
    rest = "[dead_zone]\nlook = 0.25\n"
    file.write_text(f"{section} = 3\n{rest}", encoding="utf-8")
    sheet = mt.load_sheet(file)
    laid, told = sheet.lay(marsh)
    assert effect(laid, "dead_zone", "look")["inner"] == 0.25
    assert any("format: found" in words for words in told)
    assert section in ("format", "profile") or any(f"{section}: not a table" in words for words in told)
    sheet.reset()
    assert "dead_zone" not in sheet.document or not sheet.document["dead_zone"]


def test_a_key_twice_in_a_set_is_left_out_and_told(marsh: mt.Profile) -> None:
    sheet = mt.new_sheet(marsh)
    sheet.document["buttons"] = {"steps.up": ["key.KeyS"], "hop": ["key.KeyJ"]}
    sheet.document["hands"] = {"reduced_motion": "yes", "turn_cap": "90 deg/s"}
    session = marsh.session()
    told = session.apply(sheet)
    laid, again = sheet.lay(marsh)
    assert again == told
    assert carried(laid, "hop") == ("key.KeyJ",)
    assert carried(laid, "steps.up") == carried(marsh, "steps.up")
    assert laid.data["hands"]["turn_cap"] == "90 deg/s"
    assert any(words.startswith("buttons.steps.up: left out: ") for words in told)
    with pytest.raises(mt.ArgumentError, match=r"key\.KeyS"):
        sheet.set(marsh, "hands", "turn_cap", "key.KeyS")


def test_a_button_that_works_two_things_now_is_told(marsh: mt.Profile) -> None:
    sheet = mt.new_sheet(marsh)
    (taken,) = [one for one in carried(marsh, "hop") if one.startswith("key.")]
    sheet.document["buttons"] = {"snap": [taken]}
    _, told = sheet.lay(marsh)
    assert told == (f"buttons: {taken} carries hop and snap now",)


def test_sheets_follow_what_was_renamed(tmp_path: Path, marsh: mt.Profile) -> None:
    old = mt.new_sheet(marsh)
    for section, name, value in (
        ("sensitivity", "look", 2.0), ("choice", "glassing", "toggle"), ("buttons", "hop", ["key.KeyJ"]),
        ("buttons", "steps.up", ["key.KeyI"]),
    ):  # fmt: skip
        old.set(marsh, section, name, value)
    text = TEXT
    for before, after in (("look", "gaze"), ("glassing", "raising"), ("hop", "leap"), ("steps", "paces")):
        text = re.sub(rf"\b{before}\b", after, text)
    for before, after in (
        ("[routes.gaze]", '[routes.gaze]\nwas = "look"'), ("raising = { hold", 'raising = { was = "glassing", hold'),
        ("leap = { from", 'leap = { was = ["jump", "hop"], from'), ("paces = { up", 'paces = { was = "steps", up'),
    ):  # fmt: skip
        assert before in text
        text = text.replace(before, after, 1)
    renamed = load(tmp_path, text)
    laid, told = old.lay(renamed)
    assert told == ()
    assert route(laid, "gaze").gains == tuple(2.0 * one for one in route(renamed, "gaze").gains)
    assert carried(laid, "leap") == ("key.KeyJ",)
    assert carried(laid, "paces.up") == ("key.KeyI",)
    assert laid.data["gates"]["raising"]["choice"][0] == "toggle"
    assert old.get("sensitivity", "gaze") is None
    assert old.get("sensitivity", "gaze", renamed) == 2.0
    old.document["sensitivity"]["gaze"] = 3.0
    assert old.lay(renamed)[1] == (
        "sensitivity.look: found another entry for gaze, as it is called now; left out",
    )
    old.set(renamed, "sensitivity", "gaze", 4.0)
    assert old.get("sensitivity", "look") is None
    assert old.lay(renamed)[1] == ()
    twice = load(tmp_path, text, ('was = "look"', 'was = ["look", "gape"]'))
    old.reset("sensitivity")
    old.document["sensitivity"] = {"look": 2.0, "gape": 2.0}
    laid, told = old.lay(twice)  # once, not four times as much
    assert route(laid, "gaze").gains == tuple(2.0 * one for one in route(twice, "gaze").gains)
    assert told == ("sensitivity.gape: found another entry for gaze, as it is called now; left out",)
    words = "\n".join(problems(tmp_path, text, ('was = "look"', 'was = "glance"')))
    assert 'found "glance"; expected a name that none of [routes] has now' in words


# ---- for a settings screen


def test_every_button_that_is_offered_has_a_label(marsh: mt.Profile) -> None:
    session = marsh.session()
    assert set(marsh.offers.buttons) <= set(places(marsh.data))
    for name in places(marsh.data):
        assert session.label(name)
    assert session.label("steps.up") == "W"
    assert session.label("snap") == "E"
    with pytest.raises(mt.ArgumentError, match=r"did you mean steps\.up"):
        session.label("steps.upp")


def test_a_conflict_knows_what_the_button_carries_and_what_may_be_done(marsh: mt.Profile) -> None:
    sheet = mt.new_sheet(marsh)
    before = str(sheet.document)
    with pytest.raises(mt.ConflictError, match="carries snap already; expected swap or share") as caught:
        mt.rebind(marsh, sheet, "hop", "key.KeyE")
    conflict = caught.value
    assert (conflict.name, conflict.address, conflict.carries) == ("hop", "key.KeyE", ("snap",))
    assert conflict.ways == ("swap", "share")
    assert str(sheet.document) == before
    for way in conflict.ways:
        mt.rebind(marsh, mt.new_sheet(marsh), "hop", "key.KeyE", conflict=way)
    # W is a part of a key set that is offered, D is not: the two cannot be swapped
    with pytest.raises(mt.ConflictError) as caught:
        mt.rebind(marsh, sheet, "hop", "key.KeyD")
    assert caught.value.ways == ("share",)
    with pytest.raises(mt.ConflictError) as caught:  # a key twice in a set makes no profile
        mt.rebind(marsh, sheet, "steps.up", "key.KeyD")
    assert caught.value.ways == ()


def test_what_each_signal_says_now_can_be_read(marsh: mt.Profile) -> None:
    session = marsh.session()
    assert session.signals["pad.right_stick"] == (0.0, 0.0)
    session.feed("pad.right_stick", (0.25, -0.5))
    session.feed("key.KeyW", 1)
    session.feed("mouse.move", (4.0, 0.0))
    session.choose("glassing", "toggle")
    session.tick(0.01)
    said = session.signals
    assert said["pad.right_stick"] == (0.25, -0.5)
    assert (said["key.KeyW"], said["key.KeyS"], said["choice.glassing"]) == (1.0, 0.0, 1.0)
    assert said["steps"] == (0.0, 1.0)
    assert said["host.focus"] == 1.0
    assert not any(name.startswith("mouse.move") for name in said)


# ---- by route, by axis, by device

DESK = (
    ("[movement]", "[routes.arrows]\nfrom = \"pointing\"\ndrives = [\"yaw\", \"pitch\"]\nsensitivity = \"90 deg/s\"\n[movement]"),
    ("[signals]", "[signals]\npointing = { up = \"key.ArrowUp\", down = \"key.ArrowDown\", left = \"key.ArrowLeft\", right = \"key.ArrowRight\" }"),
    ("glance = [0.2, 5] }", "glance = [0.2, 5], mouse = [0.5, 2], \"look.pitch\" = [0.5, 2] }"),
)  # fmt: skip


def test_inverting_the_mouse_leaves_the_arrow_keys(tmp_path: Path) -> None:
    desk = load(tmp_path, TEXT, *DESK)

    def flipped(entries: dict[str, list[str]]) -> set[str]:
        sheet = mt.new_sheet(desk)
        for name, axes in entries.items():
            sheet.set(desk, "invert", name, axes)
        laid, told = sheet.lay(desk)
        assert told == ()
        pairs = zip(desk.routes, laid.routes, strict=True)
        return {before.name for before, after in pairs if before.gains != after.gains}

    assert flipped({"mouse": ["pitch"]}) == {"glance"}
    assert flipped({"key": ["pitch"]}) == {"arrows"}
    assert flipped({"desk": ["pitch"]}) == {"glance", "arrows"}
    assert flipped({"arrows": ["pitch"]}) == {"arrows"}
    # the most particular counts, whatever the order
    assert flipped({"mouse": [], "desk": ["pitch"]}) == {"arrows"}
    assert flipped({"arrows": [], "desk": ["pitch"]}) == {"glance"}
    assert flipped({"desk": [], "arrows": ["pitch"]}) == {"arrows"}
    with pytest.raises(mt.ArgumentError, match="did you mean mouse"):
        mt.new_sheet(desk).set(desk, "invert", "mousse", ["pitch"])


def test_an_axis_or_a_device_may_be_scaled(tmp_path: Path) -> None:
    desk = load(tmp_path, TEXT, *DESK)
    sheet = mt.new_sheet(desk)
    sheet.set(desk, "sensitivity", "look", 2.0)
    sheet.set(desk, "sensitivity", "look.pitch", 0.5)
    sheet.set(desk, "sensitivity", "mouse", 0.5)
    sheet.set(desk, "sensitivity", "glance", 3.0)
    laid, told = sheet.lay(desk)
    assert told == ()
    yaw, pitch = route(desk, "look").gains
    assert route(laid, "look").gains == pytest.approx((2.0 * yaw, 2.0 * 0.5 * pitch))
    assert route(laid, "glance").gains == pytest.approx([1.5 * one for one in route(desk, "glance").gains])
    assert route(laid, "arrows").gains == route(desk, "arrows").gains
    for name in ("look.roll", "glance.pitch", "pad"):
        with pytest.raises(mt.ArgumentError, match="not offered"):
            sheet.set(desk, "sensitivity", name, 1.1)
    words = problems(tmp_path, TEXT, ("glance = [0.2, 5] }", 'glance = [0.2, 5], "look.ptch" = [0.5, 2] }'))
    assert "did you mean look.pitch?" in "\n".join(words)

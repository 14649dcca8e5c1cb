"""Messages about a wrong profile: one for one fault, with the nearest right word, or none that misleads."""

from __future__ import annotations

import copy
import tomllib
from functools import cache
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.basics import nearest
from mellow_thumb.basics.errors import edits
from mellow_thumb.plan import addresses, near_signal
from mellow_thumb.plan.near_signals import DEVICE_WORDS, OTHER_WORDS
from mellow_thumb.profiles.whole import resolve

from ..helpers.profiles import DATA, load, problems

WRONG: tuple[Any, ...] = (12345, True, "tide", "5 tide", [], {}, ["tide"])
BASE = """format = "mellow-thumb profile 1"
mount = "eye"
[mounts.eye]
kind = "eye"
[mounts.chart]
kind = "overhead"
gate = "map"
[axes]
pitch = { max = "60 deg" }
distance = { start = "4 m", min = "1 m", max = "60 m" }
[gates]
map = { toggle = "key.KeyM" }
menu = { flag = "menu" }
[routes.look]
from = "pad.right_stick"
drives = ["yaw", "pitch"]
sensitivity = "200 deg/s"
dead_zone = { inner = 0.1 }
smoothing = { half_life = "30 ms" }
gate = "not map"
[routes.wheel]
from = "mouse.wheel.y"
drives = "distance"
sensitivity = "12 %/notch"
[routes.grab]
from = "mouse.place"
drives = ["pan_x", "pan_y"]
pins = "ground"
gate = "map"
[cues]
hop = { from = "key.Space" }
"""
TOUCH = """[touch.walk]
thumb_pad = { region = [0, 0, 0.4, 1], radius = "1.1 cm" }
[routes.walk]
from = "touch.walk"
drives = ["move_x", "move_y"]
[movement]
speed = "1.6 m/s"
"""


@cache
def profiles() -> dict[str, dict[str, Any]]:
    """The data of the profiles that load, by their file."""
    files = [*sorted(DATA.glob("*.toml")), *(Path(scene[0]) for scene in marsh.SCENES)]
    found = {file.name: tomllib.loads(file.read_text(encoding="utf-8")) for file in files}
    return {name: data for name, data in found.items() if not resolve(data).faults}


def places(value: dict[str, Any], path: tuple[str, ...] = ()) -> list[tuple[str, ...]]:
    """Where a value of a table of a profile may be put wrong."""
    found = [path] if len(path) > 2 else []
    for key, one in value.items():
        found += places(one, (*path, key)) if isinstance(one, dict) else [(*path, key)]
    return found


@pytest.mark.parametrize("name", profiles())
def test_one_fault_is_told_once(name: str) -> None:
    for path in places(profiles()[name]):
        for wrong in WRONG:
            changed = copy.deepcopy(profiles()[name])
            table = changed
            for key in path[:-1]:
                table = table[key]
            table[path[-1]] = wrong
            faults = resolve(changed).faults
            assert len(faults) < 2, [fault.problem("").words for fault in faults]


@pytest.mark.parametrize(
    ("right", "wrong", "said"),
    [
        ('"1 m"', "1.5", 'axes.distance.min: found 1.5; expected a number and its unit in quotes, such as "1.5 m"'),
        ('"200 deg/s"', "0.06", 'routes.look.sensitivity: found 0.06; expected a number and its unit in quotes, such as '
         '"0.06 deg/s"'),
        ('sensitivity = "200 deg/s"\n', "", 'routes.look: found no sensitivity; expected sensitivity = "180 deg/s"'),
        ('{ half_life = "30 ms" }', '"30 ms"', 'routes.look.smoothing: found "30 ms"; expected a table, such as '
         'smoothing = { half_life = "30 ms" }'),
        ("{ inner = 0.1 }", "0.12", "routes.look.dead_zone: found 0.12; expected a table, such as dead_zone = { inner = 0.12 }"),
        ("{ half_life = \"30 ms\" }", "{ half_life = 30 }", "routes.look.smoothing.half_life: found 30; expected a number and "
         'its unit in quotes, such as "30 ms"'),
        ("{ half_life = \"30 ms\" }", "{ half_life = 0.03 }", "routes.look.smoothing.half_life: found 0.03; expected a number "
         'and its unit in quotes, such as "0.03 s"'),
        ("{ half_life = \"30 ms\" }", "{ one_euro = {} }", "routes.look.smoothing.one_euro: found no cutoff or slope; expected "
         'cutoff = "1 Hz", slope = 0.01'),
        ('"not map"', '"!map"', 'routes.look.gate: found "!map"; expected a gate: map or menu; did you mean "not map"?'),
        ('"not map"', '"mpa"', 'routes.look.gate: found "mpa"; expected a gate: map or menu; did you mean map?'),
        ('"key.Space"', '"key.Up"', 'cues.hop.from: found "key.Up"; expected a signal, or a name in [signals]; did you mean '
         "key.ArrowUp?"),
        ('"key.Space"', '"key.w"', "did you mean key.KeyW?"),
        ('"key.Space"', '"pad.lefttrigger"', "did you mean pad.left_trigger?"),
        ('"mouse.wheel.y"', '"mouse.scroll.y"', "did you mean mouse.wheel.y?"),
        ('"mouse.wheel.y"', '"pad.hat.y"', "did you mean pad.way_up?"),
        ('"mouse.wheel.y"', '"pad.a"', 'routes.wheel.from: found "pad.a"; expected a signal, or a name in [signals]; pad has '
         "left_stick, right_stick, left_trigger, right_trigger, south, east, west, north, left_shoulder, right_shoulder, "
         "centre_left, centre_right, left_stick_press, right_stick_press, way_up, way_down, way_left, way_right and centre"),
        ('"mouse.wheel.y"', '"gyro"', 'expected a signal, or a name in [signals]; a signal begins with its device: mouse., '
         "trackpad., key., pad., touch., motion., left_hand. or right_hand."),
        ('"mouse.place"', '"mouse.pixels"', "routes.grab.from: found mouse.pixels, a displacement; expected mouse.place, or a "
         "finger's such as touch.1.place: pins holds the ground under a place"),
        ('"mouse.place"', '"mouse.move"', "routes.grab.from: found mouse.move, a displacement; expected mouse.place"),
        ('"12 %/notch"', '"12 %/Notch"', 'routes.wheel.sensitivity: found "12 %/Notch"; expected m/notch, cm/notch or %/notch; '
         "did you mean %/notch?"),
        ('"12 %/notch"', '"12 tide"', 'routes.wheel.sensitivity: found "12 tide"; expected m/notch, cm/notch or %/notch'),
        ('mount = "eye"\n', "", 'mounts.chart: several mounts, but no default; add mount = "eye" at the top of the file'),
    ],
)  # fmt: skip
def test_a_message_says_what_to_type(tmp_path: Path, right: str, wrong: str, said: str) -> None:
    (problem,) = problems(tmp_path, BASE, (right, wrong))
    assert said in problem


def test_a_unit_that_is_the_only_one_is_not_asked_for_twice(tmp_path: Path) -> None:
    turned = (
        'drives = "distance"\nsensitivity = "12 %/notch"',
        'drives = "yaw"\nsensitivity = "12 deg/notch"',
    )
    (problem,) = problems(tmp_path, BASE, turned, ("deg/notch", "deg/Notch"))
    assert problem.endswith('found "12 deg/Notch"; expected deg/notch')


def test_a_wrong_touch_is_told_where_it_stands_alone(tmp_path: Path) -> None:
    (problem,) = problems(tmp_path, BASE + TOUCH, ('"1.1 cm"', '"110 px"'))
    assert problem.endswith('touch.walk.thumb_pad.radius: found "110 px"; expected screen or cm')
    (problem,) = problems(tmp_path, BASE + TOUCH, ('"touch.walk"', '"touch.walks"'))
    assert problem.endswith("; did you mean touch.walk?")


def test_a_list_that_a_sheet_wants_is_asked_for(tmp_path: Path) -> None:
    (tmp_path / "marsh.toml").write_text(BASE + '[offers]\ninvert = ["pitch"]\n', encoding="utf-8")
    profile = mt.load_profile(tmp_path / "marsh.toml")
    with pytest.raises(
        mt.ArgumentError, match=r"found 'pitch'; expected a list of axes, such as \['pitch'\]"
    ):
        mt.new_sheet(profile).set(profile, "invert", "look", "pitch")


@given(
    st.text("abcde_", min_size=1, max_size=9), st.lists(st.text("abcde_", min_size=1, max_size=9), min_size=2)
)
def test_a_suggestion_differs_in_a_third_of_its_letters_at_the_most(word: str, known: list[str]) -> None:
    said = nearest(word, known)
    if said:
        meant = said.removeprefix("; did you mean ").removesuffix("?")
        assert meant in known
        assert 3 * edits(word, meant) <= max(len(word), len(meant))
    if word in known and len(set(known)) > 1:
        assert said == f"; did you mean {word}?"


@given(st.text("abc", max_size=6), st.text("abc", max_size=6), st.text("abc", max_size=6))
def test_edits_are_counted_as_between_two_places(one: str, other: str, third: str) -> None:
    assert edits(one, other) == edits(other, one)
    assert (edits(one, other) == 0) == (one == other)
    assert abs(len(one) - len(other)) <= edits(one, other) <= max(len(one), len(other))
    assert edits(one + third, other + third) <= edits(one, other)


@given(st.sampled_from(addresses()), st.data())
def test_a_slip_of_the_pen_is_taken_for_a_signal_of_its_device(address: str, data: st.DataObject) -> None:
    device, _, name = address.partition(".")
    slipped = list(name)
    at = data.draw(st.integers(0, len(name) - 1))
    slipped[at] = data.draw(st.sampled_from("qxz"))
    said = near_signal(f"{device}.{''.join(slipped)}", addresses())
    assert not said or said.startswith(f"; did you mean {device}.")


@pytest.mark.parametrize("device", OTHER_WORDS)
def test_other_words_for_signals_are_words_for_signals(device: str) -> None:
    assert set(DEVICE_WORDS.values()) <= {one.partition(".")[0] for one in addresses()}
    for word, meant in OTHER_WORDS[device].items():
        assert f"{device}.{meant}" in addresses()
        assert near_signal(f"{device}.{word}", addresses()) == f"; did you mean {device}.{meant}?"


def test_a_route_that_is_gone_is_not_matched_to_another_devices(tmp_path: Path) -> None:
    routes = '[routes.mouse_look]\nfrom = "mouse.move"\ndrives = ["yaw", "pitch"]\nsensitivity = "0.05 deg/count"\n'
    offers = "[offers]\nsensitivity = { look = [0.2, 5], mouse_look = [0.2, 5] }\n"
    profile = load(tmp_path, BASE + routes + offers)
    sheet = mt.new_sheet(profile)
    for gone, near in (("stick_look", ""), ("mouse_lok", "; did you mean mouse_look?")):
        with pytest.raises(
            mt.ArgumentError, match="not offered; expected what the profile offers"
        ) as refusal:
            sheet.set(profile, "sensitivity", gone, 1.5)
        assert str(refusal.value).endswith(f"look or mouse_look{near}")

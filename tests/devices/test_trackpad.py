"""A trackpad: how far fingers go on it, in cm, and nothing where their number changes."""

from __future__ import annotations

from math import hypot
from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.devices.linux_device import AxisRange

SLOTS = 5
AXES = {0x2F: AxisRange(0, SLOTS - 1), 0x35: AxisRange(0, 3000, resolution=30),
        0x36: AxisRange(0, 2000, resolution=40), 0x39: AxisRange(0, 65535)}  # fmt: skip
PAD = mt.LinuxDevice("trackpad", AXES, keys={0x110, 0x145, 0x14A}, properties={0})
Told = list[tuple[str, float | tuple[float, float]]]
places = st.tuples(st.integers(0, 3000), st.integers(0, 2000))


def door_to(told: Told, device: mt.LinuxDevice = PAD) -> mt.LinuxDoor:
    return mt.LinuxDoor(device, lambda signal, value, _: told.append((signal, value)))


@given(
    st.lists(
        st.tuples(st.lists(st.tuples(st.integers(0, 3), st.none() | places), max_size=3), st.booleans()),
        max_size=25,
    )
)
def test_what_it_tells_adds_up_to_what_fingers_did(
    reports: list[tuple[list[tuple[int, tuple[int, int] | None]], bool]],
) -> None:
    told: Told = []
    door, there = door_to(told), dict[int, tuple[int, int]]()
    for done, lost in reports:
        before, fresh = dict(there), set[int]()
        if lost:
            door.take(0, 3, 0, 0.0)
            door.take(0, 0, 0, 0.0)
            there, before = {}, {}
        for slot, place in dict(done).items():
            door.take(3, 0x2F, slot, 0.0)
            if place is None:
                if there.pop(slot, None):
                    door.take(3, 0x39, -1, 0.0)
                continue
            if slot not in there:
                door.take(3, 0x39, 7, 0.0)
                fresh.add(slot)
            for code, value in zip((0x35, 0x36), place, strict=True):
                door.take(3, code, value, 0.0)
            there[slot] = place
        told.clear()
        door.take(0, 0, 0, 0.0)
        wanted: Told = []
        if set(before) == set(there) and not fresh and before != there:
            was, now = ([(one[slot][0] / 300, -one[slot][1] / 400) for slot in sorted(there)]
                        for one in (before, there))  # fmt: skip
            ways = [(b[0] - a[0], b[1] - a[1]) for a, b in zip(was, now, strict=True)]
            if len(ways) == 1:
                wanted = [("trackpad.move", ways[0])]
            elif len(ways) == 2:
                middle = (0.5 * (ways[0][0] + ways[1][0]), 0.5 * (ways[0][1] + ways[1][1]))
                gaps = [hypot(one[0][0] - one[1][0], one[0][1] - one[1][1]) for one in (was, now)]
                wanted = [("trackpad.pan", middle)] if hypot(*middle) > 1e-12 else []
                wanted += [("trackpad.spread", gaps[1] - gaps[0])] if abs(gaps[1] - gaps[0]) > 1e-12 else []
        found = [(name, value) for name, value in told if abs_of(value) > 1e-12]
        assert [name for name, _ in found] == [name for name, _ in wanted]
        for (_, one), (_, other) in zip(found, wanted, strict=True):
            assert one == pytest.approx(other, abs=1e-9)


def abs_of(value: float | tuple[float, float]) -> float:
    return hypot(*value) if isinstance(value, tuple) else abs(value)


def test_what_it_is_and_its_buttons() -> None:
    assert PAD.kinds == ("mouse", "trackpad")
    assert not PAD.touches
    assert not PAD.unsaid
    told: Told = []
    door = door_to(told)
    door.take(1, 0x110, 1, 0.0)
    door.take(0, 0, 0, 0.0)
    assert told == [("mouse.left", 1.0)]
    # one that tells of a single finger by a key
    single = mt.LinuxDevice(
        "old pad", {0: AXES[0x35], 1: AXES[0x36]}, keys={0x110, 0x145, 0x14A}, properties={0}
    )
    assert single.kinds == ("mouse", "trackpad")
    told.clear()
    door = door_to(told, single)
    for event in (
        (3, 0, 0),
        (3, 1, 0),
        (1, 0x14A, 1),
        (0, 0, 0),
        (3, 0, 300),
        (0, 0, 0),
        (1, 0x14A, 0),
        (0, 0, 0),
    ):
        door.take(*event, 0.0)
    for event in ((3, 0, 2000), (1, 0x14A, 1), (0, 0, 0)):
        door.take(*event, 0.0)
    assert told == [("trackpad.move", (1.0, 0.0))]


PROFILE = """format = "mellow-thumb profile 1"
[routes.look]
from = "trackpad.pan"
drives = ["yaw", "pitch"]
sensitivity = "20 deg/cm"
[routes.zoom]
from = "trackpad.spread"
drives = "distance"
sensitivity = "-30 %/cm"
[axes]
distance = { start = "4 m", min = "1 m", max = "20 m" }
[mounts.orbit]
kind = "orbit"
"""


def test_two_fingers_turn_the_view_and_zoom_it(tmp_path: Path) -> None:
    (tmp_path / "pad.toml").write_text(PROFILE, encoding="utf-8")
    profile = mt.load_profile(tmp_path / "pad.toml")
    session = profile.session()
    door = mt.LinuxDoor(PAD, lambda signal, value, t: session.feed(signal, value, at=t))
    events = [(3, 0x2F, 0), (3, 0x39, 1), (3, 0x35, 1000), (3, 0x36, 1000),
              (3, 0x2F, 1), (3, 0x39, 2), (3, 0x35, 1300), (3, 0x36, 1000), (0, 0, 0),
              (3, 0x35, 1600), (3, 0x2F, 0), (3, 0x35, 1300), (0, 0, 0),
              (3, 0x35, 1150), (3, 0x2F, 1), (3, 0x35, 1750), (0, 0, 0)]  # fmt: skip
    for k, event in enumerate(events):
        door.take(*event, 0.001 * k)
    axes = session.tick(0.1).axes
    assert axes["yaw"] == pytest.approx(20.0)  # a cm to the right, then apart about one place
    assert axes["distance"] == pytest.approx(4.0 / 1.3)
    assert "two fingers right or left -> view turns right or left, 20 deg per cm" in mt.tell(profile).text()
    assert "fingers apart or together -> camera comes nearer or moves away" in mt.tell(profile).text()


def test_one_that_does_not_say_how_long_a_cm_is_says_so(tmp_path: Path) -> None:
    blind = mt.LinuxDevice("pad", {code: AxisRange(one.low, one.high) for code, one in AXES.items()},
                           keys={0x145}, properties={0})  # fmt: skip
    assert "how long a cm is: it is ignored" in blind.unsaid
    told: Told = []
    door = door_to(told, blind)
    for event in ((3, 0x39, 1), (3, 0x35, 50), (0, 0, 0), (3, 0x35, 90), (0, 0, 0)):
        door.take(*event, 0.0)
    assert told == []
    lines = ["N: blind pad", "P: 01 00 00 00 00 00 00 00", "B: 01 " + " ".join(["00"] * 40 + ["20"])]
    lines += [f"A: {code:02x} 0 3000 0 0 0" for code in (0x2F, 0x35, 0x36, 0x39)]
    lines += ["E: 0.0 0003 0039 1", "E: 0.0 0003 0035 50", "E: 0.0 0000 0000 0"]
    (tmp_path / "pad.evemu").write_text("\n".join(lines), encoding="utf-8")
    with pytest.raises(mt.TakeError, match="none of them a signal; its axes do not say how long a cm is"):
        mt.read_take(tmp_path / "pad.evemu")

"""Linux input devices: what each says of itself decides what its events mean."""

from __future__ import annotations

from pathlib import Path

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.devices.linux_device import AxisRange
from mellow_thumb.devices.linux_keys import BUTTONS, KEYS
from mellow_thumb.plan.signals import CATALOGUE

from ..helpers.profiles import data

MOUSE = data("mouse.evemu")
PAD = data("pad.evemu")
SCREEN = data("screen.evemu")


def read(folder: Path, text: str) -> list[tuple[float, str, float]]:
    file = folder / "recording.evemu"
    file.write_text(text)
    table = mt.read_take(file).table
    return list(
        zip(table["t"].tolist(), table["signal"].astype(str).tolist(), table["value"].tolist(), strict=True)
    )


def test_a_mouse_reports_together_and_its_fine_wheel_counts_alone(tmp_path: Path) -> None:
    assert read(tmp_path, MOUSE) == [
        (0.0, "mouse.move.x", 5.0), (0.0, "mouse.move.y", 3.0),
        (0.0095, "mouse.wheel.x", 0.0), (0.0095, "mouse.wheel.y", 0.5),
        (0.0195, "mouse.right", 1.0), (0.0395, "mouse.right", 0.0),
    ]  # fmt: skip


def test_a_pad_is_scaled_by_its_own_ranges_and_flipped_once(tmp_path: Path) -> None:
    rows = {(t, name): value for t, name, value in read(tmp_path, PAD)}
    assert rows[0.0, "pad.left_stick.x"] == rows[0.0, "pad.left_stick.y"] == 1.0
    assert rows[0.099999, "pad.right_stick.x"] == 1.0
    assert rows[0.099999, "pad.right_stick.y"] == 0.0  # within what the device calls flat
    assert rows[0.099999, "pad.right_trigger"] == 1.0
    assert rows[0.099999, "pad.south"] == rows[0.099999, "pad.way_left"] == 1.0
    assert rows[0.199999, "pad.south"] == rows[0.199999, "pad.way_left"] == 0.0
    assert (0.099999, "pad.way_right") in rows


def test_a_touch_screen_has_contacts_and_a_scale(tmp_path: Path) -> None:
    rows = read(tmp_path, SCREEN)
    assert rows[:3] == [
        (0.0, "host.screen.x", 1920.0),
        (0.0, "host.screen.y", 1080.0),
        (0.0, "host.pixels_per_cm", 100.0),
    ]
    assert rows[3:6] == [
        (0.0, "touch.1.place.x", 0.25),
        (0.0, "touch.1.place.y", 0.75),
        (0.0, "touch.1.down", 1.0),
    ]
    assert (0.05, "touch.2.down", 1.0) in rows
    assert (0.05, "touch.1.place.x", 500 / 1920) in rows
    assert rows[-2:] == [(0.1, "touch.1.down", 0.0), (0.1, "touch.2.cancel", 1.0)]


def test_a_recording_plays_like_any_take(tmp_path: Path) -> None:
    file = tmp_path / "recording.evemu"
    file.write_text(
        SCREEN.replace(
            "E: 1.100000 0003 0039 -1",
            "E: 1.090000 0003 0035 900\nE: 1.090000 0000 0000 0\nE: 1.100000 0003 0039 -1",
        )
    )
    table = mt.replay(mt.load_profile(marsh.FINGERS), mt.read_take(file))
    assert table.attrs["refused"] == {}
    assert table["pan_x"].iloc[-1] < -5.0


def test_a_device_that_goes_lets_go() -> None:
    told: list[str] = []
    device = mt.LinuxDevice(
        "screen",
        {0x2F: AxisRange(0, 9), 0x35: AxisRange(0, 100), 0x36: AxisRange(0, 100), 0x39: AxisRange(0, 9)},
    )
    door = mt.LinuxDoor(device, lambda signal, _, __: told.append(signal))
    for kind, code, value in ((3, 0x2F, 0), (3, 0x39, 7), (3, 0x35, 10), (0, 0, 0)):
        door.take(kind, code, value, 0.0)
    door.let_go(1.0)
    assert told[-2:] == ["touch.1.cancel", "touch.connected"]
    door.take(0, 3, 0, 2.0)
    assert door.dropped == 1
    board = mt.LinuxDevice("keyboard and ball", rels={0, 1}, keys={30, 0x110})
    assert board.kinds == ("mouse", "key")
    assert mt.LinuxDevice("pad", {0: AxisRange(0, 255)}).kinds == ("pad",)


@given(st.lists(st.tuples(st.integers(0, 4), st.integers(0, 0x230), st.integers(-70000, 70000)), max_size=80))
def test_whatever_a_device_says_only_known_signals_come_out(sent: list[tuple[int, int, int]]) -> None:
    told: list[tuple[str, float | tuple[float, float]]] = []
    axes = {code: AxisRange(-100, 100) for code in (0, 1, 2, 3, 4, 5, 0x10, 0x11)}
    door = mt.LinuxDoor(mt.LinuxDevice("any", axes), lambda signal, value, _: told.append((signal, value)))
    for kind, code, value in sent:
        door.take(kind, code, value, 0.0)
        door.take(0, 0, 0, 0.0)
    for signal, said in told:
        values = said if isinstance(said, tuple) else (said,)
        assert signal in CATALOGUE
        assert all(one - one == 0.0 for one in values)


def test_every_name_is_in_the_catalogue_and_each_place_stands_once() -> None:
    assert set(BUTTONS.values()) <= set(CATALOGUE)
    assert len(set(KEYS.values())) == len(KEYS)
    known = {
        30: "key.KeyA",
        44: "key.KeyZ",
        57: "key.Space",
        28: "key.Enter",
        103: "key.ArrowUp",
        41: "key.Backquote",
    }
    assert {code: KEYS[code] for code in known} == known  # linux/input-event-codes.h


@pytest.mark.parametrize(
    ("old", "new", "words"),
    [
        ("E: 10.000500 0002 0000 0005", "E: 10.000500 0002", "recording.evemu:7: found"),
        ("N: stand-in mouse", "X: what", "expected N:, I:, P:, B:, A: or E:"),
        (MOUSE[MOUSE.index("E:") :], "", "no events"),
        ("E: 10.020000 0001 0111 0001", "E: 10.020000 0003 0000 0001", "recording.evemu:13"),
        ("E: 10.020000 0001 0111 0001", "E: 10.020000 0003 0035 0001", "expected a line A: 35 before it"),
    ],
)  # fmt: skip
def test_what_is_no_recording_is_refused_with_its_line(
    tmp_path: Path, old: str, new: str, words: str
) -> None:
    assert old in MOUSE
    with pytest.raises(mt.TakeError) as refusal:
        read(tmp_path, MOUSE.replace(old, new, 1))
    assert words in str(refusal.value)


def test_what_is_down_as_a_recording_ends_is_let_go_and_noted(tmp_path: Path) -> None:
    file = tmp_path / "recording.evemu"
    file.write_text(SCREEN[: SCREEN.rindex("E: 1.100000 0003 0039 -1")])
    take = mt.read_take(file)
    assert take.notes == ("still held at its end, and let go there: touch.1, touch.2",)
    assert list(take.table["signal"])[-2:] == ["touch.1.cancel", "touch.2.cancel"]
    file.write_text(MOUSE[: MOUSE.index("E:")] + "E: 1.0 0001 0110 0001\nE: 1.0 0000 0000 0000\n")
    assert mt.read_take(file).notes == ("still held at its end, and let go there: mouse.left",)


def test_a_clock_that_was_set_back_keeps_the_order(tmp_path: Path) -> None:
    moves = "".join(f"E: {t} 0002 0000 0005\nE: {t} 0000 0000 0000\n" for t in (100.0, 100.5, 40.0, 40.25))
    file = tmp_path / "recording.evemu"
    file.write_text(MOUSE[: MOUSE.index("E:")] + moves)
    take = mt.read_take(file)
    assert list(take.table["t"][take.table["signal"] == "mouse.move.x"]) == [0.0, 0.5, 0.5, 0.75]
    assert take.notes == ("its clock was set back 1 times: its events go on from where they were",)


def test_a_recording_with_nothing_of_use_says_what_it_holds(tmp_path: Path) -> None:
    file = tmp_path / "recording.evemu"
    file.write_text(
        "N: a lid\nE: 1.0 0005 0000 0001\nE: 1.0 0000 0000 0000\nE: 1.0 0011 0000 0001\nE: 1.1 0000 0000 0000\n"
    )
    with pytest.raises(mt.TakeError, match=r"4 events \(lights, reports, type 5\) of a lid"):
        mt.read_take(file)


@pytest.mark.parametrize(
    ("device", "kinds"),
    [
        (mt.LinuxDevice("mouse", rels={0, 1, 8}, keys={0x110}), ("mouse",)),
        (mt.LinuxDevice("keyboard with a wheel for its volume", rels={8}, keys={30}), ("key",)),
        (mt.LinuxDevice("pad", {0: AxisRange(0, 9), 1: AxisRange(0, 9)}, keys={0x130}), ("pad",)),
        (mt.LinuxDevice("flight stick", {0: AxisRange(0, 9), 1: AxisRange(0, 9)}, keys={0x120}), ("pad",)),
        (mt.LinuxDevice("pad's sensor", {k: AxisRange(-9, 9) for k in range(6)}, properties={6}), ("motion",)),
        (mt.LinuxDevice("screen", {k: AxisRange(0, 9) for k in (0, 1, 0x2F, 0x35, 0x36)}, keys={0x14A}, properties={1}), ("touch",)),
        (mt.LinuxDevice("touchpad", {k: AxisRange(0, 9) for k in (0, 1, 0x2F, 0x35, 0x36)}, keys={0x110, 0x145, 0x14A}, properties={0}), ("mouse", "trackpad")),
        (mt.LinuxDevice("pen", {0: AxisRange(0, 9), 1: AxisRange(0, 9)}, keys={0x140, 0x14A}, properties={1}), ()),
        (mt.LinuxDevice("pointer of a machine in a machine", {0: AxisRange(0, 100), 1: AxisRange(0, 100)}, {8}, {0x110}), ("mouse",)),
        (mt.LinuxDevice("power button", keys={116}), ()),
    ],
    ids=lambda one: one.name if isinstance(one, mt.LinuxDevice) else "",
)  # fmt: skip
def test_what_a_device_says_of_itself_is_what_it_is(device: mt.LinuxDevice, kinds: tuple[str, ...]) -> None:
    assert device.kinds == kinds
    told = []
    door = mt.LinuxDoor(device, lambda signal, value, _: told.append((signal, value)))
    for code in device.axes:
        door.take(3, code, device.axes[code].high, 0.0)
    door.take(0, 0, 0, 0.0)
    assert all(signal.partition(".")[0] in kinds for signal, _ in told)
    if device.name.startswith("pointer"):
        assert told == [("mouse.place", (1.0, 0.0))]

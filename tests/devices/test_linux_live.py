"""Live devices: real nodes by umockdev where it is there, and any fate of any device by made-up ones."""

from __future__ import annotations

import errno
import sys
from pathlib import Path
from typing import TYPE_CHECKING

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.devices.linux_device import AxisRange, LinuxDevice
from mellow_thumb.devices.linux_live import LinuxDevices
from mellow_thumb.takes.recording import Recorder

from ..helpers.linux_nodes import MISSING, Described, run_with

if TYPE_CHECKING:
    from collections.abc import Iterable

PAD = Described(
    5,
    "Stand-in pad",
    {1: {0x130, 0x131}, 3: {0, 1}},
    {0: (-32768, 32767, 128, 0), 1: (-32768, 32767, 128, 0)},
    [(0, 3, 0, 32767), (0, 0, 0, 0), (40_000, 1, 0x130, 1), (40_000, 0, 0, 0), (90_001, 3, 1, -32768), (90_001, 0, 0, 0)],
)  # fmt: skip
MOUSE = Described(
    6,
    "Stand-in mouse",
    {1: {0x110}, 2: {0, 1, 8}},
    {},
    [(0, 2, 0, 5), (0, 2, 1, -3), (0, 0, 0, 0), (8_000, 2, 8, 1), (8_000, 0, 0, 0), (8_125, 1, 0x110, 1), (8_125, 0, 0, 0)],
)  # fmt: skip
SCREEN = Described(
    7,
    "Stand-in touch screen",
    {1: {0x14A}, 3: {0x2F, 0x35, 0x36, 0x39}},
    {0x2F: (0, 9, 0, 0), 0x35: (0, 1280, 0, 10), 0x36: (0, 800, 0, 10), 0x39: (0, 65535, 0, 0)},
    [
        (0, 3, 0x39, 41), (0, 3, 0x35, 320), (0, 3, 0x36, 200), (0, 0, 0, 0),
        (16_667, 3, 0x35, 640), (16_667, 0, 0, 0), (33_334, 3, 0x39, -1), (33_334, 0, 0, 0),
    ],
)  # fmt: skip
TRACKPAD = Described(
    8,
    "Stand-in trackpad",
    {1: {0x110, 0x145, 0x14A}, 3: {0, 1, 0x2F, 0x35, 0x36, 0x39}},
    {0: (0, 1000, 0, 10), 1: (0, 800, 0, 10), 0x2F: (0, 4, 0, 0), 0x35: (0, 1000, 0, 10), 0x36: (0, 800, 0, 10),
     0x39: (0, 65535, 0, 0)},
    [
        (0, 3, 0x39, 41), (0, 3, 0x35, 300), (0, 3, 0x36, 200), (0, 1, 0x14A, 1), (0, 0, 0, 0),
        (8_000, 3, 0x35, 350), (8_000, 3, 0, 350), (8_000, 0, 0, 0),
        (16_000, 3, 0x2F, 1), (16_000, 3, 0x39, 42), (16_000, 3, 0x35, 650), (16_000, 3, 0x36, 200), (16_000, 0, 0, 0),
        (24_000, 3, 0x36, 100), (24_000, 3, 0x2F, 0), (24_000, 3, 0x36, 100), (24_000, 0, 0, 0),
        (32_000, 1, 0x110, 1), (32_000, 0, 0, 0),
    ],
    {0},
)  # fmt: skip
KIOSK = Described(
    9,
    "Stand-in screen for one finger",
    {1: {0x14A}, 3: {0, 1}},
    {0: (0, 4000, 0, 10), 1: (0, 3000, 0, 10)},
    [
        (0, 1, 0x14A, 1), (0, 3, 0, 1000), (0, 3, 1, 1500), (0, 0, 0, 0),
        (16_000, 3, 0, 2000), (16_000, 0, 0, 0), (24_000, 1, 0x14A, 0), (24_000, 0, 0, 0),
    ],
    {1},
)  # fmt: skip
OLDER = Described(
    10,
    "Stand-in screen of the older protocol",
    {1: {0x14A}, 3: {0x35, 0x36}},
    {0x35: (0, 4000, 0, 10), 0x36: (0, 4000, 0, 10)},
    [
        (0, 3, 0x35, 1000), (0, 3, 0x36, 1000), (0, 0, 2, 0), (0, 3, 0x35, 3000), (0, 3, 0x36, 3000), (0, 0, 2, 0),
        (0, 0, 0, 0), (9_000, 3, 0x35, 3000), (9_000, 3, 0x36, 2000), (9_000, 0, 2, 0), (9_000, 0, 0, 0),
        (18_000, 0, 2, 0), (18_000, 0, 0, 0),
    ],
    {1},
)  # fmt: skip

LISTENS = """
import sys
from mellow_thumb.devices.linux_live import LinuxDevices
heard = []
devices = LinuxDevices(lambda *event: heard.append(event))
for path, name in devices.names.items():
    print(path, name)
begun = len(heard)
for _ in range(200):
    if len(heard) - begun >= {count}:
        break
    devices.wait(0.1)
    devices.poll()
for signal, value, seconds in heard[begun:]:
    print(signal, value, repr(seconds))
"""


@pytest.mark.skipif(bool(MISSING), reason=MISSING)
@pytest.mark.parametrize(
    ("device", "expected"),
    [
        (
            PAD,
            [
                ("pad.left_stick (1.0, 0.0)", 0),
                ("pad.south 1.0", 40_000),
                ("pad.left_stick (1.0, 1.0)", 90_001),
            ],
        ),
        (MOUSE, [("mouse.move (5.0, 3.0)", 0), ("mouse.wheel (0.0, 1.0)", 8_000), ("mouse.left 1.0", 8_125)]),
        (
            SCREEN,
            [
                ("touch.1.place (0.25, 0.75)", 0),
                ("touch.1.down 1.0", 0),
                ("touch.1.place (0.5, 0.75)", 16_667),
                ("touch.1.down 0.0", 33_334),
            ],
        ),
        (
            TRACKPAD,
            [
                ("trackpad.move (0.5, 0.0)", 8_000),
                ("trackpad.pan (0.0, 1.0)", 24_000),
                ("mouse.left 1.0", 32_000),
            ],
        ),
        (
            KIOSK,
            [
                ("touch.1.place (0.25, 0.5)", 0),
                ("touch.1.down 1.0", 0),
                ("touch.1.place (0.5, 0.5)", 16_000),
                ("touch.1.down 0.0", 24_000),
            ],
        ),
        (
            OLDER,
            [
                ("touch.1.place (0.25, 0.75)", 0),
                ("touch.1.down 1.0", 0),
                ("touch.2.place (0.75, 0.25)", 0),
                ("touch.2.down 1.0", 0),
                ("touch.1.down 0.0", 9_000),
                ("touch.2.place (0.75, 0.5)", 9_000),
                ("touch.2.down 0.0", 18_000),
            ],
        ),
    ],
    ids=lambda one: one.name if isinstance(one, Described) else "",
)
def test_every_event_of_a_device_node_arrives_with_its_time(
    tmp_path: Path, device: Described, expected: list[tuple[str, int]]
) -> None:
    done = run_with(tmp_path, [device], "-c", LISTENS.format(count=len(expected)))
    assert done.returncode == 0, done.stderr
    first, *lines = done.stdout.splitlines()
    assert first == f"{device.node} {device.name}"
    words = [line.rpartition(" ") for line in lines]
    assert [word for word, _, _ in words] == [word for word, _ in expected]
    begin = float(words[0][2]) - expected[0][1] / 1e6
    assert [float(t) - begin for _, _, t in words] == pytest.approx(
        [at / 1e6 for _, at in expected], abs=1e-9
    )


@pytest.mark.skipif(bool(MISSING), reason=MISSING)
def test_recording_writes_a_take_of_all_that_devices_sent(tmp_path: Path) -> None:
    command = (str(Path(sys.executable).with_name("mellow-thumb")), "record", "hand.csv", "--seconds", "0.6")
    done = run_with(tmp_path, [PAD, MOUSE, SCREEN], *command)
    assert done.returncode == 0, done.stderr
    assert "Stand-in mouse" in done.stdout
    take = mt.read_take(tmp_path / "hand.csv")
    signals = take.table["signal"].astype(str)
    assert {"mouse.left", "pad.south", "touch.1.down", "host.pixels_per_cm"} <= set(signals)
    assert take.table["t"].is_monotonic_increasing
    stick = take.table[signals == "pad.left_stick.y"]["value"]
    assert stick.iloc[-1] == 1.0
    again = run_with(tmp_path, [PAD], *command)
    assert again.returncode == 1
    assert "hand.csv: already exists; not overwritten" in again.stderr
    other = run_with(tmp_path, [PAD], *command[:2], "other.csv", "--device", "sand-in")
    assert other.returncode == 1
    assert "found no device with sand-in" in other.stderr
    assert "did you mean Stand-in?" in other.stderr
    assert not (tmp_path / "other.csv").exists()


@pytest.mark.skipif(bool(MISSING), reason=MISSING)
def test_a_node_that_goes_away_lets_go(tmp_path: Path) -> None:
    script = LISTENS.format(count=3) + (
        "import os, pathlib\n"
        "pathlib.Path(os.environ['UMOCKDEV_DIR'] + '/dev/input/event5').unlink()\n"
        "gone = LinuxDevices.poll.__globals__\n"
        "gone['SCANS'] = 0.0\n"
        "devices.poll()\n"
        "print(heard[-3:], devices.names)\n"
    )
    done = run_with(tmp_path, [PAD], "-c", script)
    assert done.returncode == 0, done.stderr
    last = done.stdout.splitlines()[-1]
    assert "('pad.left_stick', (0.0, 0.0)" in last
    assert "('pad.south', 0.0" in last
    assert last.endswith("{}")


# ---- made-up nodes


class MadeUp:
    """A node that sends what it is told to, and goes away when it is told to."""

    def __init__(self, device: LinuxDevice, behind: float = 0.0) -> None:
        self.device, self.behind = device, behind
        self.waiting: list[tuple[int, int, int, float]] = []
        self.holds: list[tuple[int, int, int]] = []
        self.gone = self.closed = False

    def fileno(self) -> int:
        raise AssertionError("nothing waits here")

    def read(self) -> Iterable[tuple[int, int, int, float]]:
        if self.gone:
            raise OSError(errno.ENODEV, "No such device")
        waiting, self.waiting = self.waiting, []
        return waiting

    def state(self) -> Iterable[tuple[int, int, int]]:
        return self.holds

    def close(self) -> None:
        self.closed = True


class Shelf:
    """Made-up nodes by their paths; None for one that may not be opened."""

    def __init__(self, **nodes: MadeUp | None) -> None:
        self.nodes = nodes

    def paths(self) -> Iterable[str]:
        return list(self.nodes)

    def open(self, path: str) -> MadeUp:
        node = self.nodes[path]
        if node is None:
            raise PermissionError(errno.EACCES, "Permission denied")
        return node


def pad(name: str = "stand-in pad") -> MadeUp:
    return MadeUp(
        LinuxDevice(name, {0: AxisRange(-100, 100), 1: AxisRange(-100, 100)}, set(), {0x130, 0x136})
    )


class Hearing:
    """What is said, and the last of each signal."""

    def __init__(self) -> None:
        self.told: list[tuple[str, object, float]] = []
        self.last: dict[str, object] = {}

    def __call__(self, signal: str, value: object, seconds: float) -> None:
        self.told.append((signal, value, seconds))
        self.last[signal] = value


def test_what_is_plugged_in_later_is_heard_and_what_may_not_be_read_is_named() -> None:
    now, hearing, shelf = [10.0], Hearing(), Shelf(event3=None)
    devices = LinuxDevices(hearing, clock=lambda: now[0], system=shelf)
    assert devices.closed == {"event3": "permission denied"}
    node = shelf.nodes["event12"] = pad()
    node.holds = [(3, 0, 100), (1, 0x130, 1)]
    now[0] = 11.5
    devices.poll()
    assert devices.names == {"event12": "stand-in pad"}
    assert hearing.told == [
        ("pad.left_stick", (1.0, 0.0), 11.5)
    ]  # a key that is down counts when pressed afresh
    shelf.nodes["event3"] = pad("another")
    now[0] = 12.6
    devices.poll()
    assert set(devices.names) == {"event3", "event12"}
    assert devices.closed == {}


def test_only_what_was_asked_for_is_opened() -> None:
    some = Shelf(event1=pad("Creek"), event2=pad("Dyke"), event3=MadeUp(LinuxDevice("lid switch")))
    devices = LinuxDevices(Hearing(), only=["creek"], clock=lambda: 0.0, system=some)
    assert devices.names == {"event1": "Creek"}
    assert [node.closed for node in some.nodes.values() if node] == [False, True, True]


def test_another_of_its_kind_stays_connected() -> None:
    hearing, one, other = Hearing(), pad("one"), pad("other")
    devices = LinuxDevices(hearing, clock=lambda: 0.0, system=Shelf(event1=one, event2=other))
    one.waiting = [(1, 0x130, 1, 0.0), (0, 0, 0, 0.0)]
    devices.poll()
    one.gone = True
    devices.poll()
    assert hearing.last["pad.south"] == 0.0
    assert "pad.connected" not in hearing.last
    devices.close()
    assert hearing.last["pad.connected"] == 0.0
    assert other.closed


def test_times_of_another_clock_are_set_by_the_first_event() -> None:
    hearing, node = Hearing(), pad()
    devices = LinuxDevices(hearing, clock=lambda: 500.0, system=Shelf(event1=node))
    node.waiting = [(1, 0x130, 1, 3.25), (0, 0, 0, 3.25), (1, 0x130, 0, 3.5), (0, 0, 0, 3.5)]
    devices.poll()
    assert [t for _, _, t in hearing.told] == [500.0, 500.25]


def test_after_a_loss_what_is_held_is_asked_for() -> None:
    hearing, node = Hearing(), pad()
    devices = LinuxDevices(hearing, clock=lambda: 0.0, system=Shelf(event1=node))
    node.waiting = [(1, 0x130, 1, 0.0), (1, 0x136, 1, 0.0), (0, 0, 0, 0.0)]
    devices.poll()
    node.holds = [(3, 0, 50), (1, 0x136, 1)]  # by now
    node.waiting = [(0, 3, 0, 0.1), (1, 0x131, 1, 0.1), (0, 0, 0, 0.1)]
    hearing.told.clear()
    devices.poll()
    assert sorted(hearing.told) == [("pad.left_stick", (0.5, 0.0), 0.1), ("pad.south", 0.0, 0.1)]
    assert devices.dropped == 1


def test_a_motion_sensor_is_no_stick() -> None:
    axes = {code: AxisRange(-32768, 32767, 0, 8192 if code < 3 else 1024) for code in range(6)}
    hearing, node = Hearing(), MadeUp(LinuxDevice("sensor", axes, properties={6}))
    devices = LinuxDevices(hearing, clock=lambda: 0.0, system=Shelf(event1=node))
    assert node.device.kinds == ("motion",)
    node.waiting = [(3, 1, 8192, 0.0), (3, 4, -30 * 1024, 0.0), (0, 0, 0, 0.0)]
    devices.poll()
    assert hearing.last["motion.force.y"] == pytest.approx(9.80665)
    assert hearing.last["motion.turn.y"] == -30.0
    assert hearing.told[-1][0] == "motion.turn.z"  # a reading is whole, and ends there


@settings(max_examples=60)
@given(
    st.lists(
        st.one_of(
            st.tuples(st.just(1), st.sampled_from([0x130, 0x136]), st.integers(0, 2)),
            st.tuples(st.just(3), st.sampled_from([0, 1]), st.integers(-150, 150)),
            st.tuples(st.just(0), st.sampled_from([0, 3]), st.just(0)),
        ),
        max_size=40,
    ),
    st.integers(0, 40),
)
def test_unplugging_at_any_point_of_any_take_releases_everything(
    events: list[tuple[int, int, int]], when: int
) -> None:
    session = mt.load_profile(marsh.DYKE).session()
    hearing, node = Hearing(), pad()
    devices = LinuxDevices.feeding(session, clock=lambda: session.now, system=Shelf(event1=node))
    feed = devices._say

    def say(signal: str, value: float | tuple[float, float], seconds: float) -> None:
        hearing(signal, value, seconds)
        feed(signal, value, seconds)

    for one in devices._open.values():
        one.door._say = say
    for event in events[:when]:
        node.waiting.append((*event, session.now))
        devices.poll()
        session.tick(1 / 60)
    node.gone = True
    devices.poll()
    held = {name: value for name, value in hearing.last.items() if name != "pad.connected"}
    assert all(value in (0.0, (0.0, 0.0)) for value in held.values())
    assert hearing.last["pad.connected"] == 0.0
    session.tick(1.0)
    before = session.tick(1 / 60).axes
    assert session.tick(0.25).axes == before  # nothing turns any more
    assert not session.refused


def test_a_session_is_fed_at_the_times_of_the_events() -> None:
    now, node = [100.0], pad()
    session = mt.load_profile(marsh.DYKE).session()
    devices = LinuxDevices.feeding(session, clock=lambda: now[0], system=Shelf(event1=node))
    now[0] = 100.01
    node.waiting = [(3, 0, 100, 100.004), (0, 0, 0, 100.004)]
    devices.poll()
    early = session.tick(0.004).axes["yaw"]
    assert early == 0.0
    assert session.tick(0.006).axes["yaw"] == session.tick(0.0).axes["yaw"]
    assert session.late == 0


# ---- recording


def test_what_was_written_is_whole_rows_at_every_moment(tmp_path: Path) -> None:
    path = tmp_path / "hand.csv"
    recorder = Recorder(path, 5.0)
    recorder.start({"device": 'a "stand-in"'})
    for k in range(50):
        recorder.say("pad.left_stick", (k / 50, -k / 50), 5.0 + k / 250)
        recorder.say("pad.south", float(k % 2), 5.0 + k / 250)
        recorder.flush()
        assert path.read_text().endswith("\n")
        assert len(mt.read_take(path)) == recorder.rows == 3 * (k + 1)
    recorder.close()
    take = mt.read_take(path)
    assert take.about["device"] == 'a "stand-in"'
    assert take.table["t"].iloc[-1] == round(49 / 250, 6)


def test_a_recording_goes_where_it_can_or_says_why_not(tmp_path: Path) -> None:
    with pytest.raises(mt.OutputError, match="cannot be written: no such file"):
        Recorder(tmp_path / "nowhere" / "hand.csv", 0.0).start({})
    (tmp_path / "old.csv").write_text("kept")
    with pytest.raises(mt.OutputError, match="already exists"):
        Recorder(tmp_path / "old.csv", 0.0).start({})
    assert (tmp_path / "old.csv").read_text() == "kept"

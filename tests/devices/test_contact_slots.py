"""Contacts of a touch screen, beside a plain model of the kernel's protocol, with any loss of events."""

from __future__ import annotations

from dataclasses import dataclass, field
from random import Random

from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.devices.linux_device import AxisRange

SLOTS = 14
SCREEN = mt.LinuxDevice(
    "screen",
    {
        0x2F: AxisRange(0, SLOTS - 1),
        0x35: AxisRange(0, 100),
        0x36: AxisRange(0, 200),
        0x39: AxisRange(0, 65535),
    },
)
Event = tuple[int, int, int]


@dataclass
class Kernel:
    """What the kernel keeps of each slot, and what of a change it sends: what differs, and no more."""

    slot: int = 0
    kept: list[dict[int, int]] = field(
        default_factory=lambda: [{0x35: 0, 0x36: 0, 0x39: -1} for _ in range(SLOTS)]
    )

    def put(self, slot: int, **values: int) -> list[Event]:
        """Set values of a slot; the events that tell it."""
        codes = {"x": 0x35, "y": 0x36, "held": 0x39}
        sent = []
        for name, value in sorted(values.items(), key=lambda one: one[0] != "held"):
            if self.kept[slot][codes[name]] != value:
                self.kept[slot][codes[name]] = value
                sent += [(3, 0x2F, slot)] if self.slot != slot else []
                self.slot = slot
                sent.append((3, codes[name], value))
        return sent

    def state(self) -> list[Event]:
        """What it says when it is asked, the slot that is current last."""
        places = [
            one
            for k, kept in enumerate(self.kept)
            for c in (0x35, 0x36)
            for one in ((3, 0x2F, k), (3, c, kept[c]))
        ]
        return [*places, (3, 0x2F, self.slot)]


class Heard:
    """What is told of contacts, and where each finger is by now."""

    def __init__(self) -> None:
        self.down: dict[int, tuple[float, float]] = {}
        self._places: dict[int, tuple[float, float]] = {}

    def __call__(self, signal: str, value: float | tuple[float, float], seconds: float) -> None:
        assert seconds == 0.0
        finger, what = signal.split(".")[1:]
        if isinstance(value, tuple):
            self._places[int(finger)] = value
            if int(finger) in self.down:
                self.down[int(finger)] = value
        elif what == "down" and value:
            assert int(finger) not in self.down
            self.down[int(finger)] = self._places[int(finger)]
        else:
            del self.down[int(finger)]


slots, places = st.integers(0, SLOTS - 1), st.integers(0, 100)
steps = st.tuples(st.sampled_from(("land", "move", "lift")), slots, places, places)


@given(
    st.lists(st.tuples(st.lists(steps, min_size=1, max_size=4), st.booleans()), max_size=25),
    st.integers(0, 20),
)
def test_contacts_and_places_are_those_of_the_kernel_after_every_report(
    reports: list[tuple[list[tuple[str, int, int, int]], bool]], opened: int
) -> None:
    kernel, heard, ids = Kernel(), Heard(), 0
    fingers: dict[int, int] = {}
    door: mt.LinuxDoor | None = None
    for k, (done, lost) in enumerate(reports):
        if k == opened:  # and not before: who opens it late knows what it says of itself
            door = mt.LinuxDoor(SCREEN, heard, kernel.state)
            door.hold(kernel.state(), 0.0)
        sent: list[Event] = []
        landed: set[int] = set()
        lifted: set[int] = set()
        for what, slot, x, y in done:
            held = kernel.kept[slot][0x39] >= 0
            if (what == "land") == held or slot in landed | lifted:
                continue  # a slot does one thing in a report
            if what == "land":
                ids += 1
                sent += kernel.put(slot, held=ids, x=x, y=2 * y)
                landed.add(slot)
            elif what == "move":
                sent += kernel.put(slot, x=x)
            elif what == "lift":
                sent += kernel.put(slot, held=-1)
                lifted.add(slot)
        if door is None:
            continue
        # what was lost is told no more; after the loss those who are down are claimed as they land anew
        for event in [(0, 3, 0), *sent[1:]] if lost else sent:
            door.take(*event, 0.0)
        door.take(0, 0, 0, 0.0)
        if lost:
            fingers = {}
        else:
            fingers = {slot: finger for slot, finger in fingers.items() if slot not in lifted}
            for slot in (slot for _, slot, _, _ in done if slot in landed and slot not in fingers):
                free = [one for one in range(1, 11) if one not in fingers.values()]
                fingers |= {slot: free[0]} if free else {}
        there = {
            finger: (kernel.kept[slot][0x35] / 100, 1.0 - kernel.kept[slot][0x36] / 200)
            for slot, finger in fingers.items()
        }
        assert heard.down == there


def test_a_contact_that_is_replaced_or_shorter_than_a_report_is_told() -> None:
    told: list[tuple[str, float | tuple[float, float]]] = []
    door = mt.LinuxDoor(SCREEN, lambda signal, value, _: told.append((signal, value)))
    for event in ((3, 0x39, 1), (3, 0x35, 50), (0, 0, 0), (3, 0x39, 2), (3, 0x35, 60), (0, 0, 0)):
        door.take(*event, 0.0)
    assert [(name, value) for name, value in told if name.endswith("down")] == [
        ("touch.1.down", 1.0), ("touch.1.down", 0.0), ("touch.1.down", 1.0),
    ]  # fmt: skip
    told.clear()
    for event in ((3, 0x2F, 11), (3, 0x39, 3), (3, 0x35, 70), (3, 0x39, -1), (0, 0, 0)):
        door.take(*event, 0.0)
    assert told == [("touch.2.place", (0.7, 1.0)), ("touch.2.down", 1.0), ("touch.2.down", 0.0)]


def test_a_recording_that_lost_events_goes_on_in_the_slot_that_it_tells() -> None:
    told: list[tuple[str, float | tuple[float, float]]] = []
    door = mt.LinuxDoor(SCREEN, lambda signal, value, _: told.append((signal, value)))  # nobody to ask
    for event in ((3, 0x39, 1), (3, 0x35, 50), (0, 0, 0), (0, 3, 0), (3, 0x2F, 1), (3, 0x35, 20), (0, 0, 0)):
        door.take(*event, 0.0)
    told.clear()
    for event in ((3, 0x39, 7), (3, 0x35, 30), (0, 0, 0), (3, 0x2F, 0), (3, 0x35, 90), (0, 0, 0)):
        door.take(*event, 0.0)
    for event in ((3, 0x2F, 1), (3, 0x39, -1), (0, 0, 0)):
        door.take(*event, 0.0)
    assert [one for one in told if one[0].endswith("down")] == [("touch.1.down", 1.0), ("touch.1.down", 0.0)]
    assert [one[1] for one in told if one[0].endswith("place")] == [
        (0.3, 1.0)
    ]  # what stays is claimed no more


# ---- screens that tell contacts in another way

OLDER = mt.LinuxDevice("older screen", {0x35: AxisRange(0, 1000), 0x36: AxisRange(0, 1000)})
CELLS = st.integers(0, 8)


@given(st.lists(st.tuples(st.sets(CELLS, max_size=9), st.randoms(), st.booleans()), max_size=20))
def test_contacts_that_nobody_tells_apart_are_told_by_where_they_were(
    reports: list[tuple[set[int], Random, bool]],
) -> None:
    heard, before, fingers = Heard(), set[int](), dict[int, int]()
    door = mt.LinuxDoor(OLDER, heard)
    for there, random, lost in reports:
        # each finger stays in its own part of the screen, and is told in any order
        places = {cell: (100 + 350 * (cell % 3) + random.randint(-30, 30),
                         100 + 350 * (cell // 3) + random.randint(-30, 30)) for cell in there}  # fmt: skip
        if lost:
            for event in ((0, 3, 0), (3, 0x35, 1), (0, 0, 0)):
                door.take(*event, 0.0)
            fingers = {}
            before = set(there)  # they were there already, and are claimed no more
        for cell in random.sample(sorted(there), len(there)):
            door.take(3, 0x35, places[cell][0], 0.0)
            door.take(3, 0x36, places[cell][1], 0.0)
            door.take(0, 2, 0, 0.0)
        if not there:
            door.take(0, 2, 0, 0.0)
        door.take(0, 0, 0, 0.0)
        fingers = {cell: finger for cell, finger in fingers.items() if cell in there}
        assert len(heard.down) == len(fingers) + len(there - before)
        assert set(heard.down.values()) >= {
            (places[cell][0] / 1000, 1.0 - places[cell][1] / 1000) for cell in fingers
        }
        where = {place: finger for finger, place in heard.down.items()}
        for cell in there - before:
            fingers[cell] = where[places[cell][0] / 1000, 1.0 - places[cell][1] / 1000]
        for cell, finger in fingers.items():  # whose finger it is never changes
            assert heard.down[finger] == (places[cell][0] / 1000, 1.0 - places[cell][1] / 1000)
        before = set(there)


def test_contacts_of_the_older_protocol_with_an_identity_may_jump() -> None:
    told: list[str] = []
    door = mt.LinuxDoor(OLDER, lambda signal, _, __: told.append(signal))
    for place, identity in ((100, 4), (900, 4), (900, 5)):
        for code, value in ((0x35, place), (0x36, 500), (0x39, identity)):
            door.take(3, code, value, 0.0)
        door.take(0, 2, 0, 0.0)
        door.take(0, 0, 0, 0.0)
    assert [one for one in told if one.endswith("down")] == [
        "touch.1.down"
    ] * 3  # it lands, lifts, and another one lands
    door.take(1, 0x14A, 0, 0.0)  # some say by the key alone that all have lifted
    door.take(0, 0, 0, 0.0)
    assert told[-1] == "touch.1.down"


def test_a_screen_with_one_contact_and_a_key_for_it_is_a_touch_screen() -> None:
    screen = mt.LinuxDevice(
        "kiosk", {0: AxisRange(0, 1000, resolution=4), 1: AxisRange(0, 500, resolution=4)}, keys={0x14A}
    )
    assert screen.kinds == ("touch",)
    assert screen.facts == {"host.screen": (1000.0, 500.0), "host.pixels_per_cm": 40.0}
    told: list[tuple[str, float | tuple[float, float]]] = []
    door = mt.LinuxDoor(screen, lambda signal, value, _: told.append((signal, value)))
    door.hold([(3, 0, 100), (3, 1, 100), (1, 0x14A, 1)], 0.0)
    assert told == []  # nobody has seen it land
    for event in ((1, 0x14A, 1), (3, 0, 250), (0, 0, 0), (3, 1, 250), (0, 0, 0), (1, 0x14A, 0), (0, 0, 0)):
        door.take(*event, 0.0)
    assert told == [
        ("touch.1.place", (0.25, 0.8)), ("touch.1.down", 1.0), ("touch.1.place", (0.25, 0.5)),
        ("touch.1.down", 0.0),
    ]  # fmt: skip
    told.clear()
    for event in ((1, 0x14A, 1), (0, 0, 0)):  # where it was: nothing else is said
        door.take(*event, 0.0)
    assert told == [("touch.1.place", (0.25, 0.5)), ("touch.1.down", 1.0)]
    # a tablet with a pen, and a pointer of another machine, are none
    assert mt.LinuxDevice("tablet", screen.axes, keys={0x14A, 0x140}).kinds == ()
    assert mt.LinuxDevice("pointer", screen.axes, keys={0x110}).kinds == ("mouse",)

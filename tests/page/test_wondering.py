"""Why did nothing happen: how far each thing got that came."""

from __future__ import annotations

from typing import Any

import pytest

from mellow_thumb import marsh
from mellow_thumb.page.seat import Seat

from .test_seat import BEGUN, seated


def came(seat: Seat, *events: dict[str, Any], at: float = 20.0) -> dict[tuple[str, str], int]:
    """What is told of some events."""
    seat.take([event | {"timeStamp": BEGUN + at + 0.1 * k} for k, event in enumerate(events)])
    shown = seat.frame(BEGUN + at + 12.0)
    return {(signal, reason): count for signal, reason, count in shown["came"]}


def key(code: str, *, down: bool = True) -> dict[str, Any]:
    return {"type": "keydown" if down else "keyup", "code": code}


MOVE = {"type": "pointermove", "movementX": 3, "movementY": 2, "clientX": 400, "clientY": 200}


def test_nothing_is_told_until_somebody_asks_and_then_only_what_is_new() -> None:
    seat = seated(marsh.CHART)
    assert came(seat, key("KeyJ")) == {}
    seat.wonder(on=True)
    assert came(seat, key("KeyJ"), at=40.0) == {("key.KeyJ", "the profile does not use it"): 1}
    assert came(seat, at=60.0) == {}
    seat.wonder(on=False)
    assert came(seat, key("KeyJ"), at=80.0) == {}


def test_a_closed_gate_is_named_with_what_opens_it() -> None:
    seat = seated(marsh.CHART)
    seat.wonder(on=True)
    told = came(seat, MOVE, MOVE, key("KeyE"))
    assert told["mouse.move", "acted"] == 1  # the first is the jump as the pointer is caught
    assert told["mouse.move", "the jump when the pointer was captured"] == 1
    words = "quarter waits for charting to open (M pressed (press again to leave))"
    assert told["key.KeyE", words] == 1
    assert came(seat, key("KeyM"), at=40.0)["key.KeyM", "acted"] == 1
    assert came(seat, key("KeyQ"), at=50.0)["key.KeyQ", "acted"] == 1
    closed = "look waits for charting to close"
    assert came(seat, MOVE, at=60.0)["mouse.move", closed] == 1


@pytest.mark.parametrize(
    ("path", "event", "word"),
    [
        (marsh.FOLLOWING, {"type": "gamepad", "axes": [0, 0, 0.05, 0], "buttons": [0] * 17},
         ("pad.right_stick", "in the dead zone of look")),
        (marsh.FOLLOWING, {"type": "gamepad", "mapping": "", "axes": [0] * 4, "buttons": [0] * 17},
         ("gamepad", "refused by the door: not as the standard has it")),
        (marsh.FOLLOWING, {"type": "gamepad", "axes": [0, 0, 1.5, 0], "buttons": [0] * 17},
         ("pad.right_stick", "clipped to its range")),
        (marsh.FOLLOWING, {"type": "tide"}, ("tide", "refused by the door: unknown")),
        (marsh.FINGERS, {"type": "pointerdown", "pointerType": "touch", "pointerId": 1, "clientX": 5, "clientY": 5,
                         "timeStamp": 1e9}, ("some event", "it came long before its time, and waits")),
    ],
)  # fmt: skip
def test_what_is_at_rest_refused_drawn_in_or_early_says_so(
    path: Any, event: Any, word: tuple[str, str]
) -> None:
    seat = seated(path)
    seat.frame(BEGUN + 16)
    seat.wonder(on=True)
    seat.take([{"timeStamp": BEGUN + 20} | event])
    shown = seat.frame(BEGUN + 32)
    assert word in {(signal, reason) for signal, reason, _ in shown["came"]}


def test_an_eleventh_finger_is_told_that_it_belongs_to_nobody() -> None:
    seat = seated(marsh.FINGERS)
    seat.wonder(on=True)
    down = {"type": "pointerdown", "pointerType": "touch", "clientX": 50, "clientY": 50}
    told = came(seat, *(down | {"pointerId": k} for k in range(11)))
    assert told["touch", "refused: more than 10 fingers"] == 1
    assert seat.shown["refused"] == 1


def test_who_begins_again_goes_on_to_ask() -> None:
    seat = seated(marsh.CHART)
    seat.wonder(on=True)
    other = Seat(seat.profile)
    other.take_over(seat)
    other.take([key("KeyJ") | {"timeStamp": BEGUN + 3}])
    assert ("key.KeyJ", "the profile does not use it", 1) in other.frame(BEGUN + 16)["came"]

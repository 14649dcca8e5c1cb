"""The same hands again: the last minute with other numbers."""

from __future__ import annotations

import asyncio
from pathlib import Path
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.page import land
from mellow_thumb.page.again import compared, replayed
from mellow_thumb.page.seat import Seat
from mellow_thumb.profiles import changed
from mellow_thumb.takes import take_text

from .test_seat import BEGUN, frames, seated

YAW = ("routes", "look", "sensitivity", "yaw")


def play(seat: Seat, said: Any, now: float = BEGUN) -> float:
    """Feed frames to a seat, and go on from there."""
    for length, events in said:
        timed = sorted((now + share * length, k) for k, (share, _) in enumerate(events))
        seat.take(
            [events[k][1] | {"timeStamp": t, "buttons": events[k][1].get("buttons", 0)} for t, k in timed]
        )
        now += length
        seat.frame(now)
    return now


@given(st.sampled_from([path for path, _ in marsh.SCENES]), frames)
def test_the_same_hands_with_the_same_numbers_show_the_same_to_the_bit(path: Path, said: Any) -> None:
    seat = seated(path)
    play(seat, said)
    for one, _, (place, turned, view) in replayed(seat.tape, seat.first, seat.profile):
        assert one.seen is not None
        assert (place, turned) == one.seen[:2]
        assert repr(view.pose) == repr(one.seen[2].pose)  # nothing is not nothing
    assert asyncio.run(compared(seat.tape, seat.first, seat.profile)) is None


def pushed(seat: Seat, seconds: float, stick: float = 0.7, now: float = BEGUN) -> float:
    seat.take([{"type": "gamepad", "axes": [0, -0.5, stick, 0], "buttons": [0] * 17, "timestamp": now + 1}])
    for _ in range(round(seconds * 60)):
        now += 1000 / 60
        seat.frame(now)
    return now


def test_other_numbers_give_what_the_hands_would_have_got() -> None:
    seat = seated(marsh.FOLLOWING)
    pushed(seat, 2.0)
    twice = changed(seat.profile, {YAW: "400 deg/s"})
    found = asyncio.run(compared(seat.tape, seat.first, twice))
    assert found is not None
    was = [one.seen[2].pose for one in seat.tape.frames if one.seen]
    # the yaw goes twice as far, and he walks where he then looks
    take, ends = seat.tape.take(), [one.t for one in seat.tape.frames]
    table = mt.replay(twice, take, frames=ends)
    assert [one["yaw"] for one in found["axes"]] == pytest.approx(table["yaw"].tolist(), abs=1e-5)
    assert found["times"] == ends
    assert len(found["was"]["walked"]) == len(found["would"]["walked"])
    assert len(found["would"]["looked"]) == pytest.approx(
        len(was), rel=0.2
    )  # three numbers every third frame
    assert found["was"]["walked"] != found["would"]["walked"]
    x, y, z = found["would"]["walked"][-3:]
    assert y == pytest.approx(land.ground(x, z), abs=1e-2)


def test_a_tape_that_began_in_the_middle_goes_on_from_there() -> None:
    seat = seated(marsh.FOLLOWING)
    now = pushed(seat, 66.0, 0.2)
    assert seat.tape.begun > 4.0
    # by another profile since then, and a pause
    seat.switch(changed(seat.profile, {YAW: "100 deg/s"}))
    now = pushed(seat, 2.0, 0.9, now + 5000.0)
    seat.switch(seat.first)
    pushed(seat, 2.0, -0.9, now)
    last = list(replayed(seat.tape, seat.first, seat.first))[-1]
    assert last[0].t == seat.tape.frames[-1].t
    shown = dict(last[1].axes)["yaw_total"]
    assert shown != pytest.approx(
        seat.shown["axes"]["yaw_total"], abs=1.0
    )  # two seconds were at half the speed
    assert asyncio.run(compared(seat.tape, seat.first, seat.first)) is not None


def test_a_take_of_the_middle_says_first_what_was_held(tmp_path: Path) -> None:
    seat = seated(marsh.FOLLOWING)
    pushed(seat, 66.0, 0.2)
    take = seat.tape.take()
    mt.write_take(take, tmp_path / "hands.csv")
    assert (tmp_path / "hands.csv").read_text(encoding="utf-8") == take_text(take)
    rows = mt.read_take(tmp_path / "hands.csv").table
    first = dict(zip(rows["signal"][rows["t"] == 0.0], rows["value"][rows["t"] == 0.0], strict=True))
    assert (first["pad.right_stick.x"], first["pad.left_stick.y"], first["host.focus"]) == (0.2, 0.5, 1.0)
    # so a replay goes on as the hands did, if from the profile's own start
    until = seat.tape.frames[-1].t - seat.tape.begun
    table = mt.replay(seat.first, mt.read_take(tmp_path / "hands.csv"), until=until)
    assert table["yaw_total"].diff().iloc[-1] == pytest.approx(table["yaw_total"].diff().iloc[-100], abs=1e-6)


def test_nothing_is_played_before_anything_has_happened() -> None:
    seat = Seat(mt.load_profile(marsh.FOLLOWING))
    assert asyncio.run(compared(seat.tape, seat.first, seat.first)) is None


def test_other_things_go_on_while_it_plays() -> None:
    seat = seated(marsh.FOLLOWING)
    pushed(seat, 20.0, 0.2)

    async def beside() -> int:
        turns = 0
        task = asyncio.create_task(compared(seat.tape, seat.first, changed(seat.profile, {YAW: "90 deg/s"})))
        while not task.done():
            turns += 1
            await asyncio.sleep(0)
        assert task.result() is not None
        return turns

    assert asyncio.run(beside()) > 5

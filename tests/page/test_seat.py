"""A seat and its tape: what a page says moves the camera as a replay of what was written down does."""

from __future__ import annotations

from math import hypot
from typing import Any

import pytest
from hypothesis import given
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.page import land
from mellow_thumb.page.seat import Seat
from mellow_thumb.page.tape import LENGTH

BEGUN = 5000.0
"""What the page's clock shows at first, in ms."""


def seated(path: Any, sheet: mt.Sheet | None = None) -> Seat:
    seat = Seat(mt.load_profile(path), sheet)
    seat.sit(BEGUN, 800.0, 500.0)
    return seat


buttons = st.sampled_from([0, 1, 2])
moves = st.integers(-60, 60)
kinds = st.one_of(
    st.fixed_dictionaries(
        {"type": st.just("pointermove"), "movementX": moves, "movementY": moves, "clientX": st.integers(0, 800),
         "clientY": st.integers(0, 500)}
    ),
    st.fixed_dictionaries({"type": st.sampled_from(["pointerdown", "pointerup"]), "button": buttons}),
    st.fixed_dictionaries({"type": st.just("wheel"), "deltaX": st.just(0), "deltaY": st.sampled_from([-100, 120])}),
    st.fixed_dictionaries(
        {"type": st.sampled_from(["keydown", "keyup"]), "code": st.sampled_from(["KeyW", "KeyD", "KeyM", "KeyE"])}
    ),
    st.fixed_dictionaries(
        {"type": st.sampled_from(["pointerdown", "pointermove", "pointerup", "pointercancel"]),
         "pointerType": st.just("touch"), "pointerId": st.integers(1, 3), "clientX": st.integers(0, 800),
         "clientY": st.integers(0, 500)}
    ),
    st.fixed_dictionaries(
        {"type": st.just("gamepad"), "axes": st.lists(st.floats(-1, 1), min_size=4, max_size=4),
         "buttons": st.lists(st.sampled_from([0, 1, 0.4]), min_size=17, max_size=17)}
    ),
    st.fixed_dictionaries(
        {"type": st.just("devicemotion"),
         "rotationRate": st.fixed_dictionaries(dict.fromkeys(("alpha", "beta", "gamma"), st.floats(-90, 90))),
         "accelerationIncludingGravity": st.fixed_dictionaries(dict.fromkeys("xyz", st.floats(-12, 12)))}
    ),
    st.fixed_dictionaries({"type": st.sampled_from(["blur", "focus"])}),
)  # fmt: skip
frames = st.lists(
    st.tuples(st.sampled_from([8.0, 16.6, 33.0, 200.0]), st.lists(st.tuples(st.floats(0.001, 0.999), kinds), max_size=6)),
    min_size=1, max_size=12,
)  # fmt: skip


@given(st.sampled_from([path for path, _ in marsh.SCENES]), frames)
def test_the_tape_replayed_moves_every_axis_as_the_hands_did(path: Any, said: Any) -> None:
    seat, now, shown = seated(path), BEGUN, []
    for length, events in said:
        timed = sorted((now + share * length, k) for k, (share, _) in enumerate(events))
        seat.take(
            [events[k][1] | {"timeStamp": t, "buttons": events[k][1].get("buttons", 0)} for t, k in timed]
        )
        now += length
        shown.append(seat.frame(now))
    ends = [one.t - seat.tape.begun for one in seat.tape.frames]
    table = mt.replay(seat.profile, seat.tape.take(), frames=ends)
    for name in table.columns.intersection(list(shown[0]["axes"])):
        live = [one["axes"][name] for one in shown]
        assert table[name].tolist() == pytest.approx(live, rel=1e-9, abs=1e-9), name
    assert [bool(x) for x in table.filter(like="gate_").to_numpy().ravel()] == [
        opened for one in shown for opened in one["gates"].values()
    ]


@pytest.mark.parametrize("pause", [400.0, 90_000.0])
def test_a_pause_is_cut_out_of_the_tape_as_out_of_the_session(pause: float) -> None:
    seat, now = seated(marsh.PROFILE), BEGUN
    move = {"type": "pointermove", "movementX": 10, "movementY": 0, "clientX": 1, "clientY": 1}
    for length in (16.0, 16.0, pause, 16.0, 16.0, pause, 16.0, 16.0):
        seat.take([move | {"timeStamp": now + share * length} for share in (0.3, 0.9)])
        now += length
        shown = seat.frame(now)
    ends = [one.t - seat.tape.begun for one in seat.tape.frames]
    table = mt.replay(seat.profile, seat.tape.take(), frames=ends)
    assert table["yaw"].iloc[-1] == pytest.approx(shown["axes"]["yaw"], abs=1e-9) == pytest.approx(8.0)
    assert ends[-1] < 1.0


def test_whoever_sits_down_again_goes_on_from_there_with_nothing_held() -> None:
    seat = seated(marsh.FOLLOWING)
    pad = {"type": "gamepad", "axes": [0, -1, 1, 0], "buttons": [0] * 17}
    seat.take([pad | {"timestamp": BEGUN + 1}])
    before = [seat.frame(BEGUN + 16 * k) for k in range(1, 40)][-1]
    assert before["axes"]["yaw"] > 20.0
    assert hypot(*before["warden"][:3:2]) > 0.5
    seat.leave()
    seat.sit(77.0, 400.0, 700.0)
    after = [seat.frame(77.0 + 16 * k) for k in range(1, 80)]
    assert after[-1]["axes"]["yaw"] == pytest.approx(after[-2]["axes"]["yaw"], abs=1e-6)
    assert after[-1]["axes"]["yaw"] == pytest.approx(before["axes"]["yaw"], abs=15.0)
    assert after[-1]["warden"][:3] == after[-2]["warden"][:3]
    assert hypot(*after[-1]["warden"][:3:2]) > 0.5


def test_a_focus_that_was_lost_with_the_page_is_not_lost_to_the_next() -> None:
    seat = seated(marsh.CHART)
    seat.frame(BEGUN + 16)
    seat.take([{"type": "visibilitychange", "visibilityState": "hidden", "timeStamp": BEGUN + 30}])
    seat.leave()  # before the frame in which that would have counted
    seat.sit(50.0, 800.0, 500.0)
    seat.take([{"type": "keydown", "code": "KeyW", "timeStamp": 60.0}])
    for k in range(1, 30):
        shown = seat.frame(50.0 + 16.0 * k)
    assert shown["axes"]["move_y"] == 1.0
    assert shown["warden"][2] < -0.1


def test_the_tape_keeps_the_last_minute_and_no_more() -> None:
    seat = seated(marsh.PROFILE)
    for k in range(1, 1500):
        seat.take([{"type": "pointermove", "movementX": 1, "movementY": 0, "clientX": 1, "clientY": 1,
                    "timeStamp": BEGUN + 100.0 * k - 50.0}])  # fmt: skip
        seat.frame(BEGUN + 100.0 * k)
    tape = seat.tape
    long = tape.frames[-1].t - tape.frames[0].t
    assert LENGTH - 1.0 <= long <= LENGTH + 1.2
    assert tape.frames[0].before is not None
    assert sum(len(one.events) for one in tape.frames) <= 2 * len(tape.frames)


def test_the_land_answers_the_session(tmp_path: Any) -> None:
    seat = seated(marsh.FOLLOWING)
    frame = [seat.frame(BEGUN + 16 * k) for k in range(1, 10)][-1]
    x, y, z = frame["pose"][:3]
    assert y > land.ground(x, z)
    assert frame["warden"][1] == land.BOARD
    # with its back to a post the camera comes nearer than it would be
    far = hypot(x, z)
    text = marsh.FOLLOWING.read_text(encoding="utf-8").replace("[axes]", "[axes]\nyaw = { start = '90 deg' }")
    file = tmp_path / "turned.toml"
    file.write_text(text.replace('start = "4 m"', 'start = "12 m"').replace("9 m", "30 m"), encoding="utf-8")
    turned = seated(file)
    for _ in range(3):
        turned.frame(BEGUN + 16)
    assert far == pytest.approx(4.0, abs=0.5)


def test_a_mouse_gives_what_the_profile_asks_for(tmp_path: Any) -> None:
    file = tmp_path / "pixels.toml"
    text = marsh.PROFILE.read_text(encoding="utf-8")
    file.write_text(text.replace("mouse.move", "mouse.pixels").replace('"72 cm/turn"', '"0.1 deg/px"')
                    .replace("deg/count", "deg/px"), encoding="utf-8")  # fmt: skip
    for path in (marsh.PROFILE, file):
        seat = seated(path)
        seat.take([{"type": "pointermove", "movementX": 40, "movementY": 0, "clientX": 1, "clientY": 1,
                    "timeStamp": BEGUN + 2}])  # fmt: skip
        assert seat.frame(BEGUN + 16)["axes"]["yaw"] == pytest.approx(2.0)
    other = mt.load_profile(marsh.PROFILE)
    seat.switch(other)
    assert seat.door is not None
    assert seat.door.counts


def acts(seat: Seat, now: float) -> set[str]:
    """What acts in a frame, in words."""
    shown = seat.frame(now)
    controls = seat.telling.controls
    return {controls[k].ways[way < 0] for k, way in shown["acting"].items()}


def test_what_acts_is_told_with_the_way_it_goes() -> None:
    seat = seated(marsh.CHART)
    move = {"type": "pointermove", "movementX": -9, "movementY": -4, "clientX": 1, "clientY": 1}
    seat.frame(BEGUN + 16)
    seat.take(
        [move | {"timeStamp": BEGUN + 20}, {"type": "keydown", "code": "KeyS", "timeStamp": BEGUN + 21}]
    )
    assert acts(seat, BEGUN + 32) == {
        "mouse left -> view turns left", "mouse up -> view tilts up", "S held -> character goes back",
    }  # fmt: skip
    assert acts(seat, BEGUN + 48) == {"S held -> character goes back"}
    seat.take([{"type": "keydown", "code": "KeyM", "timeStamp": BEGUN + 50}])
    acts(seat, BEGUN + 64)
    # on the chart the mouse turns nothing, and the walk goes on
    seat.take(
        [move | {"timeStamp": BEGUN + 70}, {"type": "keydown", "code": "KeyQ", "timeStamp": BEGUN + 71}]
    )
    assert {"Q held -> view turns left", "S held -> character goes back"} <= acts(seat, BEGUN + 80)
    assert "mouse left -> view turns left" not in acts(seat, BEGUN + 81)


@pytest.mark.parametrize(
    ("path", "events", "words"),
    [
        (marsh.FOLLOWING, [{"type": "gamepad", "axes": [0, 0, -0.5, 0], "buttons": [0] * 17}],
         {"right stick left -> view turns left"}),
        (marsh.FOLLOWING, [{"type": "gamepad", "axes": [0, 0, 0.05, 0], "buttons": [0] * 17}], set()),
        (marsh.FOLLOWING, [{"type": "gamepad", "axes": [0] * 4, "buttons": [0] * 6 + [1] + [0] * 10}],
         {"left trigger -> camera moves away"}),
        (marsh.FINGERS, [{"type": "pointerdown", "pointerType": "touch", "pointerId": 1, "clientX": 9, "clientY": 90},
                         {"type": "pointermove", "pointerType": "touch", "pointerId": 1, "clientX": 99, "clientY": 9}],
         {"finger moved -> what is under it stays under it", "flick right -> view pans left", "flick up -> view pans back"}),
    ],
)  # fmt: skip
def test_sticks_triggers_and_fingers_act_past_their_dead_zones(
    path: Any, events: Any, words: set[str]
) -> None:
    seat = seated(path)
    seat.frame(BEGUN + 16)
    seat.take([event | {"timeStamp": BEGUN + 20 + k} for k, event in enumerate(events)])
    assert acts(seat, BEGUN + 32) == words

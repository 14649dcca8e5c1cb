"""What comes into a session is recorded as it takes effect, and plays back to the bit."""

from __future__ import annotations

import tempfile
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan import Plan
from mellow_thumb.session import Session
from mellow_thumb.takes import Recorder

from ..helpers.strategies import EVERYTHING, Event, events, plans

FOLLOWING, HIDE, CHART = (mt.load_profile(one) for one in (marsh.FOLLOWING, marsh.HIDE, marsh.CHART))
POSE = ("camera_x", "camera_y", "camera_z", "camera_qx", "camera_qy", "camera_qz", "camera_qw")
lengths = st.lists(st.sampled_from([1 / 60, 1 / 144, 0.02, 0.3, 0.0]), min_size=30, max_size=60)


class Recorded:
    """A session that is recorded, with what it showed."""

    def __init__(self, plan: Plan, folder: str, **world: Any) -> None:
        self.plan, self.path = plan, Path(folder) / "hands.csv"
        self.session = Session(plan, compiled=False, **world)
        self.recorder = Recorder.of(self.session, self.path, {"title": "what was done"})
        self.frames: list[float] = []
        self.shown: list[dict[str, float]] = []

    def tick(self, dt: float, world_dt: float | None = None, **told: Any) -> None:
        frame = self.session.tick(dt, world_dt=world_dt)
        self.recorder.flush()
        view = self.session.view(**told)
        shown = {name: value for name, value in frame.axes.items() if name not in ("move_x", "move_y")}
        self.shown.append(shown | dict(zip(POSE, view.pose[:7], strict=True)))
        self.frames.append(frame.t)

    def again(self) -> dict[str, np.ndarray]:
        self.recorder.close()
        take = mt.read_take(self.path)
        assert take.notes == ()
        return mt.replay_arrays(self.plan, take, frames=self.frames)

    def check(self, within: float = 0.0) -> None:
        played = self.again()
        for name in self.shown[0]:
            wanted = np.array([one[name] for one in self.shown])
            np.testing.assert_allclose(played[name], wanted, rtol=0.0, atol=within, err_msg=name)


@given(plans(makers=EVERYTHING), events(), lengths, st.data())
@settings(max_examples=60)
def test_what_was_fed_plays_back_to_the_bit(
    plan: Plan, done: list[Event], frames: list[float], data: st.DataObject
) -> None:
    """With times or without, in frames of any length, in a world that stands still or hurries."""
    with tempfile.TemporaryDirectory() as folder:
        played = Recorded(plan, folder)
        session, waiting = played.session, list(done)
        for dt in frames:
            end = session.now + min(dt, 0.25)
            while waiting and waiting[0][2] < end:
                signal, value, t = waiting.pop(0)
                name, _, on = signal.partition("@")
                timed = data.draw(st.booleans()) and session.cut == 0
                session.feed(name, value, at=max(t, session.now) if timed else None, on=on or None)
            played.tick(dt, data.draw(st.sampled_from([None, None, None, dt, 0.5 * dt])))
        played.check()


places = st.tuples(*[st.floats(-50.0, 50.0)] * 3)


@given(
    st.lists(
        st.tuples(st.sampled_from(["nothing", "place", "pose", "clear", "ground"]), places),
        min_size=5,
        max_size=20,
    ),
    st.sampled_from([{}, {"basis": mt.Basis("+x", "+z", "+y"), "units_per_metre": 100.0}]),
)
@settings(max_examples=40)
def test_what_the_view_was_told_is_played_back_too(
    told: list[tuple[str, tuple[float, float, float]]], world: dict[str, Any]
) -> None:
    with tempfile.TemporaryDirectory() as folder:
        played = Recorded(FOLLOWING, folder, **world)
        played.session.feed("pad.right_stick", (0.6, 0.2))
        own = played.session.coordinates
        for what, (x, y, z) in told:
            place, half = (own.place(x, y, z) if own else (x, y, z)), np.radians(3.0 * x)
            turned = (0.0, float(np.sin(half)), 0.0, float(np.cos(half)))
            ways: dict[str, dict[str, Any]] = {
                "nothing": {}, "place": {"subject": place}, "clear": {"clear": abs(x)}, "ground": {"ground": y},
                "pose": {"subject": (place, own.basis.rotation(turned) if own else turned)},
            }  # fmt: skip
            played.tick(1 / 60, **ways[what])
        played.recorder.close()
        played = _in_metres(played, own)
        played.check(1e-9)


def _in_metres(played: Recorded, own: Any) -> Recorded:
    """What was shown, in ours."""
    for one in played.shown if own else ():
        position, rotation = [one[name] for name in POSE[:3]], [one[name] for name in POSE[3:]]
        ours = (*own.our_place(position), *own.basis.our_rotation(rotation))
        one.update(zip(POSE, ours, strict=True))
    played.recorder = Recorder(played.path.with_name("none.csv"), 0.0)
    played.recorder.start({})
    return played


def test_a_head_and_hands_of_a_headset_are_played_back(tmp_path: Path) -> None:
    played = Recorded(HIDE, str(tmp_path))
    door = mt.XrDoor(played.session)
    for k in range(40):
        half = 0.01 * k
        door.pose("/user/head", (0.1, 1.6 + 0.002 * k, -0.01 * k), (0.0, np.sin(half), 0.0, np.cos(half)))
        if k == 10:
            door.input("/user/hand/left/input/thumbstick", (0.0, 1.0))
        played.tick(1 / 60, head=door.head)
    played.check(1e-9)


def test_a_take_begins_with_what_is_held_and_has_what_other_profiles_use(tmp_path: Path) -> None:
    session = FOLLOWING.session(compiled=False)
    session.feed("pad.left_stick", (0.0, 1.0))
    session.tick(1.0)
    session.feed("pad.right_stick.x", 0.5)  # waits for the frame to come
    recorder = Recorder.of(session, tmp_path / "later.csv")
    session.feed("key.KeyZ", 1.0)  # nothing of this profile
    session.feed("mouse.move", (float("nan"), 1.0))  # refused
    session.feed("mouse.mvoe", (1.0, 1.0))  # unknown
    listener = session.listen(lambda one: one == "key.KeyH")
    session.feed("key.KeyH", 1.0)  # found, and does nothing
    assert listener.found == "key.KeyH"
    session.stop_listening()
    session.tick(1 / 60)
    session.feed("pad.south", 1.0, on="gate")
    recorder.close()  # what came last is in it too
    session.feed("pad.south", 0.0)
    session.tick(1 / 60)
    table = mt.read_take(tmp_path / "later.csv").table
    assert [(name, value) for name, value in zip(table["signal"], table["value"], strict=True)] == [
        ("pad.left_stick.x", 0.0), ("pad.left_stick.y", 1.0), ("pad.right_stick.x", 0.5), ("key.KeyZ", 1.0),
        ("pad.south", 1.0),
    ]  # fmt: skip
    assert table["on"].iloc[-1] == "gate"
    assert table["t"].iloc[-1] == session.now - 1 / 60 - 0.25


def test_a_file_that_is_there_is_not_overwritten(tmp_path: Path) -> None:
    (tmp_path / "hands.csv").write_text("mine")
    session = FOLLOWING.session(compiled=False)
    with pytest.raises(mt.OutputError, match="already exists; not overwritten"):
        Recorder.of(session, tmp_path / "hands.csv")
    assert (tmp_path / "hands.csv").read_text() == "mine"
    session.feed("pad.left_stick", (0.0, 1.0))
    session.tick(1 / 60)  # and nobody listens

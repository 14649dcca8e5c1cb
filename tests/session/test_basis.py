"""Hosts with other axes."""

from __future__ import annotations

from itertools import permutations, product
from pathlib import Path
from typing import Any

import numpy as np
import pandas as pd
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb import marsh

from ..helpers.reference import rotation

EVERY = [
    mt.Basis(*(sign + name for sign, name in zip(signs, names, strict=True)))
    for names in permutations("xyz")
    for signs in product("+-", repeat=3)
]
bases = st.sampled_from(EVERY)
numbers = st.floats(-100.0, 100.0)
angles = st.floats(-180.0, 180.0)


def test_there_are_forty_eight_and_half_of_them_are_left_handed() -> None:
    assert len(set(EVERY)) == 48
    assert sum(basis.handedness for basis in EVERY) == 0.0
    assert mt.Basis().handedness == 1.0
    assert mt.Basis("+x", "+y", "+z").handedness == -1.0


@given(bases, st.tuples(numbers, numbers, numbers), st.tuples(angles, angles, angles))
def test_what_is_taken_there_comes_back(
    basis: mt.Basis, place: tuple[float, float, float], turned: tuple[float, float, float]
) -> None:
    assert basis.our_vector(basis.vector(place)) == pytest.approx(place)
    ours = rotation(*turned)
    assert basis.our_rotation(basis.rotation(ours)) == pytest.approx(ours)


@given(bases, st.tuples(angles, angles, angles), st.tuples(numbers, numbers, numbers))
def test_a_rotated_direction_is_the_same_direction_there(
    basis: mt.Basis, turned: tuple[float, float, float], way: tuple[float, float, float]
) -> None:
    ours = rotation(*turned)
    here = basis.vector(tuple(Rotation.from_quat(ours).apply(way)))  # type: ignore[arg-type]
    there = Rotation.from_quat(basis.rotation(ours)).apply(basis.vector(way))
    np.testing.assert_allclose(there, here, atol=1e-9)


@given(bases, st.sampled_from(["yaw", "pitch", "roll"]), st.floats(1.0, 89.0))
def test_the_senses_are_what_really_happens(basis: mt.Basis, angle: str, by: float) -> None:
    turned = {"yaw": 0.0, "pitch": 0.0, "roll": 0.0} | {angle: by}
    way, about = basis.turn(angle)
    axis = [float(name == about[1]) for name in "xyz"]
    expected = Rotation.from_rotvec(np.radians(way * by) * np.array(axis))
    found = Rotation.from_quat(basis.rotation(rotation(**turned)))
    assert (expected.inv() * found).magnitude() < 1e-7
    words = "positive" if way > 0 else "negative"
    assert f"a {words} turn about {about}" in next(
        line for line in basis.senses().split("\n") if line.startswith(angle)
    )


def test_the_table_says_it_in_the_hosts_terms() -> None:
    said = mt.Basis(right="+x", up="+z", forward="+y").senses()
    assert said.split("\n")[:4] == [
        "right +x, up +z, forward +y: right-handed",
        "yaw      + turns the view right: a negative turn about +z",
        "pitch    + looks up: a positive turn about +x",
        "roll     + lowers the right side of the view: a positive turn about +y",
    ]
    assert "pan_y    + moves the camera forward: along +y while yaw is 0" in said


@pytest.mark.parametrize("wrong", [("+x", "+x", "-z"), ("+x", "up", "-z"), ("+x", "-x", "+y")])
def test_what_is_no_basis_is_refused(wrong: tuple[str, str, str]) -> None:
    with pytest.raises(mt.ArgumentError, match="expected"):
        mt.Basis(*wrong)


WALKED = """
format = "mellow-thumb profile 1"
mount = "behind"
[signals]
steps = { up = "key.KeyW", down = "key.KeyS", left = "key.KeyA", right = "key.KeyD" }
[routes.walk]
from = "steps"
drives = ["move_x", "move_y"]
[routes.look]
from = "mouse.move"
drives = ["yaw", "pitch"]
sensitivity = "0.1 deg/count"
[movement]
speed = "2 m/s"
acceleration = "1000 m/s2"
braking = "1000 m/s2"
[mounts.behind]
kind = "orbit"
offset = ["0 m", "1.5 m", "0 m"]
[axes]
pitch = { min = "-60 deg", max = "60 deg" }
distance = { start = "4 m", min = "1 m", max = "9 m" }
"""


@pytest.mark.parametrize("basis", EVERY, ids=lambda one: f"{one.right}{one.up}{one.forward}")
def test_a_host_of_every_world_walks_and_looks_where_it_means_to(basis: mt.Basis, tmp_path: Path) -> None:
    """Each in units of its own: forward goes along its forward, right along its right, and the camera stands behind."""
    path = tmp_path / "walked.toml"
    path.write_text(WALKED)
    session = mt.load_profile(path).session(units_per_metre=100.0, basis=basis, compiled=False)
    right, up, forward = (np.array(basis.vector(one)) for one in ((1, 0, 0), (0, 1, 0), (0, 0, -1)))
    place = 300.0 * right - 200.0 * forward

    def walk(seconds: float) -> tuple[np.ndarray, Rotation]:
        nonlocal place
        for _ in range(round(60 * seconds)):
            place = place + session.tick(1 / 60).movement.step
            view = session.view(tuple(place.tolist()))
        return np.array(view.position), Rotation.from_quat(view.rotation)

    begun = place
    session.feed("key.KeyW", 1.0)
    camera, turned = walk(1.0)
    np.testing.assert_allclose(place - begun, 200.0 * forward, atol=1.0)
    np.testing.assert_allclose(camera - place, 150.0 * up - 400.0 * forward, atol=1e-6)
    session.feed("mouse.move", (900.0, 0.0))  # a quarter turn to the right
    begun = place
    camera, turned = walk(1.0)
    np.testing.assert_allclose(place - begun, 200.0 * right, atol=10.0)  # it turns within a frame
    np.testing.assert_allclose(camera - place, 150.0 * up - 400.0 * right, atol=1e-6)
    # what points forward in its own frame without a turn points to its right now
    np.testing.assert_allclose(turned.apply(forward), right, atol=1e-9)
    # what is 10 m ahead of the camera is 10 m along its own forward
    rows = np.array(session.view().matrix())
    seen = rows @ [*(camera + 1000.0 * turned.apply(forward)), 1.0]
    np.testing.assert_allclose(seen[:3], 1000.0 * forward, atol=1e-6)


FOLLOWING, CHART, HIDE = (mt.load_profile(one) for one in (marsh.FOLLOWING, marsh.CHART, marsh.HIDE))
places = st.tuples(*[st.floats(-50.0, 50.0)] * 3)
turns = st.builds(rotation, angles, angles, angles)


class Pair:
    """A session of a host with other axes, and one of ours that is told the same in ours."""

    def __init__(self, profile: mt.Profile, basis: mt.Basis, units: float) -> None:
        self.basis, self.units = basis, units
        self.theirs = profile.session(basis=basis, units_per_metre=units, compiled=False)
        self.ours = profile.session(compiled=False)

    def place(self, ours: Any) -> Any:
        x, y, z = self.basis.vector(ours)
        return x * self.units, y * self.units, z * self.units

    def pose(self, ours: Any) -> Any:
        return self.place(ours[0]), self.basis.rotation(ours[1])

    def tick(self) -> None:
        theirs, ours = self.theirs.tick(1 / 60), self.ours.tick(1 / 60)
        assert theirs.movement.step == pytest.approx(self.place(ours.movement.step), abs=1e-9 * self.units)
        assert theirs.movement.velocity == pytest.approx(
            self.place(ours.movement.velocity), abs=1e-9 * self.units
        )
        assert dict(theirs.axes) == pytest.approx(dict(ours.axes), abs=1e-9)
        assert theirs.vignette() == pytest.approx(ours.vignette())

    def same(self, theirs: mt.View, ours: mt.View) -> None:
        assert theirs.position == pytest.approx(self.place(ours.position), abs=1e-6 * self.units)
        turned = Rotation.from_quat(theirs.rotation), Rotation.from_quat(self.basis.rotation(ours.rotation))
        assert (turned[0].inv() * turned[1]).magnitude() < 1e-6
        assert theirs.extent == pytest.approx(self.units * ours.extent)
        assert theirs.field_of_view == ours.field_of_view


@given(bases, st.sampled_from([1.0, 100.0]), places, turns, places, st.floats(0.0, 20.0), angles)
@settings(max_examples=60)
def test_what_a_host_with_other_axes_says_is_what_it_would_say_in_ours(
    basis: mt.Basis, units: float, subject: Any, turned: Any, target: Any, clear: float, heading: float
) -> None:
    pair = Pair(FOLLOWING, basis, units)
    pair.theirs.set_platform(pair.place((1.0, 0.25, -0.5)))
    pair.ours.set_platform((1.0, 0.25, -0.5))
    pair.theirs.set_ground(basis.vector((0.1, 1.0, 0.2)))
    pair.ours.set_ground((0.1, 1.0, 0.2))
    pair.theirs.shift_origin(*pair.place((3.0, 1.0, -2.0)))
    pair.ours.shift_origin(3.0, 1.0, -2.0)
    for session in (pair.theirs, pair.ours):
        session.feed("pad.left_stick", (0.3, 1.0))
    for _ in range(3):
        pair.tick()
    pair.same(pair.theirs.view(), pair.ours.view())
    up = (0.2, 0.9, 0.1)
    told: list[tuple[dict[str, Any], dict[str, Any]]] = [
        ({"clear": clear * units}, {"clear": clear}),
        ({"target": pair.place(target)}, {"target": target}),
        ({"up": basis.vector(up)}, {"up": up}),
    ]
    for theirs, ours in told:
        pair.same(
            pair.theirs.view(pair.pose((subject, turned)), **theirs),
            pair.ours.view((subject, turned), **ours),
        )
        pair.tick()
    ahead = rotation(heading, 0.0, 0.0)
    pair.theirs.look_along(basis.rotation(ahead))
    pair.ours.look_along(ahead)
    pair.tick()
    pair.same(pair.theirs.view(pair.place(subject)), pair.ours.view(subject))


@given(bases, st.sampled_from([1.0, 100.0]), places, turns)
@settings(max_examples=40)
def test_ground_and_heads_are_along_the_axes_of_the_host(
    basis: mt.Basis, units: float, place: Any, turned: Any
) -> None:
    pair = Pair(CHART, basis, units)
    level = [k for k in range(3) if "xyz"[k] != basis.up[1]]

    def theirs(a: float, b: float) -> float:
        there = [0.0, 0.0, 0.0]
        there[level[0]], there[level[1]] = a / units, b / units
        x, _, z = basis.our_vector((there[0], there[1], there[2]))
        return units * (0.1 * x - 0.2 * z)

    for session in (pair.theirs, pair.ours):
        session.feed("key.KeyM", 1)
        session.feed("mouse.wheel", (0.0, 2.0))
    for _ in range(30):
        pair.tick()
    pair.same(pair.theirs.view(ground=theirs), pair.ours.view(ground=lambda x, z: 0.1 * x - 0.2 * z))
    pair.same(pair.theirs.view(ground=3.0 * units), pair.ours.view(ground=3.0))
    pair = Pair(HIDE, basis, units)
    head = (place, turned)
    doors = mt.XrDoor(pair.theirs), mt.XrDoor(pair.ours)
    pair.theirs.set_hand("left", basis.rotation(turned))
    pair.ours.set_hand("left", turned)
    for _ in range(3):
        pair.tick()
        pair.same(pair.theirs.view(head=pair.pose(head)), pair.ours.view(head=head))
    for door in doors:  # what a headset says is in metres, along its own axes, wherever it goes
        door.pose("/user/head", (0.5, 1.5, -0.25), turned)
        door.pose("/user/hand/left/input/aim/pose", (0.0, 0.0, 0.0), turned)
    pair.tick()
    pair.same(pair.theirs.view(head=doors[0].head), pair.ours.view(head=doors[1].head))


def test_a_walker_goes_along_the_axes_of_the_host() -> None:
    basis = mt.Basis("+x", "+z", "+y")
    assert FOLLOWING.movement is not None
    session = FOLLOWING.session(compiled=False, basis=basis, units_per_metre=100.0)
    theirs = mt.Walker(FOLLOWING.movement, units_per_metre=100.0, basis=basis)
    ours = mt.Walker(FOLLOWING.movement)
    session.feed("pad.left_stick", (0.3, 1.0))
    for _ in range(20):
        frame = session.tick(1 / 60)
        walked = theirs.step(session.command(), 1 / 60).step
        x, y, z = ours.step(session.command(), 1 / 60).step
        assert walked == pytest.approx((100.0 * x, -100.0 * z, 100.0 * y))
        assert walked == pytest.approx(frame.movement.step, abs=0.02)  # a command is rounded


@given(bases, st.sampled_from([1.0, 100.0]), places, turns)
@settings(max_examples=30)
def test_a_take_says_its_axes_too(basis: mt.Basis, units: float, place: Any, turned: Any) -> None:
    pair = Pair(FOLLOWING, basis, units)

    def take(convert: Any, up: Any, about: dict[str, str]) -> mt.Take:
        rows = [(0.0, "pad.right_stick.x", 0.4), (0.0, "host.clear", 2.0 * (units if about else 1.0))]
        for k in range(10):
            spot, way = convert((tuple(0.1 * k * one for one in place), turned))
            said = [*zip("xyz", spot, strict=True), *zip(("qx", "qy", "qz", "qw"), way, strict=True)]
            rows += [(0.1 * k, f"host.subject.{name}", value) for name, value in said]
            rows += [(0.1 * k, f"host.up.{name}", value) for name, value in zip("xyz", up, strict=True)]
        table = pd.DataFrame(rows, columns=["t", "signal", "value"]).astype({"value": float})
        return mt.Take(table.sort_values("t", kind="stable", ignore_index=True), about)

    about = {"axes": f"{basis.right} {basis.up} {basis.forward}", "units_per_metre": f"{units:g}"}
    theirs = take(pair.pose, basis.vector((0.1, 0.9, 0.2)), about)
    ours = take(lambda one: one, (0.1, 0.9, 0.2), {})
    found, wanted = mt.replay(FOLLOWING, theirs), mt.replay(FOLLOWING, ours)
    pd.testing.assert_frame_equal(found, wanted, rtol=1e-9, atol=1e-9)


@pytest.mark.parametrize(
    ("said", "words"),
    [
        ("+x +z", "axes: found '\\+x \\+z'; expected right, up and forward"),
        ("+x up -z", "up: found 'up'; expected"),
    ],
)
def test_axes_of_a_take_that_are_none_are_refused(said: str, words: str) -> None:
    table = pd.DataFrame({"t": [0.0], "signal": ["host.subject.x"], "value": [1.0]})
    with pytest.raises(mt.ArgumentError, match=words):
        mt.replay(FOLLOWING, mt.Take(table, {"axes": said}))


def test_a_basis_and_a_normal_that_are_none_are_refused() -> None:
    with pytest.raises(mt.ArgumentError, match="basis: found '\\+z up'; expected one such as"):
        FOLLOWING.session(basis="+z up")  # type: ignore[arg-type]
    session = FOLLOWING.session(basis=mt.Basis("+x", "+z", "+y"))
    with pytest.raises(
        mt.ArgumentError, match=r"normal: found \(0, 1, 0\); expected \(x, y, z\) that points up, along \+z"
    ):
        session.set_ground((0, 1, 0))


def test_a_file_says_its_axes_and_units_at_its_top(tmp_path: Path) -> None:
    """As a host would write it by hand: z up, in centimetres."""
    rows = (
        "0.0,pad.right_stick.x,0.5\n0.0,host.subject.x,100\n0.0,host.subject.y,200\n0.0,host.subject.z,50\n"
    )
    ours = "0.0,pad.right_stick.x,0.5\n0.0,host.subject.x,1\n0.0,host.subject.y,0.5\n0.0,host.subject.z,-2\n"
    top = '# axes = "+x +z +y"\n# units_per_metre = 100\n'
    for name, text in (
        ("theirs.csv", f"{top}t,signal,value\n{rows}"),
        ("ours.csv", f"t,signal,value\n{ours}"),
    ):
        (tmp_path / name).write_text(text)
    found, wanted = (
        mt.replay(FOLLOWING, mt.read_take(tmp_path / name)) for name in ("theirs.csv", "ours.csv")
    )
    pd.testing.assert_frame_equal(found, wanted)
    assert wanted["camera_z"].iloc[-1] != 0.0

"""Hosts with other axes."""

from __future__ import annotations

from itertools import permutations, product
from pathlib import Path

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt

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
    session = mt.load_profile(path).session(units_per_metre=100.0, compiled=False)
    right, up, forward = (np.array(basis.vector(one)) for one in ((1, 0, 0), (0, 1, 0), (0, 0, -1)))
    place = 300.0 * right - 200.0 * forward

    def walk(seconds: float) -> tuple[np.ndarray, Rotation]:
        nonlocal place
        for _ in range(round(60 * seconds)):
            place = place + basis.vector(session.tick(1 / 60).movement.step)
            view = session.view(basis.our_vector(tuple(place.tolist())))
        return np.array(basis.vector(view.position)), Rotation.from_quat(basis.rotation(view.rotation))

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

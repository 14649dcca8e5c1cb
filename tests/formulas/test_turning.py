"""Angles against SciPy's rotations."""

from __future__ import annotations

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

from mellow_thumb.formulas.turning import degrees_per_count, forward, right, rotation_rows, wrapped
from mellow_thumb.session.view import view_of

from ..helpers.reference import rotation
from ..helpers.strategies import angles

turns = st.floats(-720.0, 720.0)


def reference(yaw: float, pitch: float, roll: float) -> Rotation:
    """q_y(-yaw) q_x(pitch) q_z(-roll), by SciPy."""
    return Rotation.from_euler("YXZ", [-yaw, pitch, -roll], degrees=True)


@given(turns, turns, turns)
def test_rotation_is_the_product_of_three(yaw: float, pitch: float, roll: float) -> None:
    ours = Rotation.from_quat(rotation(yaw, pitch, roll))
    assert (ours * reference(yaw, pitch, roll).inv()).magnitude() < 1e-7
    assert np.linalg.norm(rotation(yaw, pitch, roll)) == pytest.approx(1.0, abs=1e-14)


@given(turns, turns)
def test_forward_and_right_are_where_the_rotation_takes_them(yaw: float, pitch: float) -> None:
    turned = reference(yaw, pitch, 0.0)
    assert forward(yaw, pitch) == pytest.approx(turned.apply([0.0, 0.0, -1.0]), abs=1e-13)
    assert right(yaw) == pytest.approx(turned.apply([1.0, 0.0, 0.0]), abs=1e-13)


@pytest.mark.parametrize(
    ("yaw", "pitch", "expected"),
    [(0, 0, (0, 0, -1)), (90, 0, (1, 0, 0)), (-90, 0, (-1, 0, 0)), (180, 0, (0, 0, 1)), (0, 90, (0, 1, 0))],
)
def test_forward_points_where_the_conventions_say(
    yaw: float, pitch: float, expected: tuple[int, ...]
) -> None:
    assert forward(yaw, pitch) == pytest.approx(expected, abs=1e-15)


def test_positive_roll_lowers_the_right_side() -> None:
    side = Rotation.from_quat(rotation(0.0, 0.0, 20.0)).apply([1.0, 0.0, 0.0])
    assert side[1] < -0.3


@given(angles)
def test_wrapped_keeps_the_direction_and_stays_inside(yaw: float) -> None:
    inside = wrapped(yaw)
    assert -180.0 < inside <= 180.0
    assert (yaw - inside) / 360.0 == pytest.approx(round((yaw - inside) / 360.0), abs=1e-9)
    assert wrapped(inside) == inside


@given(st.floats(1e-2, 1e4), st.floats(1.0, 1e4))
def test_a_turn_takes_the_hand_its_stated_travel(turn: float, counts_per_cm: float) -> None:
    travelled = turn * counts_per_cm
    assert travelled * degrees_per_count(turn, counts_per_cm=counts_per_cm) == pytest.approx(360.0)
    assert degrees_per_count(-turn, counts_per_cm=counts_per_cm) < 0.0


@given(turns, turns, turns, st.tuples(*[st.floats(-100.0, 100.0)] * 3))
def test_the_view_matrix_undoes_the_pose(
    yaw: float, pitch: float, roll: float, position: tuple[float, float, float]
) -> None:
    quaternion = rotation(yaw, pitch, roll)
    view = view_of((position, quaternion, 60.0, 0.0))
    pose, matrix = np.array(view.pose_matrix()), np.array(view.matrix())
    assert pose[:3, :3] == pytest.approx(Rotation.from_quat(quaternion).as_matrix(), abs=1e-13)
    assert pose[:3, 3] == pytest.approx(position)
    assert matrix @ pose == pytest.approx(np.eye(4), abs=1e-12)
    assert np.array(rotation_rows(*quaternion)).reshape(3, 3) == pytest.approx(pose[:3, :3])

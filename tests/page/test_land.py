"""The land: heights as they are drawn, and what stands in the way."""

from __future__ import annotations

from itertools import pairwise
from math import cos, hypot, isfinite, radians, sin

import numpy as np
from hypothesis import example, given
from hypothesis import strategies as st

from mellow_thumb.page import land

places = st.floats(-land.HALF + 1.0, land.HALF - 1.0)


@given(places, places)
def test_the_ground_lies_on_the_triangles_that_are_drawn(x: float, z: float) -> None:
    data = land.as_data()
    n = 2 * land.HALF + 1
    i, k = int(x + land.HALF), int(z + land.HALF)
    a, b, c, d = (data["heights"][row * n + column] / 100 for row in (k, k + 1) for column in (i, i + 1))
    u, v = x + land.HALF - i, z + land.HALF - k
    drawn = a + (b - a) * u + (c - a) * v if u + v <= 1 else d + (c - d) * (1 - u) + (b - d) * (1 - v)
    assert abs(land.mud(x, z) - drawn) < 1e-9
    assert land.ground(x, z) >= land.mud(x, z)


@given(st.floats(-1e6, 1e6), st.floats(-1e6, 1e6))
def test_there_is_ground_everywhere(x: float, z: float) -> None:
    assert isfinite(land.ground(x, z))


@given(places, places)
@example(0.0, -29.0)
@example(9.5, -42.5)
@example(21.0, -41.2)
def test_the_boards_lie_within_their_breadth_of_the_walk(x: float, z: float) -> None:
    along = [
        (ax + share * (bx - ax), az + share * (bz - az))
        for (ax, az), (bx, bz) in pairwise(land.WALK)
        for share in np.linspace(0.0, 1.0, 401)
    ]
    away = min(hypot(x - px, z - pz) for px, pz in along)
    if abs(away - land.BROAD) > 0.05:  # how finely it was looked at
        low = land.mud(x, z)
        assert land.ground(x, z) == (max(low, land.BOARD) if away < land.BROAD else low)


def test_posts_stand_at_the_distances_that_are_written_on_them() -> None:
    posts = [one for one in land.THINGS if one.name == "post"]
    assert len(posts) == 10
    for one in posts:
        assert abs(max(abs(one.x), abs(one.z)) - float(one.label.removesuffix(" m"))) < 1e-9
        assert hypot(one.x, one.z) > 4.0


@given(places, places, st.lists(st.tuples(st.floats(-0.5, 0.5), st.floats(-0.5, 0.5)), max_size=40))
def test_the_warden_walks_through_nothing_and_never_off_the_grid(
    x: float, z: float, steps: list[tuple[float, float]]
) -> None:
    x, z = land.stood(x, z, (0.0, 0.0, 0.0))
    for dx, dz in steps:
        before = land.ground(x, z)
        x, z = land.stood(x, z, (dx, 0.0, dz))
        assert land.ground(x, z) - before < 3.0
        assert abs(x) <= land.HALF - 2.0
        assert abs(z) <= land.HALF - 2.0
    for one in land.solids():
        assert hypot(x - one.x, z - one.z) >= one.size + land.GIRTH - 1e-9


@given(places, places, st.floats(-180.0, 180.0), st.floats(-80.0, 80.0))
def test_what_is_clear_is_as_far_as_small_steps_go(x: float, z: float, yaw: float, pitch: float) -> None:
    eye = (x, 2.0, z)
    way = (
        sin(radians(yaw)) * cos(radians(pitch)),
        sin(radians(pitch)),
        -cos(radians(yaw)) * cos(radians(pitch)),
    )
    if any(hypot(x - one.x, z - one.z) <= one.size + 0.1 for one in land.solids()):
        return
    far = land.clear(eye, way, 30.0)
    assert 0.0 < far <= 30.0
    for k in range(int(far / 0.05)):
        px, py, pz = (start + 0.05 * k * part for start, part in zip(eye, way, strict=True))
        for one in land.solids():
            inside = hypot(px - one.x, pz - one.z) < one.size + 0.1 - 1e-6
            low = py < land.mud(one.x, one.z) + one.height - 0.1
            entered = hypot(x - one.x, z - one.z) > one.size + 0.1
            # from above one may come into a thing's circle past its rim; from the side never
            assert not (inside and low and entered and pitch > -5.0), (one, k)

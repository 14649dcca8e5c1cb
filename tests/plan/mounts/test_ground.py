"""Cameras over ground that rises: they keep their distance, see past it, and rise ahead of it."""

from __future__ import annotations

from collections.abc import Callable
from math import exp, hypot, sqrt

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.basics import PlanError
from mellow_thumb.plan import Axis, Plan, Route, find_signal
from mellow_thumb.plan.mounts import Orbit, Overhead
from mellow_thumb.session.surroundings import CALLS

Ground = Callable[[float, float], float]
PAN = Route("pan", find_signal("mouse.move"), ("pan_x", "pan_y"), (0.01, 0.01))
LOOK = Route("look", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1))


def overhead(**options: float) -> mt.Session:
    axes = (*tuple(Overhead.axes.values())[:2], Axis("yaw", -90.0), *tuple(Overhead.axes.values())[3:])
    session = mt.Session(Plan((PAN,), (), axes, Overhead("map", **options)))  # type: ignore[arg-type]
    session.set_axis("distance", 4.0)
    session.set_axis("pitch", -30.0)
    session.set_axis("pan_x", -12.0)
    session.tick(0.01)
    return session


def orbit(distance: float = 6.0, pitch: float = -10.0, **options: object) -> mt.Session:
    axes = tuple(Orbit.axes.values())
    mount = Orbit("follow", offset=(0.0, 1.5, 0.0), **options)  # type: ignore[arg-type]
    session = mt.Session(Plan((LOOK,), (), axes, mount))
    session.set_axis("distance", distance)
    session.set_axis("pitch", pitch)
    session.tick(0.01)
    return session


def away(ground: Ground, place: tuple[float, float, float], reach: float = 3.0) -> float:
    """How far a place is from ground that is made of columns."""
    x, y, z = place
    found = reach
    for a in np.linspace(-reach, reach, 121):
        for b in (-1.0, -0.4, 0.0, 0.4, 1.0):
            high = ground(x + a, z + b)
            flat = hypot(a, b)
            found = min(found, flat if high >= y else sqrt(flat * flat + (y - high) ** 2))
    return found


def level(x: float, z: float) -> float:
    """A floor."""
    del x, z
    return 0.0


def face(x: float, z: float) -> float:
    """A steep face, eight metres high."""
    del z
    return 8.0 if x > 0.0 else 0.0


def test_a_camera_that_comes_to_a_steep_face_rises_ahead_of_it_and_keeps_its_distance() -> None:
    session, before = overhead(clearance=1.0, rise=8.0), None
    for _ in range(110):
        session.feed("mouse.move", (0.0, -8.0))  # 4.8 m/s to +X, with the camera in front
        session.tick(1 / 60)
        place = session.view(ground=face).position
        assert away(face, place) > 0.95
        if before is not None:
            assert abs(place[1] - before) <= 8.0 / 60.0 + 1e-9
        before = place[1]
    assert place[0] > 0.0
    assert place[1] >= 9.0 - 1e-9


def test_flat_ground_lifts_nothing() -> None:
    plain, grounded = overhead(), overhead()
    for one in (plain, grounded):
        one.tick(0.1)
    assert plain.view().position == pytest.approx(grounded.view(ground=level).position)
    follow, over = orbit(), orbit()
    for one in (follow, over):
        one.tick(0.1)
    assert follow.view((1.0, 0.0, 2.0)) == over.view((1.0, 0.0, 2.0), ground=level)


def ridge(x: float, z: float) -> float:
    """A ridge between a subject at the origin and a camera behind it."""
    del x
    return 3.0 * exp(-(((z - 4.0) / 1.2) ** 2))


def test_an_orbit_sees_its_subject_past_a_ridge_and_looks_at_it() -> None:
    session = orbit()
    for _ in range(120):
        session.tick(1 / 60)
        view = session.view((0.0, 0.0, 0.0), ground=ridge)
    x, y, z = view.position
    for share in np.linspace(0.1, 1.0, 91):
        assert 1.5 + (y - 1.5) * share > ridge(x * share, z * share)
    ahead = [-row[2] for row in view.pose_matrix()[:3]]
    wanted = np.array([0.0, 1.5, 0.0]) - np.array(view.position)
    np.testing.assert_allclose(ahead, wanted / np.linalg.norm(wanted), atol=1e-9)
    for _ in range(120):  # the ridge is gone: it sinks back
        session.tick(1 / 60)
        view = session.view((0.0, 0.0, -60.0), ground=ridge)
    assert view.position[1] == pytest.approx(1.5 + 6.0 * 0.17364817766693033)


@settings(max_examples=25, deadline=None)
@given(
    st.lists(st.tuples(st.floats(-12.0, 12.0), st.floats(1.0, 6.0), st.floats(1.5, 4.0)), max_size=4),
    st.floats(0.3, 1.5),
)
def test_an_orbit_over_hills_never_comes_nearer_than_its_clearance(
    hills: list[tuple[float, float, float]], clearance: float
) -> None:
    def ground(x: float, z: float) -> float:
        return sum(high * exp(-((x / 30.0) ** 2) - ((z - at) / wide) ** 2) for at, high, wide in hills)

    session, before = orbit(clearance=clearance, rise=8.0), None
    for k in range(160):
        session.tick(1 / 60)
        at = -16.0 + 0.06 * k
        place = session.view((0.0, ground(0.0, at), at), ground=ground).position
        assert place[1] - ground(place[0], place[2]) > 0.9 * clearance
        before = place
    assert before is not None


def test_a_ground_is_asked_no_more_often_than_the_docs_say() -> None:
    asked: list[tuple[float, float]] = []

    def ground(x: float, z: float) -> float:
        asked.append((x, z))
        return 0.0

    for session in (overhead(), orbit()):
        asked.clear()
        session.view(ground=ground)
        assert 0 < len(asked) <= CALLS <= 40
    eye = mt.load_profile(marsh.PROFILE).session()
    asked.clear()
    eye.view(ground=ground)
    assert not asked  # an eye stands where it is told


def test_what_it_wants_is_saved_and_goes_back_to_the_bit() -> None:
    session = orbit()
    for _ in range(20):
        session.tick(1 / 60)
        session.view((0.0, 0.0, 0.0), ground=ridge)
    saved = session.snapshot()
    seen = []
    for _ in range(2):
        session.restore(saved)
        session.tick(1 / 60)
        seen.append(session.view((0.0, 0.0, 0.0), ground=ridge))
    assert seen[0] == seen[1]


@pytest.mark.parametrize("wrong", [{"rise": 0.0}, {"rise": -1.0}, {"clearance": -0.1}])
def test_what_is_no_clearance_is_refused(wrong: dict[str, float]) -> None:
    for kind in (Overhead, Orbit):
        with pytest.raises(PlanError, match=next(iter(wrong))):
            kind("one", **wrong)  # type: ignore[arg-type]

"""What the library is measured against gives what the library gives."""

from __future__ import annotations

import numpy as np
import pytest

import mellow_thumb as mt
from benchmarks import by_hand_c, orbit
from benchmarks.workload import PROFILE, READ, Polled, as_take, hands


@pytest.fixture(scope="module")
def workload() -> mt.Profile:
    return mt.load_profile(PROFILE)


def test_the_hand_typed_step_is_the_library_at_one_step_a_frame(workload: mt.Profile) -> None:
    happened = hands(1200)
    table = mt.replay(workload, as_take(happened), rate=60, until=len(happened) / 60)
    assert len(table) == len(happened)
    assert table["pitch"].abs().max() < 75.0
    polled, since = Polled(), 0.0
    for frame, events in enumerate(happened):
        for event in events:
            polled.event(*event)
        read = polled.frame(1 / 60, since)
        since = 1 / 60
        row = table.iloc[frame]
        expected = [*row[list(READ)], row["step_x"], row["step_z"], row["heading"]]
        np.testing.assert_allclose(
            [*read[:8], *read[10:13]], expected, rtol=0.0, atol=1e-9, err_msg=str(frame)
        )
        pose = row[["camera_qx", "camera_qy", "camera_qz", "camera_qw"]].to_numpy(dtype=float)
        np.testing.assert_allclose(read[16:20], pose, rtol=0.0, atol=1e-9)


@pytest.mark.skipif(by_hand_c.compiler() is None, reason="no C compiler here")
def test_the_hand_typed_c_is_the_hand_typed_python() -> None:
    happened = hands(1200)
    run, out = by_hand_c.over(happened)
    run()
    polled, since = Polled(), 0.0
    for frame, events in enumerate(happened):
        for event in events:
            polled.event(*event)
        np.testing.assert_allclose(
            out[frame], polled.frame(1 / 60, since), rtol=0.0, atol=1e-9, err_msg=str(frame)
        )
        since = 1 / 60


def test_the_hand_typed_orbit_is_the_library_at_one_step_a_frame() -> None:
    profile, happened = mt.load_profile(orbit.PROFILE), orbit.hands(1200)
    session, state, turned = profile.session(), orbit.START, 0.0
    for number, (events, call) in enumerate(zip(happened, orbit.arguments(happened), strict=True)):
        for signal, x, y in events:
            session.feed(signal, (x, y), at=number / 60)
        frame = session.tick(to=(number + 1) / 60)
        view = session.view(orbit.SUBJECT)
        state, read = orbit.by_hand(state, *call)
        moved = frame.movement
        found = [
            *(frame.axes[name] for name in ("yaw", "pitch", "distance")), *view.position, *view.rotation,
            moved.velocity[0], moved.velocity[2], moved.step[0], moved.step[2], moved.heading,
        ]  # fmt: skip
        np.testing.assert_allclose(read, found, rtol=0.0, atol=1e-9, err_msg=str(number))
        turned = max(turned, abs(frame.axes["pitch"]))
    assert 5.0 < turned < 60.0  # it turns, and is never held at a limit, where a step a frame is another

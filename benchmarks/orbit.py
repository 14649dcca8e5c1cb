"""The routes of orbit.toml as a careful programmer would type them for one game, and data for them.

As in `workload`, the hand-typed step takes what a game polls once a frame, and is here to be a fair measure
of cost; where every event comes at a frame's beginning it gives what the library gives.
"""

from __future__ import annotations

from math import atan2, ceil, cos, exp, sin, sqrt
from pathlib import Path
from random import Random

from .workload import Event, State, faced_by_hand, walked_by_hand

PROFILE = Path(__file__).with_name("orbit.toml")
START: State = (0.0, 0.0, 0.0, 0.0, 0.0, 0.0, 1.791759469228055, *(0.0,) * 5)
SUBJECT = ((0.0, 1.0, 0.0), (0.0, 0.0, 0.0, 1.0))
"""Where the host says that the warden is, and how he is turned."""


def by_hand(
    state: State, dt: float, mouse_x: float, mouse_y: float, wheel: float, left_x: float, left_y: float,
    right_x: float, right_y: float, at_x: float, at_y: float, at_z: float,
) -> tuple[State, tuple[float, ...]]:  # fmt: skip
    """One frame: its state after it, and what it reads, pose included."""
    (yaw, pitch, aim_x, aim_y, turn_x, turn_y, far, far_owed, speed_x, speed_z, heading, yaw_then) = state
    # the mouse and its wheel
    aim_x += mouse_x * 0.022
    goal = pitch + aim_y + turn_y + mouse_y * 0.022
    goal = -60.0 if goal < -60.0 else 70.0 if goal > 70.0 else goal
    aim_y = goal - pitch - turn_y
    if wheel:
        goal = far + far_owed - wheel * 0.11332868530700317
        goal = goal if goal > 0.6931471805599453 else 0.6931471805599453
        far_owed = (goal if goal < 2.995732273553991 else 2.995732273553991) - far
    # the sticks
    size = sqrt(right_x * right_x + right_y * right_y)
    past = (size - 0.12) / 0.83
    factor = (past if past < 1.0 else 1.0) ** 2.2 / size * 240.0 if past > 0.0 else 0.0
    look_x, look_y = right_x * factor, right_y * factor
    size = sqrt(left_x * left_x + left_y * left_y)
    past = (size - 0.12) / 0.83
    factor = (past if past < 1.0 else 1.0) / size if past > 0.0 else 0.0
    across, ahead = left_x * factor, left_y * factor
    # time passes
    fast = aim_x * 34.657359027997266 + turn_x * 13.862943611198904
    quick, slow = exp(-34.657359027997266 * dt), exp(-13.862943611198904 * dt)
    level = look_x / 13.862943611198904
    after = level + (turn_x - level) * slow
    yaw += aim_x - aim_x * quick + turn_x + look_x * dt - after
    aim_x *= quick
    turn_x = after
    level = look_y / 13.862943611198904
    after = level + (turn_y - level) * slow
    pitch += aim_y - aim_y * quick + turn_y + look_y * dt - after
    pitch = -60.0 if pitch < -60.0 else 70.0 if pitch > 70.0 else pitch
    aim_y *= quick
    turn_y = after
    far += far_owed - far_owed * slow
    far_owed *= slow
    # the warden walks
    slows = fast - (aim_x * 34.657359027997266 + turn_x * 13.862943611198904)
    speed_x, speed_z, step_x, step_z = walked_by_hand(
        across * 6.0, ahead * 6.0, yaw_then, yaw, slows, dt, speed_x, speed_z, 20.0, 20.0
    )
    if across or ahead:
        heading = faced_by_hand(heading, yaw + 57.29577951308232 * atan2(across, ahead), 720.0 * dt)
    # what the frame reads
    seen, distance = yaw - 360.0 * ceil((yaw - 180.0) / 360.0), exp(far)
    a, b = seen * 0.017453292519943295, pitch * 0.017453292519943295
    away = distance * cos(b)
    place = (at_x - away * sin(a), at_y - distance * sin(b), at_z + away * cos(a))
    a, b = -0.5 * a, 0.5 * b
    sa, ca, sb, cb = sin(a), cos(a), sin(b), cos(b)
    state = (yaw, pitch, aim_x, aim_y, turn_x, turn_y, far, far_owed, speed_x, speed_z, heading, yaw)
    return state, (
        seen, pitch, distance, *place, ca * sb, sa * cb, -sa * sb, ca * cb, speed_x, speed_z, step_x, step_z,
        heading,
    )  # fmt: skip


def hands(frames: int, *, seed: int = 6) -> list[list[Event]]:
    """For each frame what happens at its beginning: the mouse and both sticks; now and then the wheel."""
    random, found = Random(seed), []
    for _ in range(frames):
        look_x, look_y, walk_x, walk_y = (random.uniform(-0.7, 0.7) for _ in range(4))
        events: list[Event] = [
            ("mouse.move", float(random.randint(-9, 9)), float(random.randint(-9, 9))),
            ("pad.left_stick", walk_x, walk_y),
            ("pad.right_stick", look_x, look_y),
        ]
        if random.random() < 0.02:
            events.append(("mouse.wheel", 0.0, float(random.choice([-1, 1]))))
        found.append(events)
    return found


def arguments(happened: list[list[Event]], dt: float = 1 / 60) -> list[tuple[float, ...]]:
    """What the hand-typed step takes, frame by frame."""
    calls: list[tuple[float, ...]] = []
    for events in happened:
        said = {signal: (x, y) for signal, x, y in events}
        wheel = said.get("mouse.wheel", (0.0, 0.0))[1]
        sticks = (*said["pad.left_stick"], *said["pad.right_stick"])
        calls.append((dt, *said["mouse.move"], wheel, *sticks, *SUBJECT[0]))
    return calls

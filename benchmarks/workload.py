"""The twelve routes of workload.toml as a careful programmer would type them for one game, and data for them.

The hand-typed step takes what a game polls once a frame: sums of what moved, values that are held. It
smooths at the frame, knows no event times, no gates but its one, no lost focus, no unplugging; it is here to
be a fair measure of cost. Where every event comes at a frame's beginning it gives what the library gives.
"""

from __future__ import annotations

from math import ceil, cos, exp, sin, sqrt
from pathlib import Path
from random import Random

import numpy as np
import pandas as pd

from mellow_thumb import Take

PROFILE = Path(__file__).with_name("workload.toml")
State = tuple[float, ...]
START: State = (0.0,) * 16 + (7.5398223686155035, 7.5398223686155035) + (0.0,) * 13
READ = ("yaw", "pitch", "glance_x", "glance_y", "chart_x", "chart_y", "zoom", "chart_scale")


def walked_by_hand(
    wish_x: float, wish_y: float, yaw_then: float, yaw: float, slows: float, dt: float, speed_x: float,
    speed_z: float, gain: float, brake: float,
) -> tuple[float, float, float, float]:  # fmt: skip
    """The speed of who walks after a frame, to +X and +Z, and how far he went."""
    half, middle = (yaw - yaw_then) * 0.008726646259971648, (yaw + yaw_then) * 0.008726646259971648
    ch, sh, c, s = cos(half), sin(half), cos(middle), sin(middle)
    x, z = wish_x * c + wish_y * s, wish_x * s - wish_y * c
    missing_x, missing_z = x * ch + z * sh - speed_x, z * ch - x * sh - speed_z
    size = sqrt(missing_x * missing_x + missing_z * missing_z)
    time = size / (gain if wish_x or wish_y else brake)
    run = dt if dt < time else time
    left = 1.0 - run / time if time > 0.0 else 0.0
    chord = sh / half * dt if half != 0.0 else dt
    aside = slows * dt * 0.08333333333333333 * 0.017453292519943295 * chord
    if size > 0.0 and (wish_x or wish_y):
        h = half * run / dt
        cr, sr = cos(h), sin(h)
        even = sr / h if h != 0.0 else 1.0
        odd = (even - cr) / (2.0 * h) if abs(h) > 1e-3 else h * (0.16666666666666666 - h * h / 60.0)
        along, over = run * even * 0.5 * (1.0 + left), run * (left - 1.0) * odd
        lag_x, lag_z = missing_x * along - missing_z * over, missing_z * along + missing_x * over
        lag_x, lag_z = lag_x * cr - lag_z * sr, lag_z * cr + lag_x * sr
        c2, s2 = left * (ch * ch - sh * sh), left * 2.0 * sh * ch
        missing_x, missing_z = missing_x * c2 - missing_z * s2, missing_z * c2 + missing_x * s2
    else:
        area = run * 0.5 * (1.0 + left)
        lag_x, lag_z = missing_x * area, missing_z * area
        missing_x, missing_z = missing_x * left, missing_z * left
    return (
        x * ch - z * sh - missing_x, z * ch + x * sh - missing_z,
        x * chord - z * aside - lag_x, z * chord + x * aside - lag_z,
    )  # fmt: skip


def faced_by_hand(heading: float, goal: float, most: float) -> float:
    """Which way who walks faces after a frame, of which he may turn so much (deg)."""
    way = goal - heading
    way -= 360.0 * ceil((way - 180.0) / 360.0)
    heading += most if way > most else -most if way < -most else way
    return heading - 360.0 * ceil((heading - 180.0) / 360.0)


def by_hand(
    state: State, dt: float, mouse_x: float, mouse_y: float, drag_x: float, drag_y: float, wheel_x: float,
    wheel_y: float, right_x: float, right_y: float, left_x: float, left_y: float, gyro_x: float,
    gyro_y: float, gyro_gap: float, across: float, ahead: float, glassing: float,
) -> tuple[State, tuple[float, ...]]:  # fmt: skip
    """One frame: its state after it, and what it reads, pose included."""
    (yaw, pitch, aim_x, aim_y, turn_x, turn_y, glance_x, glance_y, owed_x, owed_y, rate_x, rate_y, slope_x,
     slope_y, was_x, was_y, follow_x, follow_y, chart_x, chart_y, zoom, zoom_owed, zoom_speed, scale,
     scale_owed, scale_speed, speed_x, speed_z, heading, yaw_then, _) = state  # fmt: skip
    # the mouse
    if glassing:
        aim_x += mouse_x * 0.02
        aim_y += mouse_y * 0.02
    else:
        yaw += mouse_x * 0.05
        pitch += mouse_y * 0.05
    # drags and wheels
    chart_x += drag_x * 0.01
    chart_y += drag_y * 0.01
    if wheel_y:
        goal = zoom + zoom_owed + wheel_y * 0.11332868530700317
        goal = goal if goal > 0.0 else 0.0
        zoom_owed = (goal if goal < 2.0794415416798357 else 2.0794415416798357) - zoom
    if wheel_x:
        goal = scale + scale_owed + wheel_x * 0.18232155679395462
        goal = goal if goal > -1.3862943611198906 else -1.3862943611198906
        scale_owed = (goal if goal < 2.772588722239781 else 2.772588722239781) - scale
    # the sticks
    size = sqrt(right_x * right_x + right_y * right_y)
    past = (size - 0.12) / 0.83
    factor = (past if past < 1.0 else 1.0) ** 2.2 / size if past > 0.0 else 0.0
    look_x, look_y = right_x * factor * 220.0, right_y * factor * 140.0
    size = sqrt(left_x * left_x + left_y * left_y)
    past = (size - 0.1) / 0.9
    factor = (past if past < 1.0 else 1.0) ** 1.8 / size if past > 0.0 else 0.0
    peek_x, peek_y = left_x * factor * 90.0, left_y * factor * 90.0
    # the gyroscope, behind 1 euro filters
    if gyro_gap > 0.0:
        left = exp(-6.283185307179586 * gyro_gap)
        fresh_x, fresh_y = (gyro_x - was_x) / gyro_gap, (gyro_y - was_y) / gyro_gap
        slope_x, slope_y = fresh_x + (slope_x - fresh_x) * left, fresh_y + (slope_y - fresh_y) * left
        follow_x = 6.283185307179586 * (1.2 + 0.02 * abs(slope_x))
        follow_y = 6.283185307179586 * (1.2 + 0.02 * abs(slope_y))
        was_x, was_y = gyro_x, gyro_y
    # time passes
    fast = aim_x * 34.657359027997266 + turn_x * 19.804205158855577 + rate_x
    kept = exp(-34.657359027997266 * dt)
    yaw += aim_x - aim_x * kept
    pitch += aim_y - aim_y * kept
    aim_x *= kept
    aim_y *= kept
    kept = exp(-19.804205158855577 * dt)
    level = look_x / 19.804205158855577
    after = level + (turn_x - level) * kept
    yaw += turn_x + look_x * dt - after
    turn_x = after
    level = look_y / 19.804205158855577
    after = level + (turn_y - level) * kept
    pitch += turn_y + look_y * dt - after
    turn_y = after
    wish = gyro_x * 1.5
    after = wish + (rate_x - wish) * exp(-follow_x * dt)
    yaw += wish * dt + (rate_x - after) / follow_x
    rate_x = after
    wish = gyro_y * 1.2
    after = wish + (rate_y - wish) * exp(-follow_y * dt)
    pitch += wish * dt + (rate_y - after) / follow_y
    rate_y = after
    pitch = -80.0 if pitch < -80.0 else 80.0 if pitch > 80.0 else pitch
    kept = exp(-13.862943611198904 * dt)
    level = peek_x / 13.862943611198904
    after = level + (owed_x - level) * kept
    glance_x += owed_x + peek_x * dt - after
    owed_x = after
    level = peek_y / 13.862943611198904
    after = level + (owed_y - level) * kept
    glance_y += owed_y + peek_y * dt - after
    owed_y = after
    turn = (27.97244983361101 * zoom_owed - zoom_speed) * dt
    kept = exp(-27.97244983361101 * dt)
    after = (zoom_owed + turn) * kept
    zoom_speed = (zoom_speed + 27.97244983361101 * turn) * kept
    zoom += zoom_owed - after
    zoom_owed = after
    turn = (20.979337375208257 * scale_owed - scale_speed) * dt
    kept = exp(-20.979337375208257 * dt)
    after = (scale_owed + turn) * kept
    scale_speed = (scale_speed + 20.979337375208257 * turn) * kept
    scale += scale_owed - after
    scale_owed = after
    # the warden walks
    size = sqrt(across * across + ahead * ahead)
    if size > 1.0:
        across, ahead = across / size, ahead / size
    slows = fast - (aim_x * 34.657359027997266 + turn_x * 19.804205158855577 + rate_x)
    speed_x, speed_z, step_x, step_z = walked_by_hand(
        across * 1.6, ahead * 1.6, yaw_then, yaw, slows, dt, speed_x, speed_z, 10.0, 15.0
    )
    # what the frame reads; in first person the warden faces where she looks
    seen = heading = yaw - 360.0 * ceil((yaw - 180.0) / 360.0)
    a, b = seen * -0.008726646259971648, pitch * 0.008726646259971648
    sa, ca, sb, cb = sin(a), cos(a), sin(b), cos(b)
    state = (
        yaw, pitch, aim_x, aim_y, turn_x, turn_y, glance_x, glance_y, owed_x, owed_y, rate_x, rate_y, slope_x,
        slope_y, was_x, was_y, follow_x, follow_y, chart_x, chart_y, zoom, zoom_owed, zoom_speed, scale,
        scale_owed, scale_speed, speed_x, speed_z, heading, yaw, 0.0,
    )  # fmt: skip
    return state, (
        seen, pitch, glance_x, glance_y, chart_x, chart_y, exp(zoom), exp(scale), speed_x, speed_z, step_x,
        step_z, heading, 0.0, 1.65, 0.0, ca * sb, sa * cb, -sa * sb, ca * cb,
    )  # fmt: skip


class Polled:
    """What a game that polls would keep of events, to call the hand-typed step once a frame."""

    def __init__(self) -> None:
        self.state, self.gap, self.seen = START, 0.0, False
        self.moved: dict[str, list[float]] = {}
        self.held: dict[str, tuple[float, float]] = {}

    def event(self, signal: str, x: float, y: float) -> None:
        if signal in ("mouse.move", "mouse.pixels", "mouse.wheel"):
            sums = self.moved.setdefault(signal, [0.0, 0.0])
            sums[0] += x
            sums[1] += y
        else:
            self.held[signal] = (x, y)
            self.seen |= signal == "motion.aim"

    def arguments(self, dt: float, since: float) -> tuple[float, ...]:
        """What the step takes; `since` is how long ago the gyroscope reported before this frame."""
        moved, held, none = self.moved, self.held, (0.0, 0.0)
        get = held.get
        found = (
            dt, *moved.get("mouse.move", none), *moved.get("mouse.pixels", none),
            *moved.get("mouse.wheel", none), *get("pad.right_stick", none), *get("pad.left_stick", none),
            *get("motion.aim", none), since if self.seen else 0.0,
            get("key.KeyD", none)[0] - get("key.KeyA", none)[0],
            get("key.KeyW", none)[0] - get("key.KeyS", none)[0], get("mouse.right", none)[0],
        )  # fmt: skip
        self.moved, self.seen = {}, False
        return found

    def frame(self, dt: float, since: float) -> tuple[float, ...]:
        self.state, read = by_hand(self.state, *self.arguments(dt, since))
        return read


Event = tuple[str, float, float]


def hands(frames: int, *, seed: int = 5, each: int = 3) -> list[list[Event]]:
    """For each frame what happens at its beginning: `each` events, of all the devices in turn."""
    random, found = Random(seed), []
    pitch = 0.0
    for frame in range(frames):
        events: list[Event] = [("motion.aim", random.gauss(0.0, 20.0), random.gauss(0.0, 8.0))]
        for _ in range(each - 1):
            kind = random.random()
            if kind < 0.4:
                up = float(random.randint(-9, 9)) - (0.2 * pitch)
                pitch += 0.05 * up
                events.append(("mouse.move", float(random.randint(-20, 20)), float(round(up))))
            elif kind < 0.6:
                events.append(("pad.right_stick", random.uniform(-0.7, 0.7), random.uniform(-0.2, 0.2)))
            elif kind < 0.75:
                events.append(("pad.left_stick", random.uniform(-0.7, 0.7), random.uniform(-0.7, 0.7)))
            elif kind < 0.85:
                events.append(("mouse.pixels", float(random.randint(-9, 9)), float(random.randint(-9, 9))))
            elif kind < 0.9:
                events.append(("mouse.wheel", float(random.randint(-1, 1)), float(random.randint(-1, 1))))
            else:
                name = random.choice(["mouse.right", "key.KeyW", "key.KeyD", "key.KeyA", "key.KeyS"])
                events.append((name, float(random.random() < 0.6), 0.0))
        events.sort(
            key=lambda event: not event[0].startswith(("mouse.right", "key."))
        )  # a poll sees them first
        found.append(events if frame else [("motion.aim", 0.0, 0.0)])
    return found


def as_take(happened: list[list[Event]], rate: float = 60.0) -> Take:
    """The same as a take: every event at its frame's beginning."""
    rows: list[tuple[float, str, float]] = []
    for frame, events in enumerate(happened):
        for signal, x, y in events:
            if signal.startswith(("key.", "mouse.right")):
                rows.append((frame / rate, signal, x))
            else:
                rows += [(frame / rate, f"{signal}.x", x), (frame / rate, f"{signal}.y", y)]
    table = pd.DataFrame(rows, columns=["t", "signal", "value"])
    return Take(table.astype({"t": float, "signal": "category", "value": float}))


def mouse_take(seconds: float, reports: int = 1000, seed: int = 3) -> Take:
    """A mouse that reports so often a second, with the glasses up and down."""
    random = np.random.default_rng(seed)
    count = int(seconds * reports)
    t = (np.arange(count) + random.uniform(0.0, 0.3, count)) / reports
    values = random.integers(-9, 10, (count, 2)).astype(float)
    signals = pd.Categorical.from_codes(
        np.tile(np.array([0, 1], np.int8), count), pd.Index(["mouse.move.x", "mouse.move.y"])
    )
    return Take(pd.DataFrame({"t": np.repeat(t, 2), "signal": signals, "value": values.ravel()}))

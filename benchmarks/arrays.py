"""The same twelve routes as per-frame NumPy arrays: how many write it, and what it costs."""

from __future__ import annotations

import numpy as np

GAIN = np.array([220.0, 140.0])
TURN = np.array([1.5, 1.2])
CHART = np.array([0.11332868530700317, 0.18232155679395462])
LOW, HIGH = np.array([0.0, -1.3862943611198906]), np.array([2.0794415416798357, 2.772588722239781])
W = np.array([27.97244983361101, 20.979337375208257])


class Arrays:
    """One frame after another; pairs are arrays of two."""

    def __init__(self) -> None:
        self.look, self.aim, self.turn, self.rate, self.slope, self.was = np.zeros((6, 2))
        self.glance, self.owed, self.chart, self.speed = np.zeros((4, 2))
        self.scale, self.scale_owed, self.scale_speed = np.zeros((3, 2))
        self.follow = np.full(2, 7.5398223686155035)

    def step(
        self, dt: float, mouse: np.ndarray, drag: np.ndarray, wheel: np.ndarray, right: np.ndarray,
        left: np.ndarray, gyro: np.ndarray, gap: float, move: np.ndarray, glassing: bool,
    ) -> tuple[np.ndarray, ...]:  # fmt: skip
        if glassing:
            self.aim = self.aim + mouse * 0.02
        else:
            self.look = self.look + mouse * 0.05
        self.chart = self.chart + drag * 0.01
        self.scale_owed = np.clip(self.scale + self.scale_owed + wheel * CHART, LOW, HIGH) - self.scale
        shaped = []
        for stick, inner, outer, power in ((right, 0.12, 0.95, 2.2), (left, 0.1, 1.0, 1.8)):
            size = np.linalg.norm(stick)
            past = np.clip((size - inner) / (outer - inner), 0.0, 1.0)
            shaped.append(stick * (past**power / max(float(size), 1e-9)))
        look, peek = shaped[0] * GAIN, shaped[1] * 90.0
        if gap > 0.0:
            fresh = (gyro - self.was) / gap
            self.slope = fresh + (self.slope - fresh) * np.exp(-6.283185307179586 * gap)
            self.follow = 6.283185307179586 * (1.2 + 0.02 * np.abs(self.slope))
            self.was = gyro
        kept = np.exp(-34.657359027997266 * dt)
        self.look = self.look + self.aim * (1.0 - kept)
        self.aim = self.aim * kept
        level = look / 19.804205158855577
        after = level + (self.turn - level) * np.exp(-19.804205158855577 * dt)
        self.look = self.look + self.turn + look * dt - after
        self.turn = after
        wish = gyro * TURN
        after = wish + (self.rate - wish) * np.exp(-self.follow * dt)
        self.look = self.look + wish * dt + (self.rate - after) / self.follow
        self.rate = after
        level = peek / 13.862943611198904
        after = level + (self.owed - level) * np.exp(-13.862943611198904 * dt)
        self.glance = self.glance + self.owed + peek * dt - after
        self.owed = after
        turn = (W * self.scale_owed - self.scale_speed) * dt
        kept = np.exp(-W * dt)
        after = (self.scale_owed + turn) * kept
        self.scale_speed = (self.scale_speed + W * turn) * kept
        self.scale = self.scale + self.scale_owed - after
        self.scale_owed = after
        yaw, pitch = np.radians(self.look)
        pitch = np.clip(pitch, -1.4, 1.4)
        c, s = np.cos(yaw), np.sin(yaw)
        wish = 1.6 * move / max(1.0, float(np.linalg.norm(move)))
        missing = np.array([[c, s], [s, -c]]) @ wish - self.speed
        self.speed = self.speed + missing * min(1.0, 10.0 * dt / max(float(np.linalg.norm(missing)), 1e-9))
        half = np.array([-yaw / 2.0, pitch / 2.0])
        (ca, cb), (sa, sb) = np.cos(half), np.sin(half)
        rotation = np.array([ca * sb, sa * cb, -sa * sb, ca * cb])
        return self.look, self.glance, self.chart, np.exp(self.scale), self.speed, self.speed * dt, rotation

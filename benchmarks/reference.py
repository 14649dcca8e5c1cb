"""What a careful programmer would type by hand for the demo profile, and nothing more general.

It smooths at the frame, so it depends on the frame rate where the library does not; it is here to be a
fair measure of cost, and the tests hold it to the library's answers at one step a frame.
"""

from __future__ import annotations

from math import exp


class ByHand:
    """The field glasses, inlined: no events, no times, one step a frame."""

    def __init__(self) -> None:
        self.yaw = self.pitch = self.pool_x = self.pool_y = 0.0

    def step(self, dt: float, moves: list[tuple[float, float]], glassing: bool) -> tuple[float, float, bool]:
        for x, y in moves:
            if glassing:
                self.pool_x += x * 0.015873015873015872
                goal = self.pitch + self.pool_y + y * 0.015873015873015872
                goal = 40.0 if goal > 40.0 else -35.0 if goal < -35.0 else goal
                self.pool_y = goal - self.pitch
            else:
                self.yaw += x * 0.05
                pitch = self.pitch + y * 0.05
                self.pitch = 40.0 if pitch > 40.0 else -35.0 if pitch < -35.0 else pitch
        left = exp(-34.657359027997264 * dt)
        kept_x, kept_y = self.pool_x * left, self.pool_y * left
        self.yaw += self.pool_x - kept_x
        self.pitch += self.pool_y - kept_y
        self.pool_x, self.pool_y = kept_x, kept_y
        yaw = self.yaw % 360.0
        return (yaw - 360.0 if yaw > 180.0 else yaw), self.pitch, glassing

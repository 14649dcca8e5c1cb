"""A mean that follows: the plain mean at first, then a low-pass of second order; for any times."""

from __future__ import annotations

from math import cos, exp, sin
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from collections.abc import Sequence


class SmoothMean:
    """Of some values at once.

    A Butterworth low-pass of second order, its poles at (-1 +- i) / tau, exact in time for an input that
    holds since the last. Until `tau` has passed it is the mean of all that came, each weighted by its
    time, as in Laidig, Seel, VQF (Information Fusion 91, 2023).
    """

    __slots__ = ("_kind", "_speeds", "_steps", "_time", "values")

    def __init__(self, many: int) -> None:
        """Follow `many` values."""
        self.values = [0.0] * many
        self._speeds = [0.0] * many
        self._time = -1.0
        self._kind, self._steps = (-1.0, 0.0), (0.0, 0.0, 0.0, 0.0)

    def step(self, said: Sequence[float], dt: float, tau: float) -> list[float]:
        """Take new values after `dt` seconds, with a time constant of `tau` seconds; the mean."""
        values = self.values
        if self._time < tau:
            # what comes first is all that is known
            self._time = 0.0 if self._time < 0.0 else self._time + dt
            share = min(dt / self._time, 1.0) if self._time > 0.0 else 1.0
            self.values = [one + (new - one) * share for one, new in zip(values, said, strict=True)]
            return self.values
        if (dt, tau) != self._kind:
            angle = dt / tau
            fade, c, s = exp(-angle), cos(angle), sin(angle)
            self._kind = (dt, tau)
            self._steps = (
                fade * (c + s),
                fade * s * tau,
                -2.0 * fade * s / tau,
                fade * (c - s),
            )
        a, b, c, d = self._steps
        out, speeds = [], []
        for one, speed, new in zip(values, self._speeds, said, strict=True):
            off = one - new
            out.append(new + a * off + b * speed)
            speeds.append(c * off + d * speed)
        self.values, self._speeds = out, speeds
        return out

    def saved(self) -> list[Any]:
        """All that it knows, as plain data."""
        return [list(self.values), list(self._speeds), self._time]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        values, speeds, time = saved
        self.values, self._speeds = list(map(float, values)), list(map(float, speeds))
        self._time = float(time)

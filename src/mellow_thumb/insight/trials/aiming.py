"""Aimed movements in numbers: effective width and distance, throughput, misses, overshoot, corrections.

Source: ISO 9241-411, annex B; MacKenzie, Fitts' throughput and the remarkable case of touch-based target
selection (HCI International 2015), for what the standard leaves open. Places are in the unit of the task
(degrees of the view, screens, or logarithms of a zoom), times in seconds.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from math import exp, log, log2, pi, sqrt
from typing import TYPE_CHECKING, NamedTuple

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt

    Floats = npt.NDArray[np.float64]

WIDTHS_PER_DEVIATION = sqrt(2.0 * pi * exp(1.0))
"""4.133: so many standard deviations wide is the target that 96 % of normal end points hit."""
PAUSE = 0.1
"""Below this share of its highest speed a movement has not begun, or is over."""
DIP = 0.7
"""A correction begins where the speed falls below this share of both peaks beside it."""
SMOOTHED = 0.03
"""Seconds over which a speed is averaged before its peaks are counted."""


class Aim(NamedTuple):
    """One aimed movement: from where the last one ended to a target, and where it was selected."""

    begun: float
    """When the target was there (s)."""
    ended: float
    """When it was selected (s)."""
    start: tuple[float, float]
    """Where the movement began."""
    origin: tuple[float, float]
    """The middle of the target before, from which the way to this one is measured."""
    target: tuple[float, float]
    width: float
    """The target's diameter."""
    end: tuple[float, float]
    """Where it was selected."""

    @property
    def distance(self) -> float:
        """From the target before to this one."""
        return sqrt((self.target[0] - self.origin[0]) ** 2 + (self.target[1] - self.origin[1]) ** 2)

    @property
    def missed(self) -> bool:
        """Whether it was selected outside the target."""
        off = (self.end[0] - self.target[0]) ** 2 + (self.end[1] - self.target[1]) ** 2
        return off > (0.5 * self.width) ** 2

    @property
    def beyond(self) -> float:
        """How far along the way it ended beyond the target's middle; below 0 short of it."""
        ahead = _unit(self.origin, self.target)
        return ahead[0] * (self.end[0] - self.target[0]) + ahead[1] * (self.end[1] - self.target[1])


@dataclass(frozen=True)
class Aimed:
    """Movements to targets of one distance and one width, in numbers."""

    count: int
    distance: float
    """The effective distance: as far as people went on average."""
    width: float
    """The effective width: of the target that 96 % of these end points would hit."""
    time: float
    """The mean time of a movement (s)."""
    misses: float
    """The share that was selected outside the target."""

    @property
    def difficulty(self) -> float:
        """The effective index of difficulty, in bits."""
        return log2(self.distance / self.width + 1.0)

    @property
    def throughput(self) -> float:
        """Bits a second."""
        return self.difficulty / self.time


def aimed(movements: Sequence[Aim]) -> Aimed:
    """Measure movements to targets of one distance and one width, three at least.

    The standard takes the plain standard deviation of the end points, which makes short sequences look
    better than they are: of eight movements by 3 %. Here its logarithm is set right for their number.
    """
    count = len(movements)
    beyond = [one.beyond for one in movements]
    mean = sum(beyond) / count
    variance = sum((one - mean) ** 2 for one in beyond) / (count - 1)
    deviation = max(sqrt(variance) * exp(-_log_bias(count - 1)), 1e-9)
    distance = sum(one.distance for one in movements) / count + mean
    time = sum(one.ended - one.begun for one in movements) / count
    misses = sum(one.missed for one in movements) / count
    return Aimed(count, max(distance, 1e-9), WIDTHS_PER_DEVIATION * deviation, time, misses)


@cache
def _log_bias(freedom: int) -> float:
    """How far the logarithm of a standard deviation lies from the truth on average, for normal values.

    Source: the mean of the logarithm of a chi-squared value, ``(digamma(v / 2) - log(v / 2)) / 2``.
    """
    from scipy.special import digamma

    return 0.5 * (float(digamma(0.5 * freedom)) - log(0.5 * freedom))


def throughput_of(movements: Sequence[Aim]) -> float:
    """The mean throughput (bits/s) over each pair of a distance and a width among movements."""
    groups: dict[tuple[float, float], list[Aim]] = {}
    for one in movements:
        groups.setdefault((round(one.distance, 6), one.width), []).append(one)
    found = [aimed(group).throughput for group in groups.values() if len(group) >= 3]
    return sum(found) / len(found) if found else float("nan")


class Course(NamedTuple):
    """How one movement went on its way."""

    reaction: float
    """Seconds until it began."""
    peak: float
    """Its highest speed, a second."""
    overshoot: float
    """How far it went beyond the far side of the target, along the way; 0 where it did not."""
    corrections: int
    """How often it slowed down and went on again."""


def course_of(aim: Aim, t: Floats, places: Floats) -> Course:
    """Follow one movement on a path: times (s, evenly spaced) and places, a row each."""
    import numpy as np

    inside = (t >= aim.begun) & (t <= aim.ended)
    t, places = t[inside], places[inside]
    if len(t) < 5:
        return Course(aim.ended - aim.begun, 0.0, 0.0, 0)
    step = float(t[1] - t[0])
    speed = np.hypot(*np.gradient(places, step, axis=0).T)
    width = max(1, round(SMOOTHED / step) | 1)
    speed = np.convolve(speed, np.full(width, 1.0 / width), mode="same")
    peak = float(speed.max())
    if peak <= 0.0:
        return Course(aim.ended - aim.begun, 0.0, 0.0, 0)
    (moving,) = np.nonzero(speed > PAUSE * peak)
    ahead = _unit(aim.origin, aim.target)
    along = (places - np.array(aim.target)) @ np.array(ahead)
    overshoot = max(0.0, float(along.max()) - 0.5 * aim.width)
    return Course(float(t[moving[0]] - aim.begun), peak, overshoot, _dips(speed, PAUSE * peak))


def _dips(speed: Floats, least: float) -> int:
    """How often a speed falls well below the peaks on both sides; peaks below `least` are rest."""
    count, high, low = 0, 0.0, None
    for value in speed.tolist():
        if low is None:
            if value >= high:
                high = value
            elif high > least and value < DIP * high:
                low = value
        elif value < low:
            low = value
        elif value > least and low < DIP * value:
            count, high, low = count + 1, value, None
    return count


def _unit(start: tuple[float, float], end: tuple[float, float]) -> tuple[float, float]:
    """The unit vector from one place to another; to the right where they are one."""
    x, y = end[0] - start[0], end[1] - start[1]
    length = sqrt(x * x + y * y)
    return (x / length, y / length) if length > 0.0 else (1.0, 0.0)

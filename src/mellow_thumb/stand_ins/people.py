"""People who aim, as a trial meets them: their movements under a setting, with a truth that is known.

An aim is a first movement that falls short on average and strays with its speed, then one that corrects it,
each along the path of least jerk, after a reaction. Sources: Meyer and others, Optimality in human motor
performance (1988); Schmidt and others, Motor-output variability (1979), for noise that grows with speed;
Flash and Hogan (1985); MacKenzie (1992) for the time.
"""

from __future__ import annotations

from dataclasses import dataclass, field
from math import exp, hypot, log, log2, pi, sqrt
from typing import TYPE_CHECKING, NamedTuple

from .mouse import smooth_path

if TYPE_CHECKING:
    from random import Random

Place = tuple[float, float]

WIDTHS_PER_DEVIATION = sqrt(2.0 * pi * exp(1.0))
"""So many standard deviations of the end points the width of a target is that 96 % of them hit."""


class Way(NamedTuple):
    """One aim: a first movement, a correction, and where and when it is selected."""

    begun: float
    reaction: float
    between: float
    """When the first movement is over and the correction begins (s after `begun`)."""
    ended: float
    """When it is selected (s after `begun`)."""
    start: Place
    short: Place
    """Where the first movement ends."""
    end: Place

    def at(self, t: float) -> Place:
        """Where it is at a time (s)."""
        t -= self.begun
        if t <= self.between:
            share = (t - self.reaction) / (self.between - self.reaction)
            start, end = self.start, self.short
        else:
            share = (t - self.between) / (self.ended - self.between)
            start, end = self.short, self.end
        done = float(smooth_path(min(max(share, 0.0), 1.0)))  # type: ignore[arg-type]
        return start[0] + done * (end[0] - start[0]), start[1] + done * (end[1] - start[1])


@dataclass
class Person:
    """A person who aims; how well is known.

    An aim over `distance` to a target of `width` takes ``reaction + per_bit * log2(distance / width + 1)``
    seconds on average, scattered by the share `uneven` (log-normal), and divided by the `ease` of the
    setting. End points are normal about the target's middle, so that `width` times `spread` is 4.133 of their
    standard deviations. From round to round the time changes by the share `learns` (below 0: tires).
    `prefers` is how surely the easier setting is liked better: 0 is by chance, 1 always.
    """

    random: Random
    reaction: float = 0.2
    per_bit: float = 0.14
    uneven: float = 0.12
    spread: float = 1.0
    learns: float = 0.0
    moods: float = 0.0
    """The standard deviation of a whole round's speed, as a share."""
    prefers: float = 1.0
    rounds: int = field(default=0, init=False)
    _mood: float = field(default=0.0, init=False)

    def begin(self) -> None:
        """Another round begins."""
        self.rounds += 1
        self._mood = self.random.gauss(0.0, self.moods)

    def seconds(self, distance: float, width: float, ease: float = 1.0) -> float:
        """How long an aim takes on average, in this round."""
        learnt = exp(-self.learns * (self.rounds - 1) + self._mood)
        return (self.reaction + self.per_bit * log2(distance / width + 1.0)) * learnt / ease

    def throughput(self, distance: float, width: float, ease: float = 1.0) -> float:
        """The true throughput (bits/s) for such targets, of the true effective width and mean time."""
        return log2(distance / (self.spread * width) + 1.0) / self.seconds(distance, width, ease)

    def aim(
        self, begun: float, start: Place, origin: Place, target: Place, width: float, ease: float = 1.0
    ) -> Way:
        """Aim at a target from where the last aim ended; `origin` is the middle of the target before."""
        chance = self.random
        distance = max(hypot(target[0] - origin[0], target[1] - origin[1]), 1e-9)
        bend = log(1.0 + self.uneven**2)
        time = self.seconds(distance, width, ease) * exp(chance.gauss(-0.5 * bend, sqrt(bend)))
        scatter = self.spread * width / WIDTHS_PER_DEVIATION
        end = target[0] + chance.gauss(0.0, scatter), target[1] + chance.gauss(0.0, scatter)
        reaction = min(self.reaction / ease, 0.4 * time)
        first = 0.65 * (time - reaction)
        strays = 0.04 * distance / first * 0.5  # degrees for the mean speed over half a second
        reach = 0.94 + chance.gauss(0.0, min(strays / distance, 0.05))
        short = start[0] + reach * (end[0] - start[0]), start[1] + reach * (end[1] - start[1])
        return Way(begun, reaction, reaction + first, time, start, short, end)

    def likes(self, eases: tuple[float, float]) -> int:
        """Which of two settings it likes better: 0 or 1."""
        if self.random.random() < self.prefers and eases[0] != eases[1]:
            return int(eases[1] > eases[0])
        return int(self.random.random() < 0.5)

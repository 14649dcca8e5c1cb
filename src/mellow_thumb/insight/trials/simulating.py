"""Trials of stand-in people, whose truth is known: to prove what a trial says, and to plan one."""

from __future__ import annotations

from math import log
from random import Random
from typing import TYPE_CHECKING, NamedTuple

from ...stand_ins import Person
from .aiming import Aim, throughput_of
from .deciding import LOOKS, difference, verdict
from .schedule import Order
from .tasks import Task

if TYPE_CHECKING:
    from collections.abc import Callable

    from .deciding import Difference, Verdict

RING = Task("aim", "aim", "deg", "turn to each bird and select it", ("yaw", "pitch"), size=40.0)
"""The aims of an eye without narrow limits."""


class Simulated(NamedTuple):
    """How one trial ended."""

    found: Difference
    said: Verdict
    looks: int
    truth: float
    """The true difference, as a logarithm."""

    @property
    def holds(self) -> bool:
        """Whether the interval holds the truth."""
        return self.found.low <= self.truth <= self.found.high


def aims_of(person: Person, task: Task, seed: int, ease: float = 1.0) -> list[Aim]:
    """The aims of one round that count."""
    person.begin()
    t, at, found = 0.0, task.middle, []
    for one in task.targets(seed):
        way = person.aim(t, at, one.origin if one.counts else at, one.place, one.width, ease)
        if one.counts:
            found.append(Aim(t, t + way.ended, at, one.origin, one.place, one.width, way.end))
        t, at = t + way.ended, way.end
    return found


def simulated(
    seed: int, ease: float, pairs: int = 8, *, make: Callable[[Random], Person] | None = None
) -> Simulated:
    """A whole trial of two settings, the second `ease` times as easy, that follows its own advice."""
    chance = Random(seed)
    person = make(chance) if make else Person(chance, moods=0.04, learns=0.01)
    order = Order(chance.getrandbits(64), 2)
    values: list[float] = []
    for look in range(1, LOOKS + 1):
        for number in range(len(values), pairs):
            both = [0.0, 0.0]
            for setting in order.pair(1, number):
                aims = aims_of(person, RING, order.targets(1, number), (1.0, ease)[setting])
                both[setting] = log(throughput_of(aims))
            values.append(both[1] - both[0])
        found = difference(values)
        said = verdict(found, look, seed=seed)
        if said.kind != "open" or not said.more:
            break
        pairs += said.more
    return Simulated(found, said, look, log(ease))

"""A round while it is played: which target is there, when it was selected, when the round is over.

Whoever runs the session tells it each frame; it decides nothing about axes. What it saw goes into the round's
take as rows, so that all numbers can be had from files alone.
"""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING, Any

from .tasks import DWELL, FOLLOWED, LONGEST, REACHED

if TYPE_CHECKING:
    from collections.abc import Collection, Mapping, Sequence

    from .tasks import Place, Task

PAUSE = 0.8
"""Seconds between two tasks of a round."""


class Playing:
    """The tasks of one round, one after the other."""

    def __init__(
        self, tasks: Sequence[Task], seed: int, *, short: bool = False, dwells: bool = False
    ) -> None:
        """Begin with the first task; where nothing is free to select with, a target is kept for a while."""
        self.tasks, self._seed, self._short, self._dwells = tuple(tasks), seed, short, dwells
        self.rows: list[tuple[float, str, float]] = []
        """Time (s), signal and value of what was asked and selected."""
        self.number = -1
        """The task that is done; below 0 before the first."""
        self.over = False
        self.hits = self.misses = 0
        self._wait = PAUSE
        self._begun = self._since = 0.0
        self._inside: float | None = None
        self._before: tuple[float, Place] | None = None
        self._targets: list[Any] = []
        self._at = 0
        self._flight: Any = None
        self.place: Place = (0.0, 0.0)
        """Where the camera, or the warden, was in the task's space at the last frame."""

    @property
    def task(self) -> Task | None:
        """The task that is done now."""
        return self.tasks[self.number] if 0 <= self.number < len(self.tasks) and self._wait <= 0.0 else None

    @property
    def target(self) -> Any | None:
        """The target that is there now."""
        return self._targets[self._at] if self.task and self._at < len(self._targets) else None

    @property
    def share(self) -> float:
        """How much of the round is done, 0 to 1."""
        task, inside = self.task, 0.0
        if task is not None:
            inside = (
                self._at / len(self._targets) if self._targets else (self._since - self._begun) / FOLLOWED
            )
        return 1.0 if self.over else (max(self.number, 0) + inside) / len(self.tasks)

    def frame(
        self, t: float, dt: float, axes: Mapping[str, float], walked: Place, taken: Sequence[float],
        cues: Collection[str] = (),
    ) -> None:  # fmt: skip
        """A frame has ended at `t` (s): its axes, where the warden is, when something was selected.

        `cues` are those that were given in it, for a task that is about one.
        """
        if self.over:
            return
        if self.number < 0 or self._wait > 0.0:
            self._wait -= dt
            if self._wait <= 0.0:
                self._begin(t)
                self.place = self._where(axes, walked)
            return
        task = self.tasks[self.number]
        self.place = self._where(axes, walked)
        if task.cue:
            taken = [t] if task.cue in cues else []
        {"follow": self._follow, "walk": self._walk, "aim": self._aim}[task.kind](t, taken)
        self._before, self._since = (t, self.place), t
        if t - self._begun > LONGEST * (1 + len(self._targets) // 8):
            self._end(t)

    def _where(self, axes: Mapping[str, float], walked: Place) -> Place:
        """Where the camera, or the warden, is in the task's space."""
        task = self.tasks[self.number]
        return walked if task.kind == "walk" else task.places(axes)

    def _begin(self, t: float) -> None:
        """The next task begins."""
        self.number += 1
        if self.number >= len(self.tasks):
            self.over = True
            return
        task = self.tasks[self.number]
        self._targets, self._at = task.targets(self._seed, short=self._short), 0
        self._flight = task.flight(self._seed) if task.kind == "follow" else None
        self._begun = self._since = t
        self._before = self._inside = None
        self.rows.append((t, "host.task_number", float(self.number + 1)))
        self._show(t)

    def _end(self, t: float) -> None:
        """The task is over; the next one comes after a pause."""
        self.rows.append((t, "host.task_number", 0.0))
        self._wait = PAUSE
        if self.number + 1 >= len(self.tasks):
            self.over = True

    def _show(self, t: float) -> None:
        """Write down where the target is."""
        if self._flight is not None:
            place, width = self._flight(t - self._begun), 0.0
        elif self._at < len(self._targets):
            place, width = self._targets[self._at].place, self._targets[self._at].width
        else:
            return
        self.rows += [(t, "host.task.x", place[0]), (t, "host.task.y", place[1])]
        if width:
            self.rows.append((t, "host.task_width", width))

    def flown(self, t: float) -> Place:
        """Where the bird that is followed is at a time of the session (s)."""
        flown: Place = self._flight(t - self._begun)
        return flown

    @property
    def bird(self) -> Place | None:
        """Where the bird is that is followed."""
        return self._flight(self._since - self._begun) if self.task and self._flight is not None else None

    def _follow(self, t: float, _: Sequence[float]) -> None:
        self._since = t
        self._show(t)
        if t - self._begun >= (0.4 if self._short else 1.0) * FOLLOWED:
            self._end(t)

    def _walk(self, t: float, _: Sequence[float]) -> None:
        aim = self._targets[self._at]
        if hypot(self.place[0] - aim.place[0], self.place[1] - aim.place[1]) < REACHED:
            self._next(t, t)

    def _aim(self, t: float, taken: Sequence[float]) -> None:
        task = self.tasks[self.number]
        for moment in self._dwelt(t) if self._dwells and not task.cue else taken:
            if self.target is None or moment < self._begun:
                return
            at = self._at_time(moment, t)
            off = hypot(at[0] - self.target.place[0], at[1] - self.target.place[1])
            if self.target.counts:
                self.hits, self.misses = (
                    self.hits + (off <= 0.5 * self.target.width),
                    self.misses + (off > 0.5 * self.target.width),
                )
            self._next(moment, t)
            return  # the next target is there from the next frame on: nobody can have meant it

    def _dwelt(self, t: float) -> list[float]:
        """When the target has been kept long enough."""
        aim = self._targets[self._at]
        if hypot(self.place[0] - aim.place[0], self.place[1] - aim.place[1]) > 0.5 * aim.width:
            self._inside = None
            return []
        if self._inside is None:
            self._inside = t
        return [t] if t - self._inside >= DWELL else []

    def _at_time(self, moment: float, t: float) -> Place:
        """Where the camera was within the last frame, on the line between its ends."""
        if self._before is None or t <= self._before[0]:
            return self.place
        share = (moment - self._before[0]) / (t - self._before[0])
        then = self._before[1]
        return then[0] + share * (self.place[0] - then[0]), then[1] + share * (self.place[1] - then[1])

    def _next(self, moment: float, t: float) -> None:
        """The target was selected; the next one is there from this frame on."""
        self.rows.append((moment, "host.task_taken", 1.0))
        self._inside = None
        self._at += 1
        if self._at >= len(self._targets):
            self._end(t)
        else:
            self._show(t)

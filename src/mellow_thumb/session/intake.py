"""What comes in: events looked at one by one, refused or queued."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError
from .clock import Clock
from .contacts import Contacts
from .doors import ONLY_Y, PAIR, SWITCH, doors, things, unlisted
from .inbox import NO_TIME, Inbox
from .motion import Motion, feels

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt

    from ..plan import Plan
    from ..weaving import Program
    from .listening import Listener

    Burst = Sequence[float] | Sequence[Sequence[float]] | npt.NDArray[np.float64]


class Intake:
    """Takes events for a plan: the part of a session that may be called from any thread."""

    def __init__(self, plan: Plan, program: Program, ceiling: float) -> None:
        if not ceiling > 0.0:
            raise ArgumentError(f"ceiling: found {ceiling!r}; expected seconds above 0")
        self._plan, self._program = plan, program
        self._contacts: Contacts | None = None
        self._motion: Motion | None = None
        self._listener: Listener | None = None
        self._look_up()
        self._clock = Clock(ceiling)
        self._inbox = Inbox()
        self._offsets: dict[str | None, float] = {}
        self.refused: dict[str, dict[str, int]] = {}
        """What was refused: for each signal fed, how often for which reason."""
        self.clipped: dict[str, int] = {}
        """How often a held value outside its range was drawn in to it, by signal."""

    def _look_up(self) -> None:
        """Find out what can be fed to the program of the plan; what is known of fingers and hands stays."""
        plan, program = self._plan, self._program
        self._doors = doors(program, touched=bool(plan.touches))
        self._things = things(plan)
        known = [stage.saved() if stage else None for stage in (self._contacts, self._motion)]
        self._contacts = Contacts(plan, program.codes) if plan.touches else None
        self._motion = Motion(program.codes) if feels(program.codes) else None
        for stage, saved in zip((self._contacts, self._motion), known, strict=True):
            if stage and saved:
                stage.restore(saved)

    def feed(
        self,
        signal: str,
        value: float | Sequence[float],
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        """Queue one event; from any thread.

        `signal` is an address of the catalogue; a pair takes two numbers, (x, y), and a component fed
        alone (``mouse.move.x``) leaves the other at 0. `at` is when it happened, in seconds on the host's
        clock, which began with the session; without it the event takes effect with the latest event
        already fed this frame, or at the frame's beginning. With a `device`, `at` is on that device's clock,
        as :meth:`align` maps it; a device that was never aligned is on the host's. `on` is what a press began
        on, by the host's name for it; ``on="interface"`` says that the host's own interface used it: it
        counts nowhere, and its release may follow all the same.

        Signals that the plan does not use are passed over.
        """
        if self._listener is not None and self._listener.hear(signal, value):
            return
        door = self._doors.get(signal)
        if door is None:
            self._unlisted(signal)
            return
        code, shape, low, high, other, clips = door
        try:
            if shape == PAIR:
                x, y = value  # type: ignore[misc]
                x = float(x)
                y = float(y)
                inside = low <= x <= high and low <= y <= high
            else:
                x = float(value)  # type: ignore[arg-type]
                inside = low <= x <= high
                y = other if on is None or shape != SWITCH else self._things.get(on, 0.0)
            t = NO_TIME if at is None else float(at) + self._offsets.get(device, 0.0)
        except (TypeError, ValueError, OverflowError):
            self._refuse(signal, "not a pair of numbers" if shape == PAIR else "not a number")
            return
        if not inside or (at is not None and t - t != 0.0):
            if x - x != 0.0 or (shape == PAIR and y - y != 0.0) or (t - t != 0.0 and at is not None):
                self._refuse(signal, "not finite")
                return
            if not inside and not clips:
                self._refuse(signal, f"outside {low:g} to {high:g}")
                return
            if not inside:
                self.clipped[signal] = self.clipped.get(signal, 0) + 1
                x, y = min(max(x, low), high), min(max(y, low), high)
        self._inbox.put((t, code, y, x) if shape == ONLY_Y else (t, code, x, y))

    def feed_many(self, signal: str, values: Burst, at: Burst) -> None:
        """Queue a burst of one signal: `values` with their times `at`, as :meth:`feed` takes them.

        Lists or arrays will do. Raises :class:`ArgumentError` when there are not as many times as values.
        """
        listed_values, times = _as_list(values), _as_list(at)
        if len(listed_values) != len(times):
            counts = f"{len(listed_values)} values and {len(times)} times"
            raise ArgumentError(f"found {counts}; expected as many of both")
        door = self._doors.get(signal)
        pairs = door is not None and door[1] == PAIR and self._listener is None
        if pairs and door and _all_fit(listed_values, times, door[2], door[3]):
            code = door[0]
            self._inbox.put_many([(t, code, x, y) for (x, y), t in zip(listed_values, times, strict=True)])
            return
        for value, t in zip(listed_values, times, strict=True):
            self.feed(signal, value, at=t)

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """Say that a device's clock shows `their_time` at the moment `at` of the host's clock, or now.

        Events fed with that `device` then give their times on its own clock. Aligning again corrects drift.
        """
        ours = self._clock.now + self._clock.skipped if at is None else at
        if (ours - their_time) - (ours - their_time) != 0.0:
            raise ArgumentError(f"{device}: found {their_time!r}; expected finite seconds")
        self._offsets[device] = ours - their_time

    def _unlisted(self, signal: str) -> None:
        """Pass over a signal that this plan does not use; refuse one that nothing knows."""
        reason = unlisted(signal, self._doors)
        if reason:
            self._refuse(str(signal), reason)

    def _refuse(self, signal: str, reason: str) -> None:
        counts = self.refused.setdefault(signal, {})
        counts[reason] = counts.get(reason, 0) + 1
        if counts[reason] == 1:
            import logging

            logging.getLogger("mellow_thumb").warning("refused %s: %s (told once)", signal, reason)


def _as_list(burst: Any) -> list[Any]:
    """A list of plain numbers, or of pairs of them, from a list or an array."""
    return burst.tolist() if hasattr(burst, "tolist") else list(burst)


def _all_fit(values: list[list[float]], times: list[float], low: float, high: float) -> bool:
    """Whether every pair and time of a burst is a number within range, so that it needs no closer look."""
    try:
        flat = [part for x, y in values for part in (x, y)]
        total = sum(flat) + sum(times)
        return total - total == 0.0 and low <= min(flat) and max(flat) <= high
    except (TypeError, ValueError):
        return False

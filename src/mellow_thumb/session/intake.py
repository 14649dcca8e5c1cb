"""What comes in: events are checked one by one, then refused or queued."""

from __future__ import annotations

from bisect import bisect_left
from operator import itemgetter
from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, listed, nearest
from ..plan import INTERFACE, NAMELESS, find_signal
from ..weaving import NO_TIME
from .doors import NOT_FINITE, ONLY_Y, PAIR, SWITCH, doors, outside, things, unlisted
from .hearing import Hearing
from .inbox import MOST, Inbox
from .readings import Readings, feels
from .unscaled import Unscaled

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    import numpy as np
    import numpy.typing as npt

    from ..weaving import Item
    from .clock import Clock
    from .hearing import Say
    from .listening import Listener
    from .reasons import Reasons
    from .running import Running

    Burst = Sequence[float] | Sequence[Sequence[float]] | npt.NDArray[np.float64]


_EARLY = (
    "early: %s is %.6g s ahead, and waits: at= is in seconds since the session began; for a device with a "
    "clock of its own call align(device, its_time), then feed(..., device=device) (told once)"
)


class Intake:
    """Takes events for a plan, from any thread."""

    def __init__(self, running: Running, clock: Clock) -> None:
        self._running, self._clock = running, clock
        self.contacts = False
        """Whether the plan asks for contacts."""
        self.readings: Readings | None = None
        """What is known of a device held in the hand, where the plan asks for it."""
        self.listener: Listener | None = None
        """Who hears every event first, while a settings screen asks for a button."""
        self.hearing: Hearing | None = None
        """Who hears every event that is taken, while a take is recorded."""
        self.inbox = Inbox()
        """Where events wait."""
        self.pairs: dict[str, tuple[int, float, float]] = {}
        """Codes and ranges of pairs, which go in without a closer look; none while somebody hears all."""
        self.parts_come = False
        """Whether parts of readings may come in."""
        self._told_early = self._told_thing = False
        self.look_up()
        self.offsets: dict[str | None, float] = {}
        """For each device whose clock was aligned: what is to be added to its times (s)."""
        self.refused: dict[str, dict[str, int]] = {}
        """What was refused: for each signal fed, how often for which reason."""
        self.reasons: Reasons | None = None
        """Who counts what becomes of each event, while somebody asks: see :meth:`ask_why`."""
        self.clipped: dict[str, int] = {}
        """How often a held value outside its range was clipped to it, by signal."""

    def look_up(self) -> None:
        """Look up what can be fed to the plan's program; incomplete readings stay."""
        plan, program = self._running.plan, self._running.program
        self.doors = doors(program)
        """Every address that can be fed."""
        self._things = things(plan)
        known = self.readings.saved() if self.readings else None
        self.contacts = bool(plan.touches)
        self.readings = Readings(program.codes, self.refuse) if feels(program.codes) else None
        self._unscaled = Unscaled(plan, program.codes, self.refuse) if plan.touches else None
        self._open()
        if self.readings and known:
            self.readings.restore(known)

    def _open(self) -> None:
        """Look up pairs."""
        self._heard = self.listener is not None or self.hearing is not None
        self._running.plainly = False
        listed = {} if self._heard else self.doors
        self.pairs.clear()
        self.pairs.update({name: (one[0], *one[2:4]) for name, one in listed.items() if one[1] == PAIR})

    def plain(self) -> int:
        """How many arrived events may go to the program as they are; -1 if some may not."""
        if self._looks:
            return -1
        arrived = tuple(self.inbox.arrived)  # another thread may put more behind these meanwhile
        count, readings = len(arrived), self.readings
        if self.parts_come and readings is not None and readings.come_in(arrived):
            return -1
        # after a frame that was cut, times are on another clock than the session's
        if count and self._clock.skipped != 0.0 and any(item[0] != NO_TIME for item in arrived):
            return -1
        return count

    @property
    def watches(self) -> bool:
        """Whether anybody looks at what arrives, or anything waits."""
        return self.parts_come or self._looks

    @property
    def _looks(self) -> bool:
        counts = self.reasons is not None or (self._unscaled is not None and self._unscaled.waits)
        return self._heard or counts or bool(self.inbox.waiting)

    def ask_why(self, reasons: Reasons | None) -> None:
        """Have somebody count what becomes of each event; None for nobody."""
        self.reasons, self._running.plainly = reasons, False

    def listen(self, listener: Listener | None) -> None:
        """Let somebody hear every event first; None for nobody."""
        self.listener = listener
        self._open()

    def hear(self, say: Say | None) -> None:
        """As :meth:`Session.hear` says."""
        if self.hearing is not None:
            self.hearing.frame(self._clock.now)
        self.hearing = None if say is None else Hearing(say, self._running, self._clock)
        self._open()
        if self.hearing is None:
            return
        program, things = self._running.program, {number: name for name, number in self._things.items()}
        names = {code: program.heard[name] for name, code in program.codes.items() if name in program.heard}
        for t, code, x, y in (*self.inbox.waiting, *self.inbox.arrived):  # fed before, for a frame to come
            signal = names.get(code)
            if signal is not None:
                on = things.get(y) if signal.kind == "switch" else None
                self.hearing.waits(signal, x, y, None if t == NO_TIME else t, on)

    def shorten(self, whole: float, lost: float) -> None:
        """A frame was over the ceiling: waiting events come that much earlier; the first time is logged."""
        self.inbox.shorten(lost, self._clock.now)
        if self._clock.cut == 1:
            import logging

            logging.getLogger("mellow_thumb").warning(
                "a frame of %.4g s was cut to %.4g s, the ceiling; tick takes seconds (told once)",
                whole, whole - lost,
            )  # fmt: skip

    def due(self, start: float) -> list[Item]:
        """Take out what is due in a frame that begins at `start` and ends now; the rest waits."""
        if self.hearing is not None:
            self.hearing.frame(start)
        items = self.inbox.take(start, self._clock, self._last_commit)
        if self.inbox.furthest:
            self._tell_early()
        if self.reasons is not None:
            return self._watch(items)
        return self._expanded(items)

    def set_rate(self, items: list[Item], start: float, rate: float) -> None:
        """Put a new rate of the world before what happens in a frame that begins at `start`."""
        if self.hearing is not None:
            self.hearing.say("host.world_rate", rate, start, "")
        code = self._running.program.codes.get("host.world_rate")
        if code is not None:
            items.insert(bisect_left(items, start, key=itemgetter(0)), (start, code, rate, 0.0))

    def _expanded(self, items: list[Item]) -> list[Item]:
        """Events without incomplete readings; fingers that no touch takes are counted."""
        if self._unscaled:
            self._unscaled.look(items)
        return self.readings.expand(items) if self.readings else items

    def _watch(self, items: list[Item]) -> list[Item]:
        """The same one by one, to see what each of them does."""
        assert self.reasons is not None
        watched = []
        for item in items:
            before = self._refusals
            watched.append((item, self._expanded([item]), self._refusals > before))
        running = self._running
        self.reasons.look(running.plan, running.program, running.saved, watched)
        return [one for _, made, _ in watched for one in made]

    @property
    def _refusals(self) -> int:
        """How many events were refused so far."""
        return sum(sum(counts.values()) for counts in self.refused.values())

    def _tell_early(self) -> None:
        """Log, once, that events came long before their time; count those for which there was no room."""
        inbox = self.inbox
        assert inbox.furthest
        (ahead, code), inbox.furthest = inbox.furthest, None
        if self._told_early and not inbox.full:
            return
        names = {door[0]: name for name, door in reversed(self.doors.items())}
        if not self._told_early:
            import logging

            self._told_early = True
            logging.getLogger("mellow_thumb").warning(_EARLY, names.get(code, "an event"), ahead)
        for full in inbox.full:
            self.refuse(names.get(full, "an event"), f"more than {MOST:,} events wait for a later frame")
        inbox.full.clear()

    def _last_commit(self) -> float:
        return self._running.last_commit

    def feed(
        self,
        signal: str,
        value: float | Sequence[float],
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        """As :meth:`Session.feed` says."""
        if self.listener is not None and self.listener.hear(signal, value):
            return
        if self.hearing is not None:
            self.hearing.hear(signal, value, at if at is None else at + self.offsets.get(device, 0.0), on)
        door = self.doors.get(signal)
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
                y = other if on is None or shape != SWITCH else self._thing(on)
            t = NO_TIME if at is None else float(at) + self.offsets.get(device, 0.0)
        except (TypeError, ValueError, OverflowError):
            self.refuse(signal, "not a pair of numbers" if shape == PAIR else "not a number")
            return
        if not inside or (at is not None and t - t != 0.0):
            if x - x != 0.0 or (shape == PAIR and y - y != 0.0) or (t - t != 0.0 and at is not None):
                self.refuse(signal, NOT_FINITE)
                return
            if not inside and not clips:
                self.refuse(signal, outside(low, high))
                return
            if not inside:
                self._draw_in(signal, value, low, high)
                x, y = min(max(x, low), high), min(max(y, low), high)
        if self.readings is not None and code in self.readings.parts:
            # before it is there: see `Session.tick`
            self.parts_come, self._running.plainly = True, False
        self.inbox.put((t, code, y, x) if shape == ONLY_Y else (t, code, x, y))

    def feed_many(self, signal: str, values: Burst, at: Burst) -> None:
        """As :meth:`Session.feed_many` says."""
        listed_values, times = _as_list(values), _as_list(at)
        if len(listed_values) != len(times):
            counts = f"{len(listed_values)} values and {len(times)} times"
            raise ArgumentError(f"found {counts}; expected as many of both")
        door = self.doors.get(signal)
        pairs = door is not None and door[1] == PAIR and not self._heard
        if pairs and door and _all_fit(listed_values, times, door[2], door[3]):
            code = door[0]
            self.inbox.put_many([(t, code, x, y) for (x, y), t in zip(listed_values, times, strict=True)])
            return
        for value, t in zip(listed_values, times, strict=True):
            self.feed(signal, value, at=t)

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """As :meth:`Session.align` says."""
        ours = self._clock.now + self._clock.skipped if at is None else at
        if (ours - their_time) - (ours - their_time) != 0.0:
            raise ArgumentError(f"{device}: found {their_time!r}; expected finite seconds")
        self.offsets[device] = ours - their_time

    def _thing(self, on: str) -> float:
        """The number of the thing that a press began on; the first unknown one is logged."""
        found = self._things.get(on)
        if found is None and not self._told_thing:
            import logging

            self._told_thing = True
            asked = [name for name in self._things if name != INTERFACE]
            known = f"a press on that; it asks for {listed(asked, 'and')}{nearest(str(on), asked)}"
            logging.getLogger("mellow_thumb").warning(
                'on="%s": nothing in the profile asks for %s (told once)', on,
                known if asked else "what a press began on",
            )  # fmt: skip
        return 0.0 if found is None else found

    def _draw_in(self, signal: str, value: object, low: float, high: float) -> None:
        """Count a clipped value; the first of each signal is logged."""
        self.clipped[signal] = count = self.clipped.get(signal, 0) + 1
        if count == 1:
            import logging

            logging.getLogger("mellow_thumb").warning(
                "clipped %s: found %.60r; expected %g to %g, as a share of %s (told once)",
                signal, value, low, high, "the screen" if self._is_place(signal) else "full travel",
            )  # fmt: skip

    def _is_place(self, signal: str) -> bool:
        return find_signal(signal).signal.kind == "position"

    def _unlisted(self, signal: str) -> None:
        """Ignore a signal that this plan does not use; refuse an unknown one."""
        reason = unlisted(signal, self.doors)
        if reason:
            self.refuse(str(signal) or NAMELESS, reason)
        elif self.reasons is not None:
            self.reasons.count(str(signal), "the profile does not use it")

    def refuse(self, signal: str, reason: str) -> None:
        """Count a refusal; the first of each kind is logged."""
        counts = self.refused.setdefault(signal, {})
        counts[reason] = counts.get(reason, 0) + 1
        if counts[reason] == 1:
            import logging

            logging.getLogger("mellow_thumb").warning("refused %s: %s (told once)", signal, reason)


def feeding(intake: Intake) -> Callable[..., None]:
    """:meth:`Intake.feed`, quicker for most of what is fed, thousands of times a second: a pair.

    It is a function with all that it needs at hand, for the time goes into looking things up.
    """
    find, put, feed = intake.pairs.get, intake.inbox.put, intake.feed

    def quickly(
        signal: str,
        value: float | Sequence[float],
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        pair = find(signal)
        if pair is None or device is not None:
            feed(signal, value, at, device, on)
            return
        code, low, high = pair
        try:
            x, y = value  # type: ignore[misc]
            x, y, t = float(x), float(y), NO_TIME if at is None else float(at)
        except (TypeError, ValueError, OverflowError):
            intake.refuse(signal, "not a pair of numbers")
            return
        # a number less itself is 0, unless it is infinite or none: cheaper than asking of every event
        if low <= x <= high and low <= y <= high and (at is None or t - t == 0.0):
            put((t, code, x, y))
        else:
            feed(signal, value, at, device, on)

    return quickly


def _as_list(burst: Any) -> list[Any]:
    """A list of plain numbers, or of pairs of them, from a list or an array."""
    return burst.tolist() if hasattr(burst, "tolist") else list(burst)


def _all_fit(values: list[list[float]], times: list[float], low: float, high: float) -> bool:
    """Whether every pair and time of a burst is a number in range, so that no closer check is needed."""
    try:
        flat = [part for x, y in values for part in (x, y)]
        # one number that is not finite makes the sum so; a burst is then looked at one by one
        total = sum(flat) + sum(times)
        return total - total == 0.0 and low <= min(flat) and max(flat) <= high
    except (TypeError, ValueError):
        return False

"""A session: a plan at work in a game loop."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from .clock import Clock
from .errors import ArgumentError, listed, nearest
from .inbox import NO_TIME, Inbox
from .program import weave_plan
from .shakes import Kick
from .signals import COMPONENTS, addresses, find_signal
from .view import View

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt

    from .plan import Plan
    from .program import Program
    from .weaver import Setting

    Burst = Sequence[float] | Sequence[Sequence[float]] | npt.NDArray[np.float64]

CEILING = 0.25
"""Seconds beyond which a frame is cut, unless a session is told otherwise."""

_SINGLE, _PAIR, _Y = 0, 1, 2


class Frame:
    """What the axes and gates were at the end of one frame."""

    __slots__ = ("_program", "_values", "t")

    def __init__(self, t: float, values: tuple[float, ...], program: Program) -> None:
        self.t = t
        """Session time at the frame's end, in seconds."""
        self._values, self._program = values, program

    @property
    def axes(self) -> dict[str, float]:
        """Each axis by name, in degrees; `yaw_total` is the yaw with every full turn kept."""
        return dict(zip(self._program.axes, self._values, strict=False))

    @property
    def gates(self) -> dict[str, bool]:
        """Whether each gate is open."""
        values = self._values[len(self._program.axes) :]
        return {name: value != 0.0 for name, value in zip(self._program.gates, values, strict=True)}

    def __repr__(self) -> str:
        return f"Frame(t={self.t}, axes={self.axes}, gates={self.gates})"


class Session:
    """A plan at work: feed it events, tick it once a frame, read the frame and the view.

    A frame is the time from the last tick to this one, its end not included. What is wrong with an event
    never raises and never reaches the state: it is refused, counted in :attr:`refused`, and told once to
    the logger ``mellow_thumb``.
    """

    def __init__(self, plan: Plan, *, ceiling: float = CEILING) -> None:
        """Begin at time 0 with every axis at its start; a frame longer than `ceiling` seconds is cut."""
        if not ceiling > 0.0:
            raise ArgumentError(f"ceiling: found {ceiling!r}, expected seconds above 0")
        self._program = weave_plan(plan)
        self._doors = _doors(self._program)
        self._clock = Clock(ceiling)
        self._inbox = Inbox()
        self._plan = plan
        self._start(self._program, self._program.start)
        self._values: tuple[float, ...] = self._loop.send([(0.0, self._program.frame, 0.0, 0.0)])
        self.refused: dict[str, dict[str, int]] = {}
        """What was refused: for each signal fed, how often for which reason."""
        self._kicks: list[Kick] = []
        self._origin = (0.0, 0.0, 0.0)
        self._offsets: dict[str | None, float] = {}
        self.clipped: dict[str, int] = {}
        """How often a held value outside its range was drawn in to it, by signal."""

    @property
    def now(self) -> float:
        """Session time in seconds: the end of the last frame."""
        return self._clock.now

    @property
    def late(self) -> int:
        """How many events came too late to keep their time; they took effect at the last commit."""
        return self._inbox.late

    @property
    def cut(self) -> int:
        """How many frames were longer than the ceiling and were cut."""
        return self._clock.cut

    @property
    def stalled(self) -> int:
        """How many ticks asked for time to run back or for no number; it stood still instead."""
        return self._clock.stalled

    def feed(
        self, signal: str, value: float | Sequence[float], at: float | None = None, device: str | None = None
    ) -> None:
        """Queue one event; from any thread.

        `signal` is an address of the catalogue; a pair takes two numbers, (x, y), and a component fed
        alone (``mouse.move.x``) leaves the other at 0. `at` is when it happened, in seconds on the host's
        clock, which began with the session; without it the event takes effect with the latest event
        already fed this frame, or at the frame's beginning. With a `device`, `at` is on that device's clock,
        as :meth:`align` maps it; a device that was never aligned is on the host's.

        Signals that the plan does not use are passed over.
        """
        door = self._doors.get(signal)
        if door is None:
            self._unlisted(signal)
            return
        code, shape, low, high, other, clips = door
        try:
            if shape == _PAIR:
                x, y = value  # type: ignore[misc]
                x, y = float(x), float(y)
                inside = low <= x <= high and low <= y <= high
            else:
                x = float(value)  # type: ignore[arg-type]
                inside = low <= x <= high
                y = other
            t = NO_TIME if at is None else float(at) + self._offsets.get(device, 0.0)
        except (TypeError, ValueError, OverflowError):
            self._refuse(signal, "not a pair of numbers" if shape == _PAIR else "not a number")
            return
        if not inside or t - t != 0.0:
            if x - x != 0.0 or (shape == _PAIR and y - y != 0.0) or (t - t != 0.0 and at is not None):
                self._refuse(signal, "not finite")
                return
            if not inside and not clips:
                self._refuse(signal, f"outside {low:g} to {high:g}")
                return
            if not inside:
                self.clipped[signal] = self.clipped.get(signal, 0) + 1
                x, y = min(max(x, low), high), min(max(y, low), high)
        self._inbox.put((t, code, y, x) if shape == _Y else (t, code, x, y))

    def feed_many(self, signal: str, values: Burst, at: Burst) -> None:
        """Queue a burst of one signal: `values` with their times `at`, as :meth:`feed` takes them.

        Lists or arrays will do. Raises :class:`ArgumentError` when there are not as many times as values.
        """
        listed_values, times = _as_list(values), _as_list(at)
        if len(listed_values) != len(times):
            counts = f"{len(listed_values)} values and {len(times)} times"
            raise ArgumentError(f"found {counts}; expected as many of both")
        door = self._doors.get(signal)
        if door is not None and door[1] == _PAIR and _all_fit(listed_values, times, door[2], door[3]):
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

    def tick(self, dt: float | None = None, *, to: float | None = None) -> Frame:
        """Go on by `dt` seconds, or `to` a moment of the host's clock, and read the frame that ends there.

        Time that runs back, or is no number, stands still and is counted; a frame longer than the ceiling
        is cut, and what happened in the time cut out takes effect at its end.
        """
        if (dt is None) == (to is None):
            raise TypeError("tick takes dt=seconds or to=moment: one of them")
        clock, inbox = self._clock, self._inbox
        start = clock.now
        lost = clock.advance(dt) if dt is not None else clock.reach(to)  # type: ignore[arg-type]
        if lost:
            inbox.shorten(lost, clock.now)
        inbox.sort_in(start, clock)
        items = inbox.due(clock.now, start, self._last_commit)
        items.append((clock.now, self._program.frame, 0.0, 0.0))
        self._values = self._loop.send(items)
        return Frame(clock.now, self._values, self._program)

    def view(self) -> View:
        """The camera at the end of the last frame, with the kicks and shakes of the moment."""
        values = [self._values[place] for place in self._program.posing]
        if self._kicks:
            now = self._clock.now
            self._kicks = [kick for kick in self._kicks if not kick.over(now)]
            for kick in self._kicks:
                place = self._program.posing.index(self._program.axes.index(kick.axis))
                values[place] += kick.at(now)
        pose = self._program.pose(*values)
        return View((*(p - o for p, o in zip(pose, self._origin, strict=False)), *pose[3:]))

    def shift_origin(self, x: float, y: float, z: float) -> None:
        """Move the world's origin to (x, y, z), in metres: the view goes along, and nothing else changes.

        For worlds so large that they are centred anew on the way. Raises :class:`ArgumentError` for what is
        no finite place.
        """
        if x + y + z - (x + y + z) != 0.0:
            raise ArgumentError(f"origin: found {(x, y, z)}; expected three finite metres")
        a, b, c = self._origin
        self._origin = (a + x, b + y, c + z)

    def kick(self, name: str, amount: float, *, half_life: float) -> None:
        """Add `amount` to an axis of the view at once; half of it is gone after each `half_life` (s).

        It never enters the axis's own value: a frame does not show it, and when it has faded the view is
        where it would have been. Raises :class:`ArgumentError` for an axis that the view does not use.
        """
        self._add_kick(name, amount, half_life, 0.0)

    def shake(self, name: str, amount: float, *, half_life: float, frequency: float = 8.0) -> None:
        """Shake an axis of the view by up to `amount`, at `frequency` (Hz); it fades as a kick does."""
        if not 0.0 < frequency < 1000.0:
            raise ArgumentError(f"frequency: found {frequency!r}; expected above 0 to 1000 Hz")
        self._add_kick(name, amount, half_life, frequency)

    def _add_kick(self, name: str, amount: float, half_life: float, frequency: float) -> None:
        names = [
            self._program.axes[place] for place in self._program.posing if self._program.axes[place] != "zoom"
        ]
        if name not in names:
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        if amount - amount != 0.0 or not 0.0 < half_life <= 60.0:
            raise ArgumentError(
                f"{name}: found {amount!r} for {half_life!r} s; expected a number, and above 0 to 60 s"
            )
        self._kicks.append(Kick(name, amount, self._clock.now, half_life, frequency))

    def set_axis(self, name: str, value: float, at: float | None = None) -> None:
        """Put an axis at a value, in its own unit; at the time of `at`, as an event would.

        What smoothing still owed it is gone, so the camera does not drift on; what is held stays held.
        Raises :class:`ArgumentError` for an axis that is not there, or a value that it cannot have.
        """
        self._set(("set", name), self._inner(name, value), 0.0, at)

    def turn_to(self, name: str, value: float, *, over: float, at: float | None = None) -> None:
        """Take an axis to a value in `over` seconds, gently; a yaw that wraps goes the shorter way.

        What hands do in the meantime adds to it. Raises :class:`ArgumentError` as :meth:`set_axis` does,
        and for a time that is not above 0.
        """
        if not 0.0 < over < float("inf"):
            raise ArgumentError(f"over: found {over!r}; expected seconds above 0")
        self._set(("turn", name), self._inner(name, value), over, at)

    def _inner(self, name: str, value: float) -> float:
        """A value for an axis as the axis adds it up."""
        axis = next((axis for axis in self._plan.axes if axis.name == name), None)
        if axis is None:
            names = [axis.name for axis in self._plan.axes]
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        if not (value - value == 0.0 and (value > 0.0 or not axis.log)):
            wanted = f"a finite number{' above 0' if axis.log else ''}"
            raise ArgumentError(f"{name}: found {value!r}; expected {wanted}")
        return axis.inner(value)

    def set_scale(self, route: str, factor: float, at: float | None = None) -> None:
        """Multiply the effect of a route: the host's own scale, such as slowing a stick near a target.

        Raises :class:`ArgumentError` for a route that is not there, or a factor that is not 0 to 100.
        """
        names = [route.name for route in self._plan.routes]
        if route not in names:
            raise ArgumentError(f"found the route {route}; expected {listed(names)}{nearest(route, names)}")
        if not 0.0 <= factor <= 100.0:
            raise ArgumentError(f"{route}: found the factor {factor!r}; expected 0 to 100")
        self._set(("scale", route), factor, 0.0, at)

    def _set(self, setting: Setting, x: float, y: float, at: float | None) -> None:
        """Queue a word of the host's; the first of its kind has the program woven with room for it."""
        if at is not None and at - at != 0.0:
            raise ArgumentError(f"at: found {at!r}; expected finite seconds")
        if setting not in self._program.settings:
            settings = tuple(sorted({*self._program.settings, setting}))
            before, self._program = self._program, weave_plan(self._plan, settings)
            saved = dict(zip(before.state, self._loop.send([]), strict=True))
            self._inbox.renumber({before.settings[s]: self._program.settings[s] for s in before.settings})
            self._start(self._program, tuple((self._program.state | saved).values()))
        self._inbox.put((NO_TIME if at is None else at, self._program.settings[setting], x, y))

    def _start(self, program: Program, state: tuple[float, ...]) -> None:
        self._loop = program.live(state)
        next(self._loop)

    def _last_commit(self) -> float:
        return float(self._loop.send([])[0])

    def _unlisted(self, signal: str) -> None:
        """Pass over a signal that this plan does not use; refuse one that nothing knows."""
        if signal not in _KNOWN:
            self._refuse(str(signal), f"unknown signal{nearest(str(signal), _KNOWN)}")

    def _refuse(self, signal: str, reason: str) -> None:
        counts = self.refused.setdefault(signal, {})
        counts[reason] = counts.get(reason, 0) + 1
        if counts[reason] == 1:
            import logging

            logging.getLogger("mellow_thumb").warning("refused %s: %s (told once)", signal, reason)


_KNOWN = frozenset(addresses())


def _doors(program: Program) -> dict[str, tuple[int, int, float, float, float, bool]]:
    """Each address that can be fed: its code, its shape, its range, the other component, what is drawn in.

    The other component is what stands for it when one is fed alone; the last tells whether a value outside
    the range is drawn in to it.
    """
    doors = {}
    for name, code in program.codes.items():
        signal = find_signal(name).signal
        shape, other = (_PAIR if signal.pair else _SINGLE), (float("nan") if signal.held else 0.0)
        rest = (signal.low, signal.high, other, signal.clips)
        doors[name] = (code, shape, *rest)
        for part in COMPONENTS if signal.pair else ():
            doors[f"{name}.{part}"] = (code, _Y if part == "y" else _SINGLE, *rest)
    return doors


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

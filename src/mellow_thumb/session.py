"""A session: a plan at work in a game loop."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .clock import Clock
from .errors import ArgumentError, listed, nearest
from .inbox import NO_TIME, Inbox
from .program import weave_plan
from .signals import COMPONENTS, addresses, find_signal
from .view import View

if TYPE_CHECKING:
    from collections.abc import Sequence

    from .plan import Plan
    from .program import Program
    from .weaver import Setting

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

    def feed(self, signal: str, value: float | Sequence[float], at: float | None = None) -> None:
        """Queue one event; from any thread.

        `signal` is an address of the catalogue; a pair takes two numbers, (x, y), and a component fed
        alone (``mouse.move.x``) leaves the other at 0. `at` is when it happened, in seconds on the host's
        clock, which began with the session; without it the event takes effect with the latest event
        already fed this frame, or at the frame's beginning.

        Signals that the plan does not use are passed over.
        """
        door = self._doors.get(signal)
        if door is None:
            self._unlisted(signal)
            return
        code, shape, low, high, other, clips = door
        try:
            if shape == _PAIR:
                x, y = map(float, value)  # type: ignore[arg-type]
                inside = low <= x <= high and low <= y <= high
            else:
                x = float(value)  # type: ignore[arg-type]
                inside = low <= x <= high
                y = other
            t = NO_TIME if at is None else float(at)
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
        """The camera at the end of the last frame."""
        return View(self._program.pose(*(self._values[place] for place in self._program.posing)))

    def set_axis(self, name: str, value: float, at: float | None = None) -> None:
        """Put an axis at a value, in its own unit; at the time of `at`, as an event would.

        What smoothing still owed it is gone, so the camera does not drift on; what is held stays held.
        Raises :class:`ArgumentError` for an axis that is not there, or a value that it cannot have.
        """
        axis = next((axis for axis in self._plan.axes if axis.name == name), None)
        if axis is None:
            names = [axis.name for axis in self._plan.axes]
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        if not (value - value == 0.0 and (value > 0.0 or not axis.log)):
            raise ArgumentError(
                f"{name}: found {value!r}; expected a finite number{' above 0' if axis.log else ''}"
            )
        self._set(("set", name), axis.inner(value), at)

    def set_scale(self, route: str, factor: float, at: float | None = None) -> None:
        """Multiply the effect of a route: the host's own scale, such as slowing a stick near a target.

        Raises :class:`ArgumentError` for a route that is not there, or a factor that is not 0 to 100.
        """
        names = [route.name for route in self._plan.routes]
        if route not in names:
            raise ArgumentError(f"found the route {route}; expected {listed(names)}{nearest(route, names)}")
        if not 0.0 <= factor <= 100.0:
            raise ArgumentError(f"{route}: found the factor {factor!r}; expected 0 to 100")
        self._set(("scale", route), factor, at)

    def _set(self, setting: Setting, value: float, at: float | None) -> None:
        """Queue a word of the host's; the first of its kind has the program woven with room for it."""
        if setting not in self._program.settings:
            settings = tuple(sorted({*self._program.settings, setting}))
            before, self._program = self._program, weave_plan(self._plan, settings)
            saved = dict(zip(before.state, self._loop.send([]), strict=True))
            self._inbox.renumber({before.settings[s]: self._program.settings[s] for s in before.settings})
            self._start(self._program, tuple((self._program.state | saved).values()))
        self._inbox.put((NO_TIME if at is None else at, self._program.settings[setting], value, 0.0))

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

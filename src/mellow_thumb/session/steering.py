"""What a host sets itself: an axis, a turn, the scale of a route."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, listed, nearest
from ..weaving import WANTS, weave_plan
from .host_words import HostWords
from .inbox import NO_TIME, PASSED

if TYPE_CHECKING:
    from ..plan import Plan
    from ..weaving import Program, Setting


class Steering(HostWords):
    """The part of a session that takes the host's own words; each is woven in at its first use."""

    _program: Program
    _loop: Any
    _cursor_place: int

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

    def _become(self, plan: Plan) -> None:
        """Go on by another plan of the same names: state values by what they are, events by their signals.

        What is held stays held; then all of it is looked at anew, and nobody has pressed anything.
        """
        before, after = self._program, weave_plan(plan, tuple(self._program.settings))
        values = zip(before.state, self._loop.send([]), strict=True)
        known = {before.roles.get(name, name): value for name, value in values}
        state = {name: known.get(after.roles.get(name, name), start) for name, start in after.state.items()}
        for gate in plan.gates:
            if len(gate.choice) > 1 and gate not in self._plan.gates:  # what was chosen comes first now
                state |= {name: 0.0 for name, role in after.roles.items() if role == f"choice.{gate.name}"}
        self._steady(after, known, state)
        codes = {code: after.codes.get(name, PASSED) for name, code in before.codes.items()}
        self._inbox.renumber(codes | {code: after.settings[one] for one, code in before.settings.items()})
        self._plan, self._program = plan, after
        self._start(after, tuple(state.values()))
        self._look_up()
        now = self._clock.now
        if "host.focus" in after.codes:
            self._loop.send([(now, after.codes["host.focus"], state["host_focus"], 0.0)])
        self._values = self._loop.send([(now, after.frame, 0.0, 0.0)])

    @staticmethod
    def _steady(after: Program, known: dict[str, float], state: dict[str, float]) -> None:
        """A press that is looked at closely from now on is what it was; one no longer, what it would be."""
        names = {after.roles.get(name, name): name for name in state}
        for role, name in names.items():
            if role.endswith(WANTS) and role not in known:
                state[name] = state[names[role.removesuffix(WANTS)]]
        for role, value in known.items():
            raw = names.get(role.removesuffix(WANTS))
            if role.endswith(WANTS) and role not in names and raw:
                state[raw] = value

    def _start(self, program: Program, state: tuple[float, ...]) -> None:
        self._cursor_place = program.places.get("cursor", 0)
        self._loop = program.live(state)
        next(self._loop)

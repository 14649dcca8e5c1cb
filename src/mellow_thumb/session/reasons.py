"""Why an event did nothing: counted only while someone asks.

Each event acts alone in a copy of the running program, beside one that says nothing new at the same
moment. If the two states differ, the event has acted; if not, the reason is looked for.
"""

from __future__ import annotations

from itertools import pairwise
from math import hypot, inf, isclose, nextafter
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import AIM, ATTITUDE, DEVICES, DOWN, MOVES, PLACE, Condition, EdgeZone, is_contact
from ..plan.handheld import FORCE, TURN
from ..weaving import own_role
from .doors import USED
from .frame import Frame, frame_of

if TYPE_CHECKING:
    from ..plan import Plan, Route, Signal, When
    from ..weaving import Item, Program

ACTED = "acted"
"""What an event counts as that has done something."""
UNKNOWN = " makes nothing of it"
"""How a reason ends where no better is known."""
Watched = tuple["Item", "list[Item]", bool]
"""An event as it came, what it was made into, and whether it was refused at that."""


class Reasons:
    """Counts, for each signal, how often its events acted, and for which reason they did not."""

    def __init__(self) -> None:
        self.counts: dict[str, dict[str, int]] = {}
        """For each signal, how often for which reason; ``acted`` is one."""

    def count(self, signal: str, reason: str) -> None:
        """Count one event."""
        ours = self.counts.setdefault(signal, {})
        ours[reason] = ours.get(reason, 0) + 1

    def look(self, plan: Plan, program: Program, state: tuple[float, ...], watched: list[Watched]) -> None:
        """Count what the events of a frame do, from its starting state."""
        asked = _Asked(plan, program, state)
        names = {code: name for name, code in program.codes.items()}
        for raw, made, refused in _landed_first(watched, program.codes.get("touch.1.place", inf)):
            signal = names.get(raw[1])
            # a word of the host's own, such as set_axis, has no signal; what is refused is counted elsewhere
            if signal is None or refused:
                asked.pass_on(made)
                continue
            reasons = [asked.reason(item, names) for item in made] or ["nothing asks for it"]
            self.count(signal, next((one for one in reasons if one == ACTED), reasons[-1]))


def _landed_first(watched: list[Watched], first: float) -> list[Watched]:
    """The same events, with each finger's landing before its place, as they may come in either order."""
    found = [*watched]
    for k, ((t, code, *_), (then, after, down, _)) in enumerate(pairwise(raw for raw, _, _ in watched)):
        lands = after - code == DOWN - PLACE and t == then and down != 0.0
        if lands and first <= code and (code - first) % 3 == PLACE:
            found[k : k + 2] = found[k + 1], found[k]
    return found


def _waiting(name: str, when: When, open_: dict[str, bool]) -> str:
    """What a route or a cue waits for: the gates that are not as it wants them."""
    return f"{name} waits for {_change(when, open_)}"


def _change(when: When, open_: dict[str, bool]) -> str:
    """What would make a condition hold, in words."""
    if isinstance(when, Condition):
        return f"{when.gate} to {'open' if when.wanted else 'close'}"
    parts = (_change(part, open_) for part in when.parts if not part.holds(open_))
    return listed(parts, "and" if when.every else "or")


class _Asked:
    """A copy of a running program, in which events act one by one."""

    def __init__(self, plan: Plan, program: Program, state: tuple[float, ...]) -> None:
        self.plan, self.program, self.state = plan, program, state
        self._roles = {role: k for k, role in enumerate(program.roles.values())}
        made = tuple(own_role(f"signals.{one.name}") for one in plan.derived)
        # what is made of signals does nothing by itself, nor does it to know which device was used last
        self._quiet = {
            k
            for k, (name, role) in enumerate(program.roles.items())
            if name.startswith("device_") or role.startswith(made) or " through " in role
        }

    def pass_on(self, items: list[Item]) -> None:
        """Let an event act without counting it."""
        for item in items:
            self.state, _ = self._after(item)

    def _after(self, item: Item) -> tuple[tuple[float, ...], tuple[float, ...]]:
        """The state after an event at its time, and a frame's values then."""
        loop = self.program.live(self.state)
        next(loop)
        read = loop.send([item, (item[0], self.program.frame, 0.0, 0.0)])
        return loop.send([]), read

    def reason(self, item: Item, names: dict[int, str]) -> str:
        """Let an event act; returns that it acted, or why it did not."""
        t, code, x, y = item
        signal = self.program.heard.get(names.get(code, ""))
        if signal is None or signal.name in (*FORCE, *TURN[:-1], *ATTITUDE[:-1]):
            self.pass_on([item])  # a part of a reading does something as the reading is whole
            return ACTED
        if signal.name == TURN[-1] or is_contact(signal.name):
            finger = signal.name.split(".")[1]
            return self._of_contact(item, finger) if finger.isdigit() else self._of_reading(item, names)
        own = self._own(signal)
        nothing = self._saying_nothing(signal, own)
        (beside, seen), before = self._after((t, code, *nothing)), self.state
        self.state, now = self._after(item)
        after = self.state
        if self._differ((*after, *now), (*beside, *seen), own):
            return ACTED
        if signal.kind == "switch" and y == USED:
            return "your own interface used it"
        if self._value("host_focus", before, 1.0) == 0.0:
            return "the window has no focus"
        if self._value(f"{signal.name.replace('.', '_')}_caught", before, 0.0):
            return "the jump when the pointer was captured"
        if own and all(after[k] == before[k] for k in own):
            return "nothing has changed"
        if signal.device not in DEVICES:
            return ACTED  # what a host says is kept, for when it is asked
        if not signal.held and x == 0.0 == y:
            return "a movement of 0"
        words = self._of_routes(signal, [after[k] for k in own], t)
        if words.endswith(UNKNOWN) and not signal.held:
            # what it owes may be at a limit already, though what is read is still on its way there
            self.state, kept = before, self.state
            back, read = self._after((t, code, -x, -y))
            self.state = kept
            if self._differ((*back, *read), (*beside, *seen), own):
                return f"at a limit of what {words.removesuffix(UNKNOWN)} drives"
        return words

    def _of_reading(self, item: Item, names: dict[int, str]) -> str:
        """What a gyroscope's reading does: what the aim and attitude made from it do."""
        (after, _), codes, found = self._after(item), self.program.codes, []
        for name in (AIM, *ATTITUDE):
            if name in codes:
                x, y = ([after[k] for k in self._own(self.program.heard[name])] + [0.0])[:2]
                found.append(self.reason((item[0], codes[name], x, y), names))
        self.state = after
        return next((one for one in found if one == ACTED), found[-1])

    def _of_contact(self, item: Item, finger: str) -> str:
        """What a contact does when its moment ends; a change in the fingers' own state does not count."""
        t, later = item[0], nextafter(item[0], inf)
        loop = self.program.live(self.state)
        next(loop)
        seen = loop.send([(t, self.program.frame, 0.0, 0.0), (later, self.program.frame, 0.0, 0.0)])
        beside = loop.send([])
        self.state, _ = self._after(item)
        loop = self.program.live(self.state)
        next(loop)
        now = loop.send([(later, self.program.frame, 0.0, 0.0)])
        after = loop.send([])
        kept = [k for k, name in enumerate(self.program.state) if name.startswith(("finger", "area"))]
        if self._differ((*after, *now), (*beside, *seen), kept):
            return ACTED
        taken = self._value(f"finger{finger}_area", after, 0.0) > 0.0
        return "it has not moved as far as after_travel" if taken else "no touch takes this finger"

    def _differ(self, one: tuple[float, ...], other: tuple[float, ...], own: list[int]) -> bool:
        """Whether two states and their frames differ in more than the value that was fed."""
        quiet = {*own, *self._quiet}
        pairs = enumerate(zip(one, other, strict=True))
        return any(a != b and k not in quiet and not isclose(a, b, rel_tol=1e-12) for k, (a, b) in pairs)

    def _own(self, signal: Signal) -> list[int]:
        """The place of a signal's last value in the state."""
        stems = (own_role(signal.name), signal.name.replace(".", "_"))
        parts = ("_x", "_y") if signal.pair else ("",)
        wanted = [f"{stem}{part}" for stem in stems for part in parts]
        return [self._roles[role] for role in wanted if role in self._roles]

    def _saying_nothing(self, signal: Signal, own: list[int]) -> tuple[float, float]:
        """The event that says nothing new: the last value, or no movement."""
        if not signal.held or not own:
            return 0.0, 0.0
        x, *rest = (self.state[k] for k in own)
        return x, (rest[0] if rest else 0.0)

    def _value(self, name: str, state: tuple[float, ...], otherwise: float) -> float:
        """A value of the state, by name."""
        return state[self.program.state.index(name)] if name in self.program.state else otherwise

    def _of_routes(self, signal: Signal, said: list[float], t: float) -> str:
        """Why no route, or anything else, does something with an event."""
        loop = self.program.live(self.state)
        next(loop)
        frame = frame_of(t, loop.send([(t, self.program.frame, 0.0, 0.0)]), self.program)
        open_ = frame.gates
        made = {one.name: one for one in self.plan.derived}
        found = []
        for route in self.plan.routes:
            source = made.get(route.source.signal.name)
            addresses = source.inputs if source else (route.source,)
            if any(address.signal == signal for address in addresses):
                found.append(route)
        # one that listens knows better than one whose gate is closed
        found.sort(key=lambda route: bool(route.gate and not route.gate.holds(open_)))
        if found:
            return self._of_route(found[0], said, frame)
        for cue in self.plan.cues:
            ours = any(address.signal == signal for address in cue.buttons.inputs)
            if ours and cue.gate and not cue.gate.holds(open_):
                return _waiting(cue.name, cue.gate, open_)
        return "nothing asks for it now"

    def _of_route(self, route: Route, said: list[float], frame: Frame) -> str:
        """Why a route does nothing with an event."""
        if route.gate and not route.gate.holds(frame.gates):
            return _waiting(route.name, route.gate, frame.gates)
        mounts = self.plan.mounts
        mount = next(k for k, one in enumerate(mounts.all) if one.mount.name == frame.mount)
        keys = {axis: mounts.of(mount, axis) for axis in route.drives}
        moved = {axis: key for axis, key in keys.items() if isinstance(key, str)}
        if not moved and not set(route.drives) & set(MOVES):
            return f"{frame.mount} does not use what {route.name} drives"
        if route.shape.dead_zone:
            size = hypot(*(one - rest for one, rest in zip(said, route.shape.rest, strict=False)))
            if size <= route.shape.inner * (1.0 + hypot(*route.shape.rest)):
                return f"in the dead zone of {route.name}"
            if size >= route.shape.dead_zone.outer:
                return f"past the outer end of {route.name}, which is all the way out"
        for one in mounts.instances:
            value = frame.axes[one.axis.name] if one.key in moved.values() and one.axis.limited else None
            if value is not None and (value - one.axis.low < 1e-6 or one.axis.high - value < 1e-6):
                return f"{one.axis.name} is at its limit"
        if any(isinstance(one, EdgeZone) and one.signal == route.source.signal for one in self.plan.derived):
            return f"not in the edge zone of {route.name}"
        return f"{route.name}{UNKNOWN}"

"""Switches: the state values of everything in a plan that is 0 or 1: buttons, gates, listening, cues."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import number
from ..plan import ATTITUDE, CURSORS, DEVICES, Condition, KeySet, Presses, in_order

if TYPE_CHECKING:
    from ..plan import Address, Buttons, Gate, Plan, Route, Signal, When

NEVER = 1e300
"""A time (s) that does not come; the same before 0 is one that is long past."""
WANTS = "_wants"
"""What a switch that is looked at closely has beside its own state value: where it is going."""


class Switches:
    """Names the state values of a plan's switching, and what they are before anything has happened."""

    def __init__(
        self,
        plan: Plan,
        state: dict[str, float],
        raw: dict[str, tuple[str, ...]],
    ) -> None:
        self.plan, self.state, self.raw = plan, state, raw
        self.derived = {one.name: one for one in plan.derived}
        self.ordered = in_order(plan.gates)
        self.gates = {gate.name: f"gate{k}" for k, gate in enumerate(self.plan.gates, 1)}
        self.timers: list[str] = []
        self.listens: dict[When, str] = {}
        self.watched: dict[str, list[Route]] = {}
        """What listens, with the routes that do something as it opens or closes."""
        self.seen: dict[tuple[str, str], str] = {}
        """A switch as it is seen through a gate: 1 only if it was pressed while the gate was open."""
        self.latches: dict[tuple[str, Address], str] = {}
        self.caught: dict[str, str] = {}
        """For a movement of the mouse: 1 once the pointer was caught, until the first that comes after."""
        self.things = {name: float(k) for k, name in enumerate(self.plan.things, 1)}
        self.families = self.plan.families if len(self.plan.families) > 1 else ()
        """The families between which the active device changes; none where there is only one."""
        self._prepare_gates()
        self._prepare_listening()
        self._prepare_cues()
        self._prepare_derived()
        self._prepare_beginning()
        self._prepare_devices()

    @property
    def held(self) -> list[Signal]:
        """The signals of devices and of the host that are held, in the order of their names."""
        return list({a.signal.name: a.signal for a in self.plan.signals if a.signal.held}.values())

    def holds(self, condition: Condition) -> str:
        """The woven expression of 1 while a condition holds, else 0."""
        gate = self.gates[condition.gate]
        return gate if condition.wanted else f"(1.0 - {gate})"

    def scale(self, condition: Condition, factor: float) -> str:
        """The woven expression of a factor while a condition holds, else 1."""
        return f"(1.0 + {number(factor - 1.0)} * {self.holds(condition)})"

    def made_stem(self, name: str) -> str:
        """What the state values of a derived signal begin with."""
        return f"signal{1 + [one.name for one in self.plan.derived].index(name)}"

    def _new(self, name: str, start: float = 0.0) -> str:
        self.state[name] = start
        return name

    def _timer(self, name: str) -> str:
        self.timers.append(self._new(name, NEVER))
        return name

    def _prepare_buttons(self, stem: str, buttons: Buttons) -> None:
        for k, address in enumerate(buttons.inputs, 1):
            begun = buttons.begun_on or buttons.begun_off
            if begun or address.signal.kind != "switch":
                self.latches[stem, address] = self._new(f"{stem}_past{k}")

    def _prepare_gates(self) -> None:
        for gate in self.plan.gates:
            stem = self._new(self.gates[gate.name])
            if gate.buttons:
                self._prepare_buttons(stem, gate.buttons)
            if "toggle" in gate.choice:
                self._new(f"{stem}_was")
            if gate.after or gate.travel:
                self._new(f"{stem}_base")
            if gate.after:
                self._timer(f"{stem}_timer")
                self._new(f"{stem}_lasted")
            for part in ("far", "way_x", "way_y") if gate.travel else ():
                self._new(f"{stem}_{part}")

    def _prepare_listening(self) -> None:
        """Give each condition of a route or a cue its state value."""
        for route in self.plan.routes:
            if route.gate:
                self._listen(route.gate, own=self.acts(route))
        for route in self.plan.routes:
            name = self.listen(route.gate)
            if self.acts(route):
                self.watched.setdefault(name, []).append(route)
            for key in self.keys(route) if self.fresh(route) else ():
                if (key.signal.name, name) not in self.seen:
                    self.seen[key.signal.name, name] = self._new(f"seen{len(self.seen) + 1}")
        for cue in self.plan.cues:
            if cue.gate:
                self._listen(cue.gate, own=False)

    def _listen(self, when: When, *, own: bool) -> str:
        """The state value of a condition: its gate's, where that will do."""
        known = self.listens.get(when)
        simple = self.gates[when.gate] if isinstance(when, Condition) and when.wanted else ""
        if known and (not own or known != simple):
            return known
        if simple and not own:
            self.listens[when] = simple
            return simple
        start = 1.0 if when.holds(self._at_start()) else 0.0
        self.listens[when] = self._new(f"listen{len(self.listens) + 1}", start)
        return self.listens[when]

    def _at_start(self) -> dict[str, bool]:
        """Which gates are open before anything has happened."""
        open_: dict[str, bool] = {}
        for gate in self.ordered:
            holds = gate.when.holds(open_) if gate.when else gate.active == self.first_family
            open_[gate.name] = holds and not gate.after
        return open_

    @property
    def first_family(self) -> str:
        """The family of devices that is the active one at the beginning."""
        return self.plan.families[0] if self.plan.families else "none"

    def _prepare_cues(self) -> None:
        for k, cue in enumerate(self.plan.cues, 1):
            stem = self._new(f"cue{k}")
            self._prepare_buttons(stem, cue.buttons)
            self._new(f"{stem}_t", -NEVER)
            for part in ("was", "counts"):
                self._new(f"{stem}_{part}")
            if cue.on in ("tap", "double_tap"):
                self._new(f"{stem}_begun", -NEVER)
            if cue.on == "double_tap":
                self._new(f"{stem}_tap", -NEVER)
            if cue.on == "long_press":
                self._timer(f"{stem}_timer")

    def _prepare_derived(self) -> None:
        for made in self.plan.derived:
            stem = self.made_stem(made.name)
            if isinstance(made, Presses):
                self._prepare_buttons(stem, made.buttons)
            if isinstance(made, KeySet):
                parts = ("x", "y")[: len(made.ways) // 2]
                newest = [f"newest_{part}" for part in parts] if made.opposite == "newest" else []
                lock = ["locked", *(f"lock_{part}" for part in parts)] if made.lock else []
                for part in (*newest, *lock):
                    self._new(f"{stem}_{part}")

    def _prepare_beginning(self) -> None:
        """Put gates, and the cursor that they want, to what they are before anything has happened."""
        for name, value in self._at_start().items():
            self.state[self.gates[name]] = 1.0 if value else 0.0
        for gate in self.plan.gates:
            if gate.after and gate.buttons is None:
                self._start_late(gate)
        cursor = self._cursor_at_start()
        if self.cursor_gates:
            self._new("cursor", cursor)
        if self.cursor_gates or cursor == CURSORS.index("held"):
            moves = {a.signal.name for a in self.plan.signals} & {"mouse.move", "mouse.pixels"}
            for name in sorted(moves):
                self.caught[name] = self._new(f"{name.replace('.', '_')}_caught", float(cursor == 2.0))

    def _prepare_devices(self) -> None:
        """Which device is the active one; presses that are looked at closely; what they began on."""
        if self.families:
            self._new("device", 0.0)
            for part in ("way", "t"):
                self._new(f"device_{part}")
            if any(signal.name in ATTITUDE for signal in self.held):
                for part, start in zip("xyzwt", (0.0, 0.0, 0.0, 0.0, -NEVER), strict=True):
                    self._new(f"turned_{part}", start)
        if self.plan.hands.steadies:
            for signal in self.held:
                if signal.device in DEVICES and signal.kind == "switch":
                    (raw,) = self.raw[signal.name]
                    self._new(f"{raw}{WANTS}")
                    self._timer(f"{raw}_timer")
        for signal in self.held:
            if signal.kind == "rate":
                self._timer(f"{self.raw[signal.name][0]}_timer")
            if self.begins(signal):
                self._new(f"{self.raw[signal.name][0]}_on")

    def _start_late(self, gate: Gate) -> None:
        """A gate that would be open at once, were there no time to wait for."""
        open_ = self._at_start()
        holds = gate.when.holds(open_) if gate.when else gate.active == self.first_family
        if holds:
            stem = self.gates[gate.name]
            self.state[f"{stem}_base"], self.state[f"{stem}_timer"] = 1.0, gate.after

    def _cursor_at_start(self) -> float:
        open_ = self._at_start()
        for gate in self.cursor_gates:
            if open_[gate.name]:
                return float(CURSORS.index(gate.cursor))
        return float(CURSORS.index(self.plan.cursor))

    @property
    def cursor_gates(self) -> list[Gate]:
        """The gates that want the pointer so or so, the one that has it first; of equals the freest."""
        wanting = [gate for gate in self.plan.gates if gate.cursor]
        return sorted(wanting, key=lambda gate: (-gate.priority, CURSORS.index(gate.cursor)))

    def begins(self, signal: Signal) -> bool:
        """Whether something asks what a press of this switch began on."""
        return any(
            address.signal == signal and (buttons.begun_on or buttons.begun_off)
            for buttons in self.plan.buttons
            for address in buttons.inputs
        )

    def acts(self, route: Route) -> bool:
        """Whether a route does something at the moment at which its gate opens or closes."""
        if route.gate is None:
            return False
        acts = self.fresh(route) or route.zero_on_open or route.closing.way != "settle"
        return acts or route.effect == "pin"

    def fresh(self, route: Route) -> bool:
        """Whether what is held as its gate opens must be let go first."""
        if route.gate is None or route.effect == "step":
            return False
        if route.fresh is not None:
            return route.fresh
        return bool(self.keys(route))

    def keys(self, route: Route) -> tuple[Address, ...]:
        """The switches that a route comes down to, if it comes down to switches."""
        made = self.derived.get(route.source.signal.name)
        if isinstance(made, KeySet):
            return made.keys
        return (route.source,) if route.source.signal.kind == "switch" else ()

    def listen(self, when: When | None) -> str:
        """The state value that is 1 while a condition holds; nothing where there is none."""
        return self.listens[when] if when else ""

"""Switching: everything in a plan that is 0 or 1 (gates, what listens, cues), and what events do to it.

What follows from an event is written in a fixed order, as far as it is touched: derived signals; gates,
each after those it depends on; what listens, and what opening and closing do; the cursor; keys as they
are seen through gates; presses; cues; the active mount. Routes come last, and are not written here.
"""

from __future__ import annotations

from functools import partial
from typing import TYPE_CHECKING

from ..expressions import Name, Word, cases, every, flag, where
from ..plan import (
    ATTITUDE,
    CURSORS,
    DEVICES,
    FOCUS,
    NEVER,
    Change,
    Condition,
    CueState,
    GateState,
    KeySet,
    KeyState,
    Latches,
    Presses,
    PressState,
    in_order,
)

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..expressions import Block, Handle, Names, State, Value
    from ..plan import Address, EdgeZone, Gate, Plan, Route, Signal, When
    from .taking_over import TakingOver

    Act = Callable[[Block], None]

WANTS = "_wants"
"""What the state value of a switch that is looked at closely ends in: where the switch is going."""


class Switching:
    """The state of a plan's switching, its values at the start, and what events do to it."""

    def __init__(self, plan: Plan, state: State, names: Names, raws: dict[str, tuple[Handle, ...]]) -> None:
        self.plan, self.state, self.names, self.raws = plan, state, names, raws
        self.derived = {one.name: one for one in plan.derived}
        self.ordered = in_order(plan.gates)
        self.timers: list[Handle] = []
        self.listens: dict[When, Handle] = {}
        self.watched: dict[Handle, list[Route]] = {}
        """What listens, with the routes that do something as it opens or closes."""
        self.seen: dict[tuple[str, Handle], Handle] = {}
        """A switch as it is seen through a gate: 1 only if it was pressed while the gate was open."""
        self.on_open: dict[Handle, Act] = {}
        """For what listens: writes what its routes do as it opens."""
        self.on_close: dict[Handle, Act] = {}
        self.taking_over: TakingOver | None = None
        """Which of several mounts is active."""
        self.caught: dict[str, Handle] = {}
        """For a movement of the mouse: 1 once the pointer was caught, until the first that comes after."""
        self.wants: dict[str, Handle] = {}
        """For a switch that is looked at closely: where it is going."""
        self.signal_timers: dict[str, Handle] = {}
        """When such a switch has lasted long enough, or a rate has been silent too long (s)."""
        self.began_on: dict[str, Handle] = {}
        """For a switch: what its last press began on."""
        self.device: Handle | None = None
        """The family of the active device, where there are several."""
        self.device_way: Handle | None = None
        """How far a mouse has gone that may become the active device."""
        self.device_t: Handle | None = None
        """When it did so last (s)."""
        self.turned: tuple[Handle, ...] = ()
        """How a device in the hand was turned as it was last looked at."""
        self.turned_t: Handle | None = None
        """When that was (s)."""
        self.things = {name: float(k) for k, name in enumerate(plan.things, 1)}
        self.families = plan.families if len(plan.families) > 1 else ()
        """The families between which the active device changes; none where there is only one."""
        self.gate_states: dict[str, GateState] = {}
        self._make_gates()
        self._make_listening()
        self.cue_states = [CueState.new(state, f"cue{k}", cue) for k, cue in enumerate(plan.cues, 1)]
        self.timers += [cue.timer for cue in self.cue_states if cue.timer is not None]
        self.keys: dict[str, KeyState] = {}
        self.presses: dict[str, PressState] = {}
        self._make_derived()
        self._make_beginning()
        self._make_devices()
        self.values: dict[str, tuple[Handle, ...]] = {}
        """What holds each key set and edge zone."""
        self._make_values()

    # ---- what is kept

    @property
    def gates(self) -> dict[str, Handle]:
        """The value of each gate: 1 while it is open."""
        return {name: one.open for name, one in self.gate_states.items()}

    @property
    def held(self) -> list[Signal]:
        """The held signals, by name; contacts are kept elsewhere."""
        used = {a.signal.name: a.signal for a in self.plan.signals if a.signal.held}
        return [one for name, one in used.items() if name in self.raws]

    def of_signal(self, signal: str, ending: str, start: float = 0.0) -> Handle:
        """More state of a signal."""
        first = self.raws[signal][0]
        return self.state.new(
            f"{first}{ending}", start, saved_as=f"{first.saved_as}{ending}" if first.saved_as else ""
        )

    def stem(self, name: str) -> str:
        """The stem of the names of a derived signal's state."""
        return f"signal{1 + [*self.derived].index(name)}"

    def _make_gates(self) -> None:
        for k, gate in enumerate(self.plan.gates, 1):
            one = self.gate_states[gate.name] = GateState.new(self.state, f"gate{k}", gate)
            if one.timer is not None:
                self.timers.append(one.timer)

    def _make_listening(self) -> None:
        """Give each condition of a route or a cue its state value."""
        self._last_listen = 0
        for route in self.plan.routes:
            if route.gate:
                self._listen(route.gate, own=self.acts(route))
        for route in self.plan.routes:
            listen = self.listen(route.gate)
            if listen is not None and self.acts(route):
                self.watched.setdefault(listen, []).append(route)
            for key in self.route_keys(route) if listen is not None and self.fresh(route) else ():
                if (key.signal.name, listen) not in self.seen:
                    assert listen is not None
                    words = f"{key.signal.name} through {route.gate}"
                    one = self.state.new(f"seen{len(self.seen) + 1}", saved_as=words)
                    self.seen[key.signal.name, listen] = one
        for cue in self.plan.cues:
            if cue.gate:
                self._listen(cue.gate, own=False)

    def _listen(self, when: When, *, own: bool) -> None:
        """Give a condition its state value: its gate's, if that will do."""
        known = self.listens.get(when)
        simple = self.gates[when.gate] if isinstance(when, Condition) and when.wanted else None
        # A route that does something as its gate opens or closes must see the change, so what it asks has a
        # state value of its own; the gate's is new by then.
        if known is not None and (not own or known is not simple):
            return
        if simple is not None and not own:
            self.listens[when] = simple
            return
        start = 1.0 if when.holds(self.at_start()) else 0.0
        self._last_listen = max(self._last_listen, len(self.listens)) + 1
        words = f"{'acts' if own else 'asks'} while {when}"
        self.listens[when] = self.state.new(f"listen{self._last_listen}", start, saved_as=words)

    def at_start(self) -> dict[str, bool]:
        """Which gates are open at the start."""
        open_: dict[str, bool] = {}
        for gate in self.ordered:
            open_[gate.name] = self._would_be_open(gate, open_) and not gate.after
        return open_

    def _would_be_open(self, gate: Gate, open_: dict[str, bool]) -> bool:
        """Whether a gate would be open at the start, if it did not have to wait."""
        return gate.when.holds(open_) if gate.when else gate.active == self.first_family

    @property
    def first_family(self) -> str:
        """The family of devices that is active at the start."""
        return self.plan.families[0] if self.plan.families else "none"

    def _make_derived(self) -> None:
        for made in self.plan.derived:
            stem = self.stem(made.name)
            if isinstance(made, Presses):
                latches = Latches.new(self.state, stem, made.buttons)
                self.presses[made.name] = PressState(made, latches, self.names.fresh(f"{stem}_pressed"))
            if isinstance(made, KeySet):
                self.keys[made.name] = KeyState.new(self.state, stem, made)

    def _make_beginning(self) -> None:
        """Set gates, and the cursor they want, to their values at the start."""
        open_ = self.at_start()
        for name, one in self.gate_states.items():
            one.open.start = float(open_[name])
            gate = one.gate
            if gate.after and gate.buttons is None and self._would_be_open(gate, open_):
                assert one.base is not None
                assert one.timer is not None
                one.base.start, one.timer.start = 1.0, gate.after
        wanted = next((gate.cursor for gate in self.cursor_gates if open_[gate.name]), self.plan.cursor)
        held = CURSORS.index("held")
        self.cursor: Handle | None = None
        if self.cursor_gates:
            self.cursor = self.state.new("cursor", float(CURSORS.index(wanted)))
        if self.cursor_gates or CURSORS.index(wanted) == held:
            moves = {a.signal.name for a in self.plan.signals} & {"mouse.move", "mouse.pixels"}
            for name in sorted(moves):
                start = float(CURSORS.index(wanted) == held)
                self.caught[name] = self.state.new(f"{name.replace('.', '_')}_caught", start)

    def _make_devices(self) -> None:
        """Make the state of the active device, of filtered presses, and of what presses began on."""
        if self.families:
            self.device = self.state.new("device")
            self.device_way, self.device_t = self.state.new("device_way"), self.state.new("device_t")
            if any(signal.name in ATTITUDE for signal in self.held):
                self.turned = tuple(self.state.new(f"turned_{part}") for part in "xyzw")
                self.turned_t = self.state.new("turned_t", -NEVER)
        for signal in self.held if self.plan.hands.steadies else ():
            brief = signal.device == "touch" and not signal.name.endswith(".down")
            if signal.device in DEVICES and signal.kind == "switch" and not brief:
                self.wants[signal.name] = self.of_signal(signal.name, WANTS)
                self._signal_timer(signal.name)
        for signal in self.held:
            if signal.kind == "rate":
                self._signal_timer(signal.name)
            if self._asks_beginning(signal):
                self.began_on[signal.name] = self.of_signal(signal.name, "_on")

    def _signal_timer(self, signal: str) -> None:
        self.signal_timers[signal] = self.of_signal(signal, "_timer", NEVER)
        self.timers.append(self.signal_timers[signal])

    def _make_values(self) -> None:
        for made in self.plan.derived:
            if isinstance(made, Presses):
                continue
            parts, stem = "xy" if made.signal.pair else "x", self.stem(made.name)
            self.values[made.name] = tuple(self.state.new(f"{stem}_{part}") for part in parts)
            if made.name not in self.keys:
                continue
            keys = self.keys[made.name]
            keys.values = self.values[made.name]
            for route in self.plan.routes:
                listen = self.listen(route.gate)
                if listen is not None and route.source.signal.name == made.name and self.fresh(route):
                    keys.seen[listen.name] = tuple(Word(f"{stem}_{part}_{listen}") for part in parts)

    @property
    def shown_cursor(self) -> Value | None:
        """The pointer's state, if that can change: without the focus it is free."""
        if not self.plan.takes_pointer:
            return self.cursor
        wanted = self.cursor if self.cursor is not None else float(CURSORS.index(self.plan.cursor))
        return where(FOCUS == 0.0, float(CURSORS.index("free")), wanted)

    def catch_again(self, block: Block, test: Value) -> None:
        """Write that the pointer is captured again, if it is: its next movement is not the hand's."""
        held = [self.cursor == float(CURSORS.index("held"))] if self.cursor is not None else []
        for caught in self.caught.values():
            block.set(caught, where(every([test, *held]), 1.0, caught))

    @property
    def cursor_gates(self) -> list[Gate]:
        """The gates that set the pointer, by falling priority; among equals the freest first."""
        wanting = [gate for gate in self.plan.gates if gate.cursor]
        # of equals the freest: a pointer that is caught by mistake is the worse surprise
        return sorted(wanting, key=lambda gate: (-gate.priority, CURSORS.index(gate.cursor)))

    def _asks_beginning(self, signal: Signal) -> bool:
        """Whether anything asks what a press of this switch began on."""
        return any(
            address.signal == signal and (buttons.begun_on or buttons.begun_off)
            for buttons in self.plan.buttons
            for address in buttons.inputs
        )

    def acts(self, route: Route) -> bool:
        """Whether a route does something when its gate opens or closes."""
        if route.gate is None:
            return False
        acts = self.fresh(route) or route.zero_on_open or route.closing.way != "settle"
        return acts or route.effect == "pin"

    def fresh(self, route: Route) -> bool:
        """Whether what is held when its gate opens must be let go first."""
        if route.gate is None or route.effect == "step":
            return False
        if route.fresh is not None:
            return route.fresh
        return bool(self.route_keys(route))

    def route_keys(self, route: Route) -> tuple[Address, ...]:
        """The switches behind a route, if it comes from switches."""
        made = self.derived.get(route.source.signal.name)
        if isinstance(made, KeySet):
            return made.keys
        return (route.source,) if route.source.signal.kind == "switch" else ()

    def listen(self, when: When | None) -> Handle | None:
        """The state value that is 1 while a condition holds; None without a condition."""
        return self.listens[when] if when else None

    # ---- what is read of it

    def holds(self, condition: Condition) -> Value:
        """1 while a condition holds, else 0."""
        gate = self.gates[condition.gate]
        return gate if condition.wanted else 1.0 - gate

    def scale(self, condition: Condition, factor: float) -> Value:
        """A factor while a condition holds, else 1."""
        return 1.0 + (factor - 1.0) * self.holds(condition)

    def raw(self, signal: str) -> tuple[Handle, ...]:
        """A signal's last value."""
        return self.raws[signal]

    def began(self, signal: str) -> Handle:
        """What the last press of a switch began on."""
        return self.began_on[signal]

    def thing(self, name: str) -> float:
        """The number of a thing that presses begin on."""
        return self.things[name]

    def value(self, address: Address) -> tuple[Value, ...]:
        """A held signal or its component; a stick counts only while the window has the focus."""
        names: tuple[Value, ...]
        if address.signal.name in self.derived:
            names = self.made(address.signal.name)
        else:
            names = self.raws[address.signal.name]
            # a switch is let go as the focus is lost, once; a stick is still pushed when it comes back
            if address.signal.kind == "deflection":
                names = tuple(name * FOCUS for name in names)
        return (names["xy".index(address.component)],) if address.component else names

    def made(self, name: str, listen: Handle | None = None) -> tuple[Value, ...]:
        """The values of a derived signal; a key set as seen through what listens, if that is given."""
        if name in self.presses:
            return (self.presses[name].pressed,)
        if listen is not None and name in self.keys:
            return self.keys[name].seen[listen.name]
        return self.values[name]

    def driving(self, route: Route) -> tuple[Value, ...]:
        """What drives a route: its signal's values, as seen through the route's gate."""
        listen = self.listen(route.gate) if self.fresh(route) else None
        source = route.source
        if source.signal.kind == "switch":
            return (self._seen(source, listen),)
        if route.tilts:
            return tuple(self.raws[name][0] for name in ATTITUDE)
        if source.signal.name in self.derived:
            names = self.made(source.signal.name, listen)
        else:
            names = self.raws[source.signal.name]
        return (names["xy".index(source.component)],) if source.component else names

    def _seen(self, key: Address, listen: Handle | None) -> Value:
        """The value of a switch, or of the switch as seen through what listens."""
        name = key.signal.name
        return self.raws[name][0] if listen is None else self.seen.get((name, listen), self.raws[name][0])

    # ---- what follows from an event

    def write(self, block: Block, change: Change) -> Change:
        """Write what follows from a change; returns the change with everything that follows."""
        change = change._replace(touched=set(change.touched))
        for made in self.plan.derived:
            if not isinstance(made, Presses) and change.touches(made.inputs):
                self._make(block, made, change)
                change.touched.add(made.name)
        for gate in self.ordered:
            if change.touched & gate.asks:
                self.gate_states[gate.name].write(block, change, self, self.gates, self._active(gate))
                change.touched.add(f"gate {gate.name}")
        self._write_listening(block, change)
        self._write_cursor(block, change)
        self._write_seen(block, change)
        for presses in self.presses.values():
            if change.touches(presses.presses.inputs):
                presses.write(block, change, self)
                change.touched.add(presses.presses.name)
        for cue in self.cue_states:
            listen = self.listen(cue.cue.gate)
            stops = f"listen {listen}" if cue.timer is not None and listen is not None else ""
            if change.touches(cue.cue.buttons.inputs) or stops in change.touched:
                self._given(block, cue, cue.write(block, change, self, listen))
        if self.taking_over:
            self.taking_over.write(block, change)
        return change

    def _given(self, block: Block, cue: CueState, hit: Name | None) -> None:
        """A cue may have been given, so a mount may take over."""
        if self.taking_over and hit is not None:
            self.taking_over.fired(block, cue.cue.name, hit)

    def follows(self, route: Route, change: Change) -> bool:
        """Whether a route must evaluate its held value again."""
        words = {ATTITUDE[-1] if route.tilts else route.source.signal.name}
        if self.fresh(route) or route.zero_on_open:
            words |= {f"listen {self.listen(route.gate)}"}
        return bool(change.touched & words)

    def give(self, block: Block, cue: CueState) -> None:
        """Write that a cue is given, if its cooldown is over."""
        self._given(block, cue, cue.fire(block))

    def _active(self, gate: Gate) -> Value:
        """The test of whether the device that a gate wants is active."""
        if self.device is None or not gate.active:
            return every([])
        return self.device == float(self.families.index(gate.active))

    def _make(self, block: Block, made: KeySet | EdgeZone, change: Change) -> None:
        """Work out a derived signal again."""
        if isinstance(made, KeySet):
            keys = self.keys[made.name]
            keys.order(block, change)
            keys.write(block, lambda key: self.raws[key.signal.name][0], keys.values)
        else:
            made.write(block, self, self.values[made.name])

    def _write_listening(self, block: Block, change: Change) -> None:
        """Write whether routes and cues listen, and what routes do when that changes."""
        own = {one.name for one in self.gates.values()}
        for when, listen in self.listens.items():
            if not change.touched & {f"gate {name}" for name in when.gates}:
                continue
            change.touched.add(f"listen {listen}")
            if listen.name in own:
                continue
            was = self.names.fresh("was")
            if listen in self.watched:
                block.set(was, listen)
            block.set(listen, flag(when.test(self.gates)))  # all gates are up to date: it flips once at most
            if listen in self.watched:
                self._write_edges(block, listen, was)

    def _write_edges(self, block: Block, listen: Handle, was: Name) -> None:
        """Write what happens when a gate opens and when it closes."""
        with block.when(listen > was):
            # a key that is down already does not count until it is pressed afresh
            for (_, through), seen in self.seen.items():
                if through is listen:
                    block.set(seen, 0.0)
            self.on_open[listen](block)
        with block.when(listen < was):
            self.on_close[listen](block)

    def _write_cursor(self, block: Block, change: Change) -> None:
        """Write the pointer's state; when it is captured, its next movement is not the hand's."""
        gates = self.cursor_gates
        if self.cursor is None or not change.touched & {f"gate {gate.name}" for gate in gates}:
            return
        held, was = float(CURSORS.index("held")), block.keep("cursor_was", self.cursor)
        wanted = [(self.gates[gate.name] != 0.0, float(CURSORS.index(gate.cursor))) for gate in gates]
        block.set(self.cursor, cases(wanted, float(CURSORS.index(self.plan.cursor))))
        for caught in self.caught.values():
            block.set(caught, where(every([self.cursor == held, was != held]), 1.0, caught))

    def _write_seen(self, block: Block, change: Change) -> None:
        """Write switches as seen through what listens, and the key sets made of them."""
        for (name, listen), seen in self.seen.items():
            if name in change.touched:
                (raw,) = self.raws[name]
                if change.rose is not None and name == change.switch:
                    block.set(seen, change.rose * listen)
                else:
                    block.set(seen, where(raw != 0.0, seen, 0.0))
        for route in self.plan.routes:
            source, through = route.source.signal.name, self.listen(route.gate)
            keys, word = self.keys.get(source), f"{source} through {through}"
            if keys is None or through is None or not self.fresh(route) or word in change.touched:
                continue
            if change.touched & {source, f"listen {through}"}:
                keys.write(block, partial(self._seen, listen=through), keys.seen[through.name])
                change.touched.add(word)

"""What events do: a displacement at its age, a held value at its time, a word from the host."""

from __future__ import annotations

from functools import partial
from math import cos, radians
from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..formulas import shaping, wrapped
from ..plan import ATTITUDE, DEVICES, NEARING, OWN, PANS, Address, Presses
from .chains import Chains
from .conditioning import Conditioning
from .making import Change
from .panning import SCREEN
from .switches import NEVER, WANTS
from .taking_over import TakingOver, settle

if TYPE_CHECKING:
    from ..plan import Gate, Route, Signal
    from .weaver import Weaver

STIRRED = 0.3
"""How far a stick must be pushed for its device to be the active one: more than one that drifts."""
TURNED = 30.0
"""How fast a handheld device must turn for it to be the active one, in degrees a second."""
SILENT = 0.1
"""Seconds after which a rate that says nothing more counts as 0."""
MOVED = 16.0
"""How far a mouse must go for its device to be the active one, in counts or pixels; a wheel: half a notch."""
PAUSE = 0.25
"""Seconds without a report after which a mouse's way begins anew; a tilt's, after as long in any case."""
TILTED = cos(radians(TURNED * PAUSE / 2.0))
"""How alike two attitudes are, as their quaternions' product, between which a device has turned so far."""


class Events:
    """Writes what each code of a program does."""

    def __init__(self, weaver: Weaver) -> None:
        self.weaver = weaver
        self.chains = Chains(weaver.switches, weaver.names)
        self.conditioning = Conditioning(weaver, self.chains)
        if weaver.plan.others:
            self.chains.taking_over = TakingOver(weaver, weaver.turn_over)
        for listen, routes in weaver.switches.watched.items():
            self.chains.on_open[listen] = partial(self.conditioning.opened, routes=routes)
            self.chains.on_close[listen] = partial(self.conditioning.closed, listen=listen, routes=routes)

    def lines(self) -> list[str]:
        """One branch a code, found by halves; nothing at a frame."""
        weaver = self.weaver
        first = weaver.codes
        blocks = [(first[s.name], s.name, self._impulse(s)) for s in weaver.impulses]
        facts = weaver.releasing
        blocks += [(first[s.name], self._words(s), self._held(s)) for s in weaver.held if s not in facts]
        if facts:
            words = ", ".join(s.name for s in facts)
            blocks.append((first[facts[0].name], words, self._let_go(facts)))
        for k, (kind, name) in enumerate(weaver.settings, len(first)):
            blocks.append((k, f"{kind} by the host", self._setting(kind, name)))
        frame = len(first) + len(weaver.settings)
        return [f"if code < {frame}:", *(f"    {line}" for line in self._halves(blocks) or ["pass"])]

    def _halves(self, blocks: list[tuple[int, str, Block]]) -> list[str]:
        """Blocks in order of their first codes, as a tree of questions."""
        if len(blocks) <= 1:
            return [line for _, words, block in blocks for line in (f"# {words}", *(block.lines or ["pass"]))]
        middle = len(blocks) // 2
        halves = (self._halves(half) for half in (blocks[:middle], blocks[middle:]))
        low, high = ([f"    {line}" for line in half] for half in halves)
        return [f"if code < {blocks[middle][0]}:", *low, "else:", *high]

    @staticmethod
    def _words(signal: Signal) -> str:
        """What a comment calls a signal; never by a name of the profile's own."""
        return signal.device if signal.device in (*OWN, "touch") else signal.name

    # ---- what follows from an event

    def _follow(self, block: Block, change: Change) -> None:
        """Write everything that follows from a change."""
        change = self.chains.write(block, change)
        for count, route in enumerate(self.weaver.plan.routes, 1):
            source = route.source.signal.name
            if isinstance(self.weaver.switches.derived.get(source), Presses):
                if source in change.touched:
                    block.note(f"route {count}")
                    self.conditioning.step(block, route)
            elif self.chains.follows(route, change):
                block.note(f"route {count}")
                self.conditioning.deflect(block, route)
            elif route.pins == "pointer" and route.effect == "rate" and route.pointer in change.touched:
                self.conditioning.point(block, route)
        for route in self.weaver.plan.routes:
            if route.glide and f"{route.source.signal.name}.down" in change.touched:
                self.conditioning.lifted(block, route)
        self.weaver.go(block)
        self.weaver.reach(block)
        self._set_due(block)

    def _set_due(self, block: Block) -> None:
        """When the next timer runs out, if one may have been set."""
        timers = self.weaver.switches.timers
        if block.assigned & set(timers):
            block.set("due", timers[0])
            for timer in timers[1:]:
                block.set("due", f"{timer} if {timer} < due else due")

    def timers(self) -> list[str]:
        """Lines for the moment at which a timer runs out."""
        block = self.weaver.block()
        acts = self.chains.timers()
        block.set("age", "0.0")
        for timer in self.weaver.switches.timers:
            inner = self.weaver.block()
            inner.set(timer, number(NEVER))
            if timer in acts:
                acts[timer][0](inner)
                self._follow(inner, Change({acts[timer][1]}))
            else:
                (name,) = (name for name, raw in self.weaver.raw.items() if f"{raw[0]}_timer" == timer)
                self._run_out(inner, name)
            block.when(f"{timer} <= anchor", inner)
        self._set_due(block)
        return block.lines

    # ---- displacements

    def _impulse(self, signal: Signal) -> Block:
        """What one displacement does, `age` after the last commit."""
        block, switches = self.weaver.block(), self.weaver.switches
        if switches.families:
            self._stir(block, signal)
        for gate in self.weaver.plan.gates:
            if gate.travel and gate.travel.signal.signal == signal:
                self._travel(block, gate)
        for count, route in enumerate(self.weaver.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self.conditioning.step(block, route)
        caught = switches.caught.get(signal.name)
        if not caught:
            return block
        outer = self.weaver.block()
        outer.when(f"{caught} == 0.0", block)
        outer.set(caught, "0.0")
        return outer

    def _stir(self, block: Block, signal: Signal) -> None:
        """A mouse that goes far enough soon enough makes its family the active one."""
        family = number(self.weaver.plan.families.index(DEVICES[signal.device]))
        inner, stirred = self.weaver.block(), self.weaver.block()
        way = f"abs(x) + abs(y) + (device_way if t - device_t <= {number(PAUSE)} else 0.0)"
        inner.set("device_way", way)
        inner.set("device_t", "t")
        stirred.set("device", family)
        stirred.set("device_way", "0.0")
        self._follow(stirred, Change({"device"}))
        most = number({"count": MOVED, "px": MOVED, "screen": 0.02}.get(signal.unit, 0.5))
        inner.when(f"device_way >= {most}", stirred)
        block.when(f"device != {family}", inner)

    def _travel(self, block: Block, gate: Gate) -> None:
        """The way that a press has gone so far."""
        assert gate.travel is not None
        stem = self.weaver.switches.gates[gate.name]
        inner, there = self.weaver.block(), self.weaver.block()
        for part in "xy":
            inner.set(f"{stem}_way_{part}", f"{stem}_way_{part} + {part}")
        (way,) = inner.call(shaping.length, f"{stem}_way_x", f"{stem}_way_y")
        inner.set(f"{stem}_far", f"1.0 if {way} >= {number(gate.travel.least)} else 0.0")
        self._follow(there, Change({f"travel {gate.name}"}))
        inner.when(f"{stem}_far != 0.0", there)
        block.when(f"{stem}_base != 0.0 and {stem}_far == 0.0", inner)

    # ---- held values

    def _held(self, signal: Signal) -> Block:
        """What one change of a held value does."""
        block, raw = self.weaver.block(), self.weaver.raw[signal.name]
        if signal.kind == "switch":
            self._switch(block, signal, raw[0])
        else:
            for pan in self.weaver.pans if signal.name == SCREEN else ():
                pan.unpin(block)
            for name, part in zip(raw, "xy", strict=False):
                # half of a pair comes with no number for the other, which stays as it is
                block.set(name, f"{part} if {part} == {part} else {name}" if signal.pair else part)
            if f"{raw[0]}_there" in self.weaver.state:
                block.set(f"{raw[0]}_there", "1.0")
            touched = {signal.name}
            if signal.kind == "rate":
                block.set(f"{raw[0]}_timer", f"anchor + {number(SILENT)}")
            if signal.kind in ("deflection", "rate") and self.weaver.switches.families:
                family = number(self.weaver.plan.families.index(DEVICES[signal.device]))
                values, inner = self.chains.value(Address(signal)), block.inner()
                size = f"abs({values[0]})" if len(values) == 1 else inner.call(shaping.length, *values)[0]
                least = STIRRED if signal.kind == "deflection" else TURNED
                inner.set("device", f"{family} if {size} >= {number(least)} else device")
                block.when(f"device != {family}", inner)
                touched |= {"device"}
            elif signal.name == ATTITUDE[-1] and self.weaver.switches.families:
                self._turned(block, signal)
                touched |= {"device"}
            self._follow(block, Change(touched))
        return block

    def _turned(self, block: Block, signal: Signal) -> None:
        """A device in the hand that has turned far enough soon enough makes its family the active one."""
        family, inner = number(self.weaver.plan.families.index(DEVICES[signal.device])), block.inner()
        renewed = self.weaver.names.fresh("renewed")
        inner.set(renewed, f"1.0 if anchor - turned_t > {number(PAUSE)} else 0.0")
        alike = []
        for part, name in zip("xyzw", ATTITUDE, strict=True):
            (now,) = self.weaver.raw[name]
            inner.set(f"turned_{part}", f"{now} if {renewed} != 0.0 else turned_{part}")
            alike.append(f"turned_{part} * {now}")
        inner.set("turned_t", f"anchor if {renewed} != 0.0 else turned_t")
        far = f"abs({' + '.join(alike)}) < {number(TILTED)}"
        inner.set("device", f"{family} if {far} else device")
        block.when(f"device != {family}", inner)

    def _let_go(self, facts: list[Signal]) -> Block:
        """The window loses the focus, or a device is unplugged: what is held is let go, once.

        A switch is up until it is pressed afresh; a stick only until the focus is back, or its device is.
        """
        block = self.weaver.block()
        held = [signal for signal in self.weaver.held if signal.device in DEVICES and signal not in facts]
        for fact in facts:
            code, inner = self.weaver.codes[fact.name], self.weaver.block()
            if fact.name == "host.focus":
                block.set("host_focus", f"(1.0 if x != 0.0 else 0.0) if code == {code} else host_focus")
            for signal in held:
                if fact.name == "host.focus" or signal.device == fact.device:
                    self._release(inner, signal, gone=fact.name != "host.focus")
            for route in self.weaver.plan.routes if fact.name == "motion.connected" else ():
                for part in "xyzw" if route.tilts else "":
                    inner.set(f"route{self.weaver.numbers[route.name]}_zero_{part}", "0.0")
            self._leave(inner, fact)
            if inner.lines:
                block.when(f"code == {code} and x == 0.0", inner)
        self._follow(block, Change({"host.focus", "device", *(signal.name for signal in held)}, quiet=True))
        return block

    def _leave(self, block: Block, fact: Signal) -> None:
        """A family whose only device is unplugged is no longer the active one."""
        family = DEVICES.get(fact.device, "")
        others = [name for name in self.weaver.switches.families if name != family]
        if others and [*DEVICES.values()].count(family) == 1:
            gone, next_ = (number(self.weaver.plan.families.index(name)) for name in (family, others[0]))
            block.set("device", f"{next_} if device == {gone} else device")

    def _release(self, block: Block, signal: Signal, *, gone: bool) -> None:
        """Put a held value to rest: a switch, and a stick whose device is gone."""
        turned = gone and signal.name in ATTITUDE
        for name in self.weaver.raw[signal.name]:
            if signal.kind == "switch" or turned or (signal.kind in ("deflection", "rate") and gone):
                block.set(name, "0.0")
            for part, value in ((WANTS, 0.0), ("_timer", NEVER), ("_there", 0.0)):
                if f"{name}{part}" in self.weaver.state and (gone or part != "_there"):
                    block.set(f"{name}{part}", number(value))

    def _switch(self, block: Block, signal: Signal, raw: str) -> None:
        """A press or a release. One that the host's interface used, or without the focus, counts nowhere."""
        if signal.device in OWN:
            block.set(raw, "1.0 if x != 0.0 else 0.0")
            self._follow(block, Change({signal.name}))
            return
        down = self.weaver.names.fresh("down")
        held = f"{raw}{WANTS}" if self.weaver.plan.hands.steadies else raw
        block.set(down, f"0.0 if x == 0.0 else {held} if y < 0.0 or host_focus == 0.0 else 1.0")
        inner = self.weaver.block()
        if self.weaver.switches.begins(signal):
            inner.set(f"{raw}_on", f"y if {down} != 0.0 else 0.0")
        if self.weaver.plan.hands.steadies:
            hands = self.weaver.plan.hands
            wait = f"{number(hands.min_hold)} if {down} != 0.0 else {number(hands.debounce)}"
            inner.set(held, down)
            inner.set(f"{raw}_timer", f"anchor + ({wait}) if {down} != {raw} else {number(NEVER)}")
            self._set_due(inner)
        else:
            inner.set(raw, down)
            self._changed(inner, signal, down)
        block.when(f"{down} != {held}", inner)

    def _run_out(self, block: Block, name: str) -> None:
        """A press or a release has lasted long enough to count; a rate has been silent too long."""
        signal = next(signal for signal in self.weaver.held if signal.name == name)
        raw = self.weaver.raw[name]
        if signal.kind == "rate":
            for part in raw:
                block.set(part, "0.0")
            self._follow(block, Change({name}))
            return
        block.set(raw[0], f"{raw[0]}{WANTS}")
        self._changed(block, signal, raw[0])

    def _changed(self, block: Block, signal: Signal, rose: str) -> None:
        """What follows when a switch has changed."""
        touched = {signal.name}
        if self.weaver.switches.families:
            family = number(self.weaver.plan.families.index(DEVICES[signal.device]))
            block.set("device", f"{family} if {rose} != 0.0 else device")
            touched |= {"device"}
        self._follow(block, Change(touched, signal.name, rose))

    def _setting(self, kind: str, name: str) -> Block:
        """What one word from the host does."""
        block = self.weaver.block()
        if kind == "scale":
            block.set(self.weaver.scales[name], "x")
            self.weaver.go(block)
            self.weaver.reach(block)
            return block
        keys = self.weaver.keys(name)
        if not keys:
            raise KeyError(name)
        for pan in self.weaver.pans if name in (*PANS, *NEARING) else ():
            loose = block.inner()
            pan.unpin(loose, loosely=name not in PANS)
            if loose.lines:
                self.weaver.when_on(block, pan.keys[0], loose)
        for key in keys:
            inner = block.inner()
            self._set_axis(inner, kind, key)
            if key in self.weaver.pan_of:
                self.weaver.pan_of[key].bound(inner)
            self.weaver.when_on(block, key, inner)
        self.weaver.reach(block)
        return block

    def _set_axis(self, block: Block, kind: str, key: str) -> None:
        """Put an axis where the host wants it, or begin to turn it there."""
        flow, variable = self.weaver.flows[key], self.weaver.variables[key]
        if kind == "set":
            settle(self.weaver, block, key, "x")
            return
        way = f"x - {variable}"
        if flow.axis.wraps:
            (way,) = block.call(wrapped, way)
        block.set(f"{flow.turn}_amount", way)
        block.set(f"{flow.turn}_start", "t")
        block.set(f"{flow.turn}_over", "y")

    def waits(self) -> list[str]:
        """Lines that let an impulse commit at its own time.

        That is where entering it early might touch a limit, and where it changes more than an axis.
        """
        lines = []
        for code, signal in enumerate(self.weaver.impulses):
            routes = [route for route in self.weaver.plan.routes if route.source.signal == signal]
            pushes: dict[str, list[str]] = {}
            for route in routes:
                for axis, component, gain in route.parts:
                    for key in self.weaver.keys(axis):
                        pushes.setdefault(key, []).append(self._most(route, component, gain))
            tests = [self.weaver.flows[axis].clear(most, 1 / 128) for axis, most in pushes.items()]
            tests += self._still(signal)
            words = " and ".join(test for test in tests if test)
            if any(route.with_zoom or self._aims(route) for route in routes):
                words = "False"
            if words:
                lines += [f"if code == {code} and not ({words}):", "    wait = 0.0"]
        return lines

    def _aims(self, route: Route) -> bool:
        """Whether a displacement depends on where a view over a plane is just then."""
        near = bool(set(route.drives) & set(NEARING))
        return bool(self.weaver.pans) and (near or route.pans)

    def _still(self, signal: Signal) -> list[str]:
        """Tests that hold while an impulse changes nothing but axes: no gate, no device, no cursor."""
        switches = self.weaver.switches
        tests = [f"{switches.caught[signal.name]} == 0.0"] if signal.name in switches.caught else []
        if switches.families:
            tests.append(f"device == {number(self.weaver.plan.families.index(DEVICES[signal.device]))}")
        for gate in self.weaver.plan.gates:
            if gate.travel and gate.travel.signal.signal == signal:
                stem = switches.gates[gate.name]
                tests.append(f"({stem}_base == 0.0 or {stem}_far != 0.0)")
        return tests

    def _most(self, route: Route, component: str, gain: float) -> str:
        """The most that a displacement can come to, whatever is open and however fast the hand."""
        most = 1.0 + max(route.speed_gain.extra if route.speed_gain else 0.0, 0.0)
        for _, factor in route.scales:
            most *= max(abs(factor), 1.0)
        scale = f" * {self.weaver.scales[route.name]}" if route.name in self.weaver.scales else ""
        return f"{component} * {number(gain * most)}{scale}"

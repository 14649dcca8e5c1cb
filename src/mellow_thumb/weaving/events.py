"""What events do: a displacement at its age, a held value at its time, a setting from the host."""

from __future__ import annotations

from functools import partial, reduce
from math import cos, radians
from typing import TYPE_CHECKING, NamedTuple

from ..expressions import (
    FALSE,
    every,
    flag,
    lift,
    opposite,
    product_of,
    some,
    total,
    where,
    whole,
    worked_out,
)
from ..formulas import attitude, is_rotation, shaping, wrapped
from ..plan import (
    AGE,
    AIM,
    ANCHOR,
    ATTITUDE,
    CODE,
    DEVICES,
    DUE,
    FOCUS,
    MERGE,
    NEARING,
    NEVER,
    OWN,
    PANS,
    WAIT,
    Address,
    Change,
    Presses,
    T,
    X,
    Y,
    find_signal,
    in_order,
)
from ..plan.handheld import FORCE, TURN
from ..plan.steps import QUICK
from .conditioning import Conditioning
from .panning import SCREEN
from .taking_over import TakingOver
from .touching import Touching

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..expressions import Block, Handle, Name, Statement, Value
    from ..plan import Route, Signal, When
    from .parts import Parts
    from .passing import Passing

STIRRED = 0.3
"""How far a stick must be pushed for its device to be the active one: more than one that drifts."""
TURNED = 30.0
"""How fast a handheld device must turn for it to be the active one, in degrees a second."""
SILENT = 0.1
"""Seconds after which a rate that says nothing more counts as 0."""
MOVED = 16.0
"""How far a mouse must go for its device to be the active one, in counts or pixels; a wheel: half a notch."""
STALE = 0.25
"""Seconds without a report after which a mouse's way begins anew; a tilt's, after as long in any case."""
TILTED = cos(radians(TURNED * STALE / 2.0))
"""How alike two attitudes are, as their quaternions' product, between which a device has turned so far."""

RARE, FREQUENT = 1, 8
"""What a host says now and then, and what hands say all the time."""


class Event(NamedTuple):
    """What happens at events of one code, or of several from it on."""

    code: int
    words: str
    """What a comment calls it; never by a name of the profile's own."""
    statements: list[Statement]
    weight: int
    """How frequent it is, roughly."""


class Events:
    """Writes what each code of a program does."""

    def __init__(self, parts: Parts, passing: Passing) -> None:
        self.parts, self.passing, self.switching = parts, passing, parts.switching
        self.conditioning = Conditioning(parts)
        self.touching = Touching(self, parts.contacts) if parts.contacts else None
        if parts.mount_parts:
            self.switching.taking_over = TakingOver(parts, parts.mount_parts)
        for listen, routes in self.switching.watched.items():
            self.switching.on_open[listen] = partial(self.conditioning.opened, routes=routes)
            self.switching.on_close[listen] = partial(self.conditioning.closed, listen=listen, routes=routes)

    def write(self) -> list[Event]:
        """Write what each code does, in order; a frame does nothing."""
        parts, found = self.parts, []
        codes = parts.codes
        for signal in parts.inputs.impulses:
            found += [(codes[signal.name], signal.name, partial(self._impulse, signal=signal))]
        facts = parts.inputs.releasing
        for signal in parts.inputs.staying:
            words = signal.device if signal.device in (*OWN, "touch") else signal.name
            found.append((codes[signal.name], words, partial(self._writer(signal.name), signal=signal)))
        if facts:
            words = ", ".join(signal.name for signal in facts)
            found.append((codes[facts[0].name], words, partial(self._let_go, facts=facts)))
        if self.touching:
            found.append((self.touching.first, "contacts", partial(self.touching.says)))
        for k, (kind, name) in enumerate(parts.settings, len(codes)):
            found.append((k, f"{kind} by the host", partial(self._setting, kind=kind, name=name)))
        events = []
        for code, words, write in found:
            block = parts.block()
            with parts.names.for_now():
                write(block)
            weight = RARE if words.startswith("host.") or words.endswith("by the host") else FREQUENT
            events.append(Event(code, words, block.statements, weight))
        return events

    def moment(self) -> list[Statement]:
        """Write what the contacts of one moment do when it ends."""
        return self.touching.moment() if self.touching else []

    def _writer(self, name: str) -> Callable[..., None]:
        """What writes the code for a held signal."""
        if name in (*FORCE, *TURN):
            return self._read
        return self._told if name in ATTITUDE else self._held

    # ---- what follows from an event

    def follow(self, block: Block, change: Change) -> None:
        """Write everything that follows from a change."""
        # switching first, then routes: a route must see the gates as they are after the event
        change = self.switching.write(block, change)
        for count, route in enumerate(self.parts.plan.routes, 1):
            source = route.source.signal.name
            if isinstance(self.switching.derived.get(source), Presses):
                if source in change.touched:
                    block.note(f"route {count}")
                    self.conditioning.step(block, route)
            elif self.switching.follows(route, change):
                block.note(f"route {count}")
                self.conditioning.deflect(block, route)
            elif route.pins == "pointer" and route.effect == "rate" and route.pointer in change.touched:
                self.conditioning.point(block, route)
        self.passing.go(block)
        self.parts.forget_furthest(block)
        self.keep_due(block)

    def keep_due(self, block: Block, *, anew: bool = False) -> None:
        """Write when the next timer runs out, if one may have been set, or `anew` in any case."""
        timers = self.switching.timers
        if anew or block.changes(*timers):
            block.set(DUE, timers[0])
            for timer in timers[1:]:
                block.set(DUE, where(timer < DUE, timer, DUE))

    def timers(self) -> list[Statement]:
        """Write what happens when a timer runs out."""
        block, switching = self.parts.block(), self.switching
        block.set(AGE, 0.0)
        late = [gate for gate in switching.gate_states.values() if gate.timer is not None]
        if late:
            # gates of one moment open together: none of them sees another as it was before
            with block.when(some(gate.timer <= ANCHOR for gate in late if gate.timer is not None)):
                for gate in late:
                    gate.wait_out(block, alone=len(late) == 1)
                self.follow(block, Change({f"timer {gate.gate.name}" for gate in late}))
        # cues after gates: a long press that asks for a gate of the same moment finds it open
        for cue in switching.cue_states:
            if cue.timer is not None:
                with block.when(cue.timer <= ANCHOR):
                    block.set(cue.timer, NEVER)
                    switching.give(block, cue)
                    self.follow(block, Change(set()))
        for name, timer in switching.signal_timers.items():
            with block.when(timer <= ANCHOR):
                block.set(timer, NEVER)
                self._run_out(block, name)
        if self.touching:
            self.touching.wait_out(block)
        self.keep_due(block, anew=True)
        return block.statements

    def _run_out(self, block: Block, name: str) -> None:
        """A press or release has lasted long enough to count; a rate has been silent too long."""
        raw = self.parts.raw[name]
        if name not in self.switching.wants:
            for part in raw:
                block.set(part, 0.0)
            self.follow(block, Change({name}))
            return
        block.set(raw[0], self.switching.wants[name])
        self._changed(block, name, raw[0])

    # ---- displacements

    def _impulse(self, block: Block, signal: Signal) -> None:
        """Write what one displacement does, `age` after the last commit."""
        caught = self.switching.caught.get(signal.name)
        if caught is None:
            self.displace(block, signal)
            return
        # the pointer was just caught: the window library moves it to the middle, and no hand did that
        with block.when(caught == 0.0):
            self.displace(block, signal)
        with block.otherwise():
            block.set(caught, 0.0)

    def displace(self, block: Block, signal: Signal) -> None:
        """Write what a displacement by `x` and `y` does."""
        if self.switching.device is not None:
            self._stir(block, signal)
        for cue in self.switching.cue_states:
            if cue.cue.travel and cue.cue.travel.signal.signal == signal:
                cue.goes(block, X, Y)
        over, shares = self._travelled(block, signal)
        for gate in self.switching.gate_states.values():
            if gate.gate.travel and gate.gate.travel.signal.signal == signal:
                with block.when(gate.travels), block.when(gate.travel(block, X, Y, over)):
                    self.follow(block, Change({f"travel {gate.gate.name}"}))
        for count, route in enumerate(self.parts.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self.conditioning.step(block, route, shares.get(route.name))

    def _travelled(self, block: Block, signal: Signal) -> tuple[Name | None, dict[str, Value]]:
        """Names for the share of a displacement beyond each travel; returns each route's share.

        A route that listens once the hand has gone far enough only gets what goes further.
        """
        waits: set[str] = set()
        for gate in in_order(self.parts.plan.gates):
            travels = gate.travel and gate.travel.signal.signal == signal
            if travels or (gate.when and gate.when.gates & waits):
                waits.add(gate.name)
        late = [
            route
            for route in self.parts.plan.routes
            if route.source.signal == signal and route.gate and route.gate.gates & waits
        ]
        if not late:
            return None, {}
        heard: dict[When, Name] = {}
        over = block.keep("over", 1.0)
        for route in late:
            assert route.gate
            if route.gate not in heard:
                heard[route.gate] = block.keep("heard", self.switching.listens[route.gate])
        return over, {one.name: where(heard[one.gate] == 0.0, over, 1.0) for one in late if one.gate}

    def _family(self, signal: Signal) -> float:
        """The number of the family that a signal's device belongs to."""
        return float(self.parts.plan.families.index(DEVICES[signal.device]))

    def _stir(self, block: Block, signal: Signal) -> None:
        """A mouse that moves far enough soon enough makes its family active."""
        device, way, last = self.switching.device, self.switching.device_way, self.switching.device_t
        assert device is not None
        assert way is not None
        assert last is not None
        family = self._family(signal)
        with block.when(device != family):
            block.set(way, abs(X) + abs(Y) + where(T - last <= STALE, way, 0.0))
            block.set(last, T)
            with block.when(way >= {"count": MOVED, "px": MOVED, "screen": 0.02}.get(signal.unit, 0.5)):
                block.set(device, family)
                block.set(way, 0.0)
                self.follow(block, Change({"device"}))

    # ---- held values

    def _held(self, block: Block, signal: Signal) -> None:
        """Write what one change of a held value does."""
        raw = self.parts.raw[signal.name]
        if signal.kind == "switch":
            self._switch(block, signal, raw[0])
            return
        for pan in self.parts.pans if signal.name == SCREEN else ():
            pan.unpin(block)
        for held, part in zip(raw, (X, Y), strict=False):
            # half of a pair comes with no number for the other, which stays as it is
            block.set(held, where(part.known(), part, held) if signal.pair else part)
        if self.touching and signal.name in (SCREEN, "host.pixels_per_cm"):
            self.touching.resize(block)
        self.held(block, signal)

    def held(self, block: Block, signal: Signal) -> None:
        """Write what follows from a held value that is already stored."""
        self.follow(block, Change(self._said(block, signal)))

    def _said(self, block: Block, signal: Signal) -> set[str]:
        """What else a stored held value means; returns what that touches."""
        switching = self.switching
        if signal.name in self.parts.there:
            block.set(self.parts.there[signal.name], 1.0)
        if signal.kind == "rate":
            block.set(switching.signal_timers[signal.name], ANCHOR + SILENT)
        if switching.device is None or signal.kind not in ("deflection", "rate"):
            return {signal.name}
        family = self._family(signal)
        values = switching.value(Address(signal))
        with block.when(switching.device != family):
            size = abs(values[0]) if len(values) == 1 else block.call(shaping.length, *values)[0]
            least = STIRRED if signal.kind == "deflection" else TURNED
            block.set(switching.device, where(size >= least, family, switching.device))
        return {signal.name, "device"}

    # ---- a device in the hand

    def _read(self, block: Block, signal: Signal) -> None:
        """What one part of a reading does: the last part updates the attitude and the aim."""
        parts, device = self.parts, self.parts.attitude
        assert device is not None
        block.set(parts.raw[signal.name][0], X)
        if signal.name == FORCE[-1]:
            device.weigh(block, tuple(parts.raw[name][0] for name in FORCE))
        if signal.name != TURN[-1]:
            return
        free = device.turn(block, tuple(parts.raw[name][0] for name in TURN), ANCHOR)
        rotation, touched = device.rotation(block), set[str]()
        if AIM in parts.raw:
            for held, part in zip(parts.raw[AIM], device.aim(block, free, rotation), strict=True):
                block.set(held, part)
            touched |= self._said(block, find_signal(AIM).signal)
        if parts.told:
            touched |= self._posed(block, rotation)
        self.follow(block, Change(touched))

    def _told(self, block: Block, signal: Signal) -> None:
        """What one part of the host's attitude does: with the last it is taken, if it is a rotation."""
        if signal.name != ATTITUDE[-1]:
            block.set(self.parts.told[ATTITUDE.index(signal.name)], X)
            return
        rotation = (*self.parts.told, X)
        with block.when(block.call(is_rotation, *rotation)[0] != 0.0):
            self.follow(block, Change(self._posed(block, rotation)))

    def _posed(self, block: Block, rotation: tuple[Value, ...]) -> set[str]:
        """Keep how a device in the hand is turned; returns what that touches."""
        kept, device = tuple(self.parts.raw[name][0] for name in ATTITUDE), self.switching.device
        block.call(attitude.signed_like, *rotation, *kept, into=kept)
        if device is None:
            return {*ATTITUDE}
        self._turned(block, find_signal(ATTITUDE[-1]).signal, device)
        return {*ATTITUDE, "device"}

    def _turned(self, block: Block, signal: Signal, device: Handle) -> None:
        """A device in the hand that turns far enough soon enough makes its family active."""
        family, then, last = self._family(signal), self.switching.turned, self.switching.turned_t
        assert last is not None
        now = [self.parts.raw[name][0] for name in ATTITUDE]
        with block.when(device != family):
            renewed = block.keep("renewed", flag(ANCHOR - last > STALE))
            for held, part in zip(then, now, strict=True):
                block.set(held, where(renewed != 0.0, part, held))
            block.set(last, where(renewed != 0.0, ANCHOR, last))
            alike = total(held * part for held, part in zip(then, now, strict=True))
            block.set(device, where(abs(alike) < TILTED, family, device))

    def _let_go(self, block: Block, facts: list[Signal]) -> None:
        """The window loses the focus, or a device is unplugged: let go of what is held, once.

        A switch stays up until it is pressed again; a stick until the focus, or its device, is back.
        """
        parts = self.parts
        staying = [*parts.inputs.staying, *(one for one in parts.inputs.made.values() if one.held)]
        held = [signal for signal in staying if signal.device in DEVICES]
        for fact in facts:
            # one piece of code serves all of these facts, or what they let go would be written out for each
            is_fact = CODE == whole(parts.codes[fact.name])
            if fact.name == "host.focus":
                self.switching.catch_again(block, every([is_fact, X != 0.0, FOCUS == 0.0]))
                block.set(FOCUS, where(is_fact, flag(X != 0.0), FOCUS))
            with block.when(every([is_fact, X == 0.0])):
                for signal in held:
                    # another window has the focus: it gets the releases of every device
                    if fact.name == "host.focus" or signal.device == fact.device:
                        self._release(block, signal, gone=fact.name != "host.focus")
                for route in parts.routes.values() if fact.name == "motion.connected" else ():
                    for zero in route.zeros if route.route.tilts else ():
                        block.set(zero, 0.0)
                if self.touching and fact.name in ("host.focus", "touch.connected"):
                    self.touching.let_go(block)
                self._leave(block, fact)
        touched = {"host.focus", "device", *(signal.name for signal in held)}
        self.follow(block, Change(touched, quiet=True))

    def _leave(self, block: Block, fact: Signal) -> None:
        """A family whose only device is unplugged is no longer active."""
        family, device = DEVICES.get(fact.device, ""), self.switching.device
        others = [name for name in self.switching.families if name != family]
        if (
            family in self.parts.plan.families
            and others
            and device is not None
            and [*DEVICES.values()].count(family) == 1
        ):
            gone, next_ = (float(self.parts.plan.families.index(name)) for name in (family, others[0]))
            block.set(device, where(device == gone, next_, device))

    def _release(self, block: Block, signal: Signal, *, gone: bool) -> None:
        """Put a held value to rest: a switch, and a stick whose device is gone."""
        name, switching = signal.name, self.switching
        turned = gone and name in ATTITUDE
        lets_go = signal.kind in ("deflection", "rate") and (gone or signal.device == "touch")
        rests = signal.kind == "switch" or turned or lets_go
        for k, raw in enumerate(self.parts.raw[name]):
            if rests:
                block.set(raw, 0.0)
            if k == 0 and name in switching.wants:
                block.set(switching.wants[name], 0.0)
            if k == 0 and name in switching.signal_timers:
                block.set(switching.signal_timers[name], NEVER)
            if k == 0 and gone and name in self.parts.there:
                block.set(self.parts.there[name], 0.0)

    def _switch(self, block: Block, signal: Signal, raw: Handle) -> None:
        """A press or a release. One used by the host's interface, or without the focus, does not count."""
        if signal.device in OWN:
            block.set(raw, flag(X != 0.0))
            self.follow(block, Change({signal.name}))
            return
        held = self.switching.wants.get(signal.name, raw)
        unheard = some([Y < 0.0, FOCUS == 0.0])
        # a press without the focus, or that the interface used, changes nothing; a release always counts, or
        # a switch could stay down for good
        down = block.keep("down", where(X == 0.0, 0.0, where(unheard, held, 1.0)))
        with block.when(down != held):
            if signal.name in self.switching.began_on:
                block.set(self.switching.began_on[signal.name], where(down != 0.0, Y, 0.0))
            self.press(block, signal, down)

    def press(self, block: Block, signal: Signal, down: Name) -> None:
        """Write what a press or release does, if it changes the switch."""
        (raw,), hands = self.parts.raw[signal.name], self.parts.plan.hands
        held = self.switching.wants.get(signal.name)
        if held is not None:
            wait = where(down != 0.0, hands.min_hold, hands.debounce)
            block.set(held, down)
            timer = self.switching.signal_timers[signal.name]
            block.set(timer, where(down != raw, ANCHOR + wait, NEVER))
            self.keep_due(block)
        else:
            block.set(raw, down)
            self._changed(block, signal.name, down)

    def _changed(self, block: Block, name: str, rose: Name) -> None:
        """What follows when a switch has changed."""
        signal = next(signal for signal in self.parts.inputs.held if signal.name == name)
        touched, device = {name}, self.switching.device
        if device is not None:
            block.set(device, where(rose != 0.0, self._family(signal), device))
            touched |= {"device"}
        self.follow(block, Change(touched, name, rose))

    # ---- words from the host

    def _setting(self, block: Block, kind: str, name: str) -> None:
        """Write what one setting from the host does."""
        parts = self.parts
        if kind == "scale":
            scale = parts.routes[name].scale
            assert scale is not None
            block.set(scale, X)
            self.passing.go(block)
            parts.forget_furthest(block)
            return
        keys = parts.keys(name)
        if not keys:
            raise KeyError(name)
        for pan in parts.pans if name in (*PANS, *NEARING) else ():
            with parts.while_on(block, pan.keys[0]):
                pan.unpin(block, loosely=name not in PANS)
        for key in keys:
            with parts.while_on(block, key):
                self._set_axis(block, kind, key)
                if key in parts.pan_of:
                    parts.pan_of[key].bound(block)
        parts.forget_furthest(block)

    def _set_axis(self, block: Block, kind: str, key: str) -> None:
        """Put an axis where the host wants it, or start a turn to there."""
        flow = self.parts.flows[key]
        if kind == "set":
            self.parts.put_axis(block, key, X)
            return
        assert flow.turn
        way = X - flow.value
        if flow.axis.wraps:
            (way,) = block.call(wrapped, way)
        flow.turn.begin(block, way, T, Y)

    # ---- whether a displacement may be entered at the last commit

    def waits(self, block: Block) -> None:
        """Write for which displacements that is not allowed: `wait` is then 0; they commit at their own time.

        That is if entering it early might touch a limit, or if it changes more than an axis.
        """
        for flow in self.parts.guarded:
            flow.know_furthest(block)
        for code, signal in enumerate(self.parts.inputs.impulses):
            routes = [route for route in self.parts.plan.routes if route.source.signal == signal]
            pushes: dict[str, list[Value]] = {}
            for route in routes:
                for axis, component, gain in route.parts:
                    for key in self.parts.keys(axis):
                        pushes.setdefault(key, []).append(self._most(route, component, gain))
            clears = [self.parts.flows[axis].clear(most, MERGE) for axis, most in pushes.items()]
            tests = [*(test for test in clears if test is not None), *self._still(signal)]
            decays = [pool.smoothing.decay for axis in pushes for pool in self.parts.flows[axis].pools]
            if decays:
                # a quick pool grows by too many digits when it is run backward
                tests.append(lift(reduce(partial(worked_out, max), decays)) <= QUICK)
            # what it does hangs on where the zoom or the view is at its own time
            if any(route.with_zoom or self._aims(route) for route in routes):
                tests = [FALSE]
            if tests:
                with block.when(every([CODE == whole(code), opposite(every(tests))])):
                    block.set(WAIT, 0.0)

    def _aims(self, route: Route) -> bool:
        """Whether a displacement depends on where a view over a plane is at that time."""
        near = bool(set(route.drives) & set(NEARING))
        return bool(self.parts.pans) and (near or route.pans)

    def _still(self, signal: Signal) -> list[Value]:
        """Tests that hold while an impulse changes nothing but axes: no gate, no device, no cursor."""
        switching = self.switching
        tests = [switching.caught[signal.name] == 0.0] if signal.name in switching.caught else []
        if switching.device is not None:
            tests.append(switching.device == self._family(signal))
        travels = (
            one
            for one in switching.gate_states.values()
            if one.gate.travel and one.gate.travel.signal.signal == signal
        )
        return [*tests, *(gate.still for gate in travels)]

    def _most(self, route: Route, component: str, gain: float) -> Value:
        """The largest possible effect of a displacement, whatever is open and however fast the hand."""
        most = 1.0 + (worked_out(max, route.speed_gain.extra, 0.0) if route.speed_gain else 0.0)
        for _, factor in route.scales:
            most *= worked_out(max, abs(factor), 1.0)
        scale = self.parts.routes[route.name].scale
        moved = X if component == "x" else Y
        return product_of([moved, gain * most, *([] if scale is None else [scale])])

"""A plain, slow model of gates and cues: every rule in words of its own, nothing woven, nothing shared.

After each event and each moment that something was waiting for, everything is asked anew.
"""

from __future__ import annotations

from math import hypot, inf

from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.gates import Gate
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.signals import DEVICES, Address, find_signal


class GateModel:
    """Feed it events in order of time; ask it which gates are open and how often each cue was given."""

    def __init__(self, plan: Plan) -> None:
        self.plan, self.now = plan, 0.0
        self.value: dict[str, tuple[float, ...]] = {}
        self.began: dict[str, str] = {}
        self.focus, self.device = True, plan.families[0] if plan.families else ""
        self.way, self.way_t = 0.0, 0.0
        self.past: dict[tuple[str, str], bool] = {}
        self.open = {gate.name: False for gate in plan.gates}
        self.down = {gate.name: False for gate in plan.gates}
        self.since: dict[str, float] = {gate.name: inf for gate in plan.gates}
        self.went: dict[str, list[float]] = {gate.name: [0.0, 0.0] for gate in plan.gates}
        self.far = {gate.name: False for gate in plan.gates}
        self.pressed_at = {cue.name: -inf for cue in plan.cues}
        self.counts = {cue.name: False for cue in plan.cues}
        self.was = {cue.name: False for cue in plan.cues}
        self.tapped_at = {cue.name: -inf for cue in plan.cues}
        self.long_at = {cue.name: inf for cue in plan.cues}
        self.given: dict[str, list[float]] = {cue.name: [] for cue in plan.cues}
        self.gates()

    # ---- what is held

    def used(self, signal: str) -> bool:
        return any(address.signal.name == signal for address in self.plan.signals)

    def held(self, owner: str, buttons: Buttons) -> bool:
        return any(self.button(owner, buttons, address) for address in buttons.inputs)

    def button(self, owner: str, buttons: Buttons, address: Address) -> bool:
        name = address.signal.name
        value = self.value.get(name, (0.0, 0.0))
        if address.signal.kind == "switch":
            if not value[0]:
                return False
            if buttons.begun_on:
                return self.began.get(name) == buttons.begun_on
            return not buttons.begun_off or self.began.get(name) != buttons.begun_off
        if address.component:
            value = (value["xy".index(address.component)],)
        size = hypot(*value) if self.focus else 0.0
        before = self.past.get((owner, str(address)), False)
        self.past[owner, str(address)] = size >= buttons.at or (before and size >= buttons.rearm)
        return self.past[owner, str(address)]

    # ---- gates

    def gates(self, *, quiet: bool = False) -> None:
        """Ask every gate, again and again until none changes its mind; then every cue."""
        for _ in range(len(self.plan.gates) + 1):
            for gate in self.plan.gates:
                self.ask(gate, quiet=quiet)
        for cue in self.plan.cues:
            self.cue(cue, quiet=quiet)

    def ask(self, gate: Gate, *, quiet: bool) -> None:
        name = gate.name
        if gate.buttons:
            base = self.held(f"gate {name}", gate.buttons)
        else:
            base = gate.when.holds(self.open) if gate.when else gate.active == self.device
        if not base:
            self.since[name], self.went[name], self.far[name] = inf, [0.0, 0.0], False
        elif self.since[name] == inf:
            self.since[name] = self.now
        down = base and self.now >= self.since[name] + gate.after and (self.far[name] or not gate.travel)
        toggles = gate.choice[0] == "toggle"
        if len(gate.choice) > 1 and self.value.get(f"choice.{name}", (0.0,))[0]:
            toggles = not toggles
        if not toggles:
            self.open[name] = down
        elif down and not self.down[name] and not quiet:
            self.open[name] = not self.open[name]
        self.down[name] = down

    # ---- cues

    def cue(self, cue: Cue, *, quiet: bool) -> None:
        name = cue.name
        down, was = self.held(f"cue {name}", cue.buttons), self.was[name]
        listens = cue.gate is None or cue.gate.holds(self.open)
        pressed = down and not was and listens and not quiet
        released = was and not down and self.counts[name]
        self.was[name] = down
        if pressed:
            self.counts[name] = True
            second = cue.on == "double_tap" and self.now - self.tapped_at[name] <= cue.within
            if cue.on == "press" or second:
                self.give(cue)
            self.tapped_at[name] = -inf
            self.pressed_at[name] = -inf if second else self.now
            self.long_at[name] = self.now + cue.after
        if released:
            short = self.now - self.pressed_at[name] <= cue.within and not quiet
            if cue.on == "release" or (cue.on == "tap" and short):
                self.give(cue)
            if short:
                self.tapped_at[name] = self.now
        if not down:
            self.counts[name] = False
        if not down or not listens:
            self.long_at[name] = inf

    def give(self, cue: Cue) -> None:
        if not self.given[cue.name] or self.now - self.given[cue.name][-1] >= cue.cooldown:
            self.given[cue.name].append(self.now)

    # ---- time and events

    def pass_to(self, t: float) -> None:
        """Let what waits for a time up to `t` happen, in its order."""
        while True:
            lasting = [self.since[g.name] + g.after for g in self.plan.gates if g.after]
            long = [self.long_at[c.name] for c in self.plan.cues if c.on == "long_press"]
            due = [moment for moment in (*lasting, *long) if self.now < moment <= t]
            if not due:
                break
            self.now = min(due)
            self.gates()
            for cue in self.plan.cues:
                if cue.on == "long_press" and self.long_at[cue.name] <= self.now:
                    self.long_at[cue.name] = inf
                    self.give(cue)
        self.now = t

    def event(self, signal: str, value: tuple[float, float] | float, t: float) -> None:
        self.pass_to(t)
        name, _, began = signal.partition("@")
        address = find_signal(name)
        stem, whole = address.signal.name, isinstance(value, tuple)
        numbers: tuple[float, ...] = value if isinstance(value, tuple) else (value,)
        if not self.used(stem):
            return
        if stem == "host.focus":
            self.focus = bool(numbers[0])
            if not self.focus:
                self.let_go(tuple(DEVICES), sticks=False)
            self.gates(quiet=True)
        elif stem.endswith(".connected"):
            if not numbers[0]:
                self.let_go((address.signal.device,), sticks=True)
                if self.device == "pad" == address.signal.device and "desk" in self.plan.families:
                    self.device = "desk"
            self.gates(quiet=True)
        elif not address.signal.held:
            self.move(address, numbers)
        elif address.signal.kind == "switch":
            self.switch(stem, bool(numbers[0]), began)
        else:
            if not whole and address.signal.pair:
                other = list(self.value.get(stem, (0.0, 0.0)))
                other["xy".index(address.component)] = numbers[0]
                numbers = tuple(other)
            self.value[stem] = numbers
            if address.signal.kind == "deflection":
                if self.focus and hypot(*numbers) >= 0.3:
                    self.device = DEVICES[address.signal.device]
                self.gates()

    def switch(self, name: str, down: bool, began: str) -> None:
        device = name.partition(".")[0]
        if device in DEVICES:
            if down and (began == "interface" or not self.focus):
                return
            if down == bool(self.value.get(name, (0.0,))[0]):
                return
            if down:
                self.began[name], self.device = began, DEVICES[device]
        self.value[name] = (float(down),)
        self.gates()

    def let_go(self, devices: tuple[str, ...], *, sticks: bool) -> None:
        for name in self.value:
            signal = find_signal(name).signal
            if signal.device in devices and (
                signal.kind == "switch" or (sticks and signal.kind == "deflection")
            ):
                self.value[name] = (0.0, 0.0)

    def move(self, address: Address, numbers: tuple[float, ...]) -> None:
        """A mouse that goes far enough makes itself the active device, and opens gates that wait for it."""
        if not self.focus:
            return
        x, y = (
            numbers
            if len(numbers) == 2
            else (numbers[0], 0.0)
            if address.component == "x"
            else (0.0, numbers[0])
        )
        changed = False
        if self.device != DEVICES[address.signal.device]:
            self.way = abs(x) + abs(y) + (self.way if self.now - self.way_t <= 0.25 else 0.0)
            self.way_t = self.now
            if self.way >= (0.5 if address.signal.unit == "notch" else 16.0):
                self.device, self.way, changed = DEVICES[address.signal.device], 0.0, True
        if changed:
            self.gates()
        for gate in self.plan.gates:
            if (
                gate.travel
                and gate.travel.signal.signal == address.signal
                and self.since[gate.name] < inf
                and not self.far[gate.name]
            ):
                self.went[gate.name][0] += x
                self.went[gate.name][1] += y
                self.far[gate.name] = hypot(*self.went[gate.name]) >= gate.travel.least
                if self.far[gate.name]:
                    self.gates()

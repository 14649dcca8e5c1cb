"""What events do: a displacement at its age, a held value at its time, a word from the host."""

from __future__ import annotations

from math import pi
from typing import TYPE_CHECKING

from .formulas import shaping
from .formulas import smoothing as eased
from .formulas.limits import clamp
from .formulas.speed import hand_speed
from .formulas.turning import wrapped
from .gates import held, is_open
from .smoothings import LN2, OneEuro, SlowFast
from .weave import Block, number

if TYPE_CHECKING:
    from .routes import Route
    from .signals import Signal
    from .weaver import Weaver

PAUSE = 0.05
"""Seconds that a pause between reports of a hand counts at the most, for its speed."""


class Events:
    """Writes what each code of a program does."""

    def __init__(self, weaver: Weaver) -> None:
        self.weaver = weaver

    def lines(self) -> list[str]:
        """One branch a code; the frame, which comes most often without events, first."""
        blocks = [(s.name, self._impulse(s)) for s in self.weaver.impulses] + [
            (s.name, self._hold(s)) for s in self.weaver.held
        ]
        blocks += [(f"{kind} by the host", self._setting(kind, name)) for kind, name in self.weaver.settings]
        lines = [f"if code == {len(blocks)}:", "    pass"]
        for code, (words, block) in enumerate(blocks):
            lines += [f"elif code == {code}:  # {words}", *(f"    {line}" for line in block.lines)]
            lines += [] if block.lines else ["    pass"]
        return lines

    def _impulse(self, signal: Signal) -> Block:
        """What one displacement does, `age` after the last commit."""
        block = self.weaver.block()
        for count, route in enumerate(self.weaver.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self._step(block, route)
        return block

    def _step(self, block: Block, route: Route) -> None:
        """Condition a displacement and give it to its axes."""
        stem = f"route{self.weaver.numbers[route.name]}"
        factors, size = list(self.weaver.factors(route)), ""
        if f"{stem}_speed_t" in self.weaver.state:
            size = self._hand_speed(block, route, stem)
        if route.speed_gain:
            faster = route.speed_gain
            (past,) = block.call(shaping.zone, size, inner=faster.slow, outer=faster.fast)
            factors.append(f"(1.0 + {number(faster.extra)} * {past})")
        if route.gate is None:
            self._push(block, route, factors, size)
            return
        inner = self.weaver.block()
        self._push(inner, route, factors[1:], size)
        block.when(is_open(self.weaver.gates[route.gate.gate], route.gate), inner)

    def _push(self, block: Block, route: Route, factors: list[str], size: str) -> None:
        """Give a displacement to the axes of a route, or to the pools that smooth it."""
        for axis, component, gain in route.parts:
            flow = self.weaver.flows[axis]
            push = self.weaver.names.fresh(f"{self.weaver.variables[axis]}_push")
            block.set(push, " * ".join((component, number(gain), *factors)))
            smoothing = route.smoothing or flow.axis.smoothing
            if isinstance(smoothing, SlowFast):
                (share,) = block.call(shaping.zone, size, inner=smoothing.slow, outer=smoothing.fast)
                slow = self.weaver.names.fresh(f"{push}_slow")
                block.set(slow, f"{push} * (1.0 - {share})")
                block.set(push, f"{push} * {share}")
                flow.push(block, slow, self.weaver.pool(axis, smoothing))
                flow.push(block, push, None)
            else:
                flow.push(block, push, self.weaver.pool(axis, smoothing))

    def _hand_speed(self, block: Block, route: Route, stem: str) -> str:
        """Bring the hand's speed up to date; the name of its size, in signal units a second."""
        half_life = route.speed_gain.half_life if route.speed_gain else 0.015
        x, y = ("x", "y") if route.source.width == 2 else (route.source.components[0], "0.0")
        speeds = (f"{stem}_speed_x", f"{stem}_speed_y", f"{stem}_speed_share")
        time = f"{stem}_speed_t"
        block.call(hand_speed, x, y, f"t - {time}", *speeds, into=speeds, k=LN2 / half_life, pause=PAUSE)
        block.set(time, "t")
        return block.call(shaping.length, speeds[0], speeds[1])[0]

    def _hold(self, signal: Signal) -> Block:
        """What one change of a held value does."""
        block, raw = self.weaver.block(), self.weaver.raw[signal.name]
        if signal.kind == "switch":
            block.set(raw[0], "1.0 if x != 0.0 else 0.0")
        else:  # half of a pair comes with no number for the other, which stays as it is
            for name, part in zip(raw, "xy", strict=False):
                block.set(name, f"{part} if {part} == {part} else {name}" if signal.pair else part)
        for gate in self.weaver.plan.gates:
            if any(address.signal == signal for address in gate.hold):
                block.set(self.weaver.gates[gate.name], held([self.weaver.raw[str(a)][0] for a in gate.hold]))
        for count, route in enumerate(self.weaver.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self._deflect(block, route, raw)
        return block

    def _deflect(self, block: Block, route: Route, raw: tuple[str, ...]) -> None:
        """Condition a held value and keep what it asks of its axes."""
        stem = f"route{self.weaver.numbers[route.name]}"
        if route.source.signal.kind == "switch":
            shaped: tuple[str, ...] = (raw[0],)
        elif route.source.width == 2:
            shaped = route.shape.weave_pair(block, *raw)
        else:
            place = "xy".index(route.source.components[0])
            shaped = (route.shape.weave_single(block, raw[place], route.shape.rest[place]),)
        size = ""
        if route.turn_boost or isinstance(route.smoothing, SlowFast):
            size = f"abs({shaped[0]})" if len(shaped) == 1 else block.call(shaping.length, *shaped)[0]
        if route.turn_boost:
            past = f"{stem}_past"
            block.set(past, f"1.0 if {size} >= {number(route.turn_boost.past)} else 0.0")
        smoothing, share = route.smoothing, ""
        if isinstance(smoothing, SlowFast):
            (share,) = block.call(shaping.zone, size, inner=smoothing.slow, outer=smoothing.fast)
        for (axis, part, gain), value in zip(route.parts, shaped, strict=True):
            wanted = f"{stem}_{self.weaver.variables[axis]}"
            if isinstance(smoothing, OneEuro):
                change = f"{value} - {wanted} / {number(gain)}"
                self._follow_slope(
                    block, smoothing, f"{stem}_slope_{part}", f"{wanted}_decay", change, f"{stem}_t"
                )
            amount = f"{value} * {number(gain)}"
            if share:
                block.set(f"{wanted}_slow", f"{amount} * (1.0 - {share})")
                amount = f"{amount} * {share}"
            block.set(wanted, amount)
            if route.turn_boost:
                block.set(f"{wanted}_boost", f"{wanted}_boost * {stem}_past")
        if isinstance(smoothing, OneEuro):
            block.set(f"{stem}_t", "t")

    @staticmethod
    def _follow_slope(
        block: Block, smoothing: OneEuro, slope: str, decay: str, change: str, last: str
    ) -> None:
        """Bring a 1 euro filter's cutoff up to date with how fast its value changes."""
        k = 2.0 * pi * smoothing.slope_cutoff
        block.call(eased.event_slope, change, f"t - {last}", slope, into=(slope,), k=k)
        speed, least = f"abs({slope})", smoothing.cutoff
        block.call(eased.cutoff_rate, speed, into=(decay,), least=least, slope=smoothing.slope)

    def _setting(self, kind: str, name: str) -> Block:
        """What one word from the host does."""
        block = self.weaver.block()
        if kind == "scale":
            block.set(self.weaver.scales[name], "x")
            return block
        flow, variable = self.weaver.flows[name], self.weaver.variables[name]
        if kind == "turn":
            way = f"x - {variable}"
            if flow.axis.wraps:
                (way,) = block.call(wrapped, way)
            block.set(f"{flow.turn}_amount", way)
            block.set(f"{flow.turn}_start", "t")
            block.set(f"{flow.turn}_over", "y")
            return block
        block.set(variable, "x")
        if flow.turn:
            block.set(f"{flow.turn}_amount", "0.0")
        if flow.axis.limited:
            block.call(clamp, variable, into=(variable,), **flow.axis.limits)
        for pool in flow.pools:
            for owed in (pool.held, pool.speed) if pool.speed else (pool.held,):
                block.set(owed, "0.0")
        for one in flow.filtered:
            block.set(one.rate, "0.0")
        return block

    def waits(self) -> list[str]:
        """Lines that let an impulse commit at its own time where entering it early might touch a limit."""
        lines = []
        for code, signal in enumerate(self.weaver.impulses):
            routes = [route for route in self.weaver.plan.routes if route.source.signal == signal]
            pushes: dict[str, list[str]] = {}
            for route in routes:
                for axis, component, gain in route.parts:
                    pushes.setdefault(axis, []).append(self._most(route, component, gain))
            tests = [self.weaver.flows[axis].clear(most, 1 / 128) for axis, most in pushes.items()]
            words = " and ".join(test for test in tests if test)
            if any(route.with_zoom for route in routes):
                words = "False"
            if words:
                lines += [f"if code == {code} and not ({words}):", "    wait = 0.0"]
        return lines

    def _most(self, route: Route, component: str, gain: float) -> str:
        """The most that a displacement can come to, whatever is open and however fast the hand."""
        most = 1.0 + max(route.speed_gain.extra if route.speed_gain else 0.0, 0.0)
        for _, factor in route.scales:
            most *= max(abs(factor), 1.0)
        scale = f" * {self.weaver.scales[route.name]}" if route.name in self.weaver.scales else ""
        return f"{component} * {number(gain * most)}{scale}"

"""The weaver: what each part of a plan adds to its program."""

from __future__ import annotations

from typing import TYPE_CHECKING

from .flows import AxisFlow, Filtered, Pool, Wish
from .formulas import shaping
from .formulas import smoothing as eased
from .formulas.limits import clamp
from .formulas.speed import hand_speed
from .formulas.turning import wrapped
from .gates import held, listening
from .smoothings import LN2, Exponential, OneEuro, SlowFast, Spring
from .weave import Block, Names, number

if TYPE_CHECKING:
    from .plan import Plan
    from .routes import Route
    from .signals import Signal

PAUSE = 0.05
"""Seconds that a pause between reports of a hand counts at the most, for its speed."""

WORDS = [
    "live",
    "saved",
    "reading",
    "out",
    "items",
    "t",
    "code",
    "x",
    "y",
    "age",
    "wait",
    "pace",
    "stop",
    "dt",
    "anchor",
    "kept_anchor",
    "pose",
]
_KNOWN = ("yaw", "pitch", "roll", "distance", "zoom", "pan_x", "pan_y", "move_x", "move_y")

Setting = tuple[str, str]
"""Something that a host may set: ``scale`` of a route, ``set`` or ``turn`` of an axis; and its name."""


class Weaver:
    """Collects state, flow, events and reading of a plan; names of the profile become numbered words."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        self.plan, self.settings = plan, settings
        self.state: dict[str, float] = {"anchor": 0.0}
        self.variables = {
            axis.name: axis.name if axis.name in _KNOWN else f"axis{k}" for k, axis in enumerate(plan.axes, 1)
        }
        for axis in plan.axes:
            self.state[self.variables[axis.name]] = axis.inner(axis.start)
        used = {address.signal.name: address.signal for address in plan.signals}
        self.impulses = [s for s in used.values() if not s.held]
        self.held = [s for s in used.values() if s.held]
        self.raw = {signal.name: self._raw(signal) for signal in self.held}
        self.gates = {gate.name: f"gate{k}" for k, gate in enumerate(plan.gates, 1)}
        self.state |= dict.fromkeys(
            [*(one for raw in self.raw.values() for one in raw), *self.gates.values()], 0.0
        )
        self.numbers = {route.name: k for k, route in enumerate(plan.routes, 1)}
        self.scales = {name: f"scale{self.numbers[name]}" for kind, name in settings if kind == "scale"}
        self.state |= dict.fromkeys(self.scales.values(), 1.0)
        self.names = Names(WORDS)
        self.flows = {a.name: AxisFlow(a, self.variables[a.name], self.names) for a in plan.axes}
        self.leans: dict[str, list[str]] = {axis.name: [] for axis in plan.axes}
        self.easings: list[tuple[Route, str, str, str]] = []
        for route in plan.routes:
            self._prepare(route)
        self.names.take([*self.state, *(f"kept_{name}" for name in self.state)])

    @property
    def codes(self) -> dict[str, int]:
        """The code of each signal: impulses first, then what is held."""
        return {signal.name: k for k, signal in enumerate([*self.impulses, *self.held])}

    def block(self) -> Block:
        """A new block of this program."""
        return Block(self.names)

    # ---- state

    @staticmethod
    def _raw(signal: Signal) -> tuple[str, ...]:
        """The state values that hold what a signal last said."""
        stem = signal.name.replace(".", "_")
        return (f"{stem}_x", f"{stem}_y") if signal.pair else (stem,)

    def _new(self, name: str, start: float = 0.0) -> str:
        self.state[name] = start
        return name

    def _prepare(self, route: Route) -> None:
        """Give a route its state, and its place in the flow of the axes that it drives."""
        stem = f"route{self.numbers[route.name]}"
        if route.speed_gain or (isinstance(route.smoothing, SlowFast) and route.effect == "step"):
            for part in ("speed_x", "speed_y", "speed_share", "speed_t"):
                self._new(f"{stem}_{part}", -1.0 if part == "speed_t" else 0.0)
        if route.turn_boost:
            self._new(f"{stem}_boost")
            self._new(f"{stem}_past")
        if isinstance(route.smoothing, OneEuro):
            for _, part, _ in route.parts:
                self._new(f"{stem}_slope_{part}")
            self._new(f"{stem}_t", -1.0)
        for axis, _, _ in route.parts:
            self._prepare_part(route, stem, axis)

    def _prepare_part(self, route: Route, stem: str, axis: str) -> None:
        flow, variable = self.flows[axis], self.variables[axis]
        smoothing = route.smoothing or flow.axis.smoothing
        if route.effect == "step":
            pool = self._pool(axis, smoothing)
            flow.steps |= pool is None or isinstance(smoothing, SlowFast)
            return
        wanted = self._new(f"{stem}_{variable}")
        factors = self.factors(route)
        if route.effect == "offset":
            target = " * ".join((wanted, *factors))
            self.leans[axis].append(self._eased_lean(route, stem, variable, target))
            return
        wish = Wish(" * ".join((wanted, *factors)), boost=route.turn_boost)
        if route.turn_boost:
            wish.level, wish.past = f"{stem}_{variable}_boost", f"{stem}_past"
            self._new(wish.level)
        if isinstance(smoothing, OneEuro):
            rate = self._new(f"{stem}_{variable}_rate")
            start = 2.0 * 3.141592653589793 * smoothing.cutoff
            flow.filtered.append(Filtered(wish, rate, self._new(f"{stem}_{variable}_decay", start)))
        elif isinstance(smoothing, SlowFast):
            flow.direct.append(wish)
            slow = self._new(f"{stem}_{variable}_slow")
            pooled = self._pool(axis, smoothing)
            assert pooled is not None
            pooled.wishes.append(Wish(" * ".join((slow, *factors))))
        elif smoothing:
            pooled = self._pool(axis, smoothing, own=stem if route.turn_boost else "")
            assert pooled is not None
            pooled.wishes.append(wish)
        else:
            flow.direct.append(wish)

    def _pool(self, axis: str, smoothing: object, own: str = "") -> Pool | None:
        """The pool of an axis for a smoothing: one for all routes that share it, or a route's own."""
        if isinstance(smoothing, SlowFast):
            smoothing = Exponential(smoothing.half_life)
        if not isinstance(smoothing, Exponential | Spring):
            return None
        flow, variable = self.flows[axis], self.variables[axis]
        for pool in flow.pools:
            if not own and pool.smoothing == smoothing and not any(wish.boost for wish in pool.wishes):
                return pool
        stem = f"{variable}_pool{len(flow.pools) + 1}"
        speed = self._new(f"{stem}_speed") if isinstance(smoothing, Spring) else ""
        flow.pools.append(Pool(smoothing, self._new(stem), speed))
        return flow.pools[-1]

    def _eased_lean(self, route: Route, stem: str, variable: str, target: str) -> str:
        """The expression of how far an offset leans an axis."""
        if not route.smoothing:
            return target
        lean = self._new(f"{stem}_{variable}_lean")
        speed = self._new(f"{stem}_{variable}_lean_speed") if isinstance(route.smoothing, Spring) else ""
        self.easings.append((route, lean, speed, target))
        return lean

    def factors(self, route: Route) -> tuple[str, ...]:
        """What a route's effect is multiplied by: its gate, its scales, the host's scale, the zoom."""
        found = [listening(self.gates[route.gate.gate], route.gate)] if route.gate else []
        for condition, factor in route.scales:
            factor_words = (
                f"(1.0 + {number(factor - 1.0)} * {listening(self.gates[condition.gate], condition)})"
            )
            found.append(factor_words)
        if route.name in self.scales:
            found.append(self.scales[route.name])
        if route.with_zoom:
            found.append("exp(-zoom)")
        return tuple(found)

    # ---- between events

    def flow(self) -> Block:
        """What `dt` does to everything that moves by itself."""
        block = self.block()
        for flow in self.flows.values():
            flow.weave(block)
        for route, lean, speed, target in self.easings:
            if isinstance(route.smoothing, Spring):
                w = number(route.smoothing.w)
                gone = self.names.fresh("gone")
                apart = f"{target} - {lean}"
                left = self.names.fresh("left")
                block.call(eased.spring_through, apart, speed, "0.0", "dt", w, into=(gone, left, speed))
                block.set(lean, f"{lean} + {gone}")
            elif isinstance(route.smoothing, Exponential):
                (share,) = block.call(eased.decay, "dt", number(route.smoothing.k))
                block.set(lean, f"{target} + ({lean} - ({target})) * {share}")
        return block

    # ---- events

    def events(self) -> list[str]:
        """One branch a code; the frame, which comes most often without events, first."""
        blocks = [(s.name, self._impulse(s)) for s in self.impulses] + [
            (s.name, self._hold(s)) for s in self.held
        ]
        blocks += [(f"{kind} by the host", self._setting(kind, name)) for kind, name in self.settings]
        lines = [f"if code == {len(blocks)}:", "    pass"]
        for code, (words, block) in enumerate(blocks):
            lines += [f"elif code == {code}:  # {words}", *(f"    {line}" for line in block.lines)]
            lines += [] if block.lines else ["    pass"]
        return lines

    def _impulse(self, signal: Signal) -> Block:
        """What one displacement does, `age` after the last commit."""
        block = self.block()
        for count, route in enumerate(self.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self._step(block, route)
        return block

    def _step(self, block: Block, route: Route) -> None:
        """Condition a displacement and give it to its axes."""
        stem = f"route{self.numbers[route.name]}"
        factors, size = list(self.factors(route)), ""
        if f"{stem}_speed_t" in self.state:
            size = self._hand_speed(block, route, stem)
        if route.speed_gain:
            faster = route.speed_gain
            (past,) = block.call(shaping.zone, size, inner=faster.slow, outer=faster.fast)
            factors.append(f"(1.0 + {number(faster.extra)} * {past})")
        for axis, component, gain in route.parts:
            flow = self.flows[axis]
            push = self.names.fresh(f"{self.variables[axis]}_push")
            block.set(push, " * ".join((component, number(gain), *factors)))
            smoothing = route.smoothing or flow.axis.smoothing
            if isinstance(smoothing, SlowFast):
                (share,) = block.call(shaping.zone, size, inner=smoothing.slow, outer=smoothing.fast)
                slow = self.names.fresh(f"{push}_slow")
                block.set(slow, f"{push} * (1.0 - {share})")
                block.set(push, f"{push} * {share}")
                flow.push(block, slow, self._pool(axis, smoothing))
                flow.push(block, push, None)
            else:
                flow.push(block, push, self._pool(axis, smoothing))

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
        block, raw = self.block(), self.raw[signal.name]
        if signal.kind == "switch":
            block.set(raw[0], "1.0 if x != 0.0 else 0.0")
        else:  # half of a pair comes with no number for the other, which stays as it is
            for name, part in zip(raw, "xy", strict=False):
                block.set(name, f"{part} if {part} == {part} else {name}" if signal.pair else part)
        for gate in self.plan.gates:
            if any(address.signal == signal for address in gate.hold):
                block.set(self.gates[gate.name], held([self.raw[str(a)][0] for a in gate.hold]))
        for count, route in enumerate(self.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self._deflect(block, route, raw)
        return block

    def _deflect(self, block: Block, route: Route, raw: tuple[str, ...]) -> None:
        """Condition a held value and keep what it asks of its axes."""
        stem = f"route{self.numbers[route.name]}"
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
            wanted = f"{stem}_{self.variables[axis]}"
            if isinstance(smoothing, OneEuro):
                self._follow_slope(block, stem, axis, part, f"{value} - {wanted} / {number(gain)}")
            amount = f"{value} * {number(gain)}"
            if share:
                block.set(f"{wanted}_slow", f"{amount} * (1.0 - {share})")
                amount = f"{amount} * {share}"
            block.set(wanted, amount)
            if route.turn_boost:
                block.set(f"{wanted}_boost", f"{wanted}_boost * {stem}_past")
        if isinstance(smoothing, OneEuro):
            block.set(f"{stem}_t", "t")

    def _follow_slope(self, block: Block, stem: str, axis: str, part: str, change: str) -> None:
        """Bring a 1 euro filter's cutoff up to date with how fast its value changes."""
        (route,) = (r for r in self.plan.routes if f"route{self.numbers[r.name]}" == stem)
        smoothing = route.smoothing
        assert isinstance(smoothing, OneEuro)
        slope, decay = f"{stem}_slope_{part}", f"{stem}_{self.variables[axis]}_decay"
        k = 2.0 * 3.141592653589793 * smoothing.slope_cutoff
        block.call(eased.event_slope, change, f"t - {stem}_t", slope, into=(slope,), k=k)
        block.call(
            eased.cutoff_rate, f"abs({slope})", into=(decay,), least=smoothing.cutoff, slope=smoothing.slope
        )

    def _setting(self, kind: str, name: str) -> Block:
        """What one word from the host does."""
        block = self.block()
        if kind == "scale":
            block.set(self.scales[name], "x")
            return block
        flow, variable = self.flows[name], self.variables[name]
        block.set(variable, "x")
        if flow.axis.limited:
            block.call(clamp, variable, into=(variable,), **flow.axis.limits)
        for pool in flow.pools:
            for owed in (pool.held, pool.speed) if pool.speed else (pool.held,):
                block.set(owed, "0.0")
        for one in flow.filtered:
            block.set(one.rate, "0.0")
        return block

    def pace(self, *, longest: float, near: float) -> list[str]:
        """Lines that shorten the steps while parts of an axis's motion may overtake each other at a limit."""
        tests = [flow.clear([], longest) for flow in self.flows.values() if flow.axis.limited and flow.mixed]
        words = " and ".join(test for test in tests if test)
        if not words:
            return []
        return [f"pace = {number(longest)}", f"if not ({words}):", f"    pace = {number(near)}"]

    def waits(self) -> list[str]:
        """Lines that let an impulse commit at its own time where entering it early might touch a limit."""
        lines = []
        for code, signal in enumerate(self.impulses):
            routes = [route for route in self.plan.routes if route.source.signal == signal]
            pushes: dict[str, list[str]] = {}
            for route in routes:
                for axis, component, gain in route.parts:
                    pushes.setdefault(axis, []).append(self._most(route, component, gain))
            tests = [self.flows[axis].clear(most, 1 / 128) for axis, most in pushes.items()]
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
        scale = f" * {self.scales[route.name]}" if route.name in self.scales else ""
        return f"{component} * {number(gain * most)}{scale}"

    # ---- reading

    def read(self) -> tuple[Block, list[str]]:
        """What a frame reads: each axis, the whole turn of the yaw, each gate."""
        block = self.block()
        axes = [self._read(block, name) for name in self.flows]
        whole = self.names.fresh("yaw_total")
        block.set(whole, self._leaning("yaw"))
        return block, [*axes, whole, *self.gates.values()]

    def _leaning(self, name: str) -> str:
        """An axis with its offsets."""
        return " + ".join((self.variables[name], *self.leans[name]))

    def _read(self, block: Block, name: str) -> str:
        axis = self.flows[name].axis
        value = self._leaning(name)
        if axis.limited and self.leans[name]:
            (value,) = block.call(clamp, value, **axis.limits)
        if axis.wraps:
            (value,) = block.call(wrapped, value)
        return f"exp({value})" if axis.log else value

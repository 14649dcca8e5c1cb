"""The weaver: what each part of a plan adds to its program."""

from __future__ import annotations

from math import pi
from typing import TYPE_CHECKING

from .axes import KNOWN
from .flows import ZOOM_MEAN, ZOOM_NOW, AxisFlow, Filtered, Pool, Wish
from .formulas import smoothing as eased
from .formulas.limits import clamp
from .formulas.turning import wrapped
from .gates import listening
from .smoothings import Exponential, OneEuro, SlowFast, Spring
from .weave import Block, Names, number

if TYPE_CHECKING:
    from .plan import Plan
    from .routes import Route
    from .signals import Signal

_LOOP = (
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
)
WORDS = (*_LOOP, "anchor", "kept_anchor", "pose", ZOOM_MEAN)
"""What the text around the woven lines calls its own."""

Setting = tuple[str, str]
"""Something that a host may set: ``scale`` of a route, ``set`` or ``turn`` of an axis; and its name."""


class Weaver:
    """Collects state, flow, events and reading of a plan; names of the profile become numbered words."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        self.plan, self.settings = plan, settings
        self.state: dict[str, float] = {"anchor": 0.0}
        self.variables = {
            axis.name: axis.name if axis.name in KNOWN else f"axis{k}" for k, axis in enumerate(plan.axes, 1)
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
        for kind, name in settings:
            if kind == "turn":
                flow = self.flows[name]
                flow.turn = f"{flow.value}_turn"
                for part, value in (("amount", 0.0), ("start", 0.0), ("over", 1.0)):
                    self._new(f"{flow.turn}_{part}", value)
        self.names.take([*self.state, *(f"kept_{name}" for name in self.state)])

    @property
    def zooming(self) -> bool:
        """Whether a rate depends on the zoom while it moves."""
        return any(route.with_zoom and route.effect == "rate" for route in self.plan.routes)

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
            pool = self.pool(axis, smoothing)
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
            start = 2.0 * pi * smoothing.cutoff
            flow.filtered.append(Filtered(wish, rate, self._new(f"{stem}_{variable}_decay", start)))
        elif isinstance(smoothing, SlowFast):
            flow.direct.append(wish)
            slow = self._new(f"{stem}_{variable}_slow")
            pooled = self.pool(axis, smoothing)
            assert pooled is not None
            pooled.wishes.append(Wish(" * ".join((slow, *factors))))
        elif smoothing:
            pooled = self.pool(axis, smoothing, own=stem if route.turn_boost else "")
            assert pooled is not None
            pooled.wishes.append(wish)
        else:
            flow.direct.append(wish)

    def pool(self, axis: str, smoothing: object, own: str = "") -> Pool | None:
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
        """What a route's effect is multiplied by: its gate first, its scales, the host's scale, the zoom."""
        found = [listening(self.gates[route.gate.gate], route.gate)] if route.gate else []
        for condition, factor in route.scales:
            factor_words = (
                f"(1.0 + {number(factor - 1.0)} * {listening(self.gates[condition.gate], condition)})"
            )
            found.append(factor_words)
        if route.name in self.scales:
            found.append(self.scales[route.name])
        if route.with_zoom:
            found.append(ZOOM_NOW)
        return tuple(found)

    # ---- between events

    def flow(self) -> Block:
        """What `dt` does to everything that moves by itself."""
        block = self.block()
        if self.zooming:  # the zoom goes first: what keeps its feel under it takes the mean of both ends
            start = self.names.fresh("zoom_start")
            block.set(start, "zoom")
            self.flows["zoom"].weave(block)
            block.set(ZOOM_MEAN, f"0.5 * (exp(-{start}) + {ZOOM_NOW})")
        for name, flow in self.flows.items():
            if name != "zoom" or not self.zooming:
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

    def pace(self, *, longest: float, near: float) -> list[str]:
        """Lines that shorten the steps where their closed forms do not hold to the last digit.

        That is while parts of an axis's motion may overtake each other at a limit, and while the zoom moves
        under a rate that keeps its feel under it.
        """
        tests = [flow.clear([], longest) for flow in self.flows.values() if flow.axis.limited and flow.mixed]
        if self.zooming:
            tests += self.flows["zoom"].still()
        words = " and ".join(test for test in tests if test)
        if not words:
            return []
        return [f"pace = {number(longest)}", f"if not ({words}):", f"    pace = {number(near)}"]

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

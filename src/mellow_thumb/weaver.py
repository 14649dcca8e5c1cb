"""The weaver: what each part of a plan adds to its program."""

from __future__ import annotations

from math import inf, pi
from typing import TYPE_CHECKING

from .axes import KNOWN
from .derived import Presses
from .flows import AxisFlow
from .formulas import smoothing as eased
from .formulas.limits import clamp
from .formulas.turning import wrapped
from .formulas.walking import bearing, on_disc
from .movement import MOVES
from .pools import LONGEST, WORLD_NOW, WORLD_RATE, WORLD_THEN, ZOOM_MEAN, ZOOM_NOW, Filtered, Pool, Wish
from .signals import OWN
from .smoothings import Exponential, OneEuro, SlowFast, Spring
from .switches import Switches
from .walking import GOING, STATE, Walk
from .weave import Block, Names, number, read_names

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
WORDS = (*_LOOP, "anchor", "kept_anchor", "due", "pose", ZOOM_MEAN, WORLD_THEN)
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
        self.raw: dict[str, tuple[str, ...]] = {}
        for signal in self.held:
            self.raw[signal.name] = self._raw(signal)
            self.state |= dict.fromkeys(self.raw[signal.name], signal.start)
        self.switches = Switches(plan, self.state, self.raw)
        for one in plan.derived:
            stem = self.switches.made_stem(one.name)
            if not isinstance(one, Presses):
                self.state |= dict.fromkeys(
                    [f"{stem}_{part}" for part in ("xy" if one.signal.pair else "x")], 0.0
                )
        self.numbers = {route.name: k for k, route in enumerate(plan.routes, 1)}
        self.scales = {name: f"scale{self.numbers[name]}" for kind, name in settings if kind == "scale"}
        self.state |= dict.fromkeys(self.scales.values(), 1.0)
        self.names = Names(WORDS)
        self.flows = {a.name: AxisFlow(a, self.variables[a.name], self.names) for a in plan.axes}
        self.leans: dict[str, list[str]] = {axis.name: [] for axis in plan.axes}
        self.easings: list[tuple[Route, str, str, str]] = []
        self.backs: dict[tuple[str, str], str] = {}
        """For a route and an axis that is taken back as its gate closes: what its state values begin with."""
        for route in plan.routes:
            self._prepare(route)
        if self.backs:
            self._new(WORLD_NOW)
        if self.switches.timers:
            self._new("due", min(self.state[timer] for timer in self.switches.timers))
        for kind, name in settings:
            if kind == "turn":
                self._prepare_turn(self.flows[name])
        self._prepare_walk()
        for flow in self.guarded:
            flow.reach = self._new(f"{flow.value}_reach")
        self.names.take([*self.state, *(f"kept_{name}" for name in self.state)])
        for flow in self.guarded:
            flow.near = self.names.fresh(f"{flow.value}_near")

    @property
    def guarded(self) -> list[AxisFlow]:
        """The axes for which it matters whether their limits are near."""
        return [flow for flow in self.flows.values() if flow.guarded]

    @property
    def zooming(self) -> bool:
        """Whether a rate depends on the zoom while it moves."""
        return any(route.with_zoom and route.effect == "rate" for route in self.plan.routes)

    @property
    def codes(self) -> dict[str, int]:
        """The code of each signal: impulses first, then what is held, then what lets go of it."""
        held = [signal for signal in self.held if signal not in self.releasing]
        return {signal.name: k for k, signal in enumerate([*self.impulses, *held, *self.releasing])}

    @property
    def releasing(self) -> list[Signal]:
        """The facts that let go of what is held: a lost focus, a device that is unplugged."""
        return [s for s in self.held if s.name == "host.focus" or s.name.endswith(".connected")]

    def block(self) -> Block:
        """A new block of this program."""
        return Block(self.names)

    # ---- state

    def _raw(self, signal: Signal) -> tuple[str, ...]:
        """The state values that hold what a signal last said; a name of the profile's own is a number."""
        stem = signal.name.replace(".", "_")
        if signal.device in OWN:
            stem = f"{signal.device}{1 + sum(name.startswith(f'{signal.device}.') for name in self.raw)}"
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
        if route.shape.rest != (0.0, 0.0) and route.source.signal.name in self.raw:
            self._new(f"{self.raw[route.source.signal.name][0]}_there")
        if self.switches.fresh(route) and not self.switches.keys(route):
            self._new(f"{stem}_ready", 1.0)
        for part in route.source.components if route.zero_on_open else ():
            self._new(f"{stem}_zero_{part if route.source.width == 2 else 'x'}")
        self._prepare_cap(route, stem)
        for axis, _, _ in route.parts:
            self._prepare_part(route, stem, axis)
            if route.gate and route.closing.way == "return":
                self._prepare_back(route, stem, axis)

    def _prepare_turn(self, flow: AxisFlow) -> None:
        """Room for a turn that the host asks for."""
        flow.turn = f"{flow.value}_turn"
        for part, value in (("amount", 0.0), ("start", 0.0), ("over", 1.0)):
            self._new(f"{flow.turn}_{part}", value)

    def _prepare_walk(self) -> None:
        """Room for where movement goes, and for the character that walks."""
        movement = self.plan.movement
        self.moving = [name for name in MOVES if name in self.flows]
        self.walk = Walk(self, movement) if movement else None
        if self.moving or movement:
            self.state |= dict.fromkeys(GOING, 0.0)
        if movement:
            self.state |= dict.fromkeys(STATE, 0.0)
            self.state["yaw_then"] = self.state.get("yaw", 0.0) if movement.relative_to == "camera" else 0.0

    def _prepare_cap(self, route: Route, stem: str) -> None:
        """Room for a hand to turn in, where turning is capped; presses turn as far as they turn."""
        cap = self.plan.hands.turn_cap
        if route.effect == "step" and route.source.signal in self.impulses and cap < inf:
            self._new(f"{stem}_cap_t", -1.0)
            for part in route.source.components:
                self._new(f"{stem}_{part}_room", cap / 20.0)

    def _prepare_back(self, route: Route, stem: str, axis: str) -> None:
        """Room for an axis, or the lean of one, on its way back."""
        back = self.backs[route.name, axis] = f"{stem}_{self.variables[axis]}_back"
        for part in ("amount", "start"):
            self._new(f"{back}_{part}")
        if route.effect == "offset":
            self.leans[axis].append(self._new(f"{back}_left"))
        else:
            self._new(f"{back}_from", self.flows[axis].axis.inner(self.flows[axis].axis.start))
            self.flows[axis].backs.append(back)
            self.flows[axis].overs[back] = route.closing.over

    def _prepare_part(self, route: Route, stem: str, axis: str) -> None:
        flow, variable = self.flows[axis], self.variables[axis]
        smoothing = route.smoothing or flow.axis.smoothing
        if route.effect == "step":
            pool = self.pool_of(route, axis)
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
            pooled = self.pool_of(route, axis)
            assert pooled is not None
            pooled.wishes.append(Wish(" * ".join((slow, *factors))))
        elif smoothing:
            pooled = self.pool_of(route, axis)
            assert pooled is not None
            pooled.wishes.append(wish)
        else:
            flow.direct.append(wish)

    def pool_of(self, route: Route, axis: str) -> Pool | None:
        """The pool that smooths a route on the way to an axis, if one does.

        All routes that share a smoothing share a pool; a boost has its own, and so has what is dropped as a
        gate closes.
        """
        flow, variable = self.flows[axis], self.variables[axis]
        smoothing = route.smoothing or flow.axis.smoothing
        if isinstance(smoothing, SlowFast):
            smoothing = Exponential(smoothing.half_life)
        if not isinstance(smoothing, Exponential | Spring):
            return None
        drops = route.gate and route.smoothing and route.closing.way != "settle" and route.effect != "offset"
        owner = self.switches.listen(route.gate) if drops else ""
        if route.turn_boost:
            owner = f"route{self.numbers[route.name]} {owner}"
        for pool in flow.pools:
            if pool.smoothing == smoothing and pool.owner == owner:
                return pool
        stem = f"{variable}_pool{len(flow.pools) + 1}"
        speed = self._new(f"{stem}_speed") if isinstance(smoothing, Spring) else ""
        flow.pools.append(Pool(smoothing, self._new(stem), speed, owner=owner))
        return flow.pools[-1]

    def route_rates(self, route: Route, axis: str) -> list[str]:
        """The filtered rates that a route has on an axis."""
        rate = f"route{self.numbers[route.name]}_{self.variables[axis]}_rate"
        return [rate] if rate in self.state else []

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
        found = [self.switches.listen(route.gate)] if route.gate else []
        found += [self.switches.scale(condition, factor) for condition, factor in route.scales]
        if route.name in self.scales:
            found.append(self.scales[route.name])
        if route.with_zoom:
            found.append(ZOOM_NOW)
        return tuple(found)

    # ---- between events

    def flow(self) -> Block:
        """What `dt` does to everything that moves by itself."""
        block = self.block()
        bend = self._bend(block)
        if self.backs:
            block.set(WORLD_THEN, WORLD_NOW)
            block.set(WORLD_NOW, f"{WORLD_NOW} + dt * {WORLD_RATE}")
            self._flow_backs(block)
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
        if self.walk:
            slows = f"{bend} - ({self.flows['yaw'].eased_speed()})" if bend else ""
            self.walk.flow(block, f"({slows}) * dt * {number(1 / 12)}" if slows else "0.0")
        self.reach(block)
        return block

    def _bend(self, block: Block) -> str:
        """What holds the speed of a yaw that walking follows, as a step begins; nothing if it is steady."""
        if not self.walk or self.walk.reference() in ("0.0", "heading"):
            return ""
        speed = self.flows["yaw"].eased_speed()
        if speed == "0.0":
            return ""
        name = self.names.fresh("yaw_speed")
        block.set(name, speed)
        return name

    def _flow_backs(self, block: Block) -> None:
        """Offsets on their way back to 0, by the world's time."""
        for route in self.plan.routes:
            for axis in route.drives if route.effect == "offset" else ():
                back = self.backs.get((route.name, axis))
                if back:
                    over = number(route.closing.over)
                    (share,) = block.call(eased.turn_share, WORLD_THEN, WORLD_NOW, f"{back}_start", over)
                    block.set(f"{back}_left", f"{back}_left - {back}_amount * {share}")

    def reach(self, block: Block) -> None:
        """Keep how far each axis might go in a step, where something that says so has changed."""
        for flow in self.guarded:
            most = flow.most(LONGEST)
            if block.assigned & read_names(most):
                block.set(flow.reach, most)

    def pace(self, *, longest: float, near: float) -> list[str]:
        """Lines that shorten the steps where their closed forms do not hold to the last digit.

        That is while parts of an axis's motion may overtake each other at a limit, and while the zoom moves
        under a rate that keeps its feel under it.
        """
        mixed = [flow for flow in self.flows.values() if flow.axis.limited and flow.mixed]
        tests = [f"not {flow.near}" if flow.guarded else flow.clear([], longest) for flow in mixed]
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
        block.set(whole, self.leaning("yaw"))
        extra = [name for name in ("device", "cursor") if name in self.state]
        cues = [name for k, _ in enumerate(self.plan.cues, 1) for name in (f"cue{k}", f"cue{k}_t")]
        moved = self.walk.read(block) if self.walk else []
        return block, [*axes, whole, *self.switches.gates.values(), *extra, *cues, *moved]

    def go(self, block: Block) -> None:
        """Work out where movement goes, inside the unit disc, if something that it depends on has changed."""
        asked = [self.leaning(one) if one in self.flows else "0.0" for one in MOVES]
        if self.walk:
            self.walk.grounded(block)
        if not self.moving or not block.assigned & read_names(*asked):
            return
        block.call(on_disc, *(f"({one})" for one in asked), into=GOING[:2])
        if self.walk and "travel" in self.walk.movement.facing:
            block.call(bearing, *GOING[:2], into=GOING[2:])

    def leaning(self, name: str) -> str:
        """An axis with its offsets."""
        return " + ".join((self.variables[name], *self.leans[name]))

    def _read(self, block: Block, name: str) -> str:
        axis = self.flows[name].axis
        value = self.leaning(name)
        if name in MOVES:
            return GOING[MOVES.index(name)]
        if axis.limited and self.leans[name]:
            (value,) = block.call(clamp, value, **axis.limits)
        if axis.wraps:
            (value,) = block.call(wrapped, value)
        return f"exp({value})" if axis.log else value

"""Room for a plan: the state values of its axes, routes and gates, and what runs into which axis."""

from __future__ import annotations

from math import inf, pi
from typing import TYPE_CHECKING

from ..expressions import Block, Names
from ..plan import KNOWN, MOVES, OWN, PANS, Presses
from ..plan.mounts import Flat, Headset, Orbit, Overhead, Return
from ..plan.steps import Exponential, OneEuro, SlowFast, Spring
from .flows import AxisFlow
from .panning import Pan
from .pools import WORLD_NOW, WORLD_THEN, ZOOM_MEAN, ZOOM_NOW, Filtered, Pool, Wish
from .switches import NEVER, Switches
from .walking import GOING, STATE

if TYPE_CHECKING:
    from ..plan import Plan, Route, Signal

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
WORDS = (*_LOOP, "anchor", "kept_anchor", "due", "pose", WORLD_THEN)
"""What the text around the woven lines calls its own."""

EXTRA = ("device", "cursor", "mount", "snapped")
"""What a frame reads besides, where it can change."""

Setting = tuple[str, str]
"""Something that a host may set: ``scale`` of a route, ``set`` or ``turn`` of an axis; and its name."""


class Room:
    """Gives everything in a plan its state; names of the profile become numbered words."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        self.plan, self.settings = plan, settings
        self.state: dict[str, float] = {"anchor": 0.0}
        instances = plan.mounts.instances
        self.axes = {one.key: one.axis for one in instances}
        """Every axis as a mount has it, by the key of the instance."""
        self.variables = {key: self._variable(key, k) for k, key in enumerate(self.axes, 1)}
        for key, axis in self.axes.items():
            self.state[self.variables[key]] = axis.inner(axis.start)
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
        self.returning: dict[str, tuple[int, Return]] = {}
        """For each yaw that goes back behind the direction of travel: its mount, and how."""
        self._prepare_mounts()
        self.numbers = {route.name: k for k, route in enumerate(plan.routes, 1)}
        self.scales = {name: f"scale{self.numbers[name]}" for kind, name in settings if kind == "scale"}
        self.state |= dict.fromkeys(self.scales.values(), 1.0)
        self.names = Names(WORDS)
        self.flows = {
            key: AxisFlow(Pan.free(axis) if axis.name in PANS else axis, self.variables[key], self.names)
            for key, axis in self.axes.items()
        }
        self.leans: dict[str, list[str]] = {axis.name: [] for axis in plan.axes}
        self.easings: list[tuple[Route, str, str, str]] = []
        self.glides: dict[tuple[str, str], Pool] = {}
        """For a route and an axis: what it still runs out after the fingers have lifted."""
        self.backs: dict[tuple[str, str], str] = {}
        """For a route and an axis that is taken back as its gate closes: what its state values begin with."""
        self.pans = [
            Pan(self, k, one.mount)
            for k, one in enumerate(plan.mounts.all)
            if isinstance(one.mount, Overhead | Flat)
        ]
        self.pan_of = {key: pan for pan in self.pans for key in pan.keys}
        for route in plan.routes:
            self._prepare(route)
        if self.backs:
            self._new(WORLD_NOW)
        if self.switches.timers:
            self._new("due", min(self.state[timer] for timer in self.switches.timers))
        for key in [key for kind, name in settings if kind == "turn" for key in self.keys(name)]:
            self._prepare_turn(self.flows[key])
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
    def zooming(self) -> list[str]:
        """The keys of the zooms on which a rate depends while they move."""
        rates = [route for route in self.plan.routes if route.with_zoom and route.effect == "rate"]
        asked = {self.zoom_of(key) for route in rates for axis in route.drives for key in self.keys(axis)}
        return [key for key, variable in self.variables.items() if variable in asked]

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
        if signal.device in (*OWN, "touch"):
            stem = f"{signal.device}{1 + sum(name.startswith(f'{signal.device}.') for name in self.raw)}"
        return (f"{stem}_x", f"{stem}_y") if signal.pair else (stem,)

    def _variable(self, key: str, k: int) -> str:
        """The state value that holds an axis: its name, if the library knows it, and if it is the plan's."""
        name = self.axes[key].name
        if name not in KNOWN:
            return f"axis{k}"
        return name if key == name else f"{name}_{k}"

    def snaps(self, route: Route) -> bool:
        """Whether it turns who wears a headset by steps."""
        worn = any(isinstance(one.mount, Headset) for one in self.plan.mounts.all)
        steps = any(one.name == route.source.signal.name for one in self.plan.derived)
        return worn and steps and route.effect == "step" and "yaw" in route.drives

    def _prepare_mounts(self) -> None:
        """Room for which mount is in force, for which axes those are that move, and for the last snap."""
        if any(self.snaps(route) for route in self.plan.routes):
            self._new("snapped", -NEVER)
        mounts = self.plan.mounts
        for k, one in enumerate(mounts.all):
            key = mounts.of(k, "yaw")
            if isinstance(one.mount, Orbit) and one.mount.returns and isinstance(key, str):
                self.returning[key] = (k, one.mount.returns)
                self._new(f"{self.variables[key]}_touched")
        self.on: dict[str, str] = {}
        """For each axis that only some mounts have: what is 1 while one of them is in force."""
        self.on_sets: dict[str, frozenset[int]] = {}
        """For each of these: the mounts."""
        if not self.plan.others:
            return
        for name in ("mount", "chosen", "blend_t", "blend_over"):
            self._new(name)
        for k, _ in enumerate(mounts.all):
            self._new(f"from{k}", 1.0 if k == 0 else 0.0)
        sets = {one.mounts for one in mounts.instances if one.mounts}
        names = {users: f"on{k}" for k, users in enumerate(sorted(sets, key=sorted), 1)}
        for users, name in names.items():
            self._new(name, 1.0 if 0 in users else 0.0)
        self.on_sets = {name: users for users, name in names.items()}
        self.on = {one.key: names[one.mounts] for one in mounts.instances if one.mounts}

    def keys(self, axis: str) -> tuple[str, ...]:
        """The keys of an axis, one for each mount that has it for itself."""
        return self.plan.mounts.keys(axis)

    def _new(self, name: str, start: float = 0.0) -> str:
        self.state[name] = start
        return name

    def _prepare(self, route: Route) -> None:
        """Give a route its state, and its place in the flow of the axes that it drives."""
        stem = f"route{self.numbers[route.name]}"
        slow_fast = isinstance(route.smoothing, SlowFast) and route.effect == "step"
        if route.speed_gain or route.glide or slow_fast:
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
        zeros = "xyzw" if route.tilts else route.source.components if route.zero_on_open else ""
        for part in zeros:
            self._new(f"{stem}_zero_{'x' if len(zeros) == 1 else part}")
        self._prepare_cap(route, stem)
        if route.effect != "pin":
            self._prepare_parts(route, stem)

    def _prepare_parts(self, route: Route, stem: str) -> None:
        """Room for what a route does to each axis, as each mount has it."""
        for axis, _, _ in route.parts:
            if route.effect == "offset":
                self._prepare_lean(route, stem, axis)
                continue
            for key in self.keys(axis):
                if key not in self.pan_of:
                    self._prepare_part(route, stem, axis, key)
        for pan in self.pans if route.pans else ():
            for axis, key in zip(PANS, pan.keys, strict=True):  # turned, either may act on both
                self._prepare_part(route, stem, axis, key)

    def _prepare_turn(self, flow: AxisFlow) -> None:
        """Room for a turn that the host asks for."""
        flow.turn = f"{flow.value}_turn"
        for part, value in (("amount", 0.0), ("start", 0.0), ("over", 1.0)):
            self._new(f"{flow.turn}_{part}", value)

    def _prepare_walk(self) -> None:
        """Room for where movement goes, and for the character that walks."""
        movement = self.plan.movement
        self.moving = [name for name in MOVES if name in self.flows]
        if self.moving or movement:
            self.state |= dict.fromkeys(GOING, 0.0)
        if movement:
            self.state |= dict.fromkeys(STATE, 0.0)
            self.state["yaw_then"] = self.state.get("yaw", 0.0) if movement.relative_to == "camera" else 0.0
            if self.plan.others and movement.relative_to == "camera":
                self._new("view_from")
            for k, one in enumerate(self.plan.mounts.all):
                if k and isinstance(one.mount, Orbit) and one.mount.frame == "entry":
                    self._new(f"entry{k}")

    def _prepare_cap(self, route: Route, stem: str) -> None:
        """Room for a hand to turn in, where turning is capped; presses turn as far as they turn."""
        cap = self.plan.hands.turn_cap
        if route.effect == "step" and route.source.signal in self.impulses and cap < inf:
            self._new(f"{stem}_cap_t", -1.0)
            for part in route.source.components:
                self._new(f"{stem}_{part}_room", cap / 20.0)

    def _prepare_back(self, route: Route, stem: str, key: str) -> str:
        """Room for an axis, or the lean of one, on its way back; what its state values begin with."""
        back = self.backs[route.name, key] = f"{stem}_{self.variables[key]}_back"
        for part in ("amount", "start"):
            self._new(f"{back}_{part}")
        return back

    def _prepare_lean(self, route: Route, stem: str, axis: str) -> None:
        """Room for how far an offset leans an axis, whichever mount has it."""
        variable = self.variables[axis]
        target = " * ".join((self._new(f"{stem}_{variable}"), *self.factors(route, axis)))
        self.leans[axis].append(self._eased_lean(route, stem, variable, target))
        if route.gate and route.closing.way == "return":
            self.leans[axis].append(self._new(f"{self._prepare_back(route, stem, axis)}_left"))

    def _prepare_part(self, route: Route, stem: str, axis: str, key: str) -> None:
        """Room for what a route does to an axis as a mount has it, and for taking it back."""
        flow, variable = self.flows[key], self.variables[key]
        if route.gate and route.closing.way == "return":
            back = self._prepare_back(route, stem, key)
            self._new(f"{back}_from", self.axes[key].inner(self.axes[key].start))
            flow.backs.append(back)
            flow.overs[back] = route.closing.over
        smoothing = route.smoothing or flow.axis.smoothing
        if route.effect == "step":
            pool = self.pool_of(route, key)
            flow.steps |= pool is None or isinstance(smoothing, SlowFast)
            if route.glide:
                held = self._new(f"{stem}_{variable}_glide")
                flow.pools.append(Pool(Exponential(route.glide), held, owner=f"{stem} glide"))
                self.glides[route.name, key] = flow.pools[-1]
            return
        wanted = self._new(f"{stem}_{self.variables[axis]}")
        wish = self._wish(route, wanted, key)
        wish.boost = route.turn_boost
        if route.turn_boost:
            wish.level, wish.past = f"{stem}_{variable}_boost", f"{stem}_past"
            self._new(wish.level)
        if isinstance(smoothing, OneEuro):
            rate = self._new(f"{stem}_{variable}_rate")
            start = 2.0 * pi * smoothing.cutoff
            flow.filtered.append(Filtered(wish, rate, self._new(f"{wanted}_decay", start)))
        elif isinstance(smoothing, SlowFast):
            flow.direct.append(wish)
            slow = self._new(f"{wanted}_slow")
            pooled = self.pool_of(route, key)
            assert pooled is not None
            pooled.wishes.append(self._wish(route, slow, key, "_slow"))
        elif smoothing:
            pooled = self.pool_of(route, key)
            assert pooled is not None
            pooled.wishes.append(wish)
        else:
            flow.direct.append(wish)

    def _wish(self, route: Route, wanted: str, key: str, suffix: str = "") -> Wish:
        pan = self.pan_of.get(key)
        return pan.wish(route, key, suffix) if pan else self.wish(wanted, route, key)

    def wish(self, wanted: str, route: Route, key: str) -> Wish:
        """What a route wants of an axis, by what holds how much it wants."""
        on = [self.on[key]] if key in self.on else []  # on an axis that no mount has now, it rests
        rate = " * ".join((wanted, *on, *self.factors(route, key)))
        zoom = self.zoom_of(key) if route.with_zoom else ""
        mean = rate.replace(ZOOM_NOW.format(zoom), ZOOM_MEAN.format(zoom)) if zoom else ""
        return Wish(rate, mean)

    def pool_of(self, route: Route, key: str) -> Pool | None:
        """The pool that smooths a route on the way to an axis, if one does.

        All routes that share a smoothing share a pool; a boost has its own, and so has what is dropped as a
        gate closes.
        """
        flow, variable = self.flows[key], self.variables[key]
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

    def route_rates(self, route: Route, key: str) -> list[str]:
        """The filtered rates that a route has on an axis."""
        rate = f"route{self.numbers[route.name]}_{self.variables[key]}_rate"
        return [rate] if rate in self.state else []

    def _eased_lean(self, route: Route, stem: str, variable: str, target: str) -> str:
        """The expression of how far an offset leans an axis."""
        if not route.smoothing:
            return target
        lean = self._new(f"{stem}_{variable}_lean")
        speed = self._new(f"{stem}_{variable}_lean_speed") if isinstance(route.smoothing, Spring) else ""
        self.easings.append((route, lean, speed, target))
        return lean

    def leaning_of(self, key: str) -> str:
        """An axis as one mount has it, with its offsets."""
        return " + ".join((self.variables[key], *self.leans[self.axes[key].name]))

    def factors(self, route: Route, key: str = "") -> tuple[str, ...]:
        """What a route's effect is multiplied by: its gate first, its scales, the host's scale; the zoom.

        The zoom is that of the mounts that have an axis, if its key is given.
        """
        found = [self.switches.listen(route.gate)] if route.gate else []
        found += [self.switches.scale(condition, factor) for condition, factor in route.scales]
        if route.name in self.scales:
            found.append(self.scales[route.name])
        zoom = self.zoom_of(key) if key and route.with_zoom else ""
        return (*found, ZOOM_NOW.format(zoom)) if zoom else tuple(found)

    def zoom_of(self, key: str) -> str:
        """What holds the zoom of the mounts that have an axis; nothing where they have none that moves."""
        users = next((one.mounts for one in self.plan.mounts.instances if one.key == key), frozenset())
        zoom = self.plan.mounts.of(min(users, default=0), "zoom")
        return self.variables[zoom] if isinstance(zoom, str) else ""

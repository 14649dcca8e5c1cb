"""The parts of a plan: the state of each axis, route, mount and walk, and what moves which axis.

A profile's names become numbered names here; nothing else of them gets into a program.
"""

from __future__ import annotations

from contextlib import nullcontext
from dataclasses import dataclass, field
from functools import partial, reduce
from typing import TYPE_CHECKING

from ..expressions import (
    Block,
    Name,
    Names,
    State,
    Value,
    Word,
    cases,
    exp,
    is_infinite,
    lift,
    product_of,
    some,
    total,
    worked_out,
)
from ..formulas import clamp
from ..plan import (
    AGE,
    ANCHOR,
    ATTITUDE,
    CODE,
    DT,
    DUE,
    KNOWN,
    MOVES,
    NEVER,
    OWN,
    PACE,
    PANS,
    STOP,
    WAIT,
    WORLD_NOW,
    WORLD_THEN,
    T,
    X,
    Y,
)
from ..plan.contacts import Contacts, Facts
from ..plan.handheld import TURN, Attitude
from ..plan.mounts import Flat, Headset, Orbit, Overhead
from ..plan.steps import (
    Back,
    Boost,
    Cap,
    Exponential,
    Filtered,
    HandSpeed,
    OneEuro,
    Pool,
    SlowFast,
    Spring,
    Wish,
)
from .flows import AxisFlow, Turn
from .inputs import inputs_of
from .loop import OWN_NAMES
from .panning import Pan
from .roles import own_role, role_of_on, say_owners
from .switching import Switching
from .walking import Walk, WalkState

if TYPE_CHECKING:
    from collections.abc import Callable
    from contextlib import AbstractContextManager

    from ..expressions import Handle
    from ..plan import Movement, Plan, Route, Signal
    from ..plan.mounts import Return

WORDS = (T, CODE, X, Y, AGE, WAIT, PACE, STOP, DT, ANCHOR, DUE, WORLD_THEN)
"""What every program calls its own."""

Setting = tuple[str, str]
"""Something that a host may set: ``scale`` of a route, ``set`` or ``turn`` of an axis; and its name."""


@dataclass(eq=False)
class Lean:
    """How far an offset leans an axis, and how far it is to lean."""

    route: Route
    target: Value
    held: Handle | None = None
    """How far it leans, where that is smoothed."""
    speed: Handle | None = None
    """A spring's speed."""

    @property
    def value(self) -> Value:
        """How far it leans."""
        return self.target if self.held is None else self.held


@dataclass(eq=False)
class RouteParts:
    """A route's state."""

    route: Route
    stem: str
    """What its state values begin with."""
    scale: Handle | None = None
    """The host's own scale."""
    speed: HandSpeed | None = None
    past: Handle | None = None
    """1 while a turn boost builds."""
    slopes: dict[str, Handle] = field(default_factory=dict)
    """For a component: how fast it changes, for a 1 euro filter."""
    last: Handle | None = None
    """When it changed last (s), for a 1 euro filter."""
    ready: Handle | None = None
    """0 from when the gate opened until what was held by then is let go."""
    zeros: tuple[Handle, ...] = ()
    """Where its zero is."""
    cap: Cap | None = None
    wanted: dict[str, Handle] = field(default_factory=dict)
    """For an axis: how much it wants of it."""
    slow: dict[str, Handle] = field(default_factory=dict)
    """For an axis: how much of that is smoothed, of slow and fast."""
    decays: dict[str, Handle] = field(default_factory=dict)
    """For an axis: how fast a 1 euro filter follows."""
    boosts: dict[str, Boost] = field(default_factory=dict)
    """For the key of an axis: its turn boost there."""
    rates: dict[str, Handle] = field(default_factory=dict)
    """For the key of an axis: the rate behind a 1 euro filter."""
    leans: dict[str, Lean] = field(default_factory=dict)
    """For an axis: how far it leans it."""
    backs: dict[str, Back] = field(default_factory=dict)
    """For the key of an axis, or an axis that it leans: the way back as its gate closes."""
    glides: dict[str, Pool] = field(default_factory=dict)
    """For the key of an axis: what still runs out after the fingers have lifted."""


@dataclass(eq=False)
class MountParts:
    """The state of which mount is active; empty if there is only one."""

    mount: Handle
    """The number of the active mount."""
    chosen: Handle
    """The number of the one that cues chose."""
    blend_t: Handle
    """When the last one took over (s)."""
    blend_over: Handle
    """How long the view takes to go over (s)."""
    froms: tuple[Handle, ...]
    """How much each mount counted as the last one took over."""
    users: dict[Handle, frozenset[int]]
    """For what is 1 while one of some mounts is active: their numbers."""


class Parts:
    """Everything in a plan, with its state."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        self.plan, self.settings = plan, settings
        self.state = State()
        self.axes = {one.key: one.axis for one in plan.mounts.instances}
        """Every axis as a mount has it, by the key of the instance."""
        say_owners(plan, self.state, {key: self._variable(key, k) for k, key in enumerate(self.axes, 1)})
        self.state.new(ANCHOR.name)
        self.names = Names([*(word.name for word in WORDS), *OWN_NAMES])
        self.variables = {
            key: self.state.new(self._variable(key, k), axis.inner(axis.start))
            for k, (key, axis) in enumerate(self.axes.items(), 1)
        }
        self._make_signals()
        self.switching = Switching(plan, self.state, self.names, self.raw)
        self.contacts = self._make_contacts()
        self.snapped: Handle | None = None
        """When the view last went round by a step (s)."""
        self.returning: dict[str, tuple[int, Return, Handle]] = {}
        """For each yaw that goes back behind the way: its mount, how, and when a hand was on it last (s)."""
        self.on: dict[str, Handle] = {}
        """For each axis that only some mounts have: what is 1 while one of them is active."""
        self.mount_parts = self._make_mounts()
        self.routes = {route.name: RouteParts(route, f"route{k}") for k, route in enumerate(plan.routes, 1)}
        for kind, name in settings:
            if kind == "scale":
                route = self.routes[name]
                route.scale = self.state.new(f"scale{route.stem.removeprefix('route')}", 1.0)
        self.flows = {
            key: AxisFlow(Pan.free(axis) if axis.name in PANS else axis, self.variables[key], self.names)
            for key, axis in self.axes.items()
        }
        self.leans: dict[str, list[Value]] = {axis.name: [] for axis in plan.axes}
        """For each axis: what leans it."""
        self.there: dict[str, Handle] = {}
        """For a stick that rests beside its centre: 1 once it has said anything."""
        self.pans = [
            Pan(self, k, one.mount)
            for k, one in enumerate(plan.mounts.all)
            if isinstance(one.mount, Overhead | Flat)
        ]
        self.pan_of = {key: pan for pan in self.pans for key in pan.keys}
        for parts in self.routes.values():
            self._make_route(parts)
        if any(parts.backs for parts in self.routes.values()):
            self.state.new(WORLD_NOW.name)
        if self.switching.timers:
            self.state.new(
                DUE.name, reduce(partial(worked_out, min), (timer.start for timer in self.switching.timers))
            )
        for key in [key for kind, name in settings if kind == "turn" for key in self.keys(name)]:
            self.flows[key].turn = Turn.new(self.state, self.flows[key].value.name)
        self.moving = [name for name in MOVES if name in self.flows]
        going = ("go_x", "go_y", "go_bearing") if self.moving or plan.movement else ()
        self.go = tuple(self.state.new(name) for name in going)
        """Where movement goes: right and forward inside the unit disc, and the direction of that (deg)."""
        self.walk = Walk(self, plan.movement, self._make_walk(plan.movement)) if plan.movement else None
        self.moves_wanted = [self.leaning_of(one) if one in self.flows else lift(0.0) for one in MOVES]
        """How much is wanted of movement: right and forward."""
        self.guarded = self._make_guards()
        """The axes for which it matters whether their limits are near."""

    @property
    def zooming(self) -> list[str]:
        """The keys of the moving zooms that rates depend on."""
        rates = [route for route in self.plan.routes if route.with_zoom and route.effect == "rate"]
        asked = {
            zoom
            for route in rates
            for axis in route.drives
            for key in self.keys(axis)
            if (zoom := self.zoom_key(key))
        }
        return [key for key in self.variables if key in asked]

    def block(self) -> Block:
        """A new block of this program."""
        return Block(self.names)

    # ---- what is kept

    def _make_signals(self) -> None:
        """Make each signal's state and code."""
        self.inputs = inputs_of(self.plan)
        """The signals that it reads, by what becomes of them."""
        self.codes = self.inputs.codes
        self.raw: dict[str, tuple[Handle, ...]] = {}
        for signal in self.inputs.held:
            self.raw[signal.name] = self._new_raw(signal)
        self.attitude = Attitude.new(self.state, "attitude") if TURN[0] in self.raw else None
        """How the handheld device is turned, where something asks for that or for how it aims."""
        self.told = tuple(self.state.new(f"told_{part}") for part in "xyz") if ATTITUDE[0] in self.raw else ()
        """What the host has said of that so far; with the fourth part it is whole."""

    def _make_contacts(self) -> Contacts | None:
        """Make the state of fingers, if the plan uses them."""
        if not self.plan.touches:
            return None
        stems = {f"touch.{one.name}": one.name for one in self.plan.touches}
        running_out = {stems[one.source.signal.name] for one in self.plan.routes if one.glide}
        facts = Facts(self.raw["host.screen"], self.raw["host.pixels_per_cm"][0])
        contacts = Contacts(self.state, self.plan.areas, running_out, facts)
        self.switching.timers += contacts.timers
        return contacts

    def _new_raw(self, signal: Signal) -> tuple[Handle, ...]:
        """State for a signal's last value; a profile's own names become numbers."""
        stem = signal.name.replace(".", "_")
        own = signal.device in (*OWN, "touch")
        if own:
            stem = f"{signal.device}{1 + sum(name.startswith(f'{signal.device}.') for name in self.raw)}"
        endings = ("_x", "_y") if signal.pair else ("",)
        role = own_role(signal.name) if own else ""
        return tuple(
            self.state.new(f"{stem}{ending}", signal.start, saved_as=f"{role}{ending}" if own else "")
            for ending in endings
        )

    def _variable(self, key: str, k: int) -> str:
        """The name for an axis: its own, if it is the plan's and known to the library."""
        name = self.axes[key].name
        if name not in KNOWN:
            return f"axis{k}"
        return name if key == name else f"{name}_{k}"

    def snaps(self, route: Route) -> bool:
        """Whether it snap-turns a headset."""
        worn = any(isinstance(one.mount, Headset) for one in self.plan.mounts.all)
        steps = any(one.name == route.source.signal.name for one in self.plan.derived)
        return worn and steps and route.effect == "step" and "yaw" in route.drives

    def _make_mounts(self) -> MountParts | None:
        """Make the state of the active mount, of which axes are active, and of the last snap."""
        if any(self.snaps(route) for route in self.plan.routes):
            self.snapped = self.state.new("snapped", -NEVER)
        mounts = self.plan.mounts
        for k, one in enumerate(mounts.all):
            key = mounts.of(k, "yaw")
            if isinstance(one.mount, Orbit) and one.mount.returns and isinstance(key, str):
                touched = self.state.new(f"{self.variables[key]}_touched")
                self.returning[key] = (k, one.mount.returns, touched)
        if not self.plan.others:
            return None
        # a mount whose gate is open before anything has happened is active from the beginning
        open_ = self.switching.at_start()
        gates = ((k, mounts.all[k].gate) for k in mounts.by_priority())
        first = next((k for k, gate in gates if gate and gate.holds(open_)), 0)
        mount, chosen = self.state.new("mount", float(first)), self.state.new("chosen")
        since, over = self.state.new("blend_t"), self.state.new("blend_over")
        froms = tuple(self.state.new(f"from{k}", float(k == first)) for k, _ in enumerate(mounts.all))
        # axes of the same mounts share what says that one of these is active
        sets = sorted({one.mounts for one in mounts.instances if one.mounts}, key=sorted)
        on = {
            users: self.state.new(
                f"on{k}", float(first in users), saved_as=role_of_on(mounts.all[k].mount.name for k in users)
            )
            for k, users in enumerate(sets, 1)
        }
        self.on = {one.key: on[one.mounts] for one in mounts.instances if one.mounts}
        return MountParts(mount, chosen, since, over, froms, {one: users for users, one in on.items()})

    def keys(self, axis: str) -> tuple[str, ...]:
        """The keys of an axis, one for each mount that has its own."""
        return self.plan.mounts.keys(axis)

    def _make_route(self, parts: RouteParts) -> None:
        """Make a route's state, and add it to the flow of the axes that it drives."""
        route, stem, new = parts.route, parts.stem, self.state.new
        slow_fast = isinstance(route.smoothing, SlowFast) and route.effect == "step"
        if route.speed_gain or slow_fast:
            parts.speed = HandSpeed.new(self.state, stem)
        if route.turn_boost:
            parts.past = new(f"{stem}_past")
        if isinstance(route.smoothing, OneEuro):
            parts.slopes = {part: new(f"{stem}_slope_{part}") for _, part, _ in route.parts}
            parts.last = new(f"{stem}_t", -1.0)
        signal = route.source.signal.name
        # a stick that rests beside 0 says nothing until it is moved: the 0 that stands for it until then
        # would count as pushed
        if route.shape.rests and signal in self.raw and signal not in self.there:
            self.there[signal] = self.switching.of_signal(signal, "_there")
        if self.switching.fresh(route) and not self.switching.route_keys(route):
            parts.ready = new(f"{stem}_ready", 1.0)
        zeros = "xyzw" if route.tilts else route.source.components if route.zero_on_open else ""
        parts.zeros = tuple(new(f"{stem}_zero_{'x' if len(zeros) == 1 else part}") for part in zeros)
        cap = self.plan.hands.turn_cap
        capped = not is_infinite(cap) and not route.source.signal.held
        if route.effect == "step" and capped:
            parts.cap = Cap.new(self.state, stem, cap, route.source.components)
        if route.effect != "pin":
            self._make_effects(parts)

    def _make_effects(self, parts: RouteParts) -> None:
        """Make what a route does to each axis, as each mount has it."""
        route = parts.route
        for axis, _, _ in route.parts:
            if route.effect == "offset":
                self._make_lean(parts, axis)
                continue
            for key in self.keys(axis):
                if key not in self.pan_of:
                    self._make_effect(parts, axis, key)
        for pan in self.pans if route.pans else ():
            for axis in PANS if route.effect == "rate" else ():
                self._make_wanted(parts, axis)
            for axis, key in zip(PANS, pan.keys, strict=True):  # turned, either may act on both
                self._make_effect(parts, axis, key)

    def _make_guards(self) -> list[AxisFlow]:
        """Make the state of axes whose limits may be near; call it once all that moves them is known."""
        guarded = [flow for flow in self.flows.values() if flow.guarded]
        for flow in guarded:
            flow.guard(self.state)
        names = [one.name for one in self.state.handles]
        self.names.take([*names, *(f"kept_{name}" for name in names)])  # now that all of them are there
        for flow in guarded:
            flow.near = self.names.fresh(f"{flow.value}_near")
        return guarded

    def _make_walk(self, movement: Movement) -> WalkState:
        """Make the state of the walking character."""
        first = int(self.mount_parts.mount.start) if self.mount_parts else 0
        looks = self.plan.mounts.of(first, "yaw")
        yaw = self.variables[looks].start if isinstance(looks, str) else 0.0 if looks is None else looks
        several, returning = bool(self.plan.others), bool(self.returning)
        found = WalkState.new(self.state, movement, yaw, several=several, returning=returning)
        if found.view_from is not None:
            found.view_from.start = float(first)
        for k, one in enumerate(self.plan.mounts.all):
            if k and isinstance(one.mount, Orbit) and one.mount.frame == "entry":
                found.entries[k] = self.state.new(f"entry{k}")
        return found

    def _make_lean(self, parts: RouteParts, axis: str) -> None:
        """Make the lean of an offset's axis, whichever mount has it."""
        route, stem = parts.route, f"{parts.stem}_{self.variables[axis]}"
        parts.wanted[axis] = self.state.new(stem)
        lean = Lean(route, product_of([parts.wanted[axis], *self.factors(route, axis)]))
        if isinstance(route.smoothing, Exponential | Spring):
            lean.held = self.state.new(f"{stem}_lean")
            if isinstance(route.smoothing, Spring):
                lean.speed = self.state.new(f"{stem}_lean_speed")
        parts.leans[axis] = lean
        self.leans[axis].append(lean.value)
        if route.gate and route.closing.way == "return":
            back = parts.backs[axis] = Back.new(self.state, stem, route.closing.over)
            back.left = self.state.new(f"{stem}_back_left")
            self.leans[axis].append(back.left)

    def _make_wanted(self, parts: RouteParts, axis: str) -> Handle:
        """Make what a route wants of an axis, whichever mount has it."""
        if axis not in parts.wanted:
            held = f"{parts.stem}_{self.variables[axis]}"
            parts.wanted[axis] = self.state.new(held)
            smoothing = parts.route.smoothing
            if isinstance(smoothing, OneEuro):
                parts.decays[axis] = self.state.new(f"{held}_decay", smoothing.start)
            if isinstance(smoothing, SlowFast):
                parts.slow[axis] = self.state.new(f"{held}_slow")
        return parts.wanted[axis]

    def _make_effect(self, parts: RouteParts, axis: str, key: str) -> None:
        """Make what a route does to a mount's axis, and how that is undone."""
        route, flow, stem = parts.route, self.flows[key], f"{parts.stem}_{self.variables[key]}"
        if route.gate and route.closing.way == "return":
            back = parts.backs[key] = Back.new(self.state, stem, route.closing.over)
            back.origin = self.state.new(f"{stem}_back_from", self.axes[key].inner(self.axes[key].start))
            flow.backs.append(back)
        smoothing = route.smoothing or flow.axis.smoothing
        if route.effect == "step":
            pool = self.pool_of(route, key)
            flow.steps |= pool is None or isinstance(smoothing, SlowFast)
            if route.gliding:
                glide = route.gliding.pool(self.state, f"{stem}_glide", (parts.stem, "glide"))
                parts.glides[key] = glide
                flow.pools.append(glide)
            return
        wish = self._wish(route, self._make_wanted(parts, axis), key)
        if route.turn_boost:
            assert parts.past is not None
            level = self.state.new(f"{stem}_boost")
            wish.boost = parts.boosts[key] = Boost(route.turn_boost, level, parts.past)
        if isinstance(smoothing, OneEuro):
            parts.rates[key] = self.state.new(f"{stem}_rate")
            flow.filtered.append(Filtered(wish, parts.rates[key], parts.decays[axis]))
        elif isinstance(smoothing, SlowFast):
            flow.direct.append(wish)
            self._pool_for(route, key).wishes.append(self._wish(route, parts.slow[axis], key, slow=True))
        elif smoothing:
            self._pool_for(route, key).wishes.append(wish)
        else:
            flow.direct.append(wish)

    def _wish(self, route: Route, wanted: Handle, key: str, *, slow: bool = False) -> Wish:
        pan = self.pan_of.get(key)
        return pan.wish(route, key, slow=slow) if pan else self.wish(wanted, route, key)

    def wish(self, wanted: Value, route: Route, key: str) -> Wish:
        """What a route wants of an axis, from the state that holds it."""
        on = [self.on[key]] if key in self.on else []  # on an axis that no mount has now, it rests
        factors = (wanted, *on, *self.factors(route, key))
        zoom = self.zoom_of(key) if route.with_zoom else None
        return Wish(factors, () if zoom is None else (*factors[:-1], self.zoom_mean(zoom)))

    def _pool_for(self, route: Route, key: str) -> Pool:
        pool = self.pool_of(route, key)
        assert pool is not None
        return pool

    def pool_of(self, route: Route, key: str) -> Pool | None:
        """The pool that smooths a route's effect on an axis, if any.

        Routes with the same smoothing share a pool; a boost has its own, and so does what is dropped when a
        gate closes.
        """
        flow = self.flows[key]
        smoothing = route.smoothing or flow.axis.smoothing
        if isinstance(smoothing, SlowFast):
            smoothing = smoothing.slow_part
        if not isinstance(smoothing, Exponential | Spring):
            return None
        # what is dropped as a gate closes must not lie in one pool with what is not
        drops = route.gate and route.smoothing and route.closing.way != "settle" and route.effect != "offset"
        listen = self.switching.listen(route.gate) if drops else None
        owner = (self.routes[route.name].stem,) if route.turn_boost else ()
        owner = (*owner, *([] if listen is None else [listen.name]))
        # the same number in the profile, not one that happens to be equal
        alike = (type(smoothing), str(lift(smoothing.decay)))
        for pool in flow.pools:
            if (type(pool.smoothing), str(lift(pool.smoothing.decay))) == alike and pool.owner == owner:
                return pool
        flow.pools.append(smoothing.pool(self.state, f"{flow.value}_pool{len(flow.pools) + 1}", owner))
        return flow.pools[-1]

    # ---- what things come to

    def leaning_of(self, key: str) -> Value:
        """An axis as one mount has it, with its offsets."""
        return total([self.variables[key], *self.leans[self.axes[key].name]])

    def leaning(self, name: str) -> Value:
        """An axis of the active mount, with its offsets."""
        return self.in_force(name, lambda key, _: self.leaning_of(key))

    def in_force(
        self,
        name: str,
        value: Callable[[str, int], Value],
        mount: Value | None = None,
        default: Value | float | None = 0.0,
    ) -> Value:
        """The active mount's version of an axis, or that of another mount by its number.

        `value` gives the expression for a key and its mount's number; `default` is for a mount without
        the axis; if it is None, the first that has it is used.
        """
        if self.mount_parts is None:
            return value(name, 0) if name in self.flows else lift(0.0 if default is None else default)
        # what most mounts say stands last, without a test
        mount = self.mount_parts.mount if mount is None else mount
        mounts, first = self.plan.mounts, (*self.keys(name), "")[0]
        choices: dict[str, tuple[Value, list[int]]] = {}
        for k, _ in enumerate(mounts.all):
            found = mounts.of(k, name)
            if isinstance(found, str):
                one = value(found, k)
            elif found is not None:
                one = lift(found)
            elif first and (first not in self.on or default is None):
                one = value(first, k)
            else:
                one = lift(0.0 if default is None else default)
            choices.setdefault(str(one), (one, []))[1].append(k)
        *rarer, (most, _) = sorted(choices.values(), key=lambda case: len(case[1]))
        return cases(((some(mount == float(k) for k in of), one) for one, of in rarer), most)

    def factors(self, route: Route, key: str = "") -> tuple[Value, ...]:
        """The factors of a route's effect: its gate, its scales, the host's scale, the zoom.

        The zoom is that of the mounts that have an axis, if its key is given.
        """
        listen, scale = self.switching.listen(route.gate), self.routes[route.name].scale
        found: list[Value] = [] if listen is None else [listen]
        found += [self.switching.scale(condition, factor) for condition, factor in route.scales]
        found += [] if scale is None else [scale]
        zoom = self.zoom_of(key) if key and route.with_zoom else None
        return tuple(found) if zoom is None else (*found, self.zoom_now(zoom))

    def zoom_key(self, key: str) -> str:
        """The key of the zoom of the mounts that have an axis; None if none moves."""
        users: frozenset[int] = next(
            (one.mounts for one in self.plan.mounts.instances if one.key == key), frozenset()
        )
        zoom = self.plan.mounts.of(min(users, default=0), "zoom")
        return zoom if isinstance(zoom, str) else ""

    def zoom_of(self, key: str) -> Handle | None:
        """The name that holds that zoom."""
        zoom = self.zoom_key(key)
        return self.variables[zoom] if zoom else None

    @staticmethod
    def zoom_now(zoom: Value) -> Value:
        """The zoom's factor for an effect at this moment; the zoom is kept as a logarithm."""
        return exp(-zoom)

    @staticmethod
    def zoom_mean(zoom: Handle) -> Name:
        """The zoom's mean factor for an effect over a step."""
        return Word(f"{zoom}_mean")

    def while_on(self, block: Block, key: str) -> AbstractContextManager[None]:
        """What is written inside runs only while a mount with the axis is active."""
        return block.when(self.on[key] != 0.0) if key in self.on else nullcontext()

    def forget_furthest(self, block: Block) -> None:
        """Write that nobody knows how far each axis might go in a step, if that may have changed."""
        for flow in self.guarded:
            if flow.furthest is not None and block.changes(flow.most):
                block.set(flow.furthest, -1.0)

    def put_axis(self, block: Block, key: str, value: Value) -> None:
        """Put an axis at a value, with nothing owed to it any more."""
        flow = self.flows[key]
        block.set(flow.value, value)
        for turn in ([flow.turn] if flow.turn else []) + flow.backs:
            # what is still on its way was meant from where the axis was
            block.set(turn.amount, 0.0)
        if flow.axis.limited:
            block.call(clamp, flow.value, into=(flow.value,), **flow.axis.limits)
        flow.forget(block)

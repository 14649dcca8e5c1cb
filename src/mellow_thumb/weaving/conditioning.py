"""Conditioning: the woven text of what a route does with what its signal says, and as its gate turns."""

from __future__ import annotations

from math import inf, pi
from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..formulas import hand_speed, shaping, switching, tilted
from ..formulas import smoothing as eased
from ..plan import DEVICES, NEARING, PANS, Presses
from ..plan.steps import LN2, OneEuro, SlowFast
from .pools import ZOOM_NOW

if TYPE_CHECKING:
    from ..plan import Route
    from .making import Making
    from .weaver import Weaver

PAUSE = 0.05
"""Seconds that a pause between reports of a hand counts at the most."""
FINGER = 0.03
"""Half-life (s) of the mean that a finger's speed is, for what it glides with."""


class Conditioning:
    """Writes what routes do into blocks."""

    def __init__(self, weaver: Weaver, making: Making) -> None:
        self.weaver, self.making = weaver, making

    # ---- displacements

    def step(self, block: Block, route: Route) -> None:
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
            self.aim(block, route)
            self._push(block, route, factors, size)
            self.weaver.reach(block)
            return
        inner = self.weaver.block()
        self.aim(inner, route)
        self._push(inner, route, factors[1:], size)
        self.weaver.reach(inner)
        block.when(f"{factors[0]} != 0.0", inner)

    def _push(self, block: Block, route: Route, factors: list[str], size: str) -> None:
        """Give a displacement to the axes of a route, or to the pools that smooth it."""
        stem = f"route{self.weaver.numbers[route.name]}"
        capped = f"{stem}_cap_t" in self.weaver.state
        pushes: dict[str, str] = {}
        for axis, component, gain in route.parts:
            push = pushes[axis] = self.weaver.names.fresh(f"{self.weaver.variables[axis]}_push")
            block.set(push, " * ".join((self._moved(route, component), number(gain), *factors)))
            if capped and self.weaver.axes[axis].unit == "deg":
                self._cap(block, push, f"{stem}_{component}_room", f"t - {stem}_cap_t")
            if axis == "yaw" and self.weaver.snaps(route):
                block.set("snapped", f"anchor if {push} != 0.0 else snapped")
            for key in self.weaver.keys(axis) if axis not in PANS else ():
                self._give(block, route, key, push, size)
        for pan in self.weaver.pans if route.pans else ():
            inner = block.inner()
            for key, turned in pan.push(inner, route, pushes).items():
                self._give(inner, route, key, turned, size)
            pan.bound(inner)
            free = block.inner()
            if pan.pins:  # what is held in the hand goes with the hand alone
                free.when(f"{pan.stem}_grabbed == 0.0", inner)
            else:
                free.add(inner)
            self.weaver.when_on(block, pan.keys[0], free)
        if capped:
            block.set(f"{stem}_cap_t", "t")

    def aim(self, block: Block, route: Route) -> None:
        """Something is about to bring the plane nearer: what is under the pointer, or the middle."""
        for pan in self.weaver.pans if set(route.drives) & set(NEARING) else ():
            if not any(pan.has(name) for name in route.drives):
                continue
            inner, taken = block.inner(), block.inner()
            if route.pins:
                pan.take(taken, route.pointer, grab=False)
                inner.when(f"{pan.stem}_grabbed == 0.0", taken)
            else:
                pan.unpin(inner)
            if inner.lines:
                self.weaver.when_on(block, pan.keys[0], inner)

    def point(self, block: Block, route: Route) -> None:
        """The pointer has moved while something is brought nearer to it."""
        stem = f"route{self.weaver.numbers[route.name]}"
        wanted = [f"{stem}_{self.weaver.variables[axis]} != 0.0" for axis in route.drives]
        inner = block.inner()
        self.aim(inner, route)
        if inner.lines:
            block.when(" or ".join(wanted), inner)

    def drag(self, block: Block, route: Route, *, begins: bool = False) -> None:
        """The pointer drags what is under it, while its route listens."""
        listen = self.weaver.switches.listen(route.gate)
        for pan in self.weaver.pans:
            outer, inner, taken, moved = block.inner(), block.inner(), block.inner(), block.inner()
            pan.take(taken, route.pointer, grab=True)
            pan.follow_pointer(moved, route.pointer)
            if begins:
                inner.add(taken)
            else:
                inner.when(f"{pan.stem}_grabbed == 0.0", taken, moved)
            outer.when(f"{listen} != 0.0", inner)
            self.weaver.when_on(block, pan.keys[0], outer)

    def _give(self, block: Block, route: Route, key: str, push: str, size: str) -> None:
        """Give a push to an axis, if a mount that has it is in force."""
        outer, block = block, block.inner()
        if key in self.weaver.on:
            own = self.weaver.names.fresh(push)
            block.set(own, push)
            push = own
        if route.with_zoom and (zoom := self.weaver.zoom_of(key)):
            block.set(push, f"{push} * {ZOOM_NOW.format(zoom)}")
        flow = self.weaver.flows[key]
        if key in self.weaver.returning:
            block.set(f"{flow.value}_touched", "t")
        smoothing, pool = route.smoothing or flow.axis.smoothing, self.weaver.pool_of(route, key)
        if isinstance(smoothing, SlowFast):
            (share,) = block.call(shaping.zone, size, inner=smoothing.slow, outer=smoothing.fast)
            slow = self.weaver.names.fresh(f"{push}_slow")
            block.set(slow, f"{push} * (1.0 - {share})")
            block.set(push, f"{push} * {share}")
            flow.push(block, slow, pool)
            flow.push(block, push, None)
        else:
            flow.push(block, push, pool)
        self.weaver.when_on(outer, key, block)

    def _moved(self, route: Route, component: str) -> str:
        """What holds how far a displacement went: the event's own number, or the presses of the moment."""
        if isinstance(self.weaver.switches.derived.get(route.source.signal.name), Presses):
            return self.making.made_values(route.source.signal.name)[0]
        return component

    def _cap(self, block: Block, push: str, room: str, gap: str) -> None:
        """Take from a push what is faster than the cap on turning; what is cut off is gone."""
        rate = self.weaver.plan.hands.turn_cap
        block.call(switching.refilled, room, gap, into=(room,), rate=rate, most=rate * PAUSE)
        block.call(switching.allowed, push, room, into=(push,))
        block.set(room, f"{room} - abs({push})")

    def _hand_speed(self, block: Block, route: Route, stem: str) -> str:
        """Bring the hand's speed up to date; the name of its size, in signal units a second."""
        half_life = route.speed_gain.half_life if route.speed_gain else FINGER if route.glide else 0.015
        if route.source.width == 2:
            x, y = "x", "y"
        else:
            x, y = self._moved(route, route.source.components[0]), "0.0"
        speeds = (f"{stem}_speed_x", f"{stem}_speed_y", f"{stem}_speed_share")
        time = f"{stem}_speed_t"
        now = "t" if x in ("x", "y") else "anchor"
        block.call(hand_speed, x, y, f"{now} - {time}", *speeds, into=speeds, k=LN2 / half_life, pause=PAUSE)
        block.set(time, now)
        return block.call(shaping.length, speeds[0], speeds[1])[0]

    def lifted(self, block: Block, route: Route) -> None:
        """Fingers have landed, which stops what still runs out, or lifted: it goes on at their speed."""
        stem = f"route{self.weaver.numbers[route.name]}"
        (down,) = self.weaver.raw[f"{route.source.signal.name}.down"]
        landed, off = block.inner(), block.inner()
        k, gap = LN2 / FINGER, f"anchor - {stem}_speed_t"
        (share,) = off.call(eased.decay, gap, number(k))
        pushes: dict[str, str] = {}
        for axis, part, gain in route.parts:
            factors = [number(gain * route.glide / LN2), *self.weaver.factors(route)]
            push = pushes[axis] = self.weaver.names.fresh(f"{self.weaver.variables[axis]}_glides")
            off.set(push, " * ".join((f"{stem}_speed_{part}", share, *factors)))
            for key in self.weaver.keys(axis) if axis not in PANS else ():
                inner, own = off.inner(), self.weaver.names.fresh(push)
                inner.set(own, push)
                self.weaver.flows[key].push(inner, own, self.weaver.glides[route.name, key])
                self.weaver.when_on(off, key, inner)
        for pan in self.weaver.pans if route.pans else ():
            inner = off.inner()
            for key, turned in pan.push(inner, route, pushes).items():
                self.weaver.flows[key].push(inner, turned, self.weaver.glides[route.name, key])
            pan.bound(inner)
            self.weaver.when_on(off, pan.keys[0], inner)
        for (name, _), pool in self.weaver.glides.items():
            if name == route.name:
                landed.set(pool.held, "0.0")
        for part in ("x", "y"):
            landed.set(f"{stem}_speed_{part}", "0.0")
        block.when(f"{down} != 0.0", landed, off)

    # ---- held values

    def deflect(self, block: Block, route: Route) -> None:
        """Condition a held value and keep what it asks of its axes."""
        if route.effect == "pin":
            self.drag(block, route)
            return
        self.aim(block, route)
        stem = f"route{self.weaver.numbers[route.name]}"
        shaped, size = self._shape(block, route, stem), ""
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
            amount = self._capped(block, route, axis, f"{value} * {number(gain)}")
            if share:
                block.set(f"{wanted}_slow", f"{amount} * (1.0 - {share})")
                amount = f"{amount} * {share}"
            block.set(wanted, amount)
            for key in self.weaver.keys(axis) if route.turn_boost else ():
                level = f"{stem}_{self.weaver.variables[key]}_boost"
                block.set(level, f"{level} * {stem}_past")
        if isinstance(smoothing, OneEuro):
            block.set(f"{stem}_t", "anchor")

    def _shape(self, block: Block, route: Route, stem: str) -> tuple[str, ...]:
        """What a held value comes to, a share of full effect: from its zero, shaped, if it is heard."""
        values = self.making.driving(route)
        if route.tilts:
            values = self._tilted(block, route, stem, values)
        elif route.zero_on_open:
            values = tuple(f"{v} - {stem}_zero_{part}" for v, part in zip(values, "xy", strict=False))
        if route.source.signal.kind == "switch":
            return values
        if route.source.signal.kind == "rate":
            return self._heard(route, values)
        if route.source.width == 2:
            x, y = values
            shaped: tuple[str, ...] = route.shape.weave_pair(block, x, y)
        else:
            place = "xy".index(route.source.components[0])
            shaped = (route.shape.weave_single(block, values[0], route.shape.rest[place]),)
        shaped = self._heard(route, shaped)
        return self._ready(block, stem, shaped) if f"{stem}_ready" in self.weaver.state else shaped

    def _tilted(self, block: Block, route: Route, stem: str, pose: tuple[str, ...]) -> tuple[str, ...]:
        """How far the device is turned from its zero, as shares of all; the first pose is a zero as well."""
        zeros, none = [f"{stem}_zero_{part}" for part in "xyzw"], self.weaver.names.fresh("no_zero")
        block.set(none, f"1.0 if {' and '.join(f'{zero} == 0.0' for zero in zeros)} else 0.0")
        for zero, part in zip(zeros, pose, strict=True):
            block.set(zero, f"{part} if {none} != 0.0 else {zero}")
        angles = block.call(tilted, *pose, *zeros)
        return tuple(
            f"{angles['xy'.index(part)]} * {number(1.0 / route.full)}" for part in route.source.components
        )

    def _heard(self, route: Route, shaped: tuple[str, ...]) -> tuple[str, ...]:
        """What a device says counts while the window has the focus and the device is there."""
        signal = route.source.signal
        if signal.kind not in ("deflection", "rate", "angle") or signal.device not in DEVICES:
            return shaped
        if route.tilts:
            return tuple(f"({value} * host_focus)" for value in shaped)
        there = f"{self.weaver.raw[signal.name][0]}_there"
        factor = f"host_focus * {there}" if there in self.weaver.state else "host_focus"
        return tuple(f"({value} * {factor})" for value in shaped)

    def _ready(self, block: Block, stem: str, shaped: tuple[str, ...]) -> tuple[str, ...]:
        """A stick that was out as its gate opened counts once it has been let go."""
        out = " or ".join(f"{value} != 0.0" for value in shaped)
        block.set(f"{stem}_ready", f"{stem}_ready if {out} else 1.0")
        return tuple(f"{value} * {stem}_ready" for value in shaped)

    def _capped(self, block: Block, route: Route, axis: str, amount: str) -> str:
        """A rate, no faster than the cap on turning."""
        cap = self.weaver.plan.hands.turn_cap
        if cap == inf or route.effect != "rate" or self.weaver.axes[axis].unit != "deg":
            return amount
        most = 1.0 + (route.turn_boost.extra if route.turn_boost else 0.0)
        for _, factor in route.scales:
            most *= max(factor, 1.0)
        return block.call(switching.allowed, amount, number(cap / most))[0]

    @staticmethod
    def _follow_slope(
        block: Block, smoothing: OneEuro, slope: str, decay: str, change: str, last: str
    ) -> None:
        """Bring a 1 euro filter's cutoff up to date with how fast its value changes."""
        k = 2.0 * pi * smoothing.slope_cutoff
        (share,) = block.call(eased.decay, f"anchor - {last}", number(k))
        block.call(eased.event_slope, change, f"anchor - {last}", slope, share, into=(slope,))
        speed, least = f"abs({slope})", smoothing.cutoff
        block.call(eased.cutoff_rate, speed, into=(decay,), least=least, slope=smoothing.slope)

    # ---- what a route does as its gate opens and closes

    def opened(self, block: Block, routes: list[Route]) -> None:
        """Take zeros anew, wait for what is held, keep where an axis was."""
        for route in routes:
            stem = f"route{self.weaver.numbers[route.name]}"
            if route.effect == "pin":
                self.drag(block, route, begins=True)
            if route.zero_on_open:
                for part, value in zip("xyzw", self.making.driving(route), strict=False):
                    block.set(f"{stem}_zero_{part}", value)
            if f"{stem}_ready" in self.weaver.state:
                block.set(f"{stem}_ready", "0.0")
            if route.closing.way == "return" and route.effect != "offset":
                for axis, _, _ in route.parts:
                    for key in self.weaver.keys(axis):
                        self.weaver.flows[key].leave(block, self.weaver.backs[route.name, key])

    def closed(self, block: Block, listen: str, routes: list[Route]) -> None:
        """Cut short or take back what the routes of a gate still do."""
        for route in routes:
            for pan in self.weaver.pans if route.effect == "pin" else ():
                pan.let_go(block)
            if route.closing.way == "settle" or route.effect == "pin":
                continue
            for axis, _, _ in route.parts:
                if route.effect == "offset":
                    self._drop_lean(block, route, axis)
                    continue
                for key in self.weaver.keys(axis):
                    flow = self.weaver.flows[key]
                    flow.drop(block, listen, self.weaver.route_rates(route, key))
                    if route.closing.way == "return":
                        flow.come_back(block, self.weaver.backs[route.name, key])

    def _drop_lean(self, block: Block, route: Route, axis: str) -> None:
        """An offset as its gate closes: cut to 0, or taken there over a time."""
        stem = f"route{self.weaver.numbers[route.name]}_{self.weaver.variables[axis]}"
        wanted = " * ".join((stem, *self.weaver.factors(route, axis)[1:]))
        lean = f"{stem}_lean" if f"{stem}_lean" in self.weaver.state else wanted
        if route.closing.way == "return":
            back = self.weaver.backs[route.name, axis]
            block.set(f"{back}_left", f"{back}_left + {lean}")
            block.set(f"{back}_amount", f"{back}_left")
            block.set(f"{back}_start", "world_now")
        for name in (f"{stem}_lean", f"{stem}_lean_speed"):
            if name in self.weaver.state:
                block.set(name, "0.0")

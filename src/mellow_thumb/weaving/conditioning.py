"""Conditioning: what a route does with its signal, and when its gate opens and closes.

Each step writes itself; this is their order, and what goes from one to the next.
"""

from __future__ import annotations

from contextlib import nullcontext
from typing import TYPE_CHECKING

from ..expressions import is_infinite, product_of, some, where, worked_out
from ..formulas import shaping
from ..plan import ANCHOR, DEVICES, FOCUS, NEARING, PANS, Presses, T, X, Y
from ..plan.steps import (
    HALF_LIFE,
    OneEuro,
    SlowFast,
    capped_rate,
    from_zero,
    glide_of,
    once_let_go,
    stop_glide,
    take_zero,
    turned_from_zero,
)

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..expressions import Block, Handle, Name, Value
    from ..plan import Route
    from .parts import Parts, RouteParts


class Conditioning:
    """Writes what routes do into blocks."""

    def __init__(self, parts: Parts) -> None:
        self.parts, self.switching = parts, parts.switching

    # ---- displacements

    def step(self, block: Block, route: Route, share: Value | None = None) -> None:
        """Condition a displacement, or a `share` of it, and give it to its axes, if the route listens."""
        kept = self.parts.routes[route.name]
        size = self._hand_speed(block, kept) if kept.speed else None
        listen, factors = self.switching.listen(route.gate), [*self.parts.factors(route)]
        if share is not None:
            factors.append(share)
        if route.speed_gain:
            assert size is not None
            factors.append(route.speed_gain.factor(block, size))
        with nullcontext() if listen is None else block.when(listen != 0.0):
            self.aim(block, route)
            self._push(block, kept, factors if listen is None else factors[1:], size)
            self.parts.forget_furthest(block)

    def _push(self, block: Block, kept: RouteParts, factors: list[Value], size: Value | None) -> None:
        """Give a displacement to the axes of a route, or to the pools that smooth it."""
        parts, route = self.parts, kept.route
        pushes: dict[str, Name] = {}
        for axis, component, gain in route.parts:
            push = pushes[axis] = block.names.fresh(f"{parts.variables[axis]}_push")
            block.set(push, product_of([self._moved(route, component), gain, *factors]))
            if kept.cap and parts.axes[axis].unit == "deg":
                kept.cap.cut(block, push, component)
            if axis == "yaw" and parts.snapped is not None and parts.snaps(route):
                block.set(parts.snapped, where(push != 0.0, ANCHOR, parts.snapped))
            # every mount's own axis of that name; pans are turned by the view first, below
            for key in parts.keys(axis) if axis not in PANS else ():
                self._give(block, route, key, push, size)
        for pan in parts.pans if route.pans else ():
            # what is held in the hand goes with the hand alone
            loose = block.when(pan.pin.grabbed == 0.0) if pan.pin else nullcontext()
            with parts.while_on(block, pan.keys[0]), loose:
                for key, turned in pan.push(block, route, pushes).items():
                    self._give(block, route, key, turned, size)
                pan.bound(block)
        if kept.cap:
            kept.cap.turned(block)

    def aim(self, block: Block, route: Route) -> None:
        """Something is about to zoom over a plane: pin what is under the pointer, or the middle."""
        for pan in self.parts.pans if set(route.drives) & set(NEARING) else ():
            if not any(pan.has(name) for name in route.drives):
                continue
            with self.parts.while_on(block, pan.keys[0]):
                if route.pins and pan.pin:
                    with block.when(pan.pin.grabbed == 0.0):
                        pan.take(block, route.pointer, grab=False)
                else:
                    pan.unpin(block)

    def point(self, block: Block, route: Route) -> None:
        """The pointer has moved while something is zoomed toward it."""
        wanted = self.parts.routes[route.name].wanted
        with block.when(some(wanted[axis] != 0.0 for axis in route.drives)):
            self.aim(block, route)

    def drag(self, block: Block, route: Route, *, begins: bool = False) -> None:
        """The pointer drags what is under it, if its route listens."""
        listen = self.switching.listen(route.gate)
        assert listen is not None
        for pan in self.parts.pans:
            assert pan.pin
            with self.parts.while_on(block, pan.keys[0]), block.when(listen != 0.0):
                # from here on the point is held: what the pointer does meanwhile moves it
                if begins:
                    pan.take(block, route.pointer, grab=True)
                    continue
                with block.when(pan.pin.grabbed == 0.0):
                    pan.take(block, route.pointer, grab=True)
                with block.otherwise():
                    pan.follow_pointer(block, route.pointer)

    def _give(self, block: Block, route: Route, key: str, push: Name, size: Value | None) -> None:
        """Give a push to an axis, if a mount with it is active."""
        parts = self.parts
        with parts.while_on(block, key):
            if key in parts.on:  # what is limited or scaled for this mount must not reach the next one
                push = block.keep(push.name, push)
            zoom = parts.zoom_of(key) if route.with_zoom else None
            if zoom is not None:
                block.set(push, push * parts.zoom_now(zoom))
            flow = parts.flows[key]
            if key in parts.returning:
                block.set(parts.returning[key][2], T)
            smoothing, pool = route.smoothing or flow.axis.smoothing, parts.pool_of(route, key)
            if isinstance(smoothing, SlowFast):
                assert size is not None
                share = smoothing.fast_share(block, size)
                slow = block.keep(f"{push}_slow", push * (1.0 - share))
                block.set(push, push * share)
                flow.push(block, slow, pool)
                flow.push(block, push, None)
            else:
                flow.push(block, push, pool)

    def _moved(self, route: Route, component: str) -> Value:
        """The size of a displacement: the event's own number, or the presses of the moment."""
        if isinstance(self.switching.derived.get(route.source.signal.name), Presses):
            return self.switching.made(route.source.signal.name)[0]
        return X if component == "x" else Y

    def _hand_speed(self, block: Block, kept: RouteParts) -> Value:
        """Update the hand's speed; returns its size, in signal units a second."""
        route = kept.route
        assert kept.speed
        half_life = route.speed_gain.half_life if route.speed_gain else HALF_LIFE
        if route.source.width == 2:
            return kept.speed.report(block, X, Y, T, half_life)
        moved = self._moved(route, route.source.components[0])
        now = T if moved is X or moved is Y else ANCHOR
        return kept.speed.report(block, moved, 0.0, now, half_life)

    def stop(self, block: Block, route: Route) -> None:
        """Fingers have landed, which stops a glide."""
        stop_glide(block, self.parts.routes[route.name].glides.values())

    def run_out(self, block: Block, route: Route, speeds: Mapping[str, Value]) -> None:
        """Fingers have lifted at some speed: it glides."""
        parts, kept = self.parts, self.parts.routes[route.name]
        pushes: dict[str, Name] = {}
        for axis, part, gain in route.parts:
            way = glide_of(speeds[part], gain, route.glide)
            wanted = product_of([*way, *parts.factors(route)])
            push = pushes[axis] = block.keep(f"{parts.variables[axis]}_glides", wanted)
            for key in parts.keys(axis) if axis not in PANS else ():
                with parts.while_on(block, key):
                    own = block.keep(push.name, push)
                    parts.flows[key].push(block, own, kept.glides[key])
        for pan in parts.pans if route.pans else ():
            with parts.while_on(block, pan.keys[0]):
                for key, turned in pan.push(block, route, pushes).items():
                    parts.flows[key].push(block, turned, kept.glides[key])
                pan.bound(block)

    # ---- held values

    def deflect(self, block: Block, route: Route) -> None:
        """Condition a held value and keep what it wants of its axes."""
        if route.effect == "pin":
            self.drag(block, route)
            return
        self.aim(block, route)
        kept, smoothing, boost = self.parts.routes[route.name], route.smoothing, route.turn_boost
        shaped = self._shape(block, kept)
        share = None
        if boost or isinstance(smoothing, SlowFast):
            size = abs(shaped[0]) if len(shaped) == 1 else block.call(shaping.length, *shaped)[0]
            if boost and kept.past is not None:
                boost.push(block, kept.past, size)
            if isinstance(smoothing, SlowFast):
                share = smoothing.fast_share(block, size)
        for (axis, part, gain), value in zip(route.parts, shaped, strict=True):
            wanted = kept.wanted[axis]
            if isinstance(smoothing, OneEuro):
                assert kept.last is not None
                # what it was before, from what it asked for: that is kept anyway
                change = value - wanted / gain
                smoothing.follow(block, kept.slopes[part], kept.decays[axis], change, kept.last)
            amount = self._capped(block, route, axis, value * gain)
            if share is not None:
                block.set(kept.slow[axis], amount * (1.0 - share))
                amount = amount * share
            block.set(wanted, amount)
            for key in self.parts.keys(axis) if boost else ():
                kept.boosts[key].drop(block)
        if kept.last is not None:
            block.set(kept.last, ANCHOR)

    def _shape(self, block: Block, kept: RouteParts) -> tuple[Value, ...]:
        """A held value as a share of full effect: from its zero, shaped, if it is heard."""
        route, values = kept.route, self.switching.driving(kept.route)
        if route.tilts:
            values = turned_from_zero(block, values, kept.zeros, route.source.components, route.full)
        elif route.zero_on_open:
            values = from_zero(values, kept.zeros)
        if route.source.signal.kind == "switch":
            return values
        if route.source.signal.kind == "rate":
            return self._heard(route, values)
        shaped: tuple[Value, ...]
        if route.source.width == 2:
            shaped = route.shape.on_pair(block, *values)
        else:
            place = "xy".index(route.source.components[0])
            shaped = (route.shape.on_single(block, values[0], route.shape.rest[place]),)
        shaped = self._heard(route, shaped)
        return shaped if kept.ready is None else once_let_go(block, kept.ready, shaped)

    def _heard(self, route: Route, shaped: tuple[Value, ...]) -> tuple[Value, ...]:
        """A device's value counts while the window has the focus and the device is there."""
        signal = route.source.signal
        if signal.kind not in ("deflection", "rate", "angle") or signal.device not in DEVICES:
            return shaped
        there = None if route.tilts else self.parts.there.get(signal.name)
        return tuple(value * FOCUS if there is None else value * FOCUS * there for value in shaped)

    def _capped(self, block: Block, route: Route, axis: str, amount: Value) -> Value:
        """A rate, no faster than the cap on turning."""
        cap = self.parts.plan.hands.turn_cap
        if is_infinite(cap) or route.effect != "rate" or self.parts.axes[axis].unit != "deg":
            return amount
        # what multiplies the rate later must not lift it over the cap
        most = 1.0 + (route.turn_boost.extra if route.turn_boost else 0.0)
        for _, factor in route.scales:
            most *= worked_out(max, factor, 1.0)
        return capped_rate(block, amount, cap / most)

    # ---- what a route does as its gate opens and closes

    def opened(self, block: Block, routes: list[Route]) -> None:
        """Take new zeros, wait for what is held, keep where an axis was."""
        for route in routes:
            kept = self.parts.routes[route.name]
            if route.effect == "pin":
                self.drag(block, route, begins=True)
            if route.zero_on_open:
                take_zero(block, kept.zeros, self.switching.driving(route))
            if kept.ready is not None:
                block.set(kept.ready, 0.0)
            if route.closing.way == "return" and route.effect != "offset":
                for axis, _, _ in route.parts:
                    for key in self.parts.keys(axis):
                        kept.backs[key].leave(block, self.parts.flows[key].goal)

    def closed(self, block: Block, listen: Handle, routes: list[Route]) -> None:
        """Cut short or take back what the routes of a gate still do."""
        for route in routes:
            kept = self.parts.routes[route.name]
            for pan in self.parts.pans if route.effect == "pin" else ():
                pan.let_go(block)
            if route.closing.way == "settle" or route.effect == "pin":
                continue
            for axis, _, _ in route.parts:
                if route.effect == "offset":
                    self._drop_lean(block, kept, axis)
                    continue
                for key in self.parts.keys(axis):
                    flow = self.parts.flows[key]
                    flow.drop(block, listen, [kept.rates[key]] if key in kept.rates else [])
                    if route.closing.way == "return":
                        kept.backs[key].come_back(block, flow.goal, wraps=flow.axis.wraps)

    def _drop_lean(self, block: Block, kept: RouteParts, axis: str) -> None:
        """An offset when its gate closes: cut to 0, or taken there over a time."""
        lean = kept.leans[axis]
        if kept.route.closing.way == "return":
            # the gate is closed by now, so that it must not count: what it leaned a moment ago does
            unheard = product_of([kept.wanted[axis], *self.parts.factors(kept.route, axis)[1:]])
            kept.backs[axis].take_lean(block, unheard if lean.held is None else lean.held)
        for one in (lean.held, lean.speed):
            if one is not None:
                block.set(one, 0.0)

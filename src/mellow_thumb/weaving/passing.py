"""Passing time: what moves by itself between events, and how long a step may be."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import Word, every, exp, lift, opposite, some, total, where, worked_out
from ..formulas import bearing, clamp, swung, wrapped
from ..plan import DT, DUE, GLIDE, LONGEST, NEVER, PACE, STOP, WORLD_NOW, WORLD_RATE, WORLD_THEN
from ..plan.steps import LN2, Exponential, Spring
from .flows import STILL
from .walking import go_on

if TYPE_CHECKING:
    from ..expressions import Block, Name, Value
    from ..plan import Axis
    from .parts import Lean, Parts

DEGREES, METRES, SHARE = (Word(name) for name in ("degrees", "metres", "share"))
"""How far axes may go by themselves and still count as settled."""
WITHIN = ("now", "degrees", "metres", "share")
"""What the tests of what is settled are given."""
NEAR = 1 / 256
"""Steps are no longer than this where motions that are smoothed differently come near a limit."""

TWELFTH = 0.017453292519943295 / 12
"""Of a degree, in radians."""


class Passing:
    """Writes what time does to a plan's parts."""

    def __init__(self, parts: Parts) -> None:
        self.parts = parts

    @property
    def easings(self) -> list[Lean]:
        """The leans that are smoothed."""
        found = [lean for route in self.parts.routes.values() for lean in route.leans.values()]
        return [lean for lean in found if lean.held is not None]

    def write(self, block: Block) -> None:
        """Write what happens in `dt` to everything that moves by itself."""
        parts = self.parts
        bend = self._bend(block)  # before anything moves: how fast the yaw goes as the step begins
        for pan in parts.pans:
            pan.before(block)
        if any(route.backs for route in parts.routes.values()):
            block.set(WORLD_THEN, WORLD_NOW)
            block.set(WORLD_NOW, WORLD_NOW + DT * WORLD_RATE)
            for route in parts.routes.values():
                for axis in route.leans:
                    if axis in route.backs:
                        route.backs[axis].flow_lean(block)
        for key in parts.zooming:  # first: what keeps its feel under a zoom takes the mean of both ends
            zoom = parts.variables[key]
            start = block.keep(f"{zoom}_start", zoom)
            self._axis(block, key)
            mean = 0.5 * (parts.zoom_now(start) + parts.zoom_now(zoom))
            block.set(parts.zoom_mean(zoom), mean)
        for key in parts.flows:
            if key not in parts.zooming and key not in parts.pan_of:
                self._axis(block, key)
        # pans after the yaw and the distance: they move by the means of both ends of the step
        for pan in parts.pans:
            with parts.while_on(block, pan.keys[0]):
                pan.pass_time(block)
        for lean in self.easings:
            smoothing = lean.route.smoothing
            assert isinstance(smoothing, Exponential | Spring)
            assert lean.held is not None
            # a lean is of the hand, not of a mount: it eases whichever is active
            smoothing.ease(block, lean.held, lean.speed, lean.target)
        if parts.walk:
            # how far (rad) an eased yaw is from steady at half the step: a twelfth of its change of speed,
            # times the step
            slows = lift(0.0) if bend is None else (bend - self._eased_yaw()) * DT * TWELFTH
            parts.walk.pass_time(block, slows)
        parts.forget_furthest(block)

    def _axis(self, block: Block, key: str) -> None:
        """Write what happens to one axis in `dt`; while no mount has it, it stays as it was left."""
        flow = self.parts.flows[key]
        # a turn that the host asked for goes on by the clock, whichever mount is active
        flow.pass_turns(block)
        with self.parts.while_on(block, key):
            flow.pass_time(block)
            if key in self.parts.returning:
                self._swing(block, key)

    def _swing(self, block: Block, key: str) -> None:
        """Write what happens in `dt` to a yaw that returns behind the walk when no hand is on it."""
        (k, back, touched), flow, walk = self.parts.returning[key], self.parts.flows[key], self.parts.walk
        assert walk is not None
        state = walk.state
        if flow.wishes:
            held = some(wish.rate != 0.0 for wish in flow.wishes)
            block.set(touched, where(held, STOP, touched))
        run = block.keep(f"{flow.value}_run", STOP - touched - back.after)
        block.set(run, where(run < DT, run, DT))  # only the part of the step in which no hand was on it
        walks = some([state.velocity_x != 0.0, state.velocity_z != 0.0])
        with block.when(every([run > 0.0, walks])):
            (travel,) = block.call(bearing, state.velocity_x, -state.velocity_z)
            looks = total([self.parts.leaning_of(key), *walk.base(k)])
            (behind,) = block.call(wrapped, travel - looks)
            (turn,) = block.call(swung, behind, run, k=LN2 / back.half_life)
            before = block.keep("before_swing", flow.value)
            block.set(flow.value, flow.value + turn)
            if flow.axis.limited:
                block.call(clamp, flow.value, into=(flow.value,), **flow.axis.limits)
            walk.turned_aside(block, k, flow.value - before)

    def _eased_yaw(self) -> Value:
        """The speed at which smoothing still turns the yaw that walking follows."""
        parts, moving = self.parts, []
        for key in parts.keys("yaw"):
            speeds = parts.flows[key].owed_speeds()
            if speeds:
                moving.append(total(speeds) * parts.on[key] if key in parts.on else total(speeds))
        view_from = parts.walk.state.view_from if parts.walk else None
        if not moving or view_from is None or parts.mount_parts is None:
            return total(moving)
        return where(view_from == parts.mount_parts.mount, total(moving), 0.0)

    def _bend(self, block: Block) -> Name | None:
        """The speed of the yaw that walking follows at the start of a step; None if it is steady."""
        walk = self.parts.walk
        if not walk or walk.movement.relative_to in ("world", "body"):
            return None
        speed = self._eased_yaw()
        return None if speed.is_zero else block.keep("yaw_speed", speed)

    def go(self, block: Block) -> None:
        """Write where movement goes, if something it depends on has changed."""
        if self.parts.walk:
            self.parts.walk.heed(block)
        else:
            go_on(block, self.parts)

    def nearness(self, block: Block) -> None:
        """Write whether limits are near, for axes where that matters; no event changes it in a step."""
        for flow in self.parts.guarded:
            flow.know_furthest(block)
            clear = flow.clear([], LONGEST)
            assert clear is not None
            assert flow.near is not None
            block.set(flow.near, opposite(clear))

    def pace(self, block: Block) -> bool:
        """Shorten steps where the closed forms are not exact; returns whether that can happen.

        That is while parts of an axis's motion may overtake each other at a limit, and while the zoom moves
        under a rate that keeps its feel under it.
        """
        tests: list[Value] = []
        for flow in self.parts.flows.values():
            if flow.axis.limited and flow.mixed:
                clear = flow.clear([], LONGEST) if flow.near is None else opposite(flow.near)
                tests += [] if clear is None else [clear]
        for key in self.parts.zooming:
            tests += self.parts.flows[key].still()
        if not tests:
            return False
        block.set(PACE, LONGEST)
        with block.when(opposite(every(tests))):
            block.set(PACE, NEAR)
        return True

    def still(self, now: Value) -> Value:
        """The test of whether nothing moves by itself at a time."""
        parts = self.parts
        # what waits for its time may change anything
        tests: list[Value] = [DUE >= NEVER] if parts.switching.timers else []
        if parts.mount_parts:
            # a view that is going over moves, though no axis does
            tests.append(now - parts.mount_parts.blend_t >= parts.mount_parts.blend_over)
        for key, flow in parts.flows.items():
            own = [*flow.still(), *(abs(one.rate) < STILL for one in flow.filtered)]
            if flow.axis.return_half_life:
                own.append(abs(flow.value - flow.axis.inner(flow.axis.rest)) < STILL)
            if key in parts.on and own:
                own = [some([parts.on[key] == 0.0, every(own)])]
            tests += [*own, *flow.turning_over(now)]
        for lean in self.easings:
            assert lean.held is not None
            tests.append(abs(lean.target - lean.held) < STILL)
        backs = [back for route in parts.routes.values() for back in route.backs.values()]
        tests += [abs(back.left) < STILL for back in backs if back.left is not None]
        if parts.walk:
            tests += parts.walk.still
        return every(tests)

    def nearly_still(self, now: Value) -> Value:
        """The test of whether nothing goes further by itself than `DEGREES`, `METRES` and `SHARE` say."""
        parts = self.parts
        tests: list[Value] = [DUE >= NEVER] if parts.switching.timers else []
        if parts.mount_parts:
            tests.append(now - parts.mount_parts.blend_t >= parts.mount_parts.blend_over)
        for key, flow in parts.flows.items():
            least = self._least(flow.axis, flow.value)
            own = flow.nearly_still(least)
            if flow.axis.return_half_life:
                own.append(abs(flow.value - flow.axis.inner(flow.axis.rest)) <= least)
            if key in parts.on and own:
                own = [some([parts.on[key] == 0.0, every(own)])]
            tests += [*own, *flow.turning_over(now)]
        for lean in self.easings:
            assert lean.held is not None
            axis = next(one for one in parts.plan.axes if one.name in lean.route.drives)
            tests.append(abs(lean.target - lean.held) <= self._least(axis, lean.held))
        for route in parts.routes.values():
            for name, back in route.backs.items():
                if back.left is not None:
                    axis = next(one for one in parts.plan.axes if one.name == name)
                    tests.append(abs(back.left) <= self._least(axis, back.left))
        if parts.walk:
            state, brake = parts.walk.state, worked_out(max, parts.walk.movement.braking, GLIDE)
            # it comes to rest in v^2 / 2b
            square = state.velocity_x * state.velocity_x + state.velocity_z * state.velocity_z
            tests.append(square <= METRES * brake * 2.0)
            tests += [one == 0.0 for one in (*parts.go[:2], state.uneven)]
        return every(tests)

    @staticmethod
    def _least(axis: Axis, value: Value) -> Value:
        """How far an axis may go without anyone noticing, in its inner unit."""
        least = DEGREES if axis.unit == "deg" else METRES if axis.unit == "m" else SHARE
        return least * exp(-value) if axis.log and axis.unit == "m" else least

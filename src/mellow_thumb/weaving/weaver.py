"""The weaver: what each part of a plan adds to its program."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import Block, number, read_names
from ..formulas import bearing, clamp, on_disc, swung, wrapped
from ..formulas import smoothing as eased
from ..plan import MOVES, OWN
from ..plan.steps import LN2, Exponential, Spring
from .pools import LONGEST, WORLD_NOW, WORLD_RATE, WORLD_THEN, ZOOM_MEAN, ZOOM_NOW
from .room import EXTRA, Room
from .taking_over import weights
from .walking import GOING, Walk

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Plan
    from .room import Setting


class Weaver(Room):
    """Collects flow, events and reading of a plan."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        super().__init__(plan, settings)
        self.walk = Walk(self, plan.movement) if plan.movement else None
        self.middles: dict[str, str] = {}
        """What holds where the middle of a view is as it is read, for the keys of its pans."""

    @property
    def roles(self) -> dict[str, str]:
        """What state values are whose numbers hang on others: signals, switches as they are seen, latches."""
        conditions = {listen: str(when) for when, listen in self.switches.listens.items()}
        found = {
            seen: f"{signal} through {conditions.get(listen, listen)}"
            for (signal, listen), seen in self.switches.seen.items()
        }
        found |= {latch: f"{stem} past {one}" for (stem, one), latch in self.switches.latches.items()}
        for signal, names in self.raw.items():
            if signal.partition(".")[0] in (*OWN, "touch"):
                stem = names[0].removesuffix("_x")
                own = [one for one in self.state if one == stem or one.startswith(f"{stem}_")]
                found |= {name: signal + name.removeprefix(stem) for name in own}
        return found

    # ---- between events

    def flow(self) -> Block:
        """What `dt` does to everything that moves by itself."""
        block = self.block()
        bend = self._bend(block)
        for pan in self.pans:
            pan.before(block)
        if self.backs:
            block.set(WORLD_THEN, WORLD_NOW)
            block.set(WORLD_NOW, f"{WORLD_NOW} + dt * {WORLD_RATE}")
            self._flow_backs(block)
        for (
            key
        ) in self.zooming:  # the zoom goes first: what keeps its feel under it takes the mean of both ends
            zoom = self.variables[key]
            start = self.names.fresh(f"{zoom}_start")
            block.set(start, zoom)
            self._flow_axis(block, key)
            begin, end = ZOOM_NOW.format(start), ZOOM_NOW.format(zoom)
            block.set(ZOOM_MEAN.format(zoom), f"0.5 * ({begin} + {end})")
        for key in self.flows:
            if key not in self.zooming and key not in self.pan_of:
                self._flow_axis(block, key)
        for pan in self.pans:
            inner = block.inner()
            pan.flow(inner)
            self.when_on(block, pan.keys[0], inner)
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
            slows = f"{bend} - ({self._eased_yaw()})" if bend else ""
            self.walk.flow(block, f"({slows}) * dt * {number(1 / 12)}" if slows else "0.0")
        self.reach(block)
        return block

    def _flow_axis(self, block: Block, key: str) -> None:
        """What `dt` does to one axis; while no mount has it, it stays as it was left."""
        flow = self.flows[key]
        flow.weave_turns(block)
        inner = block.inner()
        flow.weave(inner)
        if key in self.returning:
            self._swing(inner, key)
        self.when_on(block, key, inner)

    def _swing(self, block: Block, key: str) -> None:
        """What `dt` does to a yaw that goes back behind the direction of travel when no hand is on it."""
        (k, back), flow, walk = self.returning[key], self.flows[key], self.walk
        assert walk is not None
        touched, run = f"{flow.value}_touched", self.names.fresh(f"{flow.value}_run")
        if flow.wishes:
            held = " or ".join(f"{wish.rate} != 0.0" for wish in flow.wishes)
            block.set(touched, f"stop if {held} else {touched}")
        inner = block.inner()
        block.set(run, f"stop - {touched} - {number(back.after)}")
        block.set(run, f"{run} if {run} < dt else dt")
        (travel,) = inner.call(bearing, "velocity_x", "-velocity_z")
        (behind,) = inner.call(wrapped, f"{travel} - ({self.leaning_of(key)}{walk.base(k)})")
        (turn,) = inner.call(swung, behind, run, k=LN2 / back.half_life)
        inner.set(flow.value, f"{flow.value} + {turn}")
        if flow.axis.limited:
            inner.call(clamp, flow.value, into=(flow.value,), **flow.axis.limits)
        block.when(f"{run} > 0.0 and (velocity_x != 0.0 or velocity_z != 0.0)", inner)

    def when_on(self, block: Block, key: str, inner: Block) -> None:
        """Write what happens to an axis, to happen only while a mount that has it is in force."""
        if key not in self.on:
            block.add(inner)
        elif inner.lines:
            block.when(f"{self.on[key]} != 0.0", inner)

    def _eased_yaw(self) -> str:
        """How fast the yaw that walking follows still goes by what smoothing owes it."""
        speeds = {key: self.flows[key].eased_speed() for key in self.keys("yaw")}
        moving = [
            f"({speed}) * {self.on[key]}" if key in self.on else speed
            for key, speed in speeds.items()
            if speed != "0.0"
        ]
        total = " + ".join(moving) or "0.0"
        return f"({total} if view_from == mount else 0.0)" if moving and "view_from" in self.state else total

    def _bend(self, block: Block) -> str:
        """What holds the speed of a yaw that walking follows, as a step begins; nothing if it is steady."""
        if not self.walk or self.walk.reference() in ("0.0", "heading"):
            return ""
        speed = self._eased_yaw()
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
            tests += [test for key in self.zooming for test in self.flows[key].still()]
        words = " and ".join(test for test in tests if test)
        if not words:
            return []
        return [f"pace = {number(longest)}", f"if not ({words}):", f"    pace = {number(near)}"]

    def still(self) -> str:
        """The woven test of whether nothing moves by itself at the time ``now``."""
        tests = ["now - blend_t >= blend_over"] if self.plan.others else []
        for key, flow in self.flows.items():
            own = [*flow.still(), *(f"abs({one.rate}) < 1e-09" for one in flow.filtered)]
            if flow.axis.return_half_life:
                own.append(f"abs({flow.value} - {number(flow.axis.inner(flow.axis.rest))}) < 1e-09")
            words = " and ".join(own)
            tests.append(f"({self.on[key]} == 0.0 or {words})" if key in self.on and own else words)
            if flow.turn:
                tests.append(f"({flow.turn}_amount == 0.0 or now - {flow.turn}_start >= {flow.turn}_over)")
            over = {back: number(flow.overs[back]) for back in flow.backs}
            tests += [
                f"({back}_amount == 0.0 or {WORLD_NOW} - {back}_start >= {over[back]})" for back in over
            ]
        tests += [f"abs({target} - {lean}) < 1e-09" for _, lean, _, target in self.easings]
        tests += [
            f"abs({lean}) < 1e-09"
            for leans in self.leans.values()
            for lean in leans
            if lean.endswith("_left")
        ]
        if self.walk:
            tests += [f"{name} == 0.0" for name in ("velocity_x", "velocity_z", "go_x", "go_y", "uneven")]
        return " and ".join(test for test in tests if test) or "True"

    # ---- reading

    def read(self) -> tuple[Block, list[str]]:
        """What a frame reads: each axis, the whole turn of the yaw, each gate."""
        block = self.block()
        for pan in self.pans:
            self.middles |= zip(pan.keys, pan.middle(block), strict=True)
        axes = [self._read_in_force(block, axis.name) for axis in self.plan.axes]
        whole = self.names.fresh("yaw_total")
        block.set(whole, self.leaning("yaw"))
        extra = [name for name in EXTRA if name in self.state]
        cues = [name for k, _ in enumerate(self.plan.cues, 1) for name in (f"cue{k}", f"cue{k}_t")]
        moved = self.walk.read(block) if self.walk else []
        seen = [*weights(self, block), *(self._read(block, key) for key in self.plan.mounts.own)]
        return block, [*axes, whole, *self.switches.gates.values(), *extra, *cues, *moved, *seen]

    def go(self, block: Block) -> None:
        """Work out where movement goes, inside the unit disc, if something that it depends on has changed."""
        asked = [self.leaning_of(one) if one in self.flows else "0.0" for one in MOVES]
        if self.walk:
            self.walk.grounded(block)
        if not self.moving or not block.assigned & read_names(*asked):
            return
        block.call(on_disc, *(f"({one})" for one in asked), into=GOING[:2])
        if self.walk and "travel" in self.walk.movement.facing:
            block.call(bearing, *GOING[:2], into=GOING[2:])
        if "view_from" in self.state and self.walk:  # through a cut it goes on as it went, until it is let go
            self.walk.turn_over(block, "mount")

    def turn_over(self, block: Block, new: str) -> None:
        """What a walk does as the view is another mount's."""
        if self.walk:
            self.walk.turn_over(block, new)

    def leaning(self, name: str) -> str:
        """An axis of the mount in force, with its offsets."""
        return self.in_force(name, lambda key, _: self.leaning_of(key))

    def in_force(
        self, name: str, value: Callable[[str, int], str], mount: str = "mount", default: str = "0.0"
    ) -> str:
        """What the mount in force makes of an axis, or another that is given by what holds its number.

        `value` gives the expression for a key and the number of its mount; `default` is for a mount without
        the axis, the values of the first that has it if it is empty.
        """
        if not self.plan.others:
            return value(name, 0) if name in self.flows else default
        mounts, first = self.plan.mounts, self.keys(name)[0] if self.keys(name) else ""
        cases: dict[str, list[int]] = {}
        for k, _ in enumerate(mounts.all):
            found = mounts.of(k, name)
            if isinstance(found, str):
                words = value(found, k)
            elif found is not None:
                words = number(found)
            else:
                always = first and first not in self.on
                words = value(first, k) if (always or not default) and first else default or "0.0"
            cases.setdefault(words, []).append(k)
        *rarer, (most, _) = sorted(cases.items(), key=lambda case: len(case[1]))
        tests = [(words, " or ".join(f"{mount} == {number(k)}" for k in of)) for words, of in rarer]
        return f"({' '.join(f'{words} if {test} else' for words, test in tests)} {most})" if tests else most

    def _read_in_force(self, block: Block, name: str) -> str:
        if not self.plan.others:
            return self._read(block, name)
        return self.in_force(name, lambda key, _: self._read(block, key), default="")

    def _read(self, block: Block, key: str) -> str:
        axis = self.axes[key]
        name, value = axis.name, self.leaning_of(key)
        if name in MOVES:
            return GOING[MOVES.index(name)]
        if key in self.middles:
            return self.middles[key]
        if axis.limited and self.leans[name]:
            (value,) = block.call(clamp, value, **axis.limits)
        if axis.wraps:
            (value,) = block.call(wrapped, value)
        return f"exp({value})" if axis.log else value

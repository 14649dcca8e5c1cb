"""Gestures: what a touch makes of its fingers as they move: a drag, a spread, a twist, a pad."""

from __future__ import annotations

from contextlib import nullcontext
from dataclasses import dataclass
from typing import TYPE_CHECKING, NamedTuple

from ...expressions import APART, every, flag, lift, where
from ...formulas import fingers, shaping, switching
from ..touches import DOUBLE
from .lift_speed import LiftSpeed

if TYPE_CHECKING:
    from ...expressions import Block, Handle, State, Value
    from ..touches import Length, Touch

AWAY = 1e9
"""Further than any finger goes, in screens."""
_DEGREES = 57.29577951308232
_NEARLY = 1e-12
"""What a length may lack by rounding, in screens."""


class Screen(NamedTuple):
    """How large the screen is."""

    wide: Value
    tall: Value
    """In screens: one of them is 1."""
    cm: Value
    """How many cm a screen is; 0 where that is not known."""

    def length(self, of: Length) -> Value:
        """A length in screens; beyond any finger while the length of a cm is unknown."""
        if of.unit == "screen" or not of.value:
            return lift(of.value)
        return where(self.cm > 0.0, lift(of.value) / self.cm, AWAY)


class Step(NamedTuple):
    """A part of a moment, in which the same fingers count."""

    screen: Screen
    counting: Value
    """How many fingers count."""
    moved: tuple[Value, Value]
    """The way of their middle, in screens."""
    pair: tuple[Value, Value, Value, Value]
    """Where the first two are at its end, 0..1 of the screen."""


@dataclass(eq=False)
class Gesture:
    """The state of a touch, and what it says in a moment."""

    touch: Touch
    state: dict[str, Handle]
    speed: LiftSpeed | None = None
    said: tuple[Handle, ...] = ()
    """What it says in a moment."""
    was: tuple[Handle, ...] = ()
    """How far it had gone as the moment began."""
    ends: Handle | None = None
    """1 where its fingers lift in this moment, -1 where they begin."""
    lifted: tuple[Handle, ...] = ()
    """How fast they went then, a second."""

    @classmethod
    def new(cls, state: State, stem: str, touch: Touch, *, runs_out: bool) -> Gesture:
        """New state for one touch; `runs_out`: whether the speed at which fingers lift matters."""
        kept = {
            "drag": ("way_x", "way_y", "past") if touch.after_travel.value else (),
            "two_finger_drag": ("way_x", "way_y", "past") if touch.after_travel.value else (),
            "spread": ("begun", "value"),
            "twist": ("begun", "value", "across_x", "across_y", "turned"),
            "thumb_pad": ("centre_x", "centre_y"),
        }[touch.kind]
        starts = dict(zip(("centre_x", "centre_y"), touch.centre or (), strict=False))
        handles = {name: state.new(f"{stem}_{name}", starts.get(name, 0.0)) for name in kept}
        if touch.kind != "thumb_pad":
            # another program knows it by its touch, and so does who asks what was said
            for part in "xy":
                role = f"{APART}touch.{touch.name}.said{APART}_{part}"
                handles[f"said_{part}"] = state.new(f"{stem}_said_{part}", saved_as=role)
        said = () if touch.kind == "thumb_pad" else (state.new(f"{stem}_now_{part}") for part in "xy")
        one = cls(touch, handles, LiftSpeed.new(state, f"{stem}_lift") if runs_out else None)
        one.said = tuple(said)
        if runs_out:
            one.was = tuple(state.new(f"{stem}_went_{part}") for part in "xy")
            one.ends = state.new(f"{stem}_ends")
            one.lifted = tuple(state.new(f"{stem}_lifted_{part}") for part in "xy")
        return one

    @property
    def needs(self) -> float:
        """How many fingers it takes."""
        return 2.0 if self.touch.kind in DOUBLE else 1.0

    def open_moment(self, block: Block) -> None:
        """Write that nothing is said yet."""
        for one in self.said:
            block.set(one, 0.0)
        for one, way in zip(self.was, self.speed.way if self.speed else (), strict=True):
            block.set(one, way)

    def begin(self, block: Block, screen: Screen, way: tuple[Value, Value]) -> None:
        """Write that its fingers start, after the distance (screens) that one of them waited for."""
        if "past" in self.state:
            for name, part in zip(("way_x", "way_y"), way, strict=True):
                block.set(self.state[name], part)
            (far,) = block.call(shaping.length, *way)
            block.set(self.state["past"], flag(far >= screen.length(self.touch.after_travel) - _NEARLY))
        if self.speed and self.ends is not None:
            self.speed.begin(block)
            block.set(self.ends, -1.0)

    def lift(self, block: Block, cancels: Value) -> None:
        """Write that too few of its fingers are left; cancelled fingers do not glide."""
        if self.speed is None or self.ends is None:
            return
        tests = [cancels == 0.0] + ([self.state["past"] != 0.0] if "past" in self.state else [])
        for one, part in zip(self.lifted, self.speed.speed(block), strict=True):
            block.set(one, where(every(tests), part, 0.0))
        block.set(self.ends, 1.0)

    def pair(self, block: Block, screen: Screen, pair: tuple[Value, Value, Value, Value]) -> None:
        """Write that another two fingers make it from here on, without a jump."""
        if "begun" not in self.state:
            return
        block.set(self.state["begun"], block.call(fingers.gap, *pair, screen.wide, screen.tall)[0])
        block.set(self.state["value"], 0.0)
        if "turned" in self.state:
            block.set(self.state["turned"], 0.0)
            self._across(block, screen, pair)

    def _across(self, block: Block, screen: Screen, pair: tuple[Value, Value, Value, Value]) -> None:
        ax, ay, bx, by = pair
        block.set(self.state["across_x"], (bx - ax) * screen.wide)
        block.set(self.state["across_y"], (by - ay) * screen.tall)

    def go(self, block: Block, step: Step, yields: bool) -> None:
        """Write what its fingers say as they move; `yields`: whether two fingers belong to another touch."""
        if self.touch.kind == "thumb_pad":
            return
        tests = [step.counting >= self.needs] if self.needs > 1.0 else []
        tests += [step.counting < 2.0] if yields else []
        with block.when(every(tests)) if tests else nullcontext():
            if self.needs > 1.0 and self.touch.kind != "two_finger_drag":
                self._two(block, step)
            else:
                self._drag(block, step)

    def _drag(self, block: Block, step: Step) -> None:
        if self.speed:
            self.speed.go(block, step.moved)
        if "past" not in self.state:
            self._say(block, step.moved)
            return
        way, past = (self.state["way_x"], self.state["way_y"]), self.state["past"]
        with block.when(past != 0.0):
            self._say(block, step.moved)
        with block.otherwise():
            travel = block.keep("travel", step.screen.length(self.touch.after_travel))
            (over,) = block.call(switching.beyond, *way, *step.moved, travel)
            for one, part in zip(way, step.moved, strict=True):
                block.set(one, one + part)
            with block.when(block.call(shaping.length, *way)[0] > travel):
                block.set(past, 1.0)
                # what it took to get going is dropped, to the very place where it was enough
                self._say(block, (step.moved[0] * over, step.moved[1] * over))

    def _two(self, block: Block, step: Step) -> None:
        screen, state, travel = step.screen, self.state, step.screen.length(self.touch.after_travel)
        if self.touch.kind == "spread":
            (now,) = block.call(fingers.gap, *step.pair, screen.wide, screen.tall)
            (value,) = block.call(fingers.spread, now, state["begun"], travel)
        else:
            before = block.keep("across_x", state["across_x"]), block.keep("across_y", state["across_y"])
            self._across(block, screen, step.pair)
            (by,) = block.call(fingers.turned, *before, state["across_x"], state["across_y"])
            block.set(state["turned"], state["turned"] + by)
            # the travel is the arc on which one finger goes about the other
            arc = travel * _DEGREES / state["begun"]
            (value,) = block.call(fingers.outside, state["turned"], arc)
        moved = block.keep("moved", value - state["value"]), lift(0.0)
        block.set(state["value"], value)
        if self.speed:
            self.speed.go(block, moved)
        self._say(block, moved)

    def _say(self, block: Block, moved: tuple[Value, Value]) -> None:
        for name, one, part in zip(("said_x", "said_y"), self.said, moved, strict=True):
            if not part.is_zero:
                block.set(one, one + part)
                block.set(self.state[name], self.state[name] + part)

    # ---- pads

    def centre(self, block: Block, x: Value, y: Value) -> None:
        """Write where the middle of a pad is, when its finger lands at a place."""
        fixed_x, fixed_y = self.touch.centre or (x, y)
        block.set(self.state["centre_x"], fixed_x)
        block.set(self.state["centre_y"], fixed_y)

    def pushed(self, block: Block, screen: Screen, x: Value, y: Value) -> tuple[Value, ...]:
        """Write what a finger at a place does to a pad; returns where it is pushed."""
        radius = block.keep("radius", screen.length(self.touch.radius))
        middle = self.state["centre_x"], self.state["centre_y"]
        sides = (screen.wide, screen.tall)
        away = [
            block.keep("away", (at - one) * side) for at, one, side in zip((x, y), middle, sides, strict=True)
        ]
        if self.touch.follows:
            after = block.call(fingers.trailing, *away, radius)
            for one, part, side in zip(middle, after, sides, strict=True):
                block.set(one, one + part / side)
            away = [block.keep("away", one - part) for one, part in zip(away, after, strict=True)]
        return block.call(fingers.pushed, *away, radius)


def held_place(block: Block, travel: Value, far: Value, at: Value, landed: Value) -> Value:
    """Where a drag holds its point, along one side, for a finger `at` a place that went `far` (screens)."""
    (share,) = block.call(fingers.eased, far, travel)
    return where(share >= 1.0, at, landed + (at - landed) * share)

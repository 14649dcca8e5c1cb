"""Panning: the middle of a view that goes over a plane, and what is pinned there.

Not the middle itself is added up but an *anchor*: the point of the plane under one place of the
screen, the *pin*. The middle is the anchor minus the pin's offset from it, by the angles, distance and
zoom of that moment. So the point under the pointer stays there however the zoom eases; without a pin the
anchor is the middle. What pans adds to the anchor, turned by the yaw.
"""

from __future__ import annotations

from dataclasses import dataclass
from math import copysign, cos, inf, radians, sin
from typing import TYPE_CHECKING

from ..basics import altered
from ..expressions import Name, Word, every, exp, lift, some, total, where, worked_out
from ..formulas import clamp, ground_under, nearer, picture_under, right, screen_of_ground
from ..plan import BEYOND, PANS
from ..plan.mounts import Flat, Overhead

if TYPE_CHECKING:
    from ..expressions import Block, Handle, State, Value
    from ..plan import Axis, Route
    from ..plan.steps import Wish
    from .parts import Parts

SCREEN = "host.screen"
"""The signal of how large the screen is."""


@dataclass(eq=False)
class Pin:
    """The state of a point that stays under a place of the screen."""

    pinned: Handle
    """1 while there is one."""
    grabbed: Handle
    """1 while it is held in the hand: it goes with the hand alone."""
    place: tuple[Handle, ...]
    """Where on the screen it is."""
    yaw: Handle
    """The yaw and the pitch as they were when it was pinned: turning is about the middle."""
    pitch: Handle

    @classmethod
    def new(cls, state: State, stem: str) -> Pin:
        """New state, without a pin; `stem` is what its names begin with."""
        pinned, grabbed, x, y, yaw, pitch = (
            state.new(f"{stem}_{name}") for name in ("pinned", "grabbed", "x", "y", "yaw", "pitch")
        )
        return cls(pinned, grabbed, (x, y), yaw, pitch)


class Pan:
    """Writes what one mount does with its pans."""

    def __init__(self, parts: Parts, k: int, mount: Overhead | Flat) -> None:
        self.parts, self.k, self.mount = parts, k, mount
        self.keys = tuple(str(parts.plan.mounts.of(k, name)) for name in PANS)
        self.anchor = tuple(parts.variables[key] for key in self.keys)
        self.stem = f"pan{k}"
        turns = parts.plan.mounts.of(k, "yaw")
        self.turn = None if isinstance(turns, str) else 0.0 if turns is None else worked_out(radians, turns)
        """The yaw, in radians, if nothing turns it."""
        self.sin, self.cos = Word(f"{self.stem}_sin"), Word(f"{self.stem}_cos")
        """Of the yaw, in the mean of a step."""
        self.began, self.screen = Word(f"{self.stem}_began"), Word(f"{self.stem}_screen")
        """As a step begins: the yaw (deg); how many metres a screen is."""
        pins = any(route.pins for route in parts.plan.routes)
        self.pin = Pin.new(parts.state, self.stem) if pins else None

    @staticmethod
    def free(axis: Axis) -> Axis:
        """A pan as it is added up, without limits: those of the middle are applied here."""
        return altered(axis, low=-inf, high=inf)

    def has(self, name: str) -> str:
        """The key of a moving axis of this mount; None for one that does not move."""
        key = self.parts.plan.mounts.of(self.k, name)
        return key if isinstance(key, str) else ""

    # ---- what it is made of

    def _value(self, block: Block, name: str) -> Value:
        """An axis of this mount, as a frame would read it, but not wrapped."""
        found = self.parts.plan.mounts.of(self.k, name)
        if found is None:
            return lift(1.0 if name == "zoom" else 0.0)
        if not isinstance(found, str):
            return lift(found)
        axis, value = self.parts.axes[found], self.parts.leaning_of(found)
        # an offset may lean an axis past its limits; what is seen is not
        if axis.limited and self.parts.leans[axis.name]:
            (value,) = block.call(clamp, value, **axis.limits)
        return exp(value) if axis.log else value

    def _under(self, block: Block, pin: Pin) -> tuple[Value, Value]:
        """Write where the pin is, relative to the middle."""
        zoom, place = self._value(block, "zoom"), (*pin.place, *self.parts.raw[SCREEN])
        if isinstance(self.mount, Flat):
            x, y = block.call(picture_under, *place, zoom, extent=self.mount.extent)
            return x, y
        ways = [
            where(pin.grabbed != 0.0, self._value(block, name), kept)
            for name, kept in (("yaw", pin.yaw), ("pitch", pin.pitch))
        ]
        distance = self._value(block, "distance")
        x, y = block.call(ground_under, *place, *ways, distance, zoom, half=self.mount.half)
        return x, y

    def middle(self, block: Block) -> tuple[Value, Value]:
        """Write where the middle of the view is; returns what holds it."""
        if self.pin is None:
            return self.anchor[0], self.anchor[1]
        x, y = (block.names.fresh(f"{self.stem}_middle_{part}") for part in "xy")
        for name, anchor in zip((x, y), self.anchor, strict=True):
            block.set(name, anchor)
        with block.when(self.pin.pinned != 0.0):
            for name, under in zip((x, y), self._under(block, self.pin), strict=True):
                block.set(name, name - under)
        return x, y

    # ---- what moves it

    def wish(self, route: Route, key: str, *, slow: bool = False) -> Wish:
        """What a route wants of the anchor, from what it wants of each pan."""
        parts, zero = self.parts.routes[route.name], lift(0.0)
        held = parts.slow if slow else parts.wanted
        wanted = {name: held[name] for name in PANS if name in route.drives}
        pair: list[Value] = [wanted.get(name, zero) for name in PANS]
        x, y = self._turned(pair[0], pair[1], *self._heading())
        wish = self.parts.wish(x if key == self.keys[0] else y, route, key)
        wish.wanted = tuple(wanted.values())
        if route.screens:
            wish.means = (*(wish.means or wish.factors), self.screen)
        return wish

    def _heading(self) -> tuple[Value, Value]:
        """The sine and the cosine of the yaw over a step."""
        if self.turn is None:
            return self.sin, self.cos
        return lift(worked_out(sin, self.turn)), lift(worked_out(cos, self.turn))

    @staticmethod
    def _turned(x: Value, y: Value, s: Value, c: Value) -> tuple[Value, Value]:
        """To +X and to -Z, from right and ahead."""
        return (x, y) if s.is_zero else (x * c + y * s, y * c - x * s)

    def push(self, block: Block, route: Route, pushes: dict[str, Name]) -> dict[str, Name]:
        """Turn a displacement to where the view looks; returns each key's push."""
        x, y = (pushes.get(name, lift(0.0)) for name in PANS)
        if self.turn is None:
            c, _, s = block.call(right, self._value(block, "yaw"))
            turned = self._turned(x, y, s, c)
        else:
            turned = self._turned(x, y, *self._heading())
        found = {
            key: block.keep(f"{self.stem}_push", value) for key, value in zip(self.keys, turned, strict=True)
        }
        if route.screens:
            size = self._screen(block)
            for name in found.values():
                block.set(name, name * size)
        return found

    def _screen(self, block: Block) -> Value:
        """The size of a screen at the middle of the view, in metres."""
        zoom = self._value(block, "zoom")
        if isinstance(self.mount, Flat):
            return self.mount.extent / zoom
        sides, distance = self.parts.raw[SCREEN], self._value(block, "distance")
        return block.call(screen_of_ground, *sides, distance, zoom, half=self.mount.half)[0]

    # ---- between events

    def before(self, block: Block) -> None:
        """Keep what pans depend on at the start of a step."""
        if self.turn is None:
            block.set(self.began, self._value(block, "yaw"))
        if self._in_screens:
            block.set(self.screen, self._screen(block))

    @property
    def _in_screens(self) -> bool:
        return any(route.screens and route.effect == "rate" for route in self.parts.plan.routes)

    def pass_time(self, block: Block) -> None:
        """What happens in `dt`: the anchor moves by the mean yaw and screen size, then the limits."""
        if self.turn is None:  # exact while the yaw turns at a constant rate, and the same at any frames
            mean = 0.5 * (self.began + self._value(block, "yaw"))
            block.call(right, mean, into=(self.cos, Word(f"{self.stem}_level"), self.sin))
        if self._in_screens:
            block.set(self.screen, 0.5 * (self.screen + self._screen(block)))
        for key in self.keys:
            self.parts.flows[key].pass_turns(block)
            self.parts.flows[key].pass_time(block)
        self.bound(block)

    def bound(self, block: Block) -> None:
        """Keep the middle, and where it will end, inside its limits."""
        axes = [self.parts.axes[key] for key in self.keys]
        if not (self.mount.bounds or any(axis.limited for axis in axes)):
            return
        middle = self.middle(block)
        flows = [self.parts.flows[key] for key in self.keys]
        owed: list[list[Value]] = [[pool.held for pool in flow.pools] for flow in flows]
        ends = [total([at, *more]) for at, more in zip(middle, owed, strict=True)]
        goals = self._held(block, *ends)
        values = (
            self._held(block, *middle) if any(owed) else goals
        )  # nothing is owed: where it is to come to is it
        for flow, at, value, goal, more in zip(flows, middle, values, goals, owed, strict=True):
            if more:
                # what is cut off of the goal is taken from the first of its pools: their sum is what counts
                first = flow.pools[0].held
                block.set(first, first + (goal - value) - total(more))
            block.set(flow.value, flow.value + (value - at))

    def _held(self, block: Block, x: Value, y: Value) -> tuple[Name, Name]:
        """The nearest place inside the limits."""
        found = []
        for key, value in zip(self.keys, (x, y), strict=True):
            axis, name = self.parts.axes[key], block.keep(f"{self.stem}_held", value)
            if axis.limited:
                block.call(clamp, name, into=(name,), **axis.limits)
            found.append(name)
        if self.mount.bounds:
            self._inside(block, found[0], found[1])
        return found[0], found[1]

    def _inside(self, block: Block, x: Name, y: Name) -> None:
        """Move a place outside the bounds to the nearest one on them."""
        corners = self.mount.bounds
        edges = list(zip(corners, (*corners[1:], corners[0]), strict=True))
        # twice the area, by its sign which way round the corners go: inside is then to the left of each edge
        area = sum((a[0] * b[1] - b[0] * a[1] for a, b in edges), 0.0)
        sign = worked_out(copysign, 1.0, area)
        ways = [((bx - ax) * sign, (by - ay) * sign) for (ax, ay), (bx, by) in edges]
        tests = [dx * (y - ay) < dy * (x - ax) for ((ax, ay), _), (dx, dy) in zip(edges, ways, strict=True)]
        best = tuple(block.names.fresh(f"{self.stem}_{word}") for word in ("edge_x", "edge_y", "away"))
        with block.when(some(tests)):
            for name, start in zip(best, (x, y, lift(BEYOND)), strict=True):
                block.set(name, start)
            for ((ax, ay), (bx, by)), (dx, dy) in zip(edges, ways, strict=True):
                square = dx * dx + dy * dy
                block.call(nearer, x, y, *best, into=best, ax=ax, ay=ay, bx=bx, by=by, square=square)
            block.set(x, best[0])
            block.set(y, best[1])

    # ---- pins

    def take(self, block: Block, pointer: str, *, grab: bool) -> None:
        """Pin what is under the pointer."""
        assert self.pin is not None
        pin, at = self.pin, self.middle(block)
        names = [block.names.fresh(f"{self.stem}_at_{part}") for part in "xy"]
        for name, value in zip(names, at, strict=True):
            block.set(name, value)
        self._point(block, pin, pointer)
        block.set(pin.pinned, 1.0)
        block.set(pin.grabbed, 1.0 if grab else 0.0)
        self._freeze(block, pin)
        for anchor, name, under in zip(self.anchor, names, self._under(block, pin), strict=True):
            block.set(anchor, name + under)
        # what still eases would pull the point out from under the pointer
        for key in self.keys if grab else ():
            self.parts.flows[key].forget(block)

    def _point(self, block: Block, pin: Pin, pointer: str) -> None:
        """Put the pin where the pointer is."""
        for held, place in zip(pin.place, self.parts.raw[pointer], strict=True):
            block.set(held, place)

    def _freeze(self, block: Block, pin: Pin) -> None:
        """From now on turns are about the middle again."""
        block.set(pin.yaw, self._value(block, "yaw"))
        block.set(pin.pitch, self._value(block, "pitch"))

    def follow_pointer(self, block: Block, pointer: str) -> None:
        """Move what is grabbed with the pointer."""
        assert self.pin is not None
        self._point(block, self.pin, pointer)
        self.bound(block)

    def let_go(self, block: Block) -> None:
        """Let go: what was grabbed stays where it is."""
        assert self.pin is not None
        with block.when(self.pin.grabbed != 0.0):
            self._freeze(block, self.pin)
            block.set(self.pin.grabbed, 0.0)

    def unpin(self, block: Block, *, loosely: bool = True) -> None:
        """Go back to the middle; while something is grabbed only if not `loosely`."""
        if self.pin is None:
            return
        tests = [self.pin.pinned != 0.0, *([self.pin.grabbed == 0.0] if loosely else [])]
        with block.when(every(tests)):
            for anchor, name in zip(self.anchor, self.middle(block), strict=True):
                block.set(anchor, name)
            block.set(self.pin.pinned, 0.0)
            block.set(self.pin.grabbed, 0.0)

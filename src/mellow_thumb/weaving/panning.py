"""Panning: the woven text of the middle of a view that goes over a plane, and of what is pinned there.

What is added up is not the middle itself but an *anchor*: the point of the plane under one place of the
screen, the *pin*. The middle is the anchor less where the pin is from it, by the angles, the distance and the
zoom of that moment. So the point under the pointer stays there however the zoom eases; without a pin the
anchor is the middle. What pans adds to the anchor, turned by the yaw.
"""

from __future__ import annotations

from dataclasses import replace
from math import cos, inf, radians, sin
from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..formulas import clamp, ground_under, nearer, picture_under, right, screen_of_ground
from ..plan import FAR, PANS
from ..plan.mounts import Flat, Overhead

if TYPE_CHECKING:
    from ..plan import Axis, Route
    from .pools import Wish
    from .room import Room

SCREEN = "host.screen"
"""The signal of how large the screen is."""


class Pan:
    """Writes what one mount does with its pans."""

    def __init__(self, room: Room, k: int, mount: Overhead | Flat) -> None:
        self.room, self.k, self.mount = room, k, mount
        self.keys = tuple(str(room.plan.mounts.of(k, name)) for name in PANS)
        self.anchor = tuple(room.variables[key] for key in self.keys)
        self.stem = f"pan{k}"
        stem = self.stem
        turns = room.plan.mounts.of(k, "yaw")
        self.turn = None if isinstance(turns, str) else radians(turns or 0.0)
        """The yaw, in radians, if nothing turns it."""
        self.pins = any(route.pins for route in room.plan.routes)
        for name in ("pinned", "grabbed", "x", "y", "yaw", "pitch") if self.pins else ():
            room.state[f"{stem}_{name}"] = 0.0

    @staticmethod
    def free(axis: Axis) -> Axis:
        """A pan as it is added up: its limits are those of the middle, and held here."""
        return replace(axis, low=-inf, high=inf)

    def has(self, name: str) -> str:
        """The key of an axis of this mount that moves; nothing for one that does not."""
        key = self.room.plan.mounts.of(self.k, name)
        return key if isinstance(key, str) else ""

    # ---- what it is made of

    def _value(self, block: Block, name: str) -> str:
        """The woven value of an axis of this mount, as a frame would read it, but not wrapped."""
        found = self.room.plan.mounts.of(self.k, name)
        if found is None:
            return "1.0" if name == "zoom" else "0.0"
        if isinstance(found, float):
            return number(found)
        axis, value = self.room.axes[found], self.room.leaning_of(found)
        if axis.limited and self.room.leans[axis.name]:
            (value,) = block.call(clamp, value, **axis.limits)
        return f"exp({value})" if axis.log else value

    def _sides(self) -> tuple[str, str]:
        wide, tall = self.room.raw[SCREEN]
        return wide, tall

    def _under(self, block: Block) -> tuple[str, str]:
        """Write where the pin is, from the middle."""
        stem, zoom = self.stem, self._value(block, "zoom")
        place = (f"{stem}_x", f"{stem}_y", *self._sides())
        if isinstance(self.mount, Flat):
            x, y = block.call(picture_under, *place, zoom, extent=self.mount.extent)
            return x, y
        ways = [
            f"({self._value(block, name)} if {stem}_grabbed != 0.0 else {stem}_{name})"
            for name in ("yaw", "pitch")
        ]
        distance = self._value(block, "distance")
        x, y = block.call(ground_under, *place, *ways, distance, zoom, half=self.mount.half)
        return x, y

    def middle(self, block: Block) -> tuple[str, str]:
        """Write where the middle of the view is; what holds it."""
        if not self.pins:
            return self.anchor[0], self.anchor[1]
        names = tuple(self.room.names.fresh(f"{self.stem}_middle_{part}") for part in "xy")
        pinned = block.inner()
        for name, anchor in zip(names, self.anchor, strict=True):
            block.set(name, anchor)
        for name, under in zip(names, self._under(pinned), strict=True):
            pinned.set(name, f"{name} - {under}")
        block.when(f"{self.stem}_pinned != 0.0", pinned)
        return names[0], names[1]

    # ---- what moves it

    def wish(self, route: Route, key: str, suffix: str = "") -> Wish:
        """What a route wants of the anchor, by what holds how much it wants of either pan."""
        room, other = self.room, {"x": "0.0", "y": "0.0"}
        stem = f"route{room.numbers[route.name]}"
        for name, part in zip(PANS, "xy", strict=True):
            held = f"{stem}_{room.variables[name]}{suffix}"
            if name in route.drives:
                other[part] = held
        x, y = self._turned(other["x"], other["y"], *self._heading())
        wish = room.wish(f"({x if key == self.keys[0] else y})", route, key)
        wish.still = " and ".join(f"{one} == 0.0" for one in other.values() if one != "0.0")
        if route.screens:
            wish.mean = f"{wish.mean or wish.rate} * {self.stem}_screen"
        return wish

    def _heading(self) -> tuple[str, str]:
        """The sine and the cosine of the yaw over a step, as they stand in the text."""
        if self.turn is not None:
            return number(sin(self.turn)), number(cos(self.turn))
        return f"{self.stem}_sin", f"{self.stem}_cos"

    @staticmethod
    def _turned(x: str, y: str, s: str, c: str) -> tuple[str, str]:
        """To +X and to -Z, of to the right and ahead."""
        if s == "0.0":
            return x, y
        return f"{x} * {c} + {y} * {s}", f"{y} * {c} - {x} * {s}"

    def push(self, block: Block, route: Route, pushes: dict[str, str]) -> dict[str, str]:
        """Turn a displacement to where the view looks; for each key what holds its push."""
        x, y = (pushes.get(name, "0.0") for name in PANS)
        if self.turn is None:
            c, _, s = block.call(right, self._value(block, "yaw"))
        else:
            s, c = self._heading()
        found = {}
        for key, words in zip(self.keys, self._turned(x, y, s, c), strict=True):
            name = self.room.names.fresh(f"{self.stem}_push")
            block.set(name, words)
            found[key] = name
        if route.screens:
            size = self._screen(block)
            for name in found.values():
                block.set(name, f"{name} * {size}")
        return found

    def _screen(self, block: Block) -> str:
        """What holds how many metres a screen is at the middle of the view."""
        wide, tall = self._sides()
        zoom = self._value(block, "zoom")
        if isinstance(self.mount, Flat):
            return f"({number(self.mount.extent)} / {zoom})"
        distance = self._value(block, "distance")
        return block.call(screen_of_ground, wide, tall, distance, zoom, half=self.mount.half)[0]

    # ---- between events

    def before(self, block: Block) -> None:
        """Write what a step begins with, of what its pans depend on."""
        if self.turn is None:
            block.set(f"{self.stem}_began", self._value(block, "yaw"))
        if self._in_screens:
            block.set(f"{self.stem}_screen", self._screen(block))

    @property
    def _in_screens(self) -> bool:
        return any(route.screens and route.effect == "rate" for route in self.room.plan.routes)

    def flow(self, block: Block) -> None:
        """What `dt` does: the anchor moves by the mean yaw and size of the screen, and the middle is held."""
        stem = self.stem
        if self.turn is None:
            mean = f"0.5 * ({stem}_began + {self._value(block, 'yaw')})"
            block.call(right, mean, into=(f"{stem}_cos", f"{stem}_level", f"{stem}_sin"))
        if self._in_screens:
            block.set(f"{stem}_screen", f"0.5 * ({stem}_screen + {self._screen(block)})")
        for key in self.keys:
            self.room.flows[key].weave_turns(block)
            self.room.flows[key].weave(block)
        self.bound(block)

    def bound(self, block: Block) -> None:
        """Hold the middle, and what is still to come of it, inside its limits."""
        axes = [self.room.axes[key] for key in self.keys]
        if not (self.mount.bounds or any(axis.limited for axis in axes)):
            return
        middle = self.middle(block)
        flows = [self.room.flows[key] for key in self.keys]
        owed = [" + ".join(pool.held for pool in flow.pools) for flow in flows]
        goals = self._held(
            block, *(f"{at} + {more}" if more else at for at, more in zip(middle, owed, strict=True))
        )
        values = self._held(block, *middle) if any(owed) else goals
        for flow, at, value, goal, more in zip(flows, middle, values, goals, owed, strict=True):
            if more:
                first = flow.pools[0].held
                block.set(first, f"{first} + ({goal} - {value}) - ({more})")
            block.set(flow.value, f"{flow.value} + ({value} - {at})")

    def _held(self, block: Block, x: str, y: str) -> tuple[str, str]:
        """The place nearest to one inside the limits."""
        axes = [self.room.axes[key] for key in self.keys]
        found = []
        for axis, value in zip(axes, (x, y), strict=True):
            name = self.room.names.fresh(f"{self.stem}_held")
            block.set(name, value)
            if axis.limited:
                block.call(clamp, name, into=(name,), **axis.limits)
            found.append(name)
        if self.mount.bounds:
            self._inside(block, found[0], found[1])
        return found[0], found[1]

    def _inside(self, block: Block, x: str, y: str) -> None:
        """Bring a place that is outside the bounds to the nearest one on them."""
        corners = self.mount.bounds
        edges = list(zip(corners, (*corners[1:], corners[0]), strict=True))
        area = sum(a[0] * b[1] - b[0] * a[1] for a, b in edges)
        sign, tests, inner = 1.0 if area > 0.0 else -1.0, [], block.inner()
        best = tuple(self.room.names.fresh(f"{self.stem}_{word}") for word in ("edge_x", "edge_y", "away"))
        for name, start in zip(best, (x, y, number(FAR)), strict=True):
            inner.set(name, start)
        for (ax, ay), (bx, by) in edges:
            dx, dy = (bx - ax) * sign, (by - ay) * sign
            tests.append(f"{number(dx)} * ({y} - {number(ay)}) < {number(dy)} * ({x} - {number(ax)})")
            square = dx * dx + dy * dy
            inner.call(nearer, x, y, *best, into=best, ax=ax, ay=ay, bx=bx, by=by, square=square)
        inner.set(x, best[0])
        inner.set(y, best[1])
        block.when(" or ".join(tests), inner)

    # ---- pins

    def take(self, block: Block, pointer: str, *, grab: bool) -> None:
        """Pin what is under the pointer."""
        x, y = self.middle(block)
        stem = self.stem
        names = [self.room.names.fresh(f"{stem}_at_{part}") for part in "xy"]
        for name, value in zip(names, (x, y), strict=True):
            block.set(name, value)
        for part, place in zip("xy", self.room.raw[pointer], strict=True):
            block.set(f"{stem}_{part}", place)
        block.set(f"{stem}_pinned", "1.0")
        block.set(f"{stem}_grabbed", "1.0" if grab else "0.0")
        self._freeze(block)
        for anchor, name, under in zip(self.anchor, names, self._under(block), strict=True):
            block.set(anchor, f"{name} + {under}")
        for key in self.keys if grab else ():
            self.room.flows[key].forget(block)

    def _freeze(self, block: Block) -> None:
        """From now on turning is about the middle again."""
        for name in ("yaw", "pitch"):
            block.set(f"{self.stem}_{name}", self._value(block, name))

    def follow_pointer(self, block: Block, pointer: str) -> None:
        """What is grabbed goes with the pointer."""
        for part, place in zip("xy", self.room.raw[pointer], strict=True):
            block.set(f"{self.stem}_{part}", place)
        self.bound(block)

    def let_go(self, block: Block) -> None:
        """What was grabbed stays where it is."""
        inner = block.inner()
        self._freeze(inner)
        inner.set(f"{self.stem}_grabbed", "0.0")
        block.when(f"{self.stem}_grabbed != 0.0", inner)

    def unpin(self, block: Block, *, loosely: bool = True) -> None:
        """The middle is what counts again; while something is grabbed only if not `loosely`."""
        if not self.pins:
            return
        inner = block.inner()
        for anchor, name in zip(self.anchor, self.middle(inner), strict=True):
            inner.set(anchor, name)
        inner.set(f"{self.stem}_pinned", "0.0")
        inner.set(f"{self.stem}_grabbed", "0.0")
        grabbed = f" and {self.stem}_grabbed == 0.0" if loosely else ""
        block.when(f"{self.stem}_pinned != 0.0{grabbed}", inner)

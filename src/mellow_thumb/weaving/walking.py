"""Walking: how a character moves over time, and what a frame reads of it."""

from __future__ import annotations

from contextlib import nullcontext
from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ..expressions import FALSE, TRUE, cases, every, flag, lift, product_of, some, total, where, worked_out
from ..formulas import bearing, on_disc, toward, walked, wrapped
from ..plan import DT, GLIDE, POINTED, WORLD_RATE
from ..plan.mounts import Eye, Orbit

if TYPE_CHECKING:
    from ..expressions import Block, Handle, State, Value
    from ..plan import Movement
    from .parts import Parts

READ = ("velocity_x", "velocity_y", "velocity_z", "moved_x", "moved_y", "moved_z", "heading", "forward")
"""What a frame reads of it, in order."""

WALKED = READ[3:7]
"""What of that a pose is made of: where the character is and which way it faces."""

MEANT = 30.0
"""Degrees by which a stick must point elsewhere to be told from one that is held and trembles."""

FACTS = ("host.slope", "host.platform", "host.lift")
"""What the host says of the ground that is walked on."""


@dataclass(eq=False)
class WalkState:
    """The state of a walking character."""

    velocity_x: Handle
    """m/s, to +X."""
    velocity_z: Handle
    moved: tuple[Handle, ...]
    """How far it went since the beginning, m."""
    heading: Handle
    """Which way it faces, deg."""
    yaw_then: Handle
    """Where forward was as the last step ended, deg."""
    uneven: Handle
    """1 while the ground is more than a level floor."""
    view_from: Handle | None = None
    """The mount from which "forward" is seen, where there are several."""
    aside: Handle | None = None
    """How far (deg) a view that goes back behind the walk has turned by itself: so far is forward from it."""
    held: Handle | None = None
    """Where the stick pointed as it began (deg)."""
    entries: dict[int, Handle] = field(default_factory=dict)
    """For a mount that is measured from it: which way it faced as that took over, deg."""

    @classmethod
    def new(
        cls, state: State, movement: Movement, yaw: float, *, several: bool, returning: bool
    ) -> WalkState:
        """New state: standing, looking along a yaw (deg); a view may be `returning` behind it."""
        names = ("velocity_x", "velocity_z", "moved_x", "moved_y", "moved_z", "heading", "yaw_then", "uneven")
        seen = movement.relative_to == "camera"
        starts = {"yaw_then": yaw if seen else 0.0}
        vx, vz, x, y, z, heading, then, uneven = (state.new(name, starts.get(name, 0.0)) for name in names)
        one = cls(vx, vz, (x, y, z), heading, then, uneven)
        if several and seen:
            one.view_from = state.new("view_from")
        if returning and seen:
            one.aside, one.held = state.new("aside"), state.new("stick_held")
        return one


class Walk:
    """Writes into blocks what movement does."""

    def __init__(self, parts: Parts, movement: Movement, state: WalkState) -> None:
        self.parts, self.movement, self.state = parts, movement, state
        self.first: Value | None = None
        """The test of whether it is seen in first person, where no mount says so."""

    def reference(self) -> Value:
        """The yaw that "forward" is measured from."""
        relative = self.movement.relative_to
        if relative == "body":
            return self._heading()
        if relative == "world":
            return lift(0.0)
        if relative in POINTED:
            return self.parts.leaning("yaw") + self.parts.raw[f"host.{relative}_yaw"][0]
        looks = self.parts.in_force("yaw", self._seen_yaw, self.state.view_from)
        return looks if self.state.aside is None else looks - self.state.aside

    def turned_aside(self, block: Block, mount: int, turn: Value) -> None:
        """Write that a view has turned by itself: a walk goes on in its old direction."""
        aside, look = self.state.aside, self.state.view_from
        if aside is not None:
            whole = aside + turn
            block.set(aside, whole if look is None else where(look == float(mount), whole, aside))

    def _point(self, block: Block) -> None:
        """The stick has moved: if far enough, forward is again where the view looks."""
        aside, held, (x, y, _) = self.state.aside, self.state.held, self.parts.go
        if aside is None or held is None:
            return
        (points,) = block.call(bearing, x, y)
        (off,) = block.call(wrapped, points - held)
        meant = some([every([x == 0.0, y == 0.0]), abs(off) > MEANT, aside == 0.0])
        with block.when(meant):
            block.set(held, points)
            block.set(aside, 0.0)
            block.set(self.state.yaw_then, self.reference())

    def _seen_yaw(self, key: str, k: int) -> Value:
        """The yaw of a view, including its offsets and what it is measured from."""
        return total([self.parts.leaning_of(key), *self.base(k)])

    def base(self, k: int) -> list[Value]:
        """What to add to a mount's yaw for the direction in which it looks."""
        mount = self.parts.plan.mounts.all[k].mount
        frame = mount.frame if isinstance(mount, Eye | Orbit) else "world"
        if frame == "subject":
            return [self.state.heading]
        if frame == "target":
            return [self.parts.raw["host.target"][0]]
        return [self.state.entries[k]] if frame == "entry" and k in self.state.entries else []

    def turn_over(self, block: Block) -> None:
        """Use the active mount's yaw: the change is not a turn.

        A walk keeps its direction through a cut, until the stick is let go.
        """
        state, go = self.state, self.parts.go
        if state.view_from is None or self.parts.mount_parts is None:
            return
        look = block.keep("look", state.view_from)
        stands = every([go[0] == 0.0, go[1] == 0.0])
        block.set(state.view_from, where(stands, self.parts.mount_parts.mount, state.view_from))
        with block.when(state.view_from != look):
            block.set(state.yaw_then, self.reference())

    def heed(self, block: Block) -> None:
        """Write where movement goes, inside the unit disc, if something it depends on has changed."""
        x, y, direction = self.parts.go
        self.grounded(block)
        if not go_on(block, self.parts):
            return
        if "travel" in self.movement.facing:
            block.call(bearing, x, y, into=(direction,))
        self._point(block)
        self.turn_over(block)

    def grounded(self, block: Block) -> None:
        """Write whether the ground is more than a level floor, if that may have changed."""
        facts = [one for name in FACTS for one in self.parts.raw[name]]
        if block.changes(*facts):
            block.set(self.state.uneven, flag(some(fact != 0.0 for fact in facts)))

    def pass_time(self, block: Block, bend: Value) -> None:
        """Write what happens in `dt`, unless the world stands still. `bend` is how unsteady the yaw is."""
        state, movement, raw = self.state, self.movement, self.parts.raw
        x, y, z = state.moved
        yaw = self.reference()
        with block.when(WORLD_RATE != 0.0):
            # a gate that slows the walk acts at its own moment, not at the next frame
            scales = [self.parts.switching.scale(*one) for one in movement.scales]
            asked = [
                block.keep(f"wish_{part}", product_of([go, movement.speed, *scales]))
                for part, go in zip("xy", self.parts.go, strict=False)
            ]
            now = block.keep("yaw_now", yaw) if yaw.parts else yaw
            gone_x, gone_z = (block.names.fresh(word) for word in ("gone_x", "gone_z"))
            time = block.keep("world_dt", DT * WORLD_RATE)
            velocity = (state.velocity_x, state.velocity_z)
            brake = worked_out(max, movement.braking, GLIDE)
            block.call(
                walked, *asked, state.yaw_then, now, bend, time, *velocity,
                into=(*velocity, gone_x, gone_z), gain=movement.acceleration, brake=brake,
            )  # fmt: skip
            block.set(x, x + gone_x)
            block.set(z, z + gone_z)
            # most floors are level, and do not move
            with block.when(state.uneven != 0.0):
                (slope_x, slope_y), (ride_x, ride_y) = raw["host.slope"], raw["host.platform"]
                block.set(x, x + ride_x * time)
                block.set(y, y + gone_x * slope_x + gone_z * slope_y + raw["host.lift"][0] * time)
                block.set(z, z + ride_y * time)
            self._face(block, now, time)
        block.set(state.yaw_then, yaw)

    def _in_first_person(self) -> Value:
        """The test of whether the character always faces where the view looks.

        That is so for an eye whose body turns, unless the host turns the character.
        """
        if self.first is not None:
            return self.first
        facing, parts = self.movement.facing, self.parts
        mounts = parts.plan.mounts.all
        eyes = [k for k, one in enumerate(mounts) if isinstance(one.mount, Eye) and one.mount.turns == "body"]
        tests = [] if parts.mount_parts is None else [some(parts.mount_parts.mount == float(k) for k in eyes)]
        if "free" in facing:
            turned = (
                (parts.switching.holds(one) != 0.0, float(face != "free"))
                for one, face in self.movement.faces
            )
            tests.append(cases(turned, float(self.movement.face != "free")) != 0.0)
        return every(tests) if eyes else FALSE

    def _heading(self) -> Value:
        """Where the character faces, in degrees; in first person where the view looks now."""
        test = self._in_first_person()
        if test is FALSE:
            return self.state.heading
        return self._view() if test is TRUE else where(test, self._view(), self.state.heading)

    def _view(self) -> Value:
        """Where the view looks, in degrees, with every full turn."""
        return self.parts.in_force("yaw", self._seen_yaw)

    def face_view(self, block: Block) -> Value:
        """Write that the character faces where the view looks, if in first person; returns that test."""
        test = self._in_first_person()
        if test is not FALSE:
            with nullcontext() if test is TRUE else block.when(test):
                block.call(wrapped, self._view(), into=(self.state.heading,))
        return test

    def _face(self, block: Block, yaw: Value, time: Value) -> None:
        """Turn to where the character should face: at once in first person, else at its turn rate."""
        if set(self.movement.facing) == {"free"}:
            return
        test = self.face_view(block)
        if test is not TRUE:
            with nullcontext() if test is FALSE else block.otherwise():
                self._turn(block, yaw, time)

    def _turn(self, block: Block, yaw: Value, time: Value) -> None:
        """Turn to where the character should face, at its turn rate."""
        facing, heading, (x, y, direction) = self.movement.facing, self.state.heading, self.parts.go
        way = block.names.fresh("way")
        ways: dict[str, Value] = {"free": lift(0.0)}
        if "travel" in facing:
            (turn,) = block.call(wrapped, yaw + direction - heading)
            ways["travel"] = where(some([x != 0.0, y != 0.0]), turn, 0.0)
        if "view" in facing:
            (ways["view"],) = block.call(wrapped, self._view() - heading)
        chosen = ways[self.movement.face]
        for condition, face in reversed(self.movement.faces):
            chosen = where(self.parts.switching.holds(condition) != 0.0, ways[face], chosen)
        block.set(way, chosen)
        (turned,) = block.call(toward, heading, way, time * self.movement.turn_rate)
        # a heading is kept wrapped, or it would lose digits by the thousandth turn
        block.call(wrapped, turned, into=(heading,))

    def read(self, block: Block) -> list[Value]:
        """What a frame reads, in the order of `READ`."""
        state, raw = self.state, self.parts.raw
        found = [block.names.fresh(f"read_{name}") for name in READ[:3]]
        for name, speed in zip(found, (state.velocity_x, lift(0.0), state.velocity_z), strict=True):
            block.set(name, speed)
        with block.when(state.uneven != 0.0):
            (slope_x, slope_y), (ride_x, ride_y) = raw["host.slope"], raw["host.platform"]
            rise = state.velocity_x * slope_x + state.velocity_z * slope_y + raw["host.lift"][0]
            moving = (state.velocity_x + ride_x, rise, state.velocity_z + ride_y)
            for name, speed in zip(found, moving, strict=True):
                block.set(name, speed)
        (forward,) = block.call(wrapped, self.reference())
        heading = self._heading()
        if heading is not state.heading:
            (heading,) = block.call(wrapped, heading)
        return [*found, *state.moved, heading, forward]

    @property
    def still(self) -> list[Value]:
        """Tests that hold while nobody walks."""
        state, go = self.state, self.parts.go
        return [one == 0.0 for one in (state.velocity_x, state.velocity_z, *go[:2], state.uneven)]


def go_on(block: Block, parts: Parts) -> bool:
    """Write where movement goes, if something it depends on has changed; returns whether it has."""
    if not parts.moving or not block.changes(*parts.moves_wanted):
        return False
    block.call(on_disc, *parts.moves_wanted, into=parts.go[:2])
    return True

"""Walking: the woven text of what time does to a character, and of what a frame reads of it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..formulas import toward, walked, wrapped
from ..plan import GLIDE, HANDS
from ..plan.mounts import Eye, Orbit
from .pools import WORLD_RATE

if TYPE_CHECKING:
    from ..plan import Movement
    from .weaver import Weaver

GOING = ("go_x", "go_y", "go_bearing")
"""Where movement goes: right and forward inside the unit disc, and the direction of that (deg)."""

STATE = ("velocity_x", "velocity_z", "moved_x", "moved_y", "moved_z", "heading", "yaw_then", "uneven")
"""The state of a walk: m/s, metres since the beginning, degrees."""

READ = ("velocity_x", "velocity_y", "velocity_z", "moved_x", "moved_y", "moved_z", "heading", "forward")
"""What a frame reads of it, in order."""

WALKED = READ[3:7]
"""What of that a pose is made of: where the character is and which way it faces."""


class Walk:
    """Writes what a movement does into blocks."""

    def __init__(self, weaver: Weaver, movement: Movement) -> None:
        self.weaver, self.movement = weaver, movement

    def reference(self) -> str:
        """The yaw that "forward" is measured from."""
        if self.movement.relative_to == "body":
            return "heading"
        if self.movement.relative_to == "world":
            return "0.0"
        if self.movement.relative_to in HANDS:
            return f"{self.weaver.leaning('yaw')} + host_{self.movement.relative_to}_yaw"
        return self.weaver.in_force("yaw", self._seen_yaw, "view_from")

    def _seen_yaw(self, key: str, k: int) -> str:
        """The yaw of a view, its offsets and what it is measured from included."""
        return f"{self.weaver.leaning_of(key)}{self.base(k)}"

    def base(self, k: int) -> str:
        """What is to be added to the yaw of a mount for the direction in which it looks."""
        mount = self.weaver.plan.mounts.all[k].mount
        frame = mount.frame if isinstance(mount, Eye | Orbit) else "world"
        entry = f"entry{k}"
        froms = {"subject": " + heading", "target": " + host_target_x", "entry": f" + {entry}"}
        return "" if frame == "entry" and entry not in self.weaver.state else froms.get(frame, "")

    def turn_over(self, block: Block, new: str) -> None:
        """Look from another mount, whose yaw is another: that is no turn. `new` is its number."""
        look = self.weaver.names.fresh("look")
        block.set(look, "view_from")
        block.set("view_from", f"{new} if go_x == 0.0 and go_y == 0.0 else view_from")
        inner = block.inner()
        inner.set("yaw_then", self.reference())
        block.when(f"view_from != {look}", inner)

    def grounded(self, block: Block) -> None:
        """Keep whether the ground is more than a level floor, if something that says so has changed."""
        facts = ("host_slope_x", "host_slope_y", "host_platform_x", "host_platform_y", "host_lift")
        if block.assigned & set(facts):
            some = " or ".join(f"{fact} != 0.0" for fact in facts)
            block.set("uneven", f"1.0 if {some} else 0.0")

    def flow(self, block: Block, bend: str) -> None:
        """What `dt` does: nothing while the world stands still."""
        inner, movement = block.inner(), self.movement
        yaw = self.reference()
        scale = " * ".join(
            (number(movement.speed), *(self.weaver.switches.scale(*one) for one in movement.scales))
        )
        speed_x, speed_y, now = (self.weaver.names.fresh(word) for word in ("wish_x", "wish_y", "yaw_now"))
        inner.set(speed_x, f"go_x * {scale}")
        inner.set(speed_y, f"go_y * {scale}")
        inner.set(now, yaw)
        gone = tuple(self.weaver.names.fresh(word) for word in ("gone_x", "gone_z"))
        time = self.weaver.names.fresh("world_dt")
        inner.set(time, f"dt * {WORLD_RATE}")
        inner.call(
            walked, speed_x, speed_y, "yaw_then", now, bend, time, "velocity_x", "velocity_z",
            into=("velocity_x", "velocity_z", *gone),
            gain=movement.acceleration, brake=movement.braking or GLIDE,
        )  # fmt: skip
        uneven = inner.inner()
        rises = f"{gone[0]} * host_slope_x + {gone[1]} * host_slope_y"
        uneven.set("moved_x", f"moved_x + host_platform_x * {time}")
        uneven.set("moved_y", f"moved_y + {rises} + host_lift * {time}")
        uneven.set("moved_z", f"moved_z + host_platform_y * {time}")
        inner.set("moved_x", f"moved_x + {gone[0]}")
        inner.set("moved_z", f"moved_z + {gone[1]}")
        inner.when("uneven != 0.0", uneven)
        self._face(inner, now, time)
        block.when(f"{WORLD_RATE} != 0.0", inner)
        block.set("yaw_then", yaw)

    def _face(self, block: Block, yaw: str, time: str) -> None:
        """Turn to where the character is to face, as fast as it may."""
        if set(self.movement.facing) == {"free"}:
            return
        way = self.weaver.names.fresh("way")
        view = self.weaver.in_force("yaw", self._seen_yaw)
        targets = {"travel": f"{yaw} + go_bearing - heading", "view": f"{view} - heading"}
        ways = {
            face: block.call(wrapped, to)[0] for face, to in targets.items() if face in self.movement.facing
        }
        ways["free"] = "0.0"
        if "travel" in ways:
            ways["travel"] = f"({ways['travel']} if go_x != 0.0 or go_y != 0.0 else 0.0)"
        chosen = ways[self.movement.face]
        for condition, face in reversed(self.movement.faces):
            chosen = f"{ways[face]} if {self.weaver.switches.holds(condition)} != 0.0 else {chosen}"
        block.set(way, chosen)
        most = f"{time} * {number(self.movement.turn_rate)}"
        (turned,) = block.call(toward, "heading", way, most)
        block.call(wrapped, turned, into=("heading",))

    def read(self, block: Block) -> list[str]:
        """What a frame reads, in the order of `READ`."""
        found = [self.weaver.names.fresh(f"read_{name}") for name in READ[:3]]
        rise = "velocity_x * host_slope_x + velocity_z * host_slope_y + host_lift"
        for name, speed in zip(found, ("velocity_x", "0.0", "velocity_z"), strict=True):
            block.set(name, speed)
        uneven = block.inner()
        for name, speed in zip(
            found, ("velocity_x + host_platform_x", rise, "velocity_z + host_platform_y"), strict=True
        ):
            uneven.set(name, speed)
        block.when("uneven != 0.0", uneven)
        (forward,) = block.call(wrapped, self.reference())
        return [*found, "moved_x", "moved_y", "moved_z", "heading", forward]

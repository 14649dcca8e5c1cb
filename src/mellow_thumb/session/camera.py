"""What a session shows: the camera, with its kicks and shakes."""

from __future__ import annotations

from math import asin, degrees, radians, tan
from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed, nearest
from ..engines import rotation_of
from ..formulas import heading_of, wrapped
from ..plan import CURSORS, REDUCED
from ..plan.mounts import UP, Flat, Orbit, Overhead
from .shakes import Kick
from .steering import MOST
from .view import View, direction

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..engines import Subject
    from ..weaving import Posed
    from .answers import Answers
    from .clock import Clock, World
    from .coordinates import Coordinates
    from .running import Running
    from .view import Quadruple, Triple

HERE = (0.0, 0.0, 0.0)
"""The origin of a world that has not been moved."""
EASED = 0.1
"""Half-life in seconds, of what a view has yet to go after a player's settings have changed."""


class Camera:
    """Shows where the camera is; it never changes an axis."""

    def __init__(
        self, running: Running, answers: Answers, clock: Clock, world: World, coordinates: Coordinates | None
    ) -> None:
        self._coordinates = coordinates
        self._running, self._answers, self._clock, self._world = running, answers, clock, world
        self.kicks: list[Kick] = []
        """The kicks and shakes that are left."""
        self.origin = HERE
        """How far the world's origin was moved (m)."""

    def view(
        self,
        subject: Subject | None = None,
        clear: float | None = None,
        ground: float | Callable[[float, float], float] | None = None,
        target: Triple | None = None,
        up: Triple | None = None,
        head: tuple[Triple, Quadruple] | None = None,
        cut: bool = False,
    ) -> View:
        """As :meth:`Session.view` says."""
        running = self._running
        loop, values = running.loop, running.values
        if self.kicks:
            values = self._kicked()
        if clear is None and ground is None and target is None and up is None and head is None and not cut:
            pose = loop.view(values, self._clock.now, subject)
        else:
            pose = self._told(values, subject, clear, ground, target, up, head, cut=cut)
        # once a frame, so all of it stands here without a call
        seen = View()
        seen.position, seen.rotation, seen.field_of_view, seen.extent = pose
        if running.eye is not None:
            x, y, z = loop.place
            if x == x:
                seen.position = x, y + running.eye.height, z
        if self.origin is not HERE:
            (x, y, z), (a, b, c) = seen.position, self.origin
            seen.position = x - a, y - b, z - c
        place = running.cursor
        seen.cursor = running.plan.cursor if place is None else CURSORS[int(running.values[place])]
        return seen

    def _told(
        self,
        values: tuple[float, ...],
        subject: Subject | None,
        clear: float | None,
        ground: float | Callable[[float, float], float] | None,
        target: Triple | None,
        up: Triple | None,
        head: tuple[Triple, Quadruple] | None,
        *,
        cut: bool,
    ) -> Posed:
        """The pose, after everything that a host may say for the view."""
        loop, said, now = self._running.loop, self._answers, self._clock.now
        before = loop.hosts
        # after a cut a camera trails nothing and owes nothing: it starts as on the first frame
        rig = loop.rig if not cut else tuple(self._running.program.rig.values())
        try:
            if subject is not None:
                loop.stand(subject)
            if clear is not None:
                said.say({"clear": clear})
            if target is not None:
                said.lock_on(target)
            if up is not None:
                said.say(dict(zip(UP, direction(up), strict=True)))
            if head is not None:
                said.wear(head)
            if ground is not None:
                said.say(said.heights(ground, values, rig))
        except ArgumentError:
            loop.hosts = before  # what is refused leaves nothing behind, not even the half that was right
            raise
        loop.rig = rig
        return loop.view(values, now)

    def _kicked(self) -> tuple[float, ...]:
        """The last frame's values, with the remaining kicks and shakes."""
        values, now = list(self._running.values), self._world.now
        self.kicks = [kick for kick in self.kicks if not kick.over(now)]
        for kick in self.kicks:
            for place in self._running.program.seen[kick.axis]:
                values[place] += kick.at(now)
        return tuple(values)

    def shift_origin(self, x: float, y: float, z: float) -> None:
        """As :meth:`Session.shift_origin` says."""
        if x + y + z - (x + y + z) != 0.0:
            raise ArgumentError(f"origin: found {(x, y, z)}; expected three finite numbers")
        if self._coordinates:
            x, y, z = self._coordinates.our_place((x, y, z))
        a, b, c = self.origin
        self.origin = (a + x, b + y, c + z)

    def kick(self, name: str, amount: float, *, half_life: float) -> None:
        """As :meth:`Session.kick` says."""
        self._add_kick(name, amount, half_life, 0.0)

    def shake(self, name: str, amount: float, *, half_life: float, frequency: float = 8.0) -> None:
        """Shake an axis of the view by up to `amount`, at `frequency` (Hz); it fades as a kick does."""
        if not 0.0 < frequency < 1000.0:
            raise ArgumentError(f"frequency: found {frequency!r}; expected above 0 to 1000 Hz")
        self._add_kick(name, amount, half_life, frequency)

    def _add_kick(self, name: str, amount: float, half_life: float, frequency: float) -> None:
        names = [axis for axis in self._running.program.seen if axis not in ("zoom", "distance")]
        if name not in names:
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        # Kicks add up: without a bound, two finite ones can make a view that is not.
        if not -MOST <= amount <= MOST or not 0.0 < half_life <= 60.0:
            raise ArgumentError(
                f"{name}: found {amount!r} for {half_life!r} s; "
                f"expected {-MOST:g} to {MOST:g}, and above 0 to 60 s"
            )
        if self._running.plan.hands.reduced_motion:
            amount, half_life = amount * REDUCED, half_life * REDUCED
        self.kicks.append(Kick(name, amount, self._world.now, half_life, frequency))

    def shown(self) -> dict[str, float]:
        """The axes that make up the view, as the last frame read them."""
        places = self._running.program.axis_places
        return {name: self._running.values[places[name]] for name in self._running.program.seen}

    def ease_from(self, shown: dict[str, float]) -> None:
        """Ease the view from the axes it had to those it has now."""
        seen = self.shown()
        self.kicks = [kick for kick in self.kicks if kick.axis in seen]
        for name, value in seen.items():
            apart = shown.get(name, value) - value
            # a yaw may have gone round in between: the view goes the shorter way
            if name == "yaw":
                apart = wrapped(apart)
            if apart:
                self.kicks.append(Kick(name, apart, self._world.now, EASED))

    def looks_along(self, rotation: Quadruple) -> tuple[float, float]:
        """The yaw and pitch (deg) with which this camera looks the way a unit quaternion does.

        Raises :class:`ArgumentError` for what is not a rotation.
        """
        own = self._coordinates
        x, y, z, w = rotation_of("rotation", own.told_rotation(rotation) if own else rotation)
        # rounding may leave a sine of a little more than 1
        pitch = degrees(asin(max(-1.0, min(1.0, 2.0 * (w * x - y * z)))))
        return wrapped(heading_of(x, y, z, w) - self._base_yaw()), pitch

    def settled_within(self, degrees: float, metres: float, share: float) -> bool:
        """As :meth:`Session.settled_within` says, until something comes in."""
        if not all(0.0 <= one < 1e9 for one in (degrees, metres, share)):
            raise ArgumentError(f"found {degrees!r}, {metres!r}, {share!r}; expected tolerances of 0 or more")
        least = self._tolerance(degrees, metres, share)
        if any(kick.size(self._world.now) > least[0] for kick in self.kicks):
            return False
        return self._running.program.settled_within(self._clock.now, least, self._running.saved)

    def _tolerance(self, degrees: float, metres: float, share: float) -> tuple[float, float, float]:
        """How far axes may go for a view to count as the same; unstated limits are a share of its height."""
        running = self._running
        *_, angle, extent = running.loop.glimpse(running.values, self._clock.now, running.loop.rig)
        high = extent if extent == extent and extent > 0.0 else 0.0
        if not high:
            place = running.program.axis_places.get("distance")
            far = running.values[place] if place is not None else 1.0
            high = 2.0 * far * tan(radians(0.5 * angle))
        return degrees or share * angle, metres or share * high, share

    def _base_yaw(self) -> float:
        """What the yaw of the active mount is measured from, in degrees."""
        running = self._running
        mount, walks = running.plan.mounts.all[running.mount].mount, running.program.walks
        if isinstance(mount, Overhead | Flat) or mount.frame == "world":
            return 0.0
        if isinstance(mount, Orbit):
            return self._answers.kept(running.mount, "base")
        said = self._answers.said("subject_yaw")
        walked = running.values[walks["heading"]] if walks else 0.0
        return said if said == said else walked

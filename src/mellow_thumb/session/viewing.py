"""What a session shows: the camera of a moment, with its kicks and shakes."""

from __future__ import annotations

from math import asin, degrees
from typing import TYPE_CHECKING

from ..basics import ArgumentError, listed, nearest
from ..formulas import heading_of, wrapped
from ..plan import CURSORS, REDUCED
from ..plan.mounts import GROUND, UP, Eye, Flat, Orbit, Overhead
from ..weaving import READ, kept
from .host_answers import HERE, HostAnswers
from .shakes import Kick
from .view import POSE, Quadruple, Triple, View, answers, direction

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Plan
    from ..weaving import Program

EASED = 0.1
"""Half-life in seconds, of what a view has yet to go after a player's settings have changed."""


class Viewing(HostAnswers):
    """The part of a session that shows where the camera is; it changes nothing of what the axes do."""

    def __init__(self, plan: Plan, program: Program, ceiling: float) -> None:
        super().__init__(plan, program, ceiling)
        self._kicks: list[Kick] = []
        self._origin = HERE
        self._world = 0.0

    def view(
        self,
        subject: tuple[Triple, Quadruple] | Triple | None = None,
        *,
        clear: float | None = None,
        ground: float | Callable[[float, float], float] | None = None,
        target: Triple | None = None,
        up: Triple | None = None,
        head: tuple[Triple, Quadruple] | None = None,
        cut: bool = False,
    ) -> View:
        """The camera at the end of the last frame, with the kicks and shakes of the moment.

        `subject` is where the character is after this frame's step: its place (m), or its place and its
        rotation (a unit quaternion x, y, z, w). Said once, it holds until it is said anew, as all of this
        does; not said at all, it is where its own steps took it. `clear` is how far behind it, toward the
        camera, nothing is in the way (m). `ground` is the ground's height (m) under the middle of a view from
        above, or a function of x and z that gives it, which is asked under the camera as well. `target` is
        the place (m) of a second subject that an orbit is locked on; `up` is which way up is, for an orbit
        that asks; `head` is where a headset is in its play space, its place and its rotation. `cut` is for a
        subject that was put elsewhere: the camera is there at once.

        Raises :class:`ArgumentError` for what is no finite number, and for an `up` of no length.
        """
        program = self._program
        if subject is not None or clear is not None:
            more = {} if clear is None else {"clear": clear}
            self._hosts = answers(program.asked, self._hosts, subject, more)
        if target is not None:
            self._lock_on(target)
        if up is not None:
            self._hosts = answers(program.asked, self._hosts, None, dict(zip(UP, direction(up), strict=True)))
        if head is not None:
            self._wear(head)
        values = self._kicked() if self._kicks else self._values
        rig = self._rig if not cut else tuple(program.rig.values())
        if ground is not None:
            heights = self._heights(ground, values, rig) if callable(ground) else (ground, ground)
            self._hosts = answers(program.asked, self._hosts, None, dict(zip(GROUND, heights, strict=True)))
        pose = program.posed(values, self._hosts, self._clock.now, rig)
        if rig:
            self._rig, pose = pose[POSE:], pose[:POSE]
        elif not program.hosts and self._hosts[0] == self._hosts[0] and isinstance(self._plan.mount, Eye):
            x, y, z = self._hosts
            pose = (x, y + self._plan.mount.height, z, *pose[3:])
        place = self._cursor_place
        cursor = CURSORS[int(self._values[place])] if place else self._plan.cursor
        if self._origin != HERE:
            x, y, z = self._origin
            pose = (pose[0] - x, pose[1] - y, pose[2] - z, *pose[3:])
        return View(pose, cursor)

    @property
    def settled(self) -> bool:
        """Whether nothing moves by itself: every view is like the last until something comes in.

        A host may then stop drawing, unless its subject moves. It is known at commits: up to 1/16 s late.
        """
        if self._kicks or self._inbox.busy:
            return False
        state = dict(zip(self._program.state, self._loop.send([]), strict=True))
        return bool(self._program.settled(now=self._clock.now, **state))

    def _kicked(self) -> tuple[float, ...]:
        """What the last frame read, with the kicks and shakes that are left."""
        values, now = list(self._values), self._world
        self._kicks = [kick for kick in self._kicks if not kick.over(now)]
        for kick in self._kicks:
            for place in self._program.seen[kick.axis]:
                values[place] += kick.at(now)
        return tuple(values)

    def shift_origin(self, x: float, y: float, z: float) -> None:
        """Move the world's origin to (x, y, z), in metres: the view goes along, and nothing else changes.

        For worlds so large that they are centred anew on the way. Raises :class:`ArgumentError` for what is
        no finite place.
        """
        if x + y + z - (x + y + z) != 0.0:
            raise ArgumentError(f"origin: found {(x, y, z)}; expected three finite metres")
        a, b, c = self._origin
        self._origin = (a + x, b + y, c + z)

    def kick(self, name: str, amount: float, *, half_life: float) -> None:
        """Add `amount` to an axis of the view at once; half of it is gone after each `half_life` (s).

        It never enters the axis's own value: a frame does not show it, and when it has faded the view is
        where it would have been. Raises :class:`ArgumentError` for an axis that the view does not use.
        """
        self._add_kick(name, amount, half_life, 0.0)

    def shake(self, name: str, amount: float, *, half_life: float, frequency: float = 8.0) -> None:
        """Shake an axis of the view by up to `amount`, at `frequency` (Hz); it fades as a kick does."""
        if not 0.0 < frequency < 1000.0:
            raise ArgumentError(f"frequency: found {frequency!r}; expected above 0 to 1000 Hz")
        self._add_kick(name, amount, half_life, frequency)

    def _add_kick(self, name: str, amount: float, half_life: float, frequency: float) -> None:
        names = [axis for axis in self._program.seen if axis not in ("zoom", "distance")]
        if name not in names:
            raise ArgumentError(f"found the axis {name}; expected {listed(names)}{nearest(name, names)}")
        if amount - amount != 0.0 or not 0.0 < half_life <= 60.0:
            raise ArgumentError(
                f"{name}: found {amount!r} for {half_life!r} s; expected a number, and above 0 to 60 s"
            )
        if self._plan.hands.reduced_motion:
            amount, half_life = amount * REDUCED, half_life * REDUCED
        self._kicks.append(Kick(name, amount, self._world, half_life, frequency))

    def _shown(self) -> dict[str, float]:
        """The axes that the view is made of, as the last frame read them."""
        places = self._program.axis_places
        return {name: self._values[places[name]] for name in self._program.seen}

    def _ease_from(self, shown: dict[str, float]) -> None:
        """Let the view go gently from what it was made of to what its axes are now."""
        for name, value in self._shown().items():
            apart = shown[name] - value
            if name == "yaw":
                apart = wrapped(apart)
            if apart:
                self._kicks.append(Kick(name, apart, self._world, EASED))

    def look_along(self, rotation: Quadruple, at: float | None = None) -> None:
        """Take over where another camera looks: yaw and pitch as of its rotation (a unit quaternion).

        So the first frame of this camera shows what the last frame of that one did. Its roll is not taken,
        and limits hold. A mount whose angles begin with its subject must have shown a view before.

        Raises :class:`ArgumentError` for what is no rotation.
        """
        x, y, z, w = map(float, rotation)
        if not abs(x * x + y * y + z * z + w * w - 1.0) < 1e-3:
            raise ArgumentError(f"rotation: found {rotation!r}; expected a unit quaternion x, y, z, w")
        self.set_axis("yaw", wrapped(heading_of(x, y, z, w) - self._base_yaw()), at)
        self.set_axis("pitch", degrees(asin(max(-1.0, min(1.0, 2.0 * (w * x - y * z))))), at)

    def _base_yaw(self) -> float:
        """What the yaw of the mount in force is measured from, in degrees."""
        mount, program = self._plan.mounts.all[self._mount].mount, self._program
        if isinstance(mount, Overhead | Flat) or mount.frame == "world":
            return 0.0
        if isinstance(mount, Orbit):
            return self._rig[list(program.rig).index(kept(self._mount, "base"))]
        said = self._hosts[program.asked.index("subject_yaw")]
        walked = self._values[program.moved + READ.index("heading")] if program.moved else 0.0
        return said if said == said else walked

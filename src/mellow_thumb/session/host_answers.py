"""What a host says of what is seen: where the subject, the target, the ground and the head are."""

from __future__ import annotations

from math import nan
from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..formulas import direction_to, heading_of, rotation_rows, wrapped
from ..plan.mounts import HEAD, PLACE, TARGET, Headset, Orbit
from ..weaving import kept
from .steering import Steering
from .view import Quadruple, Triple, answers

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Plan
    from ..weaving import Program

HERE = (0.0, 0.0, 0.0)
"""The origin of a world that has not been moved."""


class HostAnswers(Steering):
    """The part of a session that keeps what a host said last, and what mounts keep from view to view."""

    _values: tuple[float, ...]
    """What the last frame read."""

    def __init__(self, plan: Plan, program: Program, ceiling: float) -> None:
        super().__init__(plan, program, ceiling)
        self._hosts = (nan,) * len(program.asked)
        self._rig = tuple(program.rig.values())

    def _wear(self, head: tuple[Triple, Quadruple]) -> None:
        """Say where the head is, to the view and, from the next frame on, to who walks by it."""
        try:
            said = [float(part) for some in head for part in some]
            pose = dict(zip(HEAD, said, strict=True))
        except (TypeError, ValueError) as error:
            raise ArgumentError(f"head: found {head!r}; expected a place and a rotation") from error
        self._hosts = answers(self._program.asked, self._hosts, None, pose)
        self._point("head", (said[3], said[4], said[5], said[6]))

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """Say which way a hand beside the headset points, ``left`` or ``right``, for who walks by it.

        `rotation` is its aim's in the play space, a unit quaternion x, y, z, w. Raises
        :class:`ArgumentError` for another hand.
        """
        if side not in ("left", "right"):
            raise ArgumentError(f'hand: found {side!r}; expected "left" or "right"')
        self._point(f"{side}_hand", rotation)

    def _point(self, what: str, rotation: Quadruple) -> None:
        """Say which way something points in the play space, as it is centred."""
        worn = [k for k, one in enumerate(self._plan.mounts.all) if isinstance(one.mount, Headset)]
        names = list(self._program.rig)
        zero = self._rig[names.index(kept(worn[0], "zero_yaw"))] if worn else 0.0
        self._say(f"host.{what}_yaw", wrapped(heading_of(*map(float, rotation)) - zero))

    def _say(self, name: str, value: float | tuple[float, float]) -> None:
        """Say something that is known at the end of a frame: it holds from the beginning of the next one."""
        self.feed(name, value, at=self._clock.now + self._clock.skipped)

    def recentre(self) -> None:
        """Centre the play space of a headset on where the head is now and looks: on the floor alone.

        The head is then where the subject is, and looks where the yaw points; height and tilt are its own.
        """
        asked = self._program.asked
        if "head_x" not in asked or self._hosts[asked.index("head_x")] != self._hosts[asked.index("head_x")]:
            return
        x, _, z, *turned = (self._hosts[asked.index(part)] for part in HEAD)
        centred = {"zero_x": x, "zero_z": z, "zero_yaw": heading_of(*turned), "room_x": 0.0, "room_z": 0.0}
        worn = [k for k, one in enumerate(self._plan.mounts.all) if isinstance(one.mount, Headset)]
        now = {kept(k, name): value for k in worn for name, value in centred.items()}
        self._rig = tuple((dict(zip(self._program.rig, self._rig, strict=True)) | now).values())

    def _lock_on(self, target: Triple) -> None:
        """Say which way a second subject is, to the view and, from the next frame on, to who walks by it."""
        program, mount = self._program, self._plan.mounts.all[self._mount].mount
        walked = self._values[program.moved + 3 : program.moved + 6] if program.moved else HERE
        said = (self._hosts[program.asked.index(host)] for host in PLACE)
        place = [one if one == one else other for one, other in zip(said, walked, strict=True)]
        place[1] += mount.offset[1] if isinstance(mount, Orbit) else 0.0
        way = direction_to(*(float(a) - b for a, b in zip(target, place, strict=True)))
        self._hosts = answers(program.asked, self._hosts, None, dict(zip(TARGET, way, strict=True)))
        self._say("host.target", way)

    def _heights(
        self, ground: Callable[[float, float], float], values: tuple[float, ...], rig: tuple[float, ...]
    ) -> tuple[float, float]:
        """How high the ground is under the middle of the view, and under the camera."""
        x, _, z, *turned = self._program.posed(values, self._hosts, self._clock.now, rig)[:7]
        far = self._values[self._program.axis_places["distance"]] if "distance" in self._program.seen else 0.0
        rows = rotation_rows(*turned)
        return ground(x - far * rows[2], z - far * rows[8]), ground(x, z)

    @property
    def _mount(self) -> int:
        """The number of the mount in force."""
        place = self._program.places.get("mount", 0)
        return int(self._values[place]) if place else 0

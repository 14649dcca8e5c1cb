"""What a host says for the view: where the subject, the target, the ground and the head are."""

from __future__ import annotations

import math
from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..engines import rotation_of
from ..formulas import direction_to, head_speed, heading_of, rotation_rows, wrapped
from ..plan.mounts import GROUND, HEAD, HEAD_MOVES, NEEDED, PLACE, TARGET, Headset, Orbit, Overhead
from ..weaving import kept
from .surroundings import around, between

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping, Sequence

    from .clock import Clock
    from .coordinates import Coordinates
    from .intake import Intake
    from .running import Running
    from .view import Quadruple, Triple


RECENT = 0.1
"""Poses of a head that are further apart (s) say nothing of how fast it is."""


def speed_between(was: Sequence[float], now: Sequence[float], dt: float) -> tuple[float, ...]:
    """How fast a head moved and turned between two poses, `dt` seconds apart; 0 if that is too long."""
    if not 0.0 < dt <= RECENT:
        return (0.0,) * 6
    x, y, z, qx, qy, qz, qw = now
    a, b, c, qa, qb, qc, qd = was
    return head_speed(x, y, z, qx, qy, qz, qw, a, b, c, qa, qb, qc, qd, dt)


class Answers:
    """Takes what a host says for the view, and knows what it said last."""

    def __init__(
        self, running: Running, intake: Intake, clock: Clock, coordinates: Coordinates | None
    ) -> None:
        self._running, self._intake, self._clock = running, intake, clock
        self._coordinates = coordinates

    def said(self, name: str) -> float:
        """What the host last said of something that mounts ask for."""
        return self._running.loop.hosts[self._running.program.asked.index(name)]

    def kept(self, mount: int, name: str) -> float:
        """What a mount keeps, by its number."""
        return self._running.loop.rig[list(self._running.program.rig).index(kept(mount, name))]

    def say(self, more: Mapping[str, float]) -> None:
        """Keep anything else that the host says, by name; what no mount asks for is dropped.

        Raises :class:`ArgumentError` for what is not a finite number, and for a negative `clear`.
        """
        loop, places = self._running.loop, self._running.program.asked_places
        hosts = list(loop.hosts)
        for name, value in more.items():
            try:
                number = float(value)
            except (TypeError, ValueError) as error:
                what = "ground" if name in GROUND else name
                raise ArgumentError(f"view: found {what} = {value!r}; expected a number") from error
            if number - number != 0.0 or (name == "clear" and number < 0.0):
                least = " of 0 or more" if name == "clear" else ""
                what = "ground" if name in GROUND else name
                raise ArgumentError(f"view: found {what} = {value!r}; expected finite numbers{least}")
            if name in places:
                hosts[places[name]] = number
        loop.hosts = tuple(hosts)

    def wear(self, head: tuple[Triple, Quadruple]) -> None:
        """Say where the head is, for the view and, from the next frame on, for walking by it."""
        try:
            place, given = head
            x, y, z = map(float, place)
        except (TypeError, ValueError) as error:
            raise ArgumentError(f"head: found {head!r}; expected a place and a rotation") from error
        turned = rotation_of("head", given)
        pose = (x, y, z, *turned)
        if HEAD_MOVES[0] in self._running.program.asked_places:
            self._move_head(pose)
        self.say(dict(zip(HEAD, pose, strict=True)))
        self._point("head", turned)

    def _move_head(self, pose: tuple[float, ...]) -> None:
        """Say where a head is, when, and how fast it moved; repeating a pose is not news."""
        now, was = self._clock.now, tuple(map(self.said, HEAD))
        then = self.said(HEAD_MOVES[0])
        if pose != was and now != then:
            self.say(dict(zip(HEAD_MOVES, (now, *speed_between(was, pose, now - then)), strict=True)))

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """As :meth:`Session.set_hand` says."""
        if side not in ("left", "right"):
            raise ArgumentError(f'hand: found {side!r}; expected "left" or "right"')
        own = self._coordinates
        told = own.told_rotation(rotation) if own else rotation
        self._point(f"{side}_hand", rotation_of(f"{side} hand", told))

    def _point(self, what: str, rotation: Quadruple) -> None:
        """Say which way something points in the play space, as centred."""
        zero = self.kept(self._worn[0], "zero_yaw") if self._worn else 0.0
        self._feed(f"host.{what}_yaw", wrapped(heading_of(*rotation) - zero))

    @property
    def _worn(self) -> list[int]:
        """The numbers of the headset mounts."""
        mounts = self._running.plan.mounts.all
        return [k for k, one in enumerate(mounts) if isinstance(one.mount, Headset)]

    def _feed(self, name: str, value: float | tuple[float, float]) -> None:
        """Say something known at the end of a frame: it holds from the start of the next one."""
        self._intake.feed(name, value, at=self._clock.now + self._clock.skipped)

    def recentre(self) -> None:
        """As :meth:`Session.recentre` says."""
        program = self._running.program
        if "head_x" not in program.asked or self.said("head_x") != self.said("head_x"):
            return
        x, _, z, *turned = map(self.said, HEAD)
        centred = {"zero_x": x, "zero_z": z, "zero_yaw": heading_of(*turned), "space_x": 0.0, "space_z": 0.0}
        now = {kept(k, name): value for k in self._worn for name, value in centred.items()}
        loop = self._running.loop
        loop.rig = tuple((dict(zip(program.rig, loop.rig, strict=True)) | now).values())

    def lock_on(self, target: Triple) -> None:
        """Say where the target is, for the view and, from the next frame on, for walking by it."""
        mount = self._running.plan.mounts.all[self._running.mount].mount
        place = [*self._subject]
        place[1] += mount.offset[1] if isinstance(mount, Orbit) else 0.0
        way = direction_to(*(float(a) - b for a, b in zip(target, place, strict=True)))
        self.say(dict(zip(TARGET, way, strict=True)))
        self._feed("host.target", way)

    def heights(
        self,
        ground: float | Callable[[float, float], float],
        values: tuple[float, ...],
        rig: tuple[float, ...],
    ) -> dict[str, float]:
        """The height of the ground, and how high it makes the camera, for mounts that ask for it."""
        running = self._running
        program, mount = running.program, running.plan.mounts.all[running.mount].mount
        if not set(GROUND) & set(program.asked) or not isinstance(mount, Overhead | Orbit):
            return {}
        if not callable(ground):
            return dict(zip(GROUND, (ground, ground, ground + mount.clearance), strict=True))
        (x, _, z), turned, _, _ = running.loop.glimpse(values, self._clock.now, rig)
        found: dict[str, float] = {}
        if isinstance(mount, Orbit):
            px, py, pz = self._subject
            level = py + mount.offset[1]
        else:
            rows = rotation_rows(*turned)
            far = running.values[program.axis_places["distance"]] if "distance" in program.seen else 0.0
            px, pz = x - far * rows[2], z - far * rows[8]
            level = found["ground"] = ground(px, pz)
        found["ground_under"] = under = ground(x, z)
        wanted = (
            under + mount.clearance,
            around(ground, x, z, mount.clearance),
            between(ground, (px, level, pz), (x, z), mount.clearance),
        )
        # what is no number stays one, to be refused
        return found | {NEEDED: max(wanted) if sum(wanted) == sum(wanted) else math.nan}

    @property
    def _subject(self) -> tuple[float, float, float]:
        """Where the subject is: where the host said, or where its own steps took it."""
        values, walks = self._running.values, self._running.program.walks
        walked = [values[walks[f"moved_{part}"]] if walks else 0.0 for part in "xyz"]
        said = zip(map(self.said, PLACE), walked, strict=True)
        x, y, z = (one if one == one else other for one, other in said)
        return x, y, z

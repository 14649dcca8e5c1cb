"""How a walk feels, in numbers, and what a camera does by itself: how soon it follows and returns."""

from __future__ import annotations

from dataclasses import replace
from math import cos, hypot, inf, radians, sin
from typing import TYPE_CHECKING

from ..formulas import heading_of
from ..plan import MOVES, Axis, Movement, Plan, Route, find_signal
from ..plan.mounts import Eye, Flat, Headset, Orbit, Overhead
from ..session import Session
from .route_feel import Felt, bisected

if TYPE_CHECKING:
    from collections.abc import Iterator

SIDE = 5.0
"""Metres along each side of the square that is walked."""
FINE = 1 / 240
"""Seconds of a frame in which it is walked."""
STICK = "pad.left_stick"
"""The stick that stands for whatever walks."""
LEVEL = (0.0, 0.0, 0.0, 1.0)
"""The rotation of a subject that stands level and looks along -Z."""
SIDES = ((0.0, 1.0), (1.0, 0.0), (0.0, -1.0), (-1.0, 0.0))
"""Forward, right, back and left again."""


def of_walk(plan: Plan) -> Iterator[Felt]:
    """How soon a character is at full speed and at rest again, how far it runs on, the time for a square."""
    movement = plan.movement
    if movement is None:
        return
    bare = _walking(plan)
    full = bisected(lambda t: _speed(bare, t) >= (1.0 - 1e-9) * movement.speed, 60.0)
    yield Felt("the character", "to full speed", full, "s")
    if movement.braking:
        yield Felt("the character", "to rest", _resting(bare, full), "s")
        yield Felt("the character", "runs on", _runs_on(bare, full), "m")
    yield Felt("the character", "walk a square", _square(bare), "s")


def _walking(plan: Plan) -> Plan:
    """The character alone, walked with a stick, under a camera that does not turn."""
    route = Route("walk", find_signal(STICK), MOVES, (1.0, 1.0), effect="offset")
    axes = [Axis(name) for name in ("yaw", "pitch", "roll")]
    axes += [Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES]
    movement = replace(plan.movement or Movement(1.6), scales=(), faces=(), face="free", relative_to="world")
    return Plan((route,), (), tuple(axes), Eye("eye", 1.6), movement=movement)


def _session(plan: Plan) -> Session:
    session = Session(plan, ceiling=inf, compiled=False)
    session.tick(0.0)
    return session


def _speed(plan: Plan, t: float) -> float:
    """The character's speed after walking forward for some seconds."""
    session = _session(plan)
    session.feed(STICK, (0.0, 1.0))
    session.tick(t)
    velocity = session.tick(0.0).movement.velocity
    return hypot(velocity[0], velocity[2])


def _let_go(plan: Plan, full: float) -> Session:
    session = _session(plan)
    session.feed(STICK, (0.0, 1.0))
    session.tick(full + 1.0)
    session.feed(STICK, (0.0, 0.0))
    return session


def _resting(plan: Plan, full: float) -> float:
    """The time from letting go at full speed until the character rests."""

    def rests(t: float) -> bool:
        session = _let_go(plan, full)
        session.tick(t)
        velocity = session.tick(0.0).movement.velocity
        return hypot(velocity[0], velocity[2]) <= 1e-9

    return bisected(rests, 600.0)


def _runs_on(plan: Plan, full: float) -> float:
    """How far the character runs on after letting go at full speed, in metres."""
    step = _let_go(plan, full).tick(600.0).movement.step
    return hypot(step[0], step[2])


def _square(plan: Plan) -> float:
    """The time in which a character walks a square, each side until it has walked its length."""
    session, now = _session(plan), 0.0
    for x, y in SIDES:
        session.feed(STICK, (x, y), at=now)
        gone = 0.0
        while gone < SIDE:
            if now > 600.0:
                return inf
            before = session.snapshot()
            step = session.tick(FINE).movement.step
            along = x * step[0] - y * step[2]
            if gone + along >= SIDE:
                share = (SIDE - gone) / along
                session.restore(before)
                session.tick(share * FINE)
                now += share * FINE
                break
            gone, now = gone + along, now + FINE
    return now


def of_cameras(plan: Plan) -> Iterator[Felt]:
    """How far a camera lags behind its subject, how soon it is back, and how soon an axis is at rest."""
    for axis in plan.axes:
        if axis.return_half_life:
            yield Felt(f"axis {axis.name}", "back again", _back_to_rest(axis), "s")
    for one in plan.mounts.all:
        mount, subject = one.mount, f"mount {one.mount.name}"
        if isinstance(mount, Headset | Eye):
            continue
        goes_along = isinstance(mount, Orbit) or mount.frame == "subject"
        if goes_along and mount.follow:
            yield Felt(subject, "behind the walk", _behind(mount, mount.follow, 0), "s")
        up = mount.follow if isinstance(mount, Flat) and goes_along else getattr(mount, "follow_up", 0.0)
        if up:
            yield Felt(subject, "behind a climb", _behind(mount, up, 1), "s")
        if isinstance(mount, Orbit) and mount.follow_turn and mount.frame in ("subject", "target"):
            yield Felt(subject, "after a turn", _after_turn(mount), "s")
        if isinstance(mount, Orbit) and mount.returns:
            yield Felt(subject, "back again", _back_behind(plan, mount), "s")


def _back_to_rest(axis: Axis) -> float:
    """The time an axis takes for half of its way to rest."""
    alone = {name: Axis(name) for name in ("yaw", "pitch", "roll")}
    begin = 2.0 * axis.rest if axis.log else axis.rest + 1.0
    low, high = (1e-30, 1e30) if axis.log else (-inf, inf)
    alone[axis.name] = replace(axis, start=begin, low=low, high=high, smoothing=None)
    plan, whole = Plan((), (), tuple(alone.values()), Eye("eye")), axis.inner(begin) - axis.inner(axis.rest)

    def left(t: float) -> float:
        now = _session(plan).tick(t).axes[axis.name]
        return (axis.inner(now) - axis.inner(axis.rest)) / whole

    return bisected(lambda t: left(t) <= 0.5, 600.0)


ASIDE = 60.0
"""Degrees by which a camera looks aside that goes back behind the walk."""


def _back_behind(plan: Plan, mount: Orbit) -> float:
    """The time from the last turn by hand until a camera is half way back behind a walk."""
    walk = _walking(plan)
    starts = {"yaw": ASIDE, "distance": 4.0}
    axes = [replace(axis, start=starts.get(name, 0.0)) for name, axis in mount.axes.items()]
    axes += [axis for axis in walk.axes if axis.name in MOVES]
    bare = replace(walk, axes=tuple(axes), mount=replace(mount, frame="world", up="world"))

    def yaw(t: float) -> float:
        session = _session(bare)
        session.feed(STICK, (0.0, 1.0))
        return session.tick(t).axes["yaw"]

    return bisected(lambda t: yaw(t) <= 0.5 * ASIDE, 660.0)


def _alone(mount: Orbit | Overhead | Flat) -> Plan:
    """The mount without controls: it only follows."""
    if isinstance(mount, Orbit):
        mount = replace(mount, returns=None, distance_by_pitch=())
    starts = {"distance": 4.0, "pitch": -45.0 if isinstance(mount, Overhead) else 0.0}
    axes = tuple(replace(axis, start=starts.get(name, axis.start)) for name, axis in mount.axes.items())
    return Plan((), (), axes, mount)


def _behind(mount: Orbit | Overhead | Flat, half_life: float, along: int) -> float:
    """How long a camera lags behind a subject moving `along` +X (0) or +Y (1) at 1 m/s."""
    session, seconds = Session(_alone(mount), compiled=False), 40.0 * half_life

    def there(t: float) -> float:
        place = (0.0, t, 0.0) if along else (t, 0.0, 0.0)
        ground = place[1] if isinstance(mount, Overhead) else None  # an orbit would be lifted by it
        return session.view(subject=(place, LEVEL), ground=ground).position[along]

    still = there(0.0)
    frames = max(round(seconds * 60.0), 1)
    for k in range(1, frames + 1):
        session.tick(1.0 / 60.0)
        now = there(k / 60.0)
    return frames / 60.0 - (now - still)


def _after_turn(mount: Orbit) -> float:
    """The time from a turn of the subject, or of the target, until the camera has made half of it."""

    def turned(t: float) -> float:
        session = Session(_alone(mount), ceiling=inf, compiled=False)
        far = 1e6
        session.view(subject=((0.0, 0.0, 0.0), LEVEL), target=(0.0, 0.0, -far))
        session.tick(t)
        half = radians(ASIDE) / 2.0
        aside = (far * sin(2.0 * half), 0.0, -far * cos(2.0 * half))
        view = session.view(subject=((0.0, 0.0, 0.0), (0.0, -sin(half), 0.0, cos(half))), target=aside)
        return heading_of(*view.rotation)

    return bisected(lambda t: turned(t) >= 0.5 * ASIDE, 600.0)

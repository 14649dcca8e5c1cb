"""Tasks: what a trial asks of hands, each fit for what its profiles drive.

A task goes on in a space of two numbers that follow from a session's axes: degrees of the view, metres of a
plane, logarithms of a zoom, metres of ground. Targets are places there, each with a width. Aiming is the
multi-directional task of ISO 9241-411: from target to target across a ring, at two distances and two widths.
"""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from itertools import pairwise
from math import cos, inf, log, pi, sin
from random import Random
from typing import TYPE_CHECKING, NamedTuple

from ...basics import ArgumentError, listed
from ...plan import DEVICES
from ...plan.mounts import Eye, Flat, Orbit, Overhead

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping, Sequence

    from ...plan import Address, Plan

Place = tuple[float, float]

ON_RING = 9
"""Targets on a ring; an odd number, so that each way across leads to a new one."""
DISTANCES = (40.0, 20.0)
"""How far apart targets are that are turned to, in degrees, where limits leave the room."""
WIDTHS = (0.1, 0.042)
"""How wide targets are, as shares of the larger distance."""
LEVELS = 7
"""How often a zoom comes to a level, to and fro."""
STEPS = (log(3.0), log(1.8))
"""How far apart the levels of a zoom are, as logarithms."""
FOLLOWED = 12.0
"""Seconds for which a bird is followed."""
SETTLE = 2.0
"""The first seconds of following do not count."""
WALK = ((0.0, 0.0), (0.0, -8.0), (5.0, -12.0), (5.0, -18.0))
"""The way to be walked from where the warden stands: +X and +Z, in metres."""
REACHED = 0.5
"""Metres from a point of the way at which the next one is walked to."""
LONGEST = 60.0
"""Seconds after which a task ends that nobody ends."""
DWELL = 0.35
"""Seconds that a target must be kept where no button is free to select it."""


class Target(NamedTuple):
    """A place to come to."""

    place: Place
    width: float
    origin: Place
    """Where the target before was."""
    counts: bool
    """Whether the way to it is measured: not that to the first of a ring."""


@dataclass(frozen=True)
class Task:
    """Something to do, and the space in which it is done."""

    name: str
    kind: str
    """``aim``, ``follow`` or ``walk``."""
    unit: str
    words: str
    """What the page asks, in one sentence."""
    axes: tuple[str, ...]
    """The axes of a session that it is about."""
    logarithmic: bool = False
    cue: str = ""
    """The cue that selects a target, where it is not a button of the trial's own."""
    middle: Place = (0.0, 0.0)
    """The middle of its space, where it may be reached within the limits."""
    size: float = 1.0
    """The larger distance between targets."""
    places: Callable[[Mapping[str, float]], Place] = field(
        repr=False, compare=False, default=lambda _: (0, 0)
    )
    """Where the camera is in its space, by a frame's axes."""

    @property
    def way(self) -> tuple[Place, ...]:
        """The points of the way that is walked; nothing for other tasks."""
        return WALK if self.kind == "walk" else ()

    @property
    def seconds(self) -> float:
        """About how long it takes."""
        if self.kind == "follow":
            return FOLLOWED
        if self.kind == "walk":
            return 15.0
        return 10.0 if self.cue else (14.0 if self.logarithmic else 36.0)

    @property
    def in_run(self) -> int:
        """How many targets belong together; the way to the first of them is not measured."""
        return LEVELS if self.logarithmic else ON_RING

    def targets(self, seed: int, *, short: bool = False) -> list[Target]:
        """The targets of one round; the same seed has the same ones. Practice is `short`."""
        chance = Random(f"{self.name} {seed}")
        if self.kind == "follow":
            return []
        if self.kind == "walk":
            return [Target(end, 2.0 * REACHED, start, counts=True) for start, end in pairwise(WALK)]
        return self._levels(chance, short) if self.logarithmic else self._rings(chance, short)

    def _rings(self, chance: Random, short: bool) -> list[Target]:
        """Rings of two distances and two widths, in an order drawn by chance."""
        pairs = [(d, w) for d in (self.size, 0.5 * self.size) for w in WIDTHS]
        chance.shuffle(pairs)
        found: list[Target] = []
        for distance, share in pairs[:1] if short or self.cue else pairs:
            turn, way = chance.random() * 2.0 * pi, chance.choice((-1, 1))
            before: Place | None = None
            for k in range(ON_RING):
                angle = turn + way * 2.0 * pi * ((k * (ON_RING // 2)) % ON_RING) / ON_RING
                at = (
                    self.middle[0] + 0.5 * distance * cos(angle),
                    self.middle[1] + 0.5 * distance * sin(angle),
                )
                found.append(Target(at, share * self.size, before or at, counts=before is not None))
                before = at
        return found

    def _levels(self, chance: Random, short: bool) -> list[Target]:
        """To and fro between two levels, at two distances."""
        steps = [one for one in STEPS if one <= self.size + 1e-9] or [self.size]
        chance.shuffle(steps)
        found: list[Target] = []
        for step in steps[:1] if short else steps:
            before: Place | None = None
            sign = chance.choice((-1.0, 1.0))
            for k in range(LEVELS):
                at = (self.middle[0] + 0.5 * step * (sign if k % 2 else -sign), 0.0)
                found.append(Target(at, 0.15 * self.size, before or at, counts=before is not None))
                before = at
        return found

    def flight(self, seed: int) -> Callable[[float], Place]:
        """Where a bird is that flies by, at a time of its round (s): three waves on each side."""
        chance = Random(f"{self.name} {seed} flight")
        waves = [
            [(chance.uniform(0.05, 0.28), chance.uniform(0.0, 2.0 * pi)) for _ in range(3)] for _ in range(2)
        ]

        def at(t: float) -> Place:
            sides = [
                sum(sin(2.0 * pi * rate * t + phase) for rate, phase in side) / len(side) for side in waves
            ]
            return self.middle[0] + 0.5 * self.size * sides[0], self.middle[1] + 0.25 * self.size * sides[1]

        return at


def tasks_for(plans: Sequence[Plan]) -> tuple[Task, ...]:
    """The tasks that every one of some profiles can do, the one that is asked about first.

    Raises :class:`ArgumentError` where they have none in common.
    """
    found = [_tasks_of(plan) for plan in plans]
    names = [
        one.name for one in found[0] if all(any(one.name == other.name for other in them) for them in found)
    ]
    if not names:
        what = [listed([one.name for one in them], "and") for them in found]
        raise ArgumentError(
            f"found nothing that hands can do with all of these: {'; '.join(what)}; expected profiles that "
            "turn, pan, zoom or walk alike"
        )
    common = []
    for name in names:
        each = [next(one for one in them if one.name == name) for them in found]
        common.append(min(each, key=lambda one: one.size))
    cues = sorted(set.intersection(*({one.name for one in plan.cues} for plan in plans)))
    aims = [one for one in common if one.kind == "aim" and not one.logarithmic]
    if cues and aims:
        words = f"bring each bird to the middle and give the cue {cues[0]}"
        common.append(replace(aims[0], name="cue", cue=cues[0], words=words))
    return tuple(common)


def _tasks_of(plan: Plan) -> list[Task]:
    """What hands can do with one profile, in its default mount."""
    mount, driven = plan.mounts.all[0].mount, {axis for route in plan.routes for axis in route.drives}
    found: list[Task] = []
    if isinstance(mount, Eye | Orbit) and {"yaw", "pitch"} <= driven:
        found += _turning(plan)
    if isinstance(mount, Overhead | Flat) and {"pan_x", "pan_y"} <= driven:
        found.append(_panning(plan))
    for axis in ("zoom", "distance"):
        if axis in driven and _axis(plan, axis) is not None:
            found.append(_zooming(plan, axis))
            break
    if plan.movement is not None and {"move_x", "move_y"} <= driven:
        found.append(
            Task("walk", "walk", "m", "walk along the posts to the flag", ("move_x", "move_y"), size=18.0)
        )
    return found


def _axis(plan: Plan, name: str):  # type: ignore[no-untyped-def]
    """An axis as the default mount has it; None where that does not move it."""
    key = plan.mounts.of(0, name)
    return next((one.axis for one in plan.mounts.instances if one.key == key), None)


def _room(low: float, high: float, start: float, most: float) -> tuple[float, float]:
    """The middle and the size of the room inside limits, about the start if there is room there."""
    low, high = max(low, start - most), min(high, start + most)
    size = min(most, 0.8 * (high - low))
    middle = min(max(start, low + 0.55 * size), high - 0.55 * size)
    return middle, size


def _turning(plan: Plan) -> list[Task]:
    """Aimed turns, and a bird to follow."""
    yaw, pitch = _axis(plan, "yaw"), _axis(plan, "pitch")
    if yaw is None or pitch is None:
        return []
    across = _room(yaw.low, yaw.high, yaw.start, DISTANCES[0])
    up = _room(pitch.low, pitch.high, pitch.start, DISTANCES[0])
    middle, size = (across[0], up[0]), min(across[1], up[1])

    def places(axes: Mapping[str, float]) -> Place:
        return axes.get("yaw_total", axes["yaw"]), axes["pitch"]

    shared = {"unit": "deg", "axes": ("yaw", "pitch"), "middle": middle, "size": size, "places": places}
    return [
        Task("aim", "aim", words="turn to each bird and select it", **shared),  # type: ignore[arg-type]
        Task("follow", "follow", words="keep the bird in the middle", **shared),  # type: ignore[arg-type]
    ]


def _panning(plan: Plan) -> Task:
    """Aimed pans over a plane."""
    mount = plan.mounts.all[0].mount
    x, y = _axis(plan, "pan_x"), _axis(plan, "pan_y")
    if isinstance(mount, Flat):
        zoom = _axis(plan, "zoom")
        shown = mount.extent / (zoom.start if zoom is not None else 1.0)
    else:
        distance = _axis(plan, "distance")
        shown = 2.0 * mount.half * (distance.start if distance is not None else 10.0)  # type: ignore[union-attr]
    most = 0.8 * shown
    across, up = _room(x.low, x.high, x.start, most), _room(y.low, y.high, y.start, most)

    def places(axes: Mapping[str, float]) -> Place:
        return axes["pan_x"], axes["pan_y"]

    return Task(
        "pan", "aim", "m", "bring each mark to the middle and select it", ("pan_x", "pan_y"),
        middle=(across[0], up[0]), size=min(across[1], up[1]), places=places,
    )  # fmt: skip


def _zooming(plan: Plan, name: str) -> Task:
    """From level to level of a zoom, or of a distance."""
    axis = _axis(plan, name)
    sign = 1.0 if name == "zoom" else -1.0
    low, high = sorted(
        sign * log(one) if 0.0 < one < inf else sign * log(axis.start * other)
        for one, other in ((axis.low, 0.125), (axis.high, 8.0))
    )
    middle, size = _room(low, high, sign * log(axis.start), STEPS[0])

    def places(axes: Mapping[str, float]) -> Place:
        value = axes[name]
        return (sign * log(value) if value > 0.0 else 0.0, 0.0)

    return Task(
        "zoom", "aim", "log", "bring the circle between the two lines and select it", (name,),
        logarithmic=True, middle=(middle, 0.0), size=size, places=places,
    )  # fmt: skip


SELECTING = {
    "mouse.left": "the left mouse button", "key.Space": "Space", "key.Enter": "Enter",
    "pad.south": "the bottom button", "pad.right_shoulder": "the right shoulder",
    "right_hand.trigger": "the right trigger", "left_hand.trigger": "the left trigger",
}  # fmt: skip
"""What a target may be selected with, where no profile uses it for more than a cue."""


def selecting(plans: Sequence[Plan]) -> tuple[str, ...]:
    """What selects a target under all of some profiles; nothing where fingers do it, by staying there."""
    if any("touch" in plan.families for plan in plans):
        return ()
    used = {str(one) for plan in plans for one in _busy(plan)}
    families = {family for plan in plans for family in plan.families}
    return tuple(one for one in SELECTING if one not in used and DEVICES[one.partition(".")[0]] in families)


def _busy(plan: Plan) -> set[Address]:
    """What drives something, or holds a gate; a cue may be given beside."""
    busy = {route.source for route in plan.routes}
    busy |= {address for gate in plan.gates if gate.buttons for address in gate.buttons.inputs}
    return busy | {address for one in plan.derived for address in one.inputs}

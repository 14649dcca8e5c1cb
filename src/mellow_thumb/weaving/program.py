"""The program of a plan: one flat piece of code in which events commit and frames only read.

An *item* is four numbers: time, code, x, y. A code names a signal, or the frame. The state is
**committed** at an event that changes something held, at an impulse (a displacement) that comes more
than `MERGE` after the last commit, and `LONGEST` after it when nothing happens; never because of a frame.
A frame lets a copy of the last committed state flow to its own end, reads it and drops it, unless the next
event commits at that very time: then the copy is that commit, to the bit. An impulse within `MERGE` of
the last commit is entered there, by running its own formula backward over its age: exact, since a
reservoir is linear and reversible. So the axes at a moment depend on the events up to it alone.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import TYPE_CHECKING, Any

from ..expressions import Word
from ..plan import FOCUS
from ..plan.mounts import PLACE
from .events import Events
from .languages import compiled, function, live_text, pose_text
from .parts import Parts
from .passing import Passing
from .posing import arguments, hosts, kept, rig, walked_by, weave_pose
from .reading import Reading
from .walking import READ
from .woven import Woven

if TYPE_CHECKING:
    from collections.abc import Callable, Generator

    from ..expressions import State
    from ..plan import Plan, Signal
    from .parts import Setting
    from .woven import WovenPose

Item = tuple[float, int, float, float]
"""An event or a frame: time (s), code, x, y."""


@dataclass(frozen=True, eq=False)
class Program:
    """What weaving makes of a plan."""

    text: str
    """The woven Python of the session's loop."""
    pose_text: str
    """The woven Python that makes a camera pose of the axes."""
    state: dict[str, float]
    """Every state value by name, as it is at time 0; the first is the time of the last commit."""
    made_in: State
    """What made them."""
    codes: dict[str, int]
    """The code of each signal that the plan uses: impulses first, then what is held."""
    heard: dict[str, Signal]
    """Each of these signals."""
    settings: dict[Setting, int]
    """The code of each thing that a host may set."""
    axes: tuple[str, ...]
    """The axes that a frame reads, in the order of its values."""
    posing: tuple[int, ...]
    """Which of those values the pose is made of."""
    gates: tuple[str, ...]
    """The gates that a frame reads, after the axes."""
    families: tuple[str, ...]
    """The families of devices that the plan uses."""
    places: dict[str, int]
    """Where a frame has the active ``device`` and the ``cursor``, if they can change."""
    fade: float
    """How long a view takes to come back after a snap, in seconds."""
    walks: dict[str, int]
    """Where a frame has what it reads of a walk, by the names in `walking.READ`; none without movement."""
    mounts: tuple[str, ...]
    """The mounts, the one in force otherwise first; where a frame has more, it has the number of one."""
    seen: dict[str, tuple[int, ...]]
    """Where a frame has the values of an axis that a view is made of: one for each mount that has its own."""
    own: tuple[str, ...]
    """What to call those values where there are several mounts; they come last."""
    cues: dict[str, int]
    """Where a frame has the count of each cue; the time (s) of the last one comes after it."""
    live: Callable[[tuple[float, ...]], Generator[Any, list[Item], None]]
    """The loop: send it items that end in a frame for that frame's values, or none for the saved state."""
    woven: Woven
    """The parts of the session's loop, for other languages."""
    woven_pose: WovenPose
    """The parts of the pose."""
    hosts: tuple[str, ...]
    """What the pose asks the host."""
    rig: dict[str, float]
    """What the pose keeps from one view to the next, and what that is at first."""
    rig_roles: dict[str, str]
    """What each of these is called where another program takes over: its mount and its kind with it."""
    pose: Callable[..., tuple[float, ...]]
    """The pose of what a frame reads, the host's answers (NaN for none), the time (s) and what mounts keep:
    position x, y, z (m), rotation x, y, z, w, vertical field of view (deg), extent (m, of a flat picture),
    and what mounts keep from now on."""

    @cached_property
    def roles(self) -> dict[str, str]:
        """What each state value is called where another program takes over."""
        return self.made_in.roles

    @cached_property
    def axis_places(self) -> dict[str, int]:
        """Where a frame has each axis."""
        return {name: k for k, name in enumerate(self.axes)}

    @cached_property
    def settled(self) -> Callable[..., tuple[bool]]:
        """Whether nothing moves by itself, by ``now`` (s) and the state; alone in a tuple."""
        return compiled(function("settled", ["now", *self.state], [], [self.woven.still]), "settled")

    @property
    def asked(self) -> tuple[str, ...]:
        """What the host may say of what is seen: what the mount asks, or where the subject is."""
        return self.hosts or PLACE

    @cached_property
    def walk_place(self) -> int:
        """Where what a frame reads of a walk begins, in the order of `walking.READ`; 0 without one."""
        return self.walks[READ[0]] if self.walks else 0

    @cached_property
    def asked_places(self) -> dict[str, int]:
        """Where what the host may say has each thing, the subject's place first."""
        return {name: k for k, name in enumerate(self.asked)}

    @property
    def width(self) -> int:
        """How many values a frame reads."""
        moved = len(self.walks)
        several = len(self.mounts) + len(self.own) if len(self.mounts) > 1 else 0
        read = len(self.axes) + len(self.gates) + len(self.places) + 2 * len(self.cues)
        return read + moved + several

    @property
    def frame(self) -> int:
        """The code of a frame."""
        return len(self.codes) + len(self.settings)

    @property
    def start(self) -> tuple[float, ...]:
        """The state at time 0."""
        return tuple(self.state.values())


def _weave(parts: Parts, reading: Reading) -> Woven:
    """The parts of a plan's program."""
    passing, flow, read = Passing(parts), parts.block(), parts.block()
    passing.write(flow)
    outputs = reading.write(read)
    events = Events(parts, passing)
    nearness, pace, waits = parts.block(), parts.block(), parts.block()
    passing.nearness(nearness)
    passing.pace(pace)
    events.waits(waits)
    names = [one.name for one in parts.state.handles]
    return Woven(
        impulses=len(parts.impulses),
        frame=len(parts.codes) + len(parts.settings),
        deaf=bool(parts.impulses) and FOCUS.name in names,
        timers=events.timers() if parts.switching.timers else [],
        waits=waits.statements,
        nearness=nearness.statements,
        pace=pace.statements,
        passing=flow.statements,
        # what no time changes needs no copy while a frame reads
        flowing=tuple(name for name in names if flow.assigns(name)),
        events=events.write(),
        reading=read.statements,
        outputs=outputs,
        still=passing.still(Word("now")),
    )


@lru_cache(maxsize=64)
def weave_plan(plan: Plan, settings: tuple[Setting, ...] = ()) -> Program:
    """Weave a plan, with what its host sets besides; the same plan is woven once."""
    parts = Parts(plan, settings)
    reading = Reading(parts)
    woven, woven_pose = _weave(parts, reading), weave_pose(plan)
    axes, state = [axis.name for axis in plan.axes], parts.state.starts
    text = live_text(woven, state)
    begin = len(axes) + 1 + len(plan.gates)
    places = {name: begin + k for k, name in enumerate(reading.extra)}
    first = begin + len(places)
    begin = first + 2 * len(plan.cues)
    walks = {name: begin + k for k, name in enumerate(READ)} if plan.movement else {}
    walked = [walks[name] for name in walked_by(plan)]
    after = begin + len(walks)
    weighed = range(after, after + len(plan.mounts.all)) if plan.others else range(0)
    if plan.others:
        own = {key: weighed.stop + k for k, key in enumerate(plan.mounts.own)}
    else:
        own = {name: axes.index(name) for name in arguments(plan)}
    posing, asked = (*weighed, *own.values(), *walked), hosts(plan)
    made = pose_text(woven_pose, posing, len(asked))
    seen = {name: tuple(own[key] for key in plan.mounts.keys(name) if key in own) for name in axes}
    return Program(
        text=text,
        pose_text=made,
        woven=woven,
        woven_pose=woven_pose,
        state=state,
        made_in=parts.state,
        codes=parts.codes,
        heard={signal.name: signal for signal in (*parts.impulses, *parts.held)},
        settings={setting: k for k, setting in enumerate(settings, len(parts.codes))},
        axes=(*axes, "yaw_total"),
        posing=posing,
        hosts=asked,
        rig=rig(plan),
        rig_roles={
            kept(k, name): f"{name} of {one.mount.kind} {one.mount.name}"
            for k, one in enumerate(plan.mounts.all)
            for name in one.mount.rig
        },
        gates=tuple(gate.name for gate in plan.gates),
        families=plan.families,
        places=places,
        fade=max((getattr(one.mount, "fade", 0.0) for one in plan.mounts.all), default=0.0),
        walks=walks,
        mounts=tuple(one.mount.name for one in plan.mounts.all),
        own=tuple(map(plan.mounts.label, plan.mounts.own)),
        seen={name: places for name, places in seen.items() if places},
        cues={cue.name: first + 2 * k for k, cue in enumerate(plan.cues)},
        live=compiled(text, "live"),
        pose=compiled(made, "pose"),
    )

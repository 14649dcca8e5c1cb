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
from hashlib import sha256
from typing import TYPE_CHECKING, Any, NamedTuple, cast

from ..expressions import Parameter, Word, altered
from ..plan import FOCUS, take_apart, with_parameters
from ..plan.mounts import PLACE
from .events import Events
from .languages import compiled, function, listed_numbers, live_text, pose_text
from .parts import Parts
from .passing import Passing
from .posing import arguments, hosts, kept, rig, walked_by, weave_pose
from .reading import Reading
from .walking import READ
from .woven import Woven

if TYPE_CHECKING:
    from collections.abc import Callable, Generator, Sequence

    from ..expressions import Parameters
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
    digest: str
    """What tells it from other programs: the same whatever its numbers."""
    state: tuple[str, ...]
    """Every state value by name; the first is the time of the last commit."""
    start: tuple[float, ...]
    """What each of them is at time 0."""
    parameters: tuple[str, ...]
    """The numbers of the profile that it reads, and what is worked out of them, by name."""
    numbers: tuple[float, ...]
    """What each of them is."""
    roles: dict[str, str]
    """What each state value is called where another program takes over."""
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
    _live: Callable[[tuple[float, ...], tuple[float, ...]], Generator[Any, list[Item], None]]
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
    _posing: Callable[[tuple[float, ...]], Callable[..., tuple[float, ...]]]
    _starts: tuple[float, ...]
    """What each state value is at time 0, some of them as parameters."""
    _places: tuple[int, ...]
    """Where the parameters have their numbers among all that are worked out."""
    _among: Parameters

    def live(self, state: tuple[float, ...]) -> Generator[Any, list[Item], None]:
        """The loop: send it items that end in a frame for what that reads, or none for the saved state."""
        return self._live(state, self.numbers)

    def given(self, plan: Plan, numbers: Sequence[float]) -> Program:
        """The same program with the numbers of another plan of its shape."""
        found, starts = self._among.numbers(numbers), cast("tuple[object, ...]", self._starts)
        own = tuple([found[place] for place in self._places])
        start = tuple([found[one.place] if isinstance(one, Parameter) else one for one in starts])
        fade = max((getattr(one.mount, "fade", 0.0) for one in plan.mounts.all), default=0.0)
        return altered(self, numbers=own, start=start, fade=fade, pose=self._posing(own))

    @cached_property
    def axis_places(self) -> dict[str, int]:
        """Where a frame has each axis."""
        return {name: k for k, name in enumerate(self.axes)}

    @property
    def listing(self) -> str:
        """All of its text, its numbers first, to be read."""
        return "\n\n".join([listed_numbers(self.parameters, self.numbers), self.text, self.pose_text])

    @property
    def starts(self) -> dict[str, float]:
        """What each state value is at time 0, by name."""
        return dict(zip(self.state, self.start, strict=True))

    def settled(self, now: float, state: tuple[float, ...]) -> bool:
        """Whether nothing moves by itself at a time (s)."""
        return bool(self._settled(self.numbers, now, *state)[0])

    @cached_property
    def _settled(self) -> Callable[..., tuple[bool]]:
        names = ["numbers", "now", *self.state]
        return compiled(function("settled", names, [], [self.woven.still], self.parameters), "settled")

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


def _no_pose(*_: object) -> tuple[float, ...]:
    """Stands for the pose of a program without numbers."""
    raise NotImplementedError


class _Shaped:
    """A plan that equals every other of its shape."""

    def __init__(self, plan: Plan) -> None:
        self.plan, self.taken = plan, take_apart(plan)

    def __hash__(self) -> int:
        return hash(self.taken.shape)

    def __eq__(self, other: object) -> bool:
        return isinstance(other, _Shaped) and self.taken.shape == other.taken.shape


def weave_plan(plan: Plan, settings: tuple[Setting, ...] = ()) -> Program:
    """Weave a plan, with what its host sets besides; plans that differ in numbers alone are woven once."""
    shaped = _Shaped(plan)
    return weave_shape(shaped, settings).given(plan, shaped.taken.numbers)


class _Seats(NamedTuple):
    """Where a frame has what; each as :class:`Program` says."""

    places: dict[str, int]
    cues: dict[str, int]
    walks: dict[str, int]
    posing: tuple[int, ...]
    seen: dict[str, tuple[int, ...]]


def _seats(plan: Plan, reading: Reading) -> _Seats:
    """Where a frame has what it reads: axes, gates, what can change besides, cues, a walk, mounts."""
    axes = [axis.name for axis in plan.axes]
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
    posing = (*weighed, *own.values(), *walked)
    seen = {name: tuple(own[key] for key in plan.mounts.keys(name) if key in own) for name in axes}
    return _Seats(
        places,
        {cue.name: first + 2 * k for k, cue in enumerate(plan.cues)},
        walks,
        posing,
        {name: found for name, found in seen.items() if found},
    )


@lru_cache(maxsize=64)
def weave_shape(shaped: _Shaped, settings: tuple[Setting, ...]) -> Program:
    """Weave a plan, without its numbers."""
    plan, among = with_parameters(shaped.plan, shaped.taken)
    parts = Parts(plan, settings)
    reading = Reading(parts)
    woven, woven_pose = _weave(parts, reading), weave_pose(plan)
    starts = parts.state.starts
    named = woven.names | woven_pose.names
    read = [one for one in among.all if one.name in named]
    names = tuple(one.name for one in read)
    text = live_text(woven, starts, names)
    seat = _seats(plan, reading)
    asked = hosts(plan)
    made = pose_text(woven_pose, seat.posing, len(asked), names)
    return Program(
        text=text,
        pose_text=made,
        digest=sha256((text + made).encode()).hexdigest(),
        woven=woven,
        woven_pose=woven_pose,
        state=tuple(starts),
        start=(),
        parameters=names,
        numbers=(),
        roles=parts.state.roles,
        codes=parts.codes,
        heard={signal.name: signal for signal in (*parts.impulses, *parts.held)},
        settings={setting: k for k, setting in enumerate(settings, len(parts.codes))},
        axes=(*(axis.name for axis in plan.axes), "yaw_total"),
        posing=seat.posing,
        hosts=asked,
        rig=rig(plan),
        rig_roles={
            kept(k, name): f"{name} of {one.mount.kind} {one.mount.name}"
            for k, one in enumerate(plan.mounts.all)
            for name in one.mount.rig
        },
        gates=tuple(gate.name for gate in plan.gates),
        families=plan.families,
        places=seat.places,
        fade=0.0,
        walks=seat.walks,
        mounts=tuple(one.mount.name for one in plan.mounts.all),
        own=tuple(map(plan.mounts.label, plan.mounts.own)),
        seen=seat.seen,
        cues=seat.cues,
        _live=compiled(text, "live"),
        pose=_no_pose,
        _posing=compiled(made, "posing"),
        _starts=tuple(starts.values()),
        _places=tuple(one.place for one in read),
        _among=among,
    )

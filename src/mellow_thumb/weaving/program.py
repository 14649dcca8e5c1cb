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
from operator import itemgetter
from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import altered
from ..expressions import Parameter, Word, work_out
from ..plan import FOCUS, take_apart, with_parameters
from ..plan.mounts import PLACE
from .events import Events
from .languages import (
    compiled,
    function,
    listed_numbers,
    live_text,
    parameters_in,
    pose_text,
    with_numbers,
    with_short_places,
)
from .parts import Parts
from .passing import WITHIN, Passing
from .posing import arguments, hosts, kept, rig, walked_by, weave_pose
from .reading import Reading, pad_places
from .walking import READ
from .woven import Woven

if TYPE_CHECKING:
    from collections.abc import Callable, Generator, Sequence

    from ..expressions import Parameters
    from ..plan import Plan, Shape, Signal
    from .parts import Setting
    from .woven import WovenPose

Item = tuple[float, int, float, float]
"""An event or a frame: time (s), code, x, y."""
StateParts = tuple[float, tuple[float, ...], tuple[float, ...]]
"""A state in parts: when it was committed (s), what time changes by itself, what is held."""
Posed = tuple[tuple[float, float, float], tuple[float, float, float, float], float, float]
"""A pose: position x, y, z (m), rotation (a unit quaternion x, y, z, w), vertical field of view (deg), extent
(m, of a flat picture)."""
NO_TIME = float("-inf")
"""Stands for the time of an event that has none of its own."""


class Sums(NamedTuple):
    """How a program's numbers come from a plan's."""

    rows: tuple[tuple[Callable[..., float], tuple[int, ...]], ...]
    """What is worked out of them, in order."""
    places: tuple[int, ...]
    """Where, with that, those are that the program reads."""
    start: tuple[float, ...]
    """What each state value is at time 0, where that is no such number."""
    started: tuple[tuple[int, int], ...]
    """For those where it is: which one, and where its number is."""

    def of(self, numbers: Sequence[float]) -> tuple[tuple[float, ...], tuple[float, ...]]:
        """The program's numbers, and the state at time 0."""
        found = work_out(self.rows, numbers)
        start = [*self.start]
        for k, place in self.started:
            start[k] = found[place]
        return tuple([found[place] for place in self.places]), tuple(start)


class Parting(NamedTuple):
    """How a state is parted: its time first, then what time changes by itself, and what is held."""

    flows: tuple[int, ...]
    """The places of what flows."""
    held: tuple[int, ...]
    """The places of what is held."""
    whole: Callable[[tuple[float, ...]], tuple[float, ...]]
    """The state, of its parts in a row."""

    def parted(self, state: tuple[float, ...]) -> StateParts:
        """The parts of a saved state."""
        return state[0], tuple(state[k] for k in self.flows), tuple(state[k] for k in self.held)

    def joined(self, parts: StateParts) -> tuple[float, ...]:
        """The saved state that parts make."""
        return self.whole((parts[0], *parts[1], *parts[2]))


def parting_of(state: tuple[str, ...], flowing: tuple[str, ...]) -> Parting:
    """How a state with these values is parted."""
    places = {name: k for k, name in enumerate(state)}
    flows = tuple(places.pop(name) for name in flowing)
    held = tuple(places.values())[1:]
    row = (0, *flows, *held)
    return Parting(flows, held, itemgetter(*map(row.index, range(len(row)))))  # a state is never one value


class Functions(NamedTuple):
    """The functions compiled from a program's texts."""

    live: Callable[..., Generator[Any, list[Item] | None, None]]
    posing: Callable[[tuple[float, ...]], Callable[..., tuple[Posed, tuple[float, ...]]]]


@lru_cache(maxsize=64)
def _settled(text: str) -> Callable[..., tuple[bool, bool]]:
    """The function for whether nothing moves; hosts that draw every frame never ask."""
    return compiled(text, "settled")


class Source:
    """What a program was woven from: its parts are woven again if another process wove them."""

    def __init__(self, plan: Plan, settings: tuple[Setting, ...]) -> None:
        self.plan, self.settings = plan, settings

    @cached_property
    def parts(self) -> tuple[Woven, WovenPose]:
        """Its loop and its pose, for other languages."""
        plan, _ = with_parameters(self.plan, take_apart(self.plan))
        parts = Parts(plan, self.settings)
        return _weave(parts, Reading(parts)), weave_pose(plan)


@dataclass(frozen=True, eq=False)
class Program:
    """A woven plan."""

    text: str
    """The woven Python of the session's loop."""
    pose_text: str
    """The woven Python that makes a camera pose of the axes."""
    digest: str
    """What tells it from other programs: the same whatever its numbers."""
    state: tuple[str, ...]
    """Every state value by name; the first is the time of the last commit."""
    parting: Parting
    """Which of them time changes by itself."""
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
    axis_places: dict[str, int]
    """Each axis's place in a frame."""
    posing: tuple[int, ...]
    """Which of those values the pose is made of."""
    gates: tuple[str, ...]
    """The gates that a frame reads, after the axes."""
    families: tuple[str, ...]
    """The families of devices that the plan uses."""
    places: dict[str, int]
    """Where a frame has the active ``device`` and the ``cursor``, if they can change."""
    pads: tuple[tuple[str, int, bool], ...]
    """The thumb pads: of each its name, where a frame has it, and whether it has a place of its own."""
    fade: float
    """How long a view takes to come back after a snap, in seconds."""
    walks: dict[str, int]
    """Where a frame has what it reads of a walk, by the names in `walking.READ`; none without movement."""
    velocity_places: tuple[int, ...]
    """Where a frame has a walk's velocity, x, y, z: the first of these; nowhere without one."""
    mounts: tuple[str, ...]
    """The mounts, the default one first; where a frame has more, it has the number of one."""
    seen: dict[str, tuple[int, ...]]
    """Where a frame has the values of an axis that a view is made of: one for each mount that has its own."""
    own: tuple[str, ...]
    """What to call those values where there are several mounts; they come last."""
    cues: dict[str, int]
    """Where a frame has the count of each cue; the time (s) of the last one comes after it."""
    source: Source
    """What it was woven from."""
    hosts: tuple[str, ...]
    """What the pose asks the host."""
    rig: dict[str, float]
    """What the pose keeps from one view to the next, and what that is at first."""
    rig_roles: dict[str, str]
    """What each of these is called where another program takes over: its mount and its kind with it."""
    pose: Callable[..., tuple[Posed, tuple[float, ...]]]
    """The pose of what a frame reads, the host's answers (NaN for none), the time (s) and what mounts keep;
    and what mounts keep from now on."""
    settled_text: str
    """The woven Python that says whether nothing moves by itself."""
    sums: Sums
    """How its numbers come from those of a plan."""
    functions: Functions
    """Its texts, at work."""

    @property
    def woven(self) -> Woven:
        """The parts of the session's loop, for other languages."""
        return self.source.parts[0]

    @property
    def woven_pose(self) -> WovenPose:
        """The parts of the pose."""
        return self.source.parts[1]

    def is_of_shape(self, other: Program) -> bool:
        """Whether it differs from another program in numbers at most."""
        return self.source is other.source

    def live(
        self, state: tuple[float, ...], back: Sequence[StateParts] = ()
    ) -> Generator[Any, list[Item] | None, None]:
        """The loop: send it items that end in a frame for its values, or an empty list for the saved state.

        Sent an empty list while there are parts of a state in `back`, it takes them out and goes on from
        there; sent None it yields its own.
        """
        return self.functions.live(state, self.numbers, back)

    def given(self, plan: Plan, numbers: Sequence[float]) -> Program:
        """The same program with the numbers of another plan of the same shape."""
        own, start = self.sums.of(numbers)
        fade = max((getattr(one.mount, "fade", 0.0) for one in plan.mounts.all), default=0.0)
        return altered(self, numbers=own, start=start, fade=fade, pose=self.functions.posing(own))

    @property
    def listing(self) -> str:
        """All of its text, its numbers first, to read."""
        return "\n\n".join([listed_numbers(self.parameters, self.numbers), self.text, self.pose_text])

    @property
    def starts(self) -> dict[str, float]:
        """Each state value at time 0, by name."""
        return dict(zip(self.state, self.start, strict=True))

    def settled(self, now: float, state: tuple[float, ...]) -> bool:
        """Whether nothing moves by itself at a time (s)."""
        return bool(_settled(self.settled_text)(self.numbers, now, 0.0, 0.0, 0.0, *state)[0])

    def settled_within(self, now: float, least: tuple[float, float, float], state: tuple[float, ...]) -> bool:
        """Whether nothing will go further by itself than so many degrees, metres, and shares of its zoom."""
        return bool(_settled(self.settled_text)(self.numbers, now, *least, *state)[1])

    @property
    def asked(self) -> tuple[str, ...]:
        """What the host may say for the view: what mounts ask, or where the subject is."""
        return self.hosts or PLACE

    @cached_property
    def asked_places(self) -> dict[str, int]:
        """The place of each thing in what the host may say, the subject's place first."""
        return {name: k for k, name in enumerate(self.asked)}

    @property
    def width(self) -> int:
        """The number of values in a frame."""
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
    # what is worked out in one part is not known in another, so they share names
    with parts.names.for_now():
        passing.write(flow)
    with parts.names.for_now():
        outputs = reading.write(read)
    events = Events(parts, passing)
    nearness, pace, waits = parts.block(), parts.block(), parts.block()
    passing.nearness(nearness)
    passing.pace(pace)
    events.waits(waits)
    names = [one.name for one in parts.state.handles]
    return Woven(
        impulses=len(parts.inputs.impulses),
        frame=len(parts.codes) + len(parts.settings),
        deaf=bool(parts.inputs.impulses) and FOCUS.name in names,
        timers=events.timers() if parts.switching.timers else [],
        moment=events.moment(),
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
        nearly_still=passing.nearly_still(Word("now")),
    )


def no_pose(*_: object) -> tuple[Posed, tuple[float, ...]]:
    """Takes the place of the pose of a program without numbers."""
    raise RuntimeError("found a program without numbers; expected Program.given first")


_programs: dict[tuple[Shape, tuple[Setting, ...]], Program] = {}
"""What was woven, without numbers; what was asked for last comes last."""
KEPT = 64
"""So many are kept."""


def weave_plan(plan: Plan, settings: tuple[Setting, ...] = ()) -> Program:
    """Weave a plan, with its host's settings; plans that differ only in numbers are woven once."""
    taken = take_apart(plan)
    program = woven_before(plan, settings) or keep_woven(plan, settings, _woven(plan, settings))
    return program.given(plan, taken.numbers)


def woven_before(plan: Plan, settings: tuple[Setting, ...] = ()) -> Program | None:
    """What was woven for a plan of this shape, without numbers; None if nothing was."""
    key = take_apart(plan).shape, settings
    program = _programs.pop(key, None)
    if program is not None:
        _programs[key] = program
    return program


def keep_woven(plan: Plan, settings: tuple[Setting, ...], program: Program) -> Program:
    """Keep what was woven for a plan."""
    while len(_programs) >= KEPT:
        _programs.pop(next(iter(_programs)), None)
    _programs[take_apart(plan).shape, settings] = program
    return program


def forget_woven() -> None:
    """Forget everything woven, so that it is woven again."""
    _programs.clear()


class _Seats(NamedTuple):
    """Where things are in a frame; see :class:`Program`."""

    axes: tuple[str, ...]
    places: dict[str, int]
    cues: dict[str, int]
    walks: dict[str, int]
    posing: tuple[int, ...]
    seen: dict[str, tuple[int, ...]]


def _seats(plan: Plan, reading: Reading) -> _Seats:
    """The places in a frame: axes, gates, what else can change, cues, a walk, mounts."""
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
        (*axes, "yaw_total"),
        places,
        {cue.name: first + 2 * k for k, cue in enumerate(plan.cues)},
        walks,
        posing,
        {name: found for name, found in seen.items() if found},
    )


def _pads(plan: Plan, seat: _Seats) -> tuple[tuple[str, int, bool], ...]:
    """The thumb pads; see :class:`Program`."""
    pads = [one for one in plan.touches if one.kind == "thumb_pad"]
    return tuple((one.name, seat.places[pad_places(one.name)[0]], one.centre is not None) for one in pads)


def _woven(given: Plan, settings: tuple[Setting, ...]) -> Program:
    """Weave a plan, without its numbers."""
    plan, among = with_parameters(given, take_apart(given))
    parts = Parts(plan, settings)
    reading = Reading(parts)
    woven, woven_pose = _weave(parts, reading), weave_pose(plan)
    starts, seat, asked = parts.state.starts, _seats(plan, reading), hosts(plan)
    texts = (
        live_text(woven, starts),
        pose_text(woven_pose, seat.posing, len(asked)),
        function("settled", ["numbers", *WITHIN, *starts], [], [woven.still, woven.nearly_still]),
    )
    read = [parameters_in(one) for one in texts]
    places: dict[str, int] = read[0] | read[1] | read[2]
    names = tuple(sorted(places, key=places.__getitem__))
    text = with_short_places(with_numbers(texts[0], names))
    made, settled = (with_numbers(texts[k], names, read[k]) for k in (1, 2))
    known = {one.name: one for one in among.all}
    source = Source(given, settings)
    source.parts = woven, woven_pose
    return Program(
        text=text,
        pose_text=made,
        digest=sha256((text + made).encode()).hexdigest(),
        source=source,
        state=tuple(starts),
        parting=parting_of(tuple(starts), woven.flowing),
        start=(),
        parameters=names,
        numbers=(),
        roles=parts.state.roles,
        codes=parts.codes,
        heard={signal.name: signal for signal in parts.inputs.fed},
        settings={setting: k for k, setting in enumerate(settings, len(parts.codes))},
        axes=seat.axes,
        axis_places={name: k for k, name in enumerate(seat.axes)},
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
        pads=_pads(plan, seat),
        fade=0.0,
        walks=seat.walks,
        velocity_places=tuple(seat.walks[name] for name in READ[:3]) if seat.walks else (),
        mounts=tuple(one.mount.name for one in plan.mounts.all),
        own=tuple(map(plan.mounts.label, plan.mounts.own)),
        seen=seat.seen,
        cues=seat.cues,
        pose=no_pose,
        settled_text=settled,
        sums=_sums(among, [known[name] for name in names], tuple(starts.values())),
        functions=Functions(compiled(text, "live"), compiled(made, "posing")),
    )


def _sums(among: Parameters, read: Sequence[Parameter], starts: tuple[object, ...]) -> Sums:
    return Sums(
        tuple(among.rows),
        tuple([one.place for one in read]),
        tuple([one if isinstance(one, float) else 0.0 for one in starts]),
        tuple([(k, one.place) for k, one in enumerate(starts) if isinstance(one, Parameter)]),
    )

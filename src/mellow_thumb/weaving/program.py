"""The program of a plan: one flat woven text in which events commit and frames only read.

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

from ..expressions import MATHS, compile_text, fill, number
from ..plan.mounts import PLACE
from .events import Events
from .pools import LONGEST
from .posing import arguments, hosts, pose_text, rig, walked_by
from .room import EXTRA
from .walking import READ
from .weaver import Weaver

if TYPE_CHECKING:
    from collections.abc import Callable, Generator

    from ..plan import Plan, Signal
    from .room import Setting

Item = tuple[float, int, float, float]
"""An event or a frame: time (s), code, x, y."""

MERGE = 1 / 128
NEAR = 1 / 256
"""Steps are no longer than this where motions that are smoothed differently come near a limit."""

_LIVE = """
def live(saved):
    {names} = saved
    reading = False
    out = None
    while True:
        items = yield out
        while not items:
            if reading:
                {restore}
                reading = False
            items = yield ({names})
        if reading:
            t, code, x, y = items[0]
            if t != anchor or code == {frame} or t - kept_anchor <= ({merge} if code < {first_held} else 0.0):
                {restore}
            reading = False
        for t, code, x, y in items:
            {unheard}
            while True:
                {timers}
                age = t - anchor
                if age <= 0.0:
                    break
                {entering}
                stop = t
                {nearness}
                {pace}
                {till}
                if stop - anchor > {longest}:
                    stop = anchor + {longest}
                dt = stop - anchor
                if code == {frame} and stop == {frame_end}:
                    {keep}
                    reading = True
                {flow}
                anchor = stop
            {events}
        {read}
        out = ({outputs})
"""


@dataclass(frozen=True, eq=False)
class Program:
    """What weaving makes of a plan."""

    text: str
    """The woven Python of the session's loop."""
    pose_text: str
    """The woven Python that makes a camera pose of the axes."""
    state: dict[str, float]
    """Every state value by name, as it is at time 0; the first is the time of the last commit."""
    roles: dict[str, str]
    """What state values are whose numbers hang on others: a signal's, or a switch seen through a gate."""
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
    moved: int
    """Where a frame has what `walking.READ` names; 0 without movement."""
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
    still_text: str
    """The woven test of whether nothing moves by itself, on the state and the time ``now``."""
    hosts: tuple[str, ...]
    """What the pose asks the host."""
    rig: dict[str, float]
    """What the pose keeps from one view to the next, and what that is at first."""
    pose: Callable[..., tuple[float, ...]]
    """The pose of what a frame reads of `posing`, of the host's answers (NaN for none) and, for a mount that
    keeps something, of the time (s) and what it kept: position x, y, z (m), rotation x, y, z, w, vertical
    field of view (deg), extent (m, of a flat picture), and what it keeps."""

    @cached_property
    def axis_places(self) -> dict[str, int]:
        """Where a frame has each axis."""
        return {name: k for k, name in enumerate(self.axes)}

    @cached_property
    def settled(self) -> Callable[..., bool]:
        """Whether nothing moves by itself, by ``now`` (s) and the state."""
        space: dict[str, Any] = dict(MATHS)
        exec(f"settled = lambda now, {', '.join(self.state)}: {self.still_text}", space)
        settled: Callable[..., bool] = space["settled"]
        return settled

    @property
    def asked(self) -> tuple[str, ...]:
        """What the host may say of what is seen: what the mount asks, or where the subject is."""
        return self.hosts or PLACE

    @cached_property
    def posed(self) -> Callable[..., tuple[float, ...]]:
        """The pose of all that a frame reads, of the host's answers, and of what the pose takes besides."""
        given = [*(f"values[{k}]" for k in self.posing), *(f"hosts[{k}]" for k in range(len(self.hosts)))]
        kept = ["t, *rig"] if self.rig else []
        text = f"posed = lambda values, hosts, t, rig: pose({', '.join([*given, *kept])})"
        space = {"pose": self.pose}
        exec(text, space)
        posed: Callable[..., tuple[float, ...]] = space["posed"]
        return posed

    @property
    def width(self) -> int:
        """How many values a frame reads."""
        moved = len(READ) if self.moved else 0
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


def _entering(weaver: Weaver, waits: list[str], *, timely: str) -> list[str]:
    """Lines that let an impulse be entered at the last commit, where it may."""
    if not weaver.impulses:
        return []
    test = f"if code < {len(weaver.impulses)} and age <= {number(MERGE)}{timely}:"
    if not waits:
        return [test, "    break"]
    return [test, *(f"    {line}" for line in ("wait = 1.0", *waits, "if wait != 0.0:", "    break"))]


def _live_text(weaver: Weaver) -> str:
    flow, (read, outputs) = weaver.flow(), weaver.read()
    events = Events(weaver)
    pace = weaver.pace(longest=LONGEST, near=NEAR)
    timed = bool(weaver.switches.timers)
    deaf = f"if code < {len(weaver.impulses)} and host_focus == 0.0:"
    unheard = [deaf, "    continue"] if "host_focus" in weaver.state and weaver.impulses else []
    flowing = ["anchor", *(name for name in weaver.state if name in flow.assigned)]
    return fill(
        _LIVE,
        names=", ".join(weaver.state),
        keep=[f"kept_{name} = {name}" for name in flowing],
        restore=[f"{name} = kept_{name}" for name in flowing],
        entering=_entering(weaver, events.waits(), timely=" and due > t" if timed else ""),
        flow=flow.lines,
        events=events.lines(),
        read=read.lines,
        outputs=", ".join(outputs),
        frame=str(len(weaver.codes) + len(weaver.settings)),
        first_held=str(len(weaver.impulses)),
        merge=number(MERGE),
        nearness=[f"{flow.near} = not ({flow.clear([], LONGEST)})" for flow in weaver.guarded],
        pace=pace,
        unheard=unheard,
        timers=["if due <= anchor:", *(f"    {line}" for line in events.timers())] if timed else [],
        till=["if due < t:", "    stop = due"] if timed else [],
        frame_end="t and due > t" if timed else "t",
        longest="pace" if pace else number(LONGEST),
    )


@lru_cache(maxsize=64)
def weave_plan(plan: Plan, settings: tuple[Setting, ...] = ()) -> Program:
    """Weave a plan, with what its host sets besides; the same plan is woven once."""
    weaver = Weaver(plan, settings)
    axes = [axis.name for axis in plan.axes]
    text, made = _live_text(weaver), pose_text(plan)
    begin = len(axes) + 1 + len(plan.gates)
    extra: list[str] = [name for name in EXTRA if name in weaver.state]
    places = {name: begin + k for k, name in enumerate(extra)}
    first = begin + len(extra)
    moved = first + 2 * len(plan.cues) if plan.movement else 0
    walked = [moved + READ.index(name) for name in walked_by(plan)]
    after = first + 2 * len(plan.cues) + (len(READ) if plan.movement else 0)
    weighed = range(after, after + len(plan.mounts.all)) if plan.others else range(0)
    if plan.others:
        own = {key: weighed.stop + k for k, key in enumerate(plan.mounts.own)}
    else:
        own = {name: axes.index(name) for name in arguments(plan)}
    seen = {name: tuple(own[key] for key in plan.mounts.keys(name) if key in own) for name in axes}
    return Program(
        text=text,
        still_text=weaver.still(),
        pose_text=made,
        state=weaver.state,
        roles=weaver.roles,
        codes=weaver.codes,
        heard={signal.name: signal for signal in (*weaver.impulses, *weaver.held)},
        settings={setting: k for k, setting in enumerate(settings, len(weaver.codes))},
        axes=(*axes, "yaw_total"),
        posing=(*weighed, *own.values(), *walked),
        hosts=hosts(plan),
        rig=rig(plan),
        gates=tuple(gate.name for gate in plan.gates),
        families=plan.families,
        places=places,
        fade=max((getattr(one.mount, "fade", 0.0) for one in plan.mounts.all), default=0.0),
        moved=moved,
        mounts=tuple(one.mount.name for one in plan.mounts.all),
        own=tuple(map(plan.mounts.label, plan.mounts.own)),
        seen={name: places for name, places in seen.items() if places},
        cues={cue.name: first + 2 * k for k, cue in enumerate(plan.cues)},
        live=compile_text(text, "live"),
        pose=compile_text(made, "pose"),
    )

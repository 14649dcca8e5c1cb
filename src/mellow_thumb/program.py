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
from functools import lru_cache
from typing import TYPE_CHECKING, Any

from .formulas.limits import clamp, room
from .formulas.smoothing import payout, remaining
from .formulas.turning import wrapped
from .gates import held, listening
from .weave import Block, Names, compile_text, fill, number

if TYPE_CHECKING:
    from collections.abc import Callable, Generator

    from .axes import Axis
    from .plan import Plan
    from .routes import Route
    from .signals import Signal

Item = tuple[float, int, float, float]
"""An event or a frame: time (s), code, x, y."""

MERGE = 1 / 128
LONGEST = 1 / 16

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
            wait = {merge} if code < {first_held} else 0.0
            age = t - anchor
            while age > wait:
                stop = t if age <= {longest} else anchor + {longest}
                dt = stop - anchor
                if code == {frame} and stop == t:
                    {keep}
                    reading = True
                {flow}
                anchor = stop
                age = t - anchor
            {events}
        {read}
        out = ({outputs})
"""

_POSE = """
def pose({axes}):
    {lines}
    return {results}
"""

_WORDS = [
    "live",
    "saved",
    "reading",
    "out",
    "items",
    "t",
    "code",
    "x",
    "y",
    "wait",
    "age",
    "stop",
    "dt",
    "anchor",
    "kept_anchor",
    "pose",
]


@dataclass(frozen=True)
class Program:
    """What weaving makes of a plan."""

    text: str
    """The woven Python of the session's loop."""
    pose_text: str
    """The woven Python that makes a camera pose of the axes."""
    start: tuple[float, ...]
    """The state at time 0; its first value is the time of the last commit."""
    codes: dict[str, int]
    """The code of each signal that the plan uses: impulses first, then what is held."""
    axes: tuple[str, ...]
    """The axes that a frame reads, in the order of its values."""
    gates: tuple[str, ...]
    """The gates that a frame reads, after the axes."""
    live: Callable[[tuple[float, ...]], Generator[Any, list[Item], None]]
    """The loop: send it items that end in a frame for that frame's values, or none for the saved state."""
    pose: Callable[..., tuple[float, ...]]
    """Axes (deg) to position x, y, z (m) and rotation x, y, z, w."""

    @property
    def frame(self) -> int:
        """The code of a frame."""
        return len(self.codes)


class _Weaver:
    """Collects what each part of a plan adds to its program."""

    def __init__(self, plan: Plan) -> None:
        self.plan = plan
        self.state: dict[str, float] = {"anchor": 0.0}
        for axis in plan.axes:
            self.state[axis.name] = axis.start
        used = {address.signal.name: address.signal for address in plan.signals}
        self.impulses = [s for s in used.values() if s.kind == "displacement"]
        self.held = [s for s in used.values() if s.kind == "switch"]
        self.switches = {signal.name: signal.name.replace(".", "_") for signal in self.held}
        self.gates = {gate.name: f"gate{k}" for k, gate in enumerate(plan.gates, 1)}
        self.state |= dict.fromkeys((*self.switches.values(), *self.gates.values()), 0.0)
        self.pools: dict[str, dict[float, str]] = {axis.name: {} for axis in plan.axes}
        for route in plan.routes:
            for axis_name in route.drives if route.half_life else ():
                pools = self.pools[axis_name]
                pools.setdefault(route.half_life, f"{axis_name}_pool{len(pools) + 1}")
        self.state |= {pool: 0.0 for pools in self.pools.values() for pool in pools.values()}
        self.names = Names([*_WORDS, *self.state, *(f"kept_{name}" for name in self.state)])

    def block(self) -> Block:
        return Block(self.names)

    def flow(self) -> Block:
        """What happens between events: reservoirs pay out, axes stay inside their limits."""
        block = self.block()
        for axis in self.plan.axes:
            paid = []
            for half_life, pool in self.pools[axis.name].items():
                (share,) = block.call(remaining, "dt", half_life=half_life)
                amount = self.names.fresh(f"{axis.name}_paid")
                block.call(payout, pool, share, into=(amount, pool))
                paid.append(amount)
            if paid:
                self.add(block, axis, " + ".join(paid))
        return block

    def add(self, block: Block, axis: Axis, amount: str) -> None:
        """Add an amount to an axis, inside its limits."""
        total = f"{axis.name} + {amount}"
        if axis.limited:
            block.call(clamp, total, into=(axis.name,), **axis.limits)
        else:
            block.set(axis.name, total)

    def impulse(self, signal: Signal) -> Block:
        """What one displacement does, `age` after the last commit."""
        block = self.block()
        for count, route in enumerate(self.plan.routes, 1):
            if route.source.signal == signal:
                block.note(f"route {count}")
                self.push(block, route)
        return block

    def push(self, block: Block, route: Route) -> None:
        """Condition a displacement and give it to the axes, or to the reservoirs that smooth it."""
        axes = {axis.name: axis for axis in self.plan.axes}
        gate = f" * {listening(self.gates[route.gate.gate], route.gate)}" if route.gate else ""
        for name, component, gain in route.parts:
            axis, pools = axes[name], self.pools[name]
            push = self.names.fresh(f"{name}_push")
            block.set(push, f"{component} * {number(gain)}{gate}")
            if not pools:
                self.add(block, axis, push)
                continue
            if axis.limited:  # by its goal: entered early, the value alone may lie outside for a while
                goal = " + ".join((name, *pools.values()))
                block.call(room, push, goal, into=(push,), **axis.limits)
            if route.half_life:
                self.pour(block, axis, push, route.half_life)
            else:
                block.set(name, f"{name} + {push}")

    def pour(self, block: Block, axis: Axis, push: str, half_life: float) -> None:
        """Put a push into a reservoir as of the last commit, `age` ago."""
        pool = self.pools[axis.name][half_life]
        (share,) = block.call(remaining, "-age", half_life=half_life)
        early, kept = self.names.fresh(f"{axis.name}_early"), self.names.fresh(f"{axis.name}_poured")
        block.call(payout, push, share, into=(early, kept))
        block.set(axis.name, f"{axis.name} + {early}")
        block.set(pool, f"{pool} + {kept}")

    def switch(self, signal: Signal) -> Block:
        """What one change of a switch does."""
        block, name = self.block(), self.switches[signal.name]
        block.set(name, "1.0 if x != 0.0 else 0.0")
        for gate in self.plan.gates:
            if any(address.signal == signal for address in gate.hold):
                block.set(self.gates[gate.name], held([self.switches[str(a)] for a in gate.hold]))
        return block

    def events(self) -> list[str]:
        """One branch a signal; the frame, which comes most often without events, first."""
        branches = [(signal, self.impulse(signal)) for signal in self.impulses]
        branches += [(signal, self.switch(signal)) for signal in self.held]
        lines = [f"if code == {len(branches)}:", "    pass"]
        for code, (signal, block) in enumerate(branches):
            lines += [f"elif code == {code}:  # {signal.name}", *(f"    {line}" for line in block.lines)]
        return lines

    def read(self) -> tuple[Block, list[str]]:
        """What a frame reads: each axis, the whole turn of the yaw, each gate."""
        block = self.block()
        axes = [block.call(wrapped, axis.name)[0] if axis.wraps else axis.name for axis in self.plan.axes]
        return block, [*axes, "yaw", *self.gates.values()]

    def live_text(self) -> str:
        flow, (read, outputs) = self.flow(), self.read()
        flowing = ["anchor", *(name for name in self.state if name in flow.assigned)]
        return fill(
            _LIVE,
            names=", ".join(self.state),
            keep=[f"kept_{name} = {name}" for name in flowing],
            restore=[f"{name} = kept_{name}" for name in flowing],
            flow=flow.lines,
            events=self.events(),
            read=read.lines,
            outputs=", ".join(outputs),
            frame=str(len(self.impulses) + len(self.held)),
            first_held=str(len(self.impulses)),
            merge=number(MERGE),
            longest=number(LONGEST),
        )

    def pose_text(self) -> str:
        block = Block(Names([*_WORDS, *self.state]))
        results = self.plan.mount.weave_pose(block)
        axes = ", ".join(axis.name for axis in self.plan.axes)
        return fill(_POSE, axes=axes, lines=block.lines, results=", ".join(results))


@lru_cache(maxsize=64)
def weave_plan(plan: Plan) -> Program:
    """Weave a plan; the same plan is woven once."""
    weaver = _Weaver(plan)
    text, pose_text = weaver.live_text(), weaver.pose_text()
    return Program(
        text=text,
        pose_text=pose_text,
        start=tuple(weaver.state.values()),
        codes={signal.name: k for k, signal in enumerate([*weaver.impulses, *weaver.held])},
        axes=(*(axis.name for axis in plan.axes), "yaw_total"),
        gates=tuple(gate.name for gate in plan.gates),
        live=compile_text(text, "live"),
        pose=compile_text(pose_text, "pose"),
    )

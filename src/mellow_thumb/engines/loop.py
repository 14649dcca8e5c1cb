"""Loops: a program running for one session, with what its host said last and what its mounts keep."""

from __future__ import annotations

from collections import deque
from itertools import repeat
from math import nan
from typing import TYPE_CHECKING, NamedTuple, Protocol

from ..weaving import NO_TIME
from .subjects import stand_places, stood

if TYPE_CHECKING:
    from ..weaving import Item, Posed, Program, StateParts
    from .subjects import Subject


class Kept(NamedTuple):
    """A loop at one moment."""

    state: tuple[float, ...]
    """What is committed."""
    hosts: tuple[float, ...]
    rig: tuple[float, ...]


class Packed(Protocol):
    """Where the parts of a loop lie in bytes."""

    def read(self, data: bytes) -> Kept:
        """What a loop was."""
        ...


Parts = tuple["StateParts", tuple[float, ...], tuple[float, ...], tuple[float, ...], "Program"]
"""The state, where the subject is, what else the host said, what mounts keep; and whose they are."""
Keeps = Kept | Parts | tuple[bytes, Packed]
"""A loop at one moment, as what ran it keeps it: plain tuples, since to roll back many are made a frame."""


def read_kept(kept: Keeps) -> Kept:
    """A loop at one moment, whatever ran it."""
    if isinstance(kept, Kept):
        return kept
    if len(kept) == 2:
        data, packed = kept
        return packed.read(data)
    parts, place, said, rig, program = kept
    return Kept(program.parting.joined(parts), place + said, rig)


NOTHING: list[Item] = []
"""No items; it is only ever read."""


class Loop(Protocol):
    """A running program; whatever runs it, the results are the same to the bit."""

    name: str
    """What runs it."""
    program: Program
    hosts: tuple[float, ...]
    """What was said last of each thing that the mounts ask; no number where nothing was."""
    rig: tuple[float, ...]
    """What the mounts keep from one view to the next."""

    @property
    def place(self) -> tuple[float, ...]:
        """Of `hosts` the first: where the subject is (m), with its yaw (deg) where that is asked."""
        ...

    @property
    def saved(self) -> tuple[float, ...]:
        """The state that is committed; what a frame let flow may stay."""
        ...

    def keep(self) -> Keeps:
        """Its whole state now, quickly."""
        ...

    def resume(self, kept: Keeps) -> None:
        """Become what any loop of the same program was."""

    def send(self, items: list[Item]) -> tuple[float, ...]:
        """Run items that end in a frame, and return what it reads."""
        ...

    def step(self, arrived: deque[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """Run the first `count` that have arrived in the frame from `start` to `end`; return what it reads.

        What acted is taken out. Returns None, with all still there, unless all of it is of this frame, in
        order, and not too much at once. What has no time goes with what came before it, and may have got its
        time even where it is put back.
        """
        ...

    def stand(self, subject: Subject) -> None:
        """Keep where the host says the subject is.

        Raises :class:`ArgumentError` for what is not a place of finite numbers; nothing has changed then.
        """

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> Posed:
        """The pose for what a frame reads, at `t` (s), with the subject there from now on, as in `stand`."""
        ...

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> Posed:
        """The pose for what a frame reads; nothing of it is kept."""
        ...


def carried(program: Program, before: Loop | None) -> tuple[tuple[float, ...], tuple[float, ...]]:
    """What the host said and what mounts keep, for the loop that takes over; empty at first."""
    if before is None:
        return (nan,) * len(program.asked), tuple(program.rig.values())
    other = before.program
    said = dict(zip(other.asked, before.hosts, strict=True))
    kept = dict(zip(other.rig_roles.values(), before.rig, strict=True))
    rig = (kept.get(program.rig_roles[name], start) for name, start in program.rig.items())
    return tuple(said.get(name, nan) for name in program.asked), tuple(rig)


FEW = 16
"""Up to so many items are taken out one by one; more are taken out in one go, which costs less for each."""


def take_out(arrived: deque[Item], count: int) -> list[Item]:
    """Take the first `count` out; other threads may put more behind them meanwhile."""
    return [*map(deque.popleft, repeat(arrived, count))]


def _placed(items: list[Item], start: float, end: float) -> bool:
    """Give items without a time that of the one before; whether all times then rise within the frame."""
    latest = start
    for item in items:
        t = item[0]
        if t < latest or t >= end:
            break
        latest = t
    else:
        return True
    latest = start
    for k, (t, code, x, y) in enumerate(items):
        if latest <= t < end:
            latest = t
        elif t == NO_TIME:
            items[k] = (latest, code, x, y)
        else:
            return False
    return True


class PythonLoop:
    """The woven text, as a generator that keeps its state in locals."""

    name = "Python"

    def __init__(self, program: Program, saved: tuple[float, ...], before: Loop | None = None) -> None:
        """Begin with a saved state, and with what is carried over from another loop."""
        self.program, self._pose, self._frame = program, program.pose, program.frame
        self._first = stand_places(program)
        self.place: tuple[float, ...]
        self._said: tuple[float, ...]
        self._back: list[StateParts] = []
        loop = program.live(saved, self._back)
        # a generator must be started before it can be sent anything
        next(loop)
        self.send = loop.send
        self.hosts, self.rig = carried(program, before)

    @property
    def hosts(self) -> tuple[float, ...]:
        """As :attr:`Loop.hosts` says."""
        return self._hosts

    @hosts.setter
    def hosts(self, said: tuple[float, ...]) -> None:
        """Keep what the host says: where the subject is, which changes every frame, and the rest."""
        self._hosts, self.place, self._said = said, said[: self._first], said[self._first :]

    def keep(self) -> Keeps:
        """As :meth:`Loop.keep` says."""
        send = self.send
        return send(None), self.place, self._said, self.rig, self.program

    @property
    def saved(self) -> tuple[float, ...]:
        """As :attr:`Loop.saved` says."""
        return read_kept(self.keep()).state

    def resume(self, kept: Keeps) -> None:
        """As :meth:`Loop.resume` says."""
        if len(kept) == 5:
            parts, self.place, self._said, self.rig, _ = kept
            self._hosts = self.place + self._said
        else:
            state, self.hosts, self.rig = read_kept(kept)
            parts = self.program.parting.parted(state)
        self._back.append(parts)
        send = self.send
        send(NOTHING)

    def step(self, arrived: deque[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """As :meth:`Loop.step` says."""
        items: list[Item] = []
        if count > FEW:
            items = take_out(arrived, count)
            if not _placed(items, start, end):
                arrived.extendleft(reversed(items))
                return None
        latest = start
        while len(items) < count:
            item = arrived.popleft()
            t = item[0]
            if latest <= t < end:
                latest = t
            elif t == NO_TIME:
                _, code, x, y = item
                item = (latest, code, x, y)
            else:
                arrived.extendleft((item, *reversed(items)))
                return None
            items.append(item)
        items.append((end, self._frame, 0.0, 0.0))
        send = self.send  # a call of what is no method costs less by a name of its own
        values: tuple[float, ...] = send(items)
        return values

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> Posed:
        """As :meth:`Loop.view` says."""
        if subject is not None:
            self.stand(subject)
        pose = self._pose
        made, self.rig = pose(values, self._hosts, t, self.rig)
        return made

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> Posed:
        """As :meth:`Loop.glimpse` says."""
        return self._pose(values, self.hosts, t, rig)[0]

    def stand(self, subject: Subject) -> None:
        """As :meth:`Loop.stand` says."""
        self.place = place = stood(self.place, subject)
        self._hosts = place + self._said

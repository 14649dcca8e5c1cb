"""Loops: a program running for one session, with what its host said last and what its mounts keep."""

from __future__ import annotations

from math import nan
from typing import TYPE_CHECKING, NamedTuple, Protocol

from ..plan.mounts import Pose
from ..weaving import NO_TIME
from .subjects import stood

if TYPE_CHECKING:
    from ..weaving import Item, Program
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


Keeps = tuple[tuple[float, ...], tuple[float, ...], tuple[float, ...]] | tuple[bytes, Packed]
"""A loop at one moment, as what ran it keeps it: plain tuples, since to roll back many are made a frame."""


def read_kept(kept: Keeps) -> Kept:
    """A loop at one moment, whatever ran it."""
    if len(kept) == 2:
        data, packed = kept
        return packed.read(data)
    return Kept(*kept)


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

    def keep(self) -> Keeps:
        """Its whole state now, quickly."""
        ...

    def resume(self, kept: Keeps) -> None:
        """Become what any loop of the same program was."""

    def send(self, items: list[Item]) -> tuple[float, ...]:
        """Run items that end in a frame, and return what it reads; without items, the saved state."""
        ...

    def step(self, arrived: list[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """Run the first `count` that have arrived in the frame from `start` to `end`; return what it reads.

        What acted is taken out. Returns None, with nothing changed, unless all of it is of this frame, in
        order, and not too much at once. What has no time goes with what came before it.
        """
        ...

    def stand(self, subject: Subject) -> None:
        """Keep where the host says the subject is.

        Raises :class:`ArgumentError` for what is not a place of finite numbers; nothing has changed then.
        """

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> tuple[float, ...]:
        """The pose for what a frame reads, at `t` (s), with the subject there from now on, as in `stand`."""
        ...

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> tuple[float, ...]:
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


MANY = 32
"""From so many events on it is quicker to sort their times than to look at one after the other."""


def _rising(items: list[Item], start: float, end: float) -> list[Item]:
    """The items, if all have times that rise within a frame; otherwise none."""
    times = [item[0] for item in items]
    return items if start <= times[0] and times[-1] < end and times == sorted(times) else []


class PythonLoop:
    """The woven text, as a generator that keeps its state in locals."""

    name = "Python"

    def __init__(self, program: Program, saved: tuple[float, ...], before: Loop | None = None) -> None:
        """Begin with a saved state, and with what is carried over from another loop."""
        self.program, self._turns = program, program.asked_places.get("subject_yaw")
        self._pose, self._size, self._frame = program.pose, len(Pose._fields), program.frame
        self._back: list[tuple[float, ...]] = []
        loop = program.live(saved, self._back)
        # a generator must be started before it can be sent anything
        next(loop)
        self.send = loop.send
        self.hosts, self.rig = carried(program, before)

    def keep(self) -> Keeps:
        """As :meth:`Loop.keep` says."""
        return self.send(NOTHING), self.hosts, self.rig

    def resume(self, kept: Keeps) -> None:
        """As :meth:`Loop.resume` says."""
        state, self.hosts, self.rig = kept if len(kept) == 3 else read_kept(kept)
        self._back.append(state)
        self.send(NOTHING)

    def step(self, arrived: list[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """As :meth:`Loop.step` says."""
        items = _rising(arrived[:count], start, end) if count >= MANY else []
        if not items:
            latest = start
            for item in arrived[:count]:
                t = item[0]
                if latest <= t < end:
                    latest = t
                    items.append(item)
                elif t == NO_TIME:
                    items.append((latest, item[1], item[2], item[3]))
                else:
                    return None
        if count:
            del arrived[:count]
        items.append((end, self._frame, 0.0, 0.0))
        values: tuple[float, ...] = self.send(items)
        return values

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> tuple[float, ...]:
        """As :meth:`Loop.view` says."""
        if subject is not None:
            self.hosts = stood(self.hosts, self._turns, subject)
        made = self._pose(values, self.hosts, t, self.rig)
        if self.rig:
            self.rig, made = made[self._size :], made[: self._size]
        return made

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> tuple[float, ...]:
        """As :meth:`Loop.glimpse` says."""
        return self._pose(values, self.hosts, t, rig)[: self._size]

    def stand(self, subject: Subject) -> None:
        """As :meth:`Loop.stand` says."""
        self.hosts = stood(self.hosts, self._turns, subject)

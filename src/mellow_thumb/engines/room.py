"""A room: one session's program running in C; it does what the woven Python does, to the bit."""

from __future__ import annotations

import struct
from functools import cache
from itertools import chain
from typing import TYPE_CHECKING

from ..weaving.languages import MOST, room_start
from .loop import Kept, carried, read_kept, take_out
from .subjects import stand_places, stood

if TYPE_CHECKING:
    from collections import deque
    from collections.abc import Callable

    from ..weaving import Item, Posed, Program
    from ..weaving.languages import Layout
    from .library import Engine
    from .loop import Keeps, Loop
    from .subjects import Subject


@cache
def _doubles(count: int) -> struct.Struct:
    """The type of an array of so many doubles."""
    return struct.Struct(f"={count}d")


WRITES = [_doubles(3 + 4 * count).pack_into for count in range(17)]
"""What writes when a frame begins and ends, how many events it has, and so many of them."""
_SUBJECT = _doubles(9)
"""What is said of a subject (2: its rotation as well), its place and rotation, the time of the view."""


class _Shape:
    """Where things are in a room, in bytes."""

    def __init__(self, layout: Layout, states: int, save: Callable[..., object]) -> None:
        self.kept = slice(8 * layout.hosts, 8 * layout.numbers)
        """What changes, and is kept: with what a frame let flow."""
        self._size, self._save = layout.size, save
        self._state = _doubles(states), 8 * layout.state
        self._hosts = _doubles(layout.out - layout.hosts), 8 * layout.hosts
        self._rig = _doubles(layout.state - layout.rig), 8 * layout.rig

    def read(self, data: bytes) -> Kept:
        """As :meth:`Packed.read` says; the state is what was committed."""
        import ctypes

        row = (ctypes.c_double * self._size)()
        memoryview(row).cast("B")[self.kept] = data
        self._save(ctypes.byref(row))
        parts = (self._state, self._hosts, self._rig)
        return Kept(*(doubles.unpack_from(row, place) for doubles, place in parts))


class Room:
    """A program with its state, in one row of doubles that the library works on."""

    name = "C"

    def __init__(
        self, engine: Engine, program: Program, saved: tuple[float, ...], before: Loop | None = None
    ) -> None:
        """Begin with a saved state, and with what is carried over from another loop."""
        import ctypes

        self.library, layout, self.program = engine.library, engine.text.layout, program
        row = (ctypes.c_double * layout.size)()
        # the bytes of it, to write into; and where it is, which is all that the library is told
        self._row, self._there = memoryview(row).cast("B"), ctypes.byref(row)
        self._run, self._act = self.library.frame, self.library.act
        self._save, self._pose = self.library.save, self.library.pose
        begun = room_start(layout, program)
        _doubles(len(begun)).pack_into(self._row, 8 * layout.rig, *begun)
        self._flags = self._row.cast("d")
        self._first = stand_places(program)
        self._moment, self._frame, self._count = layout.hosts - 1, 8 * layout.frame, layout.frame + 2
        self._state, self._saved = 8 * layout.state, _doubles(len(saved))
        self._reading = layout.numbers - 1
        self._out, self._values = 8 * layout.out, _doubles(layout.pose - layout.out)
        self._said, self._asked = 8 * layout.hosts, _doubles(layout.out - layout.hosts)
        self._rig, self._kept = 8 * layout.rig, _doubles(layout.state - layout.rig)
        self._made, self._posed = 8 * layout.pose, _doubles(layout.rig - layout.pose)
        self._read, self._read_pose = self._values.unpack_from, self._posed.unpack_from
        self._seen: tuple[float, ...] = ()
        self._shape = _Shape(layout, len(saved), self.library.save)
        self._rolled = self._shape.kept
        self.resume(Kept(saved, *carried(program, before)))

    def keep(self) -> Keeps:
        """As :meth:`Loop.keep` says."""
        return self._row[self._rolled].tobytes(), self._shape

    def resume(self, kept: Keeps) -> None:
        """As :meth:`Loop.resume` says."""
        if kept[1] is self._shape:
            self._row[self._rolled] = kept[0]
        else:
            state, self.hosts, self.rig = read_kept(kept)
            self._saved.pack_into(self._row, self._state, *state)
            self._flags[self._reading] = 0.0
        self._seen = ()

    @property
    def saved(self) -> tuple[float, ...]:
        """As :attr:`Loop.saved` says."""
        self._save(self._there)
        return self._saved.unpack_from(self._row, self._state)

    @property
    def place(self) -> tuple[float, ...]:
        """As :attr:`Loop.place` says."""
        return self.hosts[: self._first]

    @property
    def hosts(self) -> tuple[float, ...]:
        """As :attr:`Loop.hosts` says."""
        return self._asked.unpack_from(self._row, self._said)

    @hosts.setter
    def hosts(self, said: tuple[float, ...]) -> None:
        """Keep what the host says."""
        self._asked.pack_into(self._row, self._said, *said)

    @property
    def rig(self) -> tuple[float, ...]:
        """As :attr:`Loop.rig` says."""
        return self._kept.unpack_from(self._row, self._rig)

    @rig.setter
    def rig(self, kept: tuple[float, ...]) -> None:
        """Put back what mounts kept."""
        self._kept.pack_into(self._row, self._rig, *kept)

    def send(self, items: list[Item]) -> tuple[float, ...]:
        """As :meth:`Loop.send` says."""
        for begin in range(0, len(items), MOST):
            some = items[begin : begin + MOST]
            frame = _doubles(3 + 4 * len(some))
            frame.pack_into(self._row, self._frame, 0.0, 0.0, len(some), *chain.from_iterable(some))
            self._act(self._there)
        self._seen = self._read(self._row, self._out)
        return self._seen

    def step(self, arrived: deque[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """As :meth:`Loop.step` says."""
        if count > MOST:
            return None
        items = take_out(arrived, count)
        write = WRITES[count] if count < len(WRITES) else _doubles(3 + 4 * count).pack_into
        write(self._row, self._frame, start, end, count, *chain(*items))
        run, read = self._run, self._read  # calls of what is no method cost less by names of their own
        run(self._there)
        if count and self._flags[self._count] < 0.0:
            arrived.extendleft(reversed(items))
            return None
        self._seen = values = read(self._row, self._out)
        return values

    def stand(self, subject: Subject) -> None:
        """As :meth:`Loop.stand` says."""
        hosts = self.hosts
        self.hosts = stood(hosts[: self._first], subject) + hosts[self._first :]

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> Posed:
        """As :meth:`Loop.view` says."""
        row, pose, read = self._row, self._pose, self._read_pose
        if values is not self._seen:
            self._values.pack_into(row, self._out, *values)
            self._seen = values
        if subject is None:
            self._flags[self._moment] = t
            pose(self._there)
        else:
            try:
                if len(subject) == 2:
                    (x, y, z), (a, b, c, d) = subject
                    _SUBJECT.pack_into(row, 0, 2.0, x, y, z, a, b, c, d, t)
                else:
                    x, y, z = subject
                    _SUBJECT.pack_into(row, 0, 1.0, x, y, z, 0.0, 0.0, 0.0, 1.0, t)
            except (TypeError, ValueError, struct.error):
                self._flags[0], self._flags[self._moment] = 0.0, t
                self.stand(subject)  # says what is wrong with it, or knows better what is a number
            pose(self._there)
            if self._flags[0] != 0.0:
                self._flags[0] = 0.0
                stood(self.hosts[: self._first], subject)  # says what is wrong with it
        x, y, z, a, b, c, d, angle, extent = read(row, self._made)
        return (x, y, z), (a, b, c, d), angle, extent

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> Posed:
        """As :meth:`Loop.glimpse` says."""
        before, self.rig = self.rig, rig
        made = self.view(values, t)
        self.rig = before
        return made

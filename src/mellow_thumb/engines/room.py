"""A room: one session's program running in C; it does what the woven Python does, to the bit."""

from __future__ import annotations

import struct
from functools import cache
from itertools import chain
from typing import TYPE_CHECKING

from ..weaving.languages import MOST, room_start
from .loop import Kept, carried
from .subjects import refused, stood

if TYPE_CHECKING:
    from ..weaving import Item, Program
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

    def __init__(self, layout: Layout, states: int) -> None:
        self.begin, self.end = 8 * layout.hosts, 8 * layout.numbers
        self.state = 8 * (layout.state - layout.hosts), _doubles(states)
        self.hosts = 0, _doubles(layout.out - layout.hosts)
        self.rig = 8 * (layout.rig - layout.hosts), _doubles(layout.state - layout.rig)


class _Row:
    """A room at one moment: its bytes."""

    __slots__ = ("data", "shape")

    def __init__(self, data: bytes, shape: _Shape) -> None:
        self.data, self.shape = data, shape

    def _part(self, place: int, doubles: struct.Struct) -> tuple[float, ...]:
        return doubles.unpack_from(self.data, place)

    @property
    def state(self) -> tuple[float, ...]:
        """What is committed."""
        return self._part(*self.shape.state)

    @property
    def hosts(self) -> tuple[float, ...]:
        """What the host said."""
        return self._part(*self.shape.hosts)

    @property
    def rig(self) -> tuple[float, ...]:
        """What mounts keep."""
        return self._part(*self.shape.rig)


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
        self._turns = program.asked_places.get("subject_yaw")
        self._moment, self._frame, self._count = layout.hosts - 1, 8 * layout.frame, layout.frame + 2
        self._state, self._saved = 8 * layout.state, _doubles(len(saved))
        self._reading = layout.numbers - 1
        self._out, self._values = 8 * layout.out, _doubles(layout.pose - layout.out)
        self._said, self._asked = 8 * layout.hosts, _doubles(layout.out - layout.hosts)
        self._rig, self._kept = 8 * layout.rig, _doubles(layout.state - layout.rig)
        self._made, self._posed = 8 * layout.pose, _doubles(layout.rig - layout.pose)
        self._read, self._read_pose = self._values.unpack_from, self._posed.unpack_from
        self._seen: tuple[float, ...] = ()
        self._shape = _Shape(layout, len(saved))
        self.resume(Kept(saved, *carried(program, before)))

    def keep(self) -> Keeps:
        """As :meth:`Loop.keep` says."""
        self._save(self._there)
        shape = self._shape
        return _Row(self._row[shape.begin : shape.end].tobytes(), shape)

    def resume(self, kept: Keeps) -> None:
        """As :meth:`Loop.resume` says."""
        if isinstance(kept, _Row) and kept.shape is self._shape:
            self._row[self._shape.begin : self._shape.end] = kept.data
        else:
            self._saved.pack_into(self._row, self._state, *kept.state)
            self._flags[self._reading] = 0.0
            self.hosts, self.rig = kept.hosts, kept.rig
        self._seen = ()

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
        if not items:
            self._save(self._there)
            return self._saved.unpack_from(self._row, self._state)
        for begin in range(0, len(items), MOST):
            some = items[begin : begin + MOST]
            frame = _doubles(3 + 4 * len(some))
            frame.pack_into(self._row, self._frame, 0.0, 0.0, len(some), *chain.from_iterable(some))
            self._act(self._there)
        self._seen = self._read(self._row, self._out)
        return self._seen

    def step(self, arrived: list[Item], count: int, start: float, end: float) -> tuple[float, ...] | None:
        """As :meth:`Loop.step` says."""
        if count > MOST:
            return None
        write = WRITES[count] if count < len(WRITES) else _doubles(3 + 4 * count).pack_into
        write(self._row, self._frame, start, end, count, *chain(*arrived[:count]))
        self._run(self._there)
        if count:
            if self._flags[self._count] < 0.0:
                return None
            del arrived[:count]
        self._seen = values = self._read(self._row, self._out)
        return values

    def stand(self, subject: Subject) -> None:
        """As :meth:`Loop.stand` says."""
        self.hosts = stood(self.hosts, self._turns, subject)

    def view(self, values: tuple[float, ...], t: float, subject: Subject | None = None) -> tuple[float, ...]:
        """As :meth:`Loop.view` says."""
        row = self._row
        if values is not self._seen:
            self._values.pack_into(row, self._out, *values)
            self._seen = values
        if subject is None:
            self._flags[self._moment] = t
            self._pose(self._there)
            return self._read_pose(row, self._made)
        try:
            if len(subject) == 2:
                (x, y, z), (a, b, c, d) = subject
                _SUBJECT.pack_into(row, 0, 2.0, x, y, z, a, b, c, d, t)
            else:
                x, y, z = subject
                _SUBJECT.pack_into(row, 0, 1.0, x, y, z, 0.0, 0.0, 0.0, 1.0, t)
        except (TypeError, ValueError, struct.error) as error:
            self._flags[0] = 0.0
            raise refused(subject) from error
        self._pose(self._there)
        if self._flags[0] != 0.0:
            self._flags[0] = 0.0
            stood(self.hosts, self._turns, subject)  # says what is wrong with it
        return self._read_pose(row, self._made)

    def glimpse(self, values: tuple[float, ...], t: float, rig: tuple[float, ...]) -> tuple[float, ...]:
        """As :meth:`Loop.glimpse` says."""
        before, self.rig = self.rig, rig
        made = self.view(values, t)
        self.rig = before
        return made

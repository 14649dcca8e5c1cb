"""What runs a program over the events of a whole take: its woven text, or compiled code."""

from __future__ import annotations

from contextlib import suppress
from typing import TYPE_CHECKING, Protocol

from ..engines import EngineError, can_compile, check_compiled, is_at_hand, load
from ..weaving.languages import room_start
from .replay_table import height
from .rows import REFUSED, UNUSED, Rows, paired

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np

    from ..engines import Engine
    from ..weaving import Program
    from .rows import Names

    Out = Sequence[np.ndarray] | np.ndarray
    """Where frames go: a row for each value that is wanted of them."""

WORTH_LOADING, WORTH_COMPILING = 10_000, 200_000
"""So many events and frames take as long in plain Python as loading what is compiled, or compiling it."""


class Runner(Protocol):
    """A program running over a take, some events at a time."""

    lets_go: bool
    """Whether other threads go on while it runs."""

    def run(
        self, events: Rows, ends: np.ndarray, hosts: np.ndarray, frame: int, out: Out, *, last: bool
    ) -> int:
        """Run the events and read the frames that end after them, from number `frame` on.

        Frame k ends at ``ends[k]`` (s), has the host's answers in column k of `hosts` (NaN for none) and
        goes to place k of the rows of `out`: what is wanted of a program's values and its pose.
        Returns the number of the next frame. Unless these are the last events, a frame that might have more
        of them is left for the next call.
        """
        ...

    def paired(self, known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> Rows | None:
        """As :func:`paired` says; the rows stand until it has been called twice more."""
        ...


def _all_of(program: Program, wanted: Sequence[int] | None) -> Sequence[int]:
    """The places of what is wanted of a frame's values and pose; of all where nobody says."""
    return range(height(program)) if wanted is None else wanted


class Interpreted:
    """The woven text, in plain Python."""

    paired = staticmethod(paired)
    lets_go = False

    def __init__(self, program: Program, wanted: Sequence[int] | None = None) -> None:
        self._program, self._wanted = program, _all_of(program, wanted)
        self._loop, self._rig = program.live(program.start), tuple(program.rig.values())
        next(self._loop)

    def run(
        self, events: Rows, ends: np.ndarray, hosts: np.ndarray, frame: int, out: Out, *, last: bool
    ) -> int:
        """As :meth:`Runner.run` says."""
        import numpy as np

        stop = len(ends)
        if not last and len(events.t):
            stop = int(np.searchsorted(ends, events.t[-1], side="right"))
        stop = stop if last or len(events.t) else frame
        items = list(zip(*(one.tolist() for one in events), strict=True))
        moments = ends[frame:stop].tolist()
        begin, code, send, rows = 0, self._program.frame, self._loop.send, []
        for moment, end in zip(moments, np.searchsorted(events.t, moments).tolist(), strict=True):
            due = items[begin:end]
            due.append((moment, code, 0.0, 0.0))
            rows.append(send(due))
            begin = end
        if begin < len(items):
            send(items[begin:])
        if rows:
            part = slice(frame, frame + len(rows))
            self._write(rows, ends[part], hosts[:, part], [one[part] for one in out])
        return frame + len(rows)

    def _write(self, rows: list[tuple[float, ...]], ends: np.ndarray, hosts: np.ndarray, out: Out) -> None:
        posed, rig, poses = self._program.pose, self._rig, []
        said = hosts.T.tolist() if self._program.hosts else [()] * len(rows)
        for row, end, host in zip(rows, ends.tolist(), said, strict=True):
            made, rig = posed(row, host, end, rig)
            poses.append(made)
        self._rig = rig
        places, turned, *lens = zip(*poses, strict=True)
        columns = [*zip(*rows, strict=True), *zip(*places, strict=True), *zip(*turned, strict=True), *lens]
        for place, one in zip(self._wanted, out, strict=True):
            one[:] = columns[place]


class Compiled:
    """The program, compiled as C."""

    lets_go = True

    def __init__(self, engine: Engine, program: Program, wanted: Sequence[int] | None = None) -> None:
        import numpy as np

        self._wanted = np.array(_all_of(program, wanted), np.int64)
        self._out: Out | None = None
        self._to = np.empty(0, np.int64)
        """Where its rows are."""
        self._take, self._events, layout = engine.library.take, engine.library.events, engine.text.layout
        self._room = np.zeros(layout.frame)
        self._room[layout.rig :] = room_start(layout, program)
        self._made, self._before = np.empty((0, 4)), np.empty((0, 4))
        """Where events are made of rows, in turn: fresh memory would cost as much as making them."""
        self._known: tuple[Names | None, np.ndarray] = None, np.empty(0)
        """The names that were looked up last, and what the library is told of them."""

    def run(
        self, events: Rows, ends: np.ndarray, hosts: np.ndarray, frame: int, out: Out, *, last: bool
    ) -> int:
        """As :meth:`Runner.run` says."""
        import ctypes

        import numpy as np

        if out is not self._out:
            self._out, self._to = out, np.array([_address(one) for one in out], np.int64)
        items = _items(events)
        words = [
            _address(self._room),
            _address(items),
            len(events.t),
            _address(ends),
            len(ends),
            _address(hosts),
            hosts.shape[1],
            frame,
            last,
        ]
        columns = len(self._wanted), _address(self._wanted), _address(self._to)
        take = (ctypes.c_int64 * 12)(*words, *columns)
        self._take(take)
        if last:
            self._out = None
        return take[7]

    def paired(self, known: Names, t: np.ndarray, value: np.ndarray, number: np.ndarray) -> Rows | None:
        """As :func:`paired` says."""
        import ctypes

        import numpy as np

        if self._known[0] is not known:
            self._known = known, told_of(known)
        count, told = len(t), self._known[1]
        self._made, self._before = self._before, self._made
        if count > len(self._made):
            self._made = np.empty((count, 4))
        made = self._made
        rows = [np.ascontiguousarray(t), np.ascontiguousarray(value), number.astype(np.int32)]
        lines = (ctypes.c_int64 * 6)(*map(_address, rows), count, _address(told), _address(made))
        self._events(lines)
        return None if lines[3] < 0 else Rows(*made[: lines[3]].T)


def _items(events: Rows) -> np.ndarray:
    """Events as the library takes them, a row each; those that it made itself are columns of such rows."""
    import numpy as np

    made = events.t.base
    if made is not None and made.shape[1:] == (4,) and made.ctypes.data == events.t.ctypes.data:
        return made
    return np.column_stack(events)


def told_of(known: Names) -> np.ndarray:
    """What the library is told of names, a row each: see ``named`` in its text."""
    import numpy as np

    most = np.finfo(float).max  # so that no infinite value is in a range
    low = np.where(known.code == REFUSED, np.inf, np.maximum(known.low, -most))
    place = np.where(known.code == UNUSED, 0, np.where(known.part == 2, 3, 2))
    rows = np.column_stack([known.code, low, np.minimum(known.high, most), known.other, place, known.follows])
    rows[:, 4:].view(np.int64)[:] = rows[:, 4:]
    return rows


def _address(one: np.ndarray) -> int:
    """An array's address; the library needs rows without gaps."""
    assert one.flags.c_contiguous
    return one.ctypes.data


def runner_for(
    program: Program, size: int, *, compiled: bool | None, wanted: Sequence[int] | None = None
) -> Runner:
    """The runner for so many events and frames, of which those values are wanted, or all.

    With `compiled` None it is compiled if that is sooner done: if the extra ``fast`` and a C compiler
    are there, and there is much to do or it is compiled already. Both give the same results.
    """
    check_compiled(compiled)
    if compiled is None:
        compiled = (
            size >= WORTH_LOADING and can_compile() and (size >= WORTH_COMPILING or is_at_hand(program))
        )
    if compiled:
        with suppress(EngineError):  # that has been told by now
            return Compiled(load(program), program, wanted)
    return Interpreted(program, wanted)

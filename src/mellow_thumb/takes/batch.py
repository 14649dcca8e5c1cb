"""Replay: a plan at work on whole takes, at any frame rate."""

from __future__ import annotations

from math import floor
from typing import TYPE_CHECKING, Any, overload

from ..basics import ArgumentError
from ..plan.mounts import Eye
from ..weaving import hosts as hosts_of
from ..weaving import weave_plan
from .frame_times import check_rate, checked_ends, frame_ends, grid
from .host_samples import last_words, sampled, says
from .loops import WORTH_COMPILING, runner_for
from .poses import TORN, in_ours, whole_poses
from .replay_table import CAMERA, outputs, rows_for, table_of, tabled
from .rows import none
from .take import Take
from .take_items import TakeReader, is_long

if TYPE_CHECKING:
    from collections.abc import Iterable, Iterator, Sequence

    import numpy as np
    import pandas as pd

    from ..plan import Plan
    from ..weaving import Program
    from .loops import Out, Runner
    from .replay_table import Read
    from .rows import Rows


@overload
def replay(
    plan: Plan,
    take: Take,
    *,
    rate: float = ...,
    until: float | None = ...,
    frames: Sequence[float] | None = ...,
    compiled: bool | None = ...,
) -> pd.DataFrame:
    """One take gives one table."""


@overload
def replay(
    plan: Plan,
    take: Sequence[Take],
    *,
    rate: float = ...,
    until: float | None = ...,
    frames: Sequence[float] | None = ...,
    compiled: bool | None = ...,
    threads: int = ...,
) -> list[pd.DataFrame]:
    """Several takes give as many tables."""


def replay(
    plan: Plan,
    take: Take | Sequence[Take],
    *,
    rate: float = 60.0,
    until: float | None = None,
    frames: Sequence[float] | None = None,
    compiled: bool | None = None,
    threads: int = 1,
) -> pd.DataFrame | list[pd.DataFrame]:
    """Play a take through a plan: one row a frame, read at the frame's end; several takes, as many tables.

    Frames end at 1/rate, 2/rate, ... and last at `until` (s), which is the first whole second after the
    last event unless it is given; or at the moments in `frames` (s, rising). The result is the same to the
    bit as feeding the take to a session and ticking it to the same moments.

    With the extra ``fast`` (``pip install 'mellow-thumb[fast]'``) and a C compiler the plan's program is
    `compiled`: with None where that saves time, with True always, with False never. Plans that differ only in
    numbers share the result, which is kept for the next time. Several takes then run in as many `threads` as
    you like; another one beside each reads the next rows of a long take.

    Columns: ``t`` (s); each axis by name and ``yaw_total`` (deg); ``camera_x`` to ``camera_z`` (m) and
    ``camera_qx`` to ``camera_qw`` (unit quaternion, camera to world); ``step_x`` to ``step_z`` (m moved
    in the frame, 0 without movement) and ``heading`` (deg, NaN without movement); ``gate_NAME`` (0 or 1);
    ``mount`` and ``cues`` (categories: a name; names, each as often as it was given).
    ``attrs["refused"]`` counts the rows that were refused, by signal and reason, and ``attrs["clipped"]`` the
    held values outside their range that were clipped to it.

    Raises :class:`ArgumentError` for a rate, an end or frames that are not positive, finite and rising, and
    :class:`MissingError` if it must be compiled and cannot be.
    """
    program = weave_plan(plan)

    def one(take: Take) -> pd.DataFrame:
        ends = frame_ends(take, rate, until) if frames is None else checked_ends(frames)
        read, reader = _played(plan, program, take, ends, tabled(program), compiled=compiled)
        table = table_of(program, ends, read)
        table.attrs |= reader.counts._asdict()
        return table

    return one(take) if isinstance(take, Take) else _each(one, take, threads)


@overload
def replay_arrays(
    plan: Plan,
    take: Take,
    *,
    rate: float = ...,
    until: float | None = ...,
    frames: Sequence[float] | None = ...,
    compiled: bool | None = ...,
) -> dict[str, np.ndarray]:
    """One take gives an array for each column."""


@overload
def replay_arrays(
    plan: Plan,
    take: Sequence[Take],
    *,
    rate: float = ...,
    until: float | None = ...,
    frames: Sequence[float] | None = ...,
    compiled: bool | None = ...,
    threads: int = ...,
) -> list[dict[str, np.ndarray]]:
    """Several takes give as many sets of arrays."""


def replay_arrays(
    plan: Plan,
    take: Take | Sequence[Take],
    *,
    rate: float = 60.0,
    until: float | None = None,
    frames: Sequence[float] | None = None,
    compiled: bool | None = None,
    threads: int = 1,
) -> dict[str, np.ndarray] | list[dict[str, np.ndarray]]:
    """Play takes as :func:`replay` does, and return only the numbers: an array of floats for each column.

    Columns: ``t`` (s); each axis by name and ``yaw_total``; ``gate_NAME`` (0 or 1); ``device``, ``cursor``
    and ``mount`` (its number) where they can change; ``cue_NAME`` (how often it was given so far) and
    ``cue_NAME_t`` (s, when last); with movement ``velocity_x`` to ``velocity_z`` (m/s), ``moved_x`` to
    ``moved_z`` (m, since the beginning), ``heading`` and ``forward`` (deg); with several mounts
    ``weight_MOUNT`` (0 to 1) and ``AXIS of MOUNT``; ``camera_x`` to ``camera_qw``; ``field_of_view`` (deg,
    vertical) and ``extent`` (m).
    """
    program = weave_plan(plan)

    def one(take: Take) -> dict[str, np.ndarray]:
        ends = frame_ends(take, rate, until) if frames is None else checked_ends(frames)
        wanted = {name: k for k, name in enumerate(outputs(program))}
        read, _ = _played(plan, program, take, ends, wanted, compiled=compiled)
        return {"t": ends, **read}

    return one(take) if isinstance(take, Take) else _each(one, take, threads)


def replay_pieces(
    plan: Plan,
    pieces: Iterable[Take],
    *,
    rate: float = 60.0,
    until: float | None = None,
    compiled: bool | None = None,
) -> Iterator[pd.DataFrame]:
    """Play one long take in pieces, in order of time, and yield the table of each.

    Together the tables are what :func:`replay` gives for the whole take; only one piece and its table need to
    be in memory. Frames that the next piece may still have events for wait for it; the last table ends at
    `until` (s), or at the first whole second after the last event. The counts in ``attrs`` are of all pieces
    so far. The places of a subject are interpolated within a piece, and held up to the next.

    Raises :class:`ArgumentError` for a rate or an end as :func:`replay` does, and for a piece that begins
    before the one before it ended.
    """
    import numpy as np
    import pandas as pd

    program, said = weave_plan(plan), pd.DataFrame()
    wanted, reader = tabled(program), TakeReader(plan, program)
    loop = runner_for(program, WORTH_COMPILING, compiled=compiled, wanted=[*wanted.values()])
    check_rate(rate)
    done, before, last, about = 0, dict.fromkeys(wanted, 0.0), 0.0, dict[str, str]()
    for piece, is_last in _with_last(pieces):
        about = about or piece.about
        rows = in_ours(piece.table, about)
        times = piece.table["t"].to_numpy(dtype=float)
        times = times[np.isfinite(times)]
        if len(times) and times.min() < last:
            raise ArgumentError(f"pieces: found an event at {times.min():g} s after one at {last:g} s")
        last = float(times.max(initial=last))
        is_last = is_last or (until is not None and last >= until)
        if is_last:
            ends = grid(done, rate, floor(last) + 1.0 if until is None else float(until))
        else:
            ends = np.arange(done + 1, floor(last * rate) + 3) / rate
            ends = ends[: int(np.searchsorted(ends, last, side="right")) + 1]
        read = rows_for(wanted, len(ends))
        words = rows if not len(said) else pd.concat([said, rows.astype({"signal": "str"})])
        words = _whole(words, reader)
        hosts, said = sampled(words, program.asked, ends), last_words(words)
        _run(loop, _events(loop, reader, rows), ends, hosts, [*read.values()], is_last=is_last)
        if not is_last:  # the last of them waits for the next piece
            ends, hosts = ends[:-1], hosts[:, :-1]
            read = {name: row[:-1] for name, row in read.items()}
        _stand(plan, hosts, read)
        ended = {name: float(row[-1]) for name, row in read.items()} if len(ends) else before
        table = table_of(program, ends, read, before)
        table.attrs |= reader.counts._asdict()
        done, before = done + len(ends), ended
        yield table
        if is_last:
            return


def _each(one: Any, takes: Sequence[Take], threads: int) -> list[Any]:
    """Do the same with every take; in threads, since compiled code releases the lock."""
    from concurrent.futures import ThreadPoolExecutor

    if threads < 1:
        raise ArgumentError(f"threads: found {threads!r}; expected a number from 1 up")
    if threads == 1:
        return [one(take) for take in takes]
    with ThreadPoolExecutor(threads) as pool:
        return list(pool.map(one, takes))


def _with_last(pieces: Iterable[Take]) -> Iterator[tuple[Any, bool]]:
    """Each item, with whether it is the last."""
    waiting: list[Any] = []
    for piece in pieces:
        if waiting:
            yield waiting.pop(), False
        waiting.append(piece)
    if waiting:
        yield waiting[0], True


def _played(
    plan: Plan,
    program: Program,
    take: Take,
    ends: np.ndarray,
    wanted: dict[str, int],
    *,
    compiled: bool | None,
) -> tuple[Read, TakeReader]:
    """The wanted values of a take's frames, a row for each, and the reader."""
    reader = TakeReader(plan, program)
    read = rows_for(wanted, len(ends))
    loop = runner_for(program, len(take) + len(ends), compiled=compiled, wanted=[*wanted.values()])
    table = in_ours(take.table, take.about)
    # where a mount asks nothing, it is told where to stand, if anything is said at all
    asked = program.asked if program.hosts or says(table) else ()
    hosts = sampled(_whole(table, reader) if asked else table, asked, ends)
    _run(loop, _events(loop, reader, table), ends, hosts, [*read.values()], is_last=True)
    _stand(plan, hosts, read)
    return read, reader


def _whole(table: pd.DataFrame, reader: TakeReader) -> pd.DataFrame:
    """A take's rows without incomplete poses; those are counted as refused."""
    table, torn = whole_poses(table)
    for signal, count in torn.items():
        reader.refused[signal, TORN] += count
    return table


def _stand(plan: Plan, hosts: np.ndarray, read: Read) -> None:
    """Put an eye where the host said the subject is."""
    import numpy as np

    if isinstance(plan.mount, Eye) and not hosts_of(plan) and len(hosts):
        known = np.isfinite(hosts[:3]).all(axis=0)
        for name, said in zip(CAMERA, hosts[:3], strict=False):
            read[name][known] = said[known]
        read["camera_y"][known] += plan.mount.height


def _events(loop: Runner, reader: TakeReader, table: pd.DataFrame) -> Iterator[Rows]:
    """The events of a take for a loop; of a long one some are read while those before them are at work."""
    from concurrent.futures import ThreadPoolExecutor

    parts = reader.read(table, loop.paired)
    if not loop.lets_go or not is_long(table):
        yield from parts
        return
    with ThreadPoolExecutor(1) as beside:
        coming = beside.submit(next, parts, None)
        while (events := coming.result()) is not None:
            coming = beside.submit(next, parts, None)
            yield events


def _run(
    loop: Runner,
    parts: Iterator[Rows],
    ends: np.ndarray,
    hosts: np.ndarray,
    out: Out,
    *,
    is_last: bool,
) -> None:
    """Run all events through a loop, and read all frames, except the last if more events follow."""
    frame = 0
    for events in parts:
        frame = loop.run(events, ends, hosts, frame, out, last=False)
    loop.run(none(), ends if is_last else ends[:-1], hosts, frame, out, last=True)

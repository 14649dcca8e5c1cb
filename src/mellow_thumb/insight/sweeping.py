"""Sweeps: how a profile feels over a grid of settings, on all cores; an interrupted one can go on."""

from __future__ import annotations

import json
import os
import sqlite3
from concurrent.futures import ProcessPoolExecutor, as_completed
from concurrent.futures.process import BrokenProcessPool
from contextlib import closing, contextmanager
from copy import deepcopy
from hashlib import sha256
from itertools import product
from multiprocessing import get_context
from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import ArgumentError, MissingError, OutputError, nearest
from ..engines import can_compile, check_compiled
from ..profiles import profile_of, resolve
from ..takes import WORTH_COMPILING
from .feeling import RATES, feel

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator, Mapping, Sequence

    import pandas as pd

    from ..profiles import Profile
    from ..takes import Take

MOST = 100_000
"""A sweep of more profiles than this is a slip of the pen."""
VERSION = 1
"""Of what is measured; what an older version kept is measured anew."""

Row = tuple[str, str, float, str]
"""Subject, measure, value, unit."""


class _Job(NamedTuple):
    """One profile of a sweep with one take, or none."""

    data: dict[str, Any]
    take: int
    """Which of the takes; -1 for none."""
    key: str
    """What tells it from all others, in a store."""
    compiled: bool | None


def sweep(
    profile: Profile,
    settings: Mapping[str, Sequence[Any]],
    takes: Sequence[Take] = (),
    *,
    store: str | os.PathLike[str] | None = None,
    workers: int | None = None,
    client: Any = None,
    compiled: bool | None = None,
    progress: Callable[[float], None] | None = None,
) -> pd.DataFrame:
    """How a profile feels, for every combination of some settings: the numbers of :func:`feel`.

    `settings` has keys of the profile, each with its values, written as in a file:
    ``{"routes.look.sensitivity": ["0.03 deg/count", "0.05 deg/count"]}``. A row a number: a column for each
    setting, ``take`` (its number in `takes`; -1 without takes), ``subject``, ``measure``, ``value``,
    ``unit``. Rows are in the order of the settings, however they were measured.

    It runs on this machine's cores (`workers`; 1 runs here, without processes) or on a Dask cluster, by its
    `client` (extra ``dask``). With a `store`, an SQLite file, each result is kept, and the next sweep with
    that file does not measure it again. `compiled` is as for :func:`replay`; with None all profiles of the
    sweep count together. `progress` is called with the share done.

    Raises :class:`ArgumentError` for a table that the profile does not have, and for values that it cannot
    load, before anything is measured; :class:`OutputError` for a store that cannot be used.
    """
    import pandas as pd

    check_compiled(compiled)
    points = [dict(zip(settings, values, strict=True)) for values in _grid(settings)]
    digests = {k: _digest(take) for k, take in enumerate(takes)} or {-1: ""}
    checked = [(point, _data(profile, point)) for point in points]
    places = [(point, take) for point in points for take in digests]
    if compiled is None:
        events = len(points) * sum(map(len, takes)) * len(RATES)
        compiled = True if events >= WORTH_COMPILING and can_compile() else None
    jobs = [_job(data, take, digest, compiled) for _, data in checked for take, digest in digests.items()]
    with closing(_Store(store)) as kept:
        done = {job.key: rows for job in jobs if (rows := kept.get(job.key)) is not None}
        left = [job for job in {job.key: job for job in jobs}.values() if job.key not in done]
        ready = len(jobs) - len(left)
        for count, (key, rows) in enumerate(_measured(left, takes, workers, client), ready + 1):
            done[key] = rows
            kept.put(key, rows)
            if progress:
                progress(count / len(jobs))
    names = [*settings, "take", "subject", "measure", "value", "unit"]
    table = [
        (*point.values(), take, *row)
        for (point, take), job in zip(places, jobs, strict=True)
        for row in done[job.key]
    ]
    return pd.DataFrame(table, columns=names)


def _grid(settings: Mapping[str, Sequence[Any]]) -> Iterator[tuple[Any, ...]]:
    """Every combination of the values."""
    count = 1
    for name, values in settings.items():
        if isinstance(values, str) or not len(values):
            raise ArgumentError(f"{name}: found {values!r}; expected a list of values")
        count *= len(values)
    if count > MOST:
        raise ArgumentError(f"found {count:,} combinations; expected up to {MOST:,}")
    return product(*settings.values())


def _data(profile: Profile, point: Mapping[str, Any]) -> dict[str, Any]:
    """What the profile's file would say with some settings, checked."""
    data = deepcopy(dict(profile.data))
    for name, value in point.items():
        *path, last = name.split(".")
        table: Any = data
        for depth, key in enumerate(path):
            table = table.setdefault(key, {}) if depth > 1 else table.get(key)
            if not isinstance(table, dict):
                hint = nearest(name, _keys(profile.data))
                raise ArgumentError(f"found {name}; expected a key of the profile{hint}")
        table[last] = value
    _plan(data, point)
    return data


def _job(data: dict[str, Any], take: int, digest: str, compiled: bool | None) -> _Job:
    text = json.dumps([VERSION, data, digest], sort_keys=True, default=str)
    return _Job(data, take, sha256(text.encode()).hexdigest(), compiled)


def _keys(data: Mapping[str, Any], head: str = "") -> list[str]:
    """Every key of a profile, by its path."""
    found = []
    for key, value in data.items():
        found.append(f"{head}{key}")
        found += _keys(value, f"{head}{key}.") if isinstance(value, dict) else []
    return found


def _plan(data: dict[str, Any], point: Mapping[str, Any]) -> Profile:
    """The plan at one point of the grid."""
    plan, title, _, faults = resolve(data)
    if plan is None or faults:
        chosen = ", ".join(f"{name} = {value!r}" for name, value in point.items())
        raise ArgumentError("; ".join(str(one.problem(f"with {chosen}")) for one in faults))
    return profile_of(plan, data, title, "")


def _digest(take: Take) -> str:
    """A digest of a take's rows."""
    digest = sha256()
    for name in take.table.columns:
        column = take.table[name]
        plain = (
            column.to_numpy().tobytes() if column.dtype.kind in "fi" else "\n".join(map(str, column)).encode()
        )
        digest.update(f"{name} {len(plain)} ".encode() + plain)
    return digest.hexdigest()


class _Store:
    """What is measured already, by key: in memory, or in an SQLite file, created if missing."""

    def __init__(self, path: str | os.PathLike[str] | None) -> None:
        self._file = os.fspath(path) if path is not None else ":memory:"
        with self._told():
            self._kept = sqlite3.connect(self._file)
        try:
            self._run("create table if not exists done (key text primary key, rows text not null)")
        except OutputError:
            self.close()
            raise

    @contextmanager
    def _told(self) -> Iterator[None]:
        try:
            yield
        except (sqlite3.Error, ValueError, TypeError) as error:
            raise OutputError(f"{self._file}: cannot be used as a store: {error}") from None

    def _run(self, text: str, values: tuple[str, ...] = ()) -> list[tuple[str, ...]]:
        with self._told(), self._kept:
            return self._kept.execute(text, values).fetchall()

    def get(self, key: str) -> list[Row] | None:
        """The numbers kept for a key, if any."""
        found = self._run("select rows from done where key = ?", (key,))
        with self._told():
            return [tuple(row) for row in json.loads(found[0][0])] if found else None

    def put(self, key: str, rows: list[Row]) -> None:
        """Keep the numbers of a key."""
        self._run("insert or replace into done values (?, ?)", (key, json.dumps(rows)))

    def close(self) -> None:
        """Close it."""
        self._kept.close()


# ---- measuring

_takes: Sequence[Take] = ()
"""The takes, in a worker."""


def _begin(takes: Sequence[Take]) -> None:
    global _takes
    _takes = takes


def _feel(job: _Job, take: Take | None) -> list[Row]:
    """The numbers of one profile."""
    table = feel(_plan(job.data, {}), take, compiled=job.compiled)
    units, values = table["unit"], table[table.columns[1]]
    return [
        (subject, measure, float(value), unit)
        for (subject, measure), value, unit in zip(table.index, values, units, strict=True)
    ]


def _feel_here(job: _Job) -> tuple[str, list[Row]]:
    return job.key, _feel(job, _takes[job.take] if job.take >= 0 else None)


def _feel_there(job: _Job, take: Take | None) -> tuple[str, list[Row]]:
    return job.key, _feel(job, take)


def _measured(
    jobs: Sequence[_Job], takes: Sequence[Take], workers: int | None, client: Any
) -> Iterator[tuple[str, list[Row]]]:
    """Every job's key and numbers, as each is done."""
    if client is not None:
        yield from _on_cluster(jobs, takes, client)
        return
    count = min(workers or os.cpu_count() or 1, len(jobs))
    if count <= 1:
        for job in jobs:
            yield _feel_there(job, takes[job.take] if job.take >= 0 else None)
        return
    pool = ProcessPoolExecutor(count, get_context("spawn"), _begin, (list(takes),))
    try:
        for one in as_completed([pool.submit(_feel_here, job) for job in jobs]):
            yield one.result()
    except BrokenProcessPool:
        wanted = 'expected the call under: if __name__ == "__main__"; or workers=1'
        raise ArgumentError(f"no worker could start; {wanted}") from None
    finally:
        pool.shutdown(cancel_futures=True)


def _on_cluster(jobs: Sequence[_Job], takes: Sequence[Take], client: Any) -> Iterator[tuple[str, list[Row]]]:
    """The same on a Dask cluster; each take is sent once."""
    try:
        from distributed import as_completed as completed
    except ImportError:
        raise MissingError("a sweep on a cluster needs Dask: pip install 'mellow-thumb[dask]'") from None
    there = [client.scatter(take, broadcast=True) for take in takes]
    running = [client.submit(_feel_there, job, there[job.take] if job.take >= 0 else None) for job in jobs]
    try:
        for one in completed(running):  # type: ignore[no-untyped-call]
            yield one.result()
    finally:
        client.cancel(running)

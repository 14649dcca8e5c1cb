"""Sweeps: how a profile feels over a grid of its settings, on all cores; an interrupted one goes on."""

from __future__ import annotations

import json
import os
import sqlite3
from concurrent.futures import ProcessPoolExecutor, as_completed
from concurrent.futures.process import BrokenProcessPool
from contextlib import closing
from copy import deepcopy
from hashlib import sha256
from itertools import product
from multiprocessing import get_context
from typing import TYPE_CHECKING, Any, NamedTuple

from .errors import ArgumentError, MissingError, OutputError, nearest
from .feeling import feel
from .profile import profile_of
from .profile_check import resolve

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator, Mapping, Sequence

    import pandas as pd

    from .profile import Profile
    from .take import Take

MOST = 100_000
"""A sweep of more profiles than this is a slip of the pen."""
VERSION = 1
"""Of what is measured; what an older version kept is measured anew."""

Row = tuple[str, str, float, str]
"""Subject, measure, value, unit."""


class _Job(NamedTuple):
    """One profile of a sweep with one of the takes, or with none."""

    data: dict[str, Any]
    take: int
    """Which of the takes; -1 for none."""
    key: str
    """What tells it from all others, in a store."""


def sweep(
    profile: Profile,
    settings: Mapping[str, Sequence[Any]],
    takes: Sequence[Take] = (),
    *,
    store: str | os.PathLike[str] | None = None,
    workers: int | None = None,
    client: Any = None,
    progress: Callable[[float], None] | None = None,
) -> pd.DataFrame:
    """How a profile feels, for every combination of some settings: the numbers of :func:`feel`.

    `settings` has keys of the profile with the values that each takes, as a file has them:
    ``{"routes.look.sensitivity": ["0.03 deg/count", "0.05 deg/count"]}``. A row a number: a column for each
    setting, ``take`` (its number in `takes`; -1 without takes), ``subject``, ``measure``, ``value``,
    ``unit``. Rows stand in the order of the settings, wherever and in whatever order they were measured.

    It runs on this machine's cores (`workers`; 1 runs here, without processes) or on a Dask cluster, by its
    `client` (extra ``dask``). With a `store`, an SQLite file, each profile is kept as it is done, and is
    not measured again by the next sweep that names the file. `progress` is told the share that is done.

    Raises :class:`ArgumentError` for a table that the profile does not have, and for values that make no
    profile, before anything is measured; :class:`OutputError` for a store that cannot be used.
    """
    import pandas as pd

    points = [dict(zip(settings, values, strict=True)) for values in _grid(settings)]
    digests = [_digest(take) for take in takes]
    which = range(len(takes)) if takes else (-1,)
    jobs = [_job(profile, point, take, digests) for point in points for take in which]
    done: dict[str, list[Row]] = {}
    with closing(_opened(store)) as kept:
        for key, text in kept.execute("select key, rows from done"):
            done[key] = [tuple(row) for row in json.loads(text)]
        left = [job for job in {job.key: job for job in jobs}.values() if job.key not in done]
        ready = len(jobs) - len(left)
        for count, (key, rows) in enumerate(_measured(left, takes, workers, client), ready + 1):
            done[key] = rows
            with kept:
                kept.execute("insert or replace into done values (?, ?)", (key, json.dumps(rows)))
            if progress:
                progress(count / len(jobs))
    places = [(point, take) for point in points for take in which]
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


def _job(profile: Profile, point: Mapping[str, Any], take: int, digests: Sequence[str]) -> _Job:
    """A profile with its settings, checked, and what tells it from others."""
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
    text = json.dumps([VERSION, data, digests[take] if digests else ""], sort_keys=True, default=str)
    return _Job(data, take, sha256(text.encode()).hexdigest())


def _keys(data: Mapping[str, Any], head: str = "") -> list[str]:
    """Every key of a profile, by its path."""
    found = []
    for key, value in data.items():
        found.append(f"{head}{key}")
        found += _keys(value, f"{head}{key}.") if isinstance(value, dict) else []
    return found


def _plan(data: dict[str, Any], point: Mapping[str, Any]) -> Profile:
    """The profile of a point."""
    plan, title, faults = resolve(data)
    if plan is None or faults:
        chosen = ", ".join(f"{name} = {value!r}" for name, value in point.items())
        words = [
            f"{'.'.join(map(str, one.path))}: found {one.found}; expected {one.expected}{one.hint}"
            for one in faults
        ]
        raise ArgumentError(f"with {chosen}: {'; '.join(words)}")
    return profile_of(plan, data, title, "")


def _digest(take: Take) -> str:
    """What tells a take from others: its rows."""
    digest = sha256()
    for name in take.table.columns:
        column = take.table[name]
        plain = (
            column.to_numpy().tobytes() if column.dtype.kind in "fi" else "\n".join(map(str, column)).encode()
        )
        digest.update(f"{name} {len(plain)} ".encode() + plain)
    return digest.hexdigest()


def _opened(store: str | os.PathLike[str] | None) -> sqlite3.Connection:
    """The store, made if it is not there; one in memory without a name."""
    file = os.fspath(store) if store is not None else ":memory:"
    try:
        kept = sqlite3.connect(file)
        with kept:
            kept.execute("create table if not exists done (key text primary key, rows text not null)")
    except sqlite3.Error as error:
        raise OutputError(f"{file}: cannot be used as a store: {error}") from None
    return kept


# ---- measuring

_takes: Sequence[Take] = ()
"""The takes, in a worker."""


def _begin(takes: Sequence[Take]) -> None:
    global _takes
    _takes = takes


def _feel(data: dict[str, Any], take: Take | None) -> list[Row]:
    """The numbers of one profile."""
    table = feel(_plan(data, {}), take)
    units, values = table["unit"], table[table.columns[1]]
    return [
        (subject, measure, float(value), unit)
        for (subject, measure), value, unit in zip(table.index, values, units, strict=True)
    ]


def _feel_here(job: _Job) -> tuple[str, list[Row]]:
    return job.key, _feel(job.data, _takes[job.take] if job.take >= 0 else None)


def _feel_there(job: _Job, take: Take | None) -> tuple[str, list[Row]]:
    return job.key, _feel(job.data, take)


def _measured(
    jobs: Sequence[_Job], takes: Sequence[Take], workers: int | None, client: Any
) -> Iterator[tuple[str, list[Row]]]:
    """Every job's key and numbers, as they are done."""
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
        raise ArgumentError(f"found that no worker could start; {wanted}") from None
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

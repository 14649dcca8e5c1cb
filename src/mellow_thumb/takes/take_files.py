"""Takes as CSV files: a few lines of TOML behind ``#``, then ``t,signal,value``."""

from __future__ import annotations

import csv
import io
import json
import re
import warnings
from itertools import islice
from pathlib import Path
from typing import TYPE_CHECKING, Any, TextIO

from ..basics import (
    MOST_PROBLEMS,
    ArgumentError,
    OutputError,
    Problem,
    TakeError,
    listed,
    nearest,
    read_lines,
    read_text,
    reading,
    replacing,
)
from .take import COLUMNS, OPTIONAL, Take

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Iterator, Mapping

    import pandas as pd

FORMAT = "mellow-thumb take 1"
LARGEST = 4 * 1024**3
SUFFIXES = (".csv", ".parquet", ".evemu", ".jsonl")
"""The kinds of file that a take is read from."""
BEGINS = 1 << 16
"""How many bytes of a file tell what it is."""
_TELLING = {
    ".evemu": re.compile(r"# EVEMU\b|[NIPBALSE]:(\s|$)"),
    ".jsonl": re.compile(r"\{"),
    ".csv": re.compile(r'# *format *= *"|"?[a-z]+"?,.*\bsignal\b|"?signal"?,'),
}
"""The first line that is of one kind of file, and of no other."""
_TYPES: dict[str, Any] = {
    "t": float,
    "value": float,
    "signal": "category",
    "device": "category",
    "on": "category",
}
"""Words that come again and again are kept once: a category takes a byte a row, and is quick to replay."""


def read_take(path: str | os.PathLike[str]) -> Take:
    """Read a take: CSV or Parquet, a Linux device's recording (``.evemu``), a page's events (``.jsonl``).

    The kind of file is recognised by its content; the suffix decides only if the content does not. In CSV,
    lines that begin with ``#`` at the top are TOML about the take; then come the column names ``t`` (s),
    ``signal``, ``value`` (and ``device``, ``on``), then the rows. A last row without a line end may have been
    cut short: it is left out, and `Take.notes` says so.

    Raises :class:`TakeError`, with every problem, for a file that is not a take.
    """
    kind = _kind(path)
    if kind == ".evemu":
        from .evemu_files import read_evemu

        return read_evemu(path)
    if kind == ".jsonl":
        from .browser_files import read_browser

        return read_browser(path)
    if kind == ".parquet":
        from .parquet_files import parquet_pieces

        return _joined(list(parquet_pieces(path, 1 << 20, lambda _: None)))
    file = str(path)
    text = read_text(path, TakeError, largest=LARGEST)
    notes = []
    if text and not text.endswith("\n"):
        text, _, rest = text.rpartition("\n")
        text += "\n"
        notes.append(f"the last row was cut short and left out: {rest[:60]!r}")
    top = _top(text)
    about = _about(file, text[: len(top)])
    first = top.count("\n") + 1
    body = text[len(top) :]
    columns = _columns(file, first, body)
    table = _rows(file, first, body, columns)
    whole = len(table) == body.count("\n") - 1  # no line without a row
    return Take(table, about, tuple(notes), file, first + 1 if whole else 0)


def _kind(path: str | os.PathLike[str]) -> str:
    """A file's kind, as a suffix: by its content, or else its own suffix.

    Raises :class:`TakeError` for a kind that cannot be read.
    """
    with reading(path, TakeError) as stream:
        begins = stream.read(BEGINS)
    suffix = Path(path).suffix
    if begins.startswith(b"PAR1"):
        return ".parquet"
    for line in begins.decode("utf-8-sig", "replace").splitlines():
        words = line.strip()
        told = next((kind for kind, pattern in _TELLING.items() if pattern.match(words)), None)
        if told:
            return told
        if words and not words.startswith("#"):
            break
    if suffix.lower() not in SUFFIXES:
        wanted = "a take: NAME.csv, NAME.parquet, NAME.evemu or NAME.jsonl"
        hint = nearest(suffix, SUFFIXES)
        raise TakeError.single(
            str(path), 0, f'the suffix "{suffix}" and nothing of a take', wanted, hint=hint
        )
    return suffix.lower()


def take_pieces(
    path: str | os.PathLike[str],
    rows: int = 1 << 18,
    *,
    progress: Callable[[float], None] | None = None,
) -> Iterator[Take]:
    """A take of any length in pieces of some `rows`, for :func:`replay_pieces`: CSV or Parquet.

    Only one piece is in memory; rows with the same time stay together. `progress` is called with the share
    read. Raises :class:`TakeError` as :func:`read_take` does, as far as it has read, and
    :class:`ArgumentError` for pieces without rows.
    """
    if rows < 1:
        raise ArgumentError(f"rows: found {rows!r}; expected a number from 1 up")
    tell = progress or (lambda _: None)
    kind = _kind(path)
    if kind == ".parquet":
        from .parquet_files import parquet_pieces

        yield from _whole_moments(parquet_pieces(path, rows, tell))
        return
    if kind != ".csv":
        yield read_take(path)
        return
    yield from _whole_moments(_csv_pieces(path, rows, tell))


def _csv_pieces(path: str | os.PathLike[str], rows: int, tell: Callable[[float], None]) -> Iterator[Take]:
    """The rows of a CSV file, some at a time, without a last row that was cut short."""
    file, count, letters = str(path), 0, 0
    stream = read_lines(path, TakeError)
    head = []
    for line in stream:
        head.append(line)
        if not line.startswith("#"):
            break
    top = "".join(head[:-1] if head and not head[-1].startswith("#") else head)
    about, names = _about(file, top), head[-1] if head else ""
    first = top.count("\n") + 1
    columns = _columns(file, first, names)
    size = Path(path).stat().st_size
    while lines := list(islice(stream, rows)):
        notes: tuple[str, ...] = ()
        if not lines[-1].endswith("\n"):
            notes = (f"the last row was cut short and left out: {lines.pop()[:60]!r}",)
        body = names + "".join(lines)
        letters += len(body)
        tell(min(letters / size, 1.0))
        yield Take(_rows(file, first + count, body, columns), about, notes)
        count += len(lines)
    if not count:
        yield Take(_rows(file, first, names, columns), about)


def _whole_moments(pieces: Iterator[Take]) -> Iterator[Take]:
    """The same pieces, moved so that rows of one time stay together."""
    kept: pd.DataFrame | None = None
    for take in pieces:
        table = take.table if kept is None else _stacked([kept, take.table])
        times = table["t"].to_numpy()
        end = int((times < times[-1]).sum()) if len(times) else 0
        kept = table.iloc[end:]
        if end:
            yield Take(table.iloc[:end], take.about, take.notes)
    if kept is not None:
        yield Take(kept, {}, ())


def _stacked(tables: list[pd.DataFrame]) -> pd.DataFrame:
    """Tables stacked, with shared categories."""
    import pandas as pd

    plain = [
        table.astype({name: str for name in table.columns if name not in ("t", "value")}) for table in tables
    ]
    whole = pd.concat(plain, ignore_index=True)
    return whole.astype({name: _TYPES[name] for name in whole.columns})


def _joined(pieces: list[Take]) -> Take:
    return pieces[0] if len(pieces) == 1 else Take(_stacked([one.table for one in pieces]), pieces[0].about)


def _rows(file: str, first: int, body: str, columns: list[str]) -> pd.DataFrame:
    """The rows of a text that begins with its column names, on line `first`."""
    table = _fast(body) if body.count("\n") > 1 else None
    return _careful(file, first, body, columns) if table is None else table


def write_take(take: Take, path: str | os.PathLike[str]) -> None:
    """Write a take as a CSV or a Parquet file, by its suffix; it reads back the same to the bit.

    The file is replaced whole or not at all. Raises :class:`OutputError` when it cannot be written, and
    :class:`MissingError` for Parquet without pyarrow.
    """
    suffix = Path(path).suffix.lower() if not Path(path).is_dir() else ".csv"
    if suffix == ".parquet":
        from .parquet_files import write_parquet

        write_parquet(take, path)
        return
    if suffix != ".csv":
        known = (".csv", ".parquet")
        raise OutputError(f'{path}: found the suffix "{Path(path).suffix}"; expected {listed(known)}')
    with replacing(path) as fresh, fresh.open("w", encoding="utf-8", newline="") as stream:
        _write_rows(take, stream)


def take_text(take: Take) -> str:
    """What a CSV file of a take says."""
    stream = io.StringIO()
    _write_rows(take, stream)
    return stream.getvalue()


def _write_rows(take: Take, stream: TextIO) -> None:
    stream.writelines(top_lines(take.about))
    take.table.to_csv(stream, index=False, lineterminator="\n")


def top_lines(about: Mapping[str, str]) -> list[str]:
    """The lines at the top of a file: its format, and the take's `about`."""
    said = {"format": FORMAT, **{key: value for key, value in about.items() if key != "format"}}
    return [f"# {key} = {_quoted(value)}\n" for key, value in said.items()]


def _quoted(text: str) -> str:
    """A string in TOML, which is as in JSON but for one character."""
    return json.dumps(text, ensure_ascii=False).replace("\x7f", "\\u007f")


def _top(text: str) -> str:
    """The lines of the file that begin with ``#``."""
    end = 0
    while text.startswith("#", end):
        end = text.find("\n", end) + 1 or len(text)
    return text[:end]


def _about(file: str, top: str) -> dict[str, str]:
    """What the lines at the top say."""
    from ..basics import parse

    if not top:
        return {}
    toml = "".join(line.removeprefix("#").removeprefix(" ") for line in top.splitlines(keepends=True))
    about, _ = parse(file, toml, TakeError)
    if about.get("format", FORMAT) != FORMAT:
        raise TakeError.single(file, 1, f'"{about["format"]}"', f'"{FORMAT}"', where="format")
    return {key: value if isinstance(value, str) else str(value) for key, value in about.items()}


def _columns(file: str, line: int, body: str) -> list[str]:
    """The names of the columns, or an error that says what is wrong with them."""
    try:
        names = next(csv.reader(io.StringIO(body.partition("\n")[0])), [])
    except csv.Error:
        raise TakeError.single(file, line, "names that are no line of CSV", "t,signal,value") from None
    known = (*COLUMNS, *OPTIONAL)
    problems = [
        Problem(file, line, "", f'the column "{name}"', f"{listed(known)}", nearest(name, known))
        for name in names
        if name not in known
    ]
    missing = [name for name in COLUMNS if name not in names]
    if missing:
        problems.append(Problem(file, line, "", f"no column {listed(missing, 'and')}", "t,signal,value"))
    if len(set(names)) < len(names):
        problems.append(Problem(file, line, "", "one column twice", "each column once"))
    if problems:
        raise TakeError(problems)
    return names


def _fast(body: str) -> pd.DataFrame | None:
    """The rows as a table, or None if a careful look is needed."""
    import pandas as pd

    try:
        with warnings.catch_warnings():
            warnings.simplefilter("error", pd.errors.ParserWarning)
            # a float by way of text is exact in every version of pandas
            table = pd.read_csv(io.StringIO(body), dtype="str", na_filter=False, index_col=False)
        table = table.astype({name: _TYPES[name] for name in table.columns})
    except (ValueError, pd.errors.ParserError, pd.errors.ParserWarning):
        return None
    lines = body.count("\n") - 1
    return table if len(table) == lines and '"' not in body else None


def _careful(file: str, first: int, body: str, columns: list[str]) -> pd.DataFrame:
    """The rows one by one; every bad one is a problem with its line."""
    import pandas as pd

    problems: list[Problem] = []
    rows: list[list[str | float]] = []
    reader = csv.reader(io.StringIO(body))
    try:
        next(reader, None)
        for row in reader:
            if len(problems) >= MOST_PROBLEMS:
                break
            line = first + reader.line_num - 1
            if not row:
                continue
            if len(row) != len(columns):
                problems.append(
                    Problem(file, line, "", f"{len(row)} values", f"{len(columns)}: {', '.join(columns)}")
                )
                continue
            cells = dict(zip(columns, row, strict=True))
            values = [
                _number(file, line, name, cells[name], problems) if name in ("t", "value") else cells[name]
                for name in columns
            ]
            rows.append(values)
    except csv.Error as error:
        problems.append(Problem(file, first + reader.line_num - 1, "", str(error), "a row of CSV"))
    if problems:
        raise TakeError(problems)
    return pd.DataFrame(rows, columns=columns).astype({name: _TYPES[name] for name in columns})


def _number(file: str, line: int, name: str, text: str, problems: list[Problem]) -> float:
    try:
        return float(text)
    except ValueError:
        problems.append(Problem(file, line, name, f'"{text}"', "a number"))
        return 0.0

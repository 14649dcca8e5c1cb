"""Takes as Parquet files: the same rows as CSV, to the bit, smaller and quicker; read as they stream."""

from __future__ import annotations

import json
from typing import TYPE_CHECKING, Any

from ..basics import MissingError, TakeError, listed, reading, replacing
from .take import COLUMNS, OPTIONAL, Take

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Iterator

    import pandas as pd

ABOUT = b"mellow-thumb take 1"
"""Under this key a file's metadata holds what the take says about itself, as JSON."""


def _arrow() -> Any:
    try:
        import pyarrow
        import pyarrow.parquet
    except ImportError:
        raise MissingError("takes as Parquet need pyarrow: pip install 'mellow-thumb[parquet]'") from None
    return pyarrow


def write_parquet(take: Take, path: str | os.PathLike[str]) -> None:
    """Write a take as a Parquet file; it reads back the same to the bit.

    The file is replaced whole or not at all. Raises :class:`OutputError` when it cannot be written, and
    :class:`MissingError` without pyarrow.
    """
    arrow = _arrow()
    names = [name for name in (*COLUMNS, *OPTIONAL) if name in take.table.columns]
    table = arrow.Table.from_pandas(take.table[names], preserve_index=False)
    about = {key: value for key, value in take.about.items() if key != "format"}
    table = table.replace_schema_metadata({ABOUT: json.dumps(about).encode()})
    with replacing(path) as fresh:
        arrow.parquet.write_table(table, fresh)


def parquet_pieces(path: str | os.PathLike[str], rows: int, tell: Callable[[float], None]) -> Iterator[Take]:
    """The rows of a Parquet file as takes, `rows` at a time; `tell` is called with the share read.

    Raises :class:`TakeError` for a file that is not a take, and :class:`MissingError` without pyarrow.
    """
    arrow, file = _arrow(), str(path)
    with reading(path, TakeError):
        pass  # what cannot be opened is told as of any other file
    try:
        source = arrow.parquet.ParquetFile(path)
        names = source.schema_arrow.names
    except (OSError, UnicodeDecodeError, arrow.ArrowException) as error:
        words = str(error).splitlines()[0][:80] if str(error) else "what cannot be read"
        raise TakeError.single(file, 0, words, "a Parquet file") from None
    missing = [name for name in COLUMNS if name not in names]
    if missing:
        raise TakeError.single(file, 0, f"no column {listed(missing, 'and')}", "t, signal, value")
    about = _about(file, source.schema_arrow.metadata or {})
    wanted = [name for name in (*COLUMNS, *OPTIONAL) if name in names]
    count = 0
    try:
        for batch in source.iter_batches(batch_size=rows, columns=wanted):
            count += batch.num_rows
            tell(count / source.metadata.num_rows)
            yield Take(_typed(file, batch.to_pandas()), about)
    except (OSError, UnicodeDecodeError, arrow.ArrowException) as error:
        raise TakeError.single(file, 0, str(error).splitlines()[0][:80], "a whole Parquet file") from None
    if not count:
        yield Take(_typed(file, source.schema_arrow.empty_table().select(wanted).to_pandas()), about)


def _about(file: str, metadata: dict[bytes, bytes]) -> dict[str, str]:
    try:
        about = json.loads(metadata.get(ABOUT, b"{}"))
        return {str(key): str(value) for key, value in about.items()}
    except (ValueError, AttributeError):
        raise TakeError.single(file, 0, "metadata that is no JSON", "what a take says about itself") from None


def _typed(file: str, table: pd.DataFrame) -> pd.DataFrame:
    kinds = {"t": "float64", "value": "float64"}
    try:
        return table.astype({name: kinds.get(name, "category") for name in table.columns})
    except (ValueError, TypeError):
        raise TakeError.single(
            file, 0, "a time or a value that is no number", "numbers in t and value"
        ) from None

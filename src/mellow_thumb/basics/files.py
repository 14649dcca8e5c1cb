"""Files are read as they are and replaced whole or not at all."""

from __future__ import annotations

import os
import stat
import tempfile
from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, BinaryIO

from .errors import FileError, OutputError, nearest

if TYPE_CHECKING:
    from collections.abc import Iterator


@contextmanager
def reading(path: str | os.PathLike[str], refuse: type[FileError]) -> Iterator[BinaryIO]:
    """Open a file for reading; errors are raised as `refuse`, with the nearest file name in its folder."""
    file, name = Path(path), str(path)
    _check_plain(path, refuse)
    try:
        with file.open("rb") as stream:
            yield stream
    except FileNotFoundError:
        folder = file.parent
        beside = sorted(p.name for p in folder.iterdir()) if folder.is_dir() else []
        raise refuse.single(
            name, 0, "", "no such file", hint=nearest(file.name, beside, alone=True)
        ) from None
    except OSError as error:
        words = "a folder" if file.is_dir() else (error.strerror or str(error)).lower()
        raise refuse.single(name, 0, words, "a file that can be read") from None


def read_text(path: str | os.PathLike[str], refuse: type[FileError], *, largest: int) -> str:
    """The text of a UTF-8 file of at most `largest` bytes; errors are raised as `refuse`."""
    name = str(path)
    with reading(path, refuse) as stream:
        data = stream.read(largest + 1)
    if len(data) > largest:
        raise refuse.single(name, 0, f"more than {largest:,} bytes", "a smaller file")
    try:
        return data.decode("utf-8-sig")
    except UnicodeDecodeError as error:
        line = data[: error.start].count(b"\n") + 1
        raise refuse.single(name, line, f"the byte 0x{data[error.start]:02x}", "UTF-8 text") from None


def _check_plain(path: str | os.PathLike[str], refuse: type[FileError]) -> None:
    """Refuse what could block a reader: a pipe, a socket or a device."""
    try:
        mode = Path(path).stat().st_mode
    except OSError:
        return  # opening it says why
    if not (stat.S_ISREG(mode) or stat.S_ISDIR(mode)):
        raise refuse.single(str(path), 0, "a pipe, a socket or a device", "a file")


def read_lines(path: str | os.PathLike[str], refuse: type[FileError]) -> Iterator[str]:
    """The lines of a UTF-8 file of any length, as they stream; errors are raised as `refuse`."""
    with reading(path, refuse) as stream:
        for number, line in enumerate(stream, 1):
            try:
                yield line.decode("utf-8-sig" if number == 1 else "utf-8")
            except UnicodeDecodeError as error:
                found = f"the byte 0x{line[error.start]:02x}"
                raise refuse.single(str(path), number, found, "UTF-8 text") from None


def made_folder(path: str | os.PathLike[str]) -> Path:
    """A folder, made if it is not there; raises :class:`OutputError` where that cannot be."""
    folder = Path(path)
    try:
        folder.mkdir(parents=True, exist_ok=True)
    except FileExistsError:
        raise OutputError(f"{folder}: found a file; expected a folder") from None
    except OSError as error:
        raise OutputError(f"{folder}: cannot be made: {(error.strerror or str(error)).lower()}") from None
    return folder


@contextmanager
def replacing(path: str | os.PathLike[str]) -> Iterator[Path]:
    """Yield a new file to write to; it replaces `path` if all goes well, and is removed if not.

    A link stays one: what it leads to is replaced.

    Raises :class:`OutputError` when the file cannot be written.
    """
    target = Path(os.path.realpath(path))
    fresh: Path | None = None
    try:
        if target.is_dir():
            raise IsADirectoryError(21, "it is a folder")
        handle, name = tempfile.mkstemp(dir=target.parent, prefix=f".{target.stem}-", suffix=target.suffix)
        os.close(handle)
        fresh = Path(name)
        fresh.chmod(0o666 & ~_umask())
        yield fresh
        with fresh.open("rb+") as stream:
            os.fsync(stream.fileno())
        fresh.replace(target)
        fresh = None
    except OSError as error:
        raise OutputError(f"{path}: cannot be written: {(error.strerror or str(error)).lower()}") from None
    finally:
        if fresh is not None:
            fresh.unlink(missing_ok=True)


def _umask() -> int:
    mask = os.umask(0)
    os.umask(mask)
    return mask

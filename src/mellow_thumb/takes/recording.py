"""Recording: what devices send goes into a take, row by row as it comes."""

from __future__ import annotations

import csv
import io
import os
from operator import itemgetter
from pathlib import Path
from typing import TYPE_CHECKING

from ..basics import OutputError
from .take import COLUMNS, parts_of
from .take_files import top_lines

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

    from ..devices import LinuxDevices


class Recorder:
    """Writes a take as it happens: a CSV file, to which whole rows are appended.

    :meth:`say` keeps an event, :meth:`flush` writes those kept in one go: however the recording
    ends, the file has whole rows up to there. Times are in seconds; the take begins at `begin`. An existing
    file is not overwritten: :class:`OutputError`.
    """

    def __init__(self, path: str | os.PathLike[str], begin: float) -> None:
        """Prepare to record to a file."""
        self._path, self._begin = Path(path), begin
        self._kept: list[tuple[float, str, float]] = []
        self._file = -1
        self.rows = 0
        """How many rows it has."""
        self.last = 0.0
        """The time of the last row, in seconds from the beginning."""

    def start(self, about: Mapping[str, str]) -> None:
        """Create the file, with what it says `about` itself."""
        try:
            self._file = os.open(self._path, os.O_WRONLY | os.O_CREAT | os.O_EXCL | os.O_APPEND, 0o666)
        except FileExistsError:
            raise OutputError(f"{self._path}: already exists; not overwritten") from None
        except OSError as error:
            raise self._fault(error) from None
        self._write("".join(top_lines(about)) + ",".join(COLUMNS) + "\n")

    def say(self, signal: str, value: float | tuple[float, float], seconds: float) -> None:
        """Keep an event: a signal, its value or pair of values, and when it happened."""
        t = max(round(seconds - self._begin, 6), 0.0)
        self._kept += [(t, name, one) for name, one in parts_of(signal, value)]

    def flush(self) -> None:
        """Write the kept events."""
        if not self._kept:
            return
        text = io.StringIO()
        self._kept.sort(key=itemgetter(0))  # of several devices
        csv.writer(text, lineterminator="\n").writerows(self._kept)
        self._write(text.getvalue())
        self.rows += len(self._kept)
        self.last = max(self.last, self._kept[-1][0])
        self._kept = []

    def close(self) -> None:
        """Write the kept events, and close the file."""
        self.flush()
        os.close(self._file)

    def _write(self, text: str) -> None:
        data = text.encode()
        try:
            while data:
                data = data[os.write(self._file, data) :]
        except OSError as error:
            raise self._fault(error) from None

    def _fault(self, error: OSError) -> OutputError:
        return OutputError(f"{self._path}: cannot be written: {(error.strerror or str(error)).lower()}")


def record(
    devices: LinuxDevices,
    recorder: Recorder,
    clock: Callable[[], float],
    until: float,
    tell: Callable[[], None] = lambda: None,
) -> None:
    """Record what devices send until a time on the clock (s), or an interruption; every row is kept.

    `tell` is called after each write.
    """
    said: set[str] = set()
    try:
        while (now := clock()) < until:
            for path, device in zip(devices.names, devices.devices, strict=True):
                for signal, value in device.facts.items() if path not in said else ():
                    recorder.say(signal, value, now)
                said.add(path)
            devices.wait(min(0.25, until - now))
            devices.poll()
            recorder.flush()
            tell()
    except KeyboardInterrupt:
        pass
    finally:
        recorder.close()
        devices.close()

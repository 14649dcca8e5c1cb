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
    from ..session import Session


class Recorder:
    """Writes a take as it happens: a CSV file, to which whole rows are appended.

    :meth:`say` keeps an event, :meth:`flush` writes those kept in one go: however the recording
    ends, the file has whole rows up to there. Times are in seconds; the take begins at `begin`. An existing
    file is not overwritten: :class:`OutputError`. A game records all that comes into its session by
    :meth:`of`.
    """

    def __init__(self, path: str | os.PathLike[str], begin: float) -> None:
        """Prepare to record to a file."""
        self._path, self._begin = Path(path), begin
        self._session: Session | None = None
        self._kept: list[tuple[float, str, float] | tuple[float, str, float, str]] = []
        self._file = -1
        self.rows = 0
        """How many rows it has."""
        self.last = 0.0
        """The time of the last row, in seconds from the beginning."""

    @classmethod
    def of(
        cls, session: Session, path: str | os.PathLike[str], about: Mapping[str, str] | None = None
    ) -> Recorder:
        """Record all that comes into a `session` from now on; its file says `about` itself.

        Call :meth:`flush` once a frame and :meth:`close` at the end. Whoever feeds the session, a door or
        your own code, is recorded, and so is what the view is told. Recorded from its first frame on, a
        session replayed with the same frames shows the same; later, the replay begins at the profile's start
        with what is held by then. What you set yourself, such as ``session.set_axis``, is not in a take.
        """
        recorder = cls(path, session.now)
        recorder._session = session
        recorder.start(about or {})
        session.hear(recorder.say)
        return recorder

    def start(self, about: Mapping[str, str]) -> None:
        """Create the file, with what it says `about` itself."""
        try:
            self._file = os.open(self._path, os.O_WRONLY | os.O_CREAT | os.O_EXCL | os.O_APPEND, 0o666)
        except FileExistsError:
            raise OutputError(f"{self._path}: already exists; not overwritten") from None
        except OSError as error:
            raise self._fault(error) from None
        columns = COLUMNS if self._session is None else (*COLUMNS, "on")
        self._write("".join(top_lines(about)) + ",".join(columns) + "\n")

    def say(
        self, signal: str, value: float | tuple[float, float], seconds: float, on: str | None = None
    ) -> None:
        """Keep an event: a signal, its value or pair of values, when it happened, and what it began on.

        Only the take of a session has what events began on.
        """
        if self._session is None:  # of a device, whose clock counts microseconds
            t = max(round(seconds - self._begin, 6), 0.0)
            self._kept += [(t, name, one) for name, one in parts_of(signal, value)]
            return
        t = max(seconds - self._begin, 0.0)
        self._kept += [(t, name, one, on or "") for name, one in parts_of(signal, value)]

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
        if self._session is not None:
            self._session.hear(None)
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

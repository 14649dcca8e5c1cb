"""The command that records what devices send, and turns one kind of recording into another."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

import click

from .group import PATH, main, read

if TYPE_CHECKING:
    from ..devices import LinuxDevices


@main.command("record")
@click.argument("take", type=PATH, required=False)
@click.option(
    "--device",
    "only",
    multiple=True,
    metavar="WORD",
    help="Only devices with WORD in their name or node; may be given again.  [default: all]",
)
@click.option(
    "--seconds",
    type=click.FloatRange(min=0.0, min_open=True),
    help="Stop after so long.  [default: at Ctrl-C]",
)
@click.option(
    "--from",
    "source",
    type=PATH,
    metavar="FILE",
    help="Write what another recording holds: .csv, .parquet, .evemu, or a page's events, .jsonl.",
)
@click.option("--list", "listing", is_flag=True, help="Say which devices there are, and record nothing.")
def record_hands(
    take: Path | None, only: tuple[str, ...], seconds: float | None, source: Path | None, *, listing: bool
) -> None:
    """Record this machine's input devices (Linux) to TAKE, a new file.

    With --from it converts another recording, to the bit, to CSV or Parquet.
    """
    import sys
    import time

    if source is not None:
        if take is None or listing or only or seconds:
            raise click.UsageError("--from takes TAKE.csv or TAKE.parquet to write to, and no other option")
        _write(source, take)
        return
    if (take is None) != listing:
        raise click.UsageError("say where to record to: TAKE.csv, or --list alone")
    if take is not None and take.suffix.lower() != ".csv":
        raise click.UsageError(f'found the suffix "{take.suffix}"; expected TAKE.csv')
    from ..devices import LinuxDevices
    from ..takes import Recorder, record

    begin = time.monotonic()
    recorder = Recorder(take or Path(), begin)
    devices = LinuxDevices(recorder.say, only=only)
    for path, device in zip(devices.names, devices.devices, strict=True):
        click.echo(f"{path}  {device.name}  ({', '.join(device.kinds)})")
        if device.unsaid:
            click.echo(f"  note: {device.unsaid}")
    if listing or not devices.names:
        _say_closed(devices, only)
        return
    recorder.start({"device": "; ".join(devices.names.values()), "made_by": "mellow-thumb record"})
    click.echo("recording" if seconds else "recording; Ctrl-C ends it", err=True)

    def tell() -> None:
        if sys.stderr.isatty():
            click.echo(f"\r{time.monotonic() - begin:.1f} s, {recorder.rows:,} rows ", nl=False, err=True)

    record(devices, recorder, time.monotonic, begin + (seconds or float("inf")), tell)
    lost = f"; events were lost {devices.dropped} times" if devices.dropped else ""
    click.echo(f"\nwrote {take}: {recorder.rows:,} rows, {recorder.last:.1f} s{lost}")


def _write(source: Path, take: Path) -> None:
    """Convert a recording to a new file."""
    from ..basics import OutputError
    from ..takes import write_take

    if take.exists():
        raise OutputError(f"{take}: already exists; not overwritten")
    recorded = read(source)
    write_take(recorded, take)
    click.echo(f"wrote {take}: {len(recorded):,} rows")


def _say_closed(devices: LinuxDevices, only: tuple[str, ...]) -> None:
    """Say which devices could not be read; an error if none is left."""
    from ..basics import OutputError, listed, nearest

    for path, reason in devices.closed.items():
        click.echo(f"{path}: {reason}", err=True)
    if devices.names:
        return
    if only and devices.passed:
        there = sorted(set(devices.passed.values()))
        words = [word for name in there for word in (name, *name.split())]
        found = f"found no device with {listed(only)} in its name or node"
        raise OutputError(f"{found}; expected one of {listed(there)}{nearest(only[0], words)}")
    if devices.closed:
        what = "found no input device that may be read; expected you in the group that may"
        raise OutputError(f"{what}: sudo usermod -aG input $USER, then log in again")
    raise OutputError("found no input device; expected one at /dev/input/event*")

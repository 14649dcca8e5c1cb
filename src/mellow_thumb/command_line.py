"""The command line: few verbs, each worth its place."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from . import __version__
from .errors import MellowThumbError

if TYPE_CHECKING:
    import pandas as pd

    from .linux_live import LinuxDevices
    from .profile import Profile
    from .take import Take


class _Commands(click.Group):
    """Commands whose errors are said in one place: what is wrong with the input ends with exit code 1."""

    def invoke(self, ctx: click.Context) -> Any:
        try:
            return super().invoke(ctx)
        except MellowThumbError as error:
            click.echo(str(error), err=True)
            ctx.exit(1)


@click.group(cls=_Commands, context_settings={"help_option_names": ["-h", "--help"]})
@click.version_option(__version__, message="mellow-thumb %(version)s")
def main() -> None:
    """Map what hands do to devices to camera axes, and see how it feels."""


@main.command()
@click.option(
    "--out",
    type=click.Path(path_type=Path, exists=True, file_okay=False),
    default=Path(),
    help="The folder to write the picture into.  [default: here]",
)
@click.option("--files", is_flag=True, help="Write the profiles and the takes there too, to play with.")
def demo(out: Path, files: bool) -> None:
    """Replay the scenes of the salt marsh, say what happened and draw it."""
    from . import marsh
    from .batch import replay as play
    from .errors import listed
    from .profile import load_profile
    from .signals import FAMILIES
    from .take_files import read_take

    for source, recording in marsh.SCENES:
        profile = load_profile(source)
        table = play(profile, read_take(recording))
        click.echo(f"with a {listed((FAMILIES[one] for one in profile.families), 'and a')}")
        _tell(profile, table)
        click.echo()
        _draw(profile, table, out / f"{source.stem}.png")
        if profile.movement:
            from .figures import save_figure
            from .figures_path import path_from_above

            path = out / f"{source.stem}_path.png"
            save_figure(path_from_above(profile, table), path)
            click.echo(f"wrote {path}")
        for file in (source, recording) if files else ():
            _copy(file, out / file.name)
        click.echo()
    if files:
        click.echo("Now change a number in field_glasses.toml and run")
        click.echo("  mellow-thumb replay field_glasses.toml field_glasses.csv -o sweep.png")
    else:
        click.echo("Add --files to have the profiles and the takes as well, to play with.")


@main.command()
@click.argument("profile", type=click.Path(path_type=Path))
@click.argument("take", type=click.Path(path_type=Path))
@click.option(
    "--rate",
    type=click.FloatRange(1, 10_000),
    default=60.0,
    show_default=True,
    metavar="HZ",
    help="Frames a second.",
)
@click.option(
    "-o",
    "--output",
    type=click.Path(path_type=Path),
    metavar="FILE",
    help="Write a table (.csv), a picture (.png, .svg, .pdf) or an animated camera (.glb).",
)
@click.option("--json", "as_json", is_flag=True, help="Say what happened as JSON.")
def replay(profile: Path, take: Path, rate: float, output: Path | None, as_json: bool) -> None:
    """Play TAKE through PROFILE and say what was turned, by how much, and where it stopped."""
    from .batch import replay as play
    from .profile import load_profile

    loaded, recorded = load_profile(profile), _read(take)
    table = play(loaded, recorded, rate=rate)
    _tell(loaded, table, as_json=as_json)
    if output:
        if not as_json:
            click.echo()
        _draw(loaded, table, output, quiet=as_json)


@main.command()
@click.argument("profile", type=click.Path(path_type=Path))
@click.argument("take", type=click.Path(path_type=Path), required=False)
@click.option(
    "--figures",
    type=click.Path(path_type=Path, file_okay=False),
    required=True,
    metavar="DIR",
    help="The folder for the pictures; it is made if it is not there.",
)
def report(profile: Path, take: Path | None, figures: Path) -> None:
    """Draw what PROFILE does: responses, dead zones and, with a TAKE, what each step makes of it."""
    from .figures import axes_over_time, save_figure
    from .figures_devices import device_figures
    from .figures_response import route_figures
    from .profile import load_profile

    loaded, recorded = load_profile(profile), _read(take) if take else None
    drawn = route_figures(loaded, recorded)
    if recorded is not None:
        from .batch import replay as play

        table = play(loaded, recorded)
        drawn["axes"] = axes_over_time(loaded, table)
        drawn |= device_figures(loaded, recorded)
        if loaded.movement:
            from .figures_path import path_from_above

            drawn["path"] = path_from_above(loaded, table)
    if not drawn:
        click.echo("nothing to draw: no route has a stick or a trigger, and no take was given")
        return
    try:
        figures.mkdir(parents=True, exist_ok=True)
    except OSError as error:
        from .errors import OutputError

        raise OutputError(f"{figures}: cannot be made: {(error.strerror or str(error)).lower()}") from None
    for name, figure in drawn.items():
        path = figures / f"{name}.png"
        save_figure(figure, path)
        click.echo(f"wrote {path}")


@main.command("tell")
@click.argument("profile", type=click.Path(path_type=Path))
@click.option(
    "--basis",
    metavar="RIGHT,UP,FORWARD",
    help="Say turns in the host's axes too, such as +x,+z,+y.  [default: +x,+y,-z, which are ours]",
)
@click.option("--json", "as_json", is_flag=True, help="Say it as JSON.")
def tell_controls(profile: Path, basis: str | None, *, as_json: bool) -> None:
    """Say what each control of PROFILE does: which way, how much, from where on, until where."""
    import json

    from .basis import Basis
    from .profile import load_profile
    from .telling import tell

    axes = [part.strip() for part in basis.split(",")] if basis else []
    if axes and len(axes) != 3:
        raise click.UsageError(f'--basis: found "{basis}"; expected three axes, such as +x,+z,+y')
    told = tell(load_profile(profile), Basis(*axes) if axes else None)
    click.echo(json.dumps(told.as_dict(), indent=2) if as_json else told.text())


@main.command("record")
@click.argument("take", type=click.Path(path_type=Path), required=False)
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
@click.option("--list", "listing", is_flag=True, help="Say which devices there are, and record nothing.")
def record_hands(take: Path | None, only: tuple[str, ...], seconds: float | None, *, listing: bool) -> None:
    """Record what the input devices of this machine (Linux) send to TAKE, a new CSV file."""
    import sys
    import time

    from .linux_live import LinuxDevices
    from .recording import Recorder, record

    if (take is None) != listing:
        raise click.UsageError("say where to record to: TAKE.csv, or --list alone")
    if take is not None and take.suffix.lower() != ".csv":
        raise click.UsageError(f'found the suffix "{take.suffix}"; expected TAKE.csv')
    begin = time.monotonic()
    recorder = Recorder(take or Path(), begin)
    devices = LinuxDevices(recorder.say, only=only)
    for path, device in zip(devices.names, devices.devices, strict=True):
        click.echo(f"{path}  {device.name}  ({', '.join(device.kinds)})")
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


def _say_closed(devices: LinuxDevices, only: tuple[str, ...]) -> None:
    """Say which devices could not be read; an error where there is none left."""
    from .errors import OutputError, listed, nearest

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


@main.command()
@click.argument("profile", type=click.Path(path_type=Path))
@click.option(
    "--c",
    "header",
    type=click.Path(path_type=Path),
    metavar="FILE.h",
    help="Write a C99 header without dependencies, and FILE.json with its codes and test vectors.",
)
@click.option("--text", is_flag=True, help="Print the woven Python that a session runs.")
def export(profile: Path, header: Path | None, text: bool) -> None:
    """Write PROFILE as code for engines in other languages, or show the code that it becomes."""
    from .exporting import export_c
    from .profile import load_profile
    from .program import weave_plan

    if header is None and not text:
        raise click.UsageError("say what to export: --c FILE.h or --text")
    loaded = load_profile(profile)
    if text:
        program = weave_plan(loaded)
        click.echo(f"{program.text}\n\n{program.pose_text}", nl=False)
    for written in export_c(loaded, header) if header else ():
        click.echo(f"wrote {written}", err=text)


def _read(take: Path) -> Take:
    """Read a take, and say what there is to say of how it was read."""
    from .take_files import read_take

    recorded = read_take(take)
    for note in recorded.notes:
        click.echo(f"{take}: {note}", err=True)
    return recorded


def _tell(profile: Profile, table: pd.DataFrame, *, as_json: bool = False) -> None:
    """Print what happened, for people or for programs."""
    from .account import account_of

    account = account_of(profile, table)
    if as_json:
        import json

        click.echo(json.dumps(account.as_dict(), indent=2))
    else:
        click.echo(account.text())


def _copy(source: Path, path: Path) -> None:
    """Write a copy of one of the demo's files; never over a file that is there."""
    from .errors import OutputError

    try:
        with path.open("xb") as stream:
            stream.write(source.read_bytes())
    except FileExistsError:
        raise OutputError(f"{path}: it is there already, and was left as it is") from None
    except OSError as error:
        raise OutputError(f"{path}: cannot be written: {(error.strerror or str(error)).lower()}") from None
    click.echo(f"wrote {path}")


def _draw(profile: Profile, table: pd.DataFrame, path: Path, *, quiet: bool = False) -> None:
    """Write a replay as what the suffix says."""
    from .errors import OutputError, listed, nearest
    from .figures import SUFFIXES, axes_over_time, save_figure
    from .files import replacing

    suffix = path.suffix.lower()
    if suffix == ".csv":
        with replacing(path) as fresh:
            table.to_csv(fresh, index=False)
    elif suffix in SUFFIXES:
        save_figure(axes_over_time(profile, table), path)
    elif suffix == ".glb":
        from .gltf_files import write_gltf

        write_gltf(profile, table, path)
    else:
        known = (".csv", ".glb", *SUFFIXES)
        raise OutputError(
            f'{path}: found the suffix "{suffix}"; expected {listed(known)}{nearest(suffix, known)}'
        )
    click.echo(f"wrote {path}", err=quiet)

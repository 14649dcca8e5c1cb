"""The command line: few verbs, each worth its place."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from . import __version__
from .errors import MellowThumbError

if TYPE_CHECKING:
    import pandas as pd

    from .profile import Profile


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
@click.option("--files", is_flag=True, help="Write the profile and the take there too, to play with.")
def demo(out: Path, files: bool) -> None:
    """Replay ten seconds of field glasses in the salt marsh, say what happened and draw it."""
    from . import marsh
    from .batch import replay as play
    from .profile import load_profile
    from .take_files import read_take

    profile = load_profile(marsh.PROFILE)
    table = play(profile, read_take(marsh.TAKE))
    _tell(profile, table)
    click.echo()
    _draw(profile, table, out / "field_glasses.png")
    if files:
        for source in (marsh.PROFILE, marsh.TAKE):
            _copy(source, out / source.name)
        click.echo("\nNow change a number in field_glasses.toml and run")
        click.echo("  mellow-thumb replay field_glasses.toml field_glasses.csv -o sweep.png")
    else:
        click.echo("add --files to have the profile and the take as well, to play with")


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
    help="Write a table (.csv) or a picture (.png, .svg, .pdf).",
)
@click.option("--json", "as_json", is_flag=True, help="Say what happened as JSON.")
def replay(profile: Path, take: Path, rate: float, output: Path | None, as_json: bool) -> None:
    """Play TAKE through PROFILE and say what was turned, by how much, and where it stopped."""
    from .batch import replay as play
    from .profile import load_profile
    from .take_files import read_take

    loaded, recorded = load_profile(profile), read_take(take)
    for note in recorded.notes:
        click.echo(f"{take}: {note}", err=True)
    table = play(loaded, recorded, rate=rate)
    _tell(loaded, table, as_json=as_json)
    if output:
        if not as_json:
            click.echo()
        _draw(loaded, table, output, quiet=as_json)


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
    else:
        known = (".csv", *SUFFIXES)
        raise OutputError(
            f'{path}: found the suffix "{suffix}"; expected {listed(known)}{nearest(suffix, known)}'
        )
    click.echo(f"wrote {path}", err=quiet)

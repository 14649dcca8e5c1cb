"""The command line: few verbs, each worth its place."""

from __future__ import annotations

from pathlib import Path
from shlex import quote
from typing import TYPE_CHECKING

import click

from . import insight as command_insight
from . import record as command_record
from . import trying as command_trying
from .group import PATH, load, main, player, read, shown_progress

__all__ = ["command_insight", "command_record", "command_trying", "main"]
"""The group, and the modules whose commands join it."""

if TYPE_CHECKING:
    from collections.abc import Iterator

    import pandas as pd

    from ..insight import Idle
    from ..profiles import Profile
    from ..takes import Take


@main.command()
@click.option(
    "--out",
    type=click.Path(path_type=Path, exists=True, file_okay=False),
    default=Path(),
    help="Where to write the pictures.  [default: here]",
)
@click.option("--files", is_flag=True, help="Write the profiles and takes there too, to play with.")
def demo(out: Path, files: bool) -> None:
    """Play the scenes of the salt marsh: what happened, and pictures."""
    from .. import marsh
    from ..basics import OutputError, listed
    from ..plan import FAMILIES
    from ..profiles import load_profile
    from ..takes import read_take
    from ..takes import replay as play

    # before anything is done: nothing is written by halves
    for file in (file for scene in marsh.SCENES for file in scene) if files else ():
        if (out / file.name).exists():
            raise OutputError(f"{out / file.name}: already exists; not overwritten")
    for source, recording in marsh.SCENES:
        profile = load_profile(source)
        take = read_take(recording)
        table = play(profile, take)
        click.echo(f"with a {listed((FAMILIES[one] for one in profile.families), 'and a')}")
        _tell(profile, table, take)
        click.echo()
        _draw(profile, table, out / f"{source.stem}.png")
        if profile.movement:
            from ..insight.figures import path_from_above, save_figure

            path = out / f"{source.stem}_path.png"
            save_figure(path_from_above(profile, table), path)
            click.echo(f"wrote {path}")
        for file in (source, recording) if files else ():
            _copy(file, out / file.name)
        click.echo()
    if files:
        click.echo("Feel them with your own hands:")
        walk, glasses, hands = (
            quote(str(out / name)) for name in ("boardwalk.toml", "field_glasses.toml", "field_glasses.csv")
        )
        click.echo(f"  mellow-thumb try {walk}")
        click.echo(f"Or change a number in {glasses} and run")
        click.echo(f"  mellow-thumb replay {glasses} {hands} -o sweep.png")
    else:
        click.echo("Add --files to have the profiles and the takes as well, to play with.")


@main.command()
@click.argument("profile", type=PATH)
@click.argument("others", type=PATH, nargs=-1, required=True, metavar="[OTHER] TAKE")
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
    type=PATH,
    metavar="FILE",
    help="Write a table (.csv), a picture (.png, .svg, .pdf) or an animated camera (.glb).",
)
@click.option("--json", "as_json", is_flag=True, help="Print JSON.")
@click.option(
    "--stream",
    is_flag=True,
    help="Play a take larger than memory, in pieces; needs -o FILE.csv.",
)
@click.option("--why", is_flag=True, help="Explain every event that did nothing, not just the first.")
@player
def replay(
    profile: Path,
    others: tuple[Path, ...],
    rate: float,
    output: Path | None,
    player: Path | None,
    *,
    as_json: bool,
    stream: bool,
    why: bool,
) -> None:
    """Play TAKE through PROFILE: what turned, how far, where it stopped.

    With a second profile, OTHER, say where and when the two differ on the same hands.
    """
    from math import inf

    from ..insight import idle_of
    from ..takes import replay as play

    if len(others) > 2:
        raise click.UsageError(f"found {len(others) + 1} files; expected PROFILE TAKE, or PROFILE OTHER TAKE")
    *second, take = others
    if stream:
        if second or as_json or output is None or output.suffix.lower() != ".csv":
            raise click.UsageError("--stream takes one profile, one take, and -o FILE.csv")
        _stream(load(profile, player), take, rate, output)
        return
    loaded, recorded = load(profile, player), read(take)
    if second:
        _part(loaded, load(second[0], player), recorded, rate, output, as_json=as_json)
        return
    table = play(loaded, recorded, rate=rate)
    if why:
        with shown_progress("looking at each event") as progress:
            idle = idle_of(loaded, recorded, inf, progress)
    else:
        idle = idle_of(loaded, recorded)
    _tell(loaded, table, recorded, idle, as_json=as_json)
    if output:
        if not as_json:
            click.echo()
        _draw(loaded, table, output, quiet=as_json)


def _stream(profile: Profile, take: Path, rate: float, output: Path) -> None:
    """Play a take of any length piece by piece, and write its table as it comes; whole or not at all."""
    from ..basics import replacing
    from ..takes import replay_pieces, take_pieces

    frames = rows = refused = 0
    with replacing(output) as fresh, shown_progress("replaying") as progress:

        def pieces() -> Iterator[Take]:
            """The take, counted as it passes."""
            nonlocal rows
            for piece in take_pieces(take, progress=progress):
                rows += len(piece)
                yield piece

        for table in replay_pieces(profile, pieces(), rate=rate):
            table.to_csv(fresh, mode="a", header=not frames, index=False)
            frames += len(table)
            refused = sum(sum(counts.values()) for counts in table.attrs.get("refused", {}).values())
    click.echo(f"wrote {output}: {frames:,} frames of {rows:,} rows; {refused:,} refused")


def _part(
    first: Profile, second: Profile, take: Take, rate: float, output: Path | None, *, as_json: bool
) -> None:
    """Print where two profiles differ on the same hands, and draw or list it."""
    import json

    from ..basics import OutputError, listed, replacing
    from ..insight import compare
    from ..insight.figures import SUFFIXES, save_figure, two_profiles

    known = (".csv", *SUFFIXES)
    if output and output.suffix.lower() not in known:
        raise OutputError(f'{output}: found the suffix "{output.suffix}"; expected {listed(known)}')
    compared = compare(first, second, take, rate=rate)
    click.echo(json.dumps(compared.as_dict(), indent=2) if as_json else compared.text())
    if output and output.suffix.lower() == ".csv":
        with replacing(output) as fresh:
            compared.table().to_csv(fresh, index=False)
    elif output:
        save_figure(two_profiles(first, second, take, rate=rate), output)
    if output:
        click.echo(f"wrote {output}", err=as_json)


@main.command("new")
@click.argument("profile", type=PATH)
@click.option(
    "--device",
    "devices",
    multiple=True,
    default=("desk", "pad"),
    show_default=True,
    metavar="FAMILY",
    help="desk (mouse and keyboard), pad, touch, handheld (a motion sensor) or worn (a headset's hands); "
    "may be given again.",
)
@click.option(
    "--mount",
    "mounts",
    multiple=True,
    default=("orbit",),
    show_default=True,
    metavar="KIND",
    help="eye, orbit, overhead, flat or headset; given twice, a button switches between them.",
)
def new_profile(profile: Path, devices: tuple[str, ...], mounts: tuple[str, ...]) -> None:
    """Write a first PROFILE for some devices and mounts, with comments."""
    from ..basics import OutputError, replacing
    from ..profiles import starter

    text = starter(devices, mounts)
    if profile.suffix.lower() != ".toml":
        raise OutputError(f'{profile}: found the suffix "{profile.suffix}"; expected NAME.toml')
    if profile.exists():
        raise OutputError(f"{profile}: already exists; not overwritten")
    with replacing(profile) as fresh:
        fresh.write_text(text, encoding="utf-8")
    click.echo(f"wrote {profile}\nnow: mellow-thumb tell {quote(str(profile))}")


@main.command()
@click.argument("profile", type=PATH, required=False)
@click.option(
    "--c",
    "header",
    type=PATH,
    metavar="FILE.h",
    help="Write a C99 header without dependencies, and FILE.json with its codes and test vectors.",
)
@click.option("--text", is_flag=True, help="Print the Python that a session runs.")
@click.option(
    "--schema",
    type=PATH,
    metavar="FOLDER",
    help="Write what profiles and players' sheets look like, as JSON Schema, for editors; with PROFILE, a "
    "sheet may say what it offers.",
)
@player
def export(
    profile: Path | None, header: Path | None, schema: Path | None, player: Path | None, *, text: bool
) -> None:
    """Write PROFILE as C for other engines, or JSON Schema for editors."""
    from ..insight import export_c
    from ..weaving import weave_plan

    if not (header or text or schema):
        raise click.UsageError("say what to export: --c FILE.h, --text or --schema FOLDER")
    if profile is None and (header or text or player):
        raise click.UsageError("say what to export from: PROFILE")
    loaded = load(profile, player) if profile else None
    if schema:
        from ..profiles import write_schemas

        for written in write_schemas(schema, loaded):
            click.echo(f"wrote {written}", err=text)
    if loaded is None:
        return
    if text:
        click.echo(weave_plan(loaded).listing, nl=False)
    for written in export_c(loaded, header) if header else ():
        click.echo(f"wrote {written}", err=text)


def _tell(
    profile: Profile, table: pd.DataFrame, take: Take, idle: Idle | None = None, *, as_json: bool = False
) -> None:
    """Print what happened, for people or for programs."""
    from ..insight import account_of

    account = account_of(profile, table, take, idle)
    if as_json:
        import json

        click.echo(json.dumps(account.as_dict(), indent=2))
    else:
        click.echo(account.text())


def _copy(source: Path, path: Path) -> None:
    """Write a copy of one of the demo's files; never over a file that is there."""
    from ..basics import OutputError

    try:
        with path.open("xb") as stream:
            stream.write(source.read_bytes())
    except FileExistsError:
        raise OutputError(f"{path}: already exists; not overwritten") from None
    except OSError as error:
        raise OutputError(f"{path}: cannot be written: {(error.strerror or str(error)).lower()}") from None
    click.echo(f"wrote {path}")


def _draw(profile: Profile, table: pd.DataFrame, path: Path, *, quiet: bool = False) -> None:
    """Write a replay in the format that the suffix names."""
    from ..basics import OutputError, listed, nearest, replacing
    from ..insight.figures import SUFFIXES, axes_over_time, save_figure

    suffix = path.suffix.lower()
    if suffix == ".csv":
        with replacing(path) as fresh:
            table.to_csv(fresh, index=False)
    elif suffix in SUFFIXES:
        save_figure(axes_over_time(profile, table), path)
    elif suffix == ".glb":
        from ..insight import write_gltf

        write_gltf(profile, table, path)
    else:
        known = (".csv", ".glb", *SUFFIXES)
        raise OutputError(
            f'{path}: found the suffix "{suffix}"; expected {listed(known)}{nearest(suffix, known)}'
        )
    click.echo(f"wrote {path}", err=quiet)

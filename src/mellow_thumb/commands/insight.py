"""Commands that answer questions: what it does, what is wrong, how it feels, what a take says."""

from __future__ import annotations

import json
import sys
from math import isfinite
from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from .group import PATH, load, main, player, read, say, shown_progress, width_of

if TYPE_CHECKING:
    import pandas as pd

    from ..takes import Take


@main.command("tell")
@click.argument("profile", type=PATH)
@click.option(
    "--basis",
    metavar="RIGHT,UP,FORWARD",
    help="Say turns in the host's axes too, such as +x,+z,+y.  [default: +x,+y,-z, which are ours]",
)
@click.option("--json", "as_json", is_flag=True, help="Print JSON.")
@player
def tell_controls(profile: Path, basis: str | None, player: Path | None, *, as_json: bool) -> None:
    """Say what each control in PROFILE does: which way, and how much."""
    from ..insight import tell
    from ..session import Basis

    axes = [part.strip() for part in basis.split(",")] if basis else []
    if axes and len(axes) != 3:
        raise click.UsageError(f'--basis: found "{basis}"; expected three axes, such as +x,+z,+y')
    told = tell(load(profile, player), Basis(*axes) if axes else None)
    click.echo(json.dumps(told.as_dict(), indent=2) if as_json else told.text(width_of(sys.stdout)))


@main.command("check")
@click.argument("profile", type=PATH)
@click.option("--take", type=PATH, help="Check a recording too: noise at rest, missing facts, unused rows.")
@click.option(
    "--lag",
    type=click.FloatRange(1, 1000),
    default=100.0,
    show_default=True,
    metavar="MS",
    help="Warn where smoothing adds more than this, in milliseconds.",
)
@click.option(
    "--sarif", type=PATH, metavar="FILE", help="Also write the findings as SARIF 2.1.0, for code hosts."
)
@click.option("--json", "as_json", is_flag=True, help="Print JSON.")
@click.option("--allowed", is_flag=True, help="Show allowed findings too.")
@player
@click.pass_context
def check_profile(
    ctx: click.Context,
    profile: Path,
    take: Path | None,
    lag: float,
    sarif: Path | None,
    player: Path | None,
    *,
    as_json: bool,
    allowed: bool,
) -> None:
    """Say what is wrong with PROFILE, or likely to be.

    Exits with 1 if anything is an error.
    """
    from .. import __version__
    from ..basics import listed, replacing
    from ..insight import LEVELS, check
    from ..insight import sarif as as_sarif

    found = check(load(profile, player), read(take) if take else None, lag=lag / 1000.0)
    if sarif:
        with replacing(sarif) as fresh:
            fresh.write_text(json.dumps(as_sarif(found, __version__), indent=2) + "\n", encoding="utf-8")
        click.echo(f"wrote {sarif}", err=True)
    shown = [one for one in found if allowed or not one.allowed]
    if as_json:
        click.echo(json.dumps([one.as_dict() for one in shown], indent=2))
    else:
        for one in shown:
            for line in one.text().splitlines():
                say(line)
            if one.allowed:
                say(f"    allowed: {one.allowed}")
        counts = [(level, sum(one.level == level and not one.allowed for one in found)) for level in LEVELS]
        said = [f"{count} {level}{'s' if count > 1 else ''}" for level, count in counts if count]
        hidden = sum(bool(one.allowed) for one in found)
        more = f"; {hidden} allowed" if hidden else ""
        click.echo(f"{profile}: {listed(said, 'and') if said else 'nothing found'}{more}")
    if any(one.level == "error" and not one.allowed for one in found):
        ctx.exit(1)


@main.command("feel")
@click.argument("profiles", type=PATH, nargs=-1, required=True)
@click.option("--take", type=PATH, help="Measure this recording too.")
@click.option("-o", "--output", type=PATH, metavar="FILE.csv", help="Write the numbers as a table.")
@click.option("--json", "as_json", is_flag=True, help="Print JSON.")
@player
def feel_profiles(
    profiles: tuple[Path, ...], take: Path | None, output: Path | None, player: Path | None, *, as_json: bool
) -> None:
    """Say how PROFILES feel, in numbers, side by side.

    What differs is marked.
    """
    from ..basics import OutputError, replacing
    from ..insight import feel

    if output and output.suffix.lower() != ".csv":
        raise OutputError(f'{output}: found the suffix "{output.suffix}"; expected .csv')
    loaded, hands = [load(one, player) for one in profiles], read(take) if take else None
    with shown_progress("measuring") as progress:
        table = feel(loaded, hands, progress=progress)
    if output:
        with replacing(output) as fresh:
            table.to_csv(fresh)
        click.echo(f"wrote {output}", err=as_json)
    if as_json:
        rows = table.reset_index().to_dict("records")
        click.echo(json.dumps([{key: _plain(one) for key, one in row.items()} for row in rows], indent=2))
    elif not output:
        click.echo(_numbers(table))


def _numbers(table: pd.DataFrame) -> str:
    """The numbers as text: a block per subject, a line per measure, a column per profile."""
    from ..insight import digits

    names = list(table.columns[1:])
    lines, last = [], ""
    if len(names) > 1:
        lines += [f"{chr(ord('A') + k)}  {name}" for k, name in enumerate(names)]
        lines += ["", f"{'':<24}" + "".join(f"{chr(ord('A') + k):>12}" for k in range(len(names)))]
    for (subject, measure), unit, *values in table.itertuples(name=None):
        if subject != last:
            lines += ["", str(subject)]
            last = subject
        shown = [digits(value) for value in values]
        mark = "differs" if len(set(shown)) > 1 else ""
        lines.append(f"  {measure:<22}{''.join(f'{one:>12}' for one in shown)} {unit:<8} {mark}".rstrip())
    return "\n".join(lines).lstrip("\n")


def _plain(value: Any) -> Any:
    """A number as JSON: NaN and infinity become null."""
    return value if not isinstance(value, float) or isfinite(value) else None


@main.command("fit")
@click.argument("take", type=PATH)
@click.option("-o", "--output", type=PATH, metavar="FILE", help="Draw it (.png, .svg, .pdf).")
@click.option("--json", "as_json", is_flag=True, help="Print JSON.")
def fit_take(take: Path, output: Path | None, *, as_json: bool) -> None:
    """Measure sticks, triggers and gyroscope from TAKE.

    Record it with hands off for some seconds, then circling. Prints rest, noise, dead zone and reach.
    """
    from ..insight import fit
    from ..insight.figures import fitted, save_figure

    recorded = read(take)
    found = fit(recorded)
    click.echo(json.dumps(found.as_dict(), indent=2) if as_json else found.text())
    figure = fitted(recorded) if output else None
    if output and figure is None:
        click.echo(f"{take}: no stick to draw", err=True)
    elif output and figure is not None:
        save_figure(figure, output)
        click.echo(f"wrote {output}", err=as_json)


@main.command("report")
@click.argument("profile", type=PATH, metavar="PROFILE|TRIAL")
@click.argument("takes", type=PATH, nargs=-1)
@click.option(
    "-o",
    "--output",
    type=PATH,
    metavar="FILE",
    help="The file: .html; of a trial also .csv or .parquet, its numbers.  [default: PROFILE.html, here]",
)
@click.option(
    "--figures",
    type=click.Path(path_type=Path, file_okay=False),
    metavar="DIR",
    help="Write only the pictures, into this folder (created if missing).",
)
@player
def report_profile(
    profile: Path,
    takes: tuple[Path, ...],
    output: Path | None,
    figures: Path | None,
    player: Path | None,
) -> None:
    """Write everything about PROFILE, and about TAKES, as one HTML file; or what a TRIAL came to."""
    if profile.is_dir():
        _report_trial(profile, output)
        return
    loaded = load(profile, player)
    hands = {take.stem: read(take) for take in takes}
    if figures:
        _pictures(loaded, hands, figures)
        return
    from ..insight import write_report

    path = _page_of(output, profile)
    with shown_progress("reporting") as progress:
        write_report(loaded, hands, path, progress=progress)
    click.echo(f"wrote {path}")


def _page_of(output: Path | None, about: Path) -> Path:
    """Where a report goes."""
    from ..basics import OutputError

    path = output or Path(f"{about.resolve().name if about.is_dir() else about.stem}.html")
    if path.suffix.lower() not in (".html", ".htm"):
        raise OutputError(f'{path}: found the suffix "{path.suffix}"; expected .html')
    return path


def _report_trial(folder: Path, output: Path | None) -> None:
    """Write what a trial came to, and print it."""
    from ..insight import read_trial, write_trial
    from ..insight.trials import outcome_text, write_rounds

    as_table = output is not None and output.suffix.lower() in (".csv", ".parquet")
    path = output if output and as_table else _page_of(output, folder)
    trial = read_trial(folder)
    (write_rounds if as_table else write_trial)(trial, path)
    if not as_table:
        click.echo(outcome_text(trial))
    click.echo(f"wrote {path}")


def _pictures(profile: Any, takes: dict[str, Take], folder: Path) -> None:
    from ..basics import made_folder
    from ..insight import figures_of
    from ..insight.figures import save_figure

    drawn = figures_of(profile, takes)
    if not drawn:
        click.echo("nothing to draw: no route has a stick or a trigger, and no take was given")
        return
    made_folder(folder)
    for name, figure in drawn.items():
        path = folder / f"{name}.png"
        save_figure(figure, path)
        click.echo(f"wrote {path}")

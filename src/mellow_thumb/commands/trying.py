"""The command that opens a page on which a profile is felt."""

from __future__ import annotations

from pathlib import Path

import click

from .group import PATH, main, player


@main.command("try")
@click.argument("profiles", type=PATH, nargs=-1, required=True, metavar="PROFILE...")
@click.option(
    "--blind", is_flag=True, help="Compare two profiles, or more, without being told which is which."
)
@click.option(
    "--rounds",
    type=click.IntRange(2, 64),
    help="With --blind: rounds with each profile, an even number.  [default: 8]",
)
@click.option(
    "--task",
    "tasks",
    type=click.Choice(["aim", "pan", "zoom", "follow", "walk", "cue"]),
    multiple=True,
    help="With --blind: a task, or several; the first one decides.  [default: the first that fits]",
)
@click.option(
    "-o",
    "--output",
    type=PATH,
    metavar="DIR",
    help="With --blind: the trial's folder, new or one to go on with.  [default: trial]",
)
@click.option("--port", type=click.IntRange(1, 65535), help="Where to listen.  [default: a free one]")
@click.option(
    "--lan",
    is_flag=False,
    flag_value="",
    metavar="[ADDRESS]",
    help="Serve one device nearby as well, such as a phone, over TLS; at this machine's own address.",
)
@click.option("--no-browser", is_flag=True, help="Print the address, and open nothing.")
@click.option("--take", type=PATH, help="Begin with the hands of a recording: every change plays them again.")
@click.option("--shot", type=PATH, metavar="FILE.png", help="Write a picture of the page, and end.")
@player
def feel_it(
    profiles: tuple[Path, ...],
    player: Path | None,
    take: Path | None,
    shot: Path | None,
    port: int | None,
    lan: str | None,
    rounds: int | None,
    tasks: tuple[str, ...],
    output: Path | None,
    *,
    blind: bool,
    no_browser: bool,
) -> None:
    """Feel PROFILE with your own hands in a browser, and change it while you do.

    With --blind, compare two profiles or more: rounds of the same tasks with each, hidden behind birds, then
    what can be said of them. `mellow-thumb report DIR` writes it all as one HTML file.

    The page is served to this machine alone, until Ctrl-C. Its address holds a token: whoever has it can
    change the profile.
    """
    from ..page import serve, shoot

    if blind:
        others = {"--player": player, "--take": take, "--shot": shot, "--lan": lan}
        _refuse([name for name, value in others.items() if value is not None], "with --blind")
        _compare(profiles, rounds, tasks, output or Path("trial"), port, no_browser=no_browser)
        return
    _refuse([f"{name}" for name, value in (("--rounds", rounds), ("--task", tasks), ("-o", output)) if value],
            "without --blind")  # fmt: skip
    if len(profiles) > 1:
        raise click.UsageError(f"found {len(profiles)} profiles; expected one, or --blind to compare them")
    (profile,) = profiles
    if take is not None:
        _announce(take)
    if shot is not None:
        shoot(profile, shot, player=player, take=take)
        click.echo(f"wrote {shot}")
        return

    places = iter((f"Ctrl-C ends it\nfeel {profile} at", "or on one device nearby, such as a phone, at"))

    def tell(address: str) -> None:
        click.echo(f"{next(places)}\n  {address}")

    serve(profile, player=player, take=take, port=port or 0, lan=lan, browser=not no_browser, tell=tell)


def _refuse(options: list[str], when: str) -> None:
    """Refuse options that mean nothing here."""
    if options:
        raise click.UsageError(f"{options[0]} means nothing {when}")


def _compare(
    profiles: tuple[Path, ...], rounds: int | None, tasks: tuple[str, ...], folder: Path, port: int | None,
    *, no_browser: bool,
) -> None:  # fmt: skip
    """Serve the page of a trial."""
    from ..page import serve_trial

    if len(profiles) < 2:
        raise click.UsageError("found one profile; expected two or more to compare with --blind")

    def tell(address: str) -> None:
        click.echo(
            f"Ctrl-C ends it; each whole round is kept in {folder}\n"
            f"compare {len(profiles)} settings at\n  {address}"
        )

    serve_trial(
        profiles, folder, rounds=rounds, tasks=tasks, port=port or 0, browser=not no_browser, tell=tell
    )


def _announce(take: Path) -> None:
    """Say that hands act before there is a page, where that takes a while."""
    from ..takes import read_take

    times = read_take(take).table["t"]
    minutes = (times.iloc[-1] - times.iloc[0]) / 60.0 if len(times) else 0.0
    if minutes >= 1.0:
        click.echo(f"{minutes:.0f} min of hands in {take} act first; the page begins after them")

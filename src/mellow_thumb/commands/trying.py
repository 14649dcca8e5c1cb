"""The command that opens a page on which a profile is felt."""

from __future__ import annotations

from typing import TYPE_CHECKING

import click

from .group import PATH, main, player

if TYPE_CHECKING:
    from pathlib import Path


@main.command("try")
@click.argument("profile", type=PATH)
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
    profile: Path,
    player: Path | None,
    take: Path | None,
    shot: Path | None,
    port: int | None,
    lan: str | None,
    *,
    no_browser: bool,
) -> None:
    """Feel PROFILE with your own hands in a browser, and change it while you do.

    The page is served to this machine alone, until Ctrl-C. Its address holds a token: whoever has it can
    change the profile.
    """
    from ..page import serve, shoot

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


def _announce(take: Path) -> None:
    """Say that hands act before there is a page, where that takes a while."""
    from ..takes import read_take

    times = read_take(take).table["t"]
    minutes = (times.iloc[-1] - times.iloc[0]) / 60.0 if len(times) else 0.0
    if minutes >= 1.0:
        click.echo(f"{minutes:.0f} min of hands in {take} act first; the page begins after them")

"""The group of commands, and what several of them need."""

from __future__ import annotations

from contextlib import contextmanager
from pathlib import Path
from typing import TYPE_CHECKING, Any

import click

from .. import __version__
from ..basics import MellowThumbError

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator

    from ..profiles import Profile
    from ..takes import Take


PATH = click.Path(path_type=Path)
"""The kind of an argument that names a file or a folder."""


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


def read(take: Path) -> Take:
    """Read a take, and say what there is to say of how it was read."""
    from ..takes import read_take

    recorded = read_take(take)
    for note in recorded.notes:
        click.echo(f"{take}: {note}", err=True)
    return recorded


@contextmanager
def shown_progress(what: str) -> Iterator[Callable[[float], None]]:
    """A bar for what may take longer than a second, on a terminal alone; tell it the share that is done."""
    import sys

    if not sys.stderr.isatty():
        yield lambda _: None
        return
    with click.progressbar(length=1000, label=what, file=sys.stderr) as bar:
        yield lambda done: bar.update(max(0, round(1000 * done) - bar.pos))


player = click.option(
    "--player",
    type=PATH,
    metavar="SHEET",
    help="Lay a player's sheet over the profile first.",
)
"""The option of every command that reads a profile."""


def load(profile: Path, sheet: Path | None) -> Profile:
    """Read a profile, with a player's sheet laid over it; what of the sheet did not apply is said."""
    from ..profiles import load_profile

    loaded = load_profile(profile)
    if sheet is None:
        return loaded
    from ..profiles import load_sheet

    laid, told = load_sheet(sheet).lay(loaded)
    for words in told:
        click.echo(f"{sheet}: {words}", err=True)
    return laid

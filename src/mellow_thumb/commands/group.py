"""The group of commands, and what several of them need."""

from __future__ import annotations

import os
import sys
from contextlib import contextmanager
from pathlib import Path
from shutil import get_terminal_size
from textwrap import fill
from typing import TYPE_CHECKING, Any, TextIO

import click

from .. import __version__
from ..basics import FileError, MellowThumbError

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator

    from ..profiles import Profile
    from ..takes import Take


PATH = click.Path(path_type=Path)
"""The kind of an argument that names a file or a folder."""


class _Commands(click.Group):
    """Commands whose errors are reported in one place: bad input ends with exit code 1."""

    def invoke(self, ctx: click.Context) -> Any:
        try:
            return super().invoke(ctx)
        except MellowThumbError as error:
            for line in str(error).splitlines():
                say(line, err=True)
            if isinstance(error, FileError) and len(error.problems) > 1:
                say(f"{error.problems[0].file}: {len(error.problems)} problems", err=True)
            ctx.exit(1)


COLOURS = {"error": "red", "warning": "yellow", "note": "cyan"}
"""How bad a finding is, as a terminal shows it."""


def width_of(stream: TextIO) -> int:
    """The width of a terminal; 0 for anything else, whose lines are not wrapped."""
    return min(get_terminal_size().columns, 120) if stream.isatty() else 0


def say(text: str, *, err: bool = False) -> None:
    """Print a line; on a terminal in colour, and wrapped with a hanging indent."""
    width = width_of(sys.stderr if err else sys.stdout)
    if width and len(text) > width:
        begin = " " * (len(text) - len(text.lstrip()))
        text = fill(text, width, subsequent_indent=begin or "    ", break_on_hyphens=False)
    for level, colour in COLOURS.items():
        text = text.replace(f" {level}: ", f" {click.style(level, fg=colour)}: ", 1)
    click.echo(text, err=err, color=False if os.environ.get("NO_COLOR") else None)


@click.group(cls=_Commands, context_settings={"help_option_names": ["-h", "--help"]})
@click.version_option(__version__, message="mellow-thumb %(version)s")
def main() -> None:
    """Map what hands do to devices to camera axes, and see how it feels."""


def read(take: Path) -> Take:
    """Read a take, and print any notes on how it was read."""
    from ..takes import read_take

    recorded = read_take(take)
    for note in recorded.notes:
        click.echo(f"{take}: {note}", err=True)
    return recorded


@contextmanager
def shown_progress(what: str) -> Iterator[Callable[[float], None]]:
    """A progress bar, on a terminal only, for what may take over a second; call it with the share done."""
    if not sys.stderr.isatty():
        yield lambda _: None
        return
    with click.progressbar(length=1000, label=what, file=sys.stderr) as bar:
        yield lambda done: bar.update(max(0, round(1000 * done) - bar.pos))


player = click.option(
    "--player",
    type=PATH,
    metavar="SHEET",
    help="Apply a player's sheet first.",
)
"""The option of every command that reads a profile."""


def load(profile: Path, sheet: Path | None) -> Profile:
    """Read a profile with a player's sheet laid over it, and print what of the sheet did not apply."""
    from ..profiles import load_profile

    loaded = load_profile(profile)
    if sheet is None:
        return loaded
    from ..profiles import load_sheet

    laid, told = load_sheet(sheet).lay(loaded)
    for words in told:
        click.echo(f"{sheet}: {words}", err=True)
    return laid

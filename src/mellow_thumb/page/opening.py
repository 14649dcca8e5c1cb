"""Opening the page: what a program calls, and what it needs."""

from __future__ import annotations

import threading
from contextlib import contextmanager, suppress
from importlib.util import find_spec
from typing import TYPE_CHECKING

from ..basics import MissingError, listed

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Iterator, Sequence

    from ..profiles import Profile
    from .room import Room


NEEDED = ("cryptography", "segno", "starlette", "uvicorn", "websockets")
"""What the extra ``page`` brings."""


class Page:
    """A page that is being served, on which a profile is felt."""

    def __init__(self, address: str, room: Room, nearby: str = "", fingerprint: str = "") -> None:
        self.address = address
        """What to open in a browser; it holds the token that lets one in."""
        self.nearby = nearby
        """What to open on a device nearby, once; empty unless it was asked for."""
        self.fingerprint = fingerprint
        """SHA-256 of the certificate that it is shown there."""
        self._room = room

    @property
    def profile(self) -> Profile:
        """The profile that plays, with what was changed on the page."""
        return self._room.desk.profile

    @property
    def refused(self) -> tuple[str, ...]:
        """What pages said that was refused, in words: the last hundred."""
        return tuple(self._room.refused)


@contextmanager
def serving(
    profile: str | os.PathLike[str],
    *,
    player: str | os.PathLike[str] | None = None,
    take: str | os.PathLike[str] | None = None,
    port: int = 0,
    lan: str | None = None,
) -> Iterator[Page]:
    """Serve a page on which a profile is felt, for as long as the block runs; gives the :class:`Page`.

    `profile` is the file, which *keep* on the page writes to; `player` is a player's sheet, which *keep as
    sheet* writes to or makes; `take` is a recording to begin with. It listens on this machine only
    (127.0.0.1), at any free `port` unless one is given. It needs the extra ``page`` (``pip install
    'mellow-thumb[page]'``).

    With `lan` it also serves one device nearby, such as a phone, at that address of this machine, or for
    ``""`` at its address in the network: with TLS, a certificate made for this run, a token that works once,
    and a session of its own.

    Raises :class:`ProfileError`, :class:`SheetError` and :class:`TakeError` as reading does,
    :class:`OutputError` if the port is taken, and :class:`MissingError` without the extra.
    """
    _check_needed()
    from .server import running

    with running(profile, player=player, take=take, port=port, lan=lan) as served:
        yield Page(*served)


def _check_needed() -> None:
    """Refuse to begin without what the page needs."""
    missing = [name for name in NEEDED if find_spec(name) is None]
    if missing:
        raise MissingError(f"the page needs {listed(missing, 'and')}: pip install 'mellow-thumb[page]'")


@contextmanager
def serving_trial(
    profiles: Sequence[str | os.PathLike[str]],
    folder: str | os.PathLike[str],
    *,
    rounds: int | None = None,
    tasks: Sequence[str] = (),
    port: int = 0,
) -> Iterator[str]:
    """Serve a page on which settings are compared blind, while the block runs; gives its address.

    `profiles` are the files of two settings or more, `folder` a new one, or that of a trial to go on with.
    Each setting is played for so many `rounds`, an even number; 8 unless stated. `tasks` are of ``aim``,
    ``pan``, ``zoom``, ``follow``, ``walk`` and ``cue``, and the first one decides; without any it is the
    first that all of the profiles can do. It needs the extra ``page``.

    Raises :class:`ArgumentError` for settings that cannot be compared, :class:`TrialError` for a folder that
    holds another trial, and else what :func:`serving` does.
    """
    _check_needed()
    from ..insight.trials import Trial
    from .server import running_trial

    trial = Trial.at(folder, profiles, pairs=rounds, tasks=tasks)
    trial.rounds()  # those that are there are worked out before anybody waits for them
    with running_trial(trial, port=port) as address:
        yield address


def serve_trial(
    profiles: Sequence[str | os.PathLike[str]],
    folder: str | os.PathLike[str],
    *,
    rounds: int | None = None,
    tasks: Sequence[str] = (),
    port: int = 0,
    browser: bool = True,
    tell: Callable[[str], object] = print,
) -> None:
    """Serve a page on which settings are compared blind, until Ctrl-C, as :func:`serving_trial` says."""
    with (
        serving_trial(profiles, folder, rounds=rounds, tasks=tasks, port=port) as address,
        suppress(KeyboardInterrupt),
    ):
        tell(address)
        _wait_at(address, browser=browser)


def _wait_at(address: str, *, browser: bool) -> None:
    """Open an address in a `browser`, if there is one, and wait for ever."""
    import webbrowser

    if browser:
        webbrowser.open(address)
    threading.Event().wait()


def serve(
    profile: str | os.PathLike[str],
    *,
    player: str | os.PathLike[str] | None = None,
    take: str | os.PathLike[str] | None = None,
    port: int = 0,
    lan: str | None = None,
    browser: bool = True,
    tell: Callable[[str], object] = print,
) -> None:
    """Serve a page on which a profile is felt, until Ctrl-C.

    It is opened in a `browser` if there is one, and its address is printed. The rest is as for
    :func:`serving`.
    """
    from .nearby import scanned

    with (
        serving(profile, player=player, take=take, port=port, lan=lan) as page,
        suppress(KeyboardInterrupt),
    ):
        tell(page.address)
        if page.nearby:
            code = scanned(page.nearby)
            tell(f"{page.nearby}\n{code}made for this run, its certificate is {page.fingerprint}")
        _wait_at(page.address, browser=browser)

"""A picture of the page, taken by a headless browser."""

from __future__ import annotations

import os
import shutil
import subprocess
import tempfile
from pathlib import Path
from typing import TYPE_CHECKING

from ..basics import MissingError, OutputError, replacing
from .opening import serving

if TYPE_CHECKING:
    Name = str | os.PathLike[str]

BROWSERS = ("chromium", "chromium-browser", "google-chrome", "chrome", "msedge")
"""Programs that take pictures of pages by the same options, on the path."""
NAMED = "MELLOW_THUMB_BROWSER"
"""The environment variable that names another."""
SIZE = (1280, 800)
SHOWN = 8000
"""Milliseconds of the page's own time before the picture is taken."""
PATIENCE = 120.0
"""Seconds after which a browser is given up."""


def shoot(profile: Name, picture: Name, *, player: Name | None = None, take: Name | None = None) -> None:
    """Write a picture of the page (PNG, 1280 by 800), as it is after playing a take.

    Raises :class:`MissingError` without a browser, :class:`OutputError` where it cannot be written, and what
    :func:`serving` does.
    """
    if Path(picture).suffix.lower() != ".png":
        raise OutputError(f'{picture}: found the suffix "{Path(picture).suffix}"; expected NAME.png')
    browser = os.environ.get(NAMED) or next(filter(None, map(shutil.which, BROWSERS)), None)
    if browser is None:
        raise MissingError(f"a picture of the page needs Chromium on the path, or {NAMED}=PROGRAM")
    with (
        serving(profile, player=player, take=take) as page,
        replacing(picture) as fresh,
        tempfile.TemporaryDirectory() as folder,
    ):
        options = [
            "--headless=new", "--hide-scrollbars", f"--window-size={SIZE[0]},{SIZE[1]}", "--no-first-run",
            f"--user-data-dir={folder}", "--use-gl=angle", "--use-angle=swiftshader",
            "--enable-unsafe-swiftshader", f"--virtual-time-budget={SHOWN}", f"--screenshot={fresh}",
        ]  # fmt: skip
        # a browser's sandbox does not start for the superuser, as in a build
        options += ["--no-sandbox"] if hasattr(os, "geteuid") and os.geteuid() == 0 else []
        try:
            done = subprocess.run(
                [browser, *options, page.address],
                capture_output=True,
                text=True,
                timeout=PATIENCE,
                check=False,
            )
        except (OSError, subprocess.TimeoutExpired) as error:
            raise OutputError(f"{picture}: {browser} took no picture: {error}") from None
        if done.returncode or not fresh.stat().st_size:
            last = (done.stderr.strip().splitlines() or ["it said nothing"])[-1]
            raise OutputError(f"{picture}: {browser} took no picture: {last}")

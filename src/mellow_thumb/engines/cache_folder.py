"""The folder that keeps compiled programs, and what must hold before anything in it is loaded.

Loading a library runs it. So the folder is used only if nobody else can write to it, and a file in it
only if it is, byte for byte, what was put there.
"""

from __future__ import annotations

import json
import os
import shutil
import stat
import sys
import time
import warnings
from contextlib import suppress
from hashlib import sha256
from importlib.util import find_spec
from pathlib import Path
from typing import Any

from ..basics import replacing

VARIABLE = "MELLOW_THUMB_CACHE"
"""The environment variable that names another folder; empty for none."""
SUFFIX = ".dll" if sys.platform == "win32" else ".so"
"""What a library's file ends with."""
WORK, STALE = ".work-", 86400.0
"""What a folder is called in which something is compiled; after so many seconds nobody does so any more."""
MOST = 100
"""How many compiled programs are kept; the one that was used longest ago goes first."""


def private_folder() -> Path | None:
    """The folder, made if it is not there; None, with a warning, if it cannot be used safely.

    Nothing is kept unless a folder is named or the extra ``fast`` is installed.
    """
    wanted = os.environ.get(VARIABLE)
    if wanted == "" or (wanted is None and not find_spec("platformdirs")):
        return None
    if wanted:
        folder = Path(wanted).absolute()
    else:
        from platformdirs import user_cache_path

        folder = user_cache_path("mellow-thumb", appauthor=False)
    try:
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        fault = _fault(folder)
    except OSError as error:
        fault = f"it cannot be made: {(error.strerror or str(error)).lower()}"
    if not fault:
        return folder
    warnings.warn(
        f"{folder}: {fault}, so what is compiled is not kept; set {VARIABLE} to a folder of your own",
        RuntimeWarning,
        stacklevel=2,
    )
    return None


def _fault(folder: Path) -> str:
    """Why a folder is not ours alone; empty if it is, or if files have no owners on this system."""
    if not hasattr(os, "getuid"):
        return ""
    found = folder.lstat()
    if stat.S_ISLNK(found.st_mode):
        return "it is a symbolic link"
    if found.st_uid != os.getuid():
        return "it belongs to somebody else"
    if found.st_mode & (stat.S_IWGRP | stat.S_IWOTH):
        return f"others can write to it (mode {stat.S_IMODE(found.st_mode):04o})"
    for parent in folder.resolve().parents:
        found = parent.stat()
        if found.st_uid not in (0, os.getuid()):
            return f"{parent} belongs to somebody else"
        if found.st_mode & stat.S_IWOTH and not found.st_mode & stat.S_ISVTX:
            return f"others can write to {parent} (mode {stat.S_IMODE(found.st_mode):04o})"
    return ""


def find(folder: Path, name: str) -> Path | None:
    """A kept library, if it is unchanged since it was put there."""
    library = folder / f"{name}{SUFFIX}"
    try:
        seal = json.loads((folder / f"{name}.json").read_bytes())
        if not isinstance(seal, dict) or seal.get("sha256") != _sum(library):
            return None
        (folder / f"{name}.json").touch()
    except (OSError, ValueError, RecursionError):
        return None
    return library


def keep(folder: Path, name: str, made: Path) -> Path:
    """Keep a library that was made in this folder, and make room for it; returns its path.

    Raises :class:`OSError` or :class:`OutputError` where it cannot be kept.
    """
    library = folder / f"{name}{SUFFIX}"
    whole = _sum(made)
    made.replace(library)
    with replacing(folder / f"{name}.json") as fresh:
        fresh.write_text(json.dumps({"sha256": whole}), encoding="utf-8")
    for old in sorted(folder.glob("woven_*.json"), key=lambda path: path.stat().st_mtime)[:-MOST]:
        remove(folder, old.stem)
    for left in folder.glob(f"{WORK}*"):  # by a process that was ended half-way
        if time.time() - left.stat().st_mtime > STALE:
            shutil.rmtree(left, ignore_errors=True)
    return library


def write_note(folder: Path, key: str, note: dict[str, Any]) -> None:
    """Write down what is known of a program's engine, with a checksum."""
    words = json.dumps(note)
    with replacing(folder / f"{key}.json") as fresh:
        fresh.write_text(f"{sha256(words.encode()).hexdigest()}\n{words}", encoding="utf-8")
    for old in sorted(folder.glob("program_*.json"), key=lambda path: path.stat().st_mtime)[: -10 * MOST]:
        with suppress(OSError):
            old.unlink(missing_ok=True)


def read_note(folder: Path, key: str) -> dict[str, Any] | None:
    """What is known of a program's engine; None if there is nothing, or it is damaged."""
    try:
        whole, _, words = (folder / f"{key}.json").read_text(encoding="utf-8").partition("\n")
    except (OSError, ValueError):
        return None
    found: dict[str, Any] | None = json.loads(words) if whole == sha256(words.encode()).hexdigest() else None
    return found


def remove(folder: Path, name: str) -> None:
    """Remove all that is kept of a library."""
    for ending in (".json", SUFFIX, ".lock"):
        with suppress(OSError):  # another process may have been quicker, or have it open
            (folder / f"{name}{ending}").unlink(missing_ok=True)


def _sum(library: Path) -> str:
    """A file's checksum; raises :class:`OSError` for a link, or what is not a file."""
    if library.is_symlink():
        raise OSError(f"{library}: a link")
    return sha256(library.read_bytes()).hexdigest()

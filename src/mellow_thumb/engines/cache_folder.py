"""The folder in which compiled programs are kept, and what must be true before anything in it is loaded.

What is compiled is kept as numba keeps it, and to load that is to run it. So the folder is used only if
nobody else can write to it, and what lies in it only if it is, byte for byte, what was put there.
"""

from __future__ import annotations

import json
import os
import stat
import warnings
from hashlib import sha256
from pathlib import Path

from ..basics import MellowThumbError, replacing

VARIABLE = "MELLOW_THUMB_CACHE"
"""The environment variable that names another folder; empty for none."""
MOST = 100
"""How many compiled programs are kept; the one that was used longest ago goes first."""


def private_folder() -> Path | None:
    """The folder, made if it is not there; None, with a warning, if it cannot be used safely."""
    wanted = os.environ.get(VARIABLE)
    if wanted == "":
        return None
    from platformdirs import user_cache_path

    folder = Path(wanted).absolute() if wanted else user_cache_path("mellow-thumb", appauthor=False)
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
    """Why a folder is not ours alone; nothing if it is, or if files have no owners on this system."""
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


def prepare(folder: Path, name: str, text: str) -> Path | None:
    """The file of a module with this text, whatever is kept for it checked; None if it cannot be written."""
    source = folder / f"{name}.py"
    try:
        if not is_kept(folder, name) or source.read_text(encoding="utf-8") != text:
            remove(folder, name)
            with replacing(source) as fresh:
                fresh.write_text(text, encoding="utf-8")
    except (OSError, MellowThumbError):
        return None
    return source


def seal(folder: Path, name: str) -> None:
    """Write down what is kept for a module, to be compared before it is loaded; make room for it."""
    try:
        with replacing(folder / f"{name}.json") as fresh:
            fresh.write_text(json.dumps(_sums(folder, name)), encoding="utf-8")
        for old in sorted(folder.glob("woven_*.json"), key=lambda path: path.stat().st_mtime)[:-MOST]:
            remove(folder, old.stem)
    except (OSError, MellowThumbError):
        remove(folder, name)


def remove(folder: Path, name: str) -> None:
    """Remove all that is kept for a module."""
    for path in (folder / f"{name}.json", *_files(folder, name)):
        path.unlink(missing_ok=True)


def _files(folder: Path, name: str) -> list[Path]:
    """The text of a module and what numba made of it."""
    return sorted([*folder.glob(f"{name}.py"), *(folder / "__pycache__").glob(f"{name}.*")])


def _sums(folder: Path, name: str) -> dict[str, str]:
    return {path.name: sha256(path.read_bytes()).hexdigest() for path in _files(folder, name)}


def is_kept(folder: Path, name: str) -> bool:
    """Whether a module was compiled before and all of it is as it was."""
    try:
        found = json.loads((folder / f"{name}.json").read_bytes())
        whole = isinstance(found, dict) and len(found) > 1 and found == _sums(folder, name)
    except (OSError, ValueError, RecursionError):
        return False
    if whole:
        (folder / f"{name}.json").touch()
    return whole

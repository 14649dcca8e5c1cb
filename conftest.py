"""Every snippet of the docs is run, page by page: Python as it stands, profiles by loading them."""

from __future__ import annotations

import os
import shutil
import tempfile
from pathlib import Path
from typing import Any

from sybil import Example, Sybil
from sybil.parsers.markdown import CodeBlockParser, PythonCodeBlockParser, SkipParser

from mellow_thumb import load_profile, marsh

HOME = Path.cwd()


def load_snippet(example: Example) -> None:
    """A TOML snippet is a whole profile; its first line may name the file that it is."""
    first = str(example.parsed).partition("\n")[0]
    file = Path(
        first.removeprefix("# ") if first.startswith("# ") and first.endswith(".toml") else "snippet.toml"
    )
    file.write_text(example.parsed, encoding="utf-8")
    load_profile(file)


def demo_files(example: Example) -> None:
    """Of a shell's commands the one is run that gets a page the files that it uses."""
    if any(
        line.partition("#")[0].strip() == "mellow-thumb demo --files"
        for line in str(example.parsed).splitlines()
    ):
        for file in (file for scene in marsh.SCENES for file in scene):
            shutil.copy(file, Path.cwd())


def into_a_folder(namespace: dict[str, Any]) -> None:
    """Run a page's snippets as it is read, top to bottom, in an empty folder of its own."""
    folder = Path(tempfile.mkdtemp())
    os.chdir(folder)
    namespace["__folder__"], namespace["__screen__"] = folder, os.environ.get("SDL_VIDEODRIVER")
    os.environ["SDL_VIDEODRIVER"] = "dummy"  # a window that nobody sees


def home_again(namespace: dict[str, Any]) -> None:
    """Leave the folder and remove it."""
    os.chdir(HOME)
    if (before := namespace["__screen__"]) is None:
        del os.environ["SDL_VIDEODRIVER"]
    else:
        os.environ["SDL_VIDEODRIVER"] = before
    shutil.rmtree(namespace["__folder__"])


pytest_collect_file = Sybil(
    parsers=[
        PythonCodeBlockParser(),
        CodeBlockParser(language="toml", evaluator=load_snippet),
        CodeBlockParser(language="sh", evaluator=demo_files),
        SkipParser(),
    ],
    patterns=["*.md"],
    setup=into_a_folder,
    teardown=home_again,
).pytest()

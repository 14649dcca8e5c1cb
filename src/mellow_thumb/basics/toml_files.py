"""TOML with places: what a file says, and on which line it says it."""

from __future__ import annotations

import re
import tomllib
from typing import TYPE_CHECKING, Any

from .errors import Problem

if TYPE_CHECKING:
    from collections.abc import Iterator

    from tree_sitter import Node

    from .errors import FileError

Path = tuple[str | int, ...]
"""Where a value stands: keys, and numbers for the places in an array."""

_PLACE = re.compile(r" \(at (?:line (\d+), column (\d+)|end of document)\)$")


DEEPEST = 64
"""So many tables or arrays may stand in each other."""
_WORD = "A-Za-z0-9_-"
_PART = rf"""(?:"[^"\n]*+"|'[^'\n]*+'|(?<![{_WORD}])[{_WORD}]++)[ \t]*+"""
_DOTTED = re.compile(rf"(?:{_PART}\.[ \t]*+){{{DEEPEST + 1}}}")
"""A key of too many parts."""


def syntax_problem(file: str, text: str, error: tomllib.TOMLDecodeError) -> Problem:
    """A parser's error as a problem, with its line."""
    words = str(error)
    place = _PLACE.search(words)
    line = int(place[1]) if place and place[1] else max(text.count("\n"), 1)
    column = f" at column {place[2]}" if place and place[2] else ""
    message = _PLACE.sub("", words)
    if message.startswith("Expected "):
        return Problem(file, line, "", f"something else{column}", message.removeprefix("Expected "))
    return Problem(file, line, "", f"{message[:1].lower()}{message[1:]}{column}", "TOML 1.0")


def parse(file: str, text: str, refuse: type[FileError]) -> tuple[dict[str, Any], Places]:
    """What a TOML text says, and on which lines; errors are raised as `refuse`, with their line."""
    try:
        if _DOTTED.search(text):  # which takes the parser a time that grows with its square
            raise RecursionError
        data = tomllib.loads(text)
        wide = next(_wide(data), None)
        places = Places(text)
    except tomllib.TOMLDecodeError as error:
        raise refuse([syntax_problem(file, text, error)]) from None
    except RecursionError:
        wanted = f"at most {DEEPEST} tables or arrays in each other"
        raise refuse.single(file, 0, "tables or arrays nested very deeply", wanted) from None
    except ValueError:
        raise refuse.single(file, 0, "a number of thousands of digits", "one that fits in 64 bits") from None
    if wide:
        where = ".".join(map(str, wide))
        line = places.line(wide)
        raise refuse.single(
            file, line, "a whole number that does not fit in 64 bits", "one that does", where=where
        )
    return data, places


def _wide(value: Any, path: Path = ()) -> Iterator[Path]:
    """Where there are integers too large for TOML; RecursionError for what is nested too deeply."""
    if len(path) > DEEPEST:
        raise RecursionError
    if isinstance(value, dict):
        for key, one in value.items():
            yield from _wide(one, (*path, key))
    elif isinstance(value, list):
        for k, one in enumerate(value):
            yield from _wide(one, (*path, k))
    elif isinstance(value, int) and not -(2**63) <= value < 2**63:
        yield path


class Places:
    """The line, counted from 1, on which each table, key and value of a TOML text stands."""

    def __init__(self, text: str) -> None:
        import tree_sitter_toml
        from tree_sitter import Language, Parser

        self._lines: dict[Path, int] = {}
        self._arrays: dict[Path, int] = {}
        root = Parser(Language(tree_sitter_toml.language())).parse(text.encode()).root_node
        for node in root.named_children:
            if node.type == "pair":
                self._pair((), node)
            elif node.type in ("table", "table_array_element"):
                self._table(node)

    def line(self, path: Path) -> int:
        """The line of a path, or of the nearest table around it that is there; 0 for an empty file."""
        for length in range(len(path), 0, -1):
            if path[:length] in self._lines:
                return self._lines[path[:length]]
        return 0

    def _note(self, path: Path, node: Node) -> None:
        self._lines.setdefault(path, node.start_point[0] + 1)

    def _table(self, node: Node) -> None:
        name, *pairs = [child for child in node.named_children if child.type != "comment"]
        path = self._inside(_keys(name))
        if node.type == "table_array_element":
            count = self._arrays.get(path, 0)
            self._arrays[path] = count + 1
            self._note(path, name)
            path = (*path, count)
        self._trail(path, name)
        for pair in pairs:
            self._pair(path, pair)

    def _inside(self, keys: Path) -> Path:
        """A table's path, with the place in each array of tables that it goes through."""
        path: Path = ()
        for key in keys:
            if path in self._arrays:
                path = (*path, self._arrays[path] - 1)
            path = (*path, key)
        return path

    def _trail(self, path: Path, node: Node) -> None:
        for length in range(1, len(path) + 1):
            self._note(path[:length], node)

    def _pair(self, path: Path, node: Node) -> None:
        children = [child for child in node.named_children if child.type != "comment"]
        if len(children) < 2:
            return
        keys = _keys(children[0])
        for length in range(1, len(keys) + 1):
            self._note((*path, *keys[:length]), children[0])
        self._value((*path, *keys), children[1])

    def _value(self, path: Path, node: Node) -> None:
        inner = [child for child in node.named_children if child.type != "comment"]
        if node.type == "inline_table":
            for pair in inner:
                self._pair(path, pair)
        elif node.type == "array":
            for place, element in enumerate(inner):
                self._note((*path, place), element)
                self._value((*path, place), element)


def _keys(node: Node) -> Path:
    """The keys that a bare, quoted or dotted key stands for."""
    if node.type == "dotted_key":
        return tuple(key for child in node.named_children for key in _keys(child))
    text = (node.text or b"").decode()
    return (text if node.type == "bare_key" else next(iter(tomllib.loads(f"{text} = 0"))),)

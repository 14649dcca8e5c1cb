"""Weaving: formulas, taken as syntax trees, become lines of one flat program.

A :class:`Block` collects lines that run one after another. Calling a formula in it writes the formula's
own statements there, with constants in place and local names made unique; a step equal to one that
already stands in the block is shared, not repeated. Nothing but numbers and the library's own
identifiers ever enters the text: what a profile calls things never does.
"""

from __future__ import annotations

import ast
import inspect
import math
import re
import textwrap
from collections import Counter
from functools import cache
from typing import TYPE_CHECKING, Any, NamedTuple

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Mapping

MATHS = {
    name: getattr(math, name) for name in ("atan", "atan2", "ceil", "cos", "exp", "log", "sin", "sqrt", "tan")
}
"""What woven text may call."""


class Names:
    """Hands out identifiers, each once in a program."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = {*MATHS, *taken}
        self._last: dict[str, int] = {}
        """For each wish, the last number that it took: all before it are taken."""

    def take(self, names: Iterable[str]) -> None:
        """Take names that were made elsewhere."""
        self._taken.update(names)

    def fresh(self, wish: str) -> str:
        """`wish` itself, or with the first number that makes it new."""
        number = self._last.get(wish, 1)
        name = wish if number == 1 else f"{wish}_{number}"
        while name in self._taken:
            number += 1
            name = f"{wish}_{number}"
        self._taken.add(name)
        self._last[wish] = number
        return name


_NAME = re.compile(r"(?<![\w.])([A-Za-z_]\w*)")
_ATOM = re.compile(r"[A-Za-z_]\w*|\d[\w.]*(?:e-?\d+)?")


class _Formula(NamedTuple):
    """A formula as text: its parameters, its statements as (target, expression), what it returns."""

    values: tuple[str, ...]
    constants: tuple[str, ...]
    body: tuple[tuple[str, str], ...]
    results: tuple[str, ...]
    uses: Counter[str]
    """How often each name is read."""


@cache
def _read(formula: Callable[..., object]) -> _Formula:
    """Take a formula apart, by its syntax tree."""
    tree = ast.parse(textwrap.dedent(inspect.getsource(formula))).body[0]
    assert isinstance(tree, ast.FunctionDef)
    *body, last = [line for line in tree.body if not isinstance(line, ast.Expr)]
    assert isinstance(last, ast.Return)
    assert last.value is not None
    results = last.value.elts if isinstance(last.value, ast.Tuple) else [last.value]
    texts = []
    for line in body:
        target = line.targets[0] if isinstance(line, ast.Assign) else getattr(line, "target", None)
        assert isinstance(line, ast.Assign | ast.AnnAssign)
        assert target is not None
        assert line.value is not None
        texts.append((ast.unparse(target), ast.unparse(line.value)))
    returned = tuple(map(ast.unparse, results))
    return _Formula(
        tuple(a.arg for a in tree.args.args),
        tuple(a.arg for a in tree.args.kwonlyargs),
        tuple(texts),
        returned,
        Counter(name for text in (*(value for _, value in texts), *returned) for name in _NAME.findall(text)),
    )


@cache
def _pieces(text: str) -> tuple[str, ...]:
    """A formula's expression in pieces: every other one is a name."""
    return tuple(_NAME.split(text))


def _filled(text: str, replace: Mapping[str, str]) -> str:
    """A formula's expression with its names replaced."""
    pieces = [*_pieces(text)]
    pieces[1::2] = [replace.get(name, name) for name in pieces[1::2]]
    return "".join(pieces)


def _held(expression: str) -> str:
    """An expression that can stand anywhere: in brackets, unless it is a name or a number."""
    return expression if _ATOM.fullmatch(expression) else f"({expression})"


@cache
def _reads(expression: str) -> frozenset[str]:
    return frozenset(_NAME.findall(expression))


class Block:
    """Lines of woven text that run one after another."""

    def __init__(self, names: Names) -> None:
        self.lines: list[str] = []
        self.assigned: set[str] = set()
        self._names = names
        self._shared: dict[tuple[Any, ...], tuple[tuple[str, ...], frozenset[str]]] = {}
        """For each step, the names that it gave, and all names that it gave or used."""

    def note(self, words: str) -> None:
        """Write a comment; `words` are the library's own, never a profile's."""
        self.lines.append(f"# {words}")

    def set(self, target: str, expression: str) -> None:
        """Write ``target = expression``."""
        self.lines.append(f"{target} = {expression}")
        self._forget([target])

    def call(
        self, formula: Callable[..., object], *values: str, into: tuple[str, ...] = (), **constants: float
    ) -> tuple[str, ...]:
        """Write a formula's own lines here and return the names that hold its results.

        `values` are expressions for its positional parameters, `constants` the numbers for its
        keyword-only ones. Results go to the names in `into`, else to new ones; in that case a call with
        the same arguments, none of them assigned since, gives the earlier names and writes nothing.
        """
        key = (formula, values, tuple(sorted(constants.items())))
        if not into and key in self._shared:
            return self._shared[key][0]
        read = _read(formula)
        if set(constants) != set(read.constants) or len(values) != len(read.values):
            raise TypeError(
                f"{formula} takes {read.values} and {read.constants}, not {values} and {constants}"
            )
        replace = {name: _held(number(constants[name])) for name in read.constants}
        for parameter, value in zip(read.values, values, strict=True):
            replace[parameter] = self._argument(parameter, value, read.uses[parameter])
        for target, expression in read.body:
            words = _filled(expression, replace)
            replace[target] = self._names.fresh(target)
            self.lines.append(f"{replace[target]} = {words}")
        results = into or self._results(formula, len(read.results))
        self.lines.append(f"{', '.join(results)} = {', '.join(_filled(r, replace) for r in read.results)}")
        self._forget(results)
        if not into:
            self._shared[key] = (results, frozenset(results).union(*map(_reads, values)))
        return results

    def _argument(self, parameter: str, value: str, uses: int) -> str:
        """An argument as it is put in place; with a name of its own if it would be worked out twice."""
        if _ATOM.fullmatch(value) or uses <= 1:
            return _held(value)
        name = self._names.fresh(parameter)
        self.set(name, value)
        return name

    def inner(self) -> Block:
        """A block that may be written here with :meth:`when`: what this one has worked out, it knows."""
        block = Block(self._names)
        block._shared = dict(self._shared)
        return block

    def add(self, inner: Block) -> None:
        """Write an inner block's lines here; what it has worked out, this one knows."""
        self.lines += inner.lines
        self.assigned |= inner.assigned
        self._shared = inner._shared

    def when(self, condition: str, inner: Block, otherwise: Block | None = None) -> None:
        """Write another block's lines here, to run only when a condition holds; a third's if it does not."""
        self.lines += [f"if {condition}:", *(f"    {line}" for line in inner.lines)]
        if otherwise is not None:
            self.lines += ["else:", *(f"    {line}" for line in otherwise.lines or ["pass"])]
        self._forget(inner.assigned | (otherwise.assigned if otherwise else set()))

    def _results(self, formula: Callable[..., object], count: int) -> tuple[str, ...]:
        wish = formula.__name__
        return tuple(self._names.fresh(wish) for _ in range(count))

    def _forget(self, targets: Iterable[str]) -> None:
        """Steps that used or gave a name are no longer equal once that name is assigned."""
        changed = set(targets)
        self.assigned |= changed
        self._shared = {key: step for key, step in self._shared.items() if changed.isdisjoint(step[1])}


def read_names(*expressions: str) -> frozenset[str]:
    """The names that woven expressions read."""
    return frozenset().union(*map(_reads, expressions))


def number(value: float) -> str:
    """A number as it stands in woven text; it reads back to the same bits."""
    return repr(float(value))


def fill(template: str, **parts: str | list[str]) -> str:
    """Put parts into a template: a list of lines where ``{name}`` stands alone on a line, else text."""
    lines: list[str] = []
    for line in textwrap.dedent(template).strip("\n").split("\n"):
        part = parts.get(line.strip()[1:-1]) if line.strip().startswith("{") else None
        if isinstance(part, list):
            pad = line[: len(line) - len(line.lstrip())]
            lines += [pad + inner for inner in part]
        else:
            lines.append(line.format_map({k: v for k, v in parts.items() if isinstance(v, str)}))
    return "\n".join(lines) + "\n"


def compile_text(text: str, name: str) -> Any:
    """Compile woven text and return its function `name`; tracebacks show the woven lines."""
    import hashlib
    import linecache

    file = f"<woven {hashlib.sha256(text.encode()).hexdigest()[:12]}>"
    linecache.cache[file] = (len(text), None, text.splitlines(keepends=True), file)
    space: dict[str, Any] = dict(MATHS)
    exec(compile(text, file, "exec"), space)
    return space[name]

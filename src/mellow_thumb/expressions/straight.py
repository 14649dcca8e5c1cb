"""Formulas as values: an ordinary function becomes an expression, if it is straight-line code."""

from __future__ import annotations

import ast
import linecache
import math
import operator
from collections import Counter
from functools import cache
from typing import TYPE_CHECKING, NamedTuple

from ..basics import FormulaError
from .parameters import SIGNS, worked_out
from .values import (
    Call,
    Choice,
    Junction,
    Name,
    Negative,
    Number,
    Operation,
    Opposite,
    Relation,
    Template,
    Truth,
    Word,
)

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator, Mapping

    from .values import Value

    Formula = Callable[..., object]

MATHS = {
    name: getattr(math, name) for name in ("atan", "atan2", "ceil", "cos", "exp", "log", "sin", "sqrt", "tan")
}
"""What a formula may call, beside ``abs``."""

_SIGNS: dict[type, str] = {
    ast.Add: "+", ast.Sub: "-", ast.Mult: "*", ast.Div: "/", ast.Pow: "**", ast.Lt: "<", ast.LtE: "<=",
    ast.Gt: ">", ast.GtE: ">=", ast.Eq: "==", ast.NotEq: "!=",
}  # fmt: skip


class Straight(NamedTuple):
    """A formula as values of its parameters."""

    values: tuple[str, ...]
    """Its positional parameters: what changes as the program runs."""
    constants: tuple[str, ...]
    """Its keyword-only parameters: numbers that a profile fixes."""
    fixed: tuple[tuple[str, Value], ...]
    """What is made of numbers alone, each under a name that nothing else has, those before it included."""
    body: tuple[tuple[str, Template], ...]
    """Its statements: the name that each assigns, and what to."""
    results: tuple[Template, ...]
    uses: Counter[str]
    """How often each name is read."""
    names: frozenset[str]
    """Those of the constants."""

    def worked_out(self, numbers: Mapping[str, float]) -> dict[str, float]:
        """Its numbers, and what depends on them alone, worked out now and not as the program runs."""
        found = dict(numbers)
        for name, made in self.fixed:
            found[name] = _worked_out(made, found)
        return found


def _worked_out(made: Value, known: Mapping[str, float]) -> float:
    """An expression of numbers as one number."""
    if isinstance(made, Name):
        return known[made.name]
    if isinstance(made, Number):
        return made.value
    numbers = [_worked_out(part, known) for part in made.parts]
    if isinstance(made, Operation):
        return worked_out(SIGNS[made.sign], *numbers)
    if isinstance(made, Negative):
        return worked_out(operator.neg, *numbers)
    assert isinstance(made, Call)
    return worked_out(_WORKS[made.function], *numbers)


def _ceil(number: float) -> float:
    return float(math.ceil(number))


_WORKS = {**MATHS, "abs": abs, "ceil": _ceil}
"""What works each function out, as a float."""


@cache
def check_formula(formula: Formula, known: frozenset[str] = frozenset()) -> Straight:
    """Check and read a formula: assignments to new names, ternaries, mathematics, one return at its end.

    `known` are the positional parameters that are also numbers where it is written out.

    Raises :class:`FormulaError` with file and line for anything else: branches, loops, calls of helpers and
    second assignments cannot be written out in the middle of another program.
    """
    return _Reader(formula, known).read()


@cache
def _functions(file: str) -> dict[int, ast.FunctionDef]:
    """The functions of a file, by their first lines; each file is parsed once."""
    tree = ast.parse("".join(linecache.getlines(file)))
    return {node.lineno: node for node in _statements(tree.body) if isinstance(node, ast.FunctionDef)}


def _statements(body: list[ast.stmt]) -> Iterator[ast.stmt]:
    """Statements and those inside them; not expressions, which are most of a tree."""
    for node in body:
        yield node
        yield from _statements(getattr(node, "body", []))


class _Reader:
    """Reads the syntax tree of one formula."""

    def __init__(self, formula: Formula, known: frozenset[str]) -> None:
        code = getattr(formula, "__code__", None)
        tree = _functions(code.co_filename).get(code.co_firstlineno) if code else None
        if code is None or tree is None:
            raise FormulaError(f"{formula}: found no function whose source is at hand; expected a formula")
        self.file, self.tree = code.co_filename, tree
        self.known = {one.arg for one in (*tree.args.args, *tree.args.kwonlyargs)}
        self.constant = {one.arg for one in tree.args.kwonlyargs} | known
        self.fixed: list[tuple[str, Value]] = []
        self.uses: Counter[str] = Counter()

    def refuse(self, node: ast.AST, found: str) -> FormulaError:
        """The error: what is wrong, and where."""
        where = f"{self.file}:{getattr(node, 'lineno', self.tree.lineno)}: {self.tree.name}"
        return FormulaError(f"{where}: found {found}; a formula is assignments to new names and one return")

    def read(self) -> Straight:
        """All of it."""
        arguments = self.tree.args
        if arguments.vararg or arguments.kwarg or arguments.defaults or arguments.posonlyargs:
            raise self.refuse(self.tree, "a parameter with a default, or any number of them")
        statements = self.tree.body
        if ast.get_docstring(self.tree) is not None:
            statements = statements[1:]
        *steps, last = statements or [self.tree]
        body = tuple(step for one in steps if (step := self.step(one)))
        if not isinstance(last, ast.Return) or last.value is None:
            raise self.refuse(last, f"{_called(last)} at the end")
        returned = last.value.elts if isinstance(last.value, ast.Tuple) else [last.value]
        results = tuple(Template(self.value(one)) for one in returned)
        return Straight(
            tuple(one.arg for one in arguments.args),
            tuple(one.arg for one in arguments.kwonlyargs),
            tuple(self.fixed),
            body,
            results,
            self.uses,
            frozenset(one.arg for one in arguments.kwonlyargs),
        )

    def step(self, node: ast.stmt) -> tuple[str, Template] | None:
        """One assignment; none if it only names a known number."""
        if not isinstance(node, ast.Assign | ast.AnnAssign) or node.value is None:
            raise self.refuse(node, _called(node))
        targets, value = (
            node.targets if isinstance(node, ast.Assign) else [node.target],
            self.value(node.value),
        )
        target = targets[0]
        if len(targets) > 1 or not isinstance(target, ast.Name):
            raise self.refuse(node, f"an assignment to {ast.unparse(target)}")
        if target.id in self.known:
            raise self.refuse(node, f"{target.id} assigned again")
        self.known.add(target.id)
        if isinstance(value, Word) and value.name in self.constant:
            self.constant.add(target.id)
            self.fixed.append((target.id, value))
            return None
        return target.id, Template(value)

    def value(self, node: ast.expr) -> Value:
        """One expression."""
        read = getattr(self, f"value_{type(node).__name__}", None)
        if read is None:
            raise self.refuse(node, _called(node))
        found: Value = read(node)
        if not (isinstance(found, Operation | Negative | Call) and found.names):
            return found
        return self.apart(found) if found.names <= self.constant else found

    def apart(self, made: Value) -> Word:
        """The number for an expression of constants only."""
        word = Word(f"{self.tree.name}: {made}")
        self.constant.add(word.name)
        self.fixed.append((word.name, made))
        return word

    def sign(self, node: ast.AST, of: ast.AST) -> str:
        """How an operator is written."""
        if type(of) not in _SIGNS:
            raise self.refuse(node, f"the operator {_called(of)}")
        return _SIGNS[type(of)]

    def value_Name(self, node: ast.Name) -> Value:
        """A parameter, or an earlier assignment."""
        if node.id not in self.known:
            raise self.refuse(node, f"{node.id}, which is no parameter and was not assigned before")
        self.uses[node.id] += 1
        return Word(node.id)

    def value_Constant(self, node: ast.Constant) -> Value:
        """A number, or True or False."""
        if isinstance(node.value, bool):
            return Truth(value=node.value)
        if not isinstance(node.value, float):
            raise self.refuse(node, f"{node.value!r}, which is no float")
        return Number(node.value)

    def value_BinOp(self, node: ast.BinOp) -> Value:
        """Two values with an operator between."""
        return Operation(self.sign(node, node.op), self.value(node.left), self.value(node.right))

    def value_UnaryOp(self, node: ast.UnaryOp) -> Value:
        """A minus, or ``not``."""
        if isinstance(node.op, ast.USub):
            return Negative(self.value(node.operand))
        if isinstance(node.op, ast.Not):
            return Opposite(self.value(node.operand))
        raise self.refuse(node, f"the operator {_called(node.op)}")

    def value_Compare(self, node: ast.Compare) -> Value:
        """A test of two values."""
        if len(node.ops) > 1:
            raise self.refuse(node, "a chain of comparisons")
        return Relation(
            self.sign(node, node.ops[0]), (self.value(node.left), self.value(node.comparators[0]))
        )

    def value_BoolOp(self, node: ast.BoolOp) -> Value:
        """Tests joined by ``and``, or by ``or``."""
        word = "and" if isinstance(node.op, ast.And) else "or"
        return Junction(word, tuple(map(self.value, node.values)))

    def value_IfExp(self, node: ast.IfExp) -> Value:
        """A ternary."""
        return Choice(self.value(node.test), self.value(node.body), self.value(node.orelse))

    def value_Call(self, node: ast.Call) -> Value:
        """A call of a mathematical function."""
        called = ast.unparse(node.func)
        if called not in {*MATHS, "abs"} or node.keywords:
            raise self.refuse(node, f"a call of {called}, which is not one of {', '.join(('abs', *MATHS))}")
        return Call(called, tuple(map(self.value, node.args)))


_CALLED = {
    "If": "an if", "For": "a loop", "While": "a loop", "Tuple": "a tuple",
    "AugAssign": "an assignment in place", "AnnAssign": "a type without a value",
    "Expr": "an expression that nobody keeps", "Return": "a return", "Assign": "an assignment",
}  # fmt: skip


def _called(node: ast.AST) -> str:
    """A kind of syntax, in words."""
    kind = type(node).__name__
    return _CALLED.get(kind, kind)

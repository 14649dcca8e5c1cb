"""From woven Python to C, statement by statement."""

from __future__ import annotations

import ast
from typing import TYPE_CHECKING

from ...expressions import number

if TYPE_CHECKING:
    from collections.abc import Iterable

_OPERATORS: dict[type, str] = {
    ast.Add: "+", ast.Sub: "-", ast.Mult: "*", ast.Div: "/", ast.And: "&&", ast.Or: "||", ast.Eq: "==",
    ast.NotEq: "!=", ast.Lt: "<", ast.LtE: "<=", ast.Gt: ">", ast.GtE: ">=", ast.USub: "-", ast.Not: "!",
}  # fmt: skip

_CALLS = {"abs": "fabs"}

_KEYWORDS = frozenset(
    [
        "auto",
        "break",
        "case",
        "char",
        "const",
        "continue",
        "default",
        "do",
        "double",
        "else",
        "enum",
        "extern",
        "float",
        "for",
        "goto",
        "if",
        "inline",
        "int",
        "long",
        "register",
        "restrict",
        "return",
        "short",
        "signed",
        "sizeof",
        "static",
        "struct",
        "switch",
        "typedef",
        "union",
        "unsigned",
        "void",
        "volatile",
        "while",
        "gamma",
        "hold",
        "out",
        "s",
        "t",
    ]
)
"""What a name of ours may not be in C, or already is in the header."""


class Writer:
    """Translates statements; what is not of the state becomes a local, and what nobody reads is left out."""

    def __init__(self, state: Iterable[str], given: Iterable[str] = ()) -> None:
        self.state, self.given = set(state), set(given)
        self.locals: list[str] = []
        self.temporaries = 0

    def body(self, statements: list[ast.stmt], extra: Iterable[ast.expr] = ()) -> list[str]:
        """The lines of a function's body, its locals not among them."""
        before = ""
        while before != (now := ast.dump(ast.Module(statements, []))):
            before, everything = now, [*statements, *extra]
            names = [node for tree in everything for node in ast.walk(tree) if isinstance(node, ast.Name)]
            read = {name.id for name in names if isinstance(name.ctx, ast.Load)} | self.state
            statements = [one for one in (_without(s, read) for s in statements) if one is not None]
        return self.lines(statements, "    ")

    def lines(self, statements: list[ast.stmt], pad: str) -> list[str]:
        """Statements, indented."""
        return [pad + line for statement in statements for line in self.statement(statement)]

    def statement(self, node: ast.stmt) -> list[str]:
        """One statement."""
        if isinstance(node, ast.Assign):
            return self.assign(node)
        if isinstance(node, ast.If):
            return self.branches(node)
        if isinstance(node, ast.While):
            return ["for (;;) {", *self.lines(node.body, "    "), "}"]
        return {ast.Break: ["break;"], ast.Continue: ["return;"], ast.Pass: []}[type(node)]

    def branches(self, node: ast.If) -> list[str]:
        """An if with all that belongs to it."""
        found = [f"if ({self.expression(node.test)}) {{", *self.lines(node.body, "    ")]
        rest = node.orelse
        while len(rest) == 1 and isinstance(rest[0], ast.If):
            found += [f"}} else if ({self.expression(rest[0].test)}) {{", *self.lines(rest[0].body, "    ")]
            rest = rest[0].orelse
        if rest:
            found += ["} else {", *self.lines(rest, "    ")]
        return [*found, "}"]

    def assign(self, node: ast.Assign) -> list[str]:
        """An assignment, or several at once."""
        (target,) = node.targets
        if not isinstance(target, ast.Tuple):
            return [f"{self.name(target)} = {self.expression(node.value)};"]
        assert isinstance(node.value, ast.Tuple)
        pairs = [
            (self.name(one), self.expression(value))
            for one, value in zip(target.elts, node.value.elts, strict=True)
        ]
        names = [f"hold_{self.temporaries + k}" for k, _ in enumerate(pairs)]
        self.temporaries += len(pairs)
        first = [f"const double {hold} = {value};" for hold, (_, value) in zip(names, pairs, strict=True)]
        return [*first, *(f"{name} = {hold};" for hold, (name, _) in zip(names, pairs, strict=True))]

    def name(self, node: ast.expr) -> str:
        """A name that is assigned."""
        assert isinstance(node, ast.Name)
        named = self.expression(node)
        if not named.startswith("s->") and named not in self.locals:
            self.locals.append(named)
        return named

    def expression(self, node: ast.expr) -> str:
        """One expression, in brackets wherever C might bind it otherwise."""
        if isinstance(node, ast.Name):
            if node.id in self.state or node.id == "reading":
                return f"s->{node.id}"
            return f"{node.id}_" if node.id in _KEYWORDS - self.given else node.id
        if isinstance(node, ast.Constant):
            value = node.value
            return str(int(value)) if isinstance(value, bool | int) else number(float(str(value)))
        if isinstance(node, ast.UnaryOp):
            return f"({_OPERATORS[type(node.op)]}{self.expression(node.operand)})"
        if isinstance(node, ast.BinOp):
            left, right = self.expression(node.left), self.expression(node.right)
            if isinstance(node.op, ast.Pow):
                return f"pow({left}, {right})"
            return f"({left} {_OPERATORS[type(node.op)]} {right})"
        if isinstance(node, ast.BoolOp):
            return f"({f' {_OPERATORS[type(node.op)]} '.join(map(self.expression, node.values))})"
        if isinstance(node, ast.Compare):
            terms = [self.expression(term) for term in (node.left, *node.comparators)]
            tests = [f"{terms[k]} {_OPERATORS[type(op)]} {terms[k + 1]}" for k, op in enumerate(node.ops)]
            return (
                f"({' && '.join(tests)})"
                if len(tests) == 1
                else f"({' && '.join(f'({test})' for test in tests)})"
            )
        if isinstance(node, ast.IfExp):
            parts = (self.expression(part) for part in (node.test, node.body, node.orelse))
            return "({} ? {} : {})".format(*parts)
        assert isinstance(node, ast.Call)
        assert isinstance(node.func, ast.Name)
        called = _CALLS.get(node.func.id, node.func.id)
        return f"{called}({', '.join(map(self.expression, node.args))})"


def _without(node: ast.stmt, read: set[str]) -> ast.stmt | None:
    """A statement without what it assigns for nobody; nothing if nothing is left of it."""
    if isinstance(node, ast.If | ast.While):
        body = [one for one in (_without(s, read) for s in node.body) if one is not None]
        if isinstance(node, ast.While):
            return ast.While(node.test, body, [])
        orelse = [one for one in (_without(s, read) for s in node.orelse) if one is not None]
        return ast.If(node.test, body or [ast.Pass()], orelse) if body or orelse else None
    if not isinstance(node, ast.Assign):
        return node
    (target,) = node.targets
    if isinstance(target, ast.Tuple):
        assert isinstance(node.value, ast.Tuple)
        pairs = [
            (one, value)
            for one, value in zip(target.elts, node.value.elts, strict=True)
            if isinstance(one, ast.Name) and one.id in read | {"reading"}
        ]
        if not pairs:
            return None
        names, values = ast.Tuple([one for one, _ in pairs]), ast.Tuple([value for _, value in pairs])
        return ast.Assign([names], values) if len(pairs) > 1 else ast.Assign([pairs[0][0]], pairs[0][1])
    assert isinstance(target, ast.Name)
    return node if target.id in read | {"reading"} else None

"""C: values and statements as C99, for the header and the library.

They are the same statements as in Python, so there is no second copy of a formula or a rule. Doubles
are IEEE 754, and no operation is reordered.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...expressions import Branch, Leave, Loop, Part, Set, Skip, used

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping, Sequence

    from ...expressions import Filled, Name, Number, Operation, Statement, Value

_WORDS = """
auto break case char const continue default do double else enum extern float for goto if inline int long
register restrict return short signed sizeof static struct switch typedef union unsigned void volatile while
alignas alignof and asm bool catch class compl concept decltype delete explicit export false friend mutable
namespace new not nullptr operator or private protected public requires template this throw true try typeid
typename using virtual xor
"""
_KEYWORDS = frozenset([*_WORDS.split(), "gamma", "hold", "out", "s", "t"])
"""What a name of ours may not be in C or C++, or already is in the header."""

_CHOICE, _JUNCTION, _EQUAL, _LESS, _SUM, _PRODUCT, _UNARY, ATOM = range(8)
"""How strongly each kind of expression binds in C; a word between tests is always put in brackets."""
_BINDS = {"==": _EQUAL, "!=": _EQUAL, "+": _SUM, "-": _SUM, "*": _PRODUCT, "/": _PRODUCT}


class C:
    """Writes values and statements; what is not state becomes a local, and unused code is left out."""

    calls = ""
    """The call of a part that is written apart, but for its name."""

    def __init__(self, kept: Mapping[str, str], given: Iterable[str] = ()) -> None:
        self.kept, self.given = dict(kept), set(given)
        self.locals: list[str] = []
        self.parts: dict[str, tuple[list[str], bool]] = {}
        """What is written apart: the body of each part by its name, and whether it is rare."""
        self._held = 0

    # ---- values: a hook a kind

    def value(self, one: Value, least: int = _CHOICE) -> str:
        """An expression, in brackets if it binds less tightly than `least`."""
        text, binds = getattr(self, f"value_{type(one).__name__.lower()}")(one)
        return f"({text})" if binds < least else text

    def value_filled(self, one: Filled) -> tuple[str, int]:
        """An expression of a formula, with values in place of its names."""
        return getattr(self, f"value_{type(one.tree).__name__.lower()}")(one.tree)  # type: ignore[no-any-return]

    def value_name(self, one: Name) -> tuple[str, int]:
        """A name: of the state, of an argument, or a local."""
        if one.name in self.kept:
            return f"s->{self.kept[one.name]}", ATOM
        return f"{one.name}_" if one.name in _KEYWORDS - self.given else one.name, ATOM

    value_word = value_handle = value_name

    def value_number(self, one: Number) -> tuple[str, int]:
        """A double, or a code."""
        return repr(one.value), _UNARY if one.value < 0 else ATOM

    def value_truth(self, one: Value) -> tuple[str, int]:
        """True or False."""
        return ("1" if str(one) == "True" else "0"), ATOM

    def value_operation(self, one: Operation) -> tuple[str, int]:
        """Two values with an operator between."""
        left, right = one.parts
        if one.sign == "**":
            return f"pow({self.value(left)}, {self.value(right)})", ATOM
        binds = _BINDS[one.sign]
        return f"{self.value(left, binds)} {one.sign} {self.value(right, binds + 1)}", binds

    def value_negative(self, one: Value) -> tuple[str, int]:
        """A minus before a value."""
        return f"-{self.value(one.parts[0], ATOM)}", _UNARY

    def value_relation(self, one: Value) -> tuple[str, int]:
        """A test of two values."""
        sign: str = one.sign  # type: ignore[attr-defined]
        left, right = (self.value(part, _SUM) for part in one.parts)
        return f"{left} {sign} {right}", _BINDS.get(sign, _LESS)

    def value_junction(self, one: Value) -> tuple[str, int]:
        """Tests that must all hold, or one of which must."""
        sign = "&&" if one.word == "and" else "||"  # type: ignore[attr-defined]
        return f" {sign} ".join(self.value(part, _JUNCTION + 1) for part in one.parts), _JUNCTION

    def value_opposite(self, one: Value) -> tuple[str, int]:
        """A test that holds where another does not."""
        return f"!{self.value(one.parts[0], ATOM)}", _UNARY

    def value_choice(self, one: Value) -> tuple[str, int]:
        """One value where a test holds, another where it does not."""
        test, then, otherwise = one.parts
        words = (self.value(test, _CHOICE + 1), self.value(then, _CHOICE + 1), self.value(otherwise))
        return "{} ? {} : {}".format(*words), _CHOICE

    def value_call(self, one: Value) -> tuple[str, int]:
        """A function of mathematics."""
        called: str = one.function  # type: ignore[attr-defined]
        inner = ", ".join(map(self.value, one.parts))
        if called == "ceil":  # Python's is a whole number: its 0 has no sign
            return f"ceil({inner}) + 0.0", _SUM
        return f"{'fabs' if called == 'abs' else called}({inner})", ATOM

    # ---- statements

    def lines(self, statements: Iterable[Statement]) -> list[str]:
        """Statements as lines, nested ones indented."""
        found: list[str] = []
        for one in statements:
            if isinstance(one, Set):
                found += self._set(one)
            elif isinstance(one, Branch):
                found += self._when(one)
            elif isinstance(one, Loop):
                found += ["for (;;) {", *indented(self.lines(one.body)), "}"]
            elif isinstance(one, Part):
                found.append(self._part(one))
            elif isinstance(one, Leave | Skip):
                found.append("break;" if isinstance(one, Leave) else "return;")
        return found

    def _part(self, one: Part) -> str:
        """Write a function for it; returns the call."""
        ours, self.locals = self.locals, []
        body = self.lines(used(one.body, [*self.kept, *self.given]))
        self.parts[one.name] = [*self.declared(), *body], one.rare
        self.locals = ours
        return self.calls.format(one.name)

    def _when(self, one: Branch) -> list[str]:
        found = [f"if ({self.value(one.test)}) {{", *indented(self.lines(one.body))]
        if one.otherwise:
            found += ["} else {", *indented(self.lines(one.otherwise))]
        return [*found, "}"]

    def _set(self, one: Set) -> list[str]:
        values = [self.value(value) for value in one.values]
        names = [self._target(target) for target in one.targets]
        early = {target.name for target in one.targets[:-1]}
        if all(early.isdisjoint(value.names) for value in one.values[1:]):
            return [f"{name} = {value};" for name, value in zip(names, values, strict=True)]
        held = [f"hold_{self._held + k}" for k, _ in enumerate(values)]
        self._held += len(values)
        first = [f"const double {name} = {value};" for name, value in zip(held, values, strict=True)]
        return [*first, *(f"{name} = {value};" for name, value in zip(names, held, strict=True))]

    def _target(self, target: Name) -> str:
        named, _ = self.value_name(target)
        if not named.startswith("s->") and named not in (*self.given, *self.locals):
            self.locals.append(named)
        return named

    def body(self, statements: Iterable[Statement], results: Sequence[Value] = ()) -> list[str]:
        """The lines of a function body that puts results into ``out``."""
        written = self.lines(used(statements, self.kept, results))
        return [*written, *(f"out[{k}] = {self.value(value)};" for k, value in enumerate(results))]

    def declared(self) -> list[str]:
        """The declarations of locals."""
        return [f"double {name} = 0.0;" for name in self.locals]


def indented(inner: Iterable[str]) -> list[str]:
    """Lines, indented one step more."""
    return [f"    {line}" for line in inner]

"""Values: expressions with the operators of numbers, from which programs are written.

A value is a tree that never changes. Writing ``yaw + push * gain`` computes nothing: it makes the expression
for it. Reading one as true or false is refused, since that would decide now what the program must
decide when it runs; :func:`where`, :func:`every` and :func:`some` write the decision down.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, ClassVar

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Mapping

    Say = Callable[["Value", int], str]
    """Spells a part of an expression, in brackets if it binds less strongly than the number."""

CHOICE, OR, AND, NOT, COMPARISON, SUM, PRODUCT, MINUS, POWER, ATOM = range(10)
"""How strongly each kind of expression binds, as in Python."""


class Value:
    """An expression of a program; its operators make larger ones."""

    __slots__ = ("_names", "text")
    strength: int
    """How strongly it binds."""
    parts: tuple[Value, ...]
    """What it is made of."""
    text: str
    """The expression as Python spells it; a step is told from others by that of what it is given."""

    def spell(self, say: Say) -> str:
        """The expression as text; `say` spells each of its parts."""
        del say
        return self.text

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same expression made of other parts; without parts, itself."""
        del parts
        return self

    def __str__(self) -> str:
        return self.text

    __repr__ = __str__

    @property
    def names(self) -> frozenset[str]:
        """The names that it reads."""
        try:
            return self._names
        except AttributeError:
            self._names: frozenset[str] = frozenset().union(*(part.names for part in self.parts))
            return self._names

    def filled(self, given: Mapping[str, Value]) -> Value:
        """The same expression with values in place of names."""
        return self.rebuilt(tuple([part.filled(given) for part in self.parts]))

    @property
    def is_zero(self) -> bool:
        """Whether it is the literal number 0."""
        return False

    @property
    def is_one(self) -> bool:
        """Whether it is the literal number 1."""
        return False

    def known(self) -> Value:
        """The test of whether it is a number at all: NaN is not equal to itself."""
        return Relation("==", (self, self))

    def __bool__(self) -> bool:
        raise TypeError(f"{self} is neither true nor false while a program is written; use where() or when()")

    __hash__ = object.__hash__

    def __add__(self, other: Value | float) -> Value:
        return Operation("+", self, other if isinstance(other, Value) else lift(other))

    def __radd__(self, other: float) -> Value:
        return Operation("+", lift(other), self)

    def __sub__(self, other: Value | float) -> Value:
        return Operation("-", self, other if isinstance(other, Value) else lift(other))

    def __rsub__(self, other: float) -> Value:
        return Operation("-", lift(other), self)

    def __mul__(self, other: Value | float) -> Value:
        return Operation("*", self, other if isinstance(other, Value) else lift(other))

    def __rmul__(self, other: float) -> Value:
        return Operation("*", lift(other), self)

    def __truediv__(self, other: Value | float) -> Value:
        return Operation("/", self, other if isinstance(other, Value) else lift(other))

    def __rtruediv__(self, other: float) -> Value:
        return Operation("/", lift(other), self)

    def __neg__(self) -> Value:
        return Negative(self)

    def __abs__(self) -> Value:
        return Call("abs", (self,))

    def __lt__(self, other: Value | float) -> Value:
        return Relation("<", (self, other if isinstance(other, Value) else lift(other)))

    def __le__(self, other: Value | float) -> Value:
        return Relation("<=", (self, other if isinstance(other, Value) else lift(other)))

    def __gt__(self, other: Value | float) -> Value:
        return Relation(">", (self, other if isinstance(other, Value) else lift(other)))

    def __ge__(self, other: Value | float) -> Value:
        return Relation(">=", (self, other if isinstance(other, Value) else lift(other)))

    def __eq__(self, other: Value | float) -> Value:  # type: ignore[override]
        return Relation("==", (self, other if isinstance(other, Value) else lift(other)))

    def __ne__(self, other: Value | float) -> Value:  # type: ignore[override]
        return Relation("!=", (self, other if isinstance(other, Value) else lift(other)))


def say(part: Value, least: int) -> str:
    """A part as Python spells it."""
    return f"({part.text})" if part.strength < least else part.text


class Name(Value):
    """Something that a program refers to by name: a local or a state value."""

    __slots__ = ("name",)
    strength = ATOM
    parts = ()

    def __init__(self, name: str) -> None:
        self.name = self.text = name

    @property
    def names(self) -> frozenset[str]:
        """Itself."""
        return frozenset((self.name,))

    def filled(self, given: Mapping[str, Value]) -> Value:
        """The value given for it, or itself."""
        return given.get(self.name, self)


class Word(Name):
    """A local name of a program; it keeps nothing between events."""

    __slots__ = ()


class Number(Value):
    """A number: a double, or an integer for a code."""

    __slots__ = ("strength", "value")
    parts = ()

    def __init__(self, value: float) -> None:
        self.value, self.text = value, repr(value)  # which reads back to the same bits
        self.strength = MINUS if value < 0 else ATOM

    def filled(self, given: Mapping[str, Value]) -> Value:
        """Itself: it reads no names."""
        del given
        return self

    @property
    def is_zero(self) -> bool:
        """Whether it is 0."""
        return self.value == 0

    @property
    def is_one(self) -> bool:
        """Whether it is 1."""
        return self.value == 1


class Truth(Value):
    """True or False."""

    __slots__ = ("value",)
    strength = ATOM
    parts = ()

    def __init__(self, *, value: bool) -> None:
        self.value, self.text = value, repr(value)

    def filled(self, given: Mapping[str, Value]) -> Value:
        """Itself: it reads no names."""
        del given
        return self


TRUE, FALSE = Truth(value=True), Truth(value=False)


class Operation(Value):
    """Two values with an operator between."""

    __slots__ = ("parts", "sign", "strength")
    SIGNS: ClassVar[dict[str, tuple[int, int, int]]] = {
        "+": (SUM, SUM, SUM + 1),
        "-": (SUM, SUM, SUM + 1),
        "*": (PRODUCT, PRODUCT, PRODUCT + 1),
        "/": (PRODUCT, PRODUCT, PRODUCT + 1),
        "**": (POWER, POWER + 1, POWER),
    }
    """How strongly each sign binds, and how strongly what stands before and after it must."""

    def __init__(self, sign: str, left: Value, right: Value) -> None:
        self.sign, self.parts, self.strength = sign, (left, right), self.SIGNS[sign][0]
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same operator between other values."""
        return Operation(self.sign, parts[0], parts[1])

    def spell(self, say: Say) -> str:
        """Both with the operator between; the right side must bind more tightly, and a power's base too."""
        _, before, after = self.SIGNS[self.sign]
        return f"{say(self.parts[0], before)} {self.sign} {say(self.parts[1], after)}"


class Negative(Value):
    """A value with a minus before it."""

    __slots__ = ("parts",)
    strength = MINUS

    def __init__(self, of: Value) -> None:
        self.parts = (of,)
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """Another value with a minus."""
        return Negative(parts[0])

    def spell(self, say: Say) -> str:
        """The minus, then the value."""
        return f"-{say(self.parts[0], MINUS)}"


class Relation(Value):
    """A test of two values."""

    __slots__ = ("parts", "sign")
    strength = COMPARISON

    def __init__(self, sign: str, parts: tuple[Value, ...]) -> None:
        self.sign, self.parts = sign, parts
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same test of other values."""
        return Relation(self.sign, parts)

    def spell(self, say: Say) -> str:
        """Both with the operator between."""
        return f"{say(self.parts[0], SUM)} {self.sign} {say(self.parts[1], SUM)}"


class Junction(Value):
    """Tests that must all hold, or one of which must."""

    __slots__ = ("parts", "strength", "word")

    def __init__(self, word: str, parts: tuple[Value, ...]) -> None:
        self.word, self.parts, self.strength = word, parts, AND if word == "and" else OR
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same word between other tests."""
        return Junction(self.word, parts)

    def spell(self, say: Say) -> str:
        """All with the word between."""
        return f" {self.word} ".join(say(part, self.strength + 1) for part in self.parts)


class Opposite(Value):
    """A test that holds where another does not."""

    __slots__ = ("parts",)
    strength = NOT

    def __init__(self, of: Value) -> None:
        self.parts = (of,)
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The opposite of another test."""
        return Opposite(parts[0])

    def spell(self, say: Say) -> str:
        """``not``, then the test."""
        return f"not {say(self.parts[0], NOT)}"


class Choice(Value):
    """One value where a test holds, another where it does not."""

    __slots__ = ("parts",)
    strength = CHOICE

    def __init__(self, test: Value, then: Value, otherwise: Value) -> None:
        self.parts = (test, then, otherwise)
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same choice of other parts."""
        return Choice(*parts)

    def spell(self, say: Say) -> str:
        """Python's conditional expression."""
        test, then, otherwise = self.parts
        return f"{say(then, OR)} if {say(test, OR)} else {say(otherwise, CHOICE)}"


class Row(Value):
    """Several values in one, for a language that has tuples."""

    __slots__ = ("parts",)
    strength = ATOM

    def __init__(self, parts: Iterable[Value]) -> None:
        self.parts = tuple(parts)
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """A row of other values."""
        return Row(parts)

    def spell(self, say: Say) -> str:
        """A tuple."""
        return f"({', '.join(say(part, CHOICE) for part in self.parts)})"


class Call(Value):
    """A call of a mathematical function."""

    __slots__ = ("function", "parts")
    strength = ATOM

    def __init__(self, function: str, parts: tuple[Value, ...]) -> None:
        self.function, self.parts = function, parts
        self.text = self.spell(say)

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same function of other values."""
        return Call(self.function, parts)

    def spell(self, say: Say) -> str:
        """The function, with its arguments in brackets."""
        return f"{self.function}({', '.join(say(part, CHOICE) for part in self.parts)})"


class Filled(Value):
    """An expression with values in place of its names.

    A formula is filled in many times, and nearly always only its text is wanted: so the text is put
    together from pieces, and the tree is made only for a language that wants it.
    """

    __slots__ = ("_tree", "given", "strength", "template")

    def __init__(self, template: Template, given: Mapping[str, Value]) -> None:
        self.template, self.given, self.strength = template, given, template.of.strength
        self.text = template.text(given)

    @property
    def tree(self) -> Value:
        """The expression itself."""
        try:
            return self._tree
        except AttributeError:
            self._tree: Value = self.template.of.filled(self.given)
            return self._tree

    @property
    def parts(self) -> tuple[Value, ...]:  # type: ignore[override]
        """What it is made of."""
        return self.tree.parts

    @property
    def names(self) -> frozenset[str]:
        """The names that it reads."""
        return frozenset().union(*[self.given[name].names for name in self.template.names])

    def rebuilt(self, parts: tuple[Value, ...]) -> Value:
        """The same expression made of other parts."""
        return self.tree.rebuilt(parts)

    def spell(self, say: Say) -> str:
        """The expression as text."""
        return self.tree.spell(say)


class Template:
    """An expression whose names are placeholders for values."""

    def __init__(self, of: Value) -> None:
        self.of, self.names = of, of.names
        spelt = of.spell(self._mark) if of.parts else self._mark(of, CHOICE)
        first, *rest = spelt.split("\0")
        self._first = first
        self._places: list[tuple[str, int, str]] = []
        for place, after in zip(rest[::2], rest[1::2], strict=True):
            name, least = place.split("\1")
            self._places.append((name, int(least), after))

    def _mark(self, part: Value, least: int) -> str:
        if isinstance(part, Name):
            return f"\0{part.name}\1{least}\0"
        text = part.spell(self._mark)
        return f"({text})" if part.strength < least else text

    def text(self, given: Mapping[str, Value]) -> str:
        """The text with the values' texts in place, in brackets where needed."""
        found = [self._first]
        for name, least, after in self._places:
            value = given[name]
            found += (value.text if value.strength >= least else f"({value.text})", after)
        return "".join(found)

    def filled(self, given: Mapping[str, Value]) -> Value:
        """The expression with values in place of its names; `given` must not change afterwards."""
        return Filled(self, given) if self.of.parts else self.of.filled(given)


def lift(one: Value | float) -> Value:
    """A value, or a number as one. Integers are refused, since they are codes; see :func:`whole`."""
    if isinstance(one, Value):
        return one
    if not isinstance(one, float):
        raise TypeError(f"found {one!r}; expected a value or a float in an expression")
    return Number(one)


def whole(count: int) -> Number:
    """A whole number: the code of an event, or of a frame."""
    return Number(count)


def where(test: Value, then: Value | float, otherwise: Value | float) -> Value:
    """One value where a test holds, another where it does not; decided when the program runs."""
    return Choice(test, lift(then), lift(otherwise))


def cases(found: Iterable[tuple[Value, Value | float]], otherwise: Value | float) -> Value:
    """The value of the first test that holds, else another."""
    value = lift(otherwise)
    for test, then in reversed([*found]):
        value = Choice(test, lift(then), value)
    return value


def every(tests: Iterable[Value]) -> Value:
    """The test that all of these hold; always, where there are none."""
    return _joined("and", tests, TRUE)


def some(tests: Iterable[Value]) -> Value:
    """The test that one of these holds; never, where there are none."""
    return _joined("or", tests, FALSE)


def _joined(word: str, tests: Iterable[Value], none: Value) -> Value:
    found: list[Value] = []
    for test in tests:
        found += test.parts if isinstance(test, Junction) and test.word == word else [test]
    return Junction(word, tuple(found)) if len(found) > 1 else found[0] if found else none


def opposite(test: Value) -> Value:
    """The test that another does not hold."""
    return test.parts[0] if isinstance(test, Opposite) else Opposite(test)


def total(parts: Iterable[Value | float]) -> Value:
    """The sum of values, added one after another; 0 where there are none."""
    first, *rest = [*parts] or [0.0]
    value = lift(first)
    for part in rest:
        value = value + part
    return value


def product_of(parts: Iterable[Value | float]) -> Value:
    """The product of values, multiplied one after another; 1 where there are none."""
    first, *rest = [*parts] or [1.0]
    value = lift(first)
    for part in rest:
        value = value * part
    return value


def flag(test: Value) -> Value:
    """1 where a test holds, else 0."""
    return Choice(test, Number(1.0), Number(0.0))


def exp(of: Value) -> Value:
    """The exponential of a value."""
    return Call("exp", (of,))

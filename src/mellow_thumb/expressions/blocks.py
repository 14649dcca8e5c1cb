"""Blocks: statements, written in the order in which they run.

Calling a formula in a block writes the formula's own statements there. A step that is already there is
not written again, unless something that it read or set has been assigned since; what was worked out where
a test held is not reused after it.
"""

from __future__ import annotations

from contextlib import contextmanager
from typing import TYPE_CHECKING, Any, NamedTuple, cast

from .parameters import Parameter
from .straight import MATHS, check_formula
from .values import Name, Number, Value, Word, lift

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Iterator


class Set(NamedTuple):
    """Assigns values to names, all at once."""

    targets: tuple[Name, ...]
    values: tuple[Value, ...]


class Branch(NamedTuple):
    """Statements that run only where a test holds, and others where it does not."""

    test: Value
    body: list[Statement]
    otherwise: list[Statement]


class Note(NamedTuple):
    """A comment; its text is ours, never a profile's."""

    words: str


class Loop(NamedTuple):
    """Statements that repeat until one of them leaves."""

    body: list[Statement]


class Leave(NamedTuple):
    """Leave the loop around it."""


class Skip(NamedTuple):
    """Skip the rest of what one event does."""


class Part(NamedTuple):
    """Statements that belong together and share nothing but state with what is around them.

    A language may write them as a function: compilers take longer over one long function than over two.
    """

    name: str
    body: list[Statement]
    rare: bool = False
    """Whether it seldom runs: a compiler need not make it fast."""


Statement = Set | Branch | Note | Loop | Leave | Skip | Part


class Handle(Name):
    """A state value: what a program keeps from one event to the next."""

    __slots__ = ("saved_as", "start")

    def __init__(self, name: str, start: float, saved_as: str) -> None:
        super().__init__(name)
        self.start = start
        """What it is before anything has happened; it may be a parameter."""
        self.saved_as = saved_as
        """What it is called where another program takes over, where that is not its name in full."""


APART = "\0"
"""Stands before and after a name of a profile's own in a role; no profile has it in a name."""


class State:
    """Makes state values, each with a name of its own, and keeps their order."""

    def __init__(self) -> None:
        self.handles: list[Handle] = []
        self._known: set[str] = set()
        self._owners: dict[str, str] = {}
        """For what a name may begin with, or go on with: what it is called in full."""

    def owned(self, stem: str, by: str) -> None:
        """Say what the numbered stem of a name stands for, so that another program can find the value."""
        self._owners[stem] = by

    def role(self, name: str) -> str:
        """What a state value is called for a program that takes over; numbers in names mean nothing there."""
        found, words = [], name.split("_")
        while words:
            # a stem is of one word, or of two or three where an axis is called so: route3, yaw_9, pan_x_7
            size = next((k for k in (3, 2, 1) if "_".join(words[:k]) in self._owners), 1)
            word = "_".join(words[:size])
            # what a profile calls its own may look like any word of ours, so it is set apart
            found.append(f"{APART}{self._owners[word]}{APART}" if word in self._owners else word)
            del words[:size]
        return "_".join(found)

    def new(self, name: str, start: float = 0.0, *, saved_as: str = "") -> Handle:
        """A new state value; its name is written here and nowhere else."""
        if name in self._known:
            raise ValueError(f"the state has {name} already")
        self._known.add(name)
        self.handles.append(Handle(name, start, saved_as))
        return self.handles[-1]

    @property
    def roles(self) -> dict[str, str]:
        """What each is called for a program that takes over."""
        return {one.name: one.saved_as or self.role(one.name) for one in self.handles}

    @property
    def starts(self) -> dict[str, float]:
        """What each is before anything has happened."""
        return {one.name: one.start for one in self.handles}


class Names:
    """Hands out identifiers, each only once in a program."""

    def __init__(self, taken: Iterable[str] = ()) -> None:
        self._taken = {*MATHS, *taken}
        self._next: dict[str, int] = {}
        """For each wish, the number to try next: all before it are taken."""
        self._handed: list[tuple[str, str, int]] = []
        """What was handed out, for which wish, and what was to be tried for that before."""

    def take(self, names: Iterable[str]) -> None:
        """Reserve names that were made elsewhere."""
        self._taken.update(names)

    @contextmanager
    def for_now(self) -> Iterator[None]:
        """Names handed out inside can be reused afterwards, since these parts run one at a time.

        Python accesses the first 256 names of a function faster than the rest.
        """
        before = len(self._handed)
        yield
        for name, wish, number in reversed(self._handed[before:]):
            self._taken.discard(name)
            self._next[wish] = number
        del self._handed[before:]

    def fresh(self, wish: str) -> Word:
        """`wish` itself, or with the first number that makes it unique."""
        first = number = self._next.get(wish, 1)
        name = wish if number == 1 else f"{wish}_{number}"
        while name in self._taken:
            number += 1
            name = f"{wish}_{number}"
        self._taken.add(name)
        self._next[wish] = number + 1
        self._handed.append((name, wish, first))
        return Word(name)


class _Step(NamedTuple):
    """A formula that was worked out."""

    given: tuple[Value, ...]
    results: tuple[Name, ...]
    age: int
    """How many times anything had been assigned by then."""


class _Around(NamedTuple):
    """What a block knew when it began to write into a branch."""

    into: list[Statement]
    steps: dict[tuple[Any, ...], _Step]
    assigned: set[str]


class Block:
    """Statements that run one after another."""

    def __init__(self, names: Names) -> None:
        self.names = names
        self.statements: list[Statement] = []
        self._into = self.statements
        self._assigned: set[str] = set()
        self._count = 0
        """How many names were assigned so far, wherever that stands."""
        self._last_set: dict[str, int] = {}
        """For each name, the count as it was assigned last."""
        self._steps: dict[tuple[Any, ...], _Step] = {}
        self._last: Branch | None = None

    def note(self, words: str) -> None:
        """Write a comment."""
        self._into.append(Note(words))

    def set(self, target: Name, value: Value | float) -> None:
        """Write ``target = value``."""
        self._into.append(Set((target,), (value if isinstance(value, Value) else lift(value),)))
        self._count = self._last_set[target.name] = self._count + 1
        self._assigned.add(target.name)

    def keep(self, wish: str, value: Value | float) -> Name:
        """Give a value a name of its own."""
        name = self.names.fresh(wish)
        self.set(name, value)
        return name

    def _write(self, targets: tuple[Name, ...], values: tuple[Value, ...]) -> None:
        self._into.append(Set(targets, values))
        self._count += 1
        for target in targets:
            self._assigned.add(target.name)
            self._last_set[target.name] = self._count

    def changes(self, *values: Value) -> bool:
        """Whether anything that these values read is assigned in the part being written."""
        return any(not self._assigned.isdisjoint(value.names) for value in values)

    def assigns(self, name: str) -> bool:
        """Whether a name is assigned anywhere."""
        return name in self._last_set

    @contextmanager
    def when(self, test: Value) -> Iterator[None]:
        """What is written inside runs only if a test holds. If nothing is written, there is no branch."""
        one = Branch(test, [], [])
        self._into.append(one)
        before = self._enter(one.body)
        with self.names.for_now():  # what is worked out in a branch is not known after it
            yield
        self._leave(before)
        self._last = one
        if not one.body:
            self._into.pop()

    @contextmanager
    def otherwise(self) -> Iterator[None]:
        """What is written inside runs if the test of the last :meth:`when` did not hold."""
        one = self._last
        if one is None or (one.body and self._into[-1] is not one):
            raise ValueError("otherwise() stands right after a when()")
        before = self._enter(one.otherwise)
        with self.names.for_now():
            yield
        self._leave(before)
        if one.otherwise and not one.body:
            self._into.append(one)
        self._last = None

    @contextmanager
    def loop(self) -> Iterator[None]:
        """What is written inside repeats until :meth:`leave`; each round may change anything."""
        one = Loop([])
        self._into.append(one)
        before = self._enter(one.body)
        self._steps = {}  # what stood before the loop may be stale from its second round on
        with self.names.for_now():
            yield
        self._leave(before)
        self._last = None

    def part(self, name: str, other: Block, *, rare: bool = False) -> None:
        """Write another block as a part that shares nothing but state."""
        self._into.append(Part(name, other.statements, rare))
        for target in other._last_set:
            self._count = self._last_set[target] = self._count + 1
            self._assigned.add(target)

    def leave(self) -> None:
        """Write a jump out of the loop around it."""
        self._into.append(Leave())

    def _enter(self, statements: list[Statement]) -> _Around:
        """Write into other statements from now on; returns what was known and written around them."""
        around = _Around(self._into, dict(self._steps), self._assigned)
        self._into, self._assigned = statements, set()
        return around

    def _leave(self, around: _Around) -> None:
        """Go back to what is around them: forget what was worked out inside, but not what was assigned."""
        self._into, self._steps = around.into, around.steps
        self._assigned |= around.assigned

    def call(
        self,
        formula: Callable[..., object],
        *values: Value | float,
        into: tuple[Name, ...] = (),
        **constants: float,
    ) -> tuple[Name, ...]:
        """Write a formula's own statements here; returns the names that hold its results.

        `values` are for its positional parameters, `constants` the numbers for its keyword-only ones. Results
        go to the names in `into`, or else to new ones, and then a known step is reused.
        """
        straight = check_formula(formula)
        given = tuple([one if isinstance(one, Value) else lift(one) for one in values])
        if constants.keys() != straight.names or len(given) != len(straight.values):
            raise TypeError(
                f"{formula} takes {straight.values} and {straight.constants}, not {given} and {constants}"
            )
        key: tuple[Any, ...] = ()
        if not into:
            key = (formula, *[value.text for value in given])
            key += tuple([(name, lift(one).text) for name, one in sorted(constants.items())])
            step = self._steps.get(key)
            if step and self._stands(step):
                return step.results
        numbers = dict(constants)
        for parameter, value in zip(straight.values, given, strict=True):
            number = value.value if isinstance(value, Number) else value
            if isinstance(number, float | Parameter):
                numbers[parameter] = cast("float", number)
        if len(numbers) > len(constants):
            straight = check_formula(formula, frozenset(numbers) - straight.names)
        filled = {name: lift(one) for name, one in straight.worked_out(numbers).items()}
        for parameter, value in zip(straight.values, given, strict=True):
            # worked out once, where the formula reads it more than once; a name or a number costs nothing to
            # repeat
            twice = bool(value.parts) and straight.uses[parameter] > 1
            filled[parameter] = self.keep(parameter, value) if twice else value
        for target, template in straight.body:
            filled[target] = self.keep(target, template.filled(filled))
        results = into or tuple([self.names.fresh(formula.__name__) for _ in straight.results])
        self._write(results, tuple([template.filled(filled) for template in straight.results]))
        if not into:
            self._steps[key] = _Step(given, results, self._count)
        return results

    def _stands(self, step: _Step) -> bool:
        """Whether nothing that a step read or set has been assigned since."""
        values = (*step.given, *step.results)
        return all(self._last_set.get(name, 0) <= step.age for value in values for name in value.names)


def read_in(statements: Iterable[Statement]) -> frozenset[str]:
    """The names that statements read."""
    found: set[str] = set()
    for one in statements:
        if isinstance(one, Set):
            found.update(*(value.names for value in one.values))
        elif isinstance(one, Branch):
            found |= one.test.names | read_in(one.body) | read_in(one.otherwise)
        elif isinstance(one, Loop | Part):
            found |= read_in(one.body)
    return frozenset(found)


def set_in(statements: Iterable[Statement]) -> frozenset[str]:
    """The names that statements assign."""
    found: set[str] = set()
    for one in statements:
        if isinstance(one, Set):
            found.update(target.name for target in one.targets)
        elif isinstance(one, Branch):
            found |= set_in(one.body) | set_in(one.otherwise)
        elif isinstance(one, Loop | Part):
            found |= set_in(one.body)
    return frozenset(found)


def used(
    statements: Iterable[Statement], kept: Iterable[str], results: Iterable[Value] = ()
) -> list[Statement]:
    """Statements without dead assignments: neither state, nor a result, nor read by any other."""
    found, wanted, before = [*statements], frozenset(kept).union(*(one.names for one in results)), None
    while before != (before := wanted | read_in(found)):
        found = [left for one in found if (left := _without(one, before)) is not None]
    return found


def _without(one: Statement, read: frozenset[str]) -> Statement | None:
    """A statement without its dead assignments; None if nothing is left of it."""
    if isinstance(one, Branch):
        body, otherwise = (
            [left for each in part if (left := _without(each, read)) is not None]
            for part in (one.body, one.otherwise)
        )
        return Branch(one.test, body, otherwise) if body or otherwise else None
    if isinstance(one, Loop):
        return Loop([left for each in one.body if (left := _without(each, read)) is not None])
    if isinstance(one, Part):
        body = [left for each in one.body if (left := _without(each, read)) is not None]
        return one._replace(body=body)
    if isinstance(one, Set):
        pairs = [(n, v) for n, v in zip(one.targets, one.values, strict=True) if n.name in read]
        return Set(tuple(n for n, _ in pairs), tuple(v for _, v in pairs)) if pairs else None
    return one

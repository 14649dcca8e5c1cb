"""A woven program as the text of a module to be compiled: one loop over the events and frames of a take.

The state lies in an array. The numbers of a profile are not in the text but in a second array, so that
hundreds of settings of one profile share what was compiled once; only 0 and 1 stand where they are used.
What an event does, and what time does, become functions of their own: one function of all of it would take
minutes to compile.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, Any, NamedTuple

from ...expressions import MATHS, Branch, Loop, Name, Note, Number, read_in, set_in
from ...plan import ANCHOR
from ..loop import READING, copy_of, drop, item
from .python import indented, lines

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ...expressions import Statement, Value
    from ..program import Program

_STATE, _NUMBERS = "state_", "numbers_"
"""The arrays; a woven name never ends like that."""
_IN_PLACE = (0.0, 1.0)
"""Numbers that stay in the text: flags and counts are made of them."""
_BRIEF = 3
"""An event of no more statements than this stays where it is."""
_MOST_ARGUMENTS = 16
"""A function that needs more numbers than this takes them from the array as it begins."""

_SIGNATURE = (
    "int64(float64[::1], float64[::1], float64[::1], int32[::1], float64[::1], float64[::1], "
    "float64[::1], float64[:, ::1], int64, boolean, float64[:, ::1])"
)

_MODULE = '''
"""Woven by Mellow Thumb for numba."""

from math import {maths}

from numba import njit

compiled = njit(error_model="numpy", nogil=True, forceinline=True)

{functions}


@njit("{signature}", error_model="numpy", nogil=True, cache={cache})
def run(state_, numbers_, ts_, codes_, xs_, ys_, ends_, hosts_, frame_, last_, out_):
{numbers}
    next_ = 0
    while frame_ < len(ends_):
        t = ends_[frame_]
        code = {frame}
        x = 0.0
        y = 0.0
        if next_ < len(ts_):
            if ts_[next_] < t:
                t = ts_[next_]
                code = codes_[next_]
                x = xs_[next_]
                y = ys_[next_]
                next_ += 1
        elif not last_:
            break
{item}
        if code == {frame}:
{read}
            frame_ += 1
    return frame_
'''


@dataclass(frozen=True)
class FusedText:
    """The text of a module, and what it is given."""

    text: str
    """The module; ``{cache}`` in it is True or False."""
    numbers: tuple[float, ...]
    """The numbers that its second argument holds."""
    start: tuple[float, ...]
    """What its first argument holds at time 0."""


class _Do(NamedTuple):
    """A call of a function of the module, as a statement."""

    text: str


class _Module:
    """Collects the functions of a module."""

    def __init__(self, program: Program) -> None:
        self.program, self.woven, self.pose = program, program.woven, program.woven_pose
        copies = [copy_of(one).name for one in (ANCHOR.name, *self.woven.flowing)]
        self.state = [*program.state, *copies, READING.name, *(f"rig {name}" for name in program.rig)]
        self.slots = {name: place for place, name in enumerate(self.state)}
        self.numbers: list[float] = []
        self.functions: list[str] = []

    def spell(self, value: Value, least: int = 0) -> str:
        """State values as elements of one array, numbers as names that hold elements of another."""
        if isinstance(value, Name):
            return f"{_STATE}[{self.slots[value.name]}]" if value.name in self.slots else value.name
        if isinstance(value, Number):
            return (
                str(value)
                if isinstance(value.value, int) or value.value in _IN_PLACE
                else self.number(value.value)
            )
        text = value.spell(self.spell)
        return f"({text})" if value.strength < least else text

    def number(self, value: float) -> str:
        """The name of a number of the profile, or of a formula."""
        self.numbers.append(value)
        return _number(len(self.numbers) - 1)

    def lines(self, statements: Iterable[Statement]) -> list[str]:
        """Statements as lines; calls of the module's own functions stand for the larger ones."""
        found: list[str] = []
        for one in statements:
            if isinstance(one, _Do):
                found.append(one.text)
            elif isinstance(one, Branch | Loop):
                inner = [indented(self.lines(one.body) or ["pass"])]
                found += [
                    f"if {self.spell(one.test)}:" if isinstance(one, Branch) else "while True:",
                    *inner[0],
                ]
                otherwise = self.lines(one.otherwise) if isinstance(one, Branch) else []
                found += ["else:", *indented(otherwise)] if otherwise else []
            elif not isinstance(one, Note):
                found += lines([one], self.spell)
        return found

    def text(self) -> str:
        """The whole module."""
        body = self.lines([*drop(self.woven), *item(self.woven, self.wrapped)])
        read = [*self.lines(self.woven.reading), *self._outputs()]
        return _MODULE.strip("\n").format(
            maths=", ".join(MATHS),
            functions="\n\n\n".join(self.functions),
            signature=_SIGNATURE,
            cache="{cache}",
            numbers="\n".join(indented(_loads(range(len(self.numbers))))),
            frame=self.program.frame,
            item="\n".join(indented(body, 2)),
            read="\n".join(indented(read, 3)),
        )

    def wrapped(self, stem: str, statements: list[Statement]) -> list[Statement]:
        """A function of statements that are many; what calls it instead.

        It is given what it reads. Nothing that it assigns is read outside, but for the state.
        """
        if not statements or (stem == "event" and len(statements) <= _BRIEF):
            return statements
        known = {*self.slots, *set_in(statements)}
        given = sorted(read_in(statements) - known)
        first = len(self.numbers)
        body = self.lines(statements)
        numbers = range(first, len(self.numbers))
        arguments = [_STATE, *given]
        if stem == "passing" or len(numbers) <= _MOST_ARGUMENTS:
            arguments += [_number(k) for k in numbers]
        else:
            arguments.append(_NUMBERS)
            body = [*_loads(numbers), *body]
        name = f"{stem}{len(self.functions)}_"
        called = f"{name}({', '.join(arguments)})"
        self.functions.append("\n".join(["@compiled", f"def {called}:", *indented(body)]))
        call: Any = _Do(called)
        return [call]

    def _outputs(self) -> list[str]:
        """What a frame reads and the pose that it makes, each into its row of the results."""
        first, slots, self.slots = len(self.numbers), self.slots, {}
        body = self.lines(self.pose.statements)
        results = [self.spell(one) for one in (*self.pose.results, *self.pose.kept)]
        numbers, self.slots = [_number(k) for k in range(first, len(self.numbers))], slots
        taken = ", ".join([*(one.name for one in self.pose.taken), *numbers])
        body.append(f"return {', '.join(results)}")
        self.functions.append("\n".join(["@compiled", f"def pose_({taken}):", *indented(body)]))
        found = [f"read{k}_ = {self.spell(value)}" for k, value in enumerate(self.woven.outputs)]
        hosts = [f"hosts_[{k}, frame_]" for k in range(len(self.program.hosts))]
        rig = [f"{_STATE}[{self.slots[f'rig {name}']}]" for name in self.program.rig]
        moment = ["t"] if rig else []
        given = ", ".join([*(f"read{k}_" for k in self.program.posing), *hosts, *moment, *rig, *numbers])
        count, last = len(found), len(found) + len(self.pose.results)
        made = [*(f"read{k}_" for k in range(count, last)), *rig]
        found.append(f"{', '.join(made)} = pose_({given})")
        return [*found, *(f"out_[{k}, frame_] = read{k}_" for k in range(last))]


def fuse(program: Program) -> FusedText:
    """Write a program as a module with one function, ``run``.

    ``run(state, numbers, t, code, x, y, ends, hosts, frame, last, out)`` lets the events act, reads every
    frame from number `frame` on that ends after them into a column of `out`, and returns the number of the
    next frame. Unless these are the `last` events, frames that might have more of them are left for the next
    call. The state is changed in place. Rows of `out` are a program's values, then its pose.
    """
    module = _Module(program)
    text = module.text()
    kept = [0.0] * (len(module.state) - len(program.state) - len(program.rig))
    start = [*program.start, *kept, *program.rig.values()]
    return FusedText(text, tuple(module.numbers), tuple(start))


def _number(place: int) -> str:
    return f"number{place}_"


def _loads(places: Iterable[int]) -> list[str]:
    return [f"{_number(place)} = {_NUMBERS}[{place}]" for place in places]

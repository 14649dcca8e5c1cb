"""A woven program as the text of a module to be compiled: one loop over the events and frames of a take.

The state lies in an array. The numbers of a profile are not in the text but in a second array, so that
hundreds of settings of one profile share what was compiled once; only 0 and 1 stand where they are used.
What an event does, and what time does, become functions of their own: one function of all of it would take
minutes to compile.
"""

from __future__ import annotations

import ast
from dataclasses import dataclass
from typing import TYPE_CHECKING

from ...expressions import MATHS
from ..anatomy import take_apart

if TYPE_CHECKING:
    from collections.abc import Iterable

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


class _Lift(ast.NodeTransformer):
    """State values become elements of one array, numbers names that hold elements of another."""

    def __init__(self, state: Iterable[str], numbers: list[float]) -> None:
        self.slots = {name: place for place, name in enumerate(state)}
        self.numbers = numbers

    def visit_Name(self, node: ast.Name) -> ast.expr:
        """A state value; ``reading`` is a flag, and only an ``if`` asks for it."""
        if node.id not in self.slots:
            return node
        element = ast.Subscript(ast.Name(_STATE), ast.Constant(self.slots[node.id]))
        if node.id == "reading" and isinstance(node.ctx, ast.Load):
            return ast.Compare(element, [ast.NotEq()], [ast.Constant(0.0)])
        return element

    def visit_Assign(self, node: ast.Assign) -> ast.Assign:
        """An assignment; of a flag, a number."""
        if isinstance(node.value, ast.Constant) and isinstance(node.value.value, bool):
            node.value = ast.Constant(float(node.value.value))
        self.generic_visit(node)
        return node

    def visit_Constant(self, node: ast.Constant) -> ast.expr:
        """A number of the profile, or of a formula."""
        if not isinstance(node.value, float) or node.value in _IN_PLACE:
            return node
        self.numbers.append(node.value)
        return ast.Name(_number(len(self.numbers) - 1))


class _Module:
    """Collects the functions of a module."""

    def __init__(self, program: Program) -> None:
        self.program, self.parts = program, take_apart(program)
        self.numbers: list[float] = []
        self.state = [*program.state, *self.parts.kept, "reading", *(f"rig {name}" for name in program.rig)]
        self.lift = _Lift(self.state, self.numbers)
        self.functions: list[str] = []

    def text(self) -> str:
        """The whole module."""
        self._split()
        item = [self.lift.visit(one) for one in (self.parts.stale, *self.parts.item)]
        read = [*(self.lift.visit(one) for one in self.parts.read), *self._outputs()]
        return _MODULE.strip("\n").format(
            maths=", ".join(MATHS),
            functions="\n\n\n".join(self.functions),
            signature=_SIGNATURE,
            cache="{cache}",
            numbers=_lines(_loads(range(len(self.numbers))), 4),
            frame=self.program.frame,
            item=_lines(map(ast.unparse, item), 8),
            read=_lines(map(ast.unparse, read), 12),
        )

    def _split(self) -> None:
        """Make functions of what time does and of what each event does."""
        passing = next(node for node in self.parts.item if isinstance(node, ast.While)).body
        timers = passing[0]
        if isinstance(timers, ast.If):
            timers.body = self._function("timers", timers.body)
        begin = 1 + next(k for k, node in enumerate(passing) if "kept_anchor" in ast.unparse(node))
        if passing[begin:-1]:
            passing[begin:-1] = self._function("flow", passing[begin:-1], scalars=True)
        self._split_events(self.parts.item[-1])

    def _split_events(self, node: ast.stmt) -> None:
        """Make a function of each branch, down the questions about the code."""
        assert isinstance(node, ast.If)
        for name in ("body", "orelse"):
            inside = getattr(node, name)
            if len(inside) == 1 and isinstance(inside[0], ast.If) and "code <" in ast.unparse(inside[0].test):
                self._split_events(inside[0])
            elif sum(isinstance(one, ast.stmt) for part in inside for one in ast.walk(part)) > _BRIEF:
                setattr(node, name, self._function("event", inside))

    def _function(self, stem: str, body: list[ast.stmt], *, scalars: bool = False) -> list[ast.stmt]:
        """Make a function of statements; what calls it instead.

        It is given what it reads. Nothing that it assigns is read outside, but for the state.
        """
        names = [node for one in body for node in ast.walk(one) if isinstance(node, ast.Name)]
        own = {node.id for node in names if isinstance(node.ctx, ast.Store)}
        known = {*self.lift.slots, *MATHS, "abs", *own}
        given = [node.id for node in names if node.id not in known]
        first = len(self.numbers)
        lines = [ast.unparse(self.lift.visit(one)) for one in body]
        numbers = range(first, len(self.numbers))
        arguments = [_STATE, *dict.fromkeys(given)]
        if scalars or len(numbers) <= _MOST_ARGUMENTS:
            arguments += [_number(k) for k in numbers]
        else:
            arguments.append(_NUMBERS)
            lines = [*_loads(numbers), *lines]
        name = f"{stem}{len(self.functions)}_"
        self.functions.append(f"@compiled\ndef {name}({', '.join(arguments)}):\n{_lines(lines, 4)}")
        return ast.parse(f"{name}({', '.join(arguments)})").body

    def _outputs(self) -> list[ast.stmt]:
        """What a frame reads and the pose that it makes, each into its row of the results."""
        first = len(self.numbers)
        pose = _Lift((), self.numbers)
        steps = [ast.unparse(pose.visit(one)) for one in self.parts.pose]
        results = ", ".join(ast.unparse(pose.visit(one)) for one in self.parts.pose_results)
        numbers = [_number(k) for k in range(first, len(self.numbers))]
        taken = ", ".join([*self.parts.pose_arguments, *numbers])
        self.functions.append(f"@compiled\ndef pose_({taken}):\n{_lines([*steps, f'return {results}'], 4)}")
        values = [ast.unparse(self.lift.visit(one)) for one in self.parts.outputs]
        lines = [f"read{k}_ = {value}" for k, value in enumerate(values)]
        hosts = [f"hosts_[{k}, frame_]" for k in range(len(self.program.hosts))]
        rig = [f"{_STATE}[{self.lift.slots[f'rig {name}']}]" for name in self.program.rig]
        given = ", ".join(
            [*(f"read{k}_" for k in self.program.posing), *hosts, *(["t"] if rig else []), *rig, *numbers]
        )
        last = len(values) + len(self.parts.pose_results) - len(rig)
        made = [*(f"read{k}_" for k in range(len(values), last)), *rig]
        lines.append(f"{', '.join(made)} = pose_({given})")
        lines += [f"out_[{k}, frame_] = read{k}_" for k in range(last)]
        return ast.parse("\n".join(lines)).body


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


def _lines(statements: Iterable[str], indent: int) -> str:
    return "\n".join(" " * indent + line for one in statements for line in one.split("\n"))

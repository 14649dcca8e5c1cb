"""Python: a program as the text of a generator that keeps its state in locals, and a pose as a function."""

from __future__ import annotations

import hashlib
import linecache
import re
from collections import Counter
from keyword import kwlist
from typing import TYPE_CHECKING, Any

from ...expressions import MATHS, Branch, Leave, Loop, Note, Part, Set
from ..loop import HELD, KEPT, NONE, copy_of, drop, item, restored
from ..woven import POSED

if TYPE_CHECKING:
    from collections.abc import Callable, Container, Iterable, Sequence
    from types import CodeType

    from ...expressions import Statement, Value
    from ..woven import Woven, WovenPose


def lines(
    statements: Iterable[Statement], spell: Callable[[Value], str] | None = None, pad: str = ""
) -> list[str]:
    """Statements as lines, nested ones indented; `spell` can write values another way."""
    found: list[str] = []
    for one in statements:
        if isinstance(one, Set):
            targets, values = one
            if spell:
                row = f"{', '.join(map(spell, targets))} = {', '.join(map(spell, values))}"
            elif len(targets) == 1:
                row = f"{targets[0].text} = {values[0].text}"
            else:
                row = f"{', '.join([n.text for n in targets])} = {', '.join([v.text for v in values])}"
            found.append(pad + row)
        elif isinstance(one, Branch):
            found += [f"{pad}if {spell(one.test) if spell else one.test.text}:"]
            found += _branch(one.body, spell, pad + "    ")
            if one.otherwise:
                found += [f"{pad}else:", *_branch(one.otherwise, spell, pad + "    ")]
        elif isinstance(one, Note):
            found.append(f"{pad}# {one.words}")
        elif isinstance(one, Loop):
            found += [f"{pad}while True:", *lines(one.body, spell, pad + "    ")]
        elif isinstance(one, Part):
            found += [f"{pad}# {one.name}", *lines(one.body, spell, pad)]
        else:
            found.append(f"{pad}break" if isinstance(one, Leave) else f"{pad}continue")
    return found


def _branch(statements: list[Statement], spell: Callable[[Value], str] | None, pad: str) -> list[str]:
    """A branch's statements; Python needs at least one."""
    found = lines(statements, spell, pad)
    return found if any(not isinstance(one, Note) for one in statements) else [*found, f"{pad}pass"]


def indented(inner: Iterable[str], steps: int = 1) -> list[str]:
    """Lines, indented so many steps more."""
    return ["    " * steps + line for line in inner]


_PARAMETER = re.compile(r"\bn(\d+)_\w+")


def parameters_in(text: str) -> dict[str, int]:
    """The parameters that a text uses, each with its place."""
    return {one[0]: int(one[1]) for one in _PARAMETER.finditer(text)}


def with_numbers(text: str, parameters: Sequence[str], read: Container[str] | None = None) -> str:
    """The text of a function that takes ``numbers`` and sets parameters from them, all or those used."""
    rows = [f"    {name} = numbers[{k}]\n" for k, name in enumerate(parameters) if read and name in read]
    if read is None and parameters:
        rows = [f"    {_tuple(parameters)[1:-1]} = numbers\n"]
    first, rest = text.split("\n", 1)
    return f"{first}\n{''.join(rows)}{rest}"


def function(
    name: str, taken: Iterable[str], statements: Iterable[Statement], results: Sequence[Value]
) -> str:
    """A function that takes some names, runs statements and returns results as a tuple."""
    body = [*lines(statements), f"return {_tuple(map(str, results))}"]
    return "\n".join([f"def {name}({', '.join(taken)}):", *indented(body)]) + "\n"


def pose_text(pose: WovenPose, places: Sequence[int], hosts: int) -> str:
    """A pose, as a function of a frame's values, what the host says, the time (s) and what mounts keep.

    It uses a frame's values at `places`, and so many `hosts`, and returns the pose in its parts, and what is
    kept from now on. The outer function takes the program's numbers.
    """
    taken = [one.name for one in pose.taken]
    read, said = taken[: len(places)], taken[len(places) : len(places) + hosts]
    body = [f"{one} = values[{k}]" for one, k in zip(read, places, strict=True)]
    if said:
        body.append(f"{', '.join(said)} = host")
    if pose.kept:
        body.append(f"{_tuple(map(str, pose.kept))[1:-1]} = rig")
    keeps = _tuple(map(str, pose.kept)) if pose.kept else POSED[-1]
    made = [*map(str, pose.results)]
    parts = _tuple([_tuple(made[:3]), _tuple(made[3:7]), *made[7:]])
    body += [*lines(pose.statements), f"return {parts}, {keeps}"]
    made = [f"def pose({', '.join(POSED)}):", *indented(body), "return pose"]
    return "\n".join(["def posing(numbers):", *indented(made)]) + "\n"


_EACH = "for t, code, x, y in items:"
"""How a loop goes on to what it was sent."""


def live_text(woven: Woven, state: Iterable[str]) -> str:
    """A program, as the generator that a session runs, from a saved state with the program's numbers.

    It is sent items — time, code, x, y — that end in a frame, and yields that frame's values. Sent an empty
    list, it yields the saved state, or where there are parts of a state in `back`, it takes them out and goes
    on from there. Sent None it yields its own parts: when it was committed, what flows, what is held; what a
    frame let flow stays then.
    """
    names, flows = [*state], woven.flowing
    held = _tuple(one for one in names[1:] if one not in flows)
    (dropped,) = lines(drop(woven, packed=True)[:1])[:1]
    wait = ["items = yield out", "while not items:"]
    copies = KEPT.text if len(flows) > 1 else _tuple(copy_of(one).text for one in flows)
    own = [f"if {HELD} is {NONE}:", f"    {HELD} = {held}", dropped]
    own += [f"    items = yield ({copy_of(names[0])}, {copies}, {HELD})", "else:"]
    own.append(f"    items = yield ({names[0]}, {_tuple(flows)}, {HELD})")
    take = [f"{names[0]}, {KEPT}, {HELD} = back.pop()"]
    take += [f"{_tuple(flows)[1:-1]} = {KEPT}"] if flows else []
    take += [f"{held[1:-1]} = {HELD}"] if held != "()" else []
    take += ["reading = 0.0", "items = yield"]
    kept = [*lines(restored(woven, packed=True)), "reading = 0.0"]
    save = [dropped, *indented(kept), f"items = yield {_tuple(names)}"]
    save = ["elif back:", *indented(take), "else:", *indented(save)]
    save = ["if items is None:", *indented(own), *save]
    stale = lines(drop(woven, packed=True))
    fresh = [stale[0], "    t, code, x, y = items[0]", *stale[1:]]
    begin = [f"{_tuple(names)[1:-1]} = saved", f"reading, {HELD}, out = 0.0, {NONE}, None", "while True:"]
    each = lines(item(woven, packed=True), pad="            ")
    last = [f"out = {_tuple(map(str, woven.outputs))}"]
    found = [
        "def live(saved, numbers, back=()):",
        *indented(begin),
        *indented([*wait, *indented(save), *fresh], 2),
    ]
    found += [*indented([_EACH], 2), *each]
    return "\n".join([*found, *lines(woven.reading, pad="        "), *indented(last, 2)]) + "\n"


SHORT = 256
"""So many locals have places of one byte; each use of another takes Python an instruction more."""
_APART = str.maketrans(dict.fromkeys("()[],=+-*/<>!:.", " "))
"""Spaces in place of every sign of a text."""
_NO_LOCALS = {*MATHS, "abs", *kwlist}
"""The words of a text that are no locals."""


def with_short_places(text: str) -> str:
    """A program's text in which what is used most has short places.

    Python gives places in the order in which it meets locals, so they stand in a line before all others; a
    program of few locals has no need of one.
    """
    # read off the text: to ask every value for its names takes far longer
    apart = text.translate(_APART)
    names = {word for word in {*apart.split()} - _NO_LOCALS if not word[0].isdigit()}
    if len(names) <= SHORT:
        return text
    rows: dict[int, list[str]] = {}
    for line in apart[text.index(_EACH) :].splitlines():
        bare = line.lstrip()
        if bare[0] != "#":
            rows.setdefault((len(line) - len(bare)) // 4, []).append(bare)
    uses: dict[str, float] = {}
    for depth, some in rows.items():
        for word, count in Counter(" ".join(some).split()).items():
            # of two branches one runs: a level deeper is used half as often
            uses[word] = uses.get(word, 0.0) + count * 0.5**depth
    most = sorted(uses.keys() & names, key=lambda name: (-uses[name], name))[:SHORT]
    top, rest = text.split("\n", 1)
    first = ["# what is used most comes first: Python reaches 256 locals in one instruction"]
    return "\n".join([top, *indented([*first, f"{' = '.join(most)} = 0.0"]), rest])


def listed_numbers(parameters: Sequence[str], numbers: Sequence[float]) -> str:
    """The numbers of a program, one per line, each with its name."""
    rows = (f"{number!r},  # {name}" for name, number in zip(parameters, numbers, strict=True))
    return "\n".join(["numbers = (", *indented(rows), ")"]) + "\n"


def _tuple(parts: Iterable[str]) -> str:
    found = [*parts]
    return f"({', '.join(found)}{',' if len(found) == 1 else ''})"


def code_of(text: str) -> CodeType:
    """A text, compiled. It has only our own identifiers, nothing from a profile."""
    return compile(text, f"<woven {hashlib.sha256(text.encode()).hexdigest()[:12]}>", "exec")


def function_of(code: CodeType, text: str, name: str) -> Callable[..., Any]:
    """The function `name` of a text that was compiled; tracebacks show the text's lines."""
    file = code.co_filename
    linecache.cache[file] = (len(text), None, text.splitlines(keepends=True), file)
    space: dict[str, Any] = dict(MATHS)
    exec(code, space)
    made: Callable[..., Any] = space[name]
    return made


def compiled(text: str, name: str) -> Callable[..., Any]:
    """The function `name` of a text."""
    return function_of(code_of(text), text, name)

"""C for our own use: a program as a small library that a session or a replay runs in place of the Python.

All that one session is lies in one row of doubles, its *room*, so that a call takes one argument and nothing
is converted on the way. The numbers of a profile are not in the text but in the room, so that hundreds
of settings of one profile share what was compiled once; only 0 and 1 stand where they are used.
"""

from __future__ import annotations

import re
import sys
from dataclasses import dataclass
from functools import cache
from itertools import accumulate
from typing import TYPE_CHECKING

from ...expressions import MATHS, Branch, Set, lift
from ...plan import ANCHOR
from ..loop import READING, copy_of, drop, item, restored
from .c import C, indented

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    from ...expressions import Number
    from ..program import Program

_IN_PLACE = (0.0, 1.0)
"""Numbers that stay in the text: flags and counts are made of them."""

MOST = 256
"""How many events one call takes; who has more calls several times."""

_PAIRS = ("atan2", "pow")
"""Functions of two numbers."""

_TEXT = """
/* Woven by Mellow Thumb, for its own use. */
#include <math.h>
#include <stdint.h>

#if defined(_WIN32)
#define SHOWN __declspec(dllexport)
#else
#define SHOWN __attribute__((visibility("default")))
#endif

typedef struct {
@fields@
} kept;

typedef struct { double t, code, x, y; } item;

static void act(kept *restrict s, const double *restrict n, double t, int code, double x, double y)
{
    (void)n;
    (void)x;
    (void)y;
@act@
}

static void read(kept *restrict s, const double *restrict n, double t, double *restrict out)
{
    (void)s;
    (void)n;
    (void)t;
@read@
}

static void pose(kept *restrict s, const double *restrict n, const double *restrict seen,
                 const double *restrict host, double t, double *restrict out)
{
    (void)s;
    (void)n;
    (void)seen;
    (void)host;
    (void)t;
@pose@
}

/* Let the events of the room act, of which the last is a frame, and read that. */
SHOWN void room_frame(double *room)
{
    kept *s = (kept *)(room + @STATE@);
    const double *n = room + @NUMBERS@;
    const item *one = (const item *)(room + @ITEMS@ + 1);
    const int count = (int)room[@ITEMS@];
    for (int k = 0; k < count; k++)
        act(s, n, one[k].t, (int)one[k].code, one[k].x, one[k].y);
    if (count > 0 && one[count - 1].code == @FRAME@)
        read(s, n, one[count - 1].t, room + @OUT@);
}

/* Make the pose of what the last frame read, at the time room[0]. */
SHOWN void room_pose(double *room)
{
    pose((kept *)(room + @STATE@), room + @NUMBERS@, room + @OUT@, room + @HOSTS@, room[0], room + @POSE@);
}

/* Drop what a frame let flow: the state is what was committed. */
SHOWN void room_save(double *room)
{
    kept *s = (kept *)(room + @STATE@);
@save@
}

typedef struct {
    double *room;
    const double *t;
    const int32_t *code;
    const double *x, *y;
    int64_t count;
    const double *ends;
    int64_t frames;
    const double *hosts;
    double *out;
    int64_t width, frame, last;
} take;

/* Let the events of a take act, and read its frames, as far as these events go. */
SHOWN void room_take(take *of)
{
    kept *s = (kept *)(of->room + @STATE@);
    const double *n = of->room + @NUMBERS@;
    double host[@HOST_COUNT@ + 1], out[@READ_COUNT@ + @POSE_COUNT@];
    int64_t next = 0, frame = of->frame;
    const int64_t width = of->width;
    for (; frame < of->frames; frame++) {
        const double end = of->ends[frame];
        for (; next < of->count && of->t[next] < end; next++)
            act(s, n, of->t[next], of->code[next], of->x[next], of->y[next]);
        if (next == of->count && !of->last)
            break;
        act(s, n, end, @FRAME@, 0.0, 0.0);
        read(s, n, end, out);
        for (int k = 0; k < @HOST_COUNT@; k++)
            host[k] = of->hosts[k * width + frame];
        pose(s, n, out, host, end, out + @READ_COUNT@);
        for (int k = 0; k < @READ_COUNT@ + @POSE_COUNT@; k++)
            of->out[k * width + frame] = out[k];
    }
    of->frame = frame;
}

/* What a function gives: a row is a count, which function, and pairs, of which the first is replaced. */
SHOWN void room_maths(double *row)
{
    const int count = (int)row[0];
    double *x = row + 2;
    switch ((int)row[1]) {
@maths@
    }
}
"""


@dataclass(frozen=True)
class Layout:
    """Where everything lies in a room, counted in doubles; the time of a pose comes first."""

    hosts: int
    """What the host says of what is seen."""
    out: int
    """What a frame reads."""
    pose: int
    """The pose; what mounts keep comes after it."""
    rig: int
    """What mounts keep."""
    state: int
    """The program's own state, in its order; what only the loop keeps comes after it."""
    numbers: int
    """The profile's."""
    items: int
    """The count of the events of a call, and the events, four numbers each."""

    @property
    def size(self) -> int:
        """How many doubles a room is."""
        return self.items + 1 + 4 * MOST


@dataclass(frozen=True)
class EngineText:
    """The text of a library, and what its rooms begin with."""

    text: str
    layout: Layout
    start: tuple[float, ...]
    """What a room holds at time 0, from the rig on."""
    maths: tuple[str, ...]
    """The functions of mathematics that it calls, in the order in which ``room_maths`` numbers them."""


class _C(C):
    """C whose numbers lie in a row of their own."""

    def __init__(self, kept: Mapping[str, str], numbers: list[float], given: Iterable[str] = ()) -> None:
        super().__init__(kept, given)
        self.numbers = numbers

    def value_number(self, one: Number) -> tuple[str, int]:
        """A number of the profile, or of a formula; or a code."""
        text, binds = super().value_number(one)
        if isinstance(one.value, int) or one.value in _IN_PLACE:
            return text, binds
        self.numbers.append(one.value)
        return f"n[{len(self.numbers) - 1}]", binds


@cache
def source_of_c() -> str:
    """Who writes C: another version of it may write another text of the same program."""
    from inspect import getsource

    from . import c

    return getsource(c) + getsource(sys.modules[__name__])


def engine_text(program: Program) -> EngineText:
    """Write a program as the text of a library."""
    woven, posed = program.woven, program.woven_pose
    copies = [copy_of(one).name for one in (ANCHOR.name, *woven.flowing)]
    rig = {one.name: f"rig_{one}" for one in posed.kept}
    state = [*program.state, *copies, READING.name]
    numbers: list[float] = []
    acting, reading, saving = (_C({one: one for one in state}, numbers, "t") for _ in range(3))
    posing = _C(rig, numbers, "t")
    dropped = Branch(READING != 0.0, [*restored(woven), Set((READING,), (lift(0.0),))], [])
    act, read = acting.body([*drop(woven), *item(woven)]), reading.body(woven.reading, woven.outputs)
    made, save = posing.body(posed.statements, posed.results), saving.lines([dropped])
    taken = [one.name for one in posed.taken if one.name not in (*rig, "t")]
    given = [*(f"seen[{k}]" for k in program.posing), *(f"host[{k}]" for k in range(len(program.hosts)))]
    begin = [f"const double {name} = {what};" for name, what in zip(taken, given, strict=True)]
    called = set(re.findall(r"\b([a-z]\w*)\(", "\n".join([*act, *read, *made])))
    maths = tuple(name for name in (*MATHS, "pow") if name in called)
    parts = {
        "fields": [f"double {one};" for one in (*rig.values(), *state)],
        "act": [*acting.declared(), *act],
        "read": [*reading.declared(), *read],
        "pose": [*begin, *(f"(void){name};" for name in taken), *posing.declared(), *made],
        "save": save,
        "maths": [line for k, name in enumerate(maths) for line in _case(k, name)],
    }
    hosts, width, results = len(program.hosts), len(woven.outputs), len(posed.results)
    sizes = (hosts, width, results, len(rig), len(state), len(numbers))
    layout = Layout(*accumulate(sizes, initial=1))
    counts = {"FRAME": program.frame, "HOST_COUNT": hosts, "READ_COUNT": width, "POSE_COUNT": results}
    start = (*program.rig.values(), *program.start, *(0.0 for _ in range(len(copies) + 1)), *numbers)
    return EngineText(_filled(parts, layout, counts), layout, start, maths)


def _case(place: int, name: str) -> list[str]:
    """What works one function out for a row of pairs."""
    given = "x[2 * k], x[2 * k + 1]" if name in _PAIRS else "x[2 * k]"
    unsigned = " + 0.0" if name == "ceil" else ""
    row = f"    for (int k = 0; k < count; k++) x[2 * k] = {name}({given}){unsigned};"
    return [f"case {place}:", row, "    break;"]


def _filled(parts: dict[str, list[str]], layout: Layout, counts: dict[str, int]) -> str:
    """The text with its parts and places in it; C has braces of its own."""
    text = _TEXT.lstrip("\n")
    places = {
        "HOSTS": layout.hosts,
        "OUT": layout.out,
        "POSE": layout.pose,
        "STATE": layout.rig,
        "NUMBERS": layout.numbers,
        "ITEMS": layout.items,
    }
    for key, lines in parts.items():
        text = text.replace(f"@{key}@", "\n".join(indented(lines)))
    for key, place in {**places, **counts}.items():
        text = text.replace(f"@{key}@", str(place))
    return text

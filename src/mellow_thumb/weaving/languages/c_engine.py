"""C for our own use: a program as a small library that sessions and replays run in place of the Python.

A session's whole state is one array of doubles, its *room*, so that a call takes one argument and nothing
is converted. The numbers of a profile are not in the text but in the room, so that hundreds
of settings of one profile share what was compiled once.
"""

from __future__ import annotations

import re
import sys
from dataclasses import dataclass
from functools import cache
from itertools import accumulate
from typing import TYPE_CHECKING

from ...expressions import MATHS, Block, Branch, Filled, Names, Operation, Parameter, Set, Word, lift
from ...formulas import evened, heading_of, is_rotation
from ...plan import AGE, ANCHOR
from ..loop import READING, copy_of, drop, item, restored
from .c import ATOM, C, indented

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Mapping

    from ...expressions import Name, Value
    from ..program import Program

MOST = 256
"""How many events one call takes; who has more calls several times."""

_PAIRS = ("atan2", "pow")
"""Functions of two numbers."""

_TEXT = """
/* Woven by Mellow Thumb, for its own use. */
#if defined(__GNUC__) && !defined(__clang__)
/* These parts of -O2 take gcc a third of its time, and make nothing here quicker. */
#pragma GCC optimize("no-tree-pre", "no-code-hoisting", "no-gcse", "no-tree-vrp", "no-tree-slp-vectorize")
#pragma GCC optimize("no-expensive-optimizations")
#endif
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

/* The exponential of x. Decays are asked for over the same times again and again: frames of a steady rate are
 * as long as each other but for one bit. So the last two questions are kept, with their answers. */
static __attribute__((noinline)) double first_exp(double *restrict kept, double x)
{
    kept[2] = kept[0];
    kept[3] = kept[1];
    kept[0] = x;
    return kept[1] = exp(x);
}

static inline double again_exp(double *restrict kept, double x)
{
    return x == kept[0] ? kept[1] : x == kept[2] ? kept[3] : first_exp(kept, x);
}

#define GATHERED 128

@parts@

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

/* Let events act, and a frame after them, where there is one. `act` is called only here, so it is inlined. */
static void acts(kept *restrict s, const double *restrict n, const item *one, int64_t count,
                 const item *frame)
{
    const int64_t all = count + (frame != 0);
    for (int64_t k = 0; k < all; k++) {
        const item *now = k < count ? one + k : frame;
        act(s, n, now->t, (int)now->code, now->x, now->y);
    }
}

/* Let the events of the room act, as they stand; where the last is a frame, it is read. */
SHOWN void room_act(double *room)
{
    kept *s = (kept *)(room + @STATE@);
    const double *n = room + @NUMBERS@;
    const item *one = (const item *)(room + @FRAME_AT@ + 3);
    const int count = (int)room[@FRAME_AT@ + 2];
    acts(s, n, one, count, 0);
    if (count > 0 && one[count - 1].code == @FRAME@)
        read(s, n, one[count - 1].t, room + @OUT@);
}

/* Let events act in a frame with a beginning and an end, and read it. One without a time acts with the one
 * before it. Where they are not in order, or not all of this frame, or where one is yet to be made events of,
 * nothing acts, and the count is -1. */
SHOWN void room_frame(double *room)
{
    kept *s = (kept *)(room + @STATE@);
    const double *n = room + @NUMBERS@;
    item *one = (item *)(room + @FRAME_AT@ + 3);
    const item frame = {room[@FRAME_AT@ + 1], @FRAME@, 0.0, 0.0};
    const int count = (int)room[@FRAME_AT@ + 2];
    double latest = room[@FRAME_AT@];
    for (int k = 0; k < count; k++) {
        const int timed = one[k].t != -HUGE_VAL;
        if (!timed)
            one[k].t = latest; /* in a frame of no length that is its end */
        if (!(one[k].code >= 0.0) || (timed && !(latest <= one[k].t && one[k].t < frame.t))) {
            room[@FRAME_AT@ + 2] = -1.0;
            return;
        }
        latest = one[k].t;
    }
    acts(s, n, one, count, &frame);
    read(s, n, frame.t, room + @OUT@);
}

static double heading(double x, double y, double z, double w)
{
@heading@
}

static double is_rotation(double x, double y, double z, double w)
{
@is_rotation@
}

/* Make the pose of what the last frame read. First the subject is put where the host says, if that is news
 * (1: its place, 2: its rotation too); what is not finite, or no rotation, stays news, and does nothing. */
SHOWN void room_pose(double *room)
{
    double *host = room + @HOSTS@;
    if (room[0] != 0.0) {
        const double x = room[1], y = room[2], z = room[3];
        const int turned = room[0] == 2.0;
        if ((x - x) + (y - y) + (z - z) != 0.0)
            return;
        if (turned && is_rotation(room[4], room[5], room[6], room[7]) == 0.0)
            return;
        host[0] = x;
        host[1] = y;
        host[2] = z;
        if (turned && @TURNS@ >= 0)
            host[@TURNS@ >= 0 ? @TURNS@ : 0] = heading(room[4], room[5], room[6], room[7]);
        room[0] = 0.0;
    }
    pose((kept *)(room + @STATE@), room + @NUMBERS@, room + @OUT@, host, room[@HOSTS@ - 1], room + @POSE@);
}

/* Drop what a frame let flow: the state is what was committed. */
SHOWN void room_save(double *room)
{
    kept *s = (kept *)(room + @STATE@);
@save@
}

typedef struct {
    double *room;
    const item *events;
    int64_t count;
    const double *ends;
    int64_t frames;
    const double *hosts;
    int64_t width, frame, last, columns;
    const int64_t *wanted;
    double *const *to;
} take;

/* What is wanted of frames goes out a column a value; some frames are gathered first, since to write in many
 * places at once is slow. */
static void gathered(const take *of, double row[][@READ_COUNT@ + @POSE_COUNT@], int64_t first, int rows)
{
    for (int64_t k = 0; k < of->columns; k++) {
        double *column = of->to[k] + first;
        const int64_t value = of->wanted[k];
        int j = 0;
        for (; j + 4 <= rows; j += 4) { /* by fours: counting would take as long as writing */
            column[j] = row[j][value];
            column[j + 1] = row[j + 1][value];
            column[j + 2] = row[j + 2][value];
            column[j + 3] = row[j + 3][value];
        }
        for (; j < rows; j++)
            column[j] = row[j][value];
    }
}

/* Let the events of a take act, and read its frames, as far as these events go. */
SHOWN void room_take(take *of)
{
    kept *s = (kept *)(of->room + @STATE@);
    const double *n = of->room + @NUMBERS@;
    double host[@HOST_COUNT@ + 1], row[GATHERED][@READ_COUNT@ + @POSE_COUNT@];
    const item *next = of->events, *const stop = next + of->count;
    const double known = of->last ? HUGE_VAL : of->count > 0 ? stop[-1].t : -HUGE_VAL;
    const int64_t frames = of->frames, width = of->width;
    int64_t frame = of->frame;
    int rows = 0;
    for (; frame < frames && of->ends[frame] <= known; frame++) {
        const item ends = {of->ends[frame], @FRAME@, 0.0, 0.0}, *first = next;
        while (next < stop && next->t < ends.t)
            next++;
        acts(s, n, first, next - first, &ends);
        double *out = row[rows];
        read(s, n, ends.t, out);
        for (int k = 0; k < @HOST_COUNT@; k++)
            host[k] = of->hosts[k * width + frame];
        pose(s, n, out, host, ends.t, out + @READ_COUNT@);
        if (++rows == GATHERED) {
            gathered(of, row, frame + 1 - rows, rows);
            rows = 0;
        }
    }
    if (frame < frames)
        acts(s, n, next, stop - next, 0);
    gathered(of, row, frame - rows, rows);
    of->frame = frame;
}

/* What all rows of one signal have in common. */
typedef struct {
    double code, low, high;
    double other; /* what stands for the component that a row does not have */
    int64_t place; /* of a value in an event: 2 for x, 3 for y; 0 if the rows are passed over */
    int64_t follows; /* the number of the `.y` of an `.x`; -1 for every other */
} named;

typedef struct {
    const double *t, *value;
    const int32_t *name;
    int64_t count;
    const named *names;
    item *to;
} lines;

/* Make events of a take's rows, in order of time: an `.y` right after its own `.x` is one event with it, and
 * what the profile does not use is passed over. The count is then that of the events; -1 if a row is to be
 * refused or clipped.
 *
 * No processor can guess which signal comes next, so only what is passed over is a branch. The second row of
 * an event says nothing of the first part: what it writes of it goes where the next event will be. */
SHOWN void room_events(lines *of)
{
    const double *const t = of->t, *const value = of->value;
    const int32_t *const name = of->name;
    const named *const names = of->names;
    item *const first = of->to;
    const int64_t count = of->count;
    int64_t made = -1, awaited = -1;
    double before = 0.0;
    int good = count == 0 || (t[0] - t[0] == 0.0 && t[count - 1] - t[count - 1] == 0.0);
    for (int64_t k = 0; k < count; k++) {
        const named *one = names + name[k];
        const int64_t place = one->place;
        if (place == 0)
            continue;
        const double at = t[k], now = value[k];
        const int64_t second = (name[k] == awaited) & (at == before);
        good &= (now >= one->low) & (now <= one->high);
        made += 1 - second;
        item *to = first + made;
        to->t = at;
        to->code = one->code;
        ((double *)to)[place] = now;
        ((double *)(to + second))[5 - place] = one->other;
        awaited = one->follows;
        before = at;
    }
    of->count = good ? made + 1 : -1;
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
    """Where everything lies in a room, counted in doubles.

    First comes what is said of a subject (whether it is new, its place, its rotation), then the time.
    """

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
    again: int
    """What exponentials were asked before, with the answers."""
    frame: int
    """A frame: when it begins and ends, how many events it has, and they, four numbers each."""

    @property
    def size(self) -> int:
        """How many doubles a room is."""
        return self.frame + 3 + 4 * MOST


@dataclass(frozen=True)
class EngineText:
    """The text of a library, and how its rooms lie."""

    text: str
    layout: Layout
    maths: tuple[str, ...]
    """The functions of mathematics that it calls, in the order in which ``room_maths`` numbers them."""


def room_start(layout: Layout, program: Program) -> tuple[float, ...]:
    """What a room holds at time 0, from the rig on."""
    unread = layout.numbers - layout.state - len(program.start)
    asked = (layout.frame - layout.again) // 2
    start = (*program.rig.values(), *program.start, *((0.0,) * unread), *program.numbers)
    # as if each had been asked for exp(0) before
    return start + (0.0, 1.0) * asked


class _C(C):
    """C whose numbers are in an array of their own."""

    calls = "{}(s, n, t, code, x, y);"

    def __init__(
        self, kept: Mapping[str, str], program: Program, again: list[str], given: Iterable[str] = ()
    ) -> None:
        """`again` collects what those exponentials are asked that keep it."""
        super().__init__(kept, given)
        self.places = {name: k for k, name in enumerate(program.parameters)}
        self.again = again

    def value_parameter(self, one: Parameter) -> tuple[str, int]:
        """The place of its number."""
        return f"n[{self.places[one.name]}]", ATOM

    def value_call(self, one: Value) -> tuple[str, int]:
        """A function of mathematics; the exponential of a rate over a time keeps what it was asked.

        Not over an event's age: that is its own.
        """
        called: str = one.function  # type: ignore[attr-defined]
        if called != "exp" or not _is_rate_over_time(one.parts[0]) or AGE.name in one.names:
            return super().value_call(one)
        self.again.append(self.value(one.parts[0]))
        return f"again_exp(s->again + {4 * (len(self.again) - 1)}, {self.again[-1]})", ATOM


def _is_rate_over_time(one: Value) -> bool:
    """Whether a value is a number of the profile times something."""
    tree = one.tree if isinstance(one, Filled) else one
    return isinstance(tree, Operation) and tree.sign == "*" and isinstance(tree.parts[0], Parameter)


@cache
def source_of_c() -> str:
    """What writes the C: another version may write another text for the same program."""
    from inspect import getsource

    from . import c

    return getsource(c) + getsource(sys.modules[__name__])


def engine_text(program: Program) -> EngineText:
    """Write a program as the text of a library."""
    woven, posed = program.woven, program.woven_pose
    copies = [copy_of(one).name for one in (ANCHOR.name, *woven.flowing)]
    rig = {one.name: f"rig_{one}" for one in posed.kept}
    state = [*program.state, *copies, READING.name]
    kept = {one: one for one in state}
    again: list[str] = []
    acting, reading, saving = (_C(kept, program, again, given) for given in (("t", "x", "y"), "t", "t"))
    posing = _C(rig, program, again, "t")
    dropped = Branch(READING != 0.0, [*restored(woven), Set((READING,), (lift(0.0),))], [])
    act, read = acting.body([*drop(woven), *item(woven)]), reading.body(woven.reading, woven.outputs)
    made, save = posing.body(posed.statements, posed.results), saving.lines([dropped])
    taken = [one.name for one in posed.taken if one.name not in (*rig, "t")]
    given = [*(f"seen[{k}]" for k in program.posing), *(f"host[{k}]" for k in range(len(program.hosts)))]
    begin = [f"const double {name} = {what};" for name, what in zip(taken, given, strict=True)]
    turned = _body(evened, heading_of)
    apart = [line for body, _ in acting.parts.values() for line in body]
    called = set(re.findall(r"\b([a-z]\w*)\(", "\n".join([*act, *apart, *read, *made, *turned])))
    called |= {"exp"} if again else set()
    maths = tuple(name for name in (*MATHS, "pow") if name in called)
    arrays = ("number", len(program.numbers)), ("again", 4 * len(again))
    parts = {
        "fields": [
            *(f"double {one};" for one in (*rig.values(), *state)),
            *(f"double {name}[{size}];" for name, size in arrays if size),
        ],
        "act": [*acting.declared(), *act],
        "parts": [line for name, part in acting.parts.items() for line in _part(name, *part)],
        "read": [*reading.declared(), *read],
        "pose": [*begin, *(f"(void){name};" for name in taken), *posing.declared(), *made],
        "save": save,
        "heading": turned,
        "is_rotation": _body(is_rotation),
        "maths": [line for k, name in enumerate(maths) for line in _case(k, name)],
    }
    hosts, width, results = len(program.hosts), len(woven.outputs), len(posed.results)
    sizes = (len(program.asked), width, results, len(rig), len(state), *(size for _, size in arrays))
    layout = Layout(*accumulate(sizes, initial=9))
    counts = {"FRAME": program.frame, "HOST_COUNT": hosts, "READ_COUNT": width, "POSE_COUNT": results}
    counts["TURNS"] = program.asked_places.get("subject_yaw", -1)
    return EngineText(_filled(parts, layout, counts), layout, maths)


def _body(*formulas: Callable[..., object]) -> list[str]:
    """The body of a function that chains formulas, each on the results of the one before."""
    block, writer = Block(Names("xyzw")), C({})
    found: tuple[Name, ...] = tuple(map(Word, "xyzw"))
    for formula in formulas:
        found = block.call(formula, *found)
    lines = writer.lines(block.statements)
    return [*writer.declared(), *lines, f"return {writer.value(found[0])};"]


def _part(name: str, body: list[str], rare: bool) -> list[str]:
    """A function for a part; inlined into another it would take long to compile."""
    given = "kept *restrict s, const double *restrict n, double t, int code, double x, double y"
    unused = [f"(void){one};" for one in ("n", "t", "code", "x", "y")]
    kind = "cold" if rare else "noinline"
    return [f"__attribute__(({kind})) static void {name}({given})", "{", *indented([*unused, *body]), "}", ""]


def _case(place: int, name: str) -> list[str]:
    """The case that computes one function for an array of pairs."""
    given = "x[2 * k], x[2 * k + 1]" if name in _PAIRS else "x[2 * k]"
    unsigned = " + 0.0" if name == "ceil" else ""
    row = f"    for (int k = 0; k < count; k++) x[2 * k] = {name}({given}){unsigned};"
    return [f"case {place}:", row, "    break;"]


def _filled(parts: dict[str, list[str]], layout: Layout, counts: dict[str, int]) -> str:
    """The text with its parts filled in; not by ``format``, since C has braces too."""
    text = _TEXT.lstrip("\n")
    places = {
        "HOSTS": layout.hosts,
        "OUT": layout.out,
        "POSE": layout.pose,
        "STATE": layout.rig,
        "NUMBERS": layout.numbers,
        "FRAME_AT": layout.frame,
    }
    for key, lines in parts.items():
        text = text.replace(f"@{key}@", "\n".join(lines if key == "parts" else indented(lines)))
    for key, place in {**places, **counts}.items():
        text = text.replace(f"@{key}@", str(place))
    return text

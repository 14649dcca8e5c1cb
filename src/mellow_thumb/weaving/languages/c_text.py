"""C: the woven text of a plan as one C99 header without dependencies, for engines in other languages.

It is translated from the woven Python's own syntax tree, statement by statement, so there is no second copy
of a formula or of a rule. Doubles are IEEE 754, and no operation is reordered.
"""

from __future__ import annotations

import ast
from typing import TYPE_CHECKING

from ...expressions import number
from ..anatomy import take_apart
from .c_writer import Writer

if TYPE_CHECKING:
    from ..program import Program

_HEADER = """
/* {title}
 * Woven by Mellow Thumb {version} from the profile with the digest {digest}. Do not edit it: export it anew.
 *
 *     {name}_state s;
 *     {name}_start(&s);
 *     {name}_event(&s, seconds, code, x, y);     each event, in order of time
 *     {name}_frame(&s, seconds, host, out);      at the end of a frame: reads, and leaves no trace
 *
 * host[] holds what the mount asks, NAN for what is not known, or is 0: {hosts}.
 * Events of one moment go in the order in which they came, and after a frame that ends there. Of a pair of
 * held values of which only one is known the other is NAN. What a press began on goes in y. The codes, the
 * order of out[] and test vectors stand in {name}.json.
 */
#ifndef {guard}
#define {guard}
#include <math.h>

#define {guard}_OUT {count}

typedef struct {name}_state {
{fields}
    int reading;
} {name}_state;

static inline void {name}_start({name}_state *s)
{
{start}
    s->reading = 0;
}

static inline void {name}_event({name}_state *s, double t, int code, double x, double y)
{
{event}
}

static inline void {name}_pose({name}_state *s, {parameters}, double *out)
{
    (void)s;
{pose}
}

static inline void {name}_frame({name}_state *s, double t, const double *host, double *out)
{
    (void)host;
{read_locals}
    {name}_event(s, t, {frame}, 0.0, 0.0);
{read}
    {name}_pose(s, {posing}, out + {values});
}

#endif
"""


def _locals(names: list[str]) -> list[str]:
    return [f"    double {name} = 0.0;" for name in names]


def _cut(lines: list[str]) -> list[str]:
    """Lines without their own indent; the template has one."""
    return [line[4:] for line in lines]


def c_header(program: Program, *, name: str, title: str, version: str, digest: str) -> str:
    """One C99 header with the whole woven plan: its state, its events, its frames and its pose.

    `name` is what every identifier begins with.
    """
    parts_of = take_apart(program)
    state = [*program.state, *parts_of.kept]
    outputs, results, arguments = parts_of.outputs, parts_of.pose_results, parts_of.pose_arguments
    rig = [f"rig_{one}" for one in program.rig]
    events, frames, posing = Writer(state, ["t"]), Writer(state), Writer(rig, ["t"])
    event = events.body([parts_of.stale, *parts_of.item])
    reading = frames.body(parts_of.read, outputs)
    reading += [f"    out[{k}] = {frames.expression(value)};" for k, value in enumerate(outputs)]
    nodes = [node for tree in (*parts_of.pose, *results) for node in ast.walk(tree)]
    for node in nodes:
        if isinstance(node, ast.Name) and node.id in program.rig:
            node.id = f"rig_{node.id}"
    results = results[: len(results) - len(rig)]
    arguments = arguments[: len(arguments) - len(rig)]
    posed = posing.body(parts_of.pose, results)
    posed += [f"    out[{k}] = {posing.expression(value)};" for k, value in enumerate(results)]
    unused = [f"    (void){argument};" for argument in arguments]  # some mounts need only some of them
    parts: dict[str, list[str]] = {
        "fields": [f"double {one};" for one in (*state, *rig)],
        "start": [f"s->{one} = {number(value)};" for one, value in program.state.items()]
        + [f"s->{one} = 0.0;" for one in parts_of.kept]
        + [f"s->rig_{one} = {number(value)};" for one, value in program.rig.items()],
        "event": [
            *(line[4:] for line in _locals(events.locals)),
            "(void)x;",
            "(void)y;",
            *(line[4:] for line in event),
        ],
        "pose": _cut([*_locals(posing.locals), *unused, *posed]),
        "read_locals": _cut(_locals(frames.locals)),
        "read": _cut(reading),
    }
    words = {
        "title": title.replace("*/", "* /") or "A profile",
        "version": version,
        "digest": digest,
        "name": name,
        "guard": f"{name.upper()}_H",
        "count": str(len(outputs) + len(results)),
        "values": str(len(outputs)),
        "frame": str(program.frame),
        "parameters": ", ".join(f"double {argument}" for argument in arguments),
        "hosts": ", ".join(program.hosts) or "nothing",
        "posing": ", ".join(
            [
                *(f"out[{k}]" for k in program.posing),
                *(f"host ? host[{k}] : NAN" for k in range(len(program.hosts))),
                *(["t"] if rig else []),
            ]
        ),
    }
    return _filled(parts, words)


def _filled(parts: dict[str, list[str]], words: dict[str, str]) -> str:
    """The header's template with its parts; C has braces of its own."""
    text = _HEADER.strip("\n")
    for key, lines in parts.items():
        text = text.replace(f"{{{key}}}", "\n".join(f"    {line}" for line in lines))
    for key, word in words.items():
        text = text.replace(f"{{{key}}}", word)
    return text + "\n"

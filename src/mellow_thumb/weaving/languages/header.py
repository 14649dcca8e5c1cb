"""A plan's program as one C99 header without dependencies, for engines in other languages."""

from __future__ import annotations

import re
from typing import TYPE_CHECKING

from ...expressions import Number
from ...plan import ANCHOR, ATTITUDE, FINGERS
from ...plan.handheld import FORCE, TURN
from ..loop import READING, copy_of, drop, item
from .c import C

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping, Sequence

    from ...expressions import Parameter
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
 * {hosts}
 * Events of one moment go in the order in which they came, and after a frame that ends there. Of a pair of
 * held values of which only one is known the other is NAN. What a press began on goes in y. What each code
 * takes, and test vectors, stand in {name}.json.
 */
#ifndef {guard}
#define {guard}
#include <math.h>

#define {guard}_OUT {count}

{names}

typedef struct {name}_state {
{fields}
    double reading;
{contacts}} {name}_state;

static inline void {name}_start({name}_state *s)
{
{start}
    s->reading = 0.0;
{no_contacts}}

{parts}static inline void {name}_event({name}_state *s, double t, int code, double x, double y)
{
{event}
}

{sensors}{fingers}static inline void {name}_pose({name}_state *s, {parameters}, double *out)
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


_CONTACTS = """
/* What happens to a finger, by whatever number your system calls it: phase 0 it moves, 1 it lands, 2 it
 * lifts, 3 it is taken away. x and y are where it is, 0 to 1 of the view from its bottom left corner, NAN
 * where nobody knows; on is the number of what it landed on (begun_on in {name}.json), 0 for nothing. It
 * gives 0 for one of more than ten fingers, which s->contacts_lost counts, and for one that never landed. */
static inline int {name}_contact({name}_state *s, double t, long long id, int phase,
                                 double x, double y, double on)
{
    int k = 0;
    while (k < {fingers} && !(s->contact_down[k] && s->contact_id[k] == id))
        k++;
    if (k == {fingers} && phase == 1) {
        for (k = 0; k < {fingers} && s->contact_down[k]; k++) {
        }
        if (k == {fingers})
            s->contacts_lost += 1;
    }
    if (k == {fingers})
        return 0;
    if (x == x || y == y)
        {name}_event(s, t, {first} + 3 * k, x, y);
    if (phase == 1 || phase == 2)
        {name}_event(s, t, {first} + 3 * k + 1, phase == 1 ? 1.0 : 0.0, on);
    else if (phase == 3)
        {name}_event(s, t, {first} + 3 * k + 2, 1.0, 0.0);
    s->contact_down[k] = phase < 2;
    s->contact_id[k] = id;
    return 1;
}

/* How large the view is, in pixels, and how many of them are a cm on its screen, 0 where nobody knows. */
static inline void {name}_screen({name}_state *s, double t, double width, double height,
                                 double pixels_per_cm)
{
    {name}_event(s, t, {screen}, width, height);
    if (pixels_per_cm > 0.0)
        {name}_event(s, t, {scale}, pixels_per_cm, 0.0);
}

"""


_READING = """
/* {words}. */
static inline void {name}_{what}({name}_state *s, double t, {given})
{
{events}
}

"""


class _Header(C):
    """C whose numbers are written where they are used: a header is meant to be read."""

    def __init__(self, kept: Mapping[str, str], program: Program, given: Iterable[str] = ()) -> None:
        super().__init__(kept, given)
        self.numbers = dict(zip(program.parameters, program.numbers, strict=True))

    def value_parameter(self, one: Parameter) -> tuple[str, int]:
        """Its number."""
        return self.value_number(Number(self.numbers[one.name]))


def _names(name: str, what: str, words: str, known: Iterable[str]) -> list[str]:
    """An enumeration of names, numbered from 0; characters that C does not allow become underscores."""
    found: dict[str, int] = {}
    for k, one in enumerate(known):
        found.setdefault(re.sub(r"\W+", "_", f"{name}_{what}_{one}", flags=re.ASCII).upper(), k)
    rows = ",\n".join(f"    {one} = {k}" for one, k in found.items())
    return [f"enum {{  /* {words} */\n{rows}\n}};"] if rows else []


def c_header(
    program: Program, *, name: str, title: str, version: str, digest: str, outputs: Sequence[str] = ()
) -> str:
    """One C99 header with the whole woven plan: its state, its events, its frames and its pose.

    Every identifier begins with `name`; `outputs` are the names of the places in ``out[]``.
    """
    woven, pose = program.woven, program.woven_pose
    copies = [copy_of(one).name for one in (ANCHOR.name, *woven.flowing)]
    state = [*program.state, *copies]
    rig = {one.name: f"rig_{one}" for one in pose.kept}
    taken = [one.name for one in pose.taken if one.name not in rig]
    whole = {one: one for one in (*state, READING.name)}
    events, frames = _Header(whole, program, ["t", "x", "y"]), _Header(whole, program)
    posing = _Header(rig, program, ["t"])
    events.calls = f"{name}_{{}}(s, t, code, x, y);"
    event = events.body([*drop(woven), *item(woven)])
    read = frames.body(woven.reading, woven.outputs)
    posed = posing.body(pose.statements, pose.results)
    parts = {
        "fields": [f"double {one};" for one in (*state, *rig.values())],
        "start": [f"s->{one} = {value!r};" for one, value in zip(program.state, program.start, strict=True)]
        + [f"s->{one} = 0.0;" for one in copies]
        + [f"s->rig_{one} = {value!r};" for one, value in program.rig.items()],
        "event": [*events.declared(), "(void)x;", "(void)y;", *event],
        # some mounts need only some of what a pose is made of
        "pose": [*posing.declared(), *(f"(void){argument};" for argument in taken), *posed],
        "read_locals": frames.declared(),
        "read": read,
    }
    named = [
        *_names(name, "event", "the codes of events", program.codes),
        *_names(name, "out", "the places of out[]", outputs),
        *_names(name, "host", "the places of host[]", program.hosts),
    ]
    given = [*(f"out[{k}]" for k in program.posing)]
    given += [f"host ? host[{k}] : NAN" for k in range(len(program.hosts))]
    words = {
        "sensors": _sensors(program, name),
        "fingers": _fingers(program, name),
        "contacts": _IDS if "touch.1.place" in program.codes else "",
        "no_contacts": _NO_IDS if "touch.1.place" in program.codes else "",
        "parts": "".join(_part(name, part, body) for part, (body, _) in events.parts.items()),
        "title": title.replace("*/", "* /").replace("/*", "/ *") or "A profile",
        "version": version,
        "digest": digest,
        "names": "\n\n".join(named),
        "name": name,
        "guard": f"{name.upper()}_H",
        "count": str(len(woven.outputs) + len(pose.results)),
        "values": str(len(woven.outputs)),
        "frame": str(program.frame),
        "parameters": ", ".join(f"double {argument}" for argument in taken),
        "hosts": _of_hosts(program),
        "posing": ", ".join([*given, *(["t"] if rig else [])]),
    }
    return _filled(parts, words)


def _part(name: str, part: str, body: list[str]) -> str:
    """A function for a part."""
    given = f"{name}_state *s, double t, int code, double x, double y"
    lines = [*(f"(void){one};" for one in ("t", "code", "x", "y")), *body]
    text = "\n".join(f"    {line}" for line in lines)
    return f"static inline void {name}_{part}({given})\n{{\n{text}\n}}\n\n"


def _filled(parts: dict[str, list[str]], words: dict[str, str]) -> str:
    """The header's template with its parts filled in."""
    text = _HEADER.strip("\n")
    for key, lines in parts.items():
        text = text.replace(f"{{{key}}}", "\n".join(f"    {line}" for line in lines))
    for key, word in words.items():
        text = text.replace(f"{{{key}}}", word)
    return text + "\n"


def _sensors(program: Program, name: str) -> str:
    """Functions for readings of a device in the hand, which come in several parts."""

    def events(parts: Iterable[str], given: str) -> list[str]:
        rows = enumerate(program.codes[part] for part in parts)
        return [f"{name}_event(s, t, {code}, {given}[{k}], 0.0);" for k, code in rows]

    found = []
    if TURN[0] in program.codes:
        felt = ["if (force) {", *(f"    {line}" for line in events(FORCE, "force")), "}"]
        words = (
            "What a device in the hand reads: how it turns about its own axes (deg/s), and what it feels\n"
            " * (m/s2; at rest up), or 0 where only its gyroscope says something"
        )
        given = "const double turn[3], const double *force"
        found.append(("motion", words, given, [*felt, *events(TURN, "turn")]))
    if ATTITUDE[0] in program.codes:
        words = (
            "How the handheld device is turned, where the host knows it: a unit quaternion x, y, z, w, +Y up"
        )
        found.append(("attitude", words, "const double rotation[4]", events(ATTITUDE, "rotation")))
    text = ""
    for what, words, given, lines in found:
        row = _READING.lstrip("\n").replace("{words}", words).replace("{what}", what)
        text += row.replace("{given}", given).replace("{events}", "\n".join(f"    {line}" for line in lines))
    return text


_IDS = f"""    long long contact_id[{FINGERS}];
    int contact_down[{FINGERS}];
    int contacts_lost;
"""
_NO_IDS = f"""    for (int k = 0; k < {FINGERS}; k++)
        s->contact_down[k] = 0;
    s->contacts_lost = 0;
"""


def _fingers(program: Program, name: str) -> str:
    """Functions for contacts as they come, and for the screen that they are on."""
    if "touch.1.place" not in program.codes:
        return ""
    text, codes = _CONTACTS.lstrip("\n"), program.codes
    numbers = {
        "first": codes["touch.1.place"], "screen": codes["host.screen"], "scale": codes["host.pixels_per_cm"],
        "fingers": FINGERS,
    }  # fmt: skip
    for key, number in numbers.items():
        text = text.replace(f"{{{key}}}", str(number))
    return text.replace("{name}", name)


def _of_hosts(program: Program) -> str:
    """The header's comment on the array that the host passes."""
    if not program.hosts:
        return "The mount asks for nothing: pass 0 as host."
    return f"host[] is what the mount asks for, NAN where you do not know it: {', '.join(program.hosts)}."

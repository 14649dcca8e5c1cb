"""Contacts woven into a program, beside plain rules of fingers, in Python and in C."""

from __future__ import annotations

import subprocess
from collections import Counter
from math import log
from random import Random
from typing import TYPE_CHECKING, Any

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb.insight.exporting import export_c
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.cues import Cue
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.movement import MOVES
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import Address
from mellow_thumb.plan.touches import TAPS, Length, Touch, areas_of

from ..helpers.plain_fingers import PlainFingers, Said
from ..helpers.profiles import data, load
from ..insight.test_export import COMPILER, needs_compiler

if TYPE_CHECKING:
    from pathlib import Path


LEFT, RIGHT = (0.0, 0.0, 0.4, 1.0), (0.4, 0.0, 1.0, 1.0)
STEP = 1 / 64
"""Seconds between moments, at the least."""
SETS = {
    "a look and a thumb": (
        Touch("look", "drag", RIGHT, after_travel=Length(0.03)),
        Touch("walk", "thumb_pad", LEFT, radius=Length(0.2)),
    ),
    "all of them": (
        Touch("look", "drag", RIGHT),
        Touch("pinch", "spread", RIGHT, after_travel=Length(0.05)),
        Touch("turn", "twist", RIGHT, after_travel=Length(0.05)),
        Touch("slide", "two_finger_drag", RIGHT, after_travel=Length(0.04)),
        Touch("walk", "thumb_pad", LEFT, radius=Length(0.2), centre=(0.2, 0.5), follows=True),
    ),
    "a chart": (
        Touch("look", "drag", after_travel=Length(0.01)),
        Touch("pinch", "spread"),
        Touch("mark", "drag", (0.2, 0.2, 0.5, 0.9), tap_travel=Length(0.06), tap_within=0.4),
    ),
}  # fmt: skip


def plan_of(touches: tuple[Touch, ...], **more: Any) -> Plan:
    """A plan in which each touch has axes of its own, and each tap a cue."""
    axes, routes, cues = [Axis(name) for name in ("yaw", "pitch", "roll")], [], []
    for one in touches:
        if one.kind == "thumb_pad":
            axes += [Axis(name, low=-1.0, high=1.0, unit="") for name in MOVES]
            routes.append(Route(one.name, Address(one.signal), MOVES, (1.0, 1.0), effect="offset"))
            continue
        names = tuple(f"{one.name}_{part}" for part in ("xy" if one.signal.pair else "x"))
        axes += [Axis(name, unit="") for name in names]
        routes.append(Route(one.name, Address(one.signal), names, (1.0,) * len(names), effect="step", **more))
    for area in areas_of(touches):
        for signal in area[0].signals:
            what = signal.name.rpartition(".")[2]
            if what in TAPS:
                cues.append(Cue(f"{area[0].name} {what}", Buttons((Address(signal),))))
    return Plan(tuple(routes), (), tuple(axes), Eye("eye"), touches=touches, cues=tuple(cues))


PLANS = {name: plan_of(touches) for name, touches in SETS.items()}

# no place lies on a rim to the last digit: there the rounding of plain rules and programs may differ
share = st.integers(0, 997).map(lambda k: k / 997)
places = st.tuples(share, share)
near = st.tuples(st.integers(-19, 19).map(lambda k: k / 997), st.integers(-19, 19).map(lambda k: k / 997))


@st.composite
def happenings(draw: st.DrawFn) -> list[Said]:
    """What fingers do: they land, go far or hardly, lift and are cancelled, often several at one time."""
    k, found = 0, list[Said]()
    here: dict[int, tuple[float, float]] = {}
    for _ in range(draw(st.integers(1, 60))):
        k += draw(st.sampled_from([0, 0, 1, 1, 2, 8, 20]))
        finger = draw(st.integers(1, draw(st.sampled_from([2, 3, 10]))))
        what = draw(st.sampled_from(["land", "land", "go", "go", "go", "stay", "stay", "up", "cancel", "on"]))
        t = (1 + k) * STEP
        if what in ("land", "go", "on"):
            here[finger] = draw(places)
        elif what == "stay":
            x, y = here.get(finger, (0.5, 0.5))
            dx, dy = draw(near)
            here[finger] = min(max(x + dx, 0.0), 1.0), min(max(y + dy, 0.0), 1.0)
        if what in ("land", "go", "stay", "on"):
            found.append(Said(t, finger, "place", complex(*here[finger])))
        if what in ("land", "on"):
            found.append(Said(t, finger, "down", on="interface" if what == "on" else ""))
        elif what in ("up", "cancel"):
            found.append(Said(t, finger, what))
    return found


def feed(one: mt.Session, said: Said) -> None:
    if said.what == "place":
        one.feed(f"touch.{said.finger}.place", (said.place.real, said.place.imag), at=said.t)
    elif said.what == "cancel":
        one.feed(f"touch.{said.finger}.cancel", 1, at=said.t)
    else:
        one.feed(f"touch.{said.finger}.down", said.what == "down", at=said.t, on=said.on or None)


def said_of(one: mt.Frame, touch: Touch) -> complex:
    if touch.kind == "thumb_pad":
        return complex(one.axes["move_x"], one.axes["move_y"])
    return complex(one.axes[f"{touch.name}_x"], one.axes[f"{touch.name}_y"] if touch.signal.pair else 0.0)


SIZES = st.sampled_from([(1600.0, 800.0), (600.0, 900.0)])


def equals_the_plain_rules(
    name: str, said: list[Said], size: tuple[float, float], *, compiled: bool = False
) -> None:
    """What each touch says by the end of each frame, and each tap, is what the plain rules say."""
    touches = SETS[name]
    one, plain = mt.Session(PLANS[name], compiled=compiled), PlainFingers(touches, size)
    assert one.engine == ("C" if compiled else "Python")
    one.set_screen(*size)
    for each in said:
        feed(one, each)
    given_ = Counter[tuple[str, int]]()
    for k in range(1, round((said[-1].t + 1.0) / STEP) + 1):
        t = (k + 0.5) * STEP  # between two moments
        frame = one.tick(to=t)
        plain.act([each for each in said if t - STEP < each.t <= t])
        plain.wait(t)
        for touch in touches:
            assert said_of(frame, touch) == pytest.approx(plain.total[touch.name], abs=1e-9), (t, touch.name)
        given_ += {(cue, k): count for cue, count in frame.cues.items()}
    expected = Counter((f"{area} {TAPS[many - 1]}", round(t / STEP)) for t, area, many in plain.taps)
    assert given_ == expected


@pytest.mark.parametrize("name", SETS)
@settings(max_examples=60)
@given(said=happenings(), size=SIZES)
def test_a_program_equals_the_plain_rules(name: str, said: list[Said], size: tuple[float, float]) -> None:
    equals_the_plain_rules(name, said, size)


@needs_compiler
@pytest.mark.usefixtures("compiling")
@pytest.mark.parametrize("name", SETS)
def test_a_compiled_program_equals_the_plain_rules(name: str) -> None:
    @settings(max_examples=60)
    @given(said=happenings(), size=SIZES)
    def equals(said: list[Said], size: tuple[float, float]) -> None:
        equals_the_plain_rules(name, said, size, compiled=True)

    equals()


# ---- other languages

C_HOST = """#include <stdio.h>
#include <stdlib.h>
#include "fingers.h"
int main(void)
{
    fingers_state s;
    char line[200];
    double t, x, y, on, out[FINGERS_H_OUT];
    long long id;
    int phase, k;
    fingers_start(&s);
    fingers_screen(&s, 0.0, 1280.0, 800.0, 60.0);
    while (fgets(line, sizeof line, stdin)) {
        if (sscanf(line, "%lf %lld %d %lf %lf %lf", &t, &id, &phase, &x, &y, &on) == 6) {
            fingers_contact(&s, t, id, phase, x, y, on);
            continue;
        }
        fingers_frame(&s, strtod(line, 0), 0, out);
        for (k = 0; k < FINGERS_H_OUT; k++)
            printf("%.17g ", out[k]);
        printf("%d\\n", s.contacts_lost);
    }
    return 0;
}
"""
PHASES = ("move", "down", "up", "cancel")


@needs_compiler
@pytest.mark.parametrize("seed", range(3))
def test_a_host_in_c_hands_over_contacts_as_they_come(tmp_path: Path, seed: int) -> None:
    assert COMPILER
    profile, random = load(tmp_path, data("touch.toml")), Random(seed)
    export_c(profile, tmp_path / "fingers.h")
    (tmp_path / "host.c").write_text(C_HOST, encoding="utf-8")
    strict = ["-std=c99", "-Wall", "-Wextra", "-Wpedantic", "-Werror", "-o", "host", "host.c", "-lm"]
    subprocess.run([COMPILER, *strict], cwd=tmp_path, check=True)
    session, rows, wanted = profile.session(compiled=False), [], []
    session.set_screen(1280.0, 800.0, pixels_per_cm=60.0)
    ids = [-5, 0, 7, 2**40, *range(100, 110)]
    t = 0.0
    for k in range(400):
        t += random.choice([0.0, 0.0, 0.004, 0.02])
        contact, phase = random.choice(ids), random.choice([0, 0, 0, 0, 1, 1, 1, 1, 2, 3])
        place = (random.random(), random.random())
        on = random.choice([None, "bird", "interface"])
        known = phase in (0, 1) or random.random() < 0.5
        session.touch(contact, PHASES[phase], place if known else None, at=t, on=on)
        number = {None: 0.0, "bird": 1.0, "interface": -1.0}[on]
        x, y = place if known else (float("nan"),) * 2
        rows.append(f"{t!r} {contact} {phase} {x!r} {y!r} {number!r}")
        if k % 5 == 4:
            t += 0.003
            frame = session.tick(to=t)
            wanted.append([*frame.axes.values(), *map(float, frame.gates.values())])
            rows.append(repr(t))
    done = subprocess.run(
        [tmp_path / "host"], input="\n".join(rows), capture_output=True, text=True, check=True
    )
    found = [[float(word) for word in line.split()] for line in done.stdout.splitlines()]
    width = len(wanted[0])
    assert [row[:width] for row in found] == [pytest.approx(row, abs=1e-9) for row in wanted]
    assert found[-1][-1] == session.refused["touch"]["more than 10 fingers"]
    assert max(row[0] for row in wanted) > 5.0


# ---- what must hold

LOOKING = (
    Touch("look", "drag", after_travel=Length(0.03)),
    Touch("pinch", "spread", after_travel=Length(0.05)),
    Touch("turn", "twist", after_travel=Length(0.05)),
)
ROUTES = plan_of(LOOKING)
PATH = st.lists(st.tuples(st.floats(0.1, 0.9), st.floats(0.1, 0.9)), min_size=2, max_size=8)


def played(plan: Plan, said: list[Said], end: float = 4.0, rate: int = 60) -> mt.Frame:
    """The last frame of what fingers do on a screen that is twice as wide as tall."""
    one = mt.Session(plan, ceiling=9.0)
    one.set_screen(1600.0, 800.0)
    for each in said:
        feed(one, each)
    for k in range(1, round(end * rate) + 1):
        frame = one.tick(to=k / rate)
    return frame


def landing(finger: int, place: complex, t: float) -> list[Said]:
    return [Said(t, finger, "place", place), Said(t, finger, "down")]


def moves(finger: int, way: list[complex], t: float, every: float) -> list[Said]:
    return [Said(t + every * k, finger, "place", place) for k, place in enumerate(way)]


def line(begin: complex, end: complex, steps: int) -> list[complex]:
    return [begin + (end - begin) * k / steps for k in range(1, steps + 1)]


@given(PATH, st.floats(0.6, 1.0), st.floats(0.01, 0.2), places, st.booleans())
def test_a_look_goes_on_to_the_bit_the_same_with_and_without_a_tap(
    path: list[tuple[float, float]], at: float, lasts: float, tap: tuple[float, float], aside: bool
) -> None:
    touches = (*LOOKING, Touch("mark", "drag", (0.0, 0.0, 0.3, 0.3))) if aside else LOOKING
    plan = plan_of(touches)
    look = landing(1, 0.5 + 0.5j, 0.1)
    look += moves(1, line(0.5 + 0.5j, 0.6 + 0.5j, 10), 0.2, 0.02)
    for k, (x, y) in enumerate(path):
        look.append(Said(0.5 + 0.1 * k, 1, "place", complex(x, y)))
    look.append(Said(1.5, 1, "up"))
    tapped = [*landing(2, complex(*tap), at), Said(at + lasts, 2, "up")]
    alone = played(plan, look)
    both = played(plan, sorted([*look, *tapped], key=lambda one: one.t))
    assert alone.axes == both.axes


@given(PATH, st.integers(1, 12))
def test_two_fingers_in_parallel_never_change_a_spread(path: list[tuple[float, float]], steps: int) -> None:
    apart = 0.05 + 0.04j
    said = [*landing(1, 0.5 + 0.5j, 0.1), *landing(2, 0.5 + 0.5j + apart, 0.15)]
    here, t = 0.5 + 0.5j, 0.2
    for x, y in path:
        for place in line(here, complex(x, y), steps):
            t += 0.01
            said += [Said(t, 1, "place", place), Said(t, 2, "place", place + apart)]
        here = complex(x, y)
    frame = played(ROUTES, said)
    assert (frame.axes["pinch_x"], frame.axes["turn_x"]) == pytest.approx((0.0, 0.0), abs=1e-9)


@given(st.lists(st.tuples(st.booleans(), st.floats(0.1, 0.9), st.floats(0.1, 0.9)), max_size=12))
def test_a_pinch_by_any_path_back_to_its_gap_is_back(path: list[tuple[bool, float, float]]) -> None:
    begin = {1: 0.3 + 0.5j, 2: 0.6 + 0.5j}
    said = [*landing(1, begin[1], 0.1), *landing(2, begin[2], 0.15)]
    said += [Said(0.3 + 0.05 * k, 1 + one, "place", complex(x, y)) for k, (one, x, y) in enumerate(path)]
    said += [Said(1.0, 1, "place", begin[1]), Said(1.0, 2, "place", begin[2])]
    assert played(ROUTES, said).axes["pinch_x"] == pytest.approx(0.0, abs=1e-9)
    # and to any other gap, whatever was between
    wide = [Said(1.1, 1, "place", 0.1 + 0.5j)]
    straight = [*landing(1, begin[1], 0.1), *landing(2, begin[2], 0.15), *wide]
    beside = played(ROUTES, straight).axes["pinch_x"]
    assert played(ROUTES, [*said, *wide]).axes["pinch_x"] == pytest.approx(beside, abs=1e-9)


@given(PATH, st.integers(1, 40), st.booleans())
def test_dropped_travel_does_not_hang_on_the_size_of_reports(
    path: list[tuple[float, float]], steps: int, two: bool
) -> None:
    found = []
    for many in (1, steps):
        said = landing(1, 0.5 + 0.5j, 0.1) + (landing(2, 0.6 + 0.5j, 0.1) if two else [])
        here, t = 0.5 + 0.5j, 0.2
        for x, y in path:
            for place in line(here, complex(x, y), many):
                t += 0.2 / many
                said.append(Said(t, 1, "place", place))
                if two:
                    said.append(Said(t, 2, "place", place + 0.1 + 0.2j * (place.real - 0.5)))
            here = complex(x, y)
        axes = played(ROUTES, said).axes
        found.append([axes[name] for name in ("look_x", "look_y", "pinch_x")])
    assert found[0] == pytest.approx(found[1], abs=1e-12)


GLIDING = plan_of((Touch("look", "drag"),), glide=0.2)


@given(st.floats(0.2, 2.0), st.sampled_from([60, 90, 120, 144, 240]), st.floats(0.0, 0.02), st.booleans())
def test_a_run_out_does_not_hang_on_when_the_lift_is_told(
    speed: float, reports: int, late: float, repeated: bool
) -> None:
    def run_out(after: float) -> tuple[float, float]:
        way = [0.05 + 0.5j + speed * k / reports / 4.0 for k in range(1, reports // 2 + 1)]
        said = [*landing(1, 0.05 + 0.5j, 0.1), *moves(1, way, 0.1 + 1 / reports, 1 / reports)]
        last = said[-1]
        if repeated:  # a lift often says once more where its finger was
            said.append(Said(last.t + after, 1, "place", last.place))
        said.append(Said(last.t + after, 1, "up"))
        ends = [played(GLIDING, said, rate=rate).axes["look_x"] for rate in (30, 144)]
        assert ends[0] == ends[1]  # to the bit at any frame rate
        return ends[0] - speed * (reports // 2) / reports / 2.0, ends[0]

    runs, _ = run_out(late)
    assert runs == pytest.approx(run_out(0.0)[0], rel=0.01)
    assert runs == pytest.approx(speed / 2.0 * 0.2 / log(2.0), rel=0.01)  # v h / ln 2
    paused, _ = run_out(0.07)
    assert paused == pytest.approx(0.0, abs=1e-9)


def test_what_the_system_takes_away_does_not_run_out() -> None:
    said = [*landing(1, 0.1 + 0.5j, 0.1), *moves(1, line(0.1 + 0.5j, 0.4 + 0.5j, 20), 0.11, 0.01)]
    frames = [played(GLIDING, [*said, Said(0.31, 1, what)]).axes["look_x"] for what in ("up", "cancel")]
    assert frames[0] > frames[1] + 0.2
    assert frames[1] == pytest.approx(0.6, abs=1e-9)
    # a palm that is taken away in the moment of the lift takes nothing with it
    palm = landing(2, 0.9 + 0.1j, 0.15)
    both = sorted([*said, *palm, Said(0.31, 2, "cancel"), Said(0.31, 1, "up")], key=lambda one: one.t)
    assert played(GLIDING, both).axes["look_x"] == pytest.approx(frames[0], abs=1e-9)

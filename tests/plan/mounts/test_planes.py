"""Views over a plane: what is pinned stays under the pointer, what pans stays inside its bounds."""

from __future__ import annotations

import gc
import json
import sys
from dataclasses import replace
from math import cos, log, pi, radians, sin, tan
from pathlib import Path
from typing import Any

import numpy as np
import pytest
from hypothesis import assume, given, settings
from hypothesis import strategies as st
from scipy.spatial.transform import Rotation

import mellow_thumb as mt
from mellow_thumb import engines, marsh
from mellow_thumb.plan.axes import PANS, Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.mounts.mounted import Mounted
from mellow_thumb.plan.mounts.plane_mounts import Flat, Overhead
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import Exponential, Spring
from mellow_thumb.takes.loops import Compiled, Interpreted
from mellow_thumb.takes.replay_table import outputs
from mellow_thumb.takes.take_items import TakeReader
from mellow_thumb.weaving.program import weave_plan

from ...helpers.compiling import needs_compiler, quickly
from ...helpers.planes import ground_at, ray
from ...helpers.profiles import data, load, refused_for
from ...helpers.strategies import Event, feed, take_of

GRABBING = Gate("grabbing", Buttons((find_signal("mouse.left"),)))
GRAB = Route(
    "grab", find_signal("mouse.place"), PANS, (1.0, 1.0), Condition("grabbing"), effect="pin", pins="ground"
)
REEL = Route("reel", find_signal("mouse.wheel.y"), ("distance",), (-log(1.2),), pins="pointer")
NEAR = Route("near", find_signal("pad.right_trigger"), ("distance",), (-1.0,), effect="rate", pins="pointer")
BACK = Route("back", find_signal("pad.left_trigger"), ("distance",), (1.0,), effect="rate")
TURN = Route("turn", find_signal("pad.right_stick"), ("yaw", "pitch"), (90.0, 30.0), effect="rate")
PUSH = Route("push", find_signal("pad.left_stick"), PANS, (5.0, 5.0), effect="rate")
DRAG = Route("drag", find_signal("mouse.move"), PANS, (0.02, 0.02))
ALL = (GRAB, REEL, NEAR, BACK, TURN, PUSH, DRAG)
BOUNDS = ((-20.0, -10.0), (25.0, -15.0), (30.0, 12.0), (0.0, 26.0), (-18.0, 14.0))

Ease = Exponential | Spring | None
eases = st.none() | st.builds(Exponential, st.sampled_from([0.02, 0.1])) | st.builds(Spring, st.just(0.05))
inside = st.tuples(st.floats(0.02, 0.98), st.floats(0.02, 0.98))


def overhead(
    routes: tuple[Route, ...] = ALL, mount: Overhead | None = None, *, ease: Ease = None,
    pans: Ease = None, box: float = float("inf"),
) -> Plan:  # fmt: skip
    axes = (
        Axis("pan_x", low=-box, high=box, unit="m", smoothing=pans),
        Axis("pan_y", low=-box, high=box, unit="m", smoothing=pans),
        Axis("yaw"), Axis("pitch", -60.0, -90.0, -40.0),
        Axis("distance", 20.0, 2.0, 200.0, "m", log=True, smoothing=ease),
    )  # fmt: skip
    return Plan(routes, (GRABBING,), axes, mount or Overhead("chart"))


def flat(*, ease: Ease = None, routes: tuple[Route, ...] = (), box: float = float("inf")) -> Plan:
    zoom = Route("reel", find_signal("mouse.wheel.y"), ("zoom",), (log(1.2),), pins="pointer")
    axes = (
        Axis("pan_x", low=-box, high=box, unit="m"), Axis("pan_y", low=-box, high=box, unit="m"),
        Axis("zoom", 1.0, 0.1, 50.0, "x", log=True, smoothing=ease),
    )  # fmt: skip
    return Plan((GRAB, zoom, PUSH, DRAG, *routes), (GRABBING,), axes, Flat("map", 10.0))


def session(plan: Plan) -> mt.Session:
    return mt.Session(plan, ceiling=100.0)


def steep(view: mt.View, place: tuple[float, float], aspect: float) -> bool:
    """Whether a ray goes at least 5 deg below the horizon."""
    _, way = ray(view, place, aspect)
    return bool(way[1] / np.linalg.norm(way) <= -sin(radians(5.0)))


def screens_apart(view: mt.View, point: np.ndarray, place: tuple[float, float], aspect: float) -> float:
    """How far a point of the ground is seen from a place of the screen, in screens."""
    size = tan(radians(view.field_of_view) / 2.0)
    x, y, z = Rotation.from_quat(view.rotation).inv().apply(point - np.array(view.position))
    seen = np.array([x / -z / size / aspect, y / -z / size]) * 0.5 + 0.5
    return float(np.abs((seen - place) * [max(aspect, 1.0), max(1.0 / aspect, 1.0)]).max())


@given(
    inside, st.lists(inside, min_size=1, max_size=4), st.floats(0.4, 2.5), eases, st.integers(-6, 6),
    st.tuples(st.floats(-1.0, 1.0), st.floats(-1.0, 1.0)), st.floats(0.0, 1.0),
)  # fmt: skip
def test_what_is_grabbed_stays_under_the_pointer(
    first: tuple[float, float], places: list[tuple[float, float]], aspect: float, ease: Ease,
    notches: int, turning: tuple[float, float], near: float,
) -> None:  # fmt: skip
    one = session(overhead(ease=ease))
    one.set_screen(1000.0 * aspect, 1000.0)
    one.feed("mouse.place", first)
    one.feed("mouse.wheel.y", 3.0)
    one.tick(0.07)
    one.feed("mouse.left", 1)
    one.tick(1e-9)
    view = one.view()
    assume(steep(view, first, aspect))
    point = ground_at(view, first, aspect)
    one.feed("pad.right_stick", turning)
    one.feed("pad.right_trigger", near)
    for place in places:
        one.feed("mouse.place", place)
        one.feed("mouse.wheel.y", float(notches))
        for _ in range(4):
            one.tick(0.021)
            view = one.view()
            if steep(view, place, aspect):
                assert screens_apart(view, point, place, aspect) < 1e-9


@given(inside, st.floats(0.4, 2.5), eases, st.integers(-8, 8), st.floats(-180.0, 180.0))
def test_the_wheel_brings_nearer_what_is_under_the_pointer(
    place: tuple[float, float], aspect: float, ease: Ease, notches: int, yaw: float
) -> None:
    one = session(overhead(ease=ease))
    one.set_screen(1000.0 * aspect, 1000.0)
    one.set_axis("yaw", yaw)
    one.feed("mouse.place", place)
    one.tick(0.01)
    before = one.view()
    assume(steep(before, place, aspect))
    point = ground_at(before, place, aspect)
    one.feed("mouse.wheel.y", float(notches))
    for _ in range(6):
        one.tick(0.03)
        assert screens_apart(one.view(), point, place, aspect) < 1e-9
    one.feed("mouse.place", (0.5, 0.5))  # only another notch takes it from there
    one.tick(0.03)
    assert screens_apart(one.view(), point, place, aspect) < 1e-9


def test_without_pins_the_middle_comes_nearer_and_turning_is_about_it() -> None:
    one = session(overhead(ease=Exponential(0.05)))
    one.feed("mouse.place", (0.9, 0.9))
    one.feed("mouse.wheel.y", 2.0)
    one.tick(1.0)
    middle = ground_at(one.view(), (0.5, 0.5), 1.0)
    for signal, value in (("pad.left_trigger", 0.7), ("pad.right_stick", (0.5, 0.4))):
        one.feed(signal, value)
        for _ in range(5):
            one.tick(0.1)
            np.testing.assert_allclose(ground_at(one.view(), (0.5, 0.5), 1.0), middle, atol=1e-9)


def test_held_nearing_goes_to_where_the_pointer_is_now() -> None:
    one = session(overhead())
    one.feed("pad.right_trigger", 1.0)
    for place in ((0.2, 0.3), (0.7, 0.4)):
        one.feed("mouse.place", place)
        one.tick(1e-9)
        point = ground_at(one.view(), place, 1.0)
        for _ in range(3):
            one.tick(0.1)
            assert screens_apart(one.view(), point, place, 1.0) < 1e-9


@given(st.floats(-180.0, 180.0), st.tuples(st.floats(-1.0, 1.0), st.floats(-1.0, 1.0)), eases)
def test_pans_go_where_the_view_looks(yaw: float, push: tuple[float, float], ease: Ease) -> None:
    one = session(overhead(pans=ease))
    one.set_axis("yaw", yaw)
    one.feed("mouse.move", (100.0, -50.0))
    one.feed("pad.left_stick", push)
    one.feed("pad.left_stick", (0.0, 0.0), at=2.0)
    frame = one.tick(20.0)
    size = max(float(np.hypot(*push)), 1.0)  # a stick stays on the unit disc
    right, ahead = 2.0 + 10.0 * push[0] / size, -1.0 + 10.0 * push[1] / size
    a = radians(yaw)
    to_x, to_north = right * cos(a) + ahead * sin(a), ahead * cos(a) - right * sin(a)
    assert [frame.axes[name] for name in PANS] == pytest.approx([to_x, to_north], abs=1e-6)
    view = one.view()
    np.testing.assert_allclose(ground_at(view, (0.5, 0.5), 1.0), [to_x, 0.0, -to_north], atol=1e-6)


def test_the_host_puts_the_middle_where_it_wants_it_pinned_or_not() -> None:
    one = session(overhead(box=30.0))
    one.feed("mouse.place", (0.8, 0.7))
    one.feed("mouse.wheel.y", 2.0)
    one.tick(0.1)
    one.set_axis("pan_x", 12.0)
    frame = one.tick(0.1)
    assert frame.axes["pan_x"] == 12.0
    np.testing.assert_allclose(ground_at(one.view(), (0.5, 0.5), 1.0)[0], 12.0, atol=1e-9)
    one.feed("mouse.wheel.y", 1.0)
    one.turn_to("pan_y", -5.0, over=1.0)
    assert one.tick(2.0).axes["pan_y"] == pytest.approx(-5.0)
    one.set_axis("pan_x", 99.0)
    assert one.tick(0.1).axes["pan_x"] == 30.0


def test_panning_while_turning_goes_round() -> None:
    one = session(overhead())
    one.feed("pad.left_stick", (0.0, 1.0))
    one.feed("pad.right_stick", (1.0, 0.0))
    one.tick(4.0)  # once round at 90 deg/s
    assert [one.tick(1e-9).axes[name] for name in PANS] == pytest.approx([0.0, 0.0], abs=0.01)
    half = session(overhead())
    half.feed("pad.left_stick", (0.0, 1.0))
    half.feed("pad.right_stick", (1.0, 0.0))
    frame = half.tick(2.0)
    assert frame.axes["pan_x"] == pytest.approx(2.0 * 5.0 / (pi / 2.0), rel=1e-3)


@pytest.mark.parametrize("size", [(1600.0, 900.0), (900.0, 1600.0)])
@pytest.mark.parametrize("distance", [5.0, 80.0])
def test_a_screen_is_a_screen_at_every_height(size: tuple[float, float], distance: float) -> None:
    hand = replace(PUSH, gains=(1.0, 1.0), screens=True)
    one = session(overhead((hand, GRAB)))
    one.set_screen(*size)
    one.set_axis("distance", distance)
    one.set_axis("pitch", -90.0)
    one.tick(1e-9)
    before = one.view()
    one.feed("pad.left_stick", (0.5, 0.0))
    one.tick(0.6)
    moved = one.view().position[0] - before.position[0]
    seen = 2.0 * distance * tan(radians(30.0)) * min(size) / size[1]
    assert moved == pytest.approx(0.3 * seen)


@settings(max_examples=60)
@given(
    st.lists(st.tuples(st.floats(-1.0, 1.0), st.floats(-1.0, 1.0)), min_size=1, max_size=6), eases, st.booleans()
)  # fmt: skip
def test_the_middle_stays_inside_its_bounds_and_slides_along_them(
    pushes: list[tuple[float, float]], ease: Ease, around: bool
) -> None:
    bounds = BOUNDS if around else BOUNDS[::-1]
    one = session(overhead(mount=Overhead("chart", bounds=bounds), pans=ease))
    for push in pushes:
        one.feed("pad.left_stick", push)
        one.feed("mouse.move", (900.0 * push[1], 300.0 * push[0]))
        for _ in range(20):
            frame = one.tick(0.11)
            x, y = frame.axes["pan_x"], frame.axes["pan_y"]
            for (ax, ay), (bx, by) in zip(BOUNDS, (*BOUNDS[1:], BOUNDS[0]), strict=True):
                assert (bx - ax) * (y - ay) - (by - ay) * (x - ax) >= -1e-6


def test_an_edge_takes_only_what_goes_into_it() -> None:
    one = session(
        overhead(mount=Overhead("chart", bounds=((-9.0, -9.0), (9.0, -9.0), (9.0, 9.0), (-9.0, 9.0))))
    )
    one.feed("pad.left_stick", (0.8, 0.2))
    frame = one.tick(6.0)
    assert [frame.axes[name] for name in PANS] == pytest.approx([9.0, 6.0])
    one.feed("pad.left_stick", (-0.2, 0.0))  # and the way back is answered at once
    assert one.tick(0.5).axes["pan_x"] == pytest.approx(8.5)


@pytest.mark.parametrize("ease", [None, Exponential(0.1)])
def test_a_box_holds_what_is_still_to_come(ease: Ease) -> None:
    one = session(overhead(pans=ease, box=10.0))
    one.feed("mouse.move", (9000.0, 0.0))
    assert one.tick(3.0).axes["pan_x"] == pytest.approx(10.0, abs=1e-6)
    one.feed("mouse.move", (-100.0, 0.0))
    assert one.tick(3.0).axes["pan_x"] == pytest.approx(8.0, abs=1e-6)


@given(inside, st.lists(inside, min_size=1, max_size=4), st.floats(0.4, 2.5), eases, st.integers(-6, 6))
def test_a_flat_picture_is_as_exact(
    first: tuple[float, float], places: list[tuple[float, float]], aspect: float, ease: Ease, notches: int
) -> None:  # fmt: skip
    one = session(flat(ease=ease))
    one.set_screen(1000.0 * aspect, 1000.0)

    def under(place: tuple[float, float]) -> np.ndarray:
        view = one.view()
        tall = view.extent / min(aspect, 1.0)
        x, y, _ = view.position
        return np.array([x + (place[0] - 0.5) * tall * aspect, y + (place[1] - 0.5) * tall])

    one.feed("mouse.place", first)
    one.tick(0.01)
    point = under(first)
    one.feed("mouse.wheel.y", float(notches))
    for _ in range(3):
        one.tick(0.04)
        assert np.abs(under(first) - point).max() < 1e-9 * one.view().extent
    one.feed("mouse.left", 1)
    for place in places:
        one.feed("mouse.place", place)
        one.feed("mouse.wheel.y", 1.0)
        for _ in range(3):
            one.tick(0.04)
            assert np.abs(under(place) - point).max() < 1e-9 * one.view().extent
    assert one.view().rotation == (0.0, 0.0, 0.0, 1.0)
    assert one.view().field_of_view == 0.0


def test_a_flat_picture_says_when_it_is_settled() -> None:
    one = session(flat(ease=Exponential(0.05)))
    one.tick(0.1)
    assert one.settled
    one.feed("mouse.wheel.y", 1.0)
    assert not one.settled
    one.tick(0.1)
    assert not one.settled
    for _ in range(60):
        one.tick(0.1)
    assert one.settled
    before = one.view()
    assert one.tick(0.1).axes["zoom"] == pytest.approx(1.2)
    assert one.view().position == before.position
    one.feed("pad.left_stick", (0.5, 0.0))
    one.tick(0.1)
    assert not one.settled
    one.feed("pad.left_stick", (0.0, 0.0))
    one.tick(0.1)
    assert one.settled
    one.kick("pan_x", 1.0, half_life=0.1)
    assert not one.settled


def test_the_ground_is_followed_and_never_touched() -> None:
    one = session(overhead(mount=Overhead("chart", follow_up=0.2, clearance=2.0)))
    one.tick(0.1)
    assert one.view(ground=0.0).position[1] == pytest.approx(20.0 * sin(radians(60.0)))
    one.tick(1e-9)
    heights = []
    for _ in range(60):
        one.tick(0.05)
        heights.append(one.view(ground=4.0).position[1])
    assert heights[0] < heights[10] < heights[-1] == pytest.approx(4.0 + 20.0 * sin(radians(60.0)), abs=1e-3)

    def dune(_: float, z: float) -> float:
        return 30.0 if z > 8.0 else 0.0  # under the camera, which is 10 m behind the middle

    one.tick(0.1)
    assert one.view(ground=dune).position[1] == pytest.approx(32.0)
    with pytest.raises(mt.ArgumentError, match="expected finite numbers"):
        one.view(ground=float("nan"))


@pytest.mark.parametrize(("frame", "x"), [("world", 0.0), ("entry", 7.0), ("subject", 12.0)])
def test_pans_are_measured_from_where_it_says(frame: str, x: float) -> None:
    one = session(overhead(mount=Overhead("chart", frame=frame)))
    one.tick(0.1)
    one.view((7.0, 0.0, 0.0))
    one.tick(0.1)
    assert one.view((12.0, 0.0, 0.0)).position[0] == pytest.approx(x)


hands = st.lists(
    st.tuples(
        st.one_of(
            st.tuples(st.just("mouse.place"), inside),
            st.tuples(st.just("mouse.move"), st.tuples(st.integers(-300, 300), st.integers(-300, 300))),
            st.tuples(st.just("mouse.wheel.y"), st.integers(-3, 3)),
            st.tuples(st.sampled_from(["pad.left_stick", "pad.right_stick"]), st.tuples(st.floats(-1, 1), st.floats(-1, 1))),
            st.tuples(st.sampled_from(["pad.left_trigger", "pad.right_trigger"]), st.floats(0, 1)),
            st.tuples(st.sampled_from(["mouse.left", "key.KeyM"]), st.integers(0, 1)),
            st.tuples(st.just("host.screen"), st.tuples(st.just(1600.0), st.sampled_from([900.0, 2000.0]))),
        ),
        st.floats(0.0, 1.0),
    ),
    max_size=30,
).map(lambda found: [(name, value, t) for (name, value), t in sorted(found, key=lambda one: one[1])])  # fmt: skip


@st.composite
def plane_plans(draw: st.DrawFn) -> Plan:
    """A look from above or a flat picture, with everything that it can have; sometimes beside another."""
    if draw(st.booleans()):
        return flat(ease=draw(eases), box=draw(st.sampled_from([4.0, float("inf")])))
    mount = Overhead(
        "chart", draw(st.sampled_from(["world", "subject"])), 0.05, bounds=draw(st.sampled_from([(), BOUNDS]))
    )
    hand = replace(PUSH, screens=draw(st.booleans()), gains=(0.5, 0.5), smoothing=draw(eases))
    plan = overhead(
        (*ALL[:5], hand, replace(DRAG, smoothing=draw(eases))),
        mount,
        ease=draw(eases),
        box=draw(st.sampled_from([9.0, float("inf")])),
    )
    if draw(st.booleans()):
        return plan
    eye = Mounted(Eye("eye", 1.6), Condition("charting"), axes=(Axis("yaw"), Axis("pitch")), blend=0.2)
    away = replace(eye, mount=replace(mount, name="away"), axes=plan.axes, restore=draw(st.booleans()))
    gates = (GRABBING, Gate("charting", Buttons((find_signal("key.KeyM"),))))
    return replace(
        plan, gates=gates, axes=(*plan.axes, Axis("roll")), others=(draw(st.sampled_from([eye, away])),)
    )


@given(plane_plans(), hands, st.lists(st.floats(0.0, 1.0, exclude_min=True, exclude_max=True), unique=True))
def test_any_frames_end_alike_to_the_bit(plan: Plan, happened: list[Event], random: list[float]) -> None:
    tables = [mt.replay(plan, take_of(happened), rate=rate, until=1.0) for rate in (24, 60, 144)]
    tables.append(mt.replay(plan, take_of(happened), frames=[*sorted(random), 1.0]))
    names = [axis.name for axis in plan.axes]
    assert len({tuple(table[names].iloc[-1]) for table in tables}) == 1
    one = session(plan)
    for event in happened:
        feed(one, event)
    for k in range(24):
        frame, view = one.tick(to=(k + 1) / 24), one.view()
        assert [frame.axes[name] for name in names] == tables[0][names].iloc[k].tolist()
        assert [*view.position, *view.rotation] == tables[0][list(CAMERA)].iloc[k].tolist()


CAMERA = tuple(f"camera_{part}" for part in ("x", "y", "z", "qx", "qy", "qz", "qw"))


@settings(max_examples=15)
@needs_compiler
@given(plane_plans(), hands)
def test_compiled_text_and_saved_sessions_say_the_same(plan: Plan, happened: list[Event]) -> None:
    program = weave_plan(plan)
    ends = np.arange(1, 31) / 30
    events = next(iter(TakeReader(plan, program).read(take_of(happened).table)), None)
    if events is not None:
        hosts = np.full((len(program.hosts), 30), np.nan)
        out, other = np.empty((len(outputs(program)), 30)), np.empty((len(outputs(program)), 30))
        Interpreted(program).run(events, ends, hosts, 0, out, last=True)
        with quickly():
            Compiled(engines.load(program), program).run(events, ends, hosts, 0, other, last=True)
        np.testing.assert_array_equal(out, other)
    one, two = session(plan), session(plan)
    for event in happened:
        feed(one, event)
    one.tick(0.5)
    one.view()
    two.restore(json.loads(json.dumps(one.state())))
    assert dict(one.tick(0.5).axes) == dict(two.tick(0.5).axes)
    assert one.view().position == two.view().position


def test_a_long_session_holds_no_more_than_a_short_one() -> None:
    one = mt.load_profile(marsh.CHART).session()

    def play(first: int, last: int) -> int:
        for k in range(first, last):
            one.feed("mouse.place", (k % 97 / 97.0, k % 89 / 89.0))
            one.feed("key.KeyM", k // 50 % 2)
            one.feed("mouse.left", k // 30 % 2)
            one.feed("mouse.wheel", (0.0, k // 50 % 3 - 1.0))
            one.tick(1 / 60)
            one.view((0.0, 0.0, 0.0))
        gc.collect()
        return sys.getallocatedblocks()

    early = play(0, 2000)
    late = play(2000, 12000)
    assert late - early < 200  # pieces of memory, after ten thousand ticks more


PROFILE = data("planes.toml")


def test_a_profile_says_all_of_it(tmp_path: Path) -> None:
    profile = load(tmp_path, PROFILE)
    assert profile.mount == Overhead("chart", clearance=0.8, bounds=((-9.0, -9.0), (9.0, -9.0), (0.0, 12.0)))
    routes = {route.name: route for route in profile.routes}
    assert (routes["grab"].effect, routes["grab"].pins, routes["reel"].pins) == ("pin", "ground", "pointer")
    assert (routes["push"].screens, routes["push"].gains) == (True, (0.6, 0.6))
    assert profile.axes[3].start == -60.0


@pytest.mark.parametrize(
    ("old", "new", "words"),
    [
        ('pins = "ground"\ngate = "grabbing"', 'pins = "ground"', "a pin without a gate"),
        ('pins = "ground"', 'pins = "grund"', "did you mean ground?"),
        ('pins = "ground"', 'pins = "ground"\nsensitivity = "1 m/s"', "none: what is grabbed"),
        ('pins = "ground"\n', "", 'for a pointer: pins = "ground"'),
        ('pins = "pointer"', 'pins = "ground"', "expected mouse.place, or a finger's"),
        ('"0.6 screen/s"', '"0.6 screens/s"', "did you mean screen/s?"),
        ('"0.6 screen/s"', '"0.6 m"', "expected m/s, cm/s or screen/s"),
        ('["9 m", "-9 m"]', '["-4.5 m", "1.5 m"]', "corners [x, y] of a convex area"),
        ('["9 m", "-9 m"]', '["9 deg", "-9 m"]', "mounts.chart.bounds: found"),
        ('["9 m", "-9 m"]', '["9 m"]', "expected corners"),
        ('clearance = "80 cm"', 'clearence = "80 cm"', "did you mean clearance?"),
        ('kind = "overhead"', 'kind = "overhaed"', 'did you mean overhead?'),
        (PROFILE[PROFILE.index("[mounts.chart]") :], '[mounts.chart]\nkind = "eye"', "pins without a plane"),
    ],
)  # fmt: skip
def test_what_is_wrong_is_refused_with_its_line(tmp_path: Path, old: str, new: str, words: str) -> None:
    assert words in refused_for(tmp_path, PROFILE, (old, new))


@pytest.mark.parametrize("wrong", [((0.0, 0.0), (1.0, 1.0)), ((0.0, 0.0), (2.0, 0.0), (1.0, 0.5), (1.0, 2.0)),
    ((0.0, 3.0), (2.0, -3.0), (-3.0, 1.0), (3.0, 1.0), (-2.0, -3.0))])  # fmt: skip
def test_bounds_that_are_not_convex_are_refused(wrong: Any) -> None:
    with pytest.raises(mt.PlanError, match="convex"):
        Overhead("chart", bounds=wrong)

"""What profiles ask of the hand, against closed forms written down here on their own."""

from __future__ import annotations

from math import exp, log, log1p

import numpy as np
import pytest
from hypothesis import given, settings
from hypothesis import strategies as st
from scipy.integrate import solve_ivp

from mellow_thumb import Session
from mellow_thumb.basics.units import Effect, parse_quantity, read_sensitivity
from mellow_thumb.plan.axes import Axis
from mellow_thumb.plan.buttons import Buttons
from mellow_thumb.plan.gates import Condition, Gate
from mellow_thumb.plan.mounts.eye import Eye
from mellow_thumb.plan.plan import Plan
from mellow_thumb.plan.routes import Route
from mellow_thumb.plan.signals import find_signal
from mellow_thumb.plan.steps import LN2, Exponential, OneEuro, SlowFast, SpeedGain, Spring, TurnBoost
from mellow_thumb.plan.steps.shape import Shape
from mellow_thumb.plan.steps.spring import HALF_WAY

EYE = (Axis("yaw"), Axis("pitch", low=-60.0, high=70.0), Axis("roll"))
GLASSING = Gate("glassing", Buttons((find_signal("mouse.right"),)))


def session(*routes: Route, axes: tuple[Axis, ...] = ()) -> Session:
    """A session of these routes; the eye's axes, and these."""
    return Session(Plan(routes, (GLASSING,), (*EYE, *axes), Eye("eye")), ceiling=60.0)


def stick(*, rate: float = 200.0, **more: object) -> Route:
    return Route("stick", find_signal("pad.right_stick.x"), ("yaw",), (rate,), effect="rate", **more)  # type: ignore[arg-type]


def wheel(gain: float, axis: str = "distance") -> Route:
    return Route("wheel", find_signal("mouse.wheel.y"), (axis,), (gain,))


times = st.floats(0.01, 2.0)


@given(times, st.floats(-1.0, 1.0))
def test_a_stick_turns_at_its_rate_for_as_long_as_it_is_held(seconds: float, held: float) -> None:
    loop = session(stick())
    loop.feed("pad.right_stick.x", held, at=0.0)
    loop.feed("pad.right_stick.x", 0.0, at=seconds)
    assert loop.tick(3.0).axes["yaw_total"] == pytest.approx(200.0 * held * seconds, abs=1e-9)


@given(times, st.sampled_from([0.02, 0.1, 0.4]))
def test_a_smoothed_rate_is_the_integral_of_its_smoothed_self(seconds: float, half: float) -> None:
    for smoothing, k in ((Exponential(half), LN2 / half), (Spring(half), HALF_WAY / half)):
        loop = session(stick(smoothing=smoothing))
        loop.feed("pad.right_stick.x", 1.0, at=0.0)
        left = exp(-k * seconds)
        if isinstance(smoothing, Exponential):
            expected = 200.0 * (seconds - (1.0 - left) / k)
        else:
            expected = 200.0 * (seconds - 2.0 / k + left * (2.0 / k + seconds))
        assert loop.tick(seconds).axes["yaw_total"] == pytest.approx(expected, abs=1e-9)


@given(times, times, st.floats(0.1, 2.0), st.floats(0.05, 1.0))
def test_a_turn_boost_builds_along_a_ramp_and_falls_at_once(
    seconds: float, rest: float, extra: float, build: float
) -> None:
    loop = session(stick(turn_boost=TurnBoost(0.9, extra, build)))
    loop.feed("pad.right_stick.x", 1.0, at=0.0)
    loop.feed("pad.right_stick.x", 0.5, at=seconds)
    rising = min(seconds, build)
    boosted = rising * 0.5 * rising / build + (seconds - rising)
    expected = 200.0 * (seconds + extra * boosted) + 100.0 * rest
    assert loop.tick(seconds + rest).axes["yaw_total"] == pytest.approx(expected, abs=1e-9)


@given(st.floats(0.05, 1.0), st.floats(0.1, 2.0), st.floats(0.05, 0.4), st.sampled_from([0.03, 0.2]))
@settings(max_examples=20)
def test_a_boost_behind_smoothing_is_what_its_equation_says(
    seconds: float, extra: float, build: float, half: float
) -> None:
    loop = session(stick(turn_boost=TurnBoost(0.9, extra, build), smoothing=Exponential(half)))
    loop.feed("pad.right_stick.x", 1.0, at=0.0)
    k = LN2 / half

    def equation(t: float, state: np.ndarray) -> list[float]:
        wish = 200.0 * (1.0 + extra * min(t / build, 1.0))
        return [state[1], k * (wish - state[1])]

    solved = solve_ivp(equation, (0.0, seconds), [0.0, 0.0], rtol=1e-10, atol=1e-10, max_step=0.01)
    assert loop.tick(seconds).axes["yaw_total"] == pytest.approx(solved.y[0, -1], abs=1e-4)


@given(st.floats(0.05, 1.5), st.floats(-1.0, 1.0), st.floats(0.02, 0.5), st.floats(-30.0, 30.0))
@settings(max_examples=25)
def test_an_axis_returns_to_its_rest_against_what_drives_it(
    seconds: float, held: float, half: float, start: float
) -> None:
    axis = Axis("lean", start, -40.0, 40.0, rest=5.0, return_half_life=half)
    route = Route("lean", find_signal("pad.right_stick.x"), ("lean",), (60.0,), effect="rate")
    loop = session(route, axes=(axis,))
    loop.feed("pad.right_stick.x", held, at=0.0)
    k = LN2 / half
    level = 5.0 + 60.0 * held / k
    expected = level + (start - level) * exp(-k * seconds)
    assert loop.tick(seconds).axes["lean"] == pytest.approx(min(max(expected, -40.0), 40.0), abs=1e-9)


@given(st.floats(-1.0, 1.0), st.sampled_from([0.05, 0.2]), st.sampled_from([0.05, 0.03]), st.booleans())
@settings(max_examples=16)
def test_return_easing_and_rate_are_one_equation(held: float, back: float, half: float, spring: bool) -> None:
    smoothing = Spring(half) if spring else Exponential(half)
    axis = Axis("lean", 4.0, -30.0, 9.0, rest=1.0, return_half_life=back, smoothing=smoothing)
    route = Route("lean", find_signal("pad.right_stick.x"), ("lean",), (90.0,), effect="rate")
    loop = session(route, axes=(axis,))
    loop.feed("pad.right_stick.x", held, at=0.0)
    k, w = LN2 / back, (HALF_WAY if spring else LN2) / half
    k = 1.001 * w if abs(k / w - 1.0) < 1e-3 else k

    def equation(_: float, state: np.ndarray) -> list[float]:
        goal, value, speed = state
        drift = 90.0 * held - k * (goal - 1.0)
        drift = 0.0 if goal >= 9.0 and drift > 0.0 else drift
        if spring:
            return [drift, speed, w * w * (goal - value) - 2.0 * w * speed]
        return [drift, w * (goal - value), 0.0]

    solved = solve_ivp(equation, (0.0, 0.7), [4.0, 4.0, 0.0], rtol=1e-9, atol=1e-9, max_step=1e-3)
    assert loop.tick(0.7).axes["lean"] == pytest.approx(solved.y[1, -1], abs=0.02)


@given(st.lists(st.integers(-5, 5), max_size=20))
def test_notches_in_and_out_land_where_they_began(notches: list[int]) -> None:
    axis = Axis("distance", 4.0, 0.5, 1000.0, "m", log=True, smoothing=Spring(0.08))
    loop = session(wheel(-log1p(0.12)), axes=(axis,))
    for k, notch in enumerate([*notches, *(-notch for notch in reversed(notches))]):
        loop.feed("mouse.wheel.y", float(notch), at=k / 100)
    inside = all(0.5 < 4.0 * 1.12 ** -sum(notches[:k]) < 1000.0 for k in range(len(notches) + 1))
    distance = loop.tick(20.0).axes["distance"]
    assert 0.5 <= distance <= 1000.0
    if inside:
        assert distance == pytest.approx(4.0, abs=1e-9)


@pytest.mark.parametrize("smoothing", [None, Exponential(0.08), Spring(0.08)])
def test_a_wheel_at_its_end_has_no_dead_stretch(smoothing: Exponential | Spring | None) -> None:
    axis = Axis("distance", 4.0, 1.5, 12.0, "m", log=True, smoothing=smoothing)
    loop = session(wheel(-log1p(0.12)), axes=(axis,))
    loop.feed("mouse.wheel.y", 50.0)  # a burst in one frame, far past the end
    assert loop.tick(20.0).axes["distance"] == pytest.approx(1.5, abs=1e-9)
    loop.feed("mouse.wheel.y", -1.0)
    assert loop.tick(20.0).axes["distance"] == pytest.approx(1.5 * 1.12, abs=1e-9)


def test_a_burst_is_kept_whole_and_eased_toward_its_target() -> None:
    axis = Axis("distance", 4.0, 1.0, 12.0, "m", log=True, smoothing=Spring(0.08))
    loop = session(wheel(-log1p(0.12)), axes=(axis,))
    loop.feed("mouse.wheel.y", 3.0)
    half = loop.tick(0.08).axes["distance"]
    assert log(half) == pytest.approx(log(4.0) - 1.5 * log1p(0.12), abs=1e-9)
    assert loop.tick(20.0).axes["distance"] == pytest.approx(4.0 / 1.12**3, abs=1e-9)


@given(st.floats(-1.0, 1.0), times)
def test_an_offset_leans_the_axis_and_goes_when_the_input_goes(held: float, seconds: float) -> None:
    lean = Route("lean", find_signal("pad.right_stick.y"), ("pitch",), (20.0,), effect="offset")
    eased = Route(
        "lean",
        find_signal("pad.right_stick.y"),
        ("pitch",),
        (20.0,),
        effect="offset",
        smoothing=Exponential(0.1),
    )
    for route in (lean, eased):
        loop = session(route)
        loop.feed("pad.right_stick.y", held, at=0.0)
        share = 1.0 if route is lean else 1.0 - 2.0 ** (-seconds / 0.1)
        assert loop.tick(seconds).axes["pitch"] == pytest.approx(20.0 * held * share, abs=1e-9)
        loop.feed("pad.right_stick.y", 0.0)
        assert loop.tick(50.0).axes["pitch"] == pytest.approx(0.0, abs=1e-9)


def test_an_offset_never_enters_the_value_behind_it() -> None:
    lean = Route("lean", find_signal("pad.right_stick.y"), ("pitch",), (200.0,), effect="offset")
    loop = session(lean)
    loop.feed("pad.right_stick.y", 1.0)
    assert loop.tick(1.0).axes["pitch"] == 70.0  # the sum is clamped
    loop.feed("pad.right_stick.y", 0.0)
    assert loop.tick(1.0).axes["pitch"] == 0.0  # and nothing was added up


@given(st.floats(10.0, 20000.0))
@settings(max_examples=30)
def test_a_faster_hand_has_more_effect_and_no_more_than_all(speed: float) -> None:
    gain = SpeedGain(slow=500.0, fast=5000.0, extra=0.8)
    loop = session(Route("move", find_signal("mouse.move"), ("yaw", "pitch"), (1e-4, 1e-4), speed_gain=gain))
    steady = [(speed / 1000.0, 0.0)] * 1000
    for k, move in enumerate(steady):
        loop.feed("mouse.move", move, at=k / 1000)
    turned = loop.tick(2.0).axes["yaw_total"] / (speed * 1e-4)
    share = min(max((speed - 500.0) / 4500.0, 0.0), 1.0)
    assert turned == pytest.approx(1.0 + 0.8 * share, abs=0.04)


def test_slow_motion_is_smoothed_and_fast_motion_is_direct() -> None:
    smoothing = SlowFast(0.2, slow=100.0, fast=2000.0)
    loop = session(
        Route("move", find_signal("mouse.move"), ("yaw", "pitch"), (0.01, 0.01), smoothing=smoothing)
    )
    for k in range(200):
        loop.feed("mouse.move", (0.05, 0.0), at=k / 1000)
    assert loop.tick(0.2).axes["yaw_total"] < 0.6 * 0.1
    assert loop.tick(20.0).axes["yaw_total"] == pytest.approx(0.1)
    for k in range(200):
        loop.feed("mouse.move", (5.0, 0.0), at=20.2 + k / 1000)
    assert loop.tick(0.2).axes["yaw_total"] > 0.1 + 0.95 * 10.0
    assert loop.tick(20.0).axes["yaw_total"] == pytest.approx(10.1)


def test_a_1_euro_filter_is_steady_at_rest_and_quick_when_the_value_moves_fast() -> None:
    def turned(step: float, slope: float) -> float:
        loop = session(stick(rate=100.0, smoothing=OneEuro(0.5, slope)))
        loop.feed("pad.right_stick.x", 0.0, at=0.0)
        for k in range(1, 11):
            loop.feed("pad.right_stick.x", step * k / 10, at=0.1 + k / 1000)
        return loop.tick(0.3).axes["yaw_total"] / (100.0 * step * 0.195)

    assert turned(1.0, 0.0) == pytest.approx(turned(0.01, 0.0))
    assert turned(0.01, 0.5) < 0.45
    assert turned(1.0, 0.5) > 0.7


@given(st.floats(0.1, 3.0), st.floats(0.05, 0.6))
def test_a_1_euro_filter_with_no_slope_is_a_low_pass(cutoff: float, seconds: float) -> None:
    loop = session(stick(smoothing=OneEuro(cutoff, 0.0)))
    loop.feed("pad.right_stick.x", 1.0, at=0.0)
    k = 2.0 * 3.141592653589793 * cutoff
    assert loop.tick(seconds).axes["yaw_total"] == pytest.approx(
        200.0 * (seconds - (1.0 - exp(-k * seconds)) / k)
    )


def test_scales_act_while_their_gates_are_open_with_zoom_and_for_the_host() -> None:
    move = Route(
        "move", find_signal("mouse.move"), ("yaw", "pitch"), (0.1, 0.1),
        scales=((Condition("glassing"), 0.5),), with_zoom=True,
    )  # fmt: skip
    zoom = Axis("zoom", 1.0, 1.0, 8.0, "x", log=True, rest=1.0)
    loop = session(move, wheel(log(2.0), "zoom"), axes=(zoom,))

    def turned() -> float:
        before = loop.tick(0.0).axes["yaw_total"]
        loop.feed("mouse.move", (100.0, 0.0))
        return loop.tick(0.01).axes["yaw_total"] - before

    assert turned() == pytest.approx(10.0)
    loop.feed("mouse.right", 1.0)
    assert turned() == pytest.approx(5.0)
    loop.feed("mouse.wheel.y", 1.0)  # twice as near
    assert turned() == pytest.approx(2.5)
    loop.set_scale("move", 0.2)
    assert turned() == pytest.approx(0.5)
    assert loop.view().field_of_view == pytest.approx(32.204, abs=1e-3)


def test_several_routes_on_one_axis_add() -> None:
    routes = (stick(), Route("mouse", find_signal("mouse.move.x"), ("yaw",), (0.1,)), Route("key", find_signal("key.KeyQ"), ("yaw",), (-45.0,), effect="rate"))  # fmt: skip
    loop = session(*routes)
    loop.feed("pad.right_stick.x", 0.5, at=0.0)
    loop.feed("key.KeyQ", 1.0, at=0.5)
    loop.feed("mouse.move.x", 30.0, at=0.7)
    assert loop.tick(1.0).axes["yaw_total"] == pytest.approx(100.0 - 22.5 + 3.0)


@given(st.floats(0.01, 1.0), st.floats(0.0, 1.0))
def test_a_stick_against_a_limit_is_answered_at_once_on_the_way_back(pressed: float, half: float) -> None:
    route = Route(
        "stick",
        find_signal("pad.right_stick.y"),
        ("pitch",),
        (140.0,),
        effect="rate",
        smoothing=Exponential(half) if half > 0.01 else None,
    )
    loop = session(route)
    loop.feed("pad.right_stick.y", 1.0, at=0.0)
    loop.feed("pad.right_stick.y", -1.0, at=50.0 + pressed)
    loop.tick(to=50.0 + pressed)
    assert loop.tick(0.2).axes["pitch"] < 70.0 - 140.0 * 0.2 * (1.0 - 2.0 ** (-0.2 / max(half, 0.01))) * 0.3


def test_a_value_outside_its_range_is_drawn_in_and_counted() -> None:
    loop = session(stick())
    loop.feed("pad.right_stick.x", 1.00003, at=0.0)
    assert loop.tick(1.0).axes["yaw_total"] == pytest.approx(200.0)
    assert loop.clipped == {"pad.right_stick.x": 1}
    assert loop.refused == {}


def test_a_trigger_that_rests_above_0_does_not_drift() -> None:
    shape = Shape(rest=(0.1, 0.1))
    route = Route("trigger", find_signal("pad.left_trigger"), ("roll",), (90.0,), effect="rate", shape=shape)
    loop = session(route)
    loop.feed("pad.left_trigger", 0.1, at=0.0)
    assert loop.tick(10.0).axes["roll"] == 0.0
    loop.feed("pad.left_trigger", 1.0)
    assert loop.tick(1.0).axes["roll"] == pytest.approx(90.0)


def test_half_a_pair_leaves_the_other_half_held() -> None:
    route = Route("stick", find_signal("pad.right_stick"), ("yaw", "roll"), (100.0, 100.0), effect="rate")
    loop = session(route)
    loop.feed("pad.right_stick", (0.5, 0.25), at=0.0)
    loop.feed("pad.right_stick.x", 0.0, at=1.0)
    axes = loop.tick(2.0).axes
    assert axes["yaw_total"] == pytest.approx(50.0)
    assert axes["roll"] == pytest.approx(50.0)


def test_an_axis_is_put_where_the_host_says_and_nothing_drifts_on() -> None:
    loop = session(stick(smoothing=Exponential(0.5)))
    loop.feed("pad.right_stick.x", 1.0, at=0.0)
    loop.tick(1.0)
    loop.feed("pad.right_stick.x", 0.0)
    loop.set_axis("yaw", 90.0)
    loop.set_axis("pitch", 500.0)
    axes = loop.tick(2.0).axes
    assert (axes["yaw"], axes["pitch"]) == (90.0, 70.0)


def test_a_stick_keeps_its_feel_while_the_zoom_moves() -> None:
    zoom = Axis("zoom", 1.0, 1.0, 8.0, "x", log=True, rest=1.0, smoothing=Spring(0.06))
    loop = session(stick(with_zoom=True), wheel(log(2.0), "zoom"), axes=(zoom,))
    loop.feed("pad.right_stick.x", 1.0, at=0.0)
    loop.feed("mouse.wheel.y", 3.0, at=0.1)
    w = HALF_WAY / 0.06

    def rate(t: float, _: np.ndarray) -> list[float]:
        late = max(t - 0.1, 0.0)
        return [200.0 * exp(-log(8.0) * (1.0 - (1.0 + w * late) * exp(-w * late)))]

    solved = solve_ivp(rate, (0.0, 1.0), [0.0], rtol=1e-10, atol=1e-10, max_step=1e-3)
    assert loop.tick(1.0).axes["yaw_total"] == pytest.approx(solved.y[0, -1], abs=0.01)


@pytest.mark.parametrize("time", [1e-9, 1e-5, 1e-3, 60.0])
def test_the_quickest_and_the_slowest_smoothing_lose_nothing(time: float) -> None:
    for smoothing in (Exponential(time), Spring(time)):
        loop = session(Route("move", find_signal("mouse.move.x"), ("yaw",), (0.1,), smoothing=smoothing))
        for k in range(100):
            loop.feed("mouse.move.x", 7.0, at=k / 1000)
        for _ in range(60):
            turned = loop.tick(50.0).axes["yaw_total"]
        assert turned == pytest.approx(70.0, abs=1e-9)


def test_a_plain_axis_takes_plain_rates() -> None:
    assert read_sensitivity(parse_quantity("0.5/s"), "switch", "", "", counts_per_cm=None) == Effect(
        "rate", 0.5
    )
    route = Route("tide", find_signal("key.KeyQ"), ("tide",), (0.5,), effect="rate")
    loop = session(route, axes=(Axis("tide", unit=""),))
    loop.feed("key.KeyQ", 1.0, at=0.0)
    assert loop.tick(2.0).axes["tide"] == 1.0

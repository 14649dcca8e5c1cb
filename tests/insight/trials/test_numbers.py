"""The numbers of a trial, held against closed forms, and against what stand-in people are made to do."""

from __future__ import annotations

from itertools import pairwise
from math import hypot, log2
from random import Random
from statistics import fmean

import numpy as np
import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.insight.trials.aiming import WIDTHS_PER_DEVIATION, Aim, aimed, course_of, throughput_of
from mellow_thumb.insight.trials.following import beside, error_of, lag_of
from mellow_thumb.insight.trials.simulating import RING, aims_of
from mellow_thumb.stand_ins import Person

PAIRS = {
    (round(hypot(one.place[0] - one.origin[0], one.place[1] - one.origin[1]), 6), one.width)
    for one in RING.targets(1)
    if one.counts
}


def test_the_constant_is_that_of_the_standard() -> None:
    assert pytest.approx(4.133, abs=5e-4) == WIDTHS_PER_DEVIATION


def test_throughput_of_a_stand_in_is_its_closed_form_in_the_mean_of_fifty_seeds() -> None:
    truth = fmean(Person(Random(0)).throughput(*one) for one in PAIRS)
    found = []
    for seed in range(50):
        person = Person(Random(seed))
        found.append(fmean(throughput_of(aims_of(person, RING, 100 * seed + k)) for k in range(6)))
    assert fmean(found) == pytest.approx(truth, rel=0.005)


@pytest.mark.parametrize("spread", [0.5, 1.0, 2.0])
def test_throughput_takes_the_width_that_was_hit_and_not_the_one_that_was_drawn(spread: float) -> None:
    truth = fmean(Person(Random(0), spread=spread).throughput(*one) for one in PAIRS)
    found = fmean(throughput_of(aims_of(Person(Random(k), spread=spread), RING, k)) for k in range(150))
    assert found == pytest.approx(truth, rel=0.015)


def test_misses_are_those_of_a_normal_disc() -> None:
    person = Person(Random(3))
    aims = [one for k in range(60) for one in aims_of(person, RING, k)]
    # of two normal sides with a deviation of width / 4.133: exp(-(4.133 / 2)^2 / 2)
    assert fmean(one.missed for one in aims) == pytest.approx(
        np.exp(-0.125 * WIDTHS_PER_DEVIATION**2), abs=0.02
    )


@given(st.floats(0.1, 100.0), st.floats(0.05, 5.0), st.floats(-0.4, 0.4), st.floats(0.0, 6.28))
def test_numbers_of_aims_turn_and_scale_with_the_space(
    size: float, time: float, off: float, turn: float
) -> None:
    ahead, aside = np.array([np.cos(turn), np.sin(turn)]), np.array([-np.sin(turn), np.cos(turn)])

    def made(scale: float, way: np.ndarray, across: np.ndarray) -> list[Aim]:
        ends = (-0.3, 0.1, off, 0.35, -0.05)
        return [
            Aim(0.0, time, (0.0, 0.0), (0.0, 0.0), tuple(10.0 * scale * way), scale,
                tuple(scale * ((10.0 + end) * way + 0.2 * across)))
            for end in ends
        ]  # fmt: skip

    plain = aimed(made(1.0, np.array([1.0, 0.0]), np.array([0.0, 1.0])))
    other = aimed(made(size, ahead, aside))
    assert other.throughput == pytest.approx(plain.throughput, rel=1e-9)
    assert other.distance == pytest.approx(size * plain.distance, rel=1e-9)
    assert plain.throughput == pytest.approx(log2(plain.distance / plain.width + 1.0) / time)


def test_a_movement_is_followed_on_its_way() -> None:
    person, t = Person(Random(1), uneven=0.0), np.arange(0.0, 2.0, 1 / 240)
    way = person.aim(0.5, (0.0, 0.0), (0.0, 0.0), (20.0, 0.0), 2.0)
    path = np.array([way.at(one) for one in t.tolist()])
    course = course_of(Aim(0.5, 0.5 + way.ended, (0.0, 0.0), (0.0, 0.0), (20.0, 0.0), 2.0, way.end), t, path)
    assert course.corrections == 1
    assert course.reaction == pytest.approx(way.reaction, abs=0.1)
    # least jerk: 1.875 of the mean speed at its fastest
    assert course.peak == pytest.approx(1.875 * hypot(*way.short) / (way.between - way.reaction), rel=0.02)


def test_overshoot_is_what_lies_beyond_the_far_side() -> None:
    t = np.arange(0.0, 1.0, 1 / 240)
    path = np.column_stack((12.0 * np.sin(np.pi * 0.75 * t) / np.sin(np.pi * 0.5), 0.0 * t))
    aim = Aim(0.0, 1.0, (0.0, 0.0), (0.0, 0.0), (10.0, 0.0), 2.0, (8.5, 0.0))
    assert course_of(aim, t, path).overshoot == pytest.approx(12.0 - 11.0, abs=1e-3)


@given(st.floats(0.0, 0.5), st.integers(0, 1000))
def test_a_lag_is_found_to_a_millisecond(late: float, seed: int) -> None:
    chance, rate = Random(seed), 240.0
    waves = [(chance.uniform(0.1, 0.4), chance.uniform(0.0, 6.28)) for _ in range(3)]

    def at(t: np.ndarray) -> np.ndarray:
        side = sum(np.sin(2.0 * np.pi * one * t + phase) for one, phase in waves)
        return np.column_stack((side, 0.5 * side))

    t = np.arange(0.0, 12.0, 1.0 / rate)
    assert lag_of(at(t), at(t - late), rate) == pytest.approx(late, abs=1e-3)
    assert error_of(at(t), at(t) + np.array([3.0, 4.0])) == pytest.approx(5.0)


def test_nothing_that_moves_has_no_lag() -> None:
    still = np.zeros((100, 2))
    assert lag_of(still, still, 60.0) != lag_of(still, still, 60.0)


@given(st.floats(-10.0, 10.0), st.floats(-10.0, 10.0))
def test_beside_a_way_is_the_nearest_of_its_points(x: float, z: float) -> None:
    way = np.array([(0.0, 0.0), (0.0, -8.0), (5.0, -12.0)])
    points = np.concatenate([np.linspace(a, b, 4001) for a, b in pairwise(way)])
    nearest = np.hypot(*(points - np.array([x, z])).T).min()
    assert beside(way, np.array([[x, z]]))[0] == pytest.approx(nearest, abs=2e-3)

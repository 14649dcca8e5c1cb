"""The order of a trial: balanced, drawn by chance, the same after every start, and sealed."""

from __future__ import annotations

from collections import Counter

import pytest
from hypothesis import given
from hypothesis import strategies as st

from mellow_thumb.basics import ArgumentError
from mellow_thumb.insight.trials.schedule import BIRDS, Order, opened, sealed

SECRETS = st.integers(0, 2**64 - 1)


@given(SECRETS, st.integers(2, 6), st.integers(1, 5), st.integers(1, 3))
def test_every_two_settings_meet_as_often_and_each_comes_first_as_often(
    secret: int, settings: int, person: int, fours: int
) -> None:
    order = Order(secret, settings)
    laps = settings * (settings - 1) // 2
    pairs = [order.pair(person, number) for number in range(4 * fours * laps)]
    assert set(Counter(pairs).values()) == {2 * fours}
    assert len(Counter(pairs)) == settings * (settings - 1)
    rounds = order.rounds(person, len(pairs))
    assert [one.number for one in rounds] == list(range(2 * len(pairs)))
    assert {one.bird for one in rounds} == set(BIRDS[:settings])


@given(SECRETS, st.integers(2, 6))
def test_an_order_goes_on_as_it_was_however_many_rounds_are_planned(secret: int, settings: int) -> None:
    few, many = (Order(secret, settings).rounds(1, pairs) for pairs in (6, 20))
    assert many[: len(few)] == few


@given(SECRETS)
def test_both_rounds_of_a_pair_have_the_same_targets_and_others_do_not(secret: int) -> None:
    order = Order(secret, 2)
    assert order.targets(1, 3) == Order(secret, 2).targets(1, 3)
    assert len({order.targets(person, pair) for person in (1, 2) for pair in range(10)}) == 20


def test_which_bird_is_which_and_what_comes_first_are_chance() -> None:
    orders = [Order(secret, 2) for secret in range(2000)]
    for what in (lambda one: one.birds(1)[0] == "curlew", lambda one: one.pair(1, 0) == (0, 1)):
        assert sum(map(what, orders)) / 2000 == pytest.approx(0.5, abs=0.034)  # three deviations


@given(SECRETS, st.text(max_size=20))
def test_a_seal_opens_by_its_name_alone(secret: int, name: str) -> None:
    token = sealed(secret, name)
    assert opened(token, name) == secret
    assert secret < 10**6 or str(secret).encode() not in token
    with pytest.raises(ValueError, match="seal is broken"):
        opened(token, name + "x")
    with pytest.raises(ValueError, match="seal is broken"):
        opened(token[:30] + (b"A" if token[30:31] != b"A" else b"B") + token[31:], name)


@pytest.mark.parametrize("many", [1, 7])
def test_one_setting_and_too_many_are_refused(many: int) -> None:
    with pytest.raises(ArgumentError, match=f"found {many} settings; expected 2 to 6"):
        Order(1, many)

"""What `tell` says of a profile is what a session does: every signal pushed, in every state of its gates."""

from __future__ import annotations

import re
from dataclasses import replace
from functools import cache
from itertools import permutations
from pathlib import Path

import pytest
from hypothesis import given, settings
from hypothesis import strategies as st

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.plan.mounts import Mounted
from mellow_thumb.plan.plan import Plan
from mellow_thumb.profiles.starting import DEVICES, MOUNTS, starter

from ..helpers.driving import hold_to
from ..helpers.profiles import DATA, load
from ..helpers.strategies import held_routes, plans, step_routes, taking_over

DOCS = Path(__file__).parents[2] / "docs"
shares = st.tuples(*[st.floats(0.0, 1.0)] * 3)
"""Where axes begin, within the middle half between their limits."""


@cache
def written() -> dict[str, str]:
    """The whole profiles that the docs show, by page and place."""
    found = {}
    for page in [*sorted(DOCS.glob("*.md")), *sorted(DOCS.glob("cookbook/*.md"))]:
        for k, text in enumerate(
            re.findall(r"```toml\n(.*?)```", page.read_text(encoding="utf-8"), re.DOTALL)
        ):
            if "format =" in text and "[routes." in text:
                found[f"{page.stem} {k}"] = text
    return found


FILES = [*(Path(scene[0]) for scene in marsh.SCENES), *sorted(DATA.glob("*.toml"))]
LOADED = [file for file in FILES if file.stem not in ("low", "places")]


@pytest.mark.parametrize("file", LOADED, ids=lambda file: file.stem)
def test_what_a_profile_tells_is_what_it_does(file: Path) -> None:
    profile = mt.load_profile(file)
    assert hold_to(profile) > 0 or not profile.routes

    @settings(max_examples=3)
    @given(shares)
    def from_anywhere(fractions: tuple[float, ...]) -> None:
        hold_to(profile, fractions)

    from_anywhere()


@pytest.mark.parametrize("name", written())
def test_what_the_docs_profiles_tell_is_what_they_do(tmp_path: Path, name: str) -> None:
    profile = load(tmp_path, written()[name])
    assert hold_to(profile) > 0
    hold_to(profile, (0.2, 0.8, 0.4))


@pytest.mark.parametrize("mounts", [*((one,) for one in MOUNTS), *permutations(MOUNTS[:-1], 2)], ids="+".join)
def test_what_a_first_profile_tells_is_what_it_does(tmp_path: Path, mounts: tuple[str, ...]) -> None:
    held = 0
    for k, devices in enumerate([*((one,) for one in DEVICES), tuple(DEVICES)]):
        try:
            text = starter(devices, mounts)
        except mt.ArgumentError:
            continue
        held += hold_to(load(tmp_path, text), ((), (0.2, 0.8, 0.4))[k % 2])
    assert held > 0


@st.composite
def viewed(draw: st.DrawFn) -> Plan:
    """A plan of several mounts, some with axes of their own."""
    plan = draw(plans(limits=False, makers=(step_routes, held_routes)))
    others: tuple[Mounted, ...] = draw(taking_over([gate.name for gate in plan.gates], [], True))
    return replace(plan, others=others)


@settings(max_examples=40)
@given(viewed(), shares)
def test_what_any_plan_tells_is_what_it_does(plan: Plan, fractions: tuple[float, ...]) -> None:
    hold_to(plan)
    hold_to(plan, fractions)


def printed_as_measured(plan: Plan) -> None:
    """The number that a line prints is what was measured, to 1 % or one unit of its last digit."""
    by_name = {axis.name: axis for axis in plan.axes}
    for one in mt.tell(plan).controls:
        number = re.search(r"(?:^|up to |by )([0-9]+)(\.[0-9]+)?", one.size)
        if number is None or by_name[one.axis].log or "screen" in one.size.split(" per ")[0]:
            continue  # by the same factor; what multiplies is held to its percentages, screens to their sessions
        last = 10.0 ** -(len(number[2] or ".") - 1)
        assert float(number[1] + (number[2] or "")) == pytest.approx(abs(one.amount), rel=0.01, abs=last)


@given(viewed())
def test_what_is_printed_is_what_was_measured(plan: Plan) -> None:
    printed_as_measured(plan)


@pytest.mark.parametrize("file", LOADED, ids=lambda file: file.stem)
def test_what_is_printed_of_a_profile_is_what_was_measured(file: Path) -> None:
    printed_as_measured(mt.load_profile(file))

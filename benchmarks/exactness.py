"""How exact the steps are, over random plans: python -m benchmarks.exactness [COUNT]

Compares a program with the same program split at every event and each 1/4000 s, axis by axis, for plans
with limits and without. These are the numbers of docs/conditioning.md.
"""

from __future__ import annotations

import sys

from hypothesis import HealthCheck, given, settings

from mellow_thumb.plan.plan import Plan
from tests.helpers.strategies import EVERYTHING, Event, events, held_routes, plans, step_routes
from tests.weaving.test_program import by_hand, split_finely

PLAIN = (step_routes, step_routes, held_routes)
COUNT = int(sys.argv[1]) if len(sys.argv) > 1 else 1500


def errors(*, limits: bool) -> list[float]:
    """The difference of every axis after one second."""
    found: list[float] = []

    @settings(max_examples=COUNT, deadline=None, database=None, suppress_health_check=list(HealthCheck))
    @given(plans(limits=limits, makers=PLAIN if limits else EVERYTHING), events(most=25))
    def compare(plan: Plan, happened: list[Event]) -> None:
        (axes,) = by_hand(plan, happened, [1.0])
        pairs = zip(list(axes.values())[1:], split_finely(plan, happened)[1 : len(axes)], strict=True)
        found.extend(abs(a - b) for a, b in pairs)

    compare()
    return found


if __name__ == "__main__":
    for limits in (False, True):
        found = errors(limits=limits)
        over = sum(error > 1e-9 for error in found) / len(found)
        words = "with limits" if limits else "without limits"
        print(f"{words}: worst {max(found):.3g}, over 1e-9 in {100 * over:.2f} % of {len(found):,} axes")

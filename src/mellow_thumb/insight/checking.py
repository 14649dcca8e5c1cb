"""Checking: what is wrong, or likely to be, with a profile that loads; before anyone presses play."""

from __future__ import annotations

from typing import TYPE_CHECKING

from . import checks_axes, checks_switching, checks_takes, checks_touches
from .findings import placed

if TYPE_CHECKING:
    from ..profiles import Profile
    from ..takes import Take
    from .findings import Finding

LAG = 0.1
"""Seconds by which smoothing may delay what a hand does, unless stated otherwise."""
CHECKS = (
    checks_axes.undriven,
    checks_axes.limits,
    checks_axes.unused,
    checks_axes.inverted,
    checks_axes.grabs,
    checks_axes.swapped,
    checks_axes.heights,
    checks_axes.dead_zones,
    checks_axes.curves,
    checks_axes.steps,
    checks_switching.toggles,
    checks_switching.jobs,
    checks_switching.lost,
    checks_switching.circling,
    checks_switching.holds,
    checks_switching.devices,
    checks_switching.mounts,
    checks_switching.idle_follows,
    checks_switching.faces,
    checks_switching.comfort,
    checks_touches.starved,
    checks_touches.tapping,
)


def check(profile: Profile, take: Take | None = None, *, lag: float = LAG) -> list[Finding]:
    """What is wrong with a profile, or likely to be: findings, worst first, each with what to do.

    With a `take`, the take is checked too: whether its sticks leave their dead zones at rest, what the game
    forgot to say, and which rows do nothing or are odd. `lag` (s) is how much smoothing may add. Findings
    that the profile allows are included, with the reason in `allowed`.
    """
    found = [one for find in CHECKS for one in find(profile)]
    found += checks_axes.late(profile, lag)
    if take is not None:
        looks = (checks_takes.noise, checks_takes.inside, checks_takes.unsized, checks_takes.rows)
        found += [one for look in looks for one in look(profile, take)]
        # a stick that drifts in the take is said once, with the number
        drift = {one.path[:2] for one in found if one.code == "dead-zone-under-noise"}
        found = [one for one in found if one.code != "no-dead-zone" or one.path[:2] not in drift]
    return placed(dict.fromkeys(found), profile)

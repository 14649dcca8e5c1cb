"""Checks of touches: those that never get a finger, and taps that move what they should not."""

from __future__ import annotations

from itertools import pairwise
from math import expm1
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import DOUBLE, SLOP, TAPS
from .findings import Finding

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..plan import Plan, Touch

Area = tuple["Touch", ...]


def starved(plan: Plan) -> Iterator[Finding]:
    """Touches that get no finger, since others take them all."""
    for k, area in enumerate(plan.areas):
        before = [one for one in plan.areas[:k] if one[0].starts_on in ("", area[0].starts_on)]
        takers = [_takers(point, before) for point in _points(area, before)]
        names = listed([one.name for one in area], "and")
        has = listed(sorted({one for them in takers for one in _names(them)}))
        path = ("touch", area[0].name)
        fix = "give it the same region, or a higher priority"
        if all(_all_of(them) for them in takers):
            reason = f"{names} never gets a finger: wherever one lands, {has} takes it"
            yield Finding("starved-touch", "error", path, reason, fix)
        elif all(them for them in takers) and all(one.kind in DOUBLE for one in area):
            reason = f"{names} never gets two fingers: wherever they land, {has} takes the first"
            yield Finding("starved-touch", "warning", path, reason, fix)


def _points(area: Area, before: list[Area]) -> Iterator[tuple[float, float]]:
    """A point in each part of a region, where a part is ruled by the same touches."""
    left, bottom, right, top = area[0].region
    regions = [one[0].region for one in before]
    sides = [sorted({left, right, *(side for one in regions for side in one[0::2])})]
    sides.append(sorted({bottom, top, *(side for one in regions for side in one[1::2])}))
    across = [(a + b) / 2.0 for a, b in pairwise(sides[0]) if left <= a and b <= right]
    along = [(a + b) / 2.0 for a, b in pairwise(sides[1]) if bottom <= a and b <= top]
    yield from ((x, y) for x in across for y in along)


def _takers(point: tuple[float, float], before: list[Area]) -> list[Area]:
    """Who takes a finger first that lands at a point."""
    found = []
    for area in before:
        left, bottom, right, top = area[0].region
        if left <= point[0] <= right and bottom <= point[1] <= top:
            found.append(area)
    return found


def _all_of(takers: list[Area]) -> bool:
    """Whether some touches leave no finger for others; a pad takes only one."""
    return any(one[0].kind != "thumb_pad" for one in takers)


def _names(takers: list[Area]) -> list[str]:
    return [touch.name for area in takers for touch in area]


def tapping(plan: Plan) -> Iterator[Finding]:
    """Taps that also turn or move something, because the drag does not wait for a travel."""
    asked = {address.signal.name for buttons in plan.buttons for address in buttons.inputs}
    for area in plan.areas:
        if not any(f"touch.{one.name}.{tap}" in asked for one in area for tap in TAPS):
            continue
        for touch in area:
            routes = [one for one in plan.routes if one.source.signal.name == f"touch.{touch.name}"]
            axes = {one.name: one for one in plan.axes}
            moved = [(abs(gain), axes[name], route) for route in routes for name, _, gain in route.parts]
            if touch.kind != "drag" or touch.after_travel.value or not moved:
                continue
            most = touch.tap_travel.value if touch.tap_travel.unit == "screen" else 0.0
            gain, axis, route = max(moved, key=lambda one: one[0])
            way = (most or SLOP) * gain
            unit = "%" if axis.log else "screen" if route.screens else axis.unit
            size = f"{100.0 * expm1(way) if axis.log else way:.2g} {unit}".rstrip()
            reason = f"a tap on {touch.name} may move {axis.name} by {size}"
            fix = f'after_travel = "{most or SLOP:g} screen" in [touch.{touch.name}.drag]'
            yield Finding("moving-tap", "warning", ("touch", touch.name), reason, fix)

"""Checks of a take with a profile: sticks at rest, what the game forgot to say, rows that do nothing."""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import EdgeZone
from ..takes import TakeReader
from ..weaving import weave_plan
from .checks_axes import sticks
from .findings import Finding
from .fitting import fit
from .take_notes import few, heard, take_notes

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..plan import Plan
    from ..takes import Take


def noise(plan: Plan, take: Take) -> Iterator[Finding]:
    """Sticks that leave their dead zones at rest in a take."""
    fitted = {stick.signal: stick for stick in fit(take).sticks}
    for route in sticks(plan):
        stick = fitted.get(route.source.signal.name)
        if stick is None or stick.rest_x.value is None or stick.rest_y.value is None:
            continue
        a, b = route.shape.rest
        away = hypot(stick.rest_x.value - a, stick.rest_y.value - b) + 5.0 * (stick.noise.value or 0.0)
        away /= 1.0 - hypot(a, b)
        inner = route.shape.inner
        if away > inner:
            out = f"goes {100 * away:.1f} % out at rest, beyond the dead zone of {100 * inner:.1f} %"
            fix = stick.fragment().partition("\n")[2].replace("\n", "; ")
            place = ("routes", route.name, "dead_zone")
            reason = f"{stick.signal} {out}: it drifts"
            yield Finding("dead-zone-under-noise", "error", place, reason, fix)


def inside(plan: Plan, take: Take) -> Iterator[Finding]:
    """Edge zones of a pointer, when nothing says whether the pointer is inside."""
    names = set(map(str, take.table["signal"].unique()))
    for made in plan.derived:
        if not isinstance(made, EdgeZone) or "mouse.inside" in names:
            continue
        if f"{made.source.signal.name}.x" in names:
            reason = (
                "the take never says whether the pointer is inside the view, so edges keep steering when "
                "it is outside"
            )
            fix = "feed mouse.inside when the pointer enters and leaves"
            yield Finding("edge-without-inside", "warning", ("signals", made.name), reason, fix)


def unsized(plan: Plan, take: Take) -> Iterator[Finding]:
    """What depends on the size of the view, when a take with a pointer or fingers never states it."""
    names = set(map(str, take.table["signal"].unique()))
    pointed = any(name.endswith(".place.x") for name in names)
    routes = [route.name for route in plan.routes if route.pins or route.screens]
    if pointed and routes and "host.screen.x" not in names:
        what = f"{listed(routes, 'and')} go{'es' if len(routes) == 1 else ''}"
        reason = f"the take never says how large the view is, so {what} by a square one"
        fix = "session.set_screen(width, height) when the game starts, and whenever the size changes"
        yield Finding("square-screen", "warning", ("routes", routes[0]), reason, fix)


def rows(plan: Plan, take: Take) -> Iterator[Finding]:
    """Rows of a take that do nothing, or not what they say; and whatever else is odd."""
    reader = TakeReader(plan, weave_plan(plan))
    for _ in reader.read(take.table):
        pass
    refused, clipped, passed, used = reader.counts
    if passed and not used:
        reason = f"no row of the take is used: it has {_first(passed)}"
        fix = f"a take of what the profile listens to: {few(heard(plan))}"
        yield Finding("unused-rows", "warning", (), reason, fix)
    elif passed:
        reason = f"{sum(passed.values()):,} rows of the take are not used: {_first(passed)}"
        yield Finding("unused-rows", "note", (), reason, "nothing, or a route from it")
    for signal, reasons in refused.items():
        where = f" (first in {take.first(signal)})" if take.first(signal) else ""
        for why, count in reasons.items():
            reason = f"{_rows(count)} of {signal} refused: {why}{where}"
            yield Finding("refused-rows", "warning", (), reason, "rows as the catalogue of signals has them")
    for signal, count in clipped.items():
        reason = f"{_rows(count)} of {signal} beyond its range, clipped to it"
        yield Finding("clipped-rows", "warning", (), reason, "shares of full travel, or of the screen")
    for note in take_notes(plan, take):
        level = "note" if note.code == "absent-device" else "warning"
        yield Finding(note.code, level, (), f"in the take: {note.words}", note.fix)


def _rows(count: int) -> str:
    return f"{count:,} rows" if count > 1 else "a row"


def _first(counts: dict[str, int]) -> str:
    """The signals with the most rows."""
    return few(sorted(counts, key=lambda name: -counts[name]), "more signals")

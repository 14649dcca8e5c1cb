"""Checks of axes and of conditioning: limits, directions, dead zones, curves, steps, lag."""

from __future__ import annotations

from itertools import pairwise
from math import inf
from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import DEVICES
from ..plan.mounts import Eye, Orbit
from ..plan.steps import Exponential, Spring
from .controls import drags_ground
from .findings import Finding
from .response import response_of
from .states import idle_words, listens_in, moves_in, states_of
from .telling import tell

if TYPE_CHECKING:
    from collections.abc import Iterator

    from ..plan import Plan, Route
    from ..plan.mounts import Instance
    from ..plan.steps import Smoothing

ROWS = 1080
"""Rows of the picture by which the size of a step is judged."""
PIXELS = 4.0
"""A step of more pixels than this is seen as one."""
FLAT = 0.002
"""A curve that comes to less than this share at a tenth of the travel is flat there."""
LEVEL = 8
"""A curve that stays level for this many of 400 steps does not rise."""
STRAIGHT = {("yaw", "x"), ("pitch", "y"), ("move_x", "x"), ("move_y", "y")}
"""Axes, each with the way of a hand that people expect to move it."""
HIGHEST = 20.0
"""Metres above a subject's place that its eyes, or what an orbit looks over, may be without a word."""
TURNING = {"yaw", "pitch", "roll", "pan_x", "pan_y"}


def undriven(plan: Plan) -> Iterator[Finding]:
    """Axes that a mount has but no route drives there."""
    listen = _listeners(plan)
    for k, one in enumerate(plan.mounts.all):
        driven = {axis for route, mounts in listen if k in mounts for axis in route.drives}
        for name in one.mount.axes:
            fixed = isinstance(plan.mounts.of(k, name), float)
            if name in driven or fixed or name in ("roll", "lean_x", "lean_y"):
                continue
            mount = one.mount.name
            elsewhere = any(name in route.drives for route, _ in listen)
            reason = f"nothing drives {name}" + (f" while {mount} is active" if elsewhere else "")
            fix = f'add a route for it, or fix it: axes.{name} = {{ fixed = "..." }} in [mounts.{mount}]'
            level = "note" if name == "distance" else "warning"
            yield Finding("undriven-axis", level, ("mounts", mount), reason, fix)


def limits(plan: Plan) -> Iterator[Finding]:
    """Distances and zooms without limits, pitches that go over the top."""
    listen = _listeners(plan)
    for one, path in _axes(plan):
        axis, having = one.axis, one.mounts or frozenset(range(len(plan.mounts.all)))
        moving = (mounts for route, mounts in listen if axis.name in route.drives)
        if not any(moves_in(plan, axis.name, mounts & having) for mounts in moving):
            continue
        missing = [word for word, there in (("min", axis.low > 0.0), ("max", axis.high < inf)) if not there]
        if axis.name in ("distance", "zoom") and missing:
            reason = f"{axis.name} has no {listed(missing, 'and no')}: it never stops"
            ends = 'min = "1.5 m", max = "12 m"' if axis.name == "distance" else 'min = "1 x", max = "8 x"'
            yield Finding("no-limits", "error", path, reason, f"in [axes]: {axis.name} = {{ {ends} }}")
        if axis.name == "pitch" and (axis.high > 90.0 or axis.low < -90.0):
            span = f"pitch goes from {axis.low:g} to {axis.high:g} deg"
            reason = f"{span}: beyond 90, left and right change sides"
            fix = 'in [axes]: pitch = { min = "-80 deg", max = "80 deg" }'
            yield Finding("pitch-past-90", "error", path, reason, fix)


def unused(plan: Plan) -> Iterator[Finding]:
    """Routes to axes that no mount uses while they listen."""
    for route, where in _listeners(plan):
        idle = [name for name in route.drives if not moves_in(plan, name, where)]
        if not idle:
            continue
        why = idle_words(plan, idle[0], where)
        if why:
            reason, fix = f"{route.name} does nothing: {why}", "give it another gate"
        else:
            kinds = listed(sorted({one.mount.kind for one in plan.mounts.all}), "and")
            reason = f"{route.name} drives {listed(idle, 'and')}, which no camera here uses (only {kinds})"
            fix = "drive an axis that the mount has, or allow this if your game reads the number"
        yield Finding("unused-axis", "warning", ("routes", route.name, "drives"), reason, fix)


def _listeners(plan: Plan) -> list[tuple[Route, frozenset[int]]]:
    """Each route, with the mounts that may be active while it listens."""
    states = list(states_of(plan))
    return [(route, listens_in(plan, route, states)) for route in plan.routes]


def _axes(plan: Plan) -> Iterator[tuple[Instance, tuple[str, ...]]]:
    """Every axis as a mount has it, and where it stands in the profile."""
    for one in plan.mounts.instances:
        mounts = [plan.mounts.all[k].mount.name for k in sorted(one.mounts)]
        own = one.key in plan.mounts.own and len(plan.mounts.all) > 1 and mounts
        yield one, ("mounts", mounts[0], "axes", one.axis.name) if own else ("axes", one.axis.name)


def swapped(plan: Plan) -> Iterator[Finding]:
    """Pairs whose x and y drive each other's axes."""
    for route in plan.routes:
        for usual in (("yaw", "pitch"), ("move_x", "move_y"), ("pan_x", "pan_y")):
            if route.drives == usual[::-1]:
                reason = f"moving right drives {usual[1]}, and moving up drives {usual[0]}"
                fix = f'drives = ["{usual[0]}", "{usual[1]}"]'
                yield Finding("swapped-axes", "warning", ("routes", route.name, "drives"), reason, fix)


def heights(plan: Plan) -> Iterator[Finding]:
    """Eyes and shoulders higher than any body: cm read as metres."""
    for one in plan.mounts.all:
        mount = one.mount
        high = (
            mount.height if isinstance(mount, Eye) else mount.offset[1] if isinstance(mount, Orbit) else 0.0
        )
        if abs(high) > HIGHEST:
            key = "height" if isinstance(mount, Eye) else "offset"
            reason = f"{key} puts the camera {high:g} m above the subject"
            fix = f'"{high / 100.0:g} m" if you meant cm'
            yield Finding("far-height", "warning", ("mounts", mount.name, key), reason, fix)


def inverted(plan: Plan) -> Iterator[Finding]:
    """Devices that move an axis against most others, for the same movement of the hand."""
    by_axis: dict[str, list[tuple[Route, str, float]]] = {}
    for one in tell(plan).controls:
        route = next(route for route in plan.routes if route.name == one.route)
        straight = (one.axis, one.signal.rpartition(".")[2]) in STRAIGHT
        if straight and route.source.signal.pair and one.effect != "pin":
            by_axis.setdefault(one.axis, []).append((route, one.axis, one.amount * one.sign))
        elif one.axis in NEARER and _brings_nearer(plan, route, one.signal):
            nearer = one.amount * one.sign * NEARER[one.axis]
            by_axis.setdefault("nearer", []).append((route, one.axis, nearer))
    for axis, ways in by_axis.items():
        against = [one for one in ways if one[2] < 0.0]
        along = [one for one in ways if one[2] > 0.0]
        few, many = (against, along) if len(against) <= len(along) else (along, against)
        for route, name, _ in few if against and along else ():
            others = listed([one.name for one, _, _ in many], "and")
            goes = "zooms" if axis == "nearer" else f"moves {axis}"
            reason = f"{route.name} {goes} the opposite way to {others}"
            fix = f'add or remove invert = ["{name}"] in [routes.{route.name}]'
            yield Finding("inverted-against", "warning", ("routes", route.name), reason, fix)


NEARER = {"distance": -1.0, "zoom": 1.0}
"""Axes that bring nearer what is seen, with the sign of the way that does."""


def _brings_nearer(plan: Plan, route: Route, address: str) -> bool:
    """Whether people expect the positive way of a signal to zoom in: wheel away, fingers apart."""
    spread = any(one.kind == "spread" and one.signal == route.source.signal for one in plan.touches)
    return spread or address in ("mouse.wheel.y", "mouse.wheel_tail.y", "trackpad.spread")


def grabs(plan: Plan) -> Iterator[Finding]:
    """Fingers that drag the ground the wrong way, in one or both directions."""
    for route in plan.routes:
        if not drags_ground(plan, route):
            continue
        place = ("routes", route.name, "sensitivity")
        wrong = [axis for axis, _, gain in route.parts if gain > 0.0]
        if len(wrong) not in (0, len(route.parts)):
            reason = f"{route.name} drags the ground with the hand one way, and against it the other"
            fix = f'invert = ["{wrong[0]}"] in [routes.{route.name}]'
            yield Finding("grab-sign", "warning", place, reason, fix)
        elif wrong and route.source.signal.device == "touch":
            reason = f"{route.name} moves the camera with the finger, so the ground goes against it"
            fix = "a sensitivity below 0, or the other way for both in invert"
            yield Finding("grab-sign", "warning", place, reason, fix)


def sticks(plan: Plan) -> Iterator[Route]:
    """Routes from sticks and triggers of devices."""
    for route in plan.routes:
        signal = route.source.signal
        if signal.kind == "deflection" and signal.device in DEVICES and signal.device != "touch":
            yield route


def dead_zones(plan: Plan) -> Iterator[Finding]:
    """Sticks without a dead zone, or with one that eats the travel."""
    for route in sticks(plan):
        path, inner = ("routes", route.name), route.shape.inner
        stick = route.effect == "rate" and route.source.signal.name.endswith("stick")
        if stick and not inner:
            reason = f"{route.source} has no dead zone, so the view drifts"
            fix = "dead_zone = { inner = 0.1 }, or what `mellow-thumb fit TAKE` measures"
            yield Finding("no-dead-zone", "warning", path, reason, fix)
        if inner > 0.5:
            reason = f"the first {100 * inner:.0f} % of travel does nothing"
            place = (*path, "dead_zone")
            yield Finding("dead-zone-over-half", "warning", place, reason, "dead_zone = { inner = 0.1 }")


def curves(plan: Plan) -> Iterator[Finding]:
    """Curves that are flat at the origin, or further out."""
    for route in plan.routes:
        if route.shape.curve is None:
            continue
        path, answer = ("routes", route.name, "curve"), response_of(route)
        points = list(zip(answer.travel, answer.effect, strict=True))
        begin = next((x for x, y in points if y > 0.0), 0.0)
        share = next(y for x, y in points if x >= begin + 0.1 * (1.0 - begin))
        if share < FLAT:
            reason = f"a tenth of the travel gives only {100 * share:.2g} %: fine aiming feels dead"
            yield Finding("flat-curve", "warning", path, reason, "curve = { power = 2 }, or a blend")
        flat = longest = 0
        for before, after in pairwise(answer.effect):
            flat = flat + 1 if after - before <= 1e-12 and 0.0 < after < 1.0 - 1e-9 else 0
            longest = max(longest, flat)
        if longest >= LEVEL:
            fix = "points that keep rising"
            yield Finding(
                "curve-not-rising",
                "error",
                path,
                "part of the curve is level: pushing further does nothing there",
                fix,
            )


def steps(plan: Plan) -> Iterator[Finding]:
    """Turn steps that are several pixels large at the highest magnification."""
    for route in plan.routes:
        counts = route.effect == "step" and route.source.signal.unit in ("count", "px")
        gain = max((abs(gain) for axis, _, gain in route.parts if axis in ("yaw", "pitch")), default=0.0)
        gain *= min((factor for _, factor in route.scales), default=1.0)
        if not counts or not gain or route.smoothing or route.with_zoom:
            continue
        pixel = min((_pixel(plan, k) for k, _ in enumerate(plan.mounts.all)), default=inf)
        if gain > PIXELS * pixel:
            unit = route.source.signal.unit
            rows = f"a jump of {gain / pixel:.0f} of {ROWS} rows when zoomed in fully"
            reason = f"one {unit} turns {gain:.3g} deg: {rows}"
            zooms = any(isinstance(plan.mounts.of(k, "zoom"), str) for k, _ in enumerate(plan.mounts.all))
            keeps = 'scale_with = "zoom", ' if zooms else ""
            fix = f"{keeps}a scale while aiming, or a finer sensitivity"
            yield Finding("coarse-step", "warning", ("routes", route.name), reason, fix)


def _pixel(plan: Plan, k: int) -> float:
    """The height of a pixel in degrees, at a mount's highest magnification."""
    field = getattr(plan.mounts.all[k].mount, "field_of_view", None)
    zoom = plan.mounts.of(k, "zoom")
    most = next((one.axis.high for one in plan.mounts.instances if one.key == zoom), 1.0)
    return field / (most if most < 1e3 else 1.0) / ROWS if field else inf


def late(plan: Plan, lag: float) -> Iterator[Finding]:
    """Smoothing that adds more than a given lag (s) to what turns or pans."""
    axes = {one.axis.name: one.axis for one in plan.mounts.instances}
    for route in plan.routes:
        eased: list[tuple[tuple[str, ...], Smoothing | None]] = [
            (("routes", route.name, "smoothing"), route.smoothing)
        ]
        if route.effect != "offset":
            eased += [(("axes", name, "smoothing"), axes[name].smoothing) for name in route.drives]
        for path, smoothing in eased if set(route.drives) & TURNING else ():
            time = 0.0
            if isinstance(smoothing, Exponential):
                time = smoothing.half_life
            elif isinstance(smoothing, Spring):
                time = smoothing.half_time
            if time > lag:
                reason = f"smoothing delays half of what {route.source} does by {1000 * time:.0f} ms"
                fix = f'at most {1000 * lag:.0f} ms, such as half_life = "{1000 * lag / 2:.0f} ms"'
                yield Finding("late", "warning", path, reason, fix)

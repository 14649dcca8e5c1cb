"""Figures of a route: its response, its dead zone, and what each step does to a signal."""

from __future__ import annotations

from math import expm1, hypot
from typing import TYPE_CHECKING, Any

from ...plan import KeySet
from ...plan.steps import Shape
from ..response import response_of, shaped, steps_of, trace
from .plots import GRID, INK, LIMIT, QUIET, write, write_beside

if TYPE_CHECKING:
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ...plan import Plan, Route
    from ...takes import Take

BLUE, RUST, MOSS = "#1d6a96", "#b4531f", "#5d7a2c"
MARGINS: dict[str, Any] = {"left": 0.075, "right": 0.875, "top": 0.83, "bottom": 0.085}
STEPS = ("#9aa5ab", "#5d7a2c", "#1d6a96", "#b4531f", "#7a4a8c")


def _figure(title: str, words: str) -> Figure:
    from matplotlib.figure import Figure

    figure = Figure(figsize=(12.8, 8.0), dpi=100, facecolor="white")
    figure.text(0.075, 0.945, title, fontsize=17, color=INK, weight="bold")
    figure.text(0.075, 0.91, words, fontsize=12, color=QUIET)
    return figure


def _plain(panel: Axes, *, grid: str = "both") -> None:
    panel.set_axisbelow(True)
    panel.grid(visible=True, axis=grid, color=GRID, linewidth=1.0)  # type: ignore[arg-type]
    panel.tick_params(colors=QUIET, labelcolor=INK, labelsize=11, length=0)
    for side in panel.spines.values():
        side.set_visible(False)


def response_figure(plan: Plan, route: Route) -> Figure:
    """Draw the response of a held value: effect against travel, and its slope below."""
    found = response_of(route)
    figure = _figure(f"{route.name}: response", f"{route.source} pushed straight out, before smoothing")
    grid = figure.add_gridspec(2, 1, height_ratios=[2.2, 1.0], hspace=0.3, **MARGINS)
    above, below = figure.add_subplot(grid[0]), figure.add_subplot(grid[1])
    percent = [100.0 * x for x in found.travel]
    for panel, values, colour in ((above, found.effect, BLUE), (below, found.slope, RUST)):
        _plain(panel)
        panel.set_xlim(0.0, 100.0)
        panel.plot(percent, values, color=colour, linewidth=2.4, zorder=3)
    below.set_ylim(0.0, max(1.5, 1.1 * max(found.slope)))
    above.plot([0.0, 100.0], [0.0, 1.0], color=QUIET, linewidth=1.0, linestyle=(0, (2, 4)))
    above.set_yticks([0.0, 0.25, 0.5, 0.75, 1.0], ["0", "25 %", "50 %", "75 %", "100 %"])
    write(above, (0.0, 1.0), "effect", BLUE, offset=(0, 8), fontsize=14, weight="bold")
    write(
        above,
        (0.0, 1.0),
        f"share of full; dotted: no shaping; full is {_full(plan, route)}",
        QUIET,
        offset=(62, 8),
    )
    write(below, (0.0, 1.0), "slope", RUST, offset=(0, 8), fontsize=14, weight="bold")
    write(below, (0.0, 1.0), "effect gained for each share of travel; 1 is no shaping", QUIET, offset=(56, 8))
    below.set_xlabel("travel, % of full", color=INK, fontsize=12)
    half = found.effect[len(found.effect) // 2]
    above.plot([50.0], [half], "o", color=BLUE, markersize=8, zorder=4)
    write(
        above,
        (50.0, half),
        f"half travel gives {100.0 * half:.0f} %",
        INK,
        offset=(10, -16),
        coordinates="data",
    )
    inner = route.shape.inner
    if inner:
        above.axvspan(0.0, 100.0 * inner, color="#e8d9a8", alpha=0.5, linewidth=0)
        write(above, (0.0, 0.855), f"nothing up to {100.0 * inner:.3g} %", INK, offset=(6, 0))
    return figure


def _full(plan: Plan, route: Route) -> str:
    """What full deflection does to each axis, in its own unit; a share a second where it multiplies."""
    axes, words = {axis.name: axis for axis in plan.axes}, []
    for name, gain in zip(route.drives, route.gains, strict=True):
        log = axes[name].log
        amount = 100.0 * expm1(gain) if log else gain
        unit = ("%" if log else axes[name].unit) + ("/s" if route.effect == "rate" else "")
        words.append(f"{name} {amount:.4g} {unit}".rstrip())
    return ", ".join(words)


def dead_zone_figure(route: Route) -> Figure:
    """Draw where a grid of stick positions ends up, and how far directions are bent."""
    figure = _figure(
        f"{route.name}: where stick positions go",
        "from each stick position (grey) to its result (blue)",
    )
    left = figure.add_axes((0.06, 0.08, 0.48, 0.77))
    right = figure.add_axes((0.64, 0.14, 0.31, 0.6))
    function = shaped(route.shape, pair=True)
    left.set_aspect("equal")
    _plain(left)
    left.set_xlim(-1.08, 1.08)
    left.set_ylim(-1.08, 1.08)
    ticks = [k / 8 for k in range(-8, 9)]
    spots = [(x, y) for x in ticks for y in ticks if hypot(x, y) <= 1.0 + 1e-9]
    goes = [function(x, y) for x, y in spots]
    for (x, y), (a, b) in zip(spots, goes, strict=True):
        left.plot([x, a], [y, b], color="#b9c4ca", linewidth=1.0, zorder=2)
    left.plot([x for x, _ in spots], [y for _, y in spots], ".", color="#9aa5ab", markersize=5, zorder=3)
    left.plot([g[0] for g in goes], [g[1] for g in goes], "o", color=BLUE, markersize=4.5, zorder=4)
    zone = route.shape.dead_zone
    if zone:
        from matplotlib.patches import Circle

        reach = 1.0 - hypot(*route.shape.rest)
        dashed: dict[str, Any] = {"color": LIMIT, "linewidth": 1.2, "linestyle": (0, (5, 4)), "zorder": 5}
        for radius in (zone.inner, zone.outer):
            left.add_patch(Circle(route.shape.rest, radius * reach, fill=False, **dashed))
        words = f"dashed: nothing inside {zone.inner:g}, all outside {zone.outer:g}, seen from rest"
        write(left, (0.0, 1.0), words, LIMIT, offset=(0, 8))
    _plain(right)
    _draw_bending(right, route)
    return figure


def _draw_bending(panel: Axes, route: Route) -> None:
    """Draw how far each direction is bent, for a stick half way out."""
    from math import atan2, cos, degrees, radians, sin

    function = shaped(route.shape, pair=True)
    angles = list(range(0, 361, 2))
    bent = []
    for angle in angles:
        a, b = function(
            0.6 * cos(radians(angle)) + route.shape.rest[0], 0.6 * sin(radians(angle)) + route.shape.rest[1]
        )
        turn = degrees(atan2(b, a)) - angle if (a, b) != (0.0, 0.0) else float("nan")
        bent.append((turn + 180.0) % 360.0 - 180.0)
    panel.plot(angles, bent, color=RUST, linewidth=2.2)
    panel.set_xticks([0, 90, 180, 270, 360], ["right", "up", "left", "down", "right"])
    most = max((abs(b) for b in bent if b == b), default=0.0)
    panel.set_ylim(-max(1.1 * most, 5.0), max(1.1 * most, 5.0))
    write(panel, (0.0, 1.0), "bent", RUST, offset=(0, 26), fontsize=14, weight="bold")
    write(panel, (0.0, 1.0), "deg, at 60 % of travel; 0 keeps its direction", QUIET, offset=(0, 8))


def steps_figure(plan: Plan, route: Route, take: Take) -> Figure:
    """Draw a signal before and after each step of a route, on one time axis."""
    table = trace(plan, route, take)
    held = route.source.signal.held
    along = " along x" if route.source.width == 2 else ""
    words = f"{route.source}{along}, and what {route.name} makes of it"
    figure = _figure(f"{route.name}: before and after each step", words)
    rows = 2 if held else 1
    grid = figure.add_gridspec(rows, 1, hspace=0.3, **MARGINS)
    panels = [figure.add_subplot(grid[k]) for k in range(rows)]
    t = table["t"]
    if held:
        names = ["signal", *steps_of(route.shape)]
        _draw_lines(panels[0], t, {name: table[name] for name in names}, STEPS)
        write(panels[0], (0.0, 1.0), "shape", INK, offset=(0, 8), fontsize=14, weight="bold")
        write(panels[0], (0.0, 1.0), "share of full travel", QUIET, offset=(56, 8))
    lines: dict[str, object] = {"asked": table["wish"]}
    if route.smoothing:
        lines["smoothed"] = table["smoothed"]
    _draw_lines(panels[-1], t, lines, ("#9aa5ab", RUST) if route.smoothing else (RUST,))
    axis = route.drives[0]
    write(panels[-1], (0.0, 1.0), axis, INK, offset=(0, 8), fontsize=14, weight="bold")
    unit = {one.name: "ln" if one.log else one.unit for one in plan.axes}[axis]
    if route.effect != "offset":
        unit += " a second; gates, boost and scales included, limits left out"
    write(panels[-1], (0.0, 1.0), unit, QUIET, offset=(16 + 9 * len(axis), 8))
    panels[-1].set_xlabel("time, s", color=INK, fontsize=12)
    return figure


def _draw_lines(panel: Axes, t: object, lines: dict[str, object], colours: tuple[str, ...]) -> None:
    """Draw lines with their names at the right, far enough apart to read."""
    _plain(panel, grid="y")
    for (name, values), colour in zip(lines.items(), colours, strict=False):
        panel.plot(t, values, color=colour, linewidth=1.8, label=name)  # type: ignore[arg-type]
    panel.margins(x=0.0)
    panel.set_xlim(left=0.0)
    low, high = panel.get_ylim()
    for k, (name, colour) in enumerate(zip(lines, colours, strict=False)):
        write_beside(panel, high - (0.06 + 0.09 * k) * (high - low), name, colour)


def _of_keys(plan: Plan, route: Route) -> bool:
    """Whether a route comes from a key set, which has no travel to draw."""
    return any(isinstance(made, KeySet) and made.name == route.source.signal.name for made in plan.derived)


def route_figures(plan: Plan, take: Take | None) -> dict[str, Figure]:
    """Every figure of a plan's routes that has something to draw, by a file name."""
    figures = {}
    for route in plan.routes:
        stem = "".join(letter if letter.isalnum() else "_" for letter in route.name)
        if route.source.signal.kind == "deflection" and (route.shape != Shape() or not _of_keys(plan, route)):
            figures[f"{stem}_response"] = response_figure(plan, route)
            if route.source.width == 2:
                figures[f"{stem}_dead_zone"] = dead_zone_figure(route)
        if take is not None and take.table["signal"].isin(route.source.signal.addresses).any():
            figures[f"{stem}_steps"] = steps_figure(plan, route, take)
    return figures

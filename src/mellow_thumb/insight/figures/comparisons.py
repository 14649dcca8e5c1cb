"""Figures of measurements: two profiles on one take; a stick's rest, noise and rim."""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING

from ...plan import MOVES
from ...takes import replay
from ..fitting import fit
from .fingers import HUES
from .plots import GRID, INK, LIMIT, QUIET, blank, quiet, write, write_beside

if TYPE_CHECKING:
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ...plan import Plan
    from ...takes import Take
    from ..fit_values import StickFit


def two_profiles(first: Plan, second: Plan, take: Take, *, rate: float = 60.0) -> Figure:
    """Draw what two profiles make of one take: each axis under both, and the difference."""
    a, b = (replay(plan, take, rate=rate) for plan in (first, second))
    names = [axis.name for axis in first.axes if axis.name in b.columns and axis.name not in MOVES]
    columns = ["yaw_total" if name == "yaw" else name for name in names]
    shown = [name for name in columns if a[name].nunique() > 1 or b[name].nunique() > 1][:4]
    titles = [
        getattr(plan, "title", "") or getattr(plan, "file", "") or "profile" for plan in (first, second)
    ]
    figure = blank("The same hands through two profiles", f"A {titles[0]}   B {titles[1]}")
    grid = figure.add_gridspec(
        max(len(shown), 1), 1, hspace=0.3, left=0.075, right=0.88, top=0.83, bottom=0.085
    )
    t = a["t"].to_numpy()
    for k, name in enumerate(shown):
        panel = figure.add_subplot(grid[k])
        quiet(panel, ticks=k == len(shown) - 1)
        one, other = a[name].to_numpy(), b[name].to_numpy()
        panel.fill_between(t, one, other, color=LIMIT, alpha=0.12, linewidth=0)
        panel.plot(t, one, color=HUES[0], linewidth=2.0)
        panel.plot(t, other, color=HUES[1], linewidth=2.0)
        unit = next(axis.unit for axis in first.axes if axis.name == name.removesuffix("_total"))
        write(panel, (0.0, 1.0), name.removesuffix("_total"), INK, offset=(0, 5), fontsize=14, weight="bold")
        write(panel, (0.0, 1.0), f"{unit}; shaded: how far apart", QUIET, offset=(90, 5))
        level = abs(float(one[-1]) - float(other[-1])) < 0.06 * max(
            panel.get_ylim()[1] - panel.get_ylim()[0], 1e-9
        )
        higher = one[-1] >= other[-1]
        write_beside(
            panel, float(one[-1]), "A", HUES[0], va=("bottom" if higher else "top") if level else "center"
        )
        write_beside(
            panel, float(other[-1]), "B", HUES[1], va=("top" if higher else "bottom") if level else "center"
        )
        panel.set_xlim(0.0, float(t[-1]))
        panel.margins(y=0.12)
    if shown:
        panel.set_xlabel("time, s", color=INK, fontsize=12)
    return figure


def fitted(take: Take) -> Figure | None:
    """Draw where each stick of a take was, with its rest, dead zone and rim as fitted; None without one."""
    sticks = fit(take).sticks[:2]
    if not sticks:
        return None
    figure = blank("Sticks in the take", "every reported position; left: close to rest")
    for k, stick in enumerate(sticks):
        height = 0.72 / len(sticks)
        bottom = 0.1 + (len(sticks) - 1 - k) * (height + 0.05)
        near = figure.add_axes((0.075, bottom, 0.36, height))
        whole = figure.add_axes((0.5, bottom, 0.36, height))
        _places(near, take, stick, near=True)
        _places(whole, take, stick, near=False)
    return figure


def _places(panel: Axes, take: Take, stick: StickFit, *, near: bool) -> None:
    """Where a stick was: near its rest, or over the whole of its travel."""
    from matplotlib.patches import Circle

    names = take.table["signal"].astype(str)
    x, y = (take.table["value"][names == f"{stick.signal}.{part}"].to_numpy(float) for part in "xy")
    count = min(len(x), len(y))
    a, b = stick.rest_x.value or 0.0, stick.rest_y.value or 0.0
    shortest = 1.0 - hypot(a, b)
    span = max(2.5 * (stick.inner or 0.02), 0.04) if near else 1.1
    panel.set(xlim=(a - span if near else -span, a + span if near else span))
    panel.set(ylim=(b - span if near else -span, b + span if near else span), aspect="equal")
    panel.plot(x[:count], y[:count], linestyle="none", marker=".", markersize=2, color=HUES[0], alpha=0.5)
    panel.axhline(0.0, color=GRID, linewidth=1.0, zorder=0)
    panel.axvline(0.0, color=GRID, linewidth=1.0, zorder=0)
    for share, colour in ((stick.inner, LIMIT), (stick.outer, HUES[2])):
        if share:
            panel.add_patch(Circle((a, b), share * shortest, fill=False, edgecolor=colour, linewidth=1.6))
    if stick.rest_x.value is not None:
        panel.plot(a, b, marker="+", markersize=14, color=INK)
    quiet(panel, ticks=True)
    panel.locator_params(nbins=5)
    words = "at rest: the cross; red: the dead zone" if near else "green: all the way out, in every direction"
    write(panel, (0.0, 1.0), stick.signal if near else "", INK, offset=(0, 20), fontsize=13, weight="bold")
    write(panel, (0.0, 1.0), words, QUIET, offset=(0, 5))

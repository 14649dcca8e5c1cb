"""Figures: a replay drawn for reading."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING, Any

from ...basics import OutputError, listed, nearest, replacing
from ...plan import KNOWN, MOVES
from ..account import given, number, spans, touches, whole

if TYPE_CHECKING:
    import os

    import pandas as pd
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ...plan import Axis
    from ...profiles import Profile

SUFFIXES = (".png", ".svg", ".pdf")
"""The kinds of picture that can be written."""

INK, QUIET, GRID = "#22303a", "#66737c", "#dfe4e6"
COLOURS = {"yaw": "#1d6a96", "pitch": "#b4531f", "roll": "#5d7a2c"}
GATES = ("#e8d9a8", "#cfe3d4", "#dcd3ea")
LIMIT = "#8c2f39"


def axes_over_time(profile: Profile, table: pd.DataFrame) -> Figure:
    """Draw yaw and pitch (and what else moves) over time, with limits, open gates and cues."""
    from matplotlib.figure import Figure

    always = ("yaw", "pitch")
    moving = [axis for axis in profile.axes if axis.name in always or table[axis.name].nunique() > 1]
    shown = [axis for axis in moving if axis.name not in MOVES][:5]
    switched = len(profile.gates) + len(profile.cues)
    heights = [1.0] * len(shown) + ([max(0.09, 0.04 * len(shown)) * switched] if switched else [])
    figure = Figure(figsize=(12.8, 8.0), dpi=100, facecolor="white")
    grid = figure.add_gridspec(
        len(heights), 1, height_ratios=heights, hspace=0.22, left=0.075, right=0.86, top=0.85, bottom=0.085
    )
    panels = [figure.add_subplot(grid[k]) for k in range(len(heights))]
    for panel, axis in zip(panels, shown, strict=False):
        _draw_axis(panel, profile, axis, table)
    if switched:
        _draw_switches(panels, profile, table)
    t = table["t"].to_numpy()
    for panel in panels:
        panel.set_xlim(0.0, float(t[-1]) if len(t) else 1.0)
        panel.tick_params(colors=QUIET, labelcolor=INK, labelsize=11, length=0)
        for side in panel.spines.values():
            side.set_visible(False)
        panel.tick_params(labelbottom=panel is panels[-1])
    panels[-1].set_xlabel("time, s", color=INK, fontsize=12)
    _title(figure, profile, table)
    return figure


def save_figure(figure: Figure, path: str | os.PathLike[str]) -> None:
    """Write a figure as PNG, SVG or PDF; the file is replaced whole or not at all.

    Raises :class:`OutputError` for another suffix, or when it cannot be written.
    """
    suffix = Path(path).suffix.lower()
    if suffix not in SUFFIXES:
        raise OutputError(
            f'{path}: found the suffix "{suffix}"; expected {listed(SUFFIXES)}{nearest(suffix, SUFFIXES)}'
        )
    with replacing(path) as fresh:
        figure.savefig(fresh, format=suffix[1:])


def _title(figure: Figure, profile: Profile, table: pd.DataFrame) -> None:
    frames = len(table)
    seconds = float(table["t"].iloc[-1]) if frames else 0.0
    figure.text(0.075, 0.945, profile.title or "Replay", fontsize=17, color=INK, weight="bold")
    figure.text(
        0.075, 0.91, f"{seconds:g} s in {frames:,} frames, read at the end of each", fontsize=12, color=QUIET
    )


def _draw_axis(panel: Axes, profile: Profile, axis: Axis, table: pd.DataFrame) -> None:
    """One axis: its line, broken where another mount took over, its limits, and where it touched them."""
    import numpy as np

    mounts = table["mount"].cat.codes
    t, value = table["t"].to_numpy(), whole(axis, table)
    value = np.where(mounts != mounts.shift(fill_value=0), np.nan, value)
    name = axis.name
    colour = COLOURS.get(name, INK)
    panel.set_axisbelow(True)
    panel.grid(visible=True, axis="y", color=GRID, linewidth=1.0)
    panel.margins(y=0.12)
    panel.plot(t, value, color=colour, linewidth=2.2, solid_joinstyle="round", zorder=3)
    write(panel, (0.0, 1.0), axis.name, colour, offset=(0, 7), fontsize=14, weight="bold")
    write(panel, (0.0, 1.0), _positive(axis), QUIET, offset=(16 + 9 * len(axis.name), 7))
    labels = []
    there = ~table["mount"].isin(profile.mounts.without(axis.name)).to_numpy()
    for side, limit in (("min", axis.low), ("max", axis.high)):
        if abs(limit) < float("inf"):
            for span in spans(t, there):
                ends = (span.begin, span.end)
                panel.hlines(limit, *ends, color=LIMIT, linewidth=1.2, linestyle=(0, (5, 4)), zorder=2)
            labels.append((limit, f"{side} {limit:g} {axis.unit}", LIMIT))
    for touch in touches(profile, axis, table):
        for span in touch.spans:
            panel.hlines(touch.limit, span.begin, span.end, color=LIMIT, linewidth=5, zorder=4)
        total = sum(span.end - span.begin for span in touch.spans)
        words, place = f"at its limit for {total:.2f} s", (touch.spans[-1].end, touch.limit)
        write(panel, place, words, LIMIT, offset=(6, 6), coordinates="data")
    if len(value):
        labels.append((float(value[-1]), f"{number(value[-1])} {axis.unit} at the end", colour))
    _label(panel, labels)


def _label(panel: Axes, labels: list[tuple[float, str, str]]) -> None:
    """Write labels to the right of a panel, each level with its value, or as near as there is room."""
    low, high = panel.get_ylim()
    gap = 15.0 / (panel.get_window_extent().height * 0.72) * (high - low)
    free = -float("inf")
    for value, words, colour in sorted(labels):
        place = max(value, free)
        write_beside(panel, place, words, colour)
        free = place + gap


def _positive(axis: Axis) -> str:
    """The unit of an axis, and what positive means, where the library knows."""
    known = f"positive {KNOWN[axis.name][1]}" if axis.name in KNOWN else ""
    return "; ".join(words for words in (axis.unit, known) if words)


def write(
    panel: Axes, place: tuple[float, float], words: str, colour: str, *, offset: tuple[int, int],
    coordinates: str | tuple[str, str] = "axes fraction", **style: Any,
) -> None:  # fmt: skip
    """Write words at a place, `offset` points from it, with a proper minus sign."""
    panel.annotate(
        words.replace("-", "\N{MINUS SIGN}"), place, xycoords=coordinates, xytext=offset,
        textcoords="offset points", color=colour, **{"fontsize": 11, **style},
    )  # fmt: skip


def write_beside(panel: Axes, y: float, words: str, colour: str, *, va: str = "center") -> None:
    """Write words to the right of a panel, level with `y`."""
    write(panel, (1.0, y), words, colour, offset=(8, 0), coordinates=("axes fraction", "data"), va=va)


def _draw_switches(panels: list[Axes], profile: Profile, table: pd.DataFrame) -> None:
    """Draw a row per gate, with a tint through every panel while it was open, and a row per cue."""
    t, (*others, rows) = table["t"].to_numpy(), panels
    names = [gate.name for gate in profile.gates]
    for place, name in enumerate(names):
        colour = GATES[place % len(GATES)]
        for span in spans(t, table[f"gate_{name}"].to_numpy() != 0):
            rows.barh(place, span.end - span.begin, left=span.begin, height=0.7, color=colour)
            for panel in others:
                panel.axvspan(span.begin, span.end, color=colour, alpha=0.35, linewidth=0, zorder=1)
    cues = [cue.name for cue in profile.cues]
    for place, name in enumerate(cues, len(names)):
        times = given(table, name)
        rows.plot(times, [place] * len(times), linestyle="none", marker="D", markersize=6, color=INK)
    rows.set_yticks(range(len(names) + len(cues)), [*names, *cues])
    rows.set_ylim(len(names) + len(cues) - 0.4, -0.6)
    for words, first, count in (("gate open", 0, len(names)), ("cue given", len(names), len(cues))):
        if count:
            write_beside(rows, first + (count - 1) / 2, words, QUIET)


def blank(title: str, words: str) -> Figure:
    """An empty figure with a title and a note."""
    from matplotlib.figure import Figure

    figure = Figure(figsize=(12.8, 8.0), dpi=100, facecolor="white")
    figure.text(0.075, 0.945, title, fontsize=17, color=INK, weight="bold")
    figure.text(0.075, 0.91, words, fontsize=12, color=QUIET)
    return figure


def quiet(panel: Axes, *, ticks: bool) -> None:
    """Strip a panel down to horizontal lines, and numbers below it if it has ticks."""
    panel.set_axisbelow(True)
    panel.grid(visible=True, axis="y", color=GRID, linewidth=1.0)
    panel.tick_params(colors=QUIET, labelcolor=INK, labelsize=11, length=0, labelbottom=ticks)
    for side in panel.spines.values():
        side.set_visible(False)

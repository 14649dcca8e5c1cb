"""Figures of a trial: its numbers round by round, paths to targets over one another, speeds."""

from __future__ import annotations

from math import cos, pi, sin
from typing import TYPE_CHECKING

from ..trials import RATE, TRIAL_MEASURES
from .fingers import HUES
from .plots import GRID, INK, LIMIT, QUIET, blank, quiet, write, write_beside

if TYPE_CHECKING:
    from collections.abc import Iterator

    import numpy as np
    import numpy.typing as npt
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ..trials import Aim, Seen, Trial

    Floats = npt.NDArray[np.float64]

MOST_PEOPLE = 4
"""People that have a panel of their own."""
SMOOTHED = 9
"""Samples over which a speed is averaged: mice report by steps."""
SHOWN = 1.6
"""Seconds of an aim that are shown."""


def trial_figures(trial: Trial) -> dict[str, Figure]:
    """The figures of an open trial, by name."""
    found = {"rounds": round_by_round(trial)}
    if any(one.kind == "aim" and not one.logarithmic for one in trial.tasks):
        found |= {"paths": paths_to_targets(trial), "speeds": speeds(trial)}
    return found


def round_by_round(trial: Trial) -> Figure:
    """Draw what the trial asks about, round by round, under each setting; a line is a setting's mean."""
    task, measure = trial.measure
    rows = trial.rounds()
    rows = rows[(rows["task"] == task) & (rows["measure"] == measure)]
    people = sorted(rows["person"].unique())[:MOST_PEOPLE]
    figure = blank(
        f"{measure.capitalize()} round by round",
        f"{TRIAL_MEASURES[measure].unit}; {TRIAL_MEASURES[measure].words}",
    )
    grid = figure.add_gridspec(
        max(len(people), 1), 1, hspace=0.35, left=0.075, right=0.84, top=0.83, bottom=0.09
    )
    for k, person in enumerate(people):
        panel = figure.add_subplot(grid[k])
        quiet(panel, ticks=k == len(people) - 1)
        ends: list[tuple[float, str, str]] = []
        for setting, file in enumerate(trial.files):
            own = rows[(rows["person"] == person) & (rows["setting"] == setting)]
            if own.empty:
                continue
            hue, mean = HUES[setting % len(HUES)], float(own["value"].mean())
            panel.plot(own["number"], own["value"], "o", color=hue, markersize=7)
            panel.axhline(mean, color=hue, linewidth=1.5, alpha=0.7)
            ends.append((mean, f"{file}  {mean:.3g}", hue))
        _label(panel, ends)
        panel.set_xlim(0.5, float(rows["number"].max()) + 0.5)
        panel.margins(y=0.25)
        if len(people) > 1:
            write(panel, (0.0, 1.0), f"person {person}", INK, offset=(0, 4), fontsize=12)
    if people:
        panel.set_xlabel("round", color=INK, fontsize=12)
    return figure


def _label(panel: Axes, ends: list[tuple[float, str, str]]) -> None:
    """Write each line's name at its right end, far enough apart to read."""
    low, high = panel.get_ylim()
    least = 0.09 * (high - low)
    at = float("-inf")
    for value, words, hue in sorted(ends):
        at = max(value, at + least)
        write_beside(panel, at, words, hue)


def paths_to_targets(trial: Trial) -> Figure:
    """Draw every aim from left to right, its way 1 long, all of a setting laid over one another."""
    figure = blank(
        "Paths to targets",
        "each aim from the last target (0) to the next one (1); the ring is the widest target",
    )
    grid = figure.add_gridspec(
        len(trial.files), 1, hspace=0.25, left=0.075, right=0.84, top=0.83, bottom=0.07
    )
    for setting, file in enumerate(trial.files):
        panel = figure.add_subplot(grid[setting])
        quiet(panel, ticks=setting == len(trial.files) - 1)
        hue, widest = HUES[setting % len(HUES)], 0.0
        for seen, aim in _aims(trial, setting):
            path = _along(aim, seen.places[(seen.t >= aim.begun) & (seen.t <= aim.ended)])
            panel.plot(path[:, 0], path[:, 1], color=hue, linewidth=0.7, alpha=0.35)
            (end,) = _along(aim, [aim.end])
            panel.plot(*end, ".", color=LIMIT if aim.missed else hue, markersize=4)
            widest = max(widest, aim.width / aim.distance)
        turns = [2.0 * pi * k / 90 for k in range(91)]
        ring = [(1.0 + 0.5 * widest * cos(one), 0.5 * widest * sin(one)) for one in turns]
        panel.plot(*zip(*ring, strict=True), color=INK, linewidth=1.2)
        panel.set_xlim(-0.12, 1.25)
        panel.set_ylim(-0.2, 0.2)
        write_beside(panel, 0.0, file, hue)
        write(panel, (0.0, 1.0), "dark red: missed its own target", QUIET, offset=(0, 4))
    return figure


def speeds(trial: Trial) -> Figure:
    """Draw how fast each aim went, from when its target was there; the thick line is a setting's median."""
    import numpy as np

    figure = blank(
        "Speed of each aim", "ways a second, from the moment at which the target is there; thick: the median"
    )
    panel = figure.add_subplot(figure.add_gridspec(1, 1, left=0.075, right=0.84, top=0.83, bottom=0.1)[0])
    quiet(panel, ticks=True)
    t = np.arange(0.0, SHOWN, 1.0 / RATE)
    ends: list[tuple[float, str, str]] = []
    for setting, file in enumerate(trial.files):
        hue, all_of_them = HUES[setting % len(HUES)], []
        for seen, aim in _aims(trial, setting):
            inside = (seen.t >= aim.begun) & (seen.t <= aim.ended)
            times, places = seen.t[inside] - aim.begun, seen.places[inside] / aim.distance
            if len(times) < 5:
                continue
            even = np.arange(times[0], times[-1], 1.0 / RATE)
            path = np.column_stack([np.interp(even, times, places[:, k]) for k in (0, 1)])
            speed = np.hypot(*np.gradient(path, 1.0 / RATE, axis=0).T)
            speed = np.convolve(speed, np.full(SMOOTHED, 1.0 / SMOOTHED), mode="same")
            shown = np.interp(t, even, speed, left=0.0, right=0.0)
            all_of_them.append(shown)
            panel.plot(t, shown, color=hue, linewidth=0.5, alpha=0.12)
        if all_of_them:
            middle = np.median(all_of_them, axis=0)
            panel.plot(t, middle, color=hue, linewidth=2.6)
            ends.append((float(middle.max()), file, hue))
    panel.set_xlim(0.0, SHOWN)
    panel.set_ylim(0.0, 1.6 * max((one[0] for one in ends), default=1.0))
    _label(panel, ends)
    panel.set_xlabel("time, s", color=INK, fontsize=12)
    panel.grid(color=GRID, axis="y")
    return figure


def _aims(trial: Trial, setting: int) -> Iterator[tuple[Seen, Aim]]:
    """Every aim with a setting, and the task that it was in."""
    for person in range(1, trial.people + 1):
        for number in sorted(trial.played(person)):
            if trial.setting_of(person, number) == setting:
                for seen in trial.seen(person, number):
                    for aim in seen.aims if not seen.task.logarithmic else ():
                        yield seen, aim


def _along(aim: Aim, places: object) -> Floats:
    """Places on the way from the last target to the next: along it and across, its length 1."""
    import numpy as np

    way = np.array(aim.target) - np.array(aim.origin)
    off = np.asarray(places, dtype=float) - np.array(aim.origin)
    square = float(way @ way)
    return np.column_stack((off @ way, off @ np.array([-way[1], way[0]]))) / square

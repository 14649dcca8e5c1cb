"""A figure of fingers: where they went on the screen, and what came of it."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ...plan import FINGERS
from ..touched import touched
from .plots import GRID, INK, QUIET, blank, quiet, write

if TYPE_CHECKING:
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ...profiles import Profile
    from ...takes import Take

HUES = ("#1d6a96", "#b4531f", "#5d7a2c", "#6f4a8e", "#8c2f39")


def gestures(profile: Profile, take: Take) -> Figure:
    """Draw where fingers went on the screen, and over time the signals they became."""
    import numpy as np

    figure = blank(profile.title or "Fingers", "where fingers went, and what routes and gates got")
    wide, tall = _screen(take)
    panel = figure.add_axes((0.075, 0.16, 0.42, 0.68))
    panel.set(xlim=(0.0, wide), ylim=(0.0, tall), aspect="equal", anchor="N", xticks=[], yticks=[])
    panel.set_title("the screen", color=INK, fontsize=12, loc="left", weight="bold")
    words = "ring: a finger lands; dot: it lifts; one colour for each finger"
    figure.text(0.075, 0.1, words, color=QUIET, fontsize=11)
    for side in panel.spines.values():
        side.set_color(GRID)
    signal = take.table["signal"].astype(str)
    for finger in range(1, FINGERS + 1):
        _contacts(panel, take, signal, finger, (wide, tall))
    made = touched(profile, take)
    grid = figure.add_gridspec(max(len(made), 1), 1, hspace=0.32, left=0.57, right=0.93, top=0.84, bottom=0.1)
    end = float(take.table["t"].max()) if len(take.table) else 1.0
    for k, (name, (unit, t, value)) in enumerate(made.items()):
        here = figure.add_subplot(grid[k])
        quiet(here, ticks=k == len(made) - 1)
        here.plot(np.append(t, end), np.append(value, value[-1:]), color=HUES[k % len(HUES)], linewidth=1.8,
                  drawstyle="steps-post")  # fmt: skip
        here.set_xlim(0.0, end)
        here.margins(y=0.15)
        write(here, (0.0, 1.0), name, HUES[k % len(HUES)], offset=(0, 5), fontsize=12, weight="bold")
        write(here, (1.0, 1.0), unit, QUIET, offset=(0, 5), fontsize=10, ha="right")
    if made:
        here.set_xlabel("time, s", color=INK, fontsize=12)
    return figure


def _contacts(panel: Axes, take: Take, signal: Any, finger: int, size: tuple[float, float]) -> None:
    """The paths of one finger, each from where it landed (a ring) to where it lifted (a dot)."""
    import numpy as np

    rows = take.table[signal.str.startswith(f"touch.{finger}.")]
    x = y = float("nan")
    ways: list[list[tuple[float, float]]] = []
    down = False
    for name, value in zip(rows["signal"].astype(str), rows["value"].tolist(), strict=True):
        what = name.removeprefix(f"touch.{finger}.")
        x, y = (value * size[0] if what == "place.x" else x, value * size[1] if what == "place.y" else y)
        if what == "down" and value:
            ways.append([(x, y)])
        down = bool(value) if what == "down" else down and what != "cancel"
        if what == "place.y" and down:
            ways[-1].append((x, y))
    for way in ways:
        path, hue = np.array(way), HUES[(finger - 1) % len(HUES)]
        panel.plot(*path.T, color=hue, linewidth=2.0, solid_capstyle="round")
        panel.plot(*path[0], marker="o", markersize=9, markerfacecolor="white", color=hue)
        panel.plot(*path[-1], marker="o", markersize=5, color=hue)


def _screen(take: Take) -> tuple[float, float]:
    """The size of a take's screen; a square where it does not say."""
    size = []
    for part in "xy":
        rows = take.table[take.table["signal"].astype(str) == f"host.screen.{part}"]["value"]
        size.append(float(rows.iloc[-1]) if len(rows) else 1.0)
    return size[0], size[1]

"""Draw why a drag moves the camera the other way: `python docs/grabbing.py` after changing it."""

from __future__ import annotations

from pathlib import Path
from typing import TYPE_CHECKING

from matplotlib.figure import Figure
from matplotlib.patches import Rectangle

from mellow_thumb.insight.figures.plots import GRID, INK, QUIET
from mellow_thumb.profiles import load_profile

if TYPE_CHECKING:
    from matplotlib.axes import Axes

    from mellow_thumb.session import View

FILE = Path(__file__).parent / "figures" / "grabbing.png"
BLUE, RED = "#1d6a96", "#b4531f"
EXTENT = 40.0
"""Metres that the shorter side of the picture shows."""
BEGIN, END = (0.4, 0.45), (0.65, 0.45)
"""Where the finger lands and lifts: shares of the view."""
TREES = (
    (-4.0, -2.0),
    (-7.0, 4.5),
    (-3.0, 5.5),
    (-11.0, -4.0),
    (6.0, 1.0),
    (9.0, 5.0),
    (1.0, -6.5),
    (14.0, -7.0),
)
"""Where the marsh has its willows, in metres; the finger lands on the first."""
PROFILE = """format = "mellow-thumb profile 1"
mount = "chart"
[touch.drag]
drag = {}
[routes.drag]
from = "touch.drag"
drives = ["pan_x", "pan_y"]
sensitivity = "%s m/screen"
[mounts.chart]
kind = "flat"
extent = "40 m"
"""


def dragged(gain: float, folder: Path) -> View:
    """The view after the finger has gone its way, at a sensitivity in metres a screen."""
    file = folder / "drag.toml"
    file.write_text(PROFILE % f"{gain:g}", encoding="utf-8")
    session = load_profile(file).session()
    session.set_screen(1000, 1000)
    session.touch(1, "down", BEGIN, at=0.0)
    session.touch(1, "move", END, at=0.1)
    session.tick(0.2)
    return session.view()


def screen(axes: Axes, view: View, title: str, colour: str) -> None:
    """Draw what the screen shows, and the finger's way over it."""
    x, y, _ = view.position
    half = EXTENT / 2.0
    for tree in TREES:
        axes.plot(*tree, marker="^", color=QUIET, markersize=11)
    axes.plot(*TREES[0], marker="^", color=colour, markersize=14)
    ends = [(x + (px - 0.5) * EXTENT, y + (py - 0.5) * EXTENT) for px, py in (BEGIN, END)]
    axes.plot(*ends[0], marker="^", color=colour, markersize=14, fillstyle="none")
    axes.annotate("", TREES[0], ends[0], arrowprops={"arrowstyle": "->", "color": colour, "lw": 2.0})
    low = [(px, py - 1.6) for px, py in ends]
    axes.annotate("", low[1], low[0], arrowprops={"arrowstyle": "->", "color": INK, "lw": 2.0})
    axes.text(low[1][0], low[1][1], "   finger", color=INK, va="center", fontsize=9)
    axes.add_patch(Rectangle((x - half, y - half / 2.0), EXTENT, half, fill=False, color=INK, lw=1.5))
    axes.set_title(title, loc="left", fontsize=10, color=INK)
    axes.set_xlim(x - half, x + half)
    axes.set_ylim(y - half / 2.0, y + half / 2.0)
    axes.set_aspect("equal")
    axes.set_xticks([])
    axes.set_yticks([])
    axes.set_facecolor("white")


def world(axes: Axes, begun: View, view: View, title: str, colour: str) -> None:
    """Draw the marsh from above with what the camera saw before, and what it sees now."""
    half = EXTENT / 2.0
    for tree in TREES:
        axes.plot(*tree, marker="^", color=QUIET, markersize=6)
    axes.plot(*TREES[0], marker="^", color=colour, markersize=8)
    for one, style, ink in ((begun, "--", QUIET), (view, "-", colour)):
        x, y, _ = one.position
        axes.add_patch(
            Rectangle((x - half, y - half / 2.0), EXTENT, half, fill=False, color=ink, ls=style, lw=1.6)
        )
    side = 1.0 if view.position[0] < begun.position[0] else -1.0  # where the two do not overlap
    for one, words, ink, end in ((begun, "seen before", QUIET, side), (view, "seen now", colour, -side)):
        place, align = one.position[0] + end * (half - 0.7), "right" if end > 0.0 else "left"
        axes.text(place, 8.4, words, color=ink, fontsize=8, ha=align)
    arrow = {"arrowstyle": "->", "color": colour, "lw": 2.0}
    axes.annotate("", view.position[:2], begun.position[:2], arrowprops=arrow)
    axes.set_title(title, loc="left", fontsize=10, color=INK)
    axes.set_xlim(-34.0, 34.0)
    axes.set_ylim(-13.0, 13.0)
    axes.set_aspect("equal")
    axes.set_xlabel("m to the right", color=QUIET, fontsize=8)
    axes.grid(color=GRID, lw=0.6)
    axes.set_axisbelow(True)
    axes.tick_params(labelsize=8, colors=QUIET)


def draw(folder: Path, file: Path = FILE) -> None:
    """Draw both signs: above the marsh and the camera, below what the screen shows."""
    figure = Figure(figsize=(11.0, 6.2), dpi=110, layout="constrained")
    panels = figure.subplots(2, 2)
    begun = dragged(1e-6, folder)
    for k, (gain, colour, words, told) in enumerate(
        (
            (
                -EXTENT,
                BLUE,
                "the camera goes left",
                "... so on the screen the ground goes right, with the finger",
            ),
            (
                EXTENT,
                RED,
                "the camera goes right",
                "... so on the screen the ground goes left, against the finger",
            ),
        )
    ):
        view = dragged(gain, folder)
        world(
            panels[0][k], begun, view, f'sensitivity = "{gain:g} m/screen": from above, {words} ...', colour
        )
        screen(panels[1][k], view, told, colour)
    figure.savefig(file)


if __name__ == "__main__":
    from tempfile import TemporaryDirectory

    with TemporaryDirectory() as folder:
        draw(Path(folder))

"""A figure of a walk: the character's path and the camera's, seen from above."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...plan import MOVES
from ...plan.mounts import Orbit, Overhead
from ...takes import STEP
from .plots import GRID, INK, LIMIT, QUIET

if TYPE_CHECKING:
    import numpy as np
    import pandas as pd
    from matplotlib.axes import Axes
    from matplotlib.figure import Figure

    from ...profiles import Profile

WALK, CAMERA_LINE = "#1d6a96", "#b4531f"
MARKS = 24
"""About how many moments are marked along a path."""


def path_from_above(profile: Profile, table: pd.DataFrame) -> Figure:
    """Draw where the character went and which way it faced, where the camera was and which way it looked.

    A map: +X to the right, -Z (where a yaw of 0 looks) up, in metres; with the limits of a distance around
    where the character ends, and the bounds of a view from above. Beside it where the stick was.
    """
    import numpy as np
    from matplotlib.figure import Figure

    figure = Figure(figsize=(12.8, 8.0), dpi=100, facecolor="white")
    panel = figure.add_axes((0.075, 0.09, 0.66, 0.78))
    steps = table[list(STEP)].to_numpy().cumsum(axis=0)
    walk = np.column_stack((steps[:, 0], -steps[:, 2]))
    camera = np.column_stack((table["camera_x"], -table["camera_z"]))
    marks = _moments(table["t"].to_numpy())
    apart = bool(np.abs(camera - walk).max(initial=0.0) > 0.05)
    if apart:
        for k in marks:
            panel.plot(*zip(camera[k], walk[k], strict=True), color=GRID, linewidth=1.0, zorder=1)
        panel.plot(*camera.T, color=CAMERA_LINE, linewidth=1.6, zorder=2)
        _arrows(panel, camera[marks], _looks(table)[marks], CAMERA_LINE, _size(walk, camera))
    panel.plot(*walk.T, color=WALK, linewidth=2.4, zorder=3)
    headings = np.radians(table["heading"].to_numpy())
    faces = np.column_stack((np.sin(headings), np.cos(headings)))
    _arrows(panel, walk[marks], faces[marks], WALK, _size(walk, camera))
    _finish(panel, walk)
    limits = _limits(panel, profile, walk)
    if profile.movement:
        _stick(figure, table, marks)
    figure.text(0.075, 0.945, profile.title or "A walk", fontsize=17, color=INK, weight="bold")
    words = f"seen from above; a mark each {_gap(table, marks):.3g} s"
    figure.text(0.075, 0.91, words, fontsize=12, color=QUIET)
    _key(figure, apart=apart, limits=limits)
    return figure


def _limits(panel: Axes, profile: Profile, walk: np.ndarray) -> str:
    """Draw the camera's bounds, and return them in words. Distant limits do not shrink the walk."""
    from matplotlib.patches import Circle, Polygon

    style = {"fill": False, "edgecolor": LIMIT, "linestyle": (0, (5, 4)), "linewidth": 1.2, "zorder": 2}
    mount, words = profile.mount, ""
    if isinstance(mount, Orbit) and len(walk):
        axis = next(axis for axis in profile.axes if axis.name == "distance")
        for far in (one for one in (axis.low, axis.high) if 0.0 < one < 1e6):
            panel.add_artist(Circle(tuple(walk[-1]), far, **style))
            words = f"{axis.low:g} to {axis.high:g} m from where it ends"
    if isinstance(mount, Overhead) and mount.bounds and mount.frame == "world":
        panel.add_artist(Polygon(mount.bounds, closed=True, **style))
        words = "bounds of the middle of the view"
    return words


def _stick(figure: Figure, table: pd.DataFrame, marks: list[int]) -> None:
    """The wished movement: right and forward, inside the unit disc."""
    from matplotlib.patches import Circle

    panel = figure.add_axes((0.765, 0.09, 0.2, 0.32))
    panel.set_aspect("equal")
    panel.axis("off")
    panel.set(xlim=(-1.1, 1.1), ylim=(-1.1, 1.1))
    panel.add_patch(Circle((0.0, 0.0), 1.0, fill=False, edgecolor=GRID, linewidth=1.5))
    panel.axhline(0.0, color=GRID, linewidth=1.0)
    panel.axvline(0.0, color=GRID, linewidth=1.0)
    x, y = (table[name].to_numpy() if name in table else table["t"].to_numpy() * 0.0 for name in MOVES)
    panel.plot(x, y, color=WALK, linewidth=1.4)
    panel.plot(x[marks], y[marks], linestyle="none", marker="o", markersize=4, color=WALK)
    figure.text(0.765, 0.455, "the stick", color=WALK, fontsize=14, weight="bold")
    figure.text(0.765, 0.425, "where it was pushed: right, forward", color=QUIET, fontsize=11)


def _moments(t: np.ndarray) -> list[int]:
    """The rows to mark, evenly spaced in time."""
    import numpy as np

    if not len(t):
        return []
    gap = max(0.25, round(4.0 * float(t[-1]) / MARKS) / 4.0)
    rows: list[int] = np.searchsorted(t, np.arange(gap, t[-1] + 1e-9, gap)).clip(0, len(t) - 1).tolist()
    return rows


def _gap(table: pd.DataFrame, marks: list[int]) -> float:
    t = table["t"].to_numpy()
    return float(t[marks[1]] - t[marks[0]]) if len(marks) > 1 else 0.0


def _looks(table: pd.DataFrame) -> np.ndarray:
    """Which way the camera looks, on the map: a unit vector a row."""
    import numpy as np

    x, y, z, w = (table[f"camera_q{part}"].to_numpy() for part in "xyzw")
    ahead = np.column_stack((-2.0 * (x * z + w * y), 1.0 - 2.0 * (x * x + y * y)))
    unit: np.ndarray = ahead / np.maximum(np.linalg.norm(ahead, axis=1, keepdims=True), 1e-9)
    return unit


def _size(walk: np.ndarray, camera: np.ndarray) -> float:
    """How long an arrow is, in metres."""
    import numpy as np

    both = np.concatenate((walk, camera)) if len(walk) else np.zeros((1, 2))
    return 0.045 * float(max(np.ptp(both, axis=0).max(), 1.0))


def _arrows(panel: Axes, places: np.ndarray, ways: np.ndarray, colour: str, size: float) -> None:
    for (x, y), (a, b) in zip(places.tolist(), (ways * size).tolist(), strict=True):
        panel.annotate(
            "", (x + a, y + b), (x, y), zorder=4,
            arrowprops={"arrowstyle": "-|>", "color": colour, "linewidth": 1.4, "shrinkA": 0, "shrinkB": 0},
        )  # fmt: skip
    panel.plot(*places.T, linestyle="none", marker="o", markersize=4, color=colour, zorder=4)


def _finish(panel: Axes, walk: np.ndarray) -> None:
    panel.set_aspect("equal", adjustable="datalim")
    panel.set_axisbelow(True)
    panel.grid(visible=True, color=GRID, linewidth=1.0)
    panel.tick_params(colors=QUIET, labelcolor=INK, labelsize=11, length=0)
    for side in panel.spines.values():
        side.set_visible(False)
    panel.set_xlabel("to the right, +X, m", color=INK, fontsize=12)
    panel.set_ylabel("ahead, \N{MINUS SIGN}Z, m", color=INK, fontsize=12)
    for words, row in (("begins", 0), ("ends", -1)) if len(walk) else ():
        panel.annotate(words, walk[row], xytext=(8, -14), textcoords="offset points", color=WALK, fontsize=11)


def _key(figure: Figure, *, apart: bool, limits: str) -> None:
    lines = [("the character", "its path, and which way it faces", WALK)]
    if apart:
        lines.append(("the camera", "its path, and which way it looks", CAMERA_LINE))
        lines.append(("grey lines", "from camera to character", QUIET))
    if limits:
        lines.append(("dashed", limits, LIMIT))
    for k, (name, words, colour) in enumerate(lines):
        figure.text(0.765, 0.83 - 0.085 * k, name, color=colour, fontsize=14, weight="bold")
        figure.text(0.765, 0.80 - 0.085 * k, words, color=QUIET, fontsize=11)

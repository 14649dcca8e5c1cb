"""Figures of devices: what fingers did, how a device in the hand was turned, a play space and its head."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ...formulas import level_turned, turned_by
from ...plan.mounts import Headset
from ...session import Attitude
from ...takes import replay
from .fingers import HUES, gestures
from .plots import GRID, INK, QUIET, blank, quiet, write, write_beside

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt
    from matplotlib.figure import Figure

    from ...profiles import Profile
    from ...takes import Take

    Array = npt.NDArray[np.float64]

ROOM = 1.0
"""Half of a side of the play space that is drawn, in metres."""


def device_figures(profile: Profile, take: Take) -> dict[str, Figure]:
    """The figures that a profile and a take have data for, by name."""
    names = set(map(str, take.table["signal"].unique()))
    found = {}
    if profile.touches and any(name.startswith("touch.") for name in names):
        found["gesture"] = gestures(profile, take)
    if "motion.turn.z" in names:
        found["attitude"] = attitude_over_time(*_readings(take))
    if isinstance(profile.mount, Headset) and "host.head.x" in names:
        found["snap"] = room_from_above(profile, take)
    return found


# ---- a device in the hand


def attitude_over_time(t: Array, turns: Array, forces: Array, truth: Array | None = None) -> Figure:
    """Draw how a device tips and leans, as tracked here, and by its gyroscope alone.

    `t` are times (s), `turns` what the gyroscope says (deg/s), `forces` what the accelerometer feels (m/s2),
    a row a reading; `truth`, where it is known, quaternions x, y, z, w. Below: the bias as it is learnt.
    """
    import numpy as np

    kept, alone, bias = _tipped(t, turns, forces)
    true = _angles(np.array([_up(row) for row in truth.tolist()])) if truth is not None else None
    figure = blank("How the handheld device is turned", _off(t, kept, true))
    grid = figure.add_gridspec(3, 1, hspace=0.3, left=0.075, right=0.86, top=0.83, bottom=0.085)
    panels = [figure.add_subplot(grid[k]) for k in range(3)]
    words = (("tips up", "deg"), ("leans to the right", "deg"))
    for k, (panel, (name, unit)) in enumerate(zip(panels, words, strict=False)):
        panel.plot(t, alone[:, k], color=QUIET, linewidth=1.2, linestyle=(0, (2, 2)))
        if true is not None:
            panel.plot(t, true[:, k], color=INK, linewidth=3.5, alpha=0.35)
        panel.plot(t, kept[:, k], color=HUES[k], linewidth=1.8)
        write(panel, (0.0, 1.0), name, HUES[k], offset=(0, 5), fontsize=14, weight="bold")
        write(panel, (0.0, 1.0), unit, QUIET, offset=(20 + 9 * len(name), 5))
        write_beside(panel, float(alone[-1, k]), "gyroscope alone", QUIET, va="bottom")
        write_beside(panel, float(kept[-1, k]), "kept", HUES[k], va="top")
    for part, hue in zip("xyz", HUES[2:], strict=True):
        panels[2].plot(t, bias[:, "xyz".index(part)], color=hue, linewidth=1.8)
        write_beside(panels[2], float(bias[-1, "xyz".index(part)]), part, hue)
    write(panels[2], (0.0, 1.0), "bias learnt", INK, offset=(0, 5), fontsize=14, weight="bold")
    write(panels[2], (0.0, 1.0), "deg/s, of the gyroscope", QUIET, offset=(120, 5))
    for k, panel in enumerate(panels):
        quiet(panel, ticks=k == 2)
        panel.set_xlim(float(t[0]), float(t[-1]))
    panels[2].set_xlabel("time, s", color=INK, fontsize=12)
    return figure


def _off(t: Array, kept: Array, true: Array | None) -> str:
    """What the figure shows, in words: how far off the sky is, if the truth is known."""
    import numpy as np

    if true is None:
        return "what is kept of its sensors, a reading at a time"
    off = np.degrees(np.arccos(np.clip((_ups(kept) * _ups(true)).sum(axis=1), -1.0, 1.0)))
    after = off[t >= t[0] + 3.0] if t[-1] > t[0] + 3.0 else off
    usual, most = float(np.sqrt((after**2).mean())), float(after.max())
    return f"wide grey: the truth; after 3 s, up is off by {usual:.2f} deg (RMS), at most {most:.2f}"


def _tipped(t: Array, turns: Array, forces: Array) -> tuple[Array, Array, Array]:
    """How a device tips and leans as tracked, and by its gyroscope alone; and its learnt bias."""
    import numpy as np
    from scipy.spatial.transform import Rotation

    kept, rows = Attitude(), []
    for moment, turn, force in zip(t.tolist(), turns.tolist(), forces.tolist(), strict=True):
        kept.weigh((force[0], force[1], force[2]))
        kept.turn((turn[0], turn[1], turn[2]), moment)
        rows.append((*kept.up, *kept.held.bias))
    table = np.array(rows)
    steps = Rotation.from_rotvec(turns * np.diff(t, prepend=t[:1])[:, None], degrees=True)
    sky, alone = forces[0] / float(np.sqrt((forces[0] ** 2).sum())), []
    for step in steps.inv().as_matrix():
        sky = step @ sky
        alone.append(sky)
    return _angles(table[:, :3]), _angles(np.array(alone)), table[:, 3:]


def _up(rotation: list[float]) -> tuple[float, float, float]:
    x, y, z, w = rotation
    return turned_by(-x, -y, -z, w, 0.0, 1.0, 0.0)


def _angles(ups: Array) -> Array:
    """How far a device tips up and leans right (deg), from the direction of the sky in its frame."""
    import numpy as np

    x, y, z = ups.T
    angles: Array = np.degrees(np.column_stack((np.arctan2(-z, np.hypot(x, y)), np.arctan2(-x, y))))
    return angles


def _ups(angles: Array) -> Array:
    import numpy as np

    tips, leans = np.radians(angles).T
    ups: Array = np.column_stack((-np.sin(leans) * np.cos(tips), np.cos(leans) * np.cos(tips), -np.sin(tips)))
    return ups


def _readings(take: Take) -> tuple[Array, Array, Array]:
    """The readings of a take: times, turns and forces."""
    import numpy as np

    names = take.table["signal"].astype(str)
    columns = {}
    for what in ("turn", "force"):
        for part in "xyz":
            rows = take.table[names == f"motion.{what}.{part}"]
            columns[f"{what}{part}"] = (rows["t"].to_numpy(float), rows["value"].to_numpy(float))
    t = columns["turnz"][0]
    held = {
        name: values[np.clip(np.searchsorted(when, t, side="right") - 1, 0, None)] if len(when) else 0.0 * t
        for name, (when, values) in columns.items()
    }
    turns, forces = (np.column_stack([held[f"{what}{part}"] for part in "xyz"]) for what in ("turn", "force"))
    return t, turns, forces


# ---- a head


def room_from_above(profile: Profile, take: Take, *, rate: float = 90.0) -> Figure:
    """Draw the play space in the world before and after each snap, with the head in it."""
    import numpy as np
    from matplotlib.patches import Polygon

    table = replay(profile, take, rate=rate)
    yaw = table["yaw_total"].to_numpy()
    steps = np.abs(np.diff(yaw))
    (snaps,) = np.nonzero(steps > 10.0)
    first = int(snaps[0]) if len(snaps) else 0
    rows = [first, *(int(k) + 1 for k in snaps[:4])] if len(yaw) else []
    heads = _heads(take, table["t"].to_numpy())
    figure = blank(profile.title or "A headset", "the play space from above, as each snap turns it")
    panel = figure.add_axes((0.075, 0.09, 0.66, 0.78))
    panel.set_aspect("equal", adjustable="datalim")
    places = table[["camera_x", "camera_z"]].to_numpy()
    for k, row in enumerate(rows):
        hue = HUES[k % len(HUES)]
        corners = [(-ROOM, -ROOM), (ROOM, -ROOM), (ROOM, ROOM), (-ROOM, ROOM)]
        inside = [level_turned(x - heads[row, 0], z - heads[row, 1], float(yaw[row])) for x, z in corners]
        outline = [(places[row, 0] + x, -(places[row, 1] + z)) for x, z in inside]
        panel.add_patch(Polygon(outline, closed=True, fill=False, edgecolor=hue, linewidth=2.0))
        panel.plot(*zip(*outline, strict=True), linestyle="none")
        ahead = ((outline[0][0] + outline[1][0]) / 2.0, (outline[0][1] + outline[1][1]) / 2.0)
        panel.annotate(f"{yaw[row]:.0f} deg", ahead, color=hue, fontsize=11, ha="center", va="center",
                       bbox={"facecolor": "white", "edgecolor": "none", "pad": 2})  # fmt: skip
    panel.plot(places[:, 0], -places[:, 1], color=QUIET, linewidth=1.4)
    for row in rows[1:]:
        panel.plot(places[row, 0], -places[row, 1], marker="o", markersize=9, color=INK, zorder=5)
    quiet(panel, ticks=True)
    panel.grid(visible=True, color=GRID, linewidth=1.0)
    panel.set_xlabel("to the right, +X, m", color=INK, fontsize=12)
    panel.set_ylabel("ahead, \N{MINUS SIGN}Z, m", color=INK, fontsize=12)
    lines = [("squares", "the play space, 2 m by 2 m, its", "yaw at its front", HUES[0])]
    lines.append(("dot", "the head, which stays where it is", "", INK))
    lines.append(("grey line", "where the head went", "", QUIET))
    for k, (name, words, more, hue) in enumerate(lines):
        figure.text(0.765, 0.83 - 0.1 * k, name, color=hue, fontsize=14, weight="bold")
        figure.text(0.765, 0.80 - 0.1 * k, words, color=QUIET, fontsize=11)
        figure.text(0.765, 0.775 - 0.1 * k, more, color=QUIET, fontsize=11)
    return figure


def _heads(take: Take, ends: Array) -> Array:
    """Where the head was in the play space at the end of each frame: x and z."""
    import numpy as np

    names = take.table["signal"].astype(str)
    found = []
    for part in "xz":
        rows = take.table[names == f"host.head.{part}"]
        when, values = rows["t"].to_numpy(float), rows["value"].to_numpy(float)
        found.append(values[np.clip(np.searchsorted(when, ends, side="right") - 1, 0, None)])
    return np.column_stack(found)

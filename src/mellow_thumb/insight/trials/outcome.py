"""What a trial came to: the numbers of its rounds, and what can be said of its settings."""

from __future__ import annotations

from math import log, nan
from statistics import fmean
from typing import TYPE_CHECKING, NamedTuple

from ...takes import replay_arrays
from ..feeling import spectral_arc_length
from .aiming import Aim, course_of, throughput_of
from .deciding import Difference
from .following import beside, error_of, lag_of
from .tasks import SETTLE, WALK

if TYPE_CHECKING:
    from collections.abc import Iterator, Sequence

    import numpy as np
    import numpy.typing as npt
    import pandas as pd

    from ...plan import Plan
    from ...takes import Take
    from .tasks import Place, Task

    Floats = npt.NDArray[np.float64]

RATE = 240.0
"""Frames a second in which paths are looked at."""

BEFORE = 1e-6
"""A target was selected where the camera was so long before (s); what hands did right then came after."""


class Measure(NamedTuple):
    """What is measured of a task."""

    unit: str
    ratio: bool
    """Whether settings are compared in per cent; otherwise by how much."""
    more: bool
    """Whether more of it is better."""
    words: str


TRIAL_MEASURES = {
    "throughput": Measure(
        "bits/s", True, True, "how much difficulty the aims overcame a second, misses included"
    ),
    "time": Measure("s", True, False, "the mean time from a target's appearance to its selection"),
    "misses": Measure("share", False, False, "targets that were selected from outside"),
    "overshoot": Measure(
        "share", False, False, "how far aims went beyond the far side, as a share of the way"
    ),
    "corrections": Measure("", False, False, "how often an aim slowed down and went on again"),
    "reaction": Measure("s", True, False, "the mean time until an aim began"),
    "smoothness": Measure(
        "", False, True, "minus the arc length of the speed's spectrum; nearer to 0 is smoother"
    ),
    "error": Measure("deg", True, False, "the root mean square distance from the bird"),
    "lag": Measure("s", False, False, "by how much the view follows the bird late"),
    "beside": Measure("m", True, False, "the root mean square distance from the way"),
    "walk time": Measure("s", True, False, "the time from the first post to the flag"),
}
"""Every number of a round, with its unit and what it is; the first of a task is what the trial asks about."""
OF_KIND = {
    "aim": ("throughput", "time", "misses", "overshoot", "corrections", "reaction", "smoothness"),
    "follow": ("error", "lag"),
    "walk": ("walk time", "beside"),
}


class Seen(NamedTuple):
    """One task of a round as it went: times, places, and its aims."""

    task: Task
    t: Floats
    places: Floats
    targets: Floats
    """Where the target was at each of these times; NaN before the first."""
    aims: tuple[Aim, ...]
    """The aims that count."""


def seen_in(plan: Plan, take: Take, tasks: Sequence[Task]) -> list[Seen]:
    """Play a round's take once more, and find its tasks by what the take says of them."""
    import numpy as np

    rows = take.table.sort_values("t", kind="stable")
    asked = {
        name: rows[rows["signal"] == name] for name in ("host.task_number", "host.task.x", "host.task.y")
    }
    taken = rows.loc[rows["signal"] == "host.task_taken", "t"].to_numpy(dtype=float)
    last = float(rows["t"].iloc[-1]) if len(rows) else 0.0
    grid = np.arange(1, int(last * RATE) + 2) / RATE
    ends = np.unique(np.concatenate((grid, taken[taken > BEFORE] - BEFORE)))
    played = replay_arrays(plan, take, frames=ends.tolist())
    found, marks = [], asked["host.task_number"]
    for begun, number, ended in zip(marks["t"], marks["value"], [*marks["t"].iloc[1:], last], strict=True):
        if not 1 <= number <= len(tasks):
            continue
        task = tasks[int(number) - 1]
        inside = (ends >= begun) & (ends <= ended)
        places = _places(task, played)[inside]
        targets = np.column_stack([_held(asked[f"host.task.{part}"], ends[inside]) for part in "xy"])
        aims = tuple(_aims(task, rows, (begun, ended), ends, _places(task, played)))
        found.append(Seen(task, ends[inside], places, targets, aims))
    return found


def _places(task: Task, played: dict[str, Floats]) -> Floats:
    """Where the camera, or the warden, was at each frame."""
    import numpy as np

    if task.kind == "walk":
        return np.column_stack((played["moved_x"], played["moved_z"]))
    if task.logarithmic:
        value = np.maximum(played[task.axes[0]], 1e-300)
        return np.column_stack(
            ((1.0 if task.axes[0] == "zoom" else -1.0) * np.log(value), np.zeros(len(value)))
        )
    names = ["yaw_total" if one == "yaw" and "yaw_total" in played else one for one in task.axes]
    return np.column_stack([played[one] for one in names])


def _held(rows: pd.DataFrame, t: Floats) -> Floats:
    """What rows said last at some times; NaN before the first."""
    import numpy as np

    times, values = rows["t"].to_numpy(dtype=float), rows["value"].to_numpy(dtype=float)
    place = np.searchsorted(times, t, side="right") - 1
    return np.where(place >= 0, values[np.maximum(place, 0)], np.nan)


def _aims(
    task: Task, rows: pd.DataFrame, span: tuple[float, float], ends: Floats, places: Floats
) -> Iterator[Aim]:
    """The aims of a task that count: from where one target was selected to where the next one was."""
    import numpy as np

    if task.kind != "aim":
        return
    inside = rows[(rows["t"] >= span[0]) & (rows["t"] <= span[1])]
    shown: list[tuple[float, Place, float]] = []
    x = y = 0.0
    taken: list[float] = []
    for t, name, value in zip(inside["t"], inside["signal"], inside["value"], strict=True):
        if name == "host.task.x":
            x = float(value)
        elif name == "host.task.y":
            y = float(value)
        elif name == "host.task_width":
            shown.append((float(t), (x, y), float(value)))
        elif name == "host.task_taken":
            taken.append(float(t))
    at = [tuple(places[int(np.searchsorted(ends, one - BEFORE))]) for one in taken]
    for k, ((begun, place, width), moment) in enumerate(zip(shown, taken, strict=False)):
        if k % task.in_run:  # the first of a ring is where the aims begin
            yield Aim(begun, moment, at[k - 1], shown[k - 1][1], place, width, at[k])


def numbers_of(seen: Sequence[Seen]) -> list[tuple[str, str, float]]:
    """The numbers of a round: task, measure, value."""
    found: list[tuple[str, str, float]] = []
    for one in seen:
        values = {"aim": _of_aims, "follow": _of_following, "walk": _of_walk}[one.task.kind](one)
        found += [(one.task.name, name, value) for name, value in values.items()]
    return found


def _of_aims(seen: Seen) -> dict[str, float]:
    import numpy as np

    aims = seen.aims
    if len(aims) < 3:
        return {}
    grid = np.arange(seen.t[0], seen.t[-1], 1.0 / RATE)
    path = np.column_stack([np.interp(grid, seen.t, seen.places[:, k]) for k in (0, 1)])
    courses = [course_of(one, grid, path) for one in aims]
    speed = np.hypot(*np.gradient(path, 1.0 / RATE, axis=0).T)
    smooth = [
        spectral_arc_length(speed[inside], RATE)
        for inside in ((grid >= one.begun) & (grid <= one.ended) for one in aims)
        if inside.sum() > 8 and speed[inside].max() > 0.0
    ]
    return {
        "throughput": throughput_of(aims),
        "time": fmean(one.ended - one.begun for one in aims),
        "misses": fmean(one.missed for one in aims),
        "overshoot": fmean(c.overshoot / one.distance for c, one in zip(courses, aims, strict=True)),
        "corrections": fmean(one.corrections for one in courses),
        "reaction": fmean(one.reaction for one in courses),
        "smoothness": fmean(smooth) if smooth else float("nan"),
    }


def _of_following(seen: Seen) -> dict[str, float]:
    import numpy as np

    grid = np.arange(seen.t[0] + SETTLE, seen.t[-1], 1.0 / RATE)
    if len(grid) < RATE:
        return {}
    path, target = (
        np.column_stack([np.interp(grid, seen.t, them[:, k]) for k in (0, 1)])
        for them in (seen.places, np.nan_to_num(seen.targets))
    )
    return {"error": error_of(target, path), "lag": lag_of(target, path, RATE)}


def _of_walk(seen: Seen) -> dict[str, float]:
    import numpy as np

    off = beside(np.array(WALK), seen.places)
    return {"walk time": float(seen.t[-1] - seen.t[0]), "beside": float(np.sqrt((off**2).mean()))}


def differences(rounds: pd.DataFrame, task: str, measure: str, settings: tuple[int, int]) -> list[float]:
    """What the second of two settings has more than the first, pair by pair; of several people a mean each.

    `rounds` has a row a number: ``person``, ``pair``, ``setting``, ``task``, ``measure``, ``value``.
    For what is compared in per cent it is the difference of logarithms.
    """
    rows = rounds[(rounds["task"] == task) & (rounds["measure"] == measure)]
    said: dict[tuple[int, int], dict[int, float]] = {}
    for person, pair, setting, value in zip(
        rows["person"], rows["pair"], rows["setting"], rows["value"], strict=True
    ):
        said.setdefault((person, pair), {})[setting] = float(value)
    people: dict[int, list[float]] = {}
    for (person, _), values in sorted(said.items()):
        first, second = (values.get(one, nan) for one in settings)
        if TRIAL_MEASURES[measure].ratio:
            first, second = (log(one) if one > 0.0 else nan for one in (first, second))
        if second - first == second - first:
            people.setdefault(person, []).append(second - first)
    return next(iter(people.values())) if len(people) == 1 else [fmean(one) for one in people.values()]


def drift(rounds: pd.DataFrame, task: str, measure: str) -> Difference | None:
    """By how much a number changes from one round to the next, whichever setting it has: learning or tiring.

    A logarithm for what is compared in per cent. Source: least squares, one slope for all, and a level for
    each person and setting; the interval holds it in 95 of 100 trials.
    """
    import numpy as np
    from scipy.stats import t

    rows = rounds[(rounds["task"] == task) & (rounds["measure"] == measure)].dropna(subset=["value"])
    groups = [group for _, group in rows.groupby(["person", "setting"]) if len(group) >= 2]
    freedom = sum(len(group) for group in groups) - len(groups) - 1
    if freedom < 1:
        return None
    x, y = [], []
    for group in groups:
        values = group["value"].to_numpy(dtype=float)
        values = np.log(np.maximum(values, 1e-12)) if TRIAL_MEASURES[measure].ratio else values
        number = group["number"].to_numpy(dtype=float)
        x.append(number - number.mean())
        y.append(values - values.mean())
    across, up = np.concatenate(x), np.concatenate(y)
    spread = float(across @ across)
    slope = float(across @ up) / spread
    deviation = float(np.sqrt(((up - slope * across) ** 2).sum() / freedom))
    half = float(t.ppf(0.975, freedom)) * deviation / spread**0.5
    return Difference(len(across), slope, slope - half, slope + half, deviation, float("nan"))

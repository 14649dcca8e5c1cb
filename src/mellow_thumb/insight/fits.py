"""The numbers behind a fit: a stick's rest and rim, a trigger's range, a still gyroscope."""

from __future__ import annotations

from math import ceil, floor, sqrt
from typing import TYPE_CHECKING

from .fit_values import Estimate, GyroFit, StickFit, TriggerFit

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    from ..takes import Take

    Array = npt.NDArray[np.float64]

STICKS = ("pad.left_stick", "pad.right_stick", "left_hand.stick", "right_hand.stick")
TRIGGERS = (
    "pad.left_trigger", "pad.right_trigger", "left_hand.trigger", "right_hand.trigger", "left_hand.grip",
    "right_hand.grip",
)  # fmt: skip
NEAR = 0.3
"""A stick this near to its middle may be at rest."""
QUIET = 0.12
"""Within a window of `WINDOW` seconds a stick at rest moves by less than this."""
WINDOW = 0.2
SURE = 6.5
"""How many standard deviations of its noise a dead zone is wide: none leaves it in an hour at 250 Hz."""
RIM = 0.7
"""Further out than this a stick is at its rim, if it is run round it."""
MOST = 0.98
"""A stick is counted as all the way out here at the latest."""
SECTORS = 16
"""Of how many directions the rim must have been seen to be judged."""


def columns_of(take: Take) -> dict[str, tuple[Array, Array]]:
    """Times and values of each signal, by time."""
    table = take.table.sort_values("t", kind="stable")
    return {
        str(name): (rows["t"].to_numpy(float), rows["value"].to_numpy(float))
        for name, rows in table.groupby("signal", observed=True, sort=False)
    }


def stick_fit(name: str, columns: dict[str, tuple[Array, Array]]) -> StickFit:
    """Where a stick rests, its noise, and how far it reaches."""
    import numpy as np

    (tx, x), (ty, y) = columns[f"{name}.x"], columns[f"{name}.y"]
    t = np.union1d(tx, ty)
    x, y = (
        values[np.clip(np.searchsorted(when, t, side="right") - 1, 0, None)]
        for when, values in ((tx, x), (ty, y))
    )
    still = _at_rest(t, x, y)
    seconds = float(np.diff(t, append=t[-1:])[still].clip(0.0, WINDOW).sum())
    if still.sum() < 20:
        return StickFit(
            name, Estimate(None), Estimate(None), Estimate(None), None, *_rim(x, y, 0.0, 0.0, 0.0), seconds
        )
    a, b = float(x[still].mean()), float(y[still].mean())
    n = int(still.sum())
    noise = float(sqrt(0.5 * (x[still].var(ddof=1) + y[still].var(ddof=1))))
    error = noise / sqrt(n)
    shortest = 1.0 - sqrt(a * a + b * b)
    inner = ceil(1000.0 * (SURE * noise + 4.0 * error + 1e-4) / shortest) / 1000.0
    outer, reach = _rim(x, y, a, b, noise)
    rest = (Estimate(a, error), Estimate(b, error))
    return StickFit(name, *rest, Estimate(noise, noise / sqrt(4.0 * n)), inner, outer, reach, seconds)


def _at_rest(t: Array, x: Array, y: Array) -> npt.NDArray[np.bool_]:
    """Which samples are of an untouched stick: those where most of the quiet ones near the middle are."""
    import numpy as np

    first, last = np.searchsorted(t, t - WINDOW), np.searchsorted(t, t + WINDOW, side="right")
    spans = np.array([
        max(np.ptp(x[a:b]), np.ptp(y[a:b])) if b - a > 2 else 1.0 for a, b in zip(first, last, strict=True)
    ])  # fmt: skip
    quiet = (spans < QUIET) & (np.hypot(x, y) < NEAR)
    if not quiet.any():
        return quiet
    a, b = np.median(x[quiet]), np.median(y[quiet])
    spread = 1.4826 * float(np.median(np.abs(np.concatenate((x[quiet] - a, y[quiet] - b)))))
    found: npt.NDArray[np.bool_] = quiet & (np.hypot(x - a, y - b) < max(6.0 * spread, 1e-3))
    return found


def _rim(x: Array, y: Array, a: float, b: float, noise: float) -> tuple[float | None, str]:
    """How far a stick reaches from its rest, as a share of travel, all round; and the shape of its travel."""
    import numpy as np

    shortest = 1.0 - sqrt(a * a + b * b)
    along, up = (x - a) / shortest, (y - b) / shortest
    far = np.hypot(along, up)
    out = far > RIM
    sectors = (np.degrees(np.arctan2(up, along)) // (360.0 / SECTORS)).astype(int) % SECTORS
    reached = {int(one): float(far[out & (sectors == one)].max()) for one in np.unique(sectors[out])}
    if len(reached) < SECTORS:
        return None, ""
    corners = [reached[k] for k in (1, 2, 5, 6, 9, 10, 13, 14)]
    square = min(corners) > 1.2
    if square:
        wide = np.maximum(np.abs(along), np.abs(up))
        least = min(float(wide[out & (sectors == one)].max()) for one in range(SECTORS))
    else:
        least = min(reached.values())
    outer = floor(1000.0 * min(least - 3.0 * noise - 0.005, MOST)) / 1000.0
    return outer, "square" if square else "disc"


def trigger_fit(name: str, t: Array, value: Array) -> TriggerFit:
    """Where a trigger rests, and how far in it goes."""
    import numpy as np

    del t
    low = value[value < 0.3]
    if not len(low):
        farthest = Estimate(float(value.max(initial=0.0)))
        return TriggerFit(name, Estimate(None), Estimate(None), farthest, None, None)
    rest = float(np.median(low))
    near = low[np.abs(low - rest) < 0.1]
    noise = float(near.std(ddof=1)) if len(near) > 2 else 0.0
    most = float(value.max())
    reached = most > 0.5
    inner = ceil(1000.0 * (rest + SURE * noise + 0.005)) / 1000.0
    outer = floor(1000.0 * (most - 3.0 * noise - 0.005)) / 1000.0 if reached else None
    error = noise / sqrt(len(near)) if len(near) else 0.0
    return TriggerFit(
        name, Estimate(rest, error), Estimate(noise), Estimate(most if reached else None, noise), inner, outer
    )  # fmt: skip


def gyroscope_fit(*parts: tuple[Array, Array]) -> GyroFit:
    """A gyroscope's bias and noise, while it lay still."""
    import numpy as np

    t = parts[0][0]
    count = min(len(values) for _, values in parts)
    turns = np.column_stack([values[:count] for _, values in parts])
    t = t[:count]
    steps = np.diff(t)
    step = float(np.median(steps[steps > 0.0])) if (steps > 0.0).any() else 0.01
    size = max(round(0.5 / step), 4)
    blocks = [turns[k : k + size] for k in range(0, count - size + 1, size)]
    spreads = np.array([block.std(axis=0, ddof=1).max() for block in blocks])
    if not len(spreads) or spreads.min() > 0.6:
        return GyroFit((Estimate(None), Estimate(None), Estimate(None)), Estimate(None), 0.0)
    limit = 1.6 * float(np.quantile(spreads, 0.1)) + 1e-6
    still = [block for block, spread in zip(blocks, spreads, strict=True) if spread <= limit]
    middle = np.median([block.mean(axis=0) for block in still], axis=0)
    still = [
        block
        for block in still
        if np.abs(block.mean(axis=0) - middle).max() < 3.0 * limit / sqrt(size) + 0.02
    ]
    table = np.concatenate(still)
    noise = float(np.sqrt(np.mean([block.var(axis=0, ddof=1) for block in still])))
    error = noise / sqrt(len(table))
    x, y, z = (Estimate(float(value), error) for value in table.mean(axis=0))
    density = Estimate(noise * sqrt(step), noise * sqrt(step) / sqrt(2.0 * 3.0 * len(table)))
    return GyroFit((x, y, z), density, len(table) * step)


def resting(take: Take, stick: str) -> tuple[Take, float] | None:
    """A stick's values while nobody touches it, joined into one take; and its length (s).

    None if it is let go for less than a second in all.
    """
    import numpy as np
    import pandas as pd

    from ..takes import COLUMNS
    from ..takes import Take as Made

    columns = columns_of(take)
    if f"{stick}.x" not in columns or f"{stick}.y" not in columns:
        return None
    (tx, x), (ty, y) = columns[f"{stick}.x"], columns[f"{stick}.y"]
    t = np.union1d(tx, ty)
    x, y = (
        values[np.clip(np.searchsorted(when, t, side="right") - 1, 0, None)]
        for when, values in ((tx, x), (ty, y))
    )
    still = _at_rest(t, x, y)
    gaps = np.diff(t, append=t[-1:]).clip(0.0, WINDOW)[still]
    seconds = float(gaps.sum())
    if seconds < 1.0:
        return None
    moments = np.concatenate(([0.0], np.cumsum(gaps)[:-1]))
    table = pd.DataFrame(
        {
            COLUMNS[0]: np.repeat(moments, 2),
            COLUMNS[1]: [f"{stick}.x", f"{stick}.y"] * len(moments),
            COLUMNS[2]: np.column_stack((x[still], y[still])).ravel(),
        }
    )
    return Made(table.astype({"signal": "category"})), seconds

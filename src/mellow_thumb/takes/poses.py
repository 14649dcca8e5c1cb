"""Poses in takes: several rows of one time, used whole or not at all."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..plan import POSE_PARTS
from ..session import check_units
from .take_items import numbered

if TYPE_CHECKING:
    from collections.abc import Mapping

    import numpy as np
    import pandas as pd

POSES: dict[str, tuple[str, ...]] = {
    "host.subject": POSE_PARTS, "host.head": POSE_PARTS, "host.up": POSE_PARTS[:3], "host.target": ("x", "y"),
}  # fmt: skip
"""What a host says in several rows of one time, and its parts."""
TORN = "a part of a pose is missing or no finite number, or it is no rotation: the whole pose is left out"
"""Why rows of a pose are refused."""


def whole_poses(table: pd.DataFrame) -> tuple[pd.DataFrame, dict[str, int]]:
    """A take's rows without bad or incomplete poses; and how many those were, by signal.

    Any part of a place may come alone, and the others hold; a rotation must be whole. A quaternion whose
    length is within a tenth of 1 is normalised.
    """
    import numpy as np

    number, names = numbered(table["signal"])
    t, value = (table[name].to_numpy(dtype=float) for name in ("t", "value"))
    good, made, counts = np.ones(len(table), dtype=bool), value.copy(), dict[str, int]()
    for signal, parts in POSES.items():
        known = {name: k for k, name in enumerate(names)}
        column = np.full(len(names), -1)
        for k, part in enumerate(parts):
            column[known.get(f"{signal}.{part}", -1)] = k
        column[-1] = -1  # the last is that of missing words
        rows = np.flatnonzero(column[number] >= 0)
        if len(rows):
            of, which = column[number[rows]], _moments(t[rows], column[number[rows]])
            poses = np.full((which.max() + 1, len(POSE_PARTS)), np.nan)
            poses[which, of] = made[rows]
            there = np.zeros(poses.shape, dtype=bool)
            there[which, of] = True
            whole = _even(poses, there, len(parts), point=signal == "host.up")
            if not whole.all():
                counts[signal] = int((~whole).sum())
            good[rows], made[rows] = whole[which], poses[which, of]
    if counts or not np.array_equal(made[good], value[good]):
        table = table.assign(value=made)[good]
    return table, counts


def _even(poses: np.ndarray, there: np.ndarray, parts: int, *, point: bool) -> np.ndarray:
    """Normalise nearly-unit quaternions in place; returns which poses are whole and are rotations.

    What must `point` somewhere needs a length.
    """
    import numpy as np

    place, turned = slice(0, min(parts, 3)), slice(3, max(parts, 3))
    whole: np.ndarray = (~there | np.isfinite(poses)).all(axis=1)
    square = np.where(there[:, turned].any(axis=1), (poses[:, turned] ** 2).sum(axis=1), 1.0)
    whole &= (square > 0.81) & (square < 1.21)
    odd = whole & (np.abs(square - 1.0) > 1e-6)
    poses[odd, turned] /= np.sqrt(square[odd])[:, None]
    return whole & (poses[:, place] != 0.0).any(axis=1) if point else whole


def _moments(t: np.ndarray, column: np.ndarray) -> np.ndarray:
    """Which pose each row belongs to: at one time, the first row of each part makes the first pose."""
    import pandas as pd

    rows = pd.DataFrame({"t": t, "column": column})
    rows["nth"] = rows.groupby(["t", "column"], dropna=False).cumcount()
    moments: np.ndarray = rows.groupby(["t", "nth"], dropna=False).ngroup().to_numpy()
    return moments


METRES = (
    *(f"{signal}.{part}" for signal in ("host.subject", "host.head") for part in "xyz"),
    *(
        "host.clear",
        "host.ground",
        "host.ground_under",
        "host.ground_needed",
        "host.platform.x",
        "host.platform.y",
        "host.lift",
    ),
)
"""What a host says in its own units of length."""


def in_metres(table: pd.DataFrame, about: Mapping[str, str]) -> pd.DataFrame:
    """A take's rows in metres, if it has ``units_per_metre``.

    Raises :class:`ArgumentError` for a bad scale.
    """
    import numpy as np

    said = about.get("units_per_metre")
    if said is None:
        return table
    try:
        units = check_units(float(said))
    except ValueError:
        raise ArgumentError(f"units_per_metre: found {said!r}; expected 1e-06 to 1e+06") from None
    rows = table["signal"].isin(METRES).to_numpy()
    value = table["value"].to_numpy(dtype=float)
    return table.assign(value=np.where(rows, value / units, value)) if rows.any() else table

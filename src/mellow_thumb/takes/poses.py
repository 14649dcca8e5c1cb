"""Poses in takes: several rows of one time, used whole or not at all."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..plan import POSE_PARTS
from ..session import Basis, coordinates_of
from .take_items import named, numbered

if TYPE_CHECKING:
    from collections.abc import Mapping

    import numpy as np
    import pandas as pd

    from ..session import Coordinates

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

    if not any(name.rpartition(".")[0] in POSES for name in named(table["signal"])):
        return table, {}
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


LENGTHS = (
    "host.clear", "host.ground", "host.ground_under", "host.ground_needed",
    "host.platform.x", "host.platform.y", "host.lift",
)  # fmt: skip
"""What a host says in its own units of length."""
AXES = "axes"
"""What a take says of its world's axes: which point right, up and forward."""


def in_ours(table: pd.DataFrame, about: Mapping[str, str]) -> pd.DataFrame:
    """A take's rows in our coordinates, if it says ``units_per_metre`` or ``axes``.

    Raises :class:`ArgumentError` for a bad scale, and for axes that are none.
    """
    coordinates = _said(about)
    if coordinates is None:
        return table
    import numpy as np

    known = _conversions(coordinates)
    number, names = numbered(table["signal"])
    rows = np.flatnonzero(np.isin(number, [k for k, name in enumerate(names) if name in known]))
    if not len(rows):
        return table
    found = [known.get(name, (name, 1.0)) for name in names]
    value = table["value"].to_numpy(dtype=float, copy=True)
    value[rows] /= np.array([scale for _, scale in found])[number[rows]]
    signal = table["signal"].to_numpy(dtype=object, copy=True)
    signal[rows] = np.array([name for name, _ in found], dtype=object)[number[rows]]
    return table.assign(signal=signal, value=value)


def _said(about: Mapping[str, str]) -> Coordinates | None:
    """The coordinates of a take's world; None if they are ours."""
    scale, axes = about.get("units_per_metre", "1"), about.get(AXES)
    try:
        units = float(scale)
    except ValueError:
        raise ArgumentError(f"units_per_metre: found {scale!r}; expected 1e-06 to 1e+06") from None
    if axes is None:
        return coordinates_of(None, units)
    words = axes.split()
    if len(words) != 3:
        raise ArgumentError(f"{AXES}: found {axes!r}; expected right, up and forward, such as +x +z +y")
    return coordinates_of(Basis(*words), units)


def _conversions(coordinates: Coordinates) -> dict[str, tuple[str, float]]:
    """For each signal of a host the one that it is in ours, and what its value is divided by."""
    units, hand = coordinates.units, coordinates.basis.handedness
    known = {name: (name, units) for name in LENGTHS}
    for ours, row in zip("xyz", zip(*coordinates.basis.rows, strict=True), strict=True):
        theirs, sign = next((name, part) for name, part in zip("xyz", row, strict=True) if part)
        for signal in ("host.subject", "host.head"):
            known[f"{signal}.{theirs}"] = (f"{signal}.{ours}", sign * units)
            known[f"{signal}.q{theirs}"] = (f"{signal}.q{ours}", sign * hand)
        known[f"host.up.{theirs}"] = (f"host.up.{ours}", sign)
    return known

"""Comparing: the same hands through two profiles; where and when they differ, and by how much."""

from __future__ import annotations

from dataclasses import asdict, dataclass
from typing import TYPE_CHECKING, Any

from ..takes import replay
from .account import number

if TYPE_CHECKING:
    import pandas as pd

    from ..plan import Plan
    from ..takes import Take

APART = {"deg": 0.5, "m": 0.05, "x": 0.01, "": 0.01}
"""By how much two axes must differ to have parted, by their unit."""


@dataclass(frozen=True)
class Parting:
    """How one axis or gate differs between two profiles."""

    name: str
    unit: str
    first: float | None
    """When they part (s), by more than `APART` of the unit; None if they never do."""
    most: float
    """The largest difference, the second less the first."""
    when: float
    """When that is (s)."""
    end: float
    """The difference at the end."""


@dataclass(frozen=True)
class Comparison:
    """Two replays of one take."""

    titles: tuple[str, str]
    partings: tuple[Parting, ...]
    only: tuple[tuple[str, ...], tuple[str, ...]]
    """Axes and gates that only the first has, and only the second."""

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self)

    def table(self) -> pd.DataFrame:
        """A row an axis or a gate: ``name``, ``unit``, ``first``, ``most``, ``when``, ``end``."""
        import pandas as pd

        return pd.DataFrame([asdict(one) for one in self.partings])

    def text(self) -> str:
        """The same as text."""
        lines = [f"A  {self.titles[0]}", f"B  {self.titles[1]}", ""]
        width = max([len(one.name) for one in self.partings], default=0)
        for one in self.partings:
            unit = f" {one.unit}".rstrip()
            if one.first is None:
                lines.append(f"{one.name:<{width}}  never apart")
                continue
            most = f"{'+' if one.most > 0 else ''}{number(one.most)}{unit} at {one.when:.2f} s"
            end = f"{'+' if one.end > 0 else ''}{number(one.end)}{unit} at the end"
            lines.append(f"{one.name:<{width}}  apart from {one.first:.2f} s on; B is at most {most}, {end}")
        for which, names in zip("AB", self.only, strict=True):
            lines += [f"only in {which}: {', '.join(names)}"] if names else []
        return "\n".join(lines)


def compare(
    first: Plan, second: Plan, take: Take, *, rate: float = 60.0, compiled: bool | None = None
) -> Comparison:
    """Play one take through two profiles and say where, when and by how much they differ.

    `compiled` is as for :func:`replay`.
    """
    import numpy as np

    a, b = (replay(plan, take, rate=rate, compiled=compiled) for plan in (first, second))
    t = a["t"].to_numpy()
    units = {axis.name: axis.unit for axis in (*second.axes, *first.axes)}
    names = ["yaw_total" if name == "yaw" else name for name in units]
    names += [column for column in a.columns if column.startswith("gate_")]
    names += [column for column in b.columns if column.startswith("gate_") and column not in names]
    both = [name for name in names if name in a.columns and name in b.columns]
    partings = []
    for name in both:
        unit = units.get(name.removesuffix("_total"), "")
        apart = b[name].to_numpy(float) - a[name].to_numpy(float)
        size = np.abs(apart)
        (past,) = np.nonzero(size > (APART[unit] if not name.startswith("gate_") else 0.5))
        k = int(size.argmax()) if len(size) else 0
        at = [float(one[k]) if len(one) else 0.0 for one, k in ((apart, k), (t, k), (apart, -1))]
        first_time = float(t[past[0]]) if len(past) else None
        partings.append(Parting(_shown(name), unit, first_time, *at))
    only = tuple(
        tuple(_shown(name) for name in names if name in one and name not in other)
        for one, other in ((a.columns, b.columns), (b.columns, a.columns))
    )
    titles = tuple(_title(plan) for plan in (first, second))
    return Comparison((titles[0], titles[1]), tuple(partings), (only[0], only[1]))


def _shown(column: str) -> str:
    """The name here for a column of a replay."""
    return column.removesuffix("_total").removeprefix("gate_")


def _title(plan: Plan) -> str:
    return getattr(plan, "file", "") or getattr(plan, "title", "") or "profile"

"""How a held value answers: what each step of a route makes of it, measured on the woven steps."""

from __future__ import annotations

from dataclasses import dataclass, replace
from typing import TYPE_CHECKING, Any

from ..expressions import Block, Names, Word
from ..plan import Axis
from ..plan.steps import Shape
from ..takes import replay
from ..weaving.languages import compiled, function

if TYPE_CHECKING:
    from collections.abc import Callable

    import pandas as pd

    from ..plan import Plan, Route
    from ..takes import Take

SPARE = ("another's x", "another's y")
"""Axes that the other routes drive while one is looked at, so that gates and devices stay what they are."""


def shaped(shape: Shape, *, pair: bool) -> Callable[[float, float], tuple[float, ...]]:
    """A shape as a function of x and y (y is not used for a single value), from its woven steps."""
    block, x, y = Block(Names(["x", "y", "run"])), Word("x"), Word("y")
    results = shape.on_pair(block, x, y) if pair else (shape.on_single(block, x, shape.rest[0]),)
    return compiled(function("run", ["x", "y"], block.statements, results), "run")


def steps_of(shape: Shape) -> dict[str, Shape]:
    """A shape up to each of its steps, in order."""
    found, so_far = {}, Shape()
    for words, field in (
        ("rest", "rest"),
        ("reach", "reach"),
        ("dead zone", "dead_zone"),
        ("curve", "curve"),
    ):
        if getattr(shape, field) != getattr(so_far, field):
            so_far = replace(so_far, **{field: getattr(shape, field)})
            found[words] = so_far
    return found


@dataclass(frozen=True)
class Response:
    """A route's response along its first component: travel and effect as shares, and its slope."""

    travel: list[float]
    effect: list[float]
    slope: list[float]


def response_of(route: Route, points: int = 401) -> Response:
    """Push a held value from rest to its end and see what comes out; the rest is subtracted already."""
    import numpy as np

    function = shaped(replace(route.shape, rest=(0.0, 0.0)), pair=route.source.width == 2)
    travel = [k / (points - 1) for k in range(points)]
    effect = [function(x, 0.0)[0] for x in travel]
    return Response(travel, effect, np.gradient(effect, travel).tolist())


def trace(plan: Plan, route: Route, take: Take, rate: float = 240.0) -> pd.DataFrame:
    """What one route makes of a take, step by step, on one time axis: a row every 1/rate s.

    Columns: ``t`` (s); ``signal`` and, for a held value, one for each step of its shape (shares, along the
    first component); then ``wish`` and ``smoothed``: what it asks of its first axis and what the axis gets,
    a second, gates and scales included. Other routes and all limits are left out.
    """
    import numpy as np

    until = float(np.floor(take.table["t"].max())) + 1.0

    def speed(smoothing: Any) -> Any:
        alone = replace(route, smoothing=smoothing)
        open_axes = tuple(
            replace(axis, low=-np.inf, high=np.inf) if not axis.log else axis for axis in plan.axes
        )
        spare = tuple(Axis(name, unit="") for name in SPARE)
        others = tuple(
            replace(one, drives=SPARE[: len(one.drives)], with_zoom=False, screens=False, pins="")
            for one in plan.routes
            if one.name != route.name and one.effect != "pin"
        )
        whole = replace(plan, routes=(alone, *others), axes=(*open_axes, *spare))
        table = replay(whole, take, rate=rate, until=until)
        axis = next(axis for axis in plan.axes if axis.name == route.drives[0])
        column = table["yaw_total" if axis.name == "yaw" else axis.name]
        value = np.log(column) if axis.log else column
        moved = value if route.effect == "offset" else np.diff(value, prepend=axis.inner(axis.start)) * rate
        return table[["t"]].assign(moved=moved)

    smoothed = speed(route.smoothing)
    table: pd.DataFrame = smoothed[["t"]].copy()
    raw = _held(route, take, table["t"].to_numpy())
    if route.source.signal.held:
        table["signal"] = raw[0]
        for words, shape in steps_of(route.shape).items():
            function = shaped(shape, pair=route.source.width == 2)
            table[words] = [function(x, y)[0] for x, y in zip(*raw, strict=True)]
    return table.assign(wish=speed(None)["moved"], smoothed=smoothed["moved"])


def _held(route: Route, take: Take, t: Any) -> tuple[Any, Any]:
    """What the route's signal last said at each moment: x and y; a single value is x."""
    import numpy as np

    source, parts = route.source, []
    names = (
        [f"{source.signal.name}.{part}" for part in source.components]
        if source.signal.pair
        else [str(source)]
    )
    for name in names:
        rows = take.table[take.table["signal"] == name].sort_values("t", kind="stable")
        place = np.searchsorted(rows["t"].to_numpy(), t) - 1
        values = np.append(rows["value"].to_numpy(dtype=float), 0.0)
        parts.append(values[place])
    return parts[0], parts[1] if len(parts) > 1 else np.zeros(len(t))

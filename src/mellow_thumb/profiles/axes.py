"""Axes in a profile: their forms, and how they are read."""

from __future__ import annotations

from math import inf
from typing import TYPE_CHECKING, Literal

from pydantic import Field

from ..basics import PlanError, nearest
from ..plan import KNOWN, MOVES, Axis
from .forms import (
    UNCLEAR,
    Form,
    Measure,
    Seconds,
    in_unit,
)
from .routes import AxisSmoothingForm

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from .faults import Faults
    from .routes import RouteReader


class AxisForm(Form):
    """An axis: its limits, where it starts, where it rests. Axes of your own state their unit."""

    unit: Literal["deg", "m", "x", ""] | None = Field(
        None,
        description='for an axis of your own: `deg`, `m`, `x` (a factor) or `""`; the known axes have theirs',
    )
    min: Measure | None = Field(
        None,
        description="the least it can be; for the pitch of an `eye`, -90 deg unless stated",
        json_schema_extra=in_unit("the axis's"),
    )
    max: Measure | None = Field(
        None,
        description="the most it can be; for the pitch of an `eye`, 90 deg unless stated",
        json_schema_extra=in_unit("the axis's"),
    )
    start: Measure | None = Field(
        None,
        description="where it starts: `rest` unless stated; `distance` must state it",
        json_schema_extra=in_unit("the axis's"),
    )
    rest: Measure | None = Field(
        None,
        description="where it returns to: 0 (a zoom: 1 x) unless stated",
        json_schema_extra=in_unit("the axis's"),
    )
    return_: Seconds | None = Field(
        None,
        alias="return",
        description="half-life of its return to rest",
        json_schema_extra=in_unit("s, ms"),
    )
    smoothing: AxisSmoothingForm | None = Field(None, description="smooth the axis as a whole")
    around: Literal["start", "subject"] | None = Field(
        None,
        description='what the limits of a yaw are measured from: its `"start"`, or where the `"subject"` '
        "faces, in a mount that measures its yaw from there; needed for a yaw with limits",
    )


class MountAxisForm(AxisForm):
    """An axis as one mount has it: what is not stated is as in `[axes]`."""

    fixed: Measure | None = Field(
        None,
        description="its value here: nothing moves it",
        json_schema_extra=in_unit("the axis's"),
    )


def read_units(faults: Faults, forms: Mapping[str, AxisForm]) -> dict[str, str]:
    """The unit of every axis: the known ones have theirs, the profile's own state it."""
    units = {name: unit for name, (unit, _) in KNOWN.items()}
    for name, form in forms.items():
        if name in KNOWN and form.unit not in (None, units[name]):
            faults.note(("axes", name, "unit"), f'"{form.unit}"', f'"{units[name]}", which {name} has')
        elif name not in KNOWN:
            near = nearest(name, KNOWN)
            if form.unit is None:
                what = "an axis of your own without a unit"
                faults.note_missing(("axes", name), ("unit",), what, 'unit = "deg", "m", "x" or ""', near)
            units[name] = UNCLEAR if faults.wrong(("axes", name, "unit")) else form.unit or ""
    return units


class AxisReader:
    """Reads axes against the routes that drive them."""

    def __init__(self, faults: Faults, reader: RouteReader) -> None:
        self.faults, self.reader = faults, reader

    def read(
        self, default: Axis, form: AxisForm | None, unit: str, path: Path, places: Mapping[str, Path]
    ) -> Axis:
        """An axis; the default one if something is wrong.

        It is at `path`; keys that are written elsewhere, for several mounts, are at `places`.
        """
        name = default.name
        if unit == UNCLEAR:
            return default
        if name in MOVES:
            return self._moving(name, form, path)
        before = len(self.faults.found)
        ways = self.reader.logs.get(name, {})
        if len(ways) > 1:
            self.faults.note(ways[True], "% where other routes add", f"one way: {name} multiplies or it adds")
        log = unit == "x" or True in ways
        neutral = 1.0 if unit == "x" else 0.0
        rest = neutral
        start = begin = default.start or neutral
        low, high = default.low, default.high

        def at(key: str) -> Path:
            return places.get(key, (*path, key))

        if form is not None:
            measure = self.faults.measure
            rest = measure(at("rest"), form.rest, unit, neutral)
            start = measure(at("start"), form.start, unit, rest if form.rest else begin)
            middle = start if form.around == "start" else 0.0
            low = middle + measure(at("min"), form.min, unit, low - middle)
            high = middle + measure(at("max"), form.max, unit, high - middle)
            self._check_around(path, name, form)
        if name == "distance" and (form is None or form.start is None):
            self._lacks(name, path, "start", 'start = "4 m": a distance has no natural one')
            return default
        if log and low in (-inf, 0.0):
            self._lacks(name, path, "min", f"min above 0: {name} multiplies, and must not reach 0")
            return default
        if any(map(self.faults.wrong, (path, *places.values()))) or len(self.faults.found) > before:
            return default
        try:
            easing = form.smoothing if form else None
            eased = self.reader.smoothing(at("smoothing"), easing, "") if easing else None
            back = (form.return_ if form else None) or 0.0
            return Axis(name, start, low, high, unit, log, rest, back, eased)  # type: ignore[arg-type]
        except PlanError as error:
            words = str(error).removeprefix(f"{name}: ")
            key = words.split()[0] if words.split()[0] in ("min", "start", "rest") else ""
            self.faults.note_words((*path, key) if key else path, PlanError(words))
            return default

    def _moving(self, name: str, form: AxisForm | None, path: Path) -> Axis:
        if form is not None:
            self.faults.note(path, "a table for an axis of movement", "none: it goes from -1 to 1")
        return Axis(name, low=-1.0, high=1.0, unit="")

    def _lacks(self, name: str, path: Path, key: str, wanted: str) -> None:
        """Note what an axis lacks, unless a table that may have it is wrong, in [axes] or of a mount."""
        tables = (fault.path for fault in self.faults.found if fault.path[:1] in (("axes",), ("mounts",)))
        if not any(table[0] == "mounts" or table[1:2] in ((), (name,)) for table in tables):
            self.faults.note(path, f"no {key}", wanted)

    def _check_around(self, path: Path, name: str, form: AxisForm) -> None:
        limited = form.min is not None or form.max is not None
        if name == "yaw" and limited and form.around is None:
            wanted = 'around = "start": what they are measured from'
            self.faults.note_missing(path, ("around",), "a yaw with limits", wanted)
        if form.around and (name != "yaw" or not limited):
            self.faults.note((*path, "around"), f'"{form.around}"', "it only with the limits of a yaw")

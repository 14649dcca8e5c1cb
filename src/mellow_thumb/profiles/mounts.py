"""Mounts in a profile: their forms, and how they are read."""

from __future__ import annotations

from dataclasses import fields
from math import inf
from typing import TYPE_CHECKING, Any, Literal

from pydantic import Field

from ..basics import listed, nearest
from ..plan import Axis
from ..plan.mounts import KINDS, Mounted, Return
from .axes import AxisForm, MountAxisForm
from .faults import Faults
from .forms import (
    Conditions,
    Corners,
    Degrees,
    Form,
    Metres,
    MetresASecond,
    Names,
    Offset,
    PitchFactors,
    Returns,
    Seconds,
    in_unit,
)

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    from ..basics import Path
    from ..plan.mounts import Mount
    from .axes import AxisReader
    from .switching import SwitchReader


class MountForm(Form):
    """What every mount may state: when it takes over from the default mount, and which axes are its own."""

    kind: str = Field(description="what it is")
    gate: Conditions | None = Field(None, description="active while this gate is open; written as in a route")
    cue: str | None = Field(
        None,
        description="active from this cue on; given again, the cue goes on to the next mount that names "
        "it, and at last to the default mount",
    )
    priority: int = Field(
        0, ge=-1000, le=1000, description="if the gates of several mounts are open, the highest is active"
    )
    axes: dict[str, dict[str, Any]] = Field(
        {},
        description="how its axes differ, by name: keys of `[axes.NAME]`, or "
        '`{ fixed = "1.4 m" }` for one that does not move here',
    )
    shares: Names = Field(
        (), description="axes that it has in common with the mount it takes over from; others are its own"
    )
    restore: bool = Field(
        True, description="whether its own axes are as they were left when it takes over again, or start over"
    )
    blend: Seconds | None = Field(
        None,
        description="how long the view takes to go over to it; unless stated, as long as the mount that it "
        "takes over from states",
        json_schema_extra=in_unit("s, ms"),
    )


class EyeForm(MountForm):
    """A first-person camera."""

    kind: Literal["eye"] = Field(
        examples=['"eye"'], description="`eye`: it looks where yaw, pitch and roll point"
    )
    height: Metres = Field(
        0.0, ge=-1e6, le=1e6, description="of the camera above the origin", json_schema_extra=in_unit("m, cm")
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )
    turns: Literal["body", "head"] = Field(
        "body",
        description="what turns with the yaw: the `body`, or only the `head`, whose yaw is measured from "
        "where the subject faces",
    )


class OrbitForm(MountForm):
    """A camera around a subject that moves."""

    kind: Literal["orbit"] = Field(
        examples=['"orbit"'], description="`orbit`: `distance` away from the subject, and looking at it"
    )
    offset: Offset = Field(
        (0.0, 0.0, 0.0),
        description='what it looks at, from the subject: `["right", "up", "back"]`, as the view is turned',
        json_schema_extra=in_unit("m, cm"),
    )
    frame: Literal["world", "entry", "subject", "target"] = Field(
        "world",
        description="what yaw and pitch are measured from: `world` (-Z), `entry` (where the subject "
        "faced when the mount took over), `subject` (where it faces now) or `target` (where a second "
        "subject is: locked on)",
    )
    follow_turn: Seconds = Field(
        0.0,
        description="half-life of following the turns of that `subject` or `target`",
        json_schema_extra=in_unit("s, ms"),
    )
    returns: Returns | None = Field(
        None,
        description='back behind the direction of travel: `{ after = "2 s", half_life = "600 ms" }`, so long '
        "after the last hand on the yaw",
        json_schema_extra=in_unit("s, ms"),
    )
    up: Literal["world", "host"] = Field(
        "world", description="which way is up: +Y of the `world`, or what the `host` says"
    )
    follow: Seconds = Field(
        0.0,
        description="half-life of following the subject over the ground; it stays speed x half-life / "
        "0.693 behind",
        json_schema_extra=in_unit("s, ms"),
    )
    follow_up: Seconds = Field(0.0, description="the same up and down", json_schema_extra=in_unit("s, ms"))
    recovers: Seconds = Field(
        0.3,
        description="half-life of going back after an obstacle brought it nearer",
        json_schema_extra=in_unit("s, ms"),
    )
    clearance: Metres = Field(
        0.3,
        description="the least distance from the ground that `view(ground=...)` gives",
        json_schema_extra=in_unit("m, cm"),
    )
    rise: MetresASecond = Field(
        8.0,
        description="the fastest that it is lifted over ground ahead or beside it",
        json_schema_extra=in_unit("m/s, cm/s, km/h"),
    )
    distance_by_pitch: PitchFactors = Field(
        (),
        description='scales the distance by the pitch: `[["-60 deg", 1.5], ["0 deg", 1], '
        '["40 deg", 0.6]]`, joined by a monotone curve',
        json_schema_extra=in_unit("deg, a factor"),
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )


class OverheadForm(MountForm):
    """A view of the ground from above."""

    kind: Literal["overhead"] = Field(
        examples=['"overhead"'], description="`overhead`: `distance` away from the middle of the view"
    )
    frame: Literal["world", "entry", "subject"] = Field(
        "world",
        description="what pans are measured from: `world`, `entry` (where the subject stood when the "
        "mount took over) or `subject` (where it stands now)",
    )
    follow: Seconds = Field(
        0.0,
        description='half-life of following the subject; only with `frame = "subject"`',
        json_schema_extra=in_unit("s, ms"),
    )
    follow_up: Seconds = Field(
        0.2, description="the same for the height of the ground", json_schema_extra=in_unit("s, ms")
    )
    clearance: Metres = Field(
        0.5, description="the camera never comes nearer to the ground", json_schema_extra=in_unit("m, cm")
    )
    rise: MetresASecond = Field(
        8.0,
        description="the fastest that it is lifted over ground ahead or beside it",
        json_schema_extra=in_unit("m/s, cm/s, km/h"),
    )
    bounds: Corners = Field(
        (),
        description='corners `[["x", "y"], …]` of a convex area that the middle of the view stays in, to +X '
        "and to -Z; for a box `min` and `max` of the pans will do",
        json_schema_extra=in_unit("m, cm"),
    )
    field_of_view: Degrees = Field(
        60.0, gt=0, lt=180, description="vertical, at a zoom of 1", json_schema_extra=in_unit("deg")
    )


class FlatForm(MountForm):
    """A flat picture that pans and zooms."""

    kind: Literal["flat"] = Field(examples=['"flat"'], description="`flat`: seen from the front")
    extent: Metres = Field(
        10.0,
        description="what the shorter side of the screen shows at a zoom of 1",
        json_schema_extra=in_unit("m, cm"),
    )
    frame: Literal["world", "entry", "subject"] = Field(
        "world", description="what pans are measured from, as for `overhead`"
    )
    follow: Seconds = Field(
        0.0,
        description='half-life of following the subject; only with `frame = "subject"`',
        json_schema_extra=in_unit("s, ms"),
    )
    bounds: Corners = Field(
        (),
        description="corners of a convex area that the middle of the view stays in, right and up",
        json_schema_extra=in_unit("m, cm"),
    )


class HeadsetForm(MountForm):
    """A camera on a head; `yaw` turns the play space about the head."""

    kind: Literal["headset"] = Field(
        examples=['"headset"'], description="`headset`: the head's own pose, as your game gives it"
    )
    height: Metres = Field(
        0.0,
        description="added to the head's own: for players who sit but should see as if standing",
        json_schema_extra=in_unit("m, cm"),
    )
    field_of_view: Degrees = Field(
        90.0,
        gt=0,
        lt=180,
        description="vertical, for what is drawn without the headset",
        json_schema_extra=in_unit("deg"),
    )
    fade: Seconds = Field(
        0.0,
        description="after a snap `frame.fade` falls from 1 to 0 in this time: how dark to draw the view",
        json_schema_extra=in_unit("s, ms"),
    )
    carry_on: Seconds = Field(
        0.0,
        examples=['"25 ms"'],
        description="how long a pose goes on at its own speed until the next one comes; `0`: it holds",
        json_schema_extra=in_unit("s, ms"),
    )


MOUNTS: dict[str, type[MountForm]] = {
    "eye": EyeForm,
    "orbit": OrbitForm,
    "overhead": OverheadForm,
    "flat": FlatForm,
    "headset": HeadsetForm,
}
"""The form of each kind of mount."""


def _whole(form: MountForm) -> MountForm:
    """A form, with the defaults of its kind for what was wrong in it."""
    wanted = MOUNTS[form.kind or "eye"].model_fields
    missing = {key: field.default for key, field in wanted.items() if getattr(form, key) is None}
    return form.model_copy(update={**missing, "kind": form.kind or "eye"})


def _still(name: str, value: float, unit: str) -> Axis:
    """An axis that never moves; a factor still needs limits."""
    low, high = (value / 2.0, value * 2.0) if unit == "x" else (-inf, inf)
    return Axis(name, value, low, high, unit=unit, rest=value)


class MountReader:
    """Reads mounts, and gives them their axes."""

    def __init__(self, faults: Faults, data: Mapping[str, Any], forms: Mapping[str, MountForm]) -> None:
        self.faults, self.data = faults, data
        self.forms = {name: _whole(form) for name, form in forms.items()}
        self.mounts: dict[str, Mount] = {}
        self._still: dict[str, dict[str, float]] = {}
        for name, form in self.forms.items():
            kind = KINDS[form.kind]
            given = {
                one.name: getattr(form, one.name) for one in fields(kind) if one.init and one.name != "name"
            }
            with faults.catching(("mounts", name)):
                if given.get("returns"):
                    given["returns"] = Return(*given["returns"])
                self.mounts[name] = kind(name, **given)
        self.first = self._first()

    def _first(self) -> str:
        """The default mount; None if there is none."""
        entries = self.data.get("mounts")
        names, wanted = list(entries) if isinstance(entries, dict) else [], str(self.data.get("mount", ""))
        if not names:
            self.faults.note(("mounts",), "no mount", 'a table such as [mounts.eye] with kind = "eye"')
        elif "mount" not in self.data and len(names) == 1:
            (wanted,) = names
        elif "mount" not in self.data:
            words = f'several mounts, but no default; add mount = "{names[0]}" at the top of the file'
            self.faults.note(("mounts", names[1]), "", words)
            return ""
        elif not isinstance(self.data["mount"], str):
            return ""  # told already
        elif wanted not in names:
            known = f"a name in [mounts]: {listed(names)}"
            self.faults.note(("mount",), f'"{wanted}"', known, nearest(wanted, names))
            return ""
        for name in (wanted, *names):
            self._check_order(name, first=name == wanted)
        return wanted if wanted in self.mounts else ""

    def _check_order(self, name: str, *, first: bool) -> None:
        """Check that all mounts but the default have something that makes them take over."""
        form = self.forms.get(name)
        if form is None:
            return
        if first and (form.gate or form.cue or form.shares):
            key = "gate" if form.gate else "cue" if form.cue else "shares"
            words = f"{name} is the default mount, which takes no {key}; remove it"
            self.faults.note(("mounts", name, key), "", words)
        if not first and not (form.gate or form.cue):
            words = 'nothing makes it active; add gate = "NAME" or cue = "NAME"'
            self.faults.note_missing(("mounts", name), ("gate", "cue"), "", words)

    @property
    def order(self) -> list[str]:
        """The mounts, the default one first, the others by name."""
        return [self.first, *sorted(name for name in self.mounts if name != self.first)]

    def names(self, driven: Iterable[str]) -> list[str]:
        """Every axis: those of the first mount, then of the others, if they are named or driven."""
        first = self.mounts[self.first].axes if self.first else {}
        named = self.data.get("axes", {})
        taken = [axis for name in self.order if name for axis in self.mounts[name].axes]
        rest = {*taken, *driven, *(named if isinstance(named, dict) else ()), *self._optional()}
        return [*first, *sorted(rest - set(first))]

    def _optional(self) -> set[str]:
        """Optional axes that a mount mentions."""
        return {
            axis
            for name, one in self.mounts.items()
            for axis in self.forms[name].axes
            if axis in one.optional
        }

    def owner(self, axis: str) -> str:
        """The mount that owns the plan's axis: the first that has it and does not share or fix it."""
        for name in self.order:
            form = self.forms.get(name)
            has = form and axis in self.mounts[name].axes and axis not in form.shares
            if form and has and not any("fixed" in form.axes[one] for one in form.axes if one == axis):
                return name
        return ""

    def axes(self, names: list[str], units: Mapping[str, str], reader: AxisReader) -> tuple[Axis, ...]:
        """The plan's own axes."""
        found = []
        fixed = {axis: value for one in self.order if one for axis, value in self.fixed(one, units).items()}
        for name in (name for name in names if name in units):
            owner = self.owner(name)
            if name in fixed and not owner:
                found.append(_still(name, fixed[name], units[name]))
                continue
            default = self.mounts[owner].axes[name] if owner else Axis(name, unit=units[name])
            found.append(self._axis(default, owner, units[name], reader))
        return tuple(found)

    def _axis(self, default: Axis, owner: str, unit: str, reader: AxisReader) -> Axis:
        """An axis as a mount has it: what `[axes]` says, and what the mount says itself."""
        name = default.name
        tables = self.data.get("axes")
        common = tables.get(name, {}) if isinstance(tables, dict) else {}
        common = common if isinstance(common, dict) else {}
        own = self.forms[owner].axes.get(name, {}) if owner else {}
        heard = Faults()  # what is wrong in [axes] is told there
        heard.form(AxisForm, common, ())
        wrong = {fault.path[0] for fault in heard.found if fault.path}
        right = {key: value for key, value in common.items() if key not in wrong}
        path: Path = ("mounts", owner, "axes", name) if own else ("axes", name)
        places: dict[str, Path] = {key: ("axes", name, key) for key in right if key not in own}
        given = right | own
        frame = self.mounts[owner].frame if owner else "world"
        unclear = self.faults.wrong(("mounts", owner), "frame", "turns")
        if given.get("around") == "subject" and frame == "world" and not unclear:
            wanted = '"start", or a yaw that is measured from the subject: frame, or turns of an eye'
            self.faults.note((*path, "around"), '"subject"', wanted)
        form = self.faults.form(AxisForm, given, path) if given else None
        return reader.read(default, form, unit, path, places)

    def fixed(self, name: str, units: Mapping[str, str]) -> dict[str, float]:
        """The fixed axes of a mount; mentions of axes that it does not have are noted."""
        if name in self._still:
            return self._still[name]
        mount, form, path = self.mounts[name], self.forms[name], ("mounts", name)
        known = (*mount.axes, *mount.optional)
        for axis in form.axes:
            if axis not in known:
                found = f"an axis that {mount.kind} does not have"
                self.faults.note((*path, "axes", axis), found, listed(known), nearest(axis, known))
        self._still[name] = {
            one: self._fixed(name, one, form.axes[one], units[one])
            for one in known
            if "fixed" in form.axes.get(one, {})
        }
        return self._still[name]

    def others(
        self, units: Mapping[str, str], reader: AxisReader, switches: SwitchReader
    ) -> tuple[Mounted, ...]:
        """The mounts that take over."""
        return tuple(self._mounted(name, units, reader, switches) for name in self.order[1:])

    def _mounted(
        self, name: str, units: Mapping[str, str], reader: AxisReader, switches: SwitchReader
    ) -> Mounted:
        mount, form, path = self.mounts[name], self.forms[name], ("mounts", name)
        known, fixed = (*mount.axes, *mount.optional), self.fixed(name, units)
        own = [
            self._axis(mount.axes.get(key, Axis(key, unit=units[key])), name, units[key], reader)
            for key in known
            if (key in mount.axes or key in form.axes)
            and key not in {*fixed, *form.shares}
            and self.owner(key) != name
        ]
        gate = switches.when((*path, "gate"), form.gate)
        with self.faults.catching(path):
            return Mounted(
                mount, gate, form.cue or "", form.priority, tuple(own), tuple(fixed.items()), form.shares,
                form.blend, form.restore,
            )  # fmt: skip
        return Mounted(mount)

    def _fixed(self, name: str, axis: str, table: Mapping[str, Any], unit: str) -> float:
        """The fixed value of an axis."""
        path = ("mounts", name, "axes", axis)
        if len(table) > 1:
            self.faults.note(path, "fixed with other keys", "fixed alone")
        form = self.faults.form(MountAxisForm, {"fixed": table["fixed"]}, path)
        value = self.faults.measure((*path, "fixed"), form.fixed, unit, 0.0)
        if unit == "x" and not value > 0.0:
            self.faults.note((*path, "fixed"), f"{value:g} x", "more than 0 x")
            return 1.0
        return value

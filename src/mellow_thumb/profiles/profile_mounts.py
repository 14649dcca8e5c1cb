"""From the tables of mounts and axes to mounts, each with its axes."""

from __future__ import annotations

from dataclasses import fields
from math import inf
from typing import TYPE_CHECKING, Any

from ..basics import listed, nearest
from ..plan import Axis
from ..plan.mounts import KINDS, Mounted, Return
from .form_mounts import MOUNTS
from .profile_faults import Faults
from .profile_form import AxisForm, MountAxisForm

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    from ..basics import Path
    from ..plan.mounts import Mount
    from .form_mounts import MountForm
    from .profile_axes import AxisReader
    from .profile_switching import SwitchReader


def _whole(form: MountForm) -> MountForm:
    """A form with the defaults of its kind for what was wrong in it."""
    wanted = MOUNTS[form.kind or "eye"].model_fields
    missing = {key: field.default for key, field in wanted.items() if getattr(form, key) is None}
    return form.model_copy(update={**missing, "kind": form.kind or "eye"})


def _still(name: str, value: float, unit: str) -> Axis:
    """An axis that nothing moves anywhere; a factor needs limits, be they never touched."""
    low, high = (value / 2.0, value * 2.0) if unit == "x" else (-inf, inf)
    return Axis(name, value, low, high, unit=unit, rest=value)


class MountReader:
    """Reads mounts, and deals out axes to them."""

    def __init__(self, faults: Faults, data: Mapping[str, Any], forms: Mapping[str, MountForm]) -> None:
        self.faults, self.data = faults, data
        self.forms = {name: _whole(form) for name, form in forms.items()}
        self.mounts: dict[str, Mount] = {}
        self._still: dict[str, dict[str, float]] = {}
        for name, form in self.forms.items():
            kind = KINDS[form.kind]
            given = {one.name: getattr(form, one.name) for one in fields(kind) if one.name != "name"}
            with faults.catching(("mounts", name)):
                if given.get("returns"):
                    given["returns"] = Return(*given["returns"])
                self.mounts[name] = kind(name, **given)
        self.first = self._first()

    def _first(self) -> str:
        """The mount that is in force otherwise; nothing where none is."""
        entries = self.data.get("mounts")
        names, wanted = list(entries) if isinstance(entries, dict) else [], str(self.data.get("mount", ""))
        if not names:
            self.faults.note(("mounts",), "no mount", 'a table such as [mounts.eye] with kind = "eye"')
        elif "mount" in self.data and wanted not in names:
            known = f"a name in [mounts]: {listed(names)}"
            self.faults.note(("mount",), f'"{wanted}"', known, nearest(wanted, names))
        for name in (wanted, *names):
            self._check_order(name, first=name == wanted)
        return wanted if wanted in self.mounts else ""

    def _check_order(self, name: str, *, first: bool) -> None:
        """The mount in force otherwise needs nothing to take over by, the others do."""
        form = self.forms.get(name)
        if form is None:
            return
        if first and (form.gate or form.cue or form.shares):
            key = "gate" if form.gate else "cue" if form.cue else "shares"
            wanted = "none: it is the mount in force when no other is"
            self.faults.note(("mounts", name, key), "one", wanted)
        if not first and not (form.gate or form.cue):
            self.faults.note(
                ("mounts", name), "a second mount with neither", "a gate or a cue that puts it in force"
            )

    @property
    def order(self) -> list[str]:
        """The mounts, the one in force otherwise first, the others by name."""
        return [self.first, *sorted(name for name in self.mounts if name != self.first)]

    def names(self, driven: Iterable[str]) -> list[str]:
        """Every axis: those of the first mount, then of the others, those that are named or driven."""
        first = self.mounts[self.first].axes if self.first else {}
        named = self.data.get("axes", {})
        taken = [axis for name in self.order if name for axis in self.mounts[name].axes]
        rest = {*taken, *driven, *(named if isinstance(named, dict) else ()), *self._optional()}
        return [*first, *sorted(rest - set(first))]

    def _optional(self) -> set[str]:
        """Axes that a mount may have, and has something to say about."""
        return {
            axis
            for name, one in self.mounts.items()
            for axis in self.forms[name].axes
            if axis in one.optional
        }

    def owner(self, axis: str) -> str:
        """The mount whose axis the plan's own one is: the first that has it and does not share or fix it."""
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
        given = right | own
        frame = self.mounts[owner].frame if owner else "world"
        if given.get("around") == "subject" and frame == "world":
            wanted = '"start", or a yaw that is measured from the subject: frame, or turns of an eye'
            self.faults.note((*path, "around"), '"subject"', wanted)
        return reader.read(default, self.faults.form(AxisForm, given, path) if given else None, unit, path)

    def fixed(self, name: str, units: Mapping[str, str]) -> dict[str, float]:
        """The axes that nothing moves in a mount; what it says of axes that it does not have is noted."""
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
        """What an axis is all the time."""
        path = ("mounts", name, "axes", axis)
        if len(table) > 1:
            self.faults.note(path, "fixed with other keys", "fixed alone")
        form = self.faults.form(MountAxisForm, {"fixed": table["fixed"]}, path)
        value = self.faults.measure((*path, "fixed"), form.fixed, unit, 0.0)
        if unit == "x" and not value > 0.0:
            self.faults.note((*path, "fixed"), f"{value:g} x", "more than 0 x")
            return 1.0
        return value

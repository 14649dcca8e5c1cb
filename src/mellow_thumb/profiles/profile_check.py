"""From the data of a profile file to a plan, with every fault on the way."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import PlanError, listed, nearest
from ..plan import Condition, Movement, Plan, check_changeable, excludes
from .form_mounts import MOUNTS, EyeForm, MovementForm
from .form_parts import Form, shown
from .form_switching import CueForm, GateForm, HandsForm, SignalForm
from .form_touches import TouchForm
from .offers import read_offers
from .profile_axes import AxisReader, read_units
from .profile_faults import Fault, Faults
from .profile_form import FORMAT, AxisForm, MouseForm, ProfileForm, RouteForm
from .profile_mounts import MountReader
from .profile_routes import RouteReader
from .profile_switching import SwitchReader
from .profile_touches import read_touch

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from ..plan import Gate, Route

SECTIONS: dict[str, type[Form]] = {
    "gates": GateForm,
    "signals": SignalForm,
    "cues": CueForm,
    "routes": RouteForm,
    "axes": AxisForm,
    "mounts": EyeForm,
    "touch": TouchForm,
}


def resolve(data: dict[str, Any]) -> tuple[Plan | None, str, list[Fault]]:
    """Check a profile's data and make a plan of it; the title; and what is wrong, all of it.

    Each table is checked alone, so that one fault does not hide another.
    """
    return _Resolver(data).resolve()


class _Resolver:
    def __init__(self, data: dict[str, Any]) -> None:
        self.data = data
        self.faults = Faults()

    def resolve(self) -> tuple[Plan | None, str, list[Fault]]:
        head = {
            key: value
            for key, value in self.data.items()
            if key not in (*SECTIONS, "mouse", "hands", "movement", "offers")
        }
        self.faults.form(ProfileForm, head | {"mounts": {}}, ())
        if self.data.get("format") != FORMAT:
            return None, "", self.faults.found[:1]
        mouse = self.faults.form(MouseForm, self.data.get("mouse", {}), ("mouse",)) or MouseForm()
        forms = {name: self.section(name, form) for name, form in SECTIONS.items()}
        mounts = MountReader(self.faults, self.data, forms["mounts"])
        needs = self.faults.form(
            HandsForm, self.data.get("hands", {}), ("hands",)
        ) or HandsForm.model_validate({})
        named = self.names("gates"), self.names("signals")
        switches = SwitchReader(self.faults, *named, mouse, swap_sticks=bool(needs.swap_sticks))
        hands = switches.hands(needs)
        touches = tuple(
            touch
            for name, form in forms["touch"].items()
            if (touch := read_touch(self.faults, switches, name, form))
        )
        derived = [made for name, form in forms["signals"].items() if (made := switches.derived(name, form))]
        gates = [gate for name, form in forms["gates"].items() if (gate := switches.gate(name, form))]
        cues = [cue for name, form in forms["cues"].items() if (cue := switches.cue(name, form))]
        self.check_gates(gates, switches.settings)
        units = read_units(self.faults, forms["axes"])
        reader = RouteReader(self.faults, switches, units, mouse)
        routes = [route for name, form in forms["routes"].items() if (route := reader.read(name, form))]
        driven = [axis for route in routes for axis in route.drives]
        measured = AxisReader(self.faults, reader)
        axes = mounts.axes(mounts.names(driven), units, measured)
        others = mounts.others(units, measured, switches)
        self.check_pairs(routes, forms["routes"])
        movement = self.movement(switches)
        read_offers(self.faults, self.data, list(units))
        if self.faults.found or not mounts.first:
            return None, "", self.faults.found
        try:
            cursor, blend = self.data.get("cursor", "free"), forms["mounts"][mounts.first].blend
            parts = (axes, mounts.mounts[mounts.first], tuple(derived), tuple(cues), hands, cursor)
            fixed = tuple(mounts.fixed(mounts.first, units).items())
            plan = Plan(tuple(routes), tuple(gates), *parts, movement, others, touches, blend, fixed)
            return plan, str(self.data.get("title", "")), []
        except PlanError as error:
            self.faults.note_error((), error)
            return None, "", self.faults.found

    def section(self, name: str, form: type[Form]) -> dict[str, Any]:
        """The entries of a section, each with what is right in it."""
        entries = self.data.get(name, {})
        if not isinstance(entries, dict):
            self.faults.note((name,), shown(entries), f"tables: [{name}.NAME]")
            return {}
        kinds = {key: self.form_of(form, (name, key), value) for key, value in entries.items()}
        checked = {key: self.faults.form(one, entries[key], (name, key)) for key, one in kinds.items() if one}
        return {key: value for key, value in checked.items() if value is not None}

    def form_of(self, form: type[Form], path: Path, value: object) -> type[Form] | None:
        """The form of an entry: that of a mount goes by its kind; nothing for a kind that there is not."""
        kind = value.get("kind") if form is EyeForm and isinstance(value, dict) else None
        if not isinstance(kind, str) or kind in MOUNTS:
            return MOUNTS[kind] if isinstance(kind, str) else form
        known = listed(f'"{one}"' for one in MOUNTS)
        self.faults.note((*path, "kind"), f'"{kind}"', known, nearest(kind, MOUNTS))
        return None

    def names(self, section: str) -> list[str]:
        """Every name that a section gives, right or wrong inside."""
        entries = self.data.get(section)
        return list(entries) if isinstance(entries, dict) else []

    def movement(self, switches: SwitchReader) -> Movement | None:
        """The character, if the profile has one."""
        if "movement" not in self.data:
            return None
        path: Path = ("movement",)
        form = self.faults.form(MovementForm, self.data["movement"], path)
        if form is None or form.speed is None:
            return None
        scales, faces = dict(form.scale or {}), dict(form.face or {"otherwise": "travel"})
        otherwise = faces.pop("otherwise", "travel")
        for key, entries in (("scale", scales), ("face", faces)):
            for name in entries:
                switches.when((*path, key, name), Condition.parse(name))
        with self.faults.catching(path):
            return Movement(
                form.speed,
                form.acceleration if form.acceleration is not None else 20.0,
                form.braking if form.braking is not None else 20.0,
                tuple((Condition.parse(name), factor) for name, factor in sorted(scales.items())),
                form.relative_to or "camera",
                otherwise,
                tuple((Condition.parse(name), face) for name, face in sorted(faces.items())),
                form.turn_rate or 720.0,
            )
        return None

    def check_gates(self, gates: list[Gate], settings: list[str]) -> None:
        """Each gate can open and close; a setting and a gate with a choice are told apart by their names."""
        if len(gates) == len(self.names("gates")):
            try:
                check_changeable(gates)
            except PlanError as error:
                self.faults.note_error((), error)
        for gate in gates:
            if len(gate.choice) > 1 and gate.name in settings:
                what = f'a setting named "{gate.name}" besides'
                self.faults.note(("gates", gate.name, "choice"), what, "another name for one of them")

    # ---- routes together

    def check_pairs(self, routes: list[Route], forms: Mapping[str, RouteForm]) -> None:
        """Two routes of one signal to one axis: by mistake, unless only one listens at a time."""
        alone: dict[tuple[str, str, str], list[Route]] = {}
        for second in (route for route in routes if not forms[route.name].add):
            keys = [(second.source.signal.name, axis, component) for axis, component, _ in second.parts]
            clash = next(
                (
                    (first, key[1])
                    for key in keys
                    for first in alone.get(key, ())
                    if not (first.gate and second.gate and excludes(first.gate, second.gate))
                ),
                None,
            )
            if clash:
                what = f"{second.source} driving {clash[1]}, as in {clash[0].name}"
                wanted = "gates that exclude each other, or add = true"
                self.faults.note(("routes", second.name), what, wanted)
            for key in keys:
                alone.setdefault(key, []).append(second)

"""From the data of a profile file to a plan, with every fault on the way."""

from __future__ import annotations

from math import inf
from typing import TYPE_CHECKING, Any

from .axes import KNOWN, Axis
from .errors import PlanError, listed, nearest
from .form_mounts import MOUNTS, EyeForm, MovementForm, OrbitForm
from .form_parts import Form, shown
from .form_switching import CueForm, GateForm, HandsForm, SignalForm
from .gate_checks import check_changeable, excludes
from .gates import Condition
from .mounts import Eye, Mount, Orbit
from .movement import MOVES, Movement
from .plan import Plan
from .profile_faults import Fault, Faults
from .profile_form import FORMAT, AxisForm, MouseForm, ProfileForm, RouteForm
from .profile_routes import RouteReader
from .profile_switching import SwitchReader

if TYPE_CHECKING:
    from collections.abc import Mapping

    from .gates import Gate
    from .routes import Route
    from .toml_files import Path

SECTIONS: dict[str, type[Form]] = {
    "gates": GateForm,
    "signals": SignalForm,
    "cues": CueForm,
    "routes": RouteForm,
    "axes": AxisForm,
    "mounts": EyeForm,
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
            if key not in (*SECTIONS, "mouse", "hands", "movement")
        }
        self.faults.form(ProfileForm, head | {"mounts": {}}, ())
        if self.data.get("format") != FORMAT:
            return None, "", self.faults.found[:1]
        mouse = self.faults.form(MouseForm, self.data.get("mouse", {}), ("mouse",)) or MouseForm()
        forms = {name: self.section(name, form) for name, form in SECTIONS.items()}
        mount = self.mount(forms["mounts"])
        needs = self.faults.form(
            HandsForm, self.data.get("hands", {}), ("hands",)
        ) or HandsForm.model_validate({})
        named = self.names("gates"), self.names("signals")
        switches = SwitchReader(self.faults, *named, mouse, swap_sticks=bool(needs.swap_sticks))
        hands = switches.hands(needs)
        derived = [made for name, form in forms["signals"].items() if (made := switches.derived(name, form))]
        gates = [gate for name, form in forms["gates"].items() if (gate := switches.gate(name, form))]
        cues = [cue for name, form in forms["cues"].items() if (cue := switches.cue(name, form))]
        self.check_gates(gates, switches.settings)
        units = self.units(forms["axes"])
        reader = RouteReader(self.faults, switches, units, mouse)
        routes = [route for name, form in forms["routes"].items() if (route := reader.read(name, form))]
        taken = (mount or Eye("")).axes
        axes = self.axes(forms["axes"], units, routes, reader, taken)
        self.check_pairs(routes, forms["routes"])
        movement = self.movement(switches)
        if self.faults.found or mount is None:
            return None, "", self.faults.found
        try:
            more = (tuple(derived), tuple(cues), hands, self.data.get("cursor", "free"), movement)
            plan = Plan(tuple(routes), tuple(gates), axes, mount, *more)
            return plan, str(self.data.get("title", "")), []
        except PlanError as error:
            self.faults.note_error(self.blame(str(error)), error)
            return None, "", self.faults.found

    def blame(self, words: str) -> Path:
        """The table that an error of the whole plan speaks of first."""
        said = words.replace(",", "").replace(":", "").split()
        known = [
            (section, word)
            for word in said
            for section in ("routes", "axes", "gates", "cues")
            if word in self.names(section)
        ]
        return known[0] if known else ()

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

    def mount(self, forms: Mapping[str, EyeForm | OrbitForm]) -> Mount | None:
        wanted, names = str(self.data.get("mount", "")), self.names("mounts")
        if not names:
            self.faults.note(("mounts",), "no mount", 'a table such as [mounts.eye] with kind = "eye"')
        elif len(names) > 1:
            self.faults.note(("mounts", names[1]), "a second mount", "one mount in this version")
        elif wanted and wanted not in names:
            known = f"a name in [mounts]: {listed(names)}"
            self.faults.note(("mount",), f'"{wanted}"', known, nearest(wanted, names))
        elif wanted in forms:
            form = forms[wanted]
            if isinstance(form, EyeForm):
                return Eye(wanted, form.height or 0.0, form.field_of_view or 60.0)
            with self.faults.catching(("mounts", wanted)):
                given = {key: value for key, value in form.model_dump().items() if value is not None}
                return Orbit(wanted, **{key: value for key, value in given.items() if key != "kind"})
        return None

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
                self.faults.note_error(self.blame(str(error)), error)
        for gate in gates:
            if len(gate.choice) > 1 and gate.name in settings:
                what = f'a setting named "{gate.name}" besides'
                self.faults.note(("gates", gate.name, "choice"), what, "another name for one of them")

    # ---- axes

    def units(self, forms: Mapping[str, AxisForm]) -> dict[str, str]:
        """The unit of every axis: the known ones have theirs, the profile's own state it."""
        units = {name: unit for name, (unit, _) in KNOWN.items()}
        for name, form in forms.items():
            if name in KNOWN and form.unit not in (None, units[name]):
                self.faults.note(
                    ("axes", name, "unit"), f'"{form.unit}"', f'"{units[name]}", which {name} has'
                )
            elif name not in KNOWN:
                near = nearest(name, KNOWN)
                if form.unit is None:
                    what = "an axis of your own without a unit"
                    self.faults.note(("axes", name), what, 'unit = "deg", "m", "x" or ""', near)
                units[name] = form.unit or ""
        return units

    def axes(
        self,
        forms: Mapping[str, AxisForm],
        units: Mapping[str, str],
        routes: list[Route],
        reader: RouteReader,
        taken: Mapping[str, Axis],
    ) -> tuple[Axis, ...]:
        """The mount's axes, then every other that is named or driven."""
        driven = [axis for route in routes for axis in route.drives]
        names = [*taken, *sorted({*self.names("axes"), *driven} - set(taken))]
        defaults = {name: taken.get(name, Axis(name, unit=units.get(name, ""))) for name in names}
        known = [name for name in names if name in units]
        return tuple(self.axis(defaults[name], forms.get(name), units[name], reader) for name in known)

    def axis(self, default: Axis, form: AxisForm | None, unit: str, reader: RouteReader) -> Axis:
        name = default.name
        path: Path = ("axes", name)
        if name in MOVES:
            if form is not None:
                self.faults.note(path, "a table for an axis of movement", "none: it goes from -1 to 1")
            return Axis(name, low=-1.0, high=1.0, unit="")
        ways = reader.logs.get(name, {})
        if len(ways) > 1:
            self.faults.note(ways[True], "% where other routes add", f"one way: {name} multiplies or it adds")
        log = unit == "x" or True in ways
        neutral = 1.0 if unit == "x" else 0.0
        start = rest = neutral
        low, high = default.low, default.high
        if form is not None:
            measure = self.faults.measure
            rest = measure((*path, "rest"), form.rest, unit, neutral)
            start = measure((*path, "start"), form.start, unit, rest)
            middle = start if form.around else 0.0
            low = middle + measure((*path, "min"), form.min, unit, low - middle)
            high = middle + measure((*path, "max"), form.max, unit, high - middle)
            self.check_around(name, form)
        if name == "distance" and (form is None or form.start is None):
            self.faults.note(path, "no start", 'start = "4 m": a distance has no natural one')
            return default
        if log and low in (-inf, 0.0):
            self.faults.note(path, "no min", f"min above 0: {name} multiplies, and must not reach 0")
            return default
        try:
            easing = form.smoothing if form else None
            eased = reader.smoothing((*path, "smoothing"), easing, "") if easing else None
            back = (form.return_ if form else None) or 0.0
            return Axis(name, start, low, high, unit, log, rest, back, eased)  # type: ignore[arg-type]
        except PlanError as error:
            words = str(error).removeprefix(f"{name}: ")
            key = words.split()[0] if words.split()[0] in ("min", "start", "rest") else ""
            self.faults.note_words((*path, key) if key else path, PlanError(words))
            return default

    def check_around(self, name: str, form: AxisForm) -> None:
        limited = form.min is not None or form.max is not None
        if name == "yaw" and limited and form.around is None:
            self.faults.note(
                ("axes", name), "a yaw with limits", 'around = "start": what they are measured from'
            )
        if form.around and (name != "yaw" or not limited):
            self.faults.note(("axes", name, "around"), '"start"', "it only with the limits of a yaw")

    # ---- routes together

    def check_pairs(self, routes: list[Route], forms: Mapping[str, RouteForm]) -> None:
        """Two routes of one signal to one axis: by mistake, unless only one listens at a time."""
        for place, second in enumerate(routes):
            for first in routes[:place]:
                shared = _shared(first, second)
                if shared and not (forms[first.name].add or forms[second.name].add):
                    what = f"{shared}, as in {first.name}"
                    wanted = "gates that exclude each other, or add = true"
                    self.faults.note(("routes", second.name), what, wanted)


def _shared(first: Route, second: Route) -> str:
    """The axis that both drive with the same component of one signal at the same time."""
    if first.source.signal != second.source.signal:
        return ""
    if first.gate and second.gate and excludes(first.gate, second.gate):
        return ""
    parts = {(axis, component) for axis, component, _ in first.parts}
    both = [(axis, component) for axis, component, _ in second.parts if (axis, component) in parts]
    return f"{second.source} driving {both[0][0]}" if both else ""

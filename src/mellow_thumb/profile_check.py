"""From the data of a profile file to a plan, with every fault on the way."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any, NamedTuple

from pydantic import ValidationError

from .axes import Axis
from .errors import PlanError, SignalError, UnitError, listed, nearest
from .formulas.turning import degrees_per_count
from .gates import Condition, Gate
from .mounts import Eye
from .plan import Plan
from .profile_form import (
    FORMAT,
    AxisForm,
    EyeForm,
    Form,
    GateForm,
    MouseForm,
    ProfileForm,
    RouteForm,
    SmoothingForm,
    keys,
    lenient,
)
from .routes import Route
from .signals import Address, addresses, find_signal
from .units import SENSITIVITIES, Quantity

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    from pydantic_core import ErrorDetails

    from .toml_files import Path


class Fault(NamedTuple):
    """One thing that is wrong, and the path to it."""

    path: Path
    found: str
    expected: str = ""
    hint: str = ""


SECTIONS: dict[str, type[Form]] = {
    "gates": GateForm,
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
        self.faults: list[Fault] = []

    def fault(self, path: Iterable[str | int], found: str, expected: str = "", hint: str = "") -> None:
        self.faults.append(Fault(tuple(path), found, expected, hint))

    def resolve(self) -> tuple[Plan | None, str, list[Fault]]:
        head = {key: value for key, value in self.data.items() if key not in (*SECTIONS, "mouse")}
        self.form(ProfileForm, head | {"mounts": {}}, ())
        mouse = self.form(MouseForm, self.data.get("mouse", {}), ("mouse",)) or MouseForm()
        forms = {name: self.section(name, form) for name, form in SECTIONS.items()}
        if self.data.get("format") != FORMAT:
            return None, "", self.faults[:1]
        mount = self.mount(forms["mounts"])
        gates = [gate for name, form in forms["gates"].items() if (gate := self.gate(name, form))]
        axes = self.axes(forms["axes"])
        routes = [route for name, form in forms["routes"].items() if (route := self.route(name, form, mouse))]
        if self.faults or mount is None:
            return None, "", self.faults
        return Plan(tuple(routes), tuple(gates), axes, mount), str(self.data.get("title", "")), []

    # ---- the form of each table

    def form(self, form: type[Form], data: object, path: Path) -> Any:
        """A table by its form; with the faults noted, what is right in it; nothing where it is no table."""
        try:
            return form.model_validate(data)
        except ValidationError as error:
            details = error.errors(include_url=False)
        self.faults += [_translated(form, detail, path, _raw(data, detail["loc"])) for detail in details]
        wrong = {detail["loc"][0] for detail in details if detail["loc"]}
        if not isinstance(data, dict):
            return None
        return lenient(form).model_validate({key: value for key, value in data.items() if key not in wrong})

    def section(self, name: str, form: type[Form]) -> dict[str, Any]:
        """The entries of a section, each with what is right in it."""
        entries = self.data.get(name, {})
        if not isinstance(entries, dict):
            self.fault((name,), _shown(entries), f"tables: [{name}.NAME]")
            return {}
        checked = {key: self.form(form, value, (name, key)) for key, value in entries.items()}
        return {key: value for key, value in checked.items() if value is not None}

    def names(self, section: str) -> list[str]:
        """Every name that a section gives, right or wrong inside."""
        entries = self.data.get(section)
        return list(entries) if isinstance(entries, dict) else []

    # ---- what each table says

    def mount(self, forms: Mapping[str, EyeForm]) -> Eye | None:
        wanted, names = str(self.data.get("mount", "")), self.names("mounts")
        if not names:
            self.fault(("mounts",), "no mount", 'a table such as [mounts.eye] with kind = "eye"')
        elif len(names) > 1:
            self.fault(("mounts", names[1]), "a second mount", "one mount in this version")
        elif wanted and wanted not in names:
            self.fault(
                ("mount",), f'"{wanted}"', f"a name in [mounts]: {listed(names)}", nearest(wanted, names)
            )
        elif wanted in forms:
            return Eye(wanted, forms[wanted].height or 0.0)
        return None

    def gate(self, name: str, form: GateForm) -> Gate | None:
        held = []
        for place, address in enumerate(form.hold or ()):
            path: Path = ("gates", name, "hold", place) if len(form.hold) > 1 else ("gates", name, "hold")
            found = self.signal(path, address, "switch")
            if found and found.signal.kind != "switch":
                self.fault(path, f"{found}, a {found.signal.kind}", "a switch: something that is held or not")
            elif found:
                held.append(found)
        return Gate(name, tuple(held)) if held and len(held) == len(form.hold) else None

    def signal(self, path: Path, address: str, kind: str | None = None) -> Address | None:
        try:
            return find_signal(address)
        except SignalError:
            known = addresses(kind)
            self.fault(path, f'"{address}"', "a signal of the catalogue", nearest(address, known))
            return None

    def axes(self, forms: Mapping[str, AxisForm]) -> tuple[Axis, ...]:
        for name in self.names("axes"):
            if name not in Eye.axes:
                self.fault(("axes", name), "no such axis", listed(Eye.axes), nearest(name, Eye.axes))
        return tuple(self.axis(default, forms.get(name)) for name, default in Eye.axes.items())

    def axis(self, default: Axis, form: AxisForm | None) -> Axis:
        path: Path = ("axes", default.name)
        if form is None or form.start is None:
            return default
        limited = form.min is not None or form.max is not None
        if default.name == "yaw" and limited and form.around is None:
            self.fault(path, "a yaw with limits", 'around = "start": what they are measured from')
        if form.around and (default.name != "yaw" or not limited):
            self.fault((*path, "around"), '"start"', "it only with the limits of a yaw")
        middle = form.start if form.around else 0.0
        low = default.low if form.min is None else middle + form.min
        high = default.high if form.max is None else middle + form.max
        try:
            return Axis(default.name, form.start, low, high)
        except PlanError as error:
            words = str(error).removeprefix(f"{default.name}: ")
            self.fault((*path, "start" if "start" in words else "min"), words)
            return default

    def route(self, name: str, form: RouteForm, mouse: MouseForm) -> Route | None:
        path: Path = ("routes", name)
        before = len(self.faults)
        drives = form.drives or ()
        source = self.signal((*path, "from"), form.from_) if form.from_ else None
        if source and source.signal.kind == "switch":
            self.fault((*path, "from"), f"{source}, a switch", "a displacement; a switch opens a gate", "")
            source = None
        self.drives(path, drives, source)
        gate = self.condition(path, form.gate)
        for axis in form.invert or ():
            if drives and axis not in drives:
                self.fault((*path, "invert"), f'"{axis}"', f"an axis that it drives: {listed(drives)}")
        gains = self.gains(path, form, source, mouse)
        if source is None or not gains or len(self.faults) > before:
            return None
        half_life = form.smoothing.half_life if form.smoothing else 0.0
        return Route(name, source, drives, gains, gate, half_life)

    def drives(self, path: Path, drives: tuple[str, ...], source: Address | None) -> None:
        for axis in drives:
            if axis not in Eye.axes:
                self.fault(
                    (*path, "drives"), f'"{axis}"', f"an axis: {listed(Eye.axes)}", nearest(axis, Eye.axes)
                )
        if source and drives and source.width != len(drives):
            shape = "a pair, x and y" if source.width == 2 else "one value"
            hint = f"; or take one component: {source}.x" if source.width == 2 else ""
            wanted = "two axes, x first" if source.width == 2 else "one axis"
            self.fault((*path, "drives"), f"{len(drives)} for {source}, which is {shape}", wanted, hint)

    def condition(self, path: Path, text: str | None) -> Condition | None:
        if text is None:
            return None
        condition, gates = Condition.parse(text), self.names("gates")
        if condition.gate not in gates:
            known = listed(gates) if gates else "a name in [gates], which holds none"
            self.fault(
                (*path, "gate"), f'"{condition.gate}"', f"a gate: {known}", nearest(condition.gate, gates)
            )
        return condition

    # ---- sensitivity

    def gains(
        self, path: Path, form: RouteForm, source: Address | None, mouse: MouseForm
    ) -> tuple[float, ...]:
        """Degrees on each axis for one unit of the signal, inversion included."""
        place: Path = (*path, "sensitivity")
        wanted, given = form.drives or (), form.sensitivity
        if given is None:
            return ()
        if not isinstance(given, dict):
            gain = self.gain(place, given, source, mouse)
            return tuple(-gain if axis in (form.invert or ()) else gain for axis in wanted)
        for axis in given:
            if wanted and axis not in wanted:
                hint = nearest(axis, wanted)
                self.fault((*place, axis), f'"{axis}"', f"an axis that it drives: {listed(wanted)}", hint)
        for axis in wanted:
            if axis not in given:
                self.fault(place, f"nothing for {axis}", "a quantity for each axis that it drives")
        gains = {
            axis: self.gain((*place, axis), given[axis], source, mouse) for axis in wanted if axis in given
        }
        return tuple(-gain if axis in (form.invert or ()) else gain for axis, gain in gains.items())

    def gain(self, place: Path, quantity: Quantity, source: Address | None, mouse: MouseForm) -> float:
        try:
            return _degrees_per_unit(quantity, source, mouse)
        except UnitError as error:
            found, _, expected = str(error).partition("; expected ")
            self.fault(place, found, expected)
            return 0.0


def _degrees_per_unit(quantity: Quantity, source: Address | None, mouse: MouseForm) -> float:
    """The gain that a sensitivity stands for; raises :class:`UnitError` where unit and signal do not fit."""
    entry = SENSITIVITIES.get(quantity.unit)
    fitting = [u.unit for u in SENSITIVITIES.values() if source is None or u.per == source.signal.unit]
    if entry is None or (source is not None and entry.unit not in fitting):
        why = _why(quantity.unit, source) or nearest(quantity.unit, fitting)
        raise UnitError(f'"{quantity}"; expected {listed(fitting)}{why}')
    if not entry.smallest <= abs(quantity.value) <= entry.largest:
        between = f"{entry.smallest:g} to {entry.largest:g} {entry.unit}"
        raise UnitError(f'"{quantity}"; expected {between}, or the same negative')
    if entry.unit != "cm/turn":
        return quantity.value
    if mouse.counts_per_cm is None:
        scale = "[mouse] with counts_per_cm (counts an inch / 2.54: 800 gives 315)"
        raise UnitError(f'"{quantity}" without a scale; expected {scale}')
    return degrees_per_count(quantity.value, counts_per_cm=mouse.counts_per_cm)


def _why(unit: str, source: Address | None) -> str:
    """Why a unit that people reach for does not fit, in their terms."""
    if source is None or source.signal.kind != "displacement":
        return ""
    if unit.endswith("/s") and unit.count("/") == 1:
        return (
            f". {source} is a displacement: it already says how far the hand moved, "
            f"so {unit} would make the turn depend on the frame rate"
        )
    return ""


# ---- pydantic's complaints in our words


def _shown(value: object) -> str:
    text = (
        f'"{value}"'
        if isinstance(value, str)
        else str(value).lower()
        if isinstance(value, bool)
        else repr(value)
    )
    return text if len(text) <= 60 else f"{text[:57]}..."


_NOUNS = {
    "string_type": "text in quotes",
    "model_type": "a table",
    "dict_type": "a table",
    "float_type": "a number",
    "float_parsing": "a number",
    "finite_number": "a finite number",
}


def _raw(data: object, path: Path) -> object:
    """What the file has at a path, before any conversion."""
    for part in path:
        data = data[part] if isinstance(data, dict) and part in data else data
    return data


def _translated(form: type[Form], detail: ErrorDetails, path: Path, raw: object) -> Fault:
    """A complaint of pydantic's as a fault."""
    inner = tuple(detail["loc"])
    kind, value, context = detail["type"], detail["input"], detail.get("ctx", {})
    where = (*path, *inner)
    if kind == "missing":
        return Fault(path + inner[:-1], f"no {inner[-1]}", f"{inner[-1]} = ...")
    if kind == "extra_forbidden":
        known = list(keys(SmoothingForm if inner[:-1] == ("smoothing",) else form))
        return Fault(where, "an unknown key", listed(known), nearest(str(inner[-1]), known))
    if kind == "literal_error":
        wanted = str(context.get("expected", "")).replace("'", '"')
        return Fault(where, _shown(value), wanted, nearest(str(value), [wanted.strip('"')]))
    if kind == "value_error":
        found, _, expected = str(context["error"]).partition("; expected ")
        return Fault(where, found.removeprefix("found "), expected)
    if kind in ("greater_than", "greater_than_equal", "less_than", "less_than_equal"):
        return Fault(where, _shown(raw), detail["msg"].removeprefix("Input should be "))
    return Fault(where, _shown(value), _NOUNS.get(kind, detail["msg"].lower()))

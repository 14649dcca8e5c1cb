"""A whole profile: its form, and the way from its data to a plan, with every fault."""

from __future__ import annotations

import re
from typing import TYPE_CHECKING, Any, Literal, NamedTuple

from pydantic import Field

from ..basics import PlanError, listed, nearest
from ..plan import Plan, check_changeable, excludes
from .axes import AxisForm, AxisReader, MountAxisForm, read_units
from .faults import Fault, Faults
from .forms import (
    Form,
    shown,
)
from .mounts import MOUNTS, EyeForm, FlatForm, HeadsetForm, MountForm, MountReader, OrbitForm, OverheadForm
from .movement import MovementForm, read_movement
from .offers import OffersForm, check_renamed, read_offers
from .routes import (
    AxisSmoothingForm,
    CurveForm,
    DeadZoneForm,
    GlideForm,
    MouseForm,
    OneEuroForm,
    RouteForm,
    RouteReader,
    SlowFastForm,
    SmoothingForm,
    SpeedGainForm,
    TurnBoostForm,
)
from .switching import CueForm, GateForm, HandsForm, SignalForm, SwitchReader
from .touches import GestureForm, PadForm, TouchForm, read_touch

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from ..plan import Gate, Route


FORMAT = "mellow-thumb profile 1"
_UNSEEN = re.compile(r"[\x00-\x08\x0b-\x1f\x7f-\x9f\u2028\u2029\u202a-\u202e\u2066-\u2069]")
"""Control characters but tabs and new lines, and what turns the direction of text."""


class ProfileForm(Form):
    """A whole profile."""

    format: Literal["mellow-thumb profile 1"] = Field(
        examples=['"mellow-thumb profile 1"'], description="the version of the format"
    )
    title: str = Field("", description="a name for people")
    mount: str = Field(
        "",
        examples=['"eye"'],
        description="the default mount: a name in `[mounts]`; needed if there are several",
    )
    mouse: MouseForm = Field(MouseForm(), description="facts about the mouse")
    cursor: Literal["free", "hidden", "held"] = Field(
        "free", description="the pointer, unless an open gate says otherwise"
    )
    hands: HandsForm = Field(HandsForm.model_validate({}), description="options for hands that need them")
    gates: dict[str, GateForm] = Field({}, description="named conditions that decide when a route listens")
    signals: dict[str, SignalForm] = Field({}, description="signals made of others: key sets, edges, presses")
    cues: dict[str, CueForm] = Field({}, description="named momentary commands")
    routes: dict[str, RouteForm] = Field({}, description="from a signal to an axis or a pair of axes")
    axes: dict[str, AxisForm] = Field({}, description="limits, starting values, rest; axes of your own")
    movement: MovementForm | None = Field(None, description="a character that walks")
    touch: dict[str, TouchForm] = Field({}, description="what fingers on a touch screen do")
    offers: OffersForm = Field(
        OffersForm.model_validate({}), description="what a player may change, and how far"
    )
    allow: dict[str, str] = Field(
        {},
        description='intended findings of `check`, each with its reason: `"hold-only glassing" = "…"`',
    )
    mounts: dict[str, EyeForm | OrbitForm | OverheadForm | FlatForm | HeadsetForm] = Field(
        description="how axes become a camera pose"
    )


TABLES: dict[str, type[Form]] = {
    "": ProfileForm,
    "mouse": MouseForm,
    "hands": HandsForm,
    "gates.NAME": GateForm,
    "signals.NAME": SignalForm,
    "cues.NAME": CueForm,
    "routes.NAME": RouteForm,
    "routes.NAME.dead_zone": DeadZoneForm,
    "routes.NAME.curve": CurveForm,
    "routes.NAME.turn_boost": TurnBoostForm,
    "routes.NAME.speed_gain": SpeedGainForm,
    "routes.NAME.smoothing": SmoothingForm,
    "routes.NAME.smoothing.one_euro": OneEuroForm,
    "routes.NAME.smoothing.slow_fast": SlowFastForm,
    "routes.NAME.glide": GlideForm,
    "axes.NAME": AxisForm,
    "axes.NAME.smoothing": AxisSmoothingForm,
    "movement": MovementForm,
    "offers": OffersForm,
    "touch.NAME": TouchForm,
    "touch.NAME.drag": GestureForm,
    "touch.NAME.two_finger_drag": GestureForm,
    "touch.NAME.spread": GestureForm,
    "touch.NAME.twist": GestureForm,
    "touch.NAME.thumb_pad": PadForm,
    "mounts.NAME": MountForm,
    "mounts.NAME (eye)": EyeForm,
    "mounts.NAME.axes.NAME": MountAxisForm,
    "mounts.NAME (orbit)": OrbitForm,
    "mounts.NAME (overhead)": OverheadForm,
    "mounts.NAME (flat)": FlatForm,
    "mounts.NAME (headset)": HeadsetForm,
}
"""Every table of a profile, by where it stands."""


SECTIONS: dict[str, type[Form]] = {
    "gates": GateForm,
    "signals": SignalForm,
    "cues": CueForm,
    "routes": RouteForm,
    "axes": AxisForm,
    "mounts": EyeForm,
    "touch": TouchForm,
}


class Resolved(NamedTuple):
    """What a profile's data resolve to."""

    plan: Plan | None
    title: str
    reader: RouteReader | None
    """What read its routes."""
    faults: list[Fault]
    """What is wrong, all of it."""


def resolve(data: dict[str, Any]) -> Resolved:
    """Check a profile's data and make a plan from it.

    Each table is checked alone, so that one fault does not hide another.
    """
    return _Resolver(data).resolve()


class _Resolver:
    def __init__(self, data: dict[str, Any]) -> None:
        self.data = data
        self.faults = Faults()

    def resolve(self) -> Resolved:
        head = {
            key: value
            for key, value in self.data.items()
            if key not in (*SECTIONS, "mouse", "hands", "movement", "offers")
        }
        self.faults.form(ProfileForm, head | {"mounts": {}}, ())
        self.check_words(self.data, ())
        if self.data.get("format") != FORMAT:
            return Resolved(None, "", None, self.faults.found[:1])
        mouse = self.faults.form(MouseForm, self.data.get("mouse", {}), ("mouse",))
        if self.faults.wrong(("mouse",)):
            mouse = MouseForm(counts_per_cm=1.0)  # so that nobody says that it is not there
        forms = {name: self.section(name, form) for name, form in SECTIONS.items()}
        mounts = MountReader(self.faults, self.data, forms["mounts"])
        needs = self.faults.form(
            HandsForm, self.data.get("hands", {}), ("hands",)
        ) or HandsForm.model_validate({})
        gate_names, signal_names, touch_names = map(self.names, ("gates", "signals", "touch"))
        switches = SwitchReader(self.faults, gate_names, signal_names, touch_names, mouse, needs)
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
        movement = read_movement(self.faults, switches, self.data)
        read_offers(self.faults, self.data, list(units))
        check_renamed(self.faults, self.data)
        if self.faults.found or not mounts.first:
            return Resolved(None, "", None, self.faults.found)
        try:
            cursor, blend = self.data.get("cursor", "free"), forms["mounts"][mounts.first].blend
            parts = (axes, mounts.mounts[mounts.first], tuple(derived), tuple(cues), hands, cursor)
            fixed = tuple(mounts.fixed(mounts.first, units).items())
            plan = Plan(tuple(routes), tuple(gates), *parts, movement, others, touches, blend, fixed)
            return Resolved(plan, str(self.data.get("title", "")), reader, [])
        except PlanError as error:
            self.faults.note_error((), error)
            return Resolved(None, "", None, self.faults.found)

    def check_words(self, value: object, path: Path) -> None:
        """Refuse invisible characters in names and texts: they could control a terminal."""
        if isinstance(value, dict):
            for key, one in value.items():
                if _UNSEEN.search(key):
                    self.faults.note(path, f"the name {key!a}", "a name without control characters")
                else:
                    self.check_words(one, (*path, key))
        elif isinstance(value, list):
            for k, one in enumerate(value):
                self.check_words(one, (*path, k))
        elif isinstance(value, str) and _UNSEEN.search(value):
            self.faults.note(path, ascii(value), "text without control characters")

    def section(self, name: str, form: type[Form]) -> dict[str, Any]:
        """A section's entries, each with what is right in it."""
        entries = self.data.get(name, {})
        if not isinstance(entries, dict):
            self.faults.note((name,), shown(entries), f"tables: [{name}.NAME]")
            return {}
        kinds = {key: self.form_of(form, (name, key), value) for key, value in entries.items()}
        checked = {key: self.faults.form(one, entries[key], (name, key)) for key, one in kinds.items() if one}
        return {key: value for key, value in checked.items() if value is not None}

    def form_of(self, form: type[Form], path: Path, value: object) -> type[Form] | None:
        """The form of an entry; a mount's is that of its kind; None for an unknown kind."""
        if form is not EyeForm or not isinstance(value, dict) or "kind" not in value:
            return form
        kind, known = value["kind"], listed(f'"{one}"' for one in MOUNTS)
        if isinstance(kind, str) and kind in MOUNTS:
            return MOUNTS[kind]
        self.faults.note((*path, "kind"), shown(kind), known, nearest(str(kind), MOUNTS))
        return None

    def names(self, section: str) -> list[str]:
        """Every name in a section, whether its table is right or wrong."""
        entries = self.data.get(section)
        return list(entries) if isinstance(entries, dict) else []

    def check_gates(self, gates: list[Gate], settings: list[str]) -> None:
        """Check that gates can open and close, and that settings and choices differ in name."""
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
        """Refuse two routes from one signal to one axis, unless only one listens at a time."""
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

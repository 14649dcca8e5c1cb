"""The form of a profile file: which keys there are, what each takes, its unit and its default.

The rules are pydantic's; the profile's documentation is made from this module.
"""

from __future__ import annotations

from functools import cache
from typing import Annotated, Any, Literal

from pydantic import Field, create_model

from .form_mounts import EyeForm, FlatForm, HeadsetForm, MountForm, MovementForm, OrbitForm, OverheadForm
from .form_offers import OffersForm
from .form_parts import (
    Closing,
    Conditions,
    Edge,
    Form,
    Hertz,
    Measure,
    Names,
    Number,
    PointList,
    Rest,
    Seconds,
    Sensitivity,
    Speed,
    in_unit,
)
from .form_switching import CueForm, GateForm, HandsForm, SignalForm
from .form_touches import GestureForm, PadForm, TouchForm

FORMAT = "mellow-thumb profile 1"


class OneEuroForm(Form):
    """A 1 euro filter (Casiez, Roussel, Vogel, CHI 2012): steady at rest, quick when the value moves fast."""

    cutoff: Hertz = Field(description="cutoff at rest: lower is steadier", json_schema_extra=in_unit("Hz"))
    slope: Number = Field(
        description="how much the cutoff grows with the speed of the value: higher is quicker"
    )
    slope_cutoff: Hertz = Field(1.0, description="cutoff for that speed", json_schema_extra=in_unit("Hz"))


class SlowFastForm(Form):
    """Slow motion is smoothed, fast motion is taken as it is, a mixture between."""

    half_life: Seconds = Field(
        examples=['"35 ms"'], description="of slow motion", json_schema_extra=in_unit("s, ms")
    )
    slow: Speed = Field(
        description="up to here it is slow", json_schema_extra=in_unit("signal/s, or a share")
    )
    fast: Speed = Field(
        description="from here on it is fast", json_schema_extra=in_unit("signal/s, or a share")
    )


class AxisSmoothingForm(Form):
    """How an axis is eased toward its goal: one of these."""

    half_life: Seconds | None = Field(
        None,
        description="exponential: half of what is still to come arrives in this time",
        json_schema_extra=in_unit("s, ms"),
    )
    spring: Seconds | None = Field(
        None,
        description="a critically damped spring: half of a step is made in this time; it begins gently",
        json_schema_extra=in_unit("s, ms"),
    )


class SmoothingForm(AxisSmoothingForm):
    """How the effect of a route is spread over time: one of these. Nothing is ever lost."""

    one_euro: OneEuroForm | None = Field(
        None, description="a 1 euro filter, for held values that turn at a rate"
    )
    slow_fast: SlowFastForm | None = Field(None, description="slow motion smoothed, fast motion direct")


class DeadZoneForm(Form):
    """Where a held value counts as none, and from where on as all."""

    shape: Literal["radial", "axial", "wedge"] = Field(
        "radial",
        description="`radial` acts on the length of a pair and keeps its direction; `axial` on each part; "
        "`wedge` is radial and keeps straight lines straight",
    )
    inner: Edge | None = Field(
        None,
        description="up to this share of travel it is 0; 0 unless stated; of a tilt an angle",
        json_schema_extra=in_unit("share, or deg"),
    )
    outer: Edge | None = Field(
        None,
        description="from this share of travel on it is 1; 1 unless stated; of a tilt an angle, beyond which "
        "nothing is added",
        json_schema_extra=in_unit("share, or deg"),
    )
    wedge: Number = Field(0.1, description="a component up to this share of the other is 0; for `wedge`")


class CurveForm(Form):
    """How a share of travel becomes a share of effect: one of these. All are odd, and 1 at 1."""

    power: Number | None = Field(None, description="the travel to this power, 0.1 to 10")
    blend: Number | None = Field(None, description="0 is a line, 1 a cube, a mixture between")
    points: PointList | None = Field(
        None,
        description="a smooth rising curve through `[travel, effect]` points; [0, 0] and [1, 1] are there",
    )


class SpeedGainForm(Form):
    """More effect for a faster hand."""

    slow: Speed = Field(
        description="up to this speed the factor is 1", json_schema_extra=in_unit("count/s, px/s, …")
    )
    fast: Speed = Field(
        description="from this speed on the factor is 1 + extra",
        json_schema_extra=in_unit("count/s, px/s, …"),
    )
    extra: Number = Field(description="what is added to the factor at full speed")
    half_life: Seconds = Field(
        0.015, description="of the mean that the hand's speed is", json_schema_extra=in_unit("s, ms")
    )


class TurnBoostForm(Form):
    """An extra rate that builds while the stick is held out, and falls at once."""

    past: Number = Field(0.95, description="the share of effect from which on it builds")
    extra: Number = Field(description="the extra rate at its most, as a share of the rate")
    build: Seconds = Field(description="how long it takes to build", json_schema_extra=in_unit("s, ms"))


class GlideForm(Form):
    """How a drag runs out after the fingers lift."""

    half_life: Seconds = Field(
        examples=['"120 ms"'],
        description="half of what is still to come arrives in this time; it begins at the fingers' speed",
        json_schema_extra=in_unit("s, ms"),
    )


class RouteForm(Form):
    """A route: a signal, by way of conditioning, to one axis or a pair of axes."""

    from_: str = Field(
        alias="from",
        examples=['"mouse.move"'],
        description="the signal, or one component of a pair (`mouse.move.x`)",
    )
    drives: Names = Field(
        examples=['["yaw", "pitch"]'], description="the axis, or for a pair the two axes, x first"
    )
    sensitivity: Sensitivity | None = Field(
        None,
        examples=['"0.05 deg/count"'],
        description="what the axis does for one unit of the signal, or at full deflection; a table gives "
        "each axis its own; the sign is yours; needed, but for `move_x` and `move_y`, which take none",
        json_schema_extra=in_unit("see above"),
    )
    invert: Names = Field((), description="axes of this route that go the other way")
    gate: Conditions | None = Field(
        None,
        description='listen only while this gate is open; `"not NAME"` while it is closed; of a list all '
        "must hold, of `{ any = [...] }` one",
    )
    on_close: Closing | None = Field(
        None,
        description='as the gate closes: `"stop"` (rates, unless stated), `"settle"` (all others: what '
        'smoothing owes still arrives) or `{ return = "250 ms" }`: back to where it was as the gate opened',
        json_schema_extra=in_unit("s, ms"),
    )
    needs_fresh_press: bool | None = Field(
        None,
        description="whether what is held as the gate opens must be let go first; keys must, sticks need "
        "not, unless stated",
    )
    zero: Literal["on open"] | None = Field(
        None, description='`"on open"`: a held value is measured from where it is as the gate opens'
    )
    rest: Rest | None = Field(
        None, description="where the device rests: a share of travel, or `[x, y]`; taken off first"
    )
    reach: Literal["disc", "square"] = Field(
        "disc", description="`square` for a stick whose corners reach (1, 1): drawn in to the disc"
    )
    dead_zone: DeadZoneForm | None = Field(None, description="where a held value counts as none, and as all")
    curve: CurveForm | None = Field(None, description="fine near the centre, fast at the rim")
    turn_boost: TurnBoostForm | None = Field(None, description="an extra rate that builds while held out")
    speed_gain: SpeedGainForm | None = Field(None, description="more effect for a faster hand")
    scale: dict[str, Number] = Field(
        {}, description='factors while gates are open: `{ glassing = 0.5 }`; `"not NAME"` while closed'
    )
    scale_with: Literal["zoom"] | None = Field(
        None, description="`zoom`: the same hand moves the picture by the same share at every magnification"
    )
    smoothing: SmoothingForm | None = Field(None, description="spread the effect over time")
    glide: GlideForm | None = Field(
        None, description="let it run out after the fingers lift; a touch stops it; for drags and twists"
    )
    pins: Literal["ground", "pointer"] | None = Field(
        None,
        description='`"ground"`, from `mouse.place` to the pans: what is under the pointer as the gate opens '
        'stays under it; `"pointer"`, to `distance` or `zoom`: it brings nearer what is under the pointer',
    )
    add: bool = Field(
        False, description="let it act on an axis together with another route of the same signal"
    )


class AxisForm(Form):
    """An axis: its limits, where it starts, where it rests. Axes of your own state their unit."""

    unit: Literal["deg", "m", "x", ""] | None = Field(
        None,
        description='of an axis of your own: `deg`, `m`, `x` (a factor) or `""`; the known axes have theirs',
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
        description="what it is at the beginning: `rest` unless stated; `distance` must state it",
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
    smoothing: AxisSmoothingForm | None = Field(None, description="ease it toward its goal")
    around: Literal["start", "subject"] | None = Field(
        None,
        description='what the limits of a yaw are measured from: `"start"`, or, for a mount whose yaw is, '
        'where the `"subject"` faces; needed for a yaw with limits',
    )


class MountAxisForm(AxisForm):
    """An axis as one mount has it: what is not stated is as in `[axes]`."""

    fixed: Measure | None = Field(
        None,
        description="what it is all the time: nothing moves it here",
        json_schema_extra=in_unit("the axis's"),
    )


class MouseForm(Form):
    """What is known of the mouse."""

    counts_per_cm: Number | None = Field(
        default=None,
        gt=0,
        le=1e6,
        description="counts it sends for each cm of travel (800 counts an inch is 315); needed for `cm/turn`",
        json_schema_extra=in_unit("count/cm"),
    )


class ProfileForm(Form):
    """A whole profile."""

    format: Literal["mellow-thumb profile 1"] = Field(
        examples=['"mellow-thumb profile 1"'], description="which rules the file follows"
    )
    title: str = Field("", description="what people call it")
    mount: str = Field(examples=['"eye"'], description="the mount in force: a name in `[mounts]`")
    mouse: MouseForm = Field(MouseForm(), description="what is known of the mouse")
    cursor: Literal["free", "hidden", "held"] = Field(
        "free", description="what becomes of the pointer where no open gate says otherwise"
    )
    hands: HandsForm = Field(HandsForm.model_validate({}), description="what a player's hands may need")
    gates: dict[str, GateForm] = Field({}, description="named conditions that decide when a route listens")
    signals: dict[str, SignalForm] = Field({}, description="signals made of others: key sets, edges, presses")
    cues: dict[str, CueForm] = Field({}, description="named momentary commands")
    routes: dict[str, RouteForm] = Field({}, description="from a signal to an axis or a pair of axes")
    axes: dict[str, AxisForm] = Field({}, description="limits, starting values, rest; axes of your own")
    movement: MovementForm | None = Field(None, description="a character that walks")
    touch: dict[str, TouchForm] = Field({}, description="what fingers on a screen become")
    offers: OffersForm = Field(
        OffersForm.model_validate({}), description="what a player may change, and how far"
    )
    allow: dict[str, str] = Field(
        {}, description='findings of `check` that are meant so, with the reason: `"hold-only glassing" = "…"`'
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


@cache
def lenient(form: type[Form]) -> type[Form]:
    """The same form with every key optional: for the rest of a table of which a part is wrong."""
    fields: dict[str, Any] = {
        name: (Annotated[field.annotation, "", *field.metadata] | None, Field(None, alias=field.alias))
        for name, field in form.model_fields.items()
    }
    return create_model(f"Lenient{form.__name__}", __base__=Form, **fields)


def keys(form: type[Form]) -> dict[str, Any]:
    """The keys of a table as they are written, with their fields."""
    return {field.alias or name: field for name, field in form.model_fields.items()}


def inner_form(form: type[Form], path: tuple[str | int, ...]) -> type[Form]:
    """The form of a table inside a table, by the path from the one to the other."""
    place = next(place for place, one in TABLES.items() if one is form)
    return TABLES.get(".".join([place, *map(str, path)]), form)

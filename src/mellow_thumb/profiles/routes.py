"""Routes in a profile: their forms, and how they are read: signals, units, conditioning, fit."""

from __future__ import annotations

from copy import copy
from typing import TYPE_CHECKING, Any, Literal

from pydantic import Field

from ..basics import (
    PAN,
    Effect,
    PlanError,
    Quantity,
    UnitError,
    convert,
    fitting,
    listed,
    nearest,
    read_sensitivity,
)
from ..plan import MOVES, PANS, Close, Condition, Route, SpeedGain, TurnBoost
from ..plan.steps import (
    Blend,
    Curve,
    DeadZone,
    Exponential,
    OneEuro,
    Points,
    Power,
    Shape,
    SlowFast,
    Smoothing,
    Spring,
)
from .faults import Faults
from .forms import (
    UNCLEAR,
    WAS,
    Closing,
    Conditions,
    Edge,
    Form,
    Hertz,
    Names,
    Number,
    PointList,
    Rest,
    Seconds,
    Sensitivity,
    Speed,
    in_unit,
)

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..basics import Path
    from ..plan import Address
    from .switching import SwitchReader


class OneEuroForm(Form):
    """A 1 euro filter (Casiez, Roussel, Vogel, CHI 2012): steady at rest, quick when the value moves fast."""

    cutoff: Hertz = Field(
        examples=['"1 Hz"'], description="cutoff at rest: lower is steadier", json_schema_extra=in_unit("Hz")
    )
    slope: Number = Field(
        examples=["0.01"],
        description="how much the cutoff rises with the speed of the value: higher is quicker",
    )
    slope_cutoff: Hertz = Field(1.0, description="cutoff for that speed", json_schema_extra=in_unit("Hz"))


class SlowFastForm(Form):
    """Slow motion is smoothed, fast motion is not, with a mixture between."""

    half_life: Seconds = Field(
        examples=['"35 ms"'], description="of slow motion", json_schema_extra=in_unit("s, ms")
    )
    slow: Speed = Field(
        examples=['"4 deg/s"'],
        description="up to here it is slow",
        json_schema_extra=in_unit("signal/s, or a share"),
    )
    fast: Speed = Field(
        examples=['"40 deg/s"'],
        description="from here on it is fast",
        json_schema_extra=in_unit("signal/s, or a share"),
    )


class AxisSmoothingForm(Form):
    """How an axis is smoothed as a whole: one of these."""

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
    """How the effect of a route is spread over time: one of these. Nothing is lost."""

    one_euro: OneEuroForm | None = Field(
        None, description="a 1 euro filter, for held values that turn at a rate"
    )
    slow_fast: SlowFastForm | None = Field(None, description="slow motion smoothed, fast motion direct")


class DeadZoneForm(Form):
    """Where a held value starts to count, and where it counts in full."""

    shape: Literal["radial", "axial", "wedge"] = Field(
        "radial",
        description="`radial` acts on the length of a pair and keeps its direction; `axial` acts on each "
        "component; `wedge` is radial and also keeps straight lines straight",
    )
    inner: Edge | None = Field(
        None,
        description="up to this share of travel the value is 0; 0 unless stated; for a tilt an angle",
        json_schema_extra=in_unit("share, or deg"),
    )
    outer: Edge | None = Field(
        None,
        description="from this share of travel on the value is 1; 1 unless stated; for a tilt an angle",
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
        examples=['"500 count/s"'],
        description="up to this speed the factor is 1",
        json_schema_extra=in_unit("count/s, px/s, …"),
    )
    fast: Speed = Field(
        examples=['"4000 count/s"'],
        description="from this speed on the factor is 1 + extra",
        json_schema_extra=in_unit("count/s, px/s, …"),
    )
    extra: Number = Field(examples=["1.5"], description="what is added to the factor at full speed")
    half_life: Seconds = Field(
        0.015, description="of the mean that measures the hand's speed", json_schema_extra=in_unit("s, ms")
    )


class TurnBoostForm(Form):
    """An extra rate that builds up while the stick is held out, and drops at once."""

    past: Number = Field(0.95, description="the share of effect from which it builds up")
    extra: Number = Field(examples=["0.5"], description="the extra rate at its most, as a share of the rate")
    build: Seconds = Field(
        examples=['"600 ms"'], description="how long it takes to build up", json_schema_extra=in_unit("s, ms")
    )


class GlideForm(Form):
    """How a drag runs on after the fingers lift."""

    half_life: Seconds = Field(
        examples=['"120 ms"'],
        description="half of what is still to come arrives in this time; it begins at the fingers' speed",
        json_schema_extra=in_unit("s, ms"),
    )


class RouteForm(Form):
    """A route: from a signal, through conditioning, to one axis or a pair of axes."""

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
        "each axis its own; negative reverses it; needed, except for `move_x` and `move_y`, which take "
        "none",
        json_schema_extra=in_unit("see above"),
    )
    invert: Names = Field((), description="axes of this route that go the other way")
    was: Names = Field((), description=WAS)
    gate: Conditions | None = Field(
        None,
        description='listen only while this gate is open; `"not NAME"` while it is closed; of a list all '
        "must hold, of `{ any = [...] }` one",
    )
    on_close: Closing | None = Field(
        None,
        description='when the gate closes: `"stop"` (the default of rates), `"settle"` (of all others: what '
        'smoothing holds still arrives) or `{ return = "250 ms" }`: back to where it was when it opened',
        json_schema_extra=in_unit("s, ms"),
    )
    needs_fresh_press: bool | None = Field(
        None,
        description="whether what is held when the gate opens must be let go first; by default keys "
        "must, sticks need not",
    )
    zero: Literal["on open"] | None = Field(
        None, description='`"on open"`: a held value is measured from where it is when the gate opens'
    )
    rest: Rest | None = Field(
        None, description="where the device rests: a share of travel, or `[x, y]`; subtracted first"
    )
    reach: Literal["disc", "square"] = Field(
        "disc", description="`square` for a stick whose corners reach (1, 1): mapped onto the disc"
    )
    dead_zone: DeadZoneForm | None = Field(
        None, description="where a held value starts to count, and where it counts in full"
    )
    curve: CurveForm | None = Field(None, description="fine near the centre, fast at the rim")
    turn_boost: TurnBoostForm | None = Field(None, description="an extra rate that builds up while held out")
    speed_gain: SpeedGainForm | None = Field(None, description="more effect for a faster hand")
    scale: dict[str, Number] = Field(
        {}, description='factors while gates are open: `{ glassing = 0.5 }`; `"not NAME"` while closed'
    )
    scale_with: Literal["zoom"] | None = Field(
        None, description="`zoom`: the same hand moves the picture by the same amount at every magnification"
    )
    smoothing: SmoothingForm | None = Field(None, description="spread the effect over time")
    glide: GlideForm | None = Field(
        None, description="let it run on after the fingers lift; a touch stops it; for drags and twists"
    )
    pins: Literal["ground", "pointer"] | None = Field(
        None,
        description='`"ground"`, from `mouse.place` to the pans: what is under the pointer when the gate '
        'opens stays under it; `"pointer"`, to `distance` or `zoom`: it zooms to what is under the pointer',
    )
    add: bool = Field(
        False, description="let it act on an axis together with another route of the same signal"
    )


class MouseForm(Form):
    """Facts about the mouse."""

    counts_per_cm: Number | None = Field(
        default=None,
        gt=0,
        le=1e6,
        description="counts it sends for each cm of travel (800 counts an inch is 315); needed for `cm/turn`",
        json_schema_extra=in_unit("count/cm"),
    )


DRIVING = ("displacement", "deflection", "ratio", "angle", "rate", "position", "switch")
"""The kinds of signal that a route can be from."""
EXAMPLES = {
    "deg/count": "0.05 deg/count", "deg/px": "0.1 deg/px", "deg/s": "180 deg/s", "deg/deg": "1 deg/deg",
    "deg/screen": "120 deg/screen", "deg/press": "30 deg/press", "m/notch": "0.5 m/notch", "m/s": "3 m/s",
}  # fmt: skip
"""For some units of sensitivity, one to begin with."""
TURN = 360.0
"""The largest tilt there is, in degrees."""


class RouteReader:
    """Reads routes, given what else the profile names: gates, axes with their units, the mouse."""

    def __init__(
        self, faults: Faults, switches: SwitchReader, units: Mapping[str, str], mouse: MouseForm
    ) -> None:
        self.faults, self.switches, self.units, self.mouse = faults, switches, units, mouse
        self.logs: dict[str, dict[bool, Path]] = {}
        """For each axis: where it is driven in per cent, and where not."""

    def read(self, name: str, form: RouteForm) -> Route | None:
        """A route, or None if something is wrong with it."""
        path: Path = ("routes", name)
        drives = form.drives or ()
        given: Any = form.from_  # nothing where what is given was no text
        source = self.switches.signal((*path, "from"), given, *DRIVING) if given is not None else None
        unclear = self.faults.wrong(path, "pins")
        pins = (form.pins == "ground" or unclear) and source is not None and source.signal.kind == "position"
        if source and form.pins == "ground" and not pins:
            wanted = "mouse.place, or a finger's such as touch.1.place: pins holds the ground under a place"
            self.faults.note((*path, "from"), f"{source}, a {source.signal.kind}", wanted)
            source, pins = None, True
        if source and not pins and source.signal.kind in ("position", "fact", "pose"):
            what = {"position": "a place", "pose": "a pose"}.get(source.signal.kind, "a fact")
            hint = {
                "a place": '; for a pointer: pins = "ground", or an edge_zone in [signals]',
                "a pose": "; a pose is taken as it is, by the mount: never smoothed, never scaled",
            }.get(what, "")
            self.faults.note((*path, "from"), f"{source}, {what}", f"something that moves or is held{hint}")
            source = None
        self._check_drives(path, drives, source)
        gate = self.switches.when((*path, "gate"), form.gate)
        for axis in form.invert or ():
            if drives and axis not in drives and not self.faults.wrong(path, "drives"):
                self.faults.note((*path, "invert"), f'"{axis}"', f"an axis that it drives: {listed(drives)}")
        moves, effects = bool(set(drives) & set(MOVES)), list[Effect]()
        if pins:
            effects = self._pins(path, form)
        elif source and drives:
            effects = self._moves(path, form, source) if moves else self._effects(path, form, source)
        scales = [
            (condition, factor)
            for key, factor in (form.scale or {}).items()
            if self.switches.when((*path, "scale", key), condition := Condition.parse(key))
        ]
        if _tilts(source):
            self._check_span(path, form, moves=moves)
        parts = self._conditioning(path, form, source) if source else {}
        if source is None or len(effects) < max(len(drives), 1) or self.faults.wrong(path):
            return None
        span = 1.0
        if _tilts(source) and not moves:  # sensitivities are for a degree, gains for all of it
            span = parts["full"] * (1.0 - parts["shape"].inner)
        with self.faults.catching(path):
            return Route(
                name, source, drives, tuple(effect.amount * span for effect in effects), gate,
                effect=effects[0].kind, scales=tuple(sorted(scales, key=str)),
                with_zoom=form.scale_with == "zoom", fresh=form.needs_fresh_press,
                on_close=Close(*form.on_close) if form.on_close else None,
                zero_on_open=form.zero == "on open", pins=form.pins or "",
                glide=form.glide.half_life if form.glide else 0.0,
                screens=effects[0].screens, **parts,
            )  # fmt: skip
        return None

    def again(self, name: str, table: object) -> Route | None:
        """Read a route again from a changed table; None if something is wrong with it."""
        faults = Faults()
        form = faults.form(RouteForm, table, ("routes", name))
        switches = copy(self.switches)
        switches.faults = faults
        route = RouteReader(faults, switches, self.units, self.mouse).read(name, form) if form else None
        return None if faults.found else route

    def _check_drives(self, path: Path, drives: tuple[str, ...], source: Address | None) -> None:
        for axis in drives:
            if axis not in self.units:
                wanted = f"an axis: {listed(self.units)}, or one of your own in [axes]"
                self.faults.note((*path, "drives"), f'"{axis}"', wanted, nearest(axis, self.units))
        if source and drives and not self.faults.wrong(path, "drives") and source.width != len(drives):
            shape = "a pair, x and y" if source.width == 2 else "one value"
            hint = f"; or take one component: {source}.x" if source.width == 2 else ""
            wanted = "two axes, x first" if source.width == 2 else "one axis"
            self.faults.note((*path, "drives"), f"{len(drives)} for {source}, which is {shape}", wanted, hint)

    # ---- sensitivity

    def _effects(self, path: Path, form: RouteForm, source: Address | None) -> list[Effect]:
        """What the route does to each of its axes, inversion included."""
        place: Path = (*path, "sensitivity")
        wanted, given = form.drives or (), form.sensitivity
        if given is None:
            fits = [fit for axis in wanted[:1] for fit in self._fitting(axis, source)]
            example = EXAMPLES.get(fits[0], f"1 {fits[0]}") if fits else "0.05 deg/count"
            self.faults.note_missing(
                path, ("sensitivity", "drives"), "no sensitivity", f'sensitivity = "{example}"'
            )
            return []
        if isinstance(given, dict) and not self.faults.wrong(path, "drives"):
            for axis in given:
                if wanted and axis not in wanted:
                    known = f"an axis that it drives: {listed(wanted)}"
                    self.faults.note((*place, axis), f'"{axis}"', known, nearest(axis, wanted))
            for axis in wanted:
                if axis not in given:
                    self.faults.note(place, f"nothing for {axis}", "a quantity for each axis that it drives")
        found = []
        for axis in wanted:
            if isinstance(given, Quantity):
                effect = self._effect(place, given, axis, source, once=axis != wanted[0])
            elif axis in given:
                effect = self._effect((*place, axis), given[axis], axis, source)
            else:
                continue
            if effect is None:
                continue
            self.logs.setdefault(axis, {}).setdefault(effect.log, place)
            sign = -1.0 if axis in (form.invert or ()) else 1.0
            found.append(Effect(effect.kind, sign * effect.amount, effect.log, effect.screens))
        if len({(effect.kind, effect.screens) for effect in found}) > 1:
            kinds = {"step": "a step", "rate": "a rate", "offset": "an offset"}
            words = [kinds[effect.kind] + (" in screens" if effect.screens else "") for effect in found]
            self.faults.note(place, listed(words, "and"), "units of one kind")
        return found

    def _pins(self, path: Path, form: RouteForm) -> list[Effect]:
        """The effect of a route that drags the ground with the pointer: nothing by itself."""
        if form.sensitivity is not None:
            self.faults.note((*path, "sensitivity"), "one", "none: what is grabbed stays under the pointer")
        return [Effect("pin", 1.0) for _ in form.drives or ()]

    def _moves(self, path: Path, form: RouteForm, source: Address | None) -> list[Effect]:
        """The effect of a route on movement: its held value, with a sign."""
        if form.sensitivity is not None:
            self.faults.note(
                (*path, "sensitivity"),
                "one",
                "none: move_x and move_y go from -1 to 1; [movement] has the speed",
            )
        if source and not source.signal.held:
            held = "something that is held: a stick, a key set"
            self.faults.note((*path, "from"), f"{source}, a {source.signal.kind}", held)
            return []
        return [Effect("offset", -1.0 if axis in (form.invert or ()) else 1.0) for axis in form.drives]

    def _fitting(self, axis: str, source: Address | None) -> tuple[str, ...]:
        """The units of sensitivity that fit a signal and an axis."""
        if source is None or not self._measured(axis):
            return ()
        return fitting(source.signal.kind, source.signal.unit, PAN if axis in PANS else self.units[axis])

    def _measured(self, axis: str) -> bool:
        """Whether there is such an axis, with a valid unit."""
        return axis in self.units and self.units[axis] != UNCLEAR

    def _effect(
        self, place: Path, quantity: Quantity, axis: str, source: Address | None, *, once: bool = False
    ) -> Effect | None:
        if source is None or not self._measured(axis):
            return None
        signal, unit = source.signal, PAN if axis in PANS else self.units[axis]
        fits = self._fitting(axis, source)
        if not quantity.unit and fits:
            if not once:
                wanted = f'a number and its unit in quotes, such as "{quantity.value:g} {fits[0]}"'
                self.faults.note(place, f"{quantity.value:g}", wanted)
            return None
        try:
            return read_sensitivity(
                quantity, signal.kind, signal.unit, unit, counts_per_cm=self.mouse.counts_per_cm
            )
        except UnitError as error:
            why = _why(quantity.unit, source, fits)
            if not once:
                words = str(error).split("; did you mean")[0] if why else str(error)
                self.faults.note_words(place, UnitError(words + why))
        return None

    # ---- conditioning

    def _conditioning(self, path: Path, form: RouteForm, source: Address | None) -> dict[str, Any]:
        """The parts of a route that have their own forms, if they fit."""
        parts: dict[str, Any] = {}
        unit = f"{source.signal.unit}/s" if source and source.signal.unit else ""
        with self.faults.catching((*path, "smoothing")):
            if form.smoothing:
                parts["smoothing"] = self.smoothing((*path, "smoothing"), form.smoothing, unit)
        with self.faults.catching(path):
            parts["shape"] = self._shape(path, form, source)
            if _tilts(source):
                parts["full"] = self._edges(form, source)[1]
        with self.faults.catching(path):
            if form.speed_gain:
                gain = form.speed_gain
                slow, fast = (
                    self._speed(("speed_gain", key), getattr(gain, key), unit) for key in ("slow", "fast")
                )
                parts["speed_gain"] = SpeedGain(slow, fast, gain.extra, gain.half_life)
        with self.faults.catching(path):
            if form.turn_boost:
                parts["turn_boost"] = TurnBoost(
                    form.turn_boost.past, form.turn_boost.extra, form.turn_boost.build
                )
        return parts

    def _shape(self, path: Path, form: RouteForm, source: Address | None) -> Shape:
        rest = form.rest or (0.0,)
        if source and len(rest) > source.width:
            self.faults.note((*path, "rest"), f"two values for {source}", "one")
        if len(rest) == 1:
            rest = (rest[0], rest[0]) if form.rest else (0.0, 0.0)
        zone = None
        if form.dead_zone:
            edges = form.dead_zone
            wedge = edges.wedge if edges.shape == "wedge" else 0.0
            inner, outer = self._edges(form, source)
            full = outer if _tilts(source) else 1.0
            zone = DeadZone(edges.shape, inner / full, outer / full, wedge)
        return Shape((rest[0], rest[1]), form.reach or "disc", zone, self._curve((*path, "curve"), form))

    def _edges(self, form: RouteForm, source: Address | None) -> tuple[float, float]:
        """The edges of a dead zone: shares of travel, or degrees of a tilt."""
        unit, most = ("deg", TURN) if _tilts(source) else ("", 1.0)
        found = []
        for key, otherwise in (("inner", 0.0), ("outer", most)):
            given = getattr(form.dead_zone, key) if form.dead_zone else None
            try:
                found.append(otherwise if given is None else convert(given, unit))
            except UnitError as error:
                raise UnitError(str(error), path=("dead_zone", key)) from None
        inner, outer = found
        if _tilts(source) and not 0.0 <= inner < outer <= TURN:
            raise PlanError(
                f"dead_zone: found {inner:g} to {outer:g} deg; expected inner below outer, 0 to {TURN:g} deg",
                path=("dead_zone",),
            )
        return inner, outer

    def _check_span(self, path: Path, form: RouteForm, *, moves: bool) -> None:
        """Check that a route that needs the share of a tilt states its full angle."""
        ends = form.dead_zone is not None and form.dead_zone.outer is not None
        for key, asks in (("drives", moves), ("curve", form.curve is not None)):
            if asks and not ends:
                wanted = 'where all of it is reached: dead_zone = { outer = "25 deg" }'
                self.faults.note((*path, key), "a share of a tilt", wanted)

    def _curve(self, path: Path, form: RouteForm) -> Curve | None:
        if form.curve is None:
            return None
        given = {key: value for key, value in form.curve.model_dump().items() if value is not None}
        if len(given) != 1:
            found = listed(given, "and") if given else "nothing"
            ways = type(form.curve).model_fields
            self.faults.note_missing(path, ways, found, f"one of {listed(ways)}")
            return None
        with self.faults.catching(path):
            if form.curve.power is not None:
                return Power(form.curve.power)
            return Points(form.curve.points) if form.curve.points is not None else Blend(given["blend"])
        return None

    def smoothing(self, path: Path, form: Any, unit: str) -> Smoothing | None:
        """One smoothing, of a route or of an axis."""
        given = [key for key in type(form).model_fields if getattr(form, key) is not None]
        if len(given) != 1:
            known = listed(type(form).model_fields)
            found = listed(given, "and") if given else "nothing"
            self.faults.note_missing(path, type(form).model_fields, found, f"one of {known}")
            return None
        if form.half_life is not None:
            return Exponential(form.half_life)
        if form.spring is not None:
            return Spring(form.spring)
        if form.one_euro is not None:
            return OneEuro(form.one_euro.cutoff, form.one_euro.slope, form.one_euro.slope_cutoff)
        slow, fast = (
            self._speed(("slow_fast", key), getattr(form.slow_fast, key), unit) for key in ("slow", "fast")
        )
        return SlowFast(form.slow_fast.half_life, slow, fast)

    @staticmethod
    def _speed(path: Path, quantity: Quantity, unit: str) -> float:
        """A speed in the signal's unit per second; a plain share for a held value."""
        if quantity.unit != unit:
            wanted = f'a speed such as "500 {unit}"' if unit else "a share of full deflection, a plain number"
            raise UnitError(f'found "{quantity}"; expected {wanted}', path=path)
        return quantity.value


def _tilts(source: Address | None) -> bool:
    return source is not None and source.signal.kind == "angle"


def _why(unit: str, source: Address, fits: tuple[str, ...]) -> str:
    """Why a unit that people try does not fit, in their terms."""
    kind, over = source.signal.kind, unit.partition("/")[2]
    if kind == "displacement" and over == "s":
        return (
            f". {source} is a displacement: it already says how far the hand moved, "
            f"so {unit} would make the turn depend on the frame rate"
        )
    if kind == "rate":
        return f". {source} is a rate: how fast the device turns; {fits[0]} is how far the view goes with it"
    if kind in ("deflection", "switch") and over and over != "s":
        return (
            f". {source} is held, and says nothing of how far a hand moved: "
            f"{fits[0]} turns for as long as it is held"
        )
    return ""

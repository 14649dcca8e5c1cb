"""Gates, derived signals, cues and hands in a profile: their forms, and how they are read."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated, Any, Literal

from pydantic import BeforeValidator, Field, WithJsonSchema

from ..basics import Quantity, listed, nearest
from ..plan import (
    CATALOGUE,
    COMPONENTS,
    KEEP,
    LONG,
    WITHIN,
    Address,
    Buttons,
    Cue,
    EdgeZone,
    Gate,
    Hands,
    KeySet,
    Presses,
    Several,
    Travel,
    check_threshold,
    find_signal,
    own_signal,
)
from .forms import (
    WAS,
    WHEN,
    Conditions,
    DegreesASecond,
    Distance,
    Form,
    Margin,
    Names,
    Number,
    Seconds,
    in_unit,
    list_of,
)
from .touches import ScreenLength

if TYPE_CHECKING:
    from collections.abc import Iterable

    from ..basics import Path
    from ..plan import Derived, Signal, When
    from .faults import Faults
    from .routes import MouseForm


def _list(value: object) -> object:
    """A list of conditions, under its key."""
    if not isinstance(value, list):
        raise ValueError(f'found {value!r}; expected a list of gates, such as ["glassing", "not menu"]')
    return value


GateList = Annotated[Conditions, BeforeValidator(_list), WithJsonSchema(list_of(WHEN))]


class ButtonForm(Form):
    """The keys that all buttons have."""

    at: Number | None = Field(
        None, description="how far a stick or a trigger must be pushed to count as held: 0.5 unless stated"
    )
    rearm: Number | None = Field(
        None,
        description="it is let go below this: 0.8 of `at` unless stated, so that a shaky hand can hold it",
    )
    begun_on: str = Field("", description='only presses that began on this count: `feed(..., on="bird")`')
    begun_off: str = Field("", description="only presses that began elsewhere count")
    was: Names = Field((), description=WAS)


class GateForm(ButtonForm):
    """A gate: a named condition. One of hold, toggle, flag, setting, active, all, any."""

    hold: Names | None = Field(
        None, description="open while this switch, or any of these, is held; a stick or a trigger past `at`"
    )
    toggle: Names | None = Field(None, description="one press opens it, the next one closes it")
    flag: str | None = Field(None, description='open while your game says so: `feed("flag.NAME", 1)`')
    setting: str | None = Field(
        None, description="open while the player has chosen it: `session.choose(NAME, True)`"
    )
    active: Literal["desk", "pad", "handheld"] | None = Field(
        None,
        description="open while the player uses this: `desk` (mouse and keyboard), `pad` or `handheld`",
    )
    all: GateList | None = Field(None, description='open while all of these are: `["glassing", "not menu"]`')
    any: GateList | None = Field(None, description="open while any of these is")
    choice: Names | None = Field(
        None,
        description='with `hold`: `["hold", "toggle"]` lets the player choose, the first until then: '
        '`session.choose(NAME, "toggle")`',
    )
    after: Seconds = Field(
        0.0, description="it must last this long before it counts", json_schema_extra=in_unit("s, ms")
    )
    after_travel: Distance | None = Field(
        None,
        description="the mouse must go this far from where it began before it counts",
        json_schema_extra=in_unit("count, cm, px"),
    )
    cursor: Literal["free", "hidden", "held"] | None = Field(
        None, description="the pointer while it is open: `view.cursor`"
    )
    priority: int = Field(0, description="among open gates with a `cursor`, the highest wins")


class SignalForm(ButtonForm):
    """A derived signal: a key set (up, down, left, right, or plus, minus), an edge zone, or presses."""

    up: Names | None = Field(None, description="keys that push up")
    down: Names | None = Field(None, description="keys that push down")
    left: Names | None = Field(None, description="keys that push left")
    right: Names | None = Field(None, description="keys that push right")
    plus: Names | None = Field(None, description="keys that push a single axis to 1")
    minus: Names | None = Field(None, description="keys that push it to -1")
    opposite: Literal["cancel", "newest"] = Field(
        "cancel", description="opposite keys cancel each other, or the one pressed last wins"
    )
    lock: Names | None = Field(
        None, description="keys that keep the current direction until pressed again: a walk lock"
    )
    edge_zone: str | None = Field(
        None, description="`mouse.place`: stronger the nearer the pointer is to the edge"
    )
    margin: Margin | None = Field(
        None,
        description="how deep the zone is, `0.03 screen` unless stated (1: the view's shorter side); by side "
        '`{ left = "12 px", right = "12 px" }`: sides without one have no zone',
        json_schema_extra=in_unit("screen, px, cm"),
    )
    presses: Names | None = Field(
        None,
        description="1 for each press of a switch, or each time one component of a stick passes `at`",
    )


class CueForm(ButtonForm):
    """A cue: a named momentary command."""

    from_: Names = Field(
        alias="from", examples=['"pad.south"'], description="the switch that gives it, or several"
    )
    on: Literal["press", "release", "tap", "double_tap", "long_press"] = Field(
        "press", description="which moment of a press gives it"
    )
    gate: Conditions | None = Field(None, description="presses count only while this gate is open")
    within: Seconds | None = Field(
        None,
        description=f"how short a tap must be, {WITHIN['tap']:g} s unless stated; how soon a second one must "
        f"follow, {WITHIN['double_tap']:g} s",
        json_schema_extra=in_unit("s, ms"),
    )
    after: Seconds = Field(
        LONG, description="how long a long press lasts", json_schema_extra=in_unit("s, ms")
    )
    within_travel: Distance | None = Field(
        None,
        description="the mouse must not move further than this meanwhile: a click, not a drag",
        json_schema_extra=in_unit("count, cm, px"),
    )
    cooldown: Seconds = Field(
        0.0, description="not again within this time of the last", json_schema_extra=in_unit("s, ms")
    )
    keep: Seconds = Field(
        KEEP,
        description="how long `session.take_cue(NAME)` can still take it; 0: in its own frame only",
        json_schema_extra=in_unit("s, ms"),
    )


class HandsForm(Form):
    """Options for hands and stomachs that need them, in the same profile."""

    debounce: Seconds = Field(
        0.0,
        description="a press this soon after a release continues the press before; releases count this "
        "much later",
        json_schema_extra=in_unit("s, ms"),
    )
    min_hold: Seconds = Field(
        0.0, description="a press counts once it has lasted this long", json_schema_extra=in_unit("s, ms")
    )
    turn_cap: DegreesASecond | None = Field(
        None,
        description="the fastest that hands may turn an axis in degrees; the excess is lost",
        json_schema_extra=in_unit("deg/s"),
    )
    reduced_motion: bool = Field(False, description="kicks and shakes at a quarter of their size and time")
    swap_sticks: bool = Field(False, description="swap the left and the right stick, for one-handed players")
    tap_time: Seconds | None = Field(
        None,
        description="the longest that a tap may last: 250 ms for fingers, and for cues, unless stated",
        json_schema_extra=in_unit("s, ms"),
    )
    tap_travel: ScreenLength | None = Field(
        None,
        description="how far a tapping finger may slip: its `after_travel`, or 0.02 screen, unless stated",
        json_schema_extra=in_unit("screen, cm"),
    )
    double_tap_gap: Seconds | None = Field(
        None,
        description="how soon the second tap of a double tap must come; 300 ms unless stated",
        json_schema_extra=in_unit("s, ms"),
    )
    long_press_time: Seconds | None = Field(
        None,
        description="how long a long press must last; 500 ms unless stated",
        json_schema_extra=in_unit("s, ms"),
    )


def _negated(gate: str, names: Iterable[str]) -> str:
    """The message for ``!menu`` and ``no menu``: a gate with another word for "not"."""
    meant = gate.lstrip("!~-").removeprefix("no ").strip()
    return f'; did you mean "not {meant}"?' if meant != gate and meant in names else ""


KINDS_OF_GATE = ("hold", "toggle", "flag", "setting", "active", "all", "any")


WAYS = ("left", "right", "down", "up")


LINE = ("minus", "plus")


SWAPPED = {"left_stick": "right_stick", "right_stick": "left_stick"}


class SwitchReader:
    """Reads gates, signals, cues and hands, given the known signals and gates."""

    def __init__(
        self, faults: Faults, gates: list[str], signals: list[str], touches: list[str],
        mouse: MouseForm, needs: HandsForm,
    ) -> None:  # fmt: skip
        self.faults, self.gate_names, self.signal_names = faults, gates, signals
        self.touch_names = [f"touch.{name}" for name in touches]
        self.mouse, self.needs, self.swap_sticks = mouse, needs, bool(needs.swap_sticks)
        self.made: dict[str, Signal] = {}
        """The derived signals so far, by name."""
        self.settings: list[str] = []

    # ---- signals

    def signal(self, path: Path, address: str, *kinds: str) -> Address | None:
        """Look up a device's or a derived signal; with the sticks swapped if the player wants that."""
        stem, _, part = address.rpartition(".")
        if address in self.made:
            return Address(self.made[address])
        if stem in self.made and part in COMPONENTS and self.made[stem].pair:
            return Address(self.made[stem], part)
        touch = ".".join(address.split(".")[:2])
        broken = touch in self.touch_names and touch not in self.made
        if broken or {address, stem} & set(self.signal_names):
            return None  # it is there, and what is wrong with it is said where it stands
        found = self.faults.signal(path, address, kinds, self.made)
        if found is None or not self.swap_sticks or found.signal.device != "pad":
            return found
        name = found.signal.name
        for one, other in SWAPPED.items():
            if name.removeprefix("pad.").removesuffix("_press") == one:
                return Address(CATALOGUE[name.replace(one, other)], found.component)
        return found

    def _switches(self, path: Path, names: Iterable[str] | None) -> tuple[Address, ...]:
        """Look up switches; wrong ones are noted and left out."""
        found = []
        for name in names or ():
            address = self.signal(path, name, "switch")
            if address and address.signal.kind != "switch":
                what = f"{address}, a {address.signal.kind}"
                self.faults.note(path, what, "a switch: something that is held or not")
            elif address:
                found.append(address)
        return tuple(found)

    def _buttons(self, path: Path, key: str, names: tuple[str, ...], form: ButtonForm) -> Buttons | None:
        before = len(self.faults.found)
        found = []
        for place, name in enumerate(names):
            where: Path = (*path, key, place) if len(names) > 1 else (*path, key)
            address = self.signal(where, name, "switch", "deflection")
            if address and address.signal.kind not in ("switch", "deflection"):
                what = f"{address}, a {address.signal.kind}"
                self.faults.note(where, what, "a switch, or a stick or a trigger: something that is held")
            elif address:
                found.append(address)
        at = 0.5 if form.at is None else form.at
        rearm = 0.8 * at if form.rearm is None else form.rearm
        with self.faults.catching(path):
            check_threshold(at, rearm)
        if len(self.faults.found) > before or len(found) < len(names):
            return None  # a signal that is wrong where it stands is none here
        with self.faults.catching(path):
            return Buttons(tuple(found), at, rearm, form.begun_on or "", form.begun_off or "")
        return None

    def derived(self, name: str, form: SignalForm) -> Derived | None:
        """A derived signal, or None if something is wrong with it."""
        path: Path = ("signals", name)
        if name.partition(".")[0] in ("flag", "choice") or name in CATALOGUE or "." in name:
            self.faults.note(path, f'the name "{name}"', "a plain name of its own, without a dot")
            return None
        given = {key for key in (*WAYS, *LINE) if getattr(form, key)}
        kinds = [
            words
            for words, there in (
                ("up, down, left, right", given & set(WAYS)),
                ("plus, minus", given & set(LINE)),
                ("edge_zone", form.edge_zone),
                ("presses", form.presses),
            )
            if there
        ]
        if len(kinds) != 1:
            found = listed(kinds, "and") if kinds else "nothing that makes a signal"
            wanted = "one of: up, down, left, right; plus, minus; edge_zone; presses"
            self.faults.note_missing(path, (*WAYS, *LINE, "edge_zone", "presses"), found, wanted)
            return None
        before = len(self.faults.found)
        with self.faults.catching(path):
            made = self._make(path, name, form)
            if made and len(self.faults.found) == before:
                self.made[name] = made.signal
                return made
        return None

    def _make(self, path: Path, name: str, form: SignalForm) -> Derived | None:
        if form.presses:
            buttons = self._buttons(path, "presses", form.presses, form)
            return Presses(name, buttons) if buttons else None
        if form.edge_zone:
            place = self.signal((*path, "edge_zone"), form.edge_zone, "position")
            left, right, down, up = form.margin or (Quantity(0.03, "screen"),) * 4
            margins = (left.value, right.value, down.value, up.value)
            units = (left.unit, right.unit, down.unit, up.unit)
            return EdgeZone(name, place, margins, units) if place else None
        ways = WAYS if any(getattr(form, key) for key in WAYS) else LINE
        keys = tuple(self._switches((*path, key), getattr(form, key)) for key in ways)
        return KeySet(name, keys, form.opposite or "cancel", self._switches((*path, "lock"), form.lock))

    # ---- gates

    def gate(self, name: str, form: GateForm) -> Gate | None:
        """A gate, or None if something is wrong with it."""
        path: Path = ("gates", name)
        given = [key for key in KINDS_OF_GATE if getattr(form, key) is not None]
        if len(given) != 1:
            found = listed(given, "and") if given else "nothing that opens it"
            self.faults.note_missing(path, KINDS_OF_GATE, found, f"one of {listed(KINDS_OF_GATE)}")
            return None
        (kind,) = given
        before = len(self.faults.found)
        options: dict[str, Any] = {"after": form.after or 0.0, "cursor": form.cursor or ""}
        options["priority"] = form.priority or 0
        if form.after_travel:
            options["travel"] = self._travel((*path, "after_travel"), form.after_travel)
        if form.choice and kind != "hold":
            self.faults.note((*path, "choice"), f"it with {kind}", "it with hold")
        if kind in ("hold", "toggle"):
            options["buttons"] = self._buttons(path, kind, getattr(form, kind), form)
            options["choice"] = form.choice or (kind,)
        elif kind in ("flag", "setting"):
            options["buttons"] = self._host_switch((*path, kind), kind, getattr(form, kind))
        elif kind == "active":
            options["active"] = form.active
        else:
            options["when"] = self.when((*path, kind), self._joined(form, kind))
        if len(self.faults.found) > before or options.get("buttons", True) is None:
            return None
        with self.faults.catching(path):
            return Gate(name, **options)
        return None

    @staticmethod
    def _joined(form: GateForm, kind: str) -> When:
        when: When = getattr(form, kind)
        return Several(when.parts, kind == "all") if isinstance(when, Several) else when

    def _host_switch(self, path: Path, kind: str, name: str) -> Buttons | None:
        if not name.strip():
            self.faults.note(path, '""', f"the name of a {kind}")
            return None
        if kind == "setting":
            self.settings.append(name)
        return Buttons((Address(own_signal("flag" if kind == "flag" else "choice", name)),))

    def _travel(self, path: Path, quantity: Quantity) -> Travel | None:
        moves = {"count": "mouse.move", "px": "mouse.pixels", "cm": "mouse.move"}
        if quantity.unit not in moves:
            hint = nearest(quantity.unit, moves)
            self.faults.note(path, f'"{quantity}"', f"a distance of {listed(moves)}{hint}")
            return None
        least = quantity.value
        if quantity.unit == "cm":
            if self.mouse.counts_per_cm is None:
                self.faults.note(path, f'"{quantity}" without a scale', "[mouse] with counts_per_cm")
                return None
            least *= self.mouse.counts_per_cm
        with self.faults.catching(path[:-1]):
            return Travel(find_signal(moves[quantity.unit]), least)
        return None

    def when(self, path: Path, when: When | None) -> When | None:
        """A condition, if its gates exist; missing ones are noted."""
        for gate in sorted(when.gates if when else ()):
            if gate not in self.gate_names:
                names = self.gate_names
                known = f"a gate: {listed(names)}" if names else "a gate: a name in [gates], which holds none"
                self.faults.note(path, f'"{gate}"', known, _negated(gate, names) or nearest(gate, names))
        return when

    # ---- cues and hands

    def cue(self, name: str, form: CueForm) -> Cue | None:
        """A cue, or None if something is wrong with it."""
        path: Path = ("cues", name)
        before = len(self.faults.found)
        gate = self.when((*path, "gate"), form.gate)
        buttons = self._buttons(path, "from", form.from_ or (), form) if form.from_ else None
        if buttons is None or len(self.faults.found) > before:
            return None
        on = form.on or "press"
        needs = self.needs
        # what a player needs comes before what the profile says
        wanted = {"tap": needs.tap_time, "double_tap": needs.double_tap_gap}.get(on) or form.within
        within = WITHIN.get(on, WITHIN["tap"]) if wanted is None else wanted
        after = needs.long_press_time or form.after or LONG
        with self.faults.catching(path):
            keep: float | None = form.keep  # 0 is one
            times = (after, form.cooldown or 0.0, KEEP if keep is None else keep)
            travel = form.within_travel and self._travel((*path, "within_travel"), form.within_travel)
            return Cue(name, buttons, on, gate, within, *times, travel or None)
        return None

    def hands(self, form: HandsForm) -> Hands:
        """The options of [hands]."""
        with self.faults.catching(("hands",)):
            cap = float("inf") if form.turn_cap is None else form.turn_cap
            return Hands(form.debounce or 0.0, form.min_hold or 0.0, cap, bool(form.reduced_motion))
        return Hands()

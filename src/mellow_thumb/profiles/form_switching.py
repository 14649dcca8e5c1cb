"""The forms of what switches: gates, derived signals, cues, and what hands may need."""

from __future__ import annotations

from typing import Annotated, Literal

from pydantic import BeforeValidator, Field, WithJsonSchema

from ..plan import LONG, WITHIN
from .form_parts import (
    WHEN,
    Conditions,
    DegreesASecond,
    Distance,
    Form,
    Names,
    Number,
    Screens,
    Seconds,
    in_unit,
    list_of,
)


def _list(value: object) -> object:
    """A list of conditions as one that must be told apart by its key."""
    if not isinstance(value, list):
        raise ValueError(f'found {value!r}; expected a list of gates, such as ["glassing", "not menu"]')
    return value


GateList = Annotated[Conditions, BeforeValidator(_list), WithJsonSchema(list_of(WHEN))]


class ButtonForm(Form):
    """What buttons have in common, wherever they stand."""

    at: Number | None = Field(
        None, description="how far a stick or a trigger must be pushed to count as held: 0.5 unless stated"
    )
    rearm: Number | None = Field(
        None, description="below this it is let go: 0.8 of `at` unless stated, so that a shaky hand holds it"
    )
    begun_on: str = Field(
        "", description='only a press counts that began on what the host calls so: `feed(..., on="bird")`'
    )
    begun_off: str = Field("", description="only a press counts that began elsewhere")


class GateForm(ButtonForm):
    """A gate: a named condition. One of hold, toggle, flag, setting, active, all, any."""

    hold: Names | None = Field(
        None, description="open while this switch is held, or any of these; a stick or a trigger past `at`"
    )
    toggle: Names | None = Field(None, description="each press opens it, the next one closes it")
    flag: str | None = Field(None, description='open while the host says so: `feed("flag.NAME", 1)`')
    setting: str | None = Field(
        None, description="open while the player wants it so: `session.choose(NAME, True)`"
    )
    active: Literal["desk", "pad", "handheld"] | None = Field(
        None,
        description="open while this is what hands use: `desk` (mouse and keyboard), `pad` or `handheld`",
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
        None, description="what becomes of the pointer while it is open: `view.cursor`"
    )
    priority: int = Field(0, description="of several open gates with a cursor the highest has it")


class SignalForm(ButtonForm):
    """A derived signal: a key set (up, down, left, right, or plus, minus), an edge zone, or presses."""

    up: Names | None = Field(None, description="keys that push up")
    down: Names | None = Field(None, description="keys that push down")
    left: Names | None = Field(None, description="keys that push left")
    right: Names | None = Field(None, description="keys that push right")
    plus: Names | None = Field(None, description="keys that push a single axis to 1")
    minus: Names | None = Field(None, description="keys that push it to -1")
    opposite: Literal["cancel", "newest"] = Field(
        "cancel", description="two opposite keys cancel each other, or the one pressed last wins"
    )
    lock: Names | None = Field(
        None, description="keys that keep the direction of the moment until pressed again: a walk lock"
    )
    edge_zone: str | None = Field(
        None, description="`mouse.place`: pushed further the nearer the pointer is to the edge"
    )
    margin: Screens = Field(
        0.03,
        description="how deep the zone is; 1 is the view's shorter side",
        json_schema_extra=in_unit("screen"),
    )
    presses: Names | None = Field(
        None,
        description="1 for each press of a switch, or each time that one component of a stick passes `at`",
    )


class CueForm(ButtonForm):
    """A cue: a named momentary command."""

    from_: Names = Field(
        alias="from", examples=['"pad.south"'], description="the switch that gives it, or several"
    )
    on: Literal["press", "release", "tap", "double_tap", "long_press"] = Field(
        "press", description="the moment of a press at which it is given"
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
    cooldown: Seconds = Field(
        0.0, description="not again within this time of the last", json_schema_extra=in_unit("s, ms")
    )
    keep: Seconds = Field(
        0.0,
        description="for how long the host may still take it: `session.take_cue(NAME)`",
        json_schema_extra=in_unit("s, ms"),
    )


class HandsForm(Form):
    """What hands may need: the same profile for other hands and other stomachs."""

    debounce: Seconds = Field(
        0.0,
        description="a press this soon after a release goes on with the one before; releases count that late",
        json_schema_extra=in_unit("s, ms"),
    )
    min_hold: Seconds = Field(
        0.0, description="a press counts once it has lasted this long", json_schema_extra=in_unit("s, ms")
    )
    turn_cap: DegreesASecond | None = Field(
        None,
        description="no hand turns an axis in degrees faster; what is beyond is lost",
        json_schema_extra=in_unit("deg/s"),
    )
    reduced_motion: bool = Field(False, description="kicks and shakes at a quarter of their size and time")
    swap_sticks: bool = Field(False, description="the left stick for the right one, and back: for one hand")

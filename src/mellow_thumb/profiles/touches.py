"""Touches in a profile: their form, and how they are read."""

from __future__ import annotations

from typing import TYPE_CHECKING, Annotated

from pydantic import BeforeValidator, Field, WithJsonSchema

from ..basics import Quantity, UnitError, listed, parse_quantity
from ..plan import KINDS, NOTHING, TAP, Length, Touch
from .forms import Form, in_unit, list_of, shown, text_in

if TYPE_CHECKING:
    from ..basics import Path
    from .faults import Faults
    from .switching import SwitchReader


def _screen_length(value: object) -> Quantity:
    """A length on the screen: screens or cm."""
    if not isinstance(value, str):
        raise ValueError(f'found {shown(value)}; expected a length such as "0.15 cm" or "0.02 screen"')
    try:
        found = parse_quantity(value, "screen")
    except UnitError as error:
        raise ValueError(str(error)) from None
    if found.unit not in ("screen", "cm"):
        raise ValueError(f'found "{value}"; expected screen or cm')
    return found


def _region(value: object) -> tuple[float, ...]:
    """Four shares of the screen: left, bottom, right, top."""
    numbers = value if isinstance(value, list) else []
    if len(numbers) != 4 or not all(type(one) in (int, float) for one in numbers):
        raise ValueError(f"found {shown(value)}; expected [left, bottom, right, top], each 0 to 1")
    return tuple(map(float, numbers))


def _centre(value: object) -> tuple[float, ...] | None:
    """The centre of a pad: where a finger lands, or a place."""
    if value == "landing":
        return None
    numbers = value if isinstance(value, list) else []
    if len(numbers) != 2 or not all(type(one) in (int, float) and 0.0 <= one <= 1.0 for one in numbers):
        raise ValueError(f'found {shown(value)}; expected "landing" or a place [x, y], each 0 to 1')
    return tuple(map(float, numbers))


_SHARE = {"type": "number", "minimum": 0, "maximum": 1}


_CENTRE = {"anyOf": [{"const": "landing"}, list_of(_SHARE, 2, 2)]}


ScreenLength = Annotated[Quantity, BeforeValidator(_screen_length), WithJsonSchema(text_in("screen", "cm"))]


Region = Annotated[tuple[float, ...], BeforeValidator(_region), WithJsonSchema(list_of(_SHARE, 4, 4))]


Centre = Annotated[tuple[float, ...] | None, BeforeValidator(_centre), WithJsonSchema(_CENTRE)]


class GestureForm(Form):
    """Fingers that drag, spread or twist."""

    region: Region = Field(
        (0.0, 0.0, 1.0, 1.0),
        description="where a finger must land: `[left, bottom, right, top]`, each 0 to 1 of the screen",
    )
    starts_on: str = Field("", description="what it must begin on, by your game's name for it")
    after_travel: ScreenLength | None = Field(
        None,
        description="nothing moves before a finger has moved this far; that travel is dropped, without a "
        "jump",
        json_schema_extra=in_unit("screen, cm"),
    )


class PadForm(GestureForm):
    """A thumb stick on the glass: one finger holds it, at its rim it is pushed fully."""

    radius: ScreenLength = Field(
        examples=['"1.1 cm"'],
        description="from its middle to its rim",
        json_schema_extra=in_unit("screen, cm"),
    )
    centre: Centre = Field(
        None, description='its middle: `"landing"`, where the finger lands, or a place `[x, y]`'
    )
    follows: bool = Field(False, description="whether its middle follows a finger beyond the rim")


class TouchForm(Form):
    """What fingers on a part of the screen do: one of these; `touch.NAME` for routes and gates."""

    drag: GestureForm | None = Field(None, description="one finger: a displacement in screens")
    two_finger_drag: GestureForm | None = Field(None, description="two fingers: the same, of their middle")
    spread: GestureForm | None = Field(None, description="two fingers: a factor, above 1 as they go apart")
    twist: GestureForm | None = Field(None, description="two fingers: degrees, clockwise")
    thumb_pad: PadForm | None = Field(None, description="one finger: a deflection, like a stick")
    priority: int = Field(
        0, ge=-1000, le=1000, description="if several touches could have a finger, the highest gets it"
    )


def read_touch(faults: Faults, switches: SwitchReader, name: str, form: TouchForm) -> Touch | None:
    """A touch, or None if something is wrong with it; its signals are known from here on."""
    path: Path = ("touch", name)
    given = [kind for kind in KINDS if getattr(form, kind) is not None]
    if name.isdigit() or "." in name:
        faults.note(path, f'the name "{name}"', "a name with a letter in it, without a dot")
        return None
    if len(given) != 1:
        found = listed(given, "and") if given else "nothing that fingers do"
        faults.note_missing(path, KINDS, found, f"one of {listed(KINDS)}")
        return None
    gesture, kind = getattr(form, given[0]), given[0]
    with faults.catching((*path, kind)):
        touch = Touch(
            name,
            kind,
            gesture.region or (0.0, 0.0, 1.0, 1.0),
            gesture.starts_on or "",
            form.priority or 0,
            _length(gesture.after_travel),
            _length(getattr(gesture, "radius", None)),
            getattr(gesture, "centre", None),
            bool(getattr(gesture, "follows", False)),
            switches.needs.tap_time or TAP,
            _length(switches.needs.tap_travel),
        )
        switches.made |= {signal.name: signal for signal in touch.signals}
        return touch
    return None


def _length(quantity: Quantity | None) -> Length:
    return Length(quantity.value, quantity.unit) if quantity else NOTHING

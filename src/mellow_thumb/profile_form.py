"""The form of a profile file: which keys there are, what each takes, its unit and its default.

The rules are pydantic's; the profile's documentation is made from this module.
"""

from __future__ import annotations

from functools import cache
from typing import Annotated, Any, Literal

from pydantic import BaseModel, BeforeValidator, ConfigDict, Field, create_model

from .errors import UnitError, listed
from .units import Quantity, convert, known_units, parse_quantity

FORMAT = "mellow-thumb profile 1"


def _shown(value: object) -> str:
    return (
        f'"{value}"'
        if isinstance(value, str)
        else f"{value!r}".lower()
        if isinstance(value, bool)
        else f"{value!r}"
    )


def _quantity(value: object) -> Quantity:
    if not isinstance(value, str):
        raise ValueError(
            f'found {_shown(value)}; expected a number and its unit in quotes, such as "0.05 deg/count"'
        )
    return parse_quantity(value)


def _in(unit: str) -> BeforeValidator:
    def check(value: object) -> float:
        if not isinstance(value, str):
            example = f'"{value} {unit}"' if isinstance(value, int | float) else f'"1 {unit}"'
            raise ValueError(
                f"found {_shown(value)}; expected a number and its unit in quotes, such as {example}"
            )
        try:
            return convert(parse_quantity(value, unit), unit)
        except UnitError as error:
            raise ValueError(str(error)) from None

    check.__doc__ = f"A quantity of {listed(known_units(unit))}, as a number of {unit}."
    return BeforeValidator(check)


def _one_or_more(value: object) -> tuple[str, ...]:
    names = [value] if isinstance(value, str) else value
    if not isinstance(names, list) or not names or not all(isinstance(name, str) for name in names):
        raise ValueError(f"found {_shown(value)}; expected a name in quotes, or a list of them")
    if len(set(names)) < len(names):
        raise ValueError(f"found {_shown(value)}; expected each name once")
    return tuple(names)


def _sensitivity(value: object) -> Quantity | dict[str, Quantity]:
    if isinstance(value, dict):
        if not value:
            raise ValueError(
                'found {}; expected a quantity for each axis, such as { yaw = "0.05 deg/count" }'
            )
        return {axis: _quantity(one) for axis, one in value.items()}
    return _quantity(value)


def _gate(value: object) -> str:
    if not isinstance(value, str) or not value.strip():
        raise ValueError(f'found {_shown(value)}; expected a gate in quotes: "NAME" or "not NAME"')
    return value


Names = Annotated[tuple[str, ...], BeforeValidator(_one_or_more)]
Degrees = Annotated[float, _in("deg")]
Seconds = Annotated[float, _in("s")]
Metres = Annotated[float, _in("m")]


class Form(BaseModel):
    """A table of a profile: strict, with no room for keys that nobody reads."""

    model_config = ConfigDict(extra="forbid", strict=True, frozen=True)


class SmoothingForm(Form):
    """How the effect of a route is spread over time."""

    half_life: Seconds = Field(
        gt=0,
        le=10,
        description="time in which half of what is still to come arrives; no count is ever lost",
        json_schema_extra={"unit": "s, ms"},
    )


class RouteForm(Form):
    """A route: a signal, by way of conditioning, to one axis or a pair of axes."""

    from_: str = Field(alias="from", description="the signal, or one component of a pair (`mouse.move.x`)")
    drives: Names = Field(description="the axis, or for a pair the two axes, x first")
    sensitivity: Annotated[Quantity | dict[str, Quantity], BeforeValidator(_sensitivity)] = Field(
        description="how far the axis goes for one unit of the signal; a table gives each axis its own; "
        "the sign is yours",
        json_schema_extra={"unit": "deg/count, cm/turn"},
    )
    invert: Annotated[tuple[str, ...], BeforeValidator(_one_or_more)] = Field(
        (), description="axes of this route that go the other way"
    )
    gate: Annotated[str, BeforeValidator(_gate)] | None = Field(
        None, description='listen only while this gate is open; `"not NAME"` while it is closed'
    )
    smoothing: SmoothingForm | None = Field(None, description="spread the effect over time")


class GateForm(Form):
    """A gate: a named condition."""

    hold: Names = Field(description="open while this switch is held; with several, while any of them is")


class AxisForm(Form):
    """An axis: its limits and where it starts."""

    min: Degrees | None = Field(
        None,
        description="the least it can be; for the pitch of an `eye`, -90 deg unless stated",
        json_schema_extra={"unit": "deg"},
    )
    max: Degrees | None = Field(
        None,
        description="the most it can be; for the pitch of an `eye`, 90 deg unless stated",
        json_schema_extra={"unit": "deg"},
    )
    start: Degrees = Field(0.0, description="what it is at the beginning", json_schema_extra={"unit": "deg"})
    around: Literal["start"] | None = Field(
        None,
        description='what the limits of a yaw are measured from: `"start"`; needed for a yaw with limits',
    )


class EyeForm(Form):
    """A first-person camera."""

    kind: Literal["eye"] = Field(description="`eye`: it looks where yaw, pitch and roll point")
    height: Metres = Field(
        0.0,
        ge=-1e6,
        le=1e6,
        description="of the camera above the origin",
        json_schema_extra={"unit": "m, cm"},
    )


class MouseForm(Form):
    """What is known of the mouse."""

    counts_per_cm: Annotated[float, Field(strict=False)] | None = Field(
        default=None,
        gt=0,
        le=1e6,
        allow_inf_nan=False,
        description="counts it sends for each cm of travel (800 counts an inch is 315); needed for `cm/turn`",
        json_schema_extra={"unit": "count/cm"},
    )


class ProfileForm(Form):
    """A whole profile."""

    format: Literal["mellow-thumb profile 1"] = Field(description="which rules the file follows")
    title: str = Field("", description="what people call it")
    mount: str = Field(description="the mount in force: a name in `[mounts]`")
    mouse: MouseForm = Field(MouseForm(), description="what is known of the mouse")
    gates: dict[str, GateForm] = Field({}, description="named conditions that decide when a route listens")
    routes: dict[str, RouteForm] = Field({}, description="from a signal to an axis or a pair of axes")
    axes: dict[str, AxisForm] = Field({}, description="limits and starting values")
    mounts: dict[str, EyeForm] = Field(description="how axes become a camera pose")


TABLES: dict[str, type[Form]] = {
    "": ProfileForm,
    "mouse": MouseForm,
    "gates.NAME": GateForm,
    "routes.NAME": RouteForm,
    "routes.NAME.smoothing": SmoothingForm,
    "axes.NAME": AxisForm,
    "mounts.NAME": EyeForm,
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

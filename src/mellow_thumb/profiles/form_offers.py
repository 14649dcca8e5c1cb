"""The form of what a profile offers to its players."""

from __future__ import annotations

from typing import Annotated

from pydantic import BeforeValidator, Field, WithJsonSchema

from .form_parts import POINT, Form, Names, in_unit, shown


def _span(value: object) -> tuple[float, float]:
    """The least and the most: two rising numbers."""
    numbers = value if isinstance(value, list) else []
    if len(numbers) != 2 or not all(isinstance(n, int | float) and not isinstance(n, bool) for n in numbers):
        raise ValueError(f"found {shown(value)}; expected the least and the most, such as [0.2, 5]")
    least, most = map(float, numbers)
    if not 0.0 <= least < most < 1e6:
        raise ValueError(f"found {shown(value)}; expected a rising pair from 0, such as [0.2, 5]")
    return least, most


Span = Annotated[tuple[float, float], BeforeValidator(_span), WithJsonSchema(POINT)]


class OffersForm(Form):
    """What a player may change, and how far; a gate with a `choice` offers that by itself."""

    sensitivity: dict[str, Span] = Field(
        {},
        description="routes, each with the least and the most that its sensitivity may be multiplied by: "
        "`{ look = [0.2, 5] }`",
        json_schema_extra=in_unit("factor"),
    )
    dead_zone: dict[str, Span] = Field(
        {},
        description="routes, each with the least and the most that its inner dead zone may be",
        json_schema_extra=in_unit("share"),
    )
    invert: Names = Field((), description="axes that may be inverted, for each family of devices by itself")
    hands: Names = Field((), description='options of `[hands]`: `["reduced_motion", "turn_cap"]`')
    buttons: dict[str, Names] = Field(
        {},
        description="gates, cues and signals, each with what may carry it: signals, or all of a device: "
        '`{ hop = ["key.*", "pad.*"], "steps.up" = ["key.*"] }`',
    )

"""What a profile and a player's sheet look like, as JSON Schema, so that editors complete and check them."""

from __future__ import annotations

import json
import tomllib
from typing import TYPE_CHECKING, Any

from pydantic.json_schema import GenerateJsonSchema, models_json_schema

from ..basics import made_folder, replacing
from ..plan import addresses
from .axes import MountAxisForm
from .forms import NUMBER, TEXT, list_of
from .sheets import FORMAT, inverting
from .switching import HandsForm
from .whole import ProfileForm

if TYPE_CHECKING:
    import os
    from collections.abc import Iterable
    from pathlib import Path

    from pydantic.json_schema import JsonSchemaValue
    from pydantic_core import core_schema

    from .profile import Profile

DIALECT = "https://json-schema.org/draft/2020-12/schema"
NAMES = ("mellow-thumb-profile.schema.json", "mellow-thumb-sheet.schema.json")
"""The files that :func:`write_schemas` writes."""


_SIGNAL = {"$ref": "#/$defs/Signal"}
_SIGNALS = {
    "GateForm": ("hold", "toggle"),
    "SignalForm": ("up", "down", "left", "right", "plus", "minus", "lock", "presses"),
    "CueForm": ("from",),
}
"""Keys that take signals: editors offer the catalogue, and allow those of the profile's own."""


class _Toml(GenerateJsonSchema):
    """A form's schema for TOML, which has no null; keys get no titles."""

    def nullable_schema(self, schema: core_schema.NullableSchema) -> JsonSchemaValue:
        return self.generate_inner(schema["schema"])

    def default_schema(self, schema: core_schema.WithDefaultSchema) -> JsonSchemaValue:
        inner = self.generate_inner(schema["schema"])
        default = schema.get("default")
        plain = isinstance(default, bool | int | float | str) and default != ""
        return inner | {"default": default} if plain and "$ref" not in inner else inner

    def field_title_should_be_set(self, schema: object) -> bool:
        del schema
        return False


def profile_schema() -> dict[str, Any]:
    """The form of every profile, as JSON Schema 2020-12.

    It knows keys, types and units; what hangs together across tables, such as a route's axes, is for
    ``mellow-thumb check``.
    """
    forms = [(ProfileForm, "validation"), (MountAxisForm, "validation")]
    _, schema = models_json_schema(forms, schema_generator=_Toml)  # type: ignore[arg-type]
    tables = schema["$defs"]
    for name, table in tables.items():
        table.pop("title", None)
        if name.removesuffix("Form") in ("Eye", "Orbit", "Overhead", "Flat", "Headset"):
            table["properties"]["axes"]["additionalProperties"] = {"$ref": "#/$defs/MountAxisForm"}
        for key, value in table.get("properties", {}).items():
            if "examples" in value:  # as the documentation shows them, with their quotes
                value["examples"] = [tomllib.loads(f"x = {one}")["x"] for one in value["examples"]]
            if key in _SIGNALS.get(name, ()):
                value.update({"anyOf": [_SIGNAL, list_of(_SIGNAL) | {"uniqueItems": True}]})
    route = tables["RouteForm"]["properties"]["from"]
    route.pop("type")
    route |= _SIGNAL
    tables["Signal"] = {"anyOf": [{"enum": list(addresses())}, TEXT]}
    whole = tables.pop("ProfileForm")
    return {"$schema": DIALECT, "title": "Mellow Thumb profile", **whole, "$defs": tables}


def sheet_schema(profile: Profile | None = None) -> dict[str, Any]:
    """The form of a player's sheet, as JSON Schema 2020-12; with what a profile offers, if one is given."""
    hands = _hands()
    if profile is None:
        buttons = _buttons(addresses())
        tables = {
            "sensitivity": _any_name(NUMBER),
            "invert": _any_name(list_of(TEXT, 0)),
            "dead_zone": _any_name(NUMBER),
            "choice": _any_name({"enum": ["hold", "toggle"]}),
            "hands": _names(hands),
            "buttons": _any_name(buttons),
        }
    else:
        offers = profile.offers
        axes = list_of({"enum": list(offers.invert)}, 0)
        tables = {
            "sensitivity": _names({name: _between(*span) for name, span in offers.sensitivity.items()}),
            "invert": _names({one: axes for one in inverting(profile) if offers.invert}),
            "dead_zone": _names({name: _between(*span) for name, span in offers.dead_zone.items()}),
            "choice": _names({name: {"enum": list(ways)} for name, ways in offers.choices.items()}),
            "hands": _names({name: hands[name] for name in offers.hands}),
            "buttons": _names({one: _buttons(offers.carriers(one)) for one in offers.buttons}),
        }
    return {
        "$schema": DIALECT,
        "title": "Mellow Thumb player sheet",
        "type": "object",
        "properties": {"format": {"const": FORMAT}, "profile": {"type": "string"}, **tables},
        "required": ["format"],
    }


def write_schemas(folder: str | os.PathLike[str], profile: Profile | None = None) -> tuple[Path, ...]:
    """Write both into a folder, by the names in `NAMES`; it is made if it is not there.

    Raises :class:`OutputError` where that cannot be.
    """
    texts = [json.dumps(one, indent=1) + "\n" for one in (profile_schema(), sheet_schema(profile))]
    made = made_folder(folder)
    paths = tuple(made / name for name in NAMES)
    for path, text in zip(paths, texts, strict=True):
        with replacing(path) as fresh:
            fresh.write_text(text, encoding="utf-8")
    return paths


def _hands() -> dict[str, Any]:
    """What each option of [hands] takes."""
    properties: dict[str, Any] = HandsForm.model_json_schema(schema_generator=_Toml)["properties"]
    return properties


def _buttons(names: Iterable[str]) -> dict[str, Any]:
    one = {"enum": list(names)}
    return {"anyOf": [one, list_of(one)]}


def _between(least: float, most: float) -> dict[str, Any]:
    return {"type": "number", "minimum": least, "maximum": most}


def _any_name(value: dict[str, Any]) -> dict[str, Any]:
    return {"type": "object", "additionalProperties": value}


def _names(values: dict[str, Any]) -> dict[str, Any]:
    return {"type": "object", "properties": values, "additionalProperties": False}

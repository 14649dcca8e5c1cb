"""What a profile offers its players: its form, and how it is read."""

from __future__ import annotations

from dataclasses import dataclass, field
from fnmatch import fnmatchcase
from typing import TYPE_CHECKING, Annotated, Any

from pydantic import BeforeValidator, Field, WithJsonSchema

from ..basics import listed, nearest
from ..plan import DEVICES, addresses, find_signal
from .forms import POINT, Form, Names, in_unit, shown
from .switching import HandsForm

if TYPE_CHECKING:
    from collections.abc import Mapping

    from .faults import Faults


def _span(value: object) -> tuple[float, float]:
    """The least and the greatest: two rising numbers."""
    numbers = value if isinstance(value, list) else []
    if len(numbers) != 2 or not all(isinstance(n, int | float) and not isinstance(n, bool) for n in numbers):
        raise ValueError(f"found {shown(value)}; expected the least and the greatest, such as [0.2, 5]")
    least, most = map(float, numbers)
    if not 0.0 <= least < most < 1e6:
        raise ValueError(f"found {shown(value)}; expected a rising pair from 0, such as [0.2, 5]")
    return least, most


RangeValue = Annotated[tuple[float, float], BeforeValidator(_span), WithJsonSchema(POINT)]


class OffersForm(Form):
    """What a player may change, and how far; a gate with a `choice` offers that too."""

    sensitivity: dict[str, RangeValue] = Field(
        {},
        description="routes, axes of routes and devices, each with the least and the greatest "
        'factor of its sensitivity: `{ look = [0.2, 5], "look.pitch" = [0.5, 2], mouse = [0.2, 5] }`',
        json_schema_extra=in_unit("factor"),
    )
    dead_zone: dict[str, RangeValue] = Field(
        {},
        description="routes, each with the smallest and the largest inner dead zone",
        json_schema_extra=in_unit("share"),
    )
    invert: Names = Field(
        (), description="axes that may be inverted, separately for each family of devices, device or route"
    )
    hands: Names = Field((), description='options of `[hands]`: `["reduced_motion", "turn_cap"]`')
    buttons: dict[str, Names] = Field(
        {},
        description="gates, cues and signals, each with the buttons that may be used: signals, or all of "
        "a device: "
        '`{ hop = ["key.*", "pad.*"], "steps.up" = ["key.*"] }`',
    )


Range = tuple[float, float]
WAYS = ("up", "down", "left", "right", "plus", "minus")
"""The parts of a signal that buttons carry."""


@dataclass(frozen=True)
class Offers:
    """What a player may change: ranges, axes, options, and what may carry a button."""

    sensitivity: Mapping[str, Range] = field(default_factory=dict)
    """For a route, an axis of one or a device: the least and the most that it may be multiplied by."""
    dead_zone: Mapping[str, Range] = field(default_factory=dict)
    """For a route: the least and the most that its inner dead zone may be."""
    invert: tuple[str, ...] = ()
    hands: tuple[str, ...] = ()
    buttons: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    """For a gate, a cue or a part of a signal: the signals that may carry it, with * for all of a device."""
    choices: Mapping[str, tuple[str, ...]] = field(default_factory=dict)
    """For a gate: how its presses may work."""

    def carries(self, name: str, address: str) -> bool:
        """Whether a signal may carry a button."""
        return any(fnmatchcase(address, pattern) for pattern in self.buttons.get(name, ()))

    def carriers(self, name: str) -> tuple[str, ...]:
        """Every signal that may carry a button."""
        found = [one for one in addresses() if self.carries(name, one)]
        kinds = ("switch", "deflection")
        return tuple(one for one in found if (a := find_signal(one)).signal.kind in kinds and a.width == 1)


def tables(data: Mapping[str, Any], name: str) -> dict[str, dict[str, Any]]:
    """The tables inside a table of a profile's data; anything else is left out, as the forms report it."""
    table = data.get(name)
    items = table.items() if isinstance(table, dict) else ()
    return {key: value for key, value in items if isinstance(value, dict)}


def places(data: Mapping[str, Any]) -> dict[str, tuple[str, ...]]:
    """The places of buttons in a profile's data, by their names in offers and sheets."""
    found: dict[str, tuple[str, ...]] = {}
    for name, gate in tables(data, "gates").items():
        found |= dict.fromkeys([name], ("gates", name, "hold")) if "hold" in gate else {}
        found |= dict.fromkeys([name], ("gates", name, "toggle")) if "toggle" in gate else {}
    found |= {name: ("cues", name, "from") for name in tables(data, "cues")}
    for name, signal in tables(data, "signals").items():
        if "presses" in signal:
            found[name] = ("signals", name, "presses")
        for way in WAYS:
            if way in signal:
                found[f"{name}.{way}"] = ("signals", name, way)
    return found


def carriers(data: Mapping[str, Any]) -> dict[str, list[str]]:
    """For each signal, the names of the gates, cues and signal parts that it carries."""
    found: dict[str, list[str]] = {}
    for name, path in places(data).items():
        table: Any = data
        for key in path:
            table = table[key]
        for address in [table] if isinstance(table, str) else table:
            found.setdefault(address, []).append(name)
    return found


_KINDS = {
    "sensitivity": ("routes",), "dead_zone": ("routes",), "invert": ("routes",), "choice": ("gates",),
    "buttons": ("gates", "cues", "signals"),
}  # fmt: skip
"""For a table of a sheet, the tables of a profile whose names it has."""


def renamed(data: Mapping[str, Any], section: str) -> dict[str, str]:
    """For a table of a sheet: old names, each with its name now."""
    found: dict[str, str] = {}
    for kind in _KINDS.get(section, ()):
        for name, table in tables(data, kind).items():
            was = table.get("was", ())
            inner = {"signals": WAYS, "routes": _names_in(table)}.get(kind, ())
            parts = ["", *(f".{part}" for part in inner)]
            for old in [was] if isinstance(was, str) else was:
                found |= {f"{old}{part}": f"{name}{part}" for part in parts}
    return found


def check_renamed(faults: Faults, data: Mapping[str, Any]) -> None:
    """Check that no old name is another's name, or another's old name."""
    for kind in ("routes", "gates", "cues", "signals"):
        there = tables(data, kind)
        owner: dict[str, str] = {}
        for name, table in there.items():
            was = table.get("was", ())
            for old in [was] if isinstance(was, str) else was if isinstance(was, list) else ():
                if old in there:
                    faults.note((kind, name, "was"), f'"{old}"', f"a name that none of [{kind}] has now")
                elif old in owner:
                    faults.note(
                        (kind, name, "was"), f'"{old}"', f"a name that {owner[old]} does not claim too"
                    )
                owner.setdefault(old, name)


def _names_in(route: Mapping[str, Any]) -> list[str]:
    """The axes that a route's table names."""
    drives = route.get("drives")
    several = drives if isinstance(drives, list) else [drives]
    return [one for one in several if isinstance(one, str)]


def read_offers(faults: Faults, data: Mapping[str, Any], axes: list[str]) -> Offers:
    """Read the [offers] of a profile's data; what is wrong with it is noted."""
    form = faults.form(OffersForm, data.get("offers", {}), ("offers",)) or OffersForm.model_validate({})
    routes = list(tables(data, "routes"))
    by_axis = [
        f"{name}.{axis}" for name, route in tables(data, "routes").items() for axis in _names_in(route)
    ]
    known = {
        "sensitivity": ([*routes, *by_axis, *DEVICES], "a route, an axis of one, or a device"),
        "dead_zone": (list(routes), "a route"),
        "invert": (axes, "an axis"),
        "hands": (list(HandsForm.model_fields), "an option of [hands]"),
        "buttons": (list(places(data)), "a gate, a cue, or a part of a signal"),
    }
    for key, (names, what) in known.items():
        for name in getattr(form, key) or ():
            if name not in names:
                wanted = f"{what}: {listed(names)}" if names else f"{what}, of which there is none"
                path = ("offers", key) if key in ("invert", "hands") else ("offers", key, name)
                faults.note(path, f'"{name}"', wanted, nearest(name, names))
    for name, patterns in (form.buttons or {}).items():
        for pattern in patterns:
            if not any(fnmatchcase(address, pattern) for address in addresses()):
                wanted = "a signal, or all of a device: key.*"
                hint = nearest(pattern, addresses())
                faults.note(("offers", "buttons", name), f'"{pattern}"', wanted, hint)
    offered = {name: gate.get("choice") for name, gate in tables(data, "gates").items()}
    choices = {name: tuple(to) for name, to in offered.items() if isinstance(to, list) and len(to) > 1}
    return Offers(
        dict(form.sensitivity or {}), dict(form.dead_zone or {}), tuple(form.invert or ()),
        tuple(form.hands or ()), dict(form.buttons or {}), choices,
    )  # fmt: skip

"""Laying what a player chose over a profile's data."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import parse_quantity
from .offers import places
from .switching import HandsForm

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

    from .profile import Profile


def copied(routes: Mapping[str, dict[str, Any]]) -> dict[str, dict[str, Any]]:
    """A copy of routes, two tables deep; what is deeper is still the profile's."""
    return {
        name: {key: dict(one) if isinstance(one, dict) else one for key, one in table.items()}
        for name, table in routes.items()
    }


def _lay_sensitivity(data: dict[str, Any], profile: Profile, name: str, factor: float) -> None:
    routes, (whole, _, axis) = data["routes"], name.rpartition(".")
    if name in routes:
        _scale(routes[name], factor)
    elif whole in routes:
        given = routes[whole].get("sensitivity")
        one = next(route for route in profile.routes if route.name == whole)
        each = dict(given) if isinstance(given, dict) else dict.fromkeys(one.drives, given)
        routes[whole]["sensitivity"] = each | {axis: _times(each[axis], factor)}
    else:
        for route in profile.routes:
            if name in profile.devices_of(route):
                _scale(routes[route.name], factor)


def _scale(route: dict[str, Any], factor: float) -> None:
    """Multiply a route's sensitivity, for each of its axes."""
    given = route.get("sensitivity")
    if isinstance(given, dict):
        route["sensitivity"] = {axis: _times(one, factor) for axis, one in given.items()}
    elif given is not None:
        route["sensitivity"] = _times(given, factor)


def _times(quantity: str, factor: float) -> str:
    """A sensitivity times a factor; travel for a turn is divided by it."""
    one = parse_quantity(quantity)
    value = one.value / factor if one.unit == "cm/turn" else one.value * factor
    return f"{value!r} {one.unit}"


def _lay_dead_zone(data: dict[str, Any], _: Profile, name: str, inner: float) -> None:
    data["routes"][name].setdefault("dead_zone", {})["inner"] = inner


def _lay_invert(data: dict[str, Any], profile: Profile, name: str, axes: list[str]) -> None:
    for route in profile.routes:
        if name not in (route.name, *profile.devices_of(route), *profile.families_of(route)):
            continue
        # from what the profile says: what is said of a route counts in place of what is said of its device
        before = profile.data["routes"][route.name].get("invert", [])
        before = [before] if isinstance(before, str) else list(before)
        ours = [axis for axis in axes if axis in route.drives]
        after = [axis for axis in before if axis not in ours] + [axis for axis in ours if axis not in before]
        table = data["routes"][route.name]
        table.pop("invert", None)
        table |= {"invert": after} if after else {}


def _lay_choice(data: dict[str, Any], _: Profile, name: str, choice: str) -> None:
    gate = data["gates"][name]
    gate["choice"] = [choice, *(one for one in gate["choice"] if one != choice)]


def _lay_hands(data: dict[str, Any], _: Profile, name: str, value: Any) -> None:
    assert name in HandsForm.model_fields
    data.setdefault("hands", {})[name] = value


def _lay_buttons(data: dict[str, Any], _: Profile, name: str, value: Any) -> None:
    *path, last = places(data)[name]
    table: Any = data
    for key in path:
        table = table[key]
    table[last] = value


LAYS: dict[str, Callable[[dict[str, Any], Profile, str, Any], None]] = {
    "sensitivity": _lay_sensitivity,
    "dead_zone": _lay_dead_zone,
    "invert": _lay_invert,
    "choice": _lay_choice,
    "hands": _lay_hands,
    "buttons": _lay_buttons,
}
"""What lays each table of a sheet over a profile's data."""

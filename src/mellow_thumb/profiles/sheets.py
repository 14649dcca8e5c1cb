"""Player sheets: one player's own choices, laid over a profile; what the profile offers, and no more."""

from __future__ import annotations

from copy import deepcopy
from dataclasses import dataclass, field
from pathlib import Path
from typing import TYPE_CHECKING, Any, NamedTuple

from ..basics import (
    ArgumentError,
    Problem,
    SheetError,
    altered,
    listed,
    nearest,
    parse_quantity,
    read_text,
    replacing,
)
from ..plan import FAMILIES, with_routes
from .offers import places
from .profile import profile_of
from .switching import HandsForm

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Mapping

    from tomlkit import TOMLDocument

    from ..plan import Route
    from .offers import Offers
    from .profile import Profile

FORMAT = "mellow-thumb sheet 1"
LARGEST = 64 * 1024
SECTIONS = ("sensitivity", "invert", "dead_zone", "choice", "hands", "buttons")
"""The tables of a sheet."""


_NUMBERS = ("sensitivity", "invert", "dead_zone")
"""Those that change numbers of routes alone."""


class _Choice(NamedTuple):
    """Something that a player chose, as it applies."""

    section: str
    name: str
    value: Any


@dataclass
class Sheet:
    """One player's own choices: sensitivity, inversion, dead zones, hold or toggle, what hands need, buttons.

    A sheet is made by :func:`load_sheet` or :func:`new_sheet`, changed by :meth:`set` and :meth:`reset`,
    and kept by :meth:`save`, with the comments and the keys that it came with.
    """

    document: TOMLDocument
    file: str = ""
    notes: tuple[str, ...] = field(default=())
    """What of it is of no use to this version; it is kept all the same."""
    _last: tuple[Profile, list[_Choice], Profile] | None = field(
        default=None, init=False, repr=False, compare=False
    )

    def get(self, section: str, name: str) -> Any:
        """What a table says of something; None where it says nothing."""
        table = self.document.get(section, {})
        value = table.get(name)
        return value.unwrap() if hasattr(value, "unwrap") else value

    def set(self, profile: Profile, section: str, name: str, value: Any) -> None:
        """Choose something that a profile offers, such as ``set(profile, "sensitivity", "look", 1.4)``.

        In ``invert`` the name is a family of devices and the value a list of axes. Raises
        :class:`ArgumentError` for what is not offered, or is beyond its range.
        """
        import tomlkit

        fault = _fault(profile, section, name, value)
        if fault:
            raise ArgumentError(fault)
        if section not in self.document:
            self.document[section] = tomlkit.table()
        self.document[section][name] = value

    def reset(self, section: str = "", name: str = "") -> None:
        """Go back to the profile's own: all of it, one table, or one name in it."""
        for one in (section,) if section else SECTIONS:
            table = self.document.get(one, {})
            for key in [name] if name else list(table):
                if key in table:
                    del table[key]

    def save(self, path: str | os.PathLike[str] = "") -> None:
        """Keep it in a file, whole or not at all: the one that it came from, unless another is named.

        Raises :class:`OutputError` where that cannot be, and :class:`ArgumentError` for a new one without a
        name.
        """
        import tomlkit

        if not (path or self.file):
            raise ArgumentError('found no file that this sheet came from; expected save("NAME.toml")')
        target = Path(path or self.file)
        with replacing(target) as fresh:
            fresh.write_text(tomlkit.dumps(self.document), encoding="utf-8")
        self.file = str(target)

    def lay(self, profile: Profile) -> tuple[Profile, tuple[str, ...]]:
        """The profile as this player has it, and what of the sheet did not apply, in words.

        What the profile no longer offers is left out, what is beyond a range is drawn in to it; both are
        told. Where a sheet is laid over the profile already, this one takes its place. Raises
        :class:`SheetError` where what is left does not make a profile.
        """
        profile = profile.base or profile
        chosen, told = self._chosen(profile)
        numbers = [one for one in chosen if one.section in _NUMBERS]
        others = [one for one in chosen if one.section not in _NUMBERS]
        under = self._under(profile, others) if others else profile
        data = dict(under.data) | {"routes": _copied(under.data.get("routes", {}))}
        for section, name, value in numbers:
            _LAYS[section](data, profile, name, value)
        made = _with_routes(under, data) or self._made(profile, data)
        return altered(made, base=profile), told

    def _chosen(self, profile: Profile) -> tuple[list[_Choice], tuple[str, ...]]:
        """What of the sheet applies to a profile, drawn in where it must be, and what does not, in words."""
        chosen, told = [], list(self.notes)
        for section in SECTIONS:
            for name, value in _plain(self.document.get(section, {})).items():
                fault = _fault(profile, section, name, value)
                drawn = _drawn_in(profile.offers, section, name, value) if fault else value
                if fault:
                    told.append(f"{fault}; taken as {drawn!r}" if drawn is not None else fault)
                if not fault or drawn is not None:
                    chosen.append(_Choice(section, name, drawn))
        return chosen, tuple(told)

    def _under(self, profile: Profile, chosen: list[_Choice]) -> Profile:
        """The profile with what is no number; the same again while a player turns numbers alone."""
        if self._last is None or self._last[0] is not profile or self._last[1] != chosen:
            data = deepcopy(dict(profile.data))
            for section, name, value in chosen:
                _LAYS[section](data, profile, name, value)
            self._last = profile, chosen, self._made(profile, data)
        return self._last[2]

    def _made(self, profile: Profile, data: dict[str, Any]) -> Profile:
        """A profile of data that were laid over another's."""
        from .whole import resolve

        plan, title, reader, faults = resolve(data)
        if plan is None or faults:
            file = self.file or "sheet"
            problems = [one.problem(file) for one in faults]
            raise SheetError(problems or [Problem(file, 0, "", "a profile that it does not fit", "")])
        return profile_of(plan, data, title, profile.file, profile, reader=reader)


def new_sheet(profile: Profile) -> Sheet:
    """An empty sheet for a profile: everything is as the profile has it."""
    import tomlkit

    document = tomlkit.document()
    document["format"] = FORMAT
    document["profile"] = profile.title
    return Sheet(document)


def load_sheet(path: str | os.PathLike[str]) -> Sheet:
    """Read a player's sheet from a TOML file.

    Tables that this version does not know are kept, and told in `Sheet.notes`. Raises :class:`SheetError`,
    with every problem and its line, for a file that is no sheet.
    """
    import tomlkit

    from ..basics import parse

    file = str(path)
    text = read_text(path, SheetError, largest=LARGEST)
    data, lines = parse(file, text, SheetError)
    try:
        document = tomlkit.parse(text)
    except (RecursionError, ValueError, KeyError, TypeError):
        raise SheetError.single(file, 0, "tables that are mixed up", "a sheet") from None
    if not str(data.get("format", "")).startswith("mellow-thumb sheet "):
        found = f'"{data["format"]}"' if "format" in data else "no format"
        raise SheetError.single(file, lines.line(("format",)), found, f'format = "{FORMAT}"')
    problems = [
        Problem(file, lines.line((section,)), section, "what is no table", f"a table: [{section}]")
        for section in SECTIONS
        if not isinstance(data.get(section, {}), dict)
    ]
    if problems:
        raise SheetError(problems)
    known = {"format", "profile", *SECTIONS}
    notes = [f"{key}: not known to this version; kept as it is" for key in data if key not in known]
    if data["format"] != FORMAT:
        notes.insert(0, f"{data['format']}: a newer sheet than {FORMAT}; what is known of it applies")
    return Sheet(document, file, tuple(notes))


# ---- what may be said


def _fault(profile: Profile, section: str, name: str, value: Any) -> str:
    """Why a choice does not apply as it is; nothing if it does."""
    offers, where = profile.offers, f"{section}.{name}"
    spans = {"sensitivity": offers.sensitivity, "dead_zone": offers.dead_zone}
    if section in spans:
        return _span_fault(spans[section], where, name, value)
    if section == "choice":
        if name not in offers.choices:
            return not_offered(where, list(offers.choices), name)
        choices = offers.choices[name]
        return "" if value in choices else f"{where}: found {value!r}; expected {listed(choices)}"
    if section == "hands":
        return "" if name in offers.hands else not_offered(where, list(offers.hands), name)
    if section == "invert":
        if name not in FAMILIES:
            return f"{where}: found {name}; expected a family of devices: {listed(FAMILIES)}"
        wrong = [axis for axis in value if axis not in offers.invert] if isinstance(value, list) else [value]
        return not_offered(where, list(offers.invert), str(wrong[0])) if wrong else ""
    if section == "buttons":
        if name not in offers.buttons:
            return not_offered(where, list(offers.buttons), name)
        several = value if isinstance(value, list) else [value]
        carriers = offers.carriers(name)
        wrong = [one for one in several if one not in carriers]
        if wrong or not several:
            wanted = f"what may carry it: {listed(offers.buttons[name])}"
            return f"{where}: found {wrong[0] if wrong else 'no button'}; expected {wanted}"
        return ""
    return f"found {section}; expected {listed(SECTIONS)}{nearest(section, SECTIONS)}"


def _span_fault(spans: Mapping[str, tuple[float, float]], where: str, name: str, value: Any) -> str:
    if name not in spans:
        return not_offered(where, list(spans), name)
    least, most = spans[name]
    number = isinstance(value, int | float) and not isinstance(value, bool) and value == value
    if number and least <= value <= most:
        return ""
    return f"{where}: found {value!r}; expected {least:g} to {most:g}"


def not_offered(where: str, names: list[str], name: str) -> str:
    """What is said of a name, of the table that `where` begins with, that is not one of the names offered."""
    if names:
        offered = f"{listed(names)}{nearest(name, names)}"
        return f"{where}: not offered; expected what the profile offers: {offered}"
    key = name if name.isidentifier() else f'"{name}"'
    example = _OFFERED[where.partition(".")[0]].format(name=name, key=key)
    return f"{where}: not offered; expected a profile with {example}"


_OFFERED = {
    "sensitivity": "[offers] sensitivity = {{ {key} = [0.2, 5] }}",
    "dead_zone": "[offers] dead_zone = {{ {key} = [0.05, 0.4] }}",
    "invert": '[offers] invert = ["{name}"]',
    "choice": '[gates] {name} = {{ ..., choice = ["hold", "toggle"] }}',
    "hands": '[offers] hands = ["{name}"]',
    "buttons": '[offers] buttons = {{ {key} = ["key.*", "pad.*"] }}',
}
"""How a profile offers something, for a table of a sheet."""


def _drawn_in(offers: Offers, section: str, name: str, value: Any) -> Any:
    """What is left of a choice that does not apply as it is; None for nothing."""
    spans = {"sensitivity": offers.sensitivity, "dead_zone": offers.dead_zone}.get(section, {})
    if name in spans and isinstance(value, int | float) and value == value:
        return min(max(float(value), spans[name][0]), spans[name][1])
    if section == "invert" and name in FAMILIES and isinstance(value, list):
        return [axis for axis in value if axis in offers.invert]
    if section == "buttons" and name in offers.buttons and isinstance(value, list):
        return [one for one in value if one in offers.carriers(name)] or None
    return None


def _plain(table: Any) -> dict[str, Any]:
    return dict(table.unwrap() if hasattr(table, "unwrap") else table)


# ---- laying it over a profile's data


def _copied(routes: Mapping[str, dict[str, Any]]) -> dict[str, dict[str, Any]]:
    """Routes to lay something over; what is deeper than a table in a table stays the profile's."""
    return {
        name: {key: dict(one) if isinstance(one, dict) else one for key, one in table.items()}
        for name, table in routes.items()
    }


def _with_routes(profile: Profile, data: dict[str, Any]) -> Profile | None:
    """A profile with other numbers in its routes, of which only those that differ are read; else nothing."""
    if profile.reader is None:
        return None
    changed = [name for name, table in data["routes"].items() if table != profile.data["routes"][name]]
    routes: dict[str, Route] = {}
    for name in changed:
        route = profile.reader.again(name, data["routes"][name])
        if route is None:
            return None
        routes[name] = route
    made = with_routes(profile, routes)
    return altered(made, data=data) if made else None


def _lay_sensitivity(data: dict[str, Any], _: Profile, name: str, factor: float) -> None:
    route = data["routes"][name]
    given = route.get("sensitivity")
    if isinstance(given, dict):
        route["sensitivity"] = {axis: _times(one, factor) for axis, one in given.items()}
    elif given is not None:
        route["sensitivity"] = _times(given, factor)


def _times(quantity: str, factor: float) -> str:
    """A sensitivity, so many times as large; hand travel for a turn is then so many times less."""
    one = parse_quantity(quantity)
    value = one.value / factor if one.unit == "cm/turn" else one.value * factor
    return f"{value!r} {one.unit}"


def _lay_dead_zone(data: dict[str, Any], _: Profile, name: str, inner: float) -> None:
    data["routes"][name].setdefault("dead_zone", {})["inner"] = inner


def _lay_invert(data: dict[str, Any], profile: Profile, family: str, axes: list[str]) -> None:
    for route in profile.routes:
        if family not in profile.families_of(route):
            continue
        table = data["routes"][route.name]
        before = table.get("invert", [])
        before = [before] if isinstance(before, str) else list(before)
        ours = [axis for axis in axes if axis in route.drives]
        after = [axis for axis in before if axis not in ours] + [axis for axis in ours if axis not in before]
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


_LAYS: dict[str, Callable[[dict[str, Any], Profile, str, Any], None]] = {
    "sensitivity": _lay_sensitivity,
    "dead_zone": _lay_dead_zone,
    "invert": _lay_invert,
    "choice": _lay_choice,
    "hands": _lay_hands,
    "buttons": _lay_buttons,
}

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
    read_text,
    replacing,
)
from ..plan import DEVICES, FAMILIES, with_routes
from .faults import Faults
from .laying import LAYS, copied
from .offers import carriers, renamed
from .profile import profile_of
from .switching import HandsForm

if TYPE_CHECKING:
    import os
    from collections.abc import Callable, Iterator, Mapping

    from tomlkit import TOMLDocument

    from ..plan import Route
    from .profile import Profile

FORMAT = "mellow-thumb sheet 1"
LARGEST = 64 * 1024
SECTIONS = ("sensitivity", "invert", "dead_zone", "choice", "hands", "buttons")
"""The tables of a sheet."""


_NUMBERS = ("sensitivity", "invert", "dead_zone")
"""Those that change numbers of routes alone."""


class _Choice(NamedTuple):
    """A player's choice, as it applies."""

    section: str
    name: str
    value: Any


@dataclass
class Sheet:
    """One player's choices: sensitivity, inversion, dead zones, hold or toggle, hands, buttons.

    A sheet is made by :func:`load_sheet` or :func:`new_sheet`, changed by :meth:`set` and :meth:`reset`,
    and kept by :meth:`save`, with the comments and the keys that it came with.
    """

    document: TOMLDocument
    file: str = ""
    notes: tuple[str, ...] = field(default=())
    """What of it is of no use to this version; it is kept all the same."""
    _last: tuple[Profile, list[_Choice], Profile, tuple[str, ...]] | None = field(
        default=None, init=False, repr=False, compare=False
    )

    def get(self, section: str, name: str, profile: Profile | None = None) -> Any:
        """The value of something in a table; None if there is none.

        With a `profile`, names that it has changed are found by their old names.
        """
        table = _plain(self.document.get(section, {}))
        names = [name, *(_once(profile, section, name) if profile else ())]
        return next((table[one] for one in names if one in table), None)

    def set(self, profile: Profile, section: str, name: str, value: Any) -> None:
        """Choose something that a profile offers, such as ``set(profile, "sensitivity", "look", 1.4)``.

        In ``invert`` the name is a family of devices, a device or a route, and the value a list of axes; a
        route counts before its device, and a device before its family. Raises :class:`ArgumentError` for what
        is not offered, or out of range.
        """
        import tomlkit

        fault = _fault(profile, section, name, value)
        if fault:
            raise ArgumentError(fault)
        if not isinstance(self.document.get(section), dict):
            self.document[section] = tomlkit.table()
        self.document[section][name] = value
        for old in _once(profile, section, name):
            self.reset(section, old)

    def reset(self, section: str = "", name: str = "") -> None:
        """Go back to the profile's own values: all of them, one table, or one name in it."""
        for one in (section,) if section else SECTIONS:
            table = self.document.get(one, {})
            if not isinstance(table, dict):
                del self.document[one]
                continue
            for key in [name] if name else list(table):
                if key in table:
                    del table[key]

    def save(self, path: str | os.PathLike[str] = "") -> None:
        """Save it, whole or not at all, to the file it came from, or to another one.

        Raises :class:`OutputError` if it cannot be written, and :class:`ArgumentError` for a new sheet
        without a file name.
        """
        import tomlkit

        if not (path or self.file):
            raise ArgumentError('found no file that this sheet came from; expected save("NAME.toml")')
        target = Path(path or self.file)
        with replacing(target) as fresh:
            fresh.write_text(tomlkit.dumps(self.document), encoding="utf-8")
        self.file = str(target)

    def lay(self, profile: Profile) -> tuple[Profile, tuple[str, ...]]:
        """The profile as this player has it, and in words what did not apply.

        What the profile no longer offers, or does not work with, is left out; what is out of range is clipped
        to it; one button for two things does both. All of that is reported, and the rest applies. Renamed
        parts (``was``) are found by their old names. If the profile has a sheet already, this one replaces
        it.
        """
        profile = profile.base or profile
        chosen, told = self._chosen(profile)
        numbers = [one for one in chosen if one.section in _NUMBERS]
        under, more = self._under(profile, [one for one in chosen if one.section not in _NUMBERS])
        try:
            made = _numbered(profile, under, numbers)
        except SheetError:
            numbers, words = _fitting(numbers, lambda some: _numbered(profile, under, some))
            made, more = _numbered(profile, under, numbers), (*more, *words)
        return altered(made, base=profile), (*told, *more)

    def lay_whole(self, profile: Profile) -> Profile:
        """The profile as this player has it; raises :class:`SheetError` if all of it does not work."""
        profile = profile.base or profile
        chosen, _ = self._chosen(profile)
        return _with(profile, chosen)

    def _chosen(self, profile: Profile) -> tuple[list[_Choice], tuple[str, ...]]:
        """The sheet's choices that apply to a profile, clipped if need be, and in words what does not."""
        chosen: list[_Choice] = []
        told = list(self.notes)
        # asked once: a document is slow to say that a table is not there
        there = {*self.document}
        for section in (one for one in SECTIONS if one in there):
            table, names = _plain(self.document[section]), renamed(profile.data, section)
            for given, value in table.items():
                name = names.get(given, given)
                if name != given and (name in table or any(one[:2] == (section, name) for one in chosen)):
                    told.append(
                        f"{section}.{given}: found another entry for {name}, as it is called now; left out"
                    )
                    continue
                fault = _fault(profile, section, name, value)
                drawn = _drawn_in(profile, section, name, value) if fault else value
                if fault:
                    told.append(f"{fault}; taken as {drawn!r}" if drawn is not None else fault)
                if not fault or drawn is not None:
                    chosen.append(_Choice(section, name, drawn))
        # of inversions the most particular is laid last
        chosen.sort(key=lambda one: one.section == "invert" and inverting(profile).index(one.name))
        return chosen, tuple(told)

    def _under(self, profile: Profile, chosen: list[_Choice]) -> tuple[Profile, tuple[str, ...]]:
        """The profile with all choices that are not numbers, and what there is to report on them.

        It is reused while a player changes only numbers.
        """
        if not chosen:
            return profile, ()
        if self._last is None or self._last[0] is not profile or self._last[1] != chosen:
            told: tuple[str, ...] = ()
            try:
                made = _with(profile, chosen)
            except SheetError:
                fit, told = _fitting(chosen, lambda some: _with(profile, some))
                made = _with(profile, fit)
            self._last = profile, chosen, made, (*told, *_shared(profile, made))
        return self._last[2:]


def _fitting(
    chosen: list[_Choice], make: Callable[[list[_Choice]], Profile]
) -> tuple[list[_Choice], tuple[str, ...]]:
    """The choices with which a profile can be made, added one by one; the others, in words."""
    kept: list[_Choice] = []
    told = []
    for one in chosen:
        try:
            make([*kept, one])
        except SheetError as error:
            told.append(f"{one.section}.{one.name}: left out: {error.problems[0].words}")
        else:
            kept.append(one)
    return kept, tuple(told)


def _with(profile: Profile, chosen: list[_Choice]) -> Profile:
    """A profile with choices laid over it."""
    data = deepcopy(dict(profile.data))
    for section, name, value in chosen:
        LAYS[section](data, profile, name, value)
    return _made(profile, data)


def _numbered(profile: Profile, under: Profile, numbers: list[_Choice]) -> Profile:
    """A profile with a player's numbers."""
    data = dict(under.data) | {"routes": copied(under.data.get("routes", {}))}
    for section, name, value in numbers:
        LAYS[section](data, profile, name, value)
    return _with_routes(under, data) or _made(profile, data)


def _made(profile: Profile, data: dict[str, Any]) -> Profile:
    """A profile from data with choices laid over; raises :class:`SheetError` if they are not a profile."""
    from .whole import resolve

    plan, title, reader, faults = resolve(data)
    if plan is None or faults:
        problems = [one.problem("") for one in faults]
        raise SheetError(problems or [Problem("", 0, "", "what makes no profile", "another choice")])
    return profile_of(plan, data, title, profile.file, profile, reader=reader)


def _shared(before: Profile, after: Profile) -> Iterator[str]:
    """The buttons that now carry more than before, in words."""
    was = carriers(before.data)
    for address, names in carriers(after.data).items():
        if len(names) > 1 and not set(names) <= set(was.get(address, ())):
            yield f"buttons: {address} carries {listed(names, 'and')} now"


def _with_routes(profile: Profile, data: dict[str, Any]) -> Profile | None:
    """A profile with other numbers in its routes, reading only those that differ; None if more differs."""
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


def new_sheet(profile: Profile) -> Sheet:
    """An empty sheet for a profile: everything is as the profile has it."""
    import tomlkit

    document = tomlkit.document()
    document["format"] = FORMAT
    document["profile"] = profile.title
    return Sheet(document)


def load_sheet(path: str | os.PathLike[str]) -> Sheet:
    """Read a player's sheet from a TOML file.

    Unknown entries are kept, and reported in `Sheet.notes`. Raises :class:`SheetError`, with the line, for
    text that is not TOML; nothing else in it is an error.
    """
    import tomlkit

    from ..basics import parse

    file = str(path)
    text = read_text(path, SheetError, largest=LARGEST)
    data, _ = parse(file, text, SheetError)
    try:
        document = tomlkit.parse(text)
    except (RecursionError, ValueError, KeyError, TypeError):
        raise SheetError.single(file, 0, "tables that are mixed up", "a sheet") from None
    said, notes = data.get("format", ""), []
    if said != FORMAT:
        newer = isinstance(said, str) and said.startswith("mellow-thumb sheet ")
        what = (
            f"{said}: a newer sheet than {FORMAT}"
            if newer
            else f'format: found "{said}"; expected "{FORMAT}"'
        )
        notes.append(f"{what}; what is known of it applies")
    known = {"format", "profile", *SECTIONS}
    notes += [f"{key}: not known to this version; kept as it is" for key in data if key not in known]
    notes += [
        f"{section}: not a table; left out"
        for section in SECTIONS
        if not isinstance(data.get(section, {}), dict)
    ]
    return Sheet(document, file, tuple(notes))


# ---- what may be said


def _fault(profile: Profile, section: str, name: str, value: Any) -> str:
    """Why a choice does not apply as it is; empty if it does."""
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
        return (
            _hands_fault(name, value)
            if name in offers.hands
            else not_offered(where, list(offers.hands), name)
        )
    if section == "invert":
        known = inverting(profile)
        if name not in known:
            return (
                f"{where}: found {name}; expected devices or a route: {listed(known)}{nearest(name, known)}"
            )
        if not isinstance(value, list):
            wanted = f"a list of axes, such as {[value or 'pitch']!r}"
            return f"{where}: found {value!r}; expected {wanted}"
        wrong = [axis for axis in value if axis not in offers.invert]
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


def _hands_fault(name: str, value: Any) -> str:
    """Why an option of [hands] is not valid; empty if it is."""
    faults = Faults()
    faults.form(HandsForm, {name: value}, ("hands",))
    return faults.found[0].problem("").words if faults.found else ""


def _span_fault(spans: Mapping[str, tuple[float, float]], where: str, name: str, value: Any) -> str:
    if name not in spans:
        return not_offered(where, list(spans), name)
    least, most = spans[name]
    number = isinstance(value, int | float) and not isinstance(value, bool) and value == value
    if number and least <= value <= most:
        return ""
    return f"{where}: found {value!r}; expected {least:g} to {most:g}"


def not_offered(where: str, names: list[str], name: str) -> str:
    """The message for a name in a table (`where` starts with it) that is not offered."""
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


def _drawn_in(profile: Profile, section: str, name: str, value: Any) -> Any:
    """The nearest choice that does apply; None if there is none."""
    offers = profile.offers
    spans = {"sensitivity": offers.sensitivity, "dead_zone": offers.dead_zone}.get(section, {})
    if name in spans and isinstance(value, int | float) and value == value:
        return min(max(float(value), spans[name][0]), spans[name][1])
    if section == "invert" and name in inverting(profile) and isinstance(value, list):
        return [axis for axis in value if axis in offers.invert]
    if section == "buttons" and name in offers.buttons and isinstance(value, list):
        return [one for one in value if one in offers.carriers(name)] or None
    return None


def inverting(profile: Profile) -> list[str]:
    """What can be inverted: families of devices, devices, routes; the most specific last."""
    used = {device for route in profile.routes for device in profile.devices_of(route)}
    devices = [device for device in DEVICES if device in used]
    return list(dict.fromkeys([*FAMILIES, *devices, *(route.name for route in profile.routes)]))


def _plain(table: Any) -> dict[str, Any]:
    """A table as plain data; an empty one for anything else."""
    found = table.unwrap() if hasattr(table, "unwrap") else table
    return dict(found) if isinstance(found, dict) else {}


def _once(profile: Profile, section: str, name: str) -> list[str]:
    """The old names of something in a table."""
    return [old for old, new in renamed(profile.data, section).items() if new == name]

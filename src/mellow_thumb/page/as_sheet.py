"""Changes of a profile as a player's own choices, as far as the profile offers them."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..basics import ArgumentError, UnitError, parse_quantity

if TYPE_CHECKING:
    from ..basics import Path
    from ..profiles import Profile, Sheet
    from .desk import Changes


def say_in_sheet(sheet: Sheet, profile: Profile, changes: Changes) -> tuple[list[Path], list[str]]:
    """Put changes of a `profile` into a sheet; returns those it now holds, and in words those it cannot.

    A sensitivity becomes a factor, an inversion one more or one less; dead zones and [hands] options stay
    as they are. The sheet's old choices still count: a factor is multiplied, an inversion flipped.
    """
    said, words = [], []
    for path, value in changes.items():
        place = ".".join(map(str, path))
        try:
            section, name, chosen = _choice(sheet, profile, path, value)
            sheet.set(profile, section, name, chosen)
        except ArgumentError as error:
            words.append(f"{place}: {error}" if place not in str(error) else str(error))
        else:
            said.append(path)
    return said, words


def _choice(sheet: Sheet, profile: Profile, path: Path, value: Any) -> tuple[str, str, Any]:
    """Where a sheet can hold a change: table, name and value; ArgumentError if nowhere."""
    match path:
        case ("routes", str(route), "sensitivity", *axis):
            name = ".".join((route, *map(str, axis)))
            name = name if name in profile.offers.sensitivity else route
            before = sheet.get("sensitivity", name, profile)
            return "sensitivity", name, (1.0 if before is None else before) * _factor(profile, path, value)
        case ("routes", str(route), "invert"):
            axes = _listed(profile.data["routes"][route].get("invert")) ^ _listed(value)
            return "invert", route, sorted(axes ^ _listed(sheet.get("invert", route, profile)))
        case ("routes", str(route), "dead_zone", "inner"):
            return "dead_zone", route, value
        case ("hands", str(name)):
            return "hands", name, value
    raise ArgumentError("found what no sheet says; expected sensitivities, inversions, dead zones, hands")


def overruled(sheet: Sheet | None, profile: Profile, path: Path) -> str:
    """Says that a sheet overrides a profile's value; empty where it does not."""
    match path:
        case ("routes", str(route), "dead_zone", "inner"):
            value = sheet.get("dead_zone", route, profile) if sheet else None
        case ("hands", str(name)):
            value = sheet.get("hands", name, profile) if sheet else None
        case _:
            return ""
    return "" if value is None else f"the player's sheet says {value}, and that counts"


def _listed(said: Any) -> set[str]:
    """A name, or a list of names, as a set."""
    return {said} if isinstance(said, str) else set(said or ())


def _factor(profile: Profile, path: Path, value: Any) -> float:
    """A sensitivity as a factor of that in the file."""
    before: Any = profile.data
    for key in path:
        before = before.get(key) if isinstance(before, dict) else None
    try:
        old, new = parse_quantity(before, ""), parse_quantity(value, "")
    except (UnitError, TypeError, AttributeError):
        raise ArgumentError("found another kind of value than in the file; expected a factor of it") from None
    if old.unit != new.unit or not old.value or new.value / old.value <= 0.0:
        raise ArgumentError(f"found {value} in place of {before}; expected the same unit and sign")
    # a way of hand for a turn is the less sensitive the longer it is
    factor = new.value / old.value
    return round(1.0 / factor if new.unit == "cm/turn" else factor, 6)

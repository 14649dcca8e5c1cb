"""Rebinding: giving a gate, a cue or a key set another button; conflicts, and the way back."""

from __future__ import annotations

from copy import deepcopy
from typing import TYPE_CHECKING

from ..basics import ArgumentError, ConflictError, SheetError, listed
from ..plan import DEVICES, find_signal, label
from .offers import places
from .sheets import not_offered

if TYPE_CHECKING:
    from .profile import Profile
    from .sheets import Sheet

WAYS = ("refuse", "swap", "share")
"""What to do where a button carries something else: say so, change the two, or let it carry both."""


def carried(profile: Profile, name: str) -> tuple[str, ...]:
    """The signals that carry a gate, a cue or a part of a signal."""
    *path, last = places(profile.data)[name]
    table = profile.data
    for key in path:
        table = table[key]
    value = table[last]
    return (value,) if isinstance(value, str) else tuple(value)


def conflicts(profile: Profile, name: str, address: str) -> tuple[str, ...]:
    """What else a signal already carries, by name."""
    return tuple(
        other for other in places(profile.data) if other != name and address in carried(profile, other)
    )


def rebind(
    profile: Profile, sheet: Sheet, name: str, address: str, *, conflict: str = "refuse"
) -> tuple[str, ...]:
    """Put something on another button, in a player's sheet, instead of its button on that family of devices.

    If the button does something else already, `conflict` decides: ``refuse``, ``swap`` the two, or ``share``.
    Returns what else has changed. Raises :class:`ConflictError` for a refused conflict, with what the button
    does and what can be done. Raises :class:`ArgumentError` for what is not offered, or if the profile would
    no longer work. The sheet then stays as it was.
    """
    if conflict not in WAYS:
        raise ArgumentError(f"conflict: found {conflict!r}; expected {listed(WAYS)}")
    laid, _ = sheet.lay(profile)
    if name not in profile.offers.buttons:
        raise ArgumentError(not_offered(f"buttons.{name}", list(profile.offers.buttons), name))
    before = carried(laid, name)
    gone = [one for one in before if _family(one) == _family(address)]
    taken = conflicts(laid, name, address)
    if taken and conflict == "refuse":
        ways = tuple(way for way in WAYS[1:] if _may(profile, sheet, name, address, way))
        words = f"{label(find_signal(address))} carries {listed(taken, 'and')} already"
        wanted = listed(ways) if ways else "another button"
        raise ConflictError(f"{words}; expected {wanted}", name, address, taken, ways)
    fresh = {name: _with(before, gone, address)}
    for other in taken if conflict == "swap" else ():
        fresh[other] = _with(carried(laid, other), [address], *gone[:1])
    kept = {one: sheet.get("buttons", one) for one in fresh}
    try:
        for one, addresses in fresh.items():
            if not addresses:
                raise ArgumentError(f"{one} would have no button left; share it, or take another button")
            sheet.set(profile, "buttons", one, addresses)
        sheet.lay_whole(profile)
    except (ArgumentError, SheetError) as error:
        for one, value in kept.items():
            sheet.reset("buttons", one)
            if value is not None:
                sheet.set(profile, "buttons", one, value)
        raise ArgumentError(str(error)) from None
    return tuple(one for one in fresh if one != name)


def _may(profile: Profile, sheet: Sheet, name: str, address: str, way: str) -> bool:
    """Whether a conflict can be settled this way; the sheet stays as it is."""
    kept = deepcopy(sheet.document)
    try:
        rebind(profile, sheet, name, address, conflict=way)
    except ArgumentError:
        return False
    finally:
        sheet.document = kept
    return True


def _family(address: str) -> str:
    return DEVICES.get(address.partition(".")[0], "")


def _with(before: tuple[str, ...], gone: list[str], *fresh: str) -> list[str]:
    """The carriers of something after some are replaced by another."""
    kept = [one for one in before if one not in gone and one not in fresh]
    place = before.index(gone[0]) if gone else len(kept)
    return [*kept[:place], *fresh, *kept[place:]]

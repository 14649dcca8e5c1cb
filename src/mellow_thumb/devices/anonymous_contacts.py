"""Contacts without slots: screens that report all of them every time, without saying which is which.

Source: the kernel's documentation of the multi-touch protocol, type A. Each contact's values end with
SYN_MT_REPORT; a contact is the one that it is nearest to, unless it has an identity of its own.
"""

from __future__ import annotations

from math import hypot
from typing import TYPE_CHECKING

from .linux_device import PLACE_X, PLACE_Y, SLOT, TRACKING

if TYPE_CHECKING:
    from .contact_slots import ContactSlots
    from .linux_device import LinuxDevice

    Contact = dict[int, int]
    """What is told of one, by code."""

FAR = 0.25
"""No contact goes further from one report to the next, as a share of the screen: it is another one."""


class AnonymousContacts:
    """Gives each contact a slot, and passes on to the slots what it does."""

    def __init__(self, device: LinuxDevice, slots: ContactSlots) -> None:
        """Pass the contacts of a `device` on to its `slots`."""
        self._device, self._slots = device, slots
        self._now: Contact = {}
        self._told: list[Contact] = []
        self._any = False
        """Whether this report tells of contacts; one that does not changes none."""
        self._known: dict[int, Contact] = {}
        """Who is there, by slot."""
        self._blind = False
        """Whether those of the next report may have been there before: after a loss."""

    def take(self, code: int, value: int) -> None:
        """Take a value of the contact that is being reported."""
        self._now[code] = value

    def end(self) -> None:
        """A contact's values are complete; if there were none, there is no contact."""
        if {PLACE_X, PLACE_Y} <= set(self._now):
            self._told.append(self._now)
        self._now, self._any = {}, True

    def lifted(self) -> None:
        """Nothing touches the screen now."""
        self._now, self._told, self._any = {}, [], True

    def lose(self) -> None:
        """Events were lost: whoever is there now counts as there before, and no touch claims it."""
        self._now, self._told, self._any, self._known, self._blind = {}, [], False, {}, True

    def report(self) -> None:
        """Pass on to the slots what has happened."""
        if self._now:
            self.end()
        if not self._any:
            return
        told, self._told, self._any = self._told, [], False
        matched = self._matched(told)
        for slot in sorted(set(self._known) - set(matched)):
            self._say(slot, {TRACKING: -1})
        for slot, contact in sorted(matched.items()):
            # after a loss it is known where they are, and nobody has seen them land
            new = slot not in self._known and not self._blind
            self._say(slot, ({TRACKING: slot} if new else {}) | contact)
        self._known, self._blind = matched, False

    def _say(self, slot: int, values: Contact) -> None:
        self._slots.take(SLOT, slot)
        for code, value in values.items():
            self._slots.take(code, value)

    def _matched(self, told: list[Contact]) -> dict[int, Contact]:
        """A report's contacts by slot: the nearest pairs first, then the new ones."""
        pairs = sorted(
            (away, slot, k)
            for slot, known in self._known.items()
            for k, contact in enumerate(told)
            if (away := self._apart(known, contact)) <= FAR
        )
        found: dict[int, Contact] = {}
        left = dict(enumerate(told))
        for _, slot, k in pairs:
            if slot not in found and k in left:
                found[slot] = _places(left.pop(k))
        for contact in left.values():
            free = next(
                slot for slot in range(len(told) + len(self._known)) if slot not in found | self._known
            )
            found[free] = _places(contact)
        return found

    def _apart(self, one: Contact, other: Contact) -> float:
        """The distance between two: none with the same identity, infinite with different ones."""
        if TRACKING in one and TRACKING in other:
            return 0.0 if one[TRACKING] == other[TRACKING] else 2.0
        ways = [
            self._device.axes[code].share(one[code]) - self._device.axes[code].share(other[code])
            for code in (PLACE_X, PLACE_Y)
        ]
        return hypot(*ways)


def _places(contact: Contact) -> Contact:
    return {code: contact[code] for code in (PLACE_X, PLACE_Y)}

"""Fingers that no touch takes because the host never said how long a cm is: counted, and logged once."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..basics import listed
from ..plan import DOWN, PLACE

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

    from ..plan import Plan, Touch
    from ..weaving import Item

UNKNOWN = (
    "{} goes by cm, and nobody said how many pixels are one: set_screen(width, height, pixels_per_cm=...), "
    "or rows of host.pixels_per_cm in a take"
)
"""Why a touch takes no finger whose lengths are in cm on a screen whose density is not known."""


class Unscaled:
    """Watches contacts in order of time until the host says how long a cm is; it changes nothing."""

    def __init__(self, plan: Plan, codes: Mapping[str, int], refuse: Callable[[str, str], None]) -> None:
        """Watch what a plan's program is fed, given its codes; `refuse` is called for each finger."""
        self._plan, self._refuse = plan, refuse
        self._first, self._scale = codes.get("touch.1.place", 0), codes.get("host.pixels_per_cm", -1)
        self._places: dict[int, tuple[float, float]] = {}
        self.waits = any(any(one.in_cm for one in area) for area in plan.areas)
        """Whether it still matters what comes."""

    def look(self, items: list[Item]) -> None:
        """Watch events in order of time."""
        for _, code, x, y in items if self.waits else ():
            finger, what = divmod(code - self._first, 3)
            if code == self._scale and x > 0.0:
                self.waits = False
                return
            if code >= self._first and what == PLACE:
                before = self._places.get(finger, (0.5, 0.5))
                self._places[finger] = (x if x == x else before[0], y if y == y else before[1])
            elif code >= self._first and what == DOWN and x != 0.0 and y >= 0.0:
                area = self._area_of(self._places.get(finger, (0.5, 0.5)), y)
                if any(one.in_cm for one in area):
                    names = listed([one.name for one in area], "and")
                    self._refuse(f"touch.{finger + 1}.down", UNKNOWN.format(names))

    def _area_of(self, place: tuple[float, float], thing: float) -> tuple[Touch, ...]:
        """The touches that would take a finger landing at a place, on a thing by number."""
        things = ("", *self._plan.things)
        for area in self._plan.areas:
            left, bottom, right, top = area[0].region
            on = area[0].starts_on in ("", things[int(thing)])
            if on and left <= place[0] <= right and bottom <= place[1] <= top:
                return area
        return ()

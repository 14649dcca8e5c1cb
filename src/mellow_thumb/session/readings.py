"""Readings of a device in the hand come in parts: incomplete ones go no further."""

from __future__ import annotations

from operator import itemgetter
from typing import TYPE_CHECKING, Any

from ..formulas import is_rotation
from ..plan import ATTITUDE
from ..plan.handheld import FORCE, TURN

if TYPE_CHECKING:
    from collections.abc import Callable, Iterable, Mapping

    from ..weaving import Item

_CODE = itemgetter(1)
NO_ROTATION = "no rotation: expected a unit quaternion x, y, z, w"
"""Why an attitude is refused."""
TORN = "a part of it is missing, or was refused"
"""Why a reading is refused whose last part comes without the others."""


def feels(codes: Mapping[str, int]) -> bool:
    """Whether a program, given its codes, uses a device in the hand."""
    return TURN[0] in codes


class Readings:
    """Checks readings in order of time, between the intake and the woven loop.

    The last part of a reading completes it; if others are missing it is taken out, and the rest, which
    does nothing by itself, waits for the next.
    """

    def __init__(self, codes: Mapping[str, int], refuse: Callable[[str, str], None]) -> None:
        """Check what a program uses, given its codes; `refuse` is called for incomplete readings."""
        self._refuse = refuse
        self._names: dict[int, str] = {}
        """The name of each part, by its code."""
        self._whole: dict[int, tuple[str, ...]] = {}
        """For the code of the last part of each reading: all of its parts."""
        self._came: dict[str, float] = {}
        """The parts that have come and are not whole yet, by name."""
        for parts in (FORCE, TURN, ATTITUDE):
            if parts[0] in codes:
                self._names |= {codes[name]: name for name in parts}
                self._whole[codes[parts[-1]]] = parts
        self.parts = frozenset(self._names)
        """The codes of all parts of readings."""

    def come_in(self, items: Iterable[Item]) -> bool:
        """Whether a part of any reading is among these."""
        return not self.parts.isdisjoint(map(_CODE, items))

    def expand(self, items: list[Item]) -> list[Item]:
        """Events in order of time, without incomplete readings."""
        if not self.come_in(items):
            return items
        out: list[Item] = []
        for item in items:
            code = item[1]
            if code in self.parts:
                self._came[self._names[code]] = item[2]
                if code in self._whole and not self._is_whole(self._whole[code]):
                    continue
            out.append(item)
        return out

    def _is_whole(self, parts: tuple[str, ...]) -> bool:
        """Whether all parts of the reading that ends here have come; an incomplete one is refused whole."""
        name = parts[0].rpartition(".")[0]
        known = [self._came.pop(part) for part in parts if part in self._came]
        if len(known) < len(parts):
            self._refuse(name, TORN)
            return False
        if parts == ATTITUDE and not is_rotation(*known):
            self._refuse(name, NO_ROTATION)
            return False
        return True

    def saved(self) -> list[Any]:
        """The parts of an unfinished reading, as plain data."""
        return [[part, value] for part, value in self._came.items()]

    def restore(self, saved: list[Any]) -> None:
        """Restore what :meth:`saved` returned."""
        self._came = {str(part): float(value) for part, value in saved}

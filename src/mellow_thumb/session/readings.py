"""Readings of a device in the hand come part by part: one of which a part is missing goes no further."""

from __future__ import annotations

from typing import TYPE_CHECKING, Any

from ..formulas import is_rotation
from ..plan import ATTITUDE
from ..plan.handheld import FORCE, TURN

if TYPE_CHECKING:
    from collections.abc import Callable, Mapping

    from ..weaving import Item

NO_ROTATION = "no rotation: expected a unit quaternion x, y, z, w"
"""Why an attitude is refused."""
TORN = "a part of it is missing, or was refused"
"""Why a reading is refused whose last part comes without the others."""


def feels(codes: Mapping[str, int]) -> bool:
    """Whether a program, by its codes, asks for a device in the hand."""
    return TURN[0] in codes


class Readings:
    """Looks at readings in order of time, between what comes in and the woven loop, as contacts do.

    The last part of a reading makes it whole; without the others it is taken out, and the rest of it, which
    does nothing by itself, waits for the next.
    """

    def __init__(self, codes: Mapping[str, int], refuse: Callable[[str, str], None]) -> None:
        """Look at what a program asks for, by its codes; `refuse` is told what is no reading, and why."""
        self._refuse = refuse
        self._whole: dict[int, tuple[str, tuple[int, ...]]] = {}
        """For the last part of each reading: what it is of, and the codes of all parts."""
        self._came: dict[int, float] = {}
        """The parts that have come and are not whole yet, by their codes."""
        for parts in (FORCE, TURN, ATTITUDE):
            if parts[0] in codes:
                ours = tuple(codes[name] for name in parts)
                self._whole[ours[-1]] = parts[0].rpartition(".")[0], ours
        self.parts = frozenset(code for _, ours in self._whole.values() for code in ours)
        """The codes of all parts of readings."""

    def expand(self, items: list[Item]) -> list[Item]:
        """Events in order of time, without readings that are none."""
        if self.parts.isdisjoint([code for _, code, _, _ in items]):
            return items
        out: list[Item] = []
        for item in items:
            code = item[1]
            if code in self.parts:
                self._came[code] = item[2]
                if code in self._whole and not self._is_whole(*self._whole[code]):
                    continue
            out.append(item)
        return out

    def _is_whole(self, name: str, parts: tuple[int, ...]) -> bool:
        """Whether all parts of the reading that ends here have come; one that is torn is refused whole."""
        values = [self._came.pop(code, None) for code in parts]
        known = [value for value in values if value is not None]
        if len(known) < len(parts):
            self._refuse(name, TORN)
            return False
        if len(known) == len(ATTITUDE) and not is_rotation(*known):
            self._refuse(name, NO_ROTATION)
            return False
        return True

    def saved(self) -> list[Any]:
        """What has come of a reading that is not whole yet, as plain data."""
        return [[code, value] for code, value in self._came.items()]

    def restore(self, saved: list[Any]) -> None:
        """Become what :meth:`saved` told."""
        self._came = {int(code): float(value) for code, value in saved}

"""A room: one session's program at work as C; it does what the woven Python does, to the bit."""

from __future__ import annotations

from array import array
from functools import cache
from itertools import chain
from struct import Struct
from typing import TYPE_CHECKING

from ..weaving.languages import MOST

if TYPE_CHECKING:
    from ..weaving import Item, Program
    from .library import Engine


@cache
def _doubles(count: int) -> Struct:
    """So many doubles in a row, as they lie in memory."""
    return Struct(f"={count}d")


class Room:
    """A program with its state, in one row of doubles that the library works on."""

    def __init__(self, engine: Engine, program: Program, saved: tuple[float, ...]) -> None:
        """Begin with a saved state."""
        library, layout = engine.library, engine.text.layout
        self._row = array("d", bytes(8 * layout.size))
        self._row[layout.rig : layout.items] = array("d", engine.text.start)
        self._address, self._library = self._row.buffer_info()[0], library
        self._run, self._save, self._pose = library.frame, library.save, library.pose
        self._items, self._frame = 8 * layout.items, program.frame
        self._state, self._saved = 8 * layout.state, _doubles(len(saved))
        self._reading = layout.numbers - 1
        self._out, self._values = 8 * layout.out, _doubles(layout.pose - layout.out)
        self._said, self._asks = _doubles(layout.out), layout.out > 1
        rig = layout.state - layout.rig
        self._rig, self._kept = 8 * layout.rig, _doubles(rig) if rig else None
        self._made, self._read_pose = 8 * layout.pose, _doubles(layout.state - layout.pose).unpack_from
        self._seen: tuple[float, ...] = ()
        self.go_on(saved)

    def go_on(self, saved: tuple[float, ...]) -> None:
        """Go on from a saved state."""
        self._saved.pack_into(self._row, self._state, *saved)
        self._row[self._reading] = 0.0

    def send(self, items: list[Item]) -> tuple[float, ...]:
        """Let items act that end in a frame: what that frame reads; of none, the saved state."""
        count = len(items)
        if not count:
            self._save(self._address)
            return self._saved.unpack_from(self._row, self._state)
        if count > MOST:
            for begin in range(0, count - MOST, MOST):
                self._act(items[begin : begin + MOST])
            items = items[(count - 1) // MOST * MOST :]
        self._act(items)
        self._seen = values = self._values.unpack_from(self._row, self._out)
        return values

    def _act(self, items: list[Item]) -> None:
        count = len(items)
        _doubles(4 * count + 1).pack_into(self._row, self._items, count, *chain.from_iterable(items))
        self._run(self._address)

    def pose(
        self, values: tuple[float, ...], host: tuple[float, ...], t: float, rig: tuple[float, ...]
    ) -> tuple[float, ...]:
        """The pose of what a frame reads, then what mounts keep from now on; as the program makes them."""
        row = self._row
        if values is not self._seen:
            self._values.pack_into(row, self._out, *values)
            self._seen = values
        if self._asks:
            self._said.pack_into(row, 0, t, *host)
        else:
            row[0] = t
        if self._kept:
            self._kept.pack_into(row, self._rig, *rig)
        self._pose(self._address)
        return self._read_pose(row, self._made)

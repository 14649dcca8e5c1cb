"""What the doors of window libraries have in common: places, keys, pads and cursors, as a session takes them.

Screens count y downwards, in pixels of the window; what a library says otherwise is turned by its own door.
"""

from __future__ import annotations

from abc import ABC, abstractmethod
from collections import Counter
from typing import TYPE_CHECKING, Any

from .pads import Pads
from .xr_door import finite

if TYPE_CHECKING:
    from ..session import Session, View

STEP = 2.0 / 65535.0
"""The least step of a stick of 16 bits."""
CURSORS = ("free", "hidden", "held")


class WindowDoor(ABC):
    """Feeds a session what a window says: public calls here, what a library says in the class of its own.

    Bad events are counted in :attr:`refused`; nothing raises.
    """

    def __init__(
        self,
        session: Session,
        *,
        counts: bool = True,
        pixels_per_cm: float | None = None,
        pad: int | None = None,
    ) -> None:
        """Stand before a `session`.

        With `counts` movements of the mouse are ``mouse.move``, else ``mouse.pixels``. `pixels_per_cm` is for
        lengths in cm, in pixels of the window. `pad` is the number of the one gamepad that counts, from 0 in
        the order in which they were plugged in; None for all of them.
        """
        self.session, self._feed = session, session.feed
        self.counts = counts
        """Whether movements of the mouse are counts."""
        self.refused: Counter[tuple[str, str]] = Counter()
        """How often an event was refused, by its kind and the reason."""
        self.cursor = "free"
        """What the pointer is now: ``free``, ``hidden``, or ``held`` where it is."""
        self.pads = Pads(session.feed, pad)
        """The gamepads that are there."""
        self._per_cm = pixels_per_cm
        self._size = (1.0, 1.0)
        self.resized(*self.window_size())

    # ---- what a library does

    @abstractmethod
    def window_size(self) -> tuple[float, float]:
        """How large the window is now, in its own pixels."""

    @abstractmethod
    def show_cursor(self, cursor: str) -> None:
        """Let the window's pointer be ``free``, ``hidden`` or ``held``."""

    def poll(self) -> None:  # noqa: B027
        """Ask for what comes without an event, such as the state of gamepads; most have nothing to ask."""

    # ---- what a host calls

    def frame(self, view: View | None = None) -> None:
        """Call it once a frame, before the tick; the pointer becomes what the last `view` asks for."""
        self.poll()
        if view is not None and view.cursor != self.cursor:
            self.cursor = view.cursor
            self.show_cursor(view.cursor)

    # ---- what the doors say

    def resized(self, wide: float, tall: float) -> None:
        """Say how large the view is; nothing where it is no size, as of a window that is folded away."""
        if wide >= 1.0 and tall >= 1.0:
            self._size = (float(wide), float(tall))
            self.session.set_screen(wide, tall, pixels_per_cm=self._per_cm)

    def moved(self, right: float, down: float) -> None:
        """Say how far the mouse went.

        While the pointer is held a movement of 0 is said too: it is a capture without a jump.
        """
        if right or down or self.cursor == "held":
            self._feed("mouse.move" if self.counts else "mouse.pixels", (right, -down))

    def at_place(self, x: float, y: float) -> tuple[float, float]:
        """A place of the window, y down, as 0..1 of the view from its bottom left corner."""
        wide, tall = self._size
        across, up = x / wide, 1.0 - y / tall
        if 0.0 <= across <= 1.0 and 0.0 <= up <= 1.0:  # nearly all are
            return across, up
        return clipped(across), clipped(up)

    def pointed(self, x: float, y: float) -> None:
        """Say where the pointer is; while it is held it has no place."""
        if self.cursor != "held":
            self._feed("mouse.place", self.at_place(x, y))

    def pressed(self, signal: str, down: object, on: str | None = None) -> None:
        """Say that a key or a button went down or up."""
        self._feed(signal, 1.0 if down else 0.0, on=on)

    def rolled(self, right: float, away: float) -> None:
        """Say how far the wheel turned, in notches."""
        self._feed("mouse.wheel", (right, away))

    def focused(self, has: object) -> None:
        """Say whether the window has the focus."""
        self._feed("host.focus", float(bool(has)))

    def inside(self, there: object) -> None:
        """Say whether the pointer is inside the window."""
        self._feed("mouse.inside", float(bool(there)))

    def refuse(self, kind: str, error: Exception) -> None:
        """Count an event that is not as the library says it is."""
        self.refused[kind, f"{type(error).__name__}: {error}"[:80]] += 1


def clipped(share: float) -> float:
    """A share from 0 to 1."""
    return 0.0 if share < 0.0 else 1.0 if share > 1.0 else share


def axis(value: Any, full: float) -> float:
    """A number of a stick or trigger as a share, -1 to 1, which both ends reach."""
    return min(max(finite(value) / full, -1.0), 1.0)


def stick(value: Any) -> float:
    """A share of a stick from -1 to 1; a middle that a library puts half a step of 16 bits beside 0 is 0."""
    told = axis(value, 1.0)
    return told if abs(told) > STEP else 0.0

"""What a host says about its world: its screen, the ground, contacts."""

from __future__ import annotations

from typing import TYPE_CHECKING, Protocol

from ..basics import ArgumentError
from ..formulas import evened, is_rotation
from ..plan import ATTITUDE, FINGERS
from .readings import NO_ROTATION

if TYPE_CHECKING:
    from collections.abc import Callable, Sequence

    from .coordinates import Coordinates
    from .view import Triple


PLACES = ("", *(f"touch.{finger}.place" for finger in range(1, FINGERS + 1)))
"""The signal of where a finger is, by its number."""


class Intaking(Protocol):
    """What takes events: a session's intake, or a recorder."""

    def feed(
        self, signal: str, value: float | Sequence[float], at: float | None = None,
        device: str | None = None, on: str | None = None,
    ) -> None:  # fmt: skip
        """Take one event."""

    def refuse(self, signal: str, reason: str) -> None:
        """Count what was refused."""

    @property
    def contacts(self) -> bool:
        """Whether anything uses contacts."""


class Host:
    """Makes events from what a host says about its world."""

    def __init__(
        self,
        intake: Intaking,
        coordinates: Coordinates | None = None,
        feed: Callable[..., None] | None = None,
    ) -> None:
        """Give events to an intake; `feed` is a quicker way in, where there is one."""
        self._intake, self._coordinates, self._feed = intake, coordinates, feed or intake.feed
        self.ids: dict[object, int] = {}
        """For each contact of the host's the finger that it is."""

    def set_screen(
        self, width: float, height: float, at: float | None = None, *, pixels_per_cm: float | None = None
    ) -> None:
        """As :meth:`Session.set_screen` says."""
        if not (1.0 <= width <= 1e6 and 1.0 <= height <= 1e6):
            raise ArgumentError(f"screen: found {width!r} by {height!r}; expected 1 to a million pixels")
        if pixels_per_cm is not None and not 0.0 < pixels_per_cm <= 1e4:
            raise ArgumentError(f"pixels_per_cm: found {pixels_per_cm!r}; expected above 0 to 10,000")
        self._intake.feed("host.screen", (width, height), at=at)
        if pixels_per_cm is not None:
            self._intake.feed("host.pixels_per_cm", pixels_per_cm, at=at)

    def touch(
        self,
        contact: object,
        phase: str,
        place: Sequence[float] | None = None,
        at: float | None = None,
        device: str | None = None,
        on: str | None = None,
    ) -> None:
        """As :meth:`Session.touch` says."""
        finger = self.ids.get(contact)
        if phase == "move" and place is not None:  # nearly all are
            if finger is not None:
                self._feed(PLACES[finger], place, at, device)
            return
        if phase not in ("down", "move", "up", "cancel"):
            raise ArgumentError(f'phase: found {phase!r}; expected "down", "move", "up" or "cancel"')
        if not self._intake.contacts or (phase != "down" and finger is None):
            return
        if finger is None:
            free = [k for k in range(1, FINGERS + 1) if k not in self.ids.values()]
            if not free:
                self._intake.refuse("touch", f"more than {FINGERS} fingers")
                return
            finger = self.ids[contact] = free[0]
        if place is not None:
            self._intake.feed(PLACES[finger], place, at, device)
        if phase in ("down", "up"):
            self._intake.feed(f"touch.{finger}.down", float(phase == "down"), at=at, device=device, on=on)
        elif phase == "cancel":
            self._intake.feed(f"touch.{finger}.cancel", 1.0, at=at, device=device)
        if phase in ("up", "cancel"):
            del self.ids[contact]

    def motion(
        self,
        turn: Sequence[float],
        force: Sequence[float] | None = None,
        at: float | None = None,
        device: str | None = None,
    ) -> None:
        """As :meth:`Session.motion` says."""
        said = {"motion.turn": turn} if force is None else {"motion.force": force, "motion.turn": turn}
        found = {name: self._finite(name, values, 3) for name, values in said.items()}
        for name, numbers in found.items() if all(found.values()) else ():
            for part, number in zip("xyz", numbers, strict=True):
                self._intake.feed(f"{name}.{part}", number, at=at, device=device)

    def attitude(self, rotation: Sequence[float], at: float | None = None, device: str | None = None) -> None:
        """As :meth:`Session.attitude` says."""
        numbers = self._finite("motion.attitude", rotation, 4)
        if numbers and not is_rotation(*numbers):
            self._intake.refuse("motion.attitude", NO_ROTATION)
        elif numbers:
            for name, value in zip(ATTITUDE, evened(*numbers), strict=True):
                self._intake.feed(name, value, at=at, device=device)

    def _finite(self, name: str, values: Sequence[float], count: int) -> list[float]:
        """Numbers that belong together; if one is not finite, all are refused, and the result is empty."""
        try:
            numbers = [float(value) for value in values]
        except (TypeError, ValueError, OverflowError):
            numbers = []
        if len(numbers) == count and all(number - number == 0.0 for number in numbers):
            return numbers
        self._intake.refuse(name, f"not {count} finite numbers")
        return []

    def set_ground(self, normal: Triple, at: float | None = None) -> None:
        """As :meth:`Session.set_ground` says."""
        own = self._coordinates
        x, y, z = own.told_direction(normal) if own else normal
        if not (y > 0.0 and abs(x / y) <= 1e3 and abs(z / y) <= 1e3):
            up = own.basis.up if own else "+y"
            raise ArgumentError(f"normal: found {normal!r}; expected (x, y, z) that points up, along {up}")
        self._intake.feed("host.slope", (-x / y, -z / y), at=at)

    def set_platform(self, velocity: Triple, at: float | None = None) -> None:
        """Say how fast the ground under the character moves, in m/s; it is carried along."""
        own = self._coordinates
        numbers = self._finite("host.platform", own.told_place(velocity) if own else velocity, 3)
        if numbers:
            x, y, z = numbers
            self._intake.feed("host.platform", (x, z), at=at)
            self._intake.feed("host.lift", y, at=at)

"""What a door feeds: a session, or what stands in for one to keep what a door says."""

from __future__ import annotations

from typing import TYPE_CHECKING, Protocol

if TYPE_CHECKING:
    from collections.abc import Sequence

    from .coordinates import Coordinates
    from .view import Quadruple


class Fed(Protocol):
    """What takes what devices report, as a :class:`Session` says of each."""

    @property
    def coordinates(self) -> Coordinates | None:
        """The host's axes and units; None where they are ours."""

    def feed(
        self, signal: str, value: float | Sequence[float], at: float | None = None,
        device: str | None = None, on: str | None = None,
    ) -> None:  # fmt: skip
        """Take one event."""

    def align(self, device: str, their_time: float, at: float | None = None) -> None:
        """Say what a device's clock shows now."""

    def set_hand(self, side: str, rotation: Quadruple) -> None:
        """Say which way a hand points."""

    def set_screen(
        self, width: float, height: float, at: float | None = None, *, pixels_per_cm: float | None = None
    ) -> None:
        """Say how large the view is."""

    def touch(
        self, contact: object, phase: str, place: Sequence[float] | None = None, at: float | None = None,
        device: str | None = None, on: str | None = None,
    ) -> None:  # fmt: skip
        """Say where a finger is."""

    def motion(
        self, turn: Sequence[float], force: Sequence[float] | None = None, at: float | None = None,
        device: str | None = None,
    ) -> None:  # fmt: skip
        """Say how a device is moved."""

    def attitude(self, rotation: Sequence[float], at: float | None = None, device: str | None = None) -> None:
        """Say how a device is held."""

"""Gamepads behind a door: which of them count, and what each has said."""

from __future__ import annotations

from typing import TYPE_CHECKING, Protocol

if TYPE_CHECKING:
    from collections.abc import Mapping

REST: dict[str, float | tuple[float, float]] = {
    "left_stick": (0.0, 0.0), "right_stick": (0.0, 0.0), "left_trigger": 0.0, "right_trigger": 0.0,
}  # fmt: skip
"""What a pad says that nobody touches; its buttons are up."""


class Say(Protocol):
    """What takes what a pad says, such as ``session.feed``."""

    def __call__(self, signal: str, value: float | tuple[float, float], at: float | None = None) -> None:
        """Take one event."""


class Pads:
    """Says what has changed on the gamepads that count, by any key that tells them apart."""

    def __init__(self, say: Say, only: int | None = None) -> None:
        """Pass on what is said; `only` is the number of the one that counts, None for all of them."""
        self._say, self._only = say, only
        self._told: dict[object, dict[str, float | tuple[float, float]]] = {}
        self._numbers: list[object] = []

    def plugged(self, pad: object, at: float | None = None) -> None:
        """A gamepad is there; it takes the first number that is free."""
        if pad in self._told:
            return
        self._told[pad] = {}
        for number, there in enumerate(self._numbers):
            if there not in self._told:
                self._numbers[number] = pad
                break
        else:
            self._numbers.append(pad)
        if self._counts(pad):
            self._say("pad.connected", 1.0, at)

    def unplugged(self, pad: object, at: float | None = None) -> None:
        """A gamepad is gone: what it held is let go, and what others hold still counts."""
        counted = self._counts(pad)
        if self._told.pop(pad, None) is None or not counted:
            return
        self._say("pad.connected", 0.0, at)
        others = [one for one in self._told if self._counts(one)]
        if others:
            self._say("pad.connected", 1.0, at)
            for one in others:
                said, self._told[one] = self._told[one], {}
                self.says(one, said, at)

    def says(
        self, pad: object, said: Mapping[str, float | tuple[float, float]], at: float | None = None
    ) -> None:
        """Say what a gamepad says now, of the standard layout, y up; only what has changed is passed on."""
        if pad not in self._told or not self._counts(pad):
            return
        before = self._told[pad]
        for name, value in said.items():
            if before.get(name, REST.get(name, 0.0)) != value:
                self._say(f"pad.{name}", value, at)
            before[name] = value

    def _counts(self, pad: object) -> bool:
        """Whether a gamepad is the one that counts."""
        return self._only is None or (self._only < len(self._numbers) and self._numbers[self._only] == pad)

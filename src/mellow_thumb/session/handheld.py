"""How the handheld device is turned, and what is known of its sensors, from a running program."""

from __future__ import annotations

from functools import cache
from typing import TYPE_CHECKING, NamedTuple

from ..formulas import product, unit
from ..weaving import Alone, weave_alone

if TYPE_CHECKING:
    from collections.abc import Mapping, Sequence

    Triple = tuple[float, float, float]

GRAVITY = 9.80665
"""Metres a second squared."""


class HandheldState(NamedTuple):
    """How the handheld device is turned, and what is known of its sensors."""

    rotation: tuple[float, float, float, float]
    """From its own frame to one with +Y up, wherever north is: a unit quaternion x, y, z, w."""
    bias: tuple[float, float, float]
    """What its gyroscope says about each axis while it does not turn (deg/s), as far as that is known."""
    uncertainty: tuple[float, float, float]
    """The standard deviation of that (deg/s): 1 while nobody knows."""
    resting: bool
    """Whether it lies still, as far as its sensors can tell."""


def handheld_state(state: Mapping[str, float]) -> HandheldState:
    """A device's attitude from the state of a program that tracks it."""

    def kept(what: str, parts: Sequence[str]) -> list[float]:
        return [state[f"attitude_{what}_{part}"] for part in parts]

    x, y, z = kept("bias", "xyz")
    a, b, c = (max(one, 0.0) ** 0.5 for one in kept("variance", ("xx", "yy", "zz")))
    turned = product(*kept("righted", "xyzw"), *kept("turned", "xyzw"))
    return HandheldState(unit(*turned), (x, y, z), (a, b, c), state["attitude_resting"] != 0.0)


class Attitude:
    """The attitude by itself, as a session has it: for drawing or measuring a recording."""

    def __init__(self) -> None:
        """Start with nothing known."""
        self._alone = _alone()
        self._state = self._alone.start

    @property
    def held(self) -> HandheldState:
        """How the device is turned, and what is known of its sensors."""
        return handheld_state(dict(zip(self._alone.state, self._state, strict=True)))

    @property
    def up(self) -> Triple:
        """The unit vector to the sky, in the device's frame."""
        x, y, z = self._alone.up(*self._state)
        return x, y, z

    def weigh(self, force: Triple) -> None:
        """Take a reading of the accelerometer, m/s2; at rest it points to the sky."""
        self._state = self._alone.weigh(*self._state, *force)

    def turn(self, turn: Triple, t: float) -> None:
        """Take a reading of the gyroscope, deg/s, at a time (s)."""
        self._state = self._alone.turn(*self._state, *turn, t)


@cache
def _alone() -> Alone:
    return weave_alone()

"""Touches: what fingers on a screen become: drags, spreads, twists, thumb pads."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..basics import PlanError, listed
from .signals import Signal

if TYPE_CHECKING:
    from collections.abc import Iterator

SINGLE, DOUBLE = ("drag", "thumb_pad"), ("two_finger_drag", "spread", "twist")
KINDS = ("drag", "two_finger_drag", "spread", "twist", "thumb_pad")
"""What a touch may be: of one finger, of two, or a pad that one finger holds."""
SWITCHES = ("down", "still", "tap")
"""The switches of each touch: fingers are on it; none has gone anywhere yet; a short press, for a moment."""

TAP = 0.25
"""Seconds that a tap lasts at the most."""
SLOP = 0.02
"""How far a finger may slip that taps, in screens, where no travel is stated."""
_OURS = "this library, made of contacts: W3C Pointer Events 3, section 'Pointer Event Types'"


@dataclass(frozen=True, slots=True)
class Length:
    """A length on the screen: in screens (its shorter side is 1), or in cm, where its scale is known."""

    value: float
    unit: str = "screen"

    def screens(self, cm: float) -> float:
        """The same in screens, of which one is so many cm; not a number where that is not known."""
        if self.unit == "screen" or not self.value:
            return self.value
        return self.value / cm if cm > 0.0 else float("nan")


NOTHING = Length(0.0)


@dataclass(frozen=True, slots=True)
class Touch:
    """One thing that fingers do on a part of the screen.

    `region` is left, bottom, right, top, 0..1; a contact is claimed as it lands, by the highest `priority`
    whose region it is in and whose thing it begins on, and kept until it lifts. Touches of one region,
    beginning and priority share their contacts: one finger drags, two drag, spread and twist.

    Nothing moves before a finger has gone as far as `after_travel`. A thumb pad is pushed to its rim at
    `radius` from its `centre`: where the finger lands (none), or a place 0..1; it `follows` a finger that
    goes further.
    """

    name: str
    kind: str
    region: tuple[float, float, float, float] = (0.0, 0.0, 1.0, 1.0)
    starts_on: str = ""
    priority: int = 0
    after_travel: Length = NOTHING
    radius: Length = NOTHING
    centre: tuple[float, float] | None = None
    follows: bool = False

    def __post_init__(self) -> None:
        left, bottom, right, top = self.region
        if self.kind not in KINDS:
            raise PlanError(f"{self.name}: found {self.kind}; expected {listed(KINDS)}")
        if not (0.0 <= left < right <= 1.0 and 0.0 <= bottom < top <= 1.0):
            raise PlanError(
                f"{self.name}: region: found {list(self.region)}; expected left, bottom, right, top, 0 to 1",
                path=("region",),
            )
        if self.kind == "thumb_pad" and not 0.0 < self.radius.value <= 100.0:
            raise PlanError(f"{self.name}: found a pad without a radius; expected one in screens or cm")
        if not 0.0 <= self.after_travel.value <= 100.0:
            raise PlanError(
                f"{self.name}: after_travel: found {self.after_travel.value:g}; expected 0 to 100",
                path=("after_travel",),
            )

    @property
    def signal(self) -> Signal:
        """What it is for a route: screens, a factor, degrees or a deflection."""
        name = f"touch.{self.name}"
        ways = "x: fingers to the right; y: up"
        if self.kind == "thumb_pad":
            return Signal(name, "deflection", "", -1.0, 1.0, "x: right; y: up", _OURS, pair=True)
        if self.kind == "spread":
            return Signal(name, "ratio", "x", -50.0, 50.0, "above 1: fingers go apart", _OURS)
        if self.kind == "twist":
            return Signal(name, "displacement", "deg", -360.0, 360.0, "fingers turn clockwise", _OURS)
        return Signal(name, "displacement", "screen", -100.0, 100.0, ways, _OURS, pair=True)

    @property
    def signals(self) -> Iterator[Signal]:
        """That, where its fingers are, and its switches."""
        yield self.signal
        name, words = f"touch.{self.name}.place", "x: to the right; y: up"
        yield Signal(name, "position", "", 0.0, 1.0, words, _OURS, pair=True, start=0.5)
        for what in SWITCHES:
            words = {"down": "fingers are on it", "still": "they have gone nowhere yet", "tap": "a tap"}[what]
            yield Signal(f"touch.{self.name}.{what}", "switch", "", 0.0, 1.0, f"1: {words}", _OURS)

    @property
    def area(self) -> tuple[object, ...]:
        """What it has in common with the touches that share its contacts."""
        return (self.kind == "thumb_pad" and self.name, self.region, self.starts_on, self.priority)

"""Touches: what fingers on a screen do: drags, spreads, twists, thumb pads."""

from __future__ import annotations

from dataclasses import dataclass
from itertools import combinations
from typing import TYPE_CHECKING, ClassVar

from ..basics import PlanError, listed
from .signals import Signal

if TYPE_CHECKING:
    from collections.abc import Iterator

SINGLE, DOUBLE = ("drag", "thumb_pad"), ("two_finger_drag", "spread", "twist")
KINDS = ("drag", "two_finger_drag", "spread", "twist", "thumb_pad")
"""What a touch may be: of one finger, of two, or a pad that one finger holds."""
TAPS = ("tap", "two_finger_tap", "three_finger_tap")
"""Taps by the number of their fingers."""
SWITCHES = ("down", "still", *TAPS)
"""The switches of each touch: fingers are on it; one has landed and gone nowhere yet; taps, for a moment."""

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

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("value",)

    def screens(self, cm: float) -> float:
        """The same in screens, for a screen of so many cm; NaN if that is unknown."""
        if self.unit == "screen" or not self.value:
            return self.value
        return self.value / cm if cm > 0.0 else float("nan")


NOTHING = Length(0.0)


@dataclass(frozen=True, slots=True)
class Touch:
    """One thing that fingers do on a part of the screen.

    `region` is left, bottom, right, top, 0..1; a contact is claimed when it lands, by the highest `priority`
    whose region it is in and whose thing it begins on, and kept until it lifts. Touches with the same region,
    thing and priority share their contacts: one finger drags, two drag, spread and twist.

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
    tap_within: float = TAP
    """How long a tapping finger may be down (s)."""
    tap_travel: Length = NOTHING
    """How far it may slip; none: as far as its touches wait for, or `SLOP`."""

    OF_SHAPE: ClassVar[tuple[str, ...]] = ("region",)

    def __post_init__(self) -> None:
        left, bottom, right, top = self.region
        if self.kind not in KINDS:
            raise PlanError(f"{self.name}: found {self.kind}; expected {listed(KINDS)}")
        if not (0.0 <= left < right <= 1.0 and 0.0 <= bottom < top <= 1.0):
            raise PlanError(
                f"{self.name}: region: found {list(self.region)}; expected left, bottom, right, top, 0 to 1",
                path=("region",),
            )
        if not 0.0 < self.tap_within <= 60.0:
            raise PlanError(f"{self.name}: tap_time: found {self.tap_within:g} s; expected above 0 to 60 s")
        if self.kind == "thumb_pad" and not 0.0 < self.radius.value <= 100.0:
            raise PlanError(f"{self.name}: found a pad without a radius; expected one in screens or cm")
        if not 0.0 <= self.after_travel.value <= 100.0:
            raise PlanError(
                f"{self.name}: after_travel: found {self.after_travel.value:g}; expected 0 to 100",
                path=("after_travel",),
            )

    @property
    def signal(self) -> Signal:
        """The signal that a route sees: screens, a factor, degrees or a deflection."""
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
        """That signal, the place of its fingers, and its switches."""
        yield self.signal
        name, words = f"touch.{self.name}.place", "x: to the right; y: up"
        yield Signal(name, "position", "", 0.0, 1.0, words, _OURS, pair=True, start=0.5)
        for what in SWITCHES:
            words = {"down": "fingers are on it", "still": "the last has gone nowhere yet"}.get(what, "a tap")
            yield Signal(f"touch.{self.name}.{what}", "switch", "", 0.0, 1.0, f"1: {words}", _OURS)

    @property
    def in_cm(self) -> bool:
        """Whether its fingers mean nothing until the host says how long a cm is."""
        return any(one.unit == "cm" and one.value for one in (self.after_travel, self.radius))

    @property
    def size(self) -> float:
        """The share of the screen that its region covers."""
        left, bottom, right, top = self.region
        return (right - left) * (top - bottom)

    @property
    def area(self) -> tuple[object, ...]:
        """What it has in common with touches that share its contacts."""
        return (self.kind == "thumb_pad" and self.name, self.region, self.starts_on, self.priority)


def areas_of(touches: tuple[Touch, ...]) -> tuple[tuple[Touch, ...], ...]:
    """Groups of touches that share fingers, in the order in which they take them.

    The higher priority comes first; then a touch that asks what a finger lands on; then the smaller region;
    and in the same region a pad, which leaves other fingers to the rest.
    """
    found: dict[object, list[Touch]] = {}
    for touch in sorted(touches, key=lambda one: KINDS.index(one.kind)):
        found.setdefault(touch.area, []).append(touch)

    def rank(area: list[Touch]) -> tuple[object, ...]:
        first = area[0]
        return (-first.priority, not first.starts_on, first.size, first.kind != "thumb_pad")

    ordered = sorted(found.values(), key=lambda area: (rank(area), area[0].region, area[0].starts_on))
    for one, other in combinations(ordered, 2):
        if rank(one) == rank(other) and _may_meet(one[0], other[0]):
            names = listed([one[0].name, other[0].name], "and")
            raise PlanError(
                f"{names} ask for the same fingers, and nothing says which of them has one; expected a "
                "priority for one of them, or regions apart",
                path=("touch", other[0].name),
            )
    return tuple(tuple(area) for area in ordered)


def _may_meet(one: Touch, other: Touch) -> bool:
    """Whether a finger can land where both want it."""
    apart = one.starts_on and other.starts_on and one.starts_on != other.starts_on
    (a, b, c, d), (e, f, g, h) = one.region, other.region
    return not apart and a < g and e < c and b < h and f < d

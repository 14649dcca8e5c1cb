"""Routes: from a signal, through conditioning, to one axis or a pair of axes."""

from __future__ import annotations

from dataclasses import dataclass, field, fields
from typing import TYPE_CHECKING, ClassVar

from ..basics import PlanError, listed
from .axes import NEARING, PANS
from .signals import DEVICES
from .steps import Close, Exponential, OneEuro, Shape, SlowFast, Smoothing, SpeedGain, Spring, TurnBoost

if TYPE_CHECKING:
    from collections.abc import Iterator

    from .gates import Condition, When
    from .signals import Address

EFFECTS = ("step", "rate", "offset", "pin")
"""What a route does: add at once, add over time, lean the axis away while it is held, or drag a point."""
PINS = ("", "ground", "pointer")
"""What a route holds on to: nothing, what is under the pointer as its gate opens, or as it acts."""


@dataclass(frozen=True, slots=True)
class Route:
    """A route in its axes' units, with all signs in its gains.

    `gains` holds, for each axis in `drives`, the amount for one unit of the signal (``step``), the rate a
    second at full deflection (``rate``), or the lean at full deflection (``offset``).
    """

    name: str
    source: Address
    drives: tuple[str, ...]
    gains: tuple[float, ...]
    gate: When | None = None
    smoothing: Smoothing | None = None
    effect: str = "step"
    shape: Shape = field(default_factory=Shape)
    speed_gain: SpeedGain | None = None
    turn_boost: TurnBoost | None = None
    scales: tuple[tuple[Condition, float], ...] = ()
    """Factors, each while a gate is open (or closed)."""
    with_zoom: bool = False
    """Whether it keeps its feel under magnification."""
    on_close: Close | None = None
    """What becomes of its effect as its gate closes; unless stated, a rate stops and the rest settles."""
    fresh: bool | None = None
    """Whether what is held as the gate opens must be let go first; unless stated, keys must, sticks not."""
    zero_on_open: bool = False
    """Whether a held value is measured from where it is as the gate opens."""
    pins: str = ""
    """``ground``: it drags what is under the pointer; ``pointer``: it brings that nearer, not the middle."""
    glide: float = 0.0
    """Half-life (s) with which it runs out after the fingers lift; 0: not at all."""
    gliding: Exponential | None = field(init=False, repr=False, compare=False)
    """What it runs out by, if it does."""
    screens: bool = False
    """Whether its gains are in screens, and not in metres."""
    full: float = 360.0
    """For an angle: how many degrees are all of it."""

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("glide",)

    def __post_init__(self) -> None:
        if not len(self.drives) == len(self.gains) == self.source.width:
            raise PlanError(
                f"{self.name}: {self.source} has {self.source.width} component(s), "
                f"for {len(self.drives)} axes and {len(self.gains)} gains"
            )
        if not isinstance(self.smoothing, Smoothing | None):
            raise PlanError(
                f"{self.name}: found the smoothing {self.smoothing!r}; expected one of the smoothings"
            )
        if self.effect not in EFFECTS:
            raise PlanError(f"{self.name}: found the effect {self.effect}; expected {listed(EFFECTS)}")
        placed = self.source.signal.kind == "position"
        if (self.effect == "step") == self.source.signal.held or placed != (self.effect == "pin"):
            raise PlanError(
                f"{self.name}: {self.source} is a {self.source.signal.kind}; it cannot {self.effect}"
            )
        for wrong, key, words in self._misfits():
            if wrong:
                raise PlanError(f"{self.name}: found {words}", path=(key,))
        object.__setattr__(self, "gliding", Exponential(self.glide) if self.glide else None)

    def _misfits(self) -> Iterator[tuple[bool, str, str]]:
        """What does not fit together: the wrong key, what was found and what is expected."""
        step, rate, eased = self.effect == "step", self.effect == "rate", self.smoothing
        yield self.pins not in PINS, "pins", f"pins {self.pins}; expected {listed(PINS[1:])}"
        yield from self._wrong_pins()
        touched = step and self.source.signal.device == "touch" and self.source.signal.kind == "displacement"
        words = "a glide on what no finger drags; expected a drag or a twist"
        yield bool(self.glide) and not touched, "glide", words
        yield not 0.0 <= self.glide <= 10.0, "glide", f"glide {self.glide:g} s; expected 0 to 10 s"
        shaping = f"a {listed([*(step.name for step in fields(Shape)), 'turn_boost'])}"
        shaped, key = self.shape != Shape() or self.turn_boost is not None, self._shaping
        yield step and shaped, key, f"{shaping} on a displacement; expected a speed_gain"
        own = self.source.signal.kind == "rate" and shaped
        yield own, key, f"{shaping} on a rate; expected a smoothing"
        words = "a speed_gain on a held value; expected a curve"
        yield not step and self.speed_gain is not None, "speed_gain", words
        lone = not rate and (self.turn_boost is not None or isinstance(eased, OneEuro))
        words = "a turn_boost or one_euro; expected them on a held value that turns at a rate"
        yield lone, "turn_boost" if self.turn_boost else "smoothing", words
        slow = isinstance(eased, SlowFast)
        words = "slow_fast on an offset; expected half_life or spring"
        yield self.effect == "offset" and slow, "smoothing", words
        boosted = self.turn_boost is not None and isinstance(eased, Spring | OneEuro | SlowFast)
        yield boosted, "smoothing", "a turn_boost with another smoothing; expected half_life, or none"
        gated = "on_close" if self.on_close else "needs_fresh_press" if self.fresh is not None else "zero"
        asks = self.on_close or self.fresh is not None or self.zero_on_open
        words = "on_close, needs_fresh_press or zero; expected a gate with it"
        yield bool(asks and not self.gate), gated, words
        zeroes = self.source.signal.kind in ("deflection", "angle") and self.source.signal.device in DEVICES
        words = "a zero on what has none; expected a stick, trigger or tilt"
        yield self.zero_on_open and not zeroes, "zero", words
        words = f"an angle of {self.full:g} deg; expected above 0 to 360 deg"
        yield not 0.0 < self.full <= 360.0, "dead_zone", words
        rests = self.shape.rests or self.shape.reach != "disc"
        yield self.tilts and rests, self._shaping, "a rest or a reach on an angle; expected a zero"
        words = "slow_fast on an angle; expected half_life, spring or one_euro"
        yield self.tilts and slow, "smoothing", words
        words = "needs_fresh_press on a displacement; expected a held value"
        yield bool(step and self.fresh), "needs_fresh_press", words

    @property
    def _shaping(self) -> str:
        """The first key that shapes a held value."""
        given = (step.name for step in fields(Shape) if getattr(self.shape, step.name) != step.default)
        return next(given, "turn_boost")

    def _wrong_pins(self) -> Iterator[tuple[bool, str, str]]:
        """What does not fit together with `pins`, or with pans."""
        pans, pin = set(self.drives) & set(PANS), self.effect == "pin"
        grabs = pin != (self.pins == "ground")
        yield grabs, "pins", 'pins "ground" without the pointer, or the pointer without it; expected both'
        words = f"a pin on {listed(self.drives)}; expected the pans"
        yield pin and self.drives != PANS, "drives", words
        words = "a pin without a gate; expected one: a button to drag by"
        yield pin and not self.gate, "pins", words
        near = self.pins == "pointer" and (len(self.drives) > 1 or self.drives[0] not in NEARING)
        yield near, "pins", 'pins "pointer" on another axis; expected distance or zoom alone'
        mixed = bool(pans) and not set(self.drives) <= set(PANS)
        yield mixed, "drives", "a pan beside another axis; expected pans alone"
        words = "an offset on a pan; expected what moves it"
        yield bool(pans) and self.effect == "offset", "sensitivity", words
        back = self.gate is not None and self.closing.way == "return"
        yield bool(pans) and back, "on_close", "a return on a pan; expected stop or settle"
        words = "screens on another axis than a pan; expected its own unit"
        yield self.screens and not pans, "sensitivity", words

    @property
    def tilts(self) -> bool:
        """Whether it uses how far a device is turned from a pose."""
        return self.source.signal.kind == "angle"

    @property
    def closing(self) -> Close:
        """What happens to its effect when its gate closes."""
        return self.on_close or Close("stop" if self.effect == "rate" else "settle")

    @property
    def pans(self) -> bool:
        """Whether it moves a view over a plane."""
        return bool(set(self.drives) & set(PANS))

    @property
    def pointer(self) -> str:
        """The signal for where its pinned pointer is: its own, its fingers, or the mouse."""
        if self.effect == "pin":
            return self.source.signal.name
        return f"{self.source.signal.name}.place" if self.source.signal.device == "touch" else "mouse.place"

    @property
    def parts(self) -> tuple[tuple[str, str, float], ...]:
        """For each axis: its name, the component (``x`` or ``y``) that drives it, and the gain."""
        return tuple(zip(self.drives, self.source.components, self.gains, strict=True))

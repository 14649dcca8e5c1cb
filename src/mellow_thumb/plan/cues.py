"""Cues: named momentary commands, such as a hop, made from presses."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from ..basics import PlanError, listed
from ..expressions import FALSE, TRUE, cases, every, flag, some, where
from ..formulas import shaping
from .buttons import Latches
from .words import ANCHOR, NEVER

if TYPE_CHECKING:
    from ..expressions import Block, Handle, Name, State, Value
    from .buttons import Buttons
    from .changes import Change, Inputs
    from .gates import Travel, When

MOMENTS = ("press", "release", "tap", "double_tap", "long_press")
"""What of a press makes a cue."""

WITHIN = {"tap": 0.25, "double_tap": 0.3}
"""Seconds that a tap may last, and that may lie between two taps, unless a cue says otherwise."""

KEEP = 0.2
"""Seconds for which the host may still take a cue, unless it says otherwise: ten steps of slow physics."""

LONG = 0.5
"""Seconds that a long press lasts, unless a cue says otherwise."""


@dataclass(frozen=True, slots=True)
class Cue:
    """A command given at a moment of a press; only presses that begin while it listens count.

    `within` (s) is how short a tap must be, or how soon a second one must follow; `after` (s) how long a
    long press lasts. Within `cooldown` (s) of the last time it is not given again. The host may still
    take it for `keep` seconds. A press during which a displacement went beyond `travel` was a drag, and
    gives nothing.
    """

    name: str
    buttons: Buttons
    on: str = "press"
    gate: When | None = None
    within: float = WITHIN["tap"]
    after: float = LONG
    cooldown: float = 0.0
    keep: float = KEEP
    travel: Travel | None = None

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("cooldown",)

    def __post_init__(self) -> None:
        if self.on not in MOMENTS:
            raise PlanError(f"{self.name}: on: found {self.on}; expected {listed(MOMENTS)}", path=("on",))
        for what in ("within", "after", "cooldown", "keep"):
            value = getattr(self, what)
            if not 0.0 <= value <= 60.0:
                raise PlanError(f"{self.name}: {what}: found {value:g} s; expected 0 to 60 s", path=(what,))
        if self.travel and self.on == "press":
            found = f"{self.name}: within_travel: found one of a press, which is over as it begins"
            raise PlanError(f"{found}; expected on = tap, or another that waits", path=("within_travel",))


@dataclass(eq=False)
class CueState:
    """The state of a cue, and how presses give it."""

    cue: Cue
    count: Handle
    """How often it was given."""
    latches: Latches
    last: Handle
    """When it was given last (s)."""
    was: Handle
    """Whether it was held."""
    counts: Handle
    """1 while it is held by a press that began while it listened."""
    begun: Handle | None = None
    """When the press of a tap began (s)."""
    tap: Handle | None = None
    """When the first of two taps ended (s)."""
    timer: Handle | None = None
    """When a long press is long enough (s)."""
    way: tuple[Handle, ...] = ()
    """How far a displacement went since the press began."""
    far: Handle | None = None
    """1 once it went too far."""

    @classmethod
    def new(cls, state: State, stem: str, cue: Cue) -> CueState:
        """New state; `stem` is what its names begin with."""
        count, latches = state.new(stem), Latches.new(state, stem, cue.buttons)
        last = state.new(f"{stem}_t", -NEVER)
        one = cls(cue, count, latches, last, state.new(f"{stem}_was"), state.new(f"{stem}_counts"))
        if cue.on in ("tap", "double_tap"):
            one.begun = state.new(f"{stem}_begun", -NEVER)
        if cue.on == "double_tap":
            one.tap = state.new(f"{stem}_tap", -NEVER)
        if cue.on == "long_press":
            one.timer = state.new(f"{stem}_timer", NEVER)
        if cue.travel:
            one.far = state.new(f"{stem}_far")
            one.way = state.new(f"{stem}_way_x"), state.new(f"{stem}_way_y")
        return one

    def write(self, block: Block, change: Change, inputs: Inputs, listen: Handle | None) -> Name | None:
        """Write what follows from a change; returns the value that is 1 if it was given, if it can be."""
        cue, base = self.cue, self.latches.held(block, change, inputs)
        down, hit = block.keep("down", flag(base)), None
        pressed = (
            FALSE if change.quiet else every([down > self.was, *([] if listen is None else [listen != 0.0])])
        )
        near = [] if self.far is None else [self.far == 0.0]
        released = every([down < self.was, self.counts != 0.0, *near])
        if cue.on in ("press", "release"):
            hit = self.fire(block, pressed if cue.on == "press" else released)
        elif cue.on == "tap":
            assert self.begun is not None
            if not change.quiet:
                hit = self.fire(block, every([released, ANCHOR - self.begun <= cue.within]))
            block.set(self.begun, where(pressed, ANCHOR, self.begun))
        elif cue.on == "double_tap":
            hit = self._double(block, pressed, released, quiet=change.quiet)
        else:
            assert self.timer is not None
            # let go too early, or with the gate closed meanwhile, it was no long press
            over = some([down == 0.0, *([] if listen is None else [listen == 0.0])])
            block.set(self.timer, cases([(pressed, ANCHOR + cue.after), (over, NEVER)], self.timer))
        if self.far is not None and not change.quiet:
            with block.when(pressed):
                for one in (self.far, *self.way):
                    block.set(one, 0.0)
        # a press that began while nothing listened never counts, also when it is let go
        block.set(self.counts, cases([(pressed, 1.0), (down != 0.0, self.counts)], 0.0))
        block.set(self.was, down)
        return hit

    def goes(self, block: Block, x: Value, y: Value) -> None:
        """Write how far a displacement has gone while it is held: too far is a drag."""
        assert self.far is not None
        assert self.cue.travel
        with block.when(every([self.counts != 0.0, self.far == 0.0])):
            for one, moved in zip(self.way, (x, y), strict=True):
                block.set(one, one + moved)
            (way,) = block.call(shaping.length, *self.way)
            block.set(self.far, flag(way > self.cue.travel.least))
            if self.timer is not None:
                block.set(self.timer, where(self.far != 0.0, NEVER, self.timer))

    def _double(self, block: Block, pressed: Value, released: Value, *, quiet: bool) -> Name:
        """Two taps: given when the second is pressed soon enough after the first was released."""
        assert self.tap is not None
        assert self.begun is not None
        short = FALSE if quiet else every([released, ANCHOR - self.begun <= self.cue.within])
        second = block.keep("second", flag(every([pressed, ANCHOR - self.tap <= self.cue.within])))
        hit = self.fire(block, second != 0.0)
        # a press ends the wait for a second tap, or a third would count with the second
        block.set(self.tap, cases([(short, ANCHOR), (pressed, -NEVER)], self.tap))
        block.set(self.begun, cases([(second != 0.0, -NEVER), (pressed, ANCHOR)], self.begun))
        return hit

    def fire(self, block: Block, test: Value = TRUE) -> Name:
        """Give it if a test holds and its cooldown is over; returns the value that is 1 if it was given."""
        if self.cue.cooldown:
            test = every([test, ANCHOR - self.last >= self.cue.cooldown])
        hit = block.keep("hit", flag(test))
        block.set(self.count, self.count + hit)
        block.set(self.last, where(hit != 0.0, ANCHOR, self.last))
        return hit

"""Gates: named conditions that decide when a route listens, and the buttons that open them."""

from __future__ import annotations

from contextlib import nullcontext
from dataclasses import dataclass
from typing import TYPE_CHECKING, ClassVar

from ..basics import PlanError, listed
from ..expressions import every, flag, some, where
from ..formulas import shaping, switching
from .buttons import Latches
from .signals import FAMILIES
from .words import ANCHOR, NEVER

if TYPE_CHECKING:
    from collections.abc import Mapping

    from ..expressions import Block, Handle, Name, State, Value
    from .buttons import Buttons
    from .changes import Change, Inputs
    from .signals import Address

CURSORS = ("free", "hidden", "held")
"""What becomes of the pointer: it moves and is seen, moves unseen, or is kept where it is."""


@dataclass(frozen=True, slots=True)
class Condition:
    """A gate or its opposite, as a route states it: ``glassing`` or ``not glassing``."""

    gate: str
    wanted: bool = True

    def __str__(self) -> str:
        return self.gate if self.wanted else f"not {self.gate}"

    @classmethod
    def parse(cls, text: str) -> Condition:
        """Read ``NAME`` or ``not NAME``."""
        words = text.split()
        return cls(words[1], wanted=False) if len(words) == 2 and words[0] == "not" else cls(text.strip())

    @property
    def gates(self) -> frozenset[str]:
        """The gates that it depends on."""
        return frozenset([self.gate])

    def holds(self, open_: Mapping[str, bool]) -> bool:
        """Whether it holds, given the open gates."""
        return open_[self.gate] == self.wanted

    def test(self, gates: Mapping[str, Value]) -> Value:
        """Its test, given the values that are 1 while a gate is open."""
        return gates[self.gate] != 0.0 if self.wanted else gates[self.gate] == 0.0


@dataclass(frozen=True, slots=True)
class Several:
    """Several conditions: all of them, or at least one."""

    parts: tuple[When, ...]
    every: bool = True

    def __post_init__(self) -> None:
        if not self.parts:
            raise PlanError("found an empty list; expected gates")

    def __str__(self) -> str:
        return f"({(' and ' if self.every else ' or ').join(map(str, self.parts))})"

    @property
    def gates(self) -> frozenset[str]:
        """The gates that it depends on."""
        return frozenset().union(*(part.gates for part in self.parts))

    def holds(self, open_: Mapping[str, bool]) -> bool:
        """Whether it holds, given the open gates."""
        answers = [part.holds(open_) for part in self.parts]
        return all(answers) if self.every else any(answers)

    def test(self, gates: Mapping[str, Value]) -> Value:
        """Its test, given the values that are 1 while a gate is open."""
        return (every if self.every else some)(part.test(gates) for part in self.parts)


When = Condition | Several
"""When a route listens or a combination of gates is open."""


@dataclass(frozen=True, slots=True)
class Travel:
    """How far a displacement must go since a press began, in the signal's own unit."""

    signal: Address
    least: float

    def __post_init__(self) -> None:
        if self.signal.width != 2 or self.signal.signal.kind != "displacement":
            raise PlanError(
                f"after_travel: found {self.signal}; expected a displacement of two directions",
                path=("after_travel",),
            )
        if not 0.0 < self.least <= 1e6:
            raise PlanError(
                f"after_travel: found {self.least:g}; expected above 0 to a million", path=("after_travel",)
            )


@dataclass(frozen=True, slots=True)
class Gate:
    """A gate: open by its buttons, by other gates (`when`), or while a device is the `active` one.

    `choice` holds how presses work: ``hold``, ``toggle``, or both where the player chooses; the first
    is the default. Its condition must last `after` seconds, and go as far as `travel`, before it
    counts. While it is open it sets the `cursor`; of several open gates the highest `priority` wins.
    """

    name: str
    buttons: Buttons | None = None
    choice: tuple[str, ...] = ("hold",)
    when: When | None = None
    active: str = ""
    after: float = 0.0
    travel: Travel | None = None
    cursor: str = ""
    priority: int = 0

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("after",)

    def __post_init__(self) -> None:
        if sum(bool(one) for one in (self.buttons, self.when, self.active)) != 1:
            raise PlanError(f"{self.name}: expected one of hold, toggle, flag, setting, active, all, any")
        if self.choice not in (("hold",), ("toggle",), ("hold", "toggle"), ("toggle", "hold")):
            raise PlanError(
                f"{self.name}: choice: found {listed(self.choice, 'and')}; expected hold and toggle",
                path=("choice",),
            )
        if self.choice != ("hold",) and not self.buttons:
            raise PlanError(f"{self.name}: found a toggle of gates; expected a switch to toggle it by")
        if self.active and self.active not in FAMILIES:
            raise PlanError(
                f"{self.name}: active: found {self.active}; expected {listed(FAMILIES)}", path=("active",)
            )
        if not 0.0 <= self.after <= 60.0:
            raise PlanError(
                f"{self.name}: after: found {self.after:g} s; expected 0 to 60 s", path=("after",)
            )
        if self.cursor and self.cursor not in CURSORS:
            raise PlanError(
                f"{self.name}: cursor: found {self.cursor}; expected {listed(CURSORS)}", path=("cursor",)
            )

    @property
    def waits(self) -> bool:
        """Whether its condition must last, or go some way, before it counts."""
        return bool(self.after or self.travel)

    @property
    def asks(self) -> set[str]:
        """What it depends on, as names for :meth:`Change.touches`."""
        asks = {f"timer {self.name}", f"travel {self.name}"}
        if self.buttons:
            asks |= {address.signal.name for address in self.buttons.inputs}
        if len(self.choice) > 1:
            asks.add(f"choice.{self.name}")
        if self.when:
            asks |= {f"gate {name}" for name in self.when.gates}
        return asks | ({"device"} if self.active else set())


@dataclass(eq=False)
class GateState:
    """The state of a gate, and how it follows from its condition."""

    gate: Gate
    open: Handle
    """1 while it is open."""
    latches: Latches | None = None
    was: Handle | None = None
    """Whether its buttons were held, where presses toggle it."""
    base: Handle | None = None
    """Whether what it rests on holds, where that must last or go some way."""
    timer: Handle | None = None
    """When it has lasted long enough (s)."""
    lasted: Handle | None = None
    far: Handle | None = None
    """1 once it has gone far enough."""
    way: tuple[Handle, ...] = ()

    @classmethod
    def new(cls, state: State, stem: str, gate: Gate) -> GateState:
        """New state; `stem` is what its names begin with."""
        one = cls(gate, state.new(stem))
        if gate.buttons:
            one.latches = Latches.new(state, stem, gate.buttons)
        if "toggle" in gate.choice:
            one.was = state.new(f"{stem}_was")
        if gate.waits:
            one.base = state.new(f"{stem}_base")
        if gate.after:
            one.timer, one.lasted = state.new(f"{stem}_timer", NEVER), state.new(f"{stem}_lasted")
        if gate.travel:
            one.far = state.new(f"{stem}_far")
            one.way = state.new(f"{stem}_way_x"), state.new(f"{stem}_way_y")
        return one

    def write(
        self, block: Block, change: Change, inputs: Inputs, gates: Mapping[str, Value], active: Value
    ) -> None:
        """Write its value after a change; `active` is the test of whether its device is active."""
        gate = self.gate
        if self.latches:
            base = self.latches.held(block, change, inputs)
        else:
            base = gate.when.test(gates) if gate.when else active
        if gate.waits:
            base = self._lasting(block, base)
        if self.was is None:
            block.set(self.open, flag(base))
            return
        # a toggle goes by presses, not by what is held: it needs to know what was held before
        down = block.keep("down", flag(base))
        flipped: Value = self.open if change.quiet else where(down > self.was, 1.0 - self.open, self.open)
        if len(gate.choice) > 1:
            (choice,) = inputs.raw(f"choice.{gate.name}")
            toggles = choice == 0.0 if gate.choice[0] == "toggle" else choice != 0.0
            flipped = where(toggles, flipped, down)
        block.set(self.open, flipped)
        block.set(self.was, down)

    def _lasting(self, block: Block, base: Value) -> Value:
        """The test of whether its condition has lasted long enough and gone far enough."""
        assert self.base is not None
        now = block.keep("base", flag(base))
        # a wait begins anew at each change: what let go for a moment has not lasted
        with block.when(now != self.base):
            block.set(self.base, now)
            if self.timer is not None and self.lasted is not None:
                block.set(self.timer, where(now != 0.0, ANCHOR + self.gate.after, NEVER))
                block.set(self.lasted, 0.0)
            if self.far is not None:
                for one in (self.far, *self.way):
                    block.set(one, 0.0)
        return every([now != 0.0, *(one != 0.0 for one in (self.lasted, self.far) if one is not None)])

    def wait_out(self, block: Block, *, alone: bool) -> None:
        """Write that its condition has lasted long enough, if it has; `alone`: it is known to have."""
        assert self.timer is not None
        assert self.lasted is not None
        with nullcontext() if alone else block.when(self.timer <= ANCHOR):
            block.set(self.timer, NEVER)
            block.set(self.lasted, 1.0)

    def travel(self, block: Block, x: Value, y: Value, over: Name | None) -> Value:
        """Write how far a press has gone; returns the test of whether that is far enough.

        `over` becomes the share of this displacement that lies beyond its travel, where that is less.
        """
        assert self.far is not None
        assert self.gate.travel
        least = self.gate.travel.least
        if over is not None:
            (share,) = block.call(switching.beyond, *self.way, x, y, least)
        for one, moved in zip(self.way, (x, y), strict=True):
            block.set(one, one + moved)
        (way,) = block.call(shaping.length, *self.way)
        block.set(self.far, flag(way >= least))
        if over is not None:
            block.set(over, where(every([self.far != 0.0, share < over]), share, over))
        return self.far != 0.0

    @property
    def travels(self) -> Value:
        """The test of whether a press has not gone far enough yet."""
        assert self.base is not None
        assert self.far is not None
        return every([self.base != 0.0, self.far == 0.0])

    @property
    def still(self) -> Value:
        """The test of whether a displacement cannot change it."""
        assert self.base is not None
        assert self.far is not None
        return some([self.base == 0.0, self.far != 0.0])

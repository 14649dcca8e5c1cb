"""Derived signals: how switches and places become something that can drive an axis."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING, ClassVar

from ..basics import PlanError, listed
from ..expressions import every, flag, lift, some, total, where
from ..formulas import switching
from .signals import ATTITUDE, TILT, Address, Signal, find_signal
from .words import FOCUS

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator

    from ..expressions import Block, Handle, Name, State, Value
    from .buttons import Buttons, Latches
    from .changes import Change, Inputs

OPPOSITE = ("cancel", "newest")
"""What two opposite keys make: nothing, or the way of the one that was pressed last."""

_OURS = "this library"


def _no_keys() -> tuple[Address, ...]:
    return ()


@dataclass(frozen=True, slots=True)
class KeySet:
    """Keys as a stick, several for each direction; a diagonal is no faster.

    `ways` has the keys for left, right and, for a pair, down and up. A press of a `lock` key keeps the
    current direction until it, or any other of the keys, is pressed.
    """

    name: str
    ways: tuple[tuple[Address, ...], ...]
    opposite: str = "cancel"
    lock: tuple[Address, ...] = field(default_factory=_no_keys)

    def __post_init__(self) -> None:
        if len(self.ways) not in (2, 4) or not any(self.ways):
            raise PlanError(
                f"{self.name}: found no keys; expected up, down, left and right, or plus and minus"
            )
        if self.opposite not in OPPOSITE:
            raise PlanError(
                f"{self.name}: opposite: found {self.opposite}; expected {listed(OPPOSITE)}",
                path=("opposite",),
            )
        keys = [*self.keys, *self.lock]
        for address in keys:
            if address.signal.kind != "switch":
                raise PlanError(f"{self.name}: found {address}, a {address.signal.kind}; expected a switch")
        if len(set(keys)) < len(keys):
            twice = next(key for key in keys if keys.count(key) > 1)
            raise PlanError(f"{self.name}: found {twice} twice; expected each key once")

    @property
    def keys(self) -> tuple[Address, ...]:
        """The keys of every direction."""
        return tuple(key for way in self.ways for key in way)

    @property
    def inputs(self) -> tuple[Address, ...]:
        """Its inputs."""
        return (*self.keys, *self.lock)

    @property
    def signal(self) -> Signal:
        """The signal that a route sees."""
        pair = len(self.ways) == 4
        return Signal(self.name, "deflection", "", -1.0, 1.0, "x: right; y: up", _OURS, pair=pair)


@dataclass(eq=False)
class KeyState:
    """The state of a key set, and how its keys change it."""

    keys: KeySet
    stem: str
    newest: dict[str, Handle]
    """For ``x`` and ``y``: -1 or 1, the way of the key that was pressed last."""
    locked: Handle | None = None
    lock: tuple[Handle, ...] = ()
    """The direction that a lock key keeps."""
    values: tuple[Handle, ...] = ()
    """What it comes to."""
    seen: dict[str, tuple[Name, ...]] = field(default_factory=dict)
    """What it comes to as it is seen through what listens, by the name of that; for the moment only."""

    @classmethod
    def new(cls, state: State, stem: str, keys: KeySet) -> KeyState:
        """New state; `stem` is what its names begin with."""
        parts = "xy"[: len(keys.ways) // 2]
        newest = {part: state.new(f"{stem}_newest_{part}") for part in parts if keys.opposite == "newest"}
        one = cls(keys, stem, newest)
        if keys.lock:
            one.locked = state.new(f"{stem}_locked")
            one.lock = tuple(state.new(f"{stem}_lock_{part}") for part in parts)
        return one

    def order(self, block: Block, change: Change) -> None:
        """State for which of two opposite keys is newer, and for whether the direction is locked."""
        rose, made = change.rose, self.keys
        ways = [way for way, keys in enumerate(made.ways) if change.switch in {k.signal.name for k in keys}]
        if self.newest and rose is not None and ways:
            newest = self.newest["xy"[ways[0] // 2]]
            block.set(newest, where(rose != 0.0, ways[0] % 2 * 2.0 - 1.0, newest))
        if self.locked is None:
            return
        # all was let go at once (the focus is lost): a locked direction too, or the character would walk on
        if rose is None:
            block.set(self.locked, 0.0)
        elif change.switch in {key.signal.name for key in made.lock}:
            with block.when(rose != 0.0):
                moving = some(part != 0.0 for part in self.values)
                block.set(self.locked, flag(every([self.locked == 0.0, moving])))
                for lock, part in zip(self.lock, self.values, strict=True):
                    block.set(lock, part)
        else:
            block.set(self.locked, where(rose != 0.0, 0.0, self.locked))

    def write(self, block: Block, look: Callable[[Address], Value], into: tuple[Name, ...]) -> None:
        """Write its value, from what `look` gives for each key."""
        values: list[Value] = []
        for k, part in enumerate("xy"[: len(self.keys.ways) // 2]):
            minus, plus = (_any_key([look(key) for key in self.keys.ways[2 * k + side]]) for side in (0, 1))
            (value,) = block.call(switching.opposed, minus, plus, self.newest.get(part, 0.0))
            if self.locked is not None:
                value = block.keep(f"{self.stem}_way", where(self.locked != 0.0, self.lock[k], value))
            values.append(value)
        # each component is its own way; a route that takes both draws them in to the unit disc
        for one, target in zip(values, into, strict=True):
            block.set(target, one)


def _any_key(keys: list[Value]) -> Value:
    """1 while any of these keys is down, else 0."""
    if len(keys) <= 1:
        return keys[0] if keys else lift(0.0)
    return flag(some(key != 0.0 for key in keys))


SIDES = ("left", "right", "down", "up")
"""The sides of a view, as the ways of a key set."""
CM = 96.0 / 2.54
"""Pixels in a cm until a host says how many there are. Source: CSS Values and Units 4, section 6.2."""


@dataclass(frozen=True, slots=True)
class EdgeZone:
    """A pointer near the edge of the view, as a stick: the nearer the edge, the further it is pushed.

    `margins` are its depths at the left, right, lower and upper side, in their `units`:
    ``screen`` (the shorter side is 1), ``px`` or ``cm``; 0 is no zone. It rests while the
    pointer is outside the view, or the window has no focus.
    """

    name: str
    source: Address
    margins: tuple[float, float, float, float]
    units: tuple[str, str, str, str] = ("screen",) * 4

    NONE_AT_ZERO: ClassVar[tuple[str, ...]] = ("margins",)

    def __post_init__(self) -> None:
        if self.source.signal.kind != "position" or self.source.width != 2:
            raise PlanError(
                f"{self.name}: edge_zone: found {self.source}; expected a place, such as mouse.place",
                path=("edge_zone",),
            )
        for margin, unit in zip(self.margins, self.units, strict=True):
            most = {"screen": 0.5, "px": 10_000.0, "cm": 100.0}.get(unit, 0.0)
            if not 0.0 <= margin <= most:
                raise PlanError(
                    f"{self.name}: margin: found {margin:g} {unit}; expected above 0 to {most:g} {unit}",
                    path=("margin",),
                )
        if not any(margin > 0.0 for margin in self.margins):
            words = f"{self.name}: margin: found none on any side; expected one above 0"
            raise PlanError(words, path=("margin",))

    @property
    def inputs(self) -> tuple[Address, ...]:
        """Its inputs."""
        facts = ["host.focus", "host.screen", f"{self.source.signal.device}.inside"]
        facts += ["host.pixels_per_cm"] if "cm" in self.units else []
        return (self.source, *map(find_signal, facts))

    @property
    def signal(self) -> Signal:
        """The signal that a route sees."""
        return Signal(self.name, "deflection", "", -1.0, 1.0, "x: right; y: up", _OURS, pair=True)

    def write(self, block: Block, inputs: Inputs, into: tuple[Handle, ...]) -> None:
        """Write its value, from where the pointer is and how large the screen is.

        Each component has its own sides; a route that takes both limits them to the unit disc.
        """
        wide, tall = inputs.raw("host.screen")
        (inside,) = inputs.raw(f"{self.source.signal.device}.inside")
        # in px and cm nothing is known of a view until its size is said
        known: Value | float = 1.0 if set(self.units) == {"screen"} else flag(wide > 1.0)
        units: dict[str, Value | float] = {"px": 1.0}
        units["screen"] = block.keep("shorter", where(wide < tall, wide, tall))
        if "cm" in self.units:
            (said,) = inputs.raw("host.pixels_per_cm")
            units["cm"] = block.keep("per_cm", where(said > 0.0, said, CM))
        places = inputs.raw(self.source.signal.name)
        for k, (place, side, value) in enumerate(zip(places, (wide, tall), into, strict=True)):
            pushes: list[Value] = []
            for way, sign in ((2 * k, -1.0), (2 * k + 1, 1.0)):
                if self.margins[way]:
                    away = place * side if sign < 0.0 else (1.0 - place) * side
                    deep = lift(units[self.units[way]]) * self.margins[way]
                    (push,) = block.call(switching.edge_push, away, deep)
                    pushes.append(push * sign)
            block.set(value, total(pushes) * known * inside * FOCUS if pushes else 0.0)


@dataclass(frozen=True, slots=True)
class Presses:
    """Presses as steps: 1 for each press of a switch, or each time a deflection passes `at`.

    A deflection to the other side counts -1, and must fall below `rearm` before it counts again.
    """

    name: str
    buttons: Buttons

    def __post_init__(self) -> None:
        for address in self.buttons.inputs:
            if address.width != 1:
                raise PlanError(
                    f"{self.name}: presses: found {address}, a pair; expected one component of it",
                    path=("presses",),
                )

    @property
    def inputs(self) -> tuple[Address, ...]:
        """Its inputs."""
        return self.buttons.inputs

    @property
    def signal(self) -> Signal:
        """The signal that a route sees."""
        return Signal(self.name, "displacement", "press", -1.0, 1.0, "1: a press", _OURS)


@dataclass(eq=False)
class PressState:
    """The state of presses as steps, and how many there are at a moment."""

    presses: Presses
    latches: Latches
    pressed: Name
    """How many there are just now; for this moment only."""

    def write(self, block: Block, change: Change, inputs: Inputs) -> None:
        """How many presses there were just now."""
        touched = [one for one in self.presses.inputs if change.touches((one,))]
        parts = [part for one in touched if (part := self._press(block, one, change, inputs)) is not None]
        block.set(self.pressed, total(parts))

    def _press(self, block: Block, address: Address, change: Change, inputs: Inputs) -> Value | None:
        """What one input adds to the presses of this moment; None if it adds none."""
        latch = self.latches.latches.get(address)
        if address.signal.kind == "switch":
            rose = change.rose_of(address)
            if rose is not None and latch is not None:
                self.latches.follow(block, address, change, inputs)
            return rose if rose is None or latch is None else rose * latch
        assert latch is not None
        side, part = block.names.fresh("side"), block.names.fresh("pressed")
        at, rearm = self.presses.buttons.at, self.presses.buttons.rearm
        block.call(switching.latched_sides, inputs.value(address)[0], latch, into=(side,), at=at, rearm=rearm)
        block.set(part, where(side != latch, side, 0.0))
        block.set(latch, side)
        # a stick that is found pushed, as the focus comes back, was not pushed just now
        return None if change.quiet else part


Derived = KeySet | EdgeZone | Presses


def raw_inputs(addresses: tuple[Address, ...], derived: dict[str, Derived]) -> Iterator[Address]:
    """The device and host signals behind these addresses."""
    for address in addresses:
        made = derived.get(address.signal.name)
        if address.signal.name == TILT:
            yield from map(find_signal, ATTITUDE)
        elif made is None:
            yield address
        else:
            yield from raw_inputs(made.inputs, derived)

"""Making: the woven text of buttons and of derived signals: what is held, which way, how often pressed."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..expressions import Block, number
from ..formulas import shaping, switching
from ..plan import ATTITUDE, EdgeZone, KeySet, Presses

if TYPE_CHECKING:
    from ..expressions import Names
    from ..plan import Address, Buttons, Route, Signal
    from .switches import Switches


class Change(NamedTuple):
    """What has just changed: words for what is touched, and of a press the switch and what it is now."""

    touched: set[str]
    """Names of signals, and ``gate NAME`` and the like for what follows from them."""
    switch: str = ""
    """The one switch that was pressed or let go."""
    rose: str = ""
    """The woven name that is 1 if it was pressed, 0 if it was let go."""
    quiet: bool = False
    """Whether nobody pressed or moved anything: nothing fires or flips, though things are let go."""

    def rose_of(self, address: Address) -> str:
        """The woven name that is 1 if this switch was pressed just now; nothing if it did not change."""
        return self.rose if address.signal.name == self.switch else ""

    def touches(self, addresses: tuple[Address, ...]) -> bool:
        """Whether one of these signals is touched."""
        return any(address.signal.name in self.touched for address in addresses)


class Making:
    """Writes buttons and derived signals into blocks."""

    def __init__(self, switches: Switches, names: Names) -> None:
        self.switches, self.names = switches, names

    # ---- values

    def value(self, address: Address) -> tuple[str, ...]:
        """The woven values of a held signal or of its component; what a stick says counts with the focus."""
        if address.signal.name in self.switches.derived:
            names = self.made_values(address.signal.name)
        else:
            names = self.switches.raw[address.signal.name]
            if address.signal.kind == "deflection":
                names = tuple(f"{name} * host_focus" for name in names)
        return (names["xy".index(address.component)],) if address.component else names

    def made_values(self, name: str, listen: str = "") -> tuple[str, ...]:
        """What holds a derived signal; as it is seen through what listens, if that is given."""
        made, stem = self.switches.derived[name], self.switches.made_stem(name)
        if isinstance(made, Presses):
            return (f"{stem}_pressed",)
        seen = f"_{listen}" if listen else ""
        return tuple(f"{stem}_{part}{seen}" for part in ("xy" if made.signal.pair else "x"))

    def seen(self, signal: Signal, listen: str) -> str:
        """What holds a switch, or the switch as it is seen through what listens."""
        return self.switches.seen.get((signal.name, listen)) or self.switches.raw[signal.name][0]

    def driving(self, route: Route) -> tuple[str, ...]:
        """The woven values that drive a route: its signal's, as it is seen through the route's gate."""
        listen = self.switches.listen(route.gate) if self.switches.fresh(route) else ""
        source, made = route.source, self.switches.derived.get(route.source.signal.name)
        if source.signal.kind == "switch":
            return (self.seen(source.signal, listen),)
        if route.tilts:
            return tuple(self.switches.raw[name][0] for name in ATTITUDE)
        if made is None:
            names = self.switches.raw[source.signal.name]
        else:
            names = self.made_values(source.signal.name, listen if isinstance(made, KeySet) else "")
        return (names["xy".index(source.component)],) if source.component else names

    # ---- buttons

    def button(self, block: Block, stem: str, buttons: Buttons, change: Change) -> str:
        """Bring buttons up to date; the woven test of whether any of them is held."""
        tests = []
        for address in buttons.inputs:
            latch = self.switches.latches.get((stem, address), "")
            if latch and change.touches((address,)):
                self._latch(block, latch, address, buttons, change)
            tests.append(f"{latch or self.value(address)[0]} != 0.0")
        return " or ".join(tests)

    def _latch(self, block: Block, latch: str, address: Address, buttons: Buttons, change: Change) -> None:
        if address.signal.kind != "switch":
            value = self.value(address)
            size = f"abs({value[0]})" if len(value) == 1 else block.call(shaping.length, *value)[0]
            block.call(switching.latched, size, latch, into=(latch,), at=buttons.at, rearm=buttons.rearm)
            return
        (raw,) = self.switches.raw[address.signal.name]
        thing = number(self.switches.things[buttons.begun_on or buttons.begun_off])
        counts, rose = f"{raw}_on {'==' if buttons.begun_on else '!='} {thing}", change.rose_of(address)
        begins = f"1.0 if {rose} != 0.0 and {counts} else " if rose else ""
        block.set(latch, f"{begins}{latch} if {raw} != 0.0 else 0.0")

    # ---- derived signals

    def make(self, block: Block, made: KeySet | EdgeZone, change: Change) -> None:
        """Work out a derived signal anew."""
        if isinstance(made, EdgeZone):
            self._make_edge(block, made)
            return
        self._order(block, made, change)
        self.make_keys(block, made)

    def _order(self, block: Block, made: KeySet, change: Change) -> None:
        """Which of two opposite keys is the newest; whether the direction is locked."""
        stem, rose = self.switches.made_stem(made.name), change.rose
        ways = [way for way, keys in enumerate(made.ways) if change.switch in {k.signal.name for k in keys}]
        if made.opposite == "newest" and rose and ways:
            newest = f"{stem}_newest_{'xy'[ways[0] // 2]}"
            block.set(newest, f"{number(ways[0] % 2 * 2.0 - 1.0)} if {rose} != 0.0 else {newest}")
        if not made.lock:
            return
        locked = f"{stem}_locked"
        if not rose:
            block.set(locked, "0.0")
        elif change.switch in {key.signal.name for key in made.lock}:
            keep, parts = Block(self.names), self.made_values(made.name)
            moving = " or ".join(f"{part} != 0.0" for part in parts)
            keep.set(locked, f"1.0 if {locked} == 0.0 and ({moving}) else 0.0")
            for part, name in zip(parts, "xy", strict=False):
                keep.set(f"{stem}_lock_{name}", part)
            block.when(f"{rose} != 0.0", keep)
        else:
            block.set(locked, f"0.0 if {rose} != 0.0 else {locked}")

    def make_keys(self, block: Block, made: KeySet, listen: str = "") -> None:
        """Work out a key set, seen through what listens if that is given."""
        stem, into, values = self.switches.made_stem(made.name), self.made_values(made.name, listen), []
        for k, part in enumerate(("x", "y")[: len(made.ways) // 2]):
            minus, plus = (self._any_key(made.ways[2 * k + side], listen) for side in (0, 1))
            newest = f"{stem}_newest_{part}" if made.opposite == "newest" else "0.0"
            (value,) = block.call(switching.opposed, minus, plus, newest)
            if made.lock:
                name = self.names.fresh(f"{stem}_way")
                block.set(name, f"{stem}_lock_{part} if {stem}_locked != 0.0 else {value}")
                value = name
            values.append(value)
        if len(values) == 2:
            block.call(switching.on_disc, *values, into=into)
        else:
            block.set(into[0], values[0])

    def _any_key(self, keys: tuple[Address, ...], listen: str) -> str:
        """The woven 0 or 1 of whether any of these keys is down."""
        names = [self.seen(key.signal, listen) for key in keys]
        if len(names) <= 1:
            return names[0] if names else "0.0"
        return f"(1.0 if {' or '.join(f'{name} != 0.0' for name in names)} else 0.0)"

    def _make_edge(self, block: Block, made: EdgeZone) -> None:
        wide, tall = self.switches.raw["host.screen"]
        inside = self.switches.raw[f"{made.source.signal.device}.inside"][0]
        shorter = self.names.fresh("shorter")
        block.set(shorter, f"{wide} if {wide} < {tall} else {tall}")
        pushes = [
            block.call(switching.edge_push, place, f"{side} / {shorter}", margin=made.margin)[0]
            for place, side in zip(self.switches.raw[made.source.signal.name], (wide, tall), strict=True)
        ]
        heard = [f"{push} * {inside} * host_focus" for push in pushes]
        block.call(switching.on_disc, *heard, into=self.made_values(made.name))

    def make_presses(self, block: Block, made: Presses, change: Change) -> None:
        """How many presses there were just now; for this moment only."""
        parts = [
            part
            for address in made.inputs
            if change.touches((address,)) and (part := self._press(block, made, address, change))
        ]
        block.set(self.made_values(made.name)[0], " + ".join(parts) or "0.0")

    def _press(self, block: Block, made: Presses, address: Address, change: Change) -> str:
        """What one input adds to the presses of this moment; nothing where it cannot."""
        latch = self.switches.latches.get((self.switches.made_stem(made.name), address), "")
        if address.signal.kind == "switch":
            rose = change.rose_of(address)
            if rose and latch:
                self._latch(block, latch, address, made.buttons, change)
            return f"{rose} * {latch}" if rose and latch else rose
        side, part = self.names.fresh("side"), self.names.fresh("pressed")
        rule = {"at": made.buttons.at, "rearm": made.buttons.rearm}
        block.call(switching.latched_sides, self.value(address)[0], latch, into=(side,), **rule)
        block.set(part, f"{side} if {side} != {latch} else 0.0")
        block.set(latch, side)
        return "" if change.quiet else part

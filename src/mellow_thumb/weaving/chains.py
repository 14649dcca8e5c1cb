"""Chains: what an event touches, written in one fixed order, as far as it is touched.

Derived signals; gates, each after those that it asks; what listens, and what an opening or a closing does;
the cursor; keys as they are seen through gates; presses; cues. Routes come last, and are not written here.
"""

from __future__ import annotations

from functools import partial
from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..plan import ATTITUDE, CURSORS, KeySet, Presses
from .making import Change, Making
from .switches import NEVER

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..expressions import Names
    from ..plan import Cue, Gate, Route
    from .switches import Switches
    from .taking_over import TakingOver

    Act = Callable[[Block], None]


class Chains(Making):
    """Writes chains into blocks; every part adds what it touches itself to the change."""

    def __init__(self, switches: Switches, names: Names) -> None:
        super().__init__(switches, names)
        self.on_open: dict[str, Act] = {}
        """For what listens: writes what its routes do as it opens."""
        self.on_close: dict[str, Act] = {}
        """For what listens: writes what its routes do as it closes."""
        self.taking_over: TakingOver | None = None
        """Which of several mounts is in force."""

    def write(self, block: Block, change: Change) -> Change:
        """Write what follows from a change; returns the change with everything that follows."""
        change = change._replace(touched=set(change.touched))
        for made in self.switches.plan.derived:
            if not isinstance(made, Presses) and change.touches(made.inputs):
                self.make(block, made, change)
                change.touched.add(made.name)
        for gate in self.switches.ordered:
            if change.touched & self._asks(gate):
                self._gate(block, gate, change)
                change.touched.add(f"gate {gate.name}")
        self._listening(block, change)
        self._cursor(block, change)
        self._see(block, change)
        for made in self.switches.plan.derived:
            if isinstance(made, Presses) and change.touches(made.inputs):
                self.make_presses(block, made, change)
                change.touched.add(made.name)
        for k, cue in enumerate(self.switches.plan.cues, 1):
            stops = f"listen {self.switches.listen(cue.gate)}" if cue.on == "long_press" and cue.gate else ""
            if change.touches(cue.buttons.inputs) or stops in change.touched:
                self._cue(block, f"cue{k}", cue, change)
        if self.taking_over:
            self.taking_over.write(block, change)
        return change

    def follows(self, route: Route, change: Change) -> bool:
        """Whether a route must look at its held value again."""
        words = {ATTITUDE[-1] if route.tilts else route.source.signal.name}
        if self.switches.fresh(route) or route.zero_on_open:
            words |= {f"listen {self.switches.listen(route.gate)}"}
        return bool(change.touched & words)

    def timers(self) -> dict[str, tuple[Act, str]]:
        """For each timer of a gate or a cue: what writes that it has run out, and what that touches."""
        found: dict[str, tuple[Act, str]] = {}
        for gate in self.switches.plan.gates:
            stem = self.switches.gates[gate.name]
            if gate.after:
                lasted = partial(Block.set, target=f"{stem}_lasted", expression="1.0")
                found[f"{stem}_timer"] = (lasted, f"timer {gate.name}")
        for k, cue in enumerate(self.switches.plan.cues, 1):
            if cue.on == "long_press":
                found[f"cue{k}_timer"] = (partial(self._fire, stem=f"cue{k}", cue=cue, test="True"), "")
        return found

    # ---- gates

    def _asks(self, gate: Gate) -> set[str]:
        """What a gate rests on, in the words of what is touched."""
        asks = {f"timer {gate.name}", f"travel {gate.name}"}
        if gate.buttons:
            asks |= {address.signal.name for address in gate.buttons.inputs}
        if len(gate.choice) > 1:
            asks.add(f"choice.{gate.name}")
        if gate.when:
            asks |= {f"gate {name}" for name in gate.when.gates}
        return asks | ({"device"} if gate.active else set())

    def _gate(self, block: Block, gate: Gate, change: Change) -> None:
        stem, families = self.switches.gates[gate.name], self.switches.families
        if gate.buttons:
            base = self.button(block, stem, gate.buttons, change)
        elif gate.when:
            base = gate.when.woven(self.switches.gates)
        else:
            base = f"device == {number(families.index(gate.active))}" if families else "True"
        if gate.after or gate.travel:
            base = self._qualified(block, gate, stem, base)
        if "toggle" not in gate.choice:
            block.set(stem, f"1.0 if {base} else 0.0")
            return
        down = self.names.fresh("down")
        block.set(down, f"1.0 if {base} else 0.0")
        flipped = stem if change.quiet else f"1.0 - {stem} if {down} > {stem}_was else {stem}"
        if len(gate.choice) > 1:
            (choice,) = self.switches.raw[f"choice.{gate.name}"]
            toggles = "==" if gate.choice[0] == "toggle" else "!="
            flipped = f"({flipped}) if {choice} {toggles} 0.0 else {down}"
        block.set(stem, flipped)
        block.set(f"{stem}_was", down)

    def _qualified(self, block: Block, gate: Gate, stem: str, base: str) -> str:
        """A gate that must last, or go some way, before it counts: the test of whether it has."""
        was, now, begin = f"{stem}_base", self.names.fresh("base"), Block(self.names)
        block.set(now, f"1.0 if {base} else 0.0")
        begin.set(was, now)
        if gate.after:
            begin.set(f"{stem}_timer", f"anchor + {number(gate.after)} if {now} != 0.0 else {number(NEVER)}")
            begin.set(f"{stem}_lasted", "0.0")
        for part in ("far", "way_x", "way_y") if gate.travel else ():
            begin.set(f"{stem}_{part}", "0.0")
        block.when(f"{now} != {was}", begin)
        tests = [f"{now} != 0.0"]
        tests += [f"{stem}_lasted != 0.0"] if gate.after else []
        tests += [f"{stem}_far != 0.0"] if gate.travel else []
        return " and ".join(tests)

    def _listening(self, block: Block, change: Change) -> None:
        """Whether routes and cues listen, and what routes do as that changes."""
        gates = self.switches.gates
        for when, listen in self.switches.listens.items():
            if not change.touched & {f"gate {name}" for name in when.gates}:
                continue
            change.touched.add(f"listen {listen}")
            if listen in gates.values():
                continue
            was = self.names.fresh("was")
            if listen in self.switches.watched:
                block.set(was, listen)
            block.set(listen, f"1.0 if {when.woven(gates)} else 0.0")
            if listen in self.switches.watched:
                self._edges(block, listen, was)

    def _edges(self, block: Block, listen: str, was: str) -> None:
        """What happens as a gate opens and as it closes."""
        opened, closed = Block(self.names), Block(self.names)
        for (_, through), seen in self.switches.seen.items():
            if through == listen:
                opened.set(seen, "0.0")
        self.on_open[listen](opened)
        self.on_close[listen](closed)
        for inner, sign in ((opened, ">"), (closed, "<")):
            if inner.lines:
                block.when(f"{listen} {sign} {was}", inner)

    def _cursor(self, block: Block, change: Change) -> None:
        """What becomes of the pointer; as it is caught, its next movement is not the hand's."""
        gates = self.switches.cursor_gates
        if not change.touched & {f"gate {gate.name}" for gate in gates}:
            return
        was, caught = self.names.fresh("cursor_was"), number(CURSORS.index("held"))
        block.set(was, "cursor")
        words = [
            f"{number(CURSORS.index(gate.cursor))} if {self.switches.gates[gate.name]} != 0.0 else"
            for gate in gates
        ]
        block.set("cursor", " ".join((*words, number(CURSORS.index(self.switches.plan.cursor)))))
        for name in self.switches.caught.values():
            block.set(name, f"1.0 if cursor == {caught} and {was} != {caught} else {name}")

    def _see(self, block: Block, change: Change) -> None:
        """Switches as they are seen through what listens, and the key sets made of them."""
        for (name, listen), seen in self.switches.seen.items():
            if name in change.touched:
                (raw,) = self.switches.raw[name]
                pressed = change.rose and name == change.switch
                block.set(
                    seen, f"{change.rose} * {listen}" if pressed else f"{seen} if {raw} != 0.0 else 0.0"
                )
        for route in self.switches.plan.routes:
            source, listen = route.source.signal.name, self.switches.listen(route.gate)
            made, word = self.switches.derived.get(source), f"{source} through {listen}"
            if not isinstance(made, KeySet) or not self.switches.fresh(route) or word in change.touched:
                continue
            if change.touched & {source, f"listen {listen}"}:
                self.make_keys(block, made, listen)
                change.touched.add(word)

    # ---- cues

    def _cue(self, block: Block, stem: str, cue: Cue, change: Change) -> None:
        base = self.button(block, stem, cue.buttons, change)
        down, was, counts = self.names.fresh("down"), f"{stem}_was", f"{stem}_counts"
        block.set(down, f"1.0 if {base} else 0.0")
        listen = self.switches.listen(cue.gate)
        listens = f" and {listen} != 0.0" if listen else ""
        pressed = "False" if change.quiet else f"{down} > {was}{listens}"
        released = f"{down} < {was} and {counts} != 0.0"
        within = number(cue.within)
        if cue.on in ("press", "release"):
            self._fire(block, stem, cue, pressed if cue.on == "press" else released)
        elif cue.on == "tap":
            if not change.quiet:
                self._fire(block, stem, cue, f"{released} and anchor - {stem}_begun <= {within}")
            block.set(f"{stem}_begun", f"anchor if {pressed} else {stem}_begun")
        elif cue.on == "double_tap":
            short = "False" if change.quiet else f"{released} and anchor - {stem}_begun <= {within}"
            self._double(block, stem, cue, pressed, short)
        else:
            timer, over = f"{stem}_timer", f"{down} == 0.0" + (f" or {listen} == 0.0" if listen else "")
            begins = f"anchor + {number(cue.after)} if {pressed}"
            block.set(timer, f"{begins} else {number(NEVER)} if {over} else {timer}")
        block.set(counts, f"1.0 if {pressed} else {counts} if {down} != 0.0 else 0.0")
        block.set(was, down)

    def _double(self, block: Block, stem: str, cue: Cue, pressed: str, short: str) -> None:
        """Two taps: given as the second is pressed, soon enough after the first was let go."""
        tap, begun, long_ago = f"{stem}_tap", f"{stem}_begun", number(-NEVER)
        second = self.names.fresh("second")
        block.set(second, f"1.0 if {pressed} and anchor - {tap} <= {number(cue.within)} else 0.0")
        self._fire(block, stem, cue, f"{second} != 0.0")
        block.set(tap, f"anchor if {short} else {long_ago} if {pressed} else {tap}")
        block.set(begun, f"{long_ago} if {second} != 0.0 else anchor if {pressed} else {begun}")

    def _fire(self, block: Block, stem: str, cue: Cue, test: str) -> None:
        """Give a cue where a test holds and its cooldown is over."""
        if cue.cooldown:
            test = f"{test} and anchor - {stem}_t >= {number(cue.cooldown)}"
        hit = self.names.fresh("hit")
        block.set(hit, f"1.0 if {test} else 0.0")
        block.set(stem, f"{stem} + {hit}")
        block.set(f"{stem}_t", f"anchor if {hit} != 0.0 else {stem}_t")
        if self.taking_over:
            self.taking_over.fired(block, cue.name, hit)

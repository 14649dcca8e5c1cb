"""Touching: what fingers do when a moment ends, passed on to everything that uses it."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import every, flag, opposite, some, whole
from ..plan import AGE, ANCHOR, CODE, DOUBLE, TAPS, Change, T, X, Y
from .panning import SCREEN

if TYPE_CHECKING:
    from ..expressions import Block, Name, Statement, Value
    from ..plan import Signal, Touch
    from ..plan.contacts import Area, Contacts, Gesture, Screen
    from .events import Events


class Touching:
    """Writes what contacts do, and what a plan's touches say."""

    def __init__(self, events: Events, contacts: Contacts) -> None:
        self._events, self._parts, self._contacts = events, events.parts, contacts
        codes = self._parts.codes
        self.first = codes["touch.1.place"]
        """The first of the codes of contacts."""
        facts = ("host.focus", "touch.connected", SCREEN, "host.pixels_per_cm")
        self._facts = [codes[name] for name in facts]

    # ---- what comes in

    def says(self, block: Block) -> None:
        """Write what one contact reports; it acts when its moment ends."""
        self._contacts.says(block, self.first)

    def resize(self, block: Block) -> None:
        """Write that the host has said how large the screen is, or how long a cm is."""
        self._contacts.resize(block)

    def let_go(self, block: Block) -> None:
        """Write that no finger is down any more."""
        self._contacts.let_go(block)

    def wait_out(self, block: Block) -> None:
        """Write that taps whose time has run out are over."""
        timers = self._contacts.timers
        with block.when(some(one <= ANCHOR for one in timers)):
            block.set(self._contacts.fingers.waits, 1.0)

    # ---- the end of a moment

    def moment(self) -> list[Statement]:
        """Before anything else, if contacts have reported: their moment ends."""
        block = self._parts.block()
        with block.when(self._contacts.fingers.waits != 0.0):
            ends = block.keep("ends", 1.0)
            with block.when(T <= ANCHOR):
                # a frame sees what was before its end, and leaves no trace
                block.set(ends, flag(some(CODE == whole(code) for code in self._facts)))
                self._contacts.said_before(block, self.first, ends)
            with block.when(ends != 0.0):
                apart = self._parts.block()
                self._end(apart)
                block.part("moment", apart)
        return block.statements

    def _end(self, block: Block) -> None:
        """Write what contacts do, at the time of their moment."""
        kept = [block.keep(f"item_{word}", word) for word in (T, X, Y)]
        block.set(T, ANCHOR)
        block.set(AGE, 0.0)  # what is said acts at its own time
        more = self._contacts.act(block, self._parts.switching.things)
        for area in self._contacts.areas:
            with block.when(area.state["stirs"] != 0.0):
                self._say(block, area, self._contacts.screen)
                with block.when(more != 0.0):
                    self._say_more(block, area)
                    area.close_moment(block)
                block.set(area.state["stirs"], 0.0)
        self._events.keep_due(block)
        for word, one in zip((T, X, Y), kept, strict=True):
            block.set(word, one)

    def _say(self, block: Block, area: Area, screen: Screen) -> None:
        """Write what an area's touches say while fingers move: places, displacements, pushes."""
        for touch in area.touches:
            self._place(block, area, touch, screen)
        for gesture in area.gestures:
            self._way(block, gesture)
        if area.pad:
            self._push(block, area, area.pad, screen)

    def _say_more(self, block: Block, area: Area) -> None:
        """Write what they say when fingers land, lift, and start to move."""
        for touch in area.touches:
            for many, what in enumerate(TAPS, 1):
                self._taps(block, touch, what, area.state[f"tap{many}"])
        for touch in area.touches:
            tests = area.switches(touch)
            for what in ("down", "still"):
                # one that lands while another has gone nowhere is another that is still
                anew = area.state["lands"] if what == "still" and touch.kind not in DOUBLE else None
                self._switch(block, touch, what, tests[what], anew)
        for gesture in area.gestures:
            self._run_out(block, gesture)

    def _asked(self, touch: Touch, what: str = "") -> Signal | None:
        """A signal of a touch, if anything uses it."""
        return self._parts.inputs.made.get(f"touch.{touch.name}{what and '.'}{what}")

    def _place(self, block: Block, area: Area, touch: Touch, screen: Screen) -> None:
        signal = self._asked(touch, "place")
        if signal is None:
            return
        raw, needs = self._parts.raw[signal.name], 2.0 if touch.kind in DOUBLE else 1.0
        with block.when(area.state["counting"] >= needs):
            at = area.place(block, touch, screen)
            new = [block.keep("place", one) for one in at]
            moved = some([area.state["anew"] != 0.0, *(a != b for a, b in zip(new, raw, strict=True))])
            with block.when(moved):
                for one, part in zip(raw, new, strict=True):
                    block.set(one, part)
                self._hold_anew(block, area, signal)
                self._events.follow(block, Change({signal.name}))

    def _hold_anew(self, block: Block, area: Area, signal: Signal) -> None:
        """Another finger leads: pin again, at its place."""
        held = [one for one in self._parts.plan.routes if one.effect == "pin" and one.pointer == signal.name]
        if held:
            with block.when(area.state["anew"] != 0.0):
                for route in held:
                    self._events.conditioning.drag(block, route, begins=True)

    def _way(self, block: Block, gesture: Gesture) -> None:
        signal = self._asked(gesture.touch)
        if signal is None or not gesture.said:
            return
        said = gesture.said if signal.pair else gesture.said[:1]
        with block.when(some(one != 0.0 for one in said)):
            block.set(X, gesture.said[0])
            block.set(Y, gesture.said[1] if signal.pair else 0.0)
            self._events.displace(block, signal)

    def _push(self, block: Block, area: Area, pad: Gesture, screen: Screen) -> None:
        signal = self._asked(pad.touch)
        if signal is None:
            return
        raw = self._parts.raw[signal.name]
        push = [block.keep(f"push_{part}", 0.0) for part in "xy"]
        with block.when(area.state["size"] > 0.0):
            found = pad.pushed(block, screen, area.state["ax"], area.state["ay"])
            for one, part in zip(push, found, strict=True):
                block.set(one, part)
        with block.when(some(one != part for one, part in zip(raw, push, strict=True))):
            for one, part in zip(raw, push, strict=True):
                block.set(one, part)
            self._events.held(block, signal)

    def _taps(self, block: Block, touch: Touch, what: str, count: Name) -> None:
        """A tap is a press of no duration: up again at once, and again for the next at the same moment."""
        signal = self._asked(touch, what)
        if signal is None:
            return
        (raw,) = self._parts.raw[signal.name]
        left = block.keep("left", count)
        with block.loop():
            value = block.keep("pressed", flag(every([raw == 0.0, left > 0.0])))
            with block.when(value == raw):
                block.leave()
            block.set(left, left - value)
            self._events.press(block, signal, value)

    def _switch(self, block: Block, touch: Touch, what: str, test: Value, anew: Name | None) -> None:
        signal = self._asked(touch, what)
        if signal is None:
            return
        (raw,) = self._parts.raw[signal.name]
        held: Value = self._parts.switching.wants.get(signal.name, raw)
        if anew is None:
            value = block.keep("pressed", flag(test))
            with block.when(value != held):
                self._events.press(block, signal, value)
            return
        again = block.keep("again", anew)
        with block.loop():
            stays = opposite(every([again != 0.0, held != 0.0]))
            value = block.keep("pressed", flag(every([test, stays])))
            with block.when(value == held):
                block.leave()
            block.set(again, 0.0)
            self._events.press(block, signal, value)

    def _run_out(self, block: Block, gesture: Gesture) -> None:
        """A glide starts when fingers lift, or stops when they land."""
        if gesture.ends is None:
            return
        routes = [
            one for one in self._parts.plan.routes
            if one.glide and one.source.signal.name == f"touch.{gesture.touch.name}"
        ]  # fmt: skip
        for route in routes:
            with block.when(gesture.ends < 0.0):
                self._events.conditioning.stop(block, route)
            with block.when(gesture.ends > 0.0):
                ways = dict(zip("xy", gesture.lifted, strict=True))
                self._events.conditioning.run_out(block, route, ways)
        with block.when(gesture.ends > 0.0):
            self._events.passing.go(block)
            self._parts.forget_furthest(block)

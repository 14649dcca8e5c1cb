"""Contacts: fingers that land, move and lift, in any order; they act when their moment ends.

All contacts of one time act together: first all of them move, then some lift, then others land. So
the order in which a screen reports its fingers, and their ids, do not matter.
"""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ...expressions import Block, cases, every, flag, lift, some, where, whole
from ...formulas import shaping, switching
from ..signals import FINGERS
from ..words import ANCHOR, CODE, FOCUS, X, Y
from .area import Area
from .fingers import CANCEL, CANCELLED, LANDS, LIFTS, PLACE, Fingers
from .gestures import Screen

if TYPE_CHECKING:
    from collections.abc import Collection, Mapping, Sequence

    from ...expressions import Handle, Name, State, Value
    from ..touches import Touch


_PLACED = ("area", "x", "y", "was_x", "was_y", "from_x", "from_y")


Pair = tuple["Value", "Value"]


class Facts(NamedTuple):
    """What the host says about its screen."""

    screen: tuple[Handle, ...]
    per_cm: Handle


class Contacts:
    """The state of contacts, and the code about them."""

    def __init__(
        self, state: State, areas: Sequence[tuple[Touch, ...]], running_out: Collection[str], facts: Facts
    ) -> None:
        self.fingers = Fingers.new(state)
        self.areas = [Area.new(state, k, touches, running_out) for k, touches in enumerate(areas, 1)]
        self._facts = facts
        starts = {"wide": 1.0, "tall": 1.0, "cm": 0.0}
        self._screen = tuple(state.new(f"screen_{name}", start) for name, start in starts.items())

    @property
    def timers(self) -> list[Handle]:
        """When fingers now down can no longer tap (s)."""
        return [one.state["due"] for one in self.areas]

    # ---- what is said of a finger

    def says(self, block: Block, first: int) -> None:
        """Write what a contact reports; the codes of ten fingers, three each, begin at `first`."""
        fingers, screen = self.fingers, self.screen
        names = ("area", "counts", "goes", "x", "y", "was_x", "was_y", "from_x", "from_y")
        its = {name: block.names.fresh(f"its_{name}") for name in names}
        its_number = block.names.fresh("its_number")
        block.set(its["area"], 0.0)

        def write(k: int) -> None:
            """What one of them reports."""
            one, code = fingers.each[k], first + 3 * k
            block.set(its_number, float(k))
            with block.when(CODE == whole(code + PLACE)):
                for part, said in (("x", X), ("y", Y)):
                    block.set(one[f"was_{part}"], one[part])
                    # half a place comes with no number for the other half, which stays
                    block.set(one[part], where(said.known(), said, one[part]))
                block.set(one["said"], fingers.moment)
                for name, word in its.items():
                    block.set(word, one[name])
            with block.otherwise():
                down = where(X != 0.0, LANDS, LIFTS)
                block.set(one["becomes"], where(CODE == whole(code + CANCEL), CANCELLED, down))
                block.set(one["on"], Y)
                block.set(fingers.turns, 1.0)

        fingers.choose(block, lambda middle: CODE < whole(first + 3 * middle), write)
        for bound, beyond in (
            (fingers.low, its_number < fingers.low),
            (fingers.high, its_number > fingers.high),
        ):
            block.set(bound, where(beyond, its_number, bound))
        block.set(fingers.waits, 1.0)
        with block.when(its["area"] > 0.0):
            gone = self._gone(block, its)
            for area in self.areas:
                with block.when(area.has(its["area"])):
                    area.moves(block, screen, its_number, its, gone)
            with block.when(its["goes"] == 0.0):
                x, y = (its["x"] - its["from_x"]) * screen.wide, (its["y"] - its["from_y"]) * screen.tall
                (far,) = block.call(shaping.length, x, y)
                for area in self.areas:
                    with block.when(every([area.has(its["area"]), far > area.slip(screen)])):
                        block.set(fingers.turns, 1.0)

    def _gone(self, block: Block, its: Mapping[str, Name]) -> Pair:
        """How far a finger has moved since the last moment, in screens."""
        screen = self.screen
        return (
            block.keep("gone_x", (its["x"] - its["was_x"]) * screen.wide),
            block.keep("gone_y", (its["y"] - its["was_y"]) * screen.tall),
        )

    def said_before(self, block: Block, first: int, into: Name) -> None:
        """Write whether a finger reports something for the second time in this moment."""
        fingers = self.fingers
        begins = every([CODE >= whole(first), CODE < whole(first + 3 * FINGERS)])
        with block.when(begins):

            def write(k: int) -> None:
                """Whether one of them does."""
                one, code = fingers.each[k], first + 3 * k
                with block.when(CODE == whole(code + PLACE)):
                    block.set(into, flag(one["said"] == fingers.moment))
                with block.otherwise():
                    block.set(into, flag(one["becomes"] != 0.0))

            fingers.choose(block, lambda middle: CODE < whole(first + 3 * middle), write)

    # ---- the screen

    @property
    def screen(self) -> Screen:
        """How large the screen is."""
        return Screen(*self._screen)

    def resize(self, block: Block) -> None:
        """Write that the host has said how large the screen is, or how long a cm is."""
        wide, tall = self._facts.screen
        shorter = block.keep("shorter", where(wide < tall, wide, tall))
        per_cm = self._facts.per_cm
        cm = where(per_cm > 0.0, shorter / where(per_cm > 0.0, per_cm, 1.0), 0.0)
        for one, value in zip(self._screen, (wide / shorter, tall / shorter, cm), strict=True):
            block.set(one, value)
        for area in self.areas:  # two fingers are measured anew
            block.set(area.state["first"], -1.0)
            block.set(area.state["second"], -1.0)
        block.set(self.fingers.anew, 1.0)
        block.set(self.fingers.turns, 1.0)
        block.set(self.fingers.waits, 1.0)

    # ---- the end of a moment

    def act(self, block: Block, things: Mapping[str, float]) -> Name:
        """Write the end of this moment, and what each area says; 1 if fingers did more than move."""
        fingers, screen = self.fingers, self.screen
        for area in self.areas:
            area.open_moment(block)
        more = block.keep("more", flag(some([fingers.turns != 0.0, *(one <= ANCHOR for one in self.timers)])))
        with block.when(more != 0.0):
            apart = Block(block.names)
            self._turn(apart, screen, things)
            block.part("turn", apart, rare=True)
        with block.otherwise():
            # mostly fingers only move that moved before
            for area in self.areas:
                with block.when(area.state["stirs"] != 0.0):
                    area.go(block, screen, lift(0.0), lift(1.0))
                    area.arrive(block, fingers.turns)
        fingers.end_moment(block)
        return more

    def _turn(self, block: Block, screen: Screen, things: Mapping[str, float]) -> None:
        """Fingers start to move, lift and land."""
        fingers = self.fingers
        for area in self.areas:
            area.wait_out(block)
        share, till, joins = block.keep("gone", 0.0), block.keep("till", 1.0), block.keep("joins", -1.0)
        with block.loop():
            self._move(block, screen, (share, till, joins))
            with block.when(joins < 0.0):
                for area in self.areas:
                    area.arrive(block, fingers.turns)
                self._come_and_go(block, screen, things)
            with block.when(fingers.anew != 0.0):
                self._look(block, screen, till)
            with block.when(joins < 0.0):
                block.leave()
            block.set(share, till)

    def _move(self, block: Block, screen: Screen, words: tuple[Name, Name, Name]) -> None:
        """All fingers move until the next of them starts to count, or to the end of their way."""
        share, till, joins = words
        for area in self.areas:
            area.open_step(block)
        block.set(till, 1.0)
        block.set(joins, -1.0)
        theirs, group = block.keep("joins_area", 0.0), block.keep("joins_group", -1.0)
        way = block.keep("joins_x", 0.0), block.keep("joins_y", 0.0)
        k = block.keep("k", self.fingers.low)
        with block.loop():
            with block.when(k > self.fingers.high):
                block.leave()
            names = ("said", "area", "counts", "goes", "x", "y", "was_x", "was_y")
            its = self.fingers.load(block, k, names)
            with block.when(every([its["said"] == self.fingers.moment, its["area"] > 0.0])):
                gone = self._gone(block, its)
                for area in self.areas:
                    with block.when(area.has(its["area"])):
                        area.moves(block, screen, k, its, gone)
                with block.when(its["goes"] == 0.0):
                    self._may_go(block, screen, k, its, gone, (till, joins, theirs, group, *way))
            block.set(k, k + 1.0)
        for area in self.areas:
            area.go(block, screen, share, till)
        with block.when(joins >= 0.0):
            self.fingers.store(block, joins, {"goes": 1.0, "counts": 1.0, "group": -1.0})
            block.set(self.fingers.anew, 1.0)
            for area in self.areas:
                with block.when(area.has(theirs)):
                    area.joins(block, way)
                    area.leaves_group(block, group)

    def _may_go(
        self, block: Block, screen: Screen, k: Name, its: dict[str, Name], gone: Pair, into: tuple[Name, ...]
    ) -> None:
        """A waiting finger may start at some share of its way; the first that does is kept."""
        till, joins, theirs, group, *way = into
        more = self.fingers.load(block, k, ("group", "from_x", "from_y"))
        here = (
            block.keep("here_x", (its["was_x"] - more["from_x"]) * screen.wide),
            block.keep("here_y", (its["was_y"] - more["from_y"]) * screen.tall),
        )
        slip = block.keep("slip", 0.0)
        for area in self.areas:
            with block.when(area.has(its["area"])):
                block.set(slip, area.slip(screen))
        (far,) = block.call(shaping.length, here[0] + gone[0], here[1] + gone[1])
        with block.when(far > slip):
            (over,) = block.call(switching.beyond, *here, *gone, slip)
            at = block.keep("goes_at", 1.0 - over)
            with block.when(some([joins < 0.0, at < till])):
                found = (at, k, its["area"], more["group"])
                for word, value in zip((till, joins, theirs, group), found, strict=True):
                    block.set(word, value)
                for word, part, step in zip(way, here, gone, strict=True):
                    block.set(word, part + step * at)

    def _come_and_go(self, block: Block, screen: Screen, things: Mapping[str, float]) -> None:
        """Fingers lift, then others land, in a second round."""
        fingers = self.fingers
        k, landing = block.keep("k", fingers.low), block.keep("landing", 0.0)
        with block.loop():
            with block.when(k > fingers.high):
                with block.when(landing != 0.0):
                    block.leave()
                block.set(landing, 1.0)
                block.set(k, fingers.low)
            kept = ("area", "counts", "goes", "group", "begun", "order", "from_x", "from_y")
            its = fingers.load(block, k, ("becomes", "on", "x", "y", *kept))
            with block.when(every([landing == 0.0, its["becomes"] != 0.0, its["area"] > 0.0])):
                self._lift(block, k, its)
            with block.when(every([landing != 0.0, its["becomes"] == LANDS])):
                self._land(block, screen, its, things)
            with block.when(its["becomes"] != 0.0):
                done = {name: its[name] for name in kept}
                fingers.store(block, k, {**done, "becomes": where(landing == 0.0, its["becomes"], 0.0)})
            block.set(k, k + 1.0)

    def _lift(self, block: Block, k: Name, its: dict[str, Name]) -> None:
        """A finger lifts, is cancelled, or lands without having lifted."""
        for area in self.areas:
            with block.when(area.has(its["area"])):
                area.lifts(block, k, its, its["becomes"] == LIFTS)
        for name, value in (("area", 0.0), ("counts", 0.0), ("goes", 0.0), ("group", -1.0)):
            block.set(its[name], value)
        block.set(self.fingers.anew, 1.0)

    def _land(self, block: Block, screen: Screen, its: dict[str, Name], things: Mapping[str, float]) -> None:
        """A finger lands: which area has it is decided once, until it lifts."""
        fingers = self.fingers
        wanted: list[tuple[Value, float]] = [
            (self._may_have(area, its, things), area.number) for area in self.areas
        ]
        # what the host's own interface used is nobody's, nor is what lands in another window
        free = every([FOCUS != 0.0, its["on"] >= 0.0])
        block.set(its["area"], where(free, cases(wanted, 0.0), 0.0))
        in_cm = [area for area in self.areas if area.in_cm]
        if in_cm:
            # how far is far nobody can know: it takes no finger
            lost = every([some(area.has(its["area"]) for area in in_cm), screen.cm == 0.0])
            block.set(its["area"], where(lost, 0.0, its["area"]))
        with block.when(its["area"] > 0.0):
            block.set(fingers.landed, fingers.landed + 1.0)
            block.set(fingers.anew, 1.0)
            for area in self.areas:
                with block.when(area.has(its["area"])):
                    area.lands(block, its)
            landed = {"begun": ANCHOR, "order": fingers.landed, "from_x": its["x"], "from_y": its["y"]}
            for name, one in landed.items():
                block.set(its[name], one)

    @staticmethod
    def _may_have(area: Area, its: dict[str, Name], things: Mapping[str, float]) -> Value:
        """The test of whether an area may have a finger that lands."""
        touch = area.touches[0]
        left, bottom, right, top = touch.region
        tests = [its["x"] >= left, its["x"] <= right, its["y"] >= bottom, its["y"] <= top]
        if touch.starts_on:
            tests.append(its["on"] == things[touch.starts_on])
        if area.pad:
            tests.append(area.state["size"] == 0.0)
        return every(tests)

    def _look(self, block: Block, screen: Screen, till: Name) -> None:
        """Look again at which fingers count, and what follows."""
        fingers = self.fingers
        block.set(fingers.anew, 0.0)
        for area in self.areas:
            area.open_look(block)
        k = block.keep("k", 0.0)
        with block.loop():
            with block.when(k >= float(FINGERS)):
                block.leave()
            its = fingers.load(block, k, ("said", "counts", "goes", "order", "begun", *_PLACED))
            with block.when(its["area"] > 0.0):
                counted = block.keep("counted", its["counts"])
                with block.when(some([its["said"] != fingers.moment, till >= 1.0])):
                    block.set(its["was_x"], its["x"])
                    block.set(its["was_y"], its["y"])
                at = tuple(
                    block.keep("at", its[f"was_{part}"] + (its[part] - its[f"was_{part}"]) * till)
                    for part in "xy"
                )
                for area in self.areas:
                    with block.when(area.has(its["area"])):
                        area.looks_at(block, k, its, (at[0], at[1]))
                with block.when(its["counts"] != counted):
                    fingers.store(block, k, {"counts": its["counts"]})
            block.set(k, k + 1.0)
        for area in self.areas:
            area.look(block, screen)

    def let_go(self, block: Block) -> None:
        """Write that no finger is down any more: the focus is lost, or the screen is gone."""
        self.fingers.let_go(block)
        for area in self.areas:
            area.let_go(block)

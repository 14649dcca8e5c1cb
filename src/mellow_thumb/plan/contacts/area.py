"""Areas: touches that share their fingers; which fingers count there, and which tap."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import TYPE_CHECKING

from ...expressions import every, flag, some, where
from ...formulas import shaping
from ..touches import DOUBLE, SLOP, Length
from ..words import ANCHOR, NEVER
from .gestures import Gesture, Screen, Step, held_place

if TYPE_CHECKING:
    from collections.abc import Collection, Mapping, Sequence

    from ...expressions import Block, Handle, Name, State, Value
    from ..touches import Touch

SPOKE = 0.5
"""What `reports` is where fingers only said where they are."""
TOGETHER = 0.12
"""Seconds within which the fingers of one tap land."""
RESTS = 0.5
"""Seconds after which a finger that has gone nowhere rests, for one that lands then."""
MANY = 3
"""So many fingers may tap at once."""
_AFTER = 1e-6
"""Seconds after which it is certain that no finger lifts any more in time."""
_LAST = 1e18
"""Later than any finger lands, as a number of landings."""

Pair = tuple["Value", "Value"]

MOVING = ("stirs", "reports", "way_x", "way_y")
"""What is kept of an area while a moment lasts, and is 0 between moments: whether anything happens in it; 1
once a finger that counts has moved, less where it only said where it is; the way of all these (screens)."""
RARE = ("leaves", "cancels", "lands", "join_x", "join_y", "anew", "tap1", "tap2", "tap3")
"""The same where more happens than that fingers move: how many that counted have left; whether one was
cancelled, one has landed; the way that it took one to count (screens); whether others are the first two; how
many taps there were of one finger, of two and of three."""
PLACES = ("ax", "ay", "bx", "by")
"""Where the first two fingers are, 0..1 of the screen; with ``now_`` before it where they go in a moment."""


@dataclass(eq=False)
class Area:
    """The state of some touches' fingers, and the code about it."""

    number: float
    """What a finger's `area` is that it has; they are numbered from 1 on, by who has a finger first."""
    touches: tuple[Touch, ...]
    gestures: tuple[Gesture, ...]
    state: dict[str, Handle]
    seen: dict[str, Name] = field(default_factory=dict)
    """For one look at who counts: who and how many, and where the first two are."""

    @classmethod
    def new(cls, state: State, k: int, touches: tuple[Touch, ...], running_out: Collection[str]) -> Area:
        """A new area; for touches in `running_out` the speed at which fingers lift is kept."""
        kept = {"size": 0.0, "counting": 0.0, "going": 0.0, "first": -1.0, "second": -1.0}
        kept |= {"group": -1.0, "tapped": 0.0, "open": 0.0, "due": NEVER, "far": 0.0, "newest": 0.0}
        kept |= dict.fromkeys((*PLACES, *(f"now_{name}" for name in PLACES), "from_x", "from_y"), 0.5)
        kept |= dict.fromkeys((*MOVING, *RARE), 0.0)
        handles = {name: state.new(f"area{k}_{name}", start) for name, start in kept.items()}
        gestures = tuple(
            Gesture.new(state, f"area{k}_{touch.kind}{j}", touch, runs_out=touch.name in running_out)
            for j, touch in enumerate(touches, 1)
        )
        return cls(float(k), touches, gestures, handles)

    @property
    def pad(self) -> Gesture | None:
        """Its pad, if it is one: a pad shares its finger with nothing."""
        return self.gestures[0] if self.touches[0].kind == "thumb_pad" else None

    def slip(self, screen: Screen) -> Value:
        """How far a tapping finger may slip (screens): as stated, or the touches' travel."""
        waits = [one.after_travel for one in self.touches if one.after_travel.value]
        otherwise = screen.length(waits[0] if waits else Length(SLOP))
        stated = self.touches[0].tap_travel
        if not stated.value:
            return otherwise
        # a player's own cm must not leave a screen of unknown density without fingers
        known = screen.length(stated)
        return known if stated.unit == "screen" else where(screen.cm > 0.0, known, otherwise)

    @property
    def tap_within(self) -> float:
        """How long a tapping finger may be down (s)."""
        return self.touches[0].tap_within

    @property
    def yields(self) -> bool:
        """Whether its drags leave pairs of fingers to another touch."""
        return any(one.kind == "two_finger_drag" for one in self.touches)

    @property
    def in_cm(self) -> bool:
        """Whether its fingers mean nothing until the host says how long a cm is."""
        return any(one.in_cm for one in self.touches)

    def has(self, area: Value) -> Value:
        """The test of whether it has a finger, given the finger's `area`."""
        return area == self.number

    # ---- a moment

    def open_moment(self, block: Block) -> None:
        """Write the start of a moment's end: nothing is said yet."""
        for gesture in self.gestures:
            gesture.open_moment(block)

    def close_moment(self, block: Block) -> None:
        """Write the end of a moment: nothing is said any more."""
        for name in RARE:
            block.set(self.state[name], 0.0)
        for gesture in self.gestures:
            if gesture.ends is not None:
                block.set(gesture.ends, 0.0)

    def open_step(self, block: Block) -> None:
        """Write the start of a part of the moment: nothing has moved yet."""
        for name in ("way_x", "way_y"):
            block.set(self.state[name], 0.0)
        for name in PLACES:
            block.set(self.state[f"now_{name}"], self.state[name])

    def moves(self, block: Block, screen: Screen, k: Value, its: Mapping[str, Value], way: Pair) -> None:
        """Write that one of its fingers reported a place, and how far it went."""
        state = self.state
        block.set(state["stirs"], 1.0)
        with block.when(its["counts"] != 0.0):
            for name, part in zip(("way_x", "way_y"), way, strict=True):
                block.set(state[name], state[name] + part)
            moved = some([way[0] != 0.0, way[1] != 0.0])
            block.set(state["reports"], where(some([moved, state["reports"] == 1.0]), 1.0, SPOKE))
        for who, letter in (("first", "a"), ("second", "b")):
            with block.when(k == state[who]):
                for name in "xy":
                    block.set(state[f"now_{letter}{name}"], its[name])
                if who == "first" and self._holds:
                    self._goes_far(block, screen, its)

    @property
    def _holds(self) -> bool:
        """Whether a point is held under a finger that waits for a travel."""
        return any(one.kind == "drag" and one.after_travel.value for one in self.touches)

    def _goes_far(self, block: Block, screen: Screen, its: Mapping[str, Value]) -> None:
        """Write how far the first finger has been from where it landed."""
        state = self.state
        x, y = (its["x"] - state["from_x"]) * screen.wide, (its["y"] - state["from_y"]) * screen.tall
        (far,) = block.call(shaping.length, x, y)
        block.set(state["far"], where(far > state["far"], far, state["far"]))

    def go(self, block: Block, screen: Screen, share: Value, till: Value) -> None:
        """Write what all touches say about the fingers' movement from one share of the moment to another."""
        state, counting = self.state, self.state["counting"]
        with block.when(every([state["reports"] != 0.0, counting > 0.0])):
            part = (till - share) / counting
            moved = tuple(block.keep("mean", state[name] * part) for name in ("way_x", "way_y"))
            pair: Sequence[Value] = [state[f"now_{name}"] for name in PLACES]
            if not till.is_one and any(one.kind in ("spread", "twist") for one in self.touches):
                pair = [
                    block.keep("at", state[name] + (state[f"now_{name}"] - state[name]) * till)
                    for name in PLACES
                ]
            step = Step(screen, counting, (moved[0], moved[1]), (pair[0], pair[1], pair[2], pair[3]))
            for gesture in self.gestures:
                gesture.go(block, step, self.yields and gesture.touch.kind == "drag")

    def arrive(self, block: Block, turns: Value) -> None:
        """Write that the fingers have arrived at their places; `turns` is 1 if one lands or lifts."""
        state = self.state
        for name in PLACES:
            block.set(state[name], state[f"now_{name}"])
        for gesture in self.gestures:
            if gesture.speed:
                # a lift often says once more where its finger was: that is no report of one that rests
                speaks = some([state["reports"] == 1.0, every([state["reports"] != 0.0, turns == 0.0])])
                with block.when(every([speaks, state["counting"] >= gesture.needs])):
                    gesture.speed.report(block, gesture.was)
        for name in MOVING[1:]:
            block.set(state[name], 0.0)

    # ---- who is there

    def joins(self, block: Block, way: Pair) -> None:
        """Write that a finger starts to move, after a distance (screens) that it waited for."""
        for name, part in zip(("join_x", "join_y"), way, strict=True):
            block.set(self.state[name], part)

    def lifts(self, block: Block, k: Value, its: dict[str, Name], taps: Value) -> None:
        """Write that one of its fingers is gone; returns whether it may have been a tap."""
        state = self.state
        block.set(state["stirs"], 1.0)
        block.set(state["cancels"], where(some([taps, its["counts"] == 0.0]), state["cancels"], 1.0))
        block.set(state["leaves"], state["leaves"] + its["counts"])
        block.set(state["size"], state["size"] - 1.0)
        block.set(state["going"], state["going"] - its["goes"])
        for who in ("first", "second"):
            # one that lands in this very moment may have its number
            block.set(state[who], where(k == state[who], -1.0, state[who]))
        with block.when(its["group"] >= 0.0):
            short = block.keep("short", flag(every([taps, ANCHOR - its["begun"] <= self.tap_within])))
            with block.when(every([its["group"] == state["group"], state["open"] > 0.0])):
                block.set(state["tapped"], state["tapped"] + short)
                self._one_less(block)
            with block.otherwise():
                # of a tap of several that is over by now: it taps by itself
                block.set(state["tap1"], state["tap1"] + short)

    def leaves_group(self, block: Block, its_group: Value) -> None:
        """Write that one of its fingers is no longer a possible tap."""
        with block.when(
            every([its_group >= 0.0, its_group == self.state["group"], self.state["open"] > 0.0])
        ):
            self._one_less(block)

    def _one_less(self, block: Block) -> None:
        block.set(self.state["open"], self.state["open"] - 1.0)
        with block.when(self.state["open"] == 0.0):
            self._tap(block)

    def _tap(self, block: Block) -> None:
        """Write that a tap is complete, with as many fingers as have tapped."""
        block.set(self.state["stirs"], 1.0)
        for many in range(1, MANY + 1):
            word = self.state[f"tap{many}"]
            block.set(word, word + flag(self.state["tapped"] == float(many)))
        block.set(self.state["tapped"], 0.0)
        block.set(self.state["open"], 0.0)
        block.set(self.state["due"], NEVER)

    def wait_out(self, block: Block) -> None:
        """Write that fingers down too long can no longer tap."""
        with block.when(self.state["due"] <= ANCHOR):
            self._tap(block)

    def lands(self, block: Block, its: dict[str, Name]) -> None:
        """Write that a finger lands in it; its ``counts`` and ``group`` say whether it counts, and where."""
        state = self.state
        with block.when(some([state["open"] == 0.0, ANCHOR - state["group"] > TOGETHER])):
            self._tap(block)
            block.set(state["group"], ANCHOR)
        block.set(self.state["stirs"], 1.0)
        block.set(state["size"], state["size"] + 1.0)
        block.set(state["open"], state["open"] + 1.0)
        block.set(state["due"], ANCHOR + self.tap_within + _AFTER)
        block.set(self.state["lands"], 1.0)
        block.set(its["group"], state["group"])
        block.set(its["counts"], flag(state["going"] == 0.0))
        if self.pad:
            self.pad.centre(block, its["x"], its["y"])

    # ---- looking anew who counts

    def open_look(self, block: Block) -> None:
        """Write the start of a look: no finger seen yet."""
        self.seen = {
            name: block.keep(f"seen_{name}", start)
            for name, start in {
                "size": 0.0, "counting": 0.0, "going": 0.0, "rests": 0.0, "newest": -1.0, "newest_goes": 0.0,
                "first": -1.0, "second": -1.0, "from_x": 0.5, "from_y": 0.5,
                "first_order": _LAST, "second_order": _LAST,
                **dict.fromkeys(("ax", "ay", "bx", "by", "was_ax", "was_ay", "was_bx", "was_by"), 0.5),
            }.items()
        }  # fmt: skip

    def looks_at(self, block: Block, k: Value, its: dict[str, Name], at: Pair) -> None:
        """Write that a finger is seen `at` a place; it may stop counting, as resting."""
        seen = self.seen
        lasts = every([self.state["lands"] != 0.0, its["goes"] == 0.0, ANCHOR - its["begun"] > RESTS])
        with block.when(every([its["counts"] != 0.0, lasts])):
            block.set(its["counts"], 0.0)
            block.set(seen["rests"], seen["rests"] + 1.0)
        for name, one in (("size", 1.0), ("counting", its["counts"]), ("going", its["goes"])):
            block.set(seen[name], seen[name] + one)
        with block.when(its["order"] > seen["newest"]):
            block.set(seen["newest"], its["order"])
            block.set(seen["newest_goes"], its["goes"])
        here = (k, its["order"], *at, its["was_x"], its["was_y"])
        first, second = (
            tuple(seen[name] for name in (who, f"{who}_order", f"{s}x", f"{s}y", f"was_{s}x", f"was_{s}y"))
            for who, s in (("first", "a"), ("second", "b"))
        )
        with block.when(its["counts"] != 0.0):
            with block.when(its["order"] < seen["first_order"]):
                for one, other in zip(second, first, strict=True):
                    block.set(one, other)
                for one, value in zip(first, here, strict=True):
                    block.set(one, value)
                for part in ("from_x", "from_y"):
                    block.set(seen[part], its[part])
            with block.otherwise(), block.when(its["order"] < seen["second_order"]):
                for one, value in zip(second, here, strict=True):
                    block.set(one, value)

    def look(self, block: Block, screen: Screen) -> None:
        """Write what follows from which fingers count now."""
        seen, state = self.seen, self.state
        stay = block.keep("stay", state["counting"] - state["leaves"] - seen["rests"])
        block.set(state["leaves"], 0.0)
        for gesture in self.gestures if not self.pad else ():
            if gesture.speed:
                with block.when(every([state["counting"] >= gesture.needs, stay < gesture.needs])):
                    gesture.lift(block, state["cancels"])
            with block.when(every([stay < gesture.needs, seen["counting"] >= gesture.needs])):
                gesture.begin(block, screen, (state["join_x"], state["join_y"]))
        with block.when(state["first"] != seen["first"]):
            # what is held by a finger that has not landed just now goes under it at once
            new = every([state["lands"] != 0.0, stay < 1.0])
            block.set(state["far"], where(new, 0.0, NEVER))
        with block.when(some([state["first"] != seen["first"], state["second"] != seen["second"]])):
            block.set(state["anew"], 1.0)
            block.set(state["stirs"], 1.0)
            for gesture in self.gestures:
                gesture.pair(block, screen, (seen["ax"], seen["ay"], seen["bx"], seen["by"]))
        for name in ("size", "counting", "going", "first", "second", "from_x", "from_y"):
            block.set(state[name], seen[name])
        for name in PLACES:
            block.set(state[name], seen[f"was_{name}"])
            block.set(state[f"now_{name}"], seen[f"was_{name}"])
        block.set(state["newest"], flag(every([seen["size"] > 0.0, seen["newest_goes"] == 0.0])))
        for name in ("join_x", "join_y"):
            block.set(state[name], 0.0)

    # ---- what is said of it

    def place(self, block: Block, touch: Touch, screen: Screen) -> tuple[Value, ...]:
        """Where a touch is, 0..1 of the screen: its first finger, or the middle of its two.

        A drag that waits for a travel stays where it landed meanwhile, then goes half as fast again as the
        finger until it is there: what it holds neither jumps nor slips for good.
        """
        state = self.state
        if touch.kind in DOUBLE:
            return tuple((state[f"a{part}"] + state[f"b{part}"]) * 0.5 for part in "xy")
        if touch.kind != "drag" or not touch.after_travel.value:
            return state["ax"], state["ay"]
        travel, far = screen.length(touch.after_travel), state["far"]
        return tuple(
            held_place(block, travel, far, state[f"a{part}"], state[f"from_{part}"]) for part in "xy"
        )

    def switches(self, touch: Touch) -> dict[str, Value]:
        """The tests of whether fingers are on a touch, and of whether they have gone nowhere yet."""
        state = self.state
        if touch.kind in DOUBLE:
            two = state["counting"] >= 2.0
            return {"down": two, "still": every([two, state["going"] == 0.0])}
        return {"down": state["size"] > 0.0, "still": state["newest"] != 0.0}

    def let_go(self, block: Block) -> None:
        """Write that none of its fingers is down any more, and nothing glides on."""
        for name in ("size", "counting", "going", "open", "tapped", "newest", *MOVING, *RARE):
            block.set(self.state[name], 0.0)
        for name in ("first", "second"):
            block.set(self.state[name], -1.0)
        block.set(self.state["due"], NEVER)

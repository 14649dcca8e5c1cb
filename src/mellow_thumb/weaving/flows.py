"""What happens to an axis between events: rates run in, pools pay out, limits hold.

Within a step every held value is constant, so each part has a closed form. The axis's *goal* is its value
plus all that its pools still owe it. On an axis with limits, what runs in stops when the goal reaches one:
what a limit cuts off is lost, and nothing is stored up behind it.
"""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

from ..expressions import FALSE, every, is_infinite, product_of, some, total, where, worked_out
from ..formulas import clamp, limited, taken_up, turn_share, until_limit
from ..plan import ANCHOR, DT, LONGEST, STOP, WORLD_NOW, WORLD_RATE, WORLD_THEN
from ..plan.steps import Filtered, Pool, Wish, run_back

if TYPE_CHECKING:
    from ..expressions import Block, Handle, Name, Names, State, Value
    from ..plan import Axis
    from ..plan.steps import Back

STILL = 1e-9
"""What is owed and is less than this counts as nothing, in the unit of the axis."""


def _middle(low: float, high: float) -> float:
    """The middle between two limits."""
    return 0.5 * (low + high)


def _reach(low: float, high: float) -> float:
    """How far it is from there to either, less a hair: no rounding lies beyond it."""
    return 0.4999999999 * (high - low)


@dataclass(eq=False)
class Turn:
    """A turn that the host asked for."""

    amount: Handle
    start: Handle
    over: Handle

    @classmethod
    def new(cls, state: State, stem: str) -> Turn:
        """New state; `stem` is what its names begin with."""
        return cls(
            state.new(f"{stem}_turn_amount"),
            state.new(f"{stem}_turn_start"),
            state.new(f"{stem}_turn_over", 1.0),
        )

    def begin(self, block: Block, way: Value, start: Value, over: Value) -> None:
        """Write its start."""
        block.set(self.amount, way)
        block.set(self.start, start)
        block.set(self.over, over)


class AxisFlow:
    """Everything that moves one axis, collected from its routes."""

    def __init__(self, axis: Axis, value: Handle, names: Names) -> None:
        self.axis, self.value, self._names = axis, value, names
        self.direct: list[Wish] = []
        self.pools: list[Pool] = []
        self.filtered: list[Filtered] = []
        self.turn: Turn | None = None
        self.backs: list[Back] = []
        """The ways back to where a gate was opened."""
        self.near: Name | None = None
        """What holds whether its limits are near, where that makes a difference."""
        self.furthest: Handle | None = None
        """What holds `most`, where that makes a difference; below 0 while nobody knows."""
        self.most: Value = FALSE
        """How far it might go at the most within the longest step, by what it has at the moment."""
        self.steps = False
        """Whether displacements act on it without smoothing."""

    @property
    def wishes(self) -> list[Wish]:
        """Every rate that a route wants, smoothed or not."""
        pooled = [wish for pool in self.pools for wish in pool.wishes]
        return [*self.direct, *pooled, *(one.wish for one in self.filtered)]

    @property
    def mixed(self) -> bool:
        """Whether parts of its motion are smoothed differently, so that one may overtake another."""
        sources = len(self.pools) + len(self.filtered) + bool(self.direct or self.steps)
        return sources > 1 or bool(self.filtered)

    @property
    def goal(self) -> list[Value]:
        """Where it will end, in its inner unit."""
        return [self.value, *(pool.held for pool in self.pools), *(one.owed for one in self.filtered)]

    # ---- between events

    def pass_turns(self, block: Block) -> None:
        """Write what a turn or a way back does to it in `dt`."""
        if self.turn:
            turn = self.turn
            (share,) = block.call(turn_share, ANCHOR, STOP, turn.start, turn.over)
            self._take(block, turn.amount * share)
        for back in self.backs:
            self._take(block, back.amount * back.share(block, WORLD_THEN, WORLD_NOW))

    def _take(self, block: Block, part: Value) -> None:
        """The part of a turn in this step; the axis can still be pushed."""
        if self.axis.limited:
            block.call(clamp, self.value + part, into=(self.value,), **self.axis.limits)
        else:
            block.set(self.value, self.value + part)

    def pass_time(self, block: Block) -> None:
        """Write what happens to the axis in `dt`."""
        if not (self.wishes or self.pools or self.axis.return_half_life):
            return
        for wish in self.wishes:
            self._name_rate(block, wish)
        if self.axis.return_half_life:
            # while the world stands still nothing goes back by itself; a hand moves it all the same
            with block.when(WORLD_RATE != 0.0):
                run_back(block, self.axis, self.value, self.wishes, self.pools, self.goal)
            with block.when(WORLD_RATE == 0.0):
                self._move(block)
            return
        self._move(block)

    @property
    def guarded(self) -> bool:
        """Whether being clear of its limits saves much work."""
        eased = bool(self.pools or self.filtered) and bool(self.wishes or self.mixed)
        return eased and self.axis.limited and not self.axis.return_half_life

    def guard(self, state: State) -> None:
        """Keep how far it might go; call it once all that moves it is known."""
        self.furthest = state.new(f"{self.value}_furthest", -1.0)
        self.most = total(self._most(LONGEST))

    def know_furthest(self, block: Block) -> None:
        """Write how far it might go in a step, where that is not known."""
        assert self.furthest is not None
        with block.when(self.furthest < 0.0):
            block.set(self.furthest, self.most)

    def _move(self, block: Block) -> None:
        """Rates run in, pools pay out, limits hold, unless the axis is clear of them."""
        if not self.guarded:
            self._move_held(block)
            return
        # most of the time an axis is far from its limits, and asking when it meets them costs more than
        # moving it
        assert self.near is not None
        with block.when(self.near):
            self._move_held(block)
        with block.otherwise():
            self._move_free(block)

    def _move_free(self, block: Block) -> None:
        """Rates run in and pools pay out."""
        paid = [self._run(block, wish, DT) for wish in self.direct]
        for pool in self.pools:
            paid += self._pay_out(block, pool, DT)
        for one in self.filtered:
            paid += self._filter(block, one, DT)
        block.set(self.value, total([self.value, *paid]))

    def _move_held(self, block: Block) -> None:
        """The same, with limits."""
        active = self._active(block)
        # of motions that are smoothed differently one may overtake another and turn round inside the step:
        # what passed a limit by then is found from the speeds at both ends
        before = self._names.fresh(f"{self.value}_speed")
        if self.axis.limited and self.mixed:
            block.set(before, total([*(self._mean(wish) for wish in self.direct), *self._owed_speeds()]))
        paid = [self._run(block, wish, active) for wish in self.direct]
        for pool in self.pools:
            paid += self._pay_out(block, pool, active)
        for one in self.filtered:
            paid += self._filter(block, one, active)
        goes = total([self.value, *paid])
        if not self.axis.limited:
            block.set(self.value, goes)
        elif self.mixed:
            speeds = (before, self._speed_at_end(active))
            block.call(limited, self.value, goes, *speeds, DT, into=(self.value,), **self.axis.limits)
        else:
            block.call(clamp, goes, into=(self.value,), **self.axis.limits)

    def _name_rate(self, block: Block, wish: Wish) -> None:
        """Give a rate with gates and scales a name, so that it is worked out once."""
        (first, *more) = wish.factors
        if not (more or first.parts or wish.means):
            wish.name = first
            return
        wish.name = block.keep(f"{self.value}_wish", product_of(wish.means or wish.factors))

    def _active(self, block: Block) -> Value:
        """The time for which rates run in: less than `dt` if the goal reaches a limit."""
        if not (self.axis.limited and self.wishes):
            return DT
        rate = total(self._mean(wish) for wish in self.wishes)
        active = self._names.fresh(f"{self.value}_active")
        # the goal and not the value: what smoothing still owes counts as there, or it would be stored up
        # behind the limit and hold the axis there after the stick has turned round
        block.call(until_limit, total(self.goal), rate, DT, into=(active,), **self.axis.limits)
        return active

    @staticmethod
    def _mean(wish: Wish) -> Value:
        """A rate for finding when the goal reaches a limit: with all the boost it has now."""
        return wish.boost.most(wish.running) if wish.boost else wish.running

    @staticmethod
    def _run(block: Block, wish: Wish, active: Value) -> Value:
        """The integral of an unsmoothed rate."""
        return wish.boost.run(block, wish.running, active) if wish.boost else wish.running * active

    def _pay_out(self, block: Block, pool: Pool, active: Value) -> list[Value]:
        """What a pool pays out, while a rate runs in and for the rest of the time."""
        boosted = next((wish for wish in pool.wishes if wish.boost), None)
        if boosted and boosted.boost:
            paid = self._names.fresh(f"{self.value}_paid")
            rising = boosted.boost.run_into(block, pool, boosted, active, paid)
            after = self._pay(block, pool, boosted.boost.full(boosted.running), active - rising)
            rest = [] if active is DT else [self._pay(block, pool, None, DT - active)]
            return [paid, after, *rest]
        if not pool.wishes:
            return [self._pay(block, pool, None, DT)]
        inflow = total(wish.running for wish in pool.wishes)
        spans = [self._pay(block, pool, inflow, active)]
        return spans if active is DT else [*spans, self._pay(block, pool, None, DT - active)]

    def _pay(self, block: Block, pool: Pool, inflow: Value | None, time: Value) -> Value:
        """Let time pass over a pool; returns what holds what it pays."""
        paid = self._names.fresh(f"{self.value}_paid")
        pool.smoothing.pay(block, pool, inflow, time, paid)
        return paid

    def _filter(self, block: Block, one: Filtered, active: Value) -> list[Value]:
        """The integral of a rate behind a 1 euro filter, while it runs in and for the rest of the time."""
        spans: list[tuple[Value | None, Value]] = [(one.wish.running, active)]
        if active is not DT:
            spans.append((None, DT - active))
        parts: list[Value] = []
        for wish, time in spans:
            paid = self._names.fresh(f"{self.value}_paid")
            one.run(block, wish, time, paid)
            parts.append(paid)
        return parts

    def owed_speeds(self) -> list[Value]:
        """How fast smoothing moves it at this moment, in its inner unit."""
        return self._owed_speeds()

    def _owed_speeds(self) -> list[Value]:
        return [*(pool.smoothing.speed(pool) for pool in self.pools), *(one.rate for one in self.filtered)]

    def _speed_at_end(self, active: Value) -> Value:
        """The axis's speed at the end of a step: rates no longer run in once the goal has reached a limit."""
        running = [self._mean(wish) for wish in self.direct]
        # nothing runs in any more at the end if the goal met a limit before that
        if active is not DT and running:
            running = [where(active == DT, total(running), 0.0)]
        return total([*running, *self._owed_speeds()])

    # ---- as a gate opens and closes

    def forget(self, block: Block) -> None:
        """Drop everything that smoothing still owes it."""
        for pool in self.pools:
            for owed in pool.state:
                block.set(owed, 0.0)
        for one in self.filtered:
            block.set(one.rate, 0.0)

    def drop(self, block: Block, listen: Handle, rates: list[Handle]) -> None:
        """Drop what a gate's routes are still owed by their own smoothing."""
        for pool in self.pools:
            # a pool that other routes share holds what is theirs too
            if pool.owner[-1:] == (listen.name,):
                for owed in pool.state:
                    block.set(owed, 0.0)
        for rate in rates:
            block.set(rate, 0.0)

    # ---- at a displacement, `age` after the last commit

    def push(self, block: Block, push: Name, pool: Pool | None) -> None:
        """Give a displacement to the axis or to a pool, within the goal's limits."""
        # the goal is limited and not the value, or the way back would first have to undo what lies beyond
        if self.axis.limited and (self.pools or self.filtered):
            block.call(taken_up, push, total(self.goal), into=(push,), **self.axis.limits)
            if pool is None:
                block.call(taken_up, push, self.value, into=(push,), **self.axis.limits)
        if pool is not None:
            early, poured = (self._names.fresh(f"{self.value}_{word}") for word in ("early", "poured"))
            pool.smoothing.pour(block, pool, push, early, poured)
            block.set(self.value, self.value + early)
            block.set(pool.held, pool.held + poured)
        elif self.axis.limited and not (self.pools or self.filtered):
            block.call(clamp, self.value + push, into=(self.value,), **self.axis.limits)
        else:
            block.set(self.value, self.value + push)

    def clear(self, pushes: list[Value], time: float) -> Value | None:
        """The test of whether the axis is sure to stay clear of its limits for a time (s); None for always.

        A displacement may then be entered at the last commit rather than at its own time. The bound takes
        everything at its most.
        """
        # an axis that returns goes by itself
        if self.axis.return_half_life:
            return FALSE
        if not (self.axis.limited and (self.wishes or self.mixed)):
            return None
        most = [self.furthest] if self.furthest is not None else self._most(time)
        bound, limits, axis = total([*map(abs, pushes), *most]), self.axis.limits, self.axis
        if is_infinite(axis.low):
            return self.value + bound < limits["high"]
        if is_infinite(axis.high):
            return limits["low"] + bound < self.value
        # from the middle, one test serves for both sides
        off = abs(self.value - worked_out(_middle, limits["low"], limits["high"]))
        return off + bound < worked_out(_reach, limits["low"], limits["high"])

    def _most(self, time: float) -> list[Value]:
        most: list[Value] = []
        for wish in self.wishes:
            extra = wish.boost.boost.extra if wish.boost else 0.0
            most.append(abs(wish.rate) * (time * (1.0 + extra)))
        most += [abs(pool.held) for pool in self.pools]
        return most + [abs(one.owed) for one in self.filtered]

    def still(self) -> list[Value]:
        """Tests that hold while nothing moves the axis."""
        owed = [abs(part) < STILL for pool in self.pools for part in pool.state]
        wishes = [
            every(one == 0.0 for one in wish.wanted) if wish.wanted else wish.rate == 0.0
            for wish in self.wishes
        ]
        return [*owed, *wishes]

    def nearly_still(self, least: Value) -> list[Value]:
        """Tests that hold while the axis will move by no more than `least` by itself, in its inner unit.

        A control held against a limit moves nothing.
        """
        owed = [abs(pool.held) for pool in self.pools] + [abs(one.owed) for one in self.filtered]
        owed += [abs(pool.speed) / pool.smoothing.decay for pool in self.pools if pool.speed is not None]
        wishes = []
        for wish in self.wishes:
            held = [every(one == 0.0 for one in wish.wanted) if wish.wanted else wish.rate == 0.0]
            if self.axis.limited:
                low, high = self.axis.limits["low"], self.axis.limits["high"]
                held.append(every([wish.rate > 0.0, self.value >= high - least]))
                held.append(every([wish.rate < 0.0, self.value <= low + least]))
            wishes.append(some(held))
        return [*([total(owed) <= least] if owed else []), *wishes]

    def turning_over(self, now: Value) -> list[Value]:
        """Tests that hold while no turn and no way back is under way."""
        tests = []
        if self.turn:
            tests.append(some([self.turn.amount == 0.0, now - self.turn.start >= self.turn.over]))
        return [*tests, *(back.over_by() for back in self.backs)]

"""What happens to an axis between events: rates run in, pools pay out, limits hold.

Within a step every held value is constant, so each part has a closed form. The axis's *goal* is its value
and all that its pools still owe it. On an axis with limits what runs in stops when the goal meets one: what
a limit cuts off is gone, and nothing is stored up behind it.
"""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import number
from ..formulas import clamp, limited, returning, room, wrapped
from ..formulas import smoothing as eased
from ..plan.steps import LN2, Exponential, Spring
from .pools import WORLD_NOW, WORLD_RATE, WORLD_THEN, Filtered, Pool, Wish

if TYPE_CHECKING:
    from ..expressions import Block, Names
    from ..plan import Axis


class AxisFlow:
    """Everything that moves one axis, collected from its routes."""

    def __init__(self, axis: Axis, variable: str, names: Names) -> None:
        self.axis, self.value, self._names = axis, variable, names
        self.direct: list[Wish] = []
        self.pools: list[Pool] = []
        self.filtered: list[Filtered] = []
        self.turn = ""
        """The stem of the state values of a turn that the host asked for."""
        self.backs: list[str] = []
        """The stems of the state values of a way back to where a gate was opened."""
        self.overs: dict[str, float] = {}
        """For each of them, how many seconds it takes."""
        self.near = self.reach = ""
        """What holds whether its limits are near, and how far it might go, where that makes a difference."""
        self.steps = False
        """Whether displacements act on it without smoothing."""

    @property
    def wishes(self) -> list[Wish]:
        """Every rate that is wished, smoothed or not."""
        pooled = [wish for pool in self.pools for wish in pool.wishes]
        return [*self.direct, *pooled, *(one.wish for one in self.filtered)]

    @property
    def mixed(self) -> bool:
        """Whether parts of its motion are smoothed differently, so that one may overtake another."""
        sources = len(self.pools) + len(self.filtered) + bool(self.direct or self.steps)
        return sources > 1 or bool(self.filtered)

    @property
    def goal(self) -> str:
        """The woven expression of where it will come to."""
        owed = [pool.held for pool in self.pools] + [f"{one.rate} / {one.decay}" for one in self.filtered]
        return " + ".join((self.value, *owed))

    # ---- between events

    def weave_turns(self, block: Block) -> None:
        """Write what `dt` does to it of a turn or a way back that has begun."""
        if self.turn:
            self._weave_turn(block, "anchor", "stop", self.turn, f"{self.turn}_over")
        for back in self.backs:
            self._weave_turn(block, WORLD_THEN, WORLD_NOW, back, number(self.overs[back]))

    def weave(self, block: Block) -> None:
        """Write what `dt` does to the axis."""
        if not (self.wishes or self.pools or self.axis.return_half_life):
            return
        for wish in self.wishes:
            self._name_rate(block, wish)
        if self.axis.return_half_life:
            returning, resting = block.inner(), block.inner()
            self._weave_return(returning)
            self._weave_motion(resting)
            block.when(f"{WORLD_RATE} != 0.0", returning)
            if resting.lines:
                block.when(f"{WORLD_RATE} == 0.0", resting)
            return
        self._weave_motion(block)

    @property
    def guarded(self) -> bool:
        """Whether much is saved while it is clear of its limits."""
        eased = bool(self.pools or self.filtered) and bool(self.wishes or self.mixed)
        return eased and self.axis.limited and not self.axis.return_half_life

    def _weave_motion(self, block: Block) -> None:
        """Rates run in, pools pay out, limits hold: where it is clear of them, nothing need be held."""
        if not self.guarded:
            self._weave_held(block)
            return
        held, free = block.inner(), block.inner()
        self._weave_held(held)
        self._weave_free(free)
        block.when(self.near, held, free)

    def _weave_free(self, block: Block) -> None:
        """Rates run in and pools pay out."""
        paid = [self._run(block, wish, "dt") for wish in self.direct]
        for pool in self.pools:
            paid += self._weave_pool(block, pool, "dt")
        paid += [self._weave_filtered(block, one, "dt") for one in self.filtered]
        block.set(self.value, " + ".join((self.value, *paid)))

    def _weave_held(self, block: Block) -> None:
        """The same inside limits."""
        active = self._weave_active(block)
        before = self._names.fresh(f"{self.value}_speed")
        if self.axis.limited and self.mixed:
            block.set(before, self._speed(active_at_end=False))
        paid = [self._run(block, wish, active) for wish in self.direct]
        for pool in self.pools:
            paid += self._weave_pool(block, pool, active)
        for one in self.filtered:
            paid.append(self._weave_filtered(block, one, active))
        total = " + ".join((self.value, *paid))
        if not self.axis.limited:
            block.set(self.value, total)
        elif self.mixed:
            speeds = (before, self._speed(active_at_end=True, active=active))
            block.call(limited, self.value, total, *speeds, "dt", into=(self.value,), **self.axis.limits)
        else:
            block.call(clamp, total, into=(self.value,), **self.axis.limits)

    def _weave_turn(self, block: Block, begin: str, end: str, turn: str, over: str) -> None:
        """The part of a turn that falls into this step; what it has come to may be pushed as ever."""
        (share,) = block.call(eased.turn_share, begin, end, f"{turn}_start", over)
        total = f"{self.value} + {turn}_amount * {share}"
        if self.axis.limited:
            block.call(clamp, total, into=(self.value,), **self.axis.limits)
        else:
            block.set(self.value, total)

    # ---- as a gate opens and closes

    def leave(self, block: Block, back: str) -> None:
        """Keep where the axis is, or was on its way back to, as a gate opens."""
        (share,) = block.call(
            eased.turn_share, f"{back}_start", WORLD_NOW, f"{back}_start", number(self.overs[back])
        )
        block.set(f"{back}_from", f"{self.goal} + {back}_amount * (1.0 - {share})")
        block.set(f"{back}_amount", "0.0")

    def come_back(self, block: Block, back: str) -> None:
        """Begin the way back as the gate closes; a yaw that wraps goes the shorter way."""
        way = f"{back}_from - ({self.goal})"
        if self.axis.wraps:
            (way,) = block.call(wrapped, way)
        block.set(f"{back}_amount", way)
        block.set(f"{back}_start", WORLD_NOW)

    def forget(self, block: Block) -> None:
        """Drop everything that smoothing still owes it."""
        for pool in self.pools:
            for owed in (pool.held, pool.speed) if pool.speed else (pool.held,):
                block.set(owed, "0.0")
        for one in self.filtered:
            block.set(one.rate, "0.0")

    def drop(self, block: Block, listen: str, rates: list[str]) -> None:
        """Drop what the routes of a gate are still owed by smoothing of their own."""
        for pool in self.pools:
            if pool.owner.split()[-1:] == [listen]:
                for owed in (pool.held, pool.speed) if pool.speed else (pool.held,):
                    block.set(owed, "0.0")
        for rate in rates:
            block.set(rate, "0.0")

    def _name_rate(self, block: Block, wish: Wish) -> None:
        """Give a rate with gates and scales in it a name, to be worked out once."""
        wish.name = wish.rate
        if not wish.rate.isidentifier():
            wish.name = self._names.fresh(f"{self.value}_wish")
            block.set(wish.name, wish.mean or wish.rate)

    def _weave_return(self, block: Block) -> None:
        """Back to rest, against what is wished, and eased if the axis is: one closed form."""
        rate = " + ".join(wish.name for wish in self.wishes) or "0.0"
        rest = self.axis.inner(self.axis.rest)
        k = self._names.fresh(f"{self.value}_back")
        block.set(k, f"{number(LN2 / self.axis.return_half_life)} * {WORLD_RATE}")
        if not self.pools:
            block.call(returning.leaked, self.value, rate, "dt", k, into=(self.value,), rest=rest)
            if self.axis.limited:
                block.call(clamp, self.value, into=(self.value,), **self.axis.limits)
            return
        (pool,) = self.pools
        active = "dt"
        if self.axis.limited:
            active = self._names.fresh(f"{self.value}_active")
            block.call(
                returning.until_limit_leaking,
                self.goal,
                rate,
                "dt",
                k,
                into=(active,),
                rest=rest,
                **self.axis.limits,
            )
        if isinstance(pool.smoothing, Spring):
            state = (self.value, pool.held, pool.speed)
            block.call(
                returning.leaked_spring, *state, rate, active, k, into=state, rest=rest, w=pool.smoothing.w
            )
        else:
            into, ease = (self.value, pool.held), pool.smoothing.k
            block.call(returning.leaked_easing, *into, rate, active, k, into=into, rest=rest, ease=ease)
        if self.axis.limited:
            paid = self._pay(block, pool, "0.0", f"dt - {active}")
            block.call(clamp, f"{self.value} + {paid}", into=(self.value,), **self.axis.limits)

    def _weave_active(self, block: Block) -> str:
        """The name of the time for which what is wished runs in: less than `dt` if the goal meets a limit."""
        if not (self.axis.limited and self.wishes):
            return "dt"
        rate = " + ".join(self._mean(wish) for wish in self.wishes)
        active = self._names.fresh(f"{self.value}_active")
        block.call(eased.until_limit, self.goal, rate, "dt", into=(active,), **self.axis.limits)
        return active

    @staticmethod
    def _mean(wish: Wish) -> str:
        """A rate for the question of when the goal meets a limit: with all the boost that it has by now."""
        return f"{wish.name} * (1.0 + {number(wish.boost.extra)} * {wish.level})" if wish.boost else wish.name

    def _run(self, block: Block, wish: Wish, active: str) -> str:
        """What an unsmoothed rate comes to."""
        if not wish.boost:
            return f"{wish.name} * {active}"
        mean, level = self._names.fresh("boost"), self._names.fresh("boost_level")
        block.call(eased.ramp, wish.level, active, into=(mean, level), build=wish.boost.build)
        block.set(wish.level, f"{level} if {wish.past} != 0.0 else 0.0")
        return f"{wish.name} * (1.0 + {number(wish.boost.extra)} * {mean} * {wish.past}) * {active}"

    def _weave_pool(self, block: Block, pool: Pool, active: str) -> list[str]:
        """What a pool pays out: while it is run into, and for the rest of the time."""
        inflow = " + ".join(wish.name for wish in pool.wishes)
        boosted = next((wish for wish in pool.wishes if wish.boost), None)
        if boosted:
            return self._weave_boosted(block, pool, boosted, active)
        spans = [(inflow or "0.0", active if inflow else "dt")]
        if inflow and active != "dt":
            spans.append(("0.0", f"dt - {active}"))
        return [self._pay(block, pool, rate, time) for rate, time in spans]

    def _weave_boosted(self, block: Block, pool: Pool, wish: Wish, active: str) -> list[str]:
        """A pool whose inflow rises along a ramp and then stays: each stretch by its own closed form."""
        assert wish.boost is not None
        boost, k = wish.boost, self._decay(pool)
        rising, mean, level = (self._names.fresh(word) for word in ("rising", "boost", "boost_level"))
        slope = self._names.fresh("slope")
        block.set(rising, f"{wish.past} * (1.0 - {wish.level}) * {number(boost.build)}")
        block.set(rising, f"{rising} if {rising} < {active} else {active}")
        block.set(slope, f"{wish.name} * {number(boost.extra / boost.build)}")
        begin = f"{wish.name} * (1.0 + {number(boost.extra)} * {wish.level} * {wish.past})"
        paid = self._names.fresh(f"{self.value}_paid")
        (share,) = block.call(eased.decay, rising, k)
        block.call(eased.ramp_through, pool.held, begin, slope, rising, share, k, into=(paid, pool.held))
        block.call(eased.ramp, wish.level, active, into=(mean, level), build=boost.build)
        block.set(wish.level, f"{level} if {wish.past} != 0.0 else 0.0")
        after = f"{wish.name} * (1.0 + {number(boost.extra)} * {wish.level} * {wish.past})"
        paid_after = self._pay(block, pool, after, f"{active} - {rising}")
        rest = [] if active == "dt" else [self._pay(block, pool, "0.0", f"dt - {active}")]
        return [paid, paid_after, *rest]

    def _pay(self, block: Block, pool: Pool, inflow: str, time: str) -> str:
        """Let time pass over a pool; the name of what it pays."""
        paid = self._names.fresh(f"{self.value}_paid")
        if isinstance(pool.smoothing, Spring):
            into = (paid, pool.held, pool.speed)
            if inflow == "0.0":
                block.call(
                    eased.spring_alone, pool.held, pool.speed, time, number(pool.smoothing.w), into=into
                )
                return paid
            block.call(
                eased.spring_through, pool.held, pool.speed, inflow, time, number(pool.smoothing.w), into=into
            )
            return paid
        k = self._decay(pool)
        (share,) = block.call(eased.decay, time, k)
        if inflow == "0.0":
            block.call(eased.payout, pool.held, share, into=(paid, pool.held))
        else:
            block.call(eased.flow_through, pool.held, inflow, time, share, k, into=(paid, pool.held))
        return paid

    @staticmethod
    def _decay(pool: Pool) -> str:
        assert isinstance(pool.smoothing, Exponential)
        return number(pool.smoothing.k)

    def _weave_filtered(self, block: Block, one: Filtered, active: str) -> str:
        """What a rate behind a 1 euro filter comes to; its cutoff is held until the next event."""
        spans = [(one.wish.name, active)] + ([] if active == "dt" else [("0.0", f"dt - {active}")])
        parts = []
        for wish, time in spans:
            parts.append(self._names.fresh(f"{self.value}_paid"))
            (share,) = block.call(eased.decay, time, one.decay)
            into = (parts[-1], one.rate)
            if wish == "0.0":
                block.call(eased.fading_rate, one.rate, share, one.decay, into=into)
            else:
                block.call(eased.filtered_rate, one.rate, wish, time, share, one.decay, into=into)
        return " + ".join(parts)

    def eased_speed(self) -> str:
        """The woven expression of how fast it goes at this moment by what smoothing still owes it."""
        return " + ".join(self._owed_speeds()) or "0.0"

    def _owed_speeds(self) -> list[str]:
        pools = [
            pool.speed if isinstance(pool.smoothing, Spring) else f"{pool.held} * {self._decay(pool)}"
            for pool in self.pools
        ]
        return [*pools, *(one.rate for one in self.filtered)]

    def _speed(self, *, active_at_end: bool, active: str = "dt") -> str:
        """The woven expression of the axis's speed, at the beginning of a step or at its end."""
        running = [self._mean(wish) for wish in self.direct]
        if active_at_end and active != "dt" and running:
            running = [f"(({' + '.join(running)}) if {active} == dt else 0.0)"]
        return " + ".join([*running, *self._owed_speeds()]) or "0.0"

    # ---- at a displacement, `age` after the last commit

    def push(self, block: Block, push: str, pool: Pool | None) -> None:
        """Give a displacement to the axis, or to a pool; inside the limits of the goal."""
        if self.axis.limited and (self.pools or self.filtered):
            block.call(room, push, self.goal, into=(push,), **self.axis.limits)
            if pool is None:
                block.call(room, push, self.value, into=(push,), **self.axis.limits)
        if pool is not None:
            self._pour(block, push, pool)
            return
        total = f"{self.value} + {push}"
        if self.axis.limited and not (self.pools or self.filtered):
            block.call(clamp, total, into=(self.value,), **self.axis.limits)
        else:
            block.set(self.value, total)

    def _pour(self, block: Block, push: str, pool: Pool) -> None:
        """Put a displacement into a pool as of the last commit: its own course, run backward over its age."""
        early, poured = (self._names.fresh(f"{self.value}_{word}") for word in ("early", "poured"))
        if isinstance(pool.smoothing, Spring):
            speed = self._names.fresh(f"{self.value}_speed")
            w = number(pool.smoothing.w)
            block.call(eased.spring_alone, push, "0.0", "-age", w, into=(early, poured, speed))
            block.set(pool.speed, f"{pool.speed} + {speed}")
        else:
            (share,) = block.call(eased.decay, "-age", self._decay(pool))
            block.call(eased.payout, push, share, into=(early, poured))
        block.set(self.value, f"{self.value} + {early}")
        block.set(pool.held, f"{pool.held} + {poured}")

    def clear(self, pushes: list[str], time: float) -> str | None:
        """When the axis is sure to stay clear of its limits for a time (s), with pushes; nothing: always.

        A displacement may then be entered at the last commit rather than at its own time. The bound takes
        everything at its most.
        """
        if self.axis.return_half_life or (pushes and any(pool.quick for pool in self.pools)):
            return "False"
        if not (self.axis.limited and (self.wishes or self.mixed)):
            return None
        reach = [*(f"abs({push})" for push in pushes), self.reach or self.most(time)]
        low, high = (number(limit) for limit in (self.axis.limits["low"], self.axis.limits["high"]))
        bound = " + ".join(word for word in reach if word)
        return f"{low} + ({bound}) < {self.value} < {high} - ({bound})"

    def most(self, time: float) -> str:
        """The woven expression of how far it might go at the most within a time (s), by what it has now."""
        parts = [f"abs({wish.rate}) * {number(time * self._most(wish))}" for wish in self.wishes]
        parts += [f"abs({pool.held})" for pool in self.pools]
        parts += [f"abs({one.rate} / {one.decay})" for one in self.filtered]
        return " + ".join(parts)

    def still(self) -> list[str]:
        """Tests that hold while nothing moves the axis."""
        owed = [part for pool in self.pools for part in (pool.held, pool.speed) if part]
        return [f"abs({part}) < 1e-09" for part in owed] + [
            wish.still or f"{wish.rate} == 0.0" for wish in self.wishes
        ]

    @staticmethod
    def _most(wish: Wish) -> float:
        """The most that a boost can make of a rate."""
        return 1.0 + (wish.boost.extra if wish.boost else 0.0)

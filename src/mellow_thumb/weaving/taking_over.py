"""Taking over: the woven text of which mount is in force, and of what goes over from one to the next."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import Block, number
from ..formulas import blended, clamp

if TYPE_CHECKING:
    from collections.abc import Callable

    from .making import Change
    from .room import Room


def weights(room: Room, block: Block) -> list[str]:
    """Write how much each mount counts at this moment, from 0 to 1; nothing where there is only one."""
    if not room.plan.others:
        return []
    (share,) = block.call(blended, "blend_t", "anchor", "blend_over")
    found = []
    for k, _ in enumerate(room.plan.mounts.all):
        weight = room.names.fresh(f"weight{k}")
        block.set(weight, f"(1.0 if mount == {number(k)} else 0.0)")
        block.set(weight, f"{weight} - ({weight} - from{k}) * (1.0 - {share})")
        found.append(weight)
    return found


def settle(room: Room, block: Block, key: str, value: str) -> None:
    """Put an axis at a value, with nothing owed to it any more."""
    flow, variable = room.flows[key], room.variables[key]
    block.set(variable, value)
    for turn in ([flow.turn] if flow.turn else []) + flow.backs:
        block.set(f"{turn}_amount", "0.0")
    if flow.axis.limited:
        block.call(clamp, variable, into=(variable,), **flow.axis.limits)
    flow.forget(block)


class TakingOver:
    """Writes which mount is in force into blocks."""

    def __init__(self, room: Room, turn_over: Callable[[Block, str], None]) -> None:
        self.room, self.mounts = room, room.plan.mounts
        self.turn_over = turn_over
        """Writes what a walk does as the view is another's."""

    def fired(self, block: Block, cue: str, hit: str) -> None:
        """What a cue does as it is given: the next of the mounts that it goes round is chosen."""
        ring = self.mounts.ring(cue)
        if len(ring) > 1:
            steps = zip(ring, (*ring[1:], ring[0]), strict=True)
            words = [f"{number(new)} if chosen == {number(old)} else" for old, new in steps]
            block.set("chosen", f"({' '.join(words)} {number(ring[1])}) if {hit} != 0.0 else chosen")

    def write(self, block: Block, change: Change) -> None:
        """Write which mount is in force after a change, if one may have come into force."""
        room = self.room
        asked = {f"gate {name}" for one in self.mounts.all if one.gate for name in one.gate.gates}
        if not change.touched & asked and "chosen" not in block.assigned:
            return
        gated = self.mounts.by_priority()
        tests = [(k, one.gate.woven(room.switches.gates)) for k in gated if (one := self.mounts.all[k]).gate]
        new, inner = room.names.fresh("next_mount"), block.inner()
        block.set(new, " ".join([*(f"{number(k)} if {test} else" for k, test in tests), "chosen"]))
        self._go_over(inner, new)
        block.when(f"{new} != mount", inner)

    def _go_over(self, block: Block, new: str) -> None:
        """From the mount in force to another."""
        shares = weights(self.room, block)
        for k, weight in enumerate(shares):
            block.set(f"from{k}", weight)
        block.set("blend_t", "anchor")
        several = range(len(self.mounts.all))
        overs = {(old, to): self._over(old, to) for old in several for to in several if old != to}
        block.set("blend_over", self._by_pair(overs, new))
        self._hand_over(block, new)
        block.set("mount", new)
        for name, users in self.room.on_sets.items():
            block.set(name, f"1.0 if {' or '.join(f'mount == {number(k)}' for k in sorted(users))} else 0.0")
        for k, _ in enumerate(self.mounts.all):
            if f"entry{k}" in self.room.state:
                block.set(f"entry{k}", f"heading if mount == {number(k)} else entry{k}")
        if "view_from" in self.room.state:
            self.turn_over(block, "mount")

    def _over(self, old: int, new: int) -> float:
        return 0.0 if self.room.plan.hands.reduced_motion else self.mounts.blend(old, new)

    @staticmethod
    def _by_pair(values: dict[tuple[int, int], float], new: str) -> str:
        """The value for the mount in force and the next one."""
        most = max(values.values(), key=[*values.values()].count)
        rarer = [
            f"{number(value)} if mount == {number(old)} and {new} == {number(to)} else"
            for (old, to), value in values.items()
            if value != most
        ]
        return " ".join([*rarer, number(most)])

    def _give(self, block: Block, source: str, target: str) -> None:
        """Hand an axis over to another, unless a view is still made of that one."""
        inner = block.inner()
        settle(self.room, inner, target, self.room.variables[source])
        users = [k for k in range(len(self.mounts.all)) if target in self.mounts.takes(k).values()]
        block.when(" and ".join(f"from{k} == 0.0" for k in users), inner)

    def _hand_over(self, block: Block, new: str) -> None:
        """Axes that are shared go over; axes of a mount that does not keep them begin anew."""
        for to, one in enumerate(self.mounts.all):
            inner = block.inner()
            for pan in self.room.pans if not one.restore else ():
                if pan.k == to:
                    pan.unpin(inner, loosely=False)
            if not one.restore:
                for instance in self.mounts.instances:
                    if instance.mounts == {to}:
                        settle(
                            self.room, inner, instance.key, number(instance.axis.inner(instance.axis.start))
                        )
            for old, before in enumerate(self.mounts.all):
                given = inner.inner()
                for name in sorted({*one.shares, *before.shares}):
                    source, target = self.mounts.of(old, name), self.mounts.of(to, name)
                    if isinstance(source, str) and isinstance(target, str) and source != target:
                        self._give(given, source, target)
                if given.lines:
                    inner.when(f"mount == {number(old)}", given)
            if inner.lines:
                block.when(f"{new} == {number(to)}", inner)

"""Taking over: which mount is active, and what carries over from one to the next."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import cases, every, flag, lift, some, where
from ..formulas import blended
from ..plan import ANCHOR

if TYPE_CHECKING:
    from ..expressions import Block, Name, Value
    from ..plan import Change
    from .parts import MountParts, Parts


def weights(parts: Parts, block: Block) -> list[Name]:
    """Write the weight of each mount at this moment, 0 to 1; nothing for a single mount.

    During a blend, each weight goes from its value at the takeover to 1 or 0. So a mount
    that takes over in the middle of a blend starts from the view as it was then.
    """
    mounts = parts.mount_parts
    if mounts is None:
        return []
    (share,) = block.call(blended, mounts.blend_t, ANCHOR, mounts.blend_over)
    found = []
    for k, before in enumerate(mounts.froms):
        weight = block.keep(f"weight{k}", flag(mounts.mount == float(k)))
        # the weights add up to 1 at every moment, as they did when the last mount took over
        block.set(weight, weight - (weight - before) * (1.0 - share))
        found.append(weight)
    return found


class TakingOver:
    """Writes into blocks which mount is active."""

    def __init__(self, parts: Parts, mount_parts: MountParts) -> None:
        self.parts, self.kept, self.mounts = parts, mount_parts, parts.plan.mounts

    def fired(self, block: Block, cue: str, hit: Name) -> None:
        """What a cue does when it is given: choose the next of the mounts that it cycles through."""
        ring, chosen = self.mounts.ring(cue), self.kept.chosen
        if len(ring) > 1:
            steps = zip(ring, (*ring[1:], ring[0]), strict=True)
            following = cases(((chosen == float(old), float(new)) for old, new in steps), float(ring[1]))
            block.set(chosen, where(hit != 0.0, following, chosen))

    def write(self, block: Block, change: Change) -> None:
        """Write which mount is active after a change, if that may have changed."""
        asked = {f"gate {name}" for one in self.mounts.all if one.gate for name in one.gate.gates}
        if not change.touched & asked and not block.changes(self.kept.chosen):
            return
        gates = self.parts.switching.gates
        gated = ((k, self.mounts.all[k].gate) for k in self.mounts.by_priority())
        wanted = [(gate.test(gates), float(k)) for k, gate in gated if gate]
        new = block.keep("next_mount", cases(wanted, self.kept.chosen))
        with block.when(new != self.kept.mount):
            self._go_over(block, new)

    def _go_over(self, block: Block, new: Name) -> None:
        """Switch from the active mount to another."""
        kept, parts = self.kept, self.parts
        # from here on the view goes over from what it is now, also in the middle of going over
        shares = weights(parts, block)
        for before, weight in zip(kept.froms, shares, strict=True):
            block.set(before, weight)
        block.set(kept.blend_t, ANCHOR)
        block.set(kept.blend_over, self._over(new))
        self._hand_over(block, new)
        if parts.walk:
            parts.walk.face_view(block)
        # only now: what is handed over is read from the mount that was active
        block.set(kept.mount, new)
        for on, users in kept.users.items():
            block.set(on, flag(some(kept.mount == float(k) for k in sorted(users))))
        if parts.walk:
            walk = parts.walk.state
            for k, entry in walk.entries.items():
                block.set(entry, where(kept.mount == float(k), walk.heading, entry))
            parts.walk.turn_over(block)

    def _over(self, new: Name) -> Value:
        """The time of the blend from the active mount to the next one."""
        several = range(len(self.mounts.all))
        still = self.parts.plan.hands.reduced_motion
        overs = {
            (old, to): 0.0 if still else self.mounts.blend(old, to)
            for old in several
            for to in several
            if old != to
        }
        # most pairs take equally long: that one is the rule, and only the others are asked for
        alike: dict[str, list[tuple[int, int]]] = {}
        for pair, over in overs.items():
            alike.setdefault(str(lift(over)), []).append(pair)
        *others, rule = sorted(alike.values(), key=len)
        mount = self.kept.mount
        rarer = (
            (every([mount == float(old), new == float(to)]), overs[old, to])
            for pairs in others
            for old, to in pairs
        )
        return cases(rarer, overs[rule[0]])

    def _give(self, block: Block, source: str, target: str) -> None:
        """Hand an axis's value to another, unless a view still uses that one."""
        users = [k for k in range(len(self.mounts.all)) if target in self.mounts.moving(k)]
        # a view that fades out is still made of the axis: to set it would make the view jump
        with block.when(every(self.kept.froms[k] == 0.0 for k in users)):
            self.parts.put_axis(block, target, self.parts.variables[source])

    def _hand_over(self, block: Block, new: Name) -> None:
        """Hand over shared axes; axes of a mount that does not keep them start again."""
        for to, one in enumerate(self.mounts.all):
            with block.when(new == float(to)):
                for pan in self.parts.pans if not one.restore else ():
                    if pan.k == to:
                        pan.unpin(block, loosely=False)
                for instance in self.mounts.instances if not one.restore else ():
                    if instance.mounts == {to}:
                        start = instance.axis.inner(instance.axis.start)
                        self.parts.put_axis(block, instance.key, lift(start))
                for old, before in enumerate(self.mounts.all):
                    with block.when(self.kept.mount == float(old)):
                        for name in sorted({*one.shares, *before.shares}):
                            source, target = self.mounts.of(old, name), self.mounts.of(to, name)
                            if isinstance(source, str) and isinstance(target, str) and source != target:
                                self._give(block, source, target)

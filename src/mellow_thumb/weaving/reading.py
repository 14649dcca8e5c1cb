"""Reading: what a frame reads of a program's state."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..expressions import exp, flag, total, worked_out
from ..formulas import clamp, of_logarithm, wrapped
from ..plan import MOVES
from .taking_over import weights

if TYPE_CHECKING:
    from ..expressions import Block, Value
    from .parts import Parts

HAIR = 1e-15
"""More than a logarithm and what is made of it are off by, as a share."""


def _above(logarithm: float) -> float:
    """A hair above a logarithm."""
    return logarithm + HAIR * (1.0 + abs(logarithm))


def _below(logarithm: float) -> float:
    """A hair below it."""
    return logarithm - HAIR * (1.0 + abs(logarithm))


def pad_places(name: str) -> tuple[str, ...]:
    """The names of a thumb pad's values in a frame."""
    parts = ("centre_x", "centre_y", "radius", "finger_x", "finger_y", "held")
    return tuple(f"touch.{name}.{part}" for part in parts)


class Reading:
    """Writes what a frame reads: axes, the total of the yaw, gates, and what else can change."""

    def __init__(self, parts: Parts) -> None:
        self.parts = parts
        self.middles: dict[str, Value] = {}
        """What holds where the middle of a view is, for the keys of its pans."""

    @property
    def extra(self) -> dict[str, Value]:
        """What else a frame reads, if it can change."""
        parts, switching = self.parts, self.parts.switching
        mount = parts.mount_parts.mount if parts.mount_parts else None
        found = {
            "device": switching.device,
            "cursor": switching.shown_cursor,
            "mount": mount,
            "snapped": parts.snapped,
        }
        return {name: one for name, one in found.items() if one is not None} | self._pads()

    def _pads(self) -> dict[str, Value]:
        """For each thumb pad: its middle, its finger, its size, and whether it is held."""
        contacts = self.parts.contacts
        found: dict[str, Value] = {}
        for area in contacts.areas if contacts else ():
            pad, state = area.pad, area.state
            if contacts and pad:
                radius = contacts.screen.length(pad.touch.radius)
                values = (pad.state["centre_x"], pad.state["centre_y"], radius, state["ax"], state["ay"])
                held = flag(state["size"] > 0.0)
                found |= zip(pad_places(pad.touch.name), (*values, held), strict=True)
        return found

    def write(self, block: Block) -> list[Value]:
        """Write what a frame reads; returns what holds it, in order."""
        parts = self.parts
        for pan in parts.pans:
            self.middles |= zip(pan.keys, pan.middle(block), strict=True)
        found: list[Value] = [self._in_force(block, axis.name) for axis in parts.plan.axes]
        found.append(block.keep("yaw_total", parts.leaning("yaw")))
        found += [*parts.switching.gates.values(), *self.extra.values()]
        found += [one for cue in parts.switching.cue_states for one in (cue.count, cue.last)]
        found += parts.walk.read(block) if parts.walk else []
        found += weights(parts, block)
        return found + [self._read(block, key) for key in parts.plan.mounts.own]

    def _in_force(self, block: Block, name: str) -> Value:
        """An axis of the active mount."""
        if not self.parts.plan.others:
            return self._read(block, name)
        return self.parts.in_force(name, lambda key, _: self._read(block, key), default=None)

    def _read(self, block: Block, key: str) -> Value:
        """An axis as one mount has it, in its own unit."""
        parts = self.parts
        axis = parts.axes[key]
        if axis.name in MOVES:
            return parts.go[MOVES.index(axis.name)]
        if key in self.middles:
            return self.middles[key]
        value = total([parts.variables[key], *parts.leans[axis.name]])
        if axis.limited and parts.leans[axis.name]:
            (value,) = block.call(clamp, value, **axis.limits)
        if axis.wraps:
            (value,) = block.call(wrapped, value)
        if axis.log:
            inner = axis.limits
            if not axis.limited:
                return exp(value)
            least, most = worked_out(_above, inner["low"]), worked_out(_below, inner["high"])
            return block.call(of_logarithm, value, **axis.bounds, least=least, most=most)[0]
        return value

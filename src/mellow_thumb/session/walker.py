"""Walking by command: a few bytes a frame, from which a server or a replay walks the same way to the bit.

A command is what movement asks for in one frame, rounded: where to, which way the view looks, which gates
are open; if that changes within the frame, each part and until when. Whoever walks by the same commands with
the same frame times ends up in the same place, so a predicting client and a deciding server can both use
them.
"""

from __future__ import annotations

import struct
from typing import TYPE_CHECKING, NamedTuple

from ..basics import ArgumentError
from ..formulas import wrapped
from ..plan import DUE, POINTED
from ..plan.mounts import Eye
from ..weaving import weave_walk
from .coordinates import coordinates_of
from .frame import NOWHERE, Frame, Moved, frame_of, moved_of

if TYPE_CHECKING:
    from ..plan import Movement, Plan
    from ..weaving import Item, Program
    from .basis import Basis

LAYOUT = struct.Struct("<bbHH")
"""A command: right and forward (1/127 each), the yaw (1/65536 of a turn), a bit for each gate and `FIRST`."""
_UNTIL = struct.Struct("<H")
"""Until when something is asked that is not asked to the end: 1/65536 of the frame."""
TURNING = ("camera", *POINTED)
"""References that turn with what the player looks at."""
MOST_GATES, FIRST = 15, 1 << 15
"""How many gates fit into a command, and the bit that says that the view is where the character faces."""
STILL = (0.0, 0.0, 0.0, 0.0)
"""Velocity x and z (m/s), heading and yaw (deg) of one who has not walked yet."""


def asked_gates(movement: Movement) -> tuple[str, ...]:
    """The gates that a movement depends on, in the order of their bits.

    Raises :class:`ArgumentError` if there are too many.
    """
    names = sorted({condition.gate for condition, _ in (*movement.scales, *movement.faces)})
    if len(names) > MOST_GATES:
        raise ArgumentError(
            f"found {len(names)} gates on movement; expected {MOST_GATES} at the most in a command"
        )
    return tuple(names)


def asked_at(plan: Plan, frame: Frame) -> bytes:
    """What movement asks for at the end of a frame: six bytes."""
    movement, axes, gates = plan.movement, frame.axes, frame.gates
    assert movement
    mount = next(one.mount for one in plan.mounts.all if one.mount.name == frame.mount)
    right, ahead = (round(127.0 * axes.get(name, 0.0)) for name in ("move_x", "move_y"))
    bits = sum(1 << k for k, name in enumerate(asked_gates(movement)) if gates[name])
    eye = isinstance(mount, Eye) and mount.turns == "body" and movement.relative_to not in POINTED
    face = next((face for one, face in movement.faces if gates[one.gate] == one.wanted), movement.face)
    bits |= FIRST if eye and face != "free" else 0
    yaw = frame.movement.forward if movement.relative_to in TURNING else axes.get("yaw", 0.0)
    return LAYOUT.pack(right, ahead, round(yaw / 360.0 * 65536.0) % 65536, bits)


class Taken(NamedTuple):
    """What a frame was made from."""

    program: Program
    state: tuple[float, ...]
    """What was committed as it began."""
    items: list[Item]
    """What happened in it, and its end."""
    start: float


def command_within(plan: Plan, taken: Taken) -> bytes:
    """What a frame asked of a walker: each part and until when, then the last part.

    Each part but the last is a share of the frame (1/65536), then six bytes; the last is six bytes.
    """
    program, start = taken.program, taken.start
    *items, (end, *_) = taken.items
    loop = program.live(taken.state)
    next(loop)
    due = program.state.index(DUE.name) if DUE.name in program.state else None

    def at(t: float, *happened: Item) -> bytes:
        return asked_at(plan, frame_of(t, loop.send([*happened, (t, program.frame, 0.0, 0.0)]), program))

    parts: list[tuple[float, bytes]] = []
    t, waiting = start, [(max(one[0], start), *one[1:]) for one in items]
    while True:
        # a gate that waits for its time opens in between
        wakes = loop.send([])[due] if due is not None else end
        moment = min(waiting[0][0] if waiting else end, wakes if wakes > t else end)
        if moment >= end:
            break
        ends = at(max(t, moment - 1e-9))
        here = [one for one in waiting if one[0] <= moment]
        waiting = waiting[len(here) :]
        begins, t = at(moment, *here), moment
        if moment > start and _wish(begins) != _wish(ends):
            parts.append(((moment - start) / (end - start), ends))
    return _packed(parts) + at(end)


def _wish(asked: bytes) -> tuple[object, ...]:
    """A command without its yaw."""
    right, ahead, _, bits = LAYOUT.unpack(asked)
    return right, ahead, bits


def _packed(parts: list[tuple[float, bytes]]) -> bytes:
    """Parts of a frame, each with the share of the frame at which it ends."""
    found, before = b"", 0
    for share, asked in parts:
        place = min(round(share * 65536.0), 65535)
        if place > before:  # what is shorter than that is nothing
            found += _UNTIL.pack(place) + asked
        before = max(place, before)
    return found


class Walker:
    """A character that walks by commands; equal commands and times end in equal places, to the bit.

    It moves by the rules of the plan's movement, on the level or along a `slope`.
    """

    def __init__(
        self,
        movement: Movement,
        state: tuple[float, float, float, float] = STILL,
        *,
        units_per_metre: float = 1.0,
        basis: Basis | None = None,
    ) -> None:
        """Start from a `state`; results are in a host's units, with so many per metre, along its axes."""
        self._coordinates = coordinates_of(basis, units_per_metre)
        self._walk, self._gates = weave_walk(movement), asked_gates(movement)
        self.state = state
        """Velocity x and z (m/s), heading and yaw (deg): all that it remembers, to be saved."""

    def step(self, command: bytes, dt: float, slope: tuple[float, float] = (0.0, 0.0)) -> Moved:
        """Walk for a frame of `dt` seconds; returns how far, how fast and which way it faces.

        `slope` is how much the ground rises for each metre to the right and for each backward, in ours to +X
        and to +Z. Raises :class:`ArgumentError` for what is not a command, or not a time.
        """
        size = LAYOUT.size + _UNTIL.size
        ends = [_UNTIL.unpack_from(command, k)[0] for k in range(0, len(command) - LAYOUT.size, size)]
        if len(command) % size != LAYOUT.size or ends != sorted(ends) or not 0.0 <= dt < 60.0:
            raise ArgumentError(f"found {command!r} for {dt!r} s; expected a command, and 0 to 60 s")
        gone, begun = [0.0, 0.0, 0.0], 0
        for k, end in enumerate([*ends, 65536]):
            asked = command[k * size + (0 if end == 65536 else _UNTIL.size) :][: LAYOUT.size]
            now = self._part(asked, (end - begun) / 65536.0 * dt, slope)
            gone, begun = [one + more for one, more in zip(gone, now[3:6], strict=True)], end
        return moved_of(((*now[:3], *gone, *now[6:8]), NOWHERE, 0, 1.0, self._coordinates, dt))

    def _part(self, asked: bytes, dt: float, slope: tuple[float, float]) -> tuple[float, ...]:
        """Walk while one thing is asked."""
        right, ahead, turn, bits = LAYOUT.unpack(asked)
        open_ = (float(bits >> k & 1) for k, _ in enumerate(self._gates))
        then = self.state[3]
        yaw = then + wrapped(turn * (360.0 / 65536.0) - then)
        vx, vy, vz, x, y, z, heading, forward, last = self._walk(
            right / 127.0, ahead / 127.0, yaw, dt, *slope, *open_, float(bits >> 15), *self.state
        )
        self.state = (vx, vz, heading, last)
        return vx, vy, vz, x, y, z, heading, forward

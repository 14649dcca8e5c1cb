"""Walking by command: a few bytes a frame, from which a server or a replay walks the same way to the bit.

A command is what movement asks in one frame, rounded: where to, which way the view looks, which gates matter
to it. Whoever walks by the same commands with the same frame times ends up in the same place, so a client
that predicts and a server that decides both walk by them.
"""

from __future__ import annotations

import struct
from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..formulas import wrapped
from ..plan import POINTED
from ..plan.mounts import Eye
from ..weaving import weave_walk
from .frame import Moved

if TYPE_CHECKING:
    from ..plan import Movement
    from ..plan.mounts import Mount
    from .frame import Frame

LAYOUT = struct.Struct("<bbHH")
"""A command: right and forward (1/127 each), the yaw (1/65536 of a turn), a bit for each gate and `FIRST`."""
TURNING = ("camera", *POINTED)
"""References that turn with what the player looks at."""
MOST_GATES, FIRST = 15, 1 << 15
"""How many gates fit into a command, and the bit that says that the view is where the character faces."""
STILL = (0.0, 0.0, 0.0, 0.0)
"""Velocity x and z (m/s), heading and yaw (deg) of one who has not walked yet."""


def asked_gates(movement: Movement) -> tuple[str, ...]:
    """The gates that matter to a movement, in the order of their bits.

    Raises :class:`ArgumentError` for more than fit.
    """
    names = sorted({condition.gate for condition, _ in (*movement.scales, *movement.faces)})
    if len(names) > MOST_GATES:
        raise ArgumentError(
            f"found {len(names)} gates on movement; expected {MOST_GATES} at the most in a command"
        )
    return tuple(names)


def command_of(movement: Movement, frame: Frame, mount: Mount) -> bytes:
    """What a frame asks of a walker, seen from a mount: six bytes."""
    axes, gates = frame.axes, frame.gates
    right, ahead = (round(127.0 * axes.get(name, 0.0)) for name in ("move_x", "move_y"))
    bits = sum(1 << k for k, name in enumerate(asked_gates(movement)) if gates[name])
    eye = isinstance(mount, Eye) and mount.turns == "body" and movement.relative_to not in POINTED
    face = next((face for one, face in movement.faces if gates[one.gate] == one.wanted), movement.face)
    bits |= FIRST if eye and face != "free" else 0
    yaw = frame.movement.forward if movement.relative_to in TURNING else axes.get("yaw", 0.0)
    return LAYOUT.pack(right, ahead, round(yaw / 360.0 * 65536.0) % 65536, bits)


class Walker:
    """A character that walks by commands; equal commands and times end in equal places, to the bit.

    It moves by the rules of the plan's movement, on the level or along a `slope`.
    """

    def __init__(self, movement: Movement, state: tuple[float, float, float, float] = STILL) -> None:
        self._walk, self._gates = weave_walk(movement), asked_gates(movement)
        self.state = state
        """Velocity x and z (m/s), heading and yaw (deg): all that it remembers, to be saved."""

    def step(self, command: bytes, dt: float, slope: tuple[float, float] = (0.0, 0.0)) -> Moved:
        """Walk for a frame of `dt` seconds; how far, how fast and which way it faces.

        `slope` is how much the ground rises for each metre to +X and to +Z. Raises :class:`ArgumentError` for
        what is no command, or no time.
        """
        if len(command) != LAYOUT.size or not 0.0 <= dt < 60.0:
            raise ArgumentError(
                f"found {command!r} for {dt!r} s; expected {LAYOUT.size} bytes, and 0 to 60 s"
            )
        right, ahead, turn, bits = LAYOUT.unpack(command)
        open_ = (float(bits >> k & 1) for k, _ in enumerate(self._gates))
        then = self.state[3]
        yaw = then + wrapped(turn * (360.0 / 65536.0) - then)
        vx, vy, vz, x, y, z, heading, forward, last = self._walk(
            right / 127.0, ahead / 127.0, yaw, dt, *slope, *open_, float(bits >> 15), *self.state
        )
        self.state = (vx, vz, heading, last)
        return Moved((vx, vy, vz, x, y, z, heading, forward))

"""Walking by command: a few bytes a frame, from which a server or a replay walks the same way to the bit.

A command is what movement asks in one frame, rounded: where to, which way the view looks, which gates matter
to it. Whoever walks by the same commands with the same frame times ends up in the same place, so a client
that predicts and a server that decides both walk by them.
"""

from __future__ import annotations

import struct
from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..formulas import bearing, on_disc, toward, walked, wrapped
from ..plan import GLIDE, HANDS
from .frame import Moved

if TYPE_CHECKING:
    from ..plan import Condition, Movement
    from .frame import Frame

LAYOUT = struct.Struct("<bbHH")
"""A command: right and forward (1/127 each), the yaw (1/65536 of a turn), a bit for each gate."""
TURNING = ("camera", *HANDS)
"""References that turn with what the player looks at."""
MOST_GATES = 16
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


def command_of(movement: Movement, frame: Frame) -> bytes:
    """What a frame asks of a walker: six bytes."""
    axes, gates = frame.axes, frame.gates
    right, ahead = (round(127.0 * axes.get(name, 0.0)) for name in ("move_x", "move_y"))
    bits = sum(1 << k for k, name in enumerate(asked_gates(movement)) if gates[name])
    yaw = frame.movement.forward if movement.relative_to in TURNING else axes.get("yaw", 0.0)
    return LAYOUT.pack(right, ahead, round(yaw / 360.0 * 65536.0) % 65536, bits)


class Walker:
    """A character that walks by commands; equal commands and times end in equal places, to the bit.

    It moves by the rules of the plan's movement, on the level or along a `slope`.
    """

    def __init__(self, movement: Movement, state: tuple[float, float, float, float] = STILL) -> None:
        self._movement, self._gates = movement, asked_gates(movement)
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
        movement = self._movement
        open_ = {name: bool(bits >> k & 1) for k, name in enumerate(self._gates)}
        x, y = on_disc(right / 127.0, ahead / 127.0)
        speed = movement.speed
        for condition, factor in movement.scales:
            speed *= factor if _holds(condition, open_) else 1.0
        velocity_x, velocity_z, heading, then = self.state
        view = wrapped(turn * (360.0 / 65536.0))
        turned = then + wrapped(view - then)
        yaw = {"world": 0.0, "body": heading}.get(movement.relative_to, turned)
        then = yaw if movement.relative_to == "body" else then  # who goes by himself does not turn on the way
        velocity_x, velocity_z, gone_x, gone_z = walked(
            x * speed, y * speed, then, yaw, 0.0, dt, velocity_x, velocity_z,
            gain=movement.acceleration, brake=movement.braking or GLIDE,
        )  # fmt: skip
        faces = [face for condition, face in movement.faces if _holds(condition, open_)]
        face = faces[0] if faces else movement.face
        aim = {"travel": yaw + bearing(x, y) if x or y else heading, "view": view, "free": heading}[face]
        heading = wrapped(toward(heading, wrapped(aim - heading), movement.turn_rate * dt))
        self.state = (velocity_x, velocity_z, heading, yaw)
        rise, climb = (a * slope[0] + b * slope[1] for a, b in ((gone_x, gone_z), (velocity_x, velocity_z)))
        return Moved((gone_x, rise, gone_z), (velocity_x, climb, velocity_z), heading, wrapped(yaw))


def _holds(condition: Condition, open_: dict[str, bool]) -> bool:
    return open_[condition.gate] == condition.wanted

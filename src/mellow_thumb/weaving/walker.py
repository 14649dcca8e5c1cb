"""The walk of a movement alone, as a function: for walking by commands, without a session."""

from __future__ import annotations

from dataclasses import replace
from functools import lru_cache
from typing import TYPE_CHECKING, Any

from ..expressions import Word, lift
from ..formulas import bearing, on_disc
from ..plan import DT, POINTED, WORLD_RATE, Axis, Buttons, Gate, Plan, find_signal
from ..plan.mounts import Eye
from .languages import compiled, function
from .parts import Parts

if TYPE_CHECKING:
    from collections.abc import Callable

    from ..plan import Movement

    Walked = Callable[..., tuple[Any, ...]]


@lru_cache(maxsize=64)
def weave_walk(movement: Movement) -> Walked:
    """A step of a walk, woven as in a session.

    It takes movement to the right and ahead, the yaw (deg), the time (s), how much the ground
    rises for each metre to +X and to +Z, 1 or 0 for each gate that movement depends on, by name, 1
    in first person, then velocity x and z (m/s), heading and yaw (deg) as they were. It gives velocity x, y,
    z (m/s), the way x, y, z (m), heading and forward (deg), and the yaw for the next step.
    """
    # a hand or a head is a yaw like the camera's, once it is known
    own = replace(movement, relative_to="camera") if movement.relative_to in POINTED else movement
    names = sorted({condition.gate for condition, _ in (*movement.scales, *movement.faces)})
    gates = tuple(Gate(name, Buttons((find_signal(f"flag.{name}"),))) for name in names)
    moves = (Axis(name, low=-1.0, high=1.0, unit="") for name in ("move_x", "move_y"))
    axes = (Axis("yaw"), Axis("pitch", low=-90.0, high=90.0), Axis("roll"), *moves)
    parts = Parts(Plan((), gates, axes, Eye("eye"), movement=own), ())
    walk, block = parts.walk, parts.block()
    assert walk is not None
    walk.first = Word("first") != 0.0
    state, (slope_x, slope_y) = walk.state, parts.raw["host.slope"]
    right, ahead = Word("right"), Word("ahead")
    for rest in (*state.moved, *parts.raw["host.platform"], *parts.raw["host.lift"]):
        block.set(rest, 0.0)
    block.set(WORLD_RATE, 1.0)
    block.set(state.uneven, 1.0)
    block.call(on_disc, right, ahead, into=parts.go[:2])
    block.call(bearing, *parts.go[:2], into=parts.go[2:])
    walk.pass_time(block, lift(0.0))
    results = [*walk.read(block), state.yaw_then]
    given = [right, ahead, parts.variables["yaw"], DT, slope_x, slope_y, *parts.switching.gates.values()]
    given += [Word("first"), state.velocity_x, state.velocity_z, state.heading, state.yaw_then]
    return compiled(function("walk", [one.name for one in given], block.statements, results), "walk")

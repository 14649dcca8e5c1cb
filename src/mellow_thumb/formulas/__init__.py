"""Every formula once: plain scalar functions, tested alone, woven into programs.

A formula is straight-line Python so that it can be woven, compiled and written out as C: assignments
to new names, ternaries instead of ``min`` and ``max``, one ``return`` at the end. Positional parameters
are values that change; keyword-only parameters are numbers that a profile fixes.
"""

from . import attitude, bias, fingers, means, returning, shaping, smoothing, switching
from .blending import blended, facing, unit
from .heads import carried_on, head_speed
from .limits import clamp, limited, of_logarithm, taken_up
from .orbiting import (
    behind,
    carried,
    chased,
    dipped,
    direction_to,
    heading_of,
    product,
    shortage,
    swung,
    trailed,
    turned_by,
)
from .panning import ground_under, nearer, picture_under, screen_of_ground
from .shaping import zone
from .smoothing import decay, turn_share, until_limit
from .speed import hand_speed
from .tilting import tilted
from .turning import (
    degrees_per_count,
    evened,
    is_rotation,
    level_rotation,
    level_turned,
    narrowed,
    right,
    rolled,
    rotation_rows,
    wrapped,
)
from .walking import bearing, on_disc, toward, walked

__all__ = [
    "attitude",
    "bearing",
    "behind",
    "bias",
    "blended",
    "carried",
    "carried_on",
    "chased",
    "clamp",
    "decay",
    "degrees_per_count",
    "dipped",
    "direction_to",
    "evened",
    "facing",
    "fingers",
    "ground_under",
    "hand_speed",
    "head_speed",
    "heading_of",
    "is_rotation",
    "level_rotation",
    "level_turned",
    "limited",
    "means",
    "narrowed",
    "nearer",
    "of_logarithm",
    "on_disc",
    "picture_under",
    "product",
    "returning",
    "right",
    "rolled",
    "rotation_rows",
    "screen_of_ground",
    "shaping",
    "shortage",
    "smoothing",
    "switching",
    "swung",
    "taken_up",
    "tilted",
    "toward",
    "trailed",
    "turn_share",
    "turned_by",
    "unit",
    "until_limit",
    "walked",
    "wrapped",
    "zone",
]

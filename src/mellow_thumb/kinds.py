"""The kinds of mount."""

from __future__ import annotations

from .mounts import Eye
from .orbits import Orbit
from .plane_mounts import Flat, Overhead

Mount = Eye | Orbit | Overhead | Flat
KINDS: dict[str, type[Mount]] = {one.kind: one for one in (Eye, Orbit, Overhead, Flat)}
"""Each kind of mount by its name."""

"""The kinds of mount."""

from __future__ import annotations

from .eye import Eye
from .headsets import Headset
from .orbits import Orbit
from .plane_mounts import Flat, Overhead

Mount = Eye | Orbit | Overhead | Flat | Headset
KINDS: dict[str, type[Mount]] = {one.kind: one for one in (Eye, Orbit, Overhead, Flat, Headset)}
"""Each kind of mount by its name."""

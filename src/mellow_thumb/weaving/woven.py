"""Woven: a plan's program, before any language writes it down."""

from __future__ import annotations

from dataclasses import dataclass
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Sequence

    from ..expressions import Name, Statement, Value
    from .events import Event


@dataclass(frozen=True, eq=False)
class Woven:
    """The parts of a program, as statements. How they form a loop is up to the language."""

    impulses: int
    """How many codes are those of displacements; they come first."""
    frame: int
    """The code of a frame; all below it are events."""
    deaf: bool
    """Whether displacements count only while the window has the focus."""
    timers: list[Statement]
    """What happens at the moment at which a timer runs out; nothing where there are none."""
    moment: list[Statement]
    """What the contacts of one moment come to as it ends; nothing where there are none."""
    waits: list[Statement]
    """Which displacements must commit at their own time: `wait` is 0 then."""
    nearness: list[Statement]
    """What a step begins with: which axes are near their limits."""
    pace: list[Statement]
    """How long the step may be, where that is not always the same."""
    passing: list[Statement]
    """What time does within a step."""
    flowing: tuple[str, ...]
    """The state values that it changes: a frame that only reads gives them back."""
    events: list[Event]
    reading: list[Statement]
    """What a frame works out to be read."""
    outputs: list[Value]
    """What it reads, in order."""
    still: Value
    """The test of whether nothing moves by itself at the time ``now``."""
    nearly_still: Value
    """The same for what goes no further than ``degrees``, ``metres`` and ``share`` say."""


POSED = ("values", "host", "t", "rig")
"""What a pose calls what it is given: what a frame reads, what the host says, the time, what mounts keep."""


@dataclass(frozen=True, eq=False)
class WovenPose:
    """A pose as statements."""

    taken: Sequence[Name]
    """What it is made of: what a frame reads, what the host says, the time, what it kept."""
    kept: Sequence[Name]
    """What it keeps from one view to the next; the last of what is taken."""
    statements: list[Statement]
    results: list[Value]
    """Position, rotation, field of view and extent."""

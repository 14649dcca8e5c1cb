"""Words: the names that every woven program uses, whatever it was woven from."""

from __future__ import annotations

from ..expressions import Word

T, CODE, X, Y = (Word(word) for word in ("t", "code", "x", "y"))
"""An event: its time (s), its code, its numbers."""
AGE = Word("age")
"""How long ago, for a displacement that is entered at the last commit, that commit was (s)."""
ANCHOR = Word("anchor")
"""The time of the last commit (s)."""
STOP = Word("stop")
"""The end of a step between commits (s)."""
DT = Word("dt")
"""How long that step is (s)."""
DUE = Word("due")
"""When the next timer runs out (s)."""
WAIT = Word("wait")
"""1 while a displacement may be entered at the last commit."""
PACE = Word("pace")
"""How long a step may be at the most (s)."""
WORLD_NOW, WORLD_THEN = Word("world_now"), Word("world_then")
"""The world's time at a step's end and at its beginning (s)."""
WORLD_RATE = Word("host_world_rate")
"""The world's seconds for each of the hand's."""
FOCUS = Word("host_focus")
"""1 while the window has the focus."""
SEEN_T = Word("t")
"""In a pose: the moment that is seen (s)."""

NEVER = 1e300
"""A time (s) that does not come; the same before 0 is one that is long past."""
LONGEST = 1 / 16
"""Seconds of the longest step between commits."""
MERGE = 1 / 128
"""A displacement that comes no later than this after the last commit (s) may be entered there."""

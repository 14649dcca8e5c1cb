"""The loop: what every program does with one item, in any language.

The state is *committed* at an event that changes something held, at a displacement that comes more than
`MERGE` after the last commit, and `LONGEST` after it when nothing happens; never because of a frame. A frame
lets a copy of the last committed state flow to its own end and is read there; the next item puts the
committed state back, unless it commits at that very time: then the copy is that commit, to the bit.
"""

from __future__ import annotations

from itertools import accumulate
from typing import TYPE_CHECKING

from ..expressions import (
    Branch,
    Leave,
    Loop,
    Name,
    Note,
    Row,
    Set,
    Skip,
    Word,
    every,
    lift,
    some,
    where,
    whole,
)
from ..plan import AGE, ANCHOR, CODE, DT, DUE, FOCUS, LONGEST, MERGE, PACE, STOP, WAIT, T

if TYPE_CHECKING:
    from ..expressions import Statement, Value
    from .events import Event
    from .woven import Woven

READING = Word("reading")
"""1 while the state is a copy that a frame read, the committed one beside it."""
KEPT = Word("kept_all")
"""All of the committed state but its time, where a language keeps it in one."""
HELD = Word("kept_held")
"""All of the state that is held; `NONE` until somebody keeps it, and again after each event."""
NONE = Word("None")
"""No value, where a language has that."""
OWN_NAMES = (
    *("live", "saved", "back", "out", "items", "pose", "kept_anchor"),
    *(one.name for one in (READING, KEPT, HELD)),
)
"""What loops call their own."""


def copy_of(name: str) -> Name:
    """The name that holds a committed state value while a frame reads a copy."""
    return Word(f"kept_{name}")


def kept(woven: Woven, *, packed: bool) -> list[Statement]:
    """The statements that keep the committed state: a copy of each value, or one of all, packed."""
    found = [_set(copy_of(ANCHOR.name), ANCHOR)]
    if packed and len(woven.flowing) > 1:
        return [*found, _set(KEPT, Row(map(Word, woven.flowing)))]
    return [*found, *(_set(copy_of(name), Word(name)) for name in woven.flowing)]


def restored(woven: Woven, *, packed: bool = False) -> list[Statement]:
    """The statements that put it back."""
    found = [_set(ANCHOR, copy_of(ANCHOR.name))]
    if packed and len(woven.flowing) > 1:
        return [*found, Set(tuple(map(Word, woven.flowing)), (KEPT,))]
    return [*found, *(_set(Word(name), copy_of(name)) for name in woven.flowing)]


def drop(woven: Woven, *, packed: bool = False) -> list[Statement]:
    """What the next item does with the frame's copy: drop it, or make it the commit."""
    # A frame's end is no commit by itself, or the axes would hang on the frame rate. It becomes one only
    # where an event commits at that very time, and so would have, had there been no frame. A displacement
    # commits there only if it may not be entered at the commit before, and if anybody hears it.
    since = T - copy_of(ANCHOR.name)
    merges = where(CODE < whole(woven.impulses), MERGE, 0.0) if woven.impulses else lift(0.0)
    tests = [T != ANCHOR, CODE == whole(woven.frame), since <= merges]
    another = some([*tests, _unheard(woven)] if woven.deaf else tests)
    return [
        Branch(READING != 0.0, [Branch(another, restored(woven, packed=packed), []), _set(READING, 0.0)], [])
    ]


def _unheard(woven: Woven) -> Value:
    """Whether an item is a displacement while the window has no focus."""
    return every([CODE < whole(woven.impulses), FOCUS == 0.0])


def _changed(*, packed: bool) -> list[Statement]:
    """What is said where something held may change: what was kept of it is old."""
    return [Set((HELD,), (NONE,))] if packed else []


def item(woven: Woven, *, packed: bool = False) -> list[Statement]:
    """What one item does: let time pass up to it, then act by its code."""
    return [
        *([Branch(_unheard(woven), [Skip()], [])] if woven.deaf else []),
        Loop(_pass(woven, packed=packed)),
        Branch(CODE < whole(woven.frame), [*_changed(packed=packed), *_halves(woven.events)], []),
    ]


def _pass(woven: Woven, *, packed: bool) -> list[Statement]:
    """One round of passing time: to the item, to a timer, or to the end of the longest step."""
    timed = bool(woven.timers)
    longest: Value = PACE if woven.pace else lift(LONGEST)
    ends = [CODE == whole(woven.frame), STOP == T, *([DUE > T] if timed else [])]
    return [
        *([Branch(DUE <= ANCHOR, [*_changed(packed=packed), *woven.timers], [])] if timed else []),
        *woven.moment,
        _set(AGE, T - ANCHOR),
        Branch(AGE <= 0.0, [Leave()], []),  # it is due now; an event older than the last commit acts at that
        *_enter(woven, timed=timed),
        _set(STOP, T),
        *woven.nearness,
        *woven.pace,
        # a timer that runs out on the way commits there, so that what it does is done at its own time
        *([Branch(DUE < T, [_set(STOP, DUE)], [])] if timed else []),
        # every step has an end that hangs on the events alone: frames then split no closed form in two
        Branch(STOP - ANCHOR > longest, [_set(STOP, ANCHOR + longest)], []),
        _set(DT, STOP - ANCHOR),
        # what time does next is a frame's own: keep what was committed, to put it back
        Branch(every(ends), [*kept(woven, packed=packed), _set(READING, 1.0)], []),
        *woven.passing,
        _set(ANCHOR, STOP),
    ]


def _enter(woven: Woven, *, timed: bool) -> list[Statement]:
    """Enters a displacement at the last commit if allowed: then no time passes."""
    if not woven.impulses:
        return []
    soon = [CODE < whole(woven.impulses), AGE <= MERGE, *([DUE > T] if timed else [])]
    if not woven.waits:
        return [Branch(every(soon), [Leave()], [])]
    asks = [_set(WAIT, 1.0), *woven.waits, Branch(WAIT != 0.0, [Leave()], [])]
    return [Branch(every(soon), asks, [])]


def _halves(events: list[Event]) -> list[Statement]:
    """Events by their codes, as a binary tree of tests that asks fewer of what is more frequent."""
    if len(events) <= 1:
        return [part for one in events for part in (Note(one.words), *one.statements)]
    before = [*accumulate(one.weight for one in events)]
    middle = min(range(1, len(events)), key=lambda k: abs(2 * before[k - 1] - before[-1]))
    low, high = _halves(events[:middle]), _halves(events[middle:])
    return [Branch(CODE < whole(events[middle].code), low, high)]


def _set(target: Name, value: Value | float) -> Set:
    return Set((target,), (lift(value),))

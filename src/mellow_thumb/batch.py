"""Replay: a plan at work on a whole take, at any frame rate."""

from __future__ import annotations

from math import floor
from typing import TYPE_CHECKING, Any

from .errors import ArgumentError
from .program import weave_plan
from .take_items import items_of

if TYPE_CHECKING:
    from collections.abc import Iterator, Sequence

    import numpy as np
    import pandas as pd

    from .plan import Plan
    from .program import Item, Program
    from .take import Take

MOST_FRAMES = 20_000_000
"""A replay of more frames than this is refused: a time in the take is wrong, or the rate."""

CAMERA = ("camera_x", "camera_y", "camera_z", "camera_qx", "camera_qy", "camera_qz", "camera_qw")
STEP = ("step_x", "step_y", "step_z")


def replay(
    plan: Plan,
    take: Take,
    *,
    rate: float = 60.0,
    until: float | None = None,
    frames: Sequence[float] | None = None,
) -> pd.DataFrame:
    """Play a take through a plan: one row a frame, read at the frame's end.

    Frames end at 1/rate, 2/rate, ... and last at `until` (s), which is the first whole second after the
    last event unless it is given; or at the moments in `frames` (s, rising). The result is the same to the
    bit as feeding the take to a session and ticking it to the same moments.

    Columns: ``t`` (s); each axis by name and ``yaw_total`` (deg); ``camera_x`` to ``camera_z`` (m) and
    ``camera_qx`` to ``camera_qw`` (unit quaternion, camera to world); ``step_x`` to ``step_z`` (m moved
    in the frame, 0 without movement) and ``heading`` (deg, NaN without movement); ``gate_NAME`` (0 or 1);
    ``mount`` and ``cues`` (names, each as often as it was given). ``attrs["refused"]`` counts the rows that
    were refused, by signal and reason, and ``attrs["clipped"]`` the held values outside their range that were
    drawn in to it.

    Raises :class:`ArgumentError` for a rate, an end or frames that are not positive, finite and rising.
    """
    program = weave_plan(plan)
    items, refused, clipped = items_of(plan, program, take)
    ends = _ends(items, rate, until) if frames is None else _checked(frames)
    table = _table(plan, program, ends, _values(program, items, ends))
    table.attrs |= {"refused": refused, "clipped": clipped}
    return table


def _ends(items: list[Item], rate: float, until: float | None) -> list[float]:
    import numpy as np

    if not 0.0 < rate < float("inf"):
        raise ArgumentError(f"rate: found {rate!r}, expected frames a second above 0")
    last = items[-1][0] if items else 0.0
    end = floor(last) + 1.0 if until is None else float(until)
    if not 0.0 < end < float("inf"):
        raise ArgumentError(f"until: found {until!r}, expected seconds above 0")
    if end * rate > MOST_FRAMES:
        raise ArgumentError(
            f"{end:g} s at {rate:g} frames a second is more than {MOST_FRAMES:,} frames; "
            f"the take's last event is at {last:g} s: give an earlier end with until="
        )
    inner = np.arange(1, int(end * rate) + 2) / rate
    return [*inner[inner < end].tolist(), end]


def _checked(frames: Sequence[float]) -> list[float]:
    ends = [float(end) for end in frames]
    for before, end in zip([0.0, *ends], ends, strict=False):
        if not before <= end < float("inf"):
            raise ArgumentError(
                f"frames: found {end!r} after {before!r}, expected finite seconds that rise from 0"
            )
    return ends


def _values(program: Program, items: list[Item], ends: list[float]) -> Iterator[tuple[float, ...]]:
    """Run the loop: each frame gets the items before its end."""
    import numpy as np

    loop = program.live(program.start)
    next(loop)
    times = np.array([item[0] for item in items])
    first = 0
    for end, last in zip(ends, np.searchsorted(times, ends).tolist(), strict=True):
        yield loop.send([*items[first:last], (end, program.frame, 0.0, 0.0)])
        first = last


def _table(
    plan: Plan, program: Program, ends: list[float], values: Iterator[tuple[float, ...]]
) -> pd.DataFrame:
    import numpy as np
    import pandas as pd

    rows = list(values)
    read = np.array(rows, dtype=float).reshape(len(ends), program.width)
    poses = np.array([program.pose(*(row[k] for k in program.posing)) for row in rows], dtype=float)
    poses = poses.reshape(len(ends), len(CAMERA) + 1)
    columns: dict[str, Any] = {"t": np.array(ends, dtype=float)}
    columns |= {name: read[:, k] for k, name in enumerate(program.axes)}
    columns |= {name: poses[:, k] for k, name in enumerate(CAMERA)}
    columns |= dict.fromkeys(STEP, 0.0) | {"heading": float("nan")}
    columns |= {
        f"gate_{name}": read[:, k].astype(np.int8) for k, name in enumerate(program.gates, len(program.axes))
    }
    columns |= {"mount": plan.mount.name, "cues": _cues(program, read)}
    return pd.DataFrame(columns)


def _cues(program: Program, read: np.ndarray) -> list[str] | str:
    """The cues given in each frame, by name, each as often as it was given."""
    import numpy as np

    if not program.cues:
        return ""
    counts = read[:, list(program.cues.values())]
    given = np.diff(counts, axis=0, prepend=0.0).astype(int)
    words = [""] * len(read)
    for row in np.flatnonzero(given.any(axis=1)).tolist():
        pairs = zip(program.cues, given[row].tolist(), strict=True)
        words[row] = " ".join(name for name, count in pairs for _ in range(count))
    return words

"""When the frames of a replay end."""

from __future__ import annotations

from math import floor, isfinite
from typing import TYPE_CHECKING

from ..basics import ArgumentError

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np

    from .take import Take

MOST_FRAMES = 20_000_000
"""A replay of more frames than this is refused: a time in the take is wrong, or the rate."""


def check_rate(rate: float) -> None:
    """Raise :class:`ArgumentError` for a bad frame rate."""
    if not 0.0 < rate < float("inf"):
        raise ArgumentError(f"rate: found {rate!r}; expected frames a second above 0")


def frame_ends(take: Take, rate: float, until: float | None) -> np.ndarray:
    """When the frames of a take end (s): at a steady rate, to `until` or the first whole second after it."""
    check_rate(rate)
    end = floor(_last(take)) + 1.0 if until is None else float(until)
    if 0.0 < end < float("inf") and end * rate > MOST_FRAMES:
        raise ArgumentError(
            f"{end:g} s at {rate:g} frames a second is more than {MOST_FRAMES:,} frames; "
            f"the take's last event is at {_last(take):g} s: give an earlier end with until="
        )
    return grid(0, rate, end)


def _last(take: Take) -> float:
    """The time of a take's last event (s)."""
    import numpy as np

    times = take.table["t"].to_numpy(dtype=float)
    last = float(np.max(times, initial=0.0))
    return last if isfinite(last) else float(np.max(times, initial=0.0, where=np.isfinite(times)))


def grid(done: int, rate: float, end: float) -> np.ndarray:
    """The ends of all frames after the first `done`, the last of them at `end`."""
    import numpy as np

    if not 0.0 < end < float("inf"):
        raise ArgumentError(f"until: found {end!r}; expected seconds above 0")
    inner: np.ndarray = np.arange(done + 1, max(done, int(end * rate)) + 3, dtype=float)
    inner /= rate
    last = int(np.searchsorted(inner[:-1], end))
    inner[last] = end
    return inner[: last + 1]


def checked_ends(frames: Sequence[float]) -> np.ndarray:
    """A caller's moments, checked to be rising; raises :class:`ArgumentError` if not."""
    import numpy as np

    ends = [float(end) for end in frames]
    for before, end in zip([0.0, *ends], ends, strict=False):
        if not before <= end < float("inf"):
            raise ArgumentError(
                f"frames: found {end!r} after {before!r}; expected finite seconds that rise from 0"
            )
    return np.array(ends, dtype=float)

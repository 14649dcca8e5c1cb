"""Following and walking in numbers: how far off, how late, how far beside a way."""

from __future__ import annotations

from itertools import pairwise
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    Floats = npt.NDArray[np.float64]

LONGEST_LAG = 0.6
"""Seconds by which a hand may be behind what it follows."""


def error_of(target: Floats, places: Floats) -> float:
    """The root mean square distance between what is followed and what follows: arrays of equal rows."""
    import numpy as np

    return float(np.sqrt(((target - places) ** 2).sum(axis=1).mean()))


def lag_of(target: Floats, places: Floats, rate: float) -> float:
    """By how many seconds `places` follow `target`, both with `rate` rows a second.

    It is the shift, up to 0.6 s, at which their speeds correlate best; between two shifts a parabola through
    the three highest. NaN where nothing moves. Source: cross-correlation, normalised for each shift.
    """
    import numpy as np

    moves = [np.diff(one, axis=0) for one in (target, places)]
    most = min(round(LONGEST_LAG * rate), len(moves[0]) // 2)
    found = []
    for shift in range(most + 1):
        first, second = moves[0][: len(moves[0]) - shift], moves[1][shift:]
        size = np.sqrt((first**2).sum() * (second**2).sum())
        found.append((first * second).sum() / size if size > 0.0 else 0.0)
    best = int(np.argmax(found))
    if found[best] <= 0.0:
        return float("nan")
    if 0 < best < most:
        before, here, after = found[best - 1 : best + 2]
        bend = before - 2.0 * here + after
        return float((best + (0.5 * (before - after) / bend if bend < 0.0 else 0.0)) / rate)
    return best / rate


def beside(way: Floats, places: Floats) -> Floats:
    """How far each place is from a way: both are rows of x and z (m), the way a line through its points.

    Source: the orthogonal projection on each piece of the way.
    """
    import numpy as np

    found = np.full(len(places), np.inf)
    for start, end in pairwise(way):
        piece = end - start
        share = np.clip(((places - start) @ piece) / (piece @ piece), 0.0, 1.0)
        found = np.minimum(found, np.hypot(*(places - start - share[:, None] * piece).T))
    return found

"""What the frames of a replay read, as a table."""

from __future__ import annotations

from functools import lru_cache
from itertools import chain
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    from collections.abc import Iterable, Mapping

    import numpy as np
    import pandas as pd

    from ..weaving import Program

    Read = dict[str, np.ndarray]
    """What frames read: for each name a row, with a number a frame."""

CAMERA = ("camera_x", "camera_y", "camera_z", "camera_qx", "camera_qy", "camera_qz", "camera_qw")
STEP = ("step_x", "step_y", "step_z")
AT_ONCE = 1 << 13
"""How many frames are worked on together, so that they are still at hand in the processor."""
LARGEST = 32_000_000
"""How many bytes of rows are made at once, at most."""


def outputs(program: Program) -> list[str]:
    """The names of a frame's values, in order."""
    gates = [f"gate_{name}" for name in program.gates]
    cues = [words for name in program.cues for words in (f"cue_{name}", f"cue_{name}_t")]
    moved = program.walks
    several = program.mounts if len(program.mounts) > 1 else ()
    weights = [f"weight_{name}" for name in several]
    read = (*program.axes, *gates, *program.places, *cues, *moved, *weights, *program.own)
    return [*read, *CAMERA, "field_of_view", "extent"]


def height(program: Program) -> int:
    """The number of a frame's values, with its pose."""
    return program.width + len(CAMERA) + 2


def tabled(program: Program) -> dict[str, int]:
    """The names of the values that a replay's table is made of, each with its place among all."""
    own = [*(f"gate_{name}" for name in program.gates), *(f"cue_{name}" for name in program.cues)]
    made_of = {*program.axes, *CAMERA, *own, "mount", *(f"moved_{part}" for part in "xyz"), "heading"}
    return {name: k for k, name in enumerate(outputs(program)) if name in made_of}


def rows_for(names: Iterable[str], frames: int) -> Read:
    """Rows for what so many frames read, not yet written.

    A larger piece of memory would go back to the system with each table, and to get it again costs a tenth of
    a replay (glibc's limit is 32 MiB: mallopt(3), M_MMAP_THRESHOLD).
    """
    import numpy as np

    found: Read = {}
    at_once = max(1, LARGEST // (8 * max(frames, 1)))
    left = [*names]
    while left:
        some, left = left[:at_once], left[at_once:]
        found |= dict(zip(some, np.empty((len(some), frames)), strict=True))
    return found


def table_of(
    program: Program, ends: np.ndarray, read: Read, before: Mapping[str, float] | None = None
) -> pd.DataFrame:
    """A replay's table, made in its own rows, which change; `before` is how the piece before ended."""
    import numpy as np
    import pandas as pd

    columns: dict[str, Any] = {"t": ends}
    columns |= {name: read[name] for name in (*program.axes, *CAMERA)}
    columns |= _moved(program, read, len(ends), before)
    columns |= {f"gate_{name}": read[f"gate_{name}"].astype(np.int8) for name in program.gates}
    mounts = read.get("mount", np.zeros(len(ends)))
    columns["mount"] = pd.Categorical.from_codes(mounts.astype(np.int8), _index(tuple(program.mounts)))
    columns["cues"] = _cues(program, read, len(ends), before)
    return pd.DataFrame(columns, copy=False)


def _moved(
    program: Program, read: Read, count: int, before: Mapping[str, float] | None
) -> dict[str, np.ndarray]:
    """How far the character went in each frame, and where it faces."""
    import numpy as np

    if not program.walks:
        return {name: np.zeros(count) for name in STEP} | {"heading": np.full(count, np.nan)}
    steps = {}
    for part in "xyz":
        steps[f"step_{part}"] = moved = read[f"moved_{part}"]
        start = before[f"moved_{part}"] if before else 0.0
        # in place, from the end on: fresh memory would cost more than the subtraction
        for begin in range(len(moved) - 1, 0, -AT_ONCE):
            since = max(1, begin + 1 - AT_ONCE)
            moved[since : begin + 1] -= moved[since - 1 : begin].copy()
        moved[:1] -= start
    return {**steps, "heading": read["heading"]}


def _cues(
    program: Program, read: Read, count: int, before: Mapping[str, float] | None
) -> pd.Categorical[str]:
    """The cues given in each frame, by name, each as often as it was given."""
    import numpy as np
    import pandas as pd

    codes, words = np.zeros(count, np.int32), {"": 0}
    if program.cues:
        given = [f"cue_{name}" for name in program.cues]
        start = np.array([[before[name] if before else 0.0] for name in given])
        fresh = np.diff(np.array([read[name] for name in given]), axis=1, prepend=start).T
        for row in np.flatnonzero(fresh.any(axis=1)).tolist():
            pairs = zip(program.cues, fresh[row].astype(int).tolist(), strict=True)
            names = chain.from_iterable([name] * count for name, count in pairs)
            codes[row] = words.setdefault(" ".join(names), len(words))
    return pd.Categorical.from_codes(codes, _index(tuple(words)))


@lru_cache(maxsize=256)
def _index(words: tuple[str, ...]) -> pd.Index[str]:
    """An index of words; to make one takes as long as hundreds of compiled frames."""
    import pandas as pd

    return pd.Index(list(words))

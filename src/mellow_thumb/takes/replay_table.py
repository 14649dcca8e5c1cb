"""What the frames of a replay read, as a table."""

from __future__ import annotations

from functools import lru_cache
from itertools import chain
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    import numpy as np
    import pandas as pd

    from ..weaving import Program

CAMERA = ("camera_x", "camera_y", "camera_z", "camera_qx", "camera_qy", "camera_qz", "camera_qw")
STEP = ("step_x", "step_y", "step_z")


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


def table_of(
    program: Program, ends: np.ndarray, out: np.ndarray, before: np.ndarray | None = None
) -> pd.DataFrame:
    """A replay's table, from its arrays without a copy; `before` is the last column of the piece before."""
    import numpy as np
    import pandas as pd

    read = dict(zip(outputs(program), out, strict=True))
    columns: dict[str, Any] = {"t": ends}
    columns |= {name: read[name] for name in (*program.axes, *CAMERA)}
    columns |= _moved(program, read, len(ends), before)
    columns |= {f"gate_{name}": read[f"gate_{name}"].astype(np.int8) for name in program.gates}
    mounts = read.get("mount", np.zeros(len(ends)))
    columns["mount"] = pd.Categorical.from_codes(mounts.astype(np.int8), _index(tuple(program.mounts)))
    columns["cues"] = _cues(program, out, before)
    return pd.DataFrame(columns, copy=False)


def _moved(
    program: Program, read: dict[str, np.ndarray], count: int, before: np.ndarray | None
) -> dict[str, np.ndarray]:
    """How far the character went in each frame, and where it faces."""
    import numpy as np

    if not program.walks:
        return {name: np.zeros(count) for name in STEP} | {"heading": np.full(count, np.nan)}
    start = np.zeros(len(read)) if before is None else before
    begin = dict(zip(read, start, strict=True))
    steps = {f"step_{part}": np.diff(read[f"moved_{part}"], prepend=begin[f"moved_{part}"]) for part in "xyz"}
    return {**steps, "heading": read["heading"]}


def _cues(program: Program, out: np.ndarray, before: np.ndarray | None) -> pd.Categorical[str]:
    """The cues given in each frame, by name, each as often as it was given."""
    import numpy as np
    import pandas as pd

    codes, words = np.zeros(out.shape[1], np.int32), {"": 0}
    if program.cues:
        places = list(program.cues.values())
        start = np.zeros((len(places), 1)) if before is None else before[places, None]
        fresh = np.diff(out[places], axis=1, prepend=start).T
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

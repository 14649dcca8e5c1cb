"""What the frames of a replay read, as a table."""

from __future__ import annotations

from itertools import chain
from typing import TYPE_CHECKING, Any

if TYPE_CHECKING:
    import numpy as np
    import pandas as pd

    from .plan import Plan
    from .program import Program

CAMERA = ("camera_x", "camera_y", "camera_z", "camera_qx", "camera_qy", "camera_qz", "camera_qw")
STEP = ("step_x", "step_y", "step_z")


def outputs(program: Program) -> list[str]:
    """The names of what a frame gives, in the order of its values."""
    gates = [f"gate_{name}" for name in program.gates]
    cues = [words for name in program.cues for words in (f"cue_{name}", f"cue_{name}_t")]
    return [*program.axes, *gates, *program.places, *cues, *CAMERA, "field_of_view"]


def height(program: Program) -> int:
    """How many values a frame gives, its pose included."""
    return program.width + len(CAMERA) + 1


def table_of(
    plan: Plan, program: Program, ends: np.ndarray, out: np.ndarray, given: np.ndarray | None = None
) -> pd.DataFrame:
    """A replay's table, made of its arrays without a copy; `given` is how often cues were given before."""
    import numpy as np
    import pandas as pd

    read = dict(zip(outputs(program), out, strict=True))
    columns: dict[str, Any] = {"t": ends}
    columns |= {name: read[name] for name in (*program.axes, *CAMERA)}
    columns |= {name: np.zeros(len(ends)) for name in STEP} | {"heading": np.full(len(ends), np.nan)}
    columns |= {f"gate_{name}": read[f"gate_{name}"].astype(np.int8) for name in program.gates}
    columns["mount"] = pd.Categorical.from_codes(np.zeros(len(ends), np.int8), pd.Index([plan.mount.name]))
    columns["cues"] = _cues(program, out, given)
    return pd.DataFrame(columns, copy=False)


def cue_counts(program: Program, out: np.ndarray) -> np.ndarray:
    """How often each cue was given so far, one row a frame."""
    counts: np.ndarray = out[list(program.cues.values())].T
    return counts


def _cues(program: Program, out: np.ndarray, given: np.ndarray | None) -> pd.Categorical[str]:
    """The cues given in each frame, by name, each as often as it was given."""
    import numpy as np
    import pandas as pd

    codes, words = np.zeros(out.shape[1], np.int32), {"": 0}
    if program.cues:
        before = np.zeros((1, len(program.cues))) if given is None else given
        fresh = np.diff(cue_counts(program, out), axis=0, prepend=before)
        for row in np.flatnonzero(fresh.any(axis=1)).tolist():
            pairs = zip(program.cues, fresh[row].astype(int).tolist(), strict=True)
            names = chain.from_iterable([name] * count for name, count in pairs)
            codes[row] = words.setdefault(" ".join(names), len(words))
    return pd.Categorical.from_codes(codes, pd.Index(list(words)))

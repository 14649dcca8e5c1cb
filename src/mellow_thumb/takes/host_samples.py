"""What a host said in a take, frame by frame: poses interpolated, the rest as last said."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..formulas import heading_of
from ..plan.mounts import HEAD, HEAD_MOVES, PLACE, UP
from ..session import speed_between
from .take_items import named, numbered

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import pandas as pd

ASKED = ("host.subject.", "host.clear", "host.ground", "host.target.", "host.up.", "host.head.")
"""How the signals begin by which a host answers."""
HELD = ("clear", *HEAD)
"""What holds as it was said last, until it is said anew."""
NAMES = {
    **{place: place.replace("_", ".") for place in (*PLACE, *UP)},
    **{part: part.replace("_", ".") for part in HEAD},
    "target_yaw": "target.x",
    "target_pitch": "target.y",
}
"""Which signal of the host's an answer is, where it has another name."""


def says(table: pd.DataFrame) -> bool:
    """Whether a host answers anything in a take."""
    return any(name.startswith(ASKED) for name in named(table["signal"]))


def sampled(table: pd.DataFrame, hosts: Sequence[str], ends: np.ndarray) -> np.ndarray:
    """A row for each thing that a mount asks for, a column for each frame's end; NaN before it was said.

    The last value holds to the end.
    """
    import numpy as np

    found = np.full((len(hosts), len(ends)), np.nan)
    if not hosts or not says(table):
        return found
    number, names = numbered(table["signal"])
    said = {name: place for place, name in enumerate(names) if name.startswith(ASKED)}
    rows = {name: table[number == place] for name, place in said.items()}
    if HEAD_MOVES[0] in hosts:
        found[[hosts.index(name) for name in HEAD_MOVES]] = _head_moves(rows, ends)
    for place, host in enumerate(hosts):
        if host in HEAD_MOVES:
            continue
        if host == "subject_yaw":
            parts = [_of(rows, f"host.subject.q{part}") for part in "xyzw"]
            if all(len(t) for t, _ in parts) and len({len(t) for t, _ in parts}) == 1:
                yaws = [heading_of(*one) for one in zip(*(value.tolist() for _, value in parts), strict=True)]
                found[place] = np.interp(ends, parts[0][0], np.unwrap(yaws, period=360.0), left=np.nan)
        elif host in HELD:
            t, value = _of(rows, f"host.{NAMES.get(host, host)}")
            last = np.searchsorted(t, ends, side="right") - 1
            found[place] = np.where(last >= 0, value[last], np.nan) if len(t) else np.nan
        else:
            t, value = _of(rows, f"host.{NAMES.get(host, host)}")
            value = np.unwrap(value, period=360.0) if host == "target_yaw" else value
            found[place] = np.interp(ends, t, value, left=np.nan) if len(t) else np.nan
    ups = [place for place, host in enumerate(hosts) if host in UP]
    found[ups] /= np.linalg.norm(found[ups], axis=0) if ups else 1.0
    return found


def _head_moves(rows: dict[str, pd.DataFrame], ends: np.ndarray) -> np.ndarray:
    """The time of the head's pose in each frame, and the head's speed then; NaN before the first."""
    import numpy as np

    parts = [_of(rows, f"host.{name.replace('_', '.')}") for name in HEAD]
    t = parts[0][0]
    if any(len(one) != len(t) for one, _ in parts) or not len(t):
        return np.full((len(HEAD_MOVES), len(ends)), np.nan)
    moves, then, was = [], float(t[0]), tuple[float, ...]()
    speed = speed_between(was, was, 0.0)
    for now, pose in zip(t.tolist(), zip(*(value.tolist() for _, value in parts), strict=True), strict=True):
        if pose != was and (now > then or not was):  # one that is said again is not new
            speed = speed_between(was, pose, now - then)
            then, was = now, pose
        moves.append((then, *speed))
    last = np.searchsorted(t, ends, side="right") - 1
    return np.where(last >= 0, np.array(moves)[last].T, np.nan)


def last_words(table: pd.DataFrame) -> pd.DataFrame:
    """The last row of everything that a host said, for the next piece of a take."""
    number, names = numbered(table["signal"])
    said = [place for place, name in enumerate(names) if name.startswith(ASKED)]
    if not said:
        return table.iloc[:0]
    import numpy as np

    rows = table[np.isin(number, said)].astype({"signal": "str"})
    # of a head that is some poses, by which it is known how fast it goes
    return rows.groupby("signal", sort=False).tail(8)[["t", "signal", "value"]]


def _of(rows: dict[str, pd.DataFrame], signal: str) -> tuple[np.ndarray, np.ndarray]:
    """The finite rows of one signal, by time."""
    import numpy as np

    if signal not in rows:
        return np.empty(0), np.empty(0)
    t, value = (rows[signal][name].to_numpy(dtype=float) for name in ("t", "value"))
    good = np.isfinite(t) & np.isfinite(value)
    order = np.argsort(t[good], kind="stable")
    return t[good][order], value[good][order]

"""An account of a replay: what was turned, by how much, which limits were touched, when gates were open."""

from __future__ import annotations

from dataclasses import asdict, dataclass, field
from typing import TYPE_CHECKING, Any, NamedTuple

from ..plan import MOVES
from ..takes import STEP, replay_arrays
from .take_notes import few, heard, take_notes

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt
    import pandas as pd

    from ..plan import Axis
    from ..profiles import Profile
    from ..takes import Take
    from .idle import Idle

    Mask = npt.NDArray[np.bool_]
    Times = npt.NDArray[np.float64]

FINE = 0.001
"""Seconds: so finely is it looked when a gate opened by itself."""

TOUCH = 0.01
"""Degrees: an axis this near to its limit touches it."""

WAYS = {
    "yaw": ("turned", "right", "left"),
    "pitch": ("turned", "up", "down"),
    "roll": ("turned", "right side down", "right side up"),
    "distance": ("went", "away", "nearer"),
    "zoom": ("changed", "in", "out"),
    "pan_x": ("went", "right", "left"),
    "pan_y": ("went", "forward", "back"),
    "move_x": ("went", "right", "left"),
    "move_y": ("went", "forward", "back"),
}
"""What people call what an axis does, its positive way and its negative way."""


@dataclass(frozen=True)
class Stretch:
    """A stretch of time, in seconds."""

    begin: float
    end: float


@dataclass(frozen=True)
class AtLimit:
    """The times in which an axis was at one of its limits."""

    limit: float
    side: str
    spans: tuple[Stretch, ...]


@dataclass(frozen=True)
class Turned:
    """What became of one axis, in its unit; `forth` is its total movement in the positive direction."""

    unit: str
    forth: float
    back: float
    least: float
    most: float
    end: float
    touches: tuple[AtLimit, ...]


@dataclass(frozen=True)
class Walked:
    """How a character moved: metres along its path, metres from start to end, top speed in m/s."""

    path: float
    distance: float
    fastest: float


class _Switched(NamedTuple):
    """When gates were open, mounts active and cues given, by name."""

    gates: dict[str, tuple[Stretch, ...]]
    mounts: dict[str, tuple[Stretch, ...]]
    cues: dict[str, tuple[float, ...]]


@dataclass(frozen=True)
class Account:
    """What happened in a replay, as seen at the ends of its frames."""

    title: str
    seconds: float
    frames: int
    axes: dict[str, Turned]
    gates: dict[str, tuple[Stretch, ...]]
    cues: dict[str, tuple[float, ...]]
    """For each cue, when (s) it was given, as often as it was; without a take the ends of those frames."""
    refused: dict[str, dict[str, int]]
    clipped: dict[str, int]
    passed: dict[str, int] = field(default_factory=dict)
    """For each signal that the profile does not use, its rows."""
    used: int = 0
    """How many rows of devices it did use."""
    hears: tuple[str, ...] = ()
    """What of devices the profile uses."""
    notes: tuple[str, ...] = ()
    """What else is odd about the take, where it was given."""
    first: dict[str, str] = field(default_factory=dict)
    """For each signal that was refused, the file and the line in which it stands first."""
    walked: Walked | None = None
    mounts: dict[str, tuple[Stretch, ...]] = field(default_factory=dict)
    """For each of several mounts, when it was active."""
    became: dict[str, dict[str, int]] = field(default_factory=dict)
    """What became of events, where that was asked: by signal, how often for which reason."""
    idle: tuple[str, ...] = ()
    """What of that did nothing, in words."""

    def as_dict(self) -> dict[str, Any]:
        """The same as plain data."""
        return asdict(self)

    def _unused(self) -> list[tuple[str, str]]:
        """What of the take the profile does not use; a take of entirely different devices comes first."""
        shown = [
            f"{name}: {_rows(count)}" for name, count in sorted(self.passed.items(), key=lambda one: -one[1])
        ]
        more = f" and {len(shown) - 4} more signals" if len(shown) > 4 else ""
        said = [("not used", "; ".join(shown[:4]) + more)]
        if self.used:
            return said
        hears = few(self.hears) if self.hears else "no device"
        return [("used", f"no row of this take: the profile listens to {hears}"), *said]

    def _refused(self) -> list[str]:
        """What of the take was refused, and why; a line for each signal and reason."""
        said = []
        for signal, reasons in self.refused.items():
            where = f" (first in {self.first[signal]})" if self.first.get(signal) else ""
            said += [f"{signal}: {_rows(count)}, {reason}{where}" for reason, count in reasons.items()]
        return [*said[:8], f"and {len(said) - 8} more"] if len(said) > 8 else said or ["nothing"]

    def text(self) -> str:
        """The same as text: a few lines."""
        head = [self.title] if self.title else []
        head.append(f"{self.seconds:g} s in {self.frames:,} frames")
        rows = [row for name, turned in self.axes.items() for row in _axis_rows(name, turned)]
        rows = rows or [("axes", "none moved")]
        rows = [*rows, *self._unused()] if self.passed else rows
        rows += [("take", words) for words in self.notes]
        if self.walked:
            far = f"{number(self.walked.path)} m, to {number(self.walked.distance)} m from where it began"
            rows.append(("walked", f"{far}; at most {number(self.walked.fastest)} m/s"))
        rows += [(name, _span_words(spans, "open", "never open")) for name, spans in self.gates.items()]
        rows += [(name, _span_words(spans, "active", "never active")) for name, spans in self.mounts.items()]
        rows += [(name, _cue_words(times)) for name, times in self.cues.items()]
        rows += [("refused", words) for words in self._refused()]
        rows += [
            ("clipped", f"{name}: {_rows(count)} outside its range") for name, count in self.clipped.items()
        ]
        rows += [("idle", words) for words in self.idle]
        width = max(len(name) for name, _ in rows)
        return "\n".join([*head, "", *(f"{name:<{width}}  {words}" for name, words in rows)])


def account_of(
    profile: Profile, table: pd.DataFrame, take: Take | None = None, idle: Idle | None = None
) -> Account:
    """Say what happened in a replay of a profile; axes that never moved are left out.

    With its `take`, gates, mounts and cues have their own times (within `FINE` seconds), and it says what
    is odd about the take and where refused rows are; without it, times are those of frames. With what
    of it was `idle`, it says that too.
    """
    t = table["t"].to_numpy()
    refused, switched = dict(table.attrs.get("refused", {})), _switched(profile, table, take)
    axes = {
        axis.name: _turned(profile, axis, table)
        for axis in profile.axes
        if axis.name not in MOVES or not profile.movement
    }
    return Account(
        title=profile.title,
        seconds=float(t[-1]) if len(t) else 0.0,
        frames=len(t),
        axes={name: turned for name, turned in axes.items() if turned.forth or turned.back},
        gates=switched.gates,
        cues=switched.cues,
        refused=refused,
        clipped=dict(table.attrs.get("clipped", {})),
        passed=dict(table.attrs.get("passed", {})),
        used=int(table.attrs.get("used", 0)),
        hears=heard(profile),
        notes=tuple(one.words for one in take_notes(profile, take)) if take is not None else (),
        first={name: take.first(name) for name in refused} if take is not None else {},
        walked=_walked(table) if profile.movement else None,
        mounts=switched.mounts,
        became=idle.counts if idle else {},
        idle=tuple(idle.lines()) if idle else (),
    )


def _walked(table: pd.DataFrame) -> Walked:
    import numpy as np

    steps = table[list(STEP)].to_numpy()
    lengths = np.sqrt((steps**2).sum(axis=1))
    speeds = lengths / np.diff(table["t"].to_numpy(), prepend=0.0)
    whole = float(np.sqrt((steps.sum(axis=0) ** 2).sum()))
    return Walked(float(lengths.sum()), whole, float(speeds.max(initial=0.0)))


def spans(t: npt.NDArray[np.float64], open_: Mask) -> tuple[Stretch, ...]:
    """The stretches in which something held, from frame ends `t` and whether it held there."""
    import numpy as np

    edges = np.flatnonzero(np.diff(np.concatenate(([False], open_, [False])).astype(np.int8)))
    return tuple(
        Stretch(float(t[begin]), float(t[min(end, len(t) - 1)]))
        for begin, end in edges.reshape(-1, 2).tolist()
    )


def _switched(profile: Profile, table: pd.DataFrame, take: Take | None) -> _Switched:
    """When gates were open, mounts active and cues given: at their own times, if the take is given.

    Frames only read, so extra ones change nothing: one right after each press, and one every `FINE` seconds
    of a frame in which a gate or a mount changed by itself.
    """
    import numpy as np

    t, mounts = table["t"].to_numpy(), [one.mount.name for one in profile.mounts.all if profile.others]
    states = {("gates", one.name): table[f"gate_{one.name}"].to_numpy() != 0 for one in profile.gates}
    states |= {("mounts", name): (table["mount"] == name).to_numpy() for name in mounts}
    cues = {cue.name: given(table, cue.name) for cue in profile.cues}
    if take is not None and (states or cues) and len(t) and len(take):
        changed = np.zeros(len(t), dtype=bool)
        for one in states.values():
            changed |= np.diff(one, prepend=False)
        finer = _finer(profile, take, t, np.flatnonzero(changed))
        played = replay_arrays(profile, take, frames=finer.tolist())
        t = played["t"]
        states = {(what, name): _state(played, what, name, mounts) for what, name in states}
        cues = {name: _given_at(played, name) for name in cues}
    found: dict[str, dict[str, tuple[Stretch, ...]]] = {"gates": {}, "mounts": {}}
    for (what, name), one in states.items():
        found[what][name] = spans(t, one)
    return _Switched(found["gates"], found["mounts"], cues)


def _finer(profile: Profile, take: Take, t: Times, changed: npt.NDArray[np.int64]) -> Times:
    """Extra frame ends: right after each press, and many where something changed."""
    import numpy as np

    rows = take.table["t"].to_numpy(dtype=float)
    pressed = {str(a) for a in profile.inputs if a.signal.kind in ("switch", "fact")}
    ends = [t, np.nextafter(rows[take.table["signal"].isin(pressed).to_numpy()], np.inf)]
    for k in changed.tolist():
        begin = t[k - 1] if k else 0.0
        ends.append(np.arange(begin, t[k], FINE)[1:])
        ends.append(np.nextafter(rows[(rows >= begin) & (rows < t[k])], np.inf))
    fine = np.unique(np.concatenate(ends))
    within: Times = fine[(fine > 0.0) & (fine <= t[-1])]
    return within


def _state(played: dict[str, Times], what: str, name: str, mounts: list[str]) -> Mask:
    """Whether a gate was open, or a mount active, in each frame."""
    held: Mask = played[f"gate_{name}"] != 0 if what == "gates" else played["mount"] == mounts.index(name)
    return held


def _given_at(played: dict[str, Times], cue: str) -> tuple[float, ...]:
    """When (s) a cue was given, as often as it was."""
    import numpy as np

    often = np.diff(played[f"cue_{cue}"], prepend=0.0)
    return tuple(np.repeat(played[f"cue_{cue}_t"], often.astype(int)).tolist())


def given(table: pd.DataFrame, cue: str) -> tuple[float, ...]:
    """The ends (s) of the frames in which a cue was given, as often as it was."""
    counts = [words.split().count(cue) for words in table["cues"]]
    return tuple(float(t) for t, count in zip(table["t"].tolist(), counts, strict=True) for _ in range(count))


def touches(profile: Profile, axis: Axis, table: pd.DataFrame) -> tuple[AtLimit, ...]:
    """Each limit of an axis that was reached, and when; not those that only one mount has."""
    import numpy as np

    t, value = table["t"].to_numpy(), whole(axis, table)
    there = ~table["mount"].isin(profile.mounts.without(axis.name)).to_numpy()
    found = []
    for side, limit in (("lower", axis.low), ("upper", axis.high)):
        when = spans(t, (np.abs(value - limit) <= TOUCH) & there)
        if when:
            found.append(AtLimit(limit, side, when))
    return tuple(found)


def whole(axis: Axis, table: pd.DataFrame) -> npt.NDArray[np.float64]:
    """An axis over time, with full turns kept."""
    return table["yaw_total" if axis.name == "yaw" else axis.name].to_numpy()


def _turned(profile: Profile, axis: Axis, table: pd.DataFrame) -> Turned:
    import numpy as np

    value = np.concatenate(([axis.start], whole(axis, table)))
    mounts = table["mount"].cat.codes.to_numpy()
    steps = np.diff(value) * (np.diff(mounts, prepend=0) == 0)  # from mount to mount nothing is turned
    return Turned(
        unit=axis.unit,
        forth=float(steps[steps > 0].sum()),
        back=float(-steps[steps < 0].sum()),
        least=float(value.min()),
        most=float(value.max()),
        end=float(table[axis.name].iloc[-1]) if len(table) else axis.start,
        touches=touches(profile, axis, table),
    )


def _axis_rows(name: str, turned: Turned) -> list[tuple[str, str]]:
    did, forth, back = WAYS.get(name, ("went", "up", "down"))

    def measured(value: float) -> str:
        return f"{number(value)} {turned.unit}".rstrip()

    moved = f"{did} {measured(turned.forth)} {forth} and {measured(turned.back)} {back}"
    where = f"between {number(turned.least)} and {measured(turned.most)}; ended at {measured(turned.end)}"
    rows = [(name, f"{moved}; {where}")]
    for touch in turned.touches:
        total = sum(span.end - span.begin for span in touch.spans)
        when = f"{total:.2f} s, first at {touch.spans[0].begin:.2f} s"
        rows.append(("", f"at its {touch.side} limit of {measured(touch.limit)} for {when}"))
    return rows


def number(value: float) -> str:
    """A number as a person would write it: one decimal, or three digits if it is small."""
    digits = 1 if abs(value) >= 10 else 2
    return f"{round(value, digits) + 0.0:.10g}"


def _span_words(when: tuple[Stretch, ...], what: str, never: str) -> str:
    if not when:
        return never
    total = sum(span.end - span.begin for span in when)
    shown = ", ".join(f"{span.begin:.2f} to {span.end:.2f} s" for span in when[:4])
    more = f" and {len(when) - 4} more times" if len(when) > 4 else ""
    return f"{what} for {total:.2f} s: {shown}{more}"


def _cue_words(times: tuple[float, ...]) -> str:
    if not times:
        return "never given"
    often = f"given {len(times)} times" if len(times) > 1 else "given once"
    more = f" and {len(times) - 6} more times" if len(times) > 6 else ""
    return f"{often}: at {', '.join(f'{t:.2f}' for t in times[:6])} s{more}"


def _rows(count: int) -> str:
    return f"{count:,} {'row' if count == 1 else 'rows'}"

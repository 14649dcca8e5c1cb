"""Feeling: how controls feel, in numbers, each measured on a running session.

Every number has its definition here and in the docs; times are found by bisection on a session, so
they do not depend on a frame rate.
"""

from __future__ import annotations

from math import hypot, log2, nan
from typing import TYPE_CHECKING, Any

from ..engines import check_compiled
from ..plan import Plan
from ..takes import replay
from .bench import Bench
from .fits import resting
from .route_feel import Felt, of_route
from .walk_feel import of_cameras, of_walk

if TYPE_CHECKING:
    from collections.abc import Callable, Iterator, Sequence

    import numpy as np
    import numpy.typing as npt
    import pandas as pd

    from ..takes import Take

RATES = (24.0, 60.0, 144.0, 360.0)
"""Frames a second between which the spread is measured."""
MEASURES = {
    "half turn": "time for a half turn with the control all the way out, from rest, all included",
    "across the view": "time from rest to pan across the view (its shorter side), all the way out; for an "
    "edge zone that turns, to turn by the field of view",
    "hand for a turn": "hand travel for a full turn; needs counts_per_cm",
    "smallest turn": "what one count, notch or press turns",
    "smallest step": "what one count, notch or press does to an axis that is not an angle",
    "drag across": "what a drag across the view's shorter side does",
    "run-out": "how far it runs on after the fingers lift from a flick at 1 screen/s, or a twist at 90 deg/s",
    "slowest turn": "the steady rate one step of an eight-bit stick (1/127) beyond the dead zone",
    "fastest turn": "the steady rate all the way out, boost included",
    "slowest speed": "as slowest turn, for an axis that is not an angle",
    "fastest speed": "as fastest turn, for an axis that is not an angle",
    "to full speed": "time from rest until the character walks at full speed",
    "to rest": "time from letting go at full speed until the character stands still",
    "runs on": "how far the character runs on after letting go at full speed",
    "walk a square": "time from rest to walk a square: forward, right, back and left, 5 m along each",
    "behind the walk": "how much time the camera is behind a subject that walks steadily",
    "behind a climb": "the same upward, behind a subject or ground that rises steadily",
    "after a turn": "time from a turn of the subject, or of the target, until the camera has made half of it",
    "back again": "time from letting go until half of the way back is made: of an axis to its rest, of a "
    "camera to behind the walk",
    "lag": "time from a step of the control to half of its effect",
    "rise": "time from 10 % to 90 % of a step",
    "overshoot": "how far a step goes beyond its final value, as a share",
    "settling": "time from a step until it stays within 2 % of its final value",
    "direction error": "the largest angle between where a stick is pushed and where the view goes",
    "drift at rest": "how far the view turns in a minute while the take's stick, or a stand-in thumb, rests",
    "frame-rate spread": "the largest difference of any axis between 24, 60, 144 and 360 frames a second",
    "smoothness": "spectral arc length of the camera's turning speed; nearer to 0 is smoother",
    "peak speed": "the fastest turn in the take",
    "time over 90 deg/s": "how much of the take the view turns faster than most people can take in a headset",
}
"""What each number is."""


def feel(
    profile: Plan | Sequence[Plan],
    take: Take | None = None,
    *,
    compiled: bool | None = None,
    progress: Callable[[float], None] | None = None,
) -> pd.DataFrame:
    """How controls feel, in numbers: a row a number, a column a profile.

    The index is (``subject``, ``measure``): a route with its axis, or ``take``; columns are ``unit``, then
    one for each profile, by its file or title. With a `take`, the take is measured too; without one, drift is
    that of a stand-in thumb. `compiled` is as for :func:`replay`. `progress` is called with the share done.
    `MEASURES` has the definition of each measure.
    """
    import pandas as pd

    check_compiled(compiled)
    plans: list[Plan] = [profile] if isinstance(profile, Plan) else list(profile)
    columns: dict[str, dict[tuple[str, str], float]] = {}
    units: dict[tuple[str, str], str] = {}
    for k, plan in enumerate(plans):
        tell = _shared(progress, k, len(plans))
        numbers = list(_numbers(plan, take, tell, compiled=compiled))
        columns[_name(plan, k, columns)] = {(one.subject, one.measure): one.value for one in numbers}
        units |= {(one.subject, one.measure): one.unit for one in numbers}
    subjects = list(dict.fromkeys(subject for subject, _ in units))
    units = dict(sorted(units.items(), key=lambda one: subjects.index(one[0][0])))  # each subject's together
    index = pd.MultiIndex.from_tuples(list(units), names=["subject", "measure"])
    data: dict[str, Any] = {"unit": [units[key] for key in units]}
    data |= {name: [column.get(key, nan) for key in units] for name, column in columns.items()}
    return pd.DataFrame(data, index=index)


def _shared(progress: Callable[[float], None] | None, k: int, count: int) -> Callable[[float], None]:
    """The progress callback for one of several profiles."""
    return lambda done: progress((k + done) / count) if progress else None


def _name(plan: Plan, k: int, taken: dict[str, Any]) -> str:
    name = getattr(plan, "file", "") or getattr(plan, "title", "") or "profile"
    return name if name not in taken else f"{name} ({k + 1})"


def _numbers(
    plan: Plan, take: Take | None, progress: Callable[[float], None], *, compiled: bool | None
) -> Iterator[Felt]:
    routes = [route for route in plan.routes if route.effect != "pin"]
    for k, route in enumerate(routes):
        yield from of_route(plan, route)
        progress(0.6 * (k + 1) / len(routes))
    yield from of_walk(plan)
    yield from of_cameras(plan)
    progress(0.7)
    yield from _drift(plan, take)
    if take is not None:
        yield from _of_take(plan, take, compiled=compiled)
    progress(1.0)


# ---- takes


def _drift(plan: Plan, take: Take | None) -> Iterator[Felt]:
    """How far the view turns in a minute with hands off."""
    for route in plan.routes:
        signal = route.source.signal.name
        if route.effect != "rate" or not signal.endswith("stick") or not set(route.drives) & {"yaw", "pitch"}:
            continue
        still = _still(signal) if take is None else resting(take, signal)
        if still is not None:
            rests, seconds = still
            bench = Bench(plan, route)
            table = replay(bench.plan, rests, until=seconds, compiled=False)
            ends = {
                name: float(table["yaw_total" if name == "yaw" else name].iloc[-1]) for name in route.drives
            }
            ways = [end - axis_start(bench.plan, name) for name, end in ends.items()]
            yield Felt(route.name, "drift at rest", hypot(*ways) * 60.0 / seconds, "deg/min")


def axis_start(plan: Plan, name: str) -> float:
    """Where an axis starts; 0 if there is no such axis."""
    found = [axis.start for axis in plan.axes if axis.name == name.removesuffix("_total")]
    return found[0] if found else 0.0


def _still(stick: str) -> tuple[Take, float]:
    """A stand-in thumb at rest, off centre and not quite still."""
    from ..stand_ins import Thumb

    thumb = Thumb(1, signal=stick)
    thumb.hold(10.0)
    return thumb.take(), 10.0


def _of_take(plan: Plan, take: Take, *, compiled: bool | None) -> Iterator[Felt]:
    """The numbers of a take."""
    import numpy as np

    end = float(np.ceil(take.table["t"].max() + 1e-9)) if len(take.table) else 1.0
    moments = np.arange(1, round(end * 12) + 1) / 12.0  # which every one of the rates reads too
    read = [replay(plan, take, rate=rate, until=end, compiled=compiled) for rate in RATES]
    columns = [axis.name if axis.name != "yaw" else "yaw_total" for axis in plan.axes]
    at = [
        table[columns].to_numpy()[np.rint(moments * rate).astype(int) - 1]
        for table, rate in zip(read, RATES, strict=True)
    ]
    spread = max(float(np.abs(one - at[0]).max()) for one in at)
    yield Felt("take", "frame-rate spread", spread, "")
    fine = read[-1]
    for name in ("yaw_total", "pitch"):
        if name.removesuffix("_total") not in {axis.name for axis in plan.axes}:
            continue
        speed = np.diff(fine[name].to_numpy(), prepend=axis_start(plan, name)) * RATES[-1]
        mounts = fine["mount"].cat.codes.to_numpy()
        speed[np.diff(mounts, prepend=mounts[:1]) != 0] = 0.0  # from mount to mount nothing is turned
        if not np.abs(speed).max() > 0.0:
            continue
        axis = name.removesuffix("_total")
        yield Felt(f"take, {axis}", "peak speed", float(np.abs(speed).max()), "deg/s")
        yield Felt(f"take, {axis}", "smoothness", spectral_arc_length(speed, RATES[-1]), "")
        yield Felt(f"take, {axis}", "time over 90 deg/s", float((np.abs(speed) > 90.0).mean()), "share")


def spectral_arc_length(
    speed: npt.NDArray[np.float64], rate: float, *, cutoff: float = 20.0, least: float = 0.05
) -> float:
    """How smooth a movement is: minus the arc length of its speed's normalised spectrum; near 0 is smooth.

    `speed` at `rate` samples a second; up to `cutoff` Hz, and no further than where the spectrum last was
    above `least` of its largest. Source: Balasubramanian, Melendez-Calderon, Roby-Brami, Burdet, On the
    analysis of movement smoothness (J. NeuroEngineering and Rehabilitation 12:112, 2015), padded to 16 times
    the next power of two.
    """
    import numpy as np

    size = 2 ** (int(np.ceil(log2(len(speed)))) + 4)
    frequencies = np.arange(size) * rate / size
    spectrum = np.abs(np.fft.fft(speed, size))
    spectrum = spectrum / spectrum.max()
    kept = frequencies <= cutoff
    frequencies, spectrum = frequencies[kept], spectrum[kept]
    (above,) = np.nonzero(spectrum >= least)
    frequencies, spectrum = frequencies[: above[-1] + 1], spectrum[: above[-1] + 1]
    if len(frequencies) < 2:
        return 0.0
    across = np.diff(frequencies) / (frequencies[-1] - frequencies[0])
    return -float(np.hypot(across, np.diff(spectrum)).sum())

"""What becomes of fingers before any route: a plan that only listens to its touches."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..plan import TAPS, Address, Axis, Buttons, Cue, Gate, Plan, Route
from ..plan.mounts import Eye
from ..takes import replay

if TYPE_CHECKING:
    import numpy as np
    import numpy.typing as npt

    from ..plan import Signal
    from ..takes import Take

    Array = npt.NDArray[np.float64]

AFTER = 1e-6
"""Seconds after a contact at which what is made of it is looked at."""


class Said(NamedTuple):
    """What one signal of a touch says over time."""

    unit: str
    t: Array
    value: Array
    """Ways added up; what is held, as it is."""


def listening(plan: Plan) -> Plan:
    """A plan that only listens to another plan's touches, for the signals that plan uses."""
    asked = {one.signal.name: one.signal for one in plan.inputs}
    axes, routes, gates, cues = [Axis(name) for name in ("yaw", "pitch", "roll")], [], [], []
    for touch in plan.touches:
        if touch.signal.name in asked:
            names = tuple(_parts(touch.signal))
            axes += [Axis(name, unit="") for name in names]
            effect = "offset" if touch.kind == "thumb_pad" else "step"
            routes.append(Route(touch.name, Address(touch.signal), names, (1.0,) * len(names), effect=effect))
        for signal in touch.signals:
            if signal.name not in asked or signal.kind != "switch":
                continue
            buttons = Buttons((Address(signal),))
            if signal.name.rpartition(".")[2] in TAPS:
                cues.append(Cue(signal.name, buttons))
            else:
                gates.append(Gate(signal.name, buttons))
    return Plan(tuple(routes), tuple(gates), tuple(axes), Eye("eye"), touches=plan.touches, cues=tuple(cues))


def _parts(signal: Signal) -> tuple[str, ...]:
    return (f"{signal.name}.x", f"{signal.name}.y") if signal.pair else (signal.name,)


def touched(plan: Plan, take: Take) -> dict[str, Said]:
    """What a plan's touches say in a take, over time, for each signal that the plan uses."""
    import numpy as np

    bare = listening(plan)
    times = np.unique(take.table["t"].to_numpy(dtype=float)) + AFTER
    table = replay(bare, take, frames=times[times > 0.0].tolist(), compiled=False)
    t, found = table["t"].to_numpy(dtype=float), dict[str, Said]()
    for route in bare.routes:
        signal = route.source.signal
        unit = "-1 to 1" if signal.held else f"{signal.unit}, added up"
        for name in _parts(signal):
            value = table[name].to_numpy(dtype=float)
            ratio = signal.kind == "ratio"
            found[name] = Said(
                "x, since the beginning" if ratio else unit, t, np.exp(value) if ratio else value
            )
    for gate in bare.gates:
        found[gate.name] = Said("0 or 1", t, table[f"gate_{gate.name}"].to_numpy(dtype=float))
    given = table["cues"].astype(str)
    for cue in bare.cues:
        here = given.str.split().map(lambda names, name=cue.name: name in names).to_numpy(dtype=float)
        # a tap is over as it is there: a moment wide, it can be seen
        found[cue.name] = Said("a tap", np.repeat(t, 2) + np.tile([0.0, AFTER], len(t)), _pulses(here))
    return dict(sorted(found.items()))


def _pulses(here: Array) -> Array:
    import numpy as np

    value = np.zeros(2 * len(here))
    value[0::2] = here
    return value

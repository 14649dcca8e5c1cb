"""What is odd about a take, or does not fit a profile: devices, clocks, rows twice, wild values."""

from __future__ import annotations

from typing import TYPE_CHECKING, NamedTuple

from ..basics import listed
from ..plan import DEVICES
from ..plan.mounts import Headset
from ..takes import numbered

if TYPE_CHECKING:
    from collections.abc import Iterator, Sequence

    import numpy as np
    import numpy.typing as npt

    from ..plan import Plan
    from ..takes import Take

    Numbers = npt.NDArray[np.float64]

APART = 60.0
"""Seconds without a row after which a device is most likely on a clock of its own."""
SPAN = 0.1
"""Seconds over which it is looked how fast a hand moves."""
FASTEST = {
    "mouse.move": (500_000.0, "counts"),
    "mouse.pixels": (500_000.0, "px"),
    "mouse.wheel": (500.0, "notches"),
}
"""More than any hand makes in a second: 4 m/s with 3200 counts to the inch; a wheel that spins freely."""
FURTHEST = {"host.head": 100.0, "motion.turn": 5000.0, "motion.aim": 5000.0, "motion.force": 500.0}
"""More than any device says: metres from the middle of the play space; deg/s; m/s2."""
HEAD = "host.head"


class Note(NamedTuple):
    """One thing that is odd about a take."""

    code: str
    """What kind of thing it is, as a finding's."""
    words: str
    fix: str
    """What to do."""


def take_notes(plan: Plan, take: Take) -> list[Note]:
    """What is odd about a take for a plan: missing devices, clocks, rows twice, wild values.

    What a replay counts itself (rows not used, refused, clipped) is not included.
    """
    rows = _Rows(take)
    return [*rows.absent(plan), *rows.clocks(), *rows.doubled(), *rows.wild()]


class _Rows:
    """The rows of a take as arrays, and what is odd about them."""

    def __init__(self, take: Take) -> None:
        self.t, self.value = (take.table[name].to_numpy(dtype=float) for name in ("t", "value"))
        self.number, names = numbered(take.table["signal"])
        there = set(self.number.tolist())
        self.names = {k: name for k, name in enumerate(names) if k in there}
        """The signals that have rows, by number."""

    def of(self, names: set[int]) -> npt.NDArray[np.bool_]:
        """Which rows are of some signals."""
        import numpy as np

        return np.isin(self.number, list(names))

    def devices(self) -> dict[str, npt.NDArray[np.bool_]]:
        """Which rows belong to each device; a head counts as one."""
        parts: dict[str, set[int]] = {}
        for k, name in self.names.items():
            parts.setdefault("head" if name.startswith(HEAD) else name.partition(".")[0], set()).add(k)
        return {device: self.of(numbers) for device, numbers in parts.items()}

    def absent(self, plan: Plan) -> Iterator[Note]:
        """Devices that the profile listens to, without any row."""
        wanted = {one.signal.device for one in plan.inputs} & set(DEVICES)
        if any(isinstance(one.mount, Headset) for one in plan.mounts.all):
            wanted.add("head")
        for device in sorted(wanted - set(self.devices())):
            fix = f"a take in which {_called(device)} is used too"
            yield Note("absent-device", f"no row of {_called(device)}", fix)

    def clocks(self) -> Iterator[Note]:
        """Rows before time 0, and devices whose times lie far from all others."""
        fix = "one clock for all devices, in seconds since the take began; session.align maps a device's own"
        before = int((self.t < 0.0).sum())
        if before:
            said = f"{before:,} rows are from before 0 s" if before > 1 else "a row is from before 0 s"
            yield Note("other-clock", f"{said}; what is before counts at 0", fix)
        spans = {device: (self.t[rows].min(), self.t[rows].max()) for device, rows in self.devices().items()}
        # of two devices the one whose rows do not begin with the take
        astray = sorted(spans, key=lambda device: -abs(spans[device][0]))[: 1 if len(spans) == 2 else None]
        for device in astray:
            first, last = spans[device]
            others = [span for other, span in spans.items() if other != device] or [(0.0, 0.0)]
            begin, end = min(one for one, _ in others), max(one for _, one in others)
            if first - end > APART or begin - last > APART:
                rest = f"all others from {begin:.1f} to {end:.1f} s" if len(spans) > 1 else "none before"
                lie = f"the rows of {_called(device)} lie from {first:.1f} to {last:.1f} s"
                yield Note("other-clock", f"{lie}, {rest}", fix)

    def doubled(self) -> Iterator[Note]:
        """Signals whose every row is there twice."""
        import numpy as np

        order = np.lexsort((self.value, self.t, self.number))
        columns = [one[order] for one in (self.number, self.t, self.value)]
        new = np.ones(len(order), dtype=bool)
        new[1:] = np.any([one[1:] != one[:-1] for one in columns], axis=0)
        (first,) = np.nonzero(new)
        odd = set(columns[0][first[np.diff(first, append=len(order)) % 2 == 1]].tolist())
        names = sorted({_whole(name) for k, name in self.names.items() if k not in odd})
        if names:
            words = f"every row of {few(names)} is there twice"
            yield Note("rows-twice", words, "one recorder for each device: two at once write each row twice")

    def wild(self) -> Iterator[Note]:
        """Displacements faster than any hand, and readings larger than any sensor's."""
        import numpy as np

        for signal, (most, unit) in FASTEST.items():
            rows = self.of({k for k, name in self.names.items() if _whole(name) == signal})
            spans, place = np.unique(np.floor(self.t[rows] / SPAN), return_inverse=True)
            sums = np.bincount(place, weights=np.abs(self.value[rows])) / SPAN
            if len(sums) and sums.max() > most:
                when = f"{sums.max():,.0f} {unit} a second at {spans[sums.argmax()] * SPAN:.1f} s"
                fix = f"its rows in {unit}: a mouse of another make has more of them, not so many"
                yield Note("wild-values", f"{signal} makes {when}; no hand makes {most:,.0f}", fix)
        for signal, most in FURTHEST.items():
            rows = self.of({k for k, name in self.names.items() if name.startswith(f"{signal}.")})
            largest = float(np.abs(self.value[rows]).max(initial=0.0))
            if largest > most:
                words = f"{signal} reaches {largest:,.6g}; more than {most:g} is no reading of it"
                yield Note("wild-values", words, "its rows in the unit that the catalogue of signals states")


def _called(device: str) -> str:
    """What people call a device."""
    words = {
        "key": "the keyboard", "pad": "the gamepad",
        "motion": "the motion sensors", "touch": "the touch screen",
    }  # fmt: skip
    return words.get(device, f"the {device.replace('_', ' ')}")


def _whole(name: str) -> str:
    """The signal that a row belongs to, whichever component it has."""
    return name[:-2] if name.endswith((".x", ".y")) else name


def heard(plan: Plan) -> tuple[str, ...]:
    """The device signals that a plan listens to."""
    return tuple(sorted({str(one.signal.name) for one in plan.inputs if one.signal.device in DEVICES}))


def few(names: Sequence[str], what: str = "more") -> str:
    """The first six of some names, and how many more."""
    rest = [f"{len(names) - 6} {what}"] if len(names) > 6 else []
    return listed([*names[:6], *rest], "and")

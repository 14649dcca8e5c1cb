"""Quantities: a number and the unit that says what it is.

A sensitivity never comes without its unit, and the unit must fit what the signal is (its kind, see
:mod:`mellow_thumb.plan.signals`) and what the axis is measured in. :func:`read_sensitivity` is the one place
that decides.
"""

from __future__ import annotations

import re
from dataclasses import dataclass
from math import copysign, log1p

from ..formulas import degrees_per_count
from .errors import UnitError, listed, nearest

_QUANTITY = re.compile(r"\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(\S.*?)?\s*")

LEAST, MOST = 1e-9, 1e6
"""A sensitivity nearer to zero, or further from it, is a slip of the pen."""


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number with its unit, as it stands in a profile: ``Quantity(0.05, "deg/count")``."""

    value: float
    unit: str

    def __str__(self) -> str:
        space = "" if self.unit[:1] in ("", "/") else " "
        return f"{self.value:g}{space}{self.unit}"


@dataclass(frozen=True, slots=True)
class Effect:
    """What a sensitivity does to an axis: a ``step`` for each unit, a ``rate``, or an ``offset``.

    `amount` is in the axis's own unit (for a `log` effect, in natural logarithms) for one unit of the signal,
    or for full deflection.
    """

    kind: str
    amount: float
    log: bool = False
    screens: bool = False
    """Whether it is in screens, of a pan, and not in metres."""


PAN = "pan"
"""What stands for the unit of a pan: metres, or screens."""

_AXIS_UNITS = {"deg": ("deg",), "m": ("m", "cm", "%"), PAN: ("m", "cm", "screen"), "x": ("%",), "": ("",)}
"""What a sensitivity may give, by the unit of the axis."""

_IN_ONE = {
    "deg": {"deg": 1.0},
    "s": {"s": 1.0, "ms": 1e3},
    "m": {"m": 1.0, "cm": 1e2},
    "x": {"x": 1.0},
    "Hz": {"Hz": 1.0},
    "deg/s": {"deg/s": 1.0},
    "m/s": {"m/s": 1.0, "cm/s": 1e2, "km/h": 3.6},
    "m/s2": {"m/s2": 1.0, "cm/s2": 1e2},
    "screen": {"screen": 1.0},
    "": {"": 1.0},
}
"""For each unit inside, the units that files may use for it, and how many of them one is."""

AXIS_UNITS = tuple(unit for unit in _AXIS_UNITS if unit != PAN)
"""The units that an axis can have: degrees, metres, a factor, or none."""


def parse_quantity(text: str, example: str = "deg/count") -> Quantity:
    """Read a number and its unit, as in ``"0.05 deg/count"``; `example` is a unit for the error to name.

    Raises :class:`UnitError` for text that is not a finite number followed by a unit.

    >>> parse_quantity("35 ms")
    Quantity(value=35.0, unit='ms')
    """
    match = _QUANTITY.fullmatch(text)
    if match is None:
        raise UnitError(f'found "{text}"; expected a number and its unit, such as "0.05 {example}"')
    number, unit = match.groups()
    if unit is None and example:
        raise UnitError(
            f'found "{text}" without a unit; expected a number and its unit, such as "{number} {example}"'
        )
    value = float(number)
    if value - value != 0.0:
        raise UnitError(f'found "{text}"; expected a number that fits in double precision')
    return Quantity(value, unit or "")


def files_write(unit: str) -> tuple[str, ...]:
    """The units that files may use for one inside.

    >>> files_write("s")
    ('s', 'ms')
    """
    return tuple(_IN_ONE[unit])


def convert(quantity: Quantity, unit: str) -> float:
    """The quantity as a plain number of `unit` (``deg``, ``s``, ``m``, ``x``, ``Hz`` or none).

    Raises :class:`UnitError` when the quantity measures something else.

    >>> convert(Quantity(35.0, "ms"), "s")
    0.035
    """
    in_one = _IN_ONE[unit]
    if quantity.unit not in in_one:
        hint = nearest(quantity.unit, in_one)
        wanted = f"a number of {listed(in_one)}" if unit else "a plain number"
        raise UnitError(f'found "{quantity}"; expected {wanted}{hint}')
    return quantity.value / in_one[quantity.unit]


def fitting(kind: str, per: str, axis_unit: str) -> tuple[str, ...]:
    """Every unit of sensitivity that fits a kind of signal, measured in `per`, on an axis of a unit.

    >>> fitting("displacement", "count", "deg"), fitting("deflection", "", "deg")
    (('deg/count', 'cm/turn'), ('deg/s', 'deg'))
    """
    gives = _AXIS_UNITS[axis_unit]
    if kind == "displacement":
        steps = tuple(f"{one}/{per}" for one in gives)
        return (*steps, "cm/turn") if (per, axis_unit) == ("count", "deg") else steps
    if kind == "deflection":
        leans = () if axis_unit == PAN else tuple(one for one in gives if one not in ("%", ""))
        return (*(f"{one}/s" for one in gives), *leans)
    if kind == "angle":
        leans = () if axis_unit == PAN else tuple(f"{one}/{per}" for one in gives if one not in ("%", ""))
        return (*leans, *(f"{one}/s/{per}" for one in gives))
    if kind == "ratio":
        return ("x/x",) if axis_unit in ("m", "x") else ()
    if kind == "rate":
        return tuple(f"{one}/{per}" for one in gives if one)
    return tuple(f"{one}/s" for one in gives) if kind == "switch" else ()


def read_sensitivity(
    quantity: Quantity, kind: str, per: str, axis_unit: str, *, counts_per_cm: float | None
) -> Effect:
    """What a sensitivity does, for a signal of a kind measured in `per`, on an axis of a unit.

    Raises :class:`UnitError` where they do not fit, with the units that do.
    """
    fits = fitting(kind, per, axis_unit)
    if not fits:
        raise UnitError(f'found "{quantity}"; expected another axis: none in {axis_unit} can follow a {kind}')
    if quantity.unit not in fits:
        raise UnitError(f'found "{quantity}"; expected {listed(fits)}{nearest(quantity.unit, fits)}')
    if not LEAST <= abs(quantity.value) <= MOST:
        raise UnitError(f'found "{quantity}"; expected {LEAST:g} to {MOST:g}, or the same negative')
    gives, _, over = quantity.unit.partition("/")
    if kind == "ratio":
        return Effect("step", quantity.value, log=True)
    if over == "turn":
        if counts_per_cm is None:
            scale = "[mouse] with counts_per_cm (counts an inch / 2.54: 800 gives 315)"
            raise UnitError(f'found "{quantity}" without a scale; expected {scale}')
        return Effect("step", degrees_per_count(quantity.value, counts_per_cm=counts_per_cm))
    amount, log = quantity.value, gives == "%"
    if log:
        amount = copysign(log1p(abs(amount) / 100.0), amount)
    elif gives == "cm":
        amount /= 100.0
    runs = over.partition("/")[0] == "s" or kind == "rate"
    leans = not over or (kind == "angle" and not runs)
    return Effect("offset" if leans else "rate" if runs else "step", amount, log, gives == "screen")

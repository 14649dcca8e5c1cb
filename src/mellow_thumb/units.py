"""Quantities: a number and the unit that says what it is.

A sensitivity never comes without its unit, and the unit must fit what the signal is (its kind, see
:mod:`mellow_thumb.signals`). `SENSITIVITIES` is the one table of what fits what.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from .errors import UnitError, listed, nearest

_QUANTITY = re.compile(r"\s*([+-]?(?:\d+\.?\d*|\.\d+)(?:[eE][+-]?\d+)?)\s*(\S.*?)?\s*")


@dataclass(frozen=True, slots=True)
class Quantity:
    """A number with its unit, as it stands in a profile: ``Quantity(0.05, "deg/count")``."""

    value: float
    unit: str

    def __str__(self) -> str:
        return f"{self.value:g} {self.unit}"


@dataclass(frozen=True, slots=True)
class Sensitivity:
    """What a unit of sensitivity takes from a signal and gives to an axis."""

    unit: str
    kind: str
    """The kind of signal that it fits."""
    per: str
    """What one unit of the signal is called: the signal's own unit must be this."""
    gives: str
    """The unit of the axis that it drives."""
    largest: float
    """Beyond this magnitude it is a slip of the pen."""
    smallest: float
    """Nearer to zero than this it is one too."""


SENSITIVITIES = {
    entry.unit: entry
    for entry in (
        Sensitivity("deg/count", "displacement", "count", "deg", largest=360.0, smallest=1e-9),
        Sensitivity("cm/turn", "displacement", "count", "deg", largest=1e6, smallest=1e-3),
    )
}
"""Every unit of sensitivity, by name."""

_IN_ONE = {
    "deg": {"deg": 1.0},
    "s": {"s": 1.0, "ms": 1e3},
    "m": {"m": 1.0, "cm": 1e2},
}
"""For each unit inside, the units that files may use for it, and how many of them one is."""


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
    if unit is None:
        raise UnitError(
            f'found "{text}" without a unit; expected a number and its unit, such as "{number} {example}"'
        )
    value = float(number)
    if value - value != 0.0:
        raise UnitError(f'found "{text}"; expected a number that fits in double precision')
    return Quantity(value, unit)


def convert(quantity: Quantity, unit: str) -> float:
    """The quantity as a plain number of `unit` (``deg``, ``s`` or ``m``).

    Raises :class:`UnitError` when the quantity measures something else.

    >>> convert(Quantity(35.0, "ms"), "s")
    0.035
    """
    in_one = _IN_ONE[unit]
    if quantity.unit not in in_one:
        hint = nearest(quantity.unit, in_one)
        raise UnitError(f'found "{quantity}"; expected a number of {listed(in_one)}{hint}')
    return quantity.value / in_one[quantity.unit]


def known_units(unit: str) -> tuple[str, ...]:
    """The units that :func:`convert` takes where `unit` is wanted."""
    return tuple(_IN_ONE[unit])

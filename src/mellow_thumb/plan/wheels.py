"""Wheels: every unit of a wheel's movement, as notches."""

from __future__ import annotations

from ..basics import ArgumentError, listed, nearest

IN_NOTCH = {"notch": 1.0, "120ths": 120.0, "lines": 3.0, "px": 100.0, "pages": 1.0 / 3.0}
"""How many of each unit one notch is.

``120ths`` is what high-resolution wheels count (Linux input event code REL_WHEEL_HI_RES). ``px``, ``lines``
and ``pages`` are deltaMode 0, 1 and 2 of a browser's wheel event (W3C UI Events, section WheelEvent), which
fixes no size for them: these are the customary ones.
"""


def wheel_notches(amount: float, unit: str) -> float:
    """Convert a wheel's movement in ``notch``, ``120ths``, ``lines``, ``px`` or ``pages`` to notches.

    The sign is kept. A browser counts downwards: pass ``-deltaY``. Raises :class:`ArgumentError` for another
    unit.

    >>> wheel_notches(240.0, "120ths"), wheel_notches(-100.0, "px")
    (2.0, -1.0)
    """
    if unit not in IN_NOTCH:
        raise ArgumentError(f'found the unit "{unit}"; expected {listed(IN_NOTCH)}{nearest(unit, IN_NOTCH)}')
    return amount / IN_NOTCH[unit]

"""Shaping a held value: rest, reach, dead zones and curves.

Values are shares of full travel, -1 to 1; a pair lies on the unit disc once it is shaped. Every curve is
odd, 0 at 0 and 1 at 1: the formulas here take the magnitude.
"""

from __future__ import annotations

from math import sqrt


def rested(x: float, *, rest: float) -> float:
    """A value measured from where it rests, each side stretched so that -1 and 1 stay within reach.

    >>> rested(0.1, rest=0.1), rested(1.0, rest=0.1), rested(-1.0, rest=0.1)
    (0.0, 1.0, -1.0)
    """
    return (x - rest) / (1.0 + rest if x < rest else 1.0 - rest)


def rested_pair(x: float, y: float, *, rest_x: float, rest_y: float, reach: float) -> tuple[float, float]:
    """A stick measured from where it rests, stretched so that every direction still reaches 1.

    `reach` is what is left of the travel on the shortest side: 1 less the length of the rest. Both parts
    are stretched alike, so a direction from the rest stays what it is.
    """
    return (x - rest_x) / reach, (y - rest_y) / reach


def disc_from_square(x: float, y: float) -> tuple[float, float]:
    """A stick whose corners reach (1, 1), scaled along its direction onto the unit disc."""
    wide = abs(x)
    tall = abs(y)
    length = sqrt(x * x + y * y)
    scale = (wide if wide > tall else tall) / length if length > 0.0 else 0.0
    return x * scale, y * scale


def zone(size: float, *, inner: float, outer: float) -> float:
    """A magnitude past a dead zone: 0 up to `inner`, 1 from `outer` on, a line between.

    >>> zone(0.1, inner=0.1, outer=0.9), zone(0.5, inner=0.1, outer=0.9), zone(1.0, inner=0.1, outer=0.9)
    (0.0, 0.5, 1.0)
    """
    past = (size - inner) / (outer - inner)
    return 0.0 if past < 0.0 else past if past < 1.0 else 1.0


def wedge(x: float, y: float, *, share: float) -> float:
    """A component `x`, 0 up to `share` of the other, `y`: it keeps straight pushes straight.

    From there it grows, and is unchanged where both are equal.
    """
    size = abs(x)
    past = (size - share * abs(y)) / (1.0 - share)
    # beyond the diagonal the line would go past the stick itself
    kept = 0.0 if past < 0.0 else past if past < size else size
    return kept if x > 0.0 else -kept


def power(size: float, *, exponent: float) -> float:
    """A magnitude raised to a power.

    >>> power(0.5, exponent=2.0)
    0.25
    """
    return size**exponent  # type: ignore[no-any-return]


def blend(size: float, *, cubic: float) -> float:
    """A magnitude between a line and a cube: ``(1 - k) x + k x^3``.

    >>> blend(0.5, cubic=1.0), blend(0.5, cubic=0.0)
    (0.125, 0.5)
    """
    return size * (1.0 - cubic + cubic * size * size)


def cubic(size: float, at: float, a: float, b: float, c: float, d: float) -> float:
    """One piece of a cubic spline: ``a + b s + c s^2 + d s^3`` for ``s = size - at``."""
    s = size - at
    return a + s * (b + s * (c + s * d))


def along(x: float, y: float, size: float, wanted: float) -> tuple[float, float]:
    """A pair of length `size`, scaled to `wanted`; its direction stays."""
    scale = wanted / size if size > 0.0 else 0.0
    return x * scale, y * scale


def signed(x: float, size: float) -> float:
    """A magnitude with the sign of `x`."""
    return size if x > 0.0 else -size


def length(x: float, y: float) -> float:
    """The length of a pair."""
    return sqrt(x * x + y * y)

"""Response curves: how a share of travel becomes a share of effect. All are odd, 0 at 0 and 1 at 1."""

from __future__ import annotations

from bisect import bisect_right
from dataclasses import dataclass, field
from itertools import pairwise
from math import copysign
from typing import TYPE_CHECKING

from ...basics import PlanError
from ...expressions import cases
from ...formulas import shaping

if TYPE_CHECKING:
    from collections.abc import Callable

    from ...expressions import Block, Value


@dataclass(frozen=True)
class Power:
    """``x ^ exponent``: above 1 it is finer near the centre, below 1 coarser."""

    exponent: float

    def __post_init__(self) -> None:
        if not 0.1 <= self.exponent <= 10.0:
            raise PlanError(f"power: found {self.exponent:g}; expected 0.1 to 10", path=("power",))

    def value(self, x: float) -> float:
        """The share of effect at a share of travel, -1 to 1."""
        return copysign(shaping.power(abs(x), exponent=self.exponent), x)

    def slope(self, x: float) -> float:
        """The slope of the curve there; infinite at 0 for an exponent below 1."""
        size = abs(x)
        if size == 0.0:
            return 1.0 if self.exponent == 1.0 else 0.0 if self.exponent > 1.0 else float("inf")
        return float(self.exponent * size ** (self.exponent - 1.0))

    def inverse(self, y: float) -> float:
        """The share of travel that gives a share of effect."""
        return copysign(abs(y) ** (1.0 / self.exponent), y)

    def on_size(self, block: Block, size: Value) -> Value:
        """At an event: the curve for a magnitude."""
        return block.call(shaping.power, size, exponent=self.exponent)[0]


@dataclass(frozen=True)
class Blend:
    """``(1 - k) x + k x^3``: a line at k = 0, a cube at k = 1."""

    cubic: float

    def __post_init__(self) -> None:
        if not 0.0 <= self.cubic <= 1.0:
            raise PlanError(f"blend: found {self.cubic:g}; expected 0 to 1", path=("blend",))

    def value(self, x: float) -> float:
        """The share of effect at a share of travel, -1 to 1."""
        return copysign(shaping.blend(abs(x), cubic=self.cubic), x)

    def slope(self, x: float) -> float:
        """The slope of the curve there."""
        return 1.0 - self.cubic + 3.0 * self.cubic * x * x

    def inverse(self, y: float) -> float:
        """The share of travel that gives a share of effect."""
        return copysign(_solve(self.value, abs(y), 0.0, 1.0), y)

    def on_size(self, block: Block, size: Value) -> Value:
        """At an event: the curve for a magnitude."""
        return block.call(shaping.blend, size, cubic=self.cubic)[0]


NARROWEST = 0.001
"""Points of a curve nearer to each other than this share of travel are a step, which has no way back."""


Piece = tuple[float, float, float, float, float]


@dataclass(frozen=True)
class Points:
    """A smooth curve through given points that never overshoots: monotone cubics (PCHIP).

    Each point is (share of travel, share of effect); (0, 0) and (1, 1) are always there. Source: Fritsch
    and Butland, A method for constructing local monotone piecewise cubic interpolants (1984), with
    the three-point end slopes of Moler, Numerical Computing with MATLAB, section 3.6.
    """

    points: tuple[tuple[float, float], ...]
    pieces: tuple[Piece, ...] = field(init=False, repr=False, compare=False)
    """Each piece: where it begins, and its four coefficients from the constant up."""

    def __post_init__(self) -> None:
        inner = tuple(p for p in self.points if tuple(p) not in ((0.0, 0.0), (1.0, 1.0)))
        object.__setattr__(self, "points", ((0.0, 0.0), *inner, (1.0, 1.0)))
        if len(self.points) > 18:
            raise PlanError(f"points: found {len(inner)}; expected 16 at most", path=("points",))
        for (x0, y0), (x1, y1) in pairwise(self.points):
            if not (x0 < x1 and y0 <= y1):
                raise PlanError(
                    f"points: found ({x1:g}, {y1:g}) after ({x0:g}, {y0:g}); expected both to rise to (1, 1)",
                    path=("points",),
                )
            if x1 - x0 < NARROWEST:
                found = f"({x0:g}, {y0:g}) and ({x1:g}, {y1:g})"
                raise PlanError(
                    f"points: found {found}; expected {NARROWEST:g} of travel between them", path=("points",)
                )
        object.__setattr__(self, "pieces", self._pieces())

    def _pieces(self) -> tuple[Piece, ...]:
        x, y = [p[0] for p in self.points], [p[1] for p in self.points]
        slopes = _slopes(x, y)
        pieces = []
        for k in range(len(x) - 1):
            h = x[k + 1] - x[k]
            mean, s0, s1 = (y[k + 1] - y[k]) / h, slopes[k], slopes[k + 1]
            pieces.append(
                (x[k], y[k], s0, (3.0 * mean - 2.0 * s0 - s1) / h, (s0 + s1 - 2.0 * mean) / (h * h))
            )
        return tuple(pieces)

    def _piece(self, size: float) -> Piece:
        starts = [piece[0] for piece in self.pieces]
        return self.pieces[max(bisect_right(starts, size) - 1, 0)]

    def value(self, x: float) -> float:
        """The share of effect at a share of travel, -1 to 1."""
        return copysign(shaping.cubic(abs(x), *self._piece(abs(x))), x)

    def slope(self, x: float) -> float:
        """The slope of the curve there."""
        at, _, b, c, d = self._piece(abs(x))
        s = abs(x) - at
        return b + s * (2.0 * c + 3.0 * d * s)

    def inverse(self, y: float) -> float:
        """The share of travel that gives a share of effect; the least one where the curve is flat."""
        return copysign(_solve(self.value, abs(y), 0.0, 1.0), y)

    def on_size(self, block: Block, size: Value) -> Value:
        """At an event: the curve for a magnitude."""
        chosen = [
            cases(
                ((size < after[0], piece[place]) for piece, after in pairwise(self.pieces)),
                self.pieces[-1][place],
            )
            for place in range(5)
        ]
        return block.call(shaping.cubic, size, *chosen)[0]


Curve = Power | Blend | Points


def _slopes(x: list[float], y: list[float]) -> list[float]:
    """The slope at each point: the weighted harmonic mean of its neighbours, 0 where they disagree."""
    h = [b - a for a, b in pairwise(x)]
    mean = [(b - a) / step for a, b, step in zip(y, y[1:], h, strict=False)]
    if len(mean) == 1:
        return [mean[0], mean[0]]
    inner = []
    for k in range(1, len(mean)):
        before, after = mean[k - 1], mean[k]
        w0, w1 = 2.0 * h[k] + h[k - 1], h[k] + 2.0 * h[k - 1]
        inner.append((w0 + w1) / (w0 / before + w1 / after) if before * after > 0.0 else 0.0)
    first = _end_slope(h[0], h[1], mean[0], mean[1])
    return [first, *inner, _end_slope(h[-1], h[-2], mean[-1], mean[-2])]


def _end_slope(h0: float, h1: float, m0: float, m1: float) -> float:
    """The slope at an end, from three points, kept from overshooting."""
    slope = ((2.0 * h0 + h1) * m0 - h0 * m1) / (h0 + h1)
    if slope * m0 <= 0.0:
        return 0.0
    return 3.0 * m0 if m0 * m1 <= 0.0 and abs(slope) > 3.0 * abs(m0) else slope


def _solve(rising: Callable[[float], float], wanted: float, low: float, high: float) -> float:
    """Where a rising function first reaches a value, by bisection, to the last bit."""
    while True:
        middle = 0.5 * (low + high)
        if not low < middle < high:
            return high if rising(low) < wanted else low
        low, high = (middle, high) if rising(middle) < wanted else (low, middle)

"""What can be said of two settings, and how surely: intervals, claims, how many rounds more would tell.

One number a pair: the difference between two rounds of one person, or between the means of one person's
rounds. Differences of what is only ever positive are those of logarithms, so that they are per cent.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache
from itertools import product
from math import ceil, comb, expm1, inf, log1p, log2, sqrt
from typing import TYPE_CHECKING

if TYPE_CHECKING:
    from collections.abc import Sequence

    import numpy as np
    import numpy.typing as npt

    Floats = npt.NDArray[np.float64]

LOOKS = 3
"""How often the differences may be looked at for a claim: after the planned rounds, and twice after more."""
LIMIT = 0.0221
"""What chance may make at each look, so that at three it makes 5 % in all.

Source: Pocock, Group sequential methods in the design and analysis of clinical trials (1977), table 1.
"""
WORTH = 0.10
"""A difference that is worth knowing: 10 %."""
POWER = 0.90
"""In how many trials of ten a difference of that size is to be found."""
MOST_PAIRS = 64
"""More pairs than this nobody plays."""
_EXACT = 14
"""Up to so many differences every pattern of signs is tried."""
_PATTERNS = 20_000
"""So many are drawn of more."""
_DRAWN = 2_000
"""So many trials are simulated for each number of rounds."""


def sign_flip(differences: Sequence[float]) -> float:
    """How often chance makes as large a mean, either way: the share of patterns of signs that do.

    Exact up to 14 differences, of more 20,000 patterns are drawn, the same ones each time. Source: Fisher,
    The Design of Experiments (1935), section 21; for drawn patterns (b + 1) / (m + 1): Phipson and Smyth,
    Permutation p-values should never be zero (2010).
    """
    import numpy as np

    values = np.asarray(differences, dtype=float)
    seen = abs(values.sum()) * (1.0 - 1e-12)
    if len(values) <= _EXACT:
        return float((np.abs(_signs(len(values)) @ values) >= seen).mean())
    signs = _drawn_signs(len(values))
    return float(((np.abs(signs @ values) >= seen).sum() + 1) / (_PATTERNS + 1))


@cache
def _signs(count: int) -> Floats:
    """Every pattern of signs."""
    import numpy as np

    return np.array(list(product((1.0, -1.0), repeat=count)))


@cache
def _drawn_signs(count: int) -> Floats:
    """Patterns of signs drawn by chance, the same ones each time."""
    import numpy as np

    return np.random.default_rng(count).choice((1.0, -1.0), size=(_PATTERNS, count))


@dataclass(frozen=True)
class Difference:
    """A difference between two settings, with the interval that holds it."""

    count: int
    """How many pairs it is the mean of."""
    mean: float
    low: float
    high: float
    deviation: float
    """The standard deviation of a pair's difference."""
    chance: float
    """How often chance makes as much, by :func:`sign_flip`."""
    limit: float = LIMIT
    """What chance may make for a claim."""

    @property
    def claimed(self) -> bool:
        """Whether it may be called a difference, at one of the planned looks."""
        return self.chance <= self.limit and not self.low <= 0.0 <= self.high

    @property
    def fewest(self) -> int:
        """Below so many pairs nothing can be claimed: all of one sign come by chance too often."""
        return ceil(log2(2.0 / self.limit))


def difference(differences: Sequence[float], limit: float = LIMIT) -> Difference:
    """The mean of differences, two at least, with its interval by Student's t.

    `limit` is what chance may make: the interval leaves the truth out as often.

    At the level of a planned look the interval holds the truth in 95 of 100 trials whichever look ends them:
    Jennison and Turnbull, Repeated confidence intervals for group sequential clinical trials (1984).
    """
    from statistics import fmean, stdev

    from scipy.stats import t

    count, mean, deviation = len(differences), fmean(differences), stdev(differences)
    half = float(t.ppf(1.0 - 0.5 * limit, count - 1)) * deviation / sqrt(count)
    return Difference(count, mean, mean - half, mean + half, deviation, sign_flip(differences), limit)


def preferred(firsts: int, seconds: int) -> float:
    """How often chance makes people prefer one so much, either way: the sign test; 1 where nobody did.

    Source: the binomial distribution at one half (Arbuthnot 1710).
    """
    count, least = firsts + seconds, min(firsts, seconds)
    return min(1.0, 2.0 * sum(comb(count, k) for k in range(least + 1)) / 2.0**count) if count else 1.0


@dataclass(frozen=True)
class Verdict:
    """What is known after a look, and what to do about it.

    Its kind is ``better``, ``same`` (any difference is smaller than is worth knowing) or ``open``.
    """

    kind: str
    more: int = 0
    """How many pairs more would tell; 0 where none would, or none are left."""
    chance: float = 0.0
    """In what share of trials they would, if the difference is as large as is worth knowing."""


def verdict(found: Difference, look: int, *, worth: float = WORTH, seed: int = 0) -> Verdict:
    """What may be said at the planned look of a number (from 1), and how many pairs more would tell.

    Where nothing can be claimed, trials are simulated on from what was seen: pairs as scattered as these,
    with a true difference of `worth`; as many are asked for as find it in nine trials of ten.
    """
    if found.claimed:
        return Verdict("better")
    if found.count >= found.fewest and -log1p(worth) < found.low and found.high < log1p(worth):
        return Verdict("same")
    if look >= LOOKS:
        return Verdict("open")
    more, chance = rounds_more(found, worth=worth, seed=seed)
    return Verdict("open", more, chance)


def rounds_more(found: Difference, *, worth: float = WORTH, seed: int = 0) -> tuple[int, float]:
    """How many pairs more would find a difference of `worth`, and in what share of trials.

    Trials are simulated whose pairs scatter as these do. By how much that is, is not certain, so it is drawn
    too, from what is left of it after seeing these. Where that many pairs were there already, it is half of
    them again.
    """
    import numpy as np

    random, freedom = np.random.default_rng(seed), found.count - 1
    scatter = found.deviation * np.sqrt(freedom / random.chisquare(freedom, _DRAWN))
    least = max(found.count + 2, min(MOST_PAIRS, found.count + found.count // 4 * 2))
    share = 0.0
    for count in range(least, MOST_PAIRS + 1, 2):
        mean = log1p(worth) + scatter * random.standard_normal(_DRAWN) / sqrt(count)
        deviation = scatter * np.sqrt(random.chisquare(count - 1, _DRAWN) / (count - 1))
        share = float((mean >= _threshold(count, found.limit) * deviation / sqrt(count)).mean())
        if count >= found.fewest and share >= POWER:
            return count - found.count, share
    return max(MOST_PAIRS - found.count, 0), share


@cache
def _threshold(count: int, limit: float) -> float:
    """Student's t above which a mean of so many is claimed."""
    from scipy.stats import t

    return float(t.ppf(1.0 - 0.5 * limit, count - 1))


def per_cent(logarithm: float) -> float:
    """A difference of logarithms, in per cent."""
    return 100.0 * expm1(logarithm) if logarithm < 700.0 else inf

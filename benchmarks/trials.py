"""What trials claim, of stand-in people whose truth is known: python -m benchmarks.trials [HOW_MANY]

Each trial follows its own advice to go on. Without a difference at most 6 % may claim one, and intervals are
to hold the truth in 93 to 97 %; a difference of 10 % is to be found in 90 %.
"""

from __future__ import annotations

import sys
from concurrent.futures import ProcessPoolExecutor
from functools import partial
from statistics import fmean

from mellow_thumb.insight.trials.simulating import Simulated, simulated

MANY = 2000
EASES = (1.0, 1.05, 1.1, 1.2)


def trials(ease: float, many: int) -> list[Simulated]:
    with ProcessPoolExecutor() as pool:
        return list(pool.map(partial(simulated, ease=ease), range(many), chunksize=20))


def main() -> None:
    many = int(sys.argv[1]) if len(sys.argv) > 1 else MANY
    print(f"{many} trials each; true difference: better, alike, not known; interval holds the truth; pairs")
    for ease in EASES:
        found = trials(ease, many)
        kinds = [fmean(one.said.kind == kind for one in found) for kind in ("better", "same", "open")]
        wrong = fmean(one.said.kind == "better" and one.found.mean < 0.0 for one in found)
        holds, pairs = fmean(one.holds for one in found), fmean(one.found.count for one in found)
        shares = ", ".join(f"{100 * one:.1f} %" for one in kinds)
        print(f"{100 * (ease - 1):3.0f} %: {shares} (the wrong one: {100 * wrong:.1f} %);", end=" ")
        print(f"{100 * holds:.1f} %; {pairs:.1f}")


if __name__ == "__main__":
    main()

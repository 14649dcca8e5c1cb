"""Exploring: every property again and again, each round with a fresh seed.

    python -m tests.explore --minutes 30

The README's test command takes the same examples every time; this one looks further. It stops at the first round
that finds something, with the seed to find it again; what was found is kept in `.hypothesis`, and tried first in
the next round.
"""

from __future__ import annotations

import argparse
import os
import random
import re
import subprocess
import sys
import time
from pathlib import Path


def main() -> int:
    """Explore for some minutes; 1 if something was found."""
    parser = argparse.ArgumentParser(description="Try every property with fresh seeds.")
    parser.add_argument("--minutes", type=float, default=30.0, help="how long (default: 30)")
    parser.add_argument("--workers", default="auto", help="how many at once (default: one a core)")
    parser.add_argument("tests", nargs="*", default=["tests"], help="which tests (default: all)")
    asked = parser.parse_args()
    begin, rounds, examples = time.monotonic(), 0, 0
    while time.monotonic() - begin < 60.0 * asked.minutes:
        seed = random.SystemRandom().randrange(2**32)
        words = ["-q", "-n", asked.workers, "-m", "hypothesis and not long", f"--hypothesis-seed={seed}"]
        done = subprocess.run(
            [sys.executable, "-m", "pytest", *words, *asked.tests],
            env={**os.environ, "HYPOTHESIS_PROFILE": "explore"}, cwd=Path(__file__).parents[1],
            capture_output=True, text=True, check=False,
        )  # fmt: skip
        passed = re.search(r"(\d+) passed", done.stdout)
        rounds, examples = rounds + 1, examples + int(passed[1] if passed else 0)
        print(f"round {rounds}, seed {seed}: {done.stdout.strip().splitlines()[-1]}", flush=True)
        if done.returncode:
            print(done.stdout)
            return 1
    print(
        f"{rounds} rounds, {examples:,} runs of properties in {(time.monotonic() - begin) / 60.0:.0f} min: nothing found"
    )
    return 0


if __name__ == "__main__":
    sys.exit(main())

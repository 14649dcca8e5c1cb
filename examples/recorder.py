"""A recorder in a game's loop: what hands do is kept as it comes, and plays back to the same bits.

Events are written once a frame: whatever ends the game, the file holds every frame before that.
Run it: python examples/recorder.py
"""

from __future__ import annotations

import math
import tempfile
from pathlib import Path

import mellow_thumb as mt

PROFILE = Path(mt.__file__).parent / "marsh" / "field_glasses.toml"
FRAME, SECONDS = 1 / 60, 4.0


def hand(begin: float, end: float) -> list[tuple[str, float | tuple[float, float], float]]:
    """What a window would report between two moments: along the tide line, then with the glasses up."""
    found: list[tuple[str, float | tuple[float, float], float]] = []
    for k in range(math.ceil(begin * 125), math.ceil(end * 125)):
        t = k / 125
        if k == 250:
            found.append(("mouse.right", 1.0, t))
        counts = (round(6 * math.sin(1.3 * t)), round(2 * math.cos(2.1 * t)))
        if any(counts):
            found.append(("mouse.move", counts, t))
    return found


def main(folder: Path) -> tuple[Path, mt.Frame]:
    """Play, and record."""
    session = mt.load_profile(PROFILE).session()
    about = {"title": "Along the tide line", "made_by": "examples/recorder.py"}
    recorder = mt.Recorder.of(session, folder / "hands.csv", about)
    try:
        for k in range(round(SECONDS / FRAME)):
            for signal, value, t in hand(k * FRAME, (k + 1) * FRAME):
                session.feed(signal, value, at=t)
            frame = session.tick(FRAME)
            recorder.flush()  # one small write a frame
    finally:
        recorder.close()
    return folder / "hands.csv", frame


if __name__ == "__main__":
    with tempfile.TemporaryDirectory() as name:
        path, frame = main(Path(name))
        again = mt.replay(mt.load_profile(PROFILE), mt.read_take(path), rate=60)
        print(f"recorded {len(mt.read_take(path)):,} rows")
        print(f"yaw in the game {frame.axes['yaw']:.6f} deg, played back {again['yaw'].iloc[-1]:.6f} deg")

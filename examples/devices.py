"""The input devices of a Linux machine in a loop: plugged in and unplugged at any time.

Needs python-evdev: pip install 'mellow-thumb[linux]'. Run it: python examples/devices.py, and move something;
it ends after ten seconds, or after as many as you say: python examples/devices.py 60
"""

from __future__ import annotations

import sys
import time

import mellow_thumb as mt
from mellow_thumb import marsh

RATE = 60.0


def main(seconds: float = 10.0) -> int:
    """Look out from the dyke with whatever pad there is; how many frames it was."""
    session = mt.load_profile(marsh.DYKE).session()
    frames, known = 0, {"": "not looked at yet"}
    with mt.LinuxDevices.feeding(session) as devices:
        begin = time.monotonic()
        while (now := time.monotonic() - begin) < seconds:
            devices.poll()
            frame = session.tick(to=now)
            frames += 1
            if devices.names != known:
                known = devices.names
                print("devices:", ", ".join(known.values()) or "none")
            if frames % int(RATE) == 0:
                print(f"{now:5.1f} s  yaw {frame.axes['yaw']:7.2f} deg  pitch {frame.axes['pitch']:6.2f} deg")
            devices.wait(max(0.0, begin + frames / RATE - time.monotonic()))
    return frames


if __name__ == "__main__":
    try:
        main(float(sys.argv[1]) if len(sys.argv) > 1 else 10.0)
    except mt.MissingError as error:
        sys.exit(str(error))

"""A spotting scope in the hand: what the sensors of a device read, and where the view goes.

The host hands on each reading of the gyroscope and the accelerometer with its time. While one peers, the view
turns as the device does; while a shoulder button is held, it leans as far as the device is tilted from how it
was held, and goes back. Run it: python examples/scope.py
"""

from __future__ import annotations

import mellow_thumb as mt
from mellow_thumb import marsh
from mellow_thumb.stand_ins.handheld import Handheld


def hand() -> Handheld:
    """Lies still, peers along the tide line, then tilts for a look aside."""
    one = Handheld(11, rate=100)
    one.rest(1.5)  # nothing moves: what the gyroscope says now is its bias
    one.set("pad.left_trigger", 1.0)
    one.turn(30.0, 5.0, 10.0, seconds=1.0)
    one.hold(0.5)
    one.set("pad.left_trigger", 0.0)
    one.turn(0.0, -30.0, 0.0, seconds=0.8)  # down to the lap: the view stays
    one.hold(0.3)
    one.set("pad.left_shoulder", 1.0)
    one.turn(0.0, -30.0, 21.5, seconds=0.5)
    one.hold(0.4)
    one.set("pad.left_shoulder", 0.0)
    one.hold(0.6)
    return one


def main() -> list[tuple[float, float, float, str]]:
    """Play it into a session, 60 frames a second: each frame's time, yaw and pitch, and what is held."""
    session = mt.load_profile(marsh.SCOPE).session()
    take = hand().recorded().table
    reading: dict[str, float] = {}
    for t, signal, value in zip(take["t"], take["signal"], take["value"], strict=True):
        reading[str(signal)] = float(value)
        if signal == "motion.turn.z":  # a whole reading
            turn, force = ([reading[f"motion.{what}.{part}"] for part in "xyz"] for what in ("turn", "force"))
            session.motion(turn, force, at=float(t))
        elif str(signal).startswith("pad."):
            session.feed(str(signal), float(value), at=float(t))
    seen = []
    while session.now < 5.5:
        frame = session.tick(1 / 60)
        held = next((name for name, there in frame.gates.items() if there), "")
        seen.append((frame.t, frame.axes["yaw"], frame.axes["pitch"], held))
    return seen


if __name__ == "__main__":
    for t, yaw, pitch, held in main()[14::15]:
        print(f"{t:4.2f} s  yaw {yaw:6.2f} deg  pitch {pitch:6.2f} deg  {held}")

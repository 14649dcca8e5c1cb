"""Whether a saved state of fingers is possible: a damaged one must not put a program in an endless loop."""

from __future__ import annotations

from typing import TYPE_CHECKING

from ..signals import FINGERS

if TYPE_CHECKING:
    from collections.abc import Mapping

_FINGER = {"area": -1.0, "counts": 1.0, "goes": 1.0, "becomes": 3.0}
"""What of a finger is a whole number from 0 on, and the most that it is; -1: as many as there are areas."""
_AREA = {
    "size": 10.0, "counting": 10.0, "going": 10.0, "open": 10.0, "tapped": 10.0,
    "tap1": 10.0, "tap2": 10.0, "tap3": 10.0, "leaves": 10.0,
}  # fmt: skip
"""The same of an area."""


def check_contacts(state: Mapping[str, float], areas: int) -> None:
    """Raise ValueError if the fingers of a saved state (its values by name) are impossible."""
    wanted = {"fingers_wait": 1.0, "fingers_turn": 1.0, "fingers_anew": 1.0, "fingers_low": float(FINGERS)}
    for k in range(1, FINGERS + 1):
        for name, most in _FINGER.items():
            wanted[f"finger{k}_{name}"] = float(areas) if most < 0.0 else most
    for k in range(1, areas + 1):
        wanted |= {f"area{k}_{name}": most for name, most in _AREA.items()}
    for name, most in wanted.items():
        if not (0.0 <= state[name] <= most and state[name] == int(state[name])):
            raise ValueError(f"{name} is {state[name]:g}")
    below = {"fingers_high": float(FINGERS - 1)}
    for k in range(1, areas + 1):
        below |= {f"area{k}_{who}": float(FINGERS - 1) for who in ("first", "second")}
    for name, most in below.items():
        if not (-1.0 <= state[name] <= most and state[name] == int(state[name])):
            raise ValueError(f"{name} is {state[name]:g}")
    for name in ("screen_wide", "screen_tall"):
        if not 1e-6 <= state[name] <= 1e6:
            raise ValueError(f"{name} is {state[name]:g}")

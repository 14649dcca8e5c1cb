"""Places and rotations from a host: bad ones are refused, rotations that are nearly right are normalised."""

from __future__ import annotations

from math import atan2
from typing import TYPE_CHECKING

from ..basics import ArgumentError
from ..formulas import evened, heading_of, is_rotation
from ..plan.mounts import PLACE

if TYPE_CHECKING:
    from ..weaving import Program

Subject = tuple[tuple[float, float, float], tuple[float, float, float, float]] | tuple[float, float, float]
"""Where a subject is (m): its place, or its place and its rotation, a unit quaternion x, y, z, w."""


def rotation_of(what: str, given: object) -> tuple[float, float, float, float]:
    """A host's rotation as a quaternion of length 1; within a tenth of that it is normalised.

    Raises :class:`ArgumentError`, about `what`, for anything else.
    """
    try:
        x, y, z, w = map(float, given)  # type: ignore[call-overload]
    except (TypeError, ValueError, OverflowError) as error:
        raise ArgumentError(f"{what}: found {given!r}; expected a unit quaternion x, y, z, w") from error
    if not is_rotation(x, y, z, w):
        raise ArgumentError(f"{what}: found {given!r}; expected a unit quaternion x, y, z, w")
    return evened(x, y, z, w)


def refused(subject: object, wanted: str = "a place, or a place and a rotation") -> ArgumentError:
    """The error for a subject that is not one."""
    return ArgumentError(f"subject: found {subject!r}; expected {wanted}")


def stand_places(program: Program) -> int:
    """How many of the things that a host says, the first ones, say where the subject is: with its yaw 4."""
    return len(PLACE) + ("subject_yaw" in program.asked_places)


def stood(before: tuple[float, ...], subject: Subject) -> tuple[float, ...]:
    """Where the subject is: its place (m), and its yaw (deg) if `before`, where it was, has one too."""
    try:
        # once a frame, so the usual case stands here without a call
        (x, y, z), (a, b, c, d) = subject  # type: ignore[misc]
        x, y, z, a, b, c, d = float(x), float(y), float(z), float(a), float(b), float(c), float(d)
        tilt = a * a + b * b
        across, back = -2.0 * (a * c + d * b), -1.0 + 2.0 * tilt
        # a number less itself is 0, unless it is infinite or none
        usual = (
            x - x + y - y + z - z == 0.0
            and -1e-6 <= tilt + c * c + d * d - 1.0 <= 1e-6
            and across * across + back * back > 1e-12
        )
    except (TypeError, ValueError, OverflowError):
        usual = False
    if not usual:
        return _stood(before, subject)
    if len(before) == 3:
        return x, y, z
    return x, y, z, 57.29577951308232 * atan2(across, -back)  # as `heading_of` has it


def _stood(before: tuple[float, ...], subject: Subject) -> tuple[float, ...]:
    """The same for a place alone, and for any rotation; raises :class:`ArgumentError` for what is none."""
    yaw = before[3:]
    try:
        place, rotation = subject if len(subject) == 2 else (subject, None)
        x, y, z = map(float, place)
    except (TypeError, ValueError) as error:
        raise refused(subject) from error
    # a number less itself is 0, unless it is infinite or none
    if (x - x) + (y - y) + (z - z) != 0.0:
        raise refused(subject, "finite numbers")
    if rotation is not None:
        turned = heading_of(*rotation_of("subject", rotation))
        yaw = (turned,) if yaw else ()
    return (x, y, z, *yaw)

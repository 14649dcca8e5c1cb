"""Running means: the plain mean at first, then a second-order low-pass; for uneven times too.

Source: Laidig, Seel, VQF (Information Fusion 91, 2023), the appendix on filter initialization: until the time
constant has passed, the mean of all that came stands for the low-pass. There it is a discrete filter of one
sampling time; here it is exact in time for an input that holds since the last, so uneven times do as well.
"""

from __future__ import annotations

from math import cos, exp, sin


def mean_so_far(time: float, dt: float) -> tuple[float, float]:
    """How long a mean has run after `dt` more seconds, and the weight of the new value.

    Below 0 it has not started: then the new value is all of it.

    >>> mean_so_far(-1.0, 0.5), mean_so_far(0.5, 0.5)
    ((0.0, 1.0), (1.0, 0.5))
    """
    now = time + dt if time >= 0.0 else 0.0
    share = dt / now if now > 0.0 else 1.0
    return now, share if share < 1.0 else 1.0


def mean_steps(dt: float, tau: float) -> tuple[float, float, float, float]:
    """What `followed` needs for a step of `dt` at a time constant of `tau` seconds.

    A Butterworth low-pass of second order has its poles at (-1 +- i) / tau: this is its matrix for a step,
    of how far the value is off and how fast it goes.
    """
    angle = dt / tau
    fade = exp(-angle)
    c = fade * cos(angle)
    s = fade * sin(angle)
    return c + s, s * tau, -2.0 * s / tau, c - s


def followed(
    value: float, speed: float, new: float, off_off: float, off_speed: float, speed_off: float, own: float
) -> tuple[float, float]:
    """A mean, and how fast it goes, one step on; the last four are what `mean_steps` gives.

    >>> followed(3.0, 0.0, 3.0, 0.5, 0.1, -0.4, 0.2)
    (3.0, 0.0)
    """
    off = value - new
    return new + off_off * off + off_speed * speed, speed_off * off + own * speed

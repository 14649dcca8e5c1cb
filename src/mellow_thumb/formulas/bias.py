"""Learning a bias: one row of a Kalman filter of three states.

Source: Laidig, Seel, VQF (Information Fusion 91, 2023), the section on gyroscope bias estimation. Rows with
independent noise may be taken one by one, which needs no inverse: Bierman,
Factorization Methods for Discrete Sequential Estimation (1977), chapter 2.
"""

from __future__ import annotations


def weight(sure: float, grows: float) -> float:
    """The variance of a measurement for which a state settles at a given standard deviation.

    `grows` is how much its variance grows from one measurement to the next. Source: the steady state of the
    filter for one state, ``p = (p + grows) noise / (p + grows + noise)``.
    """
    return sure * sure * sure * sure / grows + sure * sure


def known_better(
    a: float, b: float, c: float,
    aa: float, ab: float, ac: float, bb: float, bc: float, cc: float,
    u: float, v: float, w: float, error: float, noise: float,
) -> tuple[float, float, float, float, float, float, float, float, float]:  # fmt: skip
    """Three states and their covariances (aa to cc) after a row (u, v, w) that is off by `error`.

    `noise` is the variance of what was measured. Kalman's update for one measurement.
    """
    gain_a = aa * u + ab * v + ac * w
    gain_b = ab * u + bb * v + bc * w
    gain_c = ac * u + bc * v + cc * w
    size = u * gain_a + v * gain_b + w * gain_c + noise
    share_a = gain_a / size
    share_b = gain_b / size
    share_c = gain_c / size
    return (
        a + share_a * error, b + share_b * error, c + share_c * error,
        aa - share_a * gain_a, ab - share_a * gain_b, ac - share_a * gain_c,
        bb - share_b * gain_b, bc - share_b * gain_c, cc - share_c * gain_c,
    )  # fmt: skip


def second_of_three(a: float, b: float, c: float) -> float:
    """The median of three numbers.

    >>> second_of_three(3.0, 1.0, 2.0)
    2.0
    """
    least = a if a < b else b
    most = b if a < b else a
    return least if c < least else most if c > most else c
